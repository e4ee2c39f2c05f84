import { expect, test } from 'vitest';
import type { LaneView, RiggingRow, RiggingView } from '../../../api/schemas';
import { filterLanes, headsOf, nearRange, roomBeside, shownRows, siblings, spread } from './layout';
import { place } from './place';

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
  const placement = place(ROWS, [lane('unit', [0, 1, 2])], new Set([1]));
  expect([...placement.rows]).toEqual([0, 1, 3]);
  expect([...placement.standsAt]).toEqual([0, 1, 1, 2]);
  const rowAt = shownRows(ROWS, placement);
  expect([0, 1, 2].map((at) => rowAt(at).hidden)).toEqual([0, 1, 0]);
  expect(rowAt(1)).toBe(rowAt(1));
  expect(placement.lanes[0]).toMatchObject({
    at: [
      [0, [0]],
      [1, [1, 2]],
    ],
    stretches: [{ from: 0, to: 1, broken: false }],
  });
});

test('a whole stretch wins over a broken one, and the rest stays broken', () => {
  const broken = lane('hold', [0, 2, 3], {
    segments: [
      { from: 0, to: 3, broken: true },
      { from: 1, to: 2 },
    ],
  });
  const [placed] = place(ROWS, [broken], new Set()).lanes;
  expect(placed!.stretches).toEqual([
    { from: 1, to: 2, broken: false },
    { from: 0, to: 1, broken: true },
    { from: 2, to: 3, broken: true },
  ]);
});

const LONG = Array.from({ length: 12 }, (_, i) => row(`Row${i}`, i ? 1 : 0, i ? 0 : -1, i ? 0 : 11));
const started = (id: string, rows: number[], origin: string): LaneView => {
  const made = lane(id, rows);
  made.marks[0] = { ...made.marks[0]!, role: 'start', ref: origin };
  return made;
};
test.each<[string, LaneView[], number[], (number | undefined)[]]>([
  ['lanes over the same rows stand apart', [lane('a', [0, 4]), lane('b', [2, 6])], [0, 1], []],
  ['lanes far apart share a column', [lane('a', [0, 4]), lane('b', [6, 9])], [0, 0], []],
  ['a row stays empty between them', [lane('a', [0, 4]), lane('b', [5, 9])], [0, 1], []],
  [
    'strands of one origin stand side by side and branch off',
    [started('a', [0, 4], 'App:state:x'), lane('c', [0, 9]), started('b', [0, 7], 'App:state:x')],
    [0, 2, 1],
    [undefined, undefined, 0],
  ],
])('%s', (_, lanes, columns, trunks) => {
  const placed = place(LONG, lanes, new Set()).lanes;
  expect(placed.map((one) => one.column)).toEqual(columns);
  lanes.forEach((_, i) => expect(placed[i]!.trunk).toBe(trunks[i]));
});

test('the column after the chosen lane leaves room for its names', () => {
  const lanes = [lane('a', [0]), lane('b', [0]), lane('c', [0])];
  const placed = spread(lanes, place(ROWS, lanes, new Set()).lanes, 30, 'b');
  expect(placed.map((one) => one.x)).toEqual([22, 52, 136]);
});

test('a column is named after the lane in sight, or the chosen one', () => {
  const lanes = [lane('a', [0, 2]), lane('b', [4, 5]), lane('c', [7, 9])];
  const placed = spread(lanes, place(LONG, lanes, new Set()).lanes, 30, undefined);
  const heads = (sight: [number, number], chosen?: string) =>
    headsOf(placed, sight, chosen).map((one) => one.id);
  expect(heads([0, 11])).toEqual(['a']);
  expect(heads([3, 11])).toEqual(['b']);
  expect(heads([0, 11], 'c')).toEqual(['c']);
  expect(heads([10, 11])).toEqual([]);
  expect(roomBeside(placed, placed[0]!, 1)).toBe(Infinity);
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
    strands: 3,
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

test.each<[string, number[], number, [number, number]]>([
  ['the row with the keyboard is the first', [0, 1, 2], 0, [0, 2]],
  ['it is one of them', [3, 4, 5], 4, [3, 5]],
  ['it stays above them', [0, 30, 31], 0, [30, 31]],
  ['it stays below them', [3, 4, 90], 90, [3, 4]],
  ['it is the only one', [0], 0, [0, 0]],
  ['there is none', [], 0, [0, 0]],
])('rows that are drawn: %s', (_, drawn, kept, range) => {
  expect(nearRange(drawn, kept)).toEqual(range);
});

test('rows are counted among those under the same row', () => {
  const places = siblings([0, 1, 2, 2, 1, 2, 1, 0].map((depth) => ({ depth })));
  expect(places.map(({ place, count }) => `${place}/${count}`)).toEqual([
    '1/2',
    '1/3',
    '1/2',
    '2/2',
    '2/3',
    '1/1',
    '3/3',
    '2/2',
  ]);
});
