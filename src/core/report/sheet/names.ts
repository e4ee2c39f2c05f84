/** What the parts of a project are called in a sheet, where each name is one of its component or of the whole sheet. */
import { isEverywhere } from '../../link/5-contexts/coverage';
import type { Linked } from '../../link';
import { groupBy } from '../../model/group-by';
import { oncePerLink } from '../../model/once-per';
import type { Component, Flow, FlowEdge, FlowNode } from '../../model/project';

/** What a node of the flow is in a sheet. */
export type SheetKind =
  | 'prop'
  | 'event'
  | 'slot'
  | 'state'
  | 'derived'
  | 'consumed'
  | 'provided'
  | 'handle'
  | 'offered'
  /** Content gets it from the slot that it fills. */
  | 'given';

export interface SheetName {
  /** The component by its number; undefined for what the whole sheet has. */
  owner: number | undefined;
  kind: SheetKind;
  name: string;
}

/** A name that stands in nobody's way gets no number. */
function unique(taken: Set<string>, wanted: string): string {
  let name = wanted;
  for (let n = 2; taken.has(name); n++) name = `${wanted}${n}`;
  taken.add(name);
  return name;
}

/** A text as a name: `[log-tools]` is `log-tools`. */
const asName = (text: string): string => {
  const name = text.replace(/[^\w-]+/g, '-').replace(/^-+|-+$/g, '');
  return /^[A-Za-z_]/.test(name) ? name : `n${name}`;
};

/** The same as the name of a component. */
const asComponent = (text: string): string => {
  const name = text
    .split(/\W+/)
    .filter(Boolean)
    .map((part) => part[0]!.toUpperCase() + part.slice(1))
    .join('');
  return /^[A-Z]/.test(name) ? name : `C${name}`;
};

const HANDED = new Set(['transform', 'pass', 'rename']);
/** What may come to other components by code. */
const PASSED = new Set<SheetKind>(['prop', 'state', 'derived', 'consumed']);

/** What an event carries, what the sheet keeps, slots and events are spoken of under these names everywhere. */
const RESERVED = ['event', 'event2', 'event3', 'shared', 'slots', 'events'];

/** Kinds whose names stand in one namespace, in the order in which they choose. */
const NAMED: SheetKind[] = ['prop', 'consumed', 'handle', 'state', 'derived'];

export class SheetNames {
  /** Components that are written, by number. */
  readonly components = new Map<number, string>();
  private readonly nodes: (SheetName | undefined)[];
  /** Names that are taken in a component. */
  private readonly taken = new Map<number | undefined, Set<string>>();

  /** What is provided for no more than what stands in one node of a component's tree. */
  readonly inGroups: { id: number; node: number }[];
  private readonly grouped: Set<number>;

  constructor(private readonly project: Linked) {
    const { components, flow } = project;
    const names = new Set<string>();
    for (const one of components)
      if (one.facts.role === 'component' || isStage(project, one))
        this.components.set(one.id, unique(names, asComponent(one.name)));
    this.nodes = flow.nodes.map(() => undefined);
    this.inGroups = providedInGroups(project);
    this.grouped = new Set(this.inGroups.map((one) => one.id));
    const keys = keyGroups(project);
    const byKind = groupBy(flow.nodes, (node) => this.kindOf(node));
    for (const [kind, nodes] of byKind)
      if (kind && !NAMED.includes(kind)) for (const node of nodes) this.name(node, kind, keys);
    for (const kind of NAMED) for (const node of byKind.get(kind) ?? []) this.name(node, kind, keys);
    for (const edge of flow.edges) if (edge.site < 0 && edge.how !== 'consume') this.notePassed(edge);
  }

  /** Keys made up for values that come to other components by code alone, by the component that gets them and the value. */
  private readonly gets = new Map<number, Map<number, string>>();
  /** The same, by the component that has the value. */
  private readonly gives = new Map<number, Map<number, string>>();

