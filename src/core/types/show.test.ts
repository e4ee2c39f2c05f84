import { expect, test } from 'vitest';
import { prim, type TypeExpr, union } from '../model/types';
import { showType } from './show';

const takes: TypeExpr = { t: 'fn', params: [{ name: 'n', type: prim('number') }], returns: prim('string') };

test.each<[TypeExpr, string]>([
  [takes, '(n: number) => string'],
  [union([takes, { t: 'lit', v: null }]), '((n: number) => string) | null'],
  [{ t: 'array', of: union([prim('string'), prim('number')]) }, '(string | number)[]'],
  [{ t: 'ref', name: 'Grid', args: [{ t: 'ref', name: 'Row' }] }, 'Grid<Row>'],
])('a type is shown as %o', (type, shown) => {
  expect(showType(type)).toBe(shown);
});
