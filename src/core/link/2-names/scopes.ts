/** What the markup of a component may place by selectors: what it names, and what bundles bring. */
import type { BundleFact, ScopeFact, TaggedFact } from '../../model/facts';
import type { Component, MarkupScope } from '../../model/project';
import { LANGUAGES } from '../../readers/languages';
import type { Names } from './names';
import { matches } from './selectors';

interface Bundle {
  file: number;
  fact: BundleFact;
}

export class MarkupScopes {
  private readonly bundles = new Map<string, Bundle>();
  /** Bundles that declare a component. */
  private readonly declaring = new Map<number, Bundle[]>();
  private readonly scopes = new Map<string, MarkupScope>();
  private readonly given = new Map<Bundle, MarkupScope>();

  constructor(
    private readonly components: Component[],
    private readonly names: Names,
    bundles: Iterable<{ file: number; fact: BundleFact }>,
  ) {
    for (const one of bundles) this.bundles.set(`${one.file}:${one.fact.name}`, one);
    for (const one of this.bundles.values())
      for (const component of this.gather(one.file, one.fact.declares).components) {
        const list = this.declaring.get(component.id);
        if (list) list.push(one);
        else this.declaring.set(component.id, [one]);
      }
  }

  /** Whether some bundle declares the component. */
  isDeclared(component: Component): boolean {
    return this.declaring.has(component.id);
  }

  of(component: Component): MarkupScope {
    const bundles = this.declaring.get(component.id);
    const key = bundles ? bundles.map((one) => `${one.file}:${one.fact.name}`).join() : `#${component.id}`;
    let scope = this.scopes.get(key);
    if (scope) return scope;
    const parts = bundles
      ? bundles.flatMap(({ file, fact }) => [this.gather(file, fact.declares), this.gather(file, fact.takes)])
      : [this.gather(component.file, component.facts.scope ?? { names: [] })];
    scope = joined(parts);
    // A component may always place itself.
    if (!scope.components.includes(component) && !bundles)
      scope = { ...scope, components: [...scope.components, component] };
    this.scopes.set(key, scope);
    return scope;
  }

  /** What a bundle brings to those that take it. */
  private give(bundle: Bundle): MarkupScope {
    const known = this.given.get(bundle);
    if (known) return known;
    // One that comes round to itself brings what it brings otherwise.
    this.given.set(bundle, nothing());
    const found = this.gather(bundle.file, bundle.fact.gives);
    this.given.set(bundle, found);
    return found;
  }

  private gather(file: number, { names, open = false, custom }: ScopeFact): MarkupScope {
    return joined([
      { ...nothing(), open, custom: custom === true },
      ...names.map((name) => this.named(file, name, 0)),
    ]);
  }

  private named(file: number, name: string, depth: number): MarkupScope {
    const target = this.names.lookup(file, name);
    switch (target.kind) {
      case 'component': {
        const found = this.components[target.component]!;
        if (found.facts.selectors) return { ...nothing(), components: [found] };
        const { filter } = found.facts;
        if (filter) return { ...nothing(), filters: new Map([[filter.name, found]]) };
        const { list } = found.facts;
        if (!list) return nothing();
        if (depth > MAX_LISTS) return { ...nothing(), open: true };
        return joined(list.map((one) => this.named(found.file, one, depth + 1)));
      }
      case 'value': {
        const bundle = this.bundles.get(`${target.file}:${target.value.name}`);
        if (bundle) return this.give(bundle);
        // Something else of the project than a component, which nobody here knows.
        return { ...nothing(), open: target.value.kind !== 'context' };
      }
      case 'outside': {
        const taken =
          target.why === 'package' && target.from !== undefined
            ? LANGUAGES.map((one) => one.takes?.(target.from!, name)).find((one) => one !== undefined)
            : undefined;
        return taken ? { ...nothing(), taken: new Set(taken) } : { ...nothing(), open: true };
      }
      default:
        return { ...nothing(), open: true };
    }
  }
}

/** Lists in lists are followed so far. */
const MAX_LISTS = 8;

const nothing = (): MarkupScope => ({
  components: [],
  filters: new Map(),
  taken: new Set(),
  open: false,
  custom: false,
});

function joined(parts: MarkupScope[]): MarkupScope {
  const components = new Set(parts.flatMap((one) => one.components));
  const taken = new Set(parts.flatMap((one) => [...one.taken]));
  const filters = new Map(parts.flatMap((one) => [...one.filters]));
  return {
    components: [...components],
    filters,
    taken,
    open: parts.some((one) => one.open),
    custom: parts.some((one) => one.custom),
  };
}

/** Of what is in scope, what stands on a tag; found by what selectors ask for first. */
export class Matcher {
  private readonly byName = new Map<string, Component[]>();
  private readonly always: Component[] = [];

  constructor({ components }: Pick<MarkupScope, 'components'>) {
    for (const component of components)
      for (const { tag, attributes, classes } of component.facts.selectors ?? []) {
        const key =
          tag !== undefined && tag !== '*'
            ? `<${tag}`
            : attributes.length
              ? `[${attributes[0]!.name}`
              : classes.length
                ? `.${classes[0]!}`
                : undefined;
        const list = key === undefined ? this.always : (this.byName.get(key) ?? []);
        if (key !== undefined) this.byName.set(key, list);
        list.push(component);
      }
  }

  on(of: TaggedFact): Component[] {
    const keys = [
      `<${of.tag}`,
      ...of.attributes.map((one) => `[${one.name}`),
      ...of.classes.map((one) => `.${one}`),
    ];
    const candidates = new Set([...this.always, ...keys.flatMap((key) => this.byName.get(key) ?? [])]);
    return [...candidates].filter(({ facts }) => facts.selectors!.some((one) => matches(of, one)));
  }
}
