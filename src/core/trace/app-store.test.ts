/** Stores of parts with states, getters, mutations and actions, and the ways in which components ask for them. */
import { describe } from 'vitest';
import { type Sources, traces } from './testing';

const SHOWN: Sources = {
  'Row.vue': `<script setup>defineProps(['n']);</script><template><b>{{ n }}</b></template>`,
  'Btn.vue': `<script setup>const emit = defineEmits(['press']);</script><template><button @click="emit('press', 3)" /></template>`,
};

const STORE: Sources = {
  'fleet.js': `export default {
  namespaced: true,
  state: () => ({ cabins: [], held: false }),
  getters: { count: (state) => state.cabins.length, twice: (state, getters) => getters.count * 2, windy: (state, getters, rootState) => rootState.wind.speed },
  mutations: { hold(state, value) { state.held = value; }, add: (state, { cabin }) => { state.cabins.push(cabin); } },
  actions: { async load({ commit, state }, line) { commit('hold', line); }, far(context, n) { context.dispatch('load', n); }, blow({ commit }, n) { commit('wind/set', n, { root: true }); } },
};`,
  'wind.js': `export default { namespaced: true, state: { speed: 0 }, mutations: { set(state, n) { state.speed = n; } } };`,
  'store.js': `import { createStore } from 'vuex';
import fleet from './fleet';
import wind from './wind';
export default createStore({ state: { line: 1 }, mutations: { take(state, n) { state.line = n; } }, modules: { fleet, wind } });`,
};

const held = (script: string, template: string): Sources => ({
  ...STORE,
  ...SHOWN,
  'App.vue': `<script setup>
import Row from './Row.vue';
import Btn from './Btn.vue';
${script}
</script>
<template>${template}</template>`,
});

const options = (script: string, members: string, template: string): Sources => ({
  ...STORE,
  ...SHOWN,
  'App.vue': `<script>
import Row from './Row.vue';
import Btn from './Btn.vue';
${script}
export default { components: { Row, Btn }, ${members} };
</script>
<template>${template}</template>`,
});

