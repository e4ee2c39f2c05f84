import { attributePlace, step, type Rule } from '../rule';
import { updatesOf } from '../../link/3-tags/sites';
import { hands, useOf } from '../../link/4-ports/use-of-ports';
import type { Component } from '../../model/project';

export const halfPair: Rule = {
  name: 'event/half-pair',
  level: 'note',
  summary: 'A call site passes a value that the child can change, and does not listen for the change.',
  check({ project, report }) {
    for (const site of project.written) {
      const owner = project.components[site.owner]!;
      const target = project.components[site.target]!;
      for (const attribute of site.fact.attributes) {
        const port = target.ports.get(attribute.name);
        if (port?.channel !== 'prop' || attribute.mode !== 'value') continue;
        const event = changeOf(target, port.name);
        if (!event || event.required || event.implied || hands(project, site, event.name) !== false) continue;
        if (!useOf(target, event).emits.length || copies(target, port.symbol)) continue;
        if (!useOf(target, port).reads.some((read) => read.where === 'text' || read.where === 'attribute'))
          continue;
        const place = attributePlace(site, attribute);
        report({
          component: target,
          port: event,
          site: site.id,
          place,
          message: `${owner.name} passes "${port.name}" to ${target.name} and does not listen for "${event.name}", so that it never changes.`,
          trail: [
            step(owner, place, port.name, 'is passed', 'start'),
            step(target, event.place, event.name, 'is not listened for', 'drop'),
          ],
        });
      }
    }
  },
};

/** The event by which a component tells that a value should change. */
function changeOf(component: Component, name: string) {
  const capital = name[0]!.toUpperCase() + name.slice(1);
  const names =
    name === 'value' || name === 'checked' ? ['onChange', `on${capital}Change`] : [`on${capital}Change`];
  const { attributesFallThrough, updateEvent, lowerCallbacks } = component.facts.traits;
  if (lowerCallbacks) names.push(...names.map((one) => one.toLowerCase()));
  if (attributesFallThrough || updateEvent) names.push(...updatesOf(component, name));
  return names.map((one) => component.ports.get(one)).find((port) => port?.channel === 'event');
}

/** The component keeps a copy of its own, and shows that. */
const copies = (component: Component, symbol: number): boolean =>
  component.facts.symbols.some((one) => one.kind === 'state' && one.init?.symbol === symbol);
