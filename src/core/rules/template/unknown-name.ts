import type { Linked } from '../../link';
import { basesOf } from '../../link/2-names/bases';
import { nearest } from '../../model/names';
import type { Component } from '../../model/project';
import { namePlace, outOfItsScope, placeOf, step, type Report, type Rule } from '../rule';

export const unknownName: Rule = {
  name: 'template/unknown-name',
  level: 'error',
  summary: 'A template uses a name that its component does not have.',
  check({ project, report }) {
    for (const component of project.components)
      for (const one of unknownFilters(project, component)) report(one);
    const globals = new Set(project.files.flatMap((file) => file.facts.globalNames ?? []));
    // A mixin of the whole app may bring any name.
    if (globals.has('*')) return;
    for (const component of project.components) {
      const { facts, file } = component;
      // Where inputs are names of the script, all names of the markup are written there.
      const mayBeProps = facts.openProps || component.unresolved || component.openBase;
      if (!facts.unknownNames || (mayBeProps && !facts.traits.inputsAreNames)) continue;
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

/** Names that markup applies to values, and that mean nothing in its scope. */
function unknownFilters(project: Linked, component: Component): Report[] {
  const { facts, file, markup } = component;
  if (!markup || markup.open) return [];
  const seen = new Set<string>();
  return (facts.filters ?? []).flatMap((one): Report[] => {
    const { name } = one;
    if (markup.filters.has(name) || markup.taken.has(`|${name}`) || seen.has(name)) return [];
    seen.add(name);
    const place = placeOf(file, one);
    const home = project.components.find((other) => other.facts.filter?.name === name);
    const taken = [...markup.taken].flatMap((other) => (other.startsWith('|') ? other.slice(1) : []));
    const near = home ? undefined : nearest(name, new Set([...markup.filters.keys(), ...taken]));
    const why = home ? outOfItsScope(project, home) : 'which nothing in its scope bears';
    return [
      {
        component,
        port: { channel: 'local', name },
        place,
        message: `The template of ${component.name} applies "${name}", ${why}.${near ? ` Did you mean "${near}"?` : ''}`,
        trail: [
          step(component, place, name, 'is applied', 'wait'),
          step(component, namePlace(component), name, 'is not in its scope', 'drop'),
        ],
        ...(near ? { suggestion: near, edit: { place, text: near } } : {}),
      },
    ];
  });
}

/** Names of what the bases of a component declare. */
const membersTaken = (component: Component): Set<string> =>
  new Set(
    basesOf(component).flatMap(({ facts }) =>
      facts.symbols.flatMap(({ kind, name }) => (/^(loop|param)$/.test(kind) ? [] : [name])),
    ),
  );
