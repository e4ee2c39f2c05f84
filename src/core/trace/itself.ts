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
  options: { step: Step; most: number },
): Nearby {
  const found = reach(carrying(flow), starts, options);
  const nodes = new Map<number, Near>([...found.nodes].map((node) => [node, 'itself']));
  const edges = new Set(found.edges);
  const before = walked(flow, starts, edges, 'from');
  const after = walked(flow, starts, edges, 'to');
  for (const index of along) {
    const { from, to } = flow.edges[index]!;
    // What else leads to where the value ends up, or comes of where it began, is not its own.
    if (!before.has(to) && !after.has(from)) continue;
    edges.add(index);
    for (const node of [from, to]) if (!nodes.has(node)) nodes.set(node, 'step');
  }
  return { nodes, edges };
}

/** Nodes that are met on the way along some edges, against them or with them. */
function walked(
  flow: Flow,
  starts: number[],
  along: ReadonlySet<number>,
  towards: 'from' | 'to',
): ReadonlySet<number> {
  const lists = towards === 'from' ? flow.into : flow.out;
  const found = new Set(starts);
  for (const node of found)
    for (const index of lists[node]!) if (along.has(index)) found.add(flow.edges[index]![towards]);
  return found;
}
