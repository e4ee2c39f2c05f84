/**
 * Which of several things of one name is meant, where names lie in spaces that follow the folders: those around a file, and
 * those that it or its folders say that they use. Where nothing tells, the nearest in the folders is meant.
 */
import type { FileFacts } from '../../model/facts';
import { groupBy } from '../../model/group-by';
import { dirname, nearestOf } from '../../model/paths';
import type { Manifest, SpaceManifest } from '../../readers/manifest';

export interface Spaces {
  /** The one that is meant in a file; undefined where two are as near. `space`: what is written before the name. */
  pick<T>(list: readonly T[], fileOf: (one: T) => number, from: number, space?: string): T | undefined;
}

/** Folders up to the root, the file's own first. */
function* foldersOf(path: string): Generator<string> {
  for (let dir = dirname(path); ; dir = dirname(dir)) {
    yield dir;
    if (!dir) return;
  }
}

const dotted = (folders: string): string => folders.replace(/[^\w/.]/g, '_').replaceAll('/', '.');

/** `a.b` ends with `b`, but not with `.b` of `ab`. */
const endsWith = (whole: string, tail: string): boolean => whole === tail || whole.endsWith(`.${tail}`);

export function linkSpaces(files: FileFacts[], manifests: Manifest[]): Spaces {
  const roots = new Map(
    manifests
      .filter((one): one is SpaceManifest => one.kind === 'space')
      .map((one) => [dirname(one.path), one.name]),
  );
  // What a file without components says, it says for its folder, or, of its kind, for all.
  const shared = groupBy(
    files.filter((one) => one.ofFolder),
    (one) => dirname(one.path),
  );
  const spaces = new Map<number, string | undefined>();
  const seen = new Map<number, Set<string>>();

  /** The space in which a file's names lie; undefined where that is not known. */
  function spaceOf(file: number): string | undefined {
    if (!spaces.has(file)) spaces.set(file, workOut(files[file]!));
    return spaces.get(file);
  }

  function workOut({ path, spaces: own }: FileFacts): string | undefined {
    if (own?.length) return own.length === 1 ? own[0] : undefined;
    for (const dir of foldersOf(path)) {
      const said = shared.get(dir)?.find((one) => one.spaces?.length)?.spaces ?? [];
      const root = said[0] ?? roots.get(dir);
      if (root === undefined) continue;
      const inner = dotted(dirname(path).slice(dir ? dir.length + 1 : 0));
      return inner ? `${root}.${inner}` : root;
    }
    return undefined;
  }

  /** Spaces whose names a file may write alone. */
  function seenBy(file: number): Set<string> {
    let found = seen.get(file);
    if (found) return found;
    const { path, sees } = files[file]!;
    found = new Set(sees);
    for (const dir of foldersOf(path))
      for (const one of shared.get(dir) ?? []) for (const space of one.sees ?? []) found.add(space);
    seen.set(file, found);
    return found;
  }

  /** Whether a file's names lie in a space; where that is not known, its folders tell. */
  function isIn(file: number, space: string): boolean {
    const own = spaceOf(file);
    if (own !== undefined) return own === space;
    const folders = dotted(dirname(files[file]!.path));
    return folders !== '' && (endsWith(folders, space) || endsWith(space, folders));
  }

  return {
    pick<T>(list: readonly T[], fileOf: (one: T) => number, from: number, space?: string) {
      const named = space === undefined ? list : list.filter((one) => isWithin(fileOf(one), space));
      if (named.length < 2) return named[0];
      const own = spaceOf(from);
      const near = (some: readonly T[]): T | undefined =>
        nearestOf(some, (one) => files[fileOf(one)]!.path, files[from]!.path);
      for (let around = own; around !== undefined; around = outer(around)) {
        const here = named.filter((one) => spaceOf(fileOf(one)) === around);
        if (here.length) return near(here);
      }
      const used = [...seenBy(from)];
      const visible = named.filter((one) => used.some((it) => isIn(fileOf(one), it)));
      // Without a word on where things lie, those beside the file come first.
      const beside =
        own === undefined
          ? named.filter((one) => dirname(files[fileOf(one)]!.path) === dirname(files[from]!.path))
          : [];
      return near(beside.length ? beside : visible.length ? visible : named);
    },
  };

  /** What is written before a name may be the end of its space. */
  function isWithin(file: number, space: string): boolean {
    const own = spaceOf(file);
    if (own !== undefined) return endsWith(own, space);
    return dirname(files[file]!.path) === '' || isIn(file, space);
  }
}

/** `a.b` of `a.b.c` */
const outer = (space: string): string | undefined =>
  space.includes('.') ? space.slice(0, space.lastIndexOf('.')) : undefined;
