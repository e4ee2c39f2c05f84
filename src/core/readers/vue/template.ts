/** Templates to render nodes. */
import type { SFCTemplateBlock } from '@vue/compiler-sfc';
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, RenderFact, Span, TagFact } from '../../model/facts';
import { contentFunction } from '../script/content';
import { SELF } from '../script/file-name';
import { declarePattern } from '../script/patterns';
import type { Scope } from '../script/scope';
import {
  addNode,
  addSymbol,
  inArm,
  isModuleLevel,
  place,
  spanOf,
  typeOf,
  use,
  usesOf,
  type Ctx,
} from '../script/unit';
import { readAttributes } from './attributes';
import { parseCode, parsePattern } from '../script/code';
import { bindCode } from './code';
import { camel, pascal, slotPort } from './names';
import type { VueUnit } from './unit';

type Root = NonNullable<SFCTemplateBlock['ast']>;
export type TemplateNode = Root['children'][number];
export type Element = Extract<TemplateNode, { type: 1 }>;
export type Prop = Element['props'][number];
export type Directive = Extract<Prop, { type: 7 }>;

/** Where the reader stands in a template. */
export interface At {
  scope: Scope;
  ctx: Ctx;
  /** The render node around. */
  parent: number;
}

/** Built-in tags that draw what is in them. */
const GROUPS = new Set(['Transition', 'TransitionGroup', 'KeepAlive', 'Suspense', 'BaseTransition']);

export const codeOf = (
  exp: { content: string; loc: { start: { offset: number }; end: { offset: number } } },
  text: string,
) => ({
  text: text.slice(exp.loc.start.offset, exp.loc.end.offset),
  offset: exp.loc.start.offset,
});

/** A directive's expression, bound and ready to be read. */
export function expressionOf(u: VueUnit, directive: Directive, scope: Scope): t.Expression | undefined {
  if (!directive.exp) return undefined;
  const node = parseCode(codeOf(directive.exp as never, u.file.text));
  if (node) bindCode(u, node, scope);
  return node;
}

export const directive = (element: Element, name: string): Directive | undefined =>
  element.props.find((one): one is Directive => one.type === 7 && one.name === name);

/** Reads the nodes of a template under a render node. */
export function readNodes(u: VueUnit, nodes: TemplateNode[], at: At): void {
  let tests: t.Node[] = [];
  for (const node of nodes) {
    if (node.type === 3 || (node.type === 2 && !node.content.trim())) continue;
    if (node.type === 5) {
      readText(u, node as never, at);
      tests = [];
      continue;
    }
    if (node.type !== 1) {
      tests = [];
      continue;
    }
    const element = node as Element;
    const chained = directive(element, 'else-if') ?? directive(element, 'else');
    if (!chained) tests = [];
    readConditional(u, element, at, tests);
  }
}

/** `{{ wind }}`; a filter of older versions is no operator. */
function readText(u: VueUnit, node: { content: { content: string; loc: never } }, at: At): void {
  const code = codeOf(node.content, u.file.text);
  let parsed: t.Node | undefined = parseCode(code);
  while (
    parsed?.type === 'BinaryExpression' &&
    parsed.operator === '|' &&
    /^(Identifier|CallExpression)$/.test(parsed.right.type)
  )
    parsed = parsed.left;
  if (!parsed) return;
  bindCode(u, parsed, at.scope);
  const ctx: Ctx = { ...at.ctx, where: 'text' };
  use(u, u.expr(parsed, ctx), ctx, 'text');
}

/** `v-if`, `v-else-if`, `v-else`; `tests` are those of the chain before. */
function readConditional(u: VueUnit, element: Element, at: At, tests: t.Node[]): void {
  const own = directive(element, 'if') ?? directive(element, 'else-if');
  const isLoop = directive(element, 'for') !== undefined;
  let { ctx } = at;
  for (const test of tests) ctx = inArm(u, ctx, test, false);
  // Beside a loop, the condition may use what the loop names, in older versions.
  const read = (inner: At): At => {
    const test = own && expressionOf(u, own, inner.scope);
    if (!test) return inner;
    const condition: Ctx = { ...inner.ctx, where: 'condition' };
    use(u, u.expr(test, condition), condition, 'condition');
    tests.push(test);
    return { ...inner, ctx: inArm(u, inner.ctx, test, true) };
  };
  if (isLoop) readLoop(u, element, { ...at, ctx }, read);
  else readElement(u, element, read({ ...at, ctx }));
}

