/** What calls give back: of what one call gives a function, and no more of that than comes back. */
import { angularApp, reactApp, svelteApp, vueApp, vueFiles } from './testing';
import { type Idiom, idioms } from './reaching';

const LEAVES = `function Low({x}){return <b>{x}</b>;} function High({x}){return <b>{x}</b>;}`;
const STATES = `const [lo, setLo] = useState(1); const [hi, setHi] = useState(2); useEffect(() => { setLo(read()); setHi(read()); }, []);`;

/** A component in which \`low\` is what only \`lo\` comes to, \`high\` what only \`hi\` does. */
const react = (code: string, low: string, high: string, module = ''): Record<string, string> =>
  reactApp(
    `${module} ${LEAVES} export function App({ seed: unit }){ ${STATES} ${code} return <i><Low x={${low}}/><High x={${high}}/></i>; }`,
  );

/** Functions of the component, or of the module around it: each is called for one value, then for the other. */
const FUNCTIONS: [what: string, code: string, low: string, high: string][] = [
  ['worked out', 'const fmt = (v) => v + unit;', 'fmt(lo)', 'fmt(hi)'],
  ['as it is', 'const fmt = (v) => v;', 'fmt(lo)', 'fmt(hi)'],
  ['over a variable', 'const fmt = (v) => { const w = v * 2; return w + 1; };', 'fmt(lo)', 'fmt(hi)'],
  [
    'over a variable that is set',
    'const fmt = (v) => { let out = 0; if (unit) out = v; return out; };',
    'fmt(lo)',
    'fmt(hi)',
  ],
  ['a declaration', 'function fmt(v) { return v + 1; }', 'fmt(lo)', 'fmt(hi)'],
  ['in a text', 'const fmt = (v) => v + 1;', '`${fmt(lo)} m`', '`${fmt(hi)} m`'],
  ['in an arm', 'const fmt = (v) => v + 1;', 'unit ? fmt(lo) : fmt(0)', 'unit ? fmt(hi) : fmt(0)'],
  ['given to what nobody knows', 'const fmt = (v) => v + 1;', 'String(fmt(lo))', 'String(fmt(hi))'],
  ['through another', 'const fmt = (v) => v + 1; const show = (v) => fmt(v) + unit;', 'show(lo)', 'show(hi)'],
  [
    'kept as long as it holds',
    'const fmt = (v) => v + 1;',
    'useMemo(() => fmt(lo), [lo])',
    'useMemo(() => fmt(hi), [hi])',
  ],
  [
    'a member that is taken',
    'const pick = (p) => p.lo + 1; const other = (p) => p.hi + 1;',
    'pick({ lo, hi })',
    'other({ lo, hi })',
  ],
  [
    'a parameter taken apart',
    'const pick = ({ lo }) => lo; const other = ({ hi }) => hi;',
    'pick({ lo, hi })',
    'other({ lo, hi })',
  ],
  ['one of two', 'const first = (a, b) => { note(b); return a; };', 'first(lo, hi)', 'first(hi, lo)'],
  [
    'a method of what is taken',
    'const pick = (p) => p.lo.trim(); const other = (p) => p.hi.trim();',
    'pick({ lo, hi })',
    'other({ lo, hi })',
  ],
  [
    'handed on',
    'const first = ({ a }) => a; const pick = (p) => first({ a: p.lo, b: p.hi }); const other = (p) => first({ a: p.hi, b: p.lo });',
    'pick({ lo, hi })',
    'other({ lo, hi })',
  ],
  ['which calls itself', 'function fmt(v, n) { return n ? fmt(v, n - 1) : v; }', 'fmt(lo, 3)', 'fmt(hi, 3)'],
  ['a member of it', 'const pair = (a, b) => ({ a, b });', 'pair(lo, hi).a', 'pair(lo, hi).b'],
  [
    'taken apart',
    'const pair = (a, b) => ({ a, b: b + 1 }); const { a: low, b: high } = pair(lo, hi);',
    'low',
    'high',
  ],
  ['a list taken apart', 'const pair = (a, b) => [a, b]; const [low, high] = pair(lo, hi);', 'low', 'high'],
  [
    'a member of a member',
    'const pair = (a, b) => ({ of: { a, b } }); const { of: { a, b } } = pair(lo, hi);',
    'a',
    'b + 1',
  ],
  [
    'gathered over what is given, and put beside it',
    'const gather = (p) => { const all = { ...p }; let text = 0; for (const key in all) { const one = all[key]; text = join(text, one); } all.text = join(text, p.text); return all; };',
    'gather({ a: lo }).text',
    'gather({ a: hi }).text',
  ],
  ['all that is given', 'const all = (...list) => list.join();', 'all(lo, 1)', 'all(hi, 1)'],
  ['one of all that is given', 'const at = (n, ...[a, b]) => b;', 'at(1, hi, lo)', 'at(1, lo, hi)'],
  [
    'the rest of an object',
    'const rest = ({ a, ...others }) => others.b;',
    'rest({ a: hi, b: lo })',
    'rest({ a: lo, b: hi })',
  ],
  ['spread over its parameters', 'const all = (a, b) => a + b;', 'all(...[lo, 1])', 'all(...[hi, 1])'],
  ['by its arguments', 'function at() { return arguments[0]; }', 'at(lo)', 'at(hi)'],
  ['of each of some', 'const fmt = (v) => v + 1;', '[lo].map((v) => fmt(v))', '[hi].map((v) => fmt(v))'],
];

