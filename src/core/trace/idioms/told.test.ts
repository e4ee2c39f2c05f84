/** Stores that packages make, and buses: what modules keep or hand on, known by how it is made and used. */
import { idioms } from './reaching';

/** One component that tells, or writes, and one that shows; `kept` is the module that both import. */
const react = (kept: string, write: string, show: string, more: Record<string, string> = {}) => ({
  'kept.ts': kept,
  'App.tsx': `import { useEffect, useState } from 'react'; import { createRoot } from 'react-dom/client'; import * as kept from './kept';
import { ${/export const ([\w$]+)/.exec(kept)?.[1] ?? 'default as bus'} } from './kept'; import { useStore, useObservable } from 'elsewhere';
function Leaf({ x }: any) { return <b>{x}</b>; }
function Desk({ seed }: any) { return <button onClick={() => { ${write} }} />; }
function Board() { ${show} return <Leaf x={held} />; }
function App() { return <main><Desk seed={String(kept)} /><Board /></main>; }
createRoot(document.body).render(<App />);`,
  ...more,
});
const HEAR = `const [held, setHeld] = useState(''); useEffect(() => { const hear = (v: any) => setHeld(v); bus.on('held', hear); return () => bus.off('held', hear); }, []);`;
const all = { from: 'Desk:prop:seed', to: ['Leaf:prop:x'] };
const none = { from: 'Desk:prop:seed', to: [], not: ['Leaf:prop:x'] };

idioms([
  {
    what: 'a store of a package, by members that are merged',
    sources: react(
      `import { createGlobalStore } from 'elsewhere'; export const fleet = createGlobalStore({ held: '' });`,
      'fleet.setState({ held: seed });',
      'const { held } = useStore(fleet);',
    ),
    ...all,
  },
  {
    what: 'a store of a package, by a function of what there is',
    sources: react(
      `import { Store } from 'elsewhere'; export const fleet = new Store({ held: '' });`,
      'fleet.setState((was) => ({ ...was, held: seed }));',
      'const held = useStore(fleet, (now) => now.held);',
    ),
    ...all,
  },
  {
    what: 'another member of a store',
    sources: react(
      `import { createStore } from 'elsewhere'; export const fleet = createStore({ held: '', rope: '' });`,
      'fleet.setState({ rope: seed });',
      'const { held } = useStore(fleet);',
    ),
    ...none,
  },
  {
    what: 'an atom of a package',
    sources: react(
      `import { atom } from 'elsewhere'; export const held$ = atom('');`,
      'held$.set(seed);',
      'const held = useStore(held$);',
    ),
    ...all,
  },
  {
    what: 'a subject',
    sources: react(
      `import { BehaviorSubject } from 'rxjs'; export const held$ = new BehaviorSubject('');`,
      'held$.next(seed);',
      'const held = useObservable(held$);',
    ),
    ...all,
  },
  {
    what: 'a member of an object that a package watches',
    sources: react(
      `import { proxy } from 'elsewhere'; export const fleet = proxy({ held: '' });`,
      'fleet.held = seed;',
      'const { held } = useStore(fleet);',
    ),
    ...all,
  },
  {
    what: 'functions of the module around its store',
    sources: {
      ...react('', '', ''),
      'kept.ts': `import { createGlobalStore, useStore } from 'elsewhere'; const fleet = createGlobalStore({ held: '' });
export const hold = (v: string) => { fleet.setState({ held: v }); }; export function useFleet() { return useStore(fleet); }`,
      'App.tsx': `import { createRoot } from 'react-dom/client'; import { hold, useFleet } from './kept';
function Leaf({ x }: any) { return <b>{x}</b>; }
function Desk({ seed }: any) { return <button onClick={() => hold(seed)} />; }
function Board() { const { held } = useFleet(); return <Leaf x={held} />; }
function App() { return <main><Desk seed="a" /><Board /></main>; }
createRoot(document.body).render(<App />);`,
    },
    ...all,
  },
  {
    what: 'a bus of a package',
    sources: react(`import mitt from 'mitt'; export const bus = mitt();`, `bus.emit('held', seed);`, HEAR),
    ...all,
  },
  {
    what: 'another name on the same bus',
    sources: react(`import mitt from 'mitt'; export const bus = mitt();`, `bus.emit('let go', seed);`, HEAR),
    ...none,
  },
  {
    what: 'a bus that is the default export',
    sources: {
      ...react('', `bus.emit('held', seed);`, HEAR),
      'kept.ts': `import { EventEmitter } from 'events'; const bus = new EventEmitter(); export default bus;`,
    },
    ...all,
  },
  {
    what: 'a bus that is written out as an object',
    sources: react(
      `const heard: Record<string, Function[]> = {};
export const bus = { on(name: string, fn: Function) { (heard[name] ??= []).push(fn); }, off() {}, emit(name: string, v: unknown) { heard[name]?.forEach((fn) => fn(v)); } };`,
      `bus.emit('held', seed);`,
      HEAR,
    ),
    ...all,
  },
  {
    what: 'a bus of a class of the project',
    sources: {
      ...react('', `bus.emit('held', seed);`, HEAR),
      'kept.ts': `class Bus { private heard = new Map<string, Function[]>(); on(name: string, fn: Function) { this.heard.set(name, [fn]); } off(name: string, fn: Function) {} emit(name: string, v: unknown) { this.heard.get(name)?.forEach((fn) => fn(v)); } }
const bus = new Bus(); export default bus;`,
    },
    ...all,
  },
  {
    what: 'names that variables hold',
    sources: react(
      `import mitt from 'mitt'; export const bus = mitt();`,
      'const name = `held ${seed}`; bus.emit(name, seed);',
      HEAR.replace('const hear', 'const name = String(held); const hear').replaceAll(`'held'`, 'name'),
    ),
    ...none,
  },
  {
    what: 'names that are constants',
    sources: react(
      `import mitt from 'mitt'; export const bus = mitt(); export const EVENTS = { held: 'held' };`,
      'bus.emit(kept.EVENTS.held, seed);',
      HEAR.replaceAll(`'held'`, 'kept.EVENTS.held'),
    ),
    ...all,
  },
]);

