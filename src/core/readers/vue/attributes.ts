/** What a tag of a template is given: attributes, bindings, listeners, two-way bindings, refs. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, RenderFact, Span } from '../../model/facts';
import { lit, UNKNOWN } from '../../model/types';
import { noteWrite } from '../script/writes';
import { addFunction, spanOf, typeOf, unwrap, use, type Ctx } from '../script/unit';
import { parseCode } from '../script/code';
import { bindCode, parseListener } from './code';
import { handleSymbol } from './dialect';
import { camel, eventPort } from './names';
import {
  bindingOf,
  codeOf,
  expressionOf,
  nameOf,
  type At,
  type Directive,
  type Element,
  type Prop,
} from './template';
import type { VueUnit } from './unit';

/** Directives that say where a thing stands, read elsewhere. */
const STRUCTURE = new Set(['if', 'else-if', 'else', 'for', 'slot', 'pre', 'once', 'cloak', 'memo']);

const spanIn = (one: { loc: { start: { offset: number }; end: { offset: number } } }): Span => ({
  start: one.loc.start.offset,
  end: one.loc.end.offset,
});

/** What it is given goes no further: an element, or a tag of the framework's own. */
const isPlain = ({ kind }: RenderFact): boolean => kind !== 'site' && kind !== 'outlet';

export function readAttributes(u: VueUnit, element: Element, index: number, at: At): void {
  const fact = u.facts.render[index]!;
  const plain = isPlain(fact);
  for (const prop of element.props) {
    const read = prop.type === 6 ? readStatic(u, prop, plain, at) : readDirective(u, prop, index, at);
    if (!read) continue;
    // Of what a plain element is given, only this says something about the flow beyond the reads noted.
    if (!plain || read.mode === 'ref' || read.mode === 'spread' || read.mode === 'listen')
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
  const span = spanIn(prop);
  const nameSpan = spanIn({ loc: prop.nameLoc });
  if (name === 'ref' && value) {
    // A name of the script, or one that only `$refs` knows.
    const binding = bindingOf(value, at.scope);
    const own = binding && u.refs.get(binding);
    const symbol = own ?? handleSymbol(u, value, { start: span.start, end: span.end } as t.Node);
    return attribute('ref', nameSpan, 'ref', { kind: 'identity', symbol, ...span }, span);
  }
  if (plain && name === 'id' && value) u.scopes.ids.add(value);
  if (name === 'is' || name === 'slot' || (plain && (name === 'class' || name === 'style'))) return undefined;
  // An attribute without a value is true or a text, as the child has it.
  const type = value === undefined || value === '' ? UNKNOWN : lit(value);
  const written = prop.value ? spanIn(prop.value) : span;
  return attribute(
    camel(name),
    nameSpan,
    name === 'key' ? 'key' : 'value',
    { kind: 'literal', type, ...written },
    span,
  );
}

const attribute = (
  name: string,
  { start, end }: Span,
  mode: AttributeFact['mode'],
  value: ExprFact,
  span: Span,
): AttributeFact => ({ name, nameStart: start, nameEnd: end, mode, value, ...span });

/** Anything may be handed over here. */
const unknown = (span: Span, value?: ExprFact): AttributeFact =>
  attribute('...', span, 'spread', value ?? { kind: 'computed', ...span }, span);

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
  return prop.arg ? spanIn(prop.arg) : spanIn(prop);
}

