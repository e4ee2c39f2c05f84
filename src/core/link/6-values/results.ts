/** What functions give back, and hand over, of what they are given. */
import { ANY_MEMBER } from '../../model/code';
import type { ExprFact, Span } from '../../model/facts';
import { groupBy } from '../../model/group-by';
import { oncePer } from '../../model/once-per';
import type { Component } from '../../model/project';
import { into, isWithin, type Loose, looseIn, looseInCall, membersTaken } from './expressions';
import type { Frame } from './frames';
import { argumentsOf, few, type Handing, type Held, joined, member, ofParameter, unique } from './handings';
import type { Linked } from '../linked';
import { type Given, type Giver, namedBy, textIn, withNames } from './named-members';
import { asList, spreadFrom } from './lists';
import { Memo } from './memo';
import { Settled } from './settled';

/** The functions that a call of some code may call; of their parameters, `skip` were given before. */
type FunctionsAt = (frame: Frame, call: number) => { frame: Frame; fn: number; skip?: number }[];

export class Results {
  private readonly ofFunctions = new Memo<Held>();
  private readonly settled = new Settled<Held>();

  constructor(
    private readonly project: Linked,
    private readonly functionsAt: FunctionsAt,
  ) {}

  /** What was worked out before all nodes were there is worked out anew. */
  forget(): void {
    this.ofFunctions.forget();
    this.settled.forget();
  }

  /** The parameters of a function that the arguments of a call in it are, or are made of. */
  handings(frame: Frame, fn: number, args: ExprFact[]): Handing[] {
    return args.flatMap((arg, to) => this.heldIn(frame, fn, arg).map((one) => ({ ...one, to })));
  }

  /** What a call with these arguments hands on, from the parameters of the function that makes the call. */
  handedThrough(frame: Frame, fn: number, args: ExprFact[], params: Handing[]): Handing[] {
    const names = this.names(frame, args, fn);
    const named = params.map((one) => ({ ...one, put: withNames(one.put, names) }));
    return joined(this.handings(frame, fn, args), named);
  }

  /** What a call gives for the names of members, in terms of the function that makes the call, if one does. */
  names(frame: Frame, args: ExprFact[], fn?: number, skip = 0): Given {
    return ({ own, take, of }) => {
      const arg = of === undefined ? args[own - skip] : undefined;
      if (!arg) return undefined;
      const text = textIn(this.project, frame, arg, take);
      const by = text === undefined && fn !== undefined ? this.giverOf(frame, fn, arg) : undefined;
      return text ?? (by && { ...by, take: into(by.take, take) });
    };
  }

  /** What of its parameters stands in what a function gives back, and what decides which of several that is. */
  of(frame: Frame, fn: number): Held[] {
    return this.ofFunctions.once(frame, fn, [], () => {
      const { functions } = frame.code.facts;
      const given = (functions[fn]!.gives ?? []).flatMap((one) => this.heldIn(frame, fn, one));
      const deciding = (askedIn(frame.code).get(fn) ?? []).flatMap(({ symbol, path = [], start, end }) =>
        this.heldIn(frame, fn, { kind: 'member', symbol, path, start, end }).map((held): Held => ({
          ...held,
          put: [],
          made: true,
          decides: true,
        })),
      );
      return few([...given, ...deciding]);
    });
  }

  /** What of the parameters of a function stands in an expression of it. */
  private heldIn(frame: Frame, fn: number, expr: ExprFact): Held[] {
    return unique(this.inExpr(frame, fn, expr));
  }

