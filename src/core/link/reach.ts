import type { Flow, FlowEdge } from '../model/project';

export interface Reach {
  nodes: Set<number>;
  edges: Set<number>;
}

/** Whether a walk takes an edge: on past it, up to its far end only, or not at all. */
export type Step = (from: number, to: number) => 'go' | 'stop' | 'skip';

/** All that is upstream of some nodes and all that is downstream; branches that leave elsewhere are not. */
export function reach(flow: Flow, starts: number[], step: Step = () => 'go'): Reach {
  const found: Reach = { nodes: new Set(starts), edges: new Set() };
  const walk = (next: number[][], far: (edge: FlowEdge) => number) => {
    const todo = [...starts];
    const seen = new Set(todo);
    while (todo.length) {
      for (const index of next[todo.pop()!]!) {
        const edge = flow.edges[index]!;
        const taken = step(edge.from, edge.to);
        if (taken === 'skip') continue;
        found.edges.add(index);
        const node = far(edge);
        found.nodes.add(node);
        if (taken === 'stop' || seen.has(node)) continue;
        seen.add(node);
        todo.push(node);
      }
    }
  };
  walk(flow.into, (edge) => edge.from);
  walk(flow.out, (edge) => edge.to);
  return found;
}
