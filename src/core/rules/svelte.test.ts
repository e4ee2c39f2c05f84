/** Every rule that can occur in Svelte, in both of its styles: what must be found, and near misses. */
import { describe, expect, test } from 'vitest';
import { casesFor, findingLines, SVELTE_MOUNT, type Case } from './testing';

const cases = casesFor(SVELTE_MOUNT, 'App.svelte');

const file = (script: string, markup: string) => `<script lang="ts">\n${script}\n</script>\n${markup}`;
const app = (markup: string, script = '') => file(`import Gauge from './Gauge.svelte';\n${script}`, markup);
const OLD = file('export let wind: number;\nexport let unit = "kn";', '<b>{wind} {unit}</b>');
const NEW = file(
  'let { wind, unit = "kn" }: { wind: number; unit?: string } = $props();',
  '<b>{wind} {unit}</b>',
);

describe('props', () => {
  cases(/^prop\//, [
    ...[OLD, NEW].flatMap((gauge, i): Case[] => [
      [
        `all is passed (${i})`,
        { 'Gauge.svelte': gauge, 'App.svelte': app('<Gauge wind={3} unit="m" />') },
        [],
      ],
      [
        `a required prop is missing (${i})`,
        { 'Gauge.svelte': gauge, 'App.svelte': app('<Gauge unit="m" />') },
        ['error prop/missing App.svelte:5 Gauge'],
      ],
      [
        `a name that is not taken (${i})`,
        { 'Gauge.svelte': gauge, 'App.svelte': app('<Gauge wind={3} unti="m" --size="2" />') },
        ['error prop/unknown App.svelte:5 unti'],
      ],
      [
        `another type (${i})`,
        { 'Gauge.svelte': gauge, 'App.svelte': app('<Gauge wind="3" unit="m" />') },
        ['error prop/type-clash App.svelte:5 wind'],
      ],
      [
        `a spread of something unknown (${i})`,
        { 'Gauge.svelte': gauge, 'App.svelte': app('<Gauge {...more} />', 'const more = load();') },
        [],
      ],
      [
        `bound both ways (${i})`,
        { 'Gauge.svelte': gauge, 'App.svelte': app('<Gauge bind:wind={n} unit="m" />', 'let n = 3;') },
        [],
      ],
    ]),
    [
      'unread; what is read in styles, tags, reactive statements and stores is not',
      {
        'Gauge.svelte': file(
          `export let a; export let b; export let c; export let d; export let e;\n$: twice = c * 2;`,
          '<b style:--a={a} style:color={twice}>{$d}</b><svelte:element this={b} />',
        ),
        'App.svelte': app('<Gauge a={1} b="b" c={1} d={s} e={1} />', 'const s = make();'),
      },
      ['warning prop/unread Gauge.svelte:2 e'],
    ],
    [
      'a component that uses all of its props may read any',
      {
        'Gauge.svelte': file('export let a;', '<b {...$$props} />'),
        'App.svelte': app('<Gauge a={1} b={2} />'),
      },
      [],
    ],
    [
      'a rest is handed on',
      {
        'Gauge.svelte': file('let { a, ...rest } = $props();', '<b {...rest}>{a}</b>'),
        'App.svelte': app('<Gauge a={1} b={2} />'),
      },
      [],
    ],
    [
      'changing what the owner passed, unless it is bound',
      {
        'Gauge.svelte': file(
          'let { cabin }: { cabin: { n: number } } = $props();',
          '<b onclick={() => (cabin.n = 2)} />',
        ),
        'App.svelte': app('<Gauge cabin={x} />', 'let x = $state({ n: 1 });'),
      },
      ['warning prop/overwritten Gauge.svelte:4 cabin.n = 2'],
    ],
    [
      'the same, bound',
      {
        'Gauge.svelte': file(
          'let { cabin = $bindable() }: { cabin: { n: number } } = $props();',
          '<b onclick={() => (cabin.n = 2)} />',
        ),
        'App.svelte': app('<Gauge bind:cabin={x} />', 'let x = $state({ n: 1 });'),
      },
      [],
    ],
    [
      'a copy that nothing brings up to date, and one that an effect does',
      {
        'Gauge.svelte': file(
          `let { a, b } = $props();\nlet x = $state(a);\nlet y = $state(b);\n$effect(() => { y = b; });`,
          '<b>{x} {y}</b>',
        ),
        'App.svelte': app('<Gauge a={1} b={2} />'),
      },
      ['note prop/stale-copy Gauge.svelte:3 x'],
    ],
    [
      'drilled',
      {
        'App.svelte': file(`import Line from './Line.svelte';\nlet unit = $state('kn');`, '<Line {unit} />'),
        'Line.svelte': file(
          `import Pylon from './Pylon.svelte';\nlet { unit }: { unit: string } = $props();`,
          '<Pylon u={unit} />',
        ),
        'Pylon.svelte': file(
          `import Gauge from './Gauge.svelte';\nlet { u }: { u: string } = $props();`,
          '<Gauge wind={3} unit={u} />',
        ),
        'Gauge.svelte': NEW,
      },
      ['warning prop/drilled Line.svelte:3 unit'],
    ],
  ]);
});

