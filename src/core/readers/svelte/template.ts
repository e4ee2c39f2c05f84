/** Svelte's markup to render nodes. */
import type { AST } from 'svelte/compiler';
import type * as t from '@babel/types';
import type { ExprFact, Span } from '../../model/facts';
import { contentFunction } from '../script/content';
import { declarePattern, noteLoop, notePromised } from '../script/patterns';
import { type Binding, bindingOf, type Scope } from '../script/scope';
import { type At, handOver, noteNested, siteAround } from '../script/slots';
import {
  meaningOf,
  type Call,
  noteGiven,
  addNode,
  addSymbol,
  type Ctx,
  inBranch,
  spanOf,
  typeOf,
  use,
  usesOf,
  entryOf,
} from '../script/unit';
import { patternNames } from '../script/walk';
import { code, type MarkupNode, pattern, span, statementsAt, type Tag } from './ast';
import { bindCode } from './code';
import { readTag } from './tags';
import type { SvelteUnit } from './unit';

/** Reads the nodes of a fragment under a render node. */
export function readNodes(u: SvelteUnit, nodes: MarkupNode[], at: At): void {
  let { scope } = at;
  // What a block declares is known in all of it, also in what is declared before.
  const snippets: { node: AST.SnippetBlock; group: number }[] = [];
  for (const node of nodes) {
    if (node.type !== 'SnippetBlock') continue;
    const declared = declareSnippet(u, node, { ...at, scope });
    scope = declared.scope;
    if (declared.group !== undefined) snippets.push({ node, group: declared.group });
  }
  for (const node of nodes) if (node.type === 'ConstTag') scope = readConst(u, node, { ...at, scope });
  for (const { node, group } of snippets) {
    const fn = readContent(u, node, { ...at, scope, parent: group });
    if (fn !== undefined) u.drawnBy.set(group, fn);
  }
  for (const node of nodes) readNode(u, node, { ...at, scope });
}

function readConst(u: SvelteUnit, node: AST.ConstTag, at: At): Scope {
  const [statement] = statementsAt(u, node.declaration);
  if (statement?.type !== 'VariableDeclaration') return at.scope;
  const scope = u.scopes.within(
    at.scope,
    statement.declarations.map((one) => one.id),
  );
  for (const one of statement.declarations) {
    if (one.init) bindCode(u, one.init, scope);
    for (const { binding } of patternNames(one.id)) if (binding) (binding as Binding).node = one;
  }
  u.statements([statement], at.ctx);
  return scope;
}

/** A piece of content with a name, used as a value or drawn by `{@render}`; gives back the node that holds it. */
function declareSnippet(u: SvelteUnit, node: AST.SnippetBlock, at: At): { scope: Scope; group?: number } {
  const nested = siteAround(u, at.parent) !== undefined;
  // A component's content that bears the name of a prop hands that on: inside it, the name still means the prop.
  if (nested && bindingOf(node.expression.name, at.scope)) return { scope: at.scope };
  const id = {
    type: 'Identifier',
    ...span(node.expression as unknown as Span),
    name: node.expression.name,
  } as t.Identifier;
  const scope = u.scopes.within(at.scope, [id]);
  const symbol = addSymbol(u, { name: id.name, kind: 'derived', ...spanOf(id) }, id.binding);
  // Inside a component it is handed over, and read with the component's content.
  if (nested) return { scope };
  const group = addNode(u, { kind: 'group', ...span(node) }, at.ctx);
  u.facts.render[group]!.parent = at.parent;
  u.facts.render[group]!.loose = true;
  u.facts.symbols[symbol]!.init = { kind: 'content', content: [group], ...span(node) };
  return { scope, group };
}

/** The body of a snippet, with its parameters; gives back the function that they stand for. */
function readContent(u: SvelteUnit, node: AST.SnippetBlock, at: At): number | undefined {
  const params = node.parameters.flatMap((one) => pattern(u, one));
  const scope = params.length ? u.scopes.within(at.scope, params) : at.scope;
  const fn = contentFunction(u, params, span(node), at.ctx);
  readNodes(u, node.body.nodes, { ...at, scope });
  return fn;
}

function readNode(u: SvelteUnit, node: MarkupNode, at: At): void {
  switch (node.type) {
    case 'Text':
    case 'Comment':
    case 'ConstTag':
    case 'DebugTag':
      return;
    case 'SnippetBlock':
      if (siteAround(u, at.parent)) handSnippet(u, node, at);
      return;
    case 'ExpressionTag':
    case 'HtmlTag': {
      const ctx: Ctx = { ...at.ctx, where: 'text' };
      const found = code(u, node.expression, at.scope);
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
      const found = code(u, node.expression, at.scope);
      if (found) use(u, u.expr(found, at.ctx), at.ctx, 'condition');
      readNodes(u, node.fragment.nodes, at);
      return;
    }
    default:
      if ('attributes' in node) readNodes(u, node.fragment.nodes, readTag(u, node as Tag, at));
  }
}

