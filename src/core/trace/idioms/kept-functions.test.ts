/** Functions that are put into a state, and called by whoever that is handed to: what a dialog does when it is confirmed. */
import { describe } from 'vitest';
import { idioms } from './reaching';
import { angularApp, reactApp, svelteApp, vueApp } from './testing';

const SVELTE_KID = `<script>let { run } = $props(); let mine = $state(1);</script><b onclick={() => { run?.(mine); mine++; }}></b>`;
const VUE_KID = `<script setup>import { ref } from 'vue'; const props = defineProps(['run']); const mine = ref(1);</script><template><b @click="props.run(mine)" /><input v-model="mine"></template>`;
const REACT = (code: string, run = 'run') =>
  reactApp(
    `function Kid({ run }: any) { const [mine, setMine] = useState(1); return <b onClick={() => { run(mine); setMine(2); }} />; } export function App({ seed }: any) { const [seen, setSeen] = useState(seed); const [other, setOther] = useState(0); ${code} return <><Kid run={${run}} /><Leaf x={seen} /><i>{other}</i></>; }`,
  );

describe('functions in states', () => {
  idioms([
    {
      what: 'put there by a handler',
      sources: svelteApp(
        `import Kid from './Kid.svelte'; let run = $state(); let seen = $state(0); function ask() { run = (v) => { seen = v; }; }`,
        '<b onclick={ask}></b><Kid {run} /><Leaf x={seen} />',
        { 'Kid.svelte': SVELTE_KID },
      ),
      from: 'Kid:state:mine',
      to: ['App:state:seen', 'Leaf:prop:x'],
    },
    {
      what: 'which one it is, is a value of the state',
      sources: svelteApp(
        `import Kid from './Kid.svelte'; let run = $state(() => {}); let seen = $state(0); function ask() { run = (v) => { seen = v; }; }`,
        '<b onclick={ask}></b><Kid {run} />{seen}',
        { 'Kid.svelte': SVELTE_KID },
      ),
      from: 'App:state:run',
      to: ['Kid:prop:run', 'App:state:seen'],
    },
    {
      what: 'by its name',
      sources: vueApp(
        `import Kid from './Kid.vue'; const run = ref(); const seen = ref(0); function keep(v) { seen.value = v; } function ask() { run.value = keep; }`,
        '<b @click="ask" /><Kid :run="run" /><Leaf :x="seen" />',
        { 'Kid.vue': VUE_KID },
      ),
      from: 'Kid:state:mine',
      to: ['App:state:seen', 'Leaf:prop:x'],
    },
    {
      what: 'as a member of an object',
      sources: vueApp(
        `import Kid from './Kid.vue'; const box = reactive({ open: false, run: null }); const seen = ref(0); function ask() { box.open = true; box.run = (v) => { seen.value = v; }; }`,
        '<b @click="ask" /><Kid :run="box.run" /><Leaf :x="seen" />',
        { 'Kid.vue': VUE_KID },
      ),
      from: 'Kid:state:mine',
      to: ['App:state:seen', 'Leaf:prop:x'],
    },
    {
      what: 'what a function gives back that the state is set by',
      sources: REACT(
        'const [run, setRun] = useState<any>(null); useEffect(() => { setRun(() => (v: any) => setSeen(v)); setOther(1); }, []);',
      ),
      from: 'Kid:state:mine',
      to: ['App:state:seen', 'Leaf:prop:x'],
      not: ['App:state:other'],
    },
    {
      what: 'in an object that the state is set to',
      sources: REACT(
        'const [box, setBox] = useState<any>({ open: false }); useEffect(() => { setBox({ open: true, run: (v: any) => setSeen(v), shut: (v: any) => setOther(v) }); }, []);',
        'box.run',
      ),
      from: 'Kid:state:mine',
      to: ['App:state:seen', 'Leaf:prop:x'],
      not: ['App:state:other'],
    },
    {
      what: 'in an object that is worked out of the one before',
      sources: REACT(
        'const [box, setBox] = useState<any>({ open: false }); useEffect(() => { setBox((was: any) => ({ ...was, run: (v: any) => setSeen(v) })); setOther(2); }, []);',
        'box.run',
      ),
      from: 'Kid:state:mine',
      to: ['App:state:seen', 'Leaf:prop:x'],
    },
    {
      what: 'a function that works out what comes next is none of these',
      sources: REACT(
        'const [count, setCount] = useState<any>(0); useEffect(() => { setCount((was: any) => { setOther(was); return was + 1; }); setSeen(count); }, []);',
        'count',
      ),
      from: 'Kid:state:mine',
      to: ['Kid:state:mine'],
      not: ['App:state:other', 'App:state:seen'],
    },
    {
      what: 'of a class',
      sources: angularApp(
        `@Component({ selector: 'app-kid', standalone: true, template: '<b (click)="go()"></b>' }) export class Kid { @Input() run: any; mine = 1; go() { this.run(this.mine); this.mine++; } } @Component({ selector: 'app-root', standalone: true, imports: [Leaf, Kid], template: '<b (click)="ask()"></b><app-kid [run]="run" /><app-leaf [x]="seen" />' }) export class App { run: any; seen = 0; ask() { this.run = (v: any) => { this.seen = v; }; } }`,
      ),
      from: 'Kid:state:mine',
      to: ['App:state:seen', 'Leaf:prop:x'],
    },
  ]);
});