/** The same of Vue, with options. */
const vue = (kept: string, tell: string, hear: string, name = '{ bus }') => ({
  'kept.js': kept,
  'Leaf.vue': `<template><b>{{ x }}</b></template><script>export default { props: ['x'] };</script>`,
  'Desk.vue': `<template><button @click="tell" /></template><script>import ${name} from './kept'; export default { props: ['seed'], methods: { tell() { ${tell} } } };</script>`,
  'Board.vue': `<template><Leaf :x="held" /></template><script>import Leaf from './Leaf.vue'; import ${name} from './kept'; export default { components: { Leaf }, data: () => ({ held: '' }), created() { ${hear} }, methods: { take(v) { this.held = v; } } };</script>`,
  'App.vue': `<template><div><Desk seed="a" /><Board /></div></template><script>import Desk from './Desk.vue'; import Board from './Board.vue'; export default { components: { Desk, Board } };</script>`,
  'main.js': `import Vue from 'vue'; import App from './App.vue'; new Vue({ render: (h) => h(App) }).$mount('#app');`,
});

idioms([
  {
    what: 'an instance of the framework as a bus, heard by a function on the spot',
    sources: vue(
      `import Vue from 'vue'; export const bus = new Vue();`,
      `bus.$emit('held', this.seed);`,
      `bus.$on('held', (v) => { this.held = v; });`,
    ),
    ...all,
  },
  {
    what: 'such a one as the default export, heard by a method',
    sources: vue(
      `import Vue from 'vue'; export default new Vue();`,
      `bus.$emit('held', this.seed);`,
      `bus.$on('held', this.take);`,
      'bus',
    ),
    ...all,
  },
  {
    what: 'another name on such a one',
    sources: vue(
      `import Vue from 'vue'; export const bus = new Vue();`,
      `bus.$emit('let go', this.seed);`,
      `bus.$on('held', this.take);`,
    ),
    ...none,
  },
]);
