/** Tags: elements of one's own with listeners, slots and handles; functions that draw. */
import type * as t from '@babel/types';
import type { AttributeFact } from '../../model/facts';
import { attribute } from '../script/attributes';
import { ownMember } from '../script/classes';
import type { MarkupDialect } from '../script/jsx';
import { portSymbol } from '../script/ports';
import { isFunction } from '../script/scope';
import { type Ctx, spanOf, unwrap, use } from '../script/unit';
import { eachChild } from '../script/walk';
import { elementName, isOwnTag, propOf } from '../../model/own-elements';
import { eventOf, type StencilNames } from './names';
import { isStencilUnit, type StencilUnit } from './unit';

export function stencilMarkup(names: StencilNames): MarkupDialect {
  return {
    attributeMode(name, _element, tag): AttributeFact['mode'] {
      if (name === 'key') return 'key';
      return isOwnTag(tag) && eventOf(name) !== undefined ? 'listen' : 'value';
    },
    attributeName: (name, tag) => (isOwnTag(tag) ? (eventOf(name) ?? propOf(name)) : name),
    spelling: (name, tag) =>
      isOwnTag(tag) && eventOf(name) !== undefined ? { spelled: 'listener' } : undefined,
    isTagged: (name) => name === 'ref' || name === 'slot',
    registeredAs: elementName,
    isGroup: (_u, tag) => /^(Host|Fragment)$/.test(names(tag) ?? ''),
    tagged: (u, index, node, ctx) => isStencilUnit(u) && noteTag(u, index, node, ctx),
    provider: () => false,
  };
}

function noteTag(u: StencilUnit, index: number, node: t.JSXElement, ctx: Ctx): void {
  const fact = u.facts.render[index]!;
  const written = (name: string) =>
    node.openingElement.attributes.find(
      (one): one is t.JSXAttribute => one.type === 'JSXAttribute' && one.name.name === name,
    );
  if (node.children.some(isTextual)) u.textual.add(index);
  const slot = written('slot')?.value;
  if (slot?.type === 'StringLiteral')
    u.slots.set(index, { name: `#${slot.value}`, at: spanOf(written('slot')!) });
  const handle = written('ref');
  if (handle) attach(u, index, handle);
  // What stands on its own tag is read there.
  if (fact.kind === 'group')
    for (const { value } of fact.attributes)
      if (value.kind === 'identity') use(u, value, { ...ctx, where: 'attribute' }, 'attribute');
  if (fact.tag?.name === 'slot' && fact.kind === 'element') becomeOutlet(u, index, node, ctx);
}

/** Text, or an expression that holds no markup. */
function isTextual(node: t.Node): boolean {
  if (node.type === 'JSXText') return /\S/.test(node.value);
  if (node.type !== 'JSXExpressionContainer' || node.expression.type === 'JSXEmptyExpression') return false;
  let found = false;
  const look = (part: t.Node): void => {
    if (part.type === 'JSXElement' || part.type === 'JSXFragment') found = true;
    else eachChild(part, look);
  };
  look(node.expression);
  return !found;
}

/** `ref={(el) => (this.gauge = el)}`: the member is the handle. */
function attach(u: StencilUnit, index: number, node: t.JSXAttribute): void {
  const name = handleMember(node);
  const symbol = name === undefined ? undefined : u.members.get(name);
  const fact = u.facts.render[index]!;
  const at = spanOf(node);
  if (symbol === undefined || u.facts.symbols[symbol]!.kind !== 'ref') return;
  fact.attributes.push(attribute('ref', at, 'ref', { kind: 'identity', symbol, ...at }, at));
}

/** The member that a function in `ref` puts the element into. */
export function handleMember(node: t.JSXAttribute): string | undefined {
  const value = node.value?.type === 'JSXExpressionContainer' ? unwrap(node.value.expression) : undefined;
  if (!value || !isFunction(value)) return undefined;
  let found: string | undefined;
  const look = (part: t.Node): void => {
    if (part.type === 'AssignmentExpression' && part.left.type === 'MemberExpression')
      found ??= ownMember(part.left);
    eachChild(part, look);
  };
  look(value.body);
  return found;
}

/** `<slot name="head">`, drawn where the tag stands. */
function becomeOutlet(u: StencilUnit, index: number, node: t.JSXElement, _ctx: Ctx): void {
  const named = node.openingElement.attributes.find(
    (one): one is t.JSXAttribute => one.type === 'JSXAttribute' && one.name.name === 'name',
  )?.value;
  if (named && named.type !== 'StringLiteral') {
    u.facts.openSlots = true;
    return;
  }
  const port = named?.type === 'StringLiteral' && named.value ? `#${named.value}` : '#default';
  const fact = u.facts.render[index]!;
  const at = fact.tag!;
  fact.kind = 'outlet';
  fact.outlet = port;
  fact.outletSymbol = portSymbol(u, port, 'slot', { start: at.start, end: at.end });
  fact.attributes = fact.attributes.filter((one) => one.mode === 'ref');
  if (node.children.some((one) => one.type !== 'JSXText' || /\S/.test(one.value))) fact.fallback = true;
}

/** Content goes to the slot that it names, in the component whose tag it stands in. */
export function settleSlots(u: StencilUnit): void {
  const { render } = u.facts;
  const plain = new Set<number>();
  render.forEach((node, index) => {
    const parent = node.parent >= 0 ? render[node.parent]! : undefined;
    // What is given as an attribute is placed there, too.
    if (parent?.kind !== 'site' || !isOwnTag(parent.tag!.name) || node.slot !== undefined) return;
    const slot = u.slots.get(index);
    if (!slot) {
      plain.add(node.parent);
      return;
    }
    node.slot = slot.name;
    const value = { kind: 'content' as const, content: [index], ...slot.at };
    parent.attributes.push(attribute(slot.name, slot.at, 'value', value, slot.at));
  });
  render.forEach((node, index) => {
    if (node.kind !== 'site' || !isOwnTag(node.tag!.name)) return;
    if (plain.has(index) || u.textual.has(index)) node.nested = true;
    else delete node.nested;
    delete node.only;
  });
}
