import { isNear } from '../../model/names';
import type { Component, Port, Site } from '../../model/project';
import { showType } from '../../types/show';
import { step, tagPlace, unfilledKey, type Rule } from '../rule';
import { hands, isCloned, isClosed } from '../../link/use-of-ports';

export const missing: Rule = {
  name: 'prop/missing',
  level: 'error',
  summary: 'A call site leaves out what the child requires.',
  check({ project, report, claimed }) {
    for (const site of project.sites) {
      const target = project.components[site.target]!;
      if (target.facts.wrapped || isCloned(project, site)) continue;
      const owner = project.components[site.owner]!;
      for (const port of target.ports.values()) {
        if (!port.required || port.name === 'key' || port.name === 'ref') continue;
        if (port.name === target.facts.traits.contentPort && site.fact.nested) continue;
        // A slot that no call site fills is at fault itself.
        if (claimed(unfilledKey(port))) continue;
        if (hands(project, site, port.name) !== false || passesNearMiss(site, target, port)) continue;
        const type = showType(port.type?.type);
        report({
          component: target,
          port,
          site: site.id,
          nodes: [],
          place: tagPlace(site),
          message: `${owner.name} renders ${target.name} without "${port.name}", which ${target.name} requires${type ? ` (${type})` : ''}. Pass it, or make it optional.`,
          trail: [
            step(owner, tagPlace(site), port.name, `is not passed to ${target.name}`, 'drop'),
            step(target, port.place, port.name, 'is required', 'wait'),
          ],
        });
      }
    }
  },
};

/** Whether the value is probably passed under a wrong name, which is reported there. */
function passesNearMiss(site: Site, target: Component, port: Port): boolean {
  return (
    isClosed(target) &&
    site.fact.attributes.some(
      (one) => one.mode !== 'spread' && !target.ports.has(one.name) && isNear(one.name, port.name),
    )
  );
}
