import { declarationOf } from '../../model/declaration';
import { isContract, isReached } from '../../link/4-ports/use-of-ports';
import { namePlace, portKey, step, type Rule } from '../rule';
import { emissionsOf } from '../../link/4-ports/emission';

export const neverEmitted: Rule = {
  name: 'event/never-emitted',
  level: 'warning',
  summary: 'A declared event is never raised, called or passed on.',
  check({ project, report, claimed }) {
    const emissions = emissionsOf(project);
    for (const component of project.components) {
      for (const port of component.ports.values()) {
        if (port.channel !== 'event' || !port.declared || port.implied || port.name.startsWith('_')) continue;
        if (isContract(component, port) || project.elementReads.has(port.name)) continue;
        if (isReached(component, port) || claimed(portKey(port)) || !emissions.isDropped(port)) continue;
        const heard = component.calledAt.some((id) =>
          project.handed(project.sites[id]!).attributes.has(port.name),
        );
        report({
          component,
          port,
          place: port.place,
          message: `${component.name} declares "${port.name}" and never raises it or passes it on${heard ? ', though call sites listen' : ''}.`,
          trail: [
            step(component, declarationOf(port), port.name, 'is declared', 'start'),
            step(component, namePlace(component), port.name, 'is never raised', 'drop'),
          ],
        });
      }
    }
  },
};
