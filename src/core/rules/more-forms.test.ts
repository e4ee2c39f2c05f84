import { describe } from 'vitest';
import { cases as react, casesFor, SVELTE_MOUNT, VUE_MOUNT } from './testing';
const svelte = casesFor(SVELTE_MOUNT, 'App.svelte');
const vue = casesFor(VUE_MOUNT, 'App.vue');
const sfc = (script: string, template: string) =>
  `<script setup lang="ts">\n${script}\n</script>\n<template>${template}</template>`;
describe('svelte', () => {
  svelte(/./, [
    [
      'default clash',
      {
        'G.svelte':
          '<script lang="ts">\n  export let n: number = "a";\n  export let s: string = "b";\n</script>\n<b>{n}{s}</b>',
        'App.svelte': '<script>\n  import G from "./G.svelte";\n</script>\n<G n={1} s="c" />',
      },
      ['error prop/default-clash G.svelte:2 "a"'],
    ],
    [
      'default clash 5',
      {
        'G.svelte':
          '<script lang="ts">\n  let { n = "a", s = "b" }: { n?: number; s?: string } = $props();\n</script>\n<b>{n}{s}</b>',
        'App.svelte': '<script>\n  import G from "./G.svelte";\n</script>\n<G n={1} s="c" />',
      },
      ['error prop/default-clash G.svelte:2 "a"'],
    ],
    [
      'undeclared',
      {
        'G.svelte':
          '<script lang="ts">\n  import { createEventDispatcher } from "svelte";\n  const d = createEventDispatcher<{ hold: number }>();\n</script>\n<b on:click={() => { d("hold", 1); d("free"); }}>a</b>',
        'App.svelte':
          '<script>\n  import G from "./G.svelte";\n</script>\n<G on:hold={() => 1} on:free={() => 2} />',
      },
      ['note event/undeclared G.svelte:5 "free"'],
    ],
    [
      'half pair',
      {
        'G.svelte':
          '<script lang="ts">\n  let { open = false, onopenchange }: { open?: boolean; onopenchange?: (open: boolean) => void } = $props();\n</script>\n<b onclick={() => onopenchange?.(!open)}>{open}</b>',
        'App.svelte':
          '<script>\n  import G from "./G.svelte";\n</script>\n<G open={true} /><G open={true} onopenchange={() => 1} />',
      },
      ['note event/half-pair App.svelte:4 open'],
    ],
    [
      'double content',
      {
        'G.svelte':
          '<script lang="ts">\n  import type { Snippet } from "svelte";\n  let { children }: { children: Snippet } = $props();\n</script>\n<b>{@render children()}</b>',
        'App.svelte':
          '<script>\n  import G from "./G.svelte";\n</script>\n{#snippet body()}x{/snippet}\n<G children={body}>y</G><G children={body} />',
      },
      ['warning slot/double-content App.svelte:5 children'],
    ],
    [
      'setup race',
      {
        'keys.ts': 'export const shared = { mode: "a" };',
        'G.svelte':
          '<script>\n  import { shared } from "./keys";\n  shared.mode = "g";\n</script>\n<b>{shared.mode}</b>',
        'App.svelte':
          '<script>\n  import G from "./G.svelte";\n  import { shared } from "./keys";\n  shared.mode = "app";\n</script>\n<G />',
      },
      ['warning state/setup-race App.svelte:4 shared.mode = "app"'],
    ],
    [
      'twin',
      {
        'G.svelte': '<script>\n  let filter = "";\n</script>\n<input bind:value={filter}>{filter}',
        'App.svelte':
          '<script>\n  import G from "./G.svelte";\n  let filter = "";\n</script>\n<input bind:value={filter}><G />{filter}',
      },
      ['note state/twin G.svelte:2 filter'],
    ],
    [
      'constant, unused, never passed',
      {
        'G.svelte':
          '<script>\n  export let a;\n  export let b = 1;\n  export let c = undefined;\n</script>\n<b>{a}{b}{c}</b>',
        'Old.svelte': '<b>a</b>',
        'App.svelte': '<script>\n  import G from "./G.svelte";\n</script>\n<G a="x" /><G a="x" /><G a="x" />',
      },
      [
        'note prop/constant G.svelte:2 a',
        'note prop/never-passed G.svelte:3 b',
        'warning prop/never-passed G.svelte:4 c',
        'note component/unused Old.svelte:1 ',
      ],
    ],
    [
      'unguarded',
      {
        'G.svelte':
          '<script lang="ts">\n  let { onhold, n }: { onhold?: (n: number) => void; n: number } = $props();\n</script>\n<b onclick={() => onhold(n)}>{n}</b>',
        'App.svelte':
          '<script>\n  import G from "./G.svelte";\n</script>\n<G n={1} /><G n={1} onhold={() => 1} />',
      },
      ['warning event/unguarded-call G.svelte:4 onhold(n)'],
    ],
    [
      'slot unfilled, unknown slot',
      {
        'G.svelte': '<b><slot name="head" /><slot /></b>',
        'App.svelte': '<script>\n  import G from "./G.svelte";\n</script>\n<G><i slot="foot">a</i>b</G>',
      },
      [
        'error slot/unknown App.svelte:4 <i slot="foot">a</i>',
        'note slot/unfilled G.svelte:1 <slot name="head" />',
      ],
    ],
  ]);
});
describe('vue', () => {
  vue(/./, [
    [
      'not forwarded',
      {
        'G.ts': `import { h } from 'vue';\nexport const G = (props: { n: number }) => h('b', props.n);\nG.props = { n: { type: Number, required: true } };`,
        'App.vue': sfc(
          "import { ref } from 'vue'; import { G } from './G'; const g = ref(); const go = () => g.value.x;",
          '<G ref="g" :n="1" /><b @click="go" />',
        ),
      },
      ['error ref/not-forwarded App.vue:4 ref'],
    ],
    [
      'constant, twin, drilled',
      {
        'In.vue': sfc('defineProps<{ tone: string; kind: string }>()', '<b>{{ tone }}{{ kind }}</b>'),
        'Mid.vue': sfc(
          "import In from './In.vue'; defineProps<{ tone: string }>()",
          '<In :tone="tone" kind="a" />',
        ),
        'Top.vue': sfc("import Mid from './Mid.vue'; defineProps<{ hue: string }>()", '<Mid :tone="hue" />'),
        'App.vue': sfc(
          "import { ref } from 'vue'; import Top from './Top.vue'; const hue = ref('a'); const go = () => { hue.value = 'b'; };",
          '<Top :hue="hue" @click="go" />',
        ),
      },
      ['warning prop/drilled Top.vue:2 hue'],
    ],
    [
      'relayed',
      {
        'In.vue': sfc(
          'const emit = defineEmits<{ hold: [n: number] }>()',
          '<b @click="emit(\'hold\', 1)">a</b>',
        ),
        'Mid.vue': sfc(
          "import In from './In.vue'; const emit = defineEmits<{ hold: [n: number] }>()",
          '<In @hold="emit(\'hold\', $event)" />',
        ),
        'Top.vue': sfc(
          "import Mid from './Mid.vue'; const emit = defineEmits<{ held: [n: number] }>(); const pass = (n: number) => emit('held', n);",
          '<Mid @hold="pass" />',
        ),
        'App.vue': sfc("import Top from './Top.vue';", '<Top @held="(n) => n" />'),
      },
      ["warning event/relayed Mid.vue:4 emit('hold', $event)"],
    ],
    [
      'payload',
      {
        'In.vue': sfc(
          'const emit = defineEmits<{ hold: [n: number, s: string] }>()',
          "<b @click=\"emit('hold', 'x', 'y')\" @blur=\"emit('hold', 1)\">a</b>",
        ),
        'App.vue': sfc(
          "import In from './In.vue'; const go = (n: string) => n; const more = (a: number, b: string, c: boolean) => [a, b, c];",
          '<In @hold="go" /><In @hold="more" />',
        ),
      },
      [
        'error event/payload-clash App.vue:4 go',
        'error event/payload-clash App.vue:4 more',
        "error event/payload-clash In.vue:4 emit('hold', 'x', 'y')",
      ],
    ],
    [
      'refs',
      {
        'G.vue': sfc('const secret = 1; defineExpose({ hold() {} });', '<b>{{ secret }}</b>'),
        'App.vue': sfc(
          "import { ref, useTemplateRef, onMounted } from 'vue'; import G from './G.vue'; const g = ref<InstanceType<typeof G> | null>(null); const box = useTemplateRef<HTMLElement>('box'); g.value.hold(); onMounted(() => { g.value!.secret; });",
          '<G ref="g" /><b ref="box" />',
        ),
      },
      [
        'note ref/unread App.vue:2 box',
        'error ref/early-read App.vue:2 g.value.hold',
        'error ref/unknown-member App.vue:2 secret',
      ],
    ],
    [
      'contexts',
      {
        'keys.ts': `import type { InjectionKey, Ref } from 'vue';\nexport const WIND: InjectionKey<Ref<number>> = Symbol();\nexport const OLD: InjectionKey<string> = Symbol();`,
        'G.vue': sfc(
          "import { inject } from 'vue'; import { WIND } from './keys'; const w = inject(WIND)!;",
          '<b>{{ w.toFixed(1) }}</b>',
        ),
        'M.vue': sfc(
          "import { provide, ref } from 'vue'; import { WIND } from './keys'; import G from './G.vue'; const x = ref('x'); provide(WIND, x);",
          '<G />',
        ),
        'App.vue': sfc(
          "import { provide, ref } from 'vue'; import { OLD, WIND } from './keys'; import M from './M.vue'; provide(WIND, ref(1)); provide(OLD, 'a');",
          '<M />',
        ),
      },
      [
        'warning context/unread App.vue:2 OLD',
        'note context/shadowed M.vue:2 WIND',
        'error context/type-clash M.vue:2 x',
      ],
    ],
    [
      'lists',
      {
        'G.vue': sfc(
          'const props = defineProps<{ items: string[]; at: { n: number } }>(); const add = () => { props.items.push("a"); props.at.n = 3; };',
          '<b @click="add">{{ items }}{{ at }}</b>',
        ),
        'App.vue': sfc(
          "import { ref } from 'vue'; import G from './G.vue'; const items = ref(['a']); const at = ref({ n: 1 });",
          '<G :items="items" :at="at" />',
        ),
      },
      [
        'warning prop/overwritten G.vue:2 props.items.push("a")',
        'warning prop/overwritten G.vue:2 props.at.n = 3',
      ],
    ],
    [
      'never updated',
      {
        'F.vue': sfc(
          "defineProps<{ open: boolean; modelValue: string }>(); const emit = defineEmits<{ 'update:modelValue': [s: string] }>();",
          "<b @click=\"emit('update:modelValue', 'a')\">{{ open }}{{ modelValue }}</b>",
        ),
        'App.vue': sfc(
          "import { ref } from 'vue'; import F from './F.vue'; const o = ref(true); const m = ref('a');",
          '<F v-model="m" v-model:open="o" />',
        ),
      },
      ['error event/unknown App.vue:4 open'],
    ],
    [
      'jsx',
      {
        'T.vue': `<script>
export default {
  name: 'T',
  props: { n: Number },
  methods: {
    go() { console.log(this.n); },
  },
  render() {
    const { go } = this;
    return <b on-click={go()} onKeydown={this.go()}>{this.n}</b>;
  },
};
</script>`,
        'App.vue': sfc("import T from './T.vue'", '<T :n="1" />'),
      },
      ['error event/called-early T.vue:10 go()', 'error event/called-early T.vue:10 this.go()'],
    ],
  ]);
});
describe('react', () => {
  react(/./, [
    [
      'key clash strings n/a, unknown names',
      `export function App() { return <Gauge2 />; }`,
      ['error component/unresolved App.tsx:1 Gauge2'],
    ],
    [
      'slot props',
      `function List({ items, row }: { items: number[]; row: (o: { item: number }) => React.ReactNode }) { return <>{items.map((item) => row({ item }))}</>; }
export function App() { return <List items={[1]} row={({ item, at }) => <b>{item}{at}</b>} />; }`,
      ['error slot/prop-unknown App.tsx:2 at'],
    ],
    [
      'relayed callbacks',
      `import { useState } from 'react';
function In({ onHold }: { onHold: (n: number) => void }) { return <b onClick={() => onHold(1)} />; }
function Mid({ onHold }: { onHold: (n: number) => void }) { return <In onHold={(n) => onHold(n)} />; }
function Top({ onHeld }: { onHeld: (n: number) => void }) { const pass = (n: number) => { onHeld(n); }; return <Mid onHold={pass} />; }
export function App() { const [n, set] = useState(0); return <Top onHeld={set} />; }`,
      ['warning event/relayed App.tsx:3 (n) => onHold(n)'],
    ],
    [
      'refs',
      `import { forwardRef, useImperativeHandle, useRef, useEffect } from 'react';
const G = forwardRef((props, ref) => { useImperativeHandle(ref, () => ({ hold() {} })); return <b />; });
function Plain() { return <b />; }
export function App() { const g = useRef(null); const p = useRef(null); const box = useRef(null); const none = useRef(null);
  box.current.focus(); useEffect(() => { g.current.free(); none.current.x(); });
  return <><G ref={g} /><Plain ref={p} /><b ref={box} /></>; }`,
      [
        'note ref/unread App.tsx:4 p',
        'warning ref/unattached App.tsx:4 none',
        'error ref/early-read App.tsx:5 box.current.focus',
        'error ref/unknown-member App.tsx:5 free',
      ],
    ],
    [
      'twin and stale and race',
      {
        'shared.ts': 'export const shared = { mode: "a" };',
        'App.tsx': `import { useState } from 'react';
import { shared } from './shared';
function G({ n, filter: f }: { n: number; filter?: string }) { const [at, setAt] = useState(n); const [filter, setFilter] = useState(''); shared.mode = 'g'; return <b onClick={() => { setAt(1); setFilter('a'); }}>{at}{filter}{f}{shared.mode}</b>; }
export function App() { const [filter, setFilter] = useState(''); shared.mode = 'a'; return <><input onChange={(e) => setFilter(e.target.value)} />{filter}<G n={1} filter="x" /></>; }`,
      },
      [
        'note prop/stale-copy App.tsx:3 at',
        'note state/twin App.tsx:3 filter',
        "warning state/setup-race App.tsx:4 shared.mode = 'a'",
      ],
    ],
  ]);
});
