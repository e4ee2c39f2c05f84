/** Functions of modules between components and what another module keeps, and what is worked out of what they give back. */
import { idioms } from './reaching';

type Files = Record<string, string>;

/** Files of each language: what is kept, a component that raises it from a state of its own, and one that shows it. */
const LANGUAGES: [language: string, acts: string, files: Files][] = [
  [
    'React',
    `import { line } from './line'; export const raise = (n) => { line.put(n); }; export function load() { return line.now; }`,
    {
      'line.ts': `class Line { limit = 4; put(n) { this.limit = n; } get now() { return this.limit; } } export const line = new Line();`,
      'App.jsx': `import { useState } from 'react'; import { Gauge } from './Gauge'; import { load, raise } from './acts'; export function App() { const [step, setStep] = useState(1); return <b onClick={() => { raise(step); setStep(2); }}><Gauge a={load()} /></b>; }`,
      'Gauge.jsx': `export function Gauge({ a }) { return <i>{a}</i>; }`,
    },
  ],
  [
    'Vue',
    `import { line } from './line'; export function raise(n) { line.limit = n; } export const load = () => line.limit;`,
    {
      'line.ts': `import { reactive } from 'vue'; export const line = reactive({ limit: 4 });`,
      'App.vue': `<script setup>import { computed, ref } from 'vue'; import Gauge from './Gauge.vue'; import { load, raise } from './acts'; const step = ref(1); const now = computed(() => load()); function up() { raise(step.value); step.value = 3; }</script><template><Gauge :a="now" @click="up" /></template>`,
      'Gauge.vue': `<script setup>defineProps(['a']);</script><template><i>{{ a }}</i></template>`,
    },
  ],
  [
    'Vue’s options, with what Vue 2 observes',
    `import { line } from './line'; export function raise(n) { line.limit = n; } export const load = () => line.limit;`,
    {
      'line.ts': `import Vue from 'vue'; export const line = Vue.observable({ limit: 4 });`,
      'App.vue': `<script>import Gauge from './Gauge.vue'; import { load, raise } from './acts'; export default { components: { Gauge }, data() { return { step: 1 }; }, computed: { now() { return load(); } }, methods: { up() { raise(this.step); this.step = 3; } } };</script><template><Gauge :a="now" @click.native="up" /></template>`,
      'Gauge.vue': `<script>export default { props: ['a'] };</script><template><i>{{ a }}</i></template>`,
    },
  ],
  [
    'Svelte’s runes',
    `import { line } from './line.svelte'; export function raise(n) { line.limit = n; } export const load = () => line.limit;`,
    {
      'line.svelte.ts': `export const line = $state({ limit: 4 });`,
      'App.svelte': `<script>import Gauge from './Gauge.svelte'; import { load, raise } from './acts'; let step = $state(1); const now = $derived(load()); function up() { raise(step); step = 3; }</script><Gauge a={now} /><i onclick={up}></i>`,
      'Gauge.svelte': `<script>let { a } = $props();</script><i>{a}</i>`,
    },
  ],
  [
    'Svelte’s stores',
    `import { get } from 'svelte/store'; import { line } from './line'; export const raise = (n) => line.set(n); export const load = () => get(line);`,
    {
      'line.ts': `import { writable } from 'svelte/store'; export const line = writable(4);`,
      'App.svelte': `<script>import Gauge from './Gauge.svelte'; import { load, raise } from './acts'; let step = 1; function up() { raise(step); step = 3; }</script><Gauge a={load()} /><i on:click={up}></i>`,
      'Gauge.svelte': `<script>export let a;</script><i>{a}</i>`,
    },
  ],
  [
    'Angular’s signals',
    `import { line } from './line'; export function raise(n: number) { line.set(n); } export const load = () => line();`,
    {
      'line.ts': `import { signal } from '@angular/core'; export const line = signal(4);`,
      'app.ts': `import { Component, input } from '@angular/core'; import { load, raise } from './acts'; @Component({ selector: 'q-gauge', template: '{{ a() }}' }) export class Gauge { a = input(0); } @Component({ selector: 'q-app', template: '<q-gauge [a]="now()" /><i (click)="up()"></i>', imports: [Gauge] }) export class App { step = 1; now() { return load(); } up() { raise(this.step); this.step = 3; } }`,
    },
  ],
  [
    'Angular’s subjects',
    `import { line } from './line'; export function raise(n: number) { line.next(n); } export const load = () => line.value;`,
    {
      'line.ts': `import { BehaviorSubject } from 'rxjs'; export const line = new BehaviorSubject(4);`,
      'app.ts': `import { Component, input } from '@angular/core'; import { load, raise } from './acts'; @Component({ selector: 'q-gauge', template: '{{ a() }}' }) export class Gauge { a = input(0); } @Component({ selector: 'q-app', template: '<q-gauge [a]="now()" /><i (click)="up()"></i>', imports: [Gauge] }) export class App { step = 1; now() { return load(); } up() { raise(this.step); this.step = 3; } }`,
    },
  ],
  [
    'Stencil',
    `import { line } from './line'; export function raise(n: number) { line.limit = n; } export const load = () => line.limit;`,
    {
      'line.ts': `import { createStore } from '@stencil/store'; const { state } = createStore({ limit: 4 }); export const line = state;`,
      'app.tsx': `import { Component, State, h } from '@stencil/core'; import { load, raise } from './acts'; @Component({ tag: 'q-app' }) export class App { @State() step = 1; render() { return <b onClick={() => { raise(this.step); this.step = 3; }}><q-gauge a={load()}></q-gauge></b>; } }`,
      'gauge.tsx': `import { Component, Prop, h } from '@stencil/core'; @Component({ tag: 'q-gauge' }) export class Gauge { @Prop() a: number; render() { return <i>{this.a}</i>; } }`,
    },
  ],
];

