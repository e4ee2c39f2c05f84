/** What composables, factories and modules of Vue keep for several. */
import { vueApp } from './testing';
import { idioms } from './reaching';

const seed = `const props = defineProps<{ seed?: any }>();`;

idioms([
  {
    what: 'a composable that is set up once for all',
    sources: vueApp(
      `import { useKept } from './kept'; ${seed} const { put, kept } = useKept(); put(props.seed);`,
      '<Leaf :x="kept" />',
      {
        'kept.ts': `import { ref } from 'vue'; import { createSharedComposable } from '@vueuse/core';
export const useKept = createSharedComposable(() => { const kept = ref(''); const put = (v: string) => { kept.value = v; }; return { kept, put }; });`,
      },
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'such a one, across components',
    sources: vueApp(
      `import Side from './Side.vue'; import { useKept } from './kept'; ${seed} const { put } = useKept(); put(props.seed);`,
      '<Side />',
      {
        'Side.vue': `<script setup lang="ts">import Leaf from './Leaf.vue'; import { useKept } from './kept'; const { kept } = useKept();</script><template><Leaf :x="kept" /></template>`,
        'kept.ts': `import { ref } from 'vue'; import { createGlobalState } from '@vueuse/core';
export const useKept = createGlobalState(() => { const kept = ref(''); function put(v: string) { kept.value = v; } return { kept, put }; });`,
      },
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'a composable that is set up for each keeps to its caller',
    sources: vueApp(
      `import Side from './Side.vue'; import { useKept } from './kept'; ${seed} const { put } = useKept(); put(props.seed);`,
      '<Side />',
      {
        'Side.vue': `<script setup lang="ts">import Leaf from './Leaf.vue'; import { useKept } from './kept'; const { kept } = useKept();</script><template><Leaf :x="kept" /></template>`,
        'kept.ts': `import { ref } from 'vue';
export const useKept = () => { const kept = ref(''); function put(v: string) { kept.value = v; } return { kept, put }; };`,
      },
    ),
    from: 'App:prop:seed',
    to: [],
    not: ['Leaf:prop:x'],
  },
  {
    what: 'parts of what a factory makes, exported under other names',
    sources: vueApp(
      `import Side from './Side.vue'; import { patchShared } from './shared'; ${seed} patchShared('page', props.seed);`,
      '<Side />',
      {
        'Side.vue': `<script setup lang="ts">import { computed } from 'vue'; import Leaf from './Leaf.vue'; import { sharedState } from './shared'; const page = computed(() => sharedState.page);</script><template><Leaf :x="page" /></template>`,
        'shared.ts': `import { createState } from './state'; const { state, patch } = createState({ page: '' }); export { state as sharedState, patch as patchShared };`,
        'state.ts': `import { reactive } from 'vue'; export function createState<S extends object>(initial: S) { const state = reactive<S>(initial) as S; function patch<K extends keyof S>(key: K, value: S[K]) { state[key] = value; } return { state, patch }; }`,
      },
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'what a factory makes, whole',
    sources: vueApp(
      `import Side from './Side.vue'; import { shared } from './shared'; ${seed} shared.put(props.seed);`,
      '<Side />',
      {
        'Side.vue': `<script setup lang="ts">import Leaf from './Leaf.vue'; import { shared } from './shared';</script><template><Leaf :x="shared.kept.value" /></template>`,
        'shared.ts': `import { makeKept } from './state'; export const shared = makeKept();`,
        'state.ts': `import { ref } from 'vue'; export function makeKept() { const kept = ref(''); return { kept, put: (v: string) => { kept.value = v; } }; }`,
      },
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'one prop of several, handed on as a box',
    sources: vueApp(
      `import { useInfo } from './info'; import { toRef } from 'vue'; const props = defineProps<{ seed?: any; other?: any }>(); const { info } = useInfo(toRef(props, 'seed')); const shown = computed(() => props.other);`,
      '<Leaf :x="info" /><Btn :v="shown" />',
      {
        'info.ts': `import { computed, unref, type MaybeRef } from 'vue'; export function useInfo(no: MaybeRef<string>) { const info = computed(() => unref(no)); return { info }; }`,
      },
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'the others are not in it',
    sources: vueApp(
      `import { useInfo } from './info'; import { toRef } from 'vue'; const props = defineProps<{ seed?: any; other?: any }>(); const { info } = useInfo(toRef(props, 'other')); const shown = computed(() => props.seed);`,
      '<Leaf :x="shown" /><Btn :v="info" />',
      {
        'info.ts': `import { computed, unref, type MaybeRef } from 'vue'; export function useInfo(no: MaybeRef<string>) { const info = computed({ get() { return unref(no); }, set(v) {} }); return { info }; }`,
      },
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'of what a module keeps, one member and no other',
    sources: vueApp(
      `import { kept } from './kept'; const props = defineProps<{ seed?: any }>(); const put = () => { kept.page = props.seed; }; const page = computed(() => kept.page); const other = computed(() => kept.other);`,
      '<Leaf :x="page" /><Btn :v="other" @save="put" />',
      { 'kept.ts': `import { reactive } from 'vue'; export const kept = reactive({ page: '', other: '' });` },
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'what is kept either way',
    sources: vueApp(
      `const props = defineProps<{ seed?: any; lazy?: boolean }>(); const kept = props.lazy ? shallowRef('') : ref(''); const put = () => { kept.value = props.seed; };`,
      '<Leaf :x="kept" /><Btn @save="put" />',
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
]);
