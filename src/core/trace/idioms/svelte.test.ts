/** Ways in which values move through components of Svelte. */
import { type Idiom, idioms } from './reaching';

const app = (app: string, more: Record<string, string> = {}) => ({
  'main.js': `import { mount } from 'svelte'; import App from './App.svelte'; mount(App,{target:document.body});`,
  'App.svelte': app,
  'Leaf.svelte': `<script>let { x } = $props();</script><b>{x}</b>`,
  'Btn.svelte': `<script>let { v, onsave } = $props();</script><button onclick={() => onsave(v)}>s</button>`,
  ...more,
});
const runes = (script: string, tpl: string, more: Record<string, string> = {}) =>
  app(
    `<script>
import Leaf from './Leaf.svelte'; import Btn from './Btn.svelte'; import { setContext, getContext, onMount } from 'svelte';
${script}
</script>
${tpl}`,
    more,
  );

const LIST: Idiom[] = [
  {
    what: 'rune class',
    sources: runes(
      `import { fleet } from './fleet.svelte.js'; let seed = $state('a');`,
      `<Btn v={seed} onsave={(v) => fleet.put(v)} /><Leaf x={fleet.kept} />`,
      {
        'fleet.svelte.js': `class Fleet { kept = $state(''); put(v) { this.kept = v; } } export const fleet = new Fleet();`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'factory fn getters',
    sources: runes(
      `import { createFleet } from './fleet.svelte.js'; let seed = $state('a'); const fleet = createFleet();`,
      `<Btn v={seed} onsave={fleet.put} /><Leaf x={fleet.kept} />`,
      {
        'fleet.svelte.js': `export function createFleet() { let kept = $state(''); return { get kept() { return kept; }, put(v) { kept = v; } }; }`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'derived by',
    sources: runes(
      `let seed = $state('a'); let up = $derived.by(() => { const u = seed + '!'; return u; });`,
      `<Leaf x={up} />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'context fn',
    sources: runes(
      `import Deep from './Deep.svelte'; let seed = $state('a'); let kept = $state(''); setContext('k', { get kept() { return kept; }, put: (v) => { kept = v; } });`,
      `<Deep v={seed} /><Leaf x={kept} />`,
      {
        'Deep.svelte': `<script>import { getContext } from 'svelte'; let { v } = $props(); const k = getContext('k');</script><button onclick={() => k.put(v)}>{k.kept}</button>`,
      },
    ),
    from: 'App:state:seed',
    to: ['App:state:kept', 'Leaf:prop:x'],
  },
  {
    what: 'bind',
    sources: runes(
      `import F from './F.svelte'; let seed = $state('a');`,
      `<F bind:value={seed} /><Leaf x={seed} />`,
      { 'F.svelte': `<script>let { value = $bindable() } = $props();</script><input bind:value />` },
    ),
    from: 'F:prop:value',
    to: ['App:state:seed', 'Leaf:prop:x'],
  },
  {
    what: 'snippet param',
    sources: runes(
      `import L from './L.svelte'; let seed = $state(['a']);`,
      `<L items={seed}>{#snippet row(one)}<Leaf x={one} />{/snippet}</L>`,
      {
        'L.svelte': `<script>let { items, row } = $props();</script>{#each items as i}{@render row(i)}{/each}`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'effect',
    sources: runes(
      `let seed = $state('a'); let o = $state(''); $effect(() => { o = seed; });`,
      `<Leaf x={o} />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'spread',
    sources: runes(`let seed = $state('a'); let p = $derived({ x: seed });`, `<Leaf {...p} />`),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'rest',
    sources: runes(`import W from './W.svelte'; let seed = $state('a');`, `<W x={seed} />`, {
      'W.svelte': `<script>import Leaf from './Leaf.svelte'; let { y, ...rest } = $props();</script><Leaf {...rest} />`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'await block',
    sources: runes(
      `let seed = $state('a'); let p = $derived(fetch(seed));`,
      `{#await p then d}<Leaf x={d} />{/await}`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'store subscribe',
    sources: runes(
      `import { wind } from './w.js'; let seed = $state('a'); let k = $state(''); onMount(() => wind.subscribe((v) => { k = v; }));`,
      `<Btn v={seed} onsave={(v) => wind.set(v)} /><Leaf x={k} />`,
      { 'w.js': `import { writable } from 'svelte/store'; export const wind = writable('');` },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'custom store',
    sources: runes(
      `import { wind } from './w.js'; let seed = $state('a');`,
      `<Btn v={seed} onsave={wind.put} /><Leaf x={$wind} />`,
      {
        'w.js': `import { writable } from 'svelte/store'; function createFleet() { const { subscribe, set, update } = writable(''); return { subscribe, put: (v) => set(v) }; } export const wind = createFleet();`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  ...(
    [
      [
        'made in a file without anything of the framework',
        'store.put',
        '$store',
        `import getStore from './make'; export const store = getStore();`,
        `export const getStore = () => { const { subscribe, set } = writable(''); return { subscribe, put: (v) => set(v) }; };\nexport default getStore;`,
      ],
      [
        'method put on a store',
        'store.put',
        '$store',
        `export const store = writable(''); store.put = (v) => store.set(v);`,
      ],
      [
        'method put on what is given back',
        'store.put',
        '$store',
        `const makeIt = () => { const store = writable(''); store.put = (v) => store.set(v); return store; }; export const store = makeIt();`,
      ],
      [
        'method that a function makes for a store',
        'store.put',
        '$store.now',
        `const put = (s) => (v) => { s.update((state) => { state.now = v; return state; }); }; function makeIt() { const store = writable({ now: '' }); store.put = put(store); return store; } export const store = makeIt();`,
      ],
      [
        'member of what a store of its own keeps',
        'store.put',
        '$store.now',
        `function makeIt() { const { subscribe, update } = writable({ now: '' }); return { subscribe, put(v) { update((s) => { s.now = v; return s; }); } }; } export const store = makeIt();`,
      ],
    ] as [string, string, string, string, string?][]
  ).map(([what, put, read, code, make]) => ({
    what,
    sources: runes(
      `import { store } from './w.js'; let seed = $state('a');`,
      `<Btn v={seed} onsave={${put}} /><Leaf x={${read}} />`,
      {
        'w.js': make ? code : `import { writable } from 'svelte/store'; ${code}`,
        ...(make ? { 'make.js': `import { writable } from 'svelte/store'; ${make}` } : {}),
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  })),
  {
    what: 'dispatcher',
    sources: {
      ...app(
        `<script>import Old from './Old.svelte'; import Leaf from './Leaf.svelte'; let seed='a'; let k='';</script><Old v={seed} on:save={(e) => (k = e.detail)} /><Leaf x={k} />`,
      ),
      'Old.svelte': `<script>import { createEventDispatcher } from 'svelte'; export let v; const d = createEventDispatcher();</script><button on:click={() => d('save', v)} />`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
];

/** How a store comes to be, and ways to set one member of what it keeps. */
const STORES = {
  'a store': `export const store = writable({ now: '', other: '' });`,
  'a store that a function makes': `function makeIt() { const store = writable({ now: '', other: '' }); return store; } export const store = makeIt();`,
  'parts of a store': `function makeIt() { const { subscribe, update, set } = writable({ now: '', other: '' }); return { subscribe, update, set }; } export const store = makeIt();`,
};
const SETS = {
  'changed in an update': 'store.update((s) => { s.now = v; return s; })',
  'given back by an update': 'store.update((s) => ({ ...s, now: v }))',
  set: 'store.set({ ...$store, now: v })',
  assigned: '$store.now = v',
  'assigned with all others': '$store = { ...$store, now: v }',
};
idioms(
  Object.entries(STORES).flatMap(([kind, made]) =>
    Object.entries(SETS).map(([way, code]): Idiom => ({
      what: `a member of ${kind}, ${way}`,
      sources: runes(
        `import { store } from './w.js'; import Side from './Side.svelte'; let seed = $state('a'); function put(v) { ${code}; }`,
        `<Btn v={seed} onsave={put} /><Leaf x={$store.now} /><Side y={$store.other} />`,
        {
          'w.js': `import { writable } from 'svelte/store'; ${made}`,
          'Side.svelte': `<script>let { y } = $props();</script><b>{y}</b>`,
        },
      ),
      from: 'App:state:seed',
      to: ['Leaf:prop:x'],
      not: ['Side:prop:y'],
    })),
  ),
);

const legacy = (script: string, markup: string, more: Record<string, string> = {}) => ({
  ...app(
    `<script>import Leaf from './Leaf.svelte'; ${script} let seed = 'a'; const change = () => (seed = 'b');</script><button on:click={change} />${markup}`,
  ),
  'Give.svelte': `<script>export let v;</script><slot name="row" q={v} />`,
  ...more,
});
idioms(
  (
    [
      [
        'what a slot gives to a fragment that fills it',
        `<Give v={seed}><svelte:fragment slot="row" let:q><Leaf x={q} /></svelte:fragment></Give>`,
      ],
      [
        'what a slot gives to an element that fills it',
        `<Give v={seed}><div slot="row" let:q={it}><Leaf x={it} /></div></Give>`,
      ],
      [
        'what a slot gives to a component that fills it',
        `<Give v={seed}><Leaf slot="row" x={q} let:q /></Give>`,
      ],
    ] as const
  ).map(([what, markup]) => ({
    what,
    sources: legacy(`import Give from './Give.svelte';`, markup),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  })),
);
idioms([
  {
    what: 'a word that a reactive statement chooses',
    sources: legacy(`let v = ''; $: if (seed) v = 'y';`, `<Leaf x={v} />`),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'a snippet of its own, with what it is drawn with',
    sources: runes(
      `let seed = $state('a');`,
      `{#snippet row(q)}<Leaf x={q} />{/snippet}{@render row(seed)}<Btn v={seed} onsave={(v) => (seed = v)} />`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'a store that a context gives',
    sources: runes(
      `import { setContext } from 'svelte'; import { writable } from 'svelte/store'; import In from './In.svelte'; let seed = $state('a'); const kept = writable(''); setContext('k', kept);`,
      `<In v={seed} /><Leaf x={$kept} />`,
      {
        'In.svelte': `<script>import { getContext } from 'svelte'; import Btn from './Btn.svelte'; let { v } = $props(); const kept = getContext('k');</script><Btn {v} onsave={(n) => kept.set(n)} />`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
]);

idioms(LIST);
