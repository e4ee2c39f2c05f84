import { contextKey, type ContextKey, type Provider } from '../../link/contexts';
import { step, type Rule } from '../rule';

export const contextUnread: Rule = {
  name: 'context/unread',
  level: 'warning',
  summary: 'A provided key has no consumer below it.',
  check({ project, report }) {
    const contexts = project.contexts();
    const { providers, keys } = contexts;
    const consumed = new Set(
      project.components.flatMap(({ file, facts }) =>
        facts.consumes.map((use) => contextKey(project, file, use.key)?.id),
      ),
    );
    for (const key of keys) {
      const used =
        consumed.has(key.id) ||
        isPublic(key.file) ||
        (key.value.key === undefined && isUsedElsewhere(key.file, key.value.name));
      for (const provider of providers.filter((one) => one.key === key)) {
        const { component, place } = provider;
        if ((used && !isOutOfReach(provider)) || isTakenWithAll(provider)) continue;
        const owner = project.components[component]!;
        report({
          component: owner,
          port: { channel: 'context', name: key.name },
          place,
          message: `${owner.name} provides ${key.name}, and nothing ${used ? 'below ' : ''}consumes it.`,
          trail: [step(owner, place, key.name, 'is provided and never consumed', 'drop')],
        });
      }
    }

    /** Somebody below takes all that is provided, or calls a helper that does. */
    function isTakenWithAll(provider: Provider): boolean {
      return project.components.some(
        ({ id, facts }) =>
          facts.readsAllContexts &&
          (facts.role !== 'component' ||
            id === provider.component ||
            contexts.below(provider).components.has(id)),
      );
    }

    /** Everything below the provider is known, and every use of the key is a consumer that is elsewhere. */
    function isOutOfReach(provider: Provider): boolean {
      const { key, component } = provider;
      if (isPublic(key.file)) return false;
      const { components, open } = contexts.below(provider);
      if (open || project.components[component]!.facts.role !== 'component') return false;
      // Another provider in between takes its consumers over, which is reported there.
      const nearer = providers.some(
        (one) => one !== provider && one.key === key && components.has(one.component),
      );
      if (nearer) return false;
      const readers = contexts.consumers.filter((one) => one.key === key);
      if (
        !readers.length ||
        readers.some((one) => one.component === component || components.has(one.component))
      )
        return false;
      return project.files.every(
        (file) =>
          !file.facts.mentions.some((local) => isKey(file.index, local, key)) ||
          project.components.some(
            (one) =>
              one.file === file.index && one.facts.consumes.some((use) => isKey(one.file, use.key, key)),
          ),
      );
    }

    function isKey(file: number, local: string, key: ContextKey): boolean {
      const target = project.lookup(file, local);
      return target.kind === 'value' && target.file === key.file && target.value.name === key.value.name;
    }

    /** Anything but providing it counts: a consumer element, a class that names it, code that hands it on. */
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
      return false;
    }

    /** What a package exports, others may name. */
    function isPublic(file: number): boolean {
      const { pkg } = project.files[file]!;
      return pkg !== undefined && !pkg.private;
    }
  },
};
