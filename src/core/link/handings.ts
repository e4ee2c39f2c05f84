/** What becomes of the parameters of a function: which of them what it hands over is, or is made of. */
import type { ExprFact } from '../model/facts';
import type { Frame } from './frames';
import { symbolsOf } from './values';

/**
 * An argument of a call that becomes, or becomes part of, what is written, or an argument of what is called on; or from
 * which that is made.
 */
export type Handing = [own: number, to: number, made: boolean];

/** Calls of functions in functions are followed so far. */
const MAX_PARAMS = 6;

/** The parameters of a function that the arguments of a call in it are, or are made of. */
export const handings = (frame: Frame, fn: number, args: ExprFact[]): Handing[] =>
  args.flatMap((arg, to) =>
    paramsIn(frame, fn, arg).map((own): Handing => [own, to, !isAsGiven(frame, arg)]),
  );

/** What a call with these arguments hands on, from the parameters of the function that makes the call. */
export const handedThrough = (frame: Frame, fn: number, args: ExprFact[], params: Handing[]): Handing[] =>
  joined(handings(frame, fn, args), params);

/** What is handed over twice, one after the other. */
export const joined = (first: Handing[], second: Handing[]): Handing[] =>
  second.flatMap(([own, to, made]) =>
    first.flatMap(([from, at, madeBefore]): Handing[] =>
      at === own ? [[from, to, made || madeBefore]] : [],
    ),
  );

/** Parameters of a function that an expression uses. */
export function paramsIn({ code }: Frame, fn: number, expr: ExprFact): number[] {
  const { symbols, functions } = code.facts;
  const found = new Set<number>();
  const seen = new Set<number>();
  const look = (index: number, depth: number): void => {
    const symbol = symbols[index]!;
    const { kind, within = -1, index: at } = symbol;
    if (depth > MAX_PARAMS || seen.has(index)) return;
    seen.add(index);
    if (kind === 'param' && within === fn && at !== undefined) found.add(at);
    // A function that is called inside is given what the one around it was given.
    else if (kind === 'param' && within >= 0 && at !== undefined)
      for (const args of functions[within]!.given ?? [])
        for (const one of args[at] ? symbolsOf(args[at]) : []) look(one, depth + 1);
    else if ((kind === 'derived' || (kind === 'loop' && !at)) && symbol.init)
      for (const one of symbol.init.uses ?? []) look(one, depth + 1);
  };
  for (const one of symbolsOf(expr)) look(one, 0);
  return [...found];
}

/** Whether an expression holds a parameter as it was given: itself, a member of it, an object that it is put into. */
function isAsGiven(frame: Frame, expr: ExprFact, depth = 0): boolean {
  if (depth > MAX_PARAMS) return false;
  if (expr.gives?.length) return expr.gives.some((one) => isAsGiven(frame, one, depth + 1));
  if (expr.kind === 'object') return true;
  if (expr.kind !== 'identity' && expr.kind !== 'member') return false;
  const { kind, init } = frame.code.facts.symbols[expr.symbol!]!;
  return kind === 'param' || (kind === 'derived' && init !== undefined && isAsGiven(frame, init, depth + 1));
}
