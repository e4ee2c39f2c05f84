import { declarationOf } from '../../model/declaration';
import type { Linked } from '../../link';
import { isNear } from '../../model/names';
import type { Component, Port, Site } from '../../model/project';
import { assignable } from '../../types/assign';
import { isTypeParameter } from '../../link/2-names/type-arguments';
import { showType } from '../../types/show';
import { step, tagPlace, unfilledKey, type Rule } from '../rule';
import { hands, isCloned, isClosed } from '../../link/4-ports/use-of-ports';

export const missing: Rule = {
  name: 'prop/missing',
  level: 'error',
  summary: 'A call site leaves out what the child requires.',
  check({ project, report, claimed }) {
    for (const site of project.written) {
      const target = project.components[site.target]!;
      // A default is drawn only where nothing else is handed in.
      if (target.facts.wrapped || site.spare || isCloned(project, site)) continue;
      const owner = project.components[site.owner]!;
      const matching = matchingVariants(project, site, target);
      for (const port of target.ports.values()) {
        if (port.name === 'key' || port.name === 'ref') continue;
        const asked = port.required || port.expected;
        if (!asked && !matching.some((one) => one.has(port.name))) continue;
        if (!asked && (port.default || !matching.every((one) => one.get(port.name)?.required))) continue;
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
          ...(port.required || !port.expected ? {} : { level: 'warning' as const }),
          place: tagPlace(site),
          message: `${owner.name} renders ${target.name} without "${port.name}", which ${target.name} requires${type ? ` (${type})` : ''}. Pass it, or make it optional.`,
          trail: [
            step(owner, tagPlace(site), port.name, `is not passed to ${target.name}`, 'drop'),
            step(target, declarationOf(port), port.name, 'is required', 'wait'),
          ],
        });
      }
    }
  },
};

/** The alternatives of the props type that the literals of a call site leave open; none if there is no choice. */
function matchingVariants(
  project: Linked,
  site: Site,
  target: Component,
): NonNullable<Component['variants']> {
  const literals = site.fact.attributes.filter((one) => one.mode === 'value' && one.value.type?.t === 'lit');
  const known = project.handed(site);
  if (!target.variants || known.unknown) return [];
  const matching = target.variants.filter((variant) =>
    literals.every((one) => {
      const wanted = variant.get(one.name);
      const from = { type: one.value.type!, file: site.file, component: site.owner };
      return wanted === undefined || assignable(project.types, from, wanted.type, true) !== 'no';
    }),
  );
  return matching.length < target.variants.length ? matching : [];
}

/** Whether the value is probably passed under a wrong name, which is reported there. */
function passesNearMiss(site: Site, target: Component, port: Port): boolean {
  return (
    isClosed(target) &&
    site.fact.attributes.some(
      (one) =>
        one.mode !== 'spread' &&
        !target.ports.has(one.name) &&
        !isTypeParameter(target, one.name) &&
        isNear(one.name, port.name),
    )
  );
}
