/** State of a component, or of a whole sheet; what is worked out of it, and what is provided. */
import type { SymbolFact } from '../../model/facts';
import { type TypeExpr, UNKNOWN, widen } from '../../model/types';
import type { Entry } from './document';
import { typeOf } from './types';
import { type Ctx, OUTSIDE, type Unit, workedOut } from './unit';

export const DERIVATION: Ctx = { ...OUTSIDE, where: 'derivation' };

/** A name that is known from the start, whatever it is worked out of. */
export interface Declared {
  entry: Entry;
  symbol: SymbolFact;
}

/** Declares states and what is derived, so that each may be worked out of any other. */
export const declareAll = (u: Unit, kind: 'state' | 'derived', entries: Entry[]): Declared[] =>
  entries.map((entry) => {
    const { key, keySpan, value } = entry;
    const type = typeOf(value.get('type'));
    const symbol: SymbolFact = { name: key, kind, ...(type === UNKNOWN ? {} : { type }), ...keySpan };
    u.add(symbol);
    return { entry, symbol };
  });

/** What a state starts from is read, where it may be somebody else's; its type is told by that if by nothing else. */
export function startState(u: Unit, { entry, symbol }: Declared, reads: boolean): void {
  const starts = entry.value.get('starts');
  const init = starts && u.value(starts, DERIVATION, reads);
  if (!init) return;
  symbol.init = init;
  const type: TypeExpr = symbol.type ?? (init.type ? widen(init.type) : UNKNOWN);
  if (type !== UNKNOWN) symbol.type = type;
}

export function derive(u: Unit, { entry: { value }, symbol }: Declared): void {
  const parts = (value.get('from')?.items ?? []).map((one) => u.value(one, DERIVATION, true));
  // Fields alone are what it is, with all that they do.
  const [only, ...others] = parts;
  symbol.init = only?.kind === 'object' && !others.length ? only : workedOut(parts, value.span);
}

/** A value under a key for all that is drawn in a node. */
export function addProvided(u: Unit, { key, keySpan, value }: Entry, node: number): void {
  u.facts.provides.push({
    key: { text: key },
    keyStart: keySpan.start,
    keyEnd: keySpan.end,
    value: u.value(value, { ...OUTSIDE, where: 'provide' }, true),
    node,
    where: 'setup',
    start: keySpan.start,
    end: value.span.end,
  });
}
