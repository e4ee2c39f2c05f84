/** Markup to render nodes. */
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { declarePattern, noteLoop } from '../script/patterns';
import { place } from '../script/placing';
import { type Binding, type Scope } from '../script/scope';
import { type At, noteNested } from '../script/slots';
import { addNode, type Ctx, inBranch, inCase, spanOf, typeOf, use, usesOf, entryOf } from '../script/unit';
import { eachChild, patternNames } from '../script/walk';
import { codeAt, statementsAt } from './code';
import type { BlockNode, MarkupNode } from './markup';
import { name as nameNode } from './nodes';
import { readTag } from './tags';
import type { RazorUnit } from './unit';

/** Reads nodes under a render node; what a statement declares is known to those that follow. */
export function readNodes(u: RazorUnit, nodes: MarkupNode[], at: At): void {
  let { scope } = at;
  for (const node of nodes) scope = readNode(u, node, { ...at, scope });
}

function readNode(u: RazorUnit, node: MarkupNode, at: At): Scope {
  switch (node.type) {
    case 'text':
      noteNested(u, at.parent);
      break;
    case 'code':
      noteNested(u, at.parent);
      readShown(u, node.code, at);
      break;
    case 'block':
      readBlock(u, node, at);
      break;
    case 'statement':
      return readStatements(u, node, at);
    case 'element':
      readTag(u, node, at, readNodes);
      break;
    case 'directive':
  }
  return at.scope;
}

/** `@Title`, and `@Header`, which is an outlet if it is content that was handed in. */
function readShown(u: RazorUnit, span: Span, at: At): void {
  const node = codeAt(u, span, at.scope);
  if (!node) return;
  const ctx: Ctx = { ...at.ctx, where: 'text' };
  const value = use(u, u.expr(node, ctx), ctx, 'text');
  if (value.kind === 'call') {
    place(u, value.content, at.parent);
    return;
  }
  for (const symbol of usesOf(value)) {
    const { kind, port } = u.facts.symbols[symbol]!;
    const declared = u.facts.ports.find((one) => one.name === port);
    const isTaken = kind === 'inherited';
    if (!isTaken && (kind !== 'prop' || declared?.channel !== 'slot')) continue;
    const fallback = node.type === 'LogicalExpression' || node.type === 'ConditionalExpression';
    const index = addNode(
      u,
      {
        kind: 'outlet',
        outlet: port!,
        outletSymbol: symbol,
        ...(isTaken ? { ifSlot: true as const } : {}),
        ...(fallback ? { fallback } : {}),
        ...spanOf(node),
      },
      at.ctx,
    );
    u.facts.render[index]!.parent = at.parent;
  }
}

function readStatements(u: RazorUnit, span: Span, at: At): Scope {
  let { scope } = at;
  for (const one of statementsAt(u, span, scope)) scope = readStatement(u, one, { ...at, scope });
  return scope;
}

/** Gives back the scope of what follows. */
function readStatement(u: RazorUnit, node: t.Statement, at: At): Scope {
  if (node.type !== 'VariableDeclaration') {
    u.scopes.bind(node, at.scope);
    u.statements([node], at.ctx);
    return at.scope;
  }
  const scope = u.scopes.within(
    at.scope,
    node.declarations.map((one) => one.id as t.Identifier),
  );
  for (const one of node.declarations) {
    if (one.init) u.scopes.bind(one.init, scope);
    for (const { binding } of patternNames(one.id)) if (binding) (binding as Binding).node = one;
  }
  u.statements([node], at.ctx);
  return scope;
}

function readBlock(u: RazorUnit, { word, branches }: BlockNode, at: At): void {
  if (word === 'foreach' || word === 'for') {
    const [first] = branches;
    if (first) readLoop(u, word, first, at);
    return;
  }
  if (word === 'switch') {
    for (const one of branches) readCases(u, one, at);
    return;
  }
  let { ctx } = at;
  for (const { head, children } of branches) {
    const test = head && word !== 'using' && word !== 'lock' ? codeAt(u, head, at.scope) : undefined;
    if (!test) {
      const scope = head ? readStatements(u, head, at) : at.scope;
      readNodes(u, children, { ...at, ctx, scope });
      continue;
    }
    const condition: Ctx = { ...ctx, where: 'condition' };
    use(u, u.expr(test, condition), condition, 'condition');
    const scope = withPatterns(u, head!, { ...at, ctx });
    readNodes(u, children, { ...at, scope, ctx: inBranch(u, ctx, test, true) });
    ctx = inBranch(u, ctx, test, false);
  }
}

