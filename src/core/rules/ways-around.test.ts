/** Other ways by which a value arrives than the one that a rule looks for: each keeps the rule silent, and no further. */
import { describe } from 'vitest';
import { cases, casesFor, SVELTE_MOUNT, VUE_MOUNT } from './testing';

const vue = casesFor(VUE_MOUNT, 'App.vue');
const svelte = casesFor(SVELTE_MOUNT, 'App.svelte');

const PICKER = {
  'App.vue': `<script setup>
import Picker from './Picker.vue';
const go = () => 1;
</script>
<template><Picker @hover="go" @leave="go" /></template>`,
};
describe('a listener is the prop of its name', () => {
  vue(/^(event\/unknown|prop\/never-passed|prop\/missing)$/, [
    [
      'in a list',
      {
        ...PICKER,
        'Picker.vue': `<script setup>defineProps({ onHover: { type: Function, required: true } });</script><template><b @click="onHover()" /></template>`,
      },
      ['error event/unknown App.vue:5 leave'],
    ],
    [
      'in a type',
      {
        ...PICKER,
        'Picker.vue': `<script setup lang="ts">defineProps<{ onHover: () => void }>();</script><template><b @click="onHover()" /></template>`,
      },
      ['error event/unknown App.vue:5 leave'],
    ],
  ]);
});

describe('provided to an app that code was handed', () => {
  const READER = `<script setup>import { useLine } from './line';
const line = useLine();</script><template>{{ line }}</template>`;
  vue(/^context\//, [
    [
      'by a plugin',
      {
        'App.vue': READER,
        'line.ts': `import { inject } from 'vue';
const key = Symbol('line');
export const plugin = { install(app) { app.provide(key, 1); } };
export function useLine() { const line = inject(key); if (!line) throw new Error('none'); return line; }`,
      },
      [],
    ],
    [
      'another key',
      {
        'App.vue': READER,
        'line.ts': `import { inject } from 'vue';
const key = Symbol('line');
const other = Symbol('other');
export const plugin = { install(app) { app.provide(other, 1); } };
export function useLine() { const line = inject(key); if (!line) throw new Error('none'); return line; }`,
      },
      ['error context/no-provider App.vue:2 useLine()', 'warning context/unread line.ts:4 other'],
    ],
  ]);
});

const OVERLAY = `<script>import { getContext } from 'svelte';
import { YARD } from './keys';
const yard = getContext(YARD);</script>{yard}`;
const mounted = (options: string) => ({
  'keys.ts': `export const YARD = Symbol('yard');
export const OTHER = Symbol('other');`,
  'Overlay.svelte': OVERLAY,
  'App.svelte': `<script>import { mount } from 'svelte';
import Overlay from './Overlay.svelte';
import { YARD, OTHER } from './keys';
const { all } = $props();
const show = () => mount(Overlay, { target: document.body, ${options} });</script><button onclick={show} />`,
});
describe('a root that is given its contexts', () => {
  svelte(/^(context\/no-provider|portal\/outside-providers)$/, [
    ['the key', mounted('context: new Map([[YARD, 1]])'), []],
    ['a map from elsewhere', mounted('context: all'), []],
    [
      'another key',
      mounted('context: new Map([[OTHER, 1]])'),
      [
        'warning portal/outside-providers App.svelte:5 mount(Overlay, { target: document.body, context: new Map([[OTHER, 1]]) })',
      ],
    ],
  ]);
});

describe('asked for before it is taken', () => {
  svelte(/^context\/no-provider$/, [
    [
      'the same key',
      `<script>import { getContext, hasContext } from 'svelte';
const drill = hasContext('drill') ? getContext('drill') : false;</script>{drill}`,
      [],
    ],
    [
      'another key',
      `<script>import { getContext, hasContext } from 'svelte';
const drill = hasContext('drill') ? getContext('wind') : false;</script>{drill}`,
      [`error context/no-provider App.svelte:2 getContext('wind')`],
    ],
  ]);
});

const CELL = `<script>import { createEventDispatcher } from 'svelte';
const dispatch = createEventDispatcher();</script><b on:click={() => dispatch('book')} />`;
describe('what a spread carries', () => {
  svelte(/^event\//, [
    [
      'no listener that is written for an event',
      {
        'Cell.svelte': CELL,
        'Row.svelte': `<script>import Cell from './Cell.svelte';</script><Cell {...$$restProps} />`,
        'Board.svelte': `<script>import Row from './Row.svelte';</script><p><Row /></p>`,
        'App.svelte': `<script>import Row from './Board.svelte';
let n = 0;
function clear() { n = 0; }</script><Row on:book={() => (n += 1)} /><button on:click={clear()}>{n}</button>`,
      },
      ['error event/broken-path App.svelte:3 book', 'error event/called-early App.svelte:3 clear()'],
    ],
  ]);
});

const NOTE = (of: string) => `type P = { text: string } & (${of});
function Note(props: P) { if (props.locked) return <b>{props.text}</b>; const { onCommit } = props; return <i onBlur={() => onCommit(1)} />; }
export function App() { return <><Note text="a" locked /><Note text="b" onCommit={() => 1} /></>; }`;
describe('alternatives that the code tells apart', () => {
  cases(/^event\/unguarded-call$/, [
    [
      'there in each that has it',
      NOTE('{ locked: true } | { locked?: false; onCommit(n: number): void }'),
      [],
    ],
    [
      'optional in one',
      NOTE('{ locked: true } | { locked?: false; onCommit?(n: number): void }'),
      ['warning event/unguarded-call App.tsx:2 onCommit(1)'],
    ],
  ]);
});

describe('a value by the name of a plain tag', () => {
  svelte(/^component\/lowercase$/, [
    [
      'imported',
      {
        'Crest.svelte': `<b />`,
        'App.svelte': `<script>import crest from './Crest.svelte'; import hull from './hull';
let mast = 1;</script><crest /><hull /><mast>{mast}</mast>`,
        'hull.js': `export default 1;`,
      },
      ['error component/lowercase App.svelte:2 crest'],
    ],
  ]);
});
