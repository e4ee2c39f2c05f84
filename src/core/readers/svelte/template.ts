/** Svelte's markup to render nodes. */
import type { AST } from 'svelte/compiler';
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, RenderFact, Span, TagFact } from '../../model/facts';
import { nearest } from '../../model/names';
import { lit, UNKNOWN } from '../../model/types';
import { parseCode, parsePattern, parseStatements } from '../script/code';
import { contentFunction } from '../script/content';
import { SELF } from '../script/file-name';
import { declarePattern } from '../script/patterns';
import type { Scope, Use } from '../script/scope';
import {
  addFunction,
  addNode,
  addSymbol,
  inArm,
  isModuleLevel,
  place,
  spanOf,
  symbolOf,
  typeOf,
  unwrap,
  use,
  usesOf,
  type Ctx,
} from '../script/unit';
import { noteWrite } from '../script/writes';
import { eventPort, slotPort } from './names';
import { eventSymbol, portSymbol, type SvelteUnit } from './unit';

type Node = AST.Fragment['nodes'][number];
type Tag = Extract<Node, { attributes: unknown }>;
type Attribute = Tag['attributes'][number];

/** Where the reader stands in the markup. */
export interface At {
  scope: Scope;
  ctx: Ctx;
  /** The render node around. */
  parent: number;
}

/** Tags of Svelte's own that draw what is in them. */
const GROUPS = new Set(['SvelteFragment', 'SvelteHead', 'SvelteBoundary', 'TitleElement']);

const span = (node: { start: number; end: number }): Span => ({ start: node.start, end: node.end });

/** Code at its place in the file, with its names bound. */
function code(u: SvelteUnit, at: Span, scope: Scope): t.Expression | undefined {
  const node = parseCode({ text: u.file.text.slice(at.start, at.end), offset: at.start });
  if (node) bindCode(u, node, scope);
  return node;
}

export function bindCode(u: SvelteUnit, node: t.Node, scope: Scope): void {
  const left = bindStores(u, u.scopes.bind(node, scope));
  for (const { id } of left) {
    if (id.name.startsWith('$') || id.name in globalThis) continue;
    const known: string[] = [];
    for (let at: Scope | undefined = scope; at; at = at.parent) known.push(...at.names.keys());
    // A page has more names than anybody can list; what looks like one in sight was meant as that.
    if (nearest(id.name, known) === undefined) continue;
    (u.facts.unknownNames ??= []).push({ name: id.name, start: id.start!, end: id.end!, known });
  }
}

/** `$wind` is what the store `wind` holds. Gives back the names that are still unknown. */
export function bindStores(u: SvelteUnit, uses: Use[]): Use[] {
  return uses.filter(({ id, scope }) => {
    if (id.name === '$$props' || id.name === '$$restProps') u.facts.openProps = true;
    const name = /^\$([A-Za-z_]\w*)$/.exec(id.name)?.[1];
    if (name === undefined) return true;
    for (let at: Scope | undefined = scope; at; at = at.parent) {
      const binding = at.names.get(name);
      if (!binding) continue;
      id.binding = binding;
      binding.uses.push({ id, scope, role: 'value' });
      return false;
    }
    return true;
  });
}

const pattern = (u: SvelteUnit, at: Span): t.Node[] =>
  parsePattern({ text: u.file.text.slice(at.start, at.end), offset: at.start });

/** Reads the nodes of a fragment under a render node. */
export function readNodes(u: SvelteUnit, nodes: Node[], at: At): void {
  let { scope } = at;
  // What a block declares is known in all of it.
  for (const node of nodes) {
    if (node.type === 'SnippetBlock') scope = declareSnippet(u, node, { ...at, scope });
    else if (node.type === 'ConstTag') scope = readConst(u, node, { ...at, scope });
  }
  for (const node of nodes) readNode(u, node, { ...at, scope });
}

