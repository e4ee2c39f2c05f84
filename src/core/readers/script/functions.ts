/** Functions written inside a unit, and what code that is read elsewhere closes over. */
import type * as t from '@babel/types';
import type { ExprFact, FunctionFact } from '../../model/facts';
import { type TypeExpr, UNKNOWN } from '../../model/types';
import { inferFunction } from './infer';
import { isCallbackName } from '../../model/names';
import { declarePattern, notePlaces } from './patterns';
import { shownBy } from './placing';
import type { Binding } from './scope';
import { keyName, memberName } from './type-expr';
import {
  addFunction,
  addSymbol,
  type Ctx,
  inferContext,
  noteRead,
  propSymbol,
  SETUP,
  spanOf,
  symbolOf,
  typeOf,
  type Unit,
  unwrap,
  use,
} from './unit';
import { statementsInTime } from './waits';
import { eachChild } from './walk';

/** `props.x` of a props object that the unit knows: the symbol of that prop. */
export function bagMember(u: Unit, node: t.MemberExpression): number | undefined {
  if (node.object.type !== 'Identifier' || node.computed || node.property.type !== 'Identifier')
    return undefined;
  const symbol = symbolOf(u, node.object);
  return symbol !== undefined && u.facts.symbols[symbol]!.kind === 'bag'
    ? propSymbol(u, node.property.name, spanOf(node.property), 'read')
    : undefined;
}

/** Reads what the framework calls of its own accord; `first` if that is once, before the component is drawn. */
export function readHook(u: Unit, node: t.Function, first: boolean): void {
  const { fn } = readFunction(u, node, { ...SETUP, where: 'effect' }, 'effect');
  if (first && fn !== undefined) u.facts.functions[fn]!.first = true;
}

interface ParamMeaning {
  kind: 'loop' | 'param';
  /** Which parameter it is, if not the first. */
  at?: number;
  source?: ExprFact;
  type?: TypeExpr;
}

/** Reads a function that is written inside the unit: its parameters, its body, and what it only hands on. */
export function readFunction(
  u: Unit,
  node: t.Function,
  ctx: Ctx,
  where: FunctionFact['where'],
  meaning: ParamMeaning = { kind: 'param' },
): ExprFact {
  if (u.file.units.has(node)) {
    mentionOuter(u, node, ctx);
    return { kind: 'function', ...spanOf(node), component: u.file.units.get(node)! };
  }
  const symbolsBefore = u.facts.symbols.length;
  const index = addFunction(u, node, ctx.fn, where);
  const fact = u.facts.functions[index]!;
  const inner: Ctx = { ...ctx, fn: index, where: where === 'derivation' ? ctx.where : where };
  // A new function starts its own conditions, but what it draws is drawn where it is placed.
  const { at: meant = 0 } = meaning;
  node.params.forEach((param, i) => {
    const source: ExprFact =
      meaning.kind === 'loop' && i === meant && meaning.source
        ? meaning.source
        : { kind: 'computed', ...spanOf(param) };
    const before = u.facts.symbols.length;
    // A class component hands its props to some of its methods, a store its state.
    if (isKnown(u, param)) {
      fact.params.push(-1);
      return;
    }
    declarePattern(u, param as t.LVal, source, inner, {
      kind: meaning.kind === 'loop' && i === meant ? 'loop' : 'param',
      ...(i === meant && meaning.type ? { type: meaning.type } : {}),
    });
    if (u.facts.symbols.length > before) fact.params.push(before);
    else fact.params.push(-1);
    notePlaces(u, param, i, index);
  });
  const takes = takenApart(node.params[0]);
  if (takes) fact.takes = takes;
  if (node.body.type === 'BlockStatement') {
    statementsInTime(u, node, node.body.body, inner);
  } else {
    const result = use(u, u.expr(node.body, inner), inner);
    u.contents[index]!.push(...shownBy(u, result));
    fact.gives = [result];
  }
  const sole = soleCall(u, node);
  if (sole) fact.sole = sole;
  return {
    kind: 'function',
    fn: index,
    ...spanOf(node),
    uses: capturedBy(u, index, symbolsBefore),
    ...(u.contents[index]!.length ? { content: u.contents[index]! } : {}),
  };
}

/** Whether something stands for a parameter, or for all that it is taken apart into, before the function is read. */
function isKnown(u: Unit, param: t.Node): boolean {
  const isOne = (id: t.Node) =>
    id.type === 'Identifier' && id.binding !== undefined && u.refs.has(id.binding);
  if (param.type !== 'ObjectPattern') return isOne(param);
  return (
    param.properties.length > 0 &&
    param.properties.every((one) =>
      one.type === 'RestElement' ? isOne(one.argument) : isKnown(u, one.value),
    )
  );
}

/** `({ a, b: c, ...others }) =>`: the names that are taken. */
export function takenApart(param: t.Node | undefined): FunctionFact['takes'] {
  const pattern = param?.type === 'AssignmentPattern' ? param.left : param;
  if (pattern?.type !== 'ObjectPattern') return undefined;
  const takes: FunctionFact['takes'] = { names: [], rest: false };
  for (const property of pattern.properties) {
    const name = property.type === 'RestElement' ? undefined : keyName(property);
    if (property.type === 'RestElement' || name === undefined) takes.rest = true;
    else takes.names.push({ name, ...spanOf(property.key) });
  }
  return takes;
}

