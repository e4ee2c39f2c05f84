import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { type Sources, traced, traces } from './testing';
import type { Trace } from './trace';

const ZUSTAND: Sources = {
  'fleet.ts': `import { create } from 'zustand';
export const useFleet = create((set, get) => ({ cabins: [], held: false, hold: (v) => set({ held: v }), add: (c) => set((s) => ({ cabins: [...s.cabins, c] })) }));`,
  'App.tsx': `import { useFleet } from './fleet';
export function App() { const cabins = useFleet((s) => s.cabins); const { hold, held } = useFleet(); const add = useFleet((s) => s.add); return <><Row n={cabins.length} /><Row n={held} /><Btn onPress={() => hold(true)} /><Btn2 onPress={add} /></>; }
function Row({ n }) { return <b>{n}</b>; }
function Btn({ onPress }) { return <button onClick={onPress} />; }
function Btn2({ onPress }) { return <button onClick={onPress} />; }`,
};
describe('zustand', () => {
  traces(ZUSTAND, [
    [
      'Btn:event:onPress',
      [
        'App:local:held rename Row:prop:n',
        'Btn:event:onPress write fleet.ts>Fleet:state:useFleet',
        'fleet.ts>Fleet:state:useFleet transform App:local:held',
      ],
    ],
    [
      'Btn2:event:onPress',
      [
        'App:local:cabins transform Row:prop:n',
        'Btn2:event:onPress write fleet.ts>Fleet:state:useFleet',
        'fleet.ts>Fleet:state:useFleet transform App:local:cabins',
      ],
    ],
    [
      'Row:prop:n',
      [
        'App:local:cabins transform Row:prop:n',
        'Btn2:event:onPress write fleet.ts>Fleet:state:useFleet',
        'Btn:event:onPress write fleet.ts>Fleet:state:useFleet',
        'App:local:held rename Row:prop:n',
        'fleet.ts>Fleet:state:useFleet transform App:local:cabins',
        'fleet.ts>Fleet:state:useFleet transform App:local:held',
      ],
    ],
  ]);
});

const PINIA_OPTIONS: Sources = {
  'fleet.ts': `import { defineStore } from 'pinia';
export const useFleet = defineStore('fleet', { state: () => ({ cabins: [], held: false }), getters: { count: (state) => state.cabins.length, twice() { return this.count * 2; } }, actions: { add(c) { this.cabins.push(c); }, hold(v) { this.held = v; } } });`,
  'App.vue': `<script setup>
import { storeToRefs } from 'pinia';
import { useFleet } from './fleet';
import Row from './Row.vue';
import Btn from './Btn.vue';
const fleet = useFleet();
const { count } = storeToRefs(fleet);
const { hold } = fleet;
</script>
<template><Row :n="count" /><Row :n="fleet.held" /><Row :n="fleet.twice" /><Btn @press="fleet.add(1)" /><Btn @press="hold(true)" /></template>`,
  'Row.vue': `<script setup>defineProps(['n']);</script><template><b>{{ n }}</b></template>`,
  'Btn.vue': `<script setup>const emit = defineEmits(['press']);</script><template><button @click="emit('press')" /></template>`,
};
describe('pinia options', () => {
  traces(PINIA_OPTIONS, [
    [
      'Btn:event:press',
      [
        'App:local:count rename Row:prop:n',
        'Btn:event:press write useFleet:state:cabins',
        'Btn:event:press write useFleet:state:held',
        'useFleet:local:count transform App:local:count',
        'useFleet:local:count transform useFleet:local:twice',
        'useFleet:local:twice rename Row:prop:n',
        'useFleet:state:cabins transform useFleet:local:count',
        'useFleet:state:held rename Row:prop:n',
      ],
    ],
    [
      'Row:prop:n',
      [
        'App:local:count rename Row:prop:n',
        'Btn:event:press write useFleet:state:cabins',
        'Btn:event:press write useFleet:state:held',
        'useFleet:local:count transform App:local:count',
        'useFleet:local:count transform useFleet:local:twice',
        'useFleet:local:twice rename Row:prop:n',
        'useFleet:state:cabins transform useFleet:local:count',
        'useFleet:state:held rename Row:prop:n',
      ],
    ],
  ]);
});

