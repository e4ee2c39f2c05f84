/** The strand of a port: everything upstream of it and everything downstream, with what happens at each hop. */
import type { Linked } from '../link';
import type { ComponentFacts, Span } from '../model/facts';
import { groupBy } from '../model/group-by';
import { oncePer, oncePerLink } from '../model/once-per';
import type { Component, FlowEdge, FlowNode, How, Place } from '../model/project';
import { nodeRef } from '../model/refs';
import type { Role } from '../model/finding';
import { isForOthers, isUsed, useOf } from '../link/4-ports/use-of-ports';
import { circleEnds } from './circles';
import { emissionsOf, raises } from '../link/4-ports/emission';
import { RAISED } from '../link/7-flow/raised';
import { unboxed } from '../link/6-values/values';
import { everywhere, MAX_NODES, reach, type Reach, type Step } from '../link/7-flow/reach';
import type { Break } from './breaks';
import { showType } from '../types/show';
import { CARRIED, type Carried, carriedBy, NEARNESS, type Near, type Nearby, nearbyOf } from './itself';

export interface Hop {
  ref: string;
  component: string;
  /** Numbers of the flow nodes that bear the reference. */
  nodes: number[];
  place: Place;
  /** The name that the value bears inside the component. */
  name: string;
  type: string;
  role: Role;
  channel: FlowNode['channel'];
  /** Where the component reads it, or hands it to a component that is not the project's. */
  reads: Place[];
  near: Near;
}

export interface Route {
  from: string;
  to: string;
  /** break: nothing gets across; what is raised at one end is waited for at the other. */
  how: How | 'break';
  place: Place;
  site: number;
  /** Of several ways between the two, what says most. */
  carries: Carried;
  /** It leads to or from the value itself. */
  near: boolean;
  /** What was handed in is changed there, for whoever handed it in. */
  inPlace: boolean;
}

export interface Trace {
  of: string;
  hops: Hop[];
  routes: Route[];
  origins: string[];
  ends: string[];
  /** Where the trace goes on, but was ended, since so many nodes are nearer. */
  cut: string[];
}

const nodesByRef = oncePerLink((project: Linked) =>
  groupBy(project.flow.nodes, (node) => nodeRef(project, node)),
);

/** The nodes that a port reference names; empty if there are none. */
export function findNodes(project: Linked, ref: string): FlowNode[] {
  const found = nodesByRef(project).get(ref) ?? [];
  // What a component takes over may bear its name: there, nothing is handed in or kept.
  const own = found.filter(({ component }) => project.components[component]!.facts.role !== 'helper');
  const nodes = (own.length ? own : found).flatMap((node) => [node, ...ofHeirs(project, node)]);
  return own.length ? nodes : nodes.flatMap((node) => madeOf(project, node) ?? node);
}

/** What stands for a symbol of a class or function in each of the components for which it runs. */
const madeOf = (project: Linked, { component, symbol }: FlowNode): FlowNode[] | undefined =>
  symbol < 0 ? undefined : instances(project).get(`${component}:${symbol}`);

const instances = oncePerLink((project: Linked): Map<string, FlowNode[]> => {
  const found = new Map<string, FlowNode[]>();
  for (const [node, names] of project.flow.names)
    for (const { code, symbol } of names) {
      const key = `${code}:${symbol}`;
      const known = found.get(key);
      if (known) known.push(project.flow.nodes[node]!);
      else found.set(key, [project.flow.nodes[node]!]);
    }
  return found;
});

const heirsOf = oncePerLink((project: Linked) =>
  groupBy(
    project.components.flatMap((heir) => heir.mixins.map((base) => ({ base, heir }))),
    ({ base }) => base,
  ),
);

