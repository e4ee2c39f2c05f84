/** What a component changes of what it was handed: whoever handed it has the same thing. */
import { describe } from 'vitest';
import { type Idiom, idioms } from './reaching';
import { angularApp, reactApp, svelteApp, svelteFiles, vueApp } from './testing';

const VUE_KID = (script: string, tpl = '<b />') =>
  `<script setup>import { ref } from 'vue'; const props = defineProps(['form', 'rows', 'row']); const mine = ref(1); const else_ = ref(2);\n${script}\n</script><template>${tpl}<input v-model="mine"><input v-model="else_"></template>`;

/** How the child changes what it is handed, and what the parent hands over and shows. */
const VUE: [what: string, child: string, tpl: string, script: string, shown: string][] = [
  [
    'a member of an object',
    'function go() { props.form.lo = mine.value; props.form.hi = else_.value; }',
    '<Kid :form="form" />',
    'const form = reactive({ lo: 1, hi: 2 });',
    'form.lo',
  ],
  [
    'a member of a member',
    'function go() { props.form.lo = mine.value; props.form.hi = else_.value; }',
    '<Kid :form="all.form" />',
    'const all = reactive({ form: { lo: 1, hi: 2 } });',
    'all.form.lo',
  ],
  [
    'an entry of a list',
    'function go(id) { const one = props.rows.find((r) => r.id === id); one.lo = mine.value; }',
    '<Kid :rows="rows" />',
    'const rows = ref([]);',
    'rows',
  ],
  [
    'each entry of a list',
    'function go() { for (const one of props.rows) one.lo = mine.value; }',
    '<Kid :rows="rows" />',
    'const rows = ref([]);',
    'rows',
  ],
  [
    'a list',
    'function go() { props.rows.push(mine.value); }',
    '<Kid :rows="rows" />',
    'const rows = ref([]);',
    'rows',
  ],
  [
    'one of many, in a loop',
    'function go() { props.row.lo = mine.value; }',
    '<Kid v-for="row in rows" :key="row.id" :row="row" />',
    'const rows = ref([]);',
    'rows',
  ],
  [
    'all that it is handed, over one that hands it on',
    'function go() { props.form.lo = mine.value; props.form.hi = else_.value; }',
    '<Mid :form="form" />',
    'const form = reactive({ lo: 1, hi: 2 });',
    'form.lo',
  ],
];

const MID = `<script setup>import Kid from './Kid.vue'; const props = defineProps(['form']);</script><template><Kid v-bind="props" /></template>`;

describe('objects are shared', () => {
  idioms(
    VUE.map(([what, child, tpl, script, shown]): Idiom => ({
      what,
      sources: vueApp(
        `import Kid from './Kid.vue'; import Mid from './Mid.vue'; ${script}`,
        `${tpl}<Leaf :x="${shown}" />`,
        {
          'Kid.vue': VUE_KID(child, '<b @click="go" />'),
          'Mid.vue': MID,
        },
      ),
      from: 'Kid:state:mine',
      to: ['Leaf:prop:x'],
      not: ['Kid:state:else_'],
    })),
  );
  idioms([
    {
      what: 'a copy is not',
      sources: vueApp(
        `import Kid from './Kid.vue'; const form = reactive({ lo: 1 });`,
        '<Kid :form="{ ...form }" /><Leaf :x="form" />',
        { 'Kid.vue': VUE_KID('function go() { props.form.lo = mine.value; }', '<b @click="go" />') },
      ),
      from: 'Kid:state:mine',
      to: ['Kid:prop:form'],
      not: ['Leaf:prop:x', 'App:state:form'],
    },
    {
      what: 'another name for what was handed over is its own',
      sources: vueApp(
        `import Kid from './Kid.vue'; const form = reactive({ lo: 1 });`,
        '<Kid :form="form" /><Leaf :x="form" />',
        {
          'Kid.vue': VUE_KID(
            'function go() { let one = props.form; one = { lo: mine.value }; }',
            '<b @click="go" />',
          ),
        },
      ),
      from: 'Kid:state:mine',
      to: ['Kid:state:mine'],
      not: ['Leaf:prop:x', 'App:state:form'],
    },
    {
      what: 'a parameter is what the function is called with',
      sources: vueApp(
        `const rows = ref([]); const lo = ref(1); function turn(row) { row.lo = lo.value; }`,
        '<b v-for="row in rows" :key="row.id" @click="turn(row)" /><input v-model="lo"><Leaf :x="rows" />',
      ),
      from: 'App:state:lo',
      to: ['App:state:rows', 'Leaf:prop:x'],
    },
    {
      what: 'a parameter that the function hands to itself',
      sources: vueApp(
        `const root = ref({}); const lo = ref(1); function turn(row, deep) { if (deep) turn(row, false); row.lo = lo.value; row.kids.forEach((one) => turn(one, true)); }`,
        '<b @click="turn(root, true)" /><input v-model="lo"><Leaf :x="root" />',
      ),
      from: 'App:state:lo',
      to: ['App:state:root', 'Leaf:prop:x'],
    },
    {
      what: 'what a handle holds',
      sources: reactApp(
        `function Kid({ box }: any) { const [mine, setMine] = useState(1); return <b onClick={() => { box.current = mine; setMine(2); }} />; } export function App({ seed }: any) { const box = useRef(seed); return <><Kid box={box} /><Leaf x={box} /></>; }`,
      ),
      from: 'Kid:state:mine',
      to: ['App:ref:box', 'Leaf:prop:x'],
    },
    {
      what: 'in a class',
      sources: angularApp(
        `@Component({ selector: 'app-kid', standalone: true, template: '<b (click)="go()"></b>' }) export class Kid { @Input() form: any; mine = 1; go() { this.form.lo = this.mine; this.mine++; } } @Component({ selector: 'app-root', standalone: true, imports: [Leaf, Kid], template: '<app-kid [form]="form" /><app-leaf [x]="form.lo" />' }) export class App { form = { lo: 1 }; more() { this.form = { lo: 2 }; } }`,
      ),
      from: 'Kid:state:mine',
      to: ['Leaf:prop:x'],
    },
  ]);
});

