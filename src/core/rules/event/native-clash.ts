import type { Linked } from '../../link';
import { bubbles, mayRaise } from '../../model/page-names';
import type { Component } from '../../model/project';
import { useOf } from '../../link/use-of-ports';
import { placeOf, portKey, step, type Rule } from '../rule';

export const nativeClash: Rule = {
  name: 'event/native-clash',
  level: 'warning',
  summary: 'An event bears the name of one that the page raises, too, so that a listener fires twice.',
  check({ project, report, claim }) {
    for (const component of project.components) {
      if (!hearsThePage(project, component)) continue;
      for (const port of component.ports.values()) {
        const isElement = component.facts.traits.isElement === true;
        if (!port.name.startsWith('@') || (port.declared && !isElement) || !bubbles(port.name)) continue;
        if (isElement && !component.facts.render.some(({ tag }) => tag && mayRaise(tag.name, port.name)))
          continue;
        const [emit] = useOf(component, port).emits;
        if (!emit) continue;
        claim(portKey(port));
        const place = placeOf(component.file, port.place);
        report({
          component,
          port,
          place,
          message: `${component.name} raises "${port.name}"${isElement ? '' : ' without declaring it'}, and its element raises the page's own ${port.name.slice(1)}; a listener hears both. ${isElement ? 'Give it another name.' : 'Declare it.'}`,
          trail: [step(component, placeOf(component.file, emit), port.name, 'is raised', 'emit')],
        });
      }
    }
  },
};

/** Listeners that the component does not declare land on an element of its own. */
function hearsThePage(project: Linked, component: Component): boolean {
  if (component.facts.traits.isElement)
    return component.facts.role === 'component' && !component.facts.stopsEvents;
  if (!component.facts.traits.attributesFallThrough || !component.spreads.some((one) => one.element))
    return false;
  const from = component.facts.traits.listenersFallThroughFrom;
  const { version } = project.files[component.file]!;
  return from !== undefined && version !== undefined && version.least >= from;
}