/** What a base that nobody draws itself declares is handed in, and raised, where its heirs are drawn. */
function ofHeirs(project: Linked, { component, port }: FlowNode): FlowNode[] {
  const base = project.components[component]!;
  if (!port || base.calledAt.length) return [];
  return (heirsOf(project).get(base) ?? []).flatMap(({ heir }) => {
    const taken = heir.ports.get(port.name);
    if (!taken?.inherited || taken.node < 0) return [];
    const node = project.flow.nodes[taken.node]!;
    return [node, ...ofHeirs(project, node)];
  });
}

/**
 * What is reached from some nodes. From an event, the breaks on its own path are crossed, too: what is raised at one end
 * is waited for at the other. A break further away is none of its own: nothing flows over it.
 */
function reachAcross(
  project: Linked,
  starts: FlowNode[],
  breaks: Break[],
): Reach & { crossed: Break[]; nearby: Nearby } {
  const options = { step: withoutTests(project, starts), most: MAX_NODES };
  const begins = starts.map((node) => node.id);
  const found = reach(project.flow, begins, options);
  const path = new Set(starts.filter(({ channel }) => channel === 'event').map(({ id }) => id));
  const crossed: Break[] = [];
  for (const id of path) {
    // What was not reached, since the walk left by another call site, is on no path of its own.
    for (const next of eventsBeside(project, id)) if (found.nodes.has(next)) path.add(next);
    for (const one of breaks) {
      if (crossed.includes(one) || (one.below !== id && one.above !== id)) continue;
      crossed.push(one);
      const far = one.below === id ? one.above : one.below;
      path.add(far);
      const beyond = reach(project.flow, [far], options);
      for (const kind of ['nodes', 'edges', 'cut'] as const)
        for (const node of beyond[kind]) found[kind].add(node);
    }
  }
  const ends = crossed.flatMap(({ below, above }) => [below, above]);
  return { ...found, crossed, nearby: nearbyOf(project, [...begins, ...ends], found.edges, options) };
}

/** The events that an event is raised again as, and those that it is raised for. */
function eventsBeside({ flow }: Linked, id: number): number[] {
  const beside = [
    ...flow.out[id]!.map((index) => flow.edges[index]!.to),
    ...flow.into[id]!.map((index) => flow.edges[index]!.from),
  ];
  return beside.filter((node) => flow.nodes[node]!.channel === 'event');
}

/**
 * Traces the nodes of one port reference both ways. A broken path is one trace: what happens below the break, the break,
 * and who waits above it.
 */
