/** Which files of a folder are audited. */
import { readdir, readFile, realpath, stat } from 'node:fs/promises';
import { isAbsolute, join, relative, sep } from 'node:path';
import ignore, { type Ignore } from 'ignore';
import { isNeededAmong, isReadable, MAX_LENGTH } from '../../core/readers';
import { ofAll } from '../../core/readers/languages';
import { isManifest } from '../../core/readers/manifest';
import type { Skipped } from '../../core/report/summary';
import { madeOf } from './made';

export interface Walked {
  /** Paths relative to the root, with slashes. */
  sources: string[];
  manifests: string[];
  skipped: Skipped[];
  /** Folders that were not entered. */
  left: string[];
}

/** Folders that hold no source of the project. */
export const NEVER = new Set([
  'node_modules',
  'bower_components',
  '.git',
  '.hg',
  '.svn',
  '.zinc-rope',
  'coverage',
  '.yarn',
  '.pnpm-store',
]);
/** Folders that a build writes, where they lie beside a package.json. */
const BUILT = new Set([
  'dist',
  'build',
  'out',
  '.angular',
  '.turbo',
  '.cache',
  'storybook-static',
  ...ofAll('built'),
]);

interface Filter {
  base: string;
  rules: Ignore;
}

export interface WalkOptions {
  include?: string[];
  exclude?: string[];
  signal?: AbortSignal;
  onFound?(count: number): void;
}

/** What stands in a folder under a name. */
interface Found {
  path: string;
  /** The real path of what a symbolic link leads to, relative to the root. */
  real: string;
  size: number;
}

/**
 * Walks a folder. A symbolic link is followed where it stays inside of the folder, and each real file is read once; what
 * lies outside is not read, and said. Throws if the root cannot be read.
 */
export async function walk(root: string, options: WalkOptions = {}): Promise<Walked> {
  const found: Walked = { sources: [], manifests: [], skipped: [], left: [] };
  const include = options.include?.length ? ignore().add(options.include) : undefined;
  const exclude = options.exclude?.length ? ignore().add(options.exclude) : undefined;
  const home = await realpath(root);
  /** Real paths of files that links lead to; they are read there, or here if nowhere else. */
  const linked: Found[] = [];
  const entered = new Set<string>();
  /** Scripts beside which a map says what they were made of. */
  const mapped: string[] = [];
  /** Folders that builds write: told of where nothing else is found. */
  const built: string[] = [];
  const skip = (path: string, reason: string) => found.skipped.push({ path, reason });

  /** Folders that links lead to, likewise. */
  const links: { path: string; name: string; real: string; beside: ReadonlySet<string>; here: Filter[] }[] =
    [];

  /** `real` is where it stands without links. */
  async function folder(dir: string, real: string, filters: Filter[]): Promise<void> {
    options.signal?.throwIfAborted();
    let entries;
    try {
      entries = await readdir(join(root, dir), { withFileTypes: true });
    } catch (error) {
      if (dir === '') throw error;
      skip(dir, `the folder cannot be read (${(error as NodeJS.ErrnoException).code})`);
      return;
    }
    const names = new Set(entries.map((entry) => entry.name));
    const here = names.has('.gitignore') ? [...filters, await filterOf(root, dir)] : filters;
    entries.sort((a, b) => (a.name < b.name ? -1 : 1));
    const pathOf = (name: string) => (dir ? `${dir}/${name}` : name);
    // All are asked at once, so that nobody waits for each in turn.
    const wanted = new Map(
      entries
        .filter((entry) => !entry.isDirectory())
        .map((entry) => [entry, pathOf(entry.name)] as const)
        .filter(([entry, path]) => entry.isSymbolicLink() || isManifest(path) || isReadable(path))
        .map(([entry, path]) => [path, look(root, home, path, entry.isSymbolicLink())]),
    );
    for (const entry of entries) {
      const path = pathOf(entry.name);
      const asked = wanted.get(path);
      if (entry.isDirectory()) {
        await enter(path, join(real, entry.name), entry.name, names, here);
        continue;
      }
      if (!asked) continue;
      const one = await asked;
      if (typeof one !== 'string' && one.folder) {
        links.push({ path, name: entry.name, real: join(home, one.real), beside: names, here });
        continue;
      }
      const isLost = typeof one === 'string' && one === OUTSIDE_FOLDER && !NEVER.has(entry.name);
      if (!isManifest(path) && !isReadable(path) && !isLost) continue;
      if (isIgnored(here, path) || exclude?.ignores(path)) continue;
      if (include && !isManifest(path) && !include.ignores(path)) continue;
      if (typeof one === 'string') skip(path, one);
      else if (entry.isSymbolicLink()) linked.push({ path, ...one });
      else {
        take(path, one.size);
        if (names.has(`${entry.name}.map`)) mapped.push(path);
      }
    }
  }

  async function enter(
    path: string,
    real: string,
    name: string,
    beside: ReadonlySet<string>,
    here: Filter[],
  ): Promise<void> {
    const isBuilt = BUILT.has(name) && beside.has('package.json');
    if (NEVER.has(name) || isBuilt || isIgnored(here, `${path}/`) || exclude?.ignores(`${path}/`)) {
      found.left.push(path);
      if (isBuilt) built.push(path);
      return;
    }
    if (entered.has(real)) return;
    entered.add(real);
    await folder(path, real, here);
  }

  function take(path: string, size: number): void {
    if (/\.min\.[cm]?js$/.test(path)) skip(path, 'it is minified');
    else if (size > MAX_LENGTH) skip(path, `it is larger than 1 MiB (${(size / MAX_LENGTH).toFixed(1)} MiB)`);
    else if (isManifest(path)) found.manifests.push(path);
    else {
      found.sources.push(path);
      if (found.sources.length % 100 === 0) options.onFound?.(found.sources.length);
    }
  }

  entered.add(home);
  await folder('', home, []);
  for (const { path, real, name, beside, here } of links) await enter(path, real, name, beside, here);
  const known = new Set([...found.sources, ...found.manifests]);
  for (const { path, real, size } of linked) {
    if (known.has(real)) continue;
    known.add(real);
    take(path, size);
  }
  if (mapped.length) {
    const { made, skipped } = await madeOf(root, mapped, known);
    found.sources = found.sources.filter((path) => !made.has(path));
    found.skipped.push(...skipped);
  }
  found.sources = found.sources.filter(isNeededAmong(found.sources));
  if (!found.sources.length)
    for (const path of built) skip(path, 'a build writes it; audit that folder by itself');
  options.onFound?.(found.sources.length);
  return found;
}

