/** Expressions to their summaries; what is read, written and called on the way is noted. */
import type * as t from '@babel/types';
import type { ExprFact, FunctionFact, MemberFact, PlainCallFact } from '../../model/facts';
import { UNKNOWN, type TypeExpr } from '../../model/types';
import { inferFunction } from './infer';
import { declarePattern } from './patterns';
import { eachChild, isFunction, type Binding } from './scope';
import { keyName } from './type-expr';
import {
  addFunction,
  addSymbol,
  inferContext,
  isModuleLevel,
  mergeContent,
  mergeUses,
  noteRead,
  propSymbol,
  spanOf,
  symbolOf,
  typeOf,
  unwrap,
  use,
  usesOf,
  type Ctx,
  type Unit,
} from './unit';

const LOOPS = new Set([
  'map',
  'flatMap',
  'forEach',
  'filter',
  'find',
  'findIndex',
  'some',
  'every',
  'sort',
  'reduce',
]);

function computed(node: t.Node, ...parts: (ExprFact | undefined)[]): ExprFact {
  const expr: ExprFact = { kind: 'computed', start: node.start!, end: node.end! };
  const uses = mergeUses(...parts);
  if (uses.length) expr.uses = uses;
  const { content } = mergeContent(...parts);
  if (content) expr.content = content;
  return expr;
}

/** Reads one expression. An identity is not noted as read: the caller knows what it is used for. */
export function readExpr(u: Unit, wrapped: t.Node, ctx: Ctx): ExprFact {
  const node = unwrap(wrapped);
  switch (node.type) {
    case 'Identifier':
      return readIdentifier(u, node, ctx);
    case 'StringLiteral':
    case 'NumericLiteral':
    case 'BooleanLiteral':
    case 'NullLiteral':
    case 'BigIntLiteral':
    case 'RegExpLiteral':
      return { kind: 'literal', ...spanOf(node) };
    case 'ThisExpression':
    case 'Super':
    case 'Import':
      return { kind: 'computed', ...spanOf(node) };
    case 'TemplateLiteral':
      if (node.expressions.length === 0) return { kind: 'literal', ...spanOf(node) };
      return computed(node, ...node.expressions.map((part) => use(u, readExpr(u, part, ctx), ctx)));
    case 'MemberExpression':
    case 'OptionalMemberExpression':
      return readMember(u, node, ctx);
    case 'CallExpression':
    case 'OptionalCallExpression':
      return readCall(u, node, ctx);
    case 'NewExpression':
      use(u, readExpr(u, node.callee, ctx), ctx);
      return computed(node, ...readArguments(u, node.arguments, ctx));
    case 'ArrowFunctionExpression':
    case 'FunctionExpression':
      return readFunction(u, node, ctx, ctx.where === 'effect' ? 'effect' : 'handler');
    case 'ConditionalExpression': {
      use(u, readExpr(u, node.test, { ...ctx, where: 'condition' }), ctx, 'condition');
      const inner = { ...ctx, when: spanOf(node.test) };
      const arms = [node.consequent, node.alternate].map((arm) => use(u, readExpr(u, arm, inner), inner));
      return { ...computed(node, ...arms), uses: mergeUses(symbolsIn(u, node.test), ...arms) };
    }
    case 'LogicalExpression': {
      const test = ctx.where === 'condition' || node.operator === '&&' ? 'condition' : ctx.where;
      const left = use(u, readExpr(u, node.left, { ...ctx, where: test }), ctx, test);
      if (left.symbol !== undefined) u.tolerant.add(left.symbol);
      const inner = { ...ctx, when: spanOf(node.left) };
      const right = use(u, readExpr(u, node.right, inner), inner);
      return computed(node, left, right);
    }
    case 'AssignmentExpression':
      return readAssignment(u, node, ctx);
    case 'UpdateExpression':
      noteWrite(u, node.argument, undefined, node, ctx);
      return { kind: 'computed', ...spanOf(node) };
    case 'ObjectExpression':
      return readObject(u, node, ctx);
    case 'ArrayExpression': {
      const parts = node.elements.map((part) =>
        part
          ? use(u, readExpr(u, part.type === 'SpreadElement' ? part.argument : part, ctx), ctx)
          : undefined,
      );
      const array: ExprFact = { ...computed(node, ...parts), kind: 'array' };
      // What a helper gives back is taken apart by its caller.
      if (u.facts.role === 'helper') array.elements = parts.map((part) => part ?? computed(node));
      return array;
    }
    case 'SequenceExpression': {
      const parts = node.expressions.map((part) => use(u, readExpr(u, part, ctx), ctx));
      return parts.at(-1)!;
    }
    case 'JSXElement':
    case 'JSXFragment':
      return u.expr(node, ctx);
    case 'ClassExpression':
      readOtherClass(u, node, ctx);
      return { kind: 'computed', ...spanOf(node) };
    default: {
      // Unary, binary, await, yield, tagged template, import() and whatever the language gains.
      const parts: ExprFact[] = [];
      eachChild(node, (child) => parts.push(use(u, readExpr(u, child, ctx), ctx)));
      return computed(node, ...parts);
    }
  }
}

