/** What becomes of the parameters of a function: which of them what it hands over is, or is made of. */
import { ANY_MEMBER } from '../model/code';
import type { ExprFact, InvokeFact } from '../model/facts';
import { groupBy } from '../model/group-by';
import { oncePer } from '../model/once-per';
import type { Component } from '../model/project';
import { into, type Loose, looseIn, looseInCall, membersTaken } from './expressions';
import type { Frame } from './frames';

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

/** What is called with this is handed on as it is. */
export const wholly = (index: number): Handing => ({ own: index, take: [], to: index, put: [], made: false });

/** Calls of functions in functions are followed so far. */
const MAX_PARAMS = 6;

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
  one === other || one === ANY_MEMBER || other === ANY_MEMBER;

/** The functions that something called may be; of their parameters, `skip` were given before. */
type FunctionsOf = (frame: Frame, callee: ExprFact) => { frame: Frame; fn: number; skip?: number }[];

/** What becomes of what functions are given. */
export class Results {
  private known = new Map<Frame, Map<number, Held[]>>();

  constructor(private readonly functionsOf: FunctionsOf) {}

  /** What was worked out before all nodes were there is worked out anew. */
  forget(): void {
    this.known = new Map();
  }

  /** The parameters of a function that the arguments of a call in it are, or are made of. */
  handings(frame: Frame, fn: number, args: ExprFact[]): Handing[] {
    return args.flatMap((arg, to) => this.heldIn(frame, fn, arg).map((one) => ({ ...one, to })));
  }

  /** What a call with these arguments hands on, from the parameters of the function that makes the call. */
  handedThrough(frame: Frame, fn: number, args: ExprFact[], params: Handing[]): Handing[] {
    return joined(this.handings(frame, fn, args), params);
  }

  /** What of its parameters stands in what a function gives back, and what decides which of several that is. */
  of(frame: Frame, fn: number): Held[] {
    let known = this.known.get(frame);
    if (!known) this.known.set(frame, (known = new Map()));
    const found = known.get(fn);
    if (found) return found;
    // A function that calls itself adds nothing on its way round.
    known.set(fn, []);
    const { functions, reads } = frame.code.facts;
    const given = (functions[fn]!.gives ?? []).flatMap((one) => this.heldIn(frame, fn, one));
    const asked = reads.filter((read) => read.fn === fn && read.where === 'condition');
    const deciding = asked.flatMap(({ symbol, path = [], start, end }) =>
      this.heldIn(frame, fn, { kind: 'member', symbol, path, start, end }).map((held): Held => ({
        ...held,
        put: [],
        made: true,
        decides: true,
      })),
    );
    const held = unique([...given, ...deciding]);
    known.set(fn, held);
    return held;
  }

  /** What of the parameters of a function stands in an expression. */
  private heldIn(frame: Frame, fn: number, expr: ExprFact): Held[] {
    const { symbols, functions, invokes } = frame.code.facts;
    const around = new Set<number>();
    const ofSymbol = (index: number, want: string[], depth: number): Held[] => {
      const { kind, within = -1, index: at, path = [], init, rest, except } = symbols[index]!;
      if (kind === 'param' && except?.includes(want[0]!)) return [];
      if (kind === 'param' && within === fn && at !== undefined)
        return [{ own: at, take: into(path, want), put: [], made: false, ...(rest ? { rest } : {}) }];
      if (depth > MAX_PARAMS || around.has(index)) return [];
      around.add(index);
      let found: Held[] = [];
      // A function that is called inside is given what the one around it was given.
      if (kind === 'param' && within >= 0 && at !== undefined)
        found = (functions[within]!.given ?? []).flatMap((args) =>
          argumentsOf({ args }, { own: at, take: into(path, want), put: [], made: false, rest }).flatMap(
            ({ arg, take }) => member(of(arg, depth + 1), take),
          ),
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
    const ofLoose = (held: Loose, depth: number): Held[] =>
      [
        ...held.symbols.flatMap((one) =>
          membersTaken(frame.code, one, held).flatMap((path) => ofSymbol(one, path, depth)),
        ),
        ...held.calls.flatMap((one) => ofCall(one, depth + 1)),
      ].map((one) => ({ ...one, put: [] }));
    /** Of what a call in the function is given, what of that stands in what comes of it. */
    const ofCall = (index: number, depth: number): Held[] => {
      if (depth > MAX_PARAMS) return [];
      const call = invokes![index]!;
      const called = call.helper === undefined ? this.functionsOf(frame, call.callee) : [];
      const isKnown = called.length > 0 && called.every((one) => givesOf(one));
      if (!isKnown) return ofLoose(looseInCall(call), depth).map((one) => ({ ...one, made: true }));
      return called.flatMap((one) =>
        this.of(one.frame, one.fn).flatMap((next) => {
          const given = argumentsOf(call, next, one.skip).flatMap(({ arg, take }) =>
            member(of(arg, depth + 1), take),
          );
          return given.map((held) => ({
            ...held,
            put: next.made ? [] : into(next.put, held.put),
            made: held.made || next.made,
            ...(next.decides ? { decides: next.decides } : {}),
          }));
        }),
      );
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
      if (one.call !== undefined) return ofCall(one.call, depth);
      const arms = (gives ?? []).flatMap((part) => of(part, depth + 1));
      const known = new Set(arms.map((held) => held.own));
      const rest = ofLoose(looseIn(one), depth).filter((held) => !known.has(held.own));
      // What decides which of several it is counts as one of them.
      const isOneOf = arms.some((held) => !held.made);
      return [
        ...arms,
        ...rest.map((held): Held => (isOneOf ? { ...held, decides: true } : { ...held, made: true })),
      ];
    };
    return unique(of(expr, 0));
  }
}

/** What a function gives back; undefined where nobody knows what that is made of. */
export function givesOf({ frame, fn }: { frame: Frame; fn: number }): ExprFact[] | undefined {
  const { gives, takesAll } = frame.code.facts.functions[fn]!;
  return takesAll ? undefined : gives;
}

/** What the code of a component or module writes, by what it is written to. */
export const writesOf = oncePer(({ facts }: Component) => groupBy(facts.writes, (one) => one.symbol));

const member = (list: Held[], want: string[]): Held[] => list.flatMap((one) => takenOf(one, want) ?? []);

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
