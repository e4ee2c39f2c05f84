/** What raises the events of a component, handed to functions of others or provided: the call says which event it is. */
import { describe } from 'vitest';
import { type Idiom, idioms } from './reaching';

const ROWS = (script: string, markup = '') => `<script setup lang="ts">
import { provide } from 'vue';
import Row from './Row.vue';
import { useRaise, raiser } from './raise';
const props = defineProps<{ row: string }>();
const emit = defineEmits<{ 'row-pick': [row: string]; drop: [row: string] }>();
${script}
</script>
<template><Row :row="row" />${markup}</template>`;

const ROW = `<script setup lang="ts">
import { inject } from 'vue';
const props = defineProps<{ row: string }>();
const rowsEmit = inject<((event: string, row: string) => void) | undefined>('rowsEmit', undefined);
const pick = () => rowsEmit?.('row-pick', props.row);
</script>
<template><b @click="pick">{{ row }}</b></template>`;

const RAISE = `export const useRaise = (props: { row: string }, emit: (event: 'row-pick', row: string) => void) => {
  const raise = () => emit('row-pick', props.row);
  return { raise };
};
export const raiser = (say: (event: 'row-pick', row: string) => void, row: string) => () => say('row-pick', row);
export const useContext = (props: { row: string }, context: { emit: (event: 'row-pick', row: string) => void }) => {
  const raise = () => context.emit('row-pick', props.row);
  return { raise };
};`;

const APP = `<script setup lang="ts">
import { ref } from 'vue';
import Rows from './Rows.vue';
import Leaf from './Leaf.vue';
import Other from './Other.vue';
const picked = ref(''); const dropped = ref('');
const pick = (row: string) => { picked.value = row; };
</script>
<template><Rows row="a" @row-pick="pick" @drop="dropped = $event" /><Leaf :x="picked" /><Other :y="dropped" /></template>`;

const LEAF = (name: string) => `<script setup lang="ts">
defineProps<{ ${name}: string }>();
</script>
<template><b>{{ ${name} }}</b></template>`;

const CASES: [what: string, rows: string, from: string][] = [
  [
    'handed to a composable',
    ROWS('const { raise } = useRaise(props, emit);', '<b @click="raise" />'),
    'Rows:prop:row',
  ],
  [
    'handed to a function that makes one',
    ROWS('const raise = raiser(emit, props.row);', '<b @click="raise" />'),
    'Rows:prop:row',
  ],
  ['provided', ROWS("provide('rowsEmit', emit);"), 'Row:prop:row'],
  [
    'as a member of what a setup function is given',
    `<script lang="ts">
import { defineComponent } from 'vue';
import { useContext } from './raise';
export default defineComponent({ props: { row: String }, emits: ['row-pick', 'drop'], setup(props, context) { return useContext(props as { row: string }, context); } });
</script>
<template><b @click="raise">{{ row }}</b></template>`,
    'Rows:prop:row',
  ],
];

describe('Vue', () => {
  idioms(
    CASES.map(([what, rows, from]): Idiom => ({
      what,
      sources: {
        'App.vue': APP,
        'Rows.vue': rows,
        'Row.vue': ROW,
        'raise.ts': RAISE,
        'Leaf.vue': LEAF('x'),
        'Other.vue': LEAF('y'),
      },
      from,
      to: ['Rows:event:rowPick', 'App:state:picked', 'Leaf:prop:x'],
      not: ['Rows:event:drop', 'Other:prop:y'],
    })),
  );
});
