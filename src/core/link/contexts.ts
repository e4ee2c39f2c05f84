/**
 * Who provides which context where, who consumes it, and what is above whom on the page. Coverage is a fixed
 * point over the render ancestry; no path is enumerated.
 */
import type { ConsumeFact, ExprFact, Span, ValueFact, Where } from '../model/facts';
import type { Component, Place, Site } from '../model/project';
import type { Linked } from '.';
import { belowNode, type Below } from './below';

export interface ContextKey {
  id: string;
  name: string;
  file: number;
  value: ValueFact;
}

export interface Provider {
  component: number;
  node: number;
  key: ContextKey;
  place: Place;
  value: ExprFact | undefined;
}

export interface Consumer {
  component: number;
  key: ContextKey;
  /** The consuming call in the component that is rendered. */
  place: Place;
  missing: ConsumeFact['missing'];
  where: Where | 'setup';
}

/** A key that is imported by a name which its file does not export. */
export interface AbsentKey {
  component: number;
  name: string;
  place: Place;
  /** The file that lacks it. */
  file: number;
}

export interface Contexts {
  keys: ContextKey[];
  providers: Provider[];
  consumers: Consumer[];
  absent: AbsentKey[];
  /** What may be rendered below a provider, and not below another one of its key. */
  below(provider: Provider): Below;
  /** Keys that some path from a root to the component provides. */
  providedSomewhere(component: number, key: ContextKey): boolean;
  /** Call sites from a root down to the component along which nobody provides the key; undefined if none is known. */
  barePath(component: number, key: ContextKey): number[] | undefined;
  /** A consumer of the key goes on without a provider: any default but nothing is usable, one not written out may be. */
  hasDefault(key: ContextKey): boolean;
  /** The call that mounts what a call site stands in as a root of its own. */
  mountOf(site: Site): Span | undefined;
  /** The component may be rendered where nobody can see. */
  mayBeElsewhere(component: number): boolean;
  /** Whether something above a place in a component's render provides the key, on some path. */
  isBelowProvider(component: number, node: number, key: ContextKey): boolean;
}

export function linkContexts(project: Linked): Contexts {
  const keys = new Map<string, ContextKey & { bit: bigint }>();
  const keyAt = (file: number, name: string) => {
    const target = project.lookup(file, name);
    if (target.kind !== 'value' || target.value.kind !== 'context') return undefined;
    const id = `${target.file}:${target.value.name}`;
    let key = keys.get(id);
    if (!key) {
      key = {
        id,
        name: target.value.name,
        file: target.file,
        value: target.value,
        bit: 1n << BigInt(keys.size),
      };
      keys.set(id, key);
    }
    return key;
  };
  const providers = project.components.flatMap((component) => providersOf(component, keyAt));
  const consumers = project.components.flatMap((component) =>
    component.facts.role === 'component' ? consumersOf(project, component, keyAt) : [],
  );
  const belows = new Map<Provider, Below>();
  const cover = new Coverage(project, providers, (key) => keys.get(key.id)!.bit, keys.size);
  return {
    keys: [...keys.values()],
    providers,
    consumers,
    below: (provider) => {
      let found = belows.get(provider);
      if (!found) {
        const own = providers.filter((one) => one.key === provider.key && one !== provider);
        const cuts = new Set(own.map((one) => `${one.component}:${one.node}`));
        found = belowNode(project, provider, (component, node) => cuts.has(`${component}:${node}`));
        belows.set(provider, found);
      }
      return found;
    },
    absent: project.components.flatMap((component) => absentKeys(project, component)),
    providedSomewhere: (component, key) => (cover.some[component]! & keys.get(key.id)!.bit) !== 0n,
    barePath: (component, key) => cover.barePath(component, keys.get(key.id)!.bit),
    hasDefault,
    mountOf: (site) => cover.mountOf(project.components[site.owner]!, site.node),
    mayBeElsewhere: (component) => cover.unknown[component]!,
    isBelowProvider: (component, node, key) =>
      ((cover.some[component]! | cover.around(component, node)) & keys.get(key.id)!.bit) !== 0n,
  };
}

function hasDefault({ value }: ContextKey): boolean {
  const type = value.fallback?.type;
  return type !== undefined && !(type.t === 'lit' && (type.v === null || type.v === undefined));
}

type KeyAt = (file: number, name: string) => ContextKey | undefined;

