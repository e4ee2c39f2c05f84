/** Where render trees start. */
import type { Linked } from '../link';
import { drawnNodes } from '../link/3-tags/drawn';
import { handedIn } from '../link/3-tags/handed-in';
import { topNode } from '../model/nodes-above';
import type { Component } from '../model/project';

/**
 * Where trees start: what is mounted, then what only unknown code renders, then the rest; tests come last. Among equals
 * the one that carries the most comes first. Without what lies aside, what only tests and examples render starts a tree.
 */
export function rootsOf(project: Linked, withAside: boolean): Component[] {
  const isAside = (one: Component): boolean => project.files[one.file]!.aside;
  const isLeftOut = (one: Component): boolean => !withAside && isAside(one);
  const mounted = new Set<number>();
  const helpers = new Set<number>();
  for (const component of project.components) {
    if (component.facts.role === 'component' || component.facts.framesPage || isLeftOut(component)) continue;
    for (const id of component.sites) {
      const { target } = project.sites[id]!;
      const file = project.files[component.file]!;
      (component.facts.role === 'module' && file.facts.mounts && !file.aside ? mounted : helpers).add(target);
    }
  }
  const parts = project.components.filter((one) => one.facts.role === 'component' && !isLeftOut(one));
  for (const one of parts) if (one.root) mounted.add(one.id);
  const drawn = drawnNodes(project.components);
  const rendered = (one: Component) =>
    [...one.calledAt, ...one.handedAt].some((id) => {
      const { owner: by, node } = project.sites[id]!;
      const owner = project.components[by]!;
      if (by === one.id || isLeftOut(owner)) return false;
      if (owner.facts.framesPage) return owner.calledAt.length > 0;
      if (owner.facts.role === 'module') return false;
      return owner.facts.role === 'component' || drawn.get(owner)?.has(topNode(owner, node)) === true;
    });
  const tops = parts.filter((one) => !mounted.has(one.id) && !rendered(one));
  const rank = (one: Component): number =>
    (isAside(one) ? 4 : 0) + (mounted.has(one.id) ? 0 : helpers.has(one.id) ? 1 : 2);
  const roots = [...parts.filter((one) => mounted.has(one.id)), ...tops];
  const carried = new Map(roots.map((one) => [one.id, carriedBy(project, one)]));
  return roots.sort((a, b) => rank(a) - rank(b) || carried.get(b.id)! - carried.get(a.id)! || a.id - b.id);
}

/** How many components stand below one, each counted once. */
export function carriedBy(project: Linked, root: Component): number {
  const seen = new Set([root.id]);
  for (const id of seen)
    for (const site of [...project.components[id]!.sites, ...handedIn(project.components[id]!)])
      seen.add(project.sites[site]!.target);
  return seen.size;
}
