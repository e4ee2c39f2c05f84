import type { Linked } from '../../link';
import type { Span } from '../../model/facts';
import { bubbles, isPageEvent, mayRaise } from '../../model/page-names';
import type { Component, Port } from '../../model/project';
import { useOf } from '../../link/4-ports/use-of-ports';
import { placeOf, portKey, step, type Rule } from '../rule';

export const nativeClash: Rule = {
  name: 'event/native-clash',
  level: 'warning',
  summary: 'An event bears the name of one that the page raises, too, so that a listener fires twice.',
  check({ project, report, claim }) {
    for (const component of project.components) {
      for (const { port, emit, listener } of handedUpToo(component)) {
        claim(portKey(port));
        const place = placeOf(component.file, port.declared ? port.place : emit);
        report({
          component,
          port,
          place,
          message: `${component.name} raises "${port.name}", and hands the page's own ${port.name.slice(1)} up under that name; a listener hears both. Hand up one of them.`,
          trail: [
            step(component, placeOf(component.file, emit), port.name, 'is raised', 'emit'),
            step(
              component,
              placeOf(component.file, listener),
              port.name,
              'is handed up from the page',
              'emit',
            ),
          ],
        });
      }
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

/** Events that a component raises, and that it hands up from an element as they are, too. */
function* handedUpToo(component: Component): Iterable<{ port: Port; emit: Span; listener: Span }> {
  const { facts, ports } = component;
  if (facts.traits.isElement || facts.role !== 'component') return;
  for (const { kind, tag, attributes } of facts.render) {
    if (kind !== 'element' || !tag) continue;
    for (const { mode, name, value, start, end } of attributes) {
      const symbol =
        mode === 'listen' && value.kind === 'identity' ? facts.symbols[value.symbol!]! : undefined;
      const port = symbol?.kind === 'prop' && symbol.port === name ? ports.get(name) : undefined;
      if (!port?.name.startsWith('@') || !mayRaise(tag.name, name)) continue;
      const emit = useOf(component, port).emits.find((one) => one.how === 'called');
      if (emit && isPageEvent(name)) yield { port, emit, listener: { start, end } };
    }
  }
}

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
