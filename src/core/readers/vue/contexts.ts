/** `provide` and `inject`, with keys that are texts, symbols or typed keys. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { isFunction } from '../script/scope';
import { memberName } from '../script/type-expr';
import { addSymbol, spanOf, typeOf, unwrap, use, type Ctx } from '../script/unit';
import type { VueUnit } from './unit';

type Call = t.CallExpression | t.OptionalCallExpression;

/** The key as the file names it: a text in quotes, or the name of a value. */
export function keyOf(node: t.Node): string | undefined {
  const bare = unwrap(node);
  if (bare.type === 'StringLiteral') return JSON.stringify(bare.value);
  return memberName(bare);
}

/** `provide(key, value)`: it reaches everything that the component renders. */
export function provide(u: VueUnit, call: Call, ctx: Ctx): ExprFact {
  const [keyNode, valueNode] = call.arguments;
  const value = valueNode ? use(u, u.expr(valueNode, ctx), ctx, 'provide') : undefined;
  if (value && valueNode) value.type ??= typeOf(u, valueNode);
  const key = keyNode && keyOf(keyNode);
  if (key !== undefined && keyNode) addProvide(u, key, keyNode, value, ctx.fn === -1 ? 'setup' : ctx.where);
  return { kind: 'computed', ...spanOf(call) };
}

export function addProvide(
  u: VueUnit,
  key: string,
  at: t.Node,
  value: ExprFact | undefined,
  where: Ctx['where'] | 'setup',
): void {
  u.facts.provides.push({
    key,
    keyStart: at.start!,
    keyEnd: at.end!,
    ...(value ? { value } : {}),
    // The node that stands for all that the component renders.
    node: 0,
    where,
    ...spanOf(at),
  });
}

/** `inject(key, fallback)`; undefined where the key is not written out. */
export function consume(u: VueUnit, call: Call, ctx: Ctx, id?: t.Identifier): ExprFact | undefined {
  const [keyNode, fallback] = call.arguments;
  const key = keyNode && keyOf(keyNode);
  if (fallback) {
    const bare = unwrap(fallback);
    use(u, u.expr(bare, isFunction(bare) ? { ...ctx, where: 'derivation' } : ctx), ctx);
  }
  if (key === undefined) return undefined;
  return addConsume(u, key, call, ctx, id ?? undefined, fallback !== undefined);
}

export function addConsume(
  u: VueUnit,
  key: string,
  at: t.Node,
  ctx: Ctx,
  id: t.Node | undefined,
  handled: boolean,
): ExprFact {
  const named = id?.type === 'Identifier' ? id : undefined;
  const isText = key.startsWith('"');
  const symbol = addSymbol(
    u,
    {
      name: named?.name ?? (isText ? (JSON.parse(key) as string) : key),
      kind: 'injected',
      ...spanOf(id ?? at),
      type: isText ? UNKNOWN : { t: 'member', of: { t: 'value', name: key }, name: '#context' },
    },
    named?.binding,
  );
  u.facts.consumes.push({
    key,
    symbol,
    where: ctx.fn === -1 ? 'setup' : ctx.where,
    fn: ctx.fn,
    missing: handled ? 'handled' : 'bare',
    ...spanOf(at),
  });
  return { kind: 'identity', symbol, ...spanOf(at) };
}
