/** Stores of plain functions that are told what happened, by its key. */
import { describe } from 'vitest';
import { type Idiom, idioms } from './reaching';

interface Forms {
  /** Files by their names, in place of the usual ones. */
  files?: Record<string, string>;
  /** What the panel does with `next`. */
  does?: string;
  imports?: string;
}

const KEYS = `export const SPEED = 'rope/SPEED'; export const WIND = 'rope/WIND';`;
const REDUCE = `import { SPEED, WIND } from './keys'; const start = { speed: 0, wind: 0 }; export default function rope(state = start, action) { switch (action.type) { case SPEED: return { ...state, speed: action.payload }; case WIND: return { ...state, wind: action.payload }; default: return state; } }`;
const ACTS = `import { SPEED, WIND } from './keys'; export const setSpeed = (n) => ({ type: SPEED, payload: n }); export function setWind(n) { return { type: WIND, payload: n }; }`;
const STORE = `import { createStore, combineReducers } from 'redux'; import rope from './reduce'; export const store = createStore(combineReducers({ rope }));`;

/** A panel that shows what the store keeps, and does something with a state of its own. */
const app = ({ files = {}, does = 'dispatch(setSpeed(next))', imports = '' }: Forms) => ({
  'package.json': `{ "dependencies": { "react": "18", "redux": "4", "react-redux": "8" } }`,
  'keys.js': KEYS,
  'reduce.js': REDUCE,
  'acts.js': ACTS,
  'store.js': STORE,
  'Gauge.jsx': `export function Speed({ value }) { return <i>{value}</i>; } export function Wind({ value }) { return <i>{value}</i>; }`,
  'Panel.jsx': `import { useState } from 'react'; import { useDispatch, useSelector } from 'react-redux'; import * as acts from './acts'; import { setSpeed, setWind } from './acts'; import { SPEED } from './keys'; import { Speed, Wind } from './Gauge'; ${imports} export function Panel() { const [next, setNext] = useState(1); const dispatch = useDispatch(); const speed = useSelector((state) => state.rope.speed); const wind = useSelector((state) => state.rope.wind); return <b onClick={() => { ${does}; setNext(2); }}><Speed value={speed} /><Wind value={wind} /></b>; }`,
  'main.jsx': `import { Provider } from 'react-redux'; import { createRoot } from 'react-dom/client'; import { store } from './store'; import { Panel } from './Panel'; createRoot(document.body).render(<Provider store={store}><Panel /></Provider>);`,
  ...files,
});

/** The next speed must reach what shows the speed, and not what shows the wind. */
const reaches = (what: string, forms: Forms): Idiom => ({
  what,
  sources: app(forms),
  from: 'Panel:state:next',
  to: ['Speed:prop:value'],
  not: ['Wind:prop:value'],
});

const reduced = (body: string, head = `import { SPEED, WIND } from './keys';`): Forms => ({
  files: {
    'reduce.js': `${head} const start = { speed: 0, wind: 0 }; export default function rope(state = start, action) { ${body} }`,
  },
});

const keyed = (keys: string, speed: string, wind: string, imported: string): Forms => ({
  files: {
    'keys.js': `export const SPEED = 1; ${keys}`,
    'reduce.js': REDUCE.replace(`import { SPEED, WIND } from './keys';`, imported)
      .replace('case SPEED', `case ${speed}`)
      .replace('case WIND', `case ${wind}`),
    'acts.js': ACTS.replace(`import { SPEED, WIND } from './keys';`, imported)
      .replace('type: SPEED', `type: ${speed}`)
      .replace('type: WIND', `type: ${wind}`),
  },
});

