/** Calls that set something off: of setters, and of what may write what is kept elsewhere. */
import type * as t from '@babel/types';
import { KEPT_BY } from '../../model/code';
import type { ExprFact, MemberFact, Span } from '../../model/facts';
import { resultOf } from './results';
import { type Ctx, isHeld, merged, noteGiven, spanOf, type Unit, use } from './unit';

/** What is called by a name like a class or a component is made, and no function of what a value holds. */
const MADE = /(^|\.)\p{Lu}[^.]*$/u;

/** Calls of what a value holds may write what is kept elsewhere. Gives which of the calls it is, if it is one that counts. */
export function noteInvoke(
  u: Unit,
  callee: ExprFact,
  args: ExprFact[],
  { start, end }: Span,
  ctx: Ctx,
): number | undefined {
  const base = callee.symbol === undefined ? undefined : u.facts.symbols[callee.symbol]!;
  if (base ? base.kind === 'setter' : !callee.component || MADE.test(callee.component)) return undefined;
  return addInvoke(u, callee, args, { start, end }, ctx);
}

/** Adds a call, whatever it calls, and gives which of the calls it is. */
export function addInvoke(
  u: Unit,
  callee: ExprFact,
  args: ExprFact[],
  { start, end }: Span,
  ctx: Ctx,
): number {
  return (u.facts.invokes ??= []).push({ callee, args, where: ctx.where, fn: ctx.fn, start, end }) - 1;
}

/** The result of a call that was noted: what it is worked out of is kept with the call. */
export function resultOfInvoke(u: Unit, index: number | undefined, made: ExprFact): ExprFact {
  if (index === undefined) return made;
  const { calls, beside, asks, ...result } = made;
  const flows = beside ?? result.uses ?? [];
  Object.assign(
    u.facts.invokes![index]!,
    flows.length ? { beside: flows } : {},
    calls ? { calls } : {},
    asks ? { asks } : {},
  );
  return { ...result, call: index };
}

/** `new Hold(4)`: objects of some classes tell something by being made. */
export function noteMade(u: Unit, name: string, args: ExprFact[], { start, end }: Span, ctx: Ctx): void {
  addInvoke(u, { kind: 'computed', component: name + KEPT_BY, start, end }, args, { start, end }, ctx);
}

/** A call of a setter writes its state, or the members of it that it is given. */
export function noteSet(u: Unit, setter: number, args: ExprFact[], { start, end }: Span, ctx: Ctx): void {
  const { of, merges, by } = u.facts.symbols[setter]!;
  const at = { where: ctx.where, fn: ctx.fn, start, end };
  const [given] = args;
  if (by) {
    u.facts.writes.push({ symbol: of!, ...(given ? { value: given } : {}), setter, ...at });
    return;
  }
  const fn = given && functionIn(u, given);
  // A function is asked for the next value, and given the one that there is.
  if (fn !== undefined) noteGiven(u, fn, [{ kind: 'identity', symbol: of!, start, end }]);
  const parts = merges && given ? membersGiven(u, given, fn) : undefined;
  const value = given && fn !== undefined ? resultOf(u, given, fn) : given;
  if (parts)
    for (const one of parts) u.facts.writes.push({ symbol: of!, path: [one.name], value: one.value, ...at });
  else u.facts.writes.push({ symbol: of!, ...(value ? { value } : {}), ...at });
}

/** The function of the component that a value is, written out or by its name. */
export function functionIn(u: Unit, { kind, fn, symbol, wraps }: ExprFact): number | undefined {
  const [wrapped] = wraps ?? [];
  if (wrapped) return functionIn(u, wrapped);
  return kind === 'function' ? fn : kind === 'identity' ? u.facts.symbols[symbol!]!.fn : undefined;
}

/** What something holds, or a function gives back, that is asked for it there and then: `get(wind)`, `untrack(() => wind)`. */
export function askedOnce(u: Unit, given: t.Node, at: t.Node, ctx: Ctx): ExprFact {
  const value = use(u, u.expr(given, ctx), ctx);
  const fn = functionIn(u, value);
  const gives = fn === undefined ? [value] : (u.facts.functions[fn]!.gives ?? []);
  const whole: ExprFact = { ...merged(...gives), kind: 'computed', ...spanOf(at) };
  return gives.length ? { ...whole, gives, ...(gives.every(isHeld) ? { beside: [] } : {}) } : whole;
}

/** The members of an object that is written out, or that a function gives back; undefined for anything else. */
function membersGiven(u: Unit, value: ExprFact, fn: number | undefined): MemberFact[] | undefined {
  const gives = fn === undefined ? [value] : u.facts.functions[fn]!.gives;
  if (!gives?.every((one) => one.kind === 'object')) return undefined;
  return gives.flatMap((one) => one.members ?? []);
}
