/** What a tag of a template is given: attributes, bindings, listeners, two-way bindings, refs. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, Span } from '../../model/facts';
import { lit, UNKNOWN } from '../../model/types';
import { isCallbackName } from '../../model/names';
import { attribute, calledBy, isPlain, lookedUp, spread, writeBack } from '../script/attributes';
import { parseCode } from '../script/code';
import { bindingOf } from '../script/scope';
import type { At } from '../script/slots';
import { type Ctx, typeOf, use } from '../script/unit';
import { argumentOf, codeOf, type Directive, type Element, expressionOf, placeOf, type Prop } from './ast';
import { bindCode, parseListener } from './code';
import { camel, eventPort } from './names';
import { handleSymbol } from './self';
import type { VueUnit } from './unit';

/** Directives that say where a thing stands, read elsewhere. */
const STRUCTURE = new Set(['if', 'else-if', 'else', 'for', 'slot', 'pre', 'once', 'cloak', 'memo']);

export function readAttributes(u: VueUnit, element: Element, index: number, at: At): void {
  const fact = u.facts.render[index]!;
  const plain = isPlain(fact);
  for (const prop of element.props) {
    const read = prop.type === 6 ? readStatic(u, prop, plain, at) : readDirective(u, prop, index, at);
    if (!read) continue;
    fact.lowercase?.given.push(read.name);
    // Of what a plain element is given, only this says something about the flow beyond the reads noted.
    const isHandler = read.called !== undefined && isCallbackName(read.name);
    if (!plain || read.mode === 'ref' || read.mode === 'spread' || read.mode === 'listen' || isHandler)
      fact.attributes.push(read);
  }
}

function readStatic(
  u: VueUnit,
  prop: Extract<Prop, { type: 6 }>,
  plain: boolean,
  at: At,
): AttributeFact | undefined {
  const { name } = prop;
  const value = prop.value?.content;
  const span = placeOf(prop);
  const nameSpan = placeOf({ loc: prop.nameLoc });
  if (name === 'ref' && value) {
    // A name of the script, or one that only `$refs` knows.
    const binding = bindingOf(value, at.scope);
    const own = binding && u.refs.get(binding);
    const symbol = own ?? handleSymbol(u, value, { start: span.start, end: span.end } as t.Node);
    return attribute('ref', nameSpan, 'ref', { kind: 'identity', symbol, ...span }, span);
  }
  if (plain && name === 'id' && value) u.scopes.ids.add(value);
  if (/^(is|slot|slot-scope)$/.test(name) || (plain && (name === 'class' || name === 'style')))
    return undefined;
  // An attribute without a value is true or a text, as the child has it.
  const type = value === undefined || value === '' ? UNKNOWN : lit(value);
  const written = prop.value ? placeOf(prop.value) : span;
  return attribute(
    camel(name),
    nameSpan,
    name === 'key' ? 'key' : 'value',
    { kind: 'literal', type, ...written },
    span,
  );
}

function readDirective(u: VueUnit, prop: Directive, index: number, at: At): AttributeFact | undefined {
  if (STRUCTURE.has(prop.name)) return undefined;
  if (prop.name === 'on') return readListener(u, prop, at);
  if (prop.name === 'bind') return readBound(u, prop, index, at);
  if (prop.name === 'model') return readModel(u, prop, index, at);
  const node = expressionOf(u, prop, at.scope);
  if (node) {
    const ctx: Ctx = { ...at.ctx, where: 'attribute' };
    use(u, u.expr(node, ctx), ctx, prop.name === 'show' ? 'condition' : 'attribute');
  }
  // A directive of the app's own may do anything with the component.
  return undefined;
}

function argSpan(prop: Directive): Span {
  return prop.arg ? placeOf(prop.arg) : placeOf(prop);
}

