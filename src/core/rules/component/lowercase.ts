import type { Linked } from '../../link';
import type { LoweredFact } from '../../model/facts';
import { isPageAttribute } from '../../model/page-names';
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
        if (!node.lowercase || !node.tag) continue;
        const held = heldBy(project, component, node.lowercase);
        if (!held.length || !isMeant(node.tag.name, node.lowercase, held)) continue;
        if (node.lowercase.symbol !== undefined) {
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

/** A name that elements have, too, is meant for the component only where it is given what no element takes. */
const isMeant = (tag: string, { given }: LoweredFact, held: Component[]): boolean =>
  !isElementName(tag) ||
  given.some(
    (name) => !isPageAttribute(name) && held.every(({ ports }) => ports.get(name)?.declared === true),
  );

/** The components that the name of a tag stands for. */
function heldBy(project: Linked, owner: Component, { symbol, choices = [] }: LoweredFact): Component[] {
  const fact = symbol === undefined ? undefined : owner.facts.symbols[symbol]!;
  const targets =
    fact?.kind === 'prop'
      ? owner.calledAt.flatMap((id) => {
          const site = project.sites[id]!;
          const name = site.fact.attributes.find((one) => one.name === fact.port)?.value.component;
          return name === undefined ? [] : [project.lookup(site.file, name)];
        })
      : choices.flatMap((one) => [
          ...project.names.candidates(owner.file, one),
          project.lookup(owner.file, one.name),
        ]);
  const held = targets.flatMap((one) =>
    one.kind === 'component' ? [project.components[one.component]!] : [],
  );
  return [...new Set(held)].filter(isDrawn);
}

/** A component, or a function that draws and has no capital letter to say that it is one. */
const isDrawn = ({ facts }: Component): boolean =>
  facts.role === 'component' ||
  (facts.role === 'helper' && facts.render.some(({ kind }) => kind !== 'group'));
