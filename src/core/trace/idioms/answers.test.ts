/** Functions that a component is handed, and asks: what they give back is worked out of what their owner has. */
import { type Idiom, idioms } from './reaching';
import { angularApp, reactApp, svelteApp, vueApp } from './testing';

const ROW = `function Row({ id, isOn }) { const on = isOn(id); return <Leaf x={on} />; }`;
const STATES = `const [held, setHeld] = useState([]); const [far, setFar] = useState(1);`;
const react = (code: string, markup: string, module = ROW): Record<string, string> =>
  reactApp(
    `${module} export function App({ seed }) { ${STATES} ${code} return <i><Btn v={far} onSave={setHeld} /><Btn v={seed} onSave={setFar} />${markup}</i>; }`,
  );

/** What is kept as `held` arrives over a function that is handed down; `far` does not. */
const REACT: [what: string, code: string, markup: string, module?: string][] = [
  ['written at the tag', '', '<Row id={4} isOn={(id) => held.includes(id)} />'],
  ['by its name', 'const isOn = (id) => held.includes(id);', '<Row id={4} isOn={isOn} />'],
  ['a declaration', 'function isOn(id) { return held.includes(id); }', '<Row id={4} isOn={isOn} />'],
  [
    'kept as long as it holds',
    'const isOn = useCallback((id) => held.includes(id), [held]);',
    '<Row id={4} isOn={isOn} />',
  ],
  [
    'of a hook',
    'const { isOn } = usePicked(held);',
    '<Row id={4} isOn={isOn} />',
    `function usePicked(list) { const isOn = (id) => list.includes(id); return { isOn }; } ${ROW}`,
  ],
  [
    'handed on',
    '',
    '<Rows isOn={(id) => held.includes(id)} />',
    `${ROW} function Rows({ isOn }) { return <Row id={4} isOn={isOn} />; }`,
  ],
  [
    'called in a function that is handed on',
    '',
    '<Rows check={(id) => held.includes(id)} />',
    `${ROW} function Rows({ check }) { return <Row id={4} isOn={(id) => check(id)} />; }`,
  ],
  ['spread', 'const rules = { isOn: (id) => held.includes(id) };', '<Row id={4} {...rules} />'],
];

/** Ways in which a component asks `isOn`, and uses what it is told. */
const ASKED: [what: string, x: string, code?: string][] = [
  ['as it is', 'isOn(id)'],
  ['turned round', '!isOn(id)'],
  ['in a text', '`${isOn(id)} m`'],
  ['given to another', 'String(isOn(id))'],
  ['to choose', 'isOn(id) ? 1 : 2'],
  ['for each of a list', 'all.map((one) => isOn(one))'],
  ['to choose of a list', 'all.filter((one) => isOn(one)).length'],
  ['to choose of a list, by its name', 'all.filter(isOn)'],
  ['whether one is', 'all.some((one) => !isOn(one.id))'],
  ['summed up', 'all.reduce((sum, one) => sum + isOn(one), 0)'],
  ['to sort', '[...all].sort((a, b) => isOn(a) - isOn(b))'],
  ['in an object for each', 'all.map((one) => ({ ...one, on: isOn(one) }))'],
  ['under a name for each', 'all.map((one) => { const on = isOn(one); return { on }; })'],
  ['kept as long as it holds', 'kept', 'const kept = useMemo(() => isOn(id), [isOn, id]);'],
  [
    'the same, in steps',
    'kept',
    'const kept = useMemo(() => { const on = isOn(id); return on + 1; }, [isOn, id]);',
  ],
  ['under a condition', 'word', "let word = 'off'; if (isOn(id)) word = 'on';"],
];

const of = (what: string, sources: Record<string, string>, from: string): Idiom => ({
  what,
  sources,
  from,
  to: ['Leaf:prop:x'],
});

