/**
 * Components that a component draws because somebody handed them in: as the tag that a prop holds, `<Tag />`, as content
 * that it adds attributes to, or to the function that made it, `withHold(Gauge)`. Each is a call site that only the flow
 * and the tree know of: what else may be handed in there nobody sees, so that no rule judges it.
 */
import { writtenIn } from '../../model/entries';
import type { AttributeFact, ExprFact, RenderFact } from '../../model/facts';
import { groupBy, pushTo } from '../../model/group-by';
import type { Component, Site } from '../../model/project';
import type { Names } from '../2-names/names';

/** What is handed on is followed over so many components, and not where more than so many owners hand something in. */
const MAX_DEPTH = 6;
/** Values in values are followed so far. */
const MAX_STEPS = 16;
const MAX_OWNERS = 60;

interface Tree {
  components: Component[];
  sites: Site[];
  names: Names;
}

/** A component that is handed in, and the call site of who draws it that hands it in; none where it holds it itself. */
interface Found {
  target: Component;
  via?: number;
}

/** Adds the call sites behind those that are written; `sites` holds these. */
export function linkHandedIn(tree: Tree): void {
  const finder = new Finder(tree);
  const wrapped = wrappedIn(tree.sites);
  for (const owner of tree.components) {
    const { render, adds = [] } = owner.facts;
    render.forEach((fact, node) => {
      const held = fact.kind === 'site' ? heldBy(fact) : undefined;
      if (held) addSites(tree.sites, owner, node, fact, finder.tagged(owner, held));
    });
    for (const { node, site } of wrapped.get(owner.id) ?? []) {
      const target = tree.components[site.target]!;
      addSite(tree.sites, owner, node, render[node]!, target, { behind: site.id });
    }
    for (const { port, attributes } of adds) {
      const node = render.findIndex((one) => one.kind === 'outlet' && one.outlet === port);
      if (node >= 0)
        addSites(tree.sites, owner, node, { ...render[node]!, attributes }, finder.filling(owner, port));
    }
  }
}

function addSites(sites: Site[], owner: Component, node: number, fact: RenderFact, found: Found[]): void {
  const known = new Set((owner.siteAt.get(node) ?? []).map((id) => sites[id]!.target));
  const isOther = ({ target }: Found) => !known.has(target.id) && target.facts.role === 'component';
  for (const [target, ways] of groupBy(found.filter(isOther), (one) => one.target)) {
    const handedBy = ways.flatMap(({ via }) => via ?? []);
    addSite(sites, owner, node, fact, target, handedBy.length === ways.length ? { handedBy } : {});
  }
}

function addSite(
  sites: Site[],
  owner: Component,
  node: number,
  fact: RenderFact,
  target: Component,
  how: Pick<Site, 'handedBy' | 'behind'>,
): void {
  const id = sites.length;
  const { id: own, file } = owner;
  sites.push({ id, owner: own, target: target.id, node, fact, file, open: true, ...how });
  target.handedAt.push(id);
  pushTo(owner.handedSites, node, id);
}

/**
 * The call sites that reach a component through a wrapper of the project, by the wrapper's own component and where that
 * draws what it was given: `withHold(Gauge)` is the gauge, and what the wrapper keeps and hands over is the gauge's as well.
 */
function wrappedIn(sites: Site[]): Map<number, { node: number; site: Site }[]> {
  const all = sites.flatMap((site) => (site.wrapper?.by ?? []).map((one) => ({ ...one, site })));
  return groupBy(all, ({ component }) => component);
}

/** Call sites in a component's render of what is handed in there. */
export const handedIn = ({ handedSites }: Component): number[] => [...handedSites.values()].flat();

/** What a tag is written with, where that is a value of the component's own. */
function heldBy({ tag }: RenderFact): ExprFact | undefined {
  if (!tag || tag.held) return tag?.held;
  const { symbol, start, end } = tag;
  return symbol === undefined ? undefined : { kind: 'identity', symbol, start, end };
}

class Finder {
  constructor(private readonly tree: Tree) {}

  private readonly known = new Map<string, Found[]>();
  /** Works out each thing once, however many ask for it; what comes round to itself adds nothing on its way. */
  private once(key: string, work: () => Found[]): Found[] {
    const known = this.known.get(key);
    if (known) return known;
    this.known.set(key, []);
    const found = [...new Map(work().map((one) => [`${one.target.id}:${one.via}`, one])).values()];
    this.known.set(key, found);
    return found;
  }

  /** The components that what a tag is written with may be. */
  tagged(owner: Component, held: ExprFact): Found[] {
    return this.ofValue(owner, held, [], 0);
  }

