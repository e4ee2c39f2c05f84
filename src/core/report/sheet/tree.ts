/** The tree of a component in the words of a sheet: the components that it places, the content that it hands them, slots. */
import type { Linked } from '../../link';
import { isClosed } from '../../link/4-ports/use-of-ports';
import type { AttributeFact, RenderFact } from '../../model/facts';
import { groupBy } from '../../model/group-by';
import type { Component, FlowEdge, FlowNode, Site } from '../../model/project';
import type {
  SheetAction,
  SheetFill,
  SheetInstance as Instance,
  SheetNode,
  SheetValue,
} from '../../readers/sheet/schema';
import type { SheetActions } from './actions';
import { isGiven, slotName, type SheetNames } from './names';
import { literal, type SheetValues } from './values';
import { sheetType } from './types';

type Local = ReadonlyMap<number, string>;

/** Functions that draw what functions draw are followed so far. */
const MAX_HELPERS = 6;

/** A component with more instances in its tree is written with the content of each once. */
const MAX_INSTANCES = 2_000;

/** What all trees of a project are written from. */
export class SheetTrees {
  /** Edges that cross a call site, by its number. */
  private readonly crossing: Map<number, FlowEdge[]>;

  constructor(
    readonly project: Linked,
    readonly names: SheetNames,
    readonly values: SheetValues,
    readonly actions: SheetActions,
  ) {
    this.crossing = groupBy(
      project.flow.edges.filter((one) => one.site >= 0),
      (one) => one.site,
    );
    for (const { node, id } of names.inGroups) {
      const { component } = project.flow.nodes[id]!;
      const key = `${component} ${node}`;
      this.groups.set(key, [...(this.groups.get(key) ?? []), project.flow.nodes[id]!]);
    }
  }

  of(component: Component): SheetNode[] {
    return new TreeWriter(this, component).write();
  }

  at(site: number): FlowEdge[] {
    return this.crossing.get(site) ?? [];
  }

  private readonly groups = new Map<string, FlowNode[]>();
  /** What a component provides for no more than what stands in one node of its tree. */
  providedAt(component: Component, node: number): Record<string, SheetValue> | undefined {
    const nodes = this.groups.get(`${component.id} ${node}`);
    return (
      nodes &&
      this.values.provided(nodes, component.id, (id, value) => this.actions.withHeld(id, component.id, value))
    );
  }

  private readonly keys = new Map<string, string>();
  /** What a slot calls something that it gives to its content: the same for all content that gets it. */
  givenName(target: Component, slot: string, edges: FlowEdge[]): string {
    const parts = edges.map((one) => `${one.from}.${one.take?.join('.') ?? ''}>${one.put?.join('.') ?? ''}`);
    const key = `${target.id} ${slot} ${parts.sort().join()}`;
    let name = this.keys.get(key);
    if (name === undefined) {
      const wanted = this.project.flow.nodes[edges[0]!.to]!.name;
      // Whoever writes content has names of its own, which must not be hidden by it.
      name = this.names.another(undefined, `given-${wanted}`);
      this.keys.set(key, name);
    }
    return name;
  }

  /** All that the content of a component's slots gets, by slot. */
  givenBy(target: Component): Map<string, Record<string, SheetValue>> {
    const found = new Map<string, Record<string, SheetValue>>();
    for (const id of [...target.calledAt, ...target.handedAt])
      for (const { slot, edges } of this.givenAt(this.project.sites[id]!)) {
        const value = this.values.of(edges, target.id, new Map());
        if (value === undefined) continue;
        const all = found.get(slot) ?? {};
        all[this.givenName(target, slot, edges)] = value;
        found.set(slot, all);
      }
    return found;
  }

  /** What content at a call site gets from the slots that it fills. */
  givenAt(site: Site): { slot: string; node: number; edges: FlowEdge[] }[] {
    const target = this.project.components[site.target]!;
    const edges = this.at(site.id).filter(isGiven);
    return [...groupBy(edges, (one) => `${one.to} ${one.attribute}`).values()].map((all) => {
      const [{ to, attribute }] = all as [FlowEdge];
      const name = site.fact.attributes[attribute]?.name ?? target.facts.traits.contentPort;
      return { slot: slotName(target, name), node: to, edges: all };
    });
  }
}