const PINIA_SETUP: Sources = {
  'fleet.ts': `import { defineStore } from 'pinia';
import { ref, computed } from 'vue';
export const useFleet = defineStore('fleet', () => { const cabins = ref([]); const count = computed(() => cabins.value.length); function add(c) { cabins.value.push(c); } return { cabins, count, add }; });`,
  'App.vue': `<script setup>
import { useFleet } from './fleet';
import Row from './Row.vue';
import Btn from './Btn.vue';
const fleet = useFleet();
</script>
<template><Row :n="fleet.count" /><Btn @press="fleet.add" /></template>`,
  'Row.vue': `<script setup>defineProps(['n']);</script><template><b>{{ n }}</b></template>`,
  'Btn.vue': `<script setup>const emit = defineEmits(['press']);</script><template><button @click="emit('press')" /></template>`,
};
describe('pinia setup', () => {
  traces(PINIA_SETUP, [
    [
      'Btn:event:press',
      [
        'Btn:event:press write useFleet:state:cabins',
        'useFleet:local:count rename Row:prop:n',
        'useFleet:state:cabins transform useFleet:local:count',
      ],
    ],
    [
      'Row:prop:n',
      [
        'Btn:event:press write useFleet:state:cabins',
        'useFleet:local:count rename Row:prop:n',
        'useFleet:state:cabins transform useFleet:local:count',
      ],
    ],
  ]);
});

const SLICES: Sources = {
  'fleet.ts': `import { createSlice, createAsyncThunk, createSelector } from '@reduxjs/toolkit';
export const load = createAsyncThunk('fleet/load', async (line) => fetch(line));
export const fleetSlice = createSlice({
  name: 'fleet',
  initialState: { cabins: [], held: false, speed: 0 },
  reducers: {
    hold(state, action) { state.held = action.payload; },
    add: (state, { payload }) => { state.cabins.push(payload); },
    race: (state, action) => ({ ...state, speed: action.payload }),
    reset: () => ({ cabins: [], held: false, speed: 0 }),
    named: { reducer(state, action) { state.speed = action.payload; }, prepare(x) { return { payload: x }; } },
  },
  extraReducers: (builder) => builder.addCase(load.fulfilled, (state, action) => { state.cabins = action.payload; }),
});
export const { hold, add, race, reset } = fleetSlice.actions;
export const selectFleet = (state) => state.fleet;
export const selectCabins = (state) => state.fleet.cabins;
export const selectCount = createSelector([selectCabins], (cabins) => cabins.length);
export const selectFast = createSelector(selectFleet, (state) => state.ui.limit, (fleet, limit) => fleet.speed > limit);
export const selectHeld = (s) => s.fleet.held;
export const selectShown = createSelector(selectHeld, (held) => (held ? 'held' : 'runs'));
export const selectCabin = (id) => (s) => s.fleet.cabins.find((one) => one.id === id);
export const selectAt = createSelector([selectCabins, (s, at) => at], (cabins, at) => cabins.slice(at));
export default fleetSlice.reducer;`,
  'ui.ts': `import { createReducer } from '@reduxjs/toolkit';
import { reset } from './fleet';
export const ui = createReducer({ limit: 3 }, (builder) => { builder.addCase(reset, (state) => { state.limit = 0; }); });`,
  'store.ts': `import { configureStore, combineReducers } from '@reduxjs/toolkit';
import fleetReducer from './fleet';
import { ui } from './ui';
const rootReducer = combineReducers({ fleet: fleetReducer, ui });
export const makeStore = () => configureStore({ reducer: rootReducer });`,
  'hooks.ts': `import { useSelector, useDispatch } from 'react-redux';
export const useAppSelector = useSelector.withTypes();
export const useTyped: TypedUseSelectorHook<RootState> = useSelector;
export const useAppDispatch = () => useDispatch();
export function usePicked(pick) { return useSelector(pick); }
export function useHeld() { return useSelector((s) => s.fleet.held); }`,
};
const usesStore = (declared: string, markup: string): Sources => ({
  ...SLICES,
  'App.tsx': `import { useSelector, useDispatch } from 'react-redux';
import { useAppSelector, useTyped, useAppDispatch, useHeld, usePicked } from './hooks';
import { fleetSlice, hold, add, race, reset, load, selectCabins, selectCount, selectFast, selectHeld, selectShown, selectCabin, selectAt } from './fleet';
export function App({ at }) { ${declared} return ${markup}; }
function Row({ n }) { return <b>{n}</b>; }
function Btn({ onPress }) { return <button onClick={() => onPress(1)} />; }`,
});

