/** Which contexts are provided where: a fixed point over the render ancestry. No path is enumerated. */
import type { ConsumeFact, Span } from '../../model/facts';
import type { Component, Site } from '../../model/project';
import type { Tree } from '../linked';
import type { ContextKey, Provider } from './context-types';
import { companions } from '../3-tags/sites';
import { nodesAbove } from '../../model/nodes-above';
import { placesOf } from '../3-tags/slots';
import { type Drawing, keyOf, onlyMount, routeAt, tablesOf } from './tables';

/** Layouts that leave the placing of routes to others are followed so far. */
const MAX_LAYOUTS = 4;

/** Whether a node is another, or stands in it; all stand in the whole, -1. */
const isWithin = (component: Component, node: number, around: number): boolean =>
  around < 0 || [...nodesAbove(component, node)].includes(around);

type At = Pick<Provider, 'component' | 'node'>;

/** What loose code provides without mounting anything is provided to an app that it was handed. */
function isLoose({ components }: Pick<Tree, 'components'>, { component, node }: At): boolean {
  const { facts } = components[component]!;
  return facts.role === 'module' && node === 0 && facts.render.every((one) => !one.mounted);
}

/** It is certainly above every component. */
export const isEverywhere = (project: Pick<Tree, 'components'>, provider: At): boolean =>
  project.components[provider.component]!.facts.traits.looseProvides === true && isLoose(project, provider);

export class Coverage {
  /** Keys provided on some path, by component. */
  readonly some: bigint[];
  /** Rendered where nobody can see. */
  readonly unknown: boolean[];
  /** Keys that some path from a root certainly lacks. */
  private readonly lacks: bigint[];
  private readonly aroundCache = new Map<string, bigint>();
  private readonly providedAt = new Map<string, bigint>();
  private readonly busy = new Set<string>();
  /** Keys that a component provides for itself as well, and those that it provides on its tag, by component. */
  private readonly own: bigint[];
  private readonly host: bigint[];
  private unknownMasks: bigint[] | undefined;
  /** Keys that code provides to an app which it was handed: to which components, nobody sees. */
  private anywhere = 0n;
  /** Keys that are provided to all of them. */
  everywhere = 0n;
  /** Where routers draw tables of routes. */
  private readonly tables: Map<string, Drawing[]>;
  /** What is mounted, where that is but one thing. */
  private readonly mount: Drawing | undefined;
  /** A bit beside those of the keys: something else may be provided around. */
  private readonly nobodyKnows: bigint;

  constructor(
    private readonly project: Tree,
    providers: Provider[],
    bitOf: (key: ContextKey) => bigint,
    /** How many keys there are. */
    count: number,
  ) {
    this.nobodyKnows = 1n << BigInt(count);
    this.own = new Array<bigint>(project.components.length).fill(0n);
    this.host = [...this.own];
    for (const one of providers) {
      if (one.at) this.own[one.component]! |= bitOf(one.key);
      if (one.at === 'host') this.host[one.component]! |= bitOf(one.key);
      const at = `${one.component}:${one.node}`;
      this.providedAt.set(at, (this.providedAt.get(at) ?? 0n) | bitOf(one.key));
      if (isLoose(project, one)) {
        this.anywhere |= bitOf(one.key);
        if (isEverywhere(project, one)) this.everywhere |= bitOf(one.key);
      }
    }
    const { length } = project.components;
    this.some = [...this.own];
    this.lacks = new Array<bigint>(length).fill(0n);
    this.unknown = project.components.map((one) => one.unknownSites);
    this.tables = tablesOf(project);
    this.mount = this.tables.size ? onlyMount(project) : undefined;
    this.run();
  }

  private run(): void {
    const { project } = this;
    const full = this.nobodyKnows - 1n;
    const mounted = project.files.some((file) => file.facts.mounts && !file.aside);
    for (const component of project.components) {
      const { aside, pkg } = project.files[component.file]!;
      // What a published package shows is rendered by those who install it.
      const shown = pkg !== undefined && !pkg.private;
      const without = full & ~this.own[component.id]!;
      if (component.root) this.lacks[component.id] = without;
      if (!mounted && !aside && !shown && component.calledAt.length === 0 && !component.unknownSites)
        this.lacks[component.id] = without;
    }
    // Whoever has more around than before hands it to what it renders; each round is worth what changed in it.
    let todo = new Set<Component>(project.components);
    while (todo.size) {
      const changed = new Set<Component>();
      for (const owner of todo) {
        for (const target of this.handDrawn(owner)) changed.add(target);
        for (const target of this.handOver(owner, full)) changed.add(target);
      }
      todo = changed;
    }
  }