group('what a part does', [
  reaches('a switch', {}),
  reaches(
    'conditions',
    reduced(
      `if (action.type === SPEED) { return { ...state, speed: action.payload }; } else if (action.type === WIND) return { ...state, wind: action.payload }; return state;`,
    ),
  ),
  reaches(
    'one expression',
    reduced(
      `return action.type === SPEED ? { ...state, speed: action.payload } : action.type === WIND ? { ...state, wind: action.payload } : state;`,
    ),
  ),
  reaches('what is told, taken apart', {
    files: {
      'reduce.js': `import { SPEED, WIND } from './keys'; export default (state = { speed: 0 }, { type, payload }) => { switch (type) { case SPEED: return { ...state, speed: payload }; case WIND: return Object.assign({}, state, { wind: payload }); } return state; };`,
    },
  }),
  reaches(
    'taken apart inside',
    reduced(
      `const { type, payload } = action; switch (type) { case SPEED: { const next = payload; return { ...state, speed: next }; } case WIND: return { ...state, wind: payload }; default: return state; }`,
    ),
  ),
  reaches(
    'two keys for one case',
    reduced(
      `switch (action.type) { case 'rope/OTHER': case SPEED: return { ...state, speed: action.payload }; case WIND: return { ...state, wind: action.payload }; default: return state; }`,
    ),
  ),
  reaches(
    'a draft',
    reduced(
      `return produce(state, (draft) => { switch (action.type) { case SPEED: draft.speed = action.payload; break; case WIND: draft.wind = action.payload; break; } });`,
      `import { produce } from 'immer'; import { SPEED, WIND } from './keys';`,
    ),
  ),
  reaches('a draft that starts with something', {
    files: {
      'reduce.js': `import { produce } from 'immer'; import { SPEED, WIND } from './keys'; const rope = produce((draft, action) => { switch (action.type) { case SPEED: draft.speed = action.payload; break; case WIND: draft.wind = action.payload; } }, { speed: 0, wind: 0 }); export default rope;`,
    },
  }),
  reaches('members of what is told', {
    files: {
      'acts.js': `import { SPEED } from './keys'; export const setWind = 1; export const setSpeed = (n) => ({ type: SPEED, payload: { speed: n, wind: 4 } });`,
      'reduce.js': `import { SPEED } from './keys'; export default function rope(state = {}, action) { switch (action.type) { case SPEED: return { ...state, speed: action.payload.speed, wind: action.payload.wind }; default: return state; } }`,
    },
  }),
]);

group('keys', [
  reaches('texts', keyed('', `'SET_SPEED'`, `'SET_WIND'`, '')),
  reaches(
    'members of a module',
    keyed(
      `export const UP = 'rope/UP'; export const DOWN = 'rope/DOWN';`,
      'keys.UP',
      'keys.DOWN',
      `import * as keys from './keys';`,
    ),
  ),
  reaches(
    'members of an object',
    keyed(
      `export const KEYS = { up: 'UP', down: 'DOWN' };`,
      'KEYS.up',
      'KEYS.down',
      `import { KEYS } from './keys';`,
    ),
  ),
  reaches(
    'worked out',
    keyed(
      `const of = (one) => 'rope' + one; export const UP = of('up'); export const DOWN = of('down');`,
      'UP',
      'DOWN',
      `import { UP, DOWN } from './keys';`,
    ),
  ),
  reaches('of an enumeration', {
    files: {
      'keys.ts': `export const SPEED = 1; export enum Act { Up = 'up', Down = 'down' }`,
      'keys.js': '',
      ...keyed('', 'Act.Up', 'Act.Down', `import { Act } from './keys.ts';`).files,
    },
  }),
  reaches('a constant here, its text there', { does: `dispatch({ type: 'rope/SPEED', payload: next })` }),
]);

group('who tells', [
  reaches('an object that is told', { does: 'dispatch({ type: SPEED, payload: next })' }),
  reaches('members of a module', { does: 'dispatch(acts.setSpeed(next))' }),
  reaches('later', {
    files: {
      'acts.js': `${ACTS} export const later = (n) => async (dispatch) => { await fetch('/rope'); dispatch(setSpeed(n)); };`,
    },
    does: 'dispatch(acts.later(next))',
  }),
  reaches('functions that are bound', {
    imports: `import { bindActionCreators } from 'redux';`,
    does: 'const bound = bindActionCreators({ setSpeed }, dispatch); bound.setSpeed(next)',
  }),
  reaches('the store itself', {
    imports: `import { store } from './store';`,
    does: 'store.dispatch(setSpeed(next))',
  }),
]);

const ASK = `dispatch({ type: 'ASK', by: next })`;
const saga = (code: string): Forms => ({
  files: {
    'sagas.js': `import { takeEvery, takeLatest, debounce, put, call } from 'redux-saga/effects'; import { setSpeed } from './acts'; import { SPEED } from './keys'; ${code}`,
    'work.js': `import { put } from 'redux-saga/effects'; import { setSpeed } from './acts'; export function* work(action) { yield put(setSpeed(action.by)); }`,
  },
  does: ASK,
});

