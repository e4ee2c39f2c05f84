/** What becomes of the parameters of a function: which of them what it hands over is, or is made of. */
import { ANY_MEMBER } from '../../model/code';
import type { ExprFact, InvokeFact } from '../../model/facts';
import { groupBy } from '../../model/group-by';
import { into } from './expressions';
import { isNamedBy } from './named-members';

/** What of a parameter stands in an expression. */
export interface Held {
  /** The place of the parameter. */
  own: number;
  /** It is given all that comes from there on. */
  rest?: true;
  /** The member of it. */
  take: string[];
  /** The member of the expression that it is. */
  put: string[];
  /** The expression is worked out of it. */
  made: boolean;
  /** It decides which of several the expression is. */
  decides?: true;
}

/**
 * An argument of a call, or a member of one, that becomes, or becomes part of, what is written, or an argument of what is
 * called on; or from which that is made.
 */
export interface Handing extends Held {
  to: number;
}

/** A member of the parameter at a place, as it is. */
export const ofParameter = (own: number, take: string[], rest: true | undefined): Held => ({
  own,
  take,
  put: [],
  made: false,
  ...(rest ? { rest } : {}),
});

/** What is called with this is handed on as it is. */
export const wholly = (index: number): Handing => ({ own: index, take: [], to: index, put: [], made: false });

/** Of what is handed over out of a box, what is of what stands in it; undefined of what stands beside it. */
export function outOf(box: string[], one: Handing): Handing | undefined {
  if (one.own !== 0) return one;
  const inside = takenOf({ own: 0, take: [], put: box, made: false }, one.take);
  return inside && { ...one, take: inside.take, put: into(one.put, inside.put) };
}

/** What is handed over twice, one after the other. */
export const joined = (first: Handing[], second: Handing[]): Handing[] =>
  second.flatMap((next) =>
    first.flatMap((one) => {
      const take = takeAt(next, one.to);
      const part = take && takenOf(one, take);
      return part
        ? [
            {
              own: part.own,
              take: part.take,
              to: next.to,
              // What something is worked out of is no member of it.
              put: next.made ? next.put : into(next.put, part.put),
              made: part.made || next.made,
              ...(part.rest ? { rest: part.rest } : {}),
            },
          ]
        : [];
    }),
  );

/** What is taken of the argument at a place; undefined where that is another parameter's, or another one's of a list. */
function takeAt({ own, rest, take }: Held, at: number): string[] | undefined {
  if (!rest) return at === own ? take : undefined;
  if (at < own) return undefined;
  const [first, ...others] = take;
  // What is no place in the list is what it does with all of it.
  if (first === undefined || !/^\d+$/.test(first)) return [];
  return Number(first) === at - own ? others : undefined;
}

/** The arguments of a call that a parameter is given, and what is taken of each. */
export function argumentsOf(
  { args, spread = args.length }: Pick<InvokeFact, 'args' | 'spread'>,
  held: Held,
  skip = 0,
): { arg: ExprFact; take: string[] }[] {
  return args.flatMap((arg, at) => {
    // What a list holds that is spread here may come anywhere from here on.
    if (at >= spread) return at <= held.own - skip || held.rest ? [{ arg, take: [] }] : [];
    const take = takeAt(held, at + skip);
    return take ? [{ arg, take }] : [];
  });
}

/** Of what an expression holds of a parameter, what stands in a member of the expression; undefined where nothing does. */
export function takenOf(held: Held, want: string[]): Held | undefined {
  const { put, take, made } = held;
  const shared = Math.min(put.length, want.length);
  for (let at = 0; at < shared; at++) if (!mayBe(put[at]!, want[at]!)) return undefined;
  const rest = want.slice(put.length);
  // A member of what is worked out of a parameter is no member of that.
  return { ...held, put: put.slice(want.length), take: made ? take : into(take, rest) };
}

/** Whether two names may be of one member: the code may work one of them out. */
const mayBe = (one: string, other: string): boolean =>
  one === other || [one, other].some((name) => name === ANY_MEMBER || isNamedBy(name));

/** What of some stands in a member of the expression. */
export const member = (list: Held[], want: string[]): Held[] =>
  list.flatMap((one) => takenOf(one, want) ?? []);

/** So many parts of what a function is given are told apart in what it gives back, or hands over. */
const MAX_PARTS = 48;

/** Each once; of a parameter of which there are too many parts, that it is made of it. */
export function few(list: Held[]): Held[] {
  const found = unique(list);
  if (found.length <= MAX_PARTS) return found;
  const parts = groupBy(found, ({ own }) => own);
  return [...parts].flatMap(([own, those]): Held[] => {
    const rest = those.some((one) => one.rest) ? { rest: true as const } : {};
    return those.length <= MAX_PARTS ? those : [{ own, take: [], put: [], made: true, ...rest }];
  });
}

/** Each once; where it is taken as it is, and something is made of it, it is taken as it is. */
export function unique(list: Held[]): Held[] {
  if (list.length < 2) return list;
  const found = new Map<string, Held>();
  for (const one of list) {
    const key = `${one.own}:${one.take.join('.')}:${one.put.join('.')}`;
    const known = found.get(key);
    if (!known || (known.made && !one.made)) found.set(key, one);
  }
  return [...found.values()];
}
