import { useOf } from '../../link/4-ports/use-of-ports';
import { placeOf, portKey, step, type Rule } from '../rule';

export const undeclared: Rule = {
  name: 'event/undeclared',
  level: 'note',
  summary: 'A component declares events, and raises one that is not among them.',
  check({ project, report, claimed }) {
    for (const component of project.components) {
      const { facts } = component;
      if (facts.role !== 'component' || facts.openEmits) continue;
      const declared = [...component.ports.values()].filter(
        (one) => one.name.startsWith('@') && one.declared,
      );
      if (!declared.length) continue;
      for (const port of component.ports.values()) {
        if (!port.name.startsWith('@') || port.declared || claimed(portKey(port))) continue;
        const [emit] = useOf(component, port).emits;
        if (!emit) continue;
        const place = placeOf(component.file, port.place);
        report({
          component,
          port,
          place,
          message: `${component.name} raises "${port.name}" and does not declare it beside ${declared.map((one) => `"${one.name}"`).join(', ')}.`,
          trail: [
            step(component, declared[0]!.place, declared[0]!.name, 'is declared', 'start'),
            step(
              component,
              placeOf(component.file, emit),
              port.name,
              'is raised without being declared',
              'emit',
            ),
          ],
        });
      }
    }
  },
};
