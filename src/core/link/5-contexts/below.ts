/** What may be rendered below a place of a component's render, as far as the project shows. */
import type { RenderFact } from '../../model/facts';
import type { Component } from '../../model/project';
import { oncePer } from '../../model/once-per';
import type { Below, Provider } from './context-types';
import type { Tree } from '../linked';
import { companions } from '../3-tags/sites';
import { placesOf } from '../3-tags/slots';

/**
 * Walks down from one render node. `isCut` ends a branch: what is under another provider of the same key, say.
 * Content that call sites nest in the component is below where the component places it.
 */
export function belowNode(
  project: Tree,
  start: { component: number; node: number; at?: Provider['at'] },
  isCut: (component: number, node: number) => boolean,
): Below {
  const found: Below = { components: new Set(), open: false };
  const first = project.components[start.component]!;
  const pending: { component: Component; under: number }[] = [{ component: first, under: start.node }];
  const seen = new Set<string>();
  const push = (component: Component, under: number) => {
    const key = `${component.id}:${under}`;
    if (seen.has(key)) return;
    seen.add(key);
    pending.push({ component, under });
  };
  const handIn = (component: Component, slot: string) => {
    const key = `${component.id}/${slot}`;
    if (seen.has(key)) return;
    seen.add(key);
    for (const id of component.calledAt) {
      const site = project.sites[id]!;
      const owner = project.components[site.owner]!;
      const { contentPort } = component.facts.traits;
      for (const one of contentOf(owner.facts.render, site.node, slot, contentPort)) push(owner, one);
      // Content that is handed on is the owner's own slot.
      for (const [name, port] of owner.ports) {
        const on = port.channel === 'slot' && placesOf(owner, name).places;
        if (on && on.some((one) => one.node === site.node && one.into === slot)) handIn(owner, name);
      }
    }
    // Somebody may hand in content that is not seen.
    if (component.unknownSites) found.open = true;
  };
  const place = (target: number) => {
    if (found.components.has(target)) return;
    found.components.add(target);
    push(project.components[target]!, -1);
  };
  if (start.at) found.components.add(first.id);
  if (start.at === 'host') {
    if (first.unknownSites) found.open = true;
    for (const id of first.calledAt) {
      const site = project.sites[id]!;
      const owner = project.components[site.owner]!;
      for (const one of companions(project, site)) place(one.target);
      owner.facts.render.forEach((node, index) => {
        if (node.parent === site.node && !isCut(owner.id, index)) push(owner, index);
      });
    }
  }
  for (let next = pending.pop(); next; next = pending.pop()) {
    const { component, under } = next;
    const { render } = component.facts;
    const inside = descendants(component, under, (node) => node !== under && isCut(component.id, node));
    // What is reached as a whole was handed its content at a place that was walked already.
    if (under >= 0 && !component.facts.traits.contextWritten)
      for (const slot of slotsDrawnIn(component, new Set(inside))) handIn(component, slot);
    for (const index of inside) {
      const node = render[index]!;
      for (const { helper, nodes } of component.drawn.get(index) ?? [])
        for (const one of nodes) push(helper, one);
      const sites = component.siteAt.get(index) ?? [];
      const unseen = !sites.length && !isContext(project, component, node);
      if (node.kind === 'site' && (unseen || node.tag?.openChoice)) found.open = true;
      for (const id of sites) place(project.sites[id]!.target);
    }
  }
  return found;
}

/** A context that is its own element draws what is nested in it, and nothing else. */
function isContext(project: Tree, { file }: Component, { tag }: RenderFact): boolean {
  const target = tag && project.lookup(file, tag.name);
  return target?.kind === 'value' && target.value.kind === 'context';
}

/** The slots of a component that are drawn in one of some nodes, or where nobody can see. */
function slotsDrawnIn(component: Component, nodes: Set<number>): string[] {
  return [...component.ports.values()]
    .filter((port) => port.channel === 'slot')
    .map((port) => port.name)
    .filter((name) => {
      const { places, unseen } = placesOf(component, name);
      return unseen || places.some((one) => nodes.has(one.node));
    });
}

/** Nodes by the node they stand in; those of the root come last. */
const childrenOf = oncePer(({ facts: { render } }: Component): number[][] => {
  const lists: number[][] = Array.from({ length: render.length + 1 }, () => []);
  render.forEach((node, index) => lists[node.parent < 0 ? render.length : node.parent]!.push(index));
  return lists;
});

/** A node and all that stands in it; -1 means the whole render. */
function descendants(component: Component, under: number, isCut: (node: number) => boolean): number[] {
  const lists = childrenOf(component);
  const found: number[] = under < 0 ? [] : [under];
  const pending = [...lists[under < 0 ? component.facts.render.length : under]!];
  for (let node = pending.pop(); node !== undefined; node = pending.pop()) {
    if (isCut(node)) continue;
    found.push(node);
    pending.push(...lists[node]!);
  }
  return found;
}

/** The nodes that a call site hands to one slot of what it renders. */
function contentOf(render: RenderFact[], site: number, slot: string, contentPort: string): number[] {
  return render.flatMap((node, index) =>
    node.parent === site && (node.slot ?? contentPort) === slot ? [index] : [],
  );
}
