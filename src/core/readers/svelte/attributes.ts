/** What a tag is given: attributes, listeners, bindings, directives, parameters of slots. */
import type { AST } from 'svelte/compiler';
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, RenderFact, Span } from '../../model/facts';
import { isOwnTag } from '../../model/own-elements';
import { lit, UNKNOWN } from '../../model/types';
import { attribute, calledBy, isPlain, isProp, lookedUp, spread, writeBack } from '../script/attributes';
import { declarePattern, pathsIn } from '../script/patterns';
import { functionIn } from '../script/invokes';
import { raisePort } from '../script/ports';
import { resultOf } from '../script/results';
import type { Scope } from '../script/scope';
import type { At } from '../script/slots';
import { addFunction, type Ctx, spanOf, symbolOf, typeOf, unwrap, use, usesOf } from '../script/unit';
import { noteWrite } from '../script/writes';
import { type Attribute, code, pattern, span, type Tag } from './ast';
import { eventPort } from './names';
import { eventSymbol, othersSymbol, type SvelteUnit } from './unit';

/** The content of a slot of the component around a tag, and the function that stands for what it is given. */
export interface Filling {
  fn?: number;
}

/**
 * Reads what a tag is given; gives back the scope of what is nested in it. What a slot gives to a tag that fills it is known
 * on the tag itself.
 */
export function readAttributes(u: SvelteUnit, node: Tag, index: number, at: At, filling?: Filling): Scope {
  const fact = u.facts.render[index]!;
  const plain = isPlain(fact);
  const isOwn = fact.tag !== undefined && isOwnTag(fact.tag.name);
  let { scope } = at;
  for (const one of node.attributes)
    if (one.type === 'LetDirective') scope = declareLet(u, one, fact, { ...at, scope }, filling);
  for (const one of node.attributes) {
    if (one.type === 'LetDirective') continue;
    const read = readAttribute(u, one, index, filling ? { ...at, scope } : at);
    if (!read) continue;
    u.facts.render[index]!.lowercase?.given.push(read.name);
    if (!plain || isOwn || read.mode !== 'value' || /^(slot$|on)/.test(read.name)) fact.attributes.push(read);
  }
  return scope;
}

/** `let:item` and `let:item={renamed}` */
function declareLet(
  u: SvelteUnit,
  one: AST.LetDirective,
  fact: RenderFact,
  at: At,
  filling: Filling | undefined,
): Scope {
  const nameAt = { start: one.start + 4, end: one.start + 4 + one.name.length };
  const params = one.expression
    ? pattern(u, one.expression)
    : [{ type: 'Identifier', name: one.name, ...nameAt } as t.Identifier];
  const scope = u.scopes.within(at.scope, params);
  for (const param of params)
    declarePattern(u, param, { kind: 'computed', ...spanOf(param) }, at.ctx, { kind: 'param' });
  if (filling || fact.kind === 'site') {
    const fn =
      (filling ? filling.fn : fact.only?.fn) ??
      addFunction(
        u,
        { type: 'ArrowFunctionExpression', ...span(one) } as t.ArrowFunctionExpression,
        at.ctx.fn,
        'derivation',
      );
    const known = u.facts.functions[fn]!;
    known.takes ??= { names: [], rest: false };
    known.takes.names.push({ name: one.name, ...nameAt });
    if (filling) filling.fn = fn;
    else fact.only = { kind: 'function', fn, ...span(one) };
    // What the slot gives is one object; each name is a member of it.
    for (const { name, path } of params.flatMap((param) => pathsIn(param))) {
      const symbol = name.binding ? u.refs.get(name.binding) : undefined;
      if (symbol !== undefined)
        Object.assign(u.facts.symbols[symbol]!, { index: 0, within: fn, path: [one.name, ...path] });
    }
  }
  return scope;
}

