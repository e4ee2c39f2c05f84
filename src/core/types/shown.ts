/** What a value turns out to be, as a type that can be shown. */
import type { Lazy } from '../model/project';
import { lit, prim, type TypeExpr, UNKNOWN } from '../model/types';
import type { Shape } from './shape';

/** Members of members are shown so far. */
const MAX_DEPTH = 2;

/** A resolved type written out again; parts of which nothing is known are unknown. */
export function writtenOut(type: Lazy, resolve: (type: Lazy) => Shape, depth = 0): TypeExpr {
  if (depth > MAX_DEPTH) return UNKNOWN;
  const inner = (one: Lazy): TypeExpr => writtenOut(one, resolve, depth + 1);
  const write = (shape: Shape): TypeExpr => {
    switch (shape.k) {
      case 'unknown':
        return UNKNOWN;
      case 'prim':
        return prim(shape.n);
      case 'lit':
        return lit(shape.v);
      case 'union':
        return { t: 'union', of: shape.of.map(write) };
      case 'array':
        return { t: 'array', of: inner(shape.of) };
      case 'object':
        return {
          t: 'object',
          members: [...shape.members].map(([name, one]) => ({
            name,
            type: inner(one.type),
            ...(one.optional ? { optional: true } : {}),
            start: one.start,
            end: one.end,
          })),
          ...(shape.index ? { index: inner(shape.index) } : {}),
        };
      case 'fn':
        return {
          t: 'fn',
          params: shape.params.map((one) => ({ ...one, type: inner(one.type) })),
          returns: inner(shape.returns),
        };
      case 'content':
      case 'handler':
        return { t: shape.k };
    }
  };
  return write(resolve(type));
}
