import type { ExprFact, InvokeFact } from '../../model/facts';
import { pushTo } from '../../model/group-by';
import { oncePer } from '../../model/once-per';
import type { Component } from '../../model/project';
import { isWithin } from './expressions';

/**
 * A function, those written inside it, and the handlers that it calls, however far; the nearest first. Of what it calls,
 * those that stand apart are left out: each call of such a one is another matter.
 */
export function reachedFunctions(
  component: Component,
  start: number,
  apart?: ReadonlySet<number>,
): Set<number> {
  const { functions, symbols } = component.facts;
  const found = new Set<number>();
  const todo = [start];
  for (const fn of todo) {
    if (fn < 0 || found.has(fn)) continue;
    found.add(fn);
    for (const symbol of functions[fn]!.calls) {
      const next = symbols[symbol]!.fn;
      if (next !== undefined && !apart?.has(next)) todo.push(next);
    }
    // What is written inside is read right after; what follows that may stand anywhere.
    const { start: from, end: to } = functions[fn]!;
    for (let inner = fn + 1; inner < functions.length; inner++) {
      const { start: at, end } = functions[inner]!;
      if (at < from || end > to) break;
      todo.push(inner);
    }
  }
  return found;
}

/** Functions that are given the name of what they write: `(key, value) => set({ ...form, [key]: value })`. */
export const namingFunctions = oncePer(({ facts }: Component): ReadonlySet<number> => {
  const { functions, symbols, writes, invokes = [] } = facts;
  const found = new Set<number>();
  const calls = new Map<number, InvokeFact[]>();
  /** A function is one that is called by its name, wherever it is called at all, and not with the entries of a list. */
  const note = ({ symbol }: ExprFact, written = -1): void => {
    const { kind, within = -1 } = symbols[symbol!]!;
    if (kind !== 'param' || within < 0) return;
    const { params, given = [] } = functions[within]!;
    const isLoop = params.some((one) => symbols[one]?.kind === 'loop');
    if (isLoop || given.length > (calls.get(within)?.length ?? 0)) return;
    // What it keeps for itself is nobody else's.
    if (written < 0 || !isWithin(symbols[written]!, functions[within]!)) found.add(within);
  };
  const named = writes.flatMap(({ under, value, symbol }) =>
    [under, ...othersIn(value).map((one) => one.under)].flatMap((key) => (key ? { key, symbol } : [])),
  );
  if (!named.length) return found;
  for (const one of invokes) {
    const { kind, symbol } = one.callee;
    const fn = kind === 'identity' ? symbols[symbol!]!.fn : undefined;
    if (fn !== undefined) pushTo(calls, fn, one);
  }
  for (const { key, symbol } of named) note(key, symbol);
  // Whoever hands its own parameter on to such a one is one as well; what is added is looked at in turn.
  for (const fn of found)
    for (const { args } of calls.get(fn) ?? [])
      for (const arg of args) if (arg.kind === 'identity' || arg.kind === 'member') note(arg);
  return found;
});

const othersIn = (value: ExprFact | undefined) =>
  value ? [value, ...(value.gives ?? [])].flatMap(({ others = [] }) => others) : [];

/** The outermost function around a write that is given the name of what it writes, if that stands outside of it. */
export function namingAround(component: Component, fn: number, written: number): number | undefined {
  const naming = namingFunctions(component);
  const { functions, symbols } = component.facts;
  let found: number | undefined;
  if (naming.size)
    for (let at = fn; at >= 0; at = functions[at]!.parent)
      if (naming.has(at) && !isWithin(symbols[written]!, functions[at]!)) found = at;
  return found;
}