/** Writes the tree of one component, with what the functions that it calls draw for it. */
class TreeWriter {
  private readonly project: Linked;
  private readonly names: SheetNames;
  /** Slots that have their place in the tree. */
  private readonly placed = new Set<string>();
  private readonly given: Map<string, Record<string, SheetValue>>;

  constructor(
    private readonly trees: SheetTrees,
    private readonly component: Component,
  ) {
    this.project = trees.project;
    this.names = trees.names;
    this.given = trees.givenBy(component);
  }

  /** So many were written already. */
  private instances = 0;

  write(): SheetNode[] {
    const { facts, ports } = this.component;
    const roots = facts.render.flatMap((node, index) => (node.parent < 0 ? [index] : []));
    const nodes = this.all(this.component, roots, new Map(), []);
    // A slot may be placed where the tree does not show it: it is handed on, or called by code.
    for (const port of ports.values()) {
      if (port.channel !== 'slot') continue;
      const name = this.names.of(port.node)!.name;
      if (!this.placed.has(name)) nodes.push(this.outlet(name));
    }
    return nodes;
  }

  private readonly childrenOf = new Map<Component, Map<number, number[]>>();
  private children(code: Component, node: number): number[] {
    let all = this.childrenOf.get(code);
    if (!all) {
      const indexes = code.facts.render.map((_, index) => index);
      this.childrenOf.set(code, (all = groupBy(indexes, (index) => code.facts.render[index]!.parent)));
    }
    return all.get(node) ?? [];
  }

  private all(code: Component, nodes: number[], local: Local, helpers: Component[]): SheetNode[] {
    return nodes.flatMap((node) => this.node(code, node, local, helpers));
  }

  private node(code: Component, node: number, local: Local, helpers: Component[]): SheetNode[] {
    const fact = code.facts.render[node]!;
    const content = this.contentOf(code, node, helpers);
    const sites = [...(code.siteAt.get(node) ?? []), ...(code.handedSites.get(node) ?? [])];
    const known = sites
      .map((id) => this.project.sites[id]!)
      .filter((one) => this.names.components.has(one.target));
    if (known.length) {
      // What stands on the tag together with the component has no content of its own.
      const main = known.find((one) => !one.together) ?? known[0]!;
      const target = this.project.components[main.target]!;
      const [filling, loose] = [true, false].map((fills) =>
        content.filter(({ slot }) => isFilled(target, slot) === fills),
      ) as [Content[], Content[]];
      return [
        ...known.map((site) => {
          // Of many that a tag is chosen among, content in content would be written over and over.
          const isBare = site !== main && (site.together === true || this.instances > MAX_INSTANCES);
          return this.shown(code, fact, this.instance(site, isBare ? [] : filling, local));
        }),
        ...loose.flatMap(({ write }) => write(local)),
      ];
    }
    if (fact.kind === 'outlet' && this.component.ports.get(fact.outlet ?? '')?.channel === 'slot') {
      const inner = content.flatMap(({ write }) => write(local));
      const name = slotName(this.component, fact.outlet!);
      return [this.shown(code, fact, { ...this.outlet(name), ...(inner.length ? { else: inner } : {}) })];
    }
    const nodes = content.flatMap(({ write }) => write(local));
    const provides = code === this.component ? this.trees.providedAt(code, node) : undefined;
    return provides ? [{ provides, group: nodes }] : nodes;
  }

  /** What is written inside of a node, and what functions draw there, each with the slot that it fills. */
  private contentOf(code: Component, node: number, helpers: Component[]): Content[] {
    const own = this.children(code, node).map((child) => ({
      slot: code.facts.render[child]!.slot,
      write: (local: Local) => this.node(code, child, local, helpers),
    }));
    const drawn = (code.drawn.get(node) ?? []).flatMap(({ helper, nodes, slot }) =>
      helpers.includes(helper) || helpers.length >= MAX_HELPERS
        ? []
        : [{ slot, write: (local: Local) => this.all(helper, nodes, local, [...helpers, helper]) }],
    );
    return [...own, ...drawn];
  }

  private outlet(name: string): SheetNode {
    this.placed.add(name);
    const given = this.given.get(name);
    return { slot: name === 'default' ? null : name, ...(given ? { with: given } : {}) };
  }

