/** What functions give back, as values of their own. */
import type { ExprFact } from '../../model/facts';
import { mergeAsks, mergeUses, type Unit } from './unit';

/** A value that a function gives back, whenever it is asked for. */
export function workedOut(u: Unit, { fn, ...value }: ExprFact): ExprFact {
  const gives = fn === undefined ? undefined : u.facts.functions[fn]!.gives;
  return { ...value, kind: 'computed', ...(gives ? { gives } : {}) };
}

/** The functions of the unit whose results are in what a function gives back. */
export function askedBy(u: Unit, fn: number | undefined): Pick<ExprFact, 'asks'> {
  const asks = mergeAsks(...((fn === undefined ? undefined : u.facts.functions[fn]!.gives) ?? []));
  return asks.length ? { asks } : {};
}

/** What a function gives back that is handed over to work a value out: `set((all) => [...all, one])`. */
export function resultOf(u: Unit, { start, end, type, fn: own }: ExprFact, fn = own): ExprFact {
  const gives = (fn === undefined ? undefined : u.facts.functions[fn]!.gives) ?? [];
  return {
    kind: 'computed',
    start,
    end,
    uses: mergeUses(...gives),
    ...(gives.length ? { gives } : {}),
    ...(type?.t === 'fn' ? { type: type.returns } : {}),
  };
}
