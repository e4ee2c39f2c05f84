/** What a component reaches through the handles that it puts on components of the project. */
import type { ExposesFact, ReadFact } from '../../model/facts';
import type { Linked } from '../../link';
import { isHeld, onlySite } from '../../link/3-tags/sites';
import type { Component, Place, Site } from '../../model/project';
import { handlesOf } from './handles';

export interface Reach {
  component: Component;
  /** The handle's symbol. */
  symbol: number;
  /** What the handle is put on, forwarding components followed to their end. */
  targets: { component: Component; exposes: ExposesFact }[];
  /** The member that is used: `box.current.MEMBER`. */
  member: string;
  place: Place;
  read: ReadFact;
  /** How many names of the read's path come before the member. */
  before: number;
}

/** Every use of a member through a handle, where all that the handle is put on is known. */
export function reachesOf(project: Linked, component: Component): Reach[] {
  const { facts } = component;
  const found: Reach[] = [];
  for (const { symbol, attached, mayHoldOther } of handlesOf(component)) {
    if (!attached || mayHoldOther) continue;
    const targets = targetsOf(project, component, symbol);
    if (!targets) continue;
    for (const read of facts.reads) {
      const before = membersBefore(component, symbol, read);
      const member = before < 0 ? undefined : read.path?.[before];
      const end = read.ends?.[before];
      if (member === undefined || end === undefined) continue;
      const place = { file: component.file, start: end - member.length, end };
      found.push({ component, symbol, targets, member, place, read, before });
    }
  }
  return found;
}

/** Names before the member: one for `box.current.x`, none for `held.x` after `const held = box.current`. */
function membersBefore({ facts }: Component, handle: number, read: ReadFact): number {
  if (read.symbol === handle) return read.path?.[0] === 'current' ? 1 : -1;
  const { kind, init } = facts.symbols[read.symbol]!;
  const holds = init?.kind === 'member' && init.symbol === handle && init.path!.join() === 'current';
  return holds && kind === 'derived' ? 0 : -1;
}

function targetsOf(project: Linked, component: Component, handle: number): Reach['targets'] | undefined {
  const targets: Reach['targets'] = [];
  for (const [index, { attributes }] of component.facts.render.entries()) {
    for (const attribute of attributes) {
      const { value } = attribute;
      // What a handler does with it is among the reads.
      if (value.kind === 'function' && attribute.mode !== 'ref') continue;
      if (value.symbol !== handle && !value.uses?.includes(handle)) continue;
      // What it holds is handed in, and stays what it is.
      if (attribute.mode === 'value' && component.facts.traits.handlesHold) continue;
      if (attribute.mode !== 'ref' || value.kind !== 'identity') return undefined;
      const site = heldAt(project, component, index, handle);
      const target = site && exposedBy(project, project.components[site.target]!, 'ref', new Set());
      if (!target) return undefined;
      targets.push(target);
    }
  }
  return targets.length ? targets : undefined;
}

/** The call site that a handle on a node holds: by a name that it goes by, by its class, or the only one. */
function heldAt(project: Linked, component: Component, node: number, handle: number): Site | undefined {
  const { facts, file, siteAt } = component;
  const asked = facts.queries?.find((one) => one.symbol === handle);
  const wanted = asked && project.lookup(file, asked.component);
  const here = () => (siteAt.get(node) ?? []).map((id) => project.sites[id]!);
  if (wanted?.kind === 'component') return here().find((one) => one.target === wanted.component);
  if (facts.render[node]!.exported) return here().find((one) => isHeld(project, one, handle));
  return onlySite(project, component, node);
}

/** The component that answers a ref given to one of its ports, and what it exposes; undefined where that is not known. */
function exposedBy(
  project: Linked,
  component: Component,
  port: string,
  seen: Set<number>,
): Reach['targets'][number] | undefined {
  if (component.facts.wrapped || component.openBase || seen.has(component.id)) return undefined;
  seen.add(component.id);
  const { facts } = component;
  const exposes = facts.exposes?.find((one) => one.port === port);
  if (exposes) return exposes.open ? undefined : { component, exposes };
  // A forwarded ref: what it is put on answers.
  const taken = facts.symbols.findIndex(
    (one) =>
      (one.kind === 'param' && one.index === 1 && port === 'ref') ||
      (one.kind === 'prop' && one.port === port),
  );
  if (taken < 0) return undefined;
  if (facts.reads.some((read) => read.symbol === taken && read.where !== 'attribute')) return undefined;
  const holders = facts.render.flatMap((node, index) =>
    node.attributes.some((one) => one.value.symbol === taken || one.value.uses?.includes(taken))
      ? [index]
      : [],
  );
  const site = onlySite(project, component, holders[0]!);
  const put = site?.fact.attributes.find(
    (one) => one.value.kind === 'identity' && one.value.symbol === taken,
  );
  if (holders.length !== 1 || !site || !put) return undefined;
  return exposedBy(project, project.components[site.target]!, put.name, seen);
}
