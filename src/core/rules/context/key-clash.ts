import { step, type Rule } from '../rule';
import { isAbove } from './shadowed';

export const keyClash: Rule = {
  name: 'context/key-clash',
  level: 'warning',
  summary: 'A provider sits below another whose key is the same text, written separately.',
  check({ project, report }) {
    const contexts = project.contexts();
    for (const inner of contexts.providers) {
      const owner = project.components[inner.component]!;
      if (inner.key.value.key === undefined || owner.facts.role !== 'component') continue;
      if (
        project.files[owner.file]!.aside ||
        !contexts.isBelowProvider(inner.component, inner.node, inner.key)
      )
        continue;
      const outer = contexts.providers.find(
        (one) =>
          one.key === inner.key &&
          one.place.file !== inner.place.file &&
          isAbove(contexts, project, one, inner),
      );
      if (!outer) continue;
      const above = project.components[outer.component]!;
      const { name } = inner.key;
      report({
        component: owner,
        port: { channel: 'context', name },
        place: inner.place,
        message: `${owner.name} and ${above.name} above it both provide the text "${name}", each in its own file. What is rendered inside gets the inner value; use a key that both import, or two names.`,
        trail: [
          step(above, outer.place, name, 'is provided', 'start'),
          step(owner, inner.place, name, 'is provided again', 'start'),
        ],
      });
    }
  },
};
