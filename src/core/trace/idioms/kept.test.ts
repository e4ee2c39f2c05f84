/** What modules keep, and what packages keep for them: variables, objects of classes, stores, atoms, what layouts give to routes. */
import { reactApp, svelteApp, vueApp } from './testing';
import { type Idiom, idioms } from './reaching';

const LIST: Idiom[] = [
  {
    what: 'module store sync external',
    sources: {
      ...reactApp(
        `import { put, useKept } from './kept'; function App({seed}:any){ return <><Btn v={seed} onSave={put}/><Rd/></>; } function Rd(){ const k=useKept(); return <Leaf x={k}/>; }`,
      ),
      'kept.ts': `import { useSyncExternalStore } from 'react'; let kept=''; const heard=new Set<()=>void>(); export function put(v:any){ kept=v; heard.forEach((h)=>h()); } const subscribe=(h:()=>void)=>{ heard.add(h); return ()=>heard.delete(h); }; const get=()=>kept; export function useKept(){ return useSyncExternalStore(subscribe,get); }`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'module store object',
    sources: {
      ...reactApp(
        `import { store } from './kept'; function App({seed}:any){ return <><Btn v={seed} onSave={store.put}/><Rd/></>; } function Rd(){ const k=useSyncExternalStore(store.subscribe,store.get); return <Leaf x={k}/>; }`,
      ),
      'kept.ts': `let kept=''; const heard=new Set<()=>void>(); export const store={ put(v:any){ kept=v; heard.forEach((h)=>h()); }, subscribe(h:()=>void){ heard.add(h); return ()=>heard.delete(h); }, get(){ return kept; } };`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'module let read',
    sources: {
      ...reactApp(
        `import { put, get } from './kept'; function App({seed}:any){ const [,t]=useState(0); return <><Btn v={seed} onSave={(v:any)=>{put(v); t(1);}}/><Leaf x={get()}/></>; }`,
      ),
      'kept.ts': `let kept=''; export function put(v:any){ kept=v; } export function get(){ return kept; }`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'module object that is named like a class',
    sources: {
      ...reactApp(
        `import { Kept } from './kept'; function App({seed}:any){ const [,t]=useState(0); return <><Btn v={seed} onSave={(v:any)=>{Kept.put(v); t(1);}}/><Leaf x={Kept.get()}/></>; }`,
      ),
      'kept.ts': `let kept=''; export const Kept = { put(v:any){ kept=v; }, get(){ return kept; } };`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'class instance',
    sources: {
      ...reactApp(
        `import { Fleet } from './fleet'; const fleet=new Fleet(); function App({seed}:any){ const [,tick]=useState(0); return <><Btn v={seed} onSave={(v:any)=>{ fleet.put(v); tick(1); }}/><Leaf x={fleet.kept}/></>; }`,
      ),
      'fleet.ts': `export class Fleet { kept = ''; put(v: any) { this.kept = v; } }`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'class instance exported',
    sources: {
      ...reactApp(
        `import { fleet } from './fleet'; function App({seed}:any){ return <><Btn v={seed} onSave={(v:any)=>fleet.put(v)}/><Rd/></>; } function Rd(){ return <Leaf x={fleet.all()}/>; }`,
      ),
      'fleet.ts': `class Fleet { private kept = ''; put(v: any) { this.kept = v; } all() { return this.kept; } } export const fleet = new Fleet();`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'what a function remembers of its own results is nobody else’s',
    sources:
      reactApp(`const known = new WeakMap(); const widened = (doc) => { const found = known.get(doc); if (found) return found; const made = { doc }; known.set(doc, made); return made; };
function Side({ y }) { return <Leaf x={widened(y)} />; }
function Other({ z }) { return <Btn v={widened(z)} />; }
function App({ seed }) { return <><Side y={seed} /><Other z="b" /></>; }`),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'what one function keeps and another gives is everybody’s',
    sources:
      reactApp(`const known = new Map(); const put = (id, doc) => { known.set(id, doc); }; const take = (id) => known.get(id);
function Side({ y }) { return <Btn v={y} onSave={(v) => put('a', v)} />; }
function Other({ z }) { return <Leaf x={take(z)} />; }
function App({ seed }) { return <><Side y={seed} /><Other z="b" /></>; }`),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'what a function makes for a module goes on being kept',
    sources: {
      ...reactApp(
        `import { store } from './store'; function Side() { const x = useSyncExternalStore(store.subscribe, store.get); return <Leaf x={x} />; } function App({ seed }) { return <><Btn v={seed} onSave={(v) => store.set(v)} /><Side /></>; }`,
      ),
      'store.ts': `import { createStore } from './make'; export const store = createStore('');`,
      'make.ts': `export function createStore(initial) { let state = initial; const heard = new Set(); return { get: () => state, set: (v) => { state = v; heard.forEach((s) => s()); }, subscribe: (f) => { heard.add(f); return () => heard.delete(f); } }; }`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'two that it makes are two',
    sources: {
      ...reactApp(
        `import { one, two } from './store'; function Side() { return <><Leaf x={one.get()} /><Btn v={two.get()} /></>; } function App({ seed }) { return <><Btn onSave={() => one.set(seed)} /><Side /></>; }`,
      ),
      'store.ts': `import { createStore } from './make'; export const one = createStore(''); export const two = createStore('');`,
      'make.ts': `export function createStore(initial) { let state = initial; return { get: () => state, set: (v) => { state = v; } }; }`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'state of a hook that starts lazily',
    sources: reactApp(
      `function useStored(first) { const [v, setV] = useState(() => localStorage.getItem('a') ?? first); const put = (n) => { setV(n); }; return [v, put]; } function App({ seed }) { const [w, setW] = useStored(''); return <><Btn v={seed} onSave={setW} /><Leaf x={w} /></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'a context with its hook, made by a function',
    sources: {
      ...reactApp(
        `import { createSafe } from './safe'; const [useThing, ThingProvider] = createSafe(); function Side() { const x = useThing(); return <Leaf x={x} />; } function App({ seed }) { return <ThingProvider value={seed}><Side /></ThingProvider>; }`,
      ),
      'safe.tsx': `import { createContext, useContext } from 'react'; export function createSafe() { const C = createContext(undefined); const use = () => { const v = useContext(C); if (v === undefined) throw new Error('x'); return v; }; return [use, C.Provider]; }`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'outlet context',
    sources: reactApp(
      `function App({seed}:any){ return <Routes><Route element={<Lay s={seed}/>}><Route path="a" element={<Pg/>}/></Route></Routes>; } function Lay({s}:any){ return <Outlet context={{s}}/>; } function Pg(){ const {s}=useOutletContext<any>(); return <Leaf x={s}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'outlet context bare',
    sources: reactApp(
      `function App({seed}:any){ return <Routes><Route element={<Lay s={seed}/>}><Route path="a" element={<Pg/>}/></Route></Routes>; } function Lay({s}:any){ return <Outlet context={s}/>; } function Pg(){ const s=useOutletContext<any>(); return <Leaf x={s}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'outlet context hook',
    sources: reactApp(
      `function App({seed}:any){ return <Routes><Route path="/" element={<Lay s={seed}/>}><Route path="a" element={<Pg/>}/></Route></Routes>; } function Lay({s}:any){ const [k,setK]=useState(''); return <><Btn v={s} onSave={setK}/><Outlet context={{k}}/></>; } const useLay=()=>useOutletContext<{k:string}>(); function Pg(){ const {k}=useLay(); return <Leaf x={k}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'jotai atom',
    sources: reactApp(
      `const at=atom(''); function App({seed}:any){ const set=useSetAtom(at); return <><Btn v={seed} onSave={set}/><Rd/></>; } function Rd(){ const x=useAtomValue(at); return <Leaf x={x}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'jotai useAtom',
    sources: reactApp(
      `const at=atom(''); function App({seed}:any){ const [,set]=useAtom(at); return <><Btn v={seed} onSave={set}/><Rd/></>; } function Rd(){ const [x]=useAtom(at); return <Leaf x={x}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'jotai derived',
    sources: reactApp(
      `const at=atom(''); const up=atom((get)=>get(at).trim()); function App({seed}:any){ const set=useSetAtom(at); return <><Btn v={seed} onSave={(v:any)=>set(v)}/><Rd/></>; } function Rd(){ const x=useAtomValue(up); return <Leaf x={x}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v module let',
    sources: vueApp(
      `import { put, get } from './kept'; const seed=ref('a');`,
      `<Btn :v="seed" @save="put"/><Leaf :x="get()"/>`,
      {
        'kept.ts': `import { ref } from 'vue'; const kept=ref(''); export function put(v:any){ kept.value=v; } export function get(){ return kept.value; }`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v module plain let',
    sources: vueApp(
      `import { put, get } from './kept'; const seed=ref('a');`,
      `<Btn :v="seed" @save="put"/><Leaf :x="get()"/>`,
      {
        'kept.ts': `let kept=''; export function put(v:any){ kept=v; } export function get(){ return kept; }`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v class instance',
    sources: vueApp(
      `import { fleet } from './fleet'; const seed=ref('a');`,
      `<Btn :v="seed" @save="(v) => fleet.put(v)"/><Leaf :x="fleet.all()"/>`,
      {
        'fleet.ts': `import { reactive } from 'vue'; class Fleet { kept=''; put(v:any){ this.kept=v; } all(){ return this.kept; } } export const fleet=reactive(new Fleet());`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v store object module',
    sources: vueApp(
      `import { store } from './kept'; const seed=ref('a');`,
      `<Btn :v="seed" @save="store.put"/><Leaf :x="store.kept"/>`,
      {
        'kept.ts': `import { reactive } from 'vue'; export const store=reactive({ kept:'', put(v:any){ this.kept=v; } });`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v createGlobal',
    sources: vueApp(
      `import { useKept } from './kept'; const seed=ref('a'); const { put, kept }=useKept();`,
      `<Btn :v="seed" @save="put"/><Leaf :x="kept"/>`,
      {
        'kept.ts': `import { ref, readonly } from 'vue'; const kept=ref(''); export const useKept=()=>{ const put=(v:any)=>{ kept.value=v; }; return { put, kept: readonly(kept) }; };`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's module class',
    sources: svelteApp(
      `import { fleet } from './fleet.svelte'; let seed=$state('a');`,
      `<Btn v={seed} save={(v) => fleet.put(v)}/><Leaf x={fleet.kept}/>`,
      {
        'fleet.svelte.ts': `class Fleet { kept=$state(''); put(v: any) { this.kept=v; } } export const fleet=new Fleet();`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's module fn',
    sources: svelteApp(
      `import { put, get } from './kept.svelte'; let seed=$state('a');`,
      `<Btn v={seed} save={put}/><Leaf x={get()}/>`,
      {
        'kept.svelte.ts': `let kept=$state(''); export function put(v: any) { kept=v; } export function get() { return kept; }`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's store custom',
    sources: svelteApp(
      `import { kept } from './kept'; let seed='a'; function go(){ kept.put(seed); } seed='b';`,
      `<button on:click={go}/><Leaf x={$kept}/>`,
      {
        'kept.ts': `import { writable } from 'svelte/store'; function make(){ const { subscribe, set }=writable(''); return { subscribe, put: (v: any) => set(v) }; } export const kept=make();`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'ng plain module let',
    sources: {
      'main.ts': `import { bootstrapApplication } from '@angular/platform-browser'; import { App } from './app'; bootstrapApplication(App);`,
      'kept.ts': `let kept=''; export function put(v: any) { kept=v; } export function get() { return kept; }`,
      'app.ts': `import { Component, signal, Input } from '@angular/core'; import { put, get } from './kept'; @Component({ selector: 'app-leaf', standalone: true, template: '<b>{{ x }}</b>' }) export class Leaf { @Input() x: any; } @Component({ selector: 'app-root', standalone: true, imports: [Leaf], template: '<b (click)="go()"></b><app-leaf [x]="now()" />' }) export class App { seed = signal('a'); go() { put(this.seed()); } now() { return get(); } }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
];

idioms(LIST);
