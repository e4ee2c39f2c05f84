import { declarationOf } from '../../model/declaration';
import { isPageEvent } from '../../model/page-names';
import type { Component, Port } from '../../model/project';
import { isMisspelled } from '../prop/unknown';
import { placeOf, portKey, step, tagPlace, type Rule } from '../rule';
import { hands, knownSites, useOf } from '../../link/4-ports/use-of-ports';
import { emissionsOf } from '../../link/4-ports/emission';

const isOnlyHandedUp = (component: Component, port: Port): boolean =>
  useOf(component, port).emits.every((one) => one.how === 'listener' && !one.args.length);

export const unheard: Rule = {
  name: 'event/unheard',
  level: 'warning',
  summary: 'A component raises an event, and none of its call sites listens.',
  check({ project, report, claimed }) {
    const emissions = emissionsOf(project);
    for (const component of project.components) {
      const sites = knownSites(project, component);
      if (!sites) continue;
      for (const port of component.ports.values()) {
        if (port.channel !== 'event' || port.required || port.implied || claimed(portKey(port))) continue;
        if (!emissions.isRaised(port) || project.rising.isHeard(port)) continue;
        if (sites.some((site) => hands(project, site, port.name) !== false)) continue;
        if (isMisspelled(project, sites, component, port.name)) continue;
        // What the page itself raises on an element is offered to whoever wants it.
        if (port.name.startsWith('@') && isPageEvent(port.name) && isOnlyHandedUp(component, port)) continue;
        const emit = useOf(component, port).emits[0];
        const [first] = sites;
        const many =
          sites.length === 1
            ? 'its only call site does not listen'
            : `none of its ${sites.length} call sites listens`;
        report({
          component,
          port,
          place: port.place,
          message: `${component.name} raises "${port.name}", but ${many}.`,
          trail: [
            emit
              ? step(component, placeOf(component.file, emit), port.name, 'is raised', 'emit')
              : step(component, declarationOf(port), port.name, 'is handed up', 'pass'),
            step(
              project.components[first!.owner]!,
              tagPlace(first!),
              port.name,
              `is not listened for on ${component.name}`,
              'drop',
            ),
          ],
        });
      }
    }
  },
};
