/** Signals, events and injection, as a dialect of plain code. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { resultByName } from '../script/by-name';
import { resultOf, workedOut } from '../script/results';
import { readFunction } from '../script/functions';
import { askedOnce, functionIn, noteInvoke } from '../script/invokes';
import { raisePort } from '../script/ports';
import { asResult, piped } from '../script/streams';
import { isFunction } from '../script/scope';
import { memberName } from '../script/type-expr';
import {
  meaningOf,
  merged,
  noteGiven,
  addState,
  type Call,
  type Ctx,
  type Dialect,
  spanOf,
  typeOf,
  type Unit,
  unwrap,
  use,
  isHeld,
  usesOf,
} from '../script/unit';
import { declarePattern } from '../script/patterns';
import { type TypeExpr, widen } from '../../model/types';
import { isChain, readChain, symbolAt } from '../script/own';
import { readInject } from './asks';
import { noteCreated, noteInputSet } from './created';
import { noteClosing, noteDialog, readResult } from './dialogs';
import { inForm, readForm } from './forms';
import { FORM, madeOf, SUBJECT } from './made';
import { type AngularNames, calledOwn, PIPED, signalOf } from './names';
import { readProviders } from './providers';
import { readSelect } from './store';
import { type AngularUnit, isAngularUnit } from './unit';

/** What runs when set-up is over, or the page has changed. */
const LATER = /^(effect|afterNextRender|afterRender|afterEveryRender|afterRenderEffect)$/;
const DERIVES = /^(computed|linkedSignal|toSignal|toObservable|resource|rxResource|httpResource)$/;
const RUNS_IN_CONTEXT = /^(runInInjectionContext|provideAppInitializer|provideEnvironmentInitializer)$/;
/** Functions of the project that ask or provide for their caller. */
const FOLLOWED = /(^|\.)(inject|provide|use|with|create|make)[A-Z]/;

export function angularDialect(names: AngularNames): Dialect {
  return {
    follows: FOLLOWED,
    shares: true,
    tells: true,
    holderMethods: PUTS,
    declare(u, pattern, init, ctx) {
      if (!isAngularUnit(u) || pattern.type !== 'Identifier') return false;
      const name = calledOwn(names, init);
      const call = init as t.CallExpression;
      if (name === 'inject') return readInject(u, call, ctx, pattern) !== undefined;
      if (name === 'signal') {
        const [first] = call.arguments;
        const value = first ? use(u, u.expr(first, ctx), ctx) : undefined;
        u.signals.add(addState(u, pattern, value, widen(typeOf(u, first))));
        return true;
      }
      if (name !== undefined && DERIVES.test(name)) {
        const before = u.facts.symbols.length;
        declarePattern(u, pattern, readDerived(u, name, call, ctx), ctx, { kind: 'derived' });
        u.signals.add(before);
        return true;
      }
      return false;
    },
    call(u, node, ctx) {
      if (!isAngularUnit(u)) return undefined;
      const raised = this.raised!(u, node);
      if (raised) return raise(u, node, raised, ctx);
      noteCreated(u, names, node, ctx);
      noteInputSet(u, node, ctx);
      noteDialog(u, node, ctx);
      noteClosing(u, node, ctx);
      return (
        readOwn(u, names, node, ctx) ??
        readAsync(u, node, ctx) ??
        readSelect(u, node, ctx) ??
        readResult(u, node) ??
        readSignal(u, node, ctx) ??
        readMethod(u, node, ctx) ??
        readForm(u, node, ctx)
      );
    },
    raised(u, node) {
      if (!isAngularUnit(u)) return undefined;
      const callee = unwrap(node.callee);
      if (!isChain(callee) || !/^(emit|next)$/.test(memberName(callee.property) ?? '')) return undefined;
      const symbol = symbolAt(u, unwrap(callee.object));
      return symbol !== undefined && isEvent(u, symbol) ? { symbol, args: node.arguments } : undefined;
    },
    self: (u, node, ctx) =>
      isAngularUnit(u)
        ? (readResult(u, node) ?? readForm(u, node, ctx) ?? readChain(u, node, ctx))
        : undefined,
    memberType(u, name, called) {
      const symbol = isAngularUnit(u) ? u.members.get(name) : undefined;
      if (symbol === undefined || !isAngularUnit(u)) return undefined;
      const { kind } = u.facts.symbols[symbol]!;
      if (!/^(prop|state|derived|injected|handler)$/.test(kind) || isEvent(u, symbol)) return undefined;
      const own: TypeExpr = { t: 'sym', s: symbol };
      if (!u.signals.has(symbol)) return called ? undefined : own;
      return called ? own : signalOf(own);
    },
    callType: (u, { callee, arguments: [first] }) => {
      if (callee.type !== 'Identifier' || callee.binding || !callee.name.startsWith(PIPED)) return undefined;
      const name = callee.name.slice(PIPED.length);
      if (name === 'async') return { t: 'carried', of: typeOf(u, first) };
      return { t: 'ret', of: { t: 'filter', name } };
    },
    assign: () => false,
  };
}

