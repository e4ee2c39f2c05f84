/** Statements of a function body, in order. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { declareFunction, hoistFunctions, readFunction, readOtherClass } from './functions';
import { isFunction } from './scope';
import { variableType } from './infer';
import { inReadingOrder } from './order';
import { declarePattern } from './patterns';
import { eachChild } from './walk';
import { place, shownBy } from './placing';
import { keysIn, keysOf } from './told-keys';
import { union, UNKNOWN } from '../../model/types';
import {
  addSymbol,
  inArm,
  inferContext,
  mergeUses,
  spanOf,
  typeOf,
  unwrap,
  use,
  usesOf,
  type Ctx,
  type Unit,
  entryOf,
} from './unit';

/** Reads statements; in a component's own body, handlers and effects come after what they use. */
export function readStatements(u: Unit, written: t.Node[], ctx: Ctx): void {
  const nodes = ctx.fn === -1 ? inReadingOrder(written, (node) => u.file.units.has(node)) : written;
  hoistFunctions(u, written);
  for (const node of nodes) {
    readStatement(u, node, ctx);
    // What follows `if (x) return …` stands where x does not hold.
    if (node.type === 'IfStatement' && !node.alternate && leaves(node.consequent)) {
      ctx = { ...ctx, arms: inArm(u, ctx, node.test, false).arms! };
    }
  }
}

const leaves = (node: t.Node): boolean =>
  node.type === 'ReturnStatement' ||
  node.type === 'ThrowStatement' ||
  (node.type === 'BlockStatement' && node.body.length > 0 && leaves(node.body.at(-1)!));

function throws(node: t.Node): boolean {
  return node.type === 'ThrowStatement' || (node.type === 'BlockStatement' && node.body.some(throws));
}

function readStatement(u: Unit, node: t.Node, ctx: Ctx): void {
  switch (node.type) {
    case 'VariableDeclaration':
      for (const declarator of node.declarations) readDeclarator(u, declarator, node.kind === 'const', ctx);
      return;
    case 'ExpressionStatement': {
      const expr = u.expr(node.expression, ctx);
      use(u, expr, ctx);
      const last = u.facts.emits.at(-1);
      if (expr.kind === 'call' && last?.start === expr.start && last.end === expr.end) last.idle = true;
      return;
    }
    case 'ReturnStatement': {
      if (!node.argument) return;
      const expr = use(u, u.expr(node.argument, ctx), ctx, ctx.fn === -1 ? 'text' : ctx.where);
      if (ctx.fn >= 0) (u.facts.functions[ctx.fn]!.gives ??= []).push(onlyFor(ctx, expr));
      else if (u.facts.role === 'helper')
        u.facts.result = either(u.facts.result, { ...expr, type: expr.type ?? typeOf(u, node.argument) });
      giveBack(u, shownBy(u, expr), ctx);
      return;
    }
    case 'IfStatement': {
      const before = u.facts.reads.length;
      const test = use(u, u.expr(node.test, { ...ctx, where: 'condition' }), ctx, 'condition');
      if (throws(node.consequent))
        for (const read of u.facts.reads.slice(before)) u.refusals.add(read.symbol);
      const inner = decidedBy(ctx, test);
      readStatement(u, node.consequent, inArm(u, toldThere(u, inner, keysIn(node.test)), node.test, true));
      if (node.alternate) readStatement(u, node.alternate, inArm(u, inner, node.test, false));
      return;
    }
    case 'BlockStatement':
      readStatements(u, node.body, ctx);
      return;
    case 'FunctionDeclaration':
      declareFunction(u, node, ctx);
      return;
    case 'ClassDeclaration':
      readOtherClass(u, node, ctx);
      return;
    case 'ForOfStatement':
    case 'ForInStatement': {
      const list = use(u, u.expr(node.right, ctx), ctx);
      const inner = { ...ctx, each: spanOf(node.right) };
      if (node.left.type === 'VariableDeclaration') {
        for (const declarator of node.left.declarations) {
          const any: ExprFact = { ...list, kind: 'computed', uses: usesOfList(list) };
          const entry = node.type === 'ForOfStatement' ? { ...any, ...entryOf(list), uses: any.uses! } : any;
          declarePattern(u, declarator.id, entry, inner, { kind: 'loop' });
        }
      }
      readStatement(u, node.body, inner);
      return;
    }
    case 'SwitchStatement': {
      const given = use(u, u.expr(node.discriminant, { ...ctx, where: 'condition' }), ctx, 'condition');
      let tests: (t.Node | null | undefined)[] = [];
      for (const one of node.cases) {
        if (one.test) use(u, u.expr(one.test, ctx), ctx, 'condition');
        tests.push(one.test);
        const inner = toldThere(u, decidedBy(ctx, given), keysOf(node.discriminant, tests));
        // What leads on to the next case is done there, too.
        if (one.consequent.some(leavesCase)) tests = [];
        readStatements(u, one.consequent, { ...inner, when: spanOf(one.test ?? node.discriminant) });
      }
      return;
    }
    case 'ExportNamedDeclaration':
    case 'ExportDefaultDeclaration':
      if (node.declaration && node.declaration.type !== 'TSDeclareFunction') {
        if (node.type === 'ExportDefaultDeclaration' && declareDefault(u, node.declaration, ctx)) return;
        if (/Declaration$/.test(node.declaration.type)) readStatement(u, node.declaration, ctx);
        else use(u, u.expr(node.declaration, ctx), ctx);
      }
      return;
    case 'ImportDeclaration':
    case 'ExportAllDeclaration':
    case 'EmptyStatement':
    case 'BreakStatement':
    case 'ContinueStatement':
      return;
  }
  if (/^TS|^Type|^Declare|^Opaque|^Interface/.test(node.type)) return;
  // for, while, try, labels, throw: their parts in order.
  const test = /^(While|DoWhile|For)/.test(node.type);
  eachChild(node, (child) => {
    if (/(Statement|Declaration|Clause)$/.test(child.type)) readStatement(u, child, ctx);
    else if (child.type !== 'Identifier' || node.type !== 'CatchClause') {
      use(u, u.expr(child, test ? { ...ctx, where: 'condition' } : ctx), ctx, test ? 'condition' : ctx.where);
    }
  });
}

