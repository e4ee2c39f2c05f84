/**
 * Tags in the tag of a component that may be no components, but content for what the one around takes by their name.
 * Which they are is known when it is known what that takes.
 */
import type { AttributeFact, ComponentFacts, RenderFact } from '../../model/facts';
import type { Component } from '../../model/project';
import { basesOf } from './bases';
import type { Names } from './names';
import type { Registry } from './registry';

/** Rewrites the facts of components in which such tags stand. */
export function settleNamedContent(components: Component[], names: Names, registry: Registry): void {
  for (const component of components)
    if (component.facts.render.some((node) => node.orSlot)) component.facts = settled(component);

  function settled({ file, facts }: Component): ComponentFacts {
    const render = facts.render.map((node) => ({ ...node, attributes: [...node.attributes] }));
    facts.render.forEach((node, index) => {
      const around = node.orSlot && node.parent >= 0 ? facts.render[node.parent]! : undefined;
      if (around?.kind !== 'site' || !around.tag) return;
      const takes = contentOf(file, facts, around);
      if (!takes) return;
      const siblings = facts.render.filter((one) => one.orSlot && one.parent === node.parent);
      // Where one names its place, the others have to, too; so must all where nothing else is taken.
      const isNamed =
        takes.size > 0 && !takes.has(facts.traits.contentPort) && !isComponent(file, facts, node);
      if (isNamed || siblings.some((one) => takes.has(one.tag!.name))) fill(render, index);
    });
    return { ...facts, render };
  }

  function isComponent(file: number, facts: ComponentFacts, { tag }: RenderFact): boolean {
    const isNamed = names.lookup(file, tag!.name).kind === 'component';
    return isNamed || registry.one(file, facts, tag) !== undefined;
  }

  /** The names of content that the component of a tag takes; undefined where that is not known. */
  function contentOf(file: number, facts: ComponentFacts, { tag }: RenderFact): Set<string> | undefined {
    const target = names.lookup(file, tag!.name);
    const found = target.kind === 'component' ? target : registry.one(file, facts, tag);
    const component = found && components[found.component]!;
    const ports = component && [component, ...basesOf(component)].flatMap((one) => one.facts.ports);
    return ports && new Set(ports.flatMap(({ name, channel }) => (channel === 'slot' ? [name] : [])));
  }
}

/** Makes content of a tag, for what its name says. */
function fill(render: RenderFact[], index: number): void {
  const { tag, only, start, end, ...rest } = render[index]!;
  const at = { start: tag!.start, end: tag!.end };
  const { name } = tag!;
  const around = render[rest.parent]!;
  render[index] = { ...rest, start, end, kind: 'group', slot: name, attributes: [] };
  delete render[index].orSlot;
  delete render[index].nested;
  const value: AttributeFact['value'] = only
    ? { ...only, content: [index], ...at }
    : { kind: 'content', content: [index], ...at };
  around.attributes.push({ name, nameStart: at.start, nameEnd: at.end, mode: 'value', value, ...at });
  // Nothing else can be nested beside it.
  delete around.nested;
}