  /** What a component renders stands where it renders it; gives back of what more is known than before. */
  private *handOver(owner: Component, full: bigint): Iterable<Component> {
    const { project } = this;
    const { aside } = project.files[owner.file]!;
    for (const id of owner.sites) {
      const site = project.sites[id]!;
      const { target } = site;
      // How tests and stories wrap what they show is theirs.
      if (aside && !project.files[project.components[target]!.file]!.aside) continue;
      const seen = this.aroundSite(site);
      let around = seen & full;
      let above = this.lacks[owner.id]!;
      let unknown = this.unknown[owner.id]!;
      let inherited = this.some[owner.id]!;
      if (this.mountOf(owner, site.node)) {
        // A tree of its own: nothing of where the call stands is above it.
        above = full;
        inherited = 0n;
        unknown = false;
      } else if (owner.facts.role === 'module' && !owner.facts.framesPage) {
        const route = this.aboveRoute(owner, site.node, full);
        if (route) {
          unknown = route.unknown;
          inherited = route.some;
          around |= route.around;
          above = route.unknown ? 0n : route.lacks;
        } else {
          above = 0n;
          unknown = true;
        }
      } else if (owner.facts.role === 'helper' || site.wrapper) unknown = true;
      if (site.wrapper || (seen & full) !== seen || this.isLoose(owner, site.node)) {
        // Whoever draws it may well provide more.
        above = 0n;
        unknown = true;
      }
      const lacks = this.lacks[target]! | (above & ~around);
      const some = this.some[target]! | inherited | around;
      const more = unknown && !this.unknown[target];
      if (lacks === this.lacks[target] && some === this.some[target] && !more) continue;
      this.lacks[target] = lacks;
      this.some[target] = some;
      this.unknown[target] ||= unknown;
      yield project.components[target]!;
    }
  }

  /** What functions and hooks draw stands where they are used; gives back of which more is known to be provided there. */
  private *handDrawn(owner: Component): Iterable<Component> {
    for (const [node, list] of owner.drawn)
      for (const { helper, slot } of list) {
        let some = this.some[helper.id]! | this.some[owner.id]! | this.around(owner.id, node);
        if (slot !== undefined)
          for (const one of this.targetsAt(owner.id, node)) some |= this.aroundOutlet(one, slot);
        some &= this.nobodyKnows - 1n;
        if (some === this.some[helper.id]) continue;
        this.some[helper.id] = some;
        yield helper;
      }
  }

  /** What stands above an element of a table of routes: the router's place, and the layouts of the routes around it. */
  private aboveRoute(
    module: Component,
    node: number,
    full: bigint,
    hops = 0,
  ): { lacks: bigint; some: bigint; around: bigint; unknown: boolean } | undefined {
    let route = routeAt(module, node);
    const places = route && this.tables.get(keyOf(module, route.table));
    // A table that several routers draw, or none, is drawn where nobody sees.
    if (places?.length !== 1 || hops > MAX_LAYOUTS) return undefined;
    const [{ owner, node: place }] = places as [Drawing];
    let around = this.around(owner.id, place);
    for (; route?.below !== undefined; route = routeAt(module, route.below))
      around |= this.aroundRoutes(module, route.below);
    const isMounted = owner.facts.render[place]!.forApp === true;
    if (isMounted) {
      const { mount } = this;
      if (!mount) return undefined;
      around |= this.around(mount.owner.id, mount.node) | this.aroundRoutes(mount.owner, mount.node);
    }
    const unknown = (around & this.nobodyKnows) !== 0n || this.isLoose(owner, place);
    if (isMounted || this.mountOf(owner, place))
      return { lacks: full, some: 0n, around: around & full, unknown };
    const above =
      owner.facts.role === 'module'
        ? this.aboveRoute(owner, place, full, hops + 1)
        : owner.facts.role === 'component'
          ? {
              lacks: this.lacks[owner.id]!,
              some: this.some[owner.id]!,
              around: 0n,
              unknown: this.unknown[owner.id]!,
            }
          : undefined;
    return above && { ...above, around: (above.around | around) & full, unknown: unknown || above.unknown };
  }

