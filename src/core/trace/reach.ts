import type { Flow, FlowEdge } from '../model/project';

export interface Reach {
  nodes: Set<number>;
  edges: Set<number>;
}

/** All that is upstream of some nodes and all that is downstream; branches that leave elsewhere are not. */
export function reach(flow: Flow, starts: number[]): Reach {
  const found: Reach = { nodes: new Set(starts), edges: new Set() };
  const walk = (next: number[][], far: (edge: FlowEdge) => number) => {
    const todo = [...starts];
    const seen = new Set(todo);
    while (todo.length) {
      for (const index of next[todo.pop()!]!) {
        found.edges.add(index);
        const node = far(flow.edges[index]!);
        found.nodes.add(node);
        if (seen.has(node)) continue;
        seen.add(node);
        todo.push(node);
      }
    }
  };
  walk(flow.into, (edge) => edge.from);
  walk(flow.out, (edge) => edge.to);
  return found;
}
