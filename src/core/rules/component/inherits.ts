import { placeOf, step, namePlace, type Rule } from '../rule';

export const inherits: Rule = {
  name: 'component/inherits',
  level: 'note',
  summary: 'A component class extends another component class of the project.',
  check({ project, report }) {
    for (const component of project.components) {
      const base = component.facts.extends ?? component.facts.heirOf;
      if (!base || component.facts.extends?.options || component.facts.role !== 'component') continue;
      const target = project.lookup(component.file, base.name);
      const other = target.kind === 'component' ? project.components[target.component] : component.mixins[0];
      if (!other) continue;
      // What stands on tags of others is no component of its own.
      if (other.facts.role !== 'component' || other.facts.attached) continue;
      const place = placeOf(component.file, base);
      report({
        component,
        port: { channel: 'local', name: component.name },
        place,
        message: `${component.name} extends ${other.name}. A component that takes content and a few values is easier to follow.`,
        trail: [
          step(component, place, other.name, 'is extended', 'start'),
          step(other, namePlace(other), other.name, 'is a component of its own', 'read'),
        ],
      });
    }
  },
};
