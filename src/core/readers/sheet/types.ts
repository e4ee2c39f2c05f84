/** Types of a sheet. */
import { lit, prim, type TypeExpr, union, UNKNOWN } from '../../model/types';
import type { Part } from './document';

const WORDS: Record<string, TypeExpr> = {
  text: prim('string'),
  number: prim('number'),
  boolean: prim('boolean'),
  content: { t: 'content' },
  any: { t: 'any' },
};

/** The type that is written; unknown where none is, or none that is known. */
export function typeOf(part: Part | undefined): TypeExpr {
  if (!part) return UNKNOWN;
  if (part.text !== undefined) return Object.hasOwn(WORDS, part.text) ? WORDS[part.text]! : UNKNOWN;
  if (part.isList) {
    const of = part.items.flatMap((one) => (one.scalar === undefined ? [] : [lit(one.scalar)]));
    return of.length ? union(of) : UNKNOWN;
  }
  const list = part.get('list');
  if (list) return { t: 'array', of: typeOf(list) };
  const fields = part.get('fields');
  if (!fields) return UNKNOWN;
  return {
    t: 'object',
    members: fields.entries.map(({ key, keySpan, value }) => ({
      name: key,
      type: typeOf(value),
      ...keySpan,
    })),
  };
}