function readLoop(u: VueUnit, element: Element, at: At, condition: (at: At) => At): void {
  const loop = directive(element, 'for')!;
  const parts = loop.forParseResult;
  const source = parts && parseCode(codeOf(parts.source as never, u.file.text));
  if (!source) {
    u.openScope = true;
    readElement(u, element, condition(at));
    return;
  }
  bindCode(u, source, at.scope);
  const list = use(u, u.expr(source, at.ctx), at.ctx);
  const inner: Ctx = { ...at.ctx, each: spanOf(source) };
  const patterns = [parts.value, parts.key, parts.index].map((one) =>
    one ? parsePattern(codeOf(one as never, u.file.text)) : [],
  );
  const scope = u.scopes.within(at.scope, patterns.flat());
  patterns.forEach((nodes, i) => {
    for (const pattern of nodes) {
      const from: ExprFact = {
        kind: 'computed',
        uses: i === 0 ? usesOf(list) : [],
        start: list.start,
        end: list.end,
      };
      const elem = { t: 'elem' as const, of: typeOf(u, source) };
      declarePattern(u, pattern, from, inner, {
        kind: i === 0 ? 'loop' : 'param',
        ...(i === 0 ? { type: elem } : {}),
      });
    }
  });
  readElement(u, element, condition({ ...at, scope, ctx: inner }));
}

const spanAt = (element: Element): Span => ({ start: element.loc.start.offset, end: element.loc.end.offset });

const tagSpan = (element: Element): Span => {
  const start = element.loc.start.offset + 1;
  return { start, end: start + element.tag.length };
};

function readElement(u: VueUnit, element: Element, at: At): void {
  if (directive(element, 'pre')) return;
  if (element.tag === 'slot') {
    readOutlet(u, element, at);
    return;
  }
  const fill = directive(element, 'slot') ?? slotAttribute(element);
  const owner = at.parent >= 0 ? u.facts.render[at.parent]! : undefined;
  if (element.tag === 'template' && fill && owner?.kind === 'site') {
    readFilled(u, element, fill, at);
    return;
  }
  const index = addTag(u, element, at);
  const fact = u.facts.render[index]!;
  readAttributes(u, element, index, at);
  place(u, [index], at.parent);
  // `<p slot="x">` of older versions fills a slot of the component around it.
  if (fill && fill.type === 6 && owner?.kind === 'site')
    fillSlot(u, at.parent, index, fill.value?.content ?? 'default', spanOf2(fill), undefined);
  let inner: At = { ...at, parent: index };
  if (fact.kind === 'site') inner = readDefault(u, element, index, inner);
  readNodes(u, element.children, inner);
}

const spanOf2 = (one: Prop): Span => ({ start: one.loc.start.offset, end: one.loc.end.offset });

const slotAttribute = (element: Element): Extract<Prop, { type: 6 }> | undefined =>
  element.props.find((one): one is Extract<Prop, { type: 6 }> => one.type === 6 && one.name === 'slot');

/** Adds the node of a tag: an element, a component, or a group that draws nothing of its own. */
function addTag(u: VueUnit, element: Element, at: At): number {
  const name = pascal(element.tag);
  const span = tagSpan(element);
  const portal = name === 'Teleport';
  if (element.tag === 'template' || GROUPS.has(name) || portal) {
    if (portal) notePortal(u, element);
    return addNode(u, { kind: 'group', ...spanAt(element) }, at.ctx);
  }
  const tag: TagFact = { name: element.tag, ...span };
  const isComponent = element.tagType === 1 || isBound(u, element.tag, at.scope);
  if (element.tag === 'component') {
    const is = element.props.find((one) => one.type === 6 && one.name === 'is');
    if (is?.type === 6 && is.value) {
      tag.name = is.value.content;
      resolveTag(u, tag, at.scope);
      return addNode(u, { kind: 'site', tag, ...spanAt(element) }, at.ctx);
    }
    // Which component it is, nobody knows before it runs.
    tag.name = '';
    u.dynamicTags = true;
    return addNode(u, { kind: 'site', tag, ...spanAt(element) }, at.ctx);
  }
  if (!isComponent) return addNode(u, { kind: 'element', tag, ...spanAt(element) }, at.ctx);
  resolveTag(u, tag, at.scope);
  return addNode(u, { kind: 'site', tag, ...spanAt(element) }, at.ctx);
}

