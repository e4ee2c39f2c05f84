/** Svelte beyond one file: functions that components call, keys, what scripts mount, tags chosen among components. */
import { describe } from 'vitest';
import { casesFor, SVELTE_MOUNT, type Case } from './testing';

const cases = casesFor(SVELTE_MOUNT, 'App.svelte');

const file = (script: string, markup = '') => `<script lang="ts">\n${script}\n</script>\n${markup}`;

const FLEET = `import { getContext, setContext } from 'svelte';
interface Fleet { cabins: number }
const KEY = Symbol();
export function setFleet(fleet: Fleet) { setContext(KEY, fleet); }
export function getFleet() { return getContext<Fleet>(KEY); }`;
const PAIR = `import { createContext } from 'svelte';
interface Fleet { cabins: number }
export const [getFleet, setFleet] = createContext<Fleet>();`;
const READER = file(
  `import { getFleet } from './fleet';\nconst fleet = getFleet();`,
  '<b>{fleet.cabins}</b>',
);
const app = (script: string) => file(`import Reader from './Reader.svelte';\n${script}`, '<Reader />');

describe('contexts behind functions', () => {
  cases(
    /^context\//,
    [FLEET, PAIR].flatMap((fleet, i): Case[] => [
      [
        `provided above (${i})`,
        {
          'fleet.ts': fleet,
          'Reader.svelte': READER,
          'App.svelte': app(`import { setFleet } from './fleet';\nsetFleet({ cabins: 3 });`),
        },
        [],
      ],
      [
        `provided by nobody (${i})`,
        { 'fleet.ts': fleet, 'Reader.svelte': READER, 'App.svelte': app('') },
        ['error context/no-provider Reader.svelte:3 getFleet()'],
      ],
    ]),
  );
});

describe('keys that are asked for otherwise', () => {
  const hall = file(
    `import { setContext } from 'svelte';\nimport Reader from './Reader.svelte';\nsetContext('fleet', 1);\nsetContext('spare', 2);`,
    '<Reader />',
  );
  const reader = (script: string) => file(script, '<b />');
  cases(/^context\//, [
    [
      'whether there is one',
      {
        'Reader.svelte': reader(
          `import { hasContext } from 'svelte';\nconst known = hasContext('fleet') && hasContext('none');`,
        ),
        'App.svelte': hall,
      },
      [`warning context/unread App.svelte:5 'spare'`],
    ],
    [
      'all together',
      {
        'Reader.svelte': reader(`import { getAllContexts } from 'svelte';\nconst all = getAllContexts();`),
        'App.svelte': hall,
      },
      [],
    ],
  ]);
});

describe('what is provided later', () => {
  cases(/^context\//, [
    [
      'by a function inside a function, nobody knows when',
      {
        'fleet.ts': `${FLEET}\nexport function useFleet() { return { open: () => setContext(KEY, { cabins: 1 }) }; }`,
        'Reader.svelte': READER,
        'App.svelte': app(
          `import { setFleet, useFleet } from './fleet';\nuseFleet().open();\nsetFleet({ cabins: 3 });`,
        ),
      },
      [],
    ],
  ]);
});

describe('what scripts mount', () => {
  const gauge = file('let { wind }: { wind: number } = $props();', '<b>{wind}</b>');
  const cases = casesFor({}, '');
  const main = (call: string, imports = `import { mount } from 'svelte';`) =>
    `${imports}\nimport Gauge from './Gauge.svelte';\n${call};`;
  cases(/^(prop|component)\//, [
    [
      'with all that it needs',
      { 'Gauge.svelte': gauge, 'main.ts': main('mount(Gauge, { target, props: { wind: 3 } })') },
      [],
    ],
    [
      'without',
      { 'Gauge.svelte': gauge, 'main.ts': main('mount(Gauge, { target })') },
      ['error prop/missing main.ts:3 Gauge'],
    ],
    [
      'a value of another type, a name that is not taken',
      { 'Gauge.svelte': gauge, 'main.ts': main(`mount(Gauge, { target, props: { wind: '3', unti: 1 } })`) },
      ['error prop/type-clash main.ts:3 wind', 'error prop/unknown main.ts:3 unti'],
    ],
    [
      'in the older way',
      { 'Gauge.svelte': gauge, 'main.ts': main('new Gauge({ target, props: { wind: true } })', '') },
      ['error prop/type-clash main.ts:3 wind'],
    ],
    [
      'with options that nobody knows',
      { 'Gauge.svelte': gauge, 'main.ts': main('mount(Gauge, options)') },
      [],
    ],
  ]);
});