/** All that a trace names. */
const named = ({ routes }: Trace): string[] => routes.flatMap((one) => [one.from, one.to]);

describe('parts of a store: who reads them', () => {
  const row = '<Row n={n} />';
  const SLICE = 'fleet.ts>Fleet:state:fleetSlice';
  test.each<[string, string, string]>([
    ['a function written there', 'const n = useSelector((s) => s.fleet.held);', SLICE],
    ['through a hook with types', 'const n = useAppSelector((s) => s.fleet.held);', SLICE],
    ['through an alias', 'const n = useTyped((s) => s.fleet.held);', SLICE],
    ['through a hook of the project', 'const n = useHeld();', SLICE],
    ['through one that is given the function', 'const n = usePicked((s) => s.fleet.held);', SLICE],
    ['a function by its name', 'const n = useSelector(selectCabins);', SLICE],
    ['called in another', 'const n = useSelector((s) => selectCabins(s));', SLICE],
    ['made of others', 'const n = useSelector(selectCount);', SLICE],
    ['whatever its parameter is called', 'const n = useSelector(selectHeld);', SLICE],
    ['made of such a one', 'const n = useSelector(selectShown);', SLICE],
    ['made for each', 'const n = useSelector(selectCabin(at));', SLICE],
    ['called with more', 'const n = useSelector((s) => selectAt(s, at));', SLICE],
    ['taken apart', 'const { held: n } = useSelector((s) => s.fleet);', SLICE],
    ['of two parts', 'const n = useSelector(selectFast);', 'ui.ts>Ui:state:ui'],
    ['a part that nobody keeps', 'const n = useSelector((s) => s.lines.held);', ''],
  ])('%s', (_, declared, from) => {
    const nodes = named(traced(usesStore(declared, row), 'Row:prop:n'));
    expect(nodes.filter((one) => one.includes(':state:') && (one === from || !from)).length > 0).toBe(
      from !== '',
    );
  });
});