/** `@switch (x) { case 1: … break; default: … }`: what is drawn stands in the case whose label comes before it. */
function readCases(u: RazorUnit, { head, children }: BlockNode['branches'][number], at: At): void {
  const test = head && codeAt(u, head, at.scope);
  const condition: Ctx = { ...at.ctx, where: 'condition' };
  if (test) use(u, u.expr(test, condition), condition, 'condition');
  let { scope } = at;
  let from = head?.end ?? 0;
  let label: Span | undefined;
  for (const child of children) {
    const found = /\b(?:case\b[^:]*|default\s*):\s*$/.exec(u.file.text.slice(from, child.start));
    if (found) {
      label = { start: from + found.index, end: child.start };
      scope = withPatterns(u, label, at);
    }
    const ctx = label ? inCase(at.ctx, head?.start ?? 0, label.start, label) : at.ctx;
    scope = readNode(u, child, { ...at, scope, ctx });
    from = child.end;
  }
}

/** `x is Gauge gauge`, `TryGet(out var gauge)`: names that a condition declares. */
function withPatterns(u: RazorUnit, { start, end }: Span, at: At): Scope {
  const text = u.file.text.slice(start, end);
  const found =
    /\b(?:is|case)\s+(?:not\s+)?(?:[\w.<>?[\]]+|\{[^{}]*\})\s+([a-z_]\w*)|\bout\s+[\w.<>?]+\s+(\w+)/g;
  const ids = [...text.matchAll(found)].flatMap((one) => {
    const name = one[1] ?? one[2]!;
    if (/^(and|or|not|when)$/.test(name)) return [];
    const from = start + one.index + one[0].length - name.length;
    return [nameNode(name, { start: from, end: from + name.length })];
  });
  if (!ids.length) return at.scope;
  const scope = u.scopes.within(at.scope, ids);
  for (const id of ids)
    declarePattern(u, id, { kind: 'computed', ...spanOf(id) }, at.ctx, { kind: 'derived' });
  return scope;
}

/** `var frame in Frames`; `var i = 0; i < Count; i++` */
function readLoop(
  u: RazorUnit,
  word: string,
  { head, children }: BlockNode['branches'][number],
  at: At,
): void {
  const text = head ? u.file.text.slice(head.start, head.end) : '';
  const [, before, id] = /^([^]*?)(\b[\w@]+)\s+in\s/.exec(text) ?? [];
  if (!head || (word === 'foreach' && id === undefined)) {
    readNodes(u, children, at);
    return;
  }
  if (word === 'for') {
    let scope = at.scope;
    const [declares = '', ...rest] = text.split(';');
    scope = readStatements(u, { start: head.start, end: head.start + declares.length }, at);
    let from = head.start + declares.length + 1;
    for (const part of rest) {
      const node = codeAt(u, { start: from, end: from + part.length }, scope);
      if (node && !isCounting(node)) use(u, u.expr(node, at.ctx), at.ctx, 'condition');
      from += part.length + 1;
    }
    readNodes(u, children, { ...at, scope, ctx: { ...at.ctx, each: head } });
    return;
  }
  const from = head.start + before!.length;
  const list = codeAt(
    u,
    { start: head.start + /^[^]*?\s+in\s/.exec(text)![0].length, end: head.end },
    at.scope,
  );
  if (!list) return;
  const source = use(u, u.expr(list, at.ctx), at.ctx);
  const ctx: Ctx = { ...at.ctx, each: spanOf(list) };
  const item = nameNode(id!, { start: from, end: from + id!.length });
  const scope = u.scopes.within(at.scope, [item]);
  noteLoop(u, item, list);
  declarePattern(u, item, entryOf(source), ctx, { kind: 'loop', type: { t: 'elem', of: typeOf(u, list) } });
  readNodes(u, children, { ...at, scope, ctx });
}

/** What a loop counts is its own. */
function isCounting(node: t.Node): boolean {
  let found = node.type === 'UpdateExpression' || node.type === 'AssignmentExpression';
  eachChild(node, (child) => {
    found ||= isCounting(child);
  });
  return found;
}
