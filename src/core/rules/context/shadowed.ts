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
      const outer = contexts.providers.find((one) => one.key === inner.key && one !== inner);
      if (!outer) continue;
      const above = project.components[outer.component]!;
      const readers = contexts.consumers
        .filter((one) => one.key === inner.key)
        .map((one) => project.components[one.component]!.name);
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
