import type { ContextKey, Provider } from '../../link/5-contexts/context-types';
import { contextKey } from '../../link/5-contexts/keys';
import type { Linked } from '../../link';
import { groupBy } from '../../model/group-by';
import { step, type Rule } from '../rule';
import { unreadKey } from './no-provider';

export const contextUnread: Rule = {
  name: 'context/unread',
  level: 'warning',
  summary: 'A provided key has no consumer below it.',
  check({ project, report, claimed }) {
    const contexts = project.contexts;
    const { providers, keys } = contexts;
    const consumed = new Set(
      project.components.flatMap(({ file, facts }) =>
        facts.consumes.map((use) => contextKey(project, file, use.key)?.id),
      ),
    );
    const providersOf = groupBy(providers, (one) => one.key);
    const readersOf = groupBy(contexts.consumers, (one) => one.key);
    const takers = project.components.filter((one) => one.facts.readsAllContexts);
    const uses = new UsesOfKeys(project);
    for (const key of keys) {
      const used =
        consumed.has(key.id) ||
        isPublic(key.file) ||
        (key.value.key === undefined && uses.isUsedElsewhere(key));
      for (const provider of providersOf.get(key) ?? []) {
        const { component, place } = provider;
        if (provider.implicit || (used && !isOutOfReach(provider)) || isTakenWithAll(provider)) continue;
        if (claimed(unreadKey(key.name))) continue;
        const owner = project.components[component]!;
        // What nothing renders is said to be so.
        if (owner.facts.role === 'component' && !owner.used && !owner.calledAt.length) continue;
        // What is provided at the wrong time never is.
        if (owner.facts.timed?.some((one) => one.start <= place.start && place.end <= one.end)) continue;
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
      return takers.some(
        ({ id, facts }) =>
          facts.role !== 'component' ||
          id === provider.component ||
          contexts.below(provider).components.has(id),
      );
    }

    /** Everything below the provider is known, and every use of the key is a consumer that is elsewhere. */
    function isOutOfReach(provider: Provider): boolean {
      const { key, component } = provider;
      if (isPublic(key.file)) return false;
      const { components, open } = contexts.below(provider);
      if (open || project.components[component]!.facts.role !== 'component') return false;
      // Another provider in between takes its consumers over, which is reported there.
      const nearer = providersOf.get(key)!.some((one) => one !== provider && components.has(one.component));
      if (nearer) return false;
      const readers = readersOf.get(key) ?? [];
      if (
        !readers.length ||
        readers.some((one) => one.component === component || components.has(one.component))
      )
        return false;
      return uses.areConsumers(key);
    }

    /** What a package exports, others may name. */
    function isPublic(file: number): boolean {
      const { pkg } = project.files[file]!;
      return pkg !== undefined && !pkg.private;
    }
  },
};

/** Where keys are named, by the file that makes them and their names there. */
class UsesOfKeys {
  /** Files that name a key otherwise than by providing it. */
  private readonly mentioned = new Map<string, Set<number>>();
  /** Files with code that consumes it. */
  private readonly consumed = new Map<string, Set<number>>();
  /** Keys with an element that consumes them: `<Wind.Consumer>`. */
  private readonly elements = new Set<string>();

  constructor(private readonly project: Linked) {
    for (const { index, facts } of project.files)
      for (const local of facts.mentions) this.note(this.mentioned, index, local);
    for (const { file, facts } of project.components) {
      for (const { key } of facts.consumes) if ('name' in key) this.note(this.consumed, file, key.name);
      for (const { tag } of facts.render) {
        const own = tag?.name.endsWith(CONSUMER)
          ? this.idOf(file, tag.name.slice(0, -CONSUMER.length))
          : undefined;
        if (own !== undefined) this.elements.add(own);
      }
    }
  }

  private idOf(file: number, local: string): string | undefined {
    const target = this.project.lookup(file, local);
    if (target.kind === 'component') {
      const { file: home, facts } = this.project.components[target.component]!;
      return `${home}:${facts.name}`;
    }
    return target.kind === 'value' ? `${target.file}:${target.value.name}` : undefined;
  }

  private note(uses: Map<string, Set<number>>, file: number, local: string): void {
    const id = this.idOf(file, local);
    if (id === undefined) return;
    const files = uses.get(id);
    if (files) files.add(file);
    else uses.set(id, new Set([file]));
  }

  /** Anything but providing it counts: a consumer element, a class that names it, code that hands it on. */
  isUsedElsewhere({ file, value }: ContextKey): boolean {
    const id = `${file}:${value.name}`;
    return this.mentioned.has(id) || this.elements.has(id);
  }

  /** Whether all code that names the key consumes it. */
  areConsumers({ file, value }: ContextKey): boolean {
    const id = `${file}:${value.name}`;
    const consumers = this.consumed.get(id);
    return [...(this.mentioned.get(id) ?? [])].every((one) => consumers?.has(one));
  }
}

const CONSUMER = '.Consumer';
