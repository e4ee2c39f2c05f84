/** Tags of the markup: components, elements, outlets, and content for outlets of others. */
import type { AST } from 'svelte/compiler';
import type * as t from '@babel/types';
import type { RenderFact, Span, TagFact } from '../../model/facts';
import { choicesOf, chosen } from '../script/choices';
import { SELF } from '../script/file-name';
import { loweredTag } from '../script/jsx';
import { type Binding, bindingOf, type Scope } from '../script/scope';
import { type At, fillSlot, nameOutlet, noteNested, siteAround } from '../script/slots';
import { place } from '../script/placing';
import { addNode, isHeld, isModuleLevel, use } from '../script/unit';
import { attributeNamed, code, type MarkupNode, span, type Tag, textOf } from './ast';
import { type Filling, readAttributes } from './attributes';
import { slotPort } from './names';
import type { SvelteUnit } from './unit';

/** Tags of Svelte's own that draw what is in them. */
const GROUPS = new Set(['SvelteFragment', 'SvelteHead', 'SvelteBoundary', 'TitleElement']);

const tagSpan = (node: Tag, name: string): Span => ({
  start: node.start + 1,
  end: node.start + 1 + name.length,
});

/** Reads the tag itself; gives back where what is nested in it stands. */
export function readTag(u: SvelteUnit, node: Tag, at: At): At {
  if (node.type === 'SlotElement') return readOutlet(u, node, at);
  const index = addTag(u, node, at);
  const fact = u.facts.render[index]!;
  const filling: Filling | undefined = slotFilled(u, node, at.parent) === undefined ? undefined : {};
  const scope = readAttributes(u, node, index, at, filling);
  putIn(u, node, index, at.parent, filling);
  if (fact.kind === 'site' && node.fragment.nodes.some((one) => isShown(one))) fact.nested = true;
  return { ...at, scope, parent: index };
}

/** A tag with `slot="x"` is content for that slot of the component around it. */
function slotFilled(u: SvelteUnit, node: Tag, parent: number): string | undefined {
  const slot = textOf(attributeNamed(node, 'slot'));
  return slot !== undefined && siteAround(u, parent) !== undefined ? slot : undefined;
}

/** Puts a tag where it stands, or into the slot that it fills; gives back whether it fills one. */
function putIn(u: SvelteUnit, node: Tag, index: number, parent: number, filling?: Filling): boolean {
  const slot = slotFilled(u, node, parent);
  if (slot !== undefined) fillSlot(u, parent, index, slotPort(slot), span(node), filling?.fn);
  else place(u, [index], parent);
  return slot !== undefined;
}

/** What is nested for the unnamed content, not for a name. */
function isShown(node: MarkupNode): boolean {
  if (node.type === 'Text') return node.data.trim() !== '';
  if (node.type === 'Comment' || node.type === 'SnippetBlock' || node.type === 'ConstTag') return false;
  return !(
    'attributes' in node && node.attributes.some((one) => one.type === 'Attribute' && one.name === 'slot')
  );
}

/** Adds the node of a tag. */
function addTag(u: SvelteUnit, node: Tag, at: At): number {
  const tag: TagFact = { name: node.name, ...tagSpan(node, node.name) };
  const add = (kind: RenderFact['kind'], named?: TagFact) =>
    addNode(u, { kind, ...(named ? { tag: named } : {}), ...span(node) }, at.ctx);
  if (GROUPS.has(node.type)) return add('group');
  if (node.type === 'SvelteSelf') return add('site', { ...tag, name: SELF });
  if (node.type === 'SvelteComponent') return addChosen(u, node, tag, at);
  if (node.type === 'SvelteElement') {
    const found = typeof node.tag === 'string' ? undefined : code(u, node.tag, at.scope);
    if (found) use(u, u.expr(found, at.ctx), at.ctx, 'attribute');
  }
  if (node.type !== 'Component') return addElement(u, node, tag, at);
  const [first] = node.name.split('.') as [string];
  const binding = bindingOf(first, at.scope);
  if (!binding) {
    tag.unbound = true;
    return add('site', tag);
  }
  noteTag(binding, first, at.scope);
  if (!isModuleLevel(binding)) {
    const symbol = u.refs.get(binding);
    if (symbol === undefined) tag.name = '';
    else {
      tag.symbol = symbol;
      const [, ...path] = node.name.split('.');
      if (path.length) tag.held = { kind: 'member', symbol, path, start: tag.start, end: tag.end };
      const known = chosen(choicesOf(asExpression(node.name, binding), u.loops));
      if (known.choices || (known.plain && !known.openChoice)) Object.assign(tag, known);
      u.facts.reads.push({ symbol, where: at.ctx.where, fn: at.ctx.fn, start: tag.start, end: tag.end });
    }
  }
  return add('site', tag);
}

/** A plain element; one that bears the name of a value may be meant as that. */
function addElement(u: SvelteUnit, node: Tag, tag: TagFact, at: At): number {
  const index = addNode(u, { kind: 'element', tag, ...span(node) }, at.ctx);
  const binding = node.type === 'RegularElement' ? bindingOf(node.name, at.scope) : undefined;
  if (!binding) return index;
  const held = loweredTag(u, binding, asExpression(node.name, binding));
  if (held) u.facts.render[index]!.lowercase = held;
  return index;
}

const noteTag = (binding: Binding, name: string, scope: Scope) =>
  binding.uses.push({ id: { type: 'JSXIdentifier', name } as t.JSXIdentifier, scope, role: 'tag' });

/** The dotted name of a tag as the expression that it is. */
function asExpression(name: string, binding: Binding): t.Expression {
  const [first, ...members] = name.split('.') as [string, ...string[]];
  const id = (text: string) => ({ type: 'Identifier', name: text }) as t.Identifier;
  return members.reduce<t.Expression>(
    (object, member) =>
      ({ type: 'MemberExpression', object, property: id(member), computed: false }) as t.MemberExpression,
    { ...id(first), binding },
  );
}

/** `<svelte:component this={wide ? Chart : Table}>` */
function addChosen(u: SvelteUnit, node: AST.SvelteComponent, tag: TagFact, at: At): number {
  const found = code(u, node.expression, at.scope);
  const held = found && use(u, u.expr(found, at.ctx), at.ctx);
  const known = found ? chosen(choicesOf(found, u.loops)) : {};
  const named: TagFact = {
    ...tag,
    name: '',
    ...known,
    ...(known.choices ? {} : { openChoice: true }),
    ...(held && isHeld(held) ? { held } : {}),
  };
  return addNode(u, { kind: 'site', tag: named, ...span(node) }, at.ctx);
}

/** `<slot name="x" wind={wind}>fallback</slot>` */
function readOutlet(u: SvelteUnit, node: Extract<Tag, { type: 'SlotElement' }>, at: At): At {
  const named = attributeNamed(node, 'name');
  const fallback = node.fragment.nodes.some((one) => one.type !== 'Text' || one.data.trim());
  const index = addNode(u, { kind: 'outlet', ...(fallback ? { fallback } : {}), ...span(node) }, at.ctx);
  readAttributes(u, node, index, at);
  nameOutlet(
    u,
    index,
    slotPort(textOf(named) ?? 'default'),
    named ? span(named) : tagSpan(node, 'slot'),
    at.ctx,
  );
  if (!putIn(u, node, index, at.parent)) noteNested(u, at.parent);
  return { ...at, parent: index };
}