describe('events', () => {
  const KNOB = file(
    `import { createEventDispatcher } from 'svelte';\nconst dispatch = createEventDispatcher<{ hold: number; free: void }>();`,
    `<button on:click={() => dispatch('hold', 3)}>x</button>`,
  );
  const hears = (markup: string, script = 'function go(e: any) { e.detail; }') =>
    file(`import Knob from './Knob.svelte';\n${script}`, markup);
  cases(/^event\//, [
    [
      'declared and never raised; raised and heard',
      { 'Knob.svelte': KNOB, 'App.svelte': hears('<Knob on:hold={go} />') },
      ['warning event/never-emitted Knob.svelte:3 free'],
    ],
    [
      'a payload of another type than declared',
      {
        'Knob.svelte': file(
          `import { createEventDispatcher } from 'svelte';\nconst d = createEventDispatcher<{ hold: number; free: void }>();`,
          `<b on:click={() => { d('hold', 'x'); d('hold', 3); d('free'); }} />`,
        ),
        'App.svelte': hears('<Knob on:hold={go} on:free={go} />'),
      },
      [`error event/payload-clash Knob.svelte:5 d('hold', 'x')`],
    ],
    [
      'listened for and not raised',
      {
        'Knob.svelte': file(
          `import { createEventDispatcher } from 'svelte';\nconst d = createEventDispatcher();`,
          `<b on:click={() => d('hold')} on:keydown />`,
        ),
        'App.svelte': hears('<Knob on:held={go} on:keydown={go} />'),
      },
      [`error event/unknown App.svelte:5 held`],
    ],
    [
      'raised and not heard',
      {
        'Knob.svelte': file(
          `import { createEventDispatcher } from 'svelte';\nconst d = createEventDispatcher();`,
          `<b on:click={() => d('hold')} />`,
        ),
        'App.svelte': hears('<Knob />'),
      },
      [`warning event/unheard Knob.svelte:5 'hold'`],
    ],
    [
      'handed up without a value, and dropped on the way',
      {
        'App.svelte': hears(
          '<Knob on:hold={go} /><Drop on:hold={go} />',
          `import Drop from './Drop.svelte';\nfunction go() {}`,
        ),
        'Knob.svelte': file(`import Pin from './Pin.svelte';`, '<Pin on:hold />'),
        'Drop.svelte': file(`import Pin from './Pin.svelte';`, '<p><Pin /></p>'),
        'Pin.svelte': file(
          `import { createEventDispatcher } from 'svelte';\nconst d = createEventDispatcher();`,
          `<b on:click={() => d('hold')} />`,
        ),
      },
      ['error event/broken-path App.svelte:6 hold'],
    ],
    [
      'a callback is called without a check',
      {
        'Knob.svelte': file(
          `let { onhold }: { onhold?: (n: number) => void } = $props();`,
          '<b onclick={() => onhold(3)} />',
        ),
        'App.svelte': hears('<Knob onhold={go} />'),
      },
      ['warning event/unguarded-call Knob.svelte:4 onhold(3)'],
    ],
    [
      'called while drawing',
      {
        'Knob.svelte': file(`let { onhold }: { onhold: () => void } = $props();`, '<b onclick={onhold} />'),
        'App.svelte': hears('<Knob onhold={go()} />', 'function go() { console.log(1); }'),
      },
      ['error event/called-early App.svelte:5 go()'],
    ],
  ]);
});

