import { describe } from 'vitest';
import { casesFor, SVELTE_MOUNT } from './testing';
const cases = casesFor(SVELTE_MOUNT, 'App.svelte');
const G = '<script lang="ts">\n  export let n: number;\n  export let note = "";\n</script>\n<b>{n}{note}</b>';
const G5 =
  '<script lang="ts">\n  let { n, note = "", onhold }: { n: number; note?: string; onhold?: (n: number) => void } = $props();\n</script>\n<b onclick={() => onhold?.(n)}>{n}{note}</b>';
describe('svelte', () => {
  cases(/./, [
    [
      'called handlers',
      {
        'B.svelte':
          '<script>\n  import { createEventDispatcher } from "svelte";\n  const d = createEventDispatcher();\n</script>\n<button on:click={() => d("hold")}>a</button>',
        'App.svelte':
          '<script>\n  import B from "./B.svelte";\n  function go() { console.log(1); }\n</script>\n<B on:hold={go()} />\n<button on:click={go()}>b</button>\n<button onclick={go()}>b</button>',
      },
      [
        'error event/called-early App.svelte:5 go()',
        'error event/called-early App.svelte:6 go()',
        'error event/called-early App.svelte:7 go()',
      ],
    ],
    [
      'inputs assigned',
      {
        'G.svelte':
          '<script>\n  export let n;\n  function go() { n += 1; }\n</script>\n<b on:click={go}>{n}</b>\n<input bind:value={n}>\n<i on:click={() => (n = 2)}>c</i>',
        'App.svelte': '<script>\n  import G from "./G.svelte";\n  let x = 1;\n</script>\n<G n={x} />',
      },
      [
        'warning prop/overwritten G.svelte:3 n += 1',
        'warning prop/overwritten G.svelte:6 bind:value={n}',
        'warning prop/overwritten G.svelte:7 n = 2',
      ],
    ],
    [
      'inputs assigned, bound',
      {
        'G.svelte':
          '<script>\n  export let n;\n  function go() { n += 1; }\n</script>\n<b on:click={go}>{n}</b>',
        'App.svelte': '<script>\n  import G from "./G.svelte";\n  let x = 1;\n</script>\n<G bind:n={x} />{x}',
      },
      [],
    ],
    [
      'lower-case import',
      {
        'gauge.svelte': G,
        'App.svelte':
          '<script>\n  import gauge from "./gauge.svelte";\n  import Gauge from "./gauge.svelte";\n</script>\n<gauge n={1} /><Gauge />',
      },
      [
        'error component/lowercase App.svelte:5 gauge',
        'error prop/missing App.svelte:5 Gauge',
        'note prop/never-passed gauge.svelte:3 note',
      ],
    ],
    [
      'dynamic component',
      {
        'A.svelte': G,
        'B.svelte': G,
        'App.svelte':
          '<script>\n  import A from "./A.svelte";\n  import B from "./B.svelte";\n  let wide = true;\n  const table = { a: A, b: B };\n</script>\n<svelte:component this={wide ? A : B} note="a" />\n<svelte:component this={table.a} n="1" note="b" />\n<button on:click={() => (wide = !wide)}>c</button>',
      },
      [
        'error prop/missing App.svelte:7 svelte:component',
        'error prop/missing App.svelte:7 svelte:component',
        'error prop/type-clash App.svelte:8 n',
      ],
    ],
    [
      'unknown spread carries no listeners',
      {
        'B.svelte':
          '<script>\n  import { createEventDispatcher } from "svelte";\n  const d = createEventDispatcher();\n</script>\n<button on:click={() => d("hold")}>a</button>',
        'App.svelte':
          '<script>\n  import B from "./B.svelte";\n  export let rest = {};\n</script>\n<B {...rest} />',
      },
      ['note prop/never-passed App.svelte:3 rest', 'warning event/unheard B.svelte:5 "hold"'],
    ],
    [
      'half pair and bind',
      {
        'G.svelte': G5.replace('n, note', 'n = $bindable(1), note'),
        'App.svelte':
          '<script lang="ts">\n  import G from "./G.svelte";\n  let n = $state(1);\n</script>\n<G bind:n note="a" onhold={(s: string) => s} />',
      },
      ['error event/payload-clash App.svelte:5 (s: string) => s'],
    ],
    [
      'snippets',
      {
        'L.svelte':
          '<script>\n  let { items, row, footer } = $props();\n</script>\n{#each items as item}{@render row(item, 1)}{/each}{@render footer?.()}',
        'App.svelte':
          '<script>\n  import L from "./L.svelte";\n</script>\n<L items={[1]}>{#snippet row(item, at, more)}{item}{at}{more}{/snippet}{#snippet head()}a{/snippet}</L>',
      },
      [
        'error slot/prop-unknown App.svelte:4 more',
        'error slot/unknown App.svelte:4 head',
        'note slot/unfilled L.svelte:4 {@render footer?.()}',
      ],
    ],
    [
      'let derived',
      {
        'G.svelte': '<script>\n  export let n;\n  let twice;\n  $: twice = n * 2;\n</script>\n<b>{twice}</b>',
        'App.svelte': '<script>\n  import G from "./G.svelte";\n  let x = 1;\n</script>\n<G n={x} />',
      },
      [],
    ],
    [
      'radio value',
      {
        'App.svelte':
          '<script>\n  let picked = "a";\n</script>\n<input type="radio" value="a" bind:group={picked} />{picked}',
      },
      [],
    ],
    [
      'context map of a mount',
      {
        'Side.svelte':
          '<script>\n  import { getContext } from "svelte";\n  const a = getContext("a");\n</script>\n<b>{a.x}</b>',
        'side.ts':
          'import { mount } from "svelte";\nimport Side from "./Side.svelte";\nconst context = new Map([["a", 1]]);\nmount(Side, { target: document.body, context });',
        'App.svelte': '<p>a</p>',
      },
      [],
    ],
    [
      'exposed function gives handle',
      {
        'In.svelte': '<script>\n  export function hold() {}\n</script>\n<b>a</b>',
        'Mid.svelte':
          '<script>\n  import In from "./In.svelte";\n  let inner;\n  export const get = () => inner;\n</script>\n<In bind:this={inner} />',
        'App.svelte':
          '<script>\n  import Mid from "./Mid.svelte";\n  let mid;\n  function go() { mid.get().hold(); }\n</script>\n<Mid bind:this={mid} /><b on:click={go}>a</b>',
      },
      ['warning ref/reach-through App.svelte:4 mid.get'],
    ],
    [
      'existence test guards',
      {
        'G.svelte':
          '<script>\n  import { getContext, hasContext } from "svelte";\n  const a = hasContext("a") ? getContext("a") : undefined;\n  const b = getContext("b");\n  const c = getContext("c");\n</script>\n{#if b}<b>{b.x}</b>{/if}<i>{a?.x}</i>{#if c.x}y{/if}',
        'App.svelte': '<script>\n  import G from "./G.svelte";\n</script>\n<G />',
      },
      ['error context/no-provider G.svelte:5 getContext("c")'],
    ],
    [
      'set context in handler',
      {
        'App.svelte':
          '<script>\n  import { setContext } from "svelte";\n  function go() { setContext("a", 1); }\n</script>\n<b on:click={go}>a</b>\n<b onclick={() => setContext("b", 2)}>b</b>',
      },
      [
        'error context/wrong-time App.svelte:3 setContext("a", 1)',
        'error context/wrong-time App.svelte:6 setContext("b", 2)',
      ],
    ],
    [
      'ref above its declaration',
      {
        'G.svelte': '<script>\n  export function filter() {}\n</script>\n<b>a</b>',
        'App.svelte':
          '<script>\n  import G from "./G.svelte";\n  const go = () => g.filter();\n  const no = () => g.stop();\n  let g;\n</script>\n<G bind:this={g} /><b on:click={go} on:blur={no}>a</b>',
      },
      ['error ref/unknown-member App.svelte:4 stop'],
    ],
    [
      'a handle that is handed on, and one that a child may fill',
      {
        'G.svelte': '<script>\n  export function filter() {}\n</script>\n<b>a</b>',
        'H.svelte': '<script>\n  export let held;\n</script>\n<b bind:this={held}>a</b>',
        'App.svelte':
          '<script>\n  import G from "./G.svelte";\n  import H from "./H.svelte";\n  let g;\n  let h;\n  const go = () => { console.log(g); g.stop(); h.stop(); };\n</script>\n<G bind:this={g} /><G bind:this={h} /><H bind:held={h} /><b on:click={go}>a</b>',
      },
      ['error ref/unknown-member App.svelte:6 stop'],
    ],
    [
      'store contexts typed',
      {
        'keys.ts': 'export const KEY = Symbol();',
        'G.svelte':
          '<script lang="ts">\n  import { getContext } from "svelte";\n  import { KEY } from "./keys";\n  const wind = getContext<{ speed: number; unit: string }>(KEY);\n</script>\n<b>{wind.speed}{wind.unit}</b>',
        'App.svelte':
          '<script lang="ts">\n  import { setContext } from "svelte";\n  import { KEY } from "./keys";\n  import G from "./G.svelte";\n  setContext(KEY, { speed: "3", unit: "a" });\n</script>\n<G />',
      },
      ['error context/type-clash App.svelte:5 { speed: "3", unit: "a" }'],
    ],
    [
      'context after await',
      {
        'App.svelte':
          '<script>\n  import { getContext, setContext } from "svelte";\n  let x;\n  async function load() { await fetch("a"); setContext("z", 1); }\n  load();\n</script>\n<b>{x}</b>',
      },
      ['error context/wrong-time App.svelte:4 setContext("z", 1)'],
    ],
  ]);
});

