/** Calls that write members: `store.$patch({ … })`, `this.$set(fare, 'price', 3)`. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { memberName } from '../script/type-expr';
import { meaningOf, type Call, type Ctx, noteGiven, spanOf, unwrap, use } from '../script/unit';
import { noteMembers } from '../script/writes';
import { isSelf } from './names';
import type { VueUnit } from './unit';

export function readPatch(u: VueUnit, node: Call, ctx: Ctx): ExprFact | undefined {
  const callee = unwrap(node.callee);
  if (callee.type !== 'MemberExpression' || callee.computed) return undefined;
  const name = memberName(callee.property);
  if (name === '$patch') return patchStore(u, callee.object, node, ctx);
  const isSet = name === '$set' ? isSelf(callee.object) : memberName(callee) === 'Vue.set';
  return isSet ? setMember(u, node, ctx) : undefined;
}

/** What a store keeps, by the members of an object, or by a function that is given what it keeps. */
function patchStore(u: VueUnit, object: t.Node, node: Call, ctx: Ctx): ExprFact {
  const store = target(u, object, ctx);
  for (const arg of node.arguments) {
    const given = use(u, u.expr(arg, ctx), ctx, 'argument');
    if (store && given.kind === 'function') noteGiven(u, given.fn, [store]);
    else if (store) noteMembers(u, store, given, node, ctx);
  }
  return { kind: 'computed', ...spanOf(node) };
}

function setMember(u: VueUnit, node: Call, ctx: Ctx): ExprFact {
  const [object, key, given] = node.arguments;
  const own =
    object && isSelf(unwrap(object)) && key?.type === 'StringLiteral' ? u.members.get(key.value) : undefined;
  const owner = object && target(u, object, ctx);
  if (key) use(u, u.expr(key, ctx), ctx, 'argument');
  const value = given && use(u, u.expr(given, ctx), ctx, 'argument');
  if (own !== undefined && value)
    u.facts.writes.push({ symbol: own, value, where: ctx.where, fn: ctx.fn, ...spanOf(node) });
  else if (owner && key && value) {
    const member = { ...spanOf(key), value };
    const isNamed = key.type === 'StringLiteral';
    noteMembers(
      u,
      owner,
      isNamed
        ? { kind: 'object', members: [{ name: key.value, ...member }], ...spanOf(node) }
        : { kind: 'object', others: [value], ...spanOf(node) },
      node,
      ctx,
    );
  }
  return { kind: 'computed', ...spanOf(node) };
}

/** What is written to is not read. */
function target(u: VueUnit, node: t.Node, ctx: Ctx): ExprFact | undefined {
  const value = meaningOf(u, node, ctx);
  return value.kind === 'identity' || value.kind === 'member' ? value : undefined;
}
