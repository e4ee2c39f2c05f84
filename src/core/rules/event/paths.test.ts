import { describe } from 'vitest';
import { cases, casesFor, SVELTE_MOUNT, VUE_MOUNT } from '../testing';

const vueCases = casesFor(VUE_MOUNT, 'App.vue');
const svelteCases = casesFor(SVELTE_MOUNT, 'App.svelte');

describe('a listener on the way that keeps the event', () => {
  const parts = (middle: string) => `import { useState } from 'react';
function Rack({ onOut }: { onOut?: (id: string) => void }) { return <button onClick={() => onOut?.('a')}>out</button>; }
${middle}
interface BayProps { name: string; onOut?: (id: string) => void }
function Bay({ name }: BayProps) { return <p>{name}<Loom /></p>; }`;
  cases(/broken-path|never-emitted|event\/unknown/, [
    [
      'while a call site further up waits',
      `${parts('function Loom() { const [halted, halt] = useState(false); return <i>{halted}<Rack onOut={() => halt(true)} /></i>; }')}
export function App() { return <Bay name="a" onOut={(id) => console.log(id)} />; }`,
      ['error event/broken-path App.tsx:4 onOut'],
    ],
    [
      'while nobody waits',
      `${parts('function Loom() { const [halted, halt] = useState(false); return <i>{halted}<Rack onOut={() => halt(true)} /></i>; }')}
export function App() { return <Bay name="a" />; }`,
      ['warning event/never-emitted App.tsx:4 onOut'],
    ],
    [
      'one that is handed on',
      `import { useState } from 'react';
function Rack({ onOut }: { onOut?: (id: string) => void }) { return <button onClick={() => onOut?.('a')}>out</button>; }
function Loom({ onOut }: { onOut?: (id: string) => void }) { const [n, set] = useState(0); return <i>{n}<Rack onOut={(id) => { set(1); onOut?.(id); }} /></i>; }
function Bay({ onOut }: { onOut?: (id: string) => void }) { return <Loom onOut={onOut} />; }
export function App() { return <Bay onOut={(id) => console.log(id)} />; }`,
      [],
    ],
  ]);
  vueCases(/broken-path|event\/unknown/, [
    [
      'in markup',
      {
        'Rack.vue': `<script setup>
const emit = defineEmits(['out']);
</script>
<template><b @click="emit('out')">a</b></template>`,
        'Loom.vue': `<script setup>
import { ref } from 'vue';
import Rack from './Rack.vue';
const halted = ref(false);
</script>
<template><p>{{ halted }}<Rack @out="halted = true" /></p></template>`,
        'App.vue': `<script setup>
import Loom from './Loom.vue';
</script>
<template><Loom @out="() => {}" /></template>`,
      },
      ['error event/broken-path App.vue:4 out'],
    ],
    [
      'an update that the child never asks for, and one that it does',
      {
        'Field.vue': `<script setup>
defineProps({ modelValue: Number });
const emit = defineEmits(['update:modelValue']);
</script>
<template><input :value="modelValue" @input="emit('update:modelValue', 1)"></template>`,
        'App.vue': `<script setup>
import { ref } from 'vue';
import Field from './Field.vue';
const n = ref(1);
</script>
<template>
<Field v-model="n" @update:pitch="n = 2" @vue:mounted="n = 3" />
<Field :model-value="n" @update:model-value="n = 1" />
<Field v-model="n" v-model:locked="n" />
</template>`,
      },
      ['error event/unknown App.vue:7 update:pitch'],
    ],
  ]);
});

describe('an event of the page that is handed up and raised', () => {
  const field = (listen: string) => `<script>
  import { createEventDispatcher } from 'svelte';
  const dispatch = createEventDispatcher();
</script>
<input ${listen} on:input={() => dispatch('change', 1)} />`;
  const app = `<script>
  import Field from './Field.svelte';
</script>
<Field on:change={() => {}} />`;
  svelteCases(/native-clash/, [
    [
      'under one name',
      { 'Field.svelte': field('on:change'), 'App.svelte': app },
      ["warning event/native-clash Field.svelte:5 dispatch('change', 1)"],
    ],
    ['under two', { 'Field.svelte': field('on:blur'), 'App.svelte': app }, []],
  ]);
});