function readAttribute(u: SvelteUnit, one: Attribute, index: number, at: At): AttributeFact | undefined {
  const plain = isPlain(u.facts.render[index]!);
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  switch (one.type) {
    case 'SpreadAttribute': {
      if (one.expression.type === 'Identifier' && one.expression.name === '$$restProps')
        return spread(span(one), { kind: 'identity', symbol: othersSymbol(u, span(one)), ...span(one) });
      const node = code(u, one.expression, at.scope);
      const value: ExprFact = node ? u.expr(node, ctx) : { kind: 'computed', ...span(one) };
      if (value.kind === 'identity' && !/^(bag|rest)$/.test(u.facts.symbols[value.symbol!]!.kind))
        use(u, value, ctx);
      if (node) value.type ??= typeOf(u, node);
      return spread(span(one), value);
    }
    case 'Attribute':
      return readValue(u, one, plain, at);
    case 'StyleDirective':
      if (one.value === true) mention(u, one.name, at.scope, ctx, span(one));
      else readParts(u, [one.value].flat(), at.scope, ctx);
      return undefined;
    case 'OnDirective':
      return readListener(u, one, plain, at);
    case 'BindDirective':
      return readBind(u, one, plain, at);
    default: {
      const { expression } = one as { expression?: unknown };
      const node = expression ? code(u, expression, at.scope) : undefined;
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
    const node = code(u, only.expression, at.scope);
    if (!node) return make({ kind: 'computed', ...span(one) });
    const value = u.expr(node, /^on/.test(one.name) ? lookedUp(node, ctx) : ctx);
    value.type ??= typeOf(u, node);
    // An event of the page that is handed up under its own name is not raised here.
    const raises =
      plain &&
      /^on/.test(one.name) &&
      isProp(u, value) &&
      u.facts.symbols[value.symbol!]!.port !== eventPort(one.name.slice(2));
    if (raises) raisePort(u, value.symbol!, [], spanOf(node), -1, 'listener');
    else if (plain) use(u, value, ctx, 'attribute');
    const called = calledBy(u, node, value);
    return { ...make(value), ...(called ? { called } : {}) };
  }
  const uses = readParts(u, parts, at.scope, ctx);
  return make({ kind: 'computed', type: { t: 'prim', n: 'string' }, uses, ...span(one) });
}

/** The code between the parts of a text; gives back what its value is made of. */
function readParts(u: SvelteUnit, parts: (AST.Text | AST.ExpressionTag)[], scope: Scope, ctx: Ctx): number[] {
  const uses: number[] = [];
  for (const part of parts) {
    const node = part.type === 'ExpressionTag' ? code(u, part.expression, scope) : undefined;
    if (node) uses.push(...usesOf(use(u, u.expr(node, ctx), ctx, 'attribute')));
  }
  return uses;
}

/** `on:hold={go}`; without a value the event is handed up. */
function readListener(u: SvelteUnit, one: AST.OnDirective, plain: boolean, at: At): AttributeFact {
  const nameAt = { start: one.start + 3, end: one.start + 3 + one.name.length };
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  if (!one.expression) {
    const symbol = eventSymbol(u, one.name, nameAt);
    // The element raises it.
    if (plain) raisePort(u, symbol, [], nameAt, -1, 'listener');
    const value: ExprFact = { kind: 'identity', symbol, ...nameAt };
    return attribute(eventPort(one.name), nameAt, 'listen', value, span(one));
  }
  const node = code(u, one.expression, at.scope);
  const value: ExprFact = node ? u.expr(node, lookedUp(node, ctx)) : { kind: 'computed', ...span(one) };
  if (node) value.type ??= typeOf(u, node);
  if (value.kind === 'identity') use(u, value, ctx, 'attribute');
  const called = node && calledBy(u, node, value);
  const listens = attribute(eventPort(one.name), nameAt, 'listen', value, span(one));
  return called ? { ...listens, called } : listens;
}

/** What an element, the window or the document tells of itself as soon as it is there, and cannot be told. */
const MEASURED =
  /^((client|offset|inner|outer|natural|video)(Width|Height)|contentRect|contentBoxSize|borderBoxSize|devicePixelContentBoxSize|devicePixelRatio|online|activeElement|fullscreenElement|pointerLockElement|visibilityState)$/;

/** `bind:value={x}`, `bind:value`, `bind:this={handle}` */
function readBind(u: SvelteUnit, one: AST.BindDirective, plain: boolean, at: At): AttributeFact | undefined {
  const nameAt = { start: one.start + 5, end: one.start + 5 + one.name.length };
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const node = code(u, one.expression, at.scope);
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
    const [getter, setter] = node.expressions.map((part) => use(u, u.expr(part, ctx), ctx));
    const sets = setter && functionIn(u, setter);
    const value: ExprFact = {
      ...resultOf(u, getter!, getter && functionIn(u, getter)),
      ...spanOf(node),
      ...(sets === undefined ? {} : { sets }),
      type: UNKNOWN,
    };
    return plain ? undefined : attribute(one.name, nameAt, 'two-way', value, span(one));
  }
  const value = u.expr(node, ctx);
  value.type ??= typeOf(u, node);
  if (plain) use(u, value, ctx, 'attribute');
  if (plain && MEASURED.test(one.name)) {
    const measured: ExprFact = { kind: 'computed', ...spanOf(node) };
    const ctx: Ctx = { ...at.ctx, where: 'effect', fn: -1 };
    noteWrite(u, node, measured, { ...node, ...span(one) } as t.Node, ctx);
  } else writeBack(u, node, span(one), at.ctx);
  return plain ? undefined : attribute(one.name, nameAt, 'two-way', value, span(one));
}