const isEvent = (u: AngularUnit, symbol: number): boolean => {
  const { kind, port } = u.facts.symbols[symbol]!;
  return kind === 'prop' && port!.startsWith('@');
};

/** `wind$ | async`: what comes of a stream, in its time. */
function readAsync(u: AngularUnit, node: Call, ctx: Ctx): ExprFact | undefined {
  const {
    callee,
    arguments: [first],
  } = node;
  if (callee.type !== 'Identifier' || callee.name !== `${PIPED}async` || !first) return undefined;
  // What comes has another type than what it comes by.
  const { type: _, ...value } = use(u, u.expr(first, ctx), ctx);
  const made: ExprFact = { kind: 'computed', uses: usesOf(value), ...spanOf(node) };
  return isHeld(value) ? asResult(value, made) : { ...value, ...spanOf(node) };
}

/** Calls of the framework's own functions. */
function readOwn(u: AngularUnit, names: AngularNames, node: Call, ctx: Ctx): ExprFact | undefined {
  const name = calledOwn(names, node);
  if (name === undefined) return undefined;
  if (name === 'inject') return readInject(u, node, ctx);
  if (name === 'makeEnvironmentProviders' || name === 'importProvidersFrom') {
    readProviders(u, node.arguments[0], { node: 0 });
    return { kind: 'computed', ...spanOf(node) };
  }
  if (LATER.test(name)) {
    for (const arg of node.arguments) use(u, u.expr(arg, { ...ctx, where: 'effect' }), ctx, 'effect');
    return { kind: 'computed', ...spanOf(node) };
  }
  if (DERIVES.test(name)) return readDerived(u, name, node, ctx);
  const [first] = node.arguments;
  if (name === 'untracked' && first) return askedOnce(u, first, node, ctx);
  if (RUNS_IN_CONTEXT.test(name)) {
    u.inContext++;
    const parts = node.arguments.map((arg) => use(u, u.expr(arg, ctx), ctx, 'argument'));
    u.inContext--;
    return { kind: 'computed', uses: parts.flatMap(usesOf), ...spanOf(node) };
  }
  return undefined;
}

/** What a function works out; options beside it are none of its sources. */
export function readDerived(u: Unit, name: string, call: Call, ctx: Ctx): ExprFact {
  const [first, ...options] = call.arguments;
  if (!first) return { kind: 'computed', ...spanOf(call) };
  const inner: Ctx = { ...ctx, where: 'derivation' };
  for (const one of options) use(u, u.expr(one, inner), inner);
  const bare = unwrap(first);
  const byName = name === 'computed' ? resultByName(u, bare, call, inner) : undefined;
  const value = isFunction(bare)
    ? workedOut(u, readFunction(u, bare, inner, 'derivation'))
    : (byName ?? use(u, u.expr(bare, inner), inner));
  const gives = isFunction(bare) ? value.gives : [value];
  return { kind: 'computed', ...spanOf(call), ...merged(value), ...(gives ? { gives } : {}) };
}

/** `this.level()`: what is read by being called is the value. */
function readSignal(u: AngularUnit, node: Call, ctx: Ctx): ExprFact | undefined {
  if (node.arguments.length) return undefined;
  const callee = unwrap(node.callee);
  const symbol = symbolAt(u, callee);
  if (symbol !== undefined) {
    if (!u.signals.has(symbol)) return undefined;
    return { kind: 'identity', symbol, ...spanOf(node) };
  }
  if (!isChain(callee)) return undefined;
  // What is asked of something that was injected may be a signal, or a method that does something.
  const base = baseOf(u, callee);
  if (base === undefined || u.facts.symbols[base]!.kind !== 'injected') return undefined;
  const value = u.expr(callee, ctx);
  if (value.kind !== 'member') return undefined;
  noteInvoke(u, value, [], spanOf(node), ctx);
  return { ...value, called: true, ...spanOf(node) };
}

