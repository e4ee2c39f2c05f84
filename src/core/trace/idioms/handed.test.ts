/** Components that are handed in to be drawn: as tags, as content that gets more attributes, and in tables of columns. */
import { reactApp, svelteApp, vueApp } from './testing';
import { type Idiom, idioms } from './reaching';

const LIST: Idiom[] = [
  {
    what: 'as tag direct',
    sources: reactApp(
      `function Box({as:Tag,v}:any){ return <Tag x={v}/>; } function App({seed}:any){ return <Box as={Leaf} v={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'as tag default',
    sources: reactApp(
      `function Box({as:Tag=Leaf,v}:any){ return <Tag x={v}/>; } function App({seed}:any){ return <Box v={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'as tag rest',
    sources: reactApp(
      `function Box({as:Tag='div',...rest}:any){ return <Tag {...rest}/>; } function App({seed}:any){ return <Box as={Leaf} x={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'component prop named',
    sources: reactApp(
      `function Row({cell:Cell,v}:any){ return <td><Cell x={v}/></td>; } function App({seed}:any){ return <Row cell={Leaf} v={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'components map prop',
    sources: reactApp(
      `function Row({components,v}:any){ const { Cell } = components; return <Cell x={v}/>; } function App({seed}:any){ return <Row components={{Cell:Leaf}} v={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'component two levels',
    sources: reactApp(
      `function In({C,v}:any){ return <C x={v}/>; } function Row({C,v}:any){ return <In C={C} v={v}/>; } function App({seed}:any){ return <Row C={Leaf} v={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'cloneElement child',
    sources: reactApp(
      `function Box({v,children}:any){ return cloneElement(children,{x:v}); } function App({seed}:any){ return <Box v={seed}><Leaf/></Box>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'cloneElement map',
    sources: reactApp(
      `function Box({v,children}:any){ return <>{Children.map(children,(c:any)=>cloneElement(c,{x:v}))}</>; } function App({seed}:any){ return <Box v={seed}><Leaf/></Box>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'cloneElement trigger prop',
    sources: reactApp(
      `function Box({v,trigger}:any){ return <div>{cloneElement(trigger,{x:v})}</div>; } function App({seed}:any){ return <Box v={seed} trigger={<Leaf/>}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'createElement prop comp',
    sources: reactApp(
      `function Box({c,v}:any){ return createElement(c,{x:v}); } function App({seed}:any){ return <Box c={Leaf} v={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'columns config with render',
    sources: reactApp(
      `function Table({rows,cols}:any){ return rows.map((r:any)=>cols.map((c:any)=>c.render(r))); } function App({seed}:any){ const cols=[{k:'a',render:(r:any)=><Leaf x={r.v}/>}]; return <Table rows={[{v:seed}]} cols={cols}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'columns render module const',
    sources: reactApp(
      `function Table({rows,cols}:any){ return rows.map((r:any)=><tr>{cols.map((c:any)=><td>{c.render?c.render(r.v,r):r[c.k]}</td>)}</tr>); } const COLS=[{k:'a',render:(v:any)=><Leaf x={v}/>}]; function App({seed}:any){ return <Table rows={[{v:seed}]} cols={COLS}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'columns cell component',
    sources: reactApp(
      `function Table({rows,cols}:any){ return rows.map((r:any)=>cols.map((c:any)=>{ const Cell=c.cell; return <Cell x={r.v}/>; })); } const COLS=[{k:'a',cell:Leaf}]; function App({seed}:any){ return <Table rows={[{v:seed}]} cols={COLS}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'render children via slot helper',
    sources: reactApp(
      `function Slot({children,...p}:any){ return isValidElement(children)?cloneElement(children as any,{...p,...(children as any).props}):null; } function App({seed}:any){ return <Slot x={seed}><Leaf/></Slot>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'asChild',
    sources: reactApp(
      `function Slot({children,...p}:any){ return isValidElement(children)?cloneElement(children as any,p):null; } function B({asChild,...p}:any){ const C=asChild?Slot:'button'; return <C {...p}/>; } function App({seed}:any){ return <B asChild x={seed}><Leaf/></B>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'compound context',
    sources: reactApp(
      `const C=createContext<any>(null); function Tabs({v,children}:any){ const val=useMemo(()=>({v}),[v]); return <C.Provider value={val}>{children}</C.Provider>; } Tabs.Panel=function Panel(){ const {v}=useContext(C); return <Leaf x={v}/>; }; function App({seed}:any){ return <Tabs v={seed}><Tabs.Panel/></Tabs>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'prop getter hook',
    sources: reactApp(
      `function useThing(v:any){ const getProps=()=>({x:v}); return {getProps}; } function App({seed}:any){ const {getProps}=useThing(seed); return <Leaf {...getProps()}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'prop getter local',
    sources: reactApp(
      `function App({seed}:any){ const get=(k:any)=>({x:seed,k}); return <Leaf {...get(1)}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'prop getter with extra',
    sources: reactApp(
      `function useThing(v:any){ const getProps=useCallback((o:any={})=>({x:v,...o}),[v]); return {getProps}; } function App({seed}:any){ const t=useThing(seed); return <Leaf {...t.getProps()}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v is prop',
    sources: vueApp(`import Box from './Box.vue'; const seed=ref('a');`, `<Box :as="Leaf" :v="seed"/>`, {
      'Box.vue': `<script setup lang="ts">import type { Component } from 'vue'; defineProps<{as:Component;v:any}>();</script><template><component :is="as" :x="v"/></template>`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v is prop attrs',
    sources: vueApp(`import Box from './Box.vue'; const seed=ref('a');`, `<Box :as="Leaf" :x="seed"/>`, {
      'Box.vue': `<script setup lang="ts">import type { Component } from 'vue'; defineOptions({inheritAttrs:false}); defineProps<{as:Component}>();</script><template><component :is="as" v-bind="$attrs"/></template>`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v columns',
    sources: vueApp(
      `import Tab from './Tab.vue'; const seed=ref('a'); const cols=[{k:'a',cell:markRaw(Leaf)}];`,
      `<Tab :rows="[{a:seed}]" :cols="cols"/>`,
      {
        'Tab.vue': `<script setup lang="ts">defineProps<{rows:any[];cols:any[]}>();</script><template><div v-for="r in rows"><component v-for="c in cols" :is="c.cell" :x="r[c.k]"/></div></template>`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v columns render fn',
    sources: vueApp(
      `import Tab from './Tab.vue'; const seed=ref('a'); const cols=[{k:'a',render:(r:any)=>h(Leaf,{x:r.a})}];`,
      `<Tab :rows="[{a:seed}]" :cols="cols"/>`,
      {
        'Tab.vue': `<script setup lang="ts">defineProps<{rows:any[];cols:any[]}>();</script><template><div v-for="r in rows"><component v-for="c in cols" :is="c.render(r)"/></div></template>`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v h comp prop',
    sources: vueApp(`import Wrap from './Wrap'; const seed=ref('a');`, `<Wrap :v="seed" :as="Leaf"/>`, {
      'Wrap.ts': `import { defineComponent, h } from 'vue'; export default defineComponent({ props: { v: String, as: Object }, setup(props){ return () => h(props.as, { x: props.v }); } });`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'v tabs dynamic',
    sources: vueApp(
      `const seed=ref('a'); const tabs=[{id:'a',C:Leaf}]; const cur=shallowRef(tabs[0]);`,
      `<component :is="cur.C" :x="seed"/>`,
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's comp prop',
    sources: svelteApp(`import Box from './Box.svelte'; let seed=$state('a');`, `<Box C={Leaf} v={seed}/>`, {
      'Box.svelte': `<script lang="ts">let { C, v }: { C: any; v: any } = $props();</script><C x={v}/>`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's svelte:component',
    sources: svelteApp(`import Box from './Box.svelte'; let seed=$state('a');`, `<Box C={Leaf} v={seed}/>`, {
      'Box.svelte': `<script lang="ts">export let C: any; export let v: any;</script><svelte:component this={C} x={v}/>`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's comp prop rest',
    sources: svelteApp(`import Box from './Box.svelte'; let seed=$state('a');`, `<Box C={Leaf} x={seed}/>`, {
      'Box.svelte': `<script lang="ts">let { C, ...rest }: any = $props();</script><C {...rest}/>`,
    }),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 's columns',
    sources: svelteApp(
      `import Tab from './Tab.svelte'; let seed=$state('a'); const cols=[{k:'a',cell:Leaf}];`,
      `<Tab rows={[{a:seed}]} {cols}/>`,
      {
        'Tab.svelte': `<script lang="ts">let { rows, cols }: { rows: any[]; cols: any[] } = $props();</script>{#each rows as r}{#each cols as c}<c.cell x={r[c.k]}/>{/each}{/each}`,
      },
    ),
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'ng component outlet',
    sources: {
      'main.ts': `import { bootstrapApplication } from '@angular/platform-browser'; import { App } from './app'; bootstrapApplication(App);`,
      'app.ts': `import { Component, signal, Input } from '@angular/core'; import { NgComponentOutlet } from '@angular/common'; @Component({ selector: 'app-leaf', standalone: true, template: '<b>{{ x }}</b>' }) export class Leaf { @Input() x: any; } @Component({ selector: 'app-box', standalone: true, imports: [NgComponentOutlet], template: '<ng-container *ngComponentOutlet="what; inputs: { x: v }" />' }) export class Box { @Input() what: any; @Input() v: any; } @Component({ selector: 'app-root', standalone: true, imports: [Box], template: '<app-box [what]="leaf" [v]="seed()" />' }) export class App { seed = signal('a'); leaf = Leaf; }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'ng template outlet given',
    sources: {
      'main.ts': `import { bootstrapApplication } from '@angular/platform-browser'; import { App } from './app'; bootstrapApplication(App);`,
      'app.ts': `import { Component, signal, Input } from '@angular/core'; import { NgTemplateOutlet } from '@angular/common'; @Component({ selector: 'app-leaf', standalone: true, template: '<b>{{ x }}</b>' }) export class Leaf { @Input() x: any; } @Component({ selector: 'app-box', standalone: true, imports: [NgTemplateOutlet], template: '<ng-container *ngTemplateOutlet="row; context: { $implicit: v }" />' }) export class Box { @Input() row: any; @Input() v: any; } @Component({ selector: 'app-root', standalone: true, imports: [Box, Leaf], template: '<ng-template #t let-it><app-leaf [x]="it" /></ng-template><app-box [row]="t" [v]="seed()" />' }) export class App { seed = signal('a'); }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'ng template outlet own',
    sources: {
      'main.ts': `import { bootstrapApplication } from '@angular/platform-browser'; import { App } from './app'; bootstrapApplication(App);`,
      'app.ts': `import { Component, signal, Input } from '@angular/core'; import { NgTemplateOutlet } from '@angular/common'; @Component({ selector: 'app-leaf', standalone: true, template: '<b>{{ x }}</b>' }) export class Leaf { @Input() x: any; } @Component({ selector: 'app-root', standalone: true, imports: [NgTemplateOutlet, Leaf], template: '<ng-template #t let-it="v"><app-leaf [x]="it" /></ng-template><ng-container *ngTemplateOutlet="t; context: { v: seed() }" />' }) export class App { seed = signal('a'); }`,
    },
    from: 'App:state:seed',
    to: ['Leaf:prop:x'],
  },

  // Who came by one call site goes on to what that hands in, and to nothing else.
  ...(
    [
      [
        `function Other({x}:any){ return <i>{x}</i>; } function Box({as:Tag,v}:any){ return <Tag x={v}/>; } function App({seed,b}:any){ return <><Box as={Leaf} v={seed}/><Box as={Other} v={b}/></>; }`,
        'App:prop:seed',
        ['Leaf:prop:x'],
        ['Other:prop:x'],
      ],
      [
        `function Other({x}:any){ return <i>{x}</i>; } function Box({as:Tag,v}:any){ return <Tag x={v}/>; } function App({seed,b}:any){ return <><Box as={Leaf} v={seed}/><Box as={Other} v={b}/></>; }`,
        'Other:prop:x',
        ['App:prop:b'],
        ['App:prop:seed'],
      ],
      [
        `function Other({x}:any){ return <i>{x}</i>; } function Box({v,children}:any){ return cloneElement(children,{x:v}); } function App({seed,b}:any){ return <><Box v={seed}><Leaf/></Box><Box v={b}><Other/></Box></>; }`,
        'App:prop:seed',
        ['Leaf:prop:x'],
        ['Other:prop:x'],
      ],
      [
        `function Box({as:Tag,v,onSave}:any){ return <Tag v={v} onSave={onSave}/>; } function Other({x}:any){ return <i>{x}</i>; } function App({seed,b}:any){ const [p,setP]=useState(''); const [q,setQ]=useState(''); return <><Box as={Btn} v={seed} onSave={setP}/><Box as={Other} v={b} onSave={setQ}/><Leaf x={p}/><Other x={q}/></>; }`,
        'Btn:event:onSave',
        ['App:state:p', 'App:prop:seed'],
        ['App:state:q', 'App:prop:b'],
      ],
    ] as const
  ).map(([code, from, to, not], at): Idiom => ({
    what: `in by one call site, ${at}`,
    sources: reactApp(code),
    from,
    to: [...to],
    not: [...not],
  })),
];

idioms(LIST);
