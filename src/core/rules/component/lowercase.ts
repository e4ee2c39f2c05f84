import type { Linked } from '../../link';
import type { RenderFact } from '../../model/facts';
import type { Component } from '../../model/project';
import { placeOf, portKey, step, type Rule } from '../rule';
import { isElementName } from './elements';

export const lowercase: Rule = {
  name: 'component/lowercase',
  level: 'error',
  summary: 'A component is used as a lower-case tag, which is a plain element.',
  check({ project, report, claim }) {
    for (const component of project.components) {
      for (const node of component.facts.render) {
        if (!node.lowercase || !node.tag || isElementName(node.tag.name)) continue;
        if (!holdsComponent(project, component, node.lowercase)) continue;
        if ('symbol' in node.lowercase) {
          const fact = component.facts.symbols[node.lowercase.symbol]!;
          const port = fact.port === undefined ? undefined : component.ports.get(fact.port);
          if (port) claim(portKey(port));
        }
        const { name } = node.tag;
        const capital = name[0]!.toUpperCase() + name.slice(1);
        const place = placeOf(component.file, node.tag);
        report({
          component,
          port: { channel: 'local', name },
          place,
          message: `<${name}> in ${component.name} is a plain element, though "${name}" holds a component. Give it a name with a capital letter, such as ${capital}.`,
          trail: [step(component, place, name, 'is taken for a plain element', 'drop')],
          suggestion: capital,
        });
      }
    }
  },
};

function holdsComponent(
  project: Linked,
  owner: Component,
  held: NonNullable<RenderFact['lowercase']>,
): boolean {
  if ('module' in held) return project.lookup(owner.file, held.module).kind === 'component';
  const symbol = owner.facts.symbols[held.symbol]!;
  if (symbol.kind === 'prop') {
    return owner.calledAt.some((id) => {
      const site = project.sites[id]!;
      const value = site.fact.attributes.find((one) => one.name === symbol.port)?.value;
      return (
        value?.component !== undefined && project.lookup(site.file, value.component).kind === 'component'
      );
    });
  }
  const init = symbol.init?.component;
  return init !== undefined && project.lookup(owner.file, init).kind === 'component';
}
