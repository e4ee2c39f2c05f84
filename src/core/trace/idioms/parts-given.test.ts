/** Objects that calls and events are made with: what takes one member of them gets that member, and no other. */
import { angularApp, reactApp, svelteApp, vueApp } from './testing';
import { type Idiom, idioms } from './reaching';

/** How two values get to two states: what stands in the component, and what its form is handed for `save`. */
const FORMS: [what: string, code: string, save: string][] = [
  ['parameters taken apart', `const keep = ({ lo, hi }) => { setLo(lo); setHi(hi); };`, 'keep'],
  ['under other names', `const keep = ({ lo: a, hi: b }) => { setLo(a); setHi(b); };`, 'keep'],
  ['members of the parameter', `const keep = (range) => { setLo(range.lo); setHi(range.hi); };`, 'keep'],
  [
    'taken apart inside',
    `const keep = (range) => { const { lo, hi } = range; setLo(lo); setHi(hi); };`,
    'keep',
  ],
  [
    'under a constant',
    `const LO = 'lo'; const keep = (range) => { setLo(range[LO]); setHi(range.hi); };`,
    'keep',
  ],
  [
    'put together anew',
    `const put = ({ from, to }) => { setLo(from); setHi(to); }; const keep = ({ lo, hi }) => put({ from: lo, to: hi });`,
    'keep',
  ],
  [
    'an object in an object',
    `const put = ({ range }) => { setLo(range.lo); setHi(range.hi); }; const keep = (range) => put({ range });`,
    'keep',
  ],
  [
    'spread into another',
    `const put = ({ lo, hi }) => { setLo(lo); setHi(hi); }; const keep = (range) => put({ ...range, at: 4 });`,
    'keep',
  ],
  ['a list', `const put = ([lo, hi]) => { setLo(lo); setHi(hi); };`, '({ lo, hi }) => put([lo, hi])'],
  ['written there', '', '({ lo, hi }) => { setLo(lo); setHi(hi); }'],
  ['with a default', `const keep = ({ lo = 1, hi = 2 } = {}) => { setLo(lo); setHi(hi); };`, 'keep'],
  [
    'what is kept takes its members',
    `const [all, setAll] = useState({ lo: 0, hi: 0 }); useEffect(() => { setLo(all.lo); setHi(all.hi); }, [all]);`,
    '(range) => setAll({ lo: range.lo, hi: range.hi })',
  ],
];
const LEAVES = `function Low({x}){return <b>{x}</b>;} function High({x}){return <b>{x}</b>;} function Form({onSave}){ const low = read(); const high = read(); return <b onClick={() => onSave({ lo: low, hi: high })}/>; }`;

const ofReact = FORMS.map(([what, code, save]): Idiom => ({
  what: `React: ${what}`,
  sources: reactApp(
    `${LEAVES} export function App({ seed }){ useEffect(() => read(seed), [seed]); const [lo, setLo] = useState(0); const [hi, setHi] = useState(0); ${code} return <i><Low x={lo}/><High x={hi}/><Form onSave={${save}}/></i>; }`,
  ),
  from: 'Form:local:low',
  to: ['Low:prop:x'],
  not: ['High:prop:x'],
}));

const OTHERS: Idiom[] = [
  {
    what: 'React: a function of a module',
    sources: {
      ...reactApp(
        `import { keep } from './keep'; ${LEAVES} export function App({ seed }){ useEffect(() => read(seed), [seed]); const [lo, setLo] = useState(0); const [hi, setHi] = useState(0); return <i><Low x={lo}/><High x={hi}/><Form onSave={(range) => keep({ range, setLo, setHi })}/></i>; }`,
      ),
      'keep.js': `export const keep = ({ range, setLo, setHi }) => { setLo(range.lo); setHi(range.hi); };`,
    },
    from: 'Form:local:low',
    to: ['Low:prop:x'],
    not: ['High:prop:x'],
  },
  {
    what: 'React: variables of a function of a module',
    sources: {
      ...reactApp(
        `import { keep } from './keep'; ${LEAVES} export function App({ seed }){ useEffect(() => read(seed), [seed]); const [lo, setLo] = useState(0); const [hi, setHi] = useState(0); return <i><Low x={lo}/><High x={hi}/><Form onSave={(range) => keep(range, setLo, setHi)}/></i>; }`,
      ),
      'keep.js': `export const keep = (range, setLo, setHi) => { let low; const both = {}; if (range) low = range.lo; both.hi = range.hi; setLo(low); setHi(both.hi); };`,
    },
    from: 'Form:local:low',
    to: ['Low:prop:x'],
    not: ['High:prop:x'],
  },
  {
    what: 'Vue: what an event is raised with',
    sources: vueApp(
      `import Form from './Form.vue'; const lo = ref(0); const hi = ref(0); const keep = (range: any) => { lo.value = range.lo; hi.value = range.hi; };`,
      `<Form @save="keep" /><Leaf :x="hi" /><Btn :v="lo" />`,
      {
        'Form.vue': `<script setup lang="ts">import { ref } from 'vue'; const emit = defineEmits<{ save: [v: any] }>(); const low = ref(1); const high = ref(2);</script><template><b @click="emit('save', { lo: low, hi: high })" /></template>`,
      },
    ),
    from: 'Form:state:low',
    to: ['App:state:lo'],
    not: ['App:state:hi'],
  },
  {
    what: 'Svelte: a function of the component',
    sources: svelteApp(
      `let low = $state(1); let high = $state(2); let lo = $state(0); let hi = $state(0); function keep({ a, b }: any) { lo = a; hi = b; } function up() { keep({ a: low, b: high }); low++; high++; }`,
      `<Leaf x={lo} /><Btn v={hi} save={up} />`,
    ),
    from: 'App:state:low',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'Angular: what an output emits',
    sources: angularApp(
      `@Component({ selector: 'app-form', standalone: true, template: '<b (click)="go()"></b>' }) export class Form { low = 1; high = 2; @Output() save = new EventEmitter<any>(); go() { this.save.emit({ lo: this.low, hi: this.high }); this.low++; this.high++; } } @Component({ selector: 'app-root', standalone: true, imports: [Leaf, Btn, Form], template: '<app-form (save)="keep($event)"></app-form><app-leaf [x]="lo"></app-leaf><app-btn [v]="hi"></app-btn>' }) export class App { lo = 0; hi = 0; keep({ lo, hi }: any) { this.lo = lo; this.hi = hi; } }`,
    ),
    from: 'Form:state:low',
    to: ['Leaf:prop:x'],
    not: ['Btn:prop:v'],
  },
  {
    what: 'what is worked out of the whole may be made of any member',
    sources: reactApp(
      `${LEAVES} export function App({ seed }){ useEffect(() => read(seed), [seed]); const [lo, setLo] = useState(0); const keep = (range) => setLo(span(range)); return <i><Low x={lo}/><Form onSave={keep}/></i>; }`,
    ),
    from: 'Form:local:high',
    to: ['Low:prop:x'],
  },
  {
    what: 'a member under a name that is worked out may be any',
    sources: reactApp(
      `${LEAVES} export function App({ seed: which }){ const [lo, setLo] = useState(0); const keep = (range) => setLo(range[which]); return <i><Low x={lo}/><Form onSave={keep}/></i>; }`,
    ),
    from: 'Form:local:high',
    to: ['Low:prop:x'],
  },
];

idioms([...ofReact, ...OTHERS]);
