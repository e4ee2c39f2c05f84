/**
 * Where the nodes of the inside diagram stand: layers from what comes in, through what is derived, by the depth of its
 * derivation, to what goes out. A link that passes a layer has a slot of its own there, so that it runs behind no box.
 */
import type { ComponentView } from '../../../api/component-schemas';

export const STEP = 26;
const BOX = 140;
/** Between two layers. */
const GAP = 52;
/** Height of a slot that links pass through. */
const SLOT = 9;
/** What is derived in more steps than this stands together. */
const DEEPEST = 6;

type Inside = ComponentView['inside'];

export type PlacedNode = Inside['nodes'][number] & {
  left: number;
  right: number;
  y: number;
  label: string;
};

export interface PlacedLine {
  from: PlacedNode;
  to: PlacedNode;
  how: string;
  /** It leads back to what stands in its own layer or before it. */
  back: boolean;
  /** The slots that it passes through, in its own order: where it comes in, where it goes out, and their height. */
  stops: { enter: number; leave: number; y: number }[];
}

export interface Placed {
  nodes: PlacedNode[];
  lines: PlacedLine[];
  width: number;
  height: number;
  /** How many layers stand between what comes in and what goes out. */
  layers: number;
}

/** A box, or a slot that links from one node share. */
interface Item {
  key: string;
  layer: number;
  size: number;
}

export function layersOf({ nodes, links: all }: Inside): Placed {
  const byId = new Map(nodes.map((node) => [node.id, node]));
  const links = all.filter(({ from, to }) => byId.has(from) && byId.has(to) && from !== to);
  const depth = depthsOf(nodes, links);
  const last = Math.max(1, ...depth.values());
  const items = new Map<string, Item>();
  for (const node of nodes)
    items.set(String(node.id), { key: String(node.id), layer: depth.get(node.id)!, size: STEP });
  /** The items that a link runs through, from one of its ends to the other. */
  const ways = links.map(({ from, to, how }) => {
    const [start, end] = [depth.get(from)!, depth.get(to)!];
    const step = end > start ? 1 : -1;
    const slots: string[] = [];
    for (let layer = start + step; layer !== end && start !== end; layer += step) {
      // Links that leave one node in one direction run together as far as they can.
      const key = `${from} ${step} ${layer}`;
      if (!items.has(key)) items.set(key, { key, layer, size: SLOT });
      slots.push(key);
    }
    return { from, to, how, back: end <= start, slots };
  });
  const layers = Array.from({ length: last + 1 }, (_, layer) =>
    [...items.values()].filter((item) => item.layer === layer),
  );
  settle(
    layers,
    ways.map(({ from, to, slots }) => [String(from), ...slots, String(to)]),
  );
  const heightOf = (layer: Item[]) => layer.reduce((sum, item) => sum + item.size, 0);
  const height = Math.max(STEP, ...layers.map(heightOf));
  const middle = new Map<string, number>();
  for (const layer of layers) {
    let at = 0;
    for (const item of layer) {
      middle.set(item.key, at + item.size / 2);
      at += item.size;
    }
  }
  const leftOf = (layer: number) => layer * (BOX + GAP);
  const placed = new Map(
    nodes.map((node): [number, PlacedNode] => {
      const left = leftOf(depth.get(node.id)!);
      return [
        node.id,
        { ...node, left, right: left + BOX, y: middle.get(String(node.id))!, label: labelOf(node) },
      ];
    }),
  );
  return {
    nodes: [...placed.values()],
    lines: ways.map(({ from, to, how, back, slots }) => ({
      from: placed.get(from)!,
      to: placed.get(to)!,
      how,
      back,
      stops: slots.map((key) => {
        const left = leftOf(items.get(key)!.layer);
        const [enter, leave] = back ? [left + BOX, left] : [left, left + BOX];
        return { enter, leave, y: middle.get(key)! };
      }),
    })),
    width: leftOf(last) + BOX,
    height,
    layers: last - 1,
  };
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

/** Orders each layer by the mean place of what its items are linked with, forth and back. */
function settle(layers: Item[][], ways: string[][]): void {
  const beside = new Map<string, string[]>();
  for (const way of ways)
    way.slice(1).forEach((key, at) => {
      beside.set(key, [...(beside.get(key) ?? []), way[at]!]);
      beside.set(way[at]!, [...(beside.get(way[at]!) ?? []), key]);
    });
  const place = new Map<string, number>();
  const note = (layer: Item[]) => layer.forEach((item, i) => place.set(item.key, (i + 0.5) / layer.length));
  layers.forEach(note);
  for (let round = 0; round < 4; round++) {
    const order = round % 2 ? [...layers].reverse() : layers;
    for (const layer of order) {
      const wish = new Map(
        layer.map(({ key }) => {
          const far = (beside.get(key) ?? []).map((one) => place.get(one)!);
          return [key, far.length ? far.reduce((sum, one) => sum + one, 0) / far.length : place.get(key)!];
        }),
      );
      layer.sort((a, b) => wish.get(a.key)! - wish.get(b.key)!);
      note(layer);
    }
  }
}

/** Everything that a node is made of, and everything that is made of it. */
export function wayThrough(lines: Pick<PlacedLine, 'from' | 'to'>[], id: number): Set<number> {
  const found = new Set([id]);
  for (const forth of [true, false]) {
    const seen = new Set([id]);
    for (const at of seen)
      for (const { from, to } of lines) {
        const [near, far] = forth ? [from.id, to.id] : [to.id, from.id];
        if (near === at) seen.add(far);
      }
    for (const one of seen) found.add(one);
  }
  return found;
}

/** Cut where a box has no more room. */
const LONGEST = 20;

function labelOf(node: Inside['nodes'][number]): string {
  const text = node.to ? `${node.to} ${node.name}` : node.name;
  return text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text;
}
