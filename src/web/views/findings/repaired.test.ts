import { expect, test } from 'vitest';
import { repaired } from './repaired';

const SOURCE = 'one\n<Gauge widn={3} />\n<Meter\n  onReed={a}\n/>\n';
const at = (line: number, column: number, endLine: number, endColumn: number, text: string) => ({
  file: 'a.tsx',
  line,
  column,
  endLine,
  endColumn,
  text,
});

test.each([
  ['a name', at(2, 8, 2, 12, 'wind'), ['<Gauge widn={3} />'], ['<Gauge wind={3} />']],
  ['over lines', at(3, 7, 4, 9, ' onRead'), ['<Meter', '  onReed={a}'], ['<Meter onRead={a}']],
  ['into lines', at(1, 1, 1, 4, 'a\nb'), ['one'], ['a', 'b']],
])('the lines before and after: %s', (_, edit, before, after) => {
  expect(repaired(SOURCE, edit)).toEqual({ before, after });
});

test('a text without the lines has no repair', () => {
  expect(repaired('one', at(2, 1, 2, 2, 'x'))).toBeUndefined();
});
