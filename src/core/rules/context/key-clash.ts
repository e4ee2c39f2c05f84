import { step, type Rule } from '../rule';
import { isWrittenTwice, providedTwice } from './provided-twice';

export const keyClash: Rule = {
  name: 'context/key-clash',
  level: 'warning',
  summary: 'A provider sits below another whose key is the same text, written separately.',
  check({ project, report }) {
    for (const { inner, outer, owner, above } of providedTwice(project, isWrittenTwice)) {
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
