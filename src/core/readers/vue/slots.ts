/** Outlets of a template, and the content that is given for those of other components. */
import type { Span } from '../../model/facts';
import { spread } from '../script/attributes';
import { parsePattern } from '../script/code';
import { contentFunction } from '../script/content';
import { type At, fillSlot, nameOutlet, noteNested } from '../script/slots';
import { addNode, place } from '../script/unit';
import {
  argumentOf,
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

/** What says that an element is content for a slot. */
export const fillOf = (element: Element): Directive | Static | undefined =>
  directive(element, 'slot') ?? staticAttribute(element, 'slot');

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
  place(u, [index], at.parent);
  if (dynamic && !named) {
    u.facts.openSlots = true;
    u.facts.render[index]!.attributes = [];
  } else {
    const port = slotPort(named?.value?.content ?? 'default');
    nameOutlet(u, index, port, named ? placeOf(named) : tagSpan(element), at.ctx);
    noteNested(u, at.parent);
  }
  return { ...at, parent: index };
}

/** `<template #footer="{ total }">` inside a component. */
export function readFilled(u: VueUnit, element: Element, fill: Directive | Static, at: At): At {
  const group = addNode(u, { kind: 'group', ...placeOf(element) }, at.ctx);
  const name = fill.type === 6 ? (fill.value?.content ?? 'default') : slotName(fill);
  const { fn, scope } = parameters(u, fill, placeOf(element), at);
  const where = fill.type === 7 && fill.arg ? placeOf(fill.arg) : placeOf(fill);
  if (name === undefined) {
    place(u, [group], at.parent);
    // Any slot may be the one.
    u.facts.render[at.parent]!.attributes.push(spread(where));
  } else fillSlot(u, at.parent, group, slotPort(name), where, fn);
  return { ...at, scope, parent: group };
}

/** What is nested in a component without a slot's name is for its default slot, with `v-slot` on its tag. */
export function readNested(u: VueUnit, element: Element, index: number, at: At): At {
  const loose = element.children.some(
    (child) => !isBlank(child) && !(child.type === 1 && fillOf(child as Element)),
  );
  if (loose) noteNested(u, index);
  const own = directive(element, 'slot');
  if (!own) return at;
  const { fn, scope } = parameters(u, own, tagSpan(element), at);
  const name = slotName(own) ?? 'default';
  const fact = u.facts.render[index]!;
  if (name === 'default') {
    if (fn !== undefined) fact.only = { kind: 'function', fn, ...placeOf(own) };
    return { ...at, scope };
  }
  // All that is nested fills one named slot.
  delete fact.nested;
  const group = addNode(u, { kind: 'group', ...placeOf(element) }, at.ctx);
  fillSlot(u, index, group, slotPort(name), placeOf(own), fn);
  return { ...at, scope, parent: group };
}

const slotName = (fill: Directive): string | undefined => (fill.arg ? argumentOf(fill) : 'default');

/** What the slot gives, by the names that the content has for it. */
function parameters(u: VueUnit, fill: Directive | Static, at: Span, { scope, ctx }: At) {
  const params = fill.type === 7 && fill.exp ? parsePattern(codeOf(fill.exp, u.file.text)) : [];
  // They are declared first: their defaults may name each other.
  const inner = params.length ? u.scopes.within(scope, params) : scope;
  return { fn: contentFunction(u, params, at, ctx), scope: inner };
}