  /** The components that a value, or the member of it that a path leads to, may be. */
  private ofValue(owner: Component, value: ExprFact, path: string[], depth: number): Found[] {
    if (depth > MAX_STEPS) return [];
    const next = (one: ExprFact, rest = path) => this.ofValue(owner, one, rest, depth + 1);
    if (value.component !== undefined && value.kind !== 'call')
      return this.named(owner, value.component, path);
    switch (value.kind) {
      case 'identity':
      case 'member':
        return this.ofSymbol(owner, value.symbol!, [...(value.path ?? []), ...path], depth);
      case 'object': {
        const [name, ...rest] = path;
        const member = value.members?.findLast((one) => one.name === name);
        return member ? next(member.value, rest) : (value.spreads ?? []).flatMap((one) => next(one));
      }
      case 'array':
        return writtenIn(value).flatMap((one) => next(one));
    }
    return (value.gives ?? []).flatMap((one) => next(one));
  }

  private ofSymbol(owner: Component, index: number, path: string[], depth: number): Found[] {
    const { kind, port, init } = owner.facts.symbols[index]!;
    const [first, ...rest] = path;
    switch (kind) {
      case 'prop':
        return this.handedTo(owner, port!, path, depth);
      case 'bag':
      case 'rest':
        return first === undefined ? [] : this.handedTo(owner, first, rest, depth);
      case 'loop':
        // One of a list is whichever.
        return (init?.uses ?? []).flatMap((one) => this.ofSymbol(owner, one, path, depth + 1));
      case 'derived':
      case 'state':
        return init ? this.ofValue(owner, init, path, depth + 1) : [];
    }
    return [];
  }

  private handedTo({ id: to, calledAt }: Component, port: string, path: string[], depth: number): Found[] {
    if (depth > MAX_STEPS || calledAt.length > MAX_OWNERS) return [];
    return this.once(`${to}:${port}:${path.join('.')}`, () =>
      calledAt.flatMap((id) => {
        const { fact, owner } = this.tree.sites[id]!;
        const value = fact.attributes.findLast((one) => one.name === port)?.value;
        const by = this.tree.components[owner]!;
        return value
          ? this.ofValue(by, value, path, depth + 1).map(({ target }) => ({ target, via: id }))
          : [];
      }),
    );
  }

  /** A component of a module, or one that a member of each of its entries holds. */
  private named({ file }: Component, name: string, path: string[]): Found[] {
    const { names, components } = this.tree;
    const found = [
      ...names.candidates(file, { name, ...(path.length ? { path } : {}) }),
      ...(path.length ? names.candidates(file, { name, of: 'members', path }) : []),
    ];
    return [...new Set(found)].flatMap((one) =>
      one.kind === 'component' ? [{ target: components[one.component]! }] : [],
    );
  }

  /** The components at the top of what fills a slot of a component. */
  filling(component: Component, slot: string, depth = 0): Found[] {
    if (depth > MAX_DEPTH || component.calledAt.length > MAX_OWNERS) return [];
    return this.once(`${component.id}#${slot}`, () => this.filledBy(component, slot, depth));
  }

  private filledBy({ calledAt, facts }: Component, slot: string, depth: number): Found[] {
    return calledAt.flatMap((id) => {
      const { owner: by, node, fact } = this.tree.sites[id]!;
      const owner = this.tree.components[by]!;
      // What is handed on whole has the content in it.
      if (fact.attributes.some((one) => carries(owner, one, slot)))
        return this.filling(owner, slot, depth + 1).map((further) => ({ ...further, via: id }));
      return owner.facts.render.flatMap((one, index): Found[] => {
        if (one.parent !== node || (one.slot ?? facts.traits.contentPort) !== slot) return [];
        // Content that is handed on is what the owner was given.
        if (one.kind === 'outlet')
          return this.filling(owner, one.outlet!, depth + 1).map((further) => ({ ...further, via: id }));
        const here = owner.siteAt.get(index) ?? [];
        return here.map((site) => ({
          target: this.tree.components[this.tree.sites[site]!.target]!,
          via: id,
        }));
      });
    });
  }
}

/** Whether an attribute hands on a name, whole, of what the component is handed. */
export const carries = ({ facts }: Component, { mode, value }: AttributeFact, name: string): boolean => {
  const symbol = mode === 'spread' && value.kind === 'identity' ? facts.symbols[value.symbol!]! : undefined;
  return symbol !== undefined && /^(bag|rest)$/.test(symbol.kind) && !symbol.except?.includes(name);
};