const OUTSIDE = 'it is a link to outside of the folder';
const OUTSIDE_FOLDER = 'it is a link to another folder, outside of this one';

/** What a path leads to, or why it is not read. */
async function look(
  root: string,
  home: string,
  path: string,
  link: boolean,
): Promise<{ real: string; size: number; folder: boolean } | string> {
  try {
    const one = await stat(join(root, path));
    const real = link ? relative(home, await realpath(join(root, path))) : path;
    if (real.startsWith('..') || isAbsolute(real)) return one.isDirectory() ? OUTSIDE_FOLDER : OUTSIDE;
    if (!one.isFile() && !one.isDirectory()) return 'it is no file';
    return { real: real.split(sep).join('/'), size: one.size, folder: one.isDirectory() };
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (path.includes('\ufffd')) return 'its name is not UTF-8';
    if (code === 'ELOOP') return 'it is a link to itself';
    return link ? 'it is a link to nothing' : `it cannot be read (${code ?? 'unknown'})`;
  }
}

/** A file of rules that is no file, or cannot be read, has none. */
async function filterOf(root: string, dir: string): Promise<Filter> {
  const path = join(root, dir, '.gitignore');
  const isFile = await stat(path).then(
    (one) => one.isFile() && one.size < MAX_LENGTH,
    () => false,
  );
  const text = isFile ? await readFile(path, 'utf8').catch(() => '') : '';
  return { base: dir ? `${dir}/` : '', rules: ignore().add(text) };
}

function isIgnored(filters: Filter[], path: string): boolean {
  let ignored = false;
  for (const { base, rules } of filters) {
    const answer = rules.test(path.slice(base.length));
    if (answer.ignored) ignored = true;
    else if (answer.unignored) ignored = false;
  }
  return ignored;
}
