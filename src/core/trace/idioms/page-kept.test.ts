/** What the page keeps for all code on it: its storage, by key, and events that code raises there, by name. */
import { type Idiom, idioms } from './reaching';
import { angularApp, reactApp, svelteApp, vueApp } from './testing';

const reach = (what: string, sources: Record<string, string>, from = 'App:state:seed'): Idiom => ({
  what,
  sources,
  from,
  to: ['Leaf:prop:x'],
});

/** `put` is done with what the button hands up, `d` is what the leaf shows. */
const react = (set: string, put: string, more = '') =>
  reactApp(
    `${more} function App({ seed }: any) { ${set} return <><Btn v={seed} onSave={(v: any) => ${put}} /><Leaf x={d} /></>; }`,
  );
/** The same with what stands in the address of the page. */
const address = (write: string, read: string): Record<string, string> => ({
  'App.tsx': `import { createRoot } from 'react-dom/client'; import { useSearchParams } from 'react-router-dom'; function Leaf({ x }: any) { return <b>{x}</b>; } function Desk({ seed }: any) { const [params, setParams] = useSearchParams(); return <b onClick={() => { ${write} }}>{params.get('other')}</b>; } function Board() { const [params] = useSearchParams(); ${read} return <Leaf x={d} />; } export function App({ seed }: any) { return <><Desk seed={seed} /><Board /></>; } createRoot(document.body).render(<App seed="a" />);`,
});
const GET = `const d = params.get('line');`;
/** In Vue, by the router: a button hands up what is put there, a leaf shows what is read. */
const vueAddress = (
  write: string,
  read: string,
  script = `const router = useRouter(); const route = useRoute();`,
): Record<string, string> =>
  vueApp(
    `import { useRoute, useRouter } from 'vue-router'; ${script} const seed = ref('a'); const put = (v: any) => { ${write} seed.value = 'b'; };`,
    `<Btn :v="seed" @save="put" /><Leaf :x="${read}" />`,
  );
const STORED = `const [d] = useState(() => localStorage.getItem('k'));`;

idioms([
  reach(
    'vue: a parameter of the address',
    vueAddress('router.push({ query: { line: v } });', 'route.query.line'),
  ),
  reach(
    'vue: beside those that there are',
    vueAddress('router.replace({ query: { ...route.query, line: v } });', '$route.query.line'),
  ),
  {
    ...reach(
      'vue: another parameter of the address',
      vueAddress('router.push({ query: { rope: v } });', 'route.query.line'),
    ),
    to: [],
    not: ['Leaf:prop:x'],
  },
  reach('react: a parameter of the address', address('setParams({ line: seed });', GET), 'App:prop:seed'),
  reach(
    'react: by a function of what there is',
    address(`setParams((now) => { now.set('line', seed); return now; });`, GET),
    'App:prop:seed',
  ),
  reach(
    'react: by a function that gives an object',
    address('setParams((now) => ({ ...now, line: seed }), { replace: true });', GET),
    'App:prop:seed',
  ),
  reach(
    'react: by a copy',
    address(`const next = new URLSearchParams(params); next.set('line', seed); setParams(next);`, GET),
    'App:prop:seed',
  ),
  {
    ...reach(
      'react: another parameter of the address',
      address('setParams({ rope: seed });', GET),
      'App:prop:seed',
    ),
    to: [],
    not: ['Leaf:prop:x'],
  },
  reach('react: stored', react(STORED, `localStorage.setItem('k', v)`), 'App:prop:seed'),
  reach(
    'react: stored under a constant, by functions',
    react(
      `const [d] = useState(() => load());`,
      'save(v)',
      `const KEY = 'line'; const save = (v: any) => window.localStorage.setItem(KEY, JSON.stringify(v)); const load = () => JSON.parse(window.localStorage.getItem(KEY) ?? '');`,
    ),
    'App:prop:seed',
  ),
  reach(
    'react: told by an event of the document',
    react(
      `const [d, setD] = useState(''); useEffect(() => { document.addEventListener('put', (e: any) => setD(e.detail.v)); }, []);`,
      `document.dispatchEvent(new CustomEvent('put', { detail: { v } }))`,
    ),
    'App:prop:seed',
  ),
  {
    ...reach(
      'react: stored under another key',
      react(STORED, `localStorage.setItem('other', v)`),
      'App:prop:seed',
    ),
    to: ['App:state:localStorage.other'],
    not: ['Leaf:prop:x'],
  },
  {
    ...reach('react: stored elsewhere', react(STORED, `sessionStorage.setItem('k', v)`), 'App:prop:seed'),
    to: ['App:state:sessionStorage.k'],
    not: ['Leaf:prop:x'],
  },
  reach(
    'vue: stored',
    vueApp(
      `const seed = ref('a'); const d = ref(localStorage.getItem('k')); watch(seed, (n) => localStorage.setItem('k', n));`,
      `<i @click="seed = 'b'" /><Leaf :x="d" />`,
    ),
  ),
  reach(
    'vue: told by an event of the window',
    vueApp(
      `import { onMounted } from 'vue'; const seed = ref('a'); const d = ref(''); function on(e: any) { d.value = e.detail; } onMounted(() => window.addEventListener('put', on)); function go() { window.dispatchEvent(new CustomEvent('put', { detail: seed.value })); }`,
      `<i @click="go" /><Leaf :x="d" />`,
    ),
  ),
  reach(
    'svelte: stored, read by a module',
    svelteApp(
      `import { kept } from './kept.js'; let seed = $state('a'); $effect(() => { localStorage.setItem('k', seed); });`,
      `<button onclick={() => (seed = 'b')}>b</button><Leaf x={$kept} />`,
      {
        'kept.js': `import { writable } from 'svelte/store'; export const kept = writable(localStorage.getItem('k'));`,
      },
    ),
  ),
  reach(
    'angular: stored by a service',
    angularApp(
      `@Injectable({ providedIn: 'root' }) export class Kept { last() { return localStorage.getItem('k'); } put(v: any) { localStorage.setItem('k', v); } } @Component({ selector: 'app-root', standalone: true, imports: [Leaf], template: '<app-leaf [x]="d" />' }) export class App { seed: any = 'a'; d: any; kept = inject(Kept); ngOnInit() { this.d = this.kept.last(); } go() { this.kept.put(this.seed); } change() { this.seed = 'b'; } }`,
    ),
  ),
]);
