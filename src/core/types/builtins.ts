/** Members that strings and numbers have of themselves. */
import { prim, type TypeExpr } from '../model/types';

export const STRING_METHODS: Record<string, TypeExpr> = {
  length: prim('number'),
  toString: fnOf(prim('string')),
  toUpperCase: fnOf(prim('string')),
  toLowerCase: fnOf(prim('string')),
  trim: fnOf(prim('string')),
  slice: fnOf(prim('string')),
  replace: fnOf(prim('string')),
  padStart: fnOf(prim('string')),
  includes: fnOf(prim('boolean')),
  startsWith: fnOf(prim('boolean')),
  endsWith: fnOf(prim('boolean')),
  indexOf: fnOf(prim('number')),
  split: fnOf({ t: 'array', of: prim('string') }),
};
export const NUMBER_METHODS: Record<string, TypeExpr> = {
  toFixed: fnOf(prim('string')),
  toString: fnOf(prim('string')),
  toLocaleString: fnOf(prim('string')),
};

function fnOf(returns: TypeExpr): TypeExpr {
  return { t: 'fn', params: [], returns };
}