describe('events of the page, and parts that are loaded', () => {
  cases(/./, [
    [
      'what the page raises on an element may be heard',
      {
        'App.svelte': `<script>import Row from './Row.svelte';</script><Row />`,
        'Row.svelte': '<b on:click>x</b>',
      },
      [],
    ],
    [
      'a part that is loaded loses its state as any other',
      {
        'App.svelte': `<script>let C; import('./Row.svelte').then((m) => C = m.default); let wide = false;</script>
{#if wide}<div><svelte:component this={C} /></div>{:else}<svelte:component this={C} />{/if}`,
        'Row.svelte': '<script>let n = 0;</script><b on:click={() => n++}>{n}</b>',
      },
      ['warning portal/state-lost App.svelte:2 svelte:component'],
    ],
    [
      'what is worked out again is not lost, nor is what never changes; what is bound is',
      {
        'App.svelte': `<script>import Row from './Row.svelte'; import Field from './Field.svelte'; import Meter from './Meter.svelte'; let wide = false;</script>
{#if wide}<div><Row n={1} /><Field /><Meter /></div>{:else}<Row n={2} /><Field /><Meter />{/if}`,
        'Row.svelte':
          '<script>export let n; let shown; let held = make(n); $: { shown = n + 1; }</script><b>{shown} {held}</b>',
        'Field.svelte':
          '<script>let text = "", wide = 0;</script><svelte:window bind:innerWidth={wide} /><input bind:value={text} />{wide}',
        'Meter.svelte':
          '<script>let wide = 0;</script><svelte:window bind:innerWidth={wide} /><b bind:clientWidth={wide}>{wide}</b>',
      },
      ['warning portal/state-lost App.svelte:2 Field'],
    ],
  ]);
});