const ofReact = FUNCTIONS.flatMap(([what, code, low, high]): Idiom[] => [
  {
    what: `React: ${what}`,
    sources: react(code, low, high),
    from: 'App:state:lo',
    to: ['Low:prop:x'],
    not: ['High:prop:x'],
  },
  {
    what: `React: ${what}, the other`,
    sources: react(code, low, high),
    from: 'App:state:hi',
    to: ['High:prop:x'],
    not: ['Low:prop:x'],
  },
]);

/** The same of functions of the module around the component, of those that need nothing of it. */
const ofModules = FUNCTIONS.filter(([, code]) => !/unit|\(lo/.test(code)).map(
  ([what, code, low, high]): Idiom => ({
    what: `a module: ${what}`,
    sources: react('', low, high, code),
    from: 'App:state:lo',
    to: ['Low:prop:x'],
    not: ['High:prop:x'],
  }),
);

const OTHERS: Idiom[] = [
  {
    what: 'Vue: called in a template',
    sources: vueApp(
      `const lo = ref(1); const hi = ref(2); const fmt = (v: number) => { const w = v * 2; return w + 1; }; const up = () => { lo.value++; hi.value++; };`,
      `<Leaf :x="fmt(lo)" /><Btn :v="fmt(hi)" @save="up" />`,
    ),
    from: 'App:state:lo',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'Vue: a method of options',
    sources: vueFiles(
      `<script>import Leaf from './Leaf.vue'; import Btn from './Btn.vue'; export default { components: { Leaf, Btn }, data() { return { lo: 1, hi: 2 }; }, methods: { fmt(v) { return v + 1; }, up() { this.lo++; this.hi++; } } };</script><template><Leaf :x="fmt(lo)" /><Btn :v="fmt(hi)" @save="up" /></template>`,
    ),
    from: 'App:state:lo',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'Vue: a computed value of a member that is taken',
    sources: vueApp(
      `const lo = ref(1); const hi = ref(2); const pick = (p: any) => p.a + 1; const low = computed(() => pick({ a: lo.value, b: hi.value })); const up = () => { lo.value++; hi.value++; };`,
      `<Leaf :x="low" /><Btn :v="hi" @save="up" />`,
    ),
    from: 'App:state:hi',
    to: ['Btn:prop:v'],
    not: ['Leaf:prop:x'],
  },
  {
    what: 'Vue: what a function keeps, started with what it is given',
    sources: vueApp(
      `const lo = ref(1); const hi = ref(2); function useDrag(from: number) { const at = ref(from); const move = (e: any) => { at.value = e.x; }; return { at, move }; } const { at, move } = useDrag(lo.value); const up = () => { lo.value++; hi.value++; };`,
      `<Leaf :x="at" /><Btn :v="hi" @save="up" /><i @click="move" />`,
    ),
    from: 'App:state:lo',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'Svelte: called in markup',
    sources: svelteApp(
      `let lo = $state(1); let hi = $state(2); function fmt(v: number) { return v + 1; } function up() { lo++; hi++; }`,
      `<Leaf x={fmt(lo)} /><Btn v={fmt(hi)} save={up} />`,
    ),
    from: 'App:state:lo',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'Angular: a method that a template calls',
    sources: angularApp(
      `@Component({ selector: 'app-root', standalone: true, imports: [Leaf, Btn], template: '<app-leaf [x]="fmt(lo)"></app-leaf><app-btn [v]="fmt(hi)" (save)="up()"></app-btn>' }) export class App { lo = 1; hi = 2; fmt(v: number) { return v + 1; } up() { this.lo++; this.hi++; } }`,
    ),
    from: 'App:state:lo',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'React: what one member of many is worked out of',
    sources: reactApp(
      `${LEAVES} export function App({ seed: unit }){ const [at, setAt] = useState({ lo: 1, hi: 2 }); useEffect(() => { setAt({ lo: read(), hi: unit }); }, [unit]); return <i><Low x={at.lo + 1}/><High x={at.hi + 1}/></i>; }`,
    ),
    from: 'App:prop:seed',
    to: ['High:prop:x'],
    not: ['Low:prop:x'],
  },
  {
    what: 'React: of all that a component is handed, what a function takes',
    sources: reactApp(
      `${LEAVES} const pick = (p) => p.lo + 1; function Pair(props){ return <i><Low x={pick(props)}/><High x={props.hi}/></i>; } export function App({ seed: unit }){ ${STATES} return <Pair lo={lo} hi={hi}/>; }`,
    ),
    from: 'App:state:hi',
    to: ['High:prop:x'],
    not: ['Low:prop:x'],
  },
  {
    what: 'React: which of several it is, a parameter decides',
    sources: reactApp(
      `${LEAVES} const which = (by) => { if (by) return 'a'; return 'b'; }; export function App({ seed: unit }){ ${STATES} return <i><Low x={which(lo)}/><High x={which(hi)}/></i>; }`,
    ),
    from: 'App:state:lo',
    to: ['Low:prop:x'],
    not: ['High:prop:x'],
  },
  {
    what: 'React: of what nobody knows, all that it is given comes back',
    sources: react('', 'unknown({ lo })', 'unknown({ hi })'),
    from: 'App:state:lo',
    to: ['Low:prop:x'],
    not: ['High:prop:x'],
  },
];

idioms([...ofReact, ...ofModules, ...OTHERS]);