/** The context's own provider element, or the context itself as an element. */
function providersOf(component: Component, keyAt: KeyAt): Provider[] {
  const { facts, file, id } = component;
  const found: Provider[] = [];
  for (const one of facts.provides) {
    const key = keyAt(file, one.key);
    if (!key) continue;
    found.push({
      component: id,
      node: one.node,
      key,
      place: { file, start: one.keyStart, end: one.keyEnd },
      value: one.value,
    });
  }
  facts.render.forEach((node, index) => {
    if (node.kind !== 'site' || !node.tag || node.tag.symbol !== undefined || node.tag.unbound) return;
    const key = keyAt(file, node.tag.name);
    if (!key) return;
    const value = node.attributes.find((one) => one.name === 'value')?.value;
    found.push({
      component: id,
      node: index,
      key,
      place: { file, start: node.tag.start, end: node.tag.end },
      value,
    });
  });
  return found;
}

function absentKeys(project: Linked, { facts, file, id }: Component): AbsentKey[] {
  return facts.consumes.flatMap((one) => {
    const target = project.lookup(file, one.key);
    if (target.kind !== 'absent') return [];
    const place = { file, start: one.start, end: one.end };
    return [{ component: id, name: target.name, place, file: target.file }];
  });
}

/** What a component consumes itself, and through helpers of the project, however deep. */
function consumersOf(project: Linked, component: Component, keyAt: KeyAt): Consumer[] {
  const { facts, file, id } = component;
  const found: Consumer[] = [];
  for (const one of facts.consumes) {
    const key = keyAt(file, one.key);
    if (!key) continue;
    const place = { file, start: one.start, end: one.end };
    found.push({ component: id, key, place, missing: one.missing, where: one.where });
  }
  for (const call of facts.calls) {
    const place = { file, start: call.start, end: call.end };
    const where = call.fn === -1 ? 'setup' : call.where;
    for (const { key, missing } of throughHelper(project, file, call.name, keyAt, new Set())) {
      found.push({ component: id, key, place, missing, where });
    }
  }
  return found;
}

function throughHelper(
  project: Linked,
  file: number,
  name: string,
  keyAt: KeyAt,
  seen: Set<number>,
): { key: ContextKey; missing: ConsumeFact['missing'] }[] {
  if (!/(^|\.)use[A-Z]/.test(name)) return [];
  const target = project.lookup(file, name);
  if (target.kind !== 'component' || seen.has(target.component)) return [];
  seen.add(target.component);
  const helper = project.components[target.component]!;
  if (helper.facts.role !== 'helper') return [];
  const own = helper.facts.consumes.flatMap((one) => {
    const key = keyAt(helper.file, one.key);
    // What the helper hands on unread is the caller's to check.
    const handedOn =
      one.missing === 'bare' && !helper.facts.reads.some((read) => read.symbol === one.symbol && read.path);
    return key ? [{ key, missing: handedOn ? ('handled' as const) : one.missing }] : [];
  });
  return [
    ...own,
    ...helper.facts.calls.flatMap((call) => throughHelper(project, helper.file, call.name, keyAt, seen)),
  ];
}

class Coverage {
  /** Keys provided on some path, by component. */
  readonly some: bigint[];
  /** Rendered where nobody can see. */
  readonly unknown: boolean[];
  /** Keys that some path from a root certainly lacks. */
  private readonly lacks: bigint[];
  private readonly aroundCache = new Map<string, bigint>();
  private readonly providedAt = new Map<string, bigint>();
  private readonly sitesAt = new Map<string, number>();
  private readonly busy = new Set<string>();
  private unknownMasks: bigint[] | undefined;

  constructor(
    private readonly project: Linked,
    providers: Provider[],
    bitOf: (key: ContextKey) => bigint,
    /** How many keys there are. */
    private readonly count: number,
  ) {
    for (const one of providers) {
      const at = `${one.component}:${one.node}`;
      this.providedAt.set(at, (this.providedAt.get(at) ?? 0n) | bitOf(one.key));
    }
    for (const site of project.sites) this.sitesAt.set(`${site.owner}:${site.node}`, site.target);
    const { length } = project.components;
    this.some = new Array<bigint>(length).fill(0n);
    this.lacks = new Array<bigint>(length).fill(0n);
    this.unknown = project.components.map((one) => one.unknownSites);
    this.run();
  }

