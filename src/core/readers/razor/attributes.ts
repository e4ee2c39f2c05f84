/** What a tag is given: parameters, bindings, listeners, handles, splatted names. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, Span } from '../../model/facts';
import { lit } from '../../model/types';
import { attribute, calledBy, isProp, lookedUp, spread, writeBack } from '../script/attributes';
import { raisePort } from '../script/ports';
import type { At } from '../script/slots';
import { type Ctx, spanOf, typeOf, unwrap, use, usesOf } from '../script/unit';
import { codeAt } from './code';
import { type AttributeText, type ElementNode, type Piece, RazorMarkup } from './markup';
import { symbolAt } from '../script/own';
import { typeOfText } from './types';
import type { RazorUnit } from './unit';

/** Names that Razor keeps for itself. */
const OWN = /^@(rendermode|key|formname|namespace)$/;

/** Two words in a row, which are no code of C#. */
const SEVERAL_WORDS =
  /^\s*(?!(?:new|await|async|typeof|default|throw|checked|static)\b)[A-Za-z]\w*\s+(?!(?:is|as|switch|and|or|not|with)\b)[A-Za-z]/;

/** By these names, types are given to what a tag draws. */
const TYPE_PARAMETER = /^T([A-Z]\w*)?$/;

/** Reads what a tag is given into its render node. */
export function readAttributes(u: RazorUnit, node: ElementNode, index: number, at: At): void {
  const fact = u.facts.render[index]!;
  const isSite = fact.kind === 'site';
  for (const one of node.attributes) {
    if (isSite && one.name === 'Context') continue;
    if (isSite && one.value && TYPE_PARAMETER.test(one.name)) {
      const type = typeOfText(u.file.text.slice(one.value.start, one.value.end).replace(/^@/, ''));
      (fact.typeArgs ??= []).push({ for: one.name, type });
    }
    const read = one.name.startsWith('@')
      ? readDirective(u, one, isSite, node, at)
      : readNamed(u, one, isSite, at);
    if (read) fact.attributes.push(read);
  }
}

/** The code in a text, where that is all of it. */
export const codeIn = (text: string, span: Span): Span | undefined =>
  soleCode(new RazorMarkup(text).pieces(span), span);

function soleCode([only, ...others]: Piece[], { start, end }: Span): Span | undefined {
  const isAll = only && !others.length && only.whole.start === start && only.whole.end === end;
  return isAll ? only.code : undefined;
}

function readNamed(u: RazorUnit, one: AttributeText, isSite: boolean, at: At): AttributeFact | undefined {
  const { name, nameAt, value } = one;
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const make = (given: ExprFact) => attribute(name, nameAt, 'value', given, one);
  if (!value) return make({ kind: 'literal', type: lit(true), ...nameAt });
  const { text } = u.file;
  const pieces = new RazorMarkup(text).pieces(value);
  const only = soleCode(pieces, value);
  if (only) return withCode(u, one, only, isSite, at);
  const literal: ExprFact = {
    kind: 'literal',
    type: lit(text.slice(value.start, value.end)),
    start: value.start,
    end: value.end,
  };
  if (!pieces.length) {
    if (!isSite) return make(literal);
    // What stands there without a mark is code, if the child takes anything but a text.
    const node = SEVERAL_WORDS.test(text.slice(value.start, value.end))
      ? undefined
      : codeAt(u, value, at.scope, false);
    if (!node) return make(literal);
    const isNothing = node.type === 'Identifier' && !node.binding && !u.facts.openProps;
    const given = isNothing ? literal : valueOf(u, node, ctx);
    const called = isNothing ? undefined : calledBy(u, node, given);
    return { ...make(given), text: literal, ...(called ? { called } : {}) };
  }
  const uses = pieces.flatMap(({ code }) => {
    const node = codeAt(u, code, at.scope);
    return node ? usesOf(use(u, u.expr(node, ctx), ctx, 'attribute')) : [];
  });
  return make({
    kind: 'computed',
    type: { t: 'prim', n: 'string' },
    uses,
    start: value.start,
    end: value.end,
  });
}

function valueOf(u: RazorUnit, node: t.Node, ctx: Ctx): ExprFact {
  const value = u.expr(node, lookedUp(node, ctx));
  value.type ??= typeOf(u, node);
  return value;
}

