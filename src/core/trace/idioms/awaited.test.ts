/** What is awaited is what the call gives: its members, and what a helper keeps. */
import { reactApp, svelteApp, vueApp } from './testing';
import { type Idiom, idioms } from './reaching';

const PAIR = 'async function pair(a, b) { await ready(); return { a, b }; }';

const CASES: Idiom[] = [
  {
    what: 'React: a member of what is awaited',
    sources: reactApp(
      `${PAIR} export function App({ seed }){ const [lo, setLo] = useState(0); const [out, setOut] = useState(0); const run = async () => { const { a } = await pair(lo, seed); setOut(a); }; return <i><Btn v={seed} onSave={setLo} /><b onClick={run} /><Leaf x={out} /></i>; }`,
    ),
    from: 'App:state:lo',
    to: ['App:state:out', 'Leaf:prop:x'],
  },
  {
    what: 'React: not the other member',
    sources: reactApp(
      `${PAIR} export function App({ seed }){ const [lo, setLo] = useState(0); const [out, setOut] = useState(0); const run = async () => { const { a } = await pair(seed, lo); setOut(a); }; return <i><Btn v={lo} onSave={setLo} /><b onClick={run} /><Leaf x={out} /></i>; }`,
    ),
    from: 'App:state:lo',
    to: ['Btn:prop:v'],
    not: ['Leaf:prop:x'],
  },
  {
    what: 'Vue: what a composable keeps that is awaited',
    sources: vueApp(
      `import { useLoad } from './useLoad'; const { rows, put } = await useLoad();`,
      '<Leaf :x="rows" /><Btn @save="put" />',
      {
        'useLoad.ts': `import { ref } from 'vue'; export async function useLoad() { const rows = ref<any[]>([]); const put = (v: any) => { rows.value = v; }; await ready(); return { rows, put }; }`,
      },
    ),
    from: 'Btn:event:save',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Svelte: awaited in a handler',
    sources: svelteApp(
      `let lo = $state(0); let out = $state(0); async function twice(v: any) { return v; } async function run(v: any) { lo = v; out = await twice(lo); }`,
      '<Leaf x={out} /><Btn save={run} />',
    ),
    from: 'App:state:lo',
    to: ['App:state:out', 'Leaf:prop:x'],
  },
  {
    what: 'React: a promise that is awaited is no call',
    sources: reactApp(
      `export function App({ seed }){ const [lo, setLo] = useState(0); const [out, setOut] = useState(0); const run = async (p) => { setOut(await p); }; return <i><Btn v={lo} onSave={setLo} /><b onClick={() => run(lo)} /><Leaf x={out} /></i>; }`,
    ),
    from: 'App:state:lo',
    to: ['App:state:out', 'Leaf:prop:x'],
  },
];

idioms(CASES);
