/**
 * Aliases that no settings of the checkout say, because a build or a framework makes them: `@/line/Cabin`,
 * `$lib/gauge`, `@desk/sale`. They are read off the imports themselves: an alias is what turns (nearly) all imports that
 * start with it into files of the project, in one and the same way.
 */
import type { FileFacts } from '../../model/facts';
import type { PathRule } from '../../model/paths';

/** An import that neither a file, a known alias nor a dependency answers. */
export interface Lonely {
  /** Folder of the package around the file. */
  dir: string;
  specifier: string;
}

/** So many different names must lead to files, unless the path behind the alias is telling by itself. */
const ENOUGH = 2;
/** Of the names that start with an alias, so large a part. Some lead to what is made by a build, or to pictures. */
const MOST = 0.7;

const bare = (path: string): string => path.replace(/(\/index)?(\.(?:d\.)?[a-z\d]+)?$/i, '');

/** Rules for the aliases that the imports show. */
export function guessAliases(files: FileFacts[], lonely: Lonely[]): PathRule[] {
  if (!lonely.length) return [];
  const byTail = new Map<string, string[]>();
  for (const { path } of files) {
    const stem = bare(path);
    for (const one of new Set([stem, path.replace(/\.[a-z\d]+$/i, '')])) {
      const last = one.slice(one.lastIndexOf('/') + 1);
      const list = byTail.get(last);
      if (list) list.push(one);
      else byTail.set(last, [one]);
    }
  }
  const groups = new Map<string, Set<string>>();
  const add = (dir: string, prefix: string, specifier: string) => {
    const key = `${dir}\n${prefix}`;
    const group = groups.get(key);
    if (group) group.add(specifier);
    else groups.set(key, new Set([specifier]));
  };
  for (const { dir, specifier } of lonely) {
    const parts = specifier.split('/');
    if (parts.length > 1) add(dir, `${parts[0]!}/`, specifier);
    if (parts.length > 2) add(dir, `${parts[0]!}/${parts[1]!}/`, specifier);
    // A name with a scope is one name: what is behind it may lie in a folder of its own.
    if (parts.length > 3 && parts[1]!.startsWith('@')) add(dir, `${parts.slice(0, 3).join('/')}/`, specifier);
  }
  const rules: PathRule[] = [];
  for (const [key, specifiers] of groups) {
    const [dir, prefix] = key.split('\n') as [string, string];
    for (const { target, below } of foldersOf(dir, prefix, [...specifiers], byTail))
      rules.push({ dir: below, prefix, suffix: '', targets: [target ? `${target}/*` : '*'] });
  }
  return rules;
}

/** A folder that an alias stands for, in the files below another one. */
interface Meant {
  target: string;
  below: string;
}

/**
 * The folder that the rest of most names is a path in. Where there are several, as where a build has written all of it
 * once more, each counts in its own half of the project; where they cannot be told apart so, none does.
 */
function foldersOf(
  dir: string,
  prefix: string,
  specifiers: string[],
  byTail: Map<string, string[]>,
): Meant[] {
  const inside = dir ? `${dir}/` : '';
  const score = new Map<string, number>();
  let telling = false;
  for (const specifier of specifiers) {
    const rest = specifier.slice(prefix.length).replace(/[?#].*$/, '');
    const tails = new Set([bare(rest), rest.replace(/\.[a-z\d]+$/i, '')]);
    const found = new Set<string>();
    for (const tail of tails) {
      const last = tail.slice(tail.lastIndexOf('/') + 1);
      for (const path of byTail.get(last) ?? []) {
        if (path !== tail && !path.endsWith(`/${tail}`)) continue;
        const folder = path.slice(0, -tail.length).replace(/\/$/, '');
        if (`${folder}/`.startsWith(inside) || inside === '') found.add(folder);
      }
    }
    if (rest.includes('/') && found.size === 1) telling = true;
    for (const folder of found) score.set(folder, (score.get(folder) ?? 0) + 1);
  }
  const ranked = [...score].sort((a, b) => b[1] - a[1] || a[0].length - b[0].length);
  const found = ranked.filter(
    ([, count]) => count >= specifiers.length * MOST && (count >= ENOUGH || telling),
  );
  const [best, next] = found;
  if (!best) return [];
  const halves = next ? halvesOf(found.map(([target]) => target)) : [];
  // Of several the one that most names lead into counts wherever none of them is nearer.
  return !next || next[1] < best[1] ? [...halves, { target: best[0], below: dir }] : halves;
}

/** Folders with the part of the project that each lies in and the others do not; none if one lies in another. */
function halvesOf(targets: string[]): Meant[] {
  const parts = targets.map((target) => target.split('/'));
  const [first] = parts;
  const differs = first!.findIndex((part, at) => parts.some((other) => other[at] !== part));
  const below = parts.map((one) => one.slice(0, differs + 1).join('/'));
  const isTold =
    differs >= 0 && parts.every((one) => one.length > differs) && new Set(below).size === below.length;
  return isTold ? targets.map((target, at) => ({ target, below: below[at]! })) : [];
}
