/** State of a component, or of a whole sheet. */
import { type TypeExpr, UNKNOWN, widen } from '../../model/types';
import type { Entry } from './document';
import { typeOf } from './types';
import { type Ctx, OUTSIDE, type Unit } from './unit';

const DERIVATION: Ctx = { ...OUTSIDE, where: 'derivation' };

/** Adds a state by its name; gives back its type. What it starts from is read, where it may be somebody else's. */
export function addState(u: Unit, { key, keySpan, value }: Entry, reads: boolean): TypeExpr {
  const starts = value.get('starts');
  const init = starts && u.value(starts, DERIVATION, reads);
  const written = typeOf(value.get('type'));
  const type = written === UNKNOWN && init?.type ? widen(init.type) : written;
  u.add({
    name: key,
    kind: 'state',
    ...(init ? { init } : {}),
    ...(type === UNKNOWN ? {} : { type }),
    ...keySpan,
  });
  return type;
}