function readConst(u: SvelteUnit, node: AST.ConstTag, at: At): Scope {
  const { declaration } = node as unknown as { declaration: Span };
  const [statement] =
    parseStatements({
      text: u.file.text.slice(declaration.start, declaration.end),
      offset: declaration.start,
    }) ?? [];
  if (statement?.type !== 'VariableDeclaration') return at.scope;
  const scope = u.scopes.within(
    at.scope,
    statement.declarations.map((one) => one.id),
  );
  for (const one of statement.declarations) if (one.init) bindCode(u, one.init, scope);
  u.statements([statement], at.ctx);
  return scope;
}

/** A piece of content with a name, used as a value or drawn by `{@render}`. */
function declareSnippet(u: SvelteUnit, node: AST.SnippetBlock, at: At): Scope {
  const owner = at.parent >= 0 ? u.facts.render[at.parent] : undefined;
  // Inside a component it is handed over, and read with the component's content.
  if (owner?.kind === 'site') return at.scope;
  const id = {
    type: 'Identifier',
    ...span(node.expression as unknown as Span),
    name: node.expression.name,
  } as t.Identifier;
  const scope = u.scopes.within(at.scope, [id]);
  const symbol = addSymbol(u, { name: id.name, kind: 'derived', ...spanOf(id) }, id.binding);
  const group = addNode(u, { kind: 'group', ...span(node) }, at.ctx);
  u.facts.render[group]!.parent = at.parent;
  u.facts.render[group]!.loose = true;
  u.facts.symbols[symbol]!.init = { kind: 'content', content: [group], ...span(node) };
  readContent(u, node, { ...at, scope, parent: group });
  return scope;
}

/** The body of a snippet, with its parameters; gives back the function that they stand for. */
function readContent(u: SvelteUnit, node: AST.SnippetBlock, at: At): number | undefined {
  const params = node.parameters.flatMap((one) => pattern(u, one as unknown as Span));
  const scope = params.length ? u.scopes.within(at.scope, params) : at.scope;
  const fn = contentFunction(u, params, span(node), at.ctx);
  readNodes(u, node.body.nodes, { ...at, scope });
  return fn;
}

function readNode(u: SvelteUnit, node: Node, at: At): void {
  switch (node.type) {
    case 'Text':
    case 'Comment':
    case 'ConstTag':
    case 'DebugTag':
      return;
    case 'SnippetBlock':
      if (at.parent >= 0 && u.facts.render[at.parent]!.kind === 'site') handSnippet(u, node, at);
      return;
    case 'ExpressionTag':
    case 'HtmlTag': {
      const ctx: Ctx = { ...at.ctx, where: 'text' };
      const found = code(u, node.expression as unknown as Span, at.scope);
      if (found) use(u, u.expr(found, ctx), ctx, 'text');
      return;
    }
    case 'RenderTag':
      readRender(u, node, at);
      return;
    case 'IfBlock':
      readIf(u, node, at);
      return;
    case 'EachBlock':
      readEach(u, node, at);
      return;
    case 'AwaitBlock':
      readAwait(u, node, at);
      return;
    case 'KeyBlock': {
      const found = code(u, node.expression as unknown as Span, at.scope);
      if (found) use(u, u.expr(found, at.ctx), at.ctx, 'condition');
      readNodes(u, node.fragment.nodes, at);
      return;
    }
    default:
      if ('attributes' in node) readTag(u, node as Tag, at);
  }
}

function readIf(u: SvelteUnit, node: AST.IfBlock, at: At): void {
  const test = code(u, node.test as unknown as Span, at.scope);
  const condition: Ctx = { ...at.ctx, where: 'condition' };
  if (test) use(u, u.expr(test, condition), condition, 'condition');
  // Which slots are filled does not change while the component lives.
  const fixed = test && /\$\$slots/.test(u.file.text.slice(test.start!, test.end!));
  if (fixed) {
    readNodes(u, node.consequent.nodes, at);
    if (node.alternate) readNodes(u, node.alternate.nodes, at);
    return;
  }
  readNodes(u, node.consequent.nodes, test ? { ...at, ctx: inArm(u, at.ctx, test, true) } : at);
  if (node.alternate)
    readNodes(u, node.alternate.nodes, test ? { ...at, ctx: inArm(u, at.ctx, test, false) } : at);
}

