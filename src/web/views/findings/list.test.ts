import { expect, test } from 'vitest';
import type { FindingRow } from '../../../api/schemas';
import { grouped, matches, ordinals, type FindingFilter } from './list';

const finding = (rule: string, file: string, more: Partial<FindingRow> = {}): FindingRow => ({
  rule,
  level: 'error',
  message: `about ${rule}`,
  subject: 'Card:prop:fare',
  component: 'Card',
  place: { file, line: 1, column: 1, endLine: 1, endColumn: 2, code: '' },
  fingerprint: `${rule}${file}`,
  ...more,
});
const ALL: FindingFilter = {
  levels: new Set(),
  rule: '',
  text: '',
  silenced: false,
  beside: false,
  decided: false,
};

test.each<[Partial<FindingFilter>, boolean]>([
  [{}, true],
  [{ levels: new Set(['note']) }, false],
  [{ rule: 'prop/unread' }, false],
  [{ text: 'card fare' }, true],
  [{ text: 'desk MISSING' }, true],
  [{ text: 'gauge' }, false],
  [{ beside: true }, true],
])('%j matches: %s', (filter, expected) => {
  expect(matches(finding('prop/missing', 'desk/a.tsx'), { ...ALL, ...filter })).toBe(expected);
});

test('silenced findings are shown only when asked for', () => {
  const silenced = finding('prop/missing', 'a.tsx', { silenced: 'known' });
  expect(matches(silenced, ALL)).toBe(false);
  expect(matches(silenced, { ...ALL, silenced: true, decided: false })).toBe(true);
});

test('groups keep their order and count what is in them', () => {
  const list = [finding('b', 'x'), finding('a', 'y'), finding('b', 'y')];
  expect(
    grouped(list, 'rule').map((one) =>
      one.kind === 'group' ? `${one.title} ${one.count}` : one.finding.place.file,
    ),
  ).toEqual(['b 2', 'x', 'y', 'a 1', 'y']);
});

test('findings are counted past the headings', () => {
  const list = [finding('b', 'x'), finding('a', 'y'), finding('b', 'y')];
  expect(ordinals(grouped(list, 'rule'))).toEqual({ places: [0, 1, 2, 0, 3], count: 3 });
});
