/** What the tags of a template name. */
import type * as t from '@babel/types';
import type { TagFact } from '../../model/facts';
import { isPageTag } from '../../model/page-names';
import { choicesOf, moduleName } from '../script/choices';
import { SELF } from '../script/file-name';
import { bindingOf, type Scope } from '../script/scope';
import type { At } from '../script/slots';
import { addNode, isModuleLevel } from '../script/unit';
import { boundTo, type Element, expressionOf, isBlank, placeOf, staticAttribute, tagSpan } from './ast';
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

/** Adds the nodes of a tag: one, or, where the tag is chosen among components, one for each that it may be. */
export function addTags(u: VueUnit, element: Element, at: At): [number, ...number[]] {
  const name = pascal(element.tag);
  const span = placeOf(element);
  if (element.tag === 'component') return addChosen(u, element, at);
  if (element.tag === 'template' || GROUPS.has(name)) {
    if (name === 'Teleport') notePortal(u, element);
    return [addNode(u, { kind: 'group', ...span }, at.ctx)];
  }
  // `<tr is="fare-row">` stands for a component where only some elements may.
  const is = staticAttribute(element, 'is')?.value?.content.replace(/^vue:/, '');
  const named = is !== undefined && spellings(is).some((one) => u.registered.has(one)) ? is : element.tag;
  const tag: TagFact = { name: named, ...tagSpan(element) };
  const isComponent = element.tagType === 1 || named !== element.tag || isBound(u, named, at.scope);
  if (isComponent) resolveTag(u, tag, at.scope);
  return [addNode(u, { kind: isComponent ? 'site' : 'element', tag, ...span }, at.ctx)];
}

/** `<component is="fare-card">`, `<component :is="wide ? Chart : Table">` */
function addChosen(u: VueUnit, element: Element, at: At): [number, ...number[]] {
  const span = placeOf(element);
  const bound = boundTo(element, 'is');
  const written = staticAttribute(element, 'is')?.value?.content;
  const node = bound && expressionOf(u, bound, at.scope);
  const choices = written !== undefined ? [written] : node ? chosenIn(node) : [];
  if (choices.length && choices.every((one) => one !== undefined && isElement(u, one, at.scope)))
    return [
      addNode(u, { kind: 'element', tag: { name: choices[0]!, ...tagSpan(element) }, ...span }, at.ctx),
    ];
  const tags: TagFact[] = [];
  for (const choice of choices) {
    if (choice !== undefined && isElement(u, choice, at.scope)) continue;
    const tag: TagFact = { name: choice ?? '', ...tagSpan(element) };
    if (choice !== undefined) resolveTag(u, tag, at.scope);
    // Which component it is, nobody knows before it runs.
    if (choice === undefined || tag.symbol !== undefined) u.dynamicTags = true;
    else tags.push(tag);
  }
  // What is nested can stand below one of them only.
  const nested = element.children.some((child) => !isBlank(child));
  if (!tags.length || (nested && choices.length > 1)) {
    u.dynamicTags = true;
    return [addNode(u, { kind: 'site', tag: { name: '', ...tagSpan(element) }, ...span }, at.ctx)];
  }
  const [first, ...others] = tags.map((tag) => {
    if (choices.length > 1) tag.oneOf = true;
    return addNode(u, { kind: 'site', tag, ...span }, at.ctx);
  });
  return [first!, ...others];
}

/** The names of the components, or of the elements, that an expression chooses between; undefined for one that has none. */
const chosenIn = (node: t.Node): (string | undefined)[] => [...new Set(choicesOf(node).map(nameOf))];

/** A text, or a name of the module: what a member of the component holds is not known. */
function nameOf(choice: t.Node): string | undefined {
  return choice.type === 'StringLiteral' ? choice.value : moduleName(choice);
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
  if (tag.global === u.facts.name) tag.name = SELF;
}

/** `<Teleport to="#overlay">` */
function notePortal(u: VueUnit, element: Element): void {
  const to = staticAttribute(element, 'to');
  const id = /^#([\w-]+)$/.exec(to?.value?.content ?? '')?.[1];
  if (to && id !== undefined) (u.facts.portals ??= []).push({ id, ...placeOf(to) });
}