/** The symbols that an expression names, without noting them a second time. */
function symbolsIn(u: Unit, node: t.Node): ExprFact {
  const uses = new Set<number>();
  const look = (part: t.Node) => {
    if (part.type === 'Identifier') {
      const symbol = symbolOf(u, part);
      if (symbol !== undefined && u.facts.symbols[symbol]!.kind !== 'bag') uses.add(symbol);
    } else if (part.type === 'MemberExpression') {
      const member = bagMember(u, part);
      if (member !== undefined) uses.add(member);
      else look(part.object);
      return;
    }
    if (!isFunction(part)) eachChild(part, look);
  };
  look(node);
  return { kind: 'computed', ...spanOf(node), uses: [...uses] };
}

function bagMember(u: Unit, node: t.MemberExpression): number | undefined {
  if (node.object.type !== 'Identifier' || node.computed || node.property.type !== 'Identifier')
    return undefined;
  const symbol = symbolOf(u, node.object);
  return symbol !== undefined && u.facts.symbols[symbol]!.kind === 'bag'
    ? u.props.get(node.property.name)
    : undefined;
}

function readIdentifier(u: Unit, node: t.Identifier, ctx: Ctx): ExprFact {
  const span = spanOf(node);
  const symbol = symbolOf(u, node);
  if (symbol !== undefined) return { kind: 'identity', symbol, ...span };
  const { binding } = node;
  if (binding && isModuleLevel(binding)) {
    return { kind: 'computed', ...span, component: binding.name };
  }
  if (binding) u.early.push({ binding, at: span, ctx });
  return { kind: 'computed', ...span };
}

function readMember(u: Unit, node: t.MemberExpression | t.OptionalMemberExpression, ctx: Ctx): ExprFact {
  const own = u.dialect.self(u, node);
  if (own) return own;
  const object = readExpr(u, node.object, ctx);
  if (node.computed) {
    use(u, readExpr(u, node.property, ctx), ctx);
    use(u, object, ctx);
    return computed(node, object);
  }
  const name = node.property.type === 'Identifier' ? node.property.name : '#';
  if (object.kind === 'identity') {
    const symbol = u.facts.symbols[object.symbol!]!;
    if (symbol.kind === 'bag') {
      return {
        kind: 'identity',
        symbol: propSymbol(u, name, spanOf(node.property), 'read'),
        ...spanOf(node),
      };
    }
    if (symbol.kind === 'rest') {
      // What a rest object holds is the prop itself.
      return {
        kind: 'identity',
        symbol: propSymbol(u, name, spanOf(node.property), 'read'),
        ...spanOf(node),
      };
    }
    if (node.type === 'OptionalMemberExpression') u.tolerant.add(object.symbol!);
    noteRead(u, object.symbol!, spanOf(node), ctx, [name]);
    return { kind: 'member', symbol: object.symbol!, path: [name], ...spanOf(node) };
  }
  if (object.kind === 'member') {
    const read = u.facts.reads.at(-1);
    if (read && read.symbol === object.symbol && read.start === object.start) {
      read.path = [...(read.path ?? []), name];
      read.end = node.end!;
      if (node.type === 'OptionalMemberExpression') read.soft = true;
    }
    return { ...object, path: [...object.path!, name], ...spanOf(node) };
  }
  if (object.component)
    return { kind: 'computed', ...spanOf(node), component: `${object.component}.${name}` };
  return computed(node, object);
}

