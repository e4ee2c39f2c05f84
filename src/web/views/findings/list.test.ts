import { expect, test } from 'vitest';
import type { FindingRow } from '../../../api/schemas';
import {
  countBy,
  type FindingFilter,
  foldersOf,
  grouped,
  isSaidAbove,
  matches,
  ordinals,
  saidOf,
  siblingsOf,
} from './list';

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
  folder: '',
  component: '',
  text: '',
  silenced: false,
  beside: false,
  fresh: false,
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
  [{ fresh: true }, false],
  [{ folder: 'desk' }, true],
  [{ folder: 'desk/a.tsx' }, true],
  [{ folder: 'des' }, false],
  [{ component: 'Gauge' }, false],
])('%j matches: %s', (filter, expected) => {
  expect(matches(finding('prop/missing', 'desk/a.tsx'), { ...ALL, ...filter })).toBe(expected);
});

test('silenced findings are shown only when asked for', () => {
  const silenced = finding('prop/missing', 'a.tsx', { silenced: 'known' });
  expect(matches(silenced, ALL)).toBe(false);
  expect(matches(silenced, { ...ALL, silenced: true, decided: false })).toBe(true);
});

test('the group with the gravest comes first, then the one with the most; what is folded is not listed', () => {
  const list = [
    finding('many', 'x', { level: 'warning' }),
    finding('few', 'w', { level: 'warning' }),
    finding('mixed', 'x', { level: 'note' }),
    finding('many', 'y', { level: 'warning' }),
    finding('mixed', 'y'),
  ];
  const shown = (folded?: Set<string>) =>
    grouped(list, 'rule', folded).map((one) =>
      one.kind === 'group' ? `${one.title} ${one.count} ${one.level}` : one.finding.place.file,
    );
  expect(shown()).toEqual(['mixed 2 error', 'y', 'x', 'many 2 warning', 'x', 'y', 'few 1 warning', 'w']);
  expect(shown(new Set(['many']))).toEqual([
    'mixed 2 error',
    'y',
    'x',
    'many 2 warning',
    'few 1 warning',
    'w',
  ]);
});

test('a count leaves its own filter out of account', () => {
  const list = [finding('a', 'x/1'), finding('b', 'x/1'), finding('b', 'y/1')];
  const filter = { ...ALL, rule: 'a', folder: 'x' };
  const counted = (facet: 'rule' | 'folder') => list.filter((one) => matches(one, filter, facet));
  expect(countBy(counted('rule'), (one) => one.rule).map((one) => `${one.value} ${one.count}`)).toEqual([
    'a 1',
    'b 1',
  ]);
  expect(counted('folder')).toHaveLength(1);
});

test.each([
  [['a.tsx'], ['.']],
  [
    ['src/desk/a.tsx', 'src/crew/b.tsx'],
    ['src/desk', 'src/crew'],
  ],
  [Array.from({ length: 20 }, (_, i) => `src/${i % 3}/part${i}/a.tsx`), ['src/0', 'src/1', 'src/2']],
])('folders are as deep as keeps them few', (files, expected) => {
  const list = files.map((file) => finding('a', file));
  expect([...new Set(list.map(foldersOf(list)))]).toEqual(expected);
});

test('siblings are about the same thing by the same rule, and open', () => {
  const one = finding('a', 'x');
  const decision = { verdict: 'accepted', reason: 'so', at: '' } as const;
  const all = [
    one,
    finding('a', 'y'),
    finding('b', 'x'),
    finding('a', 'z', { subject: 'Other:prop:fare' }),
    finding('a', 'v', { decision }),
  ];
  expect(siblingsOf(one, all).map((each) => each.place.file)).toEqual(['x', 'y']);
});

test('findings are counted in their group', () => {
  const list = [finding('b', 'x'), finding('a', 'y'), finding('b', 'y')];
  expect(ordinals(grouped(list, 'rule')).map(({ place, count }) => `${place}/${count}`)).toEqual([
    '1/2',
    '1/2',
    '2/2',
    '2/2',
    '1/1',
  ]);
});

test('what is said of several places is said once, the gravest first', () => {
  const said = saidOf([
    finding('prop/unread', 'a.tsx', { level: 'warning' }),
    finding('prop/unread', 'b.tsx', { level: 'warning' }),
    finding('prop/missing', 'c.tsx'),
  ]);
  expect(said.map(({ message, level, findings }) => [message, level, findings.length])).toEqual([
    ['about prop/missing', 'error', 1],
    ['about prop/unread', 'warning', 2],
  ]);
});

test('a row that says what the row above says is known', () => {
  const items = grouped(
    [finding('prop/unread', 'a.tsx'), finding('prop/unread', 'b.tsx'), finding('prop/missing', 'c.tsx')],
    'rule',
  );
  expect(items.map((item, at) => `${item.kind} ${isSaidAbove(items, at)}`)).toEqual([
    'group false',
    'finding false',
    'finding true',
    'group false',
    'finding false',
  ]);
});
