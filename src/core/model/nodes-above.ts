/** The way from a node of a render up to its root. */
import type { Component } from './project';

/** A node, and those that it stands in, from the inside out. */
export function* nodesAbove({ facts }: Pick<Component, 'facts'>, node: number): Iterable<number> {
  for (let at = node; at >= 0; at = facts.render[at]!.parent) yield at;
}

/** The outermost node that a node stands in, below a given one or in the whole render. */
export function topNode(component: Pick<Component, 'facts'>, node: number, below = -1): number {
  let top = node;
  for (const at of nodesAbove(component, node)) {
    if (at === below) break;
    top = at;
  }
  return top;
}
