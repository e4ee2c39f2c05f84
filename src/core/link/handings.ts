/** What becomes of the parameters of a function: which of them what it hands over is, or is made of. */
import { ANY_MEMBER } from '../model/code';
import type { ExprFact } from '../model/facts';
import { groupBy } from '../model/group-by';
import { oncePer } from '../model/once-per';
import type { Component } from '../model/project';
import type { Frame } from './frames';
import { into, symbolsOf } from './values';

/** What of a parameter stands in an expression. */
interface Held {
  /** The place of the parameter. */
  own: number;
  /** The member of it. */
  take: string[];
  /** The member of the expression that it is. */
  put: string[];
  /** The expression is worked out of it. */
  made: boolean;
}

/**
 * An argument of a call, or a member of one, that becomes, or becomes part of, what is written, or an argument of what is
 * called on; or from which that is made.
 */
export interface Handing extends Held {
  to: number;
}

/** What is called with this is handed on as it is. */
export const wholly = (index: number): Handing => ({ own: index, take: [], to: index, put: [], made: false });

/** Calls of functions in functions are followed so far. */
const MAX_PARAMS = 6;

/** The parameters of a function that the arguments of a call in it are, or are made of. */
export const handings = (frame: Frame, fn: number, args: ExprFact[]): Handing[] =>
  args.flatMap((arg, to) => heldIn(frame, fn, arg).map((one) => ({ ...one, to })));

/** What a call with these arguments hands on, from the parameters of the function that makes the call. */
export const handedThrough = (frame: Frame, fn: number, args: ExprFact[], params: Handing[]): Handing[] =>
  joined(handings(frame, fn, args), params);

/** Of what is handed over out of a box, what is of what stands in it; undefined of what stands beside it. */
export function outOf(box: string[], one: Handing): Handing | undefined {
  if (one.own !== 0) return one;
  const inside = taken({ own: 0, take: [], put: box, made: false }, one.take);
  return inside && { ...one, take: inside.take, put: into(one.put, inside.put) };
}

/** What is handed over twice, one after the other. */
export const joined = (first: Handing[], second: Handing[]): Handing[] =>
  second.flatMap((next) =>
    first.flatMap((one) => {
      const part = one.to === next.own ? taken(one, next.take) : undefined;
      return part
        ? [
            {
              own: part.own,
              take: part.take,
              to: next.to,
              // What something is worked out of is no member of it.
              put: next.made ? next.put : into(next.put, part.put),
              made: part.made || next.made,
            },
          ]
        : [];
    }),
  );

/** Of what an expression holds of a parameter, what stands in a member of the expression; undefined where nothing does. */
function taken(held: Held, want: string[]): Held | undefined {
  const { put, take, made } = held;
  const shared = Math.min(put.length, want.length);
  for (let at = 0; at < shared; at++) if (!mayBe(put[at]!, want[at]!)) return undefined;
  const rest = want.slice(put.length);
  // A member of what is worked out of a parameter is no member of that.
  return { ...held, put: put.slice(want.length), take: made ? take : into(take, rest) };
}

/** Whether two names may be of one member: the code may work one of them out. */
const mayBe = (one: string, other: string): boolean =>
  one === other || one === ANY_MEMBER || other === ANY_MEMBER;

/** What of the parameters of a function stands in an expression. */
function heldIn(frame: Frame, fn: number, expr: ExprFact): Held[] {
  const { symbols, functions } = frame.code.facts;
  const around = new Set<number>();
  const ofSymbol = (index: number, want: string[], depth: number): Held[] => {
    const { kind, within = -1, index: at, path = [], init } = symbols[index]!;
    if (kind === 'param' && within === fn && at !== undefined)
      return [{ own: at, take: into(path, want), put: [], made: false }];
    if (depth > MAX_PARAMS || around.has(index)) return [];
    around.add(index);
    let found: Held[] = [];
    // A function that is called inside is given what the one around it was given.
    if (kind === 'param' && within >= 0 && at !== undefined)
      found = (functions[within]!.given ?? []).flatMap((args) =>
        args[at] ? member(of(args[at], depth + 1), into(path, want)) : [],
      );
    else if (kind === 'derived' || (kind === 'loop' && !at)) {
      if (init) found = member(of(init, depth + 1), want);
      // What is put into a variable, or into a member of what it holds.
      for (const { value, path: put = [] } of writesOf(frame.code).get(index) ?? [])
        if (value)
          found = found.concat(
            member(
              of(value, depth + 1).map((one) => ({ ...one, put: into(put, one.put) })),
              want,
            ),
          );
    }
    around.delete(index);
    return found;
  };
  const of = (one: ExprFact, depth: number): Held[] => {
    if (depth > MAX_PARAMS) return [];
    const { kind, symbol, gives, elements, open, members = [], spreads = [], others = [] } = one;
    const at = (name: string, value: ExprFact): Held[] =>
      of(value, depth + 1).map((held) => ({ ...held, put: into([name], held.put) }));
    if (elements)
      return elements.flatMap((value, index) => (open ? of(value, depth + 1) : at(String(index), value)));
    switch (kind) {
      case 'identity':
        return ofSymbol(symbol!, [], depth);
      case 'member':
        return ofSymbol(symbol!, one.path!, depth);
      case 'object':
        return [
          ...members.flatMap(({ name, value }) => at(name, value)),
          ...[...spreads, ...others].flatMap((part) => of(part, depth + 1)),
        ];
    }
    const arms = (gives ?? []).flatMap((part) => of(part, depth + 1));
    const known = new Set(arms.map((held) => held.own));
    const made = symbolsOf(one)
      .flatMap((used) => ofSymbol(used, [], depth))
      .filter((held) => !known.has(held.own));
    // What decides which of several it is counts as one of them.
    const isOneOf = arms.some((held) => !held.made);
    return [...arms, ...made.map((held) => ({ ...held, put: [], made: held.made || !isOneOf }))];
  };
  return unique(of(expr, 0));
}

/** What the code of a component or module writes, by what it is written to. */
const writesOf = oncePer(({ facts }: Component) => groupBy(facts.writes, (one) => one.symbol));

const member = (list: Held[], want: string[]): Held[] => list.flatMap((one) => taken(one, want) ?? []);

function unique(list: Held[]): Held[] {
  if (list.length < 2) return list;
  const found = new Map<string, Held>();
  for (const one of list) {
    const key = `${one.own}:${one.take.join('.')}:${one.put.join('.')}`;
    const known = found.get(key);
    if (!known || (known.made && !one.made)) found.set(key, one);
  }
  return [...found.values()];
}
