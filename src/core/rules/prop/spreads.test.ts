import { describe } from 'vitest';
import { cases, casesFor, SVELTE_MOUNT, VUE_MOUNT } from '../testing';

const vueCases = casesFor(VUE_MOUNT, 'App.vue');
const svelteCases = casesFor(SVELTE_MOUNT, 'App.svelte');

const BOX = `interface BoxProps { name: string; load?: number; note?: string; onOpen?: (name: string) => void }
function Box({ name, load, note, onOpen }: BoxProps) {
  return <p onClick={() => onOpen?.(name)}>{name}{load}{note}</p>;
}`;

describe('what a spread is seen to hand over', () => {
  cases(/missing|never-passed|unheard/, [
    [
      'elements of a constant list, a local object, an object of another file, one object in another',
      {
        'data.ts': `export const NORTH = { name: 'North', load: 2 };`,
        'App.tsx': `import { NORTH } from './data';
const BOXES = [{ name: 'a', load: 1 }, { name: 'b' }];
${BOX}
export function App() {
  const south = { ...NORTH, name: 'South' };
  return <>{BOXES.map((one) => <Box key={one.name} {...one} />)}<Box {...NORTH} /><Box {...south} /></>;
}`,
      },
      ['warning prop/never-passed App.tsx:3 note', 'warning event/unheard App.tsx:3 onOpen'],
    ],
    [
      'what is required and not in it',
      `${BOX}
const LOADS = { load: 3 };
export function App() { return <Box {...LOADS} note="a" onOpen={() => {}} />; }`,
      ['error prop/missing App.tsx:6 Box'],
    ],
    [
      'an object with a type may hold more, one that is added to as well',
      `${BOX}
interface Kept { name: string }
const kept: Kept = JSON.parse('{}');
export function App() {
  const more = { name: 'a' };
  more.load = 3;
  return <><Box {...kept} /><Box {...more} /></>;
}`,
      [],
    ],
  ]);
  vueCases(/missing|never-passed|unheard/, [
    [
      'listeners among what is spread, by the names of the other kind',
      {
        'Box.vue': `<script setup>
defineProps({ name: { type: String, required: true }, note: String });
const emit = defineEmits(['open']);
</script>
<template><p @click="emit('open')">{{ name }}{{ note }}</p></template>`,
        'App.vue': `<script setup>
import Box from './Box.vue';
const given = { name: 'a', onOpen: () => {} };
</script>
<template><Box v-bind="given" /></template>`,
      },
      ['warning prop/never-passed Box.vue:2 note'],
    ],
  ]);
  svelteCases(/missing|drilled|unread/, [
    [
      'the rest that is handed on reaches what is declared below',
      {
        'Cell.svelte': `<script>
  export let berth;
  export let clerk;
</script>
<p>{berth} {clerk}</p>`,
        'Column.svelte': `<script>
  import Cell from './Cell.svelte';
  export let rows;
</script>
{#each rows as berth}<Cell {berth} {...$$restProps} />{/each}`,
        'Board.svelte': `<script>
  import Column from './Column.svelte';
  export let clerk;
</script>
<Column rows={['a']} {clerk} />`,
        'App.svelte': `<script>
  import Board from './Board.svelte';
  let clerk = 'early';
</script>
<button on:click={() => (clerk = 'late')}>a</button>
<Board {clerk} />`,
      },
      ['warning prop/drilled Board.svelte:3 clerk'],
    ],
  ]);
});
