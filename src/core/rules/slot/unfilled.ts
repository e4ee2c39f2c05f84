import { placeOf, step, tagPlace, unfilledKey, type Rule } from '../rule';
import { hands, knownSites } from '../../link/4-ports/use-of-ports';

export const unfilled: Rule = {
  name: 'slot/unfilled',
  level: 'note',
  summary: 'A slot without fallback that no call site fills.',
  check({ project, report, claim }) {
    for (const component of project.components) {
      const sites = knownSites(project, component);
      if (!sites) continue;
      for (const port of component.ports.values()) {
        if (port.channel !== 'slot' || port.default) continue;
        const outlet = component.facts.render.find(
          (node) => node.kind === 'outlet' && node.outlet === port.name,
        );
        if (!outlet || outlet.fallback) continue;
        const isDefault = port.name === component.facts.traits.contentPort;
        if (
          sites.some((site) => (isDefault && site.fact.nested) || hands(project, site, port.name) !== false)
        )
          continue;
        claim(unfilledKey(port));
        const place = placeOf(component.file, outlet);
        report({
          component,
          port,
          place,
          message: `${component.name} places "${port.name}", and ${sites.length === 1 ? 'its only call site does not fill it' : `none of its ${sites.length} call sites fills it`}.`,
          trail: [
            step(component, place, port.name, 'is placed', 'wait'),
            step(
              project.components[sites[0]!.owner]!,
              tagPlace(sites[0]!),
              port.name,
              'is not filled',
              'drop',
            ),
          ],
        });
      }
    }
  },
};
