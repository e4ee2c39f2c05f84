/** Whether all that an app's components may be named by is in sight. */
import { oncePer } from '../../model/once-per';
import { dirname } from '../../model/paths';
import type { Package } from '../../model/project';
import type { Linked } from '../linked';
import { bringsByFile, describe } from './needs';

/** The names that plugins of packages register in the apps of each package; undefined where some may register any. */
const registeredIn = oncePer((project: Linked) => {
  const found = new Map<Package | undefined, Set<string> | undefined>();
  for (const { facts, index, pkg, aside } of project.files) {
    if (aside || !(facts.mounts || facts.plugins || facts.registers)) continue;
    const known = found.has(pkg) ? found.get(pkg) : new Set<string>();
    const names = known && pluginsOf(project, index);
    found.set(pkg, known && names ? new Set([...known, ...names]) : undefined);
  }
  return found;
});

function pluginsOf(project: Linked, file: number): string[] | undefined {
  const { facts } = project.files[file]!;
  if (facts.registers?.some((one) => 'glob' in one || 'all' in one)) return undefined;
  const packages = describe(facts.language)?.plugins ?? {};
  const found: string[] = [];
  for (const name of facts.plugins ?? []) {
    const from = homeOf(project, file, name);
    if (from === 'project') continue;
    if (from === undefined || !(from in packages)) return undefined;
    found.push(...packages[from]!);
  }
  return found;
}

/** The package that a plugin comes from, or is made by; `project` for one of the project's own. */
function homeOf(project: Linked, file: number, name: string): string | undefined {
  const target = project.lookup(file, name);
  if (target.kind === 'outside') return target.from;
  if (target.kind === 'component' || target.kind === 'module') return 'project';
  if (target.kind !== 'value') return undefined;
  const maker = target.value.madeBy?.name;
  return maker === undefined ? 'project' : homeOf(project, target.file, maker);
}

/** Whether a space of names is the project's: declared in it, or called as one of its folders. */
const isOwnSpace = oncePer(({ files }: Linked) => {
  const declared = [...new Set(files.flatMap(({ facts }) => facts.spaces ?? []))];
  const folders = new Set(files.flatMap(({ path }) => path.split('/').slice(0, -1)));
  return (space: string): boolean =>
    folders.has(space.slice(space.lastIndexOf('.') + 1)) ||
    declared.some((one) => one === space || one.startsWith(`${space}.`));
});

/** Whether a file says, by itself or for its folder, that it uses names of others. */
const usesOthers = oncePer((project: Linked) => {
  const users = project.files.filter(({ facts }) => facts.uses?.some((one) => !isOwnSpace(project)(one)));
  return (path: string): boolean =>
    users.some(({ path: other, facts }) => {
      const dir = dirname(other);
      return other === path || (!facts.components.length && (!dir || path.startsWith(`${dir}/`)));
    });
});

/** Whether a name that nothing in sight registers is certainly registered by nobody. */
export function isUnregistered(project: Linked, file: number, name: string, space?: string): boolean {
  // What is written before it may name a package.
  if (space !== undefined && !isOwnSpace(project)(space)) return false;
  const { pkg, path, bringsNames, facts } = project.files[file]!;
  const brings = describe(facts.language)?.brings;
  if (brings) {
    const mounted = project.files.some((one) => one.facts.mounts && !one.aside);
    return mounted && !brings.includes(name) && !usesOthers(project)(path);
  }
  // Where the language does not say what plugins bring, its own package brings components, too.
  if (!describe(facts.language)?.plugins) return false;
  const known = registeredIn(project);
  const names = known.get(pkg);
  if (!known.has(pkg) || !names || names.has(name) || bringsNames) return false;
  if (pkg && (bringsByFile(pkg) || !pkg.private)) return false;
  // Somebody mounts it, and that is all there is to be seen.
  return project.files.some((one) => one.pkg === pkg && one.facts.mounts && !one.aside);
}