function readBound(u: VueUnit, prop: Directive, index: number, at: At): AttributeFact | undefined {
  const span = spanIn(prop);
  const plain = isPlain(u.facts.render[index]!);
  const name = nameOf(prop);
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  let node = expressionOf(u, prop, at.scope);
  if (!prop.exp && name !== undefined) {
    // `:wide` stands for `:wide="wide"`.
    const { start } = argSpan(prop);
    node = parseCode({ text: camel(name), offset: start });
    if (node) bindCode(u, node, at.scope);
  }
  if (!node) return unknown(span);
  const value = u.expr(node, ctx);
  if (name === undefined) {
    if (!prop.arg) return spreadOf(u, value, ctx, span);
    use(u, value, ctx);
    return unknown(span);
  }
  if (name === 'ref') {
    use(u, value, ctx);
    return attribute('ref', argSpan(prop), 'ref', value, span);
  }
  if (plain || name === 'class' || name === 'style' || name === 'is' || name === 'key')
    use(u, value, ctx, 'attribute');
  if (name === 'is' || (plain && (name === 'class' || name === 'style'))) return undefined;
  value.type ??= typeOf(u, node);
  const twoWay = prop.modifiers.some((one) => textOf(one) === 'sync');
  if (twoWay) writeBack(u, node, span, at.ctx);
  return attribute(
    camel(name),
    argSpan(prop),
    name === 'key' ? 'key' : twoWay ? 'two-way' : 'value',
    value,
    span,
  );
}

const textOf = (one: unknown): string =>
  typeof one === 'string' ? one : (one as { content: string }).content;

/** `v-bind="object"`: known by name where the object is written out, or is what was handed in. */
function spreadOf(u: VueUnit, value: ExprFact, ctx: Ctx, span: Span): AttributeFact {
  if (value.kind === 'identity') {
    const { kind } = u.facts.symbols[value.symbol!]!;
    if (kind !== 'bag' && kind !== 'rest') use(u, value, ctx);
  }
  return unknown(span, value);
}

function readListener(u: VueUnit, prop: Directive, at: At): AttributeFact | undefined {
  const span = spanIn(prop);
  const name = nameOf(prop);
  const handler: Ctx = { ...at.ctx, where: 'handler' };
  if (name === undefined) {
    const node = expressionOf(u, prop, at.scope);
    if (!node) return unknown(span);
    const value = u.expr(node, handler);
    if (prop.arg) use(u, value, handler);
    return prop.arg ? unknown(span) : listeners(u, value, handler, span);
  }
  const native = prop.modifiers.some((one) => textOf(one) === 'native');
  const code = prop.exp && codeOf(prop.exp as never, u.file.text);
  const node = code && parseListener(code);
  if (!node)
    return native
      ? undefined
      : attribute(eventPort(name), argSpan(prop), 'listen', { kind: 'computed', ...span }, span);
  bindCode(u, node, at.scope);
  const value = u.expr(node, { ...at.ctx, where: 'attribute' });
  value.type ??= typeOf(u, node);
  if (value.kind === 'identity') use(u, value, { ...at.ctx, where: 'attribute' }, 'attribute');
  if (native) return undefined;
  return attribute(eventPort(name), argSpan(prop), 'listen', value, span);
}

/** `v-on="{ opened: go }"` */
function listeners(u: VueUnit, value: ExprFact, ctx: Ctx, span: Span): AttributeFact {
  if (value.kind !== 'object') return spreadOf(u, value, ctx, span);
  const members = (value.members ?? []).map((one) => ({ ...one, name: eventPort(one.name) }));
  return unknown(span, { ...value, members });
}

/** `v-model`: a value handed over, and written back when the child asks. */
function readModel(u: VueUnit, prop: Directive, index: number, at: At): AttributeFact | undefined {
  const span = spanIn(prop);
  const node = expressionOf(u, prop, at.scope);
  if (!node) return unknown(span);
  const fact = u.facts.render[index]!;
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const value = u.expr(node, ctx);
  value.type ??= typeOf(u, node);
  if (isPlain(fact)) use(u, value, ctx, 'attribute');
  writeBack(u, node, span, at.ctx);
  if (isPlain(fact)) return undefined;
  const name = prop.arg ? nameOf(prop) : 'modelValue';
  return name === undefined ? unknown(span) : attribute(camel(name), argSpan(prop), 'two-way', value, span);
}

/** The write happens when the event comes. */
function writeBack(u: VueUnit, node: t.Node, span: Span, ctx: Ctx): void {
  const fn = addFunction(u, { ...unwrap(node), ...span } as t.Node, ctx.fn, 'handler');
  noteWrite(u, node, { kind: 'computed', ...spanOf(node) }, { ...node, ...span } as t.Node, {
    ...ctx,
    where: 'handler',
    fn,
  });
}
