/** Render functions: `h(Tag, props, slots)`. What they hand over is known by name where it is written out. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact } from '../../model/facts';
import { readFunction } from '../script/functions';
import { keyName, memberName } from '../script/type-expr';
import { addNode, place, spanOf, typeOf, unwrap, use, type Ctx } from '../script/unit';
import { camel, eventPort, slotPort } from './names';
import type { VueUnit } from './unit';

export function readH(
  u: VueUnit,
  call: t.CallExpression | t.OptionalCallExpression,
  ctx: Ctx,
): ExprFact | undefined {
  const [tagNode, second, third] = call.arguments;
  if (!tagNode) return undefined;
  const bare = unwrap(tagNode);
  const name = bare.type === 'StringLiteral' ? bare.value : memberName(bare);
  if (name === undefined) return undefined;
  const kind = bare.type === 'StringLiteral' ? 'element' : 'site';
  const index = addNode(u, { kind, tag: { name, ...spanOf(bare) }, ...spanOf(call) }, ctx);
  const fact = u.facts.render[index]!;
  if (kind === 'site') {
    const expr = use(u, u.expr(bare, ctx), ctx);
    if (expr.symbol !== undefined) fact.tag!.symbol = expr.symbol;
  }
  const object = second && unwrap(second);
  const hasProps = object?.type === 'ObjectExpression' || third !== undefined;
  if (object?.type === 'ObjectExpression') {
    for (const property of object.properties)
      fact.attributes.push(attributeOf(u, property, index, kind, ctx));
  } else if (second && hasProps && object?.type !== 'NullLiteral') {
    fact.attributes.push(spreadOf(second, use(u, u.expr(second, ctx), ctx)));
  }
  const content = third ?? (hasProps ? undefined : second);
  if (content) readContent(u, content, index, ctx);
  return { kind: 'content', content: [index], ...spanOf(call), type: { t: 'content' } };
}

const spreadOf = (at: t.Node, value: ExprFact): AttributeFact => ({
  name: '...',
  nameStart: at.start!,
  nameEnd: at.end!,
  mode: 'spread',
  value,
  ...spanOf(at),
});

function attributeOf(
  u: VueUnit,
  property: t.ObjectExpression['properties'][number],
  parent: number,
  kind: 'element' | 'site',
  ctx: Ctx,
): AttributeFact {
  if (property.type === 'SpreadElement') {
    return spreadOf(property, use(u, u.expr(property.argument, ctx), ctx));
  }
  const key = keyName(property);
  const value =
    property.type === 'ObjectMethod'
      ? readFunction(u, property, ctx, 'handler')
      : use(u, u.expr(property.value, ctx), ctx, kind === 'element' ? 'attribute' : ctx.where);
  // Options of an older kind (`props: {…}, on: {…}`), and names that are worked out.
  if (key === undefined || /^(props|attrs|on|domProps|scopedSlots|slots)$/.test(key))
    return spreadOf(property, { ...value, kind: 'computed' });
  if (property.type === 'ObjectProperty') value.type ??= typeOf(u, property.value);
  place(u, value.content, parent, slotPort('default'));
  const event = /^on[A-Z]/.test(key) ? key.charAt(2).toLowerCase() + key.slice(3) : undefined;
  return {
    name: event === undefined ? camel(key) : eventPort(event),
    nameStart: property.key.start!,
    nameEnd: property.key.end!,
    mode: key === 'key' ? 'key' : key === 'ref' ? 'ref' : event === undefined ? 'value' : 'listen',
    value,
    ...spanOf(property),
  };
}

/** Slots by name, or what is nested. */
function readContent(u: VueUnit, node: t.Node, index: number, ctx: Ctx): void {
  const bare = unwrap(node);
  const fact = u.facts.render[index]!;
  const value = use(u, u.expr(bare, ctx), ctx, 'text');
  if (fact.kind === 'element') {
    place(u, value.content, index);
    return;
  }
  place(u, value.content, index, slotPort('default'));
  if (bare.type === 'ArrayExpression' || bare.type === 'StringLiteral' || /Function/.test(bare.type))
    fact.nested = true;
  else fact.attributes.push(spreadOf(node, { kind: 'computed', ...spanOf(node) }));
}
