/** Render functions: `h(Tag, props, slots)`. What they hand over is known by name where it is written out. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, RenderFact } from '../../model/facts';
import { attribute, spread } from '../script/attributes';
import { readFunction } from '../script/functions';
import { placeOutlet } from '../script/jsx';
import { isFunction } from '../script/scope';
import { handOver } from '../script/slots';
import { noteTarget } from '../script/targets';
import { keyName, memberName } from '../script/type-expr';
import { place, shownBy } from '../script/placing';
import { addNode, type Ctx, spanOf, typeOf, unwrap, use } from '../script/unit';
import { slotValue } from './drawn';
import { camel, eventPort, isVueModule, nameOfGiven, slotPort } from './names';
import { handleSymbol } from './self';
import type { VueUnit } from './unit';

type Call = t.CallExpression | t.OptionalCallExpression;
type Property = t.ObjectExpression['properties'][number];

export function readH(u: VueUnit, call: Call, ctx: Ctx): ExprFact | undefined {
  const [tagNode, second, third] = call.arguments;
  if (!tagNode) return undefined;
  const bare = unwrap(tagNode);
  const name = bare.type === 'StringLiteral' ? bare.value : memberName(bare);
  if (name === undefined) return undefined;
  if (isTeleport(u, bare)) return readTeleport(u, call, ctx);
  const kind = bare.type === 'StringLiteral' ? 'element' : 'site';
  const index = addNode(u, { kind, tag: { name, ...spanOf(bare) }, ...spanOf(call) }, ctx);
  const fact = u.facts.render[index]!;
  if (kind === 'site') nameTag(u, fact, bare, ctx);
  const object = second && unwrap(second);
  const hasProps = object?.type === 'ObjectExpression' || third !== undefined;
  if (object?.type === 'ObjectExpression')
    for (const property of object.properties) readGiven(u, property, index, ctx);
  else if (second && hasProps && object?.type !== 'NullLiteral')
    fact.attributes.push(spread(spanOf(second), use(u, u.expr(second, ctx), ctx)));
  const content = third ?? (hasProps ? undefined : second);
  if (content) readContent(u, content, index, ctx);
  return { kind: 'content', content: [index], ...spanOf(call), type: { t: 'content' } };
}

const isTeleport = (u: VueUnit, node: t.Node): boolean =>
  node.type === 'Identifier' &&
  u.imports.some((one) => one.local === node.name && one.name === 'Teleport' && isVueModule(one.from));

/** `h(Teleport, { to: '#overlay' }, […])` draws what it is given elsewhere on the page. */
function readTeleport(u: VueUnit, call: Call, ctx: Ctx): ExprFact {
  const [, given, content] = call.arguments;
  const index = addNode(u, { kind: 'group', portal: true, ...spanOf(call) }, ctx);
  const object = given && unwrap(given);
  if (object?.type === 'ObjectExpression')
    for (const one of object.properties) {
      if (one.type === 'ObjectProperty' && keyName(one) === 'to') noteTarget(u, one.value);
      use(u, valueOf(u, one, ctx), ctx, 'attribute');
    }
  if (content) readContent(u, content, index, ctx);
  return { kind: 'content', content: [index], ...spanOf(call), type: { t: 'content' } };
}

/** The tag is a name of the module, or a value that the code chose. */
function nameTag(u: VueUnit, { tag }: RenderFact, node: t.Node, ctx: Ctx): void {
  const { symbol } = u.expr(node, ctx);
  if (symbol === undefined) {
    // Drawing a component is no other use of its name.
    if (node.type === 'Identifier') u.tagNames.push(spanOf(node));
    return;
  }
  use(u, { kind: 'identity', symbol, ...spanOf(node) }, ctx);
  tag!.symbol = symbol;
}

/** Groups of an older version, in which each kind of thing that is handed over has an object of its own. */
const GROUPS: Record<string, (key: string) => string> = {
  props: camel,
  attrs: camel,
  on: eventPort,
};

function readGiven(u: VueUnit, property: Property, index: number, ctx: Ctx): void {
  const fact = u.facts.render[index]!;
  const { attributes } = fact;
  const key = property.type === 'SpreadElement' ? undefined : keyName(property);
  if (property.type === 'SpreadElement' || key === undefined) {
    const value = property.type === 'SpreadElement' ? property.argument : property;
    attributes.push(spread(spanOf(property), use(u, valueOf(u, value, ctx), ctx)));
    return;
  }
  const inner = property.type === 'ObjectProperty' ? unwrap(property.value) : undefined;
  const named = GROUPS[key];
  if (inner?.type === 'ObjectExpression' && (named || key === 'scopedSlots')) {
    // In newer versions these are props like others, so that whatever else is given is not known.
    attributes.push(spread(spanOf(property.key)));
    if (!named) giveSlots(u, inner, index, ctx);
    else
      for (const one of inner.properties) {
        const name = one.type === 'SpreadElement' ? undefined : keyName(one);
        attributes.push(
          one.type === 'SpreadElement' || name === undefined
            ? spread(spanOf(one), { ...use(u, valueOf(u, one, ctx), ctx), kind: 'computed' })
            : given(u, one, named(name), index, ctx),
        );
      }
    return;
  }
  if (/^(props|attrs|on|nativeOn|domProps|scopedSlots|slots|directives|class|style|slot)$/.test(key)) {
    const value = use(u, valueOf(u, property, ctx), ctx, 'attribute');
    if (!/^(class|style)$/.test(key))
      attributes.push(spread(spanOf(property), { ...value, kind: 'computed' }));
    return;
  }
  if (key === 'ref' && inner?.type === 'StringLiteral') {
    const symbol = handleSymbol(u, inner.value, inner);
    const value: ExprFact = { kind: 'identity', symbol, ...spanOf(inner) };
    attributes.push(attribute('ref', spanOf(property.key), 'ref', value, spanOf(property)));
    return;
  }
  attributes.push(given(u, property, nameOfGiven(key), index, ctx));
}