export function traceNodes(project: Linked, starts: FlowNode[], breaks: Break[] = []): Trace {
  const { flow } = project;
  const { nodes, edges, cut: ended, crossed, nearby } = reachAcross(project, starts, breaks);
  const refs = new Map([...nodes].map((id) => [id, nodeRef(project, flow.nodes[id]!)]));
  const routes = new Map<string, Route>();
  for (const index of [...edges].sort((a, b) => a - b)) {
    const edge = flow.edges[index]!;
    const from = refs.get(edge.from)!;
    const to = refs.get(edge.to)!;
    const key = `${from}\n${to}\n${edge.place.file}\n${edge.place.start}`;
    const near = nearby.edges.has(index);
    const known = routes.get(key);
    const carries = carriedBy(edge);
    if (known) {
      known.near ||= near;
      known.inPlace ||= edge.inPlace === true;
      if (CARRIED.indexOf(carries) < CARRIED.indexOf(known.carries)) known.carries = carries;
    } else if (from !== to)
      routes.set(key, {
        from,
        to,
        how: edge.how,
        place: edge.place,
        site: edge.site,
        carries,
        near,
        inPlace: edge.inPlace === true,
      });
  }
  const fed = new Set([...routes.values()].map((route) => route.to));
  const begun = new Set(
    [...edges]
      .filter((index) => !isArgument(flow.edges[index]!))
      .map((index) => refs.get(flow.edges[index]!.to)!),
  );
  const feeding = new Set([...routes.values()].map((route) => route.from));
  const hops = new Map<string, Hop>();
  // What of a whole is reached by the value itself, and not by what else is further away.
  const into = (id: number): string[][] | undefined => {
    const ways = flow.into[id]!.filter((index) => edges.has(index) && flow.edges[index]!.from !== id);
    const own = ways.filter((index) => nearby.edges.has(index));
    const puts = (own.length ? own : ways).map((index) => flow.edges[index]!.put ?? []);
    return puts.length && puts.every((put) => put.length) ? puts : undefined;
  };
  for (const id of flowOrder(project, nodes, edges, crossed)) {
    const ref = refs.get(id)!;
    const known = hops.get(ref);
    const node = flow.nodes[id]!;
    const near = nearby.nodes.get(id) ?? 'far';
    if (known) {
      known.nodes.push(id);
      known.reads.push(...shownAt(project, node, into(id)));
      if (NEARNESS.indexOf(near) < NEARNESS.indexOf(known.near)) known.near = near;
      continue;
    }
    hops.set(ref, hopOf(project, node, ref, fed.has(ref), near, into(id)));
  }
  // Nothing flows across: neither end has the other for its origin.
  for (const { below, above, place } of crossed) {
    const [from, to] = [refs.get(below)!, refs.get(above)!];
    routes.set(`${from}\n${to}\nbreak`, {
      from,
      to,
      how: 'break',
      place,
      site: -1,
      carries: 'call',
      near: true,
      inPlace: false,
    });
  }
  const list = [...hops.values()];
  const cut = new Set([...ended].map((id) => refs.get(id)!));
  const all = [...routes.values()];
  // An event starts where it is raised, wherever what it is raised with comes from.
  const isFirst = ({ ref, channel }: Hop): boolean => !(channel === 'event' ? begun : fed).has(ref);
  const isLast = ({ ref }: Hop): boolean => !feeding.has(ref);
  const circles = circleEnds(list, all);
  const shown = (one: (hop: Hop) => boolean, more: string[]): string[] => {
    const added = new Set(more);
    return list.filter((hop) => !cut.has(hop.ref) && (one(hop) || added.has(hop.ref))).map(({ ref }) => ref);
  };
  return {
    of: refs.get(starts[0]!.id)!,
    hops: list,
    routes: all,
    origins: shown(isFirst, circles.origins),
    ends: shown(isLast, circles.ends),
    cut: [...cut],
  };
}

/** Whether an edge carries what an event is raised with. */
const isArgument = ({ how, put }: FlowEdge): boolean => how === 'emit' && put?.[0] !== RAISED;

const isAside = ({ files, components }: Linked, node: FlowNode): boolean =>
  files[components[node.component]!.file]!.aside;

/** The walk that leaves out what stands in tests and stories. */
const outsideOfTests = oncePerLink((project: Linked): Step => {
  const { nodes } = project.flow;
  const aside = nodes.map((node) => isAside(project, node));
  return (from, to) => (aside[from]! || aside[to]! ? 'skip' : 'go');
});

/** Trees of tests and stories are no part of what runs, unless the walk starts there. */
export function withoutTests(project: Linked, starts: FlowNode[]): Step {
  return starts.some((node) => isAside(project, node)) ? everywhere : outsideOfTests(project);
}

/** Nodes in the order in which the data flows; circles are entered where they are first met. */
function flowOrder(project: Linked, nodes: Set<number>, edges: Set<number>, breaks: Break[]): number[] {
  const { flow } = project;
  const across = groupBy(breaks, (one) => one.below);
  const waiting = new Map<number, number>();
  for (const id of nodes)
    waiting.set(
      id,
      flow.into[id]!.filter((index) => edges.has(index) && flow.edges[index]!.from !== id).length,
    );
  for (const { above } of breaks) waiting.set(above, waiting.get(above)! + 1);
  const order: number[] = [];
  const ready = [...nodes].filter((id) => waiting.get(id) === 0);
  const left = new Set(nodes);
  while (left.size) {
    const id = ready.shift() ?? left.values().next().value!;
    if (!left.delete(id)) continue;
    order.push(id);
    for (const index of flow.out[id]!) {
      if (!edges.has(index)) continue;
      const { to } = flow.edges[index]!;
      if (to === id) continue;
      const count = waiting.get(to)! - 1;
      waiting.set(to, count);
      if (count === 0) ready.push(to);
    }
    for (const { above } of across.get(id) ?? []) {
      const count = waiting.get(above)! - 1;
      waiting.set(above, count);
      if (count === 0) ready.push(above);
    }
  }
  return order;
}

