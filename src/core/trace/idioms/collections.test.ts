/** Maps and sets that components and modules keep: what is put in comes out. */
import { idioms } from './reaching';
import { reactApp, svelteApp, vueApp } from './testing';

idioms([
  {
    what: 'React: a map of the module',
    sources: reactApp(
      `const known = new Map(); function Other({ z }) { return <Leaf x={known.get(z)} />; } function App({ seed }) { return <><Btn v={seed} onSave={(v) => known.set('a', v)} /><Other z="a" /></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'React: a set in a box',
    sources: reactApp(
      `function App({ seed }) { const known = useRef(new Set()); return <><Btn v={seed} onSave={(v) => known.current.add(v)} /><Leaf x={[...known.current]} /></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'React: a copy of a map in state',
    sources: reactApp(
      `function App({ seed }) { const [known, setKnown] = useState(new Map()); return <><Btn v={seed} onSave={(v) => setKnown((all) => new Map(all).set('a', v))} /><Leaf x={known.get('a')} /></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Vue: a reactive map',
    sources: vueApp(
      `const props = defineProps<{ seed?: any }>(); const known = reactive(new Map<string, any>()); const put = () => { known.set('a', props.seed); };`,
      `<Btn @save="put" /><Leaf :x="known.get('a')" />`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Vue: a set in a ref',
    sources: vueApp(
      `const props = defineProps<{ seed?: any }>(); const known = ref(new Set<any>()); const put = () => { known.value.add(props.seed); };`,
      `<Btn @save="put" /><Leaf :x="known" />`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Svelte: a map of its own',
    sources: svelteApp(
      `import { SvelteMap } from 'svelte/reactivity'; let { seed }: { seed?: any } = $props(); const known = new SvelteMap<string, any>();`,
      `<Btn v={seed} save={(v) => known.set('a', v)} /><Leaf x={known.get('a')} />`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'what only has such a method is none',
    sources: reactApp(
      `import { board } from './board'; function App({ seed }) { const made = board(); return <><Btn v={seed} onSave={(v) => made.set('a', v)} /><Leaf x={made.name} /></>; }`,
    ),
    from: 'App:prop:seed',
    to: [],
    not: ['Leaf:prop:x'],
  },
]);
