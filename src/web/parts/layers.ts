/**
 * Boxes in layers with lines between them: each layer in an order that brings near each other what is linked. A line that
 * passes a layer has a slot of its own there, so that it runs behind no box.
 */
import { linkHorizontal } from 'd3-shape';

export const STEP = 26;
const BOX = 140;
/** Between two layers. */
const GAP = 52;
/** Height of a slot that lines pass through. */
const SLOT = 9;
/** How far a line bulges that leads to its own layer. */
const BULGE = 30;

export interface Link {
  from: number;
  to: number;
}

export type Box<N> = N & { left: number; right: number; y: number };

export type Line<N, L> = Omit<L, 'from' | 'to'> & {
  from: Box<N>;
  to: Box<N>;
  /** It leads back to what stands in its own layer or before it. */
  back: boolean;
  /** The slots that it passes through, in its own order: where it comes in, where it goes out, and their height. */
  stops: { enter: number; leave: number; y: number }[];
};

export interface Layered<N, L> {
  nodes: Box<N>[];
  lines: Line<N, L>[];
  width: number;
  height: number;
}

/** A box, or a slot that lines from one node share. */
interface Item {
  key: string;
  layer: number;
  size: number;
}

/** Sets out nodes, whose layers count from 0 on, and the links between them; links to others are left out. */
export function layered<N extends { id: number }, L extends Link>(
  nodes: N[],
  all: L[],
  layerOf: (node: N) => number,
): Layered<N, L> {
  const depth = new Map(nodes.map((node) => [node.id, layerOf(node)]));
  const links = all.filter(({ from, to }) => depth.has(from) && depth.has(to) && from !== to);
  const last = Math.max(0, ...depth.values());
  const items = new Map<string, Item>();
  for (const { id } of nodes) items.set(String(id), { key: String(id), layer: depth.get(id)!, size: STEP });
  /** The items that a link runs through, from one of its ends to the other. */
  const ways = links.map((link) => {
    const { from, to } = link;
    const [start, end] = [depth.get(from)!, depth.get(to)!];
    const step = end > start ? 1 : -1;
    const slots: string[] = [];
    for (let layer = start + step; layer !== end && start !== end; layer += step) {
      // Links that leave one node in one direction run together as far as they can.
      const key = `${from} ${step} ${layer}`;
      if (!items.has(key)) items.set(key, { key, layer, size: SLOT });
      slots.push(key);
    }
    return { link, from, to, back: end <= start, slots };
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
    nodes.map((node): [number, Box<N>] => {
      const left = leftOf(depth.get(node.id)!);
      return [node.id, { ...node, left, right: left + BOX, y: middle.get(String(node.id))! }];
    }),
  );
  return {
    nodes: [...placed.values()],
    lines: ways.map(({ link, from, to, back, slots }) => ({
      ...link,
      from: placed.get(from)!,
      to: placed.get(to)!,
      back,
      stops: slots.map((key) => {
        const left = leftOf(items.get(key)!.layer);
        const [enter, leave] = back ? [left + BOX, left] : [left, left + BOX];
        return { enter, leave, y: middle.get(key)! };
      }),
    })),
    width: leftOf(last) + BOX,
    height,
  };
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

type Point = [x: number, y: number];
const link = linkHorizontal<{ source: Point; target: Point }, Point>()
  .x((point) => point[0])
  .y((point) => point[1]);
const curve = (source: Point, target: Point): string => link({ source, target }) ?? '';

/** The path that a line is drawn as. */
export function pathOf({ from, to, back, stops }: Line<unknown, unknown>): string {
  const start: Point = back && to.left < from.left ? [from.left, from.y] : [from.right, from.y];
  const end: Point = back ? [to.right, to.y] : [to.left, to.y];
  if (back && to.left === from.left)
    return `M${start[0]} ${start[1]}C${start[0] + BULGE} ${start[1]} ${end[0] + BULGE} ${end[1]} ${end[0]} ${end[1]}`;
  let path = '';
  let at = start;
  for (const { enter, leave, y } of stops) {
    path += `${curve(at, [enter, y])}H${leave}`;
    at = [leave, y];
  }
  return path + curve(at, end);
}

/** Everything that a node is made of, and everything that is made of it. */
export function wayThrough(lines: { from: { id: number }; to: { id: number } }[], id: number): Set<number> {
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
const LONGEST = 18;

export const boxText = (text: string): string =>
  text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text;
