/** A composable that is given all inputs at once, of which one is called as what boxes hold. */
import { type Idiom, idioms } from './reaching';
import { vueApp } from './testing';

const FIELD = `<script setup lang="ts">
import { toRef } from 'vue'; import { useField } from './useField'; import Leaf from './Leaf.vue';
const props = defineProps<{ mode: string; value: string }>();
const { shown } = useField(GIVEN);
</script><template><Leaf :x="shown" /></template>`;

const field = (given: string, code: string) =>
  vueApp(
    `import Field from './Field.vue'; const mode = ref('a'); const value = ref('b'); const go = () => { mode.value += 'c'; value.value += 'd'; };`,
    '<Field :mode="mode" :value="value" /><b @click="go" />',
    {
      'Field.vue': FIELD.replace('GIVEN', given),
      'useField.ts': `import { computed, ref } from 'vue'; ${code}`,
    },
  );

/** What the composable is given and does, and which input reaches the leaf. */
const CASES: [what: string, given: string, code: string, has: 'mode' | 'value'][] = [
  [
    'one of several that it reads',
    'props',
    'export const useField = (all: any) => { const other = ref(all.mode); const shown = computed(() => all.value + 1); return { shown, other }; };',
    'value',
  ],
  [
    'the other',
    'props',
    'export const useField = (all: any) => { const other = ref(all.value); const shown = computed(() => all?.mode + 1); return { shown, other }; };',
    'mode',
  ],
  [
    'the only one that it reads, by the name that inputs have',
    'props',
    'export const useField = (props: any) => { const shown = ref(!!props.value); return { shown }; };',
    'value',
  ],
  [
    'a box of one of them',
    "toRef(props, 'mode')",
    'export const useField = (held: any) => { const shown = computed(() => held.value + 1); return { shown }; };',
    'mode',
  ],
];

idioms(
  CASES.map(([what, given, code, has]): Idiom => {
    const other = has === 'mode' ? 'value' : 'mode';
    return {
      what,
      sources: field(given, code),
      from: 'Leaf:prop:x',
      to: [`Field:prop:${has}`, `App:state:${has}`],
      not: [`Field:prop:${other}`, `App:state:${other}`],
    };
  }),
);
