/** Calls that mount a component as the root of a tree of its own. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact } from '../../model/facts';
import { attribute, spread } from './attributes';
import { keyName, memberName } from './type-expr';
import { type Ctx, spanOf, typeOf, type Unit, unwrap, use } from './unit';

/** Where a component stands that a call mounts: below another, or as a tree that nothing is above of. */
export interface Mounting {
  call: t.Node;
  tag: t.Node;
  props: t.Node | undefined;
  parent: number;
}

/** Adds the tree that a call makes of a component; gives back whether it is known which. */
export function addMounted(
  u: Unit,
  { call, tag, props, parent }: Mounting,
  ctx: Ctx,
  nameOf?: (key: string) => string,
): boolean {
  const name = memberName(unwrap(tag));
  if (name === undefined) return false;
  const read = (node: t.Node): ExprFact => {
    const value = use(u, u.expr(node, ctx), ctx, 'argument');
    return { ...value, type: value.type ?? typeOf(u, node) };
  };
  const attributes = propsGiven(props, read, nameOf);
  const span = spanOf(call);
  u.facts.render.push({
    kind: 'site',
    parent,
    tag: { name, ...spanOf(tag) },
    mounted: span,
    attributes,
    ...span,
  });
  return true;
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

/** One of the options that a call takes as an object; the whole, where nobody knows what is in it. */
export function optionOf(options: t.Node | undefined, name: string): t.Node | undefined {
  const bare = options && unwrap(options);
  if (bare?.type !== 'ObjectExpression') return bare;
  const found = bare.properties.find((one) => one.type !== 'SpreadElement' && keyName(one) === name);
  if (found?.type === 'ObjectProperty') return found.value;
  return found ?? bare.properties.find((one) => one.type === 'SpreadElement')?.argument;
}