/** `export default { put() { … } }`, `export default (fresh) => { … }`: what others know by the name that they give it. */
function declareDefault(u: Unit, node: t.Node, ctx: Ctx): boolean {
  const bare = unwrap(node);
  if (u.facts.role !== 'module' || u.file.units.has(bare)) return false;
  if (isFunction(bare)) {
    if ((bare as t.FunctionExpression).id) return false;
    const init = readFunction(u, bare, ctx, 'handler');
    if (init.fn !== undefined)
      addSymbol(u, { name: 'default', kind: 'handler', init, fn: init.fn, ...spanOf(node) });
    return true;
  }
  if (bare.type !== 'ObjectExpression') return false;
  const init = use(u, u.expr(bare, ctx), ctx);
  addSymbol(u, { name: 'default', kind: 'derived', init, ...spanOf(node) });
  return true;
}

const leavesCase = (node: t.Node): boolean =>
  node.type === 'BreakStatement' || node.type === 'ContinueStatement' || leaves(node);

const toldThere = (u: Unit, ctx: Ctx, keys: string[] | undefined): Ctx =>
  keys && u.dialect.tells ? { ...ctx, told: keys } : ctx;

const onlyFor = ({ told }: Ctx, expr: ExprFact): ExprFact => (told ? { ...expr, onlyFor: told } : expr);

/** Inside of a condition. */
function decidedBy(ctx: Ctx, test: ExprFact): Ctx {
  const uses = usesOf(test);
  return uses.length ? { ...ctx, decided: [...(ctx.decided ?? []), ...uses] } : ctx;
}

const usesOfList = (expr: { symbol?: number; uses?: number[] }) =>
  expr.symbol !== undefined ? [expr.symbol] : (expr.uses ?? []);

/** A helper may give back one thing here and another there. */
const either = (known: ExprFact | undefined, other: ExprFact): ExprFact =>
  known
    ? {
        kind: 'computed',
        start: other.start,
        end: other.end,
        uses: mergeUses(known, other),
        gives: [...(known.gives && known.kind === 'computed' ? known.gives : [known]), other],
        type: union([known.type ?? UNKNOWN, other.type ?? UNKNOWN]),
      }
    : other;

/** What a function gives back is placed by its caller; what the component gives back is its root. */
function giveBack(u: Unit, content: NonNullable<ExprFact['content']>, ctx: Ctx): void {
  if (ctx.fn === -1) place(u, content, -1);
  else u.contents[ctx.fn]!.push(...content);
}

function readDeclarator(u: Unit, node: t.VariableDeclarator, constant: boolean, ctx: Ctx): void {
  if (!node.init) {
    declarePattern(u, node.id, { kind: 'computed', ...spanOf(node.id) }, ctx, { kind: 'derived' });
    return;
  }
  const init = unwrap(node.init) as t.Expression;
  if (u.dialect.declare(u, node.id as t.LVal, init, ctx)) return;
  const value = u.expr(init, ctx);
  if (value.component && value.kind === 'function') return;
  const type = variableType(node.id, node.init, constant, inferContext(u));
  declarePattern(u, node.id, value, ctx, { kind: 'derived', ...(type.t === 'unknown' ? {} : { type }) });
}
