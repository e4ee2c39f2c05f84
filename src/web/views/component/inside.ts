/** Where the nodes of the inside diagram stand: three columns, neighbours near each other. */
import type { ComponentView } from '../../../api/component-schemas';

export const WIDTH = 640;
export const STEP = 26;
const BOX = 178;
/** Where the middle column begins and ends. */
export const MIDDLE: [number, number] = [(WIDTH - BOX) / 2, (WIDTH + BOX) / 2];
const LEFT = { in: 0, inside: (WIDTH - BOX) / 2, out: WIDTH - BOX };

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
  /** Height at which a line that goes straight through passes the middle column. */
  through?: number;
}

export interface Placed {
  nodes: PlacedNode[];
  lines: PlacedLine[];
  height: number;
}

type Slot = Pick<Inside['nodes'][number], 'id' | 'side'>;

/**
 * Orders each column by the mean place of what it is linked with, twice over. A link from the first column to the
 * last takes a slot of its own in the middle, so that its line runs behind no box.
 */
export function columnsOf({ nodes, links: own }: Inside): Placed {
  const sides = new Map(nodes.map((node) => [node.id, node.side]));
  const straight = own.filter(({ from, to }) => sides.get(from) === 'in' && sides.get(to) === 'out');
  const slotOf = new Map(straight.map((link, index) => [link, -1 - index]));
  const links = own.flatMap((link) => {
    const slot = slotOf.get(link);
    return slot === undefined
      ? [link]
      : [
          { from: link.from, to: slot },
          { from: slot, to: link.to },
        ];
  });
  const slots: Slot[] = [
    ...nodes,
    ...straight.map((link) => ({ id: slotOf.get(link)!, side: 'inside' as const })),
  ];
  const columns = (['in', 'inside', 'out'] as const).map((side) =>
    slots.filter((node) => node.side === side),
  );
  const place = new Map<number, number>();
  const settle = () => {
    for (const column of columns) column.forEach((node, i) => place.set(node.id, (i + 0.5) / column.length));
  };
  settle();
  const pull = (id: number): number => {
    const far = links.flatMap(({ from, to }) => (from === id ? [to] : to === id ? [from] : []));
    const known = far.map((one) => place.get(one)).filter((one) => one !== undefined);
    return known.length ? known.reduce((sum, one) => sum + one, 0) / known.length : (place.get(id) ?? 0);
  };
  for (let round = 0; round < 2; round++) {
    for (const column of [columns[1]!, columns[2]!, columns[0]!]) {
      const wish = new Map(column.map((node) => [node.id, pull(node.id)]));
      column.sort((a, b) => wish.get(a.id)! - wish.get(b.id)!);
      settle();
    }
  }
  const most = Math.max(...columns.map((column) => column.length), 1);
  const height = most * STEP;
  const heights = new Map(
    columns.flatMap((column) => column.map((slot, i) => [slot.id, ((i + 0.5) * height) / column.length])),
  );
  const placed = nodes.map((node): PlacedNode => {
    const left = LEFT[node.side];
    return { ...node, left, right: left + BOX, y: heights.get(node.id)!, label: labelOf(node) };
  });
  const byId = new Map(placed.map((node) => [node.id, node]));
  const lines = own.flatMap((link): PlacedLine[] => {
    const [from, to] = [byId.get(link.from), byId.get(link.to)];
    if (!from || !to) return [];
    const slot = slotOf.get(link);
    const { how } = link;
    return [{ from, to, how, ...(slot === undefined ? {} : { through: heights.get(slot)! }) }];
  });
  return { nodes: placed, lines, height };
}

function labelOf(node: Inside['nodes'][number]): string {
  const text = node.to ? `${node.to} ${node.name}` : node.name;
  return text.length > 25 ? `${text.slice(0, 24)}…` : text;
}
