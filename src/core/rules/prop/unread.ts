import { declarationOf } from '../../model/declaration';
import type { Component } from '../../model/project';
import { namePlace, portKey, step, type Rule } from '../rule';
import { isForOthers, isUsed, useOf } from '../../link/4-ports/use-of-ports';

export const unread: Rule = {
  name: 'prop/unread',
  level: 'warning',
  summary: 'A declared prop is neither read nor passed on.',
  check({ project, report, claimed }) {
    for (const component of project.components) {
      if (component.facts.role !== 'component' || component.facts.openProps) continue;
      for (const port of component.ports.values()) {
        if (port.channel !== 'prop' || !port.declared || port.name.startsWith('_')) continue;
        if (isTakenOut(component, port.name)) continue;
        if (port.name === 'key' || port.name === 'ref' || claimed(portKey(port))) continue;
        if (isUsed(useOf(component, port)) || isForOthers(project, component, port)) continue;
        const givers = component.calledAt.length;
        report({
          component,
          port,
          place: port.place,
          message: `${component.name} takes "${port.name}" and neither reads it nor passes it on. Remove it${givers ? ' here and at its call sites' : ''}, or use it.`,
          trail: [
            step(component, declarationOf(port), port.name, 'is taken', 'start'),
            step(component, namePlace(component), port.name, 'is never read', 'drop'),
          ],
        });
      }
    }
  },
};

/** Taken out of a rest that is handed on: leaving it out is its use. */
const isTakenOut = (component: Component, name: string): boolean =>
  !component.facts.traits.attributesFallThrough &&
  component.spreads.some((one) => one.except.includes(name)) &&
  component.facts.symbols.some((one) => one.kind === 'prop' && one.port === name);
