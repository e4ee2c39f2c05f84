import { step, type Rule } from '../rule';
import { isWrittenTwice, providedTwice } from './provided-twice';

export const shadowed: Rule = {
  name: 'context/shadowed',
  level: 'note',
  summary: 'A provider sits below another of the same key.',
  check({ project, report }) {
    const contexts = project.contexts;
    for (const { inner, outer, owner, above } of providedTwice(project, () => true)) {
      // That is a fault of its own.
      if (isWrittenTwice(outer, inner)) continue;
      const { name } = inner.key;
      const below = contexts.below(inner);
      const readers = contexts.consumers
        .filter((one) => one.key === inner.key && below.components.has(one.component))
        .map((one) => project.components[one.component]!.name);
      const named = [...new Set(readers)].slice(0, 4).join(', ');
      report({
        component: owner,
        port: { channel: 'context', name },
        place: inner.place,
        message: `${owner.name} provides ${name} below ${above.name}, which provides it too. What is rendered inside gets the inner value${named ? ` (consumers: ${named})` : ''}.`,
        trail: [
          step(above, outer.place, name, 'is provided', 'start'),
          step(owner, inner.place, name, 'is provided again', 'start'),
        ],
      });
    }
  },
};
