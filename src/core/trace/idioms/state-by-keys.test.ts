/** State that a function of a component works out of what it is told: each key has its own members. */
import { describe } from 'vitest';
import { reactApp } from './testing';
import { type Idiom, idioms } from './reaching';

const CASES = `switch (action.type) { case 'up': return { ...state, limit: action.by }; case 'down': return { ...state, low: action.to }; case 'reset': return start; default: return state; }`;

/** `Btn` hands up `v`; the panel is told so, and shows `limit` in a leaf and `low` in a button. */
const app = (reduce: string, dispatch: string, { head = '', more = {} as Record<string, string> } = {}) => {
  const files: Record<string, string> = {
    ...reactApp(
      `${head} const start = { limit: 1, low: 0 }; ${reduce} export function App({ seed }){ const [state, dispatch] = useReducer(reduce, start); const save = (one) => ${dispatch}; return <i><Leaf x={state.limit}/><Btn v={state.low} onSave={read}/><Row v={seed} onSave={save}/></i>; } function Row({v,onSave}:any){return <b onClick={()=>onSave(v)}/>;}`,
    ),
    ...more,
  };
  return files;
};
const REDUCE = `function reduce(state, action) { ${CASES} }`;
const up = (what: string, sources: Record<string, string>): Idiom => ({
  what,
  sources,
  from: 'Row:prop:v',
  to: ['Leaf:prop:x'],
  not: ['Btn:prop:v'],
});

describe('what is told is known', () => {
  idioms([
    up('a switch', app(REDUCE, `dispatch({ type: 'up', by: one })`)),
    up(
      'conditions',
      app(
        `function reduce(state, action) { if (action.type === 'up') return { ...state, limit: action.by }; if (action.type === 'down') { return { ...state, low: action.to }; } return state; }`,
        `dispatch({ type: 'up', by: one })`,
      ),
    ),
    up(
      'taken apart',
      app(
        `const reduce = (state, { type, by, to }) => { switch (type) { case 'up': return { ...state, limit: by }; case 'down': return { ...state, low: to }; default: throw new Error(); } };`,
        `dispatch({ type: 'up', by: one })`,
      ),
    ),
    up(
      'constants',
      app(
        `const UP = 'up', DOWN = 'down'; function reduce(state, action) { switch (action.type) { case UP: return { ...state, limit: action.by }; case DOWN: return { ...state, low: action.by }; } return state; }`,
        `dispatch({ type: UP, by: one })`,
      ),
    ),
    up(
      'an enumeration',
      app(
        `enum Act { Up, Down } function reduce(state, action) { switch (action.type) { case Act.Up: return { ...state, limit: action.by }; case Act.Down: return { ...state, low: action.by }; } return state; }`,
        `dispatch({ type: Act.Up, by: one })`,
      ),
    ),
    up(
      'the same member of what is told',
      app(
        `function reduce(state, action) { switch (action.type) { case 'up': return { ...state, limit: action.by }; case 'down': return { ...state, low: action.by }; } return state; }`,
        `dispatch({ type: 'up', by: one })`,
      ),
    ),
    up(
      'a function that makes it',
      app(`const raise = (by) => ({ type: 'up', by }); ${REDUCE}`, `dispatch(raise(one))`),
    ),
    up(
      'a function of another file that makes it',
      app(REDUCE.replace("'up'", "'UP'"), `dispatch(raise(one))`, {
        head: `import { raise } from './acts';`,
        more: { 'acts.ts': `export const raise = (by) => ({ type: 'UP', by });` },
      }),
    ),
    up(
      'a function of another file that works it out',
      app('', `dispatch({ type: 'up', by: one })`, {
        head: `import { reduce } from './reduce';`,
        more: { 'reduce.ts': `const start = {}; export function reduce(state, action) { ${CASES} }` },
      }),
    ),
    up(
      'two keys for one case',
      app(
        `function reduce(state, action) { switch (action.type) { case 'more': case 'up': return { ...state, limit: action.by }; case 'down': return { ...state, low: action.by }; } return state; }`,
        `dispatch({ type: 'up', by: one })`,
      ),
    ),
    up(
      'what leads on to the next case',
      app(
        `function reduce(state, action) { let by = 1; switch (action.type) { case 'up': by = 2; case 'more': return { ...state, limit: action.by }; case 'down': return { ...state, low: action.by }; } return state; }`,
        `dispatch({ type: 'up', by: one })`,
      ),
    ),
  ]);
});

describe('what may be told', () => {
  const both = (what: string, sources: Record<string, string>): Idiom => ({
    what,
    sources,
    from: 'Row:prop:v',
    to: ['Leaf:prop:x', 'Btn:prop:v'],
  });
  idioms([
    both(
      'is not known',
      app(
        `function reduce(state, action) { switch (action.type) { case 'up': return { ...state, limit: action.by }; case 'down': return { ...state, low: action.by }; } return state; }`,
        `dispatch({ type: read(), by: one })`,
      ),
    ),
    both(
      'is one of two',
      app(
        `function reduce(state, action) { switch (action.type) { case 'up': return { ...state, limit: action.by }; case 'down': return { ...state, low: action.by }; } return state; }`,
        `{ dispatch({ type: 'up', by: one }); dispatch({ type: 'down', by: one }); }`,
      ),
    ),
    both(
      'is whatever is left',
      app(
        `function reduce(state, action) { switch (action.type) { case 'reset': return start; default: return { limit: action.by, low: action.by }; } }`,
        `dispatch({ type: 'up', by: one })`,
      ),
    ),
    {
      what: 'is nothing that the function knows',
      sources: app(REDUCE, `dispatch({ type: 'other', by: one })`),
      from: 'Row:prop:v',
      to: [],
      not: ['Leaf:prop:x', 'Btn:prop:v'],
    },
  ]);
});