function readArguments(u: Unit, args: t.Node[], ctx: Ctx): ExprFact[] {
  return args.map((arg) =>
    use(u, readExpr(u, arg.type === 'SpreadElement' ? arg.argument : arg, ctx), ctx, 'argument'),
  );
}

function readCall(u: Unit, node: t.CallExpression | t.OptionalCallExpression, ctx: Ctx): ExprFact {
  const taken = u.dialect.call(u, node, ctx);
  if (taken) return taken;
  const calleeNode = unwrap(node.callee);
  if (isFunction(calleeNode)) {
    // Called on the spot: its body is part of this one.
    const args = readArguments(u, node.arguments, ctx);
    const fn = readFunction(u, calleeNode, ctx, ctx.where === 'effect' ? 'effect' : 'derivation');
    return computed(node, fn, ...args);
  }
  if (
    (calleeNode.type === 'MemberExpression' || calleeNode.type === 'OptionalMemberExpression') &&
    !calleeNode.computed &&
    calleeNode.property.type === 'Identifier' &&
    LOOPS.has(calleeNode.property.name) &&
    node.arguments[0]
  ) {
    return readLoop(u, node, calleeNode, ctx);
  }
  const callee = readExpr(u, calleeNode, ctx);
  if (callee.kind === 'identity') {
    const symbol = u.facts.symbols[callee.symbol!]!;
    if (ctx.fn >= 0) noteCall(u, ctx.fn, callee.symbol!);
    if (symbol.kind === 'prop') {
      const args = node.arguments.map((arg) =>
        use(u, readExpr(u, arg.type === 'SpreadElement' ? arg.argument : arg, ctx), ctx, 'emit'),
      );
      args.forEach((arg, i) => (arg.type ??= typeOf(u, node.arguments[i])));
      u.facts.emits.push({
        symbol: callee.symbol!,
        event: symbol.port!,
        args,
        fn: ctx.fn,
        guarded: node.type === 'OptionalCallExpression',
        how: 'called',
        ...spanOf(node),
      });
      return { ...computed(node, ...args), kind: 'call', symbol: callee.symbol! };
    }
    if (symbol.kind === 'setter') {
      const args = readArguments(u, node.arguments, ctx);
      u.facts.writes.push({
        symbol: symbol.of!,
        ...(args[0] ? { value: args[0] } : {}),
        where: ctx.where,
        fn: ctx.fn,
        ...spanOf(node),
      });
      return { ...computed(node), kind: 'call', symbol: callee.symbol! };
    }
    const args = readArguments(u, node.arguments, ctx);
    if (symbol.kind === 'handler') {
      const fn = symbol.fn!;
      return {
        ...computed(node, ...args),
        kind: 'call',
        symbol: callee.symbol!,
        ...mergeContent(...args, { ...spanOf(node), kind: 'computed', content: u.contents[fn]! }),
      };
    }
    use(u, callee, ctx, 'argument');
    return { ...computed(node, callee, ...args), kind: 'call' };
  }
  const args = readArguments(u, node.arguments, ctx);
  noteMutation(u, calleeNode, callee, node, ctx);
  const result: ExprFact = { ...computed(node, callee, ...args), kind: 'call' };
  if (callee.component) {
    const hook = /(^|\.)use[A-Z]/.test(callee.component);
    const call: PlainCallFact = { name: callee.component, where: ctx.where, fn: ctx.fn, ...spanOf(node) };
    if (hook) {
      call.args = args;
      result.from = { call: u.facts.calls.length, path: [] };
    }
    u.facts.calls.push(call);
    result.component = callee.component;
  }
  return result;
}

/** Methods that change the list that they are called on. */
const MUTATORS = new Set([
  'push',
  'pop',
  'shift',
  'unshift',
  'splice',
  'sort',
  'reverse',
  'fill',
  'copyWithin',
]);

