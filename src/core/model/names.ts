/** Small helpers on names: near misses and the spelling of callbacks. */

/** `onPick`, `onpick` where the framework allows it; never `on`, `once`, `only`. */
export const isCallbackName = (name: string): boolean => /^on\p{Lu}/u.test(name);

/** Components are told from other values by their names: a capital letter, behind `_` and `$` or not. */
export const isNamedLikeComponent = (name: string): boolean =>
  /^[_$]*\p{Lu}/u.test(name) || name === 'default';

/** A name with a capital at each part: `wind-gauge`, `WindGauge`. */
export const pascal = (name: string): string =>
  name.replace(/(?:^|[-_.])(\w)/g, (_, letter: string) => letter.toUpperCase());

/** The same letters when case and dashes are ignored. */
const folded = (name: string): string => name.replace(/[-_]/g, '').toLowerCase();

/**
 * Edit distance (insert, delete, replace, swap of neighbours), or `limit + 1` as soon as it is above `limit`.
 */
export function distance(a: string, b: string, limit: number): number {
  if (Math.abs(a.length - b.length) > limit) return limit + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    let least = i;
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1];
      let cost = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + (same ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) {
        cost = Math.min(cost, before[j - 2]! + 1);
      }
      row.push(cost);
      least = Math.min(least, cost);
    }
    if (least > limit) return limit + 1;
    before = last;
    last = row;
  }
  return last[b.length]!;
}

/** Names within two edits, or equal when case and dashes are ignored. Short names allow fewer edits. */
export function isNear(a: string, b: string): boolean {
  if (a === b) return false;
  if (folded(a) === folded(b)) return true;
  const limit = Math.min(2, Math.floor(Math.min(a.length, b.length) / 2));
  return limit > 0 && distance(a, b, limit) <= limit;
}

/** The nearest of `names` that is a near miss of `name`, or undefined. */
export function nearest(name: string, names: Iterable<string>): string | undefined {
  let best: string | undefined;
  let least = Infinity;
  for (const other of names) {
    if (!isNear(name, other)) continue;
    const far = folded(name) === folded(other) ? 0 : distance(name, other, 2);
    if (far < least) [best, least] = [other, far];
  }
  return best;
}

/** The name of a port as it is written in code: without the mark that keeps events and slots apart from props. */
export const publicName = (name: string): string => name.replace(/^[@#](?=.)/, '');

/** A sentence with public names only. */
export const publicText = (text: string): string => text.replace(/(^|[\s"(])[@#](?=[\w$[.])/g, '$1');

/** A name as it is compared where dashes and case make no difference. */
export const bareName = (name: string): string => name.replace(/[-_]/g, '').toLowerCase();

/** A name for what is exported without one: the file's, or its folder's for an index file. */
export function nameFromPath(path: string): string {
  const parts = path.split('/');
  let base = (parts.at(-1) ?? '').replace(/(?:\.svelte)?\.\w+$/, '');
  if (base === 'index' && parts.length > 1) base = parts.at(-2)!;
  const words = base.split(/[^A-Za-z0-9]+/).filter(Boolean);
  return words.map((word) => word[0]!.toUpperCase() + word.slice(1)).join('') || 'Component';
}

/** Names that say nothing about a component's interface. */
export const isAlwaysKnown = (name: string): boolean =>
  name === 'key' || name === 'ref' || /^(data|aria)(-|[A-Z])/.test(name);
