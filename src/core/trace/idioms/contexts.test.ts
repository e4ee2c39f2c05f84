/** Members of an object that a context holds: who consumes it writes them, and others who consume it read them. */
import { idioms } from './reaching';

const svelte = (make: string, write: string) => ({
  'Grid.svelte': `<script>import { setContext } from 'svelte'; import { writable } from 'svelte/store'; import { make } from 'elsewhere'; import Desk from './Desk.svelte'; import Board from './Board.svelte'; ${make} setContext('grid', grid);</script><Desk seed={3} /><Board />`,
  'Desk.svelte': `<script>import { getContext } from 'svelte'; export let seed; const { held } = getContext('grid'); const grid = getContext('grid');</script><button on:click={() => { ${write} }} />`,
  'Board.svelte': `<script>import { getContext } from 'svelte'; import Leaf from './Leaf.svelte'; const { held } = getContext('grid');</script><Leaf x={$held} />`,
  'Leaf.svelte': `<script>export let x;</script><b>{x}</b>`,
  'main.js': `import Grid from './Grid.svelte'; new Grid({ target: document.body });`,
});
const vue = (make: string, take: string, write: string, read: string) => ({
  'App.vue': `<script setup>import { provide, ref } from 'vue'; import { make } from 'elsewhere'; import Desk from './Desk.vue'; import Board from './Board.vue'; ${make} provide('grid', grid);</script><template><Desk :seed="3" /><Board /></template>`,
  'Desk.vue': `<script setup>import { inject } from 'vue'; const props = defineProps(['seed']); ${take}</script><template><button @click="${write}" /></template>`,
  'Board.vue': `<script setup>import { inject } from 'vue'; import Leaf from './Leaf.vue'; ${take}</script><template><Leaf :x="${read}" /></template>`,
  'Leaf.vue': `<script setup>defineProps(['x']);</script><template><b>{{ x }}</b></template>`,
  'main.ts': `import { createApp } from 'vue'; import App from './App.vue'; createApp(App).mount('#app');`,
});
const react = (make: string, write: string) => ({
  'main.tsx': `import { createRoot } from 'react-dom/client'; import { createContext, useContext, useRef } from 'react'; import { make } from 'elsewhere';
const Grid = createContext<any>({});
function Desk({ seed }: any) { const grid = useContext(Grid); return <button onClick={() => { ${write} }} />; }
function Board() { const grid = useContext(Grid); return <Leaf x={grid.held} />; }
function Leaf({ x }: any) { return <b>{x}</b>; }
function App() { ${make} return <Grid.Provider value={grid}><Desk seed={3} /><Board /></Grid.Provider>; }
createRoot(document.body).render(<App />);`,
});
/** The same where nobody provides the context: who asks gets what it was made with. */
const unprovided = (made: string, write: string, more: Record<string, string> = {}) => ({
  'main.tsx': `import { createRoot } from 'react-dom/client'; import { createContext, useContext } from 'react'; import { rope } from './rope';
const Grid = createContext<any>(${made}); const useGrid = () => useContext(Grid);
function Desk({ seed }: any) { const grid = useGrid(); return <button onClick={() => { ${write} }} />; }
function Board() { const grid = useGrid(); return <Leaf x={grid.held} />; }
function Leaf({ x }: any) { return <b>{x}</b>; }
createRoot(document.body).render(<><Desk seed={3} /><Board /></>);`,
  'rope.ts': `export class Rope { held = 1; other = 2; hold(v) { this.held = v; } } export const rope = new Rope();`,
  ...more,
});
const all = { from: 'Desk:prop:seed', to: ['Leaf:prop:x'] };
const none = { from: 'Desk:prop:seed', to: [], not: ['Leaf:prop:x'] };

idioms([
  {
    what: 'Svelte: a store in an object that is written out',
    sources: svelte('const grid = { held: writable(0) };', '$held = seed;'),
    ...all,
  },
  {
    what: 'Svelte: its set',
    sources: svelte('const grid = { held: writable(0) };', 'held.set(seed);'),
    ...all,
  },
  {
    what: 'Svelte: its update, by the whole object',
    sources: svelte('const grid = { held: writable(0) };', 'grid.held.update(() => seed);'),
    ...all,
  },
  {
    what: 'Svelte: an object that a package made, and that is added to',
    sources: svelte('let grid = make(); grid = { ...grid, rope: 1 };', '$held = seed;'),
    ...all,
  },
  {
    what: 'Svelte: another member',
    sources: svelte('const grid = make();', 'grid.rope.set(seed);'),
    ...none,
  },
  {
    what: 'Svelte: a map in it is no store',
    sources: svelte('const grid = make();', 'held.set(seed, 1);'),
    ...none,
  },
  {
    what: 'Vue: a member of what a package made',
    sources: vue('const grid = make();', `const grid = inject('grid');`, 'grid.held = seed', 'grid.held'),
    ...all,
  },
  {
    what: 'Vue: a ref that is taken out of it',
    sources: vue('const grid = { held: ref(0) };', `const { held } = inject('grid');`, 'held = seed', 'held'),
    ...all,
  },
  {
    what: 'Vue: another member',
    sources: vue('const grid = make();', `const grid = inject('grid');`, 'grid.rope = seed', 'grid.held'),
    ...none,
  },
  {
    what: 'React: a member of what a package made',
    sources: react('const grid = make();', 'grid.held = seed;'),
    ...all,
  },
  {
    what: 'React: another member',
    sources: react('const grid = make();', 'grid.rope = seed;'),
    ...none,
  },
  {
    what: 'React: what a context is made with, which a module keeps',
    sources: unprovided('rope', 'grid.hold(seed);'),
    ...all,
  },
  {
    what: 'React: an object that is made for the context',
    sources: unprovided('new Rope()', 'grid.hold(seed);', {
      'main.tsx': unprovided('new Rope()', 'grid.hold(seed);')['main.tsx']!.replace('{ rope }', '{ Rope }'),
    }),
    ...all,
  },
  {
    what: 'React: a member of what a context is made with',
    sources: unprovided('{ rope }', 'grid.rope.hold(seed);', {
      'main.tsx': unprovided('{ rope }', 'grid.rope.hold(seed);')['main.tsx']!.replace(
        'grid.held',
        'grid.rope.held',
      ),
    }),
    ...all,
  },
  {
    what: 'React: another member of what a context is made with',
    sources: unprovided('rope', 'grid.other = seed;'),
    ...none,
  },
]);
