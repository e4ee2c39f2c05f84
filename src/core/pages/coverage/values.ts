/** Values on their way down, and what comes back. */
import { absent, angular, type Channel, followed, page, sheet, silent, stencil } from './cell';

export const PROPERTY: Channel = {
  name: 'property',
  asks: 'where does a value come from that a component is given, and who needs it?',
  cells: {
    react: followed(
      'props, taken apart or whole',
      {
        'App.tsx': `import { useState } from 'react';
function Gauge({ wind }: { wind: number }) { return <b>{wind}</b>; }
function Panel(props: { wind: number }) { return <Gauge wind={props.wind} />; }
export function App() { const [wind] = useState(3); return <Panel wind={wind} />; }`,
      },
      'App:state:wind',
      'Gauge:prop:wind',
    ),
    vue: followed(
      '`defineProps`, `props:`',
      {
        'Gauge.vue':
          '<script setup lang="ts">defineProps<{ wind: number }>();</script><template><b>{{ wind }}</b></template>',
        'App.vue': `<script setup lang="ts">import { ref } from 'vue'; import Gauge from './Gauge.vue'; const wind = ref(3);</script>
<template><Gauge :wind="wind" /></template>`,
      },
      'App:state:wind',
      'Gauge:prop:wind',
    ),
    svelte: followed(
      '`$props()`, `export let`',
      {
        'Gauge.svelte': '<script lang="ts">let { wind }: { wind: number } = $props();</script><b>{wind}</b>',
        'App.svelte': `<script lang="ts">import Gauge from './Gauge.svelte'; let wind = $state(3);</script><Gauge {wind} /><button onclick={() => (wind = 4)}>4</button>`,
      },
      'App:state:wind',
      'Gauge:prop:wind',
    ),
    angular: followed(
      '`input()`, `@Input`',
      angular(`@Component({ selector: 'wind-gauge', template: '<b>{{ wind() }}</b>' })
export class Gauge { wind = input.required<number>(); }
@Component({ selector: 'app-root', imports: [Gauge], template: '<wind-gauge [wind]="wind()" />' })
export class App { wind = signal(3); }`),
      'App:state:wind',
      'Gauge:prop:wind',
    ),
    stencil: followed(
      '`@Prop`',
      stencil(`@Component({ tag: 'wind-gauge' }) export class WindGauge { @Prop() wind = 0; render() { return <b>{this.wind}</b>; } }
@Component({ tag: 'wind-wall' }) export class WindWall { @State() wind = 3; render() { return <wind-gauge wind={this.wind}></wind-gauge>; } }`),
      'WindWall:state:wind',
      'WindGauge:prop:wind',
    ),
    razor: followed(
      '`[Parameter]`',
      {
        'Gauge.razor': '<b>@Wind</b>\n@code { [Parameter] public int Wind { get; set; } }',
        'App.razor': '<Gauge Wind="@wind" />\n@code { private int wind = 3; }',
      },
      'App:state:wind',
      'Gauge:prop:Wind',
    ),
    sheet: followed(
      '`takes`, `with`',
      sheet(`roots: [App]
components:
  App: { keeps: { wind: { starts: 3 } }, tree: [{ use: Gauge, with: { wind: $wind } }] }
  Gauge: { takes: { wind: number }, tree: [{ text: $wind }] }
`),
      'App:state:wind',
      'Gauge:prop:wind',
    ),
    html: followed(
      'attributes of elements, observed or asked for; properties that scripts set',
      page(
        `<wind-gauge></wind-gauge>
<script>let wind = 3; const gauge = document.querySelector('wind-gauge'); setInterval(() => { wind += 1; gauge.wind = wind; });</script>`,
        '  set wind(value) { this.textContent = value; }',
      ),
      'index.html:state:wind',
      'WindGauge:prop:wind',
    ),
  },
};