/** Names under which a tag may have been declared. */
const spellings = (tag: string): string[] => [...new Set([tag, camel(tag), pascal(tag)])];

function isBound(u: VueUnit, tag: string, scope: Scope): boolean {
  if (spellings(tag).some((name) => u.registered.has(name))) return true;
  // A plain element keeps its meaning unless a component is written like one.
  return /^[A-Z]/.test(tag) && bindingOf(tag, scope) !== undefined;
}

export function bindingOf(name: string, scope: Scope) {
  for (let at: Scope | undefined = scope; at; at = at.parent) {
    const found = at.names.get(name);
    if (found) return found;
  }
  return undefined;
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
  const to = element.props.find((one) => one.type === 6 && one.name === 'to');
  const id = to?.type === 6 ? /^#([\w-]+)$/.exec(to.value?.content ?? '')?.[1] : undefined;
  if (to && id !== undefined) (u.facts.portals ??= []).push({ id, ...spanOf2(to) });
}

/** `<slot name="x" :wind="wind">fallback</slot>` */
function readOutlet(u: VueUnit, element: Element, at: At): void {
  const span = tagSpan(element);
  const static_ = element.props.find((one) => one.type === 6 && one.name === 'name');
  const dynamic = element.props.some(
    (one) => one.type === 7 && one.name === 'bind' && (!one.arg || nameOf(one) === 'name'),
  );
  const name = static_?.type === 6 ? (static_.value?.content ?? 'default') : 'default';
  const hasFallback = element.children.some(
    (child) => child.type !== 3 && !(child.type === 2 && !child.content.trim()),
  );
  const named = static_ ? spanOf2(static_) : span;
  const index = addNode(
    u,
    { kind: 'outlet', ...(hasFallback ? { fallback: true } : {}), ...spanAt(element) },
    at.ctx,
  );
  const fact = u.facts.render[index]!;
  readAttributes(u, element, index, at);
  const given = fact.attributes.filter((one) => one.name !== 'name');
  fact.attributes = [];
  place(u, [index], at.parent);
  if (dynamic && !static_) u.facts.openSlots = true;
  else {
    const port = slotPort(name);
    const symbol = slotSymbol(u, port, named);
    fact.outlet = port;
    fact.outletSymbol = symbol;
    raiseOutlet(u, symbol, port, given, named, at.ctx);
    if (owner(u, at.parent)?.kind === 'site') noteNested(u, at.parent);
  }
  readNodes(u, element.children, { ...at, parent: index });
}

const owner = (u: VueUnit, parent: number): RenderFact | undefined =>
  parent >= 0 ? u.facts.render[parent] : undefined;

function noteNested(u: VueUnit, parent: number): void {
  u.facts.render[parent]!.nested = true;
}

export const nameOf = (one: Directive): string | undefined =>
  one.arg && 'isStatic' in one.arg && one.arg.isStatic ? one.arg.content : undefined;

function slotSymbol(u: VueUnit, port: string, at: Span): number {
  const known = u.props.get(port);
  if (known !== undefined) return known;
  const symbol = addSymbol(u, { name: port.slice(1), kind: 'prop', port, ...at });
  u.props.set(port, symbol);
  const fact = u.facts.ports.find((one) => one.name === port);
  if (!fact) u.facts.ports.push({ name: port, channel: 'slot', declared: 'outlet', ...at });
  return symbol;
}

