import { placeOf, portKey, step, type Rule } from '../rule';

export const nameClash: Rule = {
  name: 'prop/name-clash',
  level: 'error',
  summary: 'A prop and another member share one namespace of the component under one name.',
  check({ project, report, claim }) {
    for (const component of project.components) {
      for (const clash of component.facts.clashes ?? []) {
        const port = component.ports.get(clash.prop);
        if (!port) continue;
        claim(portKey(port));
        const place = placeOf(component.file, clash);
        report({
          component,
          port,
          place,
          message: `${component.name} declares "${clash.prop}" a second time, so that the prop of that name never arrives. Rename one of them.`,
          trail: [
            step(component, port.place, port.name, 'is taken as a prop', 'start'),
            step(component, place, clash.prop, 'hides it', 'drop'),
          ],
        });
      }
    }
  },
};
