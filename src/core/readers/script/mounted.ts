/** Calls that mount a component as the root of a tree of its own. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, RenderFact } from '../../model/facts';
import { attribute, spread } from './attributes';
import { keyName, memberName } from './type-expr';
import { spanOf, unwrap } from './unit';

/** The tree that a call makes of the component that a node names; undefined where it names none. */
export function mountedBy(
  call: t.Node,
  tag: t.Node,
  parent: number,
  attributes: AttributeFact[],
): RenderFact | undefined {
  const name = memberName(unwrap(tag));
  if (name === undefined) return undefined;
  const span = spanOf(call);
  return { kind: 'site', parent, tag: { name, ...spanOf(tag) }, mounted: span, attributes, ...span };
}

/** The props that a call hands over as an object: each by its name where it is written out. */
export function propsGiven(
  node: t.Node | undefined,
  read: (node: t.Node) => ExprFact,
  nameOf: (key: string) => string = (key) => key,
): AttributeFact[] {
  const bare = node && unwrap(node);
  if (!bare || bare.type === 'NullLiteral') return [];
  if (bare.type !== 'ObjectExpression') return [spread(spanOf(bare), read(bare))];
  return bare.properties.map((one) => {
    const key = one.type === 'SpreadElement' ? undefined : keyName(one);
    if (one.type === 'SpreadElement') return spread(spanOf(one), read(one.argument));
    const value = read(one.type === 'ObjectMethod' ? one : one.value);
    if (key === undefined) return spread(spanOf(one));
    const name = nameOf(key);
    return attribute(name, spanOf(one.key), name.startsWith('@') ? 'listen' : 'value', value, spanOf(one));
  });
}
