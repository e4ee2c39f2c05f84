import { declarationOf } from '../../model/declaration';
import { step, tagPlace, type Rule } from '../rule';
import { hands, knownSites, useOf } from '../../link/4-ports/use-of-ports';
import { isMisspelled } from './unknown';

export const neverPassed: Rule = {
  name: 'prop/never-passed',
  level: 'warning',
  summary: 'An optional prop is read, and no call site passes it.',
  check({ project, report }) {
    for (const component of project.components) {
      const sites = knownSites(project, component);
      if (!sites) continue;
      for (const port of component.ports.values()) {
        if (
          port.channel !== 'prop' ||
          port.required ||
          port.expected ||
          port.name === 'key' ||
          port.name === 'ref' ||
          // Other heirs of the class that declares it may be given it.
          (port.inherited && component.facts.heirOf)
        )
          continue;
        const use = useOf(component, port);
        if (!use.reads.length && !use.emits.length && !use.passes.length && !use.placed) continue;
        if (sites.some((site) => hands(project, site, port.name) !== false)) continue;
        if (isMisspelled(project, sites, component, port.name)) continue;
        const count =
          sites.length === 1
            ? 'its only call site does not pass'
            : `none of its ${sites.length} call sites passes`;
        const [first] = sites;
        report({
          component,
          port,
          place: port.place,
          level: port.default && !isUndefined(port.default.type) ? 'note' : 'warning',
          message: `${component.name} reads "${port.name}", but ${count} it. Pass it, or take it out.`,
          trail: [
            step(component, declarationOf(port), port.name, 'is taken', 'start'),
            ...[first!].map((site) =>
              step(
                project.components[site.owner]!,
                tagPlace(site),
                port.name,
                `is not passed to ${component.name}`,
                'drop',
              ),
            ),
          ],
        });
      }
    }
  },
};

const isUndefined = (type: { t: string; v?: unknown } | undefined): boolean =>
  type?.t === 'lit' && type.v === undefined;