describe('contexts', () => {
  const reader = (script: string) => file(`import { getContext } from 'svelte';\n${script}`, '<b>{x}</b>');
  const root = (script: string) =>
    file(
      `import { setContext } from 'svelte';\nimport Reader from './Reader.svelte';\n${script}`,
      '<Reader />',
    );
  cases(/^context\//, [
    [
      'provided above',
      {
        'App.svelte': root(`setContext('fleet', 1);`),
        'Reader.svelte': reader(`const x = getContext('fleet');`),
      },
      [],
    ],
    [
      'under another name',
      {
        'App.svelte': root(`setContext('fleets', 1);`),
        'Reader.svelte': reader(`const x = getContext('fleet');`),
      },
      [`error context/no-provider Reader.svelte:3 getContext('fleet')`],
    ],
    [
      'by a key that both import',
      {
        'keys.ts': 'export const FLEET = Symbol();',
        'App.svelte': root(`import { FLEET } from './keys';\nsetContext(FLEET, 1);`),
        'Reader.svelte': reader(`import { FLEET } from './keys';\nconst x = getContext(FLEET);`),
      },
      [],
    ],
    [
      'in a handler',
      {
        'App.svelte': root(`setContext('fleet', 1);`),
        'Reader.svelte': file(
          `import { getContext } from 'svelte';\nfunction go() { return getContext('fleet'); }`,
          '<b on:click={go} />',
        ),
      },
      [`error context/wrong-time Reader.svelte:3 getContext('fleet')`],
    ],
  ]);
});

describe('content', () => {
  const panel = (markup: string, script = '') =>
    file(`import Panel from './Panel.svelte';\n${script}`, markup);
  cases(/^slot\//, [
    [
      'slots, filled and not',
      {
        'Panel.svelte': '<p><slot name="head" /><slot name="foot" /><slot /></p>',
        'App.svelte': panel('<Panel><b slot="head">a</b>x</Panel>'),
      },
      ['note slot/unfilled Panel.svelte:1 <slot name="foot" />'],
    ],
    [
      'a slot that the child lacks',
      {
        'Panel.svelte': '<p><slot name="head">-</slot></p>',
        'App.svelte': panel('<Panel><b slot="haed">a</b></Panel>'),
      },
      ['error slot/unknown App.svelte:5 <b slot="haed">a</b>'],
    ],
    [
      'nothing is placed',
      { 'Panel.svelte': '<hr>', 'App.svelte': panel('<Panel>x</Panel>') },
      ['error slot/no-outlet App.svelte:5 Panel'],
    ],
    [
      'snippets: handed over by name, and nested',
      {
        'Panel.svelte': file(
          `import type { Snippet } from 'svelte';\nlet { children, head }: { children: Snippet; head?: Snippet<[{ n: number }]> } = $props();`,
          '<p>{@render head?.({ n: 1 })}{@render children()}</p>',
        ),
        'App.svelte': panel('<Panel>{#snippet head({ n })}{n}{/snippet}x</Panel>'),
      },
      [],
    ],
    [
      'a parameter that is not given',
      {
        'Panel.svelte': file(
          `import type { Snippet } from 'svelte';\nlet { head }: { head: Snippet<[any]> } = $props();`,
          '<p>{@render head({ n: 1 })}</p>',
        ),
        'App.svelte': panel('<Panel>{#snippet head({ m })}{m}{/snippet}</Panel>'),
      },
      ['error slot/prop-unknown App.svelte:5 m'],
    ],
  ]);
});

