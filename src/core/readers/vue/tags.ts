/** What the tags of a template name. */
import type * as t from '@babel/types';
import type { ExprFact, Span, TagFact } from '../../model/facts';
import { isPageTag } from '../../model/page-names';
import { type Choice, choicesOf, chosen, moduleName } from '../script/choices';
import { SELF } from '../script/file-name';
import { bindingOf, type Scope } from '../script/scope';
import type { At } from '../script/slots';
import { meaningOf, addNode, isHeld, isModuleLevel, unwrap } from '../script/unit';
import { boundTo, type Element, expressionOf, placeOf, staticAttribute, tagSpan } from './ast';
import { camel, pascal } from './names';
import type { VueUnit } from './unit';

/** Built-in tags that draw what is in them. */
const GROUPS = new Set([
  'Transition',
  'TransitionGroup',
  'KeepAlive',
  'Suspense',
  'BaseTransition',
  'Teleport',
]);

/** Adds the node of a tag. */
export function addTag(u: VueUnit, element: Element, at: At): number {
  const name = pascal(element.tag);
  const span = placeOf(element);
  if (element.tag === 'component') return addChosen(u, element, at);
  if (element.tag === 'template' || GROUPS.has(name)) {
    if (name === 'Teleport') notePortal(u, element);
    const kind =
      name === 'Teleport' ? { portal: true as const } : name === 'KeepAlive' ? { keeps: true as const } : {};
    return addNode(u, { kind: 'group', ...kind, ...span }, at.ctx);
  }
  // `<tr is="fare-row">` stands for a component where only some elements may.
  const is = staticAttribute(element, 'is')?.value?.content.replace(/^vue:/, '');
  const named = is !== undefined && spellings(is).some((one) => u.registered.has(one)) ? is : element.tag;
  const tag: TagFact = { name: named, ...tagSpan(element) };
  if (named === element.tag && isPageTag(named)) return addElement(u, tag, span, at);
  const isComponent = element.tagType === 1 || named !== element.tag || isBound(u, named, at.scope);
  if (isComponent) resolveTag(u, tag, at.scope);
  return addNode(u, { kind: isComponent ? 'site' : 'element', tag, ...span }, at.ctx);
}

/** An element of the page, whose name wins over that of a component. */
function addElement(u: VueUnit, tag: TagFact, span: Span, at: At): number {
  const index = addNode(u, { kind: 'element', tag, ...span }, at.ctx);
  const name = spellings(tag.name).find((one) => u.registered.get(one) || bindingOf(one, at.scope));
  const local = name === undefined ? undefined : u.registered.get(name);
  const binding = name === undefined || local ? undefined : bindingOf(name, at.scope);
  if (local) u.facts.render[index]!.lowercase = { choices: [{ name: local }], given: [] };
  else if (binding && isModuleLevel(binding) && name !== tag.name)
    u.facts.render[index]!.lowercase = { choices: [{ name: binding.name }], given: [] };
  return index;
}

/** `<component is="fare-card">`, `<component :is="wide ? Chart : Table">` */
function addChosen(u: VueUnit, element: Element, at: At): number {
  const span = placeOf(element);
  const bound = boundTo(element, 'is');
  const written = staticAttribute(element, 'is')?.value?.content;
  const node = bound && expressionOf(u, bound, at.scope);
  const choices: Choice[] =
    written !== undefined
      ? [{ node: { type: 'StringLiteral', value: written } as t.StringLiteral }]
      : node
        ? choicesOf(node, u.loops)
        : [];
  const tag: TagFact = { name: written ?? '', ...tagSpan(element) };
  const isPlain = (choice: Choice) =>
    !choice.of &&
    !choice.path &&
    choice.node.type === 'StringLiteral' &&
    isElement(u, choice.node.value, at.scope);
  if (choices.length && choices.every(isPlain)) {
    const [first] = choices.map((one) => (one.node as t.StringLiteral).value);
    return addNode(u, { kind: 'element', tag: { ...tag, name: first! }, ...span }, at.ctx);
  }
  const components = choices.filter((one) => !isPlain(one));
  const found = chosen(components, (one) => named(u, one, at.scope));
  const [only] = found.choices ?? [];
  if (
    components.length === choices.length &&
    found.choices?.length === 1 &&
    !found.openChoice &&
    !only!.of &&
    !only!.path
  ) {
    // A component by its name, in another spelling.
    Object.assign(tag, { name: only!.name, ...(only!.global === undefined ? {} : { global: only!.global }) });
    return addNode(u, { kind: 'site', tag, ...span }, at.ctx);
  }
  const held = node && peek(u, node, at);
  if (held) tag.held = held;
  Object.assign(tag, found, components.length < choices.length ? { plain: true } : {});
  // Which component it is, nobody knows before it runs.
  if (!found.choices || found.openChoice) {
    u.dynamicTags = true;
    tag.openChoice = true;
  }
  return addNode(u, { kind: 'site', tag, ...span }, at.ctx);
}