/** The value of a member, or an expression as it is. */
function valueOf(u: VueUnit, node: t.Node, ctx: Ctx): ExprFact {
  if (node.type === 'ObjectMethod') return readFunction(u, node, ctx, 'handler');
  return u.expr(
    node.type === 'ObjectProperty' ? node.value : node.type === 'SpreadElement' ? node.argument : node,
    ctx,
  );
}

function given(
  u: VueUnit,
  property: t.ObjectProperty | t.ObjectMethod,
  name: string,
  index: number,
  ctx: Ctx,
): AttributeFact {
  const plain = u.facts.render[index]!.kind === 'element';
  const value = use(u, valueOf(u, property, ctx), ctx, plain ? 'attribute' : ctx.where);
  if (property.type === 'ObjectProperty') value.type ??= typeOf(u, property.value);
  place(u, shownBy(u, value), index, slotPort('default'));
  const mode = name === 'key' || name === 'ref' ? name : name.startsWith('@') ? 'listen' : 'value';
  return attribute(name, spanOf(property.key), mode, value, spanOf(property));
}

/** Slots by name, or what is nested. */
function readContent(u: VueUnit, node: t.Node, index: number, ctx: Ctx): void {
  const bare = unwrap(node);
  const fact = u.facts.render[index]!;
  if (fact.kind === 'site' && bare.type === 'ObjectExpression') {
    giveSlots(u, bare, index, ctx);
    return;
  }
  if (bare.type === 'ArrayExpression') {
    if (fact.kind === 'site') fact.nested = true;
    for (const one of bare.elements) if (one) readChild(u, one, index, ctx);
    return;
  }
  const value = readChild(u, bare, index, ctx);
  if (fact.kind === 'element' || bare.type === 'NullLiteral') return;
  if (isFunction(bare)) fact.only = value;
  // What a call gives may be content, and may be an object of props.
  const isDrawn = value.content?.some((one) => typeof one === 'number');
  if (isDrawn || isFunction(bare) || /^(String|Template)Literal$/.test(bare.type)) fact.nested = true;
  else fact.attributes.push(spread(spanOf(node)));
}

/** One of what is nested: drawn by code, text, or what a slot was given. */
function readChild(u: VueUnit, node: t.Node, index: number, ctx: Ctx): ExprFact {
  const slot = slotValue(u, node);
  if (slot) placeOutlet(u, slot.symbol!, slot, index, ctx);
  const value = slot ?? use(u, u.expr(node, ctx), ctx, 'text');
  place(u, shownBy(u, value), index);
  return value;
}

/** `{ default: () => …, footer: ({ total }) => … }`: content by the names of slots. */
export function giveSlots(u: VueUnit, object: t.ObjectExpression, index: number, ctx: Ctx): void {
  const fact = u.facts.render[index]!;
  for (const one of object.properties) {
    const name = one.type === 'SpreadElement' ? undefined : keyName(one);
    if (one.type === 'SpreadElement' || name === undefined) {
      fact.attributes.push(spread(spanOf(one), { ...use(u, valueOf(u, one, ctx), ctx), kind: 'computed' }));
      continue;
    }
    const bare = one.type === 'ObjectMethod' ? one : unwrap(one.value);
    const slot = slotValue(u, bare);
    const value = isFunction(bare)
      ? readFunction(u, bare, ctx, 'derivation')
      : (slot ?? use(u, u.expr(bare, ctx), ctx));
    const at = spanOf(one.key);
    const port = slotPort(name);
    if (name === 'default') {
      fact.nested = true;
      if (value.fn !== undefined) fact.only = value;
      place(u, shownBy(u, value), index);
      if (slot) placeOutlet(u, slot.symbol!, slot, index, ctx);
    } else if (value.content?.length === 1 && typeof value.content[0] === 'number')
      handOver(u, index, value.content[0], port, at, value.fn);
    else {
      place(u, value.content, index, port);
      fact.attributes.push(attribute(port, at, 'value', value, spanOf(one)));
    }
  }
}
