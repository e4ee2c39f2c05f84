import { expect, test } from 'vitest';
import { columnsOf, STEP, WIDTH } from './inside';

const spot = { file: 'a.tsx', line: 1, column: 1, endLine: 1, endColumn: 2 };
const node = (id: number, side: 'in' | 'inside' | 'out', name: string, to?: string) => ({
  id,
  side,
  channel: 'prop' as const,
  name,
  ref: `Gate:prop:${name}`,
  spot,
  ...(to === undefined ? {} : { to }),
});

test('columns from left to right, and linked nodes near each other', () => {
  const placed = columnsOf({
    nodes: [
      node(1, 'in', 'speed'),
      node(2, 'in', 'label'),
      node(3, 'out', 'text', 'Lamp'),
      node(4, 'out', 'wind', 'Vane'),
    ],
    links: [
      { from: 1, to: 4, how: 'pass' },
      { from: 2, to: 3, how: 'pass' },
    ],
  });
  const y = (id: number) => placed.nodes.find((one) => one.id === id)!.y;
  expect(y(1)).toBe(y(4));
  expect(y(2)).toBe(y(3));
  expect(placed.nodes.every((one) => one.left >= 0 && one.right <= WIDTH)).toBe(true);
  expect(placed.nodes.find((one) => one.id === 3)!.label).toBe('Lamp text');
  expect(placed.lines).toHaveLength(2);
});

test('what goes straight through passes beside what is kept', () => {
  const placed = columnsOf({
    nodes: [node(1, 'in', 'wind'), node(2, 'inside', 'open'), node(3, 'out', 'wind', 'Vane')],
    links: [{ from: 1, to: 3, how: 'pass' }],
  });
  const [line] = placed.lines;
  const kept = placed.nodes.find((one) => one.id === 2)!;
  expect(Math.abs(line!.through! - kept.y)).toBeGreaterThanOrEqual(STEP);
});

test('long names are cut, links to what is not shown are left out', () => {
  const placed = columnsOf({
    nodes: [node(1, 'in', 'aVeryLongNameOfAPropThatGoesOn')],
    links: [{ from: 1, to: 9, how: 'pass' }],
  });
  expect(placed.nodes[0]!.label).toHaveLength(25);
  expect(placed.lines).toEqual([]);
});