describe('tags chosen among components', () => {
  const gauge = file('let { wind }: { wind: number } = $props();', '<b>{wind}</b>');
  const dial = file(
    'let { wind, unit = "" }: { wind: number; unit?: string } = $props();',
    '<i>{wind}{unit}</i>',
  );
  const app = (markup: string, script = '') => ({
    'Gauge.svelte': gauge,
    'Dial.svelte': dial,
    'App.svelte': file(
      `import Gauge from './Gauge.svelte';\nimport Dial from './Dial.svelte';\nlet { wide } = $props();\n${script}`,
      markup,
    ),
  });
  const missing = 'error prop/missing App.svelte:7';
  cases(/^(prop\/(missing|unknown)|component\/)/, [
    [
      'what one takes, the others are given, too',
      app('<svelte:component this={wide ? Gauge : Dial} wind={3} unit="x" />'),
      [],
    ],
    [
      'through what is derived',
      app('<Shown unit="x" />', 'const Shown = $derived(wide ? Gauge : Dial);'),
      [`${missing} Shown`, `${missing} Shown`],
    ],
    [
      'a variable may hold another one later',
      app('<Shown unit="x" />', 'let Shown = $state(Gauge); const all = [Gauge, Dial]; load(all);'),
      [`${missing} Shown`],
    ],
  ]);
});

describe('stores', () => {
  cases(/^(prop|state)\//, [
    [
      'a store that starts from a prop is a copy of it, unless something brings it up to date',
      {
        'Gauge.svelte': file(
          `import { writable } from 'svelte/store';\nexport let wind: number;\nexport let unit: string;\nexport let mast: number;\nconst kept = writable(wind);\nconst shown = writable(unit);\n$: $shown = unit;\nconst at = writable(mast);\n$: at.set(mast);`,
          '<b>{$kept} {$shown} {$at}</b>',
        ),
        'App.svelte': file(`import Gauge from './Gauge.svelte';`, '<Gauge wind={3} unit="kn" mast={1} />'),
      },
      ['note prop/stale-copy Gauge.svelte:6 kept'],
    ],
    [
      'a store of a module that owner and child give a first value is no race',
      {
        'stores.ts': `import { writable } from 'svelte/store';\nexport const mode = writable(0);`,
        'Gauge.svelte': file(`import { mode } from './stores';\n$mode = 1;`, '<b>{$mode}</b>'),
        'App.svelte': file(
          `import Gauge from './Gauge.svelte';\nimport { mode } from './stores';\n$mode = 2;`,
          '<Gauge />',
        ),
      },
      [],
    ],
    [
      'the same literal at every call site',
      {
        'Gauge.svelte': file(
          'let { unit, wind }: { unit: string; wind: number } = $props();',
          '<b>{unit}{wind}</b>',
        ),
        'App.svelte': file(
          `import Gauge from './Gauge.svelte';\nlet n = $state(3);`,
          '<Gauge unit="kn" wind={n} /><Gauge unit="kn" wind={1} /><Gauge unit="kn" wind={1} />',
        ),
      },
      ['note prop/constant Gauge.svelte:2 unit'],
    ],
  ]);
});

