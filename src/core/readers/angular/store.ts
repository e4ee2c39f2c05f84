/** What code asks of a store that is injected: `store.select(pickLimit)`, `store.pipe(select(pickLimit))`. */
import type * as t from '@babel/types';
import type { ExprFact, ImportFact } from '../../model/facts';
import { constantText } from '../script/constants';
import { isChain, symbolAt } from '../script/own';
import { memberName } from '../script/type-expr';
import { type Call, type Ctx, spanOf, unwrap, use } from '../script/unit';
import type { AngularUnit } from './unit';

const isStore = ({ from, name }: ImportFact): boolean => from === '@ngrx/store' && name === 'Store';

/** Marks the class of the store as what is asked for a part of it. */
export function markAsking(imports: ImportFact[]): void {
  for (const one of imports) if (isStore(one)) one.asks = 'store';
}

/** What a call picks of the store; undefined where it is no such call. */
export function readSelect(u: AngularUnit, node: Call, ctx: Ctx): ExprFact | undefined {
  const callee = unwrap(node.callee);
  if (!isChain(callee)) return undefined;
  const name = storeAt(u, unwrap(callee.object));
  if (name === undefined) return undefined;
  const method = memberName(callee.property);
  const piped = method === 'pipe' ? selectCall(u, node.arguments[0]) : undefined;
  if (!piped && !/^select(Signal)?$/.test(method ?? '')) return undefined;
  const given = piped ? piped.arguments : node.arguments;
  // Names lead to a part, one after the other.
  const names = given.map((one) => constantText(one));
  const path = names.every((one) => one !== undefined) ? names : [];
  const [picker] = path.length ? [] : given;
  const args = picker ? [use(u, u.expr(picker, ctx), ctx)] : [];
  const call = u.facts.calls.push({ name, args, where: ctx.where, fn: ctx.fn, ...spanOf(node) }) - 1;
  for (const one of piped ? node.arguments.slice(1) : []) use(u, u.expr(one, ctx), ctx, 'derivation');
  return { kind: 'call', from: { call, path }, ...spanOf(node) };
}

/** The name of the store's class in the file, where a member holds what was injected for it. */
function storeAt(u: AngularUnit, node: t.Node): string | undefined {
  const symbol = symbolAt(u, node);
  const asked = symbol === undefined ? undefined : u.facts.consumes.find((one) => one.symbol === symbol);
  const name = asked && 'name' in asked.key ? asked.key.name : undefined;
  return u.angular.facts.imports.some((one) => one.local === name && isStore(one)) ? name : undefined;
}

function selectCall(u: AngularUnit, node: t.Node | undefined): t.CallExpression | undefined {
  const bare = node && unwrap(node);
  const name = bare?.type === 'CallExpression' ? memberName(bare.callee) : undefined;
  const isSelect = u.angular.facts.imports.some(
    (one) => one.local === name && one.from === '@ngrx/store' && one.name === 'select',
  );
  return isSelect ? (bare as t.CallExpression) : undefined;
}
