/** Templates to render nodes. */
import type {
  TmplAstBoundText,
  TmplAstDeferredBlock,
  TmplAstForLoopBlock,
  TmplAstIfBlock,
  TmplAstNode,
  TmplAstSwitchBlock,
} from '@angular/compiler';
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { angularCompiler } from '../on-demand';
import { declarePattern } from '../script/patterns';
import type { Scope } from '../script/scope';
import type { At } from '../script/slots';
import { type Ctx, inBranch, inCase, spanOf, typeOf, use } from '../script/unit';
import { codeOf } from './code';
import { declareAlias, openLoop } from './loops';
import { declareReferences } from './references';
import { identifier, isTag, spanAt } from './spans';
import { readTag } from './tags';
import type { AngularUnit } from './unit';

/** Reads the nodes of a view, or of a block in it, under a render node. */
export function readNodes(u: AngularUnit, nodes: TmplAstNode[], at: At): void {
  let { scope } = at;
  for (const node of nodes) scope = readNode(u, node, { ...at, scope });
}

/** Reads a view: what its tags are known by is known in all of it, wherever it stands. */
export function readView(u: AngularUnit, nodes: TmplAstNode[], at: At): void {
  readNodes(u, nodes, { ...at, scope: declareReferences(u, nodes, at) });
}

/** Gives back the scope of what follows. */
function readNode(u: AngularUnit, node: TmplAstNode, at: At): Scope {
  const k = angularCompiler();
  if (node instanceof k.TmplAstBoundText) readText(u, node, at);
  else if (node instanceof k.TmplAstText) {
    if (node.value.trim()) noteText(u, at.parent);
  } else if (node instanceof k.TmplAstIfBlock) readIf(u, node, at);
  else if (node instanceof k.TmplAstForLoopBlock) readFor(u, node, at);
  else if (node instanceof k.TmplAstSwitchBlock) readSwitch(u, node, at);
  else if (node instanceof k.TmplAstDeferredBlock) readDefer(u, node, at);
  else if (node instanceof k.TmplAstLetDeclaration) {
    const value = codeOf(u, node.value, at.scope);
    const id = identifier(node.name, spanAt(node.nameSpan));
    const scope = u.angular.scopes.within(at.scope, [id]);
    const made = value && use(u, u.expr(value, at.ctx), at.ctx);
    declarePattern(u, id, made ?? { kind: 'computed', ...spanOf(id) }, at.ctx, {
      kind: 'derived',
      type: typeOf(u, value),
    });
    return scope;
  } else if (node instanceof k.TmplAstIcu) {
    for (const one of [...Object.values(node.vars), ...Object.values(node.placeholders)])
      if (one instanceof k.TmplAstBoundText) readText(u, one, at);
  } else if (isTag(node)) readTag(u, node, at, { nodes: readNodes, view: readView });
  return at.scope;
}

/** Text is content of the unnamed slot. */
function noteText(u: AngularUnit, parent: number): void {
  const node = parent >= 0 ? u.facts.render[parent] : undefined;
  if (node) node.nested = true;
}

function readText(u: AngularUnit, { value }: Pick<TmplAstBoundText, 'value'>, at: At): void {
  noteText(u, at.parent);
  const ctx: Ctx = { ...at.ctx, where: 'text' };
  const code = codeOf(u, value, at.scope);
  if (!code) return;
  const parts = code.type === 'TemplateLiteral' ? code.expressions : [code];
  for (const part of parts) use(u, u.expr(part, ctx), ctx, 'text');
}

function readCondition(u: AngularUnit, test: t.Expression, ctx: Ctx): ExprFact {
  const condition: Ctx = { ...ctx, where: 'condition' };
  return use(u, u.expr(test, condition), condition, 'condition');
}

function readIf(u: AngularUnit, node: TmplAstIfBlock, at: At): void {
  let { ctx } = at;
  for (const branch of node.branches) {
    const test = branch.expression && codeOf(u, branch.expression, at.scope);
    let { scope } = at;
    const value = test && readCondition(u, test, ctx);
    if (branch.expressionAlias && test) {
      const { name, keySpan } = branch.expressionAlias;
      scope = declareAlias(u, identifier(name, spanAt(keySpan)), value!, test, { ...at, ctx });
    }
    const inside = test ? inBranch(u, ctx, test, true) : ctx;
    readView(u, branch.children, { ...at, scope, ctx: inside });
    if (test) ctx = inBranch(u, ctx, test, false);
  }
}

function readFor(u: AngularUnit, node: TmplAstForLoopBlock, at: At): void {
  const list = codeOf(u, node.expression, at.scope);
  if (node.empty) readView(u, node.empty.children, at);
  if (!list) return;
  const { scope, ctx } = openLoop(u, list, node.item, node.contextVariables, at);
  const key = codeOf(u, node.trackBy, scope);
  if (key) use(u, u.expr(key, ctx), ctx);
  readView(u, node.children, { ...at, scope, ctx });
}

function readSwitch(u: AngularUnit, node: TmplAstSwitchBlock, at: At): void {
  const value = codeOf(u, node.expression, at.scope);
  if (value) readCondition(u, value, at.ctx);
  for (const [index, one] of node.cases.entries()) {
    const test = one.expression && codeOf(u, one.expression, at.scope);
    if (test) readCondition(u, test, at.ctx);
    const { start, end } = spanAt(one.startSourceSpan);
    const ctx = inCase(at.ctx, value?.start ?? start, index, { start, end });
    readView(u, one.children, { ...at, ctx });
  }
}

function readDefer(u: AngularUnit, node: TmplAstDeferredBlock, at: At): void {
  const { when } = node.triggers;
  const test = when && codeOf(u, when.value, at.scope);
  if (test) readCondition(u, test, at.ctx);
  const inside = { ...at, ctx: test ? inBranch(u, at.ctx, test, true) : at.ctx };
  readView(u, node.children, inside);
  for (const one of [node.placeholder, node.loading, node.error]) if (one) readView(u, one.children, at);
}