describe('keys that are values', () => {
  cases(/^context\//, [
    [
      'a second provider of one key',
      {
        'fleet.ts': FLEET,
        'Reader.svelte': READER,
        'Hall.svelte': file(
          `import Reader from './Reader.svelte';\nimport { setFleet } from './fleet';\nsetFleet({ cabins: 4 });`,
          '<Reader />',
        ),
        'App.svelte': file(
          `import Hall from './Hall.svelte';\nimport Reader from './Reader.svelte';\nimport { setFleet } from './fleet';\nsetFleet({ cabins: 3 });`,
          '<Hall /><Reader />',
        ),
      },
      ['note context/shadowed Hall.svelte:4 setFleet({ cabins: 4 })'],
    ],
  ]);
});

describe('what an app on its way from one style to the other writes', () => {
  const button = file(
    `import { createBubbler, stopPropagation } from 'svelte/legacy';\nconst bubble = createBubbler();`,
    `<b onclick={bubble('hold')}><i onclick={stopPropagation(bubble('turn'))}></i></b>`,
  );
  cases(/^(event|ref|template|prop|slot)\//, [
    [
      'an event that is handed up by its name',
      {
        'Button.svelte': button,
        'App.svelte': file(
          `import Button from './Button.svelte';\nconst go = () => 1;`,
          '<Button on:hold={go} on:turn={go} on:hodl={go} />',
        ),
      },
      ['error event/unknown App.svelte:5 hodl'],
    ],
    [
      'an event of the page under its own name need not be heard',
      {
        'Button.svelte': file(
          `import { createBubbler } from 'svelte/legacy';\nconst bubble = createBubbler();`,
          `<b onfocus={bubble('focus')} onclick={bubble('hold')}></b>`,
        ),
        'App.svelte': file(`import Button from './Button.svelte';`, '<Button />'),
      },
      [`warning event/unheard Button.svelte:5 'hold'`],
    ],
    [
      'a listener of a handle is looked up when the event comes; a text is not',
      {
        'Gate.svelte': file(`export function open() {}`, '<slot />'),
        'App.svelte': file(
          `import Gate from './Gate.svelte';\nlet gate;\nlet other;`,
          '<Gate bind:this={gate}><b on:click={gate.open} /></Gate><Gate bind:this={other}>{other.open()}</Gate>',
        ),
      },
      ['error ref/early-read App.svelte:6 other.open'],
    ],
    [
      'a snippet below its use, beside its use in a component, and one that hands on a prop',
      {
        'Frame.svelte': file('let { children, head } = $props();', '{@render head()}{@render children()}'),
        'App.svelte': file(
          `import Frame from './Frame.svelte';\nlet { children } = $props();`,
          `{#snippet head()}{@render mark(1)}{/snippet}
{#snippet mark(n)}<b>{n}</b>{/snippet}
<Frame {head}>{#snippet row(n)}<i>{n}</i>{/snippet}{@render row(2)}</Frame>
<Frame {head}>{#snippet children()}{@render children?.()}{/snippet}{#snippet foot()}x{/snippet}</Frame>`,
        ),
      },
      ['note slot/unfilled App.svelte:8 {@render children?.()}', 'error slot/unknown App.svelte:8 foot'],
    ],
    [
      'content for a component of the newer kind that places it as the older do, and for one that does not',
      {
        'Form.svelte': file('let { on } = $props();', '<b class:on><slot /><slot name="foot" /></b>'),
        'Rim.svelte': file('let { on } = $props();', '<b class:on><slot name="foot" /></b>'),
        'App.svelte': file(
          `import Form from './Form.svelte';\nimport Rim from './Rim.svelte';`,
          `<Form on={true}><i>a</i><u slot="foot">b</u></Form>
<Rim on={true}><i>a</i><u slot="foot">b</u></Rim>`,
        ),
      },
      ['error slot/no-outlet App.svelte:6 Rim'],
    ],
    [
      'a name that looks like a callback’s and is only shown',
      {
        'Lamp.svelte': file(
          'let { onTop, onPick } = $props();',
          `<b class:top={onTop} onclick={onPick}>{onTop ? 1 : 2}</b>`,
        ),
        'App.svelte': file(`import Lamp from './Lamp.svelte';`, '<Lamp onTop={true} onPick={3} />'),
      },
      ['error prop/type-clash App.svelte:4 onPick'],
    ],
    [
      'events that are heard by the call that mounts',
      {
        'Gate.svelte': file(
          `import { createEventDispatcher } from 'svelte';\nconst dispatch = createEventDispatcher();`,
          `<b on:click={() => dispatch('open')} />`,
        ),
        'App.svelte': file(
          `import { mount } from 'svelte';\nimport { createEventDispatcher } from 'svelte';\nimport Gate from './Gate.svelte';\nconst dispatch = createEventDispatcher();\nconst show = () => mount(Gate, { target: document.body, events: { open: () => dispatch('shown'), close: () => 1 } });`,
          '<b on:click={show} />',
        ),
      },
      ["warning event/unheard App.svelte:6 'shown'", 'error event/unknown App.svelte:6 close'],
    ],
  ]);
});