/** A value that may hold what is drawn; that it is read is noted with what is written on the tag. */
function peek(u: VueUnit, node: t.Node, at: At): ExprFact | undefined {
  const bare = unwrap(node);
  if (bare.type !== 'Identifier' && bare.type !== 'MemberExpression') return undefined;
  const held = meaningOf(u, bare, at.ctx);
  return isHeld(held) ? held : undefined;
}

/** The component that a choice names where it is no name of the module: a text, a registered name. */
function named(u: VueUnit, choice: t.Node, scope: Scope): { name: string; global?: string } | undefined {
  const text = choice.type === 'StringLiteral' ? choice.value : moduleName(choice);
  if (text === undefined) return undefined;
  const tag: TagFact = { name: text, start: 0, end: 0 };
  resolveTag(u, tag, scope);
  if (tag.symbol !== undefined) return undefined;
  return { name: tag.name, ...(tag.global === undefined ? {} : { global: tag.global }) };
}

const isElement = (u: VueUnit, name: string, scope: Scope): boolean =>
  isPageTag(name) && !spellings(name).some((one) => u.registered.has(one) || bindingOf(one, scope));

/** Names under which a tag may have been declared. */
const spellings = (tag: string): string[] => [...new Set([tag, camel(tag), pascal(tag)])];

function isBound(u: VueUnit, tag: string, scope: Scope): boolean {
  if (spellings(tag).some((name) => u.registered.has(name))) return true;
  // A plain element keeps its meaning unless a component is written like one.
  return /^[A-Z]/.test(tag) && bindingOf(tag, scope) !== undefined;
}

/** What the tag means: a registered component, a name of the script, the component itself, or one of the app. */
function resolveTag(u: VueUnit, tag: TagFact, scope: Scope): void {
  const written = tag.name;
  const dotted = written.split('.');
  const names = dotted.length > 1 ? [dotted[0]!] : spellings(written);
  for (const name of names) {
    const local = u.registered.get(name);
    if (local !== undefined) {
      tag.name = local || written;
      if (!local) tag.global = pascal(written);
      return;
    }
    const binding = bindingOf(name, scope);
    if (!binding) continue;
    binding.uses.push({ id: { type: 'JSXIdentifier', name } as t.JSXIdentifier, scope, role: 'tag' });
    const symbol = u.refs.get(binding);
    tag.name = [name, ...dotted.slice(1)].join('.');
    if (isModuleLevel(binding)) return;
    if (symbol !== undefined) tag.symbol = symbol;
    return;
  }
  tag.global = pascal(written);
  if (tag.global === u.facts.name || tag.global === u.ownName) tag.name = SELF;
}

/** `<Teleport to="#overlay">` */
function notePortal(u: VueUnit, element: Element): void {
  const to = staticAttribute(element, 'to');
  const id = /^#([\w-]+)$/.exec(to?.value?.content ?? '')?.[1];
  if (to && id !== undefined) (u.facts.portals ??= []).push({ id, ...placeOf(to) });
}
