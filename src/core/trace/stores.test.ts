import { describe } from 'vitest';
import { type Sources, traces } from './testing';

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
        'Btn:event:onPress write fleet.ts>Fleet:state:useFleet',
        'fleet.ts>Fleet:state:useFleet rename Row:prop:n',
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
        'fleet.ts>Fleet:state:useFleet rename Row:prop:n',
        'fleet.ts>Fleet:state:useFleet transform App:local:cabins',
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