function readEach(u: SvelteUnit, node: AST.EachBlock, at: At): void {
  const source = code(u, node.expression as unknown as Span, at.scope);
  if (node.fallback) readNodes(u, node.fallback.nodes, at);
  if (!source) return;
  const list = use(u, u.expr(source, at.ctx), at.ctx);
  const inner: Ctx = { ...at.ctx, each: spanOf(source) };
  const items = node.context ? pattern(u, node.context as unknown as Span) : [];
  const index = node.index
    ? [{ type: 'Identifier', name: node.index, ...spanOf(source) } as t.Identifier]
    : [];
  const scope = u.scopes.within(at.scope, [...items, ...index]);
  for (const item of items) {
    const from: ExprFact = { kind: 'computed', uses: usesOf(list), start: list.start, end: list.end };
    declarePattern(u, item, from, inner, { kind: 'loop', type: { t: 'elem', of: typeOf(u, source) } });
  }
  for (const one of index)
    declarePattern(u, one, { kind: 'computed', ...spanOf(one) }, inner, { kind: 'param' });
  if (node.key) {
    const key = code(u, node.key as unknown as Span, scope);
    if (key) use(u, u.expr(key, inner), inner);
  }
  readNodes(u, node.body.nodes, { ...at, scope, ctx: inner });
}

function readAwait(u: SvelteUnit, node: AST.AwaitBlock, at: At): void {
  const source = code(u, node.expression as unknown as Span, at.scope);
  const value = source && use(u, u.expr(source, at.ctx), at.ctx);
  const part = (fragment: AST.Fragment | null, name: unknown) => {
    if (!fragment) return;
    const names = name ? pattern(u, name as Span) : [];
    const scope = names.length ? u.scopes.within(at.scope, names) : at.scope;
    for (const one of names) {
      const from: ExprFact = { kind: 'computed', uses: value ? usesOf(value) : [], ...spanOf(one) };
      declarePattern(u, one, from, at.ctx, { kind: 'derived' });
    }
    const ctx = source ? { ...at.ctx, when: spanOf(source) } : at.ctx;
    readNodes(u, fragment.nodes, { ...at, scope, ctx });
  };
  part(node.pending, undefined);
  part(node.then, node.value);
  part(node.catch, node.error);
}

/** `{@render children?.(x)}`: an outlet, if what is drawn was handed in. */
function readRender(u: SvelteUnit, node: AST.RenderTag, at: At): void {
  const call = code(u, node.expression as unknown as Span, at.scope);
  if (!call) return;
  const ctx: Ctx = { ...at.ctx, where: 'text' };
  const value = u.expr(call, ctx);
  const symbol = value.kind === 'call' ? value.symbol : undefined;
  const candidates = symbol === undefined ? (value.uses ?? []) : [symbol];
  for (const one of candidates) {
    const fact = u.facts.symbols[one]!;
    if (fact.kind !== 'prop') continue;
    const fallback = call.type === 'LogicalExpression' || call.type === 'ConditionalExpression';
    const index = addNode(
      u,
      {
        kind: 'outlet',
        outlet: fact.port!,
        outletSymbol: one,
        ...(fallback ? { fallback } : {}),
        ...span(node),
      },
      at.ctx,
    );
    u.facts.render[index]!.parent = at.parent;
    noteNested(u, at.parent);
  }
}

const tagSpan = (node: Tag, name: string): Span => ({
  start: node.start + 1,
  end: node.start + 1 + name.length,
});

function readTag(u: SvelteUnit, node: Tag, at: At): void {
  if (node.type === 'SlotElement') {
    readOutlet(u, node, at);
    return;
  }
  const index = addTag(u, node, at);
  const fact = u.facts.render[index]!;
  const inner = readAttributes(u, node, index, at);
  const slot = textOf(node.attributes.find((one) => one.type === 'Attribute' && one.name === 'slot'));
  const owner = at.parent >= 0 ? u.facts.render[at.parent] : undefined;
  if (slot !== undefined && owner?.kind === 'site')
    fillSlot(u, at.parent, index, slot, span(node), undefined);
  else place(u, [index], at.parent);
  if (fact.kind === 'site' && node.fragment.nodes.some((one) => isShown(one))) fact.nested = true;
  readNodes(u, node.fragment.nodes, { ...at, scope: inner, parent: index });
}

