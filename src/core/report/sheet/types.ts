/** Types in the words of a sheet. */
import type { Component, Lazy } from '../../model/project';
import type { SheetType } from '../../readers/sheet/schema';
import type { TypeSpace } from '../../types/resolve';
import type { Shape } from '../../types/shape';

/** Objects in objects are written out so far. */
const MAX_DEPTH = 3;
/** Longer lists of values, and larger objects, are more than anybody reads. */
const MAX_PARTS = 24;

const WORDS: Record<string, SheetType> = { string: 'text', number: 'number', boolean: 'boolean' };

/** The type in a sheet's words; `any` where it has none for it. */
export function sheetType(types: TypeSpace, type: Lazy | undefined, depth = 0): SheetType {
  if (!type || depth > MAX_DEPTH) return 'any';
  return ofShape(types, types.resolve(type), depth);
}

/** The type of what a component keeps or works out, where a sheet has a word for it. */
export function typeOfSymbol(
  types: TypeSpace,
  { id, file }: Component,
  symbol: number,
): { type?: SheetType } {
  const type = symbol < 0 ? 'any' : sheetType(types, { type: { t: 'sym', s: symbol }, file, component: id });
  return type === 'any' ? {} : { type };
}

function ofShape(types: TypeSpace, shape: Shape, depth: number): SheetType {
  switch (shape.k) {
    case 'prim':
      return WORDS[shape.n] ?? 'any';
    case 'lit':
      return shape.v === undefined ? 'any' : [shape.v];
    case 'content':
      return 'content';
    case 'union':
      return ofUnion(shape.of);
    case 'array':
      return shape.parts ? 'any' : { list: sheetType(types, shape.of, depth + 1) };
    case 'object': {
      const members = [...shape.members];
      // Nobody has to give what may be left out, and a sheet's fields are all there.
      if (shape.open || shape.index || members.length > MAX_PARTS || members.some(([, one]) => one.optional))
        return 'any';
      return {
        fields: Object.fromEntries(
          members.map(([name, one]) => [name, sheetType(types, one.type, depth + 1)]),
        ),
      };
    }
    default:
      return 'any';
  }
}

/** Values that may be taken, where all are written; one word, where all others are nothing. */
function ofUnion(of: Shape[]): SheetType {
  const parts = of.filter((one) => !isNothing(one));
  const [only, ...others] = parts;
  if (only?.k === 'prim' && !others.length)
    return parts.length === of.length ? (WORDS[only.n] ?? 'any') : 'any';
  const values = of.map((one) => (one.k === 'lit' ? one.v : undefined));
  return values.length <= MAX_PARTS && values.every((one) => one !== undefined)
    ? (values as string[])
    : 'any';
}

const isNothing = (shape: Shape): boolean =>
  (shape.k === 'lit' && (shape.v === null || shape.v === undefined)) ||
  (shape.k === 'prim' && (shape.n === 'null' || shape.n === 'undefined'));