describe('parts of a store: tables of entries', () => {
  const entries = (reducers: string, more = ''): Sources => ({
    'fleet.ts': `import { createSlice, createEntityAdapter, createAsyncThunk } from '@reduxjs/toolkit';
export const load = createAsyncThunk('fleet/load', async (line) => fetch(line));
const cabins = createEntityAdapter();
export const fleetSlice = createSlice({ name: 'fleet', initialState: cabins.getInitialState({ held: 1 }), reducers: { ${reducers} } ${more} });
export const { put } = fleetSlice.actions;
export default fleetSlice.reducer;`,
    'store.ts': `import { configureStore } from '@reduxjs/toolkit'; import fleet from './fleet';
export const makeStore = () => configureStore({ reducer: { fleet } });`,
    'App.tsx': `import { useSelector, useDispatch } from 'react-redux'; import { put, load } from './fleet';
export function App({ v }) { const dispatch = useDispatch(); const rows = useSelector((s) => s.fleet.entities); const held = useSelector((s) => s.fleet.held); return <b><Row n={rows} /><Held n={held} /><Btn v={v} onPress={(one) => dispatch(put(one))} /><button onClick={() => dispatch(load(4))} /></b>; }
function Row({ n }) { return <b>{n}</b>; }
function Held({ n }) { return <b>{n}</b>; }
function Btn({ v, onPress }) { return <button onClick={() => onPress(v)} />; }`,
  });
  test.each<[string, string, boolean]>([
    ['in the place of a function', 'put: cabins.upsertOne', true],
    ['called', 'put(state, action) { cabins.addOne(state, action.payload); }', true],
    [
      'called, with what it is given taken apart',
      'put: (state, { payload }) => { cabins.setOne(state, payload); }',
      true,
    ],
    ['given back', 'put: (state, action) => cabins.addMany(state, action.payload)', true],
    ['taken out, which keeps nothing', 'put: cabins.removeOne', false],
    ['of something else', 'put(state, action) { cabins.addOne(other, action.payload); }', false],
  ])('%s', (_, reducers, arrives) => {
    const nodes = named(traced(entries(reducers), 'App:prop:v'));
    expect(nodes.includes('Row:prop:n')).toBe(arrives);
    expect(nodes.includes('Held:prop:n')).toBe(false);
  });
  test('changed when something else has ended', () => {
    const more = ', extraReducers: (builder) => { builder.addCase(load.fulfilled, cabins.setAll); }';
    const project = auditSources(entries('put: cabins.upsertOne', more)).result.project;
    expect(project.files.flatMap(({ facts }) => facts.answers ?? [])).toHaveLength(1);
  });
});

describe('parts of a store: what else they are asked with', () => {
  test.each<[string, string, boolean]>([
    ['a function that makes what picks', 'const n = useSelector(selectCabin(at));', true],
    ['what is made of others', 'const n = useSelector((s) => selectAt(s, at));', true],
    ['nothing', 'const n = useSelector(selectCount);', false],
  ])('%s', (_, declared, isAsked) => {
    const nodes = named(traced(usesStore(declared, '<Row n={n} />'), 'Row:prop:n'));
    expect(nodes.includes('App:prop:at')).toBe(isAsked);
  });
});

describe('parts of a store: who changes them', () => {
  const SLICE = 'fleet.ts>Fleet:state:fleetSlice';
  test.each<[string, string, string[]]>([
    ['a change', 'dispatch(hold(v))', [SLICE]],
    ['taken apart in its parameters', 'dispatch(add(v))', [SLICE]],
    ['given back', 'dispatch(race(v))', [SLICE]],
    ['by the whole name', 'dispatch(fleetSlice.actions.named(v))', [SLICE]],
    ['what others answer, too', 'dispatch(reset())', [SLICE, 'ui.ts>Ui:state:ui']],
    ['when it has ended', 'dispatch(load(v))', [SLICE]],
    ['nothing', 'dispatch(v)', []],
  ])('%s', (_, call, states) => {
    const sources = usesStore('const dispatch = useAppDispatch();', `<Btn onPress={(v) => ${call}} />`);
    const routes = traced(sources, 'Btn:event:onPress').routes.filter((one) => one.how === 'write');
    expect([...new Set(routes.map((one) => one.to))].sort()).toEqual([...states].sort());
  });

  test('a member that is changed reaches who reads it, and nobody else', () => {
    const sources = usesStore(
      'const dispatch = useDispatch(); const held = useSelector((s) => s.fleet.held); const speed = useSelector((s) => s.fleet.speed);',
      '<><Row n={held} /><Other n={speed} /><Btn onPress={(v) => dispatch(hold(v))} /></>',
    );
    sources['App.tsx'] += '\nfunction Other({ n }) { return <i>{n}</i>; }';
    const to = named(traced(sources, 'Btn:event:onPress'));
    expect(to).toContain('Row:prop:n');
    expect(to).not.toContain('Other:prop:n');
  });
});
