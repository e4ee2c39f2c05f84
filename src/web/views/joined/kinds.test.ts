import { expect, test } from 'vitest';
import type { Gap, JoinedView } from '../../../api/schemas';
import { rowsOf, shareText } from './kinds';

const gap = (kind: Gap['kind'], name: string, reason: string, file = 'App.tsx'): Gap => ({
  kind,
  name,
  why: 'value',
  reason,
  file,
  line: 1,
  column: 1,
  endLine: 1,
  endColumn: 2,
  code: `<${name} />`,
});
const none = { written: 0, joined: 0 };
const view: JoinedView = {
  tallies: { tag: none, import: none, context: none, result: none, handler: none, binding: none },
  foreign: 0,
  handed: 0,
  gaps: [
    gap('tag', 'Cabin', 'rare'),
    gap('tag', 'Gate', 'often', 'line/Gate.tsx'),
    gap('import', 'Lamp', 'often'),
  ],
};
const shown = (...given: Parameters<typeof rowsOf>) =>
  rowsOf(...given).map((row) => {
    if (!('gap' in row)) return `${row.reason} ${row.count}`;
    if ('again' in row) return `… ${row.gap.file}`;
    return row.places > 1 ? `${row.gap.name} at ${row.places}` : row.gap.name;
  });

test.each([
  ['all, the most frequent reason first', undefined, '', ['often 2', 'Gate', 'Lamp', 'rare 1', 'Cabin']],
  ['one kind', 'import', '', ['often 1', 'Lamp']],
  ['by words in any place', undefined, 'line gate', ['often 1', 'Gate']],
  ['nothing bears the words', 'tag', 'pylon', []],
] as const)('%s', (_, kind, text, expected) => {
  expect(shown(view, kind, text)).toEqual(expected);
});

test('what is named at several places is one row, until they are asked for', () => {
  const lost = ['A', 'B', 'C'].map((one) => gap('import', 'lamp.svg', 'no file', `${one}.tsx`));
  const many = { ...view, gaps: [...lost, gap('import', 'gate.svg', 'no file')] };
  const folded = ['no file 4', 'lamp.svg at 3', 'gate.svg'];
  expect(shown(many, undefined, '')).toEqual(folded);
  const [, row] = rowsOf(many, undefined, '');
  const opened = new Set(row && 'key' in row ? [row.key] : []);
  expect(shown(many, undefined, '', opened)).toEqual([
    'no file 4',
    'lamp.svg at 3',
    '… B.tsx',
    '… C.tsx',
    'gate.svg',
  ]);
});

test('a lost file is one thing, from wherever it is imported', () => {
  const from = (specifier: string, file: string) => ({
    ...gap('import', specifier, 'no file', file),
    from: specifier,
  });
  const gaps = [from('./lamp.svg', 'line/A.tsx'), from('../line/lamp.svg', 'gate/B.tsx')];
  expect(shown({ ...view, gaps }, undefined, '')).toEqual(['no file 2', './lamp.svg at 2']);
});

test.each([
  [0, 0, '–'],
  [5, 5, '100 %'],
  [9999, 10000, '99.9 %'],
  [1, 3, '33.3 %'],
])('%i of %i is %s', (joined, written, text) => {
  expect(shareText({ joined, written })).toBe(text);
});