describe('Svelte: what takes any prop takes no name, slot or listener by that', () => {
  const CABIN =
    '<script>\n  import { createEventDispatcher } from "svelte";\n  export let name;\n  const raise = createEventDispatcher();\n</script>\n<div {...$$restProps} class={$$props.class} on:click={() => raise("hold", name)}>{name}<slot name="sign" /></div>';
  const use = (tag: string) => ({
    'App.svelte': `<script>\n  import Cabin from "./Cabin.svelte";\n  const go = () => {};\n</script>\n${tag}`,
  });
  cases(/unknown/, [
    [
      'all that it has',
      { 'Cabin.svelte': CABIN, ...use('<Cabin name="a" tall={3} on:hold={go}><b slot="sign">b</b></Cabin>') },
      [],
    ],
    [
      'a name in the markup',
      {
        'Cabin.svelte': CABIN.replace('{name}<slot', '{nmae}<slot'),
        ...use('<Cabin name="a" on:hold={go} />'),
      },
      ['error template/unknown-name Cabin.svelte:6 nmae'],
    ],
    [
      'a slot',
      { 'Cabin.svelte': CABIN, ...use('<Cabin name="a" on:hold={go}><b slot="sing">b</b></Cabin>') },
      ['error slot/unknown App.svelte:5 <b slot="sing">b</b>'],
    ],
    [
      'a listener',
      { 'Cabin.svelte': CABIN, ...use('<Cabin name="a" on:hodl={go} on:hold={go} />') },
      ['error event/unknown App.svelte:5 hodl'],
    ],
    [
      'a native event that nobody hands up',
      { 'Cabin.svelte': CABIN, ...use('<Cabin name="a" on:keydown={go} on:hold={go} />') },
      ['error event/unknown App.svelte:5 keydown'],
    ],
    [
      'events that the component itself is asked to hand up',
      {
        'forward.js':
          'export function forwarded(component) { return (node) => { component.$on("x", () => {}); }; }',
        'Cabin.svelte':
          '<script>\n  import { get_current_component } from "svelte/internal";\n  import { forwarded } from "./forward.js";\n  const forward = forwarded(get_current_component());\n</script>\n<div use:forward class={$$props.class}><slot /></div>',
        ...use('<Cabin on:keydown={go}>a</Cabin>'),
      },
      [],
    ],
    [
      'snippets are props, and may be taken with all others',
      {
        'Cabin.svelte':
          '<script>\n  let { name, ...others } = $props();\n</script>\n<div {...others}>{name}</div>',
        ...use('<Cabin name="a">{#snippet sign()}<b>b</b>{/snippet}</Cabin>'),
      },
      [],
    ],
  ]);
});
