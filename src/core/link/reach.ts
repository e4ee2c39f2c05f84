/**
 * All that a value comes from and goes to. A walk that enters a component by one call site leaves it by the same, and a
 * member that was put into an object is taken from it under its own name only.
 */
import { oncePer } from '../model/once-per';
import type { Flow } from '../model/project';
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
}

/** So many nodes in each direction, the nearest, are as many as anybody reads. */
export const MAX_NODES = 500;

/** Objects in objects are told apart so far; deeper, a value may be any member. */
const MAX_PATH = 4;

/** The walk that leaves nothing out. */
export const everywhere: Step = () => 'go';

/** All that is upstream of some nodes and all that is downstream; branches that leave elsewhere are not. */
export function reach(
  flow: Flow,
  starts: number[],
  { step = everywhere, most = Infinity }: ReachOptions = {},
): Reach {
  const found: Reach = { nodes: new Set(starts), edges: new Set(), cut: new Set() };
  for (const ways of waysOf(flow)(step)) walk(starts, found, most, ways);
  return found;
}

interface State {
  node: number;
  /** Where the value is inside of what the node holds; or which part of it is asked for, on the way up. */
  path: string[];
  /** Whether the component was entered by a call site, and is left only where the value passes through it. */
  inside: boolean;
}

function walk(starts: number[], found: Reach, most: number, { direction, passages }: Ways): void {
  const { flow, next, far, enters, leaves, step } = direction;
  const free = new Seen();
  const inside = new Seen();
  const todo: State[] = [];
  const visited = new Set(starts);
  const arrive = (index: number, path: string[], within: boolean): void => {
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
    add(node, path, within);
  };
  const add = (node: number, path: string[], within: boolean): void => {
    // Where a value is that may leave by any call site, it is enough to look at that one.
    if (within && free.has(node, path)) return;
    const fresh = (within ? inside : free).add(node, path);
    if (fresh) todo.push({ node, path: fresh, inside: within });
  };
  // Of a context, a consumer asks for the members that it uses.
  for (const node of starts)
    for (const member of flow.nodes[node]!.members ?? [undefined])
      add(node, member === undefined ? NO_PATH : [member], false);
  for (let at = 0; at < todo.length; at++) {
    const state = todo[at]!;
    for (const index of next[state.node]!) {
      const edge = flow.edges[index]!;
      const path = pathBehind(direction, edge, state.path);
      if (!path) continue;
      if (isLeap(flow, edge)) arrive(index, path, false);
      else if (edge.way === leaves) {
        if (!state.inside) arrive(index, path, false);
      } else if (edge.way === enters) {
        arrive(index, path, true);
        if (step(edge.from, edge.to) === 'go')
          for (const exit of passages.exits(far(edge), path, callOf(edge)))
            arrive(exit.edge, exit.path, state.inside);
      } else arrive(index, path, state.inside);
    }
  }
}

/**
 * The path behind an edge that takes one member and puts it under another. A whole that a member is taken of is followed
 * into the member; a member that is not the one taken ends the way.
 */
function moved(path: string[], take: string[] = NO_PATH, put: string[] = NO_PATH): string[] | undefined {
  const common = Math.min(path.length, take.length);
  for (let i = 0; i < common; i++) if (path[i] !== take[i]) return undefined;
  const rest = path.length > take.length ? path.slice(take.length) : NO_PATH;
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
export const isJoined = (flow: Flow, one: number, other: number): boolean =>
  groupsOf(flow)[one] === groupsOf(flow)[other];