  /** With the condition that it stands under, where that is a value of the component's own. */
  private shown(code: Component, { when }: RenderFact, node: SheetNode): SheetNode {
    if (!when || code !== this.component) return node;
    const { facts } = this.component;
    const read = facts.reads.filter((one) => when.start <= one.start && one.end <= when.end);
    const names = read.flatMap(({ symbol }) => {
      const name = this.names.of(this.component.nodeOf[symbol] ?? -1);
      const isValue = name && (name.owner === this.component.id || name.owner === undefined);
      if (!isValue || !VALUES.has(name.kind) || this.trees.values.isLocal(this.component.nodeOf[symbol]!))
        return [];
      return [`$${name.owner === undefined ? 'shared.' : ''}${name.name}`];
    });
    const [only, ...others] = [...new Set(names)];
    if (only === undefined) return node;
    return { if: others.length ? { mix: [only, ...others] } : only, ...node };
  }

  private instance(site: Site, content: Content[], around: Local): Instance {
    const { project, component, trees } = this;
    this.instances++;
    const target = project.components[site.target]!;
    const edges = trees.at(site.id).filter((edge) => this.concerns(edge, target));
    const given = trees.givenAt(site).filter((one) => this.names.of(one.node)?.owner === component.id);
    const local = new Map(around);
    for (const one of given) local.set(one.node, trees.givenName(target, one.slot, one.edges));

    const properties = this.properties(site, target, edges, around);
    const events = this.events(site, target, edges, local);
    const handle = this.handle(site);
    const bySlot = groupBy(content, (one) =>
      one.slot === undefined ? 'default' : slotName(target, one.slot),
    );
    const slots = new Set([...bySlot.keys(), ...given.map((one) => one.slot)]);
    const fills: [string, SheetFill][] = [];
    const values = this.filledByValues(edges, around);
    let inside: SheetNode[] | undefined;
    for (const slot of slots) {
      const inner = (bySlot.get(slot) ?? []).flatMap(({ write }) => write(local));
      const here = given.filter((one) => one.slot === slot);
      const does = this.done(
        here.map((one) => one.node),
        local,
      );
      if (does.length) inner.push({ does });
      const gives = [...new Set(here.map((one) => local.get(one.node)!))];
      if (gives.length) fills.push([slot, { gives, tree: inner }]);
      else if (inner.length === 0 && values.has(slot)) continue;
      else if (slot !== 'default') fills.push([slot, inner]);
      else inside = inner;
    }
    for (const [slot, value] of values)
      if (!fills.some(([name]) => name === slot) && !(slot === 'default' && inside))
        fills.push([slot, value]);
    return {
      use: this.names.components.get(site.target)!,
      ...(Object.keys(properties).length ? { with: properties } : {}),
      ...(Object.keys(events).length ? { on: events } : {}),
      ...(handle === undefined ? {} : { handle }),
      ...(inside?.length || (inside && site.fact.nested) ? { inside: inside } : {}),
      ...(fills.length ? { fill: Object.fromEntries(fills) } : {}),
    };
  }

  /** Slots that are filled with what somebody else handed over. */
  private filledByValues(edges: FlowEdge[], local: Local): Map<string, SheetValue> {
    const found = new Map<string, SheetValue>();
    const into = edges.filter(({ to, way }) => way === 'in' && this.names.of(to)?.kind === 'slot');
    for (const [port, all] of groupBy(into, (one) => one.to)) {
      const value = this.trees.values.of(all, this.component.id, local);
      if (value !== undefined) found.set(this.names.of(port)!.name, value);
    }
    return found;
  }

  /** A call site in a function of the project is one of each component that calls this. */
  private concerns({ from, to }: FlowEdge, target: Component): boolean {
    const { nodes } = this.project.flow;
    const isOther = (node: number) => {
      const { owner } = this.names.of(node) ?? {};
      return owner !== undefined && owner !== this.component.id && nodes[node]!.component !== target.id;
    };
    return !isOther(from) && (!isOther(to) || this.trees.actions.callTo(to, this.component.id) !== undefined);
  }

