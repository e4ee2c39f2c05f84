/** What functions give back, as values of their own. */
import type { ExprFact } from '../../model/facts';
import { merged, type Unit } from './unit';

/** A value that a function gives back, whenever it is asked for. */
export function workedOut(u: Unit, { fn, ...value }: ExprFact): ExprFact {
  const gives = fn === undefined ? undefined : u.facts.functions[fn]!.gives;
  return { ...value, kind: 'computed', ...(gives ? { gives } : {}) };
}

/** The calls whose results are in what a function gives back. */
export function askedBy(u: Unit, fn: number | undefined): Pick<ExprFact, 'asks'> {
  const { calls = [], asks = [] } = merged(
    ...((fn === undefined ? undefined : u.facts.functions[fn]!.gives) ?? []),
  );
  const all = [...new Set([...calls, ...asks])];
  return all.length ? { asks: all } : {};
}

/** What a function gives back that is handed over to work a value out: `set((all) => [...all, one])`. */
export function resultOf(u: Unit, { start, end, type, fn: own }: ExprFact, fn = own): ExprFact {
  const gives = (fn === undefined ? undefined : u.facts.functions[fn]!.gives) ?? [];
  return {
    kind: 'computed',
    start,
    end,
    uses: [],
    ...merged(...gives),
    ...(gives.length ? { gives } : {}),
    ...(type?.t === 'fn' ? { type: type.returns } : {}),
  };
}
