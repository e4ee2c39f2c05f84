/** Functions that a function of a module makes: each call's has what that call was given. */
import { type Idiom, idioms } from './reaching';
import { reactApp, svelteApp, vueApp } from './testing';

/** How the function is made, and how it is asked for with a setter and the state. */
const REACT: [what: string, code: string, made: (name: string, set: string) => string][] = [
  ['that sets', 'function make(set: any) { return (v: any) => { set(v); }; }', (_, set) => `make(${set})`],
  ['in short', 'const make = (set: any) => (v: any) => set(v);', (_, set) => `make(${set})`],
  [
    'that sets a member of a copy',
    'function make(key: string, all: any, set: any) { return (v: any) => { set({ ...all, [key]: v }); }; }',
    (name, set) => `make('x', ${name}, ${set})`,
  ],
  [
    'that changes a copy before',
    'function make(key: string, all: any, set: any) { return (v: any) => { const next = { ...all }; next[key] = v; set(next); }; }',
    (name, set) => `make('x', ${name}, ${set})`,
  ],
  [
    'in an object',
    'const make = ({ set }: any) => ({ go: (v: any) => set(v) });',
    (_, set) => `make({ set: ${set} }).go`,
  ],
  [
    'by one that makes another',
    'const deep = (set: any) => (v: any) => set(v); const make = (set: any) => deep((v: any) => set(v + 1));',
    (_, set) => `make(${set})`,
  ],
];

const twice = (made: (name: string, set: string) => string) =>
  `export function App({ seed }: any) { const [lo, setLo] = useState<any>({}); const [hi, setHi] = useState<any>({}); const [other] = useState('b'); return <><Btn v={seed} onSave={${made('lo', 'setLo')}} /><Low v={other} onSave={${made('hi', 'setHi')}} /><Leaf x={lo} /><Top x={hi} /></>; } function Low({ v, onSave }: any) { return <b onClick={() => onSave(v)} />; } function Top({ x }: any) { return <b>{x}</b>; }`;

const MAKE = `export const setter = (box: any) => (v: any) => { box.value = v; };
export const both = (one: any, two: any) => (v: any) => { one(v); two(v); };
export const told = (store: any) => (v: any) => store.set(v);
export const worked = (store: any) => (v: any) => store.update((old: any) => ({ ...old, last: v }));`;

idioms([
  ...REACT.flatMap(([what, code, made]): Idiom[] => [
    {
      what: `made in React, ${what}`,
      sources: reactApp(code + twice(made)),
      from: 'App:prop:seed',
      to: ['Btn:event:onSave', 'App:state:lo', 'Leaf:prop:x'],
      not: ['App:state:hi', 'Top:prop:x'],
    },
    {
      what: `made in React by another call, ${what}`,
      sources: reactApp(code + twice(made)),
      from: 'App:state:other',
      to: ['Low:event:onSave', 'App:state:hi', 'Top:prop:x'],
      not: ['App:state:lo', 'Leaf:prop:x'],
    },
  ]),
  {
    what: 'made in Vue, of a box',
    sources: vueApp(
      `import { setter } from './make'; const lo = ref(1); const hi = ref(2); const onLo = setter(lo); const onHi = setter(hi);`,
      '<Btn :v="3" @save="onLo" /><Leaf :x="lo" /><b @click="onHi(4)">{{ hi }}</b>',
      { 'make.ts': MAKE },
    ),
    from: 'Btn:event:save',
    to: ['App:state:lo', 'Leaf:prop:x'],
    not: ['App:state:hi'],
  },
  {
    what: 'made in Vue, of functions',
    sources: vueApp(
      `import { both } from './make'; const lo = ref(1); const hi = ref(2); const no = ref(3); const onBoth = both((v: any) => { lo.value = v; }, (v: any) => { hi.value = v; }); const onNo = both((v: any) => { no.value = v; }, () => {});`,
      '<Btn :v="3" @save="onBoth" /><Leaf :x="lo" /><b @click="onNo(4)">{{ hi }} {{ no }}</b>',
      { 'make.ts': MAKE },
    ),
    from: 'Btn:event:save',
    to: ['App:state:lo', 'App:state:hi', 'Leaf:prop:x'],
    not: ['App:state:no'],
  },
  ...['told', 'worked'].map((name): Idiom => ({
    what: `made in Svelte, of a store: ${name}`,
    sources: svelteApp(
      `import { writable } from 'svelte/store'; import { ${name} } from './make'; const lo = writable<any>({}); const hi = writable<any>({}); const onHi = ${name}(hi);`,
      `<Btn v={3} save={${name}(lo)} /><Leaf x={$lo.last} /><button onclick={() => onHi(4)}>{$hi}</button>`,
      { 'make.ts': MAKE },
    ),
    from: 'Btn:event:save',
    to: ['App:state:lo', 'Leaf:prop:x'],
    not: ['App:state:hi'],
  })),
]);
