/** Members that are written under a name which a function is given: each arrives under the one that it is called with. */
import { type Idiom, idioms } from './reaching';
import { angularApp, reactApp, svelteFiles, vueApp } from './testing';

const LEAVES = `function Low({x}){return <b>{x}</b>;} function High({x}){return <b>{x}</b>;}`;
const react = (code: string, low: string, high: string, module = ''): Record<string, string> =>
  reactApp(
    `${module} ${LEAVES} export function App({ seed: unit, other }) { const [form, setForm] = useState({ lo: 1, hi: 2 }); ${code} return <i><Btn v={unit} onSave={${low}} /><Btn v={other} onSave={${high}} /><Low x={form.lo} /><High x={form.hi} /></i>; }`,
  );

/** How the form is written, and what hands up what is kept as `lo`, then as `hi`. */
const REACT: [what: string, code: string, low: string, high: string, module?: string][] = [
  [
    'an updater',
    'const put = (key, v) => setForm((old) => ({ ...old, [key]: v }));',
    "(v) => put('lo', v)",
    "(v) => put('hi', v)",
  ],
  [
    'an object',
    'const put = (key, v) => setForm({ ...form, [key]: v });',
    "(v) => put('lo', v)",
    "(v) => put('hi', v)",
  ],
  [
    'a declaration, below its use',
    'function put(key, v) { setForm({ ...form, [key]: v }); }',
    "(v) => put('lo', v)",
    "(v) => put('hi', v)",
  ],
  [
    'worked out',
    'const put = (key, v) => setForm((old) => ({ ...old, [key]: Number(v) }));',
    "(v) => put('lo', v)",
    "(v) => put('hi', v)",
  ],
  [
    'a function that is kept',
    'const put = useCallback((key, v) => setForm((old) => ({ ...old, [key]: v })), []);',
    "(v) => put('lo', v)",
    "(v) => put('hi', v)",
  ],
  [
    'handed on',
    'const put = (key, v) => setForm({ ...form, [key]: v }); const say = (name, v) => { put(name, v); };',
    "(v) => say('lo', v)",
    "(v) => say('hi', v)",
  ],
  [
    'a function for each name',
    'const put = (key) => (v) => setForm({ ...form, [key]: v });',
    "put('lo')",
    "put('hi')",
  ],
  [
    'the same, called at once',
    'const put = (key) => (v) => setForm({ ...form, [key]: v });',
    "(v) => put('lo')(v)",
    "(v) => put('hi')(v)",
  ],
  [
    'in an object',
    'const put = ({ key, v }) => setForm({ ...form, [key]: v });',
    "(v) => put({ key: 'lo', v })",
    "(v) => put({ key: 'hi', v })",
  ],
  [
    'names of the module',
    'const put = (key, v) => setForm({ ...form, [key]: v });',
    '(v) => put(LO, v)',
    '(v) => put(HI, v)',
    "const LO = 'lo'; const HI = 'hi';",
  ],
  [
    'a hook',
    'const { kept, put } = useForm(); useEffect(() => { setForm({ lo: kept.lo, hi: kept.hi }); }, [kept]);',
    "(v) => put('lo', v)",
    "(v) => put('hi', v)",
    'function useForm() { const [kept, keep] = useState({}); const put = (key, v) => keep((old) => ({ ...old, [key]: v })); return { kept, put }; }',
  ],
];

/** What is read under a name that a function is given: `form` starts with what `seed` and `other` are. */
const READ: [what: string, code: string, low: string, high: string, module?: string][] = [
  ['a function', 'const get = (key) => form[key];', "get('lo')", "get('hi')"],
  ['a declaration', 'function get(key) { return form[key]; }', "get('lo')", "get('hi')"],
  ['over a variable', 'const get = (key) => { const v = form[key]; return v; };', "get('lo')", "get('hi')"],
  ['handed on', 'const get = (key) => form[key]; const say = (name) => get(name);', "say('lo')", "say('hi')"],
  ['a member of that', 'const get = (key) => form[key].at;', "get('lo')", "get('hi')"],
  [
    'names of the module',
    'const get = (key) => form[key];',
    'get(LO)',
    'get(HI)',
    "const LO = 'lo'; const HI = 'hi';",
  ],
  ['in an object', 'const field = (key) => ({ x: form[key] });', "field('lo').x", "field('hi').x"],
];

const of = (what: string, sources: Record<string, string>, from: string, low = 'Low'): Idiom[] => [
  { what, sources, from, to: [`${low}:prop:x`], not: ['High:prop:x'] },
];

const LEAF = '<script setup lang="ts">defineProps<{ x: any }>();</script><template><b>{{ x }}</b></template>';
const vue = (script: string, low: string, high: string) =>
  vueApp(
    `import Low from './Low.vue'; import High from './High.vue'; const props = defineProps<{ seed?: any; other?: any }>(); ${script}`,
    `<Btn :v="seed" @save="${low}" /><Btn :v="other" @save="${high}" /><Low :x="form.lo" /><High :x="form.hi" />`,
    { 'Low.vue': LEAF, 'High.vue': LEAF },
  );

const VUE: [what: string, script: string, low: string, high: string][] = [
  [
    'a member of what is reactive',
    'const form = reactive<any>({ lo: 1, hi: 2 }); function put(key: string, v: any) { form[key] = v; }',
    "put('lo', $event)",
    "(v) => put('hi', v)",
  ],
  [
    'a member of what a box holds',
    'const form = ref<any>({ lo: 1, hi: 2 }); const put = (key: string, v: any) => { form.value[key] = v; };',
    "put('lo', $event)",
    "(v) => put('hi', v)",
  ],
  [
    'a new object in a box',
    'const form = ref<any>({ lo: 1, hi: 2 }); const put = (key: string, v: any) => { form.value = { ...form.value, [key]: v }; };',
    "put('lo', $event)",
    "(v) => put('hi', v)",
  ],
];