/** An outlet hands what it binds to the content, as a call hands its argument. */
function raiseOutlet(
  u: VueUnit,
  symbol: number,
  port: string,
  given: AttributeFact[],
  at: Span,
  ctx: Ctx,
): void {
  const open = given.some((one) => one.mode === 'spread');
  const members = given
    .filter((one) => one.mode === 'value')
    .map((one) => ({ name: one.name, value: one.value, start: one.nameStart, end: one.nameEnd }));
  for (const one of members) if (one.value.kind === 'identity') use(u, one.value, ctx, 'argument');
  u.facts.emits.push({
    symbol,
    event: port,
    args: [{ kind: 'object', members, ...(open ? { open } : {}), ...at }],
    fn: ctx.fn,
    guarded: true,
    how: 'called',
    ...at,
  });
}

/** `<template #footer="{ total }">` inside a component. */
function readFilled(
  u: VueUnit,
  element: Element,
  fill: Directive | Extract<Prop, { type: 6 }>,
  at: At,
): void {
  const group = addNode(u, { kind: 'group', ...spanAt(element) }, at.ctx);
  const name = fill.type === 6 ? (fill.value?.content ?? 'default') : fill.arg ? nameOf(fill) : 'default';
  const params = fill.type === 7 && fill.exp ? parsePattern(codeOf(fill.exp as never, u.file.text)) : [];
  const scope = params.length ? u.scopes.within(at.scope, params) : at.scope;
  const fn = contentFunction(u, params, spanAt(element), at.ctx);
  const nameSpan =
    fill.type === 7 && fill.arg
      ? { start: fill.arg.loc.start.offset, end: fill.arg.loc.end.offset }
      : spanOf2(fill);
  if (name === undefined) {
    place(u, [group], at.parent);
    // Any slot may be the one.
    u.facts.render[at.parent]!.attributes.push({
      name: '...',
      nameStart: nameSpan.start,
      nameEnd: nameSpan.end,
      mode: 'spread',
      value: { kind: 'computed', ...nameSpan },
      ...nameSpan,
    });
  } else fillSlot(u, at.parent, group, name, nameSpan, fn);
  readNodes(u, element.children, { ...at, scope, parent: group });
}

/** Content for a slot: what is handed over, as an attribute of the call site is. */
function fillSlot(
  u: VueUnit,
  parent: number,
  node: number,
  name: string,
  at: Span,
  fn: number | undefined,
): void {
  const port = slotPort(name);
  const site = u.facts.render[parent]!;
  if (name === 'default') {
    site.nested = true;
    if (fn !== undefined) site.only = { kind: 'function', fn, ...at };
    place(u, [node], parent);
    u.facts.render[node]!.parent = parent;
    return;
  }
  u.facts.render[node]!.parent = parent;
  u.facts.render[node]!.slot = port;
  site.attributes.push({
    name: port,
    nameStart: at.start,
    nameEnd: at.end,
    mode: 'value',
    value: {
      kind: fn === undefined ? 'content' : 'function',
      ...(fn === undefined ? {} : { fn }),
      content: [node],
      ...at,
    },
    ...at,
  });
}

/** What is nested in a component without a slot's name is for its default slot, with `v-slot` on its tag. */
function readDefault(u: VueUnit, element: Element, index: number, at: At): At {
  const loose = element.children.some((child) => {
    if (child.type === 3 || (child.type === 2 && !child.content.trim())) return false;
    return !(child.type === 1 && (directive(child as Element, 'slot') ?? slotAttribute(child as Element)));
  });
  if (loose) noteNested(u, index);
  const own = directive(element, 'slot');
  if (!own) return at;
  const params = own.exp ? parsePattern(codeOf(own.exp as never, u.file.text)) : [];
  const fn = contentFunction(u, params, tagSpan(element), at.ctx);
  const name = own.arg ? nameOf(own) : 'default';
  const fact = u.facts.render[index]!;
  if (name !== 'default') {
    // All that is nested fills one named slot.
    delete fact.nested;
    const group = addNode(u, { kind: 'group', ...spanAt(element) }, at.ctx);
    fillSlot(u, index, group, name ?? 'default', spanOf2(own), fn);
    at = { ...at, parent: group };
  } else if (fn !== undefined) fact.only = { kind: 'function', fn, ...spanOf2(own) };
  return params.length ? { ...at, scope: u.scopes.within(at.scope, params) } : at;
}
