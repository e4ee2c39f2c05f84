/** Calls that set something off: of setters, and of what may write what is kept elsewhere. */
import type { ExprFact, MemberFact, Span } from '../../model/facts';
import type { Ctx, Unit } from './unit';

/** Calls of what a value holds may write what is kept elsewhere. */
export function noteInvoke(
  u: Unit,
  callee: ExprFact,
  args: ExprFact[],
  { start, end }: Span,
  ctx: Ctx,
): void {
  const base = callee.symbol === undefined ? undefined : u.facts.symbols[callee.symbol]!;
  if (base ? base.kind === 'setter' : !callee.component || /^[\p{Lu}]/u.test(callee.component)) return;
  (u.facts.invokes ??= []).push({ callee, args, where: ctx.where, fn: ctx.fn, start, end });
}

/** A call of a setter writes its state, or the members of it that it is given. */
export function noteSet(u: Unit, setter: number, args: ExprFact[], { start, end }: Span, ctx: Ctx): void {
  const { of, merges } = u.facts.symbols[setter]!;
  const at = { where: ctx.where, fn: ctx.fn, start, end };
  const [value] = args;
  const parts = merges && value ? membersGiven(u, value) : undefined;
  if (parts)
    for (const one of parts) u.facts.writes.push({ symbol: of!, path: [one.name], value: one.value, ...at });
  else u.facts.writes.push({ symbol: of!, ...(value ? { value } : {}), ...at });
}

/** The members of an object that is written out, or that a function gives back; undefined for anything else. */
function membersGiven(u: Unit, value: ExprFact): MemberFact[] | undefined {
  const gives =
    value.kind === 'function' && value.fn !== undefined ? u.facts.functions[value.fn]!.gives : [value];
  if (!gives?.every((one) => one.kind === 'object')) return undefined;
  return gives.flatMap((one) => one.members ?? []);
}
