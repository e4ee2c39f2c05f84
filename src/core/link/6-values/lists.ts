/** Calls that give an entry of a list, or a list of the same entries, and take no function. */
import { ANY_MEMBER } from '../../model/code';
import type { ExprFact, InvokeFact } from '../../model/facts';
import type { TypeExpr } from '../../model/types';
import type { Linked } from '../linked';
import type { Frame } from './frames';

/** Methods of lists that give back one of their entries, and those that give back a list of the same ones. */
const ENTRY = /^(at|pop|shift)$/;
const SAME_ENTRIES = /^(slice|reverse|toReversed|toSpliced|concat|values)$/;
/** Methods that texts have, too. */
const TEXTS_TOO = /^(at|slice|concat)$/;

/** A place in a list; any, where nobody says which. */
export const isPlace = (name: string): boolean => name === ANY_MEMBER || /^\d+$/.test(name);

/** The way into a list of what stood in another one that was spread into it: nobody knows where. */
export const spreadFrom = ([first, ...rest]: string[]): string[] =>
  first === undefined ? [] : [isPlace(first) ? ANY_MEMBER : first, ...rest];

/** What such a call gives, as an expression that says so; undefined for any other call. */
export function asList(
  project: Pick<Linked, 'types'>,
  { code }: Frame,
  { callee, args, beside = [], calls = [], start, end }: InvokeFact,
): ExprFact | undefined {
  const at = { start, end };
  const made = { kind: 'computed' as const, beside, calls, ...at };
  const { kind, path = [], ...holder } = callee;
  const method = kind === 'member' ? path.at(-1)! : '';
  if (!ENTRY.test(method) && !SAME_ENTRIES.test(method)) return undefined;
  const way = path.slice(0, -1);
  const of: ExprFact = way.length
    ? { ...holder, kind: 'member', path: way }
    : { ...holder, kind: 'identity' };
  if (TEXTS_TOO.test(method)) {
    const whole: TypeExpr = { t: 'sym', s: of.symbol! };
    const type = way.reduce<TypeExpr>((held, name) => ({ t: 'member', of: held, name }), whole);
    if (project.types.resolve({ type, file: code.file, component: code.id }).k !== 'array') return undefined;
  }
  if (ENTRY.test(method)) return { ...made, entry: { of } };
  // What is no list as it is written may be one.
  return method === 'concat'
    ? { kind: 'array', open: true, elements: [], spreads: [of, ...args], ...at }
    : { ...made, lists: of };
}
