import { expect, test } from 'vitest';
import { STEP, wayThrough } from '../../parts/layers';
import { layersOf } from './inside';

const spot = { file: 'a.tsx', line: 1, column: 1, endLine: 1, endColumn: 2 };
const node = (id: number, side: 'in' | 'inside' | 'out', name = `n${id}`, to?: string) => ({
  id,
  side,
  channel: 'prop' as const,
  name,
  ref: `Gate:prop:${name}`,
  spot,
  ...(to === undefined ? {} : { to }),
});
const links = (...pairs: [number, number][]) => pairs.map(([from, to]) => ({ from, to, how: 'pass' }));

test('layers by depth of derivation, and linked nodes near each other', () => {
  const { nodes, width } = layersOf({
    nodes: [
      node(1, 'in', 'speed'),
      node(2, 'in', 'label'),
      node(5, 'inside', 'shown'),
      node(6, 'inside', 'twice'),
      node(3, 'out', 'text', 'Lamp'),
      node(4, 'out', 'wind', 'Vane'),
    ],
    links: links([1, 5], [5, 6], [6, 4], [2, 3]),
  });
  const at = (id: number) => nodes.find((one) => one.id === id)!;
  expect([1, 5, 6, 4].map((id) => at(id).left)).toEqual([0, 192, 384, 576]);
  expect(at(3).left).toBe(at(4).left);
  expect(width).toBe(at(4).right);
  expect(at(1).y < at(2).y).toBe(at(4).y < at(3).y);
  expect(at(3).label).toBe('Lamp text');
});

test('a link that passes a layer runs beside its boxes', () => {
  const { nodes, lines } = layersOf({
    nodes: [node(1, 'in'), node(2, 'inside'), node(3, 'out'), node(4, 'out')],
    links: links([1, 3], [1, 4], [1, 2]),
  });
  const kept = nodes.find((one) => one.id === 2)!;
  const passing = lines.filter((line) => line.stops.length > 0);
  expect(passing).toHaveLength(2);
  for (const { stops } of passing) {
    expect(stops).toEqual([{ enter: kept.left, leave: kept.right, y: passing[0]!.stops[0]!.y }]);
    expect(Math.abs(stops[0]!.y - kept.y)).toBeGreaterThanOrEqual(STEP / 2);
  }
});

test('circles end, and what leads back says so', () => {
  const { nodes, lines } = layersOf({
    nodes: [node(1, 'in'), node(2, 'inside'), node(3, 'inside')],
    links: links([1, 2], [2, 3], [3, 2]),
  });
  expect(new Set(nodes.map((one) => one.left)).size).toBe(3);
  expect(lines.map((line) => line.back).filter(Boolean)).toHaveLength(1);
});

test('no two boxes of a layer overlap, however many there are', () => {
  const many = Array.from({ length: 80 }, (_, i) => node(i + 100, 'inside'));
  const { nodes } = layersOf({
    nodes: [node(1, 'in'), ...many],
    links: many.flatMap((one, i) =>
      links([1, one.id], ...(i ? [[one.id - 1, one.id] as [number, number]] : [])),
    ),
  });
  for (const left of new Set(nodes.map((one) => one.left))) {
    const heights = nodes
      .filter((one) => one.left === left)
      .map((one) => one.y)
      .sort((a, b) => a - b);
    heights.slice(1).forEach((y, i) => expect(y - heights[i]!).toBeGreaterThanOrEqual(STEP));
  }
});

test('the way of a node is all that it is made of and all that is made of it', () => {
  const { lines } = layersOf({
    nodes: [node(1, 'in'), node(2, 'in'), node(3, 'inside'), node(4, 'out'), node(5, 'out')],
    links: links([1, 3], [2, 3], [3, 4], [2, 5]),
  });
  expect([...wayThrough(lines, 3)].sort()).toEqual([1, 2, 3, 4]);
  expect([...wayThrough(lines, 1)].sort()).toEqual([1, 3, 4]);
  expect([...wayThrough(lines, 5)].sort()).toEqual([2, 5]);
});

test('long names are cut, links to what is not shown are left out', () => {
  const placed = layersOf({
    nodes: [node(1, 'in', 'aVeryLongNameOfAPropThatGoesOn')],
    links: links([1, 9]),
  });
  expect(placed.nodes[0]!.label).toHaveLength(18);
  expect(placed.lines).toEqual([]);
});