/** `list.push(x)`: a write to what is reachable through the symbol. */
function noteMutation(u: Unit, node: t.Node, callee: ExprFact, at: t.Node, ctx: Ctx): void {
  if (node.type !== 'MemberExpression' && node.type !== 'OptionalMemberExpression') return;
  if (node.computed || node.property.type !== 'Identifier' || !MUTATORS.has(node.property.name)) return;
  if (callee.symbol === undefined || callee.kind !== 'member') return;
  const path = callee.path!.slice(0, -1);
  u.facts.writes.push({
    symbol: callee.symbol,
    ...(path.length ? { path } : {}),
    through: { method: node.property.name },
    where: ctx.where,
    fn: ctx.fn,
    ...spanOf(at),
  });
}

function noteCall(u: Unit, fn: number, symbol: number) {
  const { calls } = u.facts.functions[fn]!;
  if (!calls.includes(symbol)) calls.push(symbol);
}

/** `list.map(item => …)`: the parameter stands for one of the list. */
function readLoop(
  u: Unit,
  node: t.CallExpression | t.OptionalCallExpression,
  callee: t.MemberExpression | t.OptionalMemberExpression,
  ctx: Ctx,
): ExprFact {
  const list = use(u, readExpr(u, callee.object, ctx), ctx);
  const method = (callee.property as t.Identifier).name;
  if (method === 'sort' && list.symbol !== undefined && list.kind !== 'computed') {
    const change: ExprFact = { ...list, kind: 'member', path: [...(list.path ?? []), method] };
    noteMutation(u, callee, change, node, ctx);
  }
  const [first, ...others] = node.arguments;
  const inner: Ctx = { ...ctx, each: spanOf(callee.object) };
  const body = first && unwrap(first);
  let item: ExprFact | undefined;
  if (body && isFunction(body) && method !== 'reduce') {
    item = readFunction(u, body, inner, ctx.where === 'effect' ? 'effect' : 'derivation', {
      kind: 'loop',
      source: { kind: 'computed', uses: usesOf(list), start: list.start, end: list.end },
      type: { t: 'elem', of: typeOf(u, callee.object) },
    });
  } else if (first) {
    item = use(u, readExpr(u, first, inner), inner, 'argument');
    const fn = item.kind === 'identity' ? u.facts.symbols[item.symbol!]!.fn : undefined;
    if (fn !== undefined) item = { ...item, content: u.contents[fn]! };
  }
  const rest = readArguments(u, others, ctx);
  return { ...computed(node, list, item, ...rest), kind: 'computed' };
}