  /** What is provided around the routes that are placed by what a node draws, and by what is nested in it. */
  private aroundRoutes(owner: Component, node: number, depth = 0): bigint {
    const { render } = owner.facts;
    const key = `routes ${owner.id}:${node}`;
    const known = this.aroundCache.get(key);
    if (known !== undefined) return known;
    // What comes round to itself places nothing on its way.
    this.aroundCache.set(key, this.nobodyKnows);
    let mask: bigint | undefined;
    const add = (more: bigint) => (mask = (mask ?? 0n) | more);
    render.forEach((one, index) => {
      if (!isWithin(owner, index, node)) return;
      if (one.placesRoutes) add(this.around(owner.id, index));
      for (const target of this.targetsAt(owner.id, index)) {
        const inside =
          depth < MAX_LAYOUTS ? this.aroundRoutes(this.project.components[target]!, -1, depth + 1) : 0n;
        if ((inside & this.nobodyKnows) === 0n) add(this.around(owner.id, index) | inside);
      }
    });
    this.aroundCache.set(key, mask ?? this.nobodyKnows);
    return mask ?? this.nobodyKnows;
  }

  mountOf(owner: Component, node: number): Span | undefined {
    for (const at of nodesAbove(owner, node)) {
      const { mounted } = owner.facts.render[at]!;
      if (mounted) return mounted;
    }
    return undefined;
  }

  /** Keys provided around a place inside a component's own render, by providers and by what children wrap. */
  around(component: number, node: number): bigint {
    const key = `${component}:${node}`;
    const known = this.aroundCache.get(key);
    if (known !== undefined) return known;
    if (this.busy.has(key)) return 0n;
    this.busy.add(key);
    const { render, traits } = this.project.components[component]!.facts;
    let mask = 0n;
    let below = render[node]!;
    for (let at = below.parent; at >= 0; at = below.parent) {
      mask |= this.providedAt.get(`${component}:${at}`) ?? 0n;
      const targets = this.targetsAt(component, at);
      if (traits.contextWritten) for (const one of targets) mask |= this.host[one]!;
      else if (targets.length)
        for (const one of targets) mask |= this.aroundOutlet(one, below.slot ?? traits.contentPort);
      else if (render[at]!.kind === 'site') mask |= this.beside(component, at);
      below = render[at]!;
    }
    this.busy.delete(key);
    this.aroundCache.set(key, mask);
    return mask;
  }

  /** The same for what a call site renders, with what stands on its tag and what it provides for itself. */
  private aroundSite(site: Site): bigint {
    return this.around(site.owner, site.node) | this.own[site.target]! | this.onTag(site);
  }

  /** The components that a node of a render may be: several where the tag is chosen. */
  private targetsAt(component: number, node: number): number[] {
    const ids = this.project.components[component]!.siteAt.get(node) ?? [];
    return ids.map((id) => this.project.sites[id]!.target);
  }

  private isLoose(owner: Component, node: number): boolean {
    for (const at of nodesAbove(owner, node)) if (owner.facts.render[at]!.loose) return true;
    return false;
  }

  /**
   * Content of an unknown component may be drawn inside what the component is given as an attribute: a nested
   * route inside the layout of the outer one. What that layout provides around unknown components counts.
   */
  private beside(component: number, node: number): bigint {
    let mask = 0n;
    this.project.components[component]!.facts.render.forEach((one, index) => {
      if (one.parent !== node || one.slot === undefined) return;
      mask |= this.providedAt.get(`${component}:${index}`) ?? 0n;
      for (const target of this.targetsAt(component, index)) mask |= this.aroundUnknown()[target]!;
    });
    return mask;
  }

