/** What call sites write down themselves, in every language. */
import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { nodesAt } from './references';
import { writtenFor } from './written';

const REACT_GAUGE = `export function Gauge({ a }) { return <i>{a}</i>; }`;
const react = (sites: string): Record<string, string> => ({
  'Gauge.jsx': REACT_GAUGE,
  'App.jsx': `import { Gauge } from './Gauge'; export function App({ wind, rest }) { return <b>${sites}</b>; }`,
});

const CASES: [what: string, sources: Record<string, string>, texts: string[]][] = [
  ['numbers and texts', react(`<Gauge a={3} /><Gauge a="north" />`), ['3', '"north"']],
  ['a value of the owner is none', react(`<Gauge a={wind} /><Gauge a={4} />`), ['4']],
  ['what is worked out of one is none', react('<Gauge a={wind + 1} /><Gauge a={`to ${wind}`} />'), []],
  [
    'an object of texts',
    react(`<Gauge a={{ unit: 'm', range: [1, 2] }} />`),
    [`{ unit: 'm', range: [1, 2] }`],
  ],
  [
    'an object that holds a value',
    react(`<Gauge a={{ unit: wind }} /><Gauge a={{ ...rest }} /><Gauge a={[wind]} />`),
    [],
  ],
  ['a function is none', react(`<Gauge a={() => 3} />`), []],
  ['what is not handed over', react(`<Gauge />`), []],
  [
    'Vue',
    {
      'Gauge.vue': `<script setup>defineProps(['a']);</script><template><i>{{ a }}</i></template>`,
      'App.vue': `<script setup>import Gauge from './Gauge.vue'; defineProps(['wind']);</script><template><Gauge a="north" /><Gauge :a="3" /><Gauge :a="wind" /></template>`,
    },
    ['"north"', '3'],
  ],
  [
    'Svelte',
    {
      'Gauge.svelte': `<script>let { a } = $props();</script><i>{a}</i>`,
      'App.svelte': `<script>import Gauge from './Gauge.svelte'; let { wind } = $props();</script><Gauge a="north" /><Gauge a={3} /><Gauge a={wind} />`,
    },
    ['north', '3'],
  ],
  [
    'Angular',
    {
      'app.ts': `import { Component, input } from '@angular/core'; @Component({ selector: 'q-gauge', template: '{{ a() }}' }) export class Gauge { a = input<unknown>(); } @Component({ selector: 'q-app', template: '<q-gauge a="north" /><q-gauge [a]="3" /><q-gauge [a]="wind" />', imports: [Gauge] }) export class App { wind = 1; up() { this.wind++; } }`,
    },
    ['north', '3'],
  ],
];

test.each(CASES)('%s', (_, sources, texts) => {
  const { project } = auditSources(sources).result;
  const nodes = nodesAt(project, 'Gauge:prop:a');
  if ('similar' in nodes) throw new Error('nothing is called so');
  const found = writtenFor(
    project,
    nodes.map(({ id }) => id),
  );
  const text = ({ file, start, end }: (typeof found)[number]['place']): string =>
    sources[project.files[file]!.path]!.slice(start, end);
  expect(found.map(({ place }) => text(place))).toEqual(texts);
});
