/** What is settled once a component was read whole. */
import type { ReadFact, RenderFact, WriteFact } from '../../model/facts';
import { spread } from '../script/attributes';
import { settleEarly } from '../script/early';
import { placeGiven } from '../script/placing';
import { raisePort } from '../script/ports';
import { placeRest, settleMissing } from '../script/unit';
import { settleSlots } from './drawn';
import type { VueFile } from './file-facts';
import { camel, pascal } from './names';
import { settleSetters } from './state';
import { attrsSymbol, eventSymbol, type VueUnit } from './unit';

/** What is left where nobody placed it is drawn somewhere under the component. */
export function closeUnit(vue: VueFile, u: VueUnit): void {
  settleEarly(u);
  placeGiven(u, u.facts.result);
  placeRest(u);
  settleMissing(u);
  settleSetters(u);
  settleSlots(u);
  settleNames(u);
  if (u.openRefs) readHandles(u);
  resolveLowercase(u);
  raiseModels(u);
  fallThrough(u);
  if (u.attrs !== undefined) u.facts.symbols[u.attrs]!.except = u.facts.ports.map((port) => port.name);
  if (!u.dynamicTags) vue.tagNames.push(...u.tagNames);
  // A two-way binding without a name means these, in older versions.
  if (
    !u.facts.model &&
    u.facts.ports.some((port) => port.name === 'value') &&
    !u.facts.ports.some((port) => port.name === 'modelValue')
  )
    u.facts.model = { prop: 'value', event: 'input' };
}

/**
 * A component most of whose template's names are not its own gets its members from elsewhere: its options are taken
 * over by code that nobody here follows. In `<script setup>` that cannot be, short of names that a build brings.
 */
function settleNames(u: VueUnit): void {
  const unknown = new Set(u.facts.unknownNames?.map((one) => one.name));
  const known = u.usedNames.size;
  const elsewhere = (known === 0 && !u.isSetup) || (unknown.size >= 4 && unknown.size > known);
  // Props of a written type are told from unknown names only when files are linked.
  if (!unknown.size || !elsewhere || u.facts.propsType) return;
  delete u.facts.unknownNames;
  u.openRefs = true;
}

/** In markup of a render function, a lower-case tag may be a component that is registered. */
function resolveLowercase(u: VueUnit): void {
  for (const node of u.facts.render) {
    if (node.kind !== 'element' || !node.tag) continue;
    const names = [node.tag.name, camel(node.tag.name), pascal(node.tag.name)];
    const local = names.map((name) => u.registered.get(name)).find((one) => one !== undefined);
    if (!local) continue;
    node.kind = 'site';
    node.tag.name = local;
    // Of what an element is given, only some was kept.
    node.attributes.push(spread(node.tag));
  }
}

/** Writing to a model raises the event that asks for the change; whoever is given the model may write to it. */
function raiseModels(u: VueUnit): void {
  const { facts } = u;
  for (const [model, event] of u.models) {
    const raise = (at: ReadFact | WriteFact, how?: 'handed') =>
      raisePort(u, eventSymbol(u, event, at), [], at, at.fn, how);
    for (const write of facts.writes.filter((one) => one.symbol === model)) raise(write);
    facts.writes = facts.writes.filter((one) => one.symbol !== model);
    for (const read of facts.reads)
      if (read.symbol === model && read.where === 'argument') raise(read, 'handed');
  }
}

/** Handles that somebody may read, or attach, by a name that nobody knows. */
function readHandles(u: VueUnit): void {
  const attached = new Set(
    u.facts.render.flatMap((node) =>
      node.attributes.flatMap((one) => (one.mode === 'ref' ? [one.value.symbol] : [])),
    ),
  );
  u.facts.symbols.forEach(({ kind, start, end }, symbol) => {
    if (kind !== 'ref') return;
    const read = attached.has(symbol)
      ? { path: ['current'], soft: true, where: 'handler' as const }
      : { where: 'argument' as const };
    u.facts.reads.push({ symbol, fn: -1, start, end, ...read });
  });
}

/** What nobody declares lands on the one element or component that the component draws. */
function fallThrough(u: VueUnit): void {
  if (u.facts.role !== 'component') return;
  const roots = u.keepsAttributes ? [] : rootsOf(u.facts.render);
  for (const node of roots) takeAttributes(u, node);
  const draws = u.facts.render.length > 1;
  if (u.hasTemplate && draws && !roots.length && u.attrs === undefined) u.facts.dropsOthers = true;
}

/** The nodes on which undeclared attributes land: the only root, or each of those that exclude each other. */
function rootsOf(render: RenderFact[]): RenderFact[] {
  const under = (parent: number) =>
    render.filter((node, index) => node.parent === parent && index > 0 && !node.mounted);
  let roots = under(0);
  // What draws nothing of its own hands them on.
  while (roots.length === 1 && roots[0]!.kind === 'group' && !roots[0]!.loose)
    roots = under(render.indexOf(roots[0]!));
  // As often as there are entries in a list.
  if (roots.some((node) => node.each)) return [];
  const places = new Set(roots.map((node) => node.start));
  return places.size === 1 || roots.every((node) => node.when) ? roots : [];
}

function takeAttributes(u: VueUnit, node: RenderFact): void {
  if (node.kind === 'outlet' || node.kind === 'group') {
    // Whatever is drawn there may take them.
    u.facts.openProps = true;
    return;
  }
  const { start } = node.tag ?? node;
  const at = { start, end: start };
  const symbol = attrsSymbol(u, at);
  node.attributes.push(spread(at, { kind: 'identity', symbol, ...at }));
}