const KID = (code: string, markup = '<b onclick={go}></b>') =>
  `<script>let { wind, desk } = $props(); let mine = $state(1); function go() { ${code}; mine++; }</script>${markup}`;

/** How the child sets what it is handed; the parent has the store `wind`, and `desk` of a class. */
const STORES: [what: string, child: string, shown: string, markup?: string][] = [
  ['a store, by its name', '$wind = mine', '$wind'],
  ['a member of what a store holds', '$wind.lo = mine', '$wind.lo'],
  ['a store, by its method', 'wind.set(mine)', '$wind'],
  ['a store, worked out of what it holds', 'wind.update((all) => ({ ...all, lo: mine }))', '$wind.lo'],
  ['a member of what a class makes', 'desk.open = mine', 'desk.open'],
  ['what a class makes, by its method', 'desk.turn(mine)', 'desk.open'],
];

const DESK = `export class Desk { open = $state(0); lo = $state(0); turn(to) { this.open = to; } }`;

describe('what is made to be set by whoever has it', () => {
  idioms(
    STORES.map(([what, child, shown]): Idiom => ({
      what,
      sources: svelteApp(
        `import { writable } from 'svelte/store'; import Kid from './Kid.svelte'; import { Desk } from './desk.svelte.js'; const wind = writable({ lo: 1 }); const desk = new Desk();`,
        `<Kid {wind} {desk} /><Leaf x={${shown}} />`,
        { 'Kid.svelte': KID(child), 'desk.svelte.js': DESK },
      ),
      from: 'Kid:state:mine',
      to: ['Leaf:prop:x'],
    })),
  );
  idioms([
    {
      what: 'what has such a method and is no store',
      sources: svelteApp(
        `import Kid from './Kid.svelte'; let desk = $state(1);`,
        '<Kid wind={new Set()} {desk} /><Leaf x={desk} />',
        { 'Kid.svelte': KID('wind.set(mine)') },
      ),
      from: 'Kid:state:mine',
      to: ['Kid:state:mine'],
      not: ['Kid:prop:wind'],
    },
    {
      what: 'a signal',
      sources: angularApp(
        `@Component({ selector: 'app-kid', standalone: true, template: '<b (click)="go()"></b>' }) export class Kid { @Input() wind: any; mine = 1; go() { this.wind.set(this.mine); this.mine++; } } @Component({ selector: 'app-root', standalone: true, imports: [Leaf, Kid], template: '<app-kid [wind]="wind" /><app-leaf [x]="wind()" />' }) export class App { wind = signal(1); }`,
      ),
      from: 'Kid:state:mine',
      to: ['App:state:wind', 'Leaf:prop:x'],
    },
    {
      what: 'a field of a form',
      sources: angularApp(
        `@Component({ selector: 'app-kid', standalone: true, template: '<b (click)="go()"></b>' }) export class Kid { @Input() field: any; mine = 1; go() { this.field.setValue(this.mine); this.mine++; } } @Component({ selector: 'app-root', standalone: true, imports: [Leaf, Kid], template: '<app-kid [field]="field" /><app-leaf [x]="field.value" />' }) export class App { field = new FormControl(1); }`,
      ),
      from: 'Kid:state:mine',
      to: ['App:state:field', 'Leaf:prop:x'],
    },
  ]);
});

const BOUND = `<script>let { v = $bindable() } = $props(); let mine = $state(1); function go() { v = mine; mine++; }</script><b onclick={go}>{v}</b>`;
const bound = (script: string, tpl: string) =>
  svelteFiles(
    `<script>import Leaf from './Leaf.svelte'; import Kid from './Kid.svelte';\n${script}\n</script>${tpl}`,
    { 'Kid.svelte': BOUND },
  );

describe('what is bound', () => {
  idioms([
    {
      what: 'under a name that is worked out: all of the object, and not what gives the name',
      sources: bound(
        'let all = $state({}); let at = $state("lo");',
        '<Kid bind:v={all[at]} /><Leaf x={all} /><i onclick={() => (at = "hi")}></i>',
      ),
      from: 'Kid:state:mine',
      to: ['App:state:all', 'Leaf:prop:x'],
      not: ['App:state:at'],
    },
    {
      what: 'a member of an entry: the list',
      sources: bound(
        'let rows = $state([]);',
        '{#each rows as row (row.id)}<Kid bind:v={row.lo} />{/each}<Leaf x={rows} />',
      ),
      from: 'Kid:state:mine',
      to: ['App:state:rows', 'Leaf:prop:x'],
    },
    {
      what: 'by two functions: what the second one writes',
      sources: bound(
        'let lo = $state(1); let hi = $state(2);',
        '<Kid bind:v={() => lo, (to) => (hi = to)} /><Leaf x={hi} /><i onclick={() => (lo = 3)}></i>',
      ),
      from: 'Kid:state:mine',
      to: ['App:state:hi', 'Leaf:prop:x'],
      not: ['App:state:lo'],
    },
    {
      what: 'by two functions: what the first one gives',
      sources: bound(
        'let lo = $state(1); let hi = $state(2);',
        '<Kid bind:v={() => lo, (to) => (hi = to)} /><i onclick={() => (lo = 3)}></i>{hi}',
      ),
      from: 'App:state:lo',
      to: ['Kid:prop:v'],
    },
  ]);
});
