/** A function that is handed over by its name where a value is worked out, in every language. */
import { auditSources } from '../../audit';
import { expect, test } from 'vitest';
import { idioms } from './reaching';

const LIMITS = {
  'limits.ts': `export const line = { limit: 4 }; export let held = 3; export const raise = (n: number) => { held = n; }; export function load(): number { return held; } export const START = 7;`,
};
const REACT_GAUGE = {
  'Gauge.tsx': `export function Gauge({ a }: { a: number }) { return <i>{a}</i>; }`,
};
const react = (hooks: string, imports = ''): Record<string, string> => ({
  ...LIMITS,
  ...REACT_GAUGE,
  'App.tsx': `import { useMemo, useReducer, useState } from 'react'; import { Gauge } from './Gauge'; import { load, raise, START } from './limits'; ${imports} export function App({ seed }: { seed: number }) { ${hooks} return <b onClick={() => raise(START)}><Gauge a={a} /></b>; }`,
});

idioms([
  {
    what: 'useState, of another module',
    sources: react('const [a, setA] = useState(load); const up = () => setA(2);'),
    from: 'limits:state:held',
    to: ['App:state:a', 'Gauge:prop:a'],
  },
  {
    what: 'useState, of a member of another module',
    sources: react(
      'const [a, setA] = useState(limits.load); const up = () => setA(2);',
      `import * as limits from './limits';`,
    ),
    from: 'limits:state:held',
    to: ['App:state:a', 'Gauge:prop:a'],
  },
  {
    what: 'useState, of the file',
    sources: react(
      'const [a, setA] = useState(own); const up = () => setA(2);',
      'function own(): number { return load() + 1; }',
    ),
    from: 'limits:state:held',
    to: ['App:state:a', 'Gauge:prop:a'],
  },
  {
    what: 'useMemo',
    sources: react('const a = useMemo(load, []);'),
    from: 'limits:state:held',
    to: ['Gauge:prop:a'],
  },
  {
    what: 'the third argument of useReducer is called with the second',
    sources: react(
      'const [{ a }, go] = useReducer((s: { a: number }, n: number) => ({ a: n }), seed, begin); const up = () => go(3);',
      'function begin(first: number) { return { a: first }; }',
    ),
    from: 'App:prop:seed',
    to: ['App:state:state', 'Gauge:prop:a'],
  },
  {
    what: 'computed of Vue',
    sources: {
      'limits.ts': `import { ref } from 'vue'; export const held = ref(4); export function load() { return held.value; }`,
      'App.vue': `<script setup lang="ts">import { computed } from 'vue'; import Gauge from './Gauge.vue'; import { load, held } from './limits'; const a = computed(load); const up = () => { held.value = 3; };</script><template><Gauge :a="a" @click="up" /></template>`,
      'Gauge.vue': `<script setup lang="ts">defineProps<{ a: number }>();</script><template><i>{{ a }}</i></template>`,
    },
    from: 'limits:state:held',
    to: ['Gauge:prop:a'],
  },
  {
    what: '$derived.by of Svelte',
    sources: {
      'limits.svelte.ts': `export const line = $state({ limit: 4 }); export function load() { return line.limit; }`,
      'App.svelte': `<script>import Gauge from './Gauge.svelte'; import { load, line } from './limits.svelte'; const a = $derived.by(load);</script><Gauge {a} /><i onclick={() => line.limit++}></i>`,
      'Gauge.svelte': `<script>let { a } = $props();</script><i>{a}</i>`,
    },
    from: 'limits:state:line',
    to: ['Gauge:prop:a'],
  },
  {
    what: 'computed of Angular',
    sources: {
      'limits.ts': `import { signal } from '@angular/core'; export const held = signal(4); export function load() { return held(); }`,
      'app.ts': `import { Component, computed, input } from '@angular/core'; import { held, load } from './limits'; @Component({ selector: 'q-gauge', template: '{{ a() }}' }) export class Gauge { a = input(0); } @Component({ selector: 'q-app', template: '<q-gauge [a]="a()" /><i (click)="up()"></i>', imports: [Gauge] }) export class App { a = computed(load); up() { held.set(3); } }`,
    },
    from: 'limits:state:held',
    to: ['App:local:a', 'Gauge:prop:a'],
  },
]);

/** What the state is, by what it starts with; the gauge asks for a number. */
const TYPES: [what: string, hooks: string, imports: string, findings: string[]][] = [
  ['what a function of another module gives back', 'const [a, setA] = useState(load);', '', []],
  [
    'what a function gives back that is no number',
    'const [a, setA] = useState(name);',
    'function name(): string { return "north"; }',
    ['prop/type-clash'],
  ],
  [
    'what an arrow function by a name gives back',
    'const [a, setA] = useState(name);',
    'const name = (): string => "north";',
    ['prop/type-clash'],
  ],
  ['a constant', 'const [a, setA] = useState(START);', '', []],
  [
    'a constant that is no number',
    'const [a, setA] = useState(NAME);',
    'const NAME = "north";',
    ['prop/type-clash'],
  ],
  ['a prop is what it is', 'const [a, setA] = useState(seed);', '', []],
];

test.each(TYPES)('state that starts with %s', (_, hooks, imports, findings) => {
  const { result } = auditSources(react(`${hooks} const up = () => setA(2 as never);`, imports));
  expect(result.findings.filter(({ level }) => level === 'error').map(({ rule }) => rule)).toEqual(findings);
});
