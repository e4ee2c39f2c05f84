/** Content that is handed in, and handles. */
import { absent, angular, type Channel, followed, page, sheet, silent, stencil } from './cell';

export const SLOT: Channel = {
  name: 'slot that gives something',
  asks: 'where does content get what it shows from?',
  cells: {
    react: followed(
      'functions as children or props',
      {
        'App.tsx': `function Leaf({ name }: { name: string }) { return <i>{name}</i>; }
function Rows({ cabins, children }: { cabins: string[]; children: (cabin: string) => React.ReactNode }) { return <ul>{cabins.map((cabin) => children(cabin))}</ul>; }
export function App({ all }: { all: string[] }) { return <Rows cabins={all}>{(cabin) => <Leaf key={cabin} name={cabin} />}</Rows>; }`,
      },
      'App:prop:all',
      'Leaf:prop:name',
    ),
    vue: followed(
      'scoped slots',
      {
        'Leaf.vue':
          '<script setup lang="ts">defineProps<{ name: string }>();</script><template><i>{{ name }}</i></template>',
        'Rows.vue':
          '<script setup lang="ts">defineProps<{ cabins: string[] }>();</script><template><slot v-for="cabin in cabins" :cabin="cabin" /></template>',
        'App.vue': `<script setup lang="ts">import Rows from './Rows.vue'; import Leaf from './Leaf.vue'; defineProps<{ all: string[] }>();</script>
<template><Rows :cabins="all" v-slot="{ cabin }"><Leaf :name="cabin" /></Rows></template>`,
      },
      'App:prop:all',
      'Leaf:prop:name',
    ),
    svelte: followed(
      'snippets; slots with `let:`',
      {
        'Leaf.svelte': '<script lang="ts">let { name }: { name: string } = $props();</script><i>{name}</i>',
        'Rows.svelte': `<script lang="ts">import type { Snippet } from 'svelte'; let { cabins, row }: { cabins: string[]; row: Snippet<[string]> } = $props();</script>{#each cabins as cabin}{@render row(cabin)}{/each}`,
        'App.svelte': `<script lang="ts">import Rows from './Rows.svelte'; import Leaf from './Leaf.svelte'; let { all }: { all: string[] } = $props();</script>
<Rows cabins={all}>{#snippet row(cabin)}<Leaf name={cabin} />{/snippet}</Rows>`,
      },
      'App:prop:all',
      'Leaf:prop:name',
    ),
    angular: followed(
      'templates that are stamped with a context',
      angular(`import { ContentChild, TemplateRef } from '@angular/core';
@Component({ selector: 'app-leaf', template: '{{ name() }}' }) export class Leaf { name = input(''); }
@Component({ selector: 'app-rows', imports: [NgTemplateOutlet], template: '@for (cabin of cabins(); track cabin) { <ng-container *ngTemplateOutlet="row; context: { $implicit: cabin }" /> }' })
export class Rows { cabins = input<string[]>([]); @ContentChild('row') row!: TemplateRef<{ $implicit: string }>; }
@Component({ selector: 'app-root', imports: [Rows, Leaf], template: '<app-rows [cabins]="all()"><ng-template #row let-cabin><app-leaf [name]="cabin" /></ng-template></app-rows>' })
export class App { all = input<string[]>([]); }`),
      'App:prop:all',
      'Leaf:prop:name',
    ),
    stencil: absent('slots of elements give nothing'),
    razor: followed(
      '`RenderFragment<T>`',
      {
        'Leaf.razor': '<i>@Name</i>\n@code { [Parameter] public string Name { get; set; } = ""; }',
        'Rows.razor':
          '@foreach (var cabin in Cabins) { @Row(cabin) }\n@code { [Parameter] public List<string> Cabins { get; set; } = new(); [Parameter] public RenderFragment<string> Row { get; set; } = default!; }',
        'App.razor':
          '<Rows Cabins="@All"><Row Context="cabin"><Leaf Name="@cabin" /></Row></Rows>\n@code { [Parameter] public List<string> All { get; set; } = new(); }',
      },
      'App:prop:All',
      'Leaf:prop:Name',
    ),
    sheet: followed(
      '`slot` with `with`, `gives`',
      sheet(`roots: [{ use: App, with: { all: [a] } }]
components:
  App: { takes: { all: { list: text } }, tree: [{ use: Rows, with: { cabins: $all }, fill: { row: { gives: [cabin], tree: [{ use: Leaf, with: { name: $cabin } }] } } }] }
  Rows: { takes: { cabins: { list: text } }, tree: [{ each: { cabin: $cabins }, slot: row, with: { cabin: $cabin } }] }
  Leaf: { takes: { name: text }, tree: [{ text: $name }] }
`),
      'App:prop:all',
      'Leaf:prop:name',
    ),
    html: absent('slots of elements give nothing'),
  },
};