  private run(): void {
    const { project } = this;
    const full = (1n << BigInt(this.count)) - 1n;
    const mounted = project.files.some((file) => file.facts.mounts && !file.aside);
    for (const component of project.components) {
      const { aside, pkg } = project.files[component.file]!;
      // What a published package shows is rendered by those who install it.
      const shown = pkg !== undefined && !pkg.private;
      if (component.root) this.lacks[component.id] = full;
      if (!mounted && !aside && !shown && component.calledAt.length === 0 && !component.unknownSites)
        this.lacks[component.id] = full;
    }
    for (let changed = true, round = 0; changed && round < 200; round++) {
      changed = false;
      for (const site of project.sites) {
        const owner = project.components[site.owner]!;
        const target = site.target;
        // How tests and stories wrap what they show is theirs.
        if (project.files[owner.file]!.aside && !project.files[project.components[target]!.file]!.aside)
          continue;
        const around = this.around(owner.id, site.node);
        let above = this.lacks[owner.id]!;
        let unknown = this.unknown[owner.id]!;
        let inherited = this.some[owner.id]!;
        if (this.mountOf(owner, site.node)) {
          // A tree of its own: nothing of where the call stands is above it.
          above = full;
          inherited = 0n;
          unknown = false;
        } else if (owner.facts.role === 'module') {
          above = 0n;
          unknown = true;
        } else if (owner.facts.role === 'helper' || site.wrapper) unknown = true;
        if (site.wrapper || this.isLoose(owner, site.node)) {
          // Whoever draws it may well provide more.
          above = 0n;
          unknown = true;
        }
        const lacks = this.lacks[target]! | (above & ~around);
        const some = this.some[target]! | inherited | around;
        if (lacks !== this.lacks[target]) {
          this.lacks[target] = lacks;
          changed = true;
        }
        if (some !== this.some[target] || (unknown && !this.unknown[target])) {
          this.some[target] = some;
          this.unknown[target] ||= unknown;
          changed = true;
        }
      }
    }
  }

  mountOf(owner: Component, node: number): Span | undefined {
    for (let at = node; at >= 0; at = owner.facts.render[at]!.parent) {
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
      const target = this.sitesAt.get(`${component}:${at}`);
      if (target !== undefined) mask |= this.aroundOutlet(target, below.slot ?? traits.contentPort);
      else if (render[at]!.kind === 'site') mask |= this.beside(component, at);
      below = render[at]!;
    }
    this.busy.delete(key);
    this.aroundCache.set(key, mask);
    return mask;
  }

  private isLoose(owner: Component, node: number): boolean {
    for (let at = node; at >= 0; at = owner.facts.render[at]!.parent) {
      if (owner.facts.render[at]!.loose) return true;
    }
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
      const target = this.sitesAt.get(`${component}:${index}`);
      if (target !== undefined) mask |= this.aroundUnknown()[target]!;
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
    for (let changed = true, round = 0; changed && round < 200; round++) {
      changed = false;
      for (const { owner, target } of sites) {
        const mask = found[owner]! | found[target]!;
        if (mask !== found[owner]) [found[owner], changed] = [mask, true];
      }
    }
    found.forEach((mask, id) => (masks[id] = mask));
    this.aroundCache.clear();
    return masks;
  }

  /** Keys that a component provides around one of its outlets. */
  private aroundOutlet(component: number, slot: string): bigint {
    let mask = 0n;
    this.project.components[component]!.facts.render.forEach((node, index) => {
      if (node.kind === 'outlet' && node.outlet === slot) mask |= this.around(component, index);
    });
    return mask;
  }

  barePath(component: number, bit: bigint): number[] | undefined {
    if ((this.lacks[component]! & bit) === 0n) return undefined;
    const path: number[] = [];
    const seen = new Set<number>();
    for (let at = component; !seen.has(at);) {
      seen.add(at);
      const site = this.project.components[at]!.calledAt.map((id) => this.project.sites[id]!).find((one) => {
        const owner = this.project.components[one.owner]!;
        if ((this.around(owner.id, one.node) & bit) !== 0n || seen.has(owner.id)) return false;
        if (this.mountOf(owner, one.node)) return true;
        return owner.facts.role !== 'module' && (this.lacks[owner.id]! & bit) !== 0n;
      });
      if (!site) break;
      path.unshift(site.id);
      if (this.mountOf(this.project.components[site.owner]!, site.node)) break;
      at = site.owner;
    }
    return path;
  }
}