function withCode(
  u: RazorUnit,
  one: AttributeText,
  span: Span,
  isSite: boolean,
  at: At,
): AttributeFact | undefined {
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const node = codeAt(u, span, at.scope);
  const make = (given: ExprFact) => attribute(one.name, one.nameAt, 'value', given, one);
  if (!node) return make({ kind: 'computed', ...span });
  const value = valueOf(u, node, ctx);
  if (!isSite) {
    use(u, value, ctx, 'attribute');
    return make(value);
  }
  const called = calledBy(u, node, value);
  return { ...make(value), ...(called ? { called } : {}) };
}

/** What begins with a mark: `@onclick`, `@bind-Value:after`, `@ref`, `@attributes`. */
function readDirective(
  u: RazorUnit,
  one: AttributeText,
  isSite: boolean,
  node: ElementNode,
  at: At,
): AttributeFact | undefined {
  const { name, nameAt } = one;
  const code = one.value && (codeIn(u.file.text, one.value) ?? one.value);
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  // How a binding is written is no code.
  const made = code && codeAt(u, code, at.scope, !/:(event|format|culture)$/.test(name));
  if (name === '@key' && made) {
    use(u, u.expr(made, ctx), ctx);
    return undefined;
  }
  if (!made || OWN.test(name)) return undefined;
  if (name === '@ref') return attach(u, one, made);
  if (name === '@attributes') {
    const value = u.expr(made, ctx);
    if (value.kind === 'identity' && !/^(bag|rest)$/.test(u.facts.symbols[value.symbol!]!.kind))
      use(u, value, ctx);
    return spread(nameAt, value);
  }
  if (/^@bind\b/.test(name)) return bind(u, one, made, isSite, node, at);
  if (/^@on\w+$/.test(name)) return listen(u, one, made, isSite, at);
  use(u, u.expr(made, ctx), ctx);
  return undefined;
}

/** `@ref="boom"`: the member is the handle. */
function attach(u: RazorUnit, one: AttributeText, made: t.Expression): AttributeFact | undefined {
  const symbol = symbolAt(u, unwrap(made));
  if (symbol === undefined || u.facts.symbols[symbol]!.kind !== 'ref') return undefined;
  return attribute('ref', one.nameAt, 'ref', { kind: 'identity', symbol, ...spanOf(made) }, one);
}

function listen(
  u: RazorUnit,
  one: AttributeText,
  made: t.Expression,
  isSite: boolean,
  at: At,
): AttributeFact {
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const value = valueOf(u, made, ctx);
  const name = one.name.slice(1);
  const nameAt = { start: one.nameAt.start + 1, end: one.nameAt.end };
  if (!isSite && isProp(u, value)) raisePort(u, value.symbol!, [], spanOf(made), -1, 'listener');
  else if (!isSite) use(u, value, ctx, 'attribute');
  const called = calledBy(u, made, value);
  return { ...attribute(name, nameAt, 'value', value, one), ...(called ? { called } : {}) };
}

/** `@bind="x"`, `@bind-Value="x"`, and what is said of such a binding behind a colon. */
function bind(
  u: RazorUnit,
  one: AttributeText,
  made: t.Expression,
  isSite: boolean,
  node: ElementNode,
  at: At,
): AttributeFact | undefined {
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const [, written = '', more] = /^@bind-?([\w-]*)(?::(\w+))?$/.exec(one.name) ?? [];
  const from = one.name.indexOf(written, 5);
  const nameAt = written
    ? { start: one.nameAt.start + from, end: one.nameAt.start + from + written.length }
    : one.nameAt;
  if (more === 'get' || (more === 'set' && isSite && written)) {
    const value = valueOf(u, made, ctx);
    if (!isSite) use(u, value, ctx, 'attribute');
    return isSite
      ? attribute(more === 'get' ? written : `${written}Changed`, nameAt, 'value', value, one)
      : undefined;
  }
  if (more !== undefined) {
    // What is called when the value has changed, or how it is written.
    use(u, valueOf(u, made, ctx), ctx, 'attribute');
    return undefined;
  }
  const value = valueOf(u, made, ctx);
  if (!isSite) {
    use(u, value, ctx, 'attribute');
    const tells = node.attributes.some(({ name }) => /^@bind(-\w+)?:(after|set)$/.test(name));
    // A parameter that is bound to an element is told of by whoever bound it.
    if (!(tells && isProp(u, value))) writeBack(u, made, one, at.ctx);
    return undefined;
  }
  writeBack(u, made, one, at.ctx);
  return attribute(written, nameAt, 'two-way', value, one);
}