describe('events that are handed up as they are', () => {
  const raises = file(
    `import { createEventDispatcher } from 'svelte';\nconst dispatch = createEventDispatcher();`,
    `<b on:click={() => dispatch('hold')} />`,
  );
  const hands = (inner: string) => file(`import Inner from './${inner}.svelte';`, '<Inner on:hold />');
  const hears = (inner: string) =>
    file(`import Inner from './${inner}.svelte';\nlet n = 0;`, '<Inner on:hold={() => (n += 1)} />{n}');
  cases(/^(event|prop)\//, [
    [
      'by two components in a row',
      {
        'Lever.svelte': raises,
        'Rail.svelte': hands('Lever'),
        'Box.svelte': hands('Rail'),
        'App.svelte': hears('Box'),
      },
      ['warning event/relayed Rail.svelte:4 hold'],
    ],
    ['by one', { 'Lever.svelte': raises, 'Rail.svelte': hands('Lever'), 'App.svelte': hears('Rail') }, []],
  ]);
});

describe('older components without types', () => {
  const plain = (script: string, markup: string) => `<script>\n${script}\n</script>\n${markup}`;
  cases(/^(prop|template)\//, [
    [
      'a store whose short name looks like a rune',
      {
        'Gauge.svelte': plain(
          `import { getContext } from 'svelte';\nexport let wind = 0;\nconst props = getContext('x');\n$: data = $props.data;`,
          '<b>{wind}{data}</b>',
        ),
        'App.svelte': plain(`import Gauge from './Gauge.svelte';`, '<Gauge wind={3} />'),
      },
      [],
    ],
    [
      'a first value is no type, a comment may say that there is none',
      {
        'Gauge.svelte': plain(
          `export let wide = '';\n/** @type {string | undefined} */\nexport let unit;\n/** @type {number} */\nexport let wind;`,
          '<b>{wide}{unit}{wind}</b>',
        ),
        'App.svelte': plain(`import Gauge from './Gauge.svelte';`, '<Gauge wide={3} />'),
      },
      ['error prop/missing App.svelte:4 Gauge', 'warning prop/never-passed Gauge.svelte:4 unit'],
    ],
    [
      'with types, a first value is one',
      {
        'Gauge.svelte': file(`export let wide = '';`, '<b>{wide}</b>'),
        'App.svelte': plain(`import Gauge from './Gauge.svelte';`, '<Gauge wide={3} />'),
      },
      ['error prop/type-clash App.svelte:4 wide'],
    ],
    [
      'names of the page are known',
      {
        'App.svelte': plain(
          'let navigate = 1;',
          '<b on:click={() => navigator.share({})}>{navigate}{navigat}</b>',
        ),
      },
      ['error template/unknown-name App.svelte:4 navigat'],
    ],
  ]);
});
