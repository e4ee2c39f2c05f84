/** Whether a file says the same as before, only at other places. */
import type { FileFacts } from './facts';
import type { Moves } from './moves';

/** Fields of facts that are offsets. `tests` hold that there is no other number that a blank line above would change. */
const OFFSETS: ReadonlySet<string> = new Set([
  'start',
  'end',
  'nameStart',
  'nameEnd',
  'keyStart',
  'keyEnd',
  'ends',
  'at',
  'base',
  'before',
  'line',
]);

/** Not linked: how the parts were told apart when they were kept, and what is said of the text as it is now. */
const BESIDE: ReadonlySet<string> = new Set(['hash', 'problem', 'flaws']);

/** Arms are told apart by their text, or by the offset of the condition. */
const CONDITION = /^(!?@)(\d+)(#.*)$/s;

/**
 * How the offsets of one file moved; undefined where its facts differ in anything else, or where offsets that were in
 * order, or the same, are so no more: whoever compares offsets finds what was found before.
 */
export function movesBetween(before: FileFacts, after: FileFacts): Moves | undefined {
  if (Boolean(before.problem) !== Boolean(after.problem)) return undefined;
  const moved = new Map<number, number>();
  if (!isSame(before, after, '', moved)) return undefined;
  const pairs = [...moved].sort(([a], [b]) => a - b);
  for (let i = 1; i < pairs.length; i++) if (pairs[i]![1] <= pairs[i - 1]![1]) return undefined;
  return { from: pairs.map(([from]) => from), to: pairs.map(([, to]) => to) };
}

/** Compares facts, and notes where offsets went. `key` is the field that holds them. */
function isSame(a: unknown, b: unknown, key: string, moved: Map<number, number>): boolean {
  if (typeof a === 'number' && typeof b === 'number')
    return OFFSETS.has(key) ? isMoved(a, b, moved) : a === b;
  if (typeof a === 'string' && typeof b === 'string') {
    if (a === b && key !== 'arms') return true;
    return key === 'arms' && isSameArm(a, b, moved);
  }
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b;
  if (Array.isArray(a) || Array.isArray(b)) {
    if (!Array.isArray(a) || !Array.isArray(b) || a.length !== b.length) return false;
    for (let i = 0; i < a.length; i++) if (!isSame(a[i], b[i], key, moved)) return false;
    return true;
  }
  const [one, other] = [a as Record<string, unknown>, b as Record<string, unknown>];
  // What is given at two places is told apart by its length, too.
  if (key === 'value' && lengthOf(one) !== lengthOf(other) && !UNMEASURED.has(one.kind)) return false;
  for (const name in one) if (!BESIDE.has(name) && !isSame(one[name], other[name], name, moved)) return false;
  for (const name in other)
    if (other[name] !== undefined && one[name] === undefined && !BESIDE.has(name)) return false;
  return true;
}

/** Kinds of values that tell by themselves whether they are alike. */
const UNMEASURED: ReadonlySet<unknown> = new Set(['identity', 'function', 'literal']);

const lengthOf = ({ start, end }: Record<string, unknown>): number => Number(end) - Number(start);

function isMoved(from: number, to: number, moved: Map<number, number>): boolean {
  const known = moved.get(from);
  if (known === undefined) moved.set(from, to);
  return known === undefined || known === to;
}

function isSameArm(a: string, b: string, moved: Map<number, number>): boolean {
  const [one, other] = [CONDITION.exec(a), CONDITION.exec(b)];
  if (!one || !other) return a === b;
  return one[1] === other[1] && one[3] === other[3] && isMoved(Number(one[2]), Number(other[2]), moved);
}
