/** Ways in which values move through components of Vue. */
import { type Idiom, idioms } from './reaching';

const app = (app: string, more: Record<string, string> = {}) => ({
  'main.ts': `import { createApp } from 'vue'; import App from './App.vue'; createApp(App).mount('#app');`,
  'App.vue': app,
  'Leaf.vue': `<script setup lang="ts">defineProps<{ x: any }>();</script><template><b>{{ x }}</b></template>`,
  'Btn.vue': `<script setup lang="ts">defineProps<{ v?: any }>(); const emit = defineEmits<{ save: [v: any] }>();</script><template><b @click="emit('save', v)" /></template>`,
  ...more,
});
const setup = (script: string, tpl: string, more: Record<string, string> = {}) =>
  app(
    `<script setup lang="ts">
import { ref, reactive, computed, watch, watchEffect, provide, inject, toRefs, toRef, nextTick, onMounted, shallowRef, unref, toValue } from 'vue';
import Leaf from './Leaf.vue'; import Btn from './Btn.vue';
import * as pkg from 'ropes';
${script}
</script>
<template>${tpl}</template>`,
    more,
  );

const LIST: Idiom[] = [
  {
    what: 'composable',
    sources: setup(
      `import { useN } from './useN'; const seed = ref('a'); const { n, set } = useN();`,
      `<Leaf :x="n" /><Btn :v="seed" @save="set" />`,
      {
        'useN.ts': `import { ref } from 'vue'; export function useN() { const n = ref(0); function set(v: any) { n.value = v; } return { n, set }; }`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'composable given getter',
    sources: setup(
      `import { useD } from './useD'; const seed = ref('a'); const d = useD(() => seed.value);`,
      `<Leaf :x="d" />`,
      {
        'useD.ts': `import { computed, toValue } from 'vue'; export function useD(s: any) { return computed(() => toValue(s) + 1); }`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'composable given ref watch',
    sources: setup(
      `import { useD } from './useD'; const seed = ref('a'); const d = useD(seed);`,
      `<Leaf :x="d" />`,
      {
        'useD.ts': `import { ref, watch } from 'vue'; export function useD(s: any) { const out = ref(); watch(s, (v) => { out.value = v; }); return out; }`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'watchEffect',
    sources: setup(
      `const seed = ref('a'); const o = ref(''); watchEffect(() => { o.value = seed.value; });`,
      `<Leaf :x="o" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'toRefs of props',
    sources: {
      ...setup(``, `<Mid :v="seed" />`),
      'App.vue': `<script setup lang="ts">import { ref } from 'vue'; import Mid from './Mid.vue'; const seed = ref('a');</script><template><Mid :v="seed" /></template>`,
      'Mid.vue': `<script setup lang="ts">import { toRefs, computed } from 'vue'; import Leaf from './Leaf.vue'; const props = defineProps<{ v: string }>(); const { v } = toRefs(props); const up = computed(() => v.value + '!');</script><template><Leaf :x="up" /></template>`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'provide readonly + method',
    sources: setup(
      `import Deep from './Deep.vue'; const seed = ref('a'); const kept = ref(''); provide('k', { kept, put: (v: any) => { kept.value = v; } });`,
      `<Deep :v="seed" /><Leaf :x="kept" />`,
      {
        'Deep.vue': `<script setup lang="ts">import { inject } from 'vue'; const props = defineProps<{ v: string }>(); const { put } = inject<any>('k');</script><template><b @click="put(props.v)" /></template>`,
      },
    ),
    from: 'App:state:seed',
    to: ['App:state:kept', 'Leaf:prop:x'],
  },
  {
    what: 'scoped slot',
    sources: setup(
      `import L from './L.vue'; const seed = ref(['a']);`,
      `<L :items="seed"><template #item="{ one }"><Leaf :x="one" /></template></L>`,
      {
        'L.vue': `<script setup lang="ts">defineProps<{ items: any[] }>();</script><template><li v-for="i in items"><slot name="item" :one="i" /></li></template>`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'expose method',
    sources: setup(
      `import D from './D.vue'; const d = ref(); const seed = ref('a'); function go() { d.value.open(seed.value); }`,
      `<D ref="d" /><b @click="go" />`,
      {
        'D.vue': `<script setup lang="ts">import { ref } from 'vue'; import Leaf from './Leaf.vue'; const t = ref(''); function open(v: any) { t.value = v; } defineExpose({ open });</script><template><Leaf :x="t" /></template>`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'pinia setup',
    sources: setup(
      `import { useS } from './s'; const s = useS(); const seed = ref('a');`,
      `<Btn :v="seed" @save="s.put" /><Leaf :x="s.kept" />`,
      {
        's.ts': `import { defineStore } from 'pinia'; import { ref } from 'vue'; export const useS = defineStore('s', () => { const kept = ref(''); function put(v: any) { kept.value = v; } return { kept, put }; });`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'pinia options',
    sources: setup(
      `import { useS } from './s'; const s = useS(); const seed = ref('a');`,
      `<Btn :v="seed" @save="s.put" /><Leaf :x="s.double" />`,
      {
        's.ts': `import { defineStore } from 'pinia'; export const useS = defineStore('s', { state: () => ({ kept: '' }), getters: { double: (st) => st.kept + st.kept }, actions: { put(v: any) { this.kept = v; } } });`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'pinia $patch',
    sources: setup(
      `import { useS } from './s'; const s = useS(); const seed = ref('a'); function go() { s.$patch({ kept: seed.value }); }`,
      `<b @click="go" /><Leaf :x="s.kept" />`,
      {
        's.ts': `import { defineStore } from 'pinia'; export const useS = defineStore('s', { state: () => ({ kept: '' }) });`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'pinia $patch fn',
    sources: setup(
      `import { useS } from './s'; const s = useS(); const seed = ref('a'); function go() { s.$patch((st) => { st.kept = seed.value; }); }`,
      `<b @click="go" /><Leaf :x="s.kept" />`,
      {
        's.ts': `import { defineStore } from 'pinia'; export const useS = defineStore('s', { state: () => ({ kept: '' }) });`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'async await',
    sources: setup(
      `const seed = ref('a'); const d = ref(); async function load() { const r = await fetch(seed.value); d.value = await r.json(); } onMounted(load);`,
      `<Leaf :x="d" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'then',
    sources: setup(
      `const seed = ref('a'); const d = ref(); onMounted(() => { fetch(seed.value).then((r) => r.json()).then((j) => { d.value = j; }); });`,
      `<Leaf :x="d" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'debounce',
    sources: setup(
      `const seed = ref('a'); const d = ref(); const put = pkg.useDebounceFn((v: any) => { d.value = v; }, 10);`,
      `<Btn :v="seed" @save="put" /><Leaf :x="d" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'reactive form',
    sources: setup(
      `const seed = ref('a'); const f = reactive({ name: '' }); function put(v: any) { f.name = v; }`,
      `<Btn :v="seed" @save="put" /><Leaf :x="f.name" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Object.assign reactive',
    sources: setup(
      `const seed = ref('a'); const f = reactive({ name: '' }); function put(v: any) { Object.assign(f, { name: v }); }`,
      `<Btn :v="seed" @save="put" /><Leaf :x="f.name" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'inline handler multi',
    sources: setup(
      `const seed = ref('a'); const f = ref('');`,
      `<Btn :v="seed" @save="(v) => { f = v }" /><Leaf :x="f" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: '$event',
    sources: setup(
      `const seed = ref('a'); const f = ref('');`,
      `<Btn :v="seed" @save="f = $event" /><Leaf :x="f" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'list push',
    sources: setup(
      `const seed = ref('a'); const f = ref<any[]>([]);`,
      `<Btn :v="seed" @save="f.push($event)" /><Leaf v-for="o in f" :x="o" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'is component',
    sources: setup(
      `const seed = ref('a'); const comps = { leaf: Leaf };`,
      `<component :is="comps['leaf']" :x="seed" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'attrs fall',
    sources: setup(`import W from './W.vue'; const seed = ref('a');`, `<W :x="seed" />`, {
      'W.vue': `<script setup lang="ts">import Leaf from './Leaf.vue';</script><template><Leaf v-bind="$attrs" /></template>`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v-bind object',
    sources: setup(
      `const seed = ref('a'); const p = computed(() => ({ x: seed.value }));`,
      `<Leaf v-bind="p" />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'options api',
    sources: {
      ...app(`<script>
import Leaf from './Leaf.vue'; import Btn from './Btn.vue';
export default { components: { Leaf, Btn }, data() { return { seed: 'a', kept: '' }; }, computed: { up() { return this.kept.toUpperCase(); } }, methods: { put(v) { this.$set(this, 'kept', v); } } };
</script><template><Btn :v="seed" @save="put" /><Leaf :x="up" /></template>`),
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
];

/** What `data()` has under a name is a value of the component, and no name of anybody around it. */
const TRANSLATED: Idiom = {
  what: 'a function of the store under a name in data()',
  sources: {
    'package.json': '{ "dependencies": { "vue": "^3.4.0", "vuex": "^4.0.0" } }',
    'main.js': `import { createApp } from 'vue'; import App from './App.vue'; import store from './store'; createApp(App).use(store).mount('#app');`,
    'store.js': `import { createStore } from 'vuex'; import { getMark } from './mark'; export default createStore({ state: { texts: {} }, getters: { t: (state) => (key) => { const more = { mark: getMark() }; return state.texts[key].format(more); } } });`,
    'mark.js': `let mark = 'a'; export function setMark(v) { mark = v; } export function getMark() { return mark; }`,
    'App.vue': `<script>import { setMark } from './mark'; export default { data() { const t = this.$store.getters.t; return { title: t('a') }; }, methods: { put(v) { setMark(v); } } };</script><template><b @click="put(2)">{{ title }}</b></template>`,
  },
  from: 'App:state:title',
  to: ['Mark:state:mark'],
};

/** A component that makes values of its props and the events that ask for their change. */
const dial = (from: string, code: string, shown: string): Record<string, string> =>
  setup(
    `import Dial from './Dial.vue'; const speed = ref('a'); const wind = ref('b');`,
    `<Dial v-model="speed" v-model:wind="wind" /><Leaf :x="speed" /><Btn :v="wind" />`,
    {
      'Dial.vue': `<script setup lang="ts">import { useVModel, useVModels } from '${from}'; import Btn from './Btn.vue'; const props = defineProps<{ modelValue: any; wind: any }>(); const emit = defineEmits<{ 'update:modelValue': [v: any]; 'update:wind': [v: any] }>(); ${code}</script><template>${shown}</template>`,
    },
  );

const MODELS: [what: string, code: string, shown: string][] = [
  [
    'written in code',
    `const own = useVModel(props, 'modelValue', emit); function put(v: any) { own.value = v; }`,
    '<Btn :v="own" @save="put" />',
  ],
  [
    'written in the template',
    `const own = useVModel(props, 'modelValue', emit);`,
    '<Btn :v="own" @save="own = $event" />',
  ],
  ['bound', `const own = useVModel(props, 'modelValue');`, '<input v-model="own" />'],
  [
    'several',
    `const { modelValue, wind } = useVModels(props, emit);`,
    '<Btn :v="modelValue" @save="modelValue = $event" /><b>{{ wind }}</b>',
  ],
];

idioms([
  ...LIST,
  TRANSLATED,
  ...MODELS.map(([what, code, shown]): Idiom => ({
    what: `a value of a prop and its event: ${what}`,
    sources: dial('@vueuse/core', code, shown),
    from: 'Dial:event:update:modelValue',
    to: ['App:state:speed', 'Leaf:prop:x', 'Dial:prop:modelValue'],
    not: ['App:state:wind'],
  })),
  {
    what: 'a prop that only stands beside one that is written',
    sources: dial('@vueuse/core', MODELS[0]![1], MODELS[0]![2]),
    from: 'App:state:wind',
    to: ['Dial:prop:wind'],
    not: ['Leaf:prop:x', 'Dial:event:update:modelValue'],
  },
]);