function readIf(u: SvelteUnit, node: AST.IfBlock, at: At): void {
  const test = code(u, node.test, at.scope);
  const condition: Ctx = { ...at.ctx, where: 'condition' };
  if (test) use(u, u.expr(test, condition), condition, 'condition');
  // Which slots are filled does not change while the component lives.
  const fixed = test && /\$\$slots/.test(u.file.text.slice(test.start!, test.end!));
  if (fixed) {
    readNodes(u, node.consequent.nodes, at);
    if (node.alternate) readNodes(u, node.alternate.nodes, at);
    return;
  }
  readNodes(u, node.consequent.nodes, test ? { ...at, ctx: inBranch(u, at.ctx, test, true) } : at);
  if (node.alternate)
    readNodes(u, node.alternate.nodes, test ? { ...at, ctx: inBranch(u, at.ctx, test, false) } : at);
}

function readEach(u: SvelteUnit, node: AST.EachBlock, at: At): void {
  const source = code(u, node.expression, at.scope);
  if (node.fallback) readNodes(u, node.fallback.nodes, at);
  if (!source) return;
  const list = use(u, u.expr(source, at.ctx), at.ctx);
  const inner: Ctx = { ...at.ctx, each: spanOf(source) };
  const items = node.context ? pattern(u, node.context) : [];
  const index = node.index
    ? [{ type: 'Identifier', name: node.index, ...spanOf(source) } as t.Identifier]
    : [];
  const scope = u.scopes.within(at.scope, [...items, ...index]);
  for (const item of items) {
    noteLoop(u, item, source);
    declarePattern(u, item, entryOf(list), inner, {
      kind: 'loop',
      type: { t: 'elem', of: typeOf(u, source) },
    });
  }
  for (const one of index)
    declarePattern(u, one, { kind: 'computed', ...spanOf(one) }, inner, { kind: 'param' });
  if (node.key) {
    const key = code(u, node.key, scope);
    if (key) use(u, u.expr(key, inner), inner);
  }
  readNodes(u, node.body.nodes, { ...at, scope, ctx: inner });
}

function readAwait(u: SvelteUnit, node: AST.AwaitBlock, at: At): void {
  const source = code(u, node.expression, at.scope);
  const value = source && use(u, u.expr(source, at.ctx), at.ctx);
  const part = (fragment: AST.Fragment | null, name: unknown) => {
    if (!fragment) return;
    const names = name ? pattern(u, name) : [];
    const scope = names.length ? u.scopes.within(at.scope, names) : at.scope;
    for (const one of names) {
      const from: ExprFact = { kind: 'computed', uses: value ? usesOf(value) : [], ...spanOf(one) };
      declarePattern(u, one, from, at.ctx, { kind: 'derived' });
      if (source && fragment === node.then) notePromised(u, one, source);
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
  const call = code(u, node.expression, at.scope);
  if (!call) return;
  const ctx: Ctx = { ...at.ctx, where: 'text' };
  const value = u.expr(call, ctx);
  const symbol = value.kind === 'call' ? value.symbol : undefined;
  const candidates = symbol === undefined ? (value.uses ?? []) : [symbol];
  for (const one of candidates) {
    const fact = u.facts.symbols[one]!;
    // A snippet of the component's own stands where it is drawn.
    if (fact.init?.kind === 'content') {
      moveSnippet(u, fact.init.content, at.parent);
      for (const group of fact.init.content ?? [])
        if (typeof group === 'number' && isCall(call))
          noteGiven(
            u,
            u.drawnBy.get(group),
            call.arguments.map((one) => meaningOf(u, one, ctx)),
          );
    }
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
    // What is drawn by its name is content, whatever it is called.
    const port = u.facts.ports.find((other) => other.name === fact.port);
    if (port?.channel === 'prop') port.channel = 'slot';
  }
}

const isCall = (node: t.Node): node is Call =>
  node.type === 'CallExpression' || node.type === 'OptionalCallExpression';

function moveSnippet(u: SvelteUnit, content: ExprFact['content'], parent: number): void {
  for (const index of content ?? []) {
    if (typeof index !== 'number') continue;
    noteNested(u, parent);
    // It may be drawn inside of itself.
    for (let at = parent; at >= 0; at = u.facts.render[at]!.parent) if (at === index) return;
    const node = u.facts.render[index]!;
    const before = u.moved.get(index);
    if (before === undefined && node.loose) {
      u.moved.set(index, node.parent);
      node.parent = parent;
      // What is drawn at several places stands at none of them.
    } else if (before !== undefined) node.parent = before;
  }
}

/** A snippet inside a component: handed over under its name. */
function handSnippet(u: SvelteUnit, node: AST.SnippetBlock, at: At): void {
  const group = addNode(u, { kind: 'group', ...span(node) }, at.ctx);
  const fn = readContent(u, node, { ...at, parent: group });
  handOver(u, at.parent, group, node.expression.name, span(node.expression as unknown as Span), fn);
  const binding = bindingOf(node.expression.name, at.scope);
  const isOwn = binding?.node.start === (node.expression as unknown as Span).start;
  if (isOwn) u.handed.push({ binding, attribute: u.facts.render[at.parent]!.attributes.at(-1)! });
}