/** The symbol at which a chain of members starts. */
function baseOf(u: AngularUnit, node: t.Node): number | undefined {
  const symbol = symbolAt(u, node);
  if (symbol !== undefined) return symbol;
  return isChain(node) ? baseOf(u, unwrap(node.object)) : undefined;
}

/** What comes is what a function is called with that takes it, by itself or as the `next` of an object. */
function noteTaker(u: AngularUnit, taker: ExprFact, source: ExprFact): void {
  const next = taker.kind === 'object' ? taker.members?.find((one) => one.name === 'next')?.value : taker;
  noteGiven(u, next && (functionIn(u, next) ?? next.fn), [source]);
}

/** Methods that put a value into an object, by the classes that have them. */
const KEEPS: Record<string, RegExp> = { next: SUBJECT, setValue: FORM, patchValue: FORM, reset: FORM };

/** Methods that put a value into a signal, a subject or a form. */
const PUTS = /^(set|update|mutate|next|setValue|patchValue|reset)$/;

/** `x.set(1)`, `x.update(fn)`, `x.next(v)`: what is kept is written; of an input that tells its owner, it is told. */
function readMethod(u: AngularUnit, node: Call, ctx: Ctx): ExprFact | undefined {
  const callee = unwrap(node.callee);
  if (!isChain(callee) || callee.computed || callee.property.type !== 'Identifier') return undefined;
  const method = callee.property.name;
  const object = unwrap(callee.object);
  if (method === 'subscribe') {
    const source = use(u, u.expr(object, ctx), ctx);
    for (const arg of node.arguments) {
      const taker = use(u, u.expr(arg, { ...ctx, where: 'effect' }), ctx, 'effect');
      noteTaker(u, taker, source);
    }
    return { kind: 'computed', uses: usesOf(source), ...spanOf(node) };
  }
  if (/^(asReadonly|asObservable|pipe)$/.test(method)) {
    const source = use(u, u.expr(object, ctx), ctx);
    const others = node.arguments.map((arg) => use(u, u.expr(arg, ctx), ctx, 'derivation'));
    if (!others.length) return source;
    const coming = piped(u, node, u.coming.get(object) ?? source, others);
    u.coming.set(node, coming);
    return asResult(coming, { kind: 'computed', ...merged(source, ...others), ...spanOf(node) });
  }
  if (!PUTS.test(method)) return undefined;
  const base = baseOf(u, object) ?? inForm(u, object)?.symbol;
  const symbol = symbolAt(u, object);
  if (base === undefined) return undefined;
  const { kind } = u.facts.symbols[base]!;
  const model = symbol === undefined ? undefined : u.models.get(symbol);
  const keeps =
    symbol === undefined
      ? kind === 'injected' || kind === 'state'
      : u.signals.has(symbol) || KEEPS[method]?.test(madeOf(u, symbol)) === true;
  if (model === undefined && !keeps) return undefined;
  const args = node.arguments.map((arg) => {
    const value = use(u, u.expr(arg, ctx), ctx, 'argument');
    value.type ??= typeOf(u, arg);
    return value;
  });
  const [first] = args;
  const value = first && (first.kind === 'function' ? resultOf(u, first) : first);
  if (model !== undefined) {
    const told = u.props.get(model)!;
    raisePort(u, told, value ? [value] : [], spanOf(node), ctx.fn);
    return { kind: 'computed', ...spanOf(node) };
  }
  // What is written to is not read.
  const target = meaningOf(u, object, ctx);
  if (target.symbol === undefined) return undefined;
  u.facts.writes.push({
    symbol: target.symbol,
    ...(target.path?.length ? { path: target.path } : {}),
    ...(value ? { value } : {}),
    where: ctx.where,
    fn: ctx.fn,
    ...spanOf(node),
  });
  // Of something that was injected it may be a method of its own.
  if (symbol === undefined)
    noteInvoke(
      u,
      { ...target, kind: 'member', path: [...(target.path ?? []), method] },
      args,
      spanOf(node),
      ctx,
    );
  return { kind: 'computed', ...spanOf(node) };
}

function raise(
  u: Unit,
  node: Call,
  { symbol, args }: { symbol: number; args: t.Node[] },
  ctx: Ctx,
): ExprFact {
  const given = args.map((arg) => {
    const value = use(u, u.expr(arg, ctx), ctx, 'emit');
    value.type ??= typeOf(u, arg);
    return value;
  });
  raisePort(u, symbol, given, spanOf(node), ctx.fn);
  return { kind: 'call', symbol, ...spanOf(node), uses: given.flatMap(usesOf) };
}
