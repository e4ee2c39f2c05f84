/** Where the nodes of the inside diagram stand: three columns, neighbours near each other. */
import type { ComponentView } from '../../../api/component-schemas';

export const WIDTH = 640;
export const STEP = 26;
const BOX = 178;
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
}

export interface Placed {
  nodes: PlacedNode[];
  lines: PlacedLine[];
  height: number;
}

/** Orders each column by the mean place of what it is linked with in the column before, twice over. */
export function columnsOf({ nodes, links }: Inside): Placed {
  const columns = (['in', 'inside', 'out'] as const).map((side) =>
    nodes.filter((node) => node.side === side),
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
  const placed = columns.flatMap((column) =>
    column.map((node, i): PlacedNode => {
      const left = LEFT[node.side];
      const y = ((i + 0.5) * height) / column.length;
      return { ...node, left, right: left + BOX, y, label: labelOf(node) };
    }),
  );
  const byId = new Map(placed.map((node) => [node.id, node]));
  const lines = links.flatMap(({ from, to, how }): PlacedLine[] => {
    const [a, b] = [byId.get(from), byId.get(to)];
    return a && b ? [{ from: a, to: b, how }] : [];
  });
  return { nodes: placed, lines, height };
}

function labelOf(node: Inside['nodes'][number]): string {
  const text = node.to ? `${node.to} ${node.name}` : node.name;
  return text.length > 25 ? `${text.slice(0, 24)}…` : text;
}
