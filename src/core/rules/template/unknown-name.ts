import { basesOf } from '../../link/bases';
import { nearest } from '../../model/names';
import type { Component } from '../../model/project';
import { namePlace, placeOf, step, type Rule } from '../rule';

export const unknownName: Rule = {
  name: 'template/unknown-name',
  level: 'error',
  summary: 'A template uses a name that its component does not have.',
  check({ project, report }) {
    const globals = new Set(project.files.flatMap((file) => file.facts.globalNames ?? []));
    // A mixin of the whole app may bring any name.
    if (globals.has('*')) return;
    for (const component of project.components) {
      const { facts, file } = component;
      if (!facts.unknownNames || facts.openProps || component.unresolved || component.openBase) continue;
      if (project.files[file]!.bringsNames) continue;
      const seen = new Set<string>();
      const taken = membersTaken(component);
      for (const { name, start, end, known, orType, ofBase } of facts.unknownNames) {
        if (ofBase && (taken.has(name) || nearest(name, new Set([...known, ...taken])) === undefined))
          continue;
        if (orType && project.names.lookupType(file, name)) continue;
        if (seen.has(name) || globals.has(name) || component.ports.has(name)) continue;
        seen.add(name);
        const typed = [...component.ports.values()]
          .filter((one) => one.channel === 'prop')
          .map((one) => one.name);
        const near = nearest(name, new Set([...known, ...typed, ...taken]));
        const place = placeOf(file, { start, end });
        report({
          component,
          port: { channel: 'local', name },
          place,
          message: `The template of ${component.name} uses "${name}", which ${component.name} does not have.${near ? ` Did you mean "${near}"?` : ''}`,
          trail: [
            step(component, place, name, 'is used', 'wait'),
            step(component, namePlace(component), name, 'is not declared', 'drop'),
          ],
          ...(near ? { suggestion: near, edit: { place, text: near } } : {}),
        });
      }
    }
  },
};

/** Names of what the bases of a component declare. */
const membersTaken = (component: Component): Set<string> =>
  new Set(
    basesOf(component).flatMap(({ facts }) =>
      facts.symbols.flatMap(({ kind, name }) => (/^(loop|param)$/.test(kind) ? [] : [name])),
    ),
  );