  private inExpr(frame: Frame, fn: number, expr: ExprFact): Held[] {
    const { kind, symbol, gives, elements, open, members = [], spreads = [], others = [], entry } = expr;
    const of = (one: ExprFact): Held[] => this.inExpr(frame, fn, one);
    const at = (name: string, value: ExprFact): Held[] =>
      of(value).map((held) => ({ ...held, put: into([name], held.put) }));
    if (elements)
      return [
        ...elements.flatMap((value, index) => at(open ? ANY_MEMBER : String(index), value)),
        ...spreads.flatMap((one) => of(one).map((held) => ({ ...held, put: spreadFrom(held.put) }))),
      ];
    if (entry) {
      const path = [entry.at ?? ANY_MEMBER, ...(expr.path ?? [])];
      const found = member(of(entry.of), path);
      const known = new Set(found.map((held) => held.own));
      const others = this.inLoose(frame, fn, looseIn(expr)).filter((held) => !known.has(held.own));
      return [...found, ...others.map((held): Held => ({ ...held, decides: true }))];
    }
    const listed = this.inList(frame, fn, expr, of);
    if (listed) return listed;
    switch (kind) {
      case 'literal':
      case 'function':
        return [];
      case 'identity':
        return this.inName(frame, fn, symbol!, []);
      case 'member':
        return this.inName(frame, fn, symbol!, expr.path!);
      case 'object':
        return [
          ...members.flatMap(({ name, value }) => at(name, value)),
          ...spreads.flatMap(of),
          ...others.flatMap((one) => {
            const by = one.under && this.giverOf(frame, fn, one.under);
            return at(by ? namedBy(by, ANY_MEMBER) : ANY_MEMBER, one);
          }),
        ];
    }
    if (expr.call !== undefined) return member(this.inCall(frame, fn, expr.call), expr.path ?? []);
    const rest = this.inLoose(frame, fn, looseIn(expr));
    if (!gives) return rest.map((held) => ({ ...held, made: true }));
    const arms = gives.flatMap(of);
    const known = new Set(arms.map((held) => held.own));
    // What decides which of several it is counts as one of them.
    const isOneOf = arms.some((held) => !held.made);
    return [
      ...arms,
      ...rest
        .filter((held) => !known.has(held.own))
        .map((held): Held => (isOneOf ? { ...held, decides: true } : { ...held, made: true })),
    ];
  }

  /** What stands in a list that is made of another one; undefined for any other expression. */
  private inList(
    frame: Frame,
    fn: number,
    expr: ExprFact,
    of: (one: ExprFact) => Held[],
  ): Held[] | undefined {
    const { lists, each } = expr;
    const gives = each === undefined ? [] : (frame.code.facts.functions[each]!.gives ?? []);
    if (!lists && !gives.length) return undefined;
    const entries = lists ? member(of(lists), [ANY_MEMBER]) : gives.flatMap(of);
    const known = new Set(entries.flatMap((held) => (held.made ? [] : [held.own])));
    const rest = this.inLoose(frame, fn, looseIn(expr)).filter((held) => !known.has(held.own));
    return [
      ...entries.map((held) => (held.made ? held : { ...held, put: into([ANY_MEMBER], held.put) })),
      ...rest.map((held) => ({ ...held, made: true })),
    ];
  }

  /** The parameter, or the member of one, that an expression is and nothing else. */
  giverOf(frame: Frame, fn: number, expr: ExprFact): Giver | undefined {
    const { functions, symbols } = frame.code.facts;
    const { kind, within = -1, index, path = [] } = symbols[expr.symbol ?? -1] ?? {};
    if (
      kind === 'param' &&
      within >= 0 &&
      index !== undefined &&
      isWithin(functions[fn]!, functions[within]!)
    )
      return { own: index, take: into(path, expr.path ?? []), ...(within === fn ? {} : { of: within }) };
    const [only, ...others] = this.heldIn(frame, fn, expr);
    return only && !others.length && !only.made && !only.put.length && !only.rest ? only : undefined;
  }

