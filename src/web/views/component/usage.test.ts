import { expect, test } from 'vitest';
import type { ComponentView, SiteView } from '../../../api/component-schemas';
import { usageColumns, usageRows } from './usage';

type Cells = Record<string, string>;
const spot = { file: 'a.tsx', line: 1, column: 1, endLine: 1, endColumn: 2 };
const site = (at: number, cells: Cells, more: Partial<SiteView> = {}, odd?: string): SiteView => ({
  at,
  owner: `Owner${at}`,
  ownerRef: `Owner${at}`,
  spot,
  cells: Object.fromEntries(
    Object.entries(cells).map(([name, text]) => [
      name,
      { text, type: '', how: text === '!' ? ('clash' as const) : ('joined' as const), odd: name === odd },
    ]),
  ),
  findings: [],
  ...more,
});
const view = (sites: SiteView[]): ComponentView =>
  ({
    sites,
    strays: [],
    ports: ['wind', 'unit', 'note'].map((name) => ({ name })),
  }) as unknown as ComponentView;

test.each<[string, Cells[], string[], string[], string[]]>([
  ['one call site', [{ wind: '3' }], ['wind'], [], ['unit', 'note']],
  [
    'the same everywhere',
    [
      { wind: '3', unit: '"kn"' },
      { wind: '4', unit: '"kn"' },
    ],
    ['wind'],
    ['unit "kn"'],
    ['note'],
  ],
  ['the more used first', [{ unit: '1' }, { unit: '2', wind: '3' }], ['unit', 'wind'], [], ['note']],
  ['left out somewhere', [{ unit: '"kn"' }, {}], ['unit'], [], ['wind', 'note']],
  ['wrong everywhere', [{ wind: '!' }, { wind: '!' }], ['wind'], [], ['unit', 'note']],
])('columns: %s', (_, sites, columns, always, never) => {
  const found = usageColumns(view(sites.map((cells, at) => site(at, cells))));
  expect(found.columns).toEqual(columns);
  expect(found.always.map(({ name, text }) => `${name} ${text}`)).toEqual(always);
  expect(found.never).toEqual(never);
});

const SITES = [
  site(0, { wind: '3' }, { aside: true }),
  site(1, { wind: '3' }),
  site(2, { wind: '3' }),
  site(3, { wind: '9' }, {}, 'wind'),
  site(4, { wind: '3' }),
  site(5, { wind: '!' }, { aside: true }),
];
const rows = (options: { by?: string; oddOnly?: boolean } = {}, opened?: Set<number>) =>
  usageRows(view(SITES), { ...options, columns: ['wind'] }, opened).map(
    ({ site: { at }, alike }) => `${at}${alike ? ` +${alike}` : ''}`,
  );

test('odd ones first, tests last, and those that are alike in one row', () => {
  expect(rows()).toEqual(['3', '1 +2', '5', '0']);
  expect(rows({}, new Set([1]))).toEqual(['3', '1 +2', '2', '4', '5', '0']);
  expect(rows({ oddOnly: true })).toEqual(['3', '5']);
  expect(rows({ by: 'wind' })).toEqual(['5', '0', '1 +2', '3']);
});
