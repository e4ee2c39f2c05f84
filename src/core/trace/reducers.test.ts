/** Reducers: what an action carries goes to those members of the state that are worked out of it. */
import { expect, test } from 'vitest';
import { traced } from './testing';

const HEAD = `import { createContext, useContext, useReducer } from 'react';
import { createRoot } from 'react-dom/client';
`;
const PAGE = `
function Hue({ hue }: { hue: string }) { return <b>{hue}</b>; }
function Sum({ sum }: { sum: number }) { return <b>{sum}</b>; }
function Page({ seed }: { seed: string }) {
  const [state, dispatch] = useReducer(reduce, { hue: '', sum: 0, list: [] });
  return <><b onClick={() => dispatch({ type: 'paint', with: seed })} /><Hue hue={state.hue} /><Sum sum={state.sum} /></>;
}
createRoot(document.body).render(<Page seed="a" />);`;
const BODY = `(state: any, action: any) {
  switch (action.type) {
    case 'paint': return { ...state, hue: action.with };
    case 'count': return { ...state, sum: state.sum + 1 };
    default: return state;
  }
}`;

test.each<[what: string, sources: Record<string, string>]>([
  ['of the same file', { 'App.tsx': `${HEAD}function reduce${BODY}${PAGE}` }],
  [
    'of another file',
    {
      'App.tsx': `${HEAD}import { reduce } from './reduce';${PAGE}`,
      'reduce.ts': `export function reduce${BODY}`,
    },
  ],
  [
    'by conditions',
    {
      'App.tsx': `${HEAD}const reduce = (state: any, action: any) => {
  if (action.type === 'paint') return { ...state, hue: action.with };
  if (action.type === 'count') return { ...state, sum: state.sum + 1 };
  return state;
};${PAGE}`,
    },
  ],
  [
    'written where it is used',
    { 'App.tsx': `${HEAD}${PAGE.replace('useReducer(reduce,', `useReducer(function ${BODY},`)}` },
  ],
])('%s', (_, sources) => {
  expect(traced(sources, 'Page:prop:seed').ends).toEqual(['Hue:prop:hue']);
});

test('through contexts of the state and of what changes it', () => {
  const trace = traced(
    `${HEAD}
const State = createContext<any>(null);
const Change = createContext<any>(null);
function reduce${BODY}
function Paint({ with: tint }: { with: string }) {
  const dispatch = useContext(Change);
  return <b onClick={() => dispatch({ type: 'paint', with: tint })} />;
}
function Hue() { const { hue } = useContext(State); return <b>{hue}</b>; }
function Sum() { const { sum } = useContext(State); return <b>{sum}</b>; }
function Page({ seed }: { seed: string }) {
  const [state, dispatch] = useReducer(reduce, { hue: '', sum: 0 });
  return <State.Provider value={state}><Change.Provider value={dispatch}><Paint with={seed} /><Hue /><Sum /></Change.Provider></State.Provider>;
}
createRoot(document.body).render(<Page seed="a" />);`,
    'Page:prop:seed',
  );
  expect(trace.ends).toEqual(['Hue:context:State']);
});
