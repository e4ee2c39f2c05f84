/** Setters that are given a function: it is asked for the next value, and given the one that there is. */
import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { edges, type Sources, traced } from './testing';

const HEAD = `import { createContext, useCallback, useContext, useEffect, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { Form } from 'forms';
`;
const page = (body: string, more = ''): Sources => ({
  'App.tsx': `${HEAD}${more}
function Page({ rel, person }: { rel: string; person: { name: string } }) {
  ${body}
}
createRoot(document.body).render(<Page rel="a" person={{ name: 'b' }} />);`,
});
const state = (type: string, first: string, write: string): Sources =>
  page(`const [kept, setKept] = useState<${type}>(${first});
  useEffect(() => { ${write} }, [rel]);
  return <Form initial={kept} />;`);

describe('what the function gives back is kept', () => {
  test.each<[what: string, sources: Sources, from: string[]]>([
    ['an object', state('object', '{}', 'setKept((all) => ({ ...all, rel }));'), ['Page:prop:rel']],
    ['a list', state('string[]', '[]', 'setKept((all) => [...all, rel]);'), ['Page:prop:rel']],
    [
      'what is worked out',
      state('number', '0', 'setKept((sum) => sum + person.name.length);'),
      ['Page:prop:person'],
    ],
    [
      'under a name that the code works out',
      state('object', '{}', 'setKept((all) => { if (rel) return { ...all, [rel]: person }; return all; });'),
      ['Page:prop:person'],
    ],
    [
      'by a name of its own',
      state('object', '{}', 'const next = (all: object) => ({ ...all, rel }); setKept(next);'),
      ['Page:prop:rel'],
    ],
    ['nothing but what there was', state('number', '0', 'setKept((sum) => sum + 1);'), []],
    ['of what only decides, nothing else', state('boolean', 'false', 'if (rel) setKept((on) => !on);'), []],
  ])('%s', (_, sources, from) => {
    expect(edges(traced(sources, 'Page:state:kept'))).toEqual(
      from.map((one) => `${one} write Page:state:kept`),
    );
  });
});

test('in a hook, of what another hook gives; who uses the hook reads it', () => {
  const trace = traced(
    page(
      `const [values] = useValues(person);
  useEffect(() => { console.log(values); }, [values]);
  return <b />;`,
      `function useValues(who: { name: string }): [object] {
  const [values, setValues] = useState({});
  useEffect(() => { (async () => setValues((all) => ({ ...all, name: who.name })))(); }, [who]);
  return [values];
}`,
    ),
    'Page:state:values',
  );
  expect(edges(trace)).toEqual(['Page:prop:person write Page:state:values']);
  expect(trace.hops.map(({ ref, role }) => `${role} ${ref}`)).toEqual([
    'start Page:prop:person',
    'read Page:state:values',
  ]);
});

test('through a context, and through props', () => {
  const more = `const Kept = createContext<any>(null);
function Writer({ text }: { text: string }) {
  const { setKept } = useContext(Kept);
  return <b onClick={() => setKept((all: object) => ({ ...all, text }))} />;
}
function Field({ word, put }: { word: string; put: (x: any) => void }) {
  return <b onClick={() => put((all: object) => ({ ...all, word }))} />;
}
function Middle({ word, put }: { word: string; put: (x: any) => void }) {
  return <Field word={word} put={put} />;
}`;
  const found = edges(
    traced(
      page(
        `const [kept, setKept] = useState({});
  return <Kept.Provider value={{ kept, setKept }}><Writer text={rel} /><Middle word={person.name} put={setKept} /></Kept.Provider>;`,
        more,
      ),
      'Page:state:kept',
    ),
  );
  expect(found).toEqual(
    expect.arrayContaining([
      'Writer:prop:text write Page:state:kept',
      'Field:prop:word emit Field:prop:put',
      'Field:prop:put pass Middle:prop:put',
      'Middle:prop:put write Page:state:kept',
    ]),
  );
});

test('a store that works one member out of another', () => {
  const trace = traced(
    {
      'App.tsx': `import { create } from 'zustand';
import { createRoot } from 'react-dom/client';
const useFleet = create((set) => ({
  items: [], total: 0, hue: '',
  add: (item) => set((fleet) => ({ items: [...fleet.items, item] })),
  sum: () => set((fleet) => ({ total: fleet.items.length })),
}));
function Sum() { const total = useFleet((fleet) => fleet.total); return <b>{total}</b>; }
function Hue() { const hue = useFleet((fleet) => fleet.hue); return <b>{hue}</b>; }
function Page({ text }) {
  const add = useFleet((fleet) => fleet.add);
  return <><b onClick={() => add(text)} /><Sum /><Hue /></>;
}
createRoot(document.body).render(<Page text="a" />);`,
    },
    'Page:prop:text',
  );
  expect(trace.ends).toEqual(['Sum:local:total']);
});

test('all inputs handed over as one value may be read by whoever gets it', () => {
  const { findings } = auditSources({
    'App.jsx': `import { createRoot } from 'react-dom/client';
import { Filler } from 'fillers';
function Whole(props) { return <Filler its={props} />; }
function Named(props) { const all = props; return <Leaf its={all} />; }
function Leaf({ its }) { return <b>{its.hue}</b>; }
function Rest({ speed, ...rest }) { return <Filler its={rest} speed={speed} />; }
function None({ speed }) { return <b>{speed}</b>; }
createRoot(document.body).render(<><Whole hue="a" /><Named hue="a" /><Rest hue="a" speed={1} /><None hue="a" speed={1} /></>);`,
  }).result;
  expect(findings.map(({ rule, subject }) => `${rule} ${subject}`)).toEqual(['prop/unknown None:prop:hue']);
});

test('a draft that is written stands for the state', () => {
  const found = traced(
    page(
      `const [kept, setKept] = useState({ hue: '', sum: 0 });
  const paint = (hue: string) => setKept(produce((draft) => { draft.hue = hue; }));
  return <><Paint with={rel} onPaint={paint} /><Hue hue={kept.hue} /><Sum sum={kept.sum} /></>;`,
      `import { produce } from 'immer';
function Paint({ with: tint, onPaint }: { with: string; onPaint: (hue: string) => void }) { return <b onClick={() => onPaint(tint)} />; }
function Hue({ hue }: { hue: string }) { return <b>{hue}</b>; }
function Sum({ sum }: { sum: number }) { return <b>{sum}</b>; }`,
    ),
    'Paint:prop:with',
  );
  expect(found.ends).toEqual(['Hue:prop:hue']);
});

test('state that a handler writes twice is told by the write that is nearest to it', () => {
  const text = `import { useState } from 'react';
function App() {
  const [rows, setRows] = useState([]);
  const renew = (row) => setRows(rows.map((one) => (one.id === row.id ? row : one)));
  const edit = (row) => renew({ ...row });
  const insert = (row) => {
    setRows([...rows, row]);
    edit(row);
  };
  const add = (row) => insert(row);
  return <Adder onAdd={add} rows={rows} />;
}
function Adder({ onAdd, rows }) { return <b onClick={() => onAdd({ id: 1 })}>{rows.length}</b>; }
`;
  const trace = auditSources({ 'App.jsx': text }).trace('Adder:event:onAdd');
  if ('similar' in trace) throw new Error('it was not found');
  const writes = trace.routes.filter(({ how, from }) => how === 'write' && from === 'Adder:event:onAdd');
  expect(writes.map(({ place }) => text.slice(place.start, place.end))).toEqual(['setRows([...rows, row])']);
});
