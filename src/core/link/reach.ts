/**
 * All that a value comes from and goes to. A walk that enters a component by one call site leaves it by the same, and a
 * member that was put into an object is taken from it under its own name only.
 */
import type { Flow, FlowEdge } from '../model/project';

export interface Reach {
  nodes: Set<number>;
  edges: Set<number>;
}

/** Whether a walk takes an edge: on past it, up to its far end only, or not at all. */
export type Step = (from: number, to: number) => 'go' | 'stop' | 'skip';

/** Objects in objects are told apart so far; deeper, a value may be any member. */
const MAX_PATH = 4;
/** Call sites are remembered so far; what was entered before may be left anywhere. */
const MAX_SITES = 6;
/** So many states at most are looked at for one node: beyond that, it counts as reached in any way. */
const MAX_STATES = 40;

interface State {
  node: number;
  /** Where the value is inside of what the node holds; or which part of it is asked for, on the way up. */
  path: string[];
  /** Call sites that were entered and not left, the last one last. */
  sites: number[];
}

/** All that is upstream of some nodes and all that is downstream; branches that leave elsewhere are not. */
export function reach(flow: Flow, starts: number[], step: Step = () => 'go'): Reach {
  const found: Reach = { nodes: new Set(starts), edges: new Set() };
  const known = exitsOf(flow);
  walk(flow, starts, step, found, known.down, {
    next: flow.out,
    far: (edge) => edge.to,
    enters: 'in',
    path: (edge, path) => moved(path, edge.take ?? NONE, edge.put ?? NONE),
  });
  walk(flow, starts, step, found, known.up, {
    next: flow.into,
    far: (edge) => edge.from,
    enters: 'out',
    path: (edge, path) => moved(path, edge.put ?? NONE, edge.take ?? NONE),
  });
  return found;
}

const NONE: string[] = [];
const NOWHERE: number[] = [];

interface Direction {
  next: number[][];
  far(edge: FlowEdge): number;
  /** The way of the edges that enter a component, seen in this direction. */
  enters: 'in' | 'out';
  /** The path behind an edge; undefined where the edge carries another member. */
  path(edge: FlowEdge, path: string[]): string[] | undefined;
}

function walk(
  flow: Flow,
  starts: number[],
  step: Step,
  found: Reach,
  exits: Uint8Array,
  { next, far, enters, path: pathOf }: Direction,
): void {
  // Of a context, a consumer asks for the members that it uses.
  const todo: State[] = starts.flatMap((node) =>
    (flow.nodes[node]!.members ?? [undefined]).map((member) => ({
      node,
      path: member === undefined ? NONE : [member],
      sites: NOWHERE,
    })),
  );
  const seen = new Map<number, Set<string>>();
  for (const one of starts) if (!flow.nodes[one]!.members) seen.set(one, new Set(['|']));
  for (let state = todo.pop(); state; state = todo.pop()) {
    for (const index of next[state.node]!) {
      const edge = flow.edges[index]!;
      if (edge.without && state.path.length && edge.without.includes(state.path[0]!)) continue;
      const path = pathOf(edge, state.path);
      if (!path) continue;
      let { sites } = state;
      const node = far(edge);
      if (edge.how === 'consume') {
        const used = flow.nodes[edge.to]!.members;
        if (path.length && used && !used.includes(path[0]!)) continue;
        sites = NOWHERE;
      }
      if (edge.way === enters) {
        // What is never left again needs no remembering.
        sites = exits[node] ? [...sites, edge.site].slice(-MAX_SITES) : NOWHERE;
      } else if (edge.way && sites.length) {
        if (sites.at(-1) !== edge.site) continue;
        sites = sites.slice(0, -1);
      }
      const taken = step(edge.from, edge.to);
      if (taken === 'skip') continue;
      found.edges.add(index);
      found.nodes.add(node);
      if (taken === 'stop') continue;
      let states = seen.get(node);
      if (!states) seen.set(node, (states = new Set()));
      if (states.has('|')) continue;
      const key = `${path.join('.')}|${sites.join('.')}`;
      if (states.has(key)) continue;
      // A node that is reached in ever so many ways counts as reached whole.
      if (states.size >= MAX_STATES) {
        states.add('|');
        todo.push({ node, path: NONE, sites: NOWHERE });
        continue;
      }
      states.add(key);
      todo.push({ node, path, sites });
    }
  }
}

/**
 * The path behind an edge that takes one member and puts it under another. A whole that a member is taken of is followed
 * into the member; a member that is not the one taken ends the way.
 */
function moved(path: string[], take: string[], put: string[]): string[] | undefined {
  const common = Math.min(path.length, take.length);
  for (let i = 0; i < common; i++) if (path[i] !== take[i]) return undefined;
  const rest = path.length > take.length ? path.slice(take.length) : NONE;
  if (!put.length) return rest;
  return [...put, ...rest].slice(0, MAX_PATH);
}

interface Exits {
  down: Uint8Array;
  up: Uint8Array;
}

const cache = new WeakMap<Flow, Exits>();

/** The nodes from which a walk may leave the component that it entered, by direction. */
function exitsOf(flow: Flow): Exits {
  let known = cache.get(flow);
  if (!known) {
    known = {
      down: exits(flow, 'out', flow.into, (edge) => edge.from),
      up: exits(flow, 'in', flow.out, (edge) => edge.to),
    };
    cache.set(flow, known);
  }
  return known;
}

/** Nodes from which an edge of the way that leaves can be reached, without crossing into another tree of calls. */
function exits(
  flow: Flow,
  leaves: 'in' | 'out',
  back: number[][],
  near: (edge: FlowEdge) => number,
): Uint8Array {
  const found = new Uint8Array(flow.nodes.length);
  const todo: number[] = [];
  const mark = (node: number) => {
    if (found[node]) return;
    found[node] = 1;
    todo.push(node);
  };
  for (const edge of flow.edges) if (edge.way === leaves) mark(near(edge));
  for (let node = todo.pop(); node !== undefined; node = todo.pop()) {
    for (const index of back[node]!) {
      const edge = flow.edges[index]!;
      if (edge.how !== 'consume') mark(near(edge));
    }
  }
  return found;
}
