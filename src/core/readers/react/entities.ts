/** Methods that change a table of entries in a part of a store: `cabins.setAll(state, action.payload)`. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { memberName } from '../script/type-expr';
import { addFunction, addSymbol, type Ctx, spanOf, symbolOf, type Unit, unwrap, use } from '../script/unit';

const CHANGES = /\.(add|set|upsert|update|remove)(One|Many|All)$/;
const ENTRIES = ['entities'];

/** Whether it is such a method, by its name. */
export const changesEntries = (node: t.Node): boolean => changeOf(node) !== undefined;

const changeOf = (node: t.Node): string | undefined => CHANGES.exec(memberName(node) ?? '')?.[1];

/** Reads a call of such a method on the state of a part; what it gives back is that state. */
export function readEntries(
  u: Unit,
  { callee, arguments: [target, given], ...node }: t.CallExpression | t.OptionalCallExpression,
  ctx: Ctx,
): ExprFact | undefined {
  const change = changeOf(callee);
  const bare = target && unwrap(target);
  const state = change && bare?.type === 'Identifier' ? symbolOf(u, bare) : undefined;
  if (state === undefined || u.facts.symbols[state]!.kind !== 'state') return undefined;
  const value = given && use(u, u.expr(given, ctx), ctx);
  const kept = change === 'remove' ? {} : { value };
  u.facts.writes.push({
    symbol: state,
    path: ENTRIES,
    ...kept,
    through: {},
    ...whereIn(ctx),
    ...spanOf(node as t.Node),
  });
  return { kind: 'identity', symbol: state, ...spanOf(node as t.Node) };
}

/** Such a method in the place of a function: it is called with the state, and what happened. */
export function addEntriesChange(
  u: Unit,
  name: string,
  state: number,
  method: t.Node,
  boxed: string[],
  ctx: Ctx,
): void {
  const at = spanOf(method);
  const fn = addFunction(u, method, ctx.fn, 'handler');
  const given = addSymbol(u, { name: boxed[0]!, kind: 'param', within: fn, index: 0, path: boxed, ...at });
  u.facts.functions[fn]!.params = [given];
  u.facts.functions[fn]!.boxed = boxed;
  const kept =
    changeOf(method) === 'remove' ? {} : { value: { kind: 'identity' as const, symbol: given, ...at } };
  u.facts.writes.push({ symbol: state, path: ENTRIES, ...kept, where: 'handler', fn, ...at });
  addSymbol(u, { name, kind: 'handler', fn, ...at });
}

const whereIn = ({ where, fn }: Ctx): Pick<Ctx, 'where' | 'fn'> => ({ where, fn });
