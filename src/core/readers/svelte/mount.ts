/** What a component is given by the call that mounts it. */
import type * as t from '@babel/types';
import type { AttributeFact } from '../../model/facts';
import { spread } from '../script/attributes';
import { argumentReader, propsGiven } from '../script/mounted';
import { keyName } from '../script/type-expr';
import { type Ctx, spanOf, type Unit, unwrap, use } from '../script/unit';
import { eventPort } from './names';

/** `{ target, props: { wind }, events: { gust } }`; other options are read for what they use. */
export function mountOptions(u: Unit, options: t.Node | undefined, ctx: Ctx): AttributeFact[] {
  const bare = options && unwrap(options);
  if (!bare) return [];
  const read = argumentReader(u, ctx);
  if (bare.type !== 'ObjectExpression') return [spread(spanOf(bare), { ...read(bare), kind: 'computed' })];
  return bare.properties.flatMap((one) => {
    if (one.type === 'SpreadElement')
      return [spread(spanOf(one), { ...read(one.argument), kind: 'computed' })];
    const value = one.type === 'ObjectMethod' ? one : one.value;
    const name = keyName(one);
    if (name === 'props') return propsGiven(value, read);
    if (name === 'events') return propsGiven(value, read, eventPort);
    use(u, u.expr(value, ctx), ctx, 'argument');
    return [];
  });
}