  /** Keys that a component, and what it renders, provide around components that nobody here knows. */
  private aroundUnknown(): bigint[] {
    if (this.unknownMasks) return this.unknownMasks;
    const { components, sites } = this.project;
    // While it is worked out, what lies beside counts for nothing.
    const masks = (this.unknownMasks = new Array<bigint>(components.length).fill(0n));
    const found = components.map(({ facts, id }) => {
      let mask = 0n;
      facts.render.forEach((one, index) => {
        if (one.kind === 'site') mask |= this.around(id, index);
      });
      return mask;
    });
    const todo = new Set(components);
    for (const { id, calledAt } of todo) {
      todo.delete(components[id]!);
      for (const at of calledAt) {
        const { owner } = sites[at]!;
        const mask = found[owner]! | found[id]!;
        if (mask === found[owner]) continue;
        found[owner] = mask;
        todo.add(components[owner]!);
      }
    }
    found.forEach((mask, id) => (masks[id] = mask));
    this.aroundCache.clear();
    return masks;
  }

  /** Keys that are provided around content for a slot, wherever the component draws it. */
  private aroundOutlet(component: number, slot: string): bigint {
    const key = `${component}/${slot}`;
    const known = this.aroundCache.get(key);
    if (known !== undefined) return known;
    if (this.busy.has(key)) return 0n;
    this.busy.add(key);
    const { places, unseen } = placesOf(this.project.components[component]!, slot);
    let mask = unseen ? this.nobodyKnows : 0n;
    for (const { node, into } of places) {
      mask |= this.around(component, node);
      if (into === undefined) continue;
      for (const target of this.targetsAt(component, node)) mask |= this.aroundOutlet(target, into);
    }
    this.busy.delete(key);
    this.aroundCache.set(key, mask);
    return mask;
  }

  /** Whether some path provides keys to a component, where it looks for them. */
  isServed(component: number, bit: bigint, from?: ConsumeFact['from']): boolean {
    if (from === undefined) return (this.some[component]! & bit) !== 0n;
    const sites = this.project.components[component]!.calledAt.map((id) => this.project.sites[id]!);
    if (from === 'own')
      return (this.own[component]! & bit) !== 0n || sites.some((one) => (this.onTag(one) & bit) !== 0n);
    return sites.some((one) => ((this.around(one.owner, one.node) | this.some[one.owner]!) & bit) !== 0n);
  }

  barePath(component: number, bit: bigint, from?: ConsumeFact['from']): number[] | undefined {
    if (from === 'own') return this.bareTag(component, bit);
    const { calledAt, root } = this.project.components[component]!;
    if ((this.anywhere & bit) !== 0n) return undefined;
    if (from === undefined && (this.lacks[component]! & bit) === 0n) return undefined;
    const path: number[] = [];
    const seen = new Set<number>();
    for (let at = component; !seen.has(at);) {
      seen.add(at);
      const site = this.project.components[at]!.calledAt.map((id) => this.project.sites[id]!).find((one) => {
        const owner = this.project.components[one.owner]!;
        // What is provided at its own tag does not count for what looks only further up.
        const above = at === component && from ? this.around(one.owner, one.node) : this.aroundSite(one);
        if ((above & (bit | this.nobodyKnows)) !== 0n || seen.has(owner.id)) return false;
        if (this.mountOf(owner, one.node)) return true;
        return owner.facts.role !== 'module' && (this.lacks[owner.id]! & bit) !== 0n;
      });
      if (!site) break;
      path.unshift(site.id);
      if (this.mountOf(this.project.components[site.owner]!, site.node)) break;
      at = site.owner;
    }
    if (!from || path.length) return path;
    // What looks further up than its own tag has something above it, unless it is a root.
    return root && !calledAt.length ? path : undefined;
  }

  /** A call site of a component at whose tag nothing provides keys, the component itself included. */
  private bareTag(component: number, bit: bigint): number[] | undefined {
    const { calledAt, root } = this.project.components[component]!;
    if ((this.own[component]! & bit) !== 0n) return undefined;
    if (root && !calledAt.length) return [];
    const bare = calledAt.find((id) => (this.onTag(this.project.sites[id]!) & bit) === 0n);
    return bare === undefined ? undefined : [bare];
  }

  /** Keys that what stands on the tag of a call site together provides there. */
  private onTag(site: Site): bigint {
    let mask = 0n;
    for (const one of companions(this.project, site)) mask |= this.host[one.target]!;
    return mask;
  }
}
