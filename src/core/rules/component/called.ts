import { namePlace, placeOf, step, type Rule } from '../rule';

export const called: Rule = {
  name: 'component/called',
  level: 'warning',
  summary: 'A component that holds state or consumes context is called as a function.',
  check({ project, report }) {
    for (const component of project.components) {
      for (const call of component.facts.calls) {
        if (call.made) continue;
        const target = project.lookup(component.file, call.name);
        if (target.kind !== 'component') continue;
        const other = project.components[target.component]!;
        if (other.facts.role !== 'component' || other.id === component.id) continue;
        const keeps = other.facts.symbols.some(
          (symbol) => symbol.kind === 'state' || symbol.kind === 'injected',
        );
        if (!keeps) continue;
        const place = placeOf(component.file, call);
        report({
          component,
          port: { channel: 'local', name: other.name },
          place,
          message: `${component.name} calls ${other.name} as a function, so that its state becomes ${component.name}'s. Render it as a tag.`,
          trail: [
            step(component, place, other.name, 'is called', 'emit'),
            step(other, namePlace(other), other.name, 'keeps state or consumes context', 'read'),
          ],
        });
      }
    }
  },
};