const cases: [name: string, sources: Sources, ref: string, expected: string[]][] = [
  [
    'useStore, a template',
    held(
      `import { useStore } from 'vuex';\nconst store = useStore();`,
      `<Row :n="store.state.fleet.held" />`,
    ),
    'Row:prop:n',
    ['fleet.js>Fleet:state:Fleet transform Row:prop:n'],
  ],
  [
    '$store in a template',
    held('', `<Row :n="$store.state.line" /><Btn @press="$store.commit('take', $event)" />`),
    'Row:prop:n',
    ['Btn:event:press write store.js>Store:state:Store', 'store.js>Store:state:Store rename Row:prop:n'],
  ],
  [
    'a getter by its name, derived',
    held(
      `import { computed } from 'vue';\nimport { useStore } from 'vuex';\nconst { getters, commit } = useStore();\nconst n = computed(() => getters['fleet/count']);\nconst go = () => commit('fleet/hold', true);`,
      `<Row :n="n" /><Btn @press="go" />`,
    ),
    'Row:prop:n',
    ['App:local:n pass Row:prop:n', 'fleet.js>Fleet:state:Fleet transform App:local:n'],
  ],
  [
    'a function that gives the store',
    {
      ...held(
        `import { useShop } from './shop';\nconst store = useShop();\nconst go = (n) => store.commit('fleet/add', { cabin: n });`,
        `<Row :n="store.state.fleet.cabins" /><Btn @press="go" />`,
      ),
      'shop.ts': `import { useStore } from 'vuex';\nexport function useShop() { return useStore(); }`,
    },
    'Row:prop:n',
    ['Btn:event:press write fleet.js>Fleet:state:Fleet', 'fleet.js>Fleet:state:Fleet transform Row:prop:n'],
  ],
  [
    'an imported store',
    held(
      `import store from './store';`,
      `<Row :n="store.state.wind.speed" /><Btn @press="(n) => store.dispatch('fleet/blow', n)" />`,
    ),
    'Row:prop:n',
    ['Btn:event:press write wind.js>Wind:state:Wind', 'wind.js>Wind:state:Wind transform Row:prop:n'],
  ],
  [
    'helpers of a part',
    options(
      `import { createNamespacedHelpers } from 'vuex';\nconst { mapState, mapActions: does } = createNamespacedHelpers('fleet');`,
      `computed: mapState(['held']), methods: does(['load'])`,
      `<Row :n="held" /><Btn @press="load" />`,
    ),
    'Row:prop:n',
    [
      'App:local:held rename Row:prop:n',
      'Btn:event:press write fleet.js>Fleet:state:Fleet',
      'fleet.js>Fleet:state:Fleet transform App:local:held',
    ],
  ],
  [
    'functions that pick',
    options(
      `import { mapState, mapMutations } from 'vuex';`,
      `computed: { ...mapState({ a: (state) => state.wind.speed, b(state) { return state.line; } }) }, methods: { ...mapMutations(['take']) }`,
      `<Row :n="a" /><Row :n="b" /><Btn @press="take" />`,
    ),
    'Row:prop:n',
    [
      'App:local:a rename Row:prop:n',
      'App:local:b rename Row:prop:n',
      'Btn:event:press write store.js>Store:state:Store',
      'store.js>Store:state:Store transform App:local:b',
      'wind.js>Wind:state:Wind transform App:local:a',
    ],
  ],
  [
    'members of this',
    options(
      '',
      `computed: { n() { return this.$store.getters['fleet/windy']; } }, methods: { go(n) { const { commit, dispatch } = this.$store; dispatch('fleet/blow', n); } }`,
      `<Row :n="n" /><Btn @press="go" />`,
    ),
    'Row:prop:n',
    [
      'App:local:n pass Row:prop:n',
      'Btn:event:press write wind.js>Wind:state:Wind',
      'wind.js>Wind:state:Wind transform App:local:n',
    ],
  ],
  [
    'a table in each file',
    {
      ...SHOWN,
      'App.vue': `<script setup>
import { useStore } from 'vuex';
import Row from './Row.vue';
import Btn from './Btn.vue';
const store = useStore();
</script>
<template><Row :n="store.getters['lines/open']" /><Btn @press="(n) => store.dispatch('lines/load', n)" /></template>`,
      'lines/index.js': `import * as getters from './getters';\nimport actions from './actions';\nimport { mutations } from './changes';\nimport state from './state';\nexport const lines = { namespaced: true, state, getters, actions, mutations: { ...mutations, close(state) { state.list = []; } } };`,
      'lines/getters.js': `export const open = (state) => state.list;`,
      'lines/actions.js': `export default { async load({ commit }, n) { commit('put', n); } };`,
      'lines/changes.js': `export const mutations = { put(state, n) { state.list = n; } };`,
      'lines/state.js': `export default () => ({ list: [] });`,
      'store.js': `import Vuex from 'vuex';\nimport modules from './modules';\nexport function make() { return new Vuex.Store({ modules }); }`,
      'modules.js': `import { lines } from './lines';\nexport default { lines };`,
    },
    'Row:prop:n',
    [
      'Btn:event:press write lines/index.js>Lines:state:lines',
      'lines/index.js>Lines:state:lines rename Row:prop:n',
    ],
  ],
  [
    'files of a folder',
    {
      ...SHOWN,
      'App.vue': `<script>
import { mapGetters, mapActions } from 'vuex';
import Row from './Row.vue';
import Btn from './Btn.vue';
export default { components: { Row, Btn }, computed: { ...mapGetters({ n: 'weather/speed' }) }, methods: { ...mapActions('weather', ['blow']) } };
</script>
<template><Row :n="n" /><Btn @press="blow" /></template>`,
      'store/weather.js': `export const state = () => ({ speed: 0 });
export const getters = { speed: (state) => state.speed };
export const mutations = { set(state, n) { state.speed = n; } };
export const actions = { blow({ commit }, n) { commit('set', n); } };`,
    },
    'Row:prop:n',
    [
      'App:local:n pass Row:prop:n',
      'Btn:event:press write store/weather.js>Weather:state:Weather',
      'store/weather.js>Weather:state:Weather transform App:local:n',
    ],
  ],
  [
    'put in while the app runs',
    {
      ...held(
        `import { useStore } from 'vuex';\nconst store = useStore();`,
        `<Row :n="store.state.late.delay" />`,
      ),
      'late.js': `import store from './store';\nconst late = { namespaced: true, state: { delay: 0 }, mutations: {} };\nstore.registerModule('late', late);`,
    },
    'Row:prop:n',
    ['late.js>Late:state:late transform Row:prop:n'],
  ],
];

