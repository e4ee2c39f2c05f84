/**
 * All that a value comes from and goes to. A walk that enters a component by one call site leaves it by the same, and a
 * member that was put into an object is taken from it under its own name only.
 */
import { ANY_MEMBER } from '../../model/code';
import { oncePer } from '../../model/once-per';
import type { Flow, FlowEdge } from '../../model/project';
import { isPlace } from '../6-values/lists';
import { callOf, type Direction, isLeap, NO_PATH, Passages, pathBehind, Seen, type Step } from './passage';

export type { Step } from './passage';

export interface Reach {
  nodes: Set<number>;
  edges: Set<number>;
  /** Nodes that the walk was ended at, for the number of those before them; what is behind them was not looked at. */
  cut: Set<number>;
}

export interface ReachOptions {
  /** Has to be the same function for the same walk: what was learnt of a graph is kept by it. */
  step?: Step;
  /** So many nodes are looked at in each direction, the nearest first. */
  most?: number;
  /** The walk ends once it is here. */
  until?: number;
}

/** So many nodes in each direction, the nearest, are as many as anybody reads. */
export const MAX_NODES = 500;

/** Objects in objects are told apart so far; deeper, a value may be any member. */
const MAX_PATH = 4;

/** What is handed in may hand in more: so far that is followed. */
const MAX_HANDED = 4;

/** The walk that leaves nothing out. */
export const everywhere: Step = () => 'go';

/** All that is upstream of some nodes and all that is downstream; branches that leave elsewhere are not. */
export function reach(
  flow: Flow,
  starts: number[],
  { step = everywhere, most = Infinity, until = -1 }: ReachOptions = {},
): Reach {
  const found: Reach = { nodes: new Set(starts), edges: new Set(), cut: new Set() };
  for (const ways of waysOf(flow)(step)) walk(starts, found, { most, until }, ways);
  // Out of a component that the walk was ended in, an edge may lead that nothing leads to.
  for (const index of found.edges) {
    const { from, to } = flow.edges[index]!;
    if (!found.nodes.has(from) || !found.nodes.has(to)) found.edges.delete(index);
  }
  return found;
}

interface State {
  node: number;
  /** Where the value is inside of what the node holds; or which part of it is asked for, on the way up. */
  path: string[];
  /** Whether the component was entered by a call site, and is left only where the value passes through it. */
  inside: boolean;
  /** It came out of what these call sites hand in: it goes out by no other. */
  only: number[] | undefined;
}

/** The call that a component was entered by, and how things were where it was made. */
type Entered = Pick<FlowEdge, 'site' | 'call'>;
type Back = Pick<State, 'inside' | 'only'>;

function walk(
  starts: number[],
  found: Reach,
  { most, until }: Required<Pick<ReachOptions, 'most' | 'until'>>,
  { direction, passages }: Ways,
): void {
  const { flow, next, far, enters, leaves, step } = direction;
  const free = new Seen();
  const inside = new Seen();
  const limited = new Map<string, Seen>();
  const seenAt = (only: number[]): Seen => {
    const key = only.join();
    let seen = limited.get(key);
    if (!seen) limited.set(key, (seen = new Seen()));
    return seen;
  };
  const todo: State[] = [];
  const visited = new Set(starts);
  const arrive = (index: number, path: string[], within: boolean, only?: number[]): void => {
    const edge = flow.edges[index]!;
    const taken = step(edge.from, edge.to);
    if (taken === 'skip') return;
    const node = far(edge);
    found.edges.add(index);
    found.nodes.add(node);
    if (taken === 'stop') return;
    if (!visited.has(node)) {
      if (visited.size >= most) {
        found.cut.add(node);
        return;
      }
      visited.add(node);
    }
    add(node, path, within, only);
  };
  const add = (node: number, path: string[], within: boolean, only?: number[]): void => {
    // Where a value is that may leave by any call site, it is enough to look at that one.
    if ((within || only) && free.has(node, path)) return;
    const seen = within ? inside : only ? seenAt(only) : free;
    const fresh = seen.add(node, path);
    if (fresh) todo.push({ node, path: fresh, inside: within, only: within ? undefined : only });
  };
  /** Ways into what is handed in that were gone. */
  const passed = new Set<string>();
  /** Goes on behind an edge that enters, where it leads out by the same call site, or into what that hands in. */
  const goOn = (node: number, path: string[], entered: Entered, back: Back, depth = 0): void => {
    for (const exit of passages.exits(node, path, callOf(entered)))
      arrive(exit.edge, exit.path, back.inside, back.only);
    if (depth > MAX_HANDED) return;
    for (const gate of passages.gates(node, path)) {
      const edge = flow.edges[gate.edge]!;
      if (!flow.handedBy.get(edge.site)!.includes(entered.site)) continue;
      const way = `${gate.edge} ${gate.path.join('.')} ${callOf(entered)} ${back.inside}`;
      if (passed.has(way)) continue;
      passed.add(way);
      arrive(gate.edge, gate.path, true);
      for (const exit of passages.exits(far(edge), gate.path, callOf(edge))) {
        arrive(exit.edge, exit.path, true);
        goOn(far(flow.edges[exit.edge]!), exit.path, entered, back, depth + 1);
      }
    }
  };
  // Of a context, a consumer asks for the members that it uses.
  for (const node of starts)
    for (const member of flow.nodes[node]!.members ?? [undefined])
      add(node, member === undefined ? NO_PATH : [member], false);
  for (let at = 0; at < todo.length && !found.nodes.has(until); at++) {
    const state = todo[at]!;
    for (const index of next[state.node]!) {
      const edge = flow.edges[index]!;
      const path = pathBehind(direction, edge, state.path);
      if (!path) continue;
      const { inside: within, only } = state;
      if (isLeap(flow, edge)) arrive(index, path, false);
      else if (edge.way === leaves) {
        if (!within && (!only || only.includes(edge.site)))
          arrive(index, path, false, flow.handedBy.get(edge.site));
      } else if (edge.way === enters) {
        // Into what is handed in, whoever entered by a call site goes from there.
        if (within && flow.handedBy.has(edge.site)) continue;
        arrive(index, path, true);
        if (step(edge.from, edge.to) === 'go') goOn(far(edge), path, edge, state);
      } else arrive(index, path, within, only);
    }
  }
}

