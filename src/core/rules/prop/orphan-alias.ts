import { nearest } from '../../model/names';
import type { Component } from '../../model/project';
import { placeOf, portKey, step, type Rule } from '../rule';

export const orphanAlias: Rule = {
  name: 'prop/orphan-alias',
  level: 'error',
  summary: 'A port is declared by a text that names no member of the class.',
  check({ project, report, claim }) {
    for (const component of project.components) {
      if (isOpen(component)) continue;
      for (const one of component.facts.orphans ?? []) {
        const inherited = component.mixins.flatMap(namesOf);
        if (inherited.includes(one.name)) continue;
        const port = component.ports.get(one.port);
        if (port) claim(portKey(port));
        const near = nearest(one.name, [...one.known, ...inherited]);
        const place = placeOf(component.file, one);
        report({
          component,
          port: { channel: one.channel, name: one.name },
          place,
          message: `${component.name} declares "${one.name}" by a text, and has no member of that name.${near ? ` Did you mean "${near}"?` : ''}`,
          trail: [step(component, place, one.name, 'is declared, and is nowhere', 'drop')],
          ...(near ? { suggestion: near } : {}),
        });
      }
    }
  },
};

/** Some base is not of the project, and may have any member. */
const isOpen = (component: Component): boolean =>
  component.openBase === true || component.mixins.some(isOpen);

/** Names of members, those of bases too. */
const namesOf = ({ facts, mixins }: Component): string[] => [
  ...facts.symbols.map(({ name }) => name),
  ...mixins.flatMap(namesOf),
];