/** `into` are the ways to the members of what a module keeps that the value becomes; absent where it may be all of it. */
function readsOf(project: Linked, node: FlowNode, into?: string[][]): Place[] {
  const { facts } = project.components[node.component]!;
  if (facts.role === 'module')
    return (sharedReads(project).get(node.id) ?? []).flatMap(({ place, path }) =>
      !into || into.some((one) => one.every((name, at) => path[at] === undefined || path[at] === name))
        ? place
        : [],
    );
  return namesOf(project, node).flatMap(({ code, symbol }) => {
    const { facts: own, file: home } = code;
    const at = ({ start, end }: Span): Place => ({ file: home, start, end });
    return [
      ...own.emits.filter((emit) => emit.symbol === symbol).map(at),
      ...own.reads.filter((read) => read.symbol === symbol).map(at),
    ];
  });
}

/** Where a component shows that it has the value at a node. */
const shownAt = (project: Linked, node: FlowNode, into?: string[][]): Place[] => [
  ...readsOf(project, node, into),
  ...namesOf(project, node).flatMap(({ code, symbol }) =>
    (handedOut(code).get(symbol) ?? []).map(({ start, end }) => ({ file: code.file, start, end })),
  ),
];

/** What call sites of components that are not the project's are handed, by symbol. */
const handedOut = oncePer(({ facts, siteAt }: Component): Map<number, Span[]> => {
  const given = facts.render.flatMap(({ kind, attributes }, index) =>
    kind === 'site' && !siteAt.has(index) ? attributes.map(({ value }) => value) : [],
  );
  return groupBy(
    given.filter(({ kind }) => kind === 'identity' || kind === 'member'),
    ({ symbol }) => symbol!,
  );
});

/** Every symbol that stands for a node: its own, those inside of helpers, and those that have what these give back. */
function namesOf(project: Linked, node: FlowNode): { code: Component; symbol: number }[] {
  const others = (project.flow.names.get(node.id) ?? []).map(({ code, symbol }) => ({
    code: project.components[code]!,
    symbol,
  }));
  const code = project.components[node.component]!;
  return node.symbol < 0 ? others : [{ code, symbol: node.symbol }, ...others];
}

interface SharedRead {
  place: Place;
  /** The way to the member that is read. */
  path: string[];
}

/** Where components read what modules keep, by node. */
const sharedReads = oncePerLink((project: Linked): Map<number, SharedRead[]> => {
  const found = new Map<number, SharedRead[]>();
  const made = instances(project);
  for (const { id, facts, file, nodeOf } of project.components) {
    for (const { symbol, path = [], start, end } of facts.reads) {
      if (facts.symbols[symbol]!.kind !== 'shared') continue;
      const own = nodeOf[symbol]!;
      const node = own < 0 ? made.get(`${id}:${symbol}`)?.at(-1)!.id : own;
      if (node === undefined) continue;
      const places = found.get(node);
      const read = { place: { file, start, end }, path: unboxed(path) };
      if (places) places.push(read);
      else found.set(node, [read]);
    }
  }
  return found;
});

