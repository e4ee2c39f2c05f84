/** Components that are registered for a whole app, by the name that tags use. */
import type { FileFacts, TagFact } from '../model/facts';
import type { Package, Target } from '../model/project';
import type { Names } from './names';

type Found = Extract<Target, { kind: 'component' }>;

/** The component that a tag means where no name in its file does. */
export type Registry = (file: number, tag: TagFact) => Found | undefined;

/** Builds that bring components into scope by the names of their files. */
const BY_FILE = ['nuxt', 'nuxt3', 'unplugin-vue-components', 'vite-plugin-components', '@nuxt/components'];

export function linkRegistry(
  files: FileFacts[],
  names: Names,
  packageOf: (path: string) => Package | undefined,
): Registry {
  const registered = new Map<string, Found[]>();
  const byFile = new Map<string, number[]>();
  const add = (key: string, found: Found) => registered.set(key, [...(registered.get(key) ?? []), found]);
  const packages = files.map((file) => packageOf(file.path)?.dir ?? '');
  files.forEach((file, index) => {
    for (const { name, local } of file.registers ?? []) {
      const target = names.lookup(index, local);
      if (target.kind === 'component') add(`${packages[index]}\n${name}`, target);
    }
    const own = file.components[0];
    if (/\.vue$/.test(file.path) && own) {
      const key = `${packages[index]}\n${own.name}`;
      byFile.set(key, [...(byFile.get(key) ?? []), index]);
    }
  });
  return (file, tag) => {
    if (tag.global === undefined) return undefined;
    const key = `${packages[file]}\n${tag.global}`;
    const found = registered.get(key) ?? [];
    // Registered twice, the last one wins, and nobody here knows which that is.
    if (found.length)
      return found.every((one) => one.component === found[0]!.component) ? found[0] : undefined;
    const needs = packageOf(files[file]!.path)?.needs;
    const homes = needs && BY_FILE.some((name) => needs.has(name)) ? (byFile.get(key) ?? []) : [];
    const target = homes.length === 1 ? names.lookup(homes[0]!, 'default') : undefined;
    return target?.kind === 'component' ? target : undefined;
  };
}