const answered: Idiom[] = [
  of(
    'Vue: a function of the setup',
    vueApp(
      `import Row from './Row.vue'; const held = ref<number[]>([]); const isOn = (id: number) => held.value.includes(id); defineExpose({ put: (v: number[]) => { held.value = v; } });`,
      '<Row :is-on="isOn" />',
      {
        'Row.vue': `<script setup lang="ts">import Leaf from './Leaf.vue'; const props = defineProps<{ isOn: (id: number) => boolean }>();</script><template><Leaf :x="props.isOn(4)" /></template>`,
      },
    ),
    'App:state:held',
  ),
  of(
    'Vue: a method',
    vueApp(`import Panel from './Panel.vue';`, '<Panel />', {
      'Panel.vue': `<script>import Row from './Row.vue'; export default { components: { Row }, data() { return { held: [] }; }, methods: { isOn(id) { return this.held.includes(id); }, put(v) { this.held = v; } } };</script><template><Row :is-on="isOn" @click="put([])" /></template>`,
      'Row.vue': `<script setup lang="ts">import Leaf from './Leaf.vue'; defineProps<{ isOn: (id: number) => boolean }>();</script><template><Leaf :x="isOn(4)" /></template>`,
    }),
    'Panel:state:held',
  ),
  of(
    'Svelte',
    svelteApp(
      `import Row from './Row.svelte'; let held = $state<number[]>([]);`,
      '<Row isOn={(id) => held.includes(id)} /><Btn v={[]} save={(v) => (held = v)} />',
      {
        'Row.svelte': `<script lang="ts">import Leaf from './Leaf.svelte'; let { isOn }: { isOn: (id: number) => boolean } = $props(); const on = $derived(isOn(4));</script><Leaf x={on} />`,
      },
    ),
    'App:state:held',
  ),
  of(
    'Angular',
    angularApp(
      `@Component({ selector: 'app-row', standalone: true, imports: [Leaf], template: '<app-leaf [x]="isOn()(4)" />' }) export class Row { isOn = input.required<(id: number) => boolean>(); } @Component({ selector: 'app-root', standalone: true, imports: [Row], template: '<app-row [isOn]="isOn" (click)="held.set([])" />' }) export class App { held = signal<number[]>([]); isOn = (id: number) => this.held().includes(id); }`,
    ),
    'App:state:held',
  ),
];

idioms([
  ...REACT.flatMap(([what, code, markup, module]): Idiom[] => [
    { ...of(`React: ${what}`, react(code, markup, module), 'App:state:held'), not: [] },
    {
      what: `React: ${what}, and nothing beside`,
      sources: react(code, markup, module),
      from: 'Leaf:prop:x',
      to: ['App:state:held'],
    },
  ]),
  ...ASKED.map(([what, x, code = '']): Idiom => {
    const row = `function Row({ id, all, isOn }) { ${code} return <Leaf x={${x}} />; }`;
    const markup = '<Row id={4} all={[]} isOn={(id) => held.includes(id)} />';
    return { ...of(`React: asked ${what}`, react('', markup, row), 'App:state:held') };
  }),
  {
    what: 'React: what is called for what it does is not asked',
    sources: react(
      '',
      '<Row all={[]} mark={(id) => held.includes(id)} />',
      'function Row({ all, mark }) { return <Leaf x={all.map((one) => { mark(one); return one; })} />; }',
    ),
    from: 'App:state:held',
    to: ['Row:prop:mark'],
    not: ['Leaf:prop:x'],
  },
  {
    what: 'React: a function of a context gives back what its provider has',
    sources: reactApp(
      `const Held = createContext(null); function Row() { const { isOn } = useContext(Held); return <Leaf x={isOn(4)} />; }
export function App({ seed }) { ${STATES} const isOn = useCallback((id) => held.includes(id), [held]); const value = useMemo(() => ({ isOn, far }), [isOn, far]); return <Held.Provider value={value}><Row /><Btn v={seed} onSave={setHeld} /></Held.Provider>; }`,
    ),
    from: 'Row:context:Held',
    to: ['App:state:held', 'App:local:value'],
    not: ['App:state:far'],
  },
  {
    what: 'React: of an object of functions, what the one that is asked gives back',
    sources: reactApp(
      `function Row({ id, rules }) { return <Leaf x={rules.isOn(id)} />; }
export function App({ seed }) { ${STATES} const rules = { isOn: (id) => held.includes(id), far }; return <i><Row id={4} rules={rules} /><Btn v={seed} onSave={setHeld} /></i>; }`,
    ),
    from: 'Leaf:prop:x',
    to: ['App:state:held'],
    not: ['App:state:far'],
  },
  {
    what: 'React: what a function does is nothing that it gives back',
    sources: react(
      '',
      '<Lamp flip={() => setFar(held.length)} />',
      'function Lamp({ flip }) { const on = flip(); return <Leaf x={on} />; }',
    ),
    from: 'App:state:held',
    to: ['App:state:far'],
    not: ['Leaf:prop:x'],
  },
  {
    what: 'React: what a function is called with is its caller’s',
    sources: react('const other = (id) => id + 1;', '<Row id={held} isOn={other} />'),
    from: 'Row:prop:isOn',
    to: ['Leaf:prop:x'],
    not: ['App:state:held'],
  },
  ...answered,
]);
