/** Functions that make others out of what they are given: parts of a store, and what a component calls later. */
import { idioms } from './reaching';

const PARTS = {
  'line.js': `export const createLine = (set, get) => ({ limit: 4, raise: (n) => set({ limit: n }) });`,
  'wind.js': `export function createWind(set) { return { wind: 1, blow(n) { set((state) => ({ ...state, wind: n })); } }; }`,
  'App.jsx': `import { useState } from 'react'; import { useAll } from './store'; import { Gauge } from './Gauge'; export function App() { const [step, setStep] = useState(1); const [gust, setGust] = useState(1); const limit = useAll((s) => s.limit); const raise = useAll((s) => s.raise); const { wind, blow } = useAll(); return <b onClick={() => { raise(step); setStep(2); blow(gust); setGust(3); }}><Gauge a={limit} b={wind} /></b>; }`,
  'Gauge.jsx': `export function Gauge({ a, b }) { return <i>{a}{b}</i>; }`,
};
const store = (made: string): Record<string, string> => ({
  ...PARTS,
  'store.js': `import { create } from 'zustand'; import { createLine } from './line'; import { createWind } from './wind'; export const useAll = ${made};`,
});

const app = (maker: string, used: string, call: string): Record<string, string> => ({
  'maker.js': maker,
  'App.jsx': `import { useMemo, useState } from 'react'; import { makeActs } from './maker'; export function App() { const [step, setStep] = useState(1); const [last, setLast] = useState(0); ${used} return <b onClick={() => { ${call}; setStep(2); }}>{last}</b>; }`,
});
const STEP = { from: 'App:state:step', to: ['App:state:last'] };

idioms([
  ...['App:state:step', 'App:state:gust'].flatMap((from, index) => {
    const arrives = { from, to: [`Gauge:prop:${'ab'[index]}`], not: [`Gauge:prop:${'ba'[index]}`] };
    return [
      {
        what: `parts that are given the setter by name, ${from}`,
        sources: store('create((set, get) => ({ ...createLine(set, get), ...createWind(set) }))'),
        ...arrives,
      },
      {
        what: `parts that are given all, ${from}`,
        sources: store('create((...all) => ({ ...createLine(...all), ...createWind(...all) }))'),
        ...arrives,
      },
      {
        what: `parts in what wraps the store, ${from}`,
        sources: store(
          'create()(persist((...all) => ({ ...createLine(...all), ...createWind(...all) }), {}))',
        ),
        ...arrives,
      },
    ];
  }),
  {
    what: 'an object of functions, made in the component',
    sources: app(
      `export const makeActs = (put) => ({ raise: (n) => put(n) });`,
      'const acts = makeActs(setLast);',
      'acts.raise(step)',
    ),
    ...STEP,
  },
  {
    what: 'the same, taken apart',
    sources: app(
      `export function makeActs(put) { return { raise(n) { put(n); } }; }`,
      'const { raise } = makeActs(setLast);',
      'raise(step)',
    ),
    ...STEP,
  },
  {
    what: 'the same, made once',
    sources: app(
      `export const makeActs = (put) => ({ raise: (n) => put(n) });`,
      'const acts = useMemo(() => makeActs(setLast), []);',
      'acts.raise(step)',
    ),
    ...STEP,
  },
  {
    what: 'a function that does not call what it was given',
    sources: app(
      `export const makeActs = (put) => ({ raise: (n) => [put, n] });`,
      'const acts = makeActs(setLast);',
      'acts.raise(step)',
    ),
    from: 'App:state:step',
    to: [],
    not: ['App:state:last'],
  },
]);
