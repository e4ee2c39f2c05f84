import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { MOUNT } from '../rules/testing';
import { type Ask, rigging } from './rigging';
import { type Folds, shownRows } from './shown';

/** A deck of six masts, the last of which takes what it does not read; and a page of tests. */
const SOURCES = {
  ...MOUNT,
  'App.tsx': `import { Mast } from './Mast';
export function App() { return <Deck><Ropes /></Deck>; }
export function Deck({ children }) { return <main>${[1, 2, 3, 4, 5].map((at) => `<Mast height={${at}} />`).join('')}<Yard wind={3} crew="a" />{children}</main>; }
function Yard({ wind }: { wind: number }) { return <b>{wind}</b>; }
function Ropes() { return <i />; }`,
  'Mast.tsx': `export function Mast({ height }: { height: number }) { return <Lamp high={height} />; }
export function Lamp({ high }: { high: number }) { return <i>{high}</i>; }
export function Spare() { return <Lamp high={6} />; }`,
  'Mast.test.tsx': `import { Mast, Spare } from './Mast'; import { Deck } from './App';
export function Bench() { return <><Mast height="a" /><Spare /><Deck>a</Deck></>; }`,
};

function shown(ask: Ask = {}, folds: Folds = {}) {
  const { result } = auditSources(SOURCES);
  const { project } = result;
  const drawn = rigging(project, result.findings, ask);
  const { list, standsAt } = shownRows(drawn, folds);
  const nameOf = (row: number) => project.components[drawn.rows[row]!.component]!.name;
  return {
    lines: list.map((one) =>
      'row' in one
        ? `${'  '.repeat(drawn.rows[one.row]!.depth)}${nameOf(one.row)}${one.hidden ? ` (${one.hidden})` : ''}`
        : `${'  '.repeat(one.depth)}… ${one.count}`,
    ),
    lanes: drawn.lanes.map((lane) => `${lane.title} ${lane.level ?? 'well'}${lane.pinned ? ' pinned' : ''}`),
    found: drawn.found,
    hasAside: drawn.hasAside,
    stands: (row: number) => standsAt[row],
  };
}

test('rows that no strand touches are folded into one line; tests and examples are left out', () => {
  const { lines, lanes, hasAside } = shown();
  expect(lines).toEqual(['App', '  Deck', '    … 10', '    Yard', '    Ropes', 'Spare', '  Lamp']);
  expect(lanes).toEqual(['crew error']);
  expect(hasAside).toBe(true);
});

test('what is opened is shown, and what is folded stands for what is below it', () => {
  expect(shown({}, { opened: [[2, 5]] }).lines.slice(0, 7)).toEqual([
    'App',
    '  Deck',
    '    Mast',
    '      Lamp',
    '    Mast',
    '      Lamp',
    '    … 6',
  ]);
  const folded = shown({}, { folded: [1], whole: true });
  expect(folded.lines).toEqual(['App', '  Deck (12)', 'Spare', '  Lamp']);
  expect([1, 2, 13].map(folded.stands)).toEqual([1, 1, 1]);
});

test.each<[string, Ask, string[], string[]]>([
  ['a name in no finding', { find: 'height' }, ['height well'], ['App', '  Deck', '    Mast', '      Lamp']],
  [
    'words of a component and a port',
    { find: 'lamp high' },
    ['high well'],
    ['App', '  Deck', '    Mast', '      Lamp'],
  ],
  [
    'every strand through a component',
    { component: 'Yard' },
    ['crew error', 'wind well'],
    ['App', '  Deck', '    … 10', '    Yard'],
  ],
  [
    'a component without ports is shown by its rows',
    { find: 'ropes' },
    [],
    ['App', '  Deck', '    … 11', '    Ropes'],
  ],
  ['a channel', { channels: ['event'] }, [], ['App', '  Deck', '    Mast', '      Lamp']],
  ['a rule', { rule: 'prop/unknown' }, ['crew error'], ['App', '  Deck', '    … 10', '    Yard']],
  ['a folder that has none', { folder: 'src' }, [], ['App', '  Deck', '    Mast', '      Lamp']],
  [
    'a pinned port whatever narrows',
    { pins: ['Lamp:prop:high'], channels: ['event'] },
    ['high well pinned'],
    ['App', '  Deck', '    Mast', '      Lamp'],
  ],
])('asked for %s', (_, ask, lanes, lines) => {
  const found = shown(ask);
  expect(found.lanes).toEqual(lanes);
  expect(found.lines.slice(0, 4)).toEqual(lines);
});

test('trees of tests and examples, where they are wanted', () => {
  const { lines, lanes } = shown({ aside: true }, { whole: true });
  expect(lines.indexOf('Bench')).toBeGreaterThan(lines.indexOf('App'));
  expect(lines).not.toContain('Spare');
  expect(lanes).toContain('height note');
});
