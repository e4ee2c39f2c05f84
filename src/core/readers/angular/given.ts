/** What is written on a tag: texts, bindings, listeners. */
import type {
  TmplAstBoundAttribute,
  TmplAstBoundEvent,
  TmplAstElement,
  TmplAstTemplate,
  TmplAstTextAttribute,
} from '@angular/compiler';
import type { AttributeFact, ExprFact, RenderFact } from '../../model/facts';
import type * as t from '@babel/types';
import { lit, type TypeExpr, UNKNOWN } from '../../model/types';
import { ownMember } from '../script/classes';
import { attribute, calledBy, writeBack } from '../script/attributes';
import type { At } from '../script/slots';
import { type Ctx, typeOf, use } from '../script/unit';
import { codeOf, listenerOf } from './code';
import { slotPort } from './names';
import { parseSelectors } from './selectors';
import { spanAt } from './spans';
import type { AngularUnit } from './unit';

/** What is written on a tag. */
export function readGiven(
  u: AngularUnit,
  tag: TmplAstElement | TmplAstTemplate,
  index: number,
  at: At,
): void {
  const node = u.facts.render[index]!;
  for (const one of tag.attributes) addText(node, one);
  for (const one of tag.inputs) addInput(u, node, one, at);
  for (const one of tag.outputs) addListener(u, node, one, at);
  standAs(node, tag);
}

/** `ngProjectAs="[head]"` */
export function standAs(node: RenderFact, tag: { attributes: TmplAstTextAttribute[] }): void {
  const as = tag.attributes.find((one) => one.name === 'ngProjectAs');
  const [selector] = as ? parseSelectors(as.value) : [];
  if (!as || !selector) return;
  const { tag: name = '', attributes, classes } = selector;
  const at = spanAt(as.valueSpan ?? as.sourceSpan);
  node.standsAs = { tag: name, attributes, classes, slot: slotPort(as.value), ...at };
}

/** `<ng-content select="[foot]" foot />`: what is projected here is projected further by what is written there. */
export function markAs(node: RenderFact, { attributes }: { attributes: TmplAstTextAttribute[] }): void {
  const own = attributes.filter(({ name }) => name !== 'select' && name !== 'ngProjectAs');
  if (!own.length) return;
  node.marks = {
    tag: 'ng-content',
    attributes: own.map(({ name, value }) => ({ name, value })),
    classes: own.flatMap(({ name, value }) => (name === 'class' ? value.split(/\s+/).filter(Boolean) : [])),
  };
}

export function addText(node: RenderFact, one: TmplAstTextAttribute): void {
  const at = spanAt(one.keySpan ?? one.sourceSpan);
  const span = spanAt(one.valueSpan ?? one.sourceSpan);
  const value: ExprFact = { kind: 'literal', type: lit(one.value), ...span };
  node.attributes.push({ ...attribute(one.name, at, 'value', value, spanAt(one.sourceSpan)), plain: true });
}

/** `hold($event)`: the listener takes what the method takes there. */
function takenBy(u: AngularUnit, listener: t.Node): TypeExpr | undefined {
  const body = listener.type === 'ArrowFunctionExpression' ? listener.body : undefined;
  const [only, ...others] = body?.type === 'BlockStatement' ? body.body : [];
  const call = only?.type === 'ExpressionStatement' && !others.length ? only.expression : undefined;
  if (call?.type !== 'CallExpression' || call.callee.type !== 'MemberExpression') return undefined;
  const name = ownMember(call.callee);
  const symbol = name === undefined ? undefined : u.members.get(name);
  const type = symbol === undefined ? undefined : u.facts.symbols[symbol]!.type;
  const at = call.arguments.findIndex((one) => one.type === 'Identifier' && one.name === '$event');
  const param = type?.t === 'fn' && at >= 0 ? type.params[at] : undefined;
  if (!param || param.rest) return undefined;
  return { t: 'fn', params: [{ name: param.name, type: param.type }], returns: UNKNOWN };
}

/** What is handed on may be used there. */
const isHandle = (u: AngularUnit, { kind, symbol }: ExprFact): boolean =>
  kind === 'identity' && u.facts.symbols[symbol!]!.kind === 'ref';

/** Kinds of events and bindings, as the parser numbers them. */
const EVENT = { twoWay: 2, animations: [1, 3] };
const BINDING = { property: 0, attribute: 1, class: 2, style: 3, twoWay: 5 };

export function addInput(u: AngularUnit, node: RenderFact, one: TmplAstBoundAttribute, at: At): void {
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const code = codeOf(u, one.value, at.scope);
  const kind = one.type as number;
  if (kind !== BINDING.property && kind !== BINDING.twoWay) {
    if (code) use(u, u.expr(code, ctx), ctx, 'attribute');
    return;
  }
  const nameAt = spanAt(one.keySpan ?? one.sourceSpan);
  const all = spanAt(one.sourceSpan);
  const value: ExprFact = code ? u.expr(code, ctx) : { kind: 'computed', ...all };
  if (code) value.type ??= typeOf(u, code);
  // A template is drawn where it is stamped.
  if (one.name === 'ngTemplateOutlet') stamp(u, value, ctx);
  // What stands on an element of the page is used there.
  else if (node.kind !== 'site') use(u, value, ctx, isHandle(u, value) ? 'argument' : 'attribute');
  const mode: AttributeFact['mode'] = kind === BINDING.twoWay ? 'two-way' : 'value';
  // Both ways, what a signal holds is bound, and not the signal.
  if (mode === 'two-way' && value.kind === 'identity' && u.signals.has(value.symbol!))
    value.type = { t: 'sym', s: value.symbol! };
  const made = attribute(one.name, nameAt, mode, value, all);
  const called = code && calledBy(u, code, value);
  if (called && value.kind === 'call') made.called = called;
  node.attributes.push(made);
  if (mode === 'two-way' && code) writeBack(u, code, all, at.ctx);
}

/** A template is drawn where it is named, in whichever order the two stand. */
export function stamp(u: AngularUnit, value: ExprFact, ctx: Ctx): void {
  const from = u.facts.reads.length;
  use(u, value, { ...ctx, where: 'text' }, 'text');
  if (ctx.arms) for (const read of u.facts.reads.slice(from)) read.arms = ctx.arms;
}

/** `(held)="hold($event)"`; what stands on the window or the document is none of the tag's. */
function addListener(u: AngularUnit, node: RenderFact, one: TmplAstBoundEvent, at: At): void {
  // The other half of a two-way binding is read with it.
  if ((one.type as number) === EVENT.twoWay) return;
  const ctx: Ctx = { ...at.ctx, where: 'handler' };
  const all = spanAt(one.sourceSpan);
  const handler = spanAt(one.handlerSpan);
  const listener = listenerOf(u, one.handler, at.scope, handler);
  const value = u.expr(listener, ctx);
  const takes = takenBy(u, listener);
  if (takes) value.type = takes;
  if (one.target || EVENT.animations.includes(one.type as number)) return;
  const name = one.name.split('.')[0]!;
  const nameAt = spanAt(one.keySpan);
  node.attributes.push(
    attribute(`@${name}`, { ...nameAt, end: nameAt.start + name.length }, 'listen', value, all),
  );
}