/** Mutations and actions under keys that a file of their own names. */
const underKeys = (keys: string, imported: string, hold: string, load: string): Sources => ({
  ...SHOWN,
  'types.js': keys,
  'fleet.js': `${imported} export default { namespaced: true, state: () => ({ held: false, other: 1 }), mutations: { [${hold}](state, value) { state.held = value; }, other(state, n) { state.other = n; } }, actions: { [${load}]({ commit }, n) { commit(${hold}, n); } } };`,
  'store.js': `import Vuex from 'vuex';\nimport fleet from './fleet';\nexport default new Vuex.Store({ modules: { fleet } });`,
  'App.vue': `<script>
import { mapActions, mapState } from 'vuex';
${imported}
import Row from './Row.vue';
import Btn from './Btn.vue';
export default { components: { Row, Btn }, computed: mapState('fleet', { n: 'held', o: 'other' }), methods: mapActions('fleet', { load: ${load} }) };
</script>
<template><Row :n="n" /><Btn @press="load" /></template>`,
});
const TYPES = `export const HOLD = 'HOLD';\nexport const LOAD = 'LOAD';`;
const UNDER_KEYS: [name: string, sources: Sources][] = [
  ['by their names', underKeys(TYPES, `import { HOLD, LOAD } from './types';`, 'HOLD', 'LOAD')],
  [
    'as members of the file',
    underKeys(TYPES, `import * as types from './types';`, 'types.HOLD', 'types.LOAD'),
  ],
  [
    'as members of an object',
    underKeys(
      `export const KEYS = { hold: 'HOLD', load: 'LOAD' };`,
      `import { KEYS } from './types';`,
      'KEYS.hold',
      'KEYS.load',
    ),
  ],
  [
    'worked out',
    underKeys(
      `const of = (one) => 'do/' + one;\nexport default { hold: of('hold'), load: of('load') };`,
      `import types from './types';`,
      'types.hold',
      'types.load',
    ),
  ],
];
describe.each(UNDER_KEYS)('keys of another file, %s', (_name, sources) => {
  traces(sources, [
    [
      'Row:prop:n',
      [
        'App:local:n pass Row:prop:n',
        'Btn:event:press write fleet.js>Fleet:state:Fleet',
        'fleet.js>Fleet:state:Fleet transform App:local:n',
      ],
    ],
  ]);
});

const OF_FUNCTION: Sources = {
  ...SHOWN,
  'fleet.js': `import { defineStore } from 'pinia';
export const useFleetStore = defineStore('fleet', { state: () => ({ held: false }), actions: { hold(v) { this.held = v; } } });`,
  'App.vue': `<script>
import { mapState, mapActions, mapStores } from 'pinia';
import { useFleetStore } from './fleet';
import Row from './Row.vue';
import Btn from './Btn.vue';
export default { components: { Row, Btn }, computed: { ...mapState(useFleetStore, { n: 'held' }), ...mapStores(useFleetStore) }, methods: mapActions(useFleetStore, ['hold']) };
</script>
<template><Row :n="n" /><Row :n="fleetStore.held" /><Btn @press="hold" /></template>`,
};
describe('members of a store that a function gives', () => {
  traces(OF_FUNCTION, [
    [
      'Row:prop:n',
      [
        'Btn:event:press write useFleetStore:state:held',
        'useFleetStore:state:held rename Row:prop:n',
        'useFleetStore:state:held rename Row:prop:n',
      ],
    ],
  ]);
});

describe('a store that a test puts together is none of the app', () => {
  const app = held('', `<Row :n="$store.state.line" /><Btn @press="$store.commit('take', $event)" />`);
  const spec = `import { createStore } from 'vuex';
test('takes', () => { const store = createStore({ state: { line: 4 }, mutations: { take(state, n) { state.line = -n; } } }); store.commit('take', 2); });`;
  const expected = [
    'Btn:event:press write store.js>Store:state:Store',
    'store.js>Store:state:Store rename Row:prop:n',
  ];
  traces({ ...app, '__tests__/fleet.test.js': spec }, [['Row:prop:n', expected]]);
});

describe('a store of a test alone is the one that there is', () => {
  const spec = `import { createStore } from 'vuex'; import Row from '../Row.vue';
export const store = createStore({ state: { line: 4 }, mutations: { take(state, n) { state.line = n; } } });`;
  const app = {
    '__tests__/Lift.vue': `<script setup>import Row from '../Row.vue';</script><template><Row :n="$store.state.line" /></template>`,
  };
  traces({ ...SHOWN, ...app, '__tests__/fleet.test.js': spec }, [
    [
      '__tests__/fleet.test.js>FleetTest:state:store',
      ['__tests__/fleet.test.js>FleetTest:state:store rename Row:prop:n'],
    ],
  ]);
});

describe.each(cases)('%s', (_name, sources, ref, expected) => {
  traces(sources, [[ref, expected]]);
});
