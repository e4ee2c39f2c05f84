/**
 * Functions that are handed to what is not the project's: `map(rows, (row) => …)` of a package, `form.onSend((order) => …)`. It
 * calls them with what it makes of all that it is given besides.
 */
import type { ExprFact } from '../../model/facts';
import { oncePer } from '../../model/once-per';
import type { Component } from '../../model/project';
import type { Frame } from './frames';
import type { Shared } from './shared';

/** Hooks run what they are handed in their own time; beside it stands what it waits for, not what it is given. */
const HOOK = /(^|\.)use[A-Z]\w*$/;

/** Functions that call what they are handed with what they are called with, later or less often; and setters, with what there was. */
const PASSES_ON = /debounce|throttle|(^|\.)set[A-Z]\w*$/i;

/** How many names for one thing are followed. */
const MAX_STEPS = 6;

/** The calls of some code that are given a function, by that function: as an argument, or as a member of one. */
export const takersOf = oncePer(({ facts }: Component): Map<number, number[]> => {
  const found = new Map<number, number[]>();
  const note = ({ kind, fn }: ExprFact, call: number): void => {
    if (kind !== 'function' || fn === undefined) return;
    const list = found.get(fn);
    if (list) list.push(call);
    else found.set(fn, [call]);
  };
  (facts.invokes ?? []).forEach(({ callee, args }, call) => {
    const { symbol, path = [], component = '' } = callee;
    const name = path.at(-1) ?? (symbol === undefined ? component : facts.symbols[symbol]!.name);
    if (PASSES_ON.test(name)) return;
    const isHook = HOOK.test(component);
    for (const arg of args) {
      if (!isHook) note(arg, call);
      for (const { value } of arg.members ?? []) note(value, call);
    }
  });
  return found;
});

/** Whether what is called is a package's, or a method of what a package made. */
export function isOutside(
  shared: Pick<Shared, 'isForeign'>,
  frame: Frame,
  expr: ExprFact,
  depth = 0,
): boolean {
  const { facts, file } = frame.code;
  if (depth > MAX_STEPS) return false;
  // What was made of nothing has nothing to call anybody with, unless it is what a hook keeps.
  const made = expr.call === undefined ? undefined : facts.invokes![expr.call]!;
  if (made && !made.args.length && !HOOK.test(made.callee.component ?? '')) return false;
  if (expr.from) return shared.isForeign(file, facts.calls[expr.from.call]!.name);
  if (expr.component !== undefined) return shared.isForeign(file, expr.component);
  if (expr.symbol === undefined) return false;
  const { kind, port, init } = facts.symbols[expr.symbol]!;
  if (kind === 'shared') return port !== undefined && shared.isForeign(file, port);
  return kind === 'derived' && init !== undefined && isOutside(shared, frame, init, depth + 1);
}
