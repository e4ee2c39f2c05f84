import { expect, test } from 'vitest';
import type { LaneView, RiggingRow, RiggingView } from '../../../api/schemas';
import { filterLanes, placeLanes, shownRows } from './layout';

const row = (name: string, depth: number, parent: number, span: number): RiggingRow => ({
  name,
  ref: name,
  at: 0,
  depth,
  parent,
  span,
  file: 'a.tsx',
  line: 1,
});
const ROWS = [row('App', 0, -1, 3), row('Panel', 1, 0, 1), row('Gauge', 2, 1, 0), row('Log', 1, 0, 0)];
const lane = (id: string, rows: number[], more: Partial<LaneView> = {}): LaneView => ({
  id,
  title: id,
  ref: id,
  refs: [id],
  hops: [],
  channel: 'prop',
  findings: [],
  marks: rows.map((at) => ({ row: at, role: 'pass', name: id, ref: id })),
  segments: rows.slice(1).map((at, i) => ({ from: rows[i]!, to: at })),
  ...more,
});

test('a folded row stands for what is below it', () => {
  const { rows, standsAt } = shownRows(ROWS, new Set([1]));
  expect(rows.map((one) => [one.name, one.hidden])).toEqual([
    ['App', 0],
    ['Panel', 1],
    ['Log', 0],
  ]);
  expect(standsAt).toEqual([0, 1, 1, 2]);
  const [placed] = placeLanes([lane('unit', [0, 1, 2])], standsAt, 30, undefined);
  expect(placed!.at.get(1)).toHaveLength(2);
  expect(placed!.stretches).toEqual([{ from: 0, to: 1, broken: false }]);
});

test('a whole stretch wins over a broken one, and the rest stays broken', () => {
  const broken = lane('hold', [0, 2, 3], {
    segments: [
      { from: 0, to: 3, broken: true },
      { from: 1, to: 2 },
    ],
  });
  const [placed] = placeLanes([broken], [0, 1, 2, 3], 30, undefined);
  expect(placed!.stretches).toEqual([
    { from: 1, to: 2, broken: false },
    { from: 0, to: 1, broken: true },
    { from: 2, to: 3, broken: true },
  ]);
});

test('the lane after the chosen one leaves room for its names', () => {
  const placed = placeLanes([lane('a', [0]), lane('b', [0]), lane('c', [0])], [0], 30, 'b');
  expect(placed.map((one) => one.x)).toEqual([22, 52, 136]);
});

test.each([
  [{ text: 'gauge' }, ['a', 'pinned']],
  [{ text: 'LOG' }, ['b', 'pinned']],
  [{ channels: new Set(['event' as const]) }, ['b', 'pinned']],
  [{ levels: new Set(['error' as const]) }, ['a', 'pinned']],
  [{ text: 'nobody' }, ['pinned']],
])('filter %j', (filter, ids) => {
  const view: RiggingView = {
    rows: ROWS,
    complete: true,
    lanes: [
      lane('a', [0, 2], { level: 'error' }),
      lane('b', [3], { channel: 'event' }),
      lane('pinned', [3], { pinned: true }),
    ],
  };
  const found = filterLanes(view, { text: '', channels: new Set(), levels: new Set(), ...filter }).map(
    (one) => one.id,
  );
  expect(found).toEqual(ids);
});
