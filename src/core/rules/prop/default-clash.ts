import { declarationOf } from '../../model/declaration';
import { assignable } from '../../types/assign';
import { showType } from '../../types/show';
import { placeOf, step, type Rule } from '../rule';

export const defaultClash: Rule = {
  name: 'prop/default-clash',
  level: 'error',
  summary: 'The default value cannot be assigned to the declared type, or a required prop has one.',
  check({ project, report }) {
    for (const component of project.components) {
      if (component.facts.role !== 'component') continue;
      for (const port of component.ports.values()) {
        const { default: fallback } = port;
        if (!fallback?.type || !port.type) continue;
        const place = placeOf(component.file, fallback);
        const trail = (what: string) => [
          step(component, declarationOf(port), port.name, 'is declared', 'start'),
          step(component, place, port.name, what, 'drop'),
        ];
        const from = { type: fallback.type, file: component.file, component: component.id };
        const written = fallback.type.t === 'lit';
        if (assignable(project.types, from, port.type, written, !written) === 'no') {
          const asks = showType(port.type.type) || 'another type';
          report({
            component,
            port,
            place,
            message: `The default of "${port.name}" in ${component.name} is ${showType(fallback.type) || 'of another type'}, but it is declared as ${asks}.`,
            trail: trail('has a default of another type'),
          });
        } else if (port.requiredByType && !port.shared && port.defaultIn !== 'class') {
          report({
            component,
            port,
            place,
            level: 'warning',
            message: `${component.name} requires "${port.name}" and gives it a default, which is never used. Make it optional, or take the default out.`,
            trail: trail('has a default all the same'),
          });
        }
      }
    }
  },
};
