/** Outlets of a template, and the content that is given for those of other components. */
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { spread } from '../script/attributes';
import { type Code, parsePattern } from '../script/code';
import { contentFunction } from '../script/content';
import { type At, fillSlot, nameOutlet, noteNested } from '../script/slots';
import { place } from '../script/placing';
import { addNode } from '../script/unit';
import {
  argumentOf,
  boundTo,
  codeOf,
  type Directive,
  directive,
  type Element,
  isBlank,
  placeOf,
  type Static,
  staticAttribute,
  tagSpan,
} from './ast';
import { readAttributes } from './attributes';
import { slotPort } from './names';
import type { VueUnit } from './unit';

/** What makes an element content for a slot. */
export interface Fill {
  /** The slot's name, unless it is worked out. */
  name: string | undefined;
  at: Span;
  /** What the slot gives, by the names that the content has for it. */
  params: t.Node[];
  /** By attributes of older versions, which any element may bear. */
  older: boolean;
}

/** `slot-scope="{ total }"`; older still, `scope` on a template. */
const scopeOf = (element: Element): Static | undefined =>
  staticAttribute(element, 'slot-scope') ??
  (element.tag === 'template' ? staticAttribute(element, 'scope') : undefined);

/** The attribute that makes an element content for a slot. */
const markOf = (element: Element): Directive | Static | undefined =>
  directive(element, 'slot') ??
  staticAttribute(element, 'slot') ??
  boundTo(element, 'slot') ??
  scopeOf(element);

/** `v-slot:x="{ total }"`, or `slot="x" slot-scope="{ total }"`. */
export function fillOf(u: VueUnit, element: Element): Fill | undefined {
  const mark = markOf(element);
  if (!mark) return undefined;
  if (mark.type === 7 && mark.name === 'slot') {
    const params = mark.exp ? parsePattern(codeOf(mark.exp, u.file.text)) : [];
    const name = mark.arg ? argumentOf(mark) : 'default';
    return { name, at: placeOf(mark.arg ?? mark), params, older: false };
  }
  const written = mark.type === 6 && mark.name === 'slot' ? mark.value?.content : undefined;
  const scoped = scopeOf(element)?.value;
  const params = scoped ? parsePattern(insideQuotes(u, placeOf(scoped))) : [];
  return { name: mark.type === 7 ? undefined : written || 'default', at: placeOf(mark), params, older: true };
}

function insideQuotes(u: VueUnit, { start, end }: Span): Code {
  const edge = /["']/.test(u.file.text.charAt(start)) ? 1 : 0;
  return { text: u.file.text.slice(start + edge, end - edge), offset: start + edge };
}

/** `<slot name="x" :wind="wind">fallback</slot>` */
export function readOutlet(u: VueUnit, element: Element, at: At): At {
  const named = staticAttribute(element, 'name');
  const dynamic = element.props.some(
    (one) => one.type === 7 && one.name === 'bind' && (!one.arg || argumentOf(one) === 'name'),
  );
  const fallback = element.children.some((child) => !isBlank(child));
  const index = addNode(
    u,
    { kind: 'outlet', ...(fallback ? { fallback } : {}), ...placeOf(element) },
    at.ctx,
  );
  readAttributes(u, element, index, at);
  // What comes for the one goes on to another, in an older way to write it.
  const into = staticAttribute(element, 'slot');
  if (into?.value) fillSlot(u, at.parent, index, slotPort(into.value.content), placeOf(into), undefined);
  else place(u, [index], at.parent);
  if (dynamic && !named) {
    u.facts.openSlots = true;
    u.facts.render[index]!.attributes = [];
  } else {
    const port = slotPort(named?.value?.content ?? 'default');
    nameOutlet(u, index, port, named ? placeOf(named) : tagSpan(element), at.ctx);
    if (!into?.value) noteNested(u, at.parent);
  }
  return { ...at, parent: index };
}

/** `<template #footer="{ total }">` inside a component. */
export function readFilled(u: VueUnit, element: Element, fill: Fill, at: At): At {
  const group = addNode(u, { kind: 'group', ...placeOf(element) }, at.ctx);
  const { fn, scope } = parameters(u, fill, placeOf(element), at);
  fillWith(u, group, fill, at.parent, fn);
  return { ...at, scope, parent: group };
}

/** Content of a component around it. */
export function fillWith(
  u: VueUnit,
  node: number,
  { name, at }: Fill,
  parent: number,
  fn: number | undefined,
): void {
  if (name !== undefined) {
    fillSlot(u, parent, node, slotPort(name), at, fn);
    return;
  }
  place(u, [node], parent);
  // Any slot may be the one.
  u.facts.render[parent]!.attributes.push(spread(at));
}

/** What is nested in a component without a slot's name is for its default slot, with `v-slot` on its tag. */
export function readNested(u: VueUnit, element: Element, index: number, at: At): At {
  const loose = element.children.some(
    (child) => !isBlank(child) && !(child.type === 1 && markOf(child as Element)),
  );
  if (loose) noteNested(u, index);
  const fill = directive(element, 'slot') && fillOf(u, element);
  if (!fill) return at;
  const { fn, scope } = parameters(u, fill, tagSpan(element), at);
  const fact = u.facts.render[index]!;
  if (fill.name === 'default') {
    if (fn !== undefined) fact.only = { kind: 'function', fn, ...fill.at };
    return { ...at, scope };
  }
  // All that is nested fills one named slot.
  delete fact.nested;
  const group = addNode(u, { kind: 'group', ...placeOf(element) }, at.ctx);
  fillWith(u, group, fill, index, fn);
  return { ...at, scope, parent: group };
}

/** Declares what the slot gives; they are declared first: their defaults may name each other. */
export function parameters(u: VueUnit, { params }: Fill, at: Span, { scope, ctx }: At) {
  const inner = params.length ? u.scopes.within(scope, params) : scope;
  return { fn: contentFunction(u, params, at, ctx), scope: inner };
}