  /** What of the parameters a name stands for, or a member of it. */
  private inName(frame: Frame, fn: number, index: number, want: string[]): Held[] {
    const { code } = frame;
    const { symbols, functions } = code.facts;
    const { kind, within = -1, index: at, path = [], init, rest, except } = symbols[index]!;
    if (kind === 'param' && except?.includes(want[0]!)) return [];
    if (kind === 'param' && within === fn && at !== undefined)
      return [ofParameter(at, into(path, want), rest)];
    if (kind === 'param' && within >= 0 && at !== undefined)
      // A function that is called inside is given what the one around it was given.
      return this.settled.once(frame, `${fn} ${index} ${want.join('.')}`, () =>
        few(
          (functions[within]!.given ?? []).flatMap((args) =>
            argumentsOf({ args }, ofParameter(at, into(path, want), rest)).flatMap(({ arg, take }) =>
              member(this.inExpr(frame, fn, arg), take),
            ),
          ),
        ),
      );
    if (kind !== 'derived' && !(kind === 'loop' && !at)) return [];
    const isInside = (one: Span): boolean => isWithin(one, functions[fn]!);
    const writes = writesOf(code).get(index) ?? [];
    // What stands around the function knows nothing of what that is given, unless it is written there. What a module does
    // for one key is a function of its own, which shares names with the others.
    const isApart = code.facts.role !== 'module' && !isInside(symbols[index]!);
    if (isApart && !writes.some(isInside)) return [];
    const whole = this.settled.once(frame, `${fn} ${index}`, () =>
      few([
        ...(init ? this.inExpr(frame, fn, init) : []),
        // What is put into a variable, or into a member of what it holds.
        ...writes.flatMap(({ value, path: put = [] }) =>
          value ? this.inExpr(frame, fn, value).map((one) => ({ ...one, put: into(put, one.put) })) : [],
        ),
      ]),
    );
    return member(whole, want);
  }

  private inLoose(frame: Frame, fn: number, held: Loose): Held[] {
    const found: Held[] = [];
    for (const one of held.symbols)
      for (const path of membersTaken(frame.code, one, held))
        for (const part of this.inName(frame, fn, one, path)) found.push({ ...part, put: [] });
    for (const one of held.calls)
      for (const part of this.inCall(frame, fn, one)) found.push({ ...part, put: [] });
    return found;
  }

  /** Of what a call in a function is given, what of that stands in what comes of it. */
  private inCall(frame: Frame, fn: number, index: number): Held[] {
    const call = frame.code.facts.invokes![index]!;
    return this.settled.once(frame, `${fn} call ${index}`, () => {
      const called = call.helper === undefined ? this.functionsAt(frame, index) : [];
      const list = called.length ? undefined : asList(this.project, frame, call);
      if (list) return this.inExpr(frame, fn, list);
      if (!called.length || !called.every(givesOf))
        return this.inLoose(frame, fn, looseInCall(call)).map((one) => ({ ...one, made: true }));
      return few(
        called.flatMap((one) =>
          this.of(one.frame, one.fn).flatMap((next) => {
            const given = argumentsOf(call, next, one.skip).flatMap(({ arg, take }) =>
              member(this.inExpr(frame, fn, arg), take),
            );
            const put = withNames(next.put, this.names(frame, call.args, fn, one.skip));
            return given.map((held) => ({
              ...held,
              put: next.made ? [] : into(put, held.put),
              made: held.made || next.made,
              ...(next.decides ? { decides: next.decides } : {}),
            }));
          }),
        ),
      );
    });
  }
}

/** What the functions of some code ask by conditions, by the function. */
export const askedIn = oncePer(({ facts }: Component) =>
  groupBy(
    facts.reads.filter(({ where }) => where === 'condition'),
    ({ fn }) => fn,
  ),
);

/** What a function gives back; undefined where nobody knows what that is made of. */
export function givesOf({ frame, fn }: { frame: Frame; fn: number }): ExprFact[] | undefined {
  const { gives, takesAll } = frame.code.facts.functions[fn]!;
  return takesAll ? undefined : gives;
}

/** What the code of a component or module writes, by what it is written to. */
export const writesOf = oncePer(({ facts }: Component) => groupBy(facts.writes, (one) => one.symbol));