/** What is nested for the unnamed content, not for a name. */
function isShown(node: Node): boolean {
  if (node.type === 'Text') return node.data.trim() !== '';
  if (node.type === 'Comment' || node.type === 'SnippetBlock' || node.type === 'ConstTag') return false;
  return !(
    'attributes' in node && node.attributes.some((one) => one.type === 'Attribute' && one.name === 'slot')
  );
}

function textOf(attribute: Attribute | undefined): string | undefined {
  if (attribute?.type !== 'Attribute' || !Array.isArray(attribute.value)) return undefined;
  const [only] = attribute.value;
  return attribute.value.length === 1 && only?.type === 'Text' ? only.data : undefined;
}

function addTag(u: SvelteUnit, node: Tag, at: At): number {
  const tag: TagFact = { name: node.name, ...tagSpan(node, node.name) };
  if (GROUPS.has(node.type)) return addNode(u, { kind: 'group', ...span(node) }, at.ctx);
  if (node.type === 'SvelteSelf') {
    return addNode(u, { kind: 'site', tag: { ...tag, name: SELF }, ...span(node) }, at.ctx);
  }
  if (node.type === 'SvelteComponent') {
    const found = code(u, node.expression as unknown as Span, at.scope);
    if (found) use(u, u.expr(found, at.ctx), at.ctx);
    return addNode(u, { kind: 'site', tag: { ...tag, name: '' }, ...span(node) }, at.ctx);
  }
  if (node.type === 'SvelteElement') {
    const found = typeof node.tag === 'string' ? undefined : code(u, node.tag as unknown as Span, at.scope);
    if (found) use(u, u.expr(found, at.ctx), at.ctx, 'attribute');
  }
  if (node.type !== 'Component') return addNode(u, { kind: 'element', tag, ...span(node) }, at.ctx);
  const [first] = node.name.split('.') as [string];
  let binding;
  for (let scope: Scope | undefined = at.scope; scope && !binding; scope = scope.parent)
    binding = scope.names.get(first);
  if (!binding) tag.unbound = true;
  else {
    binding.uses.push({
      id: { type: 'JSXIdentifier', name: first } as t.JSXIdentifier,
      scope: at.scope,
      role: 'tag',
    });
    const symbol = u.refs.get(binding);
    if (!isModuleLevel(binding)) {
      if (symbol === undefined) tag.name = '';
      else {
        tag.symbol = symbol;
        u.facts.reads.push({ symbol, where: at.ctx.where, fn: at.ctx.fn, start: tag.start, end: tag.end });
      }
    }
  }
  return addNode(u, { kind: 'site', tag, ...span(node) }, at.ctx);
}