describe('refs, names, components, state', () => {
  cases(/^(ref|template|component|state)\//, [
    [
      'a member that is not exported',
      {
        'Gauge.svelte': file('export function reset() {}', '<b />'),
        'App.svelte': app(
          '<Gauge bind:this={g} /><b on:click={go} />',
          'let g;\nfunction go() { g.reset(); g.rest(); }',
        ),
      },
      ['error ref/unknown-member App.svelte:4 rest'],
    ],
    [
      'attached and never read',
      { 'App.svelte': file('let el;', '<b bind:this={el} />') },
      ['note ref/unread App.svelte:2 el'],
    ],
    [
      'a near miss of a name in sight; the page has others',
      {
        'App.svelte': file(
          'let total = $state(1);',
          '<b onclick={() => location.reload()}>{totla} {Math.max(total, 2)}</b>',
        ),
      },
      ['error template/unknown-name App.svelte:4 totla'],
    ],
    [
      'a tag that nothing imports',
      {
        'App.svelte': file(`import Gauge from './Gauge.svelte';`, '<Gauge /><Gaugee />'),
        'Gauge.svelte': '<b />',
      },
      ['error component/unresolved App.svelte:4 Gaugee'],
    ],
    [
      'nothing renders it',
      { 'App.svelte': '<b />', 'Gauge.svelte': '<b />' },
      ['note component/unused Gauge.svelte:1 '],
    ],
    [
      'owner and child keep the same',
      {
        'App.svelte': app('<Gauge /><i on:click={() => (open = !open)}>{open}</i>', 'let open = false;'),
        'Gauge.svelte': file('let open = false;', '<b on:click={() => (open = true)}>{open}</b>'),
      },
      ['note state/twin Gauge.svelte:2 open'],
    ],
  ]);
});

test.each([
  [
    'svelte',
    `<script>import Gauge from './kit/Gauge.svelte';</script><Gauge {...$$props} wide />`,
    '<script>export let wide;</script><b>{wide}</b>',
  ],
  [
    'vue',
    `<script setup>import Gauge from './kit/Gauge.vue';</script><template><Gauge wide /></template>`,
    '<script setup>defineProps(["wide"])</script><template><b>{{ wide }}</b></template>',
  ],
])('a component may render another of its own name: %s', (ending, outer, inner) => {
  const lines = findingLines({ [`Gauge.${ending}`]: outer, [`kit/Gauge.${ending}`]: inner });
  expect(lines.filter((line) => !line.includes('component/unused'))).toEqual([]);
});

test('a component renders itself', () => {
  const lines = findingLines({
    ...SVELTE_MOUNT,
    'App.svelte': file('export let depth = 0;', '{#if depth < 3}<svelte:self dpeth={depth + 1} />{/if}'),
    'Tree.vue': `<script setup>defineProps({ depth: Number })</script><template><p><Tree v-if="depth" :dept="depth - 1" /></p></template>`,
  });
  expect(lines.filter((line) => line.includes('prop/unknown'))).toEqual([
    'error prop/unknown App.svelte:4 dpeth',
    'warning prop/unknown Tree.vue:1 dept',
  ]);
});

test('one repository, three languages, no confusion of names', () => {
  const lines = findingLines({
    'a/main.ts': SVELTE_MOUNT['main.ts']!,
    'a/App.svelte': app('<Gauge wind={1} />').replace('./Gauge', './Gauge'),
    'a/Gauge.svelte': file('export let wind: number;', '<b>{wind}</b>'),
    'b/main.ts': `import { createApp } from 'vue';\nimport App from './App.vue';\ncreateApp(App).mount('#b');`,
    'b/App.vue': `<script setup>\nimport Gauge from './Gauge.vue';\n</script>\n<template><Gauge unit="x" /></template>`,
    'b/Gauge.vue': `<script setup>\ndefineProps({ unit: String });\n</script>\n<template><b>{{ unit }}</b></template>`,
    'c/main.tsx': `import { createRoot } from 'react-dom/client';\nimport { App } from './App';\ncreateRoot(document.body).render(<App />);`,
    'c/App.tsx': `import { Gauge } from './Gauge';\nexport const App = () => <Gauge n={1} />;`,
    'c/Gauge.tsx': `export const Gauge = ({ n }: { n: number }) => <b>{n}</b>;`,
  });
  expect(lines).toEqual([]);
});