  /**
   * A value of one component that another one has without any call site in between: it was asked for by code. In a sheet
   * it is provided under a key made up for it.
   */
  private notePassed({ from, to, how }: FlowEdge): void {
    const one = this.nodes[from];
    const other = this.nodes[to];
    if (one?.owner === undefined || other?.owner === undefined || one.owner === other.owner) return;
    if (!HANDED.has(how) || !PASSED.has(one.kind) || !(other.kind === 'derived' || other.kind === 'state'))
      return;
    const given = this.gives.get(one.owner) ?? new Map<number, string>();
    const got = this.gets.get(other.owner) ?? new Map<number, string>();
    const key = given.get(from) ?? this.another(undefined, `${one.name}-here`);
    this.gives.set(one.owner, given.set(from, key));
    this.gets.set(other.owner, got.set(from, key));
  }

  /** The key under which a component gets a value of another one, if it does. */
  passedTo(node: number, component: number | undefined): string | undefined {
    return component === undefined ? undefined : this.gets.get(component)?.get(node);
  }

  /** Keys made up for values of a component, with the values. */
  passedBy(component: number): { key: string; node: number }[] {
    return [...(this.gives.get(component) ?? [])].map(([node, key]) => ({ key, node }));
  }

  /** Keys made up for values of others that a component gets. */
  passedInto(component: number): string[] {
    return [...(this.gets.get(component)?.values() ?? [])];
  }

  isInGroup(node: number): boolean {
    return this.grouped.has(node);
  }

  of(node: number): SheetName | undefined {
    return this.nodes[node];
  }

  /** A name for one more thing in a component. */
  another(owner: number | undefined, wanted: string): string {
    return unique(this.takenIn(owner), asName(wanted));
  }

  private takenIn(owner: number | undefined): Set<string> {
    let taken = this.taken.get(owner);
    if (!taken) this.taken.set(owner, (taken = new Set(RESERVED)));
    return taken;
  }

  private kindOf(node: FlowNode): SheetKind | undefined {
    const { flow } = this.project;
    const inside = this.components.has(node.component);
    const edges = (list: number[]) => list.map((index) => flow.edges[index]!);
    const into = edges(flow.into[node.id]!);
    if (node.port) return inside ? node.port.channel : undefined;
    if (!inside || this.isLoose(node)) {
      if (node.channel === 'context' && node.provides) return 'provided';
      const isJoined = into.length > 0 || flow.out[node.id]!.length > 0;
      return isJoined ? (node.channel === 'state' || into.some(isWrite) ? 'state' : 'derived') : undefined;
    }
    switch (node.channel) {
      case 'state':
        return 'state';
      case 'local':
        // What is written is kept, whatever it is worked out of at first.
        return into.some(isGiven) ? 'given' : into.some(isWrite) ? 'state' : 'derived';
      case 'context':
        if (node.provides) return 'provided';
        // What it provides itself is no more than another name of that.
        return into.some((one) => one.how === 'consume' && isOwn(this.project, one)) ? 'derived' : 'consumed';
      case 'ref':
        return into.some((one) => one.how === 'call' && one.way === 'in') ? 'offered' : 'handle';
      default:
        return undefined;
    }
  }

  /** What the loose code of a module keeps is there for all, also where it draws something. */
  private isLoose(node: FlowNode): boolean {
    return this.project.components[node.component]!.facts.role !== 'component' && !node.provides;
  }

  /** The component that has it, or the whole sheet. */
  ownerOf(node: FlowNode): number | undefined {
    return this.components.has(node.component) && !this.isLoose(node) ? node.component : undefined;
  }

  private name(node: FlowNode, kind: SheetKind, keys: (node: number) => string): void {
    const owner = this.ownerOf(node);
    const name = this.wanted(node, kind, keys);
    const fixed = kind === 'prop' || kind === 'consumed';
    if (fixed) this.takenIn(owner).add(name);
    const isNamed = NAMED.includes(kind) && !fixed;
    this.nodes[node.id] = { owner, kind, name: isNamed ? unique(this.takenIn(owner), name) : name };
  }

  private wanted(node: FlowNode, kind: SheetKind, keys: (node: number) => string): string {
    switch (kind) {
      case 'prop':
        return propertyName(node.name);
      case 'event':
        return eventName(node.name);
      case 'slot':
        return slotName(this.project.components[node.component]!, node.name);
      case 'consumed':
      case 'provided':
        return keys(node.id);
      case 'offered':
        return propertyName(node.name);
      default:
        return asName(node.name);
    }
  }
}