/** `<slot name="x" wind={wind}>fallback</slot>` */
function readOutlet(u: SvelteUnit, node: Extract<Tag, { type: 'SlotElement' }>, at: At): void {
  const named = node.attributes.find((one) => one.type === 'Attribute' && one.name === 'name');
  const port = slotPort(textOf(named) ?? 'default');
  const where = named ? span(named) : tagSpan(node, 'slot');
  const fallback = node.fragment.nodes.some((one) => one.type !== 'Text' || one.data.trim());
  const symbol = portSymbol(u, port, 'slot', where);
  const index = addNode(
    u,
    { kind: 'outlet', outlet: port, outletSymbol: symbol, ...(fallback ? { fallback } : {}), ...span(node) },
    at.ctx,
  );
  readAttributes(u, node, index, at);
  const fact = u.facts.render[index]!;
  const given = fact.attributes.filter((one) => one.name !== 'name' && one.name !== 'slot');
  fact.attributes = [];
  for (const one of given) if (one.value.kind === 'identity') use(u, one.value, at.ctx, 'argument');
  u.facts.emits.push({
    symbol,
    event: port,
    args: [
      {
        kind: 'object',
        members: given
          .filter((one) => one.mode === 'value')
          .map((one) => ({ name: one.name, value: one.value, start: one.nameStart, end: one.nameEnd })),
        ...(given.some((one) => one.mode === 'spread') ? { open: true } : {}),
        ...where,
      },
    ],
    fn: at.ctx.fn,
    guarded: true,
    how: 'called',
    ...where,
  });
  const slot = textOf(node.attributes.find((one) => one.type === 'Attribute' && one.name === 'slot'));
  const owner = at.parent >= 0 ? u.facts.render[at.parent] : undefined;
  if (slot !== undefined && owner?.kind === 'site')
    fillSlot(u, at.parent, index, slot, span(node), undefined);
  else {
    place(u, [index], at.parent);
    noteNested(u, at.parent);
  }
  readNodes(u, node.fragment.nodes, { ...at, parent: index });
}

function noteNested(u: SvelteUnit, parent: number): void {
  const owner = parent >= 0 ? u.facts.render[parent]! : undefined;
  if (owner?.kind === 'site') owner.nested = true;
}

/** A snippet inside a component: handed over under its name. */
function handSnippet(u: SvelteUnit, node: AST.SnippetBlock, at: At): void {
  const group = addNode(u, { kind: 'group', ...span(node) }, at.ctx);
  const name = node.expression.name;
  const where = span(node.expression as unknown as Span);
  const fn = readContent(u, node, { ...at, parent: group });
  handOver(u, at.parent, group, name, name, where, fn);
}

function fillSlot(
  u: SvelteUnit,
  parent: number,
  node: number,
  name: string,
  at: Span,
  fn: number | undefined,
): void {
  const site = u.facts.render[parent]!;
  if (name === 'default') {
    site.nested = true;
    u.facts.render[node]!.parent = parent;
    return;
  }
  handOver(u, parent, node, slotPort(name), slotPort(name), at, fn);
}

