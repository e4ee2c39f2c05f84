/** Pure helpers on slash-separated paths, relative to the audited root. */

export const dirname = (path: string): string => {
  const slash = path.lastIndexOf('/');
  return slash < 0 ? '' : path.slice(0, slash);
};

/** Joins and normalises; a path that leaves the root keeps its leading `..`. */
export function join(...parts: string[]): string {
  const out: string[] = [];
  for (const part of parts.join('/').split('/')) {
    if (part === '' || part === '.') continue;
    if (part === '..' && out.length && out.at(-1) !== '..') out.pop();
    else out.push(part);
  }
  return out.join('/');
}

/** The path of one file as another would import it. */
export const pathTo = (from: string, to: string): string => {
  const dir = dirname(from);
  return `./${dir ? '../'.repeat(dir.split('/').length) : ''}${to}`;
};

/** Names of imports that lead to folders: what starts with the prefix, in files below `dir`. */
export interface PathRule {
  dir: string;
  prefix: string;
  suffix: string;
  targets: string[];
}

/**
 * Of several things with paths, the one that shares the most folders with a path; undefined if there is none, or if two
 * share as many.
 */
export function nearestOf<T>(list: readonly T[], pathOf: (one: T) => string, from: string): T | undefined {
  if (list.length < 2) return list[0];
  const own = dirname(from).split('/');
  const shared = (one: T): number => {
    const parts = dirname(pathOf(one)).split('/');
    const differs = own.findIndex((part, index) => parts[index] !== part);
    return differs < 0 ? own.length : differs;
  };
  const ranked = list.map((one) => ({ one, shared: shared(one) })).sort((a, b) => b.shared - a.shared);
  return ranked[0]!.shared > ranked[1]!.shared ? ranked[0]!.one : undefined;
}