interface ParamMeaning {
  kind: 'loop' | 'param';
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
  node.params.forEach((param, i) => {
    const source: ExprFact =
      meaning.kind === 'loop' && i === 0 && meaning.source
        ? meaning.source
        : { kind: 'computed', ...spanOf(param) };
    const before = u.facts.symbols.length;
    // A class component hands its props to some of its methods.
    if (param.type === 'Identifier' && param.binding && u.refs.has(param.binding)) {
      fact.params.push(-1);
      return;
    }
    declarePattern(u, param as t.LVal, source, inner, {
      kind: meaning.kind === 'loop' && i === 0 ? 'loop' : 'param',
      ...(i === 0 && meaning.type ? { type: meaning.type } : {}),
    });
    if (u.facts.symbols.length > before) {
      fact.params.push(before);
      u.facts.symbols[before]!.index = i;
    } else fact.params.push(-1);
  });
  if (node.body.type === 'BlockStatement') {
    u.statements(node.body.body, inner);
  } else {
    const result = use(u, u.expr(node.body, inner), inner);
    u.contents[index]!.push(...(result.content ?? []));
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

/** Symbols from around a function that it reads; `before` is how many there were when it began. */
function capturedBy(u: Unit, fn: number, before: number): number[] {
  const found = new Set<number>();
  for (let i = u.facts.reads.length - 1; i >= 0; i--) {
    const read = u.facts.reads[i]!;
    if (read.fn < fn) break;
    if (read.symbol < before || u.facts.symbols[read.symbol]!.kind === 'prop') found.add(read.symbol);
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
  const callee = unwrap(only.callee);
  let symbol: number | undefined;
  if (callee.type === 'Identifier') symbol = symbolOf(u, callee);
  else if (callee.type === 'MemberExpression')
    symbol = bagMember(u, callee) ?? u.dialect.self(u, callee)?.symbol;
  if (symbol === undefined) return undefined;
  const same = only.arguments.every((arg, i) => {
    const param = node.params[i];
    return arg.type === 'Identifier' && param?.type === 'Identifier' && arg.name === param.name;
  });
  return { symbol, bound: !same };
}

function readObject(u: Unit, node: t.ObjectExpression, ctx: Ctx): ExprFact {
  const members: MemberFact[] = [];
  const parts: ExprFact[] = [];
  let open = false;
  for (const property of node.properties) {
    if (property.type === 'SpreadElement') {
      open = true;
      parts.push(use(u, readExpr(u, property.argument, ctx), ctx));
      continue;
    }
    if (property.computed) use(u, readExpr(u, property.key, ctx), ctx);
    const value =
      property.type === 'ObjectMethod'
        ? readFunction(u, property, ctx, 'handler')
        : use(u, readExpr(u, property.value as t.Node, ctx), ctx);
    parts.push(value);
    const name = keyName(property);
    if (name === undefined) open = true;
    else members.push({ name, value, ...spanOf(property.key) });
  }
  return { ...computed(node, ...parts), kind: 'object', members, ...(open ? { open } : {}) };
}

function readAssignment(u: Unit, node: t.AssignmentExpression, ctx: Ctx): ExprFact {
  if (u.dialect.assign(u, node, ctx)) return { kind: 'computed', ...spanOf(node) };
  const value = use(u, readExpr(u, node.right, ctx), ctx);
  noteWrite(u, node.left, value, node, ctx);
  return { ...computed(node, value) };
}

/** Notes a write to a symbol, or to something reachable through it. */
function noteWrite(u: Unit, target: t.Node, value: ExprFact | undefined, at: t.Node, ctx: Ctx): void {
  const bare = unwrap(target);
  const common = { ...(value ? { value } : {}), where: ctx.where, fn: ctx.fn, ...spanOf(at) };
  if (bare.type === 'Identifier') {
    const symbol = symbolOf(u, bare);
    if (symbol !== undefined) {
      u.facts.writes.push({ symbol, ...common });
      const fact = u.facts.symbols[symbol]!;
      if (value?.content && fact.init) fact.init.content = [...(fact.init.content ?? []), ...value.content];
    }
    return;
  }
  if (bare.type === 'MemberExpression' || bare.type === 'OptionalMemberExpression') {
    // What a rest object holds is the component's own copy.
    const base = unwrap(bare.object);
    const owner = base.type === 'Identifier' ? symbolOf(u, base) : undefined;
    if (owner !== undefined && u.facts.symbols[owner]!.kind === 'rest') return;
    const before = u.facts.reads.length;
    const object = readExpr(u, bare, ctx);
    u.facts.reads.length = before;
    if (object.symbol !== undefined) {
      u.facts.writes.push({
        symbol: object.symbol,
        ...(object.path ? { path: object.path } : {}),
        through: {},
        ...common,
      });
    }
    return;
  }
  if (bare.type === 'ObjectPattern' || bare.type === 'ArrayPattern') {
    eachChild(bare, (child) => {
      if (child.type === 'ObjectProperty') noteWrite(u, child.value, value, at, ctx);
      else if (child.type === 'RestElement') noteWrite(u, child.argument, value, at, ctx);
      else noteWrite(u, child, value, at, ctx);
    });
    return;
  }
  if (bare.type === 'AssignmentPattern') noteWrite(u, bare.left, value, at, ctx);
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
    if (part.type === 'Identifier' || part.type === 'JSXIdentifier') {
      const symbol = symbolOf(u, part);
      if (symbol !== undefined) noteRead(u, symbol, spanOf(part), ctx);
    }
    eachChild(part, look);
  };
  eachChild(node, look);
}

/** A function declared by name: a handler of the unit. */
export function declareFunction(u: Unit, node: t.FunctionDeclaration, ctx: Ctx): void {
  if (!node.id?.binding) return;
  const symbol = addSymbol(
    u,
    { name: node.id.name, kind: 'handler', ...spanOf(node.id) },
    node.id.binding as Binding,
  );
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