function handOver(
  u: SvelteUnit,
  parent: number,
  node: number,
  name: string,
  slot: string,
  at: Span,
  fn: number | undefined,
): void {
  const made: RenderFact = u.facts.render[node]!;
  made.parent = parent;
  made.slot = slot;
  u.facts.render[parent]!.attributes.push({
    name,
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

/** What it is given goes no further: an element, or a tag of the framework's own. */
const isPlain = ({ kind }: RenderFact): boolean => kind !== 'site' && kind !== 'outlet';

/** Reads what a tag is given; gives back the scope of what is nested in it. */
function readAttributes(u: SvelteUnit, node: Tag, index: number, at: At): Scope {
  const fact = u.facts.render[index]!;
  const plain = isPlain(fact);
  let { scope } = at;
  for (const one of node.attributes) {
    if (one.type === 'LetDirective') {
      scope = declareLet(u, one, fact, { ...at, scope });
      continue;
    }
    const read = readAttribute(u, one, index, at);
    if (!read) continue;
    if (!plain || read.mode !== 'value' || /^on/.test(read.name)) fact.attributes.push(read);
  }
  return scope;
}

/** `let:item` and `let:item={renamed}` */
function declareLet(u: SvelteUnit, one: AST.LetDirective, fact: RenderFact, at: At): Scope {
  const nameAt = { start: one.start + 4, end: one.start + 4 + one.name.length };
  const written = one.expression as unknown as Span | null;
  const params = written
    ? pattern(u, written)
    : [{ type: 'Identifier', name: one.name, ...nameAt } as t.Identifier];
  const scope = u.scopes.within(at.scope, params);
  for (const param of params)
    declarePattern(u, param, { kind: 'computed', ...spanOf(param) }, at.ctx, { kind: 'param' });
  if (fact.kind === 'site') {
    const fn =
      fact.only?.fn ??
      addFunction(
        u,
        { type: 'ArrowFunctionExpression', ...span(one) } as t.ArrowFunctionExpression,
        at.ctx.fn,
        'derivation',
      );
    const known = u.facts.functions[fn]!;
    known.takes ??= { names: [], rest: false };
    known.takes.names.push({ name: one.name, ...nameAt });
    fact.only = { kind: 'function', fn, ...span(one) };
  }
  return scope;
}

function readAttribute(u: SvelteUnit, one: Attribute, index: number, at: At): AttributeFact | undefined {
  const plain = isPlain(u.facts.render[index]!);
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  switch (one.type) {
    case 'SpreadAttribute': {
      const node = code(u, one.expression as unknown as Span, at.scope);
      const value: ExprFact = node ? u.expr(node, ctx) : { kind: 'computed', ...span(one) };
      if (value.kind === 'identity' && !/^(bag|rest)$/.test(u.facts.symbols[value.symbol!]!.kind))
        use(u, value, ctx);
      return attribute('...', span(one), 'spread', value, span(one));
    }
    case 'Attribute':
      return readValue(u, one, plain, at);
    case 'StyleDirective':
      if (one.value === true) mention(u, one.name, at.scope, ctx, span(one));
      else for (const part of [one.value].flat()) if (part.type === 'ExpressionTag') readNode(u, part, at);
      return undefined;
    case 'OnDirective':
      return readListener(u, one, at);
    case 'BindDirective':
      return readBind(u, one, plain, at);
    default: {
      const { expression } = one as { expression?: unknown };
      const node = expression ? code(u, expression as Span, at.scope) : undefined;
      // What a directive of the app's own is given, it may keep.
      const given: Ctx = { ...ctx, where: one.type === 'ClassDirective' ? 'attribute' : 'argument' };
      if (node) use(u, u.expr(node, given), given);
      // What an action's name, or the short form of a directive, stands for is used, too.
      const { name } = one as { name?: string };
      if (typeof name === 'string' && (one.type === 'UseDirective' || !expression))
        mention(u, name, at.scope, ctx, span(one));
      return undefined;
    }
  }
}

/** A name that a directive uses without an expression. */
function mention(u: SvelteUnit, name: string, scope: Scope, ctx: Ctx, at: Span): void {
  const id = { type: 'Identifier', name: name.split('.')[0]!, ...at } as t.Identifier;
  u.scopes.bind(id, scope);
  if (id.binding) use(u, u.expr(id, ctx), ctx, 'attribute');
}

const attribute = (
  name: string,
  { start, end }: Span,
  mode: AttributeFact['mode'],
  value: ExprFact,
  all: Span,
): AttributeFact => ({
  name,
  nameStart: start,
  nameEnd: end,
  mode,
  value,
  ...all,
});

function readValue(u: SvelteUnit, one: AST.Attribute, plain: boolean, at: At): AttributeFact | undefined {
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  // `{wind}` stands for `wind={wind}`.
  const short = u.file.text.charAt(one.start) === '{';
  const nameAt = short
    ? { start: one.start + 1, end: one.start + 1 + one.name.length }
    : { start: one.start, end: one.start + one.name.length };
  const make = (value: ExprFact) => attribute(one.name, nameAt, 'value', value, span(one));
  if (one.name === 'slot') return undefined;
  if (one.value === true) return make({ kind: 'literal', type: lit(true), ...span(one) });
  const parts = Array.isArray(one.value) ? one.value : [one.value];
  const [only] = parts;
  if (parts.length === 1 && only?.type === 'Text') {
    if (plain && one.name === 'id') u.scopes.ids.add(only.data);
    return make({ kind: 'literal', type: lit(only.data), start: only.start, end: only.end });
  }
  if (parts.length === 1 && only?.type === 'ExpressionTag') {
    const node = code(u, only.expression as unknown as Span, at.scope);
    if (!node) return make({ kind: 'computed', ...span(one) });
    const value = u.expr(node, ctx);
    value.type ??= typeOf(u, node);
    const event =
      plain && /^on/.test(one.name) && value.kind === 'identity'
        ? u.facts.symbols[value.symbol!]!
        : undefined;
    if (event?.kind === 'prop') {
      u.facts.emits.push({
        symbol: value.symbol!,
        event: event.port!,
        args: [],
        fn: -1,
        guarded: true,
        how: 'listener',
        ...spanOf(node),
      });
    } else if (plain) use(u, value, ctx, 'attribute');
    const fact = make(value);
    const call = unwrap(node);
    if (call.type === 'CallExpression' && call.callee.type === 'Identifier') {
      const symbol = symbolOf(u, call.callee);
      if (symbol !== undefined) {
        const { fn } = u.facts.symbols[symbol]!;
        fact.called = { symbol, ...(fn === undefined ? {} : { fn }) };
      } else if (call.callee.binding && isModuleLevel(call.callee.binding))
        fact.called = { module: call.callee.name };
    }
    return fact;
  }
  const uses: number[] = [];
  for (const part of parts) {
    if (part?.type !== 'ExpressionTag') continue;
    const node = code(u, part.expression as unknown as Span, at.scope);
    if (node) uses.push(...usesOf(use(u, u.expr(node, ctx), ctx, 'attribute')));
  }
  return make({ kind: 'computed', type: { t: 'prim', n: 'string' }, uses, ...span(one) });
}

/** `on:hold={go}`; without a value the event is handed up. */
function readListener(u: SvelteUnit, one: AST.OnDirective, at: At): AttributeFact {
  const nameAt = { start: one.start + 3, end: one.start + 3 + one.name.length };
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  if (!one.expression) {
    const symbol = eventSymbol(u, one.name, nameAt);
    const value: ExprFact = { kind: 'identity', symbol, ...nameAt };
    return attribute(eventPort(one.name), nameAt, 'listen', value, span(one));
  }
  const node = code(u, one.expression as unknown as Span, at.scope);
  const value: ExprFact = node ? u.expr(node, ctx) : { kind: 'computed', ...span(one) };
  if (node) value.type ??= typeOf(u, node);
  if (value.kind === 'identity') use(u, value, ctx, 'attribute');
  return attribute(eventPort(one.name), nameAt, 'listen', value, span(one));
}

/** `bind:value={x}`, `bind:value`, `bind:this={handle}` */
function readBind(u: SvelteUnit, one: AST.BindDirective, plain: boolean, at: At): AttributeFact | undefined {
  const nameAt = { start: one.start + 5, end: one.start + 5 + one.name.length };
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const node = code(u, one.expression as unknown as Span, at.scope);
  if (!node) return undefined;
  if (one.name === 'this') {
    const bare = unwrap(node);
    const symbol = bare.type === 'Identifier' ? symbolOf(u, bare) : undefined;
    if (symbol !== undefined && u.facts.symbols[symbol]!.kind === 'prop') {
      // A handle that the owner is given, by binding the prop.
      u.facts.writes.push({ symbol, where: 'handler', fn: -1, ...span(one) });
    }
    const value: ExprFact =
      symbol === undefined
        ? { kind: 'computed', ...spanOf(node) }
        : { kind: 'identity', symbol, ...spanOf(node) };
    return attribute('this', nameAt, 'ref', value, span(one));
  }
  // A getter and a setter, instead of a name.
  if (node.type === 'SequenceExpression') {
    use(u, u.expr(node, ctx), ctx);
    return plain
      ? undefined
      : attribute(
          one.name,
          nameAt,
          'two-way',
          { kind: 'computed', ...spanOf(node), type: UNKNOWN },
          span(one),
        );
  }
  const value = u.expr(node, ctx);
  value.type ??= typeOf(u, node);
  if (plain) use(u, value, ctx, 'attribute');
  const fn = addFunction(u, { ...unwrap(node), ...span(one) } as t.Node, at.ctx.fn, 'handler');
  noteWrite(u, node, { kind: 'computed', ...spanOf(node) }, { ...node, ...span(one) } as t.Node, {
    ...at.ctx,
    where: 'handler',
    fn,
  });
  return plain ? undefined : attribute(one.name, nameAt, 'two-way', value, span(one));
}
