import type { RenderFact } from '../../model/facts';
import type { Component, Site } from '../../model/project';
import { placeOf, step, tagPlace, type Rule } from '../rule';

export const stateLost: Rule = {
  name: 'portal/state-lost',
  level: 'warning',
  summary:
    'A component that holds state is written in two exclusive places of one render: switching rebuilds it.',
  check({ project, report }) {
    for (const owner of project.components) {
      if (owner.facts.role !== 'component') continue;
      const seen = new Set<number>();
      const sites = owner.sites.map((id) => project.sites[id]!).filter((site) => site.fact.arms);
      sites.forEach((second, at) => {
        const child = project.components[second.target]!;
        const kept = child.facts.symbols.filter((symbol) => symbol.kind === 'state');
        if (!kept.length || seen.has(child.id) || child.facts.wrapped) return;
        const first = sites
          .slice(0, at)
          .find((one) => one.target === second.target && isRebuilt(owner, one, second));
        if (!first) return;
        seen.add(child.id);
        const names = kept.map((one) => `"${one.name}"`).join(', ');
        report({
          component: child,
          port: { channel: 'state', name: kept[0]!.name },
          place: tagPlace(second),
          site: second.id,
          message: `${owner.name} renders ${child.name} in one of two places, and switching between them rebuilds it: ${names} is lost. Keep one place, or keep the state in ${owner.name}.`,
          trail: [
            step(owner, tagPlace(first), child.name, 'is rendered here in one case', 'start'),
            step(owner, tagPlace(second), child.name, 'and here in the other', 'drop'),
            ...kept.map((one) => step(child, placeOf(child.file, one), one.name, 'is lost', 'drop')),
          ],
        });
      });
    }
  },
};

/** Two places that never show at once, and that the framework does not take for the same. */
function isRebuilt(owner: Component, first: Site, second: Site): boolean {
  const { fact: a } = first;
  const { fact: b } = second;
  if (a.each || b.each || !areExclusive(a, b) || hasOwnKey(a) || hasOwnKey(b)) return false;
  return wayOf(owner, first.node) !== wayOf(owner, second.node);
}

function areExclusive(a: RenderFact, b: RenderFact): boolean {
  return (a.arms ?? []).some((arm) => {
    const [key, side] = [arm.slice(0, -2), arm.slice(-2)];
    return b.arms!.includes(`${key}${side === '#1' ? '#0' : '#1'}`);
  });
}

const hasOwnKey = (fact: RenderFact): boolean => fact.attributes.some((one) => one.mode === 'key');

/** The tags from the root of the render down to a place, with what each is written in. */
function wayOf({ facts }: Component, node: number): string {
  const way: string[] = [];
  for (let at = node; at >= 0; at = facts.render[at]!.parent) {
    const { kind, tag, slot } = facts.render[at]!;
    way.push(`${kind}:${tag?.name ?? ''}:${slot ?? ''}`);
  }
  return way.join('<');
}