export const propertyName = (name: string): string => name.replace(/[\s.]+/g, '-');
export const eventName = (name: string): string => name.replace(/^@(?=.)/, '').replace(/\s+/g, '-');

/** The slot for what is nested is the default one. */
export function slotName({ facts }: Component, name: string): string {
  if (name === facts.traits.contentPort) return 'default';
  return name.replace(/^#(?=.)/, '').replace(/\s+/g, '-');
}

/** What content gets from the slot that it fills. */
export const isGiven = ({ how, way }: FlowEdge): boolean => how === 'fill' && way === 'out';

const isWrite = ({ how }: FlowEdge): boolean => how === 'write';

const isOwn = ({ flow }: Linked, { from, to }: FlowEdge): boolean =>
  flow.nodes[from]!.component === flow.nodes[to]!.component;

/** What it provides is there for all, and not only for what it draws. */
const providesForAll = (project: Linked, { id, facts }: Component): boolean =>
  facts.provides.some(({ node }) => node === 0) && isEverywhere(project, { component: id, node: 0 });

/** Loose code that draws something, or provides for what it draws, is written as a component. */
export const isStage = (project: Linked, component: Component): boolean =>
  component.facts.role === 'module' &&
  component.sites.length > 0 &&
  !providesForAll(project, component) &&
  stagesOf(project).has(component.id);

/** Components that provide something, or give something to what they draw. */
const stagesOf = oncePerLink(({ flow, sites }: Linked): Set<number> => {
  const found = new Set(flow.nodes.flatMap((node) => (node.provides ? [node.component] : [])));
  for (const { site } of flow.edges) if (site >= 0) found.add(sites[site]!.owner);
  return found;
});

const placeText = (component: number, { file, start, end }: FlowNode['place']): string =>
  `${component} ${file} ${start} ${end}`;

/** Nodes of what is provided, by where that is written. */
const provided = ({ nodes }: Flow): Map<string, FlowNode[]> =>
  groupBy(
    nodes.filter((one) => one.provides),
    (one) => placeText(one.component, one.place),
  );

/** The outermost node is the whole. */
function providedInGroups({ flow, contexts, components }: Linked): { id: number; node: number }[] {
  const nodes = provided(flow);
  return contexts.providers.flatMap(({ component, place, node, at }) => {
    const { facts } = components[component]!;
    const isWhole = node < 0 || at !== undefined || facts.role !== 'component' || coversAll(facts, node);
    return isWhole ? [] : (nodes.get(placeText(component, place)) ?? []).map(({ id }) => ({ id, node }));
  });
}

/** Nothing of what is drawn stands beside the node. */
const coversAll = ({ render }: Component['facts'], node: number): boolean =>
  render.every((one, index) => one.parent >= 0 || index === node);

/** Names of keys: those who provide something and those who get it call it the same. */
function keyGroups({ flow, contexts }: Linked): (node: number) => string {
  const head = flow.nodes.map((node) => node.id);
  const find = (node: number): number => {
    while (head[node] !== node) node = head[node] = head[head[node]!]!;
    return node;
  };
  const isKey = (node: number) => flow.nodes[node]!.channel === 'context';
  for (const { from, to, how } of flow.edges)
    if (how === 'consume' && isKey(from) && isKey(to)) head[find(from)] = find(to);
  // Several provide the same key.
  const placed = provided(flow);
  const byKey = new Map<string, number>();
  for (const { key, component, place } of contexts.providers)
    for (const { id } of placed.get(placeText(component, place)) ?? []) {
      const first = byKey.get(key.id);
      if (first === undefined) byKey.set(key.id, id);
      else head[find(id)] = find(first);
    }
  const props = new Set(flow.nodes.flatMap((node) => (node.port ? [propertyName(node.name)] : [])));
  const names = new Map<number, string>();
  const taken = new Set(RESERVED);
  return (node) => {
    const top = find(node);
    const known = names.get(top);
    if (known !== undefined) return known;
    const wanted = asName(flow.nodes[top]!.name);
    const name = unique(taken, props.has(wanted) ? `${wanted}-key` : wanted);
    names.set(top, name);
    return name;
  };
}
