/**
 * Tags of elements that the project defines, in markup of other languages: they are call sites, too. What is written on
 * them are attributes and listeners of the page, and what is nested in them names its slot for itself.
 */
import type { AttributeFact, ComponentFacts, FileFacts, RenderFact } from '../../model/facts';
import { isOwnTag, propOf } from '../../model/own-elements';
import { isPageEvent } from '../../model/page-names';
import { groupBy } from '../../model/group-by';
import type { Component } from '../../model/project';
import { declares } from './mixins';
import { content } from './placed';
import type { Registry } from './registry';

/** Facts without the pages on which no element of the project stands: these are no part of it. */
export function withPages(files: FileFacts[]): FileFacts[] {
  const elements = new Set(
    files.flatMap(({ registers = [] }) => registers.flatMap((one) => ('element' in one ? [one.name] : []))),
  );
  const isDrawn = ({ render }: ComponentFacts) => render.some(({ tag }) => tag && elements.has(tag.name));
  return files.map((file) =>
    file.ownPage && !file.components.some(isDrawn) ? { ...file, components: [] } : file,
  );
}

/** Makes call sites of such tags. */
export function settleElements(components: Component[], registry: Registry): void {
  if (!registry.hasElements) return;
  for (const owner of components)
    if (!owner.facts.traits.isElement || owner.facts.traits.bySelectors) settle(owner);

  function settle(owner: Component): void {
    const { render } = owner.facts;
    const found = new Map<number, Component>();
    render.forEach(({ kind, tag }, index) => {
      if ((kind !== 'element' && kind !== 'site') || !tag || !isOwnTag(tag.name)) return;
      const target = registry.element(tag.name);
      if (target) found.set(index, components[target.component]!);
    });
    if (!found.size) return;
    const changed = [...render];
    for (const [index, target] of found) {
      const node = changed[index]!;
      const attributes = node.attributes.map((one) => given(one, target));
      changed[index] = { ...node, kind: 'site', attributes };
    }
    changed.forEach((node, index) => {
      const target = found.get(node.parent);
      if (!target || node.slot !== undefined) return;
      const slot = node.attributes.find((one) => one.name === 'slot');
      if (!slot) return;
      const around = changed[node.parent]!;
      const { type } = slot.value;
      if (type?.t !== 'lit' || typeof type.v !== 'string') {
        // It may fill any of them.
        changed[node.parent] = { ...around, attributes: [...around.attributes, anyOf(slot)] };
        return;
      }
      const name = `#${type.v}`;
      changed[index] = { ...node, slot: name };
      changed[node.parent] = { ...around, attributes: [...around.attributes, content(index, name, slot)] };
    });
    const inside = groupBy(changed, (one) => one.parent);
    for (const index of found.keys()) changed[index] = withNested(changed[index]!, inside.get(index) ?? []);
    owner.facts = { ...owner.facts, render: changed };
  }
}

/** Something is nested that names no slot. */
function withNested({ nested, ...node }: RenderFact, inside: RenderFact[]): RenderFact {
  if (!nested) return node;
  return inside.length && inside.every((one) => one.slot !== undefined) ? node : { ...node, nested };
}

const anyOf = ({ start, end }: AttributeFact): AttributeFact => ({
  name: '...',
  nameStart: start,
  nameEnd: end,
  mode: 'spread',
  value: { kind: 'computed', start, end },
  start,
  end,
});

/** An attribute of the page as what it is to the element: a prop by its own name, or a listener. */
function given(one: AttributeFact, target: Component): AttributeFact {
  if (one.mode !== 'value' || one.name.startsWith('#')) return one;
  const event = /^on(.+)$/.exec(one.name)?.[1];
  if (event !== undefined && !declares(target, propOf(one.name))) {
    const lower = event.charAt(0).toLowerCase() + event.slice(1);
    const name = `@${declares(target, `@${event}`) ? event : lower}`;
    return isPageEvent(name.toLowerCase()) && !declares(target, name)
      ? one
      : { ...one, name, nameStart: one.nameStart + 2, mode: 'listen' };
  }
  // Nobody has to take what is written on an element.
  return { ...one, name: propOf(one.name), plain: true };
}
