import { expect, test } from 'vitest';
import type { LaneView, RowWindow } from '../../../api/schemas';
import { askIn, isNarrowed } from './ask';
import { headsOf, nearRange, roomBeside, spread } from './layout';
import { place } from './place';
import { namesAbove } from './useRows';

const lane = (id: string, rows: number[], more: Partial<LaneView> = {}): LaneView => ({
  id,
  title: id,
  ref: id,
  refs: [id],
  hops: [],
  channel: 'prop',
  findings: [],
  marks: rows.map((at) => ({ row: at, at, component: 'Mast', role: 'pass', name: id, ref: id })),
  segments: rows.slice(1).map((at, i) => ({ from: rows[i]!, to: at })),
  ...more,
});

test('marks that a fold puts into one line are drawn there once', () => {
  const folded = lane('unit', [0, 1, 1], {
    segments: [
      { from: 0, to: 1 },
      { from: 1, to: 1 },
    ],
  });
  expect(place([folded]).lanes[0]).toMatchObject({
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
  const [placed] = place([broken]).lanes;
  expect(placed!.stretches).toEqual([
    { from: 1, to: 2, broken: false },
    { from: 0, to: 1, broken: true },
    { from: 2, to: 3, broken: true },
  ]);
});

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
  const placed = place(lanes).lanes;
  expect(placed.map((one) => one.column)).toEqual(columns);
  lanes.forEach((_, i) => expect(placed[i]!.trunk).toBe(trunks[i]));
});

test('the column after the chosen lane leaves room for its names', () => {
  const lanes = [lane('a', [0]), lane('b', [0]), lane('c', [0])];
  const placed = spread(lanes, place(lanes).lanes, 30, 'b');
  expect(placed.map((one) => one.x)).toEqual([22, 52, 136]);
});

test('a column is named after the lane in sight, or the chosen one', () => {
  const lanes = [lane('a', [0, 2]), lane('b', [4, 5]), lane('c', [7, 9])];
  const placed = spread(lanes, place(lanes).lanes, 30, undefined);
  const heads = (sight: [number, number], chosen?: string) =>
    headsOf(placed, sight, chosen).map((one) => one.id);
  expect(heads([0, 11])).toEqual(['a']);
  expect(heads([3, 11])).toEqual(['b']);
  expect(heads([0, 11], 'c')).toEqual(['c']);
  expect(heads([10, 11])).toEqual([]);
  expect(roomBeside(placed, placed[0]!, 1)).toBe(Infinity);
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

test.each([
  ['strand=x&row=3', '', false],
  ['open=3-9&find=wind&channel=prop&channel=event', 'find=wind&channel=prop&channel=event&open=3-9', true],
  ['find=&fold=4&component=Mast', 'component=Mast&fold=4', true],
  ['whole=1', 'whole=1', false],
])('the address %s asks %s', (address, ask, narrowed) => {
  const search = new URLSearchParams(address);
  expect(askIn(search)).toBe(ask);
  expect(isNarrowed(search)).toBe(narrowed);
});

test('the names above a row come from its window, and from what stands above that', () => {
  const at = (name: string, depth: number) => ({ name, depth }) as RowWindow['rows'][number];
  const window: RowWindow = {
    from: 120,
    above: ['App', 'Deck'],
    rows: [
      at('Mast', 2),
      at('Gauge', 3),
      { from: 9, to: 20, depth: 4, left: 12 },
      at('Lamp', 4),
      at('Log', 1),
    ],
  };
  expect([0, 1, 3, 4].map((place) => namesAbove(window, place))).toEqual([
    ['App', 'Deck'],
    ['App', 'Deck', 'Mast'],
    ['App', 'Deck', 'Mast', 'Gauge'],
    ['App'],
  ]);
  expect(namesAbove(undefined, 3)).toEqual([]);
});
