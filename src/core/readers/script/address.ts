/** What stands in the address of the page: all code on the page reads and writes the same, name by name. */
import type * as t from '@babel/types';
import type { ExprFact, Span } from '../../model/facts';
import { keepOnPage, keptOnPage } from './page-kept';
import { type Ctx, spanOf, type Unit } from './unit';

const keyOf = (name: string): string => `search.${name}`;

/** A parameter of the address, as a value. */
export const addressValue = (u: Unit, name: string, node: t.Node): ExprFact => ({
  kind: 'identity',
  symbol: keptOnPage(u, keyOf(name), node),
  ...spanOf(node),
});

/** Notes that a value is put into the address under a name. */
export const keepInAddress = (u: Unit, name: string, value: ExprFact | undefined, at: Span, ctx: Ctx): void =>
  keepOnPage(u, keyOf(name), value, at, ctx);

/** The same for each member of an object that is written out. */
export function keepMembers(u: Unit, object: ExprFact | undefined, ctx: Ctx): void {
  for (const { name, value, start, end } of object?.members ?? [])
    keepInAddress(u, name, value, { start, end }, ctx);
}