/** Symbols from around a function that it reads; `before` is how many there were when it began. */
function capturedBy(u: Unit, fn: number, before: number): number[] {
  const found = new Set<number>();
  for (let i = u.facts.reads.length - 1; i >= 0; i--) {
    const read = u.facts.reads[i]!;
    if (read.fn < fn) break;
    if (read.symbol < before || /^(prop|shared)$/.test(u.facts.symbols[read.symbol]!.kind))
      found.add(read.symbol);
  }
  // What it asks of those around.
  for (let i = u.facts.emits.length - 1; i >= 0; i--) {
    const { symbol, fn: caller, how, idle } = u.facts.emits[i]!;
    if (caller < fn) break;
    const { port } = u.facts.symbols[symbol] ?? {};
    if (how === 'called' && !idle && port !== undefined && !isCallbackName(port)) found.add(symbol);
  }
  return [...found];
}

/** The one call that a function consists of, when what it calls is a symbol of the unit. */
function soleCall(u: Unit, node: t.Function): FunctionFact['sole'] {
  let only: t.Node | null | undefined = node.body;
  if (only.type === 'BlockStatement') {
    const [first, second] = only.body;
    if (!first || second) return undefined;
    only =
      first.type === 'ExpressionStatement'
        ? first.expression
        : first.type === 'ReturnStatement'
          ? first.argument
          : undefined;
  }
  only = only && unwrap(only);
  if (only?.type === 'UnaryExpression' && only.operator === 'void') only = only.argument;
  if (only?.type !== 'CallExpression' && only?.type !== 'OptionalCallExpression') return undefined;
  const raised = u.dialect.raised?.(u, only);
  const args = raised?.args ?? only.arguments;
  const callee = unwrap(only.callee);
  let symbol: number | undefined;
  if (raised) symbol = raised.symbol;
  else if (callee.type === 'Identifier') symbol = symbolOf(u, callee);
  else if (callee.type === 'MemberExpression')
    symbol = bagMember(u, callee) ?? u.dialect.self(u, callee)?.symbol;
  if (symbol === undefined) return undefined;
  const { carries } = u.dialect;
  const same = args.every((written, i) => {
    const param = node.params[i];
    const isCarried =
      carries !== undefined &&
      written.type === 'MemberExpression' &&
      memberName(written.property) === carries;
    const arg = isCarried ? written.object : written;
    return arg.type === 'Identifier' && param?.type === 'Identifier' && arg.name === param.name;
  });
  return { symbol, bound: !same };
}

/** A class that is no component: its methods may draw all the same. */
export function readOtherClass(u: Unit, node: t.Class, ctx: Ctx): void {
  if (u.file.units.has(node)) {
    mentionOuter(u, node, ctx);
    return;
  }
  for (const member of node.body.body) {
    if (member.type === 'ClassMethod' || member.type === 'ClassPrivateMethod')
      readFunction(u, member, ctx, 'handler');
    else if ('value' in member && member.value) use(u, u.expr(member.value as t.Node, ctx), ctx);
  }
}

/** Code that is read as a unit of its own still uses what it closes over. */
export function mentionOuter(u: Unit, node: t.Node, ctx: Ctx): void {
  // Names of the module are looked up by name; there is nothing around it to close over.
  if (u.node.type === 'Program') return;
  const look = (part: t.Node) => {
    if (part.type === 'MemberExpression') {
      const prop = bagMember(u, part);
      if (prop !== undefined) return noteRead(u, prop, spanOf(part), ctx);
    }
    if (part.type === 'Identifier' || part.type === 'JSXIdentifier') {
      const symbol = symbolOf(u, part);
      if (symbol !== undefined) noteRead(u, symbol, spanOf(part), ctx);
    }
    eachChild(part, look);
  };
  eachChild(node, look);
}

/** Functions declared by name can be used above themselves: they have their symbols before anything is read. */
export function hoistFunctions(u: Unit, nodes: t.Node[]): void {
  for (const node of nodes)
    if (node.type === 'FunctionDeclaration' && node.id?.binding && !u.file.units.has(node))
      functionSymbol(u, node.id);
}

/** A parameter of the same name is hidden by the function. */
function functionSymbol(u: Unit, id: t.Identifier): number {
  const known = symbolOf(u, id);
  return known !== undefined && u.facts.symbols[known]!.kind === 'handler'
    ? known
    : addSymbol(u, { name: id.name, kind: 'handler', ...spanOf(id) }, id.binding as Binding);
}

/** A function declared by name: a handler of the unit. */
export function declareFunction(u: Unit, node: t.FunctionDeclaration, ctx: Ctx): void {
  if (!node.id?.binding) return;
  const symbol = functionSymbol(u, node.id);
  const expr = readFunction(u, node, ctx, 'handler');
  const fact = u.facts.symbols[symbol]!;
  if (expr.fn === undefined) {
    fact.kind = 'derived';
    return;
  }
  fact.fn = expr.fn;
  fact.init = expr;
  fact.type = inferFunction(node, inferContext(u)) ?? UNKNOWN;
}

/** A helper's own body: its parameters in order, and what it gives back. */
export function readHelper(u: Unit, fn: t.Function): void {
  fn.params.forEach((param, i) => declareParameter(u, param, i));
  if (fn.body.type === 'BlockStatement') u.statements(fn.body.body, SETUP);
  else {
    const body = use(u, u.expr(fn.body, SETUP), SETUP);
    u.facts.result = { ...body, type: body.type ?? typeOf(u, fn.body) };
  }
}

/** A parameter of a helper, known to its callers by its place. */
export function declareParameter(u: Unit, param: t.Node, index: number): void {
  declarePattern(u, param, { kind: 'computed', ...spanOf(param) }, SETUP, { kind: 'param' });
  notePlaces(u, param, index, -1);
}
