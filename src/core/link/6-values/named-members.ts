/**
 * Members whose names a function is given: `(key, value) => set({ ...form, [key]: value })`. In the way to such a member its
 * name stands for the parameter, until a call says what that is.
 */
import { ANY_MEMBER, NAMED_KEY } from '../../model/code';
import type { ExprFact } from '../../model/facts';
import { keyOf } from '../2-names/constants';
import type { Frame } from './frames';
import type { Linked } from '../linked';

/** What gives a name: a parameter by its place, or a member of it. */
export interface Giver {
  own: number;
  take: string[];
  /** The function around whose parameter it is, if it is not the one that is called. */
  of?: number;
}

/** What a call gives for a name: a text, or what its caller is given itself; undefined where nobody knows. */
export type Given = (by: Giver) => string | Giver | undefined;

/** No name in code begins so. */
const MARK = '\0';

/** The name of a member that a parameter gives; nobody knowing it, the member counts as `otherwise`, or as the whole. */
export const namedBy = ({ own, take, of }: Giver, otherwise: '' | typeof ANY_MEMBER): string =>
  [MARK + otherwise, of ?? '', own, ...take].join(MARK);

export const isNamedBy = (name: string): boolean => name.startsWith(MARK);

const isOpen = (path: string[]): boolean => path.some(isNamedBy);

/** A way in which names are what a call gives: a text, or what the caller is given itself. */
export function withNames(path: string[], given: Given): string[] {
  if (!isOpen(path)) return path;
  return path.flatMap((name) => {
    if (!isNamedBy(name)) return name;
    const [, otherwise, of, own, ...take] = name.split(MARK);
    const found = given({ own: Number(own), take, ...(of ? { of: Number(of) } : {}) });
    if (typeof found === 'string') return found;
    if (found) return namedBy(found, otherwise as '' | typeof ANY_MEMBER);
    return otherwise || [];
  });
}

/** The same where no call says more. */
export const withoutNames = (path: string[]): string[] => withNames(path, () => undefined);

/** The way to a part that is taken: where nobody knows a name in it, the part may be any from there on. */
export function takenUnder(path: string[], given: Given): string[] {
  if (!isOpen(path)) return path;
  const named = withNames(path, (by) => given(by) ?? UNKNOWN);
  const end = named.indexOf(UNKNOWN);
  return end < 0 ? named : named.slice(0, end);
}

/** No member is called so. */
const UNKNOWN = MARK.repeat(2);

/** The text that an expression is, or a member of it, where that is written out. */
export function textIn(
  project: Linked,
  frame: Frame,
  expr: ExprFact,
  [first, ...rest]: string[],
): string | undefined {
  const { file, facts } = frame.code;
  if (first !== undefined) {
    const member = expr.kind === 'object' ? expr.members?.findLast(({ name }) => name === first) : undefined;
    return member && textIn(project, frame, member.value, rest);
  }
  if (expr.kind === 'literal') return expr.text;
  if (expr.kind === 'identity') {
    const { kind, init, within, index = -1, path = [] } = facts.symbols[expr.symbol!]!;
    // What a helper is given, where it is called.
    const arg = kind === 'param' && within === -1 ? frame.args[index] : undefined;
    if (arg && frame.caller) return textIn(project, frame.caller, arg, path);
    return kind === 'derived' && init?.kind === 'literal' ? init.text : undefined;
  }
  if (expr.kind !== 'computed' || expr.component === undefined) return undefined;
  const key = keyOf(project, file, NAMED_KEY + expr.component);
  return key.startsWith(NAMED_KEY) ? undefined : key;
}
