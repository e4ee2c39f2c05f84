/** Ways in which values are written: through setters of derived values, models, entries of lists, classes in contexts, form controls. */
import { angularApp, svelteApp, vueApp, vueFiles } from './testing';
import { type Idiom, idioms } from './reaching';

const LIST: Idiom[] = [
  {
    what: 'v model arg',
    sources: vueApp(
      `import Fld from './Fld.vue'; const seed=ref('a'); const k=ref('');`,
      `<Fld v-model:val="k" :v="seed"/><Leaf :x="k"/>`,
      {
        'Fld.vue': `<script setup lang="ts">const val=defineModel<any>('val'); const p=defineProps<{v:any}>();</script><template><b @click="val = p.v"/></template>`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v options computed set',
    sources: vueFiles(
      `<script>import Leaf from './Leaf.vue'; import Btn from './Btn.vue'; export default { components:{Leaf,Btn}, data(){ return { seed:'a', k:'' }; }, computed:{ m:{ get(){ return this.k; }, set(v){ this.k=v; } } } };</script><template><Btn :v="seed" @save="m = $event"/><Leaf :x="m"/></template>`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v composable whole obj',
    sources: vueApp(
      `import { useForm } from './useForm'; const seed=ref('a'); const form=useForm();`,
      `<Btn :v="seed" @save="form.put"/><Leaf :x="form.state.k"/>`,
      {
        'useForm.ts': `import { reactive } from 'vue'; export function useForm(){ const state=reactive({k:''}); function put(v:any){ Object.assign(state,{k:v}); } return { state, put }; }`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v provide obj inject destr',
    sources: vueApp(
      `import Pr from './Pr.vue'; import Wr from './Wr.vue'; import Rd from './Rd.vue'; const seed=ref('a');`,
      `<Pr><Wr :v="seed"/><Rd/></Pr>`,
      {
        'Pr.vue': `<script setup lang="ts">import { ref, provide } from 'vue'; const k=ref(''); const put=(v:any)=>{ k.value=v; }; provide('c',{ k, put });</script><template><slot/></template>`,
        'Wr.vue': `<script setup lang="ts">import { inject } from 'vue'; defineProps<{v:any}>(); const { put }=inject<any>('c');</script><template><b @click="put(v)"/></template>`,
        'Rd.vue': `<script setup lang="ts">import { inject } from 'vue'; import Leaf from './Leaf.vue'; const c=inject<any>('c');</script><template><Leaf :x="c.k.value"/></template>`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's context class',
    sources: svelteApp(
      `import { setContext } from 'svelte'; import { Fleet } from './fleet.svelte'; import Wr from './Wr.svelte'; import Rd from './Rd.svelte'; let seed=$state('a'); setContext('f',new Fleet());`,
      `<Wr v={seed}/><Rd/>`,
      {
        'fleet.svelte.ts': `export class Fleet { kept=$state(''); put=(v: any)=>{ this.kept=v; }; }`,
        'Wr.svelte': `<script lang="ts">import { getContext } from 'svelte'; import type { Fleet } from './fleet.svelte'; let { v }=$props(); const f=getContext<Fleet>('f');</script><button onclick={() => f.put(v)}>w</button>`,
        'Rd.svelte': `<script lang="ts">import { getContext } from 'svelte'; import Leaf from './Leaf.svelte'; const f: any=getContext('f');</script><Leaf x={f.kept}/>`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's each bind',
    sources: svelteApp(
      `let seed=$state('a'); let rows=$state([{k:''}]); function put(){ rows[0].k=seed; }`,
      `<button onclick={put}>s</button>{#each rows as r}<Leaf x={r.k}/>{/each}`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's bindable',
    sources: svelteApp(
      `import F from './F.svelte'; let seed=$state('a'); let k=$state('');`,
      `<F bind:val={k} v={seed}/><Leaf x={k}/>`,
      {
        'F.svelte': `<script lang="ts">let { val=$bindable(), v }: any = $props();</script><button onclick={() => val=v}>s</button>`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'ng for item',
    sources: angularApp(
      `@Component({ selector: 'app-root', standalone: true, imports: [Leaf], template: '@for (r of rows(); track r) { <app-leaf [x]="r.k" /> }' }) export class App { seed = signal('a'); rows = computed(() => [{ k: this.seed() }]); }`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'ng form control',
    sources: angularApp(
      `@Component({ selector: 'app-root', standalone: true, imports: [Leaf, ReactiveFormsModule], template: '<input [formControl]="c" /><b (click)="c.setValue(seed())"></b><app-leaf [x]="c.value" />' }) export class App { seed = signal('a'); c = new FormControl(''); }`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'ng service signal',
    sources: angularApp(
      `@Injectable({ providedIn: 'root' }) export class Kept { private k = signal(''); readonly held = this.k.asReadonly(); put(v: any) { this.k.set(v); } } @Component({ selector: 'app-root', standalone: true, imports: [Btn, Leaf], template: '<app-btn [v]="seed()" (save)="s.put($event)" /><app-leaf [x]="s.held()" />' }) export class App { seed = signal('a'); s = inject(Kept); }`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'ng contentchild template',
    sources: angularApp(
      `@Component({ selector: 'app-tab', standalone: true, imports: [NgTemplateOutlet], template: '<ng-container [ngTemplateOutlet]="row" [ngTemplateOutletContext]="{ $implicit: v }" />' }) export class Tab { @Input() v: any; @ContentChild('row') row: any; } @Component({ selector: 'app-root', standalone: true, imports: [Tab, Leaf], template: '<app-tab [v]="seed()"><ng-template #row let-it><app-leaf [x]="it" /></ng-template></app-tab>' }) export class App { seed = signal('a'); }`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
];

/** A class that a context of Svelte holds, behind a function that asks for it. */
const HELD = {
  'line.svelte.ts': `import { getContext, setContext } from 'svelte'; export class Line { limit = $state(1); other = $state(2); rows = $state<any[]>([]); light(at: number, v: any) { this.rows[at].on = v; } } const KEY = Symbol('line'); export const setLine = (l: Line) => setContext(KEY, l); export const useLine = () => getContext<Line>(KEY);`,
  'Fld.svelte': `<script lang="ts">let { val = $bindable(), v }: { val: any; v: any } = $props();</script><button onclick={() => (val = v)}>{val}</button>`,
};
const held = (script: string, template: string) =>
  svelteApp(
    `import Inner from './Inner.svelte'; import { Line, setLine } from './line.svelte'; setLine(new Line());`,
    '<Inner />',
    {
      ...HELD,
      'Inner.svelte': `<script lang="ts">import Fld from './Fld.svelte'; import Leaf from './Leaf.svelte'; import Btn from './Btn.svelte'; import { useLine } from './line.svelte'; const line = useLine(); let seed = $state('a'); ${script}</script>${template}`,
    },
  );

const OF_CONTEXTS: Idiom[] = [
  {
    what: 'Svelte: bound to a member of what a context holds',
    sources: held('', '<Fld v={seed} bind:val={line.limit} /><Leaf x={line.limit} />'),
    from: 'Inner:state:seed',
    to: ['App:state:limit', 'Leaf:prop:x'],
    not: ['App:state:other'],
  },
  {
    what: 'Svelte: assigned to such a member',
    sources: held(
      'function up(v: any) { line.limit = v; }',
      '<Btn v={seed} save={up} /><Leaf x={line.limit} />',
    ),
    from: 'Inner:state:seed',
    to: ['App:state:limit', 'Leaf:prop:x'],
    not: ['App:state:other'],
  },
  {
    what: 'Svelte: an entry of a list of such a class',
    sources: held(
      '',
      '<Btn v={seed} save={(v) => line.light(0, v)} />{#each line.rows as row}<Leaf x={row.on} />{/each}',
    ),
    from: 'Inner:state:seed',
    to: ['App:state:rows', 'Leaf:prop:x'],
    not: ['App:state:limit'],
  },
  {
    what: 'Vue: bound to a box in an object that is provided',
    sources: vueApp(
      `import Inner from './Inner.vue'; const limit = ref(1); const other = ref(2); const all = { limit, other }; provide('all', all);`,
      '<Inner /><Leaf :x="limit" />',
      {
        'Inner.vue': `<script setup lang="ts">import { inject, ref } from 'vue'; import Fld from './Fld.vue'; const { limit } = inject<any>('all')!; const seed = ref('a');</script><template><Fld v-model="limit" :v="seed" /></template>`,
        'Fld.vue': `<script setup lang="ts">const val = defineModel<any>(); const p = defineProps<{ v: any }>();</script><template><b @click="val = p.v" /></template>`,
      },
    ),
    from: 'Inner:state:seed',
    to: ['App:state:limit', 'Leaf:prop:x'],
    not: ['App:state:other'],
  },
  {
    what: 'Angular: an entry of a list of a service',
    sources: angularApp(
      `@Injectable({ providedIn: 'root' }) export class Kept { rows: any[] = []; light(at: number, v: any) { this.rows[at].on = v; } } @Component({ selector: 'app-root', standalone: true, imports: [Btn, Leaf, NgFor], template: '<app-btn [v]="seed()" (save)="s.light(0, $event)" /><app-leaf *ngFor="let row of s.rows" [x]="row.on" />' }) export class App { seed = signal('a'); s = inject(Kept); }`,
    ),
    from: 'App:state:seed',
    to: ['Kept:state:rows', 'Leaf:prop:x'],
  },
];

idioms([...LIST, ...OF_CONTEXTS]);
