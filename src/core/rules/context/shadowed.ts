import type { Linked } from '../../link';
import type { Contexts, Provider } from '../../link/contexts';
import { step, type Rule } from '../rule';

export const shadowed: Rule = {
  name: 'context/shadowed',
  level: 'note',
  summary: 'A provider sits below another of the same key.',
  check({ project, report }) {
    const contexts = project.contexts();
    for (const inner of contexts.providers) {
      const owner = project.components[inner.component]!;
      if (owner.facts.role !== 'component' || project.files[owner.file]!.aside) continue;
      if (!contexts.isBelowProvider(inner.component, inner.node, inner.key)) continue;
      const outer = contexts.providers.find(
        (one) => one.key === inner.key && one !== inner && isAbove(contexts, project, one, inner),
      );
      if (!outer) continue;
      const above = project.components[outer.component]!;
      const below = contexts.below(inner);
      const readers = contexts.consumers
        .filter((one) => one.key === inner.key && below.components.has(one.component))
        .map((one) => project.components[one.component]!.name);
      if (inner.key.value.key !== undefined && outer.place.file !== inner.place.file) continue;
      report({
        component: owner,
        port: { channel: 'context', name: inner.key.name },
        place: inner.place,
        message: `${owner.name} provides ${inner.key.name} below ${above.name}, which provides it too. What is rendered inside gets the inner value${readers.length ? ` (consumers: ${[...new Set(readers)].slice(0, 4).join(', ')})` : ''}.`,
        trail: [
          step(above, outer.place, inner.key.name, 'is provided', 'start'),
          step(owner, inner.place, inner.key.name, 'is provided again', 'start'),
        ],
      });
    }
  },
};

/** Whether the inner provider is rendered below the outer one, in the same render or further down. */
export function isAbove(contexts: Contexts, project: Linked, outer: Provider, inner: Provider): boolean {
  if (outer.component === inner.component) {
    const { render } = project.components[inner.component]!.facts;
    for (let at = render[inner.node]!.parent; at >= 0; at = render[at]!.parent)
      if (at === outer.node) return true;
  }
  return contexts.below(outer).components.has(inner.component);
}
