/**
 * Of all that a value comes from and goes to, the value itself: as far as it is handed on as it is, under whatever name,
 * and one step further, to what it is made of or set by, and what is made of it or set off. In an application where
 * much hangs on much, the whole is more than anybody reads.
 */
import type { Linked } from '../link';
import { reach, type Step } from '../link/7-flow/reach';
import { leadsToGiven, RAISED } from '../link/7-flow/raised';
import { oncePer } from '../model/once-per';
import type { Flow, FlowEdge } from '../model/project';

/** How near something is to a value: the value itself, one step from it, or further away. */
export type Near = 'itself' | 'step' | 'far';

export const NEARNESS: readonly Near[] = ['itself', 'step', 'far'];

export interface Nearby {
  nodes: Map<number, Near>;
  edges: Set<number>;
}

/** What of its source goes along an edge: what that holds, what is worked out of it, or only that something was called. */
export type Carried = 'itself' | 'made' | 'call';

/** What says more of a way, first. */
export const CARRIED: readonly Carried[] = ['itself', 'made', 'call'];

/** What goes along an edge. */
export const carriedBy = ({ how, take, made }: FlowEdge): Carried => {
  if (made ?? how === 'transform') return 'made';
  const isCall = how === 'call' ? !leadsToGiven(take) : how !== 'emit' && take?.includes(RAISED);
  return isCall ? 'call' : 'itself';
};

/** A graph in which values only travel. */
export const carrying = oncePer((flow: Flow): Flow => {
  const kept = (lists: number[][]) =>
    lists.map((list) => list.filter((index) => carriedBy(flow.edges[index]!) === 'itself'));
  return { ...flow, out: kept(flow.out), into: kept(flow.into) };
});

interface Stepping {
  flow: Flow;
  /** Edges of the graph that it was made of, by those that stand for them here. */
  edges: number[];
  /** What a walk leaves out, in the numbers of this graph. */
  by(step: Step): Step;
}

/**
 * A graph in which values travel, and what is one step from them is an end: each node has a double, to which and from
 * which everything else leads, and away from which nothing does.
 */
const stepping = oncePer((flow: Flow): Stepping => {
  const { length } = flow.nodes;
  const edges = [...flow.edges];
  const origins = edges.map((_, index) => index);
  const turned = (lists: number[][], end: 'from' | 'to'): number[][] => {
    const ended = (index: number): number => {
      const edge = flow.edges[index]!;
      if (carriedBy(edge) === 'itself') return index;
      origins.push(index);
      return edges.push({ ...edge, [end]: length + edge[end] }) - 1;
    };
    return [...lists.map((list) => list.map(ended)), ...lists.map(() => [])];
  };
  const [out, into] = [turned(flow.out, 'to'), turned(flow.into, 'from')];
  return {
    flow: { ...flow, nodes: [...flow.nodes, ...flow.nodes], edges, out, into },
    edges: origins,
    by: oncePer(
      (step: Step): Step =>
        (from, to) =>
          step(from % length, to % length),
    ),
  };
});

/**
 * What is near to a value, of the edges that a trace of it goes along.
 *
 * @param starts numbers of the flow nodes that the trace begins with
 * @param along numbers of its edges
 * @returns the nodes that are near, by number, and the edges between them
 */
export function nearbyOf(
  { flow }: Linked,
  starts: number[],
  along: ReadonlySet<number>,
  { step, most }: { step: Step; most: number },
): Nearby {
  const { length } = flow.nodes;
  const stepped = stepping(flow);
  const found = reach(stepped.flow, starts, { step: stepped.by(step), most });
  const edges = new Set([...found.edges].map((index) => stepped.edges[index]!));
  const nodes = new Map<number, Near>(starts.map((node) => [node, 'itself']));
  for (const node of found.nodes) if (node < length) nodes.set(node, 'itself');
  for (const index of edges) {
    if (!along.has(index)) edges.delete(index);
    else
      for (const node of [flow.edges[index]!.from, flow.edges[index]!.to])
        if (!nodes.has(node)) nodes.set(node, 'step');
  }
  return { nodes, edges };
}