export const SPREAD: Channel = {
  name: 'all at once',
  asks: 'what is handed on without a word of its name?',
  cells: {
    react: followed(
      'spread and rest',
      {
        'App.tsx': `function Gauge({ wind }: { wind: number }) { return <b>{wind}</b>; }
function Panel({ title, ...rest }: { title: string; wind: number }) { return <p>{title}<Gauge {...rest} /></p>; }
export function App({ wind }: { wind: number }) { return <Panel title="North" wind={wind} />; }`,
      },
      'App:prop:wind',
      'Gauge:prop:wind',
    ),
    vue: followed(
      '`v-bind="…"`, `$attrs`, and what falls through',
      {
        'Gauge.vue':
          '<script setup lang="ts">defineProps<{ wind: number }>();</script><template><b>{{ wind }}</b></template>',
        'Panel.vue': `<script setup lang="ts">import Gauge from './Gauge.vue'; const props = defineProps<{ wind: number }>();</script>
<template><Gauge v-bind="props" /></template>`,
      },
      'Panel:prop:wind',
      'Gauge:prop:wind',
    ),
    svelte: followed(
      'spread and rest of `$props()`',
      {
        'Gauge.svelte': '<script lang="ts">let { wind }: { wind: number } = $props();</script><b>{wind}</b>',
        'Panel.svelte': `<script lang="ts">import Gauge from './Gauge.svelte'; let { title, ...rest }: { title: string; wind: number } = $props();</script>{title}<Gauge {...rest} />`,
      },
      'Panel:prop:wind',
      'Gauge:prop:wind',
    ),
    angular: absent('inputs are written one by one'),
    stencil: followed(
      'spread',
      stencil(`@Component({ tag: 'wind-gauge' }) export class WindGauge { @Prop() wind = 0; render() { return <b>{this.wind}</b>; } }
@Component({ tag: 'wind-wall' }) export class WindWall { @Prop() wind = 3; render() { const all = { wind: this.wind }; return <wind-gauge {...all}></wind-gauge>; } }`),
      'WindWall:prop:wind',
      'WindGauge:prop:wind',
    ),
    razor: silent('`@attributes` may hold anything: what is handed on by it is not judged'),
    sheet: absent('properties are written one by one'),
    html: absent('attributes are written one by one'),
  },
};

export const TWO_WAY: Channel = {
  name: 'both ways',
  asks: 'who changes a value that is bound to a field of another component?',
  cells: {
    react: followed(
      'a value and a callback',
      {
        'App.tsx': `import { useState } from 'react';
function Field({ value, onChange }: { value: string; onChange: (value: string) => void }) { return <input value={value} onChange={(event) => onChange(event.target.value)} />; }
export function App() { const [text, setText] = useState(''); return <Field value={text} onChange={setText} />; }`,
      },
      'Field:event:onChange',
      'App:state:text',
    ),
    vue: followed(
      '`v-model`, `defineModel`',
      {
        'Field.vue':
          '<script setup lang="ts">const text = defineModel<string>();</script><template><input v-model="text" /></template>',
        'App.vue': `<script setup lang="ts">import { ref } from 'vue'; import Field from './Field.vue'; const name = ref('');</script>
<template><Field v-model="name" /></template>`,
      },
      'Field:event:update:modelValue',
      'App:state:name',
    ),
    svelte: followed(
      '`bind:`',
      {
        'Field.svelte':
          '<script lang="ts">let { value = $bindable() }: { value: string } = $props();</script><input bind:value />',
        'App.svelte': `<script lang="ts">import Field from './Field.svelte'; let name = $state('');</script><Field bind:value={name} />`,
      },
      'Field:prop:value',
      'App:state:name',
    ),
    angular: followed(
      '`[(x)]`, `model()`',
      angular(`@Component({ selector: 'app-field', template: '<input (input)="value.set($any($event.target).value)" />' })
export class Field { value = model(''); }
@Component({ selector: 'app-root', imports: [Field], template: '<app-field [(value)]="name" />' })
export class App { name = signal(''); }`),
      'Field:event:valueChange',
      'App:state:name',
    ),
    stencil: absent('a value and a listener are written apart'),
    razor: followed(
      '`@bind-X`',
      {
        'Field.razor': `<input value="@Value" @onchange="Take" />
@code { [Parameter] public string Value { get; set; } = ""; [Parameter] public EventCallback<string> ValueChanged { get; set; }
private Task Take(ChangeEventArgs e) => ValueChanged.InvokeAsync((string)e.Value!); }`,
        'App.razor': '<Field @bind-Value="name" />\n@code { private string name = ""; }',
      },
      'Field:event:ValueChanged',
      'App:state:name',
    ),
    sheet: followed(
      '`both`',
      sheet(`roots: [App]
components:
  App: { keeps: { name: { starts: a } }, tree: [{ use: Field, both: { value: $name } }] }
  Field: { takes: { value: text }, raises: { value-changed: text }, does: [{ raise: value-changed, with: b }], tree: [{ text: $value }] }
`),
      'Field:event:value-changed',
      'App:state:name',
    ),
    html: absent('a property and a listener are written apart'),
  },
};
