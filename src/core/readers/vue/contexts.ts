/** `provide` and `inject`, with keys that are texts, symbols or typed keys. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { addConsume, addProvide, keyOf, typeOfKey } from '../script/contexts';
import { isFunction } from '../script/scope';
import { type Call, type Ctx, spanOf, typeOf, unwrap, use } from '../script/unit';
import type { VueUnit } from './unit';

/** `provide(key, value)`: it reaches everything that the component renders. */
export function provide(u: VueUnit, call: Call, ctx: Ctx): ExprFact {
  const [keyNode, valueNode] = call.arguments;
  const value = valueNode ? use(u, u.expr(valueNode, ctx), ctx, 'provide') : undefined;
  if (value && valueNode) value.type ??= typeOf(u, valueNode);
  const key = keyOf(keyNode);
  if (key !== undefined && keyNode) addProvide(u, key, keyNode, value, ctx, call);
  return { kind: 'computed', ...spanOf(call) };
}

/** `inject(key, fallback)`; undefined where the key is not written out. */
export function consume(u: VueUnit, call: Call, ctx: Ctx, id?: t.Identifier): ExprFact | undefined {
  const [keyNode, fallback] = call.arguments;
  const key = keyOf(keyNode);
  if (fallback) {
    const bare = unwrap(fallback);
    use(u, u.expr(bare, isFunction(bare) ? { ...ctx, where: 'derivation' } : ctx), ctx);
  }
  if (key === undefined) return undefined;
  return addConsume(u, key, spanOf(call), ctx, id, typeOfKey(key), fallback ? 'handled' : 'bare');
}