group('what runs beside the store', [
  reaches(
    'a function of the file',
    saga(
      `function* work({ by }) { yield put(setSpeed(by)); } export function* all() { yield takeEvery('ASK', work); }`,
    ),
  ),
  reaches(
    'one of several keys, later',
    saga(
      `function* work(action) { yield put({ type: SPEED, payload: action.by }); } export default function* () { yield debounce(50, ['ELSE', 'ASK'], work); }`,
    ),
  ),
  reaches(
    'a function of another file',
    saga(`import { work } from './work'; export function* all() { yield takeLatest('ASK', work); }`),
  ),
]);

group('where the part stands', [
  reaches('wrapped', {
    files: {
      'store.js': `import { createStore, combineReducers } from 'redux'; import { persistReducer } from 'redux-persist'; import rope from './reduce'; const kept = persistReducer({ key: 'rope' }, combineReducers({ rope })); export const store = createStore(kept);`,
    },
  }),
  reaches('a file of parts', {
    files: {
      'parts.js': `import { combineReducers } from 'redux'; import rope from './reduce'; export default combineReducers({ rope });`,
      'store.js': `import { createStore } from 'redux'; import parts from './parts'; export const store = createStore(parts);`,
    },
  }),
  reaches('behind a function', {
    files: {
      'store.js': `import { createStore, combineReducers } from 'redux'; import rope from './reduce'; const parts = combineReducers({ rope }); const all = (state, action) => { if (action.type === 'RESET') state = undefined; return parts(state, action); }; export const store = createStore(all);`,
    },
  }),
  reaches('or nothing', {
    files: {
      'store.js': `import { createStore, combineReducers } from 'redux'; import rope from './reduce'; const none = () => null; export const store = createStore(combineReducers({ rope: rope || none }));`,
    },
  }),
  reaches('in a table of another file', {
    files: {
      'reducers.js': `import rope from './reduce'; const reducers = { rope }; export default reducers;`,
      'store.js': `import { createStore, combineReducers } from 'redux'; import reducers from './reducers'; export const store = createStore(combineReducers({ ...reducers }));`,
    },
  }),
  reaches('made by a function', {
    files: {
      'root.js': `import { combineReducers } from 'redux'; import rope from './reduce'; export default (more, history) => combineReducers({ rope, ...more });`,
      'store.js': `import { createStore } from 'redux'; import createRootReducer from './root'; export const store = createStore(createRootReducer({}, history));`,
    },
  }),
  reaches('behind a function in a function', {
    files: {
      'store.js': `import { createStore, combineReducers } from 'redux'; import rope from './reduce'; const make = (start) => { const parts = combineReducers({ rope }); const all = (state, action) => parts(action.type === 'CLEAR' ? start : state, action); return createStore(all, start); }; export const store = make({});`,
    },
  }),
  reaches('in a store of the toolkit', {
    files: {
      'store.js': `import { configureStore } from '@reduxjs/toolkit'; import rope from './reduce'; export const store = configureStore({ reducer: { rope } });`,
    },
  }),
]);

group('what does not arrive', [
  {
    what: 'another key',
    sources: app({ does: `dispatch({ type: 'rope/OTHER', payload: next })` }),
    from: 'Panel:state:next',
    to: [],
    not: ['Speed:prop:value', 'Wind:prop:value'],
  },
  {
    what: 'a function of which no store is made',
    sources: app({
      files: {
        'store.js': `import { createStore } from 'redux'; export const store = createStore((state) => state);`,
      },
    }),
    from: 'Panel:state:next',
    to: [],
    not: ['Reduce:state:rope', 'Speed:prop:value'],
  },
  {
    what: 'the other key',
    sources: app({ does: 'dispatch(setWind(next))' }),
    from: 'Panel:state:next',
    to: ['Wind:prop:value'],
    not: ['Speed:prop:value'],
  },
  {
    what: 'what runs for another key',
    sources: app({
      ...saga(
        `function* work({ by }) { yield put(setSpeed(by)); } export function* all() { yield takeEvery('ELSE', work); }`,
      ),
    }),
    from: 'Panel:state:next',
    to: [],
    not: ['Speed:prop:value'],
  },
  {
    what: 'another member',
    sources: app({ does: `dispatch({ type: SPEED, meta: next })` }),
    from: 'Panel:state:next',
    to: [],
    not: ['Speed:prop:value'],
  },
]);

function group(what: string, list: Idiom[]): void {
  describe(what, () => idioms(list));
}