export const HANDLE: Channel = {
  name: 'handle',
  asks: 'what does a call through a handle change in the component that it is put on?',
  cells: {
    react: followed(
      '`ref`, `useImperativeHandle`',
      {
        'App.tsx': `import { forwardRef, useImperativeHandle, useRef, useState } from 'react';
const Field = forwardRef<{ clear(): void }, {}>(function Field(_props, ref) { const [text, setText] = useState(''); useImperativeHandle(ref, () => ({ clear: () => setText('') })); return <b>{text}</b>; });
export function App() { const field = useRef<{ clear(): void }>(null); return <><Field ref={field} /><button onClick={() => field.current?.clear()}>clear</button></>; }`,
      },
      'App:ref:field',
      'Field:state:text',
    ),
    vue: followed(
      'template refs, `defineExpose`',
      {
        'Field.vue': `<script setup lang="ts">import { ref } from 'vue'; const text = ref(''); defineExpose({ clear: () => { text.value = ''; } });</script><template><b>{{ text }}</b></template>`,
        'App.vue': `<script setup lang="ts">import { ref } from 'vue'; import Field from './Field.vue'; const field = ref<InstanceType<typeof Field>>();</script>
<template><Field ref="field" /><button @click="field?.clear()">clear</button></template>`,
      },
      'App:ref:field',
      'Field:state:text',
    ),
    svelte: followed(
      '`bind:this`, exported functions',
      {
        'Field.svelte': `<script lang="ts">let text = $state(''); export function clear() { text = ''; }</script><b>{text}</b>`,
        'App.svelte': `<script lang="ts">import Field from './Field.svelte'; let field: Field;</script><Field bind:this={field} /><button onclick={() => field.clear()}>clear</button>`,
      },
      'App:ref:field',
      'Field:state:text',
    ),
    angular: followed(
      '`viewChild`, template references',
      angular(`@Component({ selector: 'app-field', template: '{{ text() }}' }) export class Field { text = signal(''); clear() { this.text.set(''); } }
@Component({ selector: 'app-root', imports: [Field], template: '<app-field /><button (click)="go()">clear</button>' })
export class App { field = viewChild.required(Field); go() { this.field().clear(); } }`),
      'App:ref:field',
      'Field:state:text',
    ),
    stencil: followed(
      '`ref`, `@Method`',
      stencil(`@Component({ tag: 'sign-field' }) export class SignField { @State() text = ''; @Method() async clear() { this.text = ''; } render() { return <b>{this.text}</b>; } }
@Component({ tag: 'sign-wall' }) export class SignWall { private field!: HTMLSignFieldElement; go() { void this.field.clear(); } render() { return <div><sign-field ref={(el) => (this.field = el as HTMLSignFieldElement)}></sign-field><button onClick={() => this.go()}>clear</button></div>; } }`),
      'SignWall:ref:field',
      'SignField:state:text',
    ),
    razor: followed(
      '`@ref`, public members',
      {
        'Field.razor': '<b>@text</b>\n@code { private string text = ""; public void Clear() { text = ""; } }',
        'App.razor':
          '<Field @ref="field" />\n<button @onclick="Go">clear</button>\n@code { private Field field = default!; private void Go() { field.Clear(); } }',
      },
      'App:ref:field',
      'Field:state:text',
    ),
    sheet: followed(
      '`handle`, `offers`',
      sheet(`roots: [App]
components:
  App: { handles: [field], does: [{ call: field.clear }], tree: [{ use: Field, handle: field }] }
  Field: { keeps: { text: { starts: a } }, offers: { clear: [{ set: text, to: b }] }, tree: [{ text: $text }] }
`),
      'App:ref:field',
      'Field:state:text',
    ),
    html: followed(
      'what scripts of the page find, and call',
      page(
        `<wind-gauge></wind-gauge>
<script>const gauge = document.querySelector('wind-gauge'); setTimeout(() => gauge.blow(3));</script>`,
        "  blow(force) { this.dispatchEvent(new CustomEvent('gust', { detail: force })); }",
      ),
      'index.html:ref:gauge',
      'WindGauge:event:gust',
    ),
  },
};

export const PORTAL: Channel = {
  name: 'content drawn elsewhere on the page',
  asks: 'does its place exist, and do providers reach it?',
  cells: {
    react: silent(
      'no strand of its own: what goes into it is followed as content; `createPortal` and its target are judged',
    ),
    vue: silent(
      'no strand of its own: what goes into it is followed as content; `Teleport` and its target are judged',
    ),
    svelte: silent('an action moves it: what it moves is not seen'),
    angular: followed(
      'dialogs that services of packages open, by what they are given; outlets of portals are judged where their target is written',
      angular(`import { MatDialog, MAT_DIALOG_DATA } from '@angular/material/dialog';
@Component({ selector: 'wind-gauge', template: '<b>{{ wind() }}</b>' }) export class Gauge { wind = input(0); }
@Component({ selector: 'gale-card', imports: [Gauge], template: '<wind-gauge [wind]="data.wind" />' }) export class GaleCard { data = inject<{ wind: number }>(MAT_DIALOG_DATA); }
@Component({ selector: 'app-root', template: '<button (click)="show()">show</button>' })
export class App { wind = signal(3); cards = inject(MatDialog); show() { this.wind.set(4); this.cards.open(GaleCard, { data: { wind: this.wind() } }); } }`),
      'App:state:wind',
      'Gauge:prop:wind',
    ),
    stencil: absent('elements stay where they are written'),
    razor: absent('content stays where it is written'),
    sheet: absent('content stays where it is written'),
    html: absent('elements stay where they are written'),
  },
};
