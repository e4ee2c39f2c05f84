import { step, type Rule } from '../rule';

export const contextUnread: Rule = {
  name: 'context/unread',
  level: 'warning',
  summary: 'A provided key has no consumer.',
  check({ project, report }) {
    const { providers, keys } = project.contexts();
    for (const key of keys) {
      if (isUsedElsewhere(key.file, key.value.name)) continue;
      for (const { component, place } of providers.filter((one) => one.key === key)) {
        const owner = project.components[component]!;
        report({
          component: owner,
          port: { channel: 'context', name: key.name },
          place,
          message: `${owner.name} provides ${key.name}, and nothing consumes it.`,
          trail: [step(owner, place, key.name, 'is provided and never consumed', 'drop')],
        });
      }
    }

    /** Anything but providing it counts: a hook, a consumer element, a class that names it, an export to others. */
    function isUsedElsewhere(file: number, name: string): boolean {
      const same = (at: number, local: string) => {
        const target = project.lookup(at, local);
        return target.kind === 'value' && target.file === file && target.value.name === name;
      };
      for (const other of project.files) {
        for (const local of other.facts.mentions) if (same(other.index, local)) return true;
      }
      for (const component of project.components) {
        for (const node of component.facts.render) {
          const tag = node.tag?.name;
          if (tag?.endsWith('.Consumer') && same(component.file, tag.slice(0, -9))) return true;
        }
      }
      const { pkg } = project.files[file]!;
      return pkg !== undefined && !pkg.private;
    }
  },
};
