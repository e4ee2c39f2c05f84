/** Expressions to their summaries; what is read, written and called on the way is noted. */
import type * as t from '@babel/types';
import type { ExprFact, MemberFact, PlainCallFact, Span } from '../../model/facts';
import { isAround, readCaptured } from './captured';
import { byName } from './constants';
import { contentOf, mayDraw, noteDrawing, noteShown } from './placing';
import { readFunction, readOtherClass } from './functions';
import { addInvoke, functionIn, noteInvoke, noteMade, noteSet, resultOfInvoke } from './invokes';
import { readMutation } from './mutations';
import { notePage, readStorage } from './page-kept';
import { moduleLoaded } from './lazy';
import { noteLoop, notePromised, resultMember } from './patterns';
import { askedBy, workedOut } from './results';
import { type Binding, isFunction } from './scope';
import { keyName, memberName } from './type-expr';
import {
  type Call,
  addSymbol,
  type Ctx,
  inArm,
  isModuleLevel,
  keepsEnds,
  mergeContent,
  merged,
  noteCall,
  noteRead,
  propSymbol,
  spanOf,
  symbolOf,
  typeOf,
  type Unit,
  unwrap,
  use,
  usesOf,
  isOfStore,
  isHeld,
  noteGiven,
  entryIn,
  entryOf,
} from './unit';
import { eachChild } from './walk';
import { asResult, comingOf, isOperator, isTiming, isTogether } from './streams';
import { noteTold } from './told';
import { noteMutation, noteWrite } from './writes';

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
  Object.assign(expr, merged(...parts));
  const { content } = mergeContent(...parts);
  if (content) expr.content = content;
  return expr;
}

/** What a member may be called. */
const NAME = /^[\w$-]{1,40}$/;

/** `await load()`: what the call gives, in its time; of anything else, what is worked out of it. */
function readAwaited(u: Unit, node: t.AwaitExpression, ctx: Ctx): ExprFact {
  const value = use(u, readExpr(u, node.argument, ctx), ctx);
  const coming = u.coming.get(unwrap(node.argument));
  // What comes is no other name for what it comes by.
  if (coming)
    return isHeld(coming) ? asResult(coming, computed(node, value)) : { ...coming, ...spanOf(node) };
  const isCall = value.from !== undefined || value.call !== undefined || value.gives !== undefined;
  if (!isCall || value.kind === 'identity' || value.kind === 'member') return computed(node, value);
  const { type: _, ...given } = value;
  return { ...given, ...spanOf(node) };
}