  private properties(
    site: Site,
    target: Component,
    edges: FlowEdge[],
    local: Local,
  ): Record<string, SheetValue> {
    const { types } = this.project;
    const found: Record<string, SheetValue> = {};
    const into = edges.filter(({ to, way }) => way === 'in' && this.names.of(to)?.kind === 'prop');
    for (const [port, all] of groupBy(into, (one) => one.to)) {
      const value = this.trees.values.of(all, this.component.id, local);
      if (value !== undefined) found[this.names.of(port)!.name] = value;
    }
    // What is called like an event, and is none by its name.
    const called = edges.filter(
      ({ from, way, inPlace }) => way === 'out' && !inPlace && this.names.of(from)?.kind === 'prop',
    );
    for (const [port, all] of groupBy(called, (one) => one.from)) {
      const does = this.trees.actions.of(all, this.component.id, local);
      if (does.length) found[this.names.of(port)!.name] ??= { does };
    }
    const handed = this.project.handed(site);
    const add = (name: string, value: SheetValue) => {
      const port = target.ports.get(name);
      if (port ? port.channel !== 'prop' : !isClosed(target) || !/^[^\s.@#]+$/.test(name)) return;
      found[port ? this.names.of(port.node)!.name : name] ??= value;
    };
    for (const [name, { mode, value, plain }] of handed.attributes)
      if ((mode === 'value' || mode === 'two-way') && (!plain || target.ports.has(name)))
        add(name, this.written(value, site));
    for (const name of handed.spread) add(name, { some: 'any' });
    // Whatever else comes by a spread, what must be there is taken to be among it.
    if (handed.unknown)
      for (const port of target.ports.values())
        if (port.required) add(port.name, { some: sheetType(types, port.type) });
    return found;
  }

  /** A value that comes from nowhere else: what is written, or no more than that there is one. */
  private written({ kind, type }: AttributeFact['value'], site: Site): SheetValue {
    if (kind !== 'identity' && type?.t === 'lit') return literal(type.v);
    const { types } = this.project;
    const owner = this.project.components[site.owner]!;
    return { some: type ? sheetType(types, { type, file: owner.file, component: owner.id }) : 'any' };
  }

  private events(
    site: Site,
    target: Component,
    edges: FlowEdge[],
    local: Local,
  ): NonNullable<Instance['on']> {
    const found: NonNullable<Instance['on']> = {};
    const out = edges.filter(({ from, way }) => way === 'out' && this.names.of(from)?.kind === 'event');
    for (const [port, all] of groupBy(out, (one) => one.from))
      found[this.names.of(port)!.name] = this.trees.actions.of(all, this.component.id, local);
    // Who listens, and does nothing with it that is known, listens all the same.
    const { attributes, spread } = this.project.handed(site);
    for (const name of [...attributes.keys(), ...spread]) {
      const port = target.ports.get(name);
      if (port?.channel === 'event') found[this.names.of(port.node)!.name] ??= [];
    }
    return found;
  }

  /** What happens in content with what it is given: a press on something there that is no component. */
  private done(nodes: number[], local: Local): SheetAction[] {
    const { out, edges } = this.project.flow;
    const reached = new Set(nodes);
    const found: FlowEdge[] = [];
    for (const node of reached)
      for (const index of out[node]!) {
        const edge = edges[index]!;
        if (edge.site >= 0) continue;
        if (this.names.of(edge.to)?.kind === 'derived') reached.add(edge.to);
        else found.push(edge);
      }
    return this.trees.actions.of(found, this.component.id, local);
  }

  private handle(site: Site): string | undefined {
    const owner = this.project.components[site.owner]!;
    for (const { mode, value } of site.fact.attributes) {
      if (mode !== 'ref' || value.symbol === undefined) continue;
      const named = this.names.of(owner.nodeOf[value.symbol] ?? -1);
      if (named?.kind === 'handle' && named.owner === this.component.id) return named.name;
    }
    return undefined;
  }
}

interface Content {
  slot: string | undefined;
  write(local: Local): SheetNode[];
}

/** What is handed in otherwise than as content of a slot is drawn by whoever gets it. */
const isFilled = (target: Component, slot: string | undefined): boolean => {
  const port = slot === undefined ? undefined : target.ports.get(slot);
  return slot === undefined || port?.channel === 'slot' || (!port && isClosed(target));
};

const VALUES = new Set(['prop', 'state', 'derived', 'consumed']);
