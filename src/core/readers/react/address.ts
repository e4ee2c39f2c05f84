/**
 * What stands in the address of the page, by the public interface of the router: `const [params, setParams] =
 * useSearchParams()`. All code on the page reads and writes the same, name by name.
 */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { memberKey } from '../script/constants';
import { addressValue, keepInAddress, keepMembers } from '../script/address';
import { isFunction } from '../script/scope';
import { nameOf } from '../script/told';
import { memberName } from '../script/type-expr';
import { addSymbol, type Call, type Ctx, spanOf, type Unit, unwrap, use } from '../script/unit';
import type { RouterNames } from './routes';

const isCallOf = (node: t.Node, names: RouterNames, name: string): boolean => {
  const bare = unwrap(node);
  return bare.type === 'CallExpression' && names.get(memberName(bare.callee) ?? '') === name;
};

const isHeld = ({ file }: Unit, node: t.Node | undefined): boolean => {
  const bare = node && unwrap(node);
  return (
    bare?.type === 'Identifier' && bare.binding !== undefined && file.address?.has(bare.binding) === true
  );
};

/** Declares the parameters of the address, what changes them, or a copy of them; gives back whether it is one of these. */
export function declareAddress(
  u: Unit,
  pattern: t.LVal,
  init: t.Node,
  names: RouterNames,
  ctx: Ctx,
): boolean {
  const isCopy =
    init.type === 'NewExpression' &&
    memberName(init.callee) === 'URLSearchParams' &&
    isHeld(u, init.arguments[0]);
  const asked =
    names.size > 0 && isCallOf(init, names, 'useSearchParams') ? (init as t.CallExpression) : undefined;
  const ids = isCopy ? [pattern] : asked && pattern.type === 'ArrayPattern' ? pattern.elements : [];
  if (!ids.length) return false;
  for (const arg of asked?.arguments ?? []) use(u, u.expr(arg, ctx), ctx);
  for (const id of ids) {
    if (id?.type !== 'Identifier') continue;
    addSymbol(u, { name: id.name, kind: 'derived', ...spanOf(id) }, id.binding);
    if (id.binding) (u.file.address ??= new Set()).add(id.binding);
  }
  return true;
}

/** `params.get('line')`, `next.set('line', v)`, `setParams({ line: v })`; undefined for any other call. */
export function readAddress(u: Unit, node: Call, ctx: Ctx): ExprFact | undefined {
  if (!u.file.address) return undefined;
  const callee = unwrap(node.callee);
  const done: ExprFact = { kind: 'computed', ...spanOf(node) };
  if (isHeld(u, callee)) {
    change(u, node, ctx);
    return done;
  }
  if (callee.type !== 'MemberExpression' && callee.type !== 'OptionalMemberExpression') return undefined;
  const key = isHeld(u, callee.object) ? nameOf(node.arguments[0]) : undefined;
  const method = memberKey(callee);
  if (key === undefined) return undefined;
  if (method === 'get' || method === 'getAll') return addressValue(u, key, node);
  if (method !== 'set' && method !== 'append') return undefined;
  const value = node.arguments[1] && use(u, u.expr(node.arguments[1], ctx), ctx, 'argument');
  keepInAddress(u, key, value, spanOf(node), ctx);
  return done;
}

/** What the address is changed with: an object by names, or a function of what there is. */
function change(u: Unit, { arguments: [given, ...others] }: Call, ctx: Ctx): void {
  const bare = given && unwrap(given);
  for (const one of others) use(u, u.expr(one, ctx), ctx);
  if (!bare) return;
  const [before] = isFunction(bare) ? bare.params : [];
  if (before?.type === 'Identifier' && before.binding) u.file.address!.add(before.binding);
  const value = use(u, u.expr(bare, ctx), ctx, 'argument');
  const gives = value.fn === undefined ? [value] : (u.facts.functions[value.fn]!.gives ?? []);
  for (const one of gives) keepMembers(u, one, ctx);
}
