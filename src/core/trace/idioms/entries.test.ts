/** Lists: what stands in one is followed to whoever is handed an entry, by its members, and what is beside it is not. */
import { describe, expect, test } from 'vitest';
import { traced } from '../testing';
import { type Idiom, idioms } from './reaching';

const LEAF = `function Leaf({ x }) { return <b>{x}</b>; }
function Other({ y }) { return <b>{y}</b>; }`;

/** A row of `at` and `on` is added to what the app keeps; what is drawn is given the former of an entry. */
const react = (code: string, markup: string, add = 'setRows([...rows, row])'): Record<string, string> => ({
  'App.jsx': `import { useMemo, useState } from 'react';
function Adder({ at, on, onAdd }) { return <b onClick={() => onAdd({ at, on })} />; }
${LEAF}
export function App({ cabin, gust, key }) {
  const [rows, setRows] = useState([]);
  const addRow = (row) => ${add};
  ${code}
  return <><Adder at={cabin} on={gust} onAdd={addRow} />${markup}</>;
}`,
});

const REACT: [what: string, code: string, markup: string, add?: string][] = [
  ['each in turn', '', '{rows.map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}'],
  ['taken apart', '', '{rows.map(({ at, on }) => <><Leaf x={at} /><Other y={on} /></>)}'],
  ['the first', 'const first = rows[0];', '<Leaf x={first.at} /><Other y={first?.on} />'],
  ['one at a place', '', '<Leaf x={rows[rows.length - 1].at} /><Other y={rows[key].on} />'],
  [
    'taken apart by place',
    'const [first, ...others] = rows;',
    '<Leaf x={first.at} />{others.map((one) => <Other y={one.on} />)}',
  ],
  [
    'one that is found',
    'const found = rows.find((one) => one.id === key);',
    '<Leaf x={found.at} /><Other y={found?.on} />',
  ],
  [
    'a member of one that is found',
    '',
    '<Leaf x={rows.find((one) => one.id === key)?.at} /><Other y={rows.at(-1).on} />',
  ],
  [
    'some of them',
    'const some = rows.filter((one) => one.id);',
    '{some.map((row) => <Leaf x={row.at} />)}<Other y={some[0].on} />',
  ],
  [
    'some of them, at once',
    '',
    '{rows.filter(Boolean).map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}',
  ],
  [
    'in another order',
    'const sorted = useMemo(() => [...rows].sort((a, b) => a.id - b.id), [rows]);',
    '{sorted.map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}',
  ],
  ['or none', '', '{(rows ?? []).map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}'],
  [
    'made anew, with more',
    'const more = rows.map((row) => ({ ...row, open: true }));',
    '{more.map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}',
  ],
  [
    'made anew, of members',
    'const more = rows.map((row) => ({ a: row.at, b: row.on }));',
    '{more.map((row) => <><Leaf x={row.a} /><Other y={row.b} /></>)}',
  ],
  [
    'a loop',
    'const found = []; for (const row of rows) found.push(row);',
    '{found.map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}',
  ],
  [
    'by a function of the module',
    'const found = pick(rows, key);',
    '<Leaf x={found.at} /><Other y={found.on} />',
  ],
  [
    'by a function of the module that leaves some out',
    '',
    '{open(rows).map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}',
  ],
  [
    'put in front',
    '',
    '{rows.map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}',
    'setRows((now) => [row, ...now])',
  ],
  [
    'put in the place of another',
    '',
    '{rows.map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}',
    'setRows((now) => now.map((one) => (one.id === row.id ? row : one)))',
  ],
  [
    'added by a method',
    '',
    '{rows.map((row) => <><Leaf x={row.at} /><Other y={row.on} /></>)}',
    'setRows(rows.concat([row]))',
  ],
  [
    'under a name',
    '',
    '<Leaf x={rows[key].at} />{Object.values(rows).map((row) => <Other y={row.on} />)}',
    'setRows({ ...rows, [row.id]: row })',
  ],
  [
    'under a name, with it',
    '',
    '{Object.entries(rows).map(([id, row]) => <><Leaf x={row.at} /><Other y={row.on} /></>)}',
    'setRows({ ...rows, [row.id]: row })',
  ],
];

const HELPERS = `
const pick = (list, id) => list.find((one) => one.id === id);
const open = (list) => list.filter((one) => one.open);`;

describe('React', () => {
  idioms(
    REACT.flatMap(([what, code, markup, add]): Idiom[] => {
      const [[path, text]] = Object.entries(react(code, markup, add)) as [[string, string]];
      const sources = { [path]: text + HELPERS };
      const [at, on] = [
        ['Leaf:prop:x', 'App:prop:cabin'],
        ['Other:prop:y', 'App:prop:gust'],
      ];
      return [
        { what, sources, from: 'Adder:prop:at', to: at!, not: on! },
        { what: `${what}: the other member`, sources, from: 'Adder:prop:on', to: on!, not: at! },
      ];
    }),
  );
});

test('a part of a value is handed on, and what is worked out of it is another one', () => {
  const { hops } = traced(
    `${LEAF}
export function App({ rows }) {
  const first = rows[0]; const { at } = first; const text = at + ' kn';
  return <><Leaf x={at} /><Other y={text} /></>;
}`,
    'App:prop:rows',
  );
  expect(hops.map(({ ref, role }) => `${ref} ${role}`)).toEqual([
    'App:prop:rows start',
    'App:local:first pass',
    'App:local:at read',
    'App:local:text transform',
    'Leaf:prop:x read',
    'Other:prop:y read',
  ]);
});

test('an entry is the value itself, as a member is', () => {
  const { hops } = traced(
    `${LEAF}
export function App({ rows }) { const some = rows.filter((one) => one.on); return some.map((row) => <Leaf x={row.at} />); }`,
    'Leaf:prop:x',
  );
  expect(hops.filter(({ near }) => near === 'itself').map(({ ref }) => ref)).toEqual([
    'App:prop:rows',
    'App:local:some',
    'App:local:row',
    'Leaf:prop:x',
  ]);
});