const SVELTE_LEAF = '<script lang="ts">let { x }: { x: any } = $props();</script><b>{x}</b>';

idioms([
  ...REACT.flatMap(([what, code, low, high, module]) =>
    of(`React: ${what}`, react(code, low, high, module), 'App:prop:seed'),
  ),
  ...READ.flatMap(([what, code, low, high, module = '']) =>
    of(
      `React: read by ${what}`,
      reactApp(
        `${module} ${LEAVES} export function App({ seed, other }) { const [form, setForm] = useState({ lo: seed, hi: other }); ${code} return <i onClick={() => setForm({ lo: 1, hi: 2 })}><Low x={${low}} /><High x={${high}} /></i>; }`,
      ),
      'App:prop:seed',
    ),
  ),
  ...of(
    'React: what is spread on a tag for each field',
    reactApp(
      `function Low({ x, onSave }) { return <b onClick={() => onSave(x)}>{x}</b>; } function High({ x, onSave }) { return <b onClick={() => onSave(x)}>{x}</b>; }
export function App({ seed, other }) { const [form, setForm] = useState({ lo: seed, hi: other }); const field = (key) => ({ x: form[key], onSave: (v) => setForm((old) => ({ ...old, [key]: v })) }); return <i><Low {...field('lo')} /><High {...field('hi')} /></i>; }`,
    ),
    'Low:event:onSave',
  ),
  ...of(
    'React: of what an event writes, what is written and nothing beside',
    reactApp(
      `${LEAVES} export function App({ seed }) { const [form, setForm] = useState({ lo: 1, hi: 2 }); return <i><Btn v={seed} onSave={(v) => setForm((old) => ({ ...old, lo: v }))} /><Low x={form.lo} /><High x={form.hi} /></i>; }`,
    ),
    'Btn:event:onSave',
  ),
  ...of(
    'React: a reducer',
    reactApp(
      `${LEAVES} function reduce(state, action) { switch (action.type) { case 'put': return { ...state, [action.key]: action.v }; default: return state; } }
export function App({ seed, other }) { const [form, dispatch] = useReducer(reduce, { lo: 1, hi: 2 }); return <i><Btn v={seed} onSave={(v) => dispatch({ type: 'put', key: 'lo', v })} /><Btn v={other} onSave={(v) => dispatch({ type: 'put', key: 'hi', v })} /><Low x={form.lo} /><High x={form.hi} /></i>; }`,
    ),
    'App:prop:seed',
  ),
  ...of(
    'React: a context',
    reactApp(
      `const Held = createContext(null); ${LEAVES} function Side({ seed, other }) { const { put } = useContext(Held); return <i><Btn v={seed} onSave={(v) => put('lo', v)} /><Btn v={other} onSave={(v) => put('hi', v)} /></i>; } function Show() { const { form } = useContext(Held); return <i><Low x={form.lo} /><High x={form.hi} /></i>; }
export function App({ seed, other }) { const [form, setForm] = useState({ lo: 1, hi: 2 }); const put = (key, v) => setForm((old) => ({ ...old, [key]: v })); return <Held.Provider value={{ form, put }}><Side seed={seed} other={other} /><Show /></Held.Provider>; }`,
    ),
    'App:prop:seed',
  ),
  {
    what: 'React: a name that nobody knows may be any',
    sources: react(
      'const put = (key, v) => setForm({ ...form, [key]: v });',
      '(v) => put(other.key, v)',
      '() => {}',
    ),
    from: 'App:prop:seed',
    to: ['Low:prop:x', 'High:prop:x'],
  },
  {
    what: 'React: what is handed to a list is written under any name',
    sources: react(
      'const put = (key) => setForm({ ...form, [key]: other.at(key) }); useEffect(() => { unit.forEach(put); }, [unit]);',
      '() => {}',
      '() => {}',
    ),
    from: 'App:prop:other',
    to: ['Low:prop:x', 'High:prop:x'],
  },
  ...VUE.flatMap(([what, script, low, high]) => of(`Vue: ${what}`, vue(script, low, high), 'App:prop:seed')),
  ...of(
    'Svelte',
    svelteFiles(
      `<script lang="ts">import Btn from './Btn.svelte'; import Low from './Low.svelte'; import High from './High.svelte'; let { seed, other }: { seed?: any; other?: any } = $props(); let form = $state<any>({ lo: 1, hi: 2 }); function put(key: string, v: any) { form[key] = v; }</script><Btn v={seed} save={(v) => put('lo', v)} /><Btn v={other} save={(v) => put('hi', v)} /><Low x={form.lo} /><High x={form.hi} />`,
      { 'Low.svelte': SVELTE_LEAF, 'High.svelte': SVELTE_LEAF },
    ),
    'App:prop:seed',
  ),
  ...of(
    'Angular',
    angularApp(
      `@Component({ selector: 'app-low', standalone: true, template: '<b>{{ x }}</b>' }) export class Low { @Input() x: any; } @Component({ selector: 'app-high', standalone: true, template: '<b>{{ x }}</b>' }) export class High { @Input() x: any; }
@Component({ selector: 'app-root', standalone: true, imports: [Low, High, Btn], template: '<app-btn [v]="seed" (save)="put(\\'lo\\', $event)" /><app-btn [v]="other" (save)="put(\\'hi\\', $event)" /><app-low [x]="form().lo" /><app-high [x]="form().hi" />' }) export class App { @Input() seed: any; @Input() other: any; form = signal<any>({ lo: 1, hi: 2 }); put(key: string, v: any) { this.form.update((old) => ({ ...old, [key]: v })); } }`,
    ),
    'App:prop:seed',
  ),
]);
