/** Which files of a folder are audited. */
import { readdir, readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import ignore, { type Ignore } from 'ignore';
import { isReadable, MAX_LENGTH } from '../../core/readers';
import { isManifest } from '../../core/readers/manifest';
import type { Skipped } from '../../core/report/summary';

export interface Walked {
  /** Paths relative to the root, with slashes. */
  sources: string[];
  manifests: string[];
  skipped: Skipped[];
}

/** Folders that hold no source of the project. */
const NEVER = new Set([
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
  '.next',
  '.nuxt',
  '.output',
  '.svelte-kit',
  '.angular',
  '.turbo',
  '.cache',
  'storybook-static',
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

/** Walks a folder. Symbolic links to folders are not followed. Throws if the root cannot be read. */
export async function walk(root: string, options: WalkOptions = {}): Promise<Walked> {
  const found: Walked = { sources: [], manifests: [], skipped: [] };
  const include = options.include?.length ? ignore().add(options.include) : undefined;
  const exclude = options.exclude?.length ? ignore().add(options.exclude) : undefined;

  async function folder(dir: string, filters: Filter[]): Promise<void> {
    options.signal?.throwIfAborted();
    let entries;
    try {
      entries = await readdir(join(root, dir), { withFileTypes: true });
    } catch (error) {
      if (dir === '') throw error;
      found.skipped.push({
        path: dir,
        reason: `the folder cannot be read (${(error as NodeJS.ErrnoException).code})`,
      });
      return;
    }
    const names = new Set(entries.map((entry) => entry.name));
    const here = names.has('.gitignore') ? [...filters, await filterOf(root, dir)] : filters;
    entries.sort((a, b) => (a.name < b.name ? -1 : 1));
    const pathOf = (name: string) => (dir ? `${dir}/${name}` : name);
    // All are asked at once, so that nobody waits for each in turn.
    const sizes = new Map(
      entries
        .map((entry) => pathOf(entry.name))
        .filter((path) => isManifest(path) || isReadable(path))
        .map((path) => [path, stat(join(root, path)).catch(() => undefined)]),
    );
    for (const entry of entries) {
      const path = pathOf(entry.name);
      if (entry.isDirectory()) {
        if (NEVER.has(entry.name) || (BUILT.has(entry.name) && names.has('package.json'))) continue;
        if (isIgnored(here, `${path}/`) || exclude?.ignores(`${path}/`)) continue;
        await folder(path, here);
        continue;
      }
      const manifest = isManifest(path);
      if (!manifest && !isReadable(path)) continue;
      if (isIgnored(here, path) || exclude?.ignores(path)) continue;
      if (include && !manifest && !include.ignores(path)) continue;
      if (!entry.isFile() && !(entry.isSymbolicLink() && (await isFile(join(root, path))))) continue;
      if (/\.min\.[cm]?js$/.test(path)) {
        found.skipped.push({ path, reason: 'it is minified' });
        continue;
      }
      const size = (await sizes.get(path))?.size;
      // It went away while the folder was walked.
      if (size === undefined) continue;
      if (size > MAX_LENGTH) {
        found.skipped.push({
          path,
          reason: `it is larger than 1 MiB (${(size / MAX_LENGTH).toFixed(1)} MiB)`,
        });
        continue;
      }
      (manifest ? found.manifests : found.sources).push(path);
      if (!manifest && found.sources.length % 100 === 0) options.onFound?.(found.sources.length);
    }
  }
  await folder('', []);
  options.onFound?.(found.sources.length);
  return found;
}

async function filterOf(root: string, dir: string): Promise<Filter> {
  const text = await readFile(join(root, dir, '.gitignore'), 'utf8').catch(() => '');
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

const isFile = (path: string): Promise<boolean> =>
  stat(path).then(
    (one) => one.isFile(),
    () => false,
  );
