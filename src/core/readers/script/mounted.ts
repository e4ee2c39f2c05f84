/** Calls that mount a component as the root of a tree of its own. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact } from '../../model/facts';
import { attribute, spread } from './attributes';
import { keyName, memberName } from './type-expr';
import { type Ctx, spanOf, typeOf, type Unit, unwrap, use } from './unit';

/** Adds the tree that a call makes of a component, below a node or of its own; gives back whether it is known which. */
export function addMounted(
  u: Unit,
  call: t.Node,
  tag: t.Node,
  parent: number,
  attributes: AttributeFact[],
): boolean {
  const name = memberName(unwrap(tag));
  if (name === undefined) return false;
  const span = spanOf(call);
  const named = { name, ...spanOf(tag) };
  u.facts.render.push({ kind: 'site', parent, tag: named, mounted: span, attributes, ...span });
  return true;
}

/** Reads what a call is given. */
export const argumentReader =
  (u: Unit, ctx: Ctx) =>
  (node: t.Node): ExprFact => {
    const value = use(u, u.expr(node, ctx), ctx, 'argument');
    return { ...value, type: value.type ?? typeOf(u, node) };
  };

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