function readBound(u: VueUnit, prop: Directive, index: number, at: At): AttributeFact | undefined {
  const span = placeOf(prop);
  const plain = isPlain(u.facts.render[index]!);
  const name = argumentOf(prop);
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  let node = expressionOf(u, prop, at.scope);
  if (!prop.exp && name !== undefined) {
    // `:wide` stands for `:wide="wide"`.
    const { start } = argSpan(prop);
    node = parseCode({ text: camel(name), offset: start });
    if (node) bindCode(u, node, at.scope);
  }
  if (!node) return spread(span);
  const value = u.expr(node, ctx);
  if (name === undefined) {
    value.type ??= typeOf(u, node);
    if (!prop.arg) return spreadOf(u, value, ctx, span);
    use(u, value, ctx);
    return spread(span);
  }
  if (name === 'ref') {
    use(u, value, ctx);
    return attribute('ref', argSpan(prop), 'ref', value, span);
  }
  if (plain || name === 'class' || name === 'style' || name === 'is' || name === 'key')
    use(u, value, ctx, 'attribute');
  if (name === 'is' || name === 'slot' || (plain && (name === 'class' || name === 'style'))) return undefined;
  // What these are given in any form arrives as one.
  if (/^(class|style)$/.test(name)) value.type = UNKNOWN;
  value.type ??= typeOf(u, node);
  const twoWay = prop.modifiers.some((one) => textOf(one) === 'sync');
  if (twoWay) writeBack(u, node, span, at.ctx);
  const called = calledBy(u, node, value);
  const mode = name === 'key' ? 'key' : twoWay ? 'two-way' : 'value';
  return { ...attribute(camel(name), argSpan(prop), mode, value, span), ...(called ? { called } : {}) };
}

const textOf = (one: unknown): string =>
  typeof one === 'string' ? one : (one as { content: string }).content;

/** `v-bind="object"`: known by name where the object is written out, or is what was handed in. */
function spreadOf(u: VueUnit, value: ExprFact, ctx: Ctx, span: Span): AttributeFact {
  if (value.kind === 'identity') {
    const { kind } = u.facts.symbols[value.symbol!]!;
    if (kind !== 'bag' && kind !== 'rest') use(u, value, ctx);
  }
  return spread(span, value);
}

function readListener(u: VueUnit, prop: Directive, at: At): AttributeFact | undefined {
  const span = placeOf(prop);
  const name = argumentOf(prop);
  const handler: Ctx = { ...at.ctx, where: 'handler' };
  if (name === undefined) {
    const node = expressionOf(u, prop, at.scope);
    if (!node) return spread(span);
    const value = u.expr(node, handler);
    if (prop.arg) use(u, value, handler);
    return prop.arg ? spread(span) : listeners(u, value, handler, span);
  }
  const native = prop.modifiers.some((one) => textOf(one) === 'native');
  const code = prop.exp && codeOf(prop.exp, u.file.text);
  const node = code && parseListener(code);
  if (!node)
    return native
      ? undefined
      : attribute(eventPort(name), argSpan(prop), 'listen', { kind: 'computed', ...span }, span);
  bindCode(u, node, at.scope);
  const value = u.expr(node, lookedUp(node, { ...at.ctx, where: 'attribute' }));
  value.type ??= typeOf(u, node);
  if (value.kind === 'identity') use(u, value, { ...at.ctx, where: 'attribute' }, 'attribute');
  if (native) return undefined;
  return attribute(eventPort(name), argSpan(prop), 'listen', value, span);
}

/** `v-on="{ opened: go }"` */
function listeners(u: VueUnit, value: ExprFact, ctx: Ctx, span: Span): AttributeFact {
  if (value.kind !== 'object') return spreadOf(u, value, ctx, span);
  const members = (value.members ?? []).map((one) => ({ ...one, name: eventPort(one.name) }));
  return spread(span, { ...value, members });
}

/** `v-model`: a value handed over, and written back when the child asks. */
function readModel(u: VueUnit, prop: Directive, index: number, at: At): AttributeFact | undefined {
  const span = placeOf(prop);
  const node = expressionOf(u, prop, at.scope);
  if (!node) return spread(span);
  const fact = u.facts.render[index]!;
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const value = u.expr(node, ctx);
  value.type ??= typeOf(u, node);
  if (isPlain(fact)) use(u, value, ctx, 'attribute');
  writeBack(u, node, span, at.ctx);
  if (isPlain(fact)) return undefined;
  const name = prop.arg ? argumentOf(prop) : 'modelValue';
  return name === undefined ? spread(span) : attribute(camel(name), argSpan(prop), 'two-way', value, span);
}