/** Reads one expression. An identity is not noted as read: the caller knows what it is used for. */
export function readExpr(u: Unit, wrapped: t.Node, ctx: Ctx): ExprFact {
  const node = unwrap(wrapped);
  switch (node.type) {
    case 'Identifier':
      return readIdentifier(u, node, ctx);
    case 'StringLiteral':
      return {
        kind: 'literal',
        ...spanOf(node),
        ...(NAME.test(node.value) ? { text: node.value } : NOTHING),
      };
    case 'NumericLiteral':
    case 'BooleanLiteral':
    case 'NullLiteral':
    case 'BigIntLiteral':
    case 'RegExpLiteral':
      return { kind: 'literal', ...spanOf(node) };
    case 'AwaitExpression':
      return readAwaited(u, node, ctx);
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
      return readNew(u, node, ctx);
    case 'ArrowFunctionExpression':
    case 'FunctionExpression':
      return readFunction(u, node, ctx, ctx.where === 'effect' ? 'effect' : 'handler');
    case 'ConditionalExpression': {
      const test = use(u, readExpr(u, node.test, { ...ctx, where: 'condition' }), ctx, 'condition');
      const arms = [node.consequent, node.alternate].map((arm) => {
        const inner = inArm(u, ctx, node.test, arm === node.consequent);
        return use(u, readExpr(u, arm, inner), inner);
      });
      // What decides is a part of what it is worked out of, and is none of its arms.
      return { ...computed(node, test, ...arms), ...mergeContent(...arms), gives: arms };
    }
    case 'LogicalExpression': {
      const test = ctx.where === 'condition' || node.operator === '&&' ? 'condition' : ctx.where;
      const left = use(u, readExpr(u, node.left, { ...ctx, where: test }), ctx, test);
      if (left.symbol !== undefined) u.tolerant.add(left.symbol);
      const inner =
        node.operator === '&&' ? inArm(u, ctx, node.left, true) : { ...ctx, when: spanOf(node.left) };
      const right = use(u, readExpr(u, node.right, inner), inner);
      // What only decides whether the rest is drawn is not drawn itself.
      if (node.operator === '&&') delete left.content;
      return { ...computed(node, left, right), gives: node.operator === '&&' ? [right] : [left, right] };
    }
    case 'AssignmentExpression':
      return readAssignment(u, node, ctx);
    case 'UnaryExpression':
      if (node.operator === 'delete') {
        noteWrite(u, node.argument, undefined, node, ctx);
        return { kind: 'computed', ...spanOf(node) };
      }
      return computed(node, use(u, readExpr(u, node.argument, ctx), ctx));
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
      for (const part of parts) if (part) noteAmong(u, part);
      const array: ExprFact = { ...computed(node, ...parts), kind: 'array' };
      const isSpread = (at: number) => node.elements[at]?.type === 'SpreadElement';
      // What a helper gives back is taken apart by its caller; what stands in entries is called, or drawn, elsewhere.
      if (u.facts.role === 'helper' || ctx.fn >= 0 || ctx.apart || parts.some(isDescribing))
        array.elements = parts.flatMap((part, at) => (isSpread(at) ? [] : [part ?? computed(node)]));
      if (array.elements && node.elements.some((_, at) => isSpread(at))) {
        array.open = true;
        array.spreads = parts.flatMap((part, at) => (part && isSpread(at) ? [part] : []));
      }
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

/** An object with functions or components in it: how to draw a column, say. */
const isDescribing = (part: ExprFact | undefined): boolean =>
  part?.kind === 'object' &&
  (part.members ?? []).some(
    ({ value }) => value.kind === 'function' || (value.component !== undefined && value.kind !== 'call'),
  );

function readIdentifier(u: Unit, node: t.Identifier, ctx: Ctx): ExprFact {
  const span = spanOf(node);
  const symbol = symbolOf(u, node);
  if (symbol !== undefined)
    return { kind: 'identity', symbol, ...span, ...(isOfStore(node) ? { ofStore: true } : {}) };
  const { binding } = node;
  if (binding && isModuleLevel(binding)) {
    const uses = shares(u, binding) ? [useShared(u, binding, span, ctx)] : undefined;
    return { kind: 'computed', ...span, component: binding.name, ...(uses ? { uses } : {}) };
  }
  if (binding && isAround(u, binding)) return readCaptured(u, binding, span);
  if (binding) u.early.push({ binding, at: span, ctx });
  else if (node.name === 'arguments')
    for (let fn = ctx.fn; fn >= 0; fn = u.facts.functions[fn]!.parent) u.facts.functions[fn]!.takesAll = true;
  return { kind: 'computed', ...span };
}

/** The loose code of a module declares what others share, and shares what other modules do. */
const shares = (u: Unit, { kind }: Binding): boolean =>
  u.dialect.shares === true && (u.facts.role !== 'module' || kind === 'import');

/** The symbol of a value of a module, whose use is noted. */
function useShared(u: Unit, binding: Binding, at: Span, ctx: Ctx): number {
  let symbol = u.shared.get(binding);
  if (symbol === undefined) {
    const { name } = binding;
    symbol = addSymbol(u, { name, kind: 'shared', port: name, start: at.start, end: at.end });
    u.shared.set(binding, symbol);
  }
  noteRead(u, symbol, at, ctx);
  return symbol;
}

function readMember(u: Unit, written: t.MemberExpression | t.OptionalMemberExpression, ctx: Ctx): ExprFact {
  const node = byName(written);
  const own = u.dialect.self(u, node, ctx);
  if (own) return own;
  const object = readExpr(u, node.object, ctx);
  if (node.computed) {
    const key = use(u, readExpr(u, node.property, ctx), ctx);
    use(u, object, ctx);
    const isGiven = isHeld(key) && u.facts.symbols[key.symbol!]!.kind === 'param';
    return {
      ...computed(node, object, key),
      ...entryIn(object, placeIn(node.property)),
      ...(isGiven ? { picks: { of: object, under: key } } : {}),
    };
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
    if (keepsEnds(u, object.symbol!)) u.facts.reads.at(-1)!.ends = [node.property.end!];
    const more = object.ofStore ? { ofStore: object.ofStore } : {};
    return { kind: 'member', symbol: object.symbol!, path: [name], ...spanOf(node), ...more };
  }
  if (object.kind === 'member') {
    const read = u.facts.reads.at(-1);
    if (read && read.symbol === object.symbol && read.start === object.start) {
      read.path = [...(read.path ?? []), name];
      read.ends?.push(node.property.end!);
      read.end = node.end!;
      if (node.type === 'OptionalMemberExpression') read.soft = true;
    }
    const component = object.component && { component: `${object.component}.${name}` };
    return { ...object, path: [...object.path!, name], ...spanOf(node), ...component };
  }
  if (object.component && object.kind !== 'call')
    return { ...sharedMember(u, node, object, name), component: `${object.component}.${name}` };
  if (object.picks)
    return { ...computed(node, object), picks: object.picks, path: [...(object.path ?? []), name] };
  if (object.entry) {
    const path = [...(object.path ?? []), name];
    return { ...computed(node, object), entry: object.entry, path };
  }
  const [only] = object.beside?.length === 0 && object.gives?.length === 1 ? object.gives : [];
  if (only && isHeld(only)) {
    const part: ExprFact = { ...only, kind: 'member', path: [...(only.path ?? []), name] };
    return asResult(part, computed(node, object));
  }
  if (object.call === undefined || object.from) return computed(node, object);
  const { calls: _, beside: __, ...whole } = computed(node, object);
  return { ...whole, ...resultMember(object, name) };
}

/** The place in a list that is written out: `rows[0]`. */
const placeIn = (key: t.Node): string | undefined =>
  key.type === 'NumericLiteral' ? String(key.value) : undefined;

/** A member of what a module keeps, which is that member and no other. */
function sharedMember(u: Unit, node: t.Node, object: ExprFact, name: string): ExprFact {
  const [symbol, more] = object.uses ?? [];
  const isShared = symbol !== undefined && more === undefined && u.facts.symbols[symbol]!.kind === 'shared';
  if (!isShared) return computed(node, object);
  const read = u.facts.reads.at(-1);
  if (read?.symbol === symbol && read.start === object.start && !read.path) {
    read.path = [name];
    read.end = node.end!;
  }
  return { kind: 'member', symbol, path: [name], ...spanOf(node) };
}

/** What is called is known by its name, where that is one of a module. */
const asName = (callee: ExprFact): ExprFact =>
  callee.kind === 'member' && callee.component
    ? {
        kind: 'computed',
        uses: [callee.symbol!],
        component: callee.component,
        start: callee.start,
        end: callee.end,
      }
    : callee;

function readArguments(u: Unit, args: t.Node[], ctx: Ctx): ExprFact[] {
  return args.map((arg) =>
    use(u, readExpr(u, arg.type === 'SpreadElement' ? arg.argument : arg, ctx), ctx, 'argument'),
  );
}

/** `save(...rows)` */
function noteSpread(u: Unit, invoke: number | undefined, node: Call): void {
  const at = node.arguments.findIndex((one) => one.type === 'SpreadElement');
  if (at >= 0 && invoke !== undefined) u.facts.invokes![invoke]!.spread = at;
}

/** Names of functions whose state belongs to their caller. */
const HOOK = /(^|\.)use[A-Z]/;

function readCall(u: Unit, node: t.CallExpression | t.OptionalCallExpression, ctx: Ctx): ExprFact {
  const taken = u.dialect.call(u, node, ctx) ?? readStorage(u, node, ctx) ?? readMutation(u, node, ctx);
  if (taken) return taken;
  const calleeNode = unwrap(node.callee);
  if (isFunction(calleeNode)) {
    // Called on the spot: its body is part of this one.
    const args = readArguments(u, node.arguments, ctx);
    const fn = readFunction(u, calleeNode, ctx, ctx.where === 'effect' ? 'effect' : 'derivation');
    return computed(node, fn, ...args);
  }
  const loop = loopOf(calleeNode, node.arguments);
  if (loop) return readLoop(u, node, loop, ctx);
  const callee = asName(readExpr(u, calleeNode, ctx));
  const named = u.dialect.called?.(u, callee, node);
  const noteCalled = (args: ExprFact[]): number | undefined => {
    const index = noteInvoke(u, callee, args, spanOf(node), ctx);
    noteSpread(u, index, node);
    if (named) noteInvoke(u, named, args, spanOf(node), ctx);
    return index;
  };
  if (callee.kind === 'identity') {
    const symbol = u.facts.symbols[callee.symbol!]!;
    if (ctx.fn >= 0) noteCall(u, ctx.fn, callee.symbol!);
    if (symbol.kind === 'prop') {
      const args = node.arguments.map((arg) =>
        use(u, readExpr(u, arg.type === 'SpreadElement' ? arg.argument : arg, ctx), ctx, 'emit'),
      );
      args.forEach((arg, i) => (arg.type ??= typeOf(u, node.arguments[i])));
      const emit = u.facts.emits.push({
        symbol: callee.symbol!,
        event: symbol.port!,
        args,
        fn: ctx.fn,
        guarded: node.type === 'OptionalCallExpression',
        how: 'called',
        ...spanOf(node),
      });
      return {
        ...computed(node, ...args),
        kind: 'call',
        symbol: callee.symbol!,
        ...mergeContent(...args, { ...computed(node), ...noteShown(u, emit - 1, ctx) }),
      };
    }
    if (symbol.kind === 'setter') {
      noteSet(u, callee.symbol!, readArguments(u, node.arguments, ctx), spanOf(node), ctx);
      return { ...computed(node), kind: 'call', symbol: callee.symbol! };
    }
    const args = readArguments(u, node.arguments, ctx);
    if (symbol.kind === 'handler') {
      // Of a function that is read further down, what it draws is not known yet.
      const isRead = symbol.fn !== undefined && symbol.fn >= 0;
      const content = isRead ? u.contents[symbol.fn!]! : [];
      if (!isRead) u.givenLater.push({ symbol: callee.symbol!, args });
      else noteGiven(u, symbol.fn, args);
      return {
        ...resultOfInvoke(u, noteCalled(args), computed(node, ...valuesOf(u, node, args))),
        kind: 'call',
        symbol: callee.symbol!,
        ...mergeContent(...args, { ...spanOf(node), kind: 'computed', content }),
      };
    }
    use(u, callee, ctx, 'argument');
    const index = noteCalled(args);
    const given = symbol.init?.from ? contentOf(u, symbol) : undefined;
    const result = resultOfInvoke(u, index, computed(node, callee, ...valuesOf(u, node, args)));
    const own = symbol.kind === 'inherited' ? { symbol: callee.symbol! } : holding(u, callee);
    return {
      ...result,
      kind: 'call',
      ...own,
      ...mergeContent(result, given && { ...result, content: given }),
    };
  }
  notePromise(u, calleeNode, node.arguments);
  const args = readArguments(u, node.arguments, isTogether(calleeNode) ? { ...ctx, apart: true } : ctx);
  const [taker] = /^(then|subscribe)$/.test(lastNameOf(calleeNode)) ? args : [];
  // What is waited for is what the function is given.
  if (taker) hand(u, taker, waitedFor(u, calleeNode, callee), node, ctx);
  let invoke = noteCalled(args);
  const early = calleeNode.type === 'Identifier' && !callee.component ? calleeNode.binding : undefined;
  if (early) {
    invoke = addInvoke(u, callee, args, spanOf(node), ctx);
    noteSpread(u, invoke, node);
    u.earlyCalls.push({ binding: early, args, callee: spanOf(calleeNode), at: spanOf(node), ctx, invoke });
  }
  // Whoever is called may draw it anywhere.
  for (const arg of args)
    for (const part of arg.content ?? []) {
      if (typeof part !== 'number') continue;
      const drawn = u.facts.render[part]!;
      drawn.loose = true;
      if (drawn.among && callee.component) drawn.givenTo = callee.component;
    }
  const coming = comingOf(u, node, callee, args);
  if (coming) u.coming.set(node, coming);
  noteMutation(u, calleeNode, callee, node, ctx, args);
  noteTold(u, node, args, ctx);
  notePage(u, node, args, ctx);
  const made = computed(node, callee, ...valuesOf(u, node, args));
  const noted = resultOfInvoke(u, invoke, made);
  const bound = binding(callee, args);
  if (bound) noteBound(u, bound, args, spanOf(node), ctx);
  const result: ExprFact = {
    ...(coming ? asResult(coming, made) : noted),
    kind: 'call',
    ...mergeContent(callee, ...args),
    ...(bound ?? wrapping(calleeNode, args)),
    ...(callee.kind === 'member' ? holding(u, callee) : NOTHING),
    ...valuesIn(calleeNode, args[0], node),
  };
  if (callee.component) {
    const hook = (u.dialect.follows ?? HOOK).test(callee.component);
    const call: PlainCallFact = { name: callee.component, where: ctx.where, fn: ctx.fn, ...spanOf(node) };
    const index = u.facts.calls.push(call) - 1;
    const named = calledName(calleeNode);
    const drawn = named && mayDraw(named, hook) ? noteDrawing(u, index, args, ctx) : undefined;
    if (hook) {
      call.args = args;
      result.from = { call: index, path: [] };
      if (invoke !== undefined) u.facts.invokes![invoke]!.helper = index;
    } else if (drawn) result.content = [...(result.content ?? []), drawn];
    result.component = callee.component;
  }
  return result;
}

/** A list of what something holds: `Object.values(x)`, with the names of it, `Object.entries(x)`. */
function valuesIn(callee: t.Node, of: ExprFact | undefined, node: t.Node): Partial<ExprFact> {
  const name = of && memberName(callee);
  if (name === 'Object.values' || name === 'Array.from') return { kind: 'computed', lists: of! };
  if (name !== 'Object.entries') return NOTHING;
  const pair: ExprFact[] = [computed(node, of), { ...computed(node, of), ...entryIn(of!) }];
  return { kind: 'array', open: true, elements: [{ ...computed(node, of), kind: 'array', elements: pair }] };
}

/** A function is called with a value in its own time: one that is written out, or one that the code has a name for. */
function hand(u: Unit, taker: ExprFact, value: ExprFact, at: t.Node, ctx: Ctx): void {
  const fn = functionIn(u, taker) ?? taker.fn;
  const symbol = taker.kind === 'identity' ? taker.symbol! : undefined;
  if (fn !== undefined) noteGiven(u, fn, [value]);
  else if (symbol !== undefined && u.facts.symbols[symbol]!.kind === 'setter')
    noteSet(u, symbol, [value], spanOf(at), ctx);
  else if (taker.kind === 'identity' || taker.kind === 'member' || taker.component)
    noteInvoke(u, taker, [value], spanOf(at), ctx);
}

/** What comes of what is waited for: what is known to come, or anything that it is worked out of. */
function waitedFor(u: Unit, calleeNode: t.Node, callee: ExprFact): ExprFact {
  const coming = 'object' in calleeNode ? u.coming.get(unwrap(calleeNode.object as t.Node)) : undefined;
  return coming ?? { kind: 'computed', uses: usesOf(callee), ...spanOf(calleeNode) };
}

/** What is called, where functions that others made are kept in it. */
function holding(u: Unit, callee: ExprFact): Pick<ExprFact, 'callee'> {
  const { kind, init, within } = u.facts.symbols[callee.symbol!]!;
  const holds =
    kind === 'injected' || (kind === 'derived' && init?.from) || (kind === 'param' && within === -1);
  return holds ? { callee } : NOTHING;
}

function lastNameOf(callee: t.Node): string {
  const isMember = callee.type === 'MemberExpression' || callee.type === 'OptionalMemberExpression';
  return (isMember && !callee.computed ? memberName(callee.property) : memberName(callee)) ?? '';
}

/** Names of functions that give back one that calls what they are given, later or less often. */
const WRAPS =
  /debounce|throttle|^(once|produce)$|memoize|^use(Event|EffectEvent|Latest|Stable|Memoized|Persist)\w*$|Callback$|^use\w*(Handler|Fn)$/i;

/** The function that such a call is given: what it gives back is called in its place. */
function wrapping(callee: t.Node, [first]: ExprFact[]): Pick<ExprFact, 'wraps'> {
  const isFunctionLike = first && /^(function|identity|member)$/.test(first.kind);
  return isFunctionLike && WRAPS.test(lastNameOf(callee)) ? { wraps: [first] } : NOTHING;
}

/** `save.bind(null, id)` */
function binding(
  { kind, symbol, path, ...at }: ExprFact,
  args: ExprFact[],
): Pick<ExprFact, 'wraps' | 'bound'> | undefined {
  if (kind !== 'member' || path!.at(-1) !== 'bind') return undefined;
  const own = path!.slice(0, -1);
  const { start, end } = at;
  const wraps: ExprFact[] = [
    own.length
      ? { kind, symbol: symbol!, path: own, start, end }
      : { kind: 'identity', symbol: symbol!, start, end },
  ];
  return { wraps, ...(args.length > 1 ? { bound: args.length - 1 } : {}) };
}

/** A callback that is bound to what it will be called with is raised with that: `onSave.bind(null, id)`. */
function noteBound(u: Unit, { wraps }: Pick<ExprFact, 'wraps'>, args: ExprFact[], at: Span, ctx: Ctx): void {
  const [callback] = wraps ?? [];
  const own = callback?.kind === 'identity' ? u.facts.symbols[callback.symbol!]! : undefined;
  if (own?.kind !== 'prop' || args.length < 2) return;
  const emit = { symbol: callback!.symbol!, event: own.port!, args: args.slice(1), fn: ctx.fn };
  u.facts.emits.push({ ...emit, guarded: true, how: 'handed', ...at });
}

const NOTHING = {};

/** `import('./chart').then((module) => …)`: what the function is given is the module. */
function notePromise(u: Unit, callee: t.Node, [first]: t.CallExpression['arguments']): void {
  const then =
    callee.type === 'MemberExpression' && memberName(callee.property) === 'then' ? callee : undefined;
  const fn = then && first ? unwrap(first) : undefined;
  const [given] = fn && isFunction(fn) ? fn.params : [];
  if (then && given && moduleLoaded(then.object, '')) notePromised(u, given, then.object);
}

/** The declaration of what is called, or of the object that it is a member of. */
function calledName(callee: t.Node): Binding | undefined {
  const bare = unwrap(callee);
  if (bare.type === 'Identifier') return bare.binding;
  return bare.type === 'MemberExpression' && !bare.computed ? calledName(bare.object) : undefined;
}

/** `new Fleet(…)`: an object of a class of the project keeps what its fields keep. */
function readNew(u: Unit, node: t.NewExpression, ctx: Ctx): ExprFact {
  const taken = u.dialect.made?.(u, node, ctx);
  if (taken) return taken;
  const callee = asName(use(u, readExpr(u, node.callee, ctx), ctx));
  const args = readArguments(u, node.arguments, ctx);
  const result = computed(node, ...args);
  if (!callee.component) return result;
  result.from = { call: u.facts.calls.length, path: [] };
  if (u.dialect.tells) noteMade(u, callee.component, args, spanOf(node), ctx);
  const at = { where: ctx.where, fn: ctx.fn, ...spanOf(node) };
  u.facts.calls.push({ name: callee.component, args, made: true, ...at });
  return result;
}

/** Of what a call is given, functions do not flow into its result, but those that are asked for a value do: `() => wind`. */
const valuesOf = (u: Unit, { callee, arguments: nodes }: Call, args: ExprFact[]): ExprFact[] => {
  const givenBy = ({ fn }: ExprFact): ExprFact[] =>
    fn === undefined ? [] : (u.facts.functions[fn]!.gives ?? []);
  if (isTiming(callee)) return [];
  const fetches = FETCHES.test(lastNameOf(callee));
  return args.flatMap((arg, index) => {
    if (arg.kind === 'object') {
      const { members = [], spreads = [], others = [] } = arg;
      const fetched = members.flatMap(({ name, value }) => (FETCHER.test(name) ? givenBy(value) : []));
      if (!members.some(isListener)) return [arg, ...fetched];
      const values = members.flatMap((one) => (isListener(one) ? [] : [one.value]));
      return [...values, ...fetched, ...spreads, ...others];
    }
    if (arg.kind !== 'function') return [arg];
    if (isOperator(callee)) return [{ ...arg, kind: 'computed', ...askedBy(u, arg.fn) }];
    return fetches || isGetter(nodes[index]) ? givenBy(arg) : [];
  });
};

/** Functions of packages that give, in their time, what the function gives back that they are handed. */
const FETCHES =
  /^(use|create|inject|compute)\w*(Async\w*|Fetch|SWR\w*|Quer(y|ies)|Resource|Loader|Request|Promise)$/;
/** The same function as a member of what they are handed. */
const FETCHER = /^(queryFn|fetcher|fetch|loader|request|handler)$/;

/** `{ onSuccess: () => … }`: told what comes of a call, and no part of that. */
const isListener = ({ name, value }: MemberFact): boolean =>
  value.kind === 'function' && /^on[\p{Lu}]/u.test(name);

function isGetter(node: t.Node | undefined): boolean {
  const fn = node && unwrap(node);
  if (fn?.type !== 'ArrowFunctionExpression' || fn.params.length || fn.body.type === 'BlockStatement')
    return false;
  const body = unwrap(fn.body);
  if (body.type === 'CallExpression') return /^(Boolean|String|Number)$/.test(memberName(body.callee) ?? '');
  return !/^(Assignment|Update|Await|OptionalCall|New|JSX)/.test(body.type);
}

/** A call that hands the entries of a list to a function, one after the other. */
interface Loop {
  list: t.Expression;
  method: string;
  callee: t.MemberExpression | t.OptionalMemberExpression;
  /** The function, and what else the call is made with. */
  by: t.Node;
  others: t.CallExpression['arguments'];
}

/** `list.map((item) => …)`, `Array.from(list, (item) => …)`, `_.map(list, (item) => …)` */
function loopOf(callee: t.Node, [first, ...others]: t.CallExpression['arguments']): Loop | undefined {
  if (callee.type !== 'MemberExpression' && callee.type !== 'OptionalMemberExpression') return undefined;
  const method = callee.computed ? undefined : memberName(callee.property);
  if (method === undefined || !first) return undefined;
  const [by, ...rest] = others;
  const isHanded =
    by && isFunction(unwrap(by)) && !isFunction(unwrap(first)) && first.type !== 'SpreadElement';
  // What only has a length holds nothing.
  const isFrom =
    method === 'from' && memberName(callee.object) === 'Array' && unwrap(first).type !== 'ObjectExpression';
  if (isHanded && (isFrom || LOOPS.has(method)))
    return { list: first as t.Expression, method, callee, by, others: rest };
  if (!LOOPS.has(method)) return undefined;
  return { list: callee.object as t.Expression, method, callee, by: first, others };
}

/** `list.map(item => …)`: the parameter stands for one of the list. */
function readLoop(
  u: Unit,
  node: t.CallExpression | t.OptionalCallExpression,
  { list: listed, method, callee, by: first, others }: Loop,
  ctx: Ctx,
): ExprFact {
  const list = use(u, readExpr(u, listed, ctx), ctx);
  if (method === 'sort' && list.symbol !== undefined && list.kind !== 'computed') {
    const change: ExprFact = { ...list, kind: 'member', path: [...(list.path ?? []), method] };
    noteMutation(u, callee, change, node, ctx);
  }
  const inner: Ctx = { ...ctx, each: spanOf(listed) };
  const body = unwrap(first);
  // Before the entry stands what was made of those before it.
  const at = method === 'reduce' ? 1 : 0;
  let item: ExprFact | undefined;
  if (isFunction(body) && body.params[at] && method !== 'sort') noteLoop(u, body.params[at], listed);
  if (isFunction(body)) {
    item = readFunction(u, body, inner, ctx.where === 'effect' ? 'effect' : 'derivation', {
      kind: 'loop',
      at,
      source: entryOf(list),
      type: { t: 'elem', of: typeOf(u, listed) },
    });
    Object.assign(item, askedBy(u, item.fn));
  } else {
    item = use(u, readExpr(u, first, inner), inner, 'argument');
    const fn = item.kind === 'identity' ? u.facts.symbols[item.symbol!]!.fn : undefined;
    if (fn !== undefined) {
      item = { ...item, content: u.contents[fn]!, ...askedBy(u, fn) };
      noteGiven(u, fn, [entryOf(list)]);
    }
    const named = item.component === undefined || item.kind === 'call' ? undefined : calledName(first);
    if (named && mayDraw(named, false)) {
      const at = { where: ctx.where, fn: ctx.fn, ...spanOf(first) };
      const call = u.facts.calls.push({ name: item.component!, ...at }) - 1;
      item = { ...item, content: [noteDrawing(u, call, [computed(listed, list)], inner)] };
    }
  }
  const rest = readArguments(u, others, ctx);
  const fresh = MAKES_LIST.test(method) ? { fresh: 'array' as const } : {};
  const entry = FINDS.test(method) ? entryIn(list) : {};
  return {
    ...computed(node, list, item, ...rest),
    kind: 'computed',
    ...fresh,
    ...entry,
    ...listIn(method, list, item),
  };
}

/** What a list holds that is made of another one. */
const listIn = (method: string, list: ExprFact, item: ExprFact): Pick<ExprFact, 'lists' | 'each'> => {
  if (SAME_ENTRIES.test(method)) return { lists: list };
  return method === 'map' && item.fn !== undefined ? { each: item.fn } : {};
};

/** Methods with a function that give back a list of the same entries. */
const SAME_ENTRIES = /^(filter|sort|toSorted)$/;

/** Methods that give back an entry. */
const FINDS = /^(find|findLast)$/;

/** Methods that give back a list of their own. */
const MAKES_LIST = /^(map|flatMap|filter)$/;

/** What is drawn stands in an object or a list. */
function noteAmong(u: Unit, { content, fn }: ExprFact): void {
  if (fn !== undefined) return;
  for (const part of content ?? []) if (typeof part === 'number') u.facts.render[part]!.among = true;
}

function readObject(u: Unit, node: t.ObjectExpression, ctx: Ctx): ExprFact {
  const members: MemberFact[] = [];
  const parts: ExprFact[] = [];
  const spreads: ExprFact[] = [];
  const others: NonNullable<ExprFact['others']> = [];
  let open = false;
  for (const property of node.properties) {
    if (property.type === 'SpreadElement') {
      open = true;
      spreads.push(use(u, readExpr(u, property.argument, ctx), ctx));
      continue;
    }
    const under = property.computed ? use(u, readExpr(u, property.key, ctx), ctx) : undefined;
    const value =
      property.type === 'ObjectMethod'
        ? readMethod(u, property, ctx)
        : use(u, readExpr(u, property.value as t.Node, ctx), ctx);
    noteAmong(u, value);
    parts.push(value);
    const name = keyName(property);
    if (name !== undefined) members.push({ name, value, ...spanOf(property.key) });
    else {
      open = true;
      others.push(under && isHeld(under) ? { ...value, under } : value);
    }
  }
  const object: ExprFact = {
    ...computed(node, ...parts, ...spreads),
    kind: 'object',
    members,
    ...(open ? { open } : {}),
    ...(spreads.length ? { spreads } : {}),
    ...(others.length ? { others } : {}),
  };
  u.dialect.written?.(u, node, object, ctx);
  return object;
}

/** A method; a getter is what it gives back, and runs whenever somebody asks. */
function readMethod(u: Unit, node: t.ObjectMethod, ctx: Ctx): ExprFact {
  if (node.kind !== 'get') return readFunction(u, node, ctx, 'handler');
  const [only, ...others] = node.body.body;
  if (only?.type === 'ReturnStatement' && only.argument && !others.length)
    return use(u, readExpr(u, only.argument, ctx), ctx);
  return workedOut(u, readFunction(u, node, ctx, 'derivation'));
}

function readAssignment(u: Unit, node: t.AssignmentExpression, ctx: Ctx): ExprFact {
  if (u.dialect.assign(u, node, ctx)) return { kind: 'computed', ...spanOf(node) };
  const value = use(u, readExpr(u, node.right, ctx), ctx);
  noteWrite(u, node.left, decided(u, node.left, value, ctx), node, ctx);
  return { ...computed(node, value) };
}

/** Which of several words a variable holds, those conditions decide under which it is set. */
function decided(u: Unit, target: t.Node, value: ExprFact, ctx: Ctx): ExprFact {
  if (value.kind !== 'literal' || !ctx.decided) return value;
  const symbol = target.type === 'Identifier' ? symbolOf(u, target) : undefined;
  const kind = symbol === undefined ? undefined : u.facts.symbols[symbol]!.kind;
  // What a handler sets is set when that is called, whatever the reason.
  const isLocal = kind === 'derived' || (kind === 'state' && ctx.fn < 0);
  return isLocal ? { ...value, kind: 'computed', uses: ctx.decided } : value;
}
