import { declarationOf } from '../../model/declaration';
import type { AttributeFact } from '../../model/facts';
import { attributePlace, step, type Rule } from '../rule';
import { knownSites } from '../../link/4-ports/use-of-ports';

/** So many call sites must agree. */
const ENOUGH = 3;

export const constant: Rule = {
  name: 'prop/constant',
  level: 'note',
  summary: 'Three call sites or more all pass the same literal.',
  check({ project, report }) {
    for (const component of project.components) {
      const sites = knownSites(project, component)?.filter(({ file }) => !project.files[file]!.beside);
      if (!sites || sites.length < ENOUGH) continue;
      for (const port of component.ports.values()) {
        if (port.channel !== 'prop' || port.carried) continue;
        const given = sites.map((site) => project.handed(site).attributes.get(port.name));
        const first = literalOf(given[0]);
        if (first === undefined || !given.every((one) => literalOf(one) === first)) continue;
        report({
          component,
          port,
          place: port.place,
          message: `All ${sites.length} call sites of ${component.name} pass ${first} as "${port.name}". It could be a constant, or the default.`,
          trail: [
            step(component, declarationOf(port), port.name, 'is taken', 'read'),
            ...sites
              .slice(0, 3)
              .map((site, i) =>
                step(
                  project.components[site.owner]!,
                  attributePlace(site, given[i]!),
                  port.name,
                  `is ${first}`,
                  'start',
                ),
              ),
          ],
        });
      }
    }
  },
};

function literalOf(attribute: AttributeFact | undefined): string | undefined {
  const type = attribute?.value.type;
  return attribute?.value.kind === 'literal' && type?.t === 'lit' ? JSON.stringify(type.v) : undefined;
}
