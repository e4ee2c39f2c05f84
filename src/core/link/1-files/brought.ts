/**
 * Names that a build brings into scope from folders of the project: what nothing in a file declares, and what is asked of the
 * place where the build offers all of it, are imports from the file that exports the name.
 */
import type { ExportFact, FileFacts, ImportFact } from '../../model/facts';
import { dirname, nearestOf, pathTo } from '../../model/paths';
import { LANGUAGES } from '../../readers/languages';
import type { Modules } from './modules';
import { bringsNames } from './needs';

/** Files of these folders that stand for the folder. */
const WHOLE = /\/index\.[cm]?[jt]s$/;

/** Modules that no file holds, of which a build offers what it brings. */
const OFFERS = LANGUAGES.flatMap((one) => one.offers ?? []);
const MODULES = new Set(OFFERS.flatMap(({ from }) => from));

interface Home {
  path: string;
  /** The name under which the file exports it. */
  name: string;
}

/** Files in which imports of brought names lead to where these are; without those that nobody brings. */
export function withBrought(files: FileFacts[], modules: Modules): FileFacts[] {
  const isBrought = (one: ImportFact) => one.brought === true || MODULES.has(one.from);
  if (!files.some(({ imports }) => imports.some(isBrought))) return files;
  const homes = homesOf(files, modules);
  return files.map((file) => {
    if (!file.imports.some(isBrought)) return file;
    const pkg = modules.packageOf(file.path);
    const known = bringsNames(file.language, pkg) ? homes.get(pkg?.dir ?? '') : undefined;
    const imports = file.imports.flatMap((one): ImportFact | [] => {
      if (!isBrought(one)) return one;
      const home = nearestOf(known?.get(one.name) ?? [], ({ path }) => path, file.path);
      if (home) return { ...one, name: home.name, from: pathTo(file.path, home.path) };
      return one.brought ? [] : one;
    });
    return { ...file, imports };
  });
}

/** What folders offer by its name, by package. */
function homesOf(files: FileFacts[], modules: Modules): Map<string, Map<string, Home[]>> {
  const found = new Map<string, Map<string, Home[]>>();
  for (const { path, exports } of files) {
    const own = OFFERS.map((one) => one.files.exec(path)?.[1]).find((one) => one !== undefined);
    if (own === undefined) continue;
    const dir = modules.packageOf(path)?.dir ?? '';
    let names = found.get(dir);
    if (!names) found.set(dir, (names = new Map<string, Home[]>()));
    for (const one of exports) {
      const name = nameOf(one, WHOLE.test(path) ? dirname(path) : own);
      if (name === undefined) continue;
      const list = names.get(name);
      if (list) list.push({ path, name: one.name });
      else names.set(name, [{ path, name: one.name }]);
    }
  }
  return found;
}

/** A default export is known by the name of its file; what is handed on from elsewhere is known there. */
function nameOf({ name, from }: ExportFact, file: string): string | undefined {
  if (name === '*' || from !== undefined) return undefined;
  if (name !== 'default') return name;
  return file
    .split('/')
    .at(-1)!
    .replace(/[-_.](\p{L})/gu, (_, letter: string) => letter.toUpperCase());
}