idioms(
  LANGUAGES.flatMap(([language, acts, files]) => [
    {
      what: `${language}, a module between`,
      sources: { ...files, 'acts.ts': acts },
      from: 'App:state:step',
      to: ['Gauge:prop:a'],
    },
    {
      what: `${language}, two modules between`,
      sources: {
        ...files,
        'inner.ts': acts,
        'acts.ts': `import { load as read, raise as put } from './inner'; export const raise = (n: number) => put(n); export function load() { return read(); }`,
      },
      from: 'App:state:step',
      to: ['Gauge:prop:a'],
    },
    {
      what: `${language}, over a module that only exports`,
      sources: { ...files, 'inner.ts': acts, 'acts.ts': `export * from './inner';` },
      from: 'App:state:step',
      to: ['Gauge:prop:a'],
    },
    {
      what: `${language}, where the module has nothing to do with it`,
      sources: {
        ...files,
        'other.ts': `export const scale = (n: number) => n;`,
        'acts.ts': `import { scale } from './other'; export function raise(n: number) { return scale(n); } export const load = () => 4;`,
      },
      from: 'App:state:step',
      to: [],
      not: ['Gauge:prop:a'],
    },
  ]),
);

/** Ways to export functions together, and to import them. */
const [, , VUE] = LANGUAGES[1]!;
const EXPORTS: [what: string, acts: string, imported: string][] = [
  [
    'an object',
    `export const acts = { raise(n) { line.limit = n; }, load: () => line.limit };`,
    `import { acts } from './acts';`,
  ],
  [
    'the default, an object',
    `export default { raise(n) { line.limit = n; }, load() { return line.limit; } };`,
    `import acts from './acts';`,
  ],
  [
    'the default, an object of functions by name',
    `function raise(n) { line.limit = n; } function load() { return line.limit; } export default { raise, load };`,
    `import acts from './acts';`,
  ],
  [
    'the whole module',
    `export function raise(n) { line.limit = n; } export function load() { return line.limit; }`,
    `import * as acts from './acts';`,
  ],
];

idioms([
  ...EXPORTS.map(([what, acts, imported]) => ({
    what: `exported as ${what}`,
    sources: {
      ...VUE,
      'acts.ts': `import { line } from './line'; ${acts}`,
      'App.vue': VUE['App.vue']!.replace(`import { load, raise } from './acts';`, imported).replace(
        /\b(load|raise)\(/g,
        'acts.$1(',
      ),
    },
    from: 'App:state:step',
    to: ['Gauge:prop:a'],
  })),
  {
    what: 'a member of an object in a whole module',
    sources: {
      ...VUE,
      'acts.ts': `import { line } from './line'; export const acts = { raise(n) { line.limit = n; }, load: () => line.limit };`,
      'App.vue': VUE['App.vue']!.replace(
        `import { load, raise } from './acts';`,
        `import * as all from './acts';`,
      ).replace(/\b(load|raise)\(/g, 'all.acts.$1('),
    },
    from: 'App:state:step',
    to: ['Gauge:prop:a'],
  },
  {
    what: 'the default, a function',
    sources: {
      ...VUE,
      'acts.ts': `import { line } from './line'; export default (n) => { line.limit = n; }; export const load = () => line.limit;`,
      'App.vue': VUE['App.vue']!.replace(
        `import { load, raise } from './acts';`,
        `import raise, { load } from './acts';`,
      ),
    },
    from: 'App:state:step',
    to: ['Gauge:prop:a'],
  },
]);

/** Expressions in which a function of a module is called, and that are worked out of what it gives back. */
const PARTS = [
  'load() + 1',
  '`now ${load()}`',
  'Math.max(load(), 2)',
  'load() > 3 ? 1 : 2',
  '[load(), 3]',
  'scale(load())',
  'twice()',
  'most()',
  '({ limit: load() }).limit',
];

idioms(
  PARTS.map((written) => ({
    what: `a part of ${written}`,
    sources: {
      'line.js': `export let held = 3; export const raise = (n) => { held = n; }; export function load() { return held; } export const twice = () => load() * 2; export const most = () => Math.max(twice(), 2); export const scale = (n) => n * 3;`,
      'App.jsx': `import { Gauge } from './Gauge'; import { load, most, raise, scale, twice } from './line'; export function App() { return <b onClick={() => raise(3)}><Gauge a={${written}} /></b>; }`,
      'Gauge.jsx': `export function Gauge({ a }) { return <i>{a}</i>; }`,
    },
    from: 'line:state:held',
    to: ['Gauge:prop:a'],
  })),
);
