/** What a component changes of what it was handed, and when whoever handed it hears of that. */
import { describe } from 'vitest';
import { cases, casesFor, SVELTE_MOUNT, VUE_MOUNT } from '../testing';

const ONLY = /^prop\/overwritten$/;
const svelteCases = casesFor(SVELTE_MOUNT, 'App.svelte');
const vueCases = casesFor(VUE_MOUNT, 'App.vue');

const DESK = `export class Desk { open = $state(0); turn(to) { this.open = to; } }`;

/** A child with `wind`, a store, `desk`, of a class, and `plain`, an object; what it does, in its second line. */
const kid = (code: string) => ({
  'desk.svelte.js': DESK,
  'Kid.svelte': `<script>\n  let { wind, desk, plain } = $props();\n  function go() {\n    ${code}\n  }\n</script>\n<b onclick={go}>{$wind}{desk.open}{plain.lo}</b>`,
  'App.svelte': `<script>
  import { writable } from 'svelte/store';
  import Kid from './Kid.svelte';
  import { Desk } from './desk.svelte.js';
  const wind = writable({ lo: 1 });
  const desk = new Desk();
  const plain = $state({ lo: 1 });
</script>
<Kid {wind} {desk} {plain} />`,
});

describe('what is made to be set by whoever has it', () => {
  svelteCases(ONLY, [
    ['a store', kid('$wind = { lo: 2 };'), []],
    ['a member of what a store holds', kid('$wind.lo = 2; $wind["hi"] = 3; delete $wind.hi;'), []],
    ['a list that a store holds', kid('$wind.push(2);'), []],
    ['entries of a list that a store holds', kid('for (const one of $wind.rows) one.lo = 2;'), []],
    ['a store, by its methods', kid('wind.set(2); wind.update((one) => one);'), []],
    ['state of a class', kid('desk.open = 3;'), []],
    ['what no class keeps', kid('desk.shut = 3;'), ['warning prop/overwritten Kid.svelte:4 desk.shut = 3']],
    ['an object', kid('plain.lo = 3;'), ['warning prop/overwritten Kid.svelte:4 plain.lo = 3']],
  ]);
});

/** A child that changes its list, and raises events with it or with something else; the owner listens to one. */
const told = (raised: string, heard: string) => `import { useState } from 'react';
function Kid({ rows, onUpdateRows, onShut }: { rows: number[]; onUpdateRows?: (rows: any) => void; onShut?: (rows: any) => void }) {
  return <b onClick={() => { rows.push(1); ${raised} }}>{rows.length}</b>;
}
export function App() {
  const [rows, setRows] = useState<number[]>([]);
  return <Kid rows={rows} ${heard}={setRows} />;
}`;
const CHANGED = ['error prop/overwritten App.tsx:3 rows.push(1)'];

describe('who is told', () => {
  cases(ONLY, [
    ['with what is changed', told('onUpdateRows?.(rows);', 'onUpdateRows'), []],
    ['with an object that has it', told('onUpdateRows?.({ rows });', 'onUpdateRows'), []],
    ['with something of it', told('onUpdateRows?.(rows.length);', 'onUpdateRows'), CHANGED],
    [
      'with something worked out of it',
      told('onUpdateRows?.(rows.map((n) => n + 1));', 'onUpdateRows'),
      CHANGED,
    ],
    ['by an event that tells of something else', told('onShut?.(rows);', 'onShut'), CHANGED],
    ['by an event that nobody hears', told('onUpdateRows?.(rows);', 'onShut'), CHANGED],
  ]);
});

/** A child that keeps what an element says in its input, and tells of it; the owner listens to `change`. */
const kept = (code: string, heard: string) => ({
  'Kid.svelte': `<script>\n  import { createEventDispatcher } from 'svelte';\n  export let value;\n  const dispatch = createEventDispatcher();\n  const keep = (e) => {\n    ${code}\n  };\n</script>\n<input {value} on:input={keep} />`,
  'App.svelte': `<script>\n  import Kid from './Kid.svelte';\n  let wind = 1;\n</script>\n<Kid value={wind} on:${heard}={(e) => (wind = e.detail)} />`,
});

describe('who is told of what is written', () => {
  const WRITTEN = ['warning prop/overwritten Kid.svelte:6 value = e.target.value'];
  svelteCases(ONLY, [
    ['with that', kept('value = e.target.value; dispatch("change", e.target.value);', 'change'), []],
    [
      'with something else',
      kept('value = e.target.value; dispatch("change", e.target.name);', 'change'),
      WRITTEN,
    ],
    [
      'by another event',
      kept('value = e.target.value; dispatch("change", e.target.value);', 'shut'),
      WRITTEN,
    ],
  ]);
});

const vueKid = (code: string) => ({
  'Kid.vue': `<script setup>\nconst props = defineProps(['rows']);\nfunction go(id) {\n${code}\n}\n</script>\n<template><b @click="go(1)">{{ rows.length }}</b></template>`,
  'App.vue': `<script setup>import { ref } from 'vue'; import Kid from './Kid.vue'; const rows = ref([{ on: 1 }]);</script><template><Kid :rows="rows" /></template>`,
});

describe('entries of a list that is handed in', () => {
  vueCases(ONLY, [
    [
      'each',
      vueKid('for (const one of props.rows) one.on = 2;'),
      ['warning prop/overwritten Kid.vue:4 one.on = 2'],
    ],
    [
      'each, in a function',
      vueKid('props.rows.forEach((one) => { one.on = 2; });'),
      ['warning prop/overwritten Kid.vue:4 one.on = 2'],
    ],
    [
      'one that is found',
      vueKid('const one = props.rows.find((row) => row.id === id);\none.on = 2;'),
      ['warning prop/overwritten Kid.vue:5 one.on = 2'],
    ],
    [
      'one by its place',
      vueKid('const one = props.rows[id];\none.on = 2;'),
      ['warning prop/overwritten Kid.vue:5 one.on = 2'],
    ],
    ['copies', vueKid('for (const one of props.rows.map((row) => ({ ...row }))) one.on = 2;'), []],
    ['a copy of one', vueKid('const one = { ...props.rows[id] };\none.on = 2;'), []],
    ['a name that is given another', vueKid('let one = props.rows[id];\none = { ...one };\none.on = 2;'), []],
    ['a name for one, which is given another', vueKid('for (let one of props.rows) one = 2;'), []],
  ]);
});