function hopOf(
  project: Linked,
  node: FlowNode,
  ref: string,
  fed: boolean,
  near: Near,
  into: string[][] | undefined,
): Hop {
  const component = project.components[node.component]!;
  const symbol = node.symbol >= 0 ? component.facts.symbols[node.symbol] : undefined;
  return {
    ref,
    component: component.name,
    nodes: [node.id],
    place: node.place,
    name: symbol?.name ?? node.name,
    type: showType(node.port?.type?.type ?? symbol?.type),
    role: roleOf(project, node, fed),
    channel: node.channel,
    reads: shownAt(project, node, into),
    near,
  };
}

/** Symbols that are handed on as they are: to components, also of packages, of which nothing is known. */
const handedOn = oncePer(
  ({ render }: ComponentFacts): Set<number> =>
    new Set(
      render.flatMap(({ attributes }) =>
        attributes.flatMap(({ value }) => (value.kind === 'identity' ? [value.symbol!] : [])),
      ),
    ),
);

/** What a component does with the value at a node; `fed` where it comes from elsewhere. A lane asks it for each of its rows. */
export const roleOf = (project: Linked, node: FlowNode, fed: boolean): Role =>
  rolesOf(project)[fed ? 'fed' : 'own'](node);

const rolesOf = oncePerLink((project: Linked) => ({
  fed: oncePer((node: FlowNode) => roleAt(project, node, true)),
  own: oncePer((node: FlowNode) => roleAt(project, node, false)),
}));

function roleAt(project: Linked, node: FlowNode, fed: boolean): Role {
  const { flow } = project;
  const component = project.components[node.component]!;
  // Who calls a member of a context does not pass it on.
  const feeds = flow.out[node.id]!.map((index) => flow.edges[index]!).filter(
    (edge) => edge.to !== node.id && (node.channel !== 'context' || edge.how !== 'call'),
  );
  if (node.channel === 'event' && node.port) {
    if (raises(component, node.port)) return 'emit';
    if (emissionsOf(project).isRaised(node.port)) return 'pass';
    // It may raise any event by a name that is worked out.
    if (component.facts.openEmits) return 'emit';
    if (emissionsOf(project).mayBeRaised(node.port)) return 'pass';
    return isUsed(useOf(component, node.port)) ? 'wait' : 'drop';
  }
  if (!fed) return node.channel === 'context' && !node.provides ? 'wait' : 'start';
  const into = flow.into[node.id]!.map((index) => flow.edges[index]!);
  const events = into.map(({ from }) => flow.nodes[from]!).filter(({ channel }) => channel === 'event');
  if (events.length) {
    const emissions = emissionsOf(project);
    return events.some((from) => from.port && emissions.mayBeRaised(from.port)) ? 'listen' : 'wait';
  }
  const isMade = (edge: FlowEdge): boolean => carriedBy(edge) === 'made';
  if (node.channel === 'local' && feeds.length && into.some(isMade)) return 'transform';
  const reads = readsOf(project, node);
  if (reads.length) {
    const onlyFeeds =
      feeds.length > 0 && feeds.every((edge) => edge.how === 'transform' || edge.how === 'write');
    const derives = namesOf(project, node).every(({ code, symbol }) =>
      code.facts.reads.every((read) => read.symbol !== symbol || read.where === 'derivation'),
    );
    return onlyFeeds && derives ? (feeds.some(isMade) ? 'transform' : 'pass') : 'read';
  }
  if (feeds.length) return feeds.some(isMade) ? 'transform' : 'pass';
  if (!node.port) {
    if (node.channel === 'context') return 'read';
    const isHandedOn = namesOf(project, node).some(({ code, symbol }) => handedOn(code.facts).has(symbol));
    return isHandedOn ? 'pass' : 'drop';
  }
  if (isUsed(useOf(component, node.port))) return 'pass';
  // Where all that comes in is taken whole, nobody can say that this is lost.
  const isTaken = component.facts.openProps || isForOthers(project, component, node.port);
  return isTaken ? 'read' : 'drop';
}
