/**
 * Where the nodes of the inside diagram stand: layers from what comes in, through what is derived, by the depth of its
 * derivation, to what goes out.
 */
import type { ComponentView } from '../../../api/component-schemas';
import { type Box, boxText, layered, type Layered } from '../../parts/layers';

/** What is derived in more steps than this stands together. */
const DEEPEST = 6;

/** As wide as two layers at least, so that the titles of all three have room. */
const LEAST = 332;

type Inside = ComponentView['inside'];
type Node = Inside['nodes'][number] & { label: string };

export type PlacedNode = Box<Node>;

export function layersOf({ nodes, links }: Inside): Layered<Node, Inside['links'][number]> {
  const known = new Set(nodes.map((node) => node.id));
  const depth = depthsOf(
    nodes,
    links.filter(({ from, to }) => known.has(from) && known.has(to)),
  );
  const labelled = nodes.map((node) => ({
    ...node,
    label: boxText(node.to ? `${node.to} ${node.name}` : node.name),
  }));
  const placed = layered(labelled, links, ({ id }) => depth.get(id)!);
  return { ...placed, width: Math.max(LEAST, placed.width) };
}

/** How many steps each node is from what comes in; what goes out stands behind all of them. */
function depthsOf(nodes: Inside['nodes'], links: Inside['links']): Map<number, number> {
  const sides = new Map(nodes.map((node) => [node.id, node.side]));
  const into = new Map<number, number[]>();
  for (const { from, to } of links)
    if (sides.get(from) === 'inside' && sides.get(to) === 'inside')
      into.set(to, [...(into.get(to) ?? []), from]);
  const depth = new Map<number, number>();
  const open = new Set<number>();
  const visit = (id: number): number => {
    const known = depth.get(id);
    if (known !== undefined) return known;
    // A circle is entered where it is first met.
    if (open.has(id)) return 0;
    open.add(id);
    const found = Math.min(DEEPEST, 1 + Math.max(0, ...(into.get(id) ?? []).map(visit)));
    open.delete(id);
    depth.set(id, found);
    return found;
  };
  for (const { id, side } of nodes) if (side === 'inside') visit(id);
  const last = Math.max(0, ...depth.values()) + 1;
  for (const { id, side } of nodes) if (side !== 'inside') depth.set(id, side === 'in' ? 0 : last);
  return depth;
}
