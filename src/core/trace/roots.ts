/** Where render trees start. */
import type { Linked } from '../link';
import { drawnNodes } from '../link/drawn';
import { topNode } from '../link/nodes-above';
import type { Component } from '../model/project';

/** Where trees start: what is mounted, then what only unknown code renders, then the rest; tests come last. */
export function rootsOf(project: Linked): Component[] {
  const mounted = new Set<number>();
  const helpers = new Set<number>();
  for (const component of project.components) {
    if (component.facts.role === 'component') continue;
    for (const id of component.sites) {
      const { target } = project.sites[id]!;
      const file = project.files[component.file]!;
      (component.facts.role === 'module' && file.facts.mounts && !file.aside ? mounted : helpers).add(target);
    }
  }
  const parts = project.components.filter((one) => one.facts.role === 'component');
  for (const one of parts) if (one.root) mounted.add(one.id);
  const drawn = drawnNodes(project.components);
  const rendered = (one: Component) =>
    one.calledAt.some((id) => {
      const { owner: by, node } = project.sites[id]!;
      const owner = project.components[by]!;
      if (by === one.id || owner.facts.role === 'module') return false;
      return owner.facts.role === 'component' || drawn.get(owner)?.has(topNode(owner, node)) === true;
    });
  const tops = parts.filter((one) => !mounted.has(one.id) && !rendered(one));
  const rank = (one: Component): number =>
    (project.files[one.file]!.aside ? 4 : 0) + (mounted.has(one.id) ? 0 : helpers.has(one.id) ? 1 : 2);
  return [...parts.filter((one) => mounted.has(one.id)), ...tops].sort(
    (a, b) => rank(a) - rank(b) || a.id - b.id,
  );
}
