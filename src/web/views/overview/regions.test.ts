import { expect, test } from 'vitest';
import type { FindingRow, Level } from '../../../api/schemas';
import { labelOf, regionsOf, shortName } from './regions';

const finding = (file: string, level: Level): FindingRow => ({
  rule: 'prop/missing',
  level,
  message: '',
  subject: '',
  component: 'Mast',
  place: { file, line: 1, column: 1, endLine: 1, endColumn: 2, code: '' },
  fingerprint: file,
});
const FOLDERS = [
  { path: 'src', components: 1 },
  { path: 'src/deck', components: 6 },
  { path: 'src/deck/ropes', components: 2 },
  { path: 'src/yard', components: 3 },
  { path: 'tools', components: 1 },
];
const shown = (most: number, findings: FindingRow[] = []) =>
  regionsOf(FOLDERS, findings, most).map(
    ({ path, components, counts }) =>
      `${path || '.'} ${components}${counts.error ? ` ${counts.error}e` : ''}${counts.warning ? ` ${counts.warning}w` : ''}`,
  );

test.each<[number, string[]]>([
  [1, ['. 13']],
  [2, ['src 12', 'tools 1']],
  [3, ['src/deck 8', 'src 4', 'tools 1']],
  [4, ['src/deck 8', 'src/yard 3', 'tools 1', 'src 1']],
  [9, ['src/deck 6', 'src/yard 3', 'src/deck/ropes 2', 'tools 1', 'src 1']],
])('at most %i areas, the largest folder taken apart first', (most, areas) => {
  expect(shown(most).sort()).toEqual([...areas].sort());
});

test('the gravest area comes first, and what lies in a folder itself is not counted twice', () => {
  const found = [
    finding('src/deck/a.tsx', 'warning'),
    finding('src/deck/ropes/b.tsx', 'warning'),
    finding('src/yard/c.tsx', 'error'),
    finding('empty/d.ts', 'warning'),
  ];
  expect(shown(9, found)).toEqual([
    'src/yard 3 1e',
    'src/deck 6 1w',
    'src/deck/ropes 2 1w',
    'empty 0 1w',
    'src 1',
    'tools 1',
  ]);
});

test.each([
  ['', '.'],
  ['src', 'src'],
  ['a/b/c', 'b/c'],
])('the short name of %s', (path, name) => {
  expect(shortName(path)).toBe(name);
});

test('in a small project, files are areas', () => {
  const files = ['src/App.tsx', 'src/Mast.tsx'].map((path) => ({ path, components: 1 }));
  const found = [finding('src/Mast.tsx', 'error'), finding('src/wind.ts', 'note')];
  expect(regionsOf(files, found).map((one) => `${one.path} ${one.counts.error}`)).toEqual([
    'src/Mast.tsx 1',
    'src 0',
    'src/App.tsx 0',
  ]);
});

test('a folder that holds one folder alone gives way to it', () => {
  const folders = ['a', 'b'].map((name) => ({ path: `package/src/${name}`, components: 1 }));
  expect(regionsOf(folders, [], 2).map((one) => one.path)).toEqual(['package/src/a', 'package/src/b']);
});

test.each<[string, number, number, string[]]>([
  ['src/deck', 200, 60, ['src/deck', '3 errors']],
  ['src/deck', 60, 60, ['src/', 'deck', '3']],
  ['src/deck', 60, 30, ['deck']],
  ['src/deck', 200, 30, ['src/deck']],
  ['src/deck', 200, 20, []],
  ['src/deck', 30, 60, []],
  ['src/OilLevel.jsx', 75, 60, ['src/', 'OilLevel', '3 errors']],
  ['src/HoldButton.tsx', 70, 60, ['Hold', 'Button', '3']],
  ['src/HoldButton.tsx', 40, 60, []],
  ['src/rope-wind-gauges', 70, 100, ['src/', 'rope-', 'wind-', 'gauges', '3']],
  ['src/rope-wind-gauges', 90, 100, ['src/rope-', 'wind-', 'gauges', '3 errors']],
  ['src/rope-wind-gauges', 70, 50, []],
])('what fits whole into the area of %s, %d by %d', (path, width, height, expected) => {
  const { name, found } = labelOf(path, '3 errors', width, height);
  expect(found === undefined ? name : [...name, found]).toEqual(expected);
});