/**
 * The path behind an edge that takes one member and puts it under another. A whole that a member is taken of is followed
 * into the member; a member that is not the one taken ends the way.
 */
function moved(path: string[], take: string[] = NO_PATH, put: string[] = NO_PATH): string[] | undefined {
  let at = 0;
  for (let i = 0; i < take.length && at < path.length; i++) {
    const [name, next] = [path[at]!, path[at + 1]];
    if (name === take[i]) at++;
    // Any of what something holds: an entry of a list, or what stands under some name.
    else if (take[i] === ANY_MEMBER) at++;
    else if (name === ANY_MEMBER && next !== take[i]) at++;
    else if (isPlace(name) && !isPlace(take[i]!)) {
      // An entry of a list is taken without a word on which.
      at++;
      i--;
    } else if (!isPlace(take[i]!) || isPlace(name)) return undefined;
  }
  const rest = at < path.length ? path.slice(at) : NO_PATH;
  if (!put.length) return rest;
  return [...put, ...rest].slice(0, MAX_PATH);
}

interface Ways {
  direction: Direction;
  passages: Passages;
}

/** Both ways through a graph, with what is known of its components from walks before. */
const waysOf = oncePer((flow: Flow) =>
  oncePer((step: Step): Ways[] => {
    const down: Direction = {
      flow,
      step,
      next: flow.out,
      far: (edge) => edge.to,
      enters: 'in',
      leaves: 'out',
      path: (edge, path) => moved(path, edge.take, edge.put),
    };
    const up: Direction = {
      flow,
      step,
      next: flow.into,
      far: (edge) => edge.from,
      enters: 'out',
      leaves: 'in',
      path: (edge, path) => moved(path, edge.put, edge.take),
    };
    return [down, up].map((direction) => ({ direction, passages: new Passages(direction) }));
  }),
);

/** Groups of nodes between which any way leads, by one node of each group. */
const groupsOf = oncePer(({ nodes, edges }: Flow): Int32Array => {
  const head = Int32Array.from(nodes, (_, index) => index);
  const find = (node: number): number => {
    while (head[node] !== node) node = head[node] = head[head[node]!]!;
    return node;
  };
  for (const { from, to } of edges) head[find(from)] = find(to);
  return head.map((_, node) => find(node));
});

/** Whether any way at all leads between two nodes, whichever way its edges run: asked before a walk, which costs more. */
const isJoined = (flow: Flow, one: number, other: number): boolean =>
  groupsOf(flow)[one] === groupsOf(flow)[other];

/** Whether what one node holds comes from the other, or goes there. */
export const isFed = (flow: Flow, one: number, other: number): boolean =>
  isJoined(flow, one, other) && reach(flow, [one], { until: other }).nodes.has(other);
