/** Events, contexts and state that many share. */
import { absent, angular, type Channel, followed, page, sheet, stencil } from './cell';

export const EVENT: Channel = {
  name: 'event',
  asks: 'what does this click set off, and who waits for it in vain?',
  cells: {
    react: followed(
      'callbacks, handed on or called',
      {
        'App.tsx': `import { useState } from 'react';
function Gate({ onShut }: { onShut: () => void }) { return <button onClick={onShut}>shut</button>; }
export function App() { const [held, setHeld] = useState(false); return <>{String(held)}<Gate onShut={() => setHeld(true)} /></>; }`,
      },
      'Gate:event:onShut',
      'App:state:held',
    ),
    vue: followed(
      '`emit`, `@x`',
      {
        'Gate.vue': `<script setup lang="ts">const emit = defineEmits<{ shut: [] }>();</script><template><button @click="emit('shut')">shut</button></template>`,
        'App.vue': `<script setup lang="ts">import { ref } from 'vue'; import Gate from './Gate.vue'; const held = ref(false);</script>
<template>{{ held }}<Gate @shut="held = true" /></template>`,
      },
      'Gate:event:shut',
      'App:state:held',
    ),
    svelte: followed(
      'callbacks; dispatched events and `on:x`',
      {
        'Gate.svelte':
          '<script lang="ts">let { onshut }: { onshut: () => void } = $props();</script><button onclick={onshut}>shut</button>',
        'App.svelte': `<script lang="ts">import Gate from './Gate.svelte'; let held = $state(false);</script>{held}<Gate onshut={() => (held = true)} />`,
      },
      'Gate:event:onshut',
      'App:state:held',
    ),
    angular: followed(
      '`output()`, `@Output`, `(x)`',
      angular(`@Component({ selector: 'app-gate', template: '<button (click)="shut.emit(3)">shut</button>' })
export class Gate { shut = output<number>(); }
@Component({ selector: 'app-root', imports: [Gate], template: '{{ held() }}<app-gate (shut)="held.set($event)" />' })
export class App { held = signal(0); }`),
      'Gate:event:shut',
      'App:state:held',
    ),
    stencil: followed(
      '`@Event`, `onX`, `@Listen`; events rise from any depth, out of closed elements only when composed',
      stencil(`@Component({ tag: 'sign-gate' }) export class SignGate { @Event() shut!: EventEmitter<number>; go() { this.shut.emit(3); } render() { return <button onClick={() => this.go()}>shut</button>; } }
@Component({ tag: 'sign-wall' }) export class SignWall { @State() held = 0; @Listen('shut') onShut(event: CustomEvent<number>) { this.held = event.detail; } render() { return <div><p><sign-gate></sign-gate></p>{this.held}</div>; } }`),
      'SignGate:event:shut',
      'SignWall:state:held',
    ),
    razor: followed(
      '`EventCallback`, `Action`, `Func`',
      {
        'Gate.razor':
          '<button @onclick="Shut">shut</button>\n@code { [Parameter] public EventCallback OnShut { get; set; } private Task Shut() => OnShut.InvokeAsync(); }',
        'App.razor':
          '@held\n<Gate OnShut="Hold" />\n@code { private bool held; private void Hold() { held = true; } }',
      },
      'Gate:event:OnShut',
      'App:state:held',
    ),
    sheet: followed(
      '`raises`, `on`',
      sheet(`roots: [App]
components:
  App: { keeps: { held: { starts: false } }, tree: [{ text: $held }, { use: Gate, on: { shut: [{ set: held, to: true }] } }] }
  Gate: { raises: { shut: ~ }, does: [{ raise: shut }] }
`),
      'Gate:event:shut',
      'App:state:held',
    ),
    html: followed(
      '`dispatchEvent`, `addEventListener`',
      page(
        `<wind-gauge></wind-gauge>
<script>let held = 0; document.querySelector('wind-gauge').addEventListener('gust', (event) => { held = event.detail; });</script>`,
        "  connectedCallback() { this.dispatchEvent(new CustomEvent('gust', { detail: 3 })); }",
      ),
      'WindGauge:event:gust',
      'index.html:state:held',
    ),
  },
};

export const CONTEXT: Channel = {
  name: 'context, or what is injected',
  asks: 'who above provides what this component asks for by a key?',
  cells: {
    react: followed(
      '`createContext`, `useContext`, contexts that functions of the project make',
      {
        'App.tsx': `import { createContext, useContext, useState } from 'react';
const Unit = createContext('kn');
function Gauge() { const unit = useContext(Unit); return <b>{unit}</b>; }
export function App() { const [unit] = useState('kn'); return <Unit.Provider value={unit}><Gauge /></Unit.Provider>; }`,
      },
      'App:state:unit',
      'Gauge:context:Unit',
    ),
    vue: followed(
      '`provide`, `inject`',
      {
        'Gauge.vue': `<script setup lang="ts">import { inject } from 'vue'; const unit = inject('unit');</script><template><b>{{ unit }}</b></template>`,
        'App.vue': `<script setup lang="ts">import { provide, ref } from 'vue'; import Gauge from './Gauge.vue'; const unit = ref('kn'); provide('unit', unit);</script><template><Gauge /></template>`,
      },
      'App:state:unit',
      'Gauge:context:unit',
    ),
    svelte: followed(
      '`setContext`, `getContext`',
      {
        'Gauge.svelte': `<script lang="ts">import { getContext } from 'svelte'; const unit = getContext('unit');</script><b>{unit}</b>`,
        'App.svelte': `<script lang="ts">import { setContext } from 'svelte'; import Gauge from './Gauge.svelte'; let unit = $state({ name: 'kn' }); setContext('unit', unit);</script><Gauge />`,
      },
      'App:state:unit',
      'Gauge:context:unit',
    ),
    angular: followed(
      'services and tokens, by their providers',
      angular(`@Injectable() export class Units { unit = signal('kn'); }
@Component({ selector: 'wind-gauge', template: '{{ units.unit() }}' })
export class Gauge { units = inject(Units); }
@Component({ selector: 'app-root', imports: [Gauge], providers: [Units], template: '<wind-gauge />' })
export class App {}`),
      'App:state:unit',
      'Gauge:context:Units',
    ),
    stencil: absent('elements ask for nothing by a key'),
    razor: followed(
      '`CascadingValue`, `[CascadingParameter]`, `@inject`',
      {
        'Gauge.razor':
          '<b>@Unit</b>\n@code { [CascadingParameter(Name = "Unit")] public string Unit { get; set; } = ""; }',
        'App.razor':
          '<CascadingValue Name="Unit" Value="@unit"><Gauge /></CascadingValue>\n@code { private string unit = "kn"; }',
      },
      'App:state:unit',
      'Gauge:context:Unit',
    ),
    sheet: followed(
      '`provides`, `consumes`',
      sheet(`roots: [App]
components:
  App: { keeps: { unit: { starts: kn } }, provides: { unit: $unit }, tree: [{ use: Gauge }] }
  Gauge: { consumes: { unit: {} }, tree: [{ text: $unit }] }
`),
      'App:state:unit',
      'Gauge:context:unit',
    ),
    html: absent('elements ask for nothing by a key'),
  },
};

export const SHARED: Channel = {
  name: 'shared state',
  asks: 'who else reads and writes what a module, a store or a service keeps?',
  cells: {
    react: followed(
      'state of modules, stores of packages, contexts',
      {
        'held.ts': `import { create } from 'zustand';
export const useHeld = create<{ held: boolean; hold: () => void }>((set) => ({ held: false, hold: () => set({ held: true }) }));`,
        'App.tsx': `import { useHeld } from './held';
function Lamp({ on }: { on: boolean }) { return <b>{String(on)}</b>; }
export function App() { const held = useHeld((state) => state.held); return <Lamp on={held} />; }`,
      },
      'held.ts>Held:state:useHeld',
      'Lamp:prop:on',
    ),
    vue: followed(
      'state of modules, stores, composables that keep one for all',
      {
        'held.ts': `import { ref } from 'vue';\nexport const held = ref(false);`,
        'Lamp.vue':
          '<script setup lang="ts">defineProps<{ on: boolean }>();</script><template><b>{{ on }}</b></template>',
        'App.vue': `<script setup lang="ts">import { held } from './held'; import Lamp from './Lamp.vue';</script><template><Lamp :on="held" /></template>`,
      },
      'held.ts>Held:state:held',
      'Lamp:prop:on',
    ),
    svelte: followed(
      'stores, state in `.svelte.ts`',
      {
        'held.ts': `import { writable } from 'svelte/store';\nexport const held = writable(false);`,
        'Lamp.svelte': '<script lang="ts">let { on }: { on: boolean } = $props();</script><b>{on}</b>',
        'App.svelte': `<script lang="ts">import { held } from './held'; import Lamp from './Lamp.svelte';</script><Lamp on={$held} />`,
      },
      'held.ts>Held:state:held',
      'Lamp:prop:on',
    ),
    angular: followed(
      'services that keep subjects or signals',
      angular(`@Injectable({ providedIn: 'root' }) export class Held { held = signal(false); }
@Component({ selector: 'sign-lamp', template: '{{ on() }}' }) export class Lamp { on = input(false); }
@Component({ selector: 'app-root', imports: [Lamp], template: '<sign-lamp [on]="service.held()" />' })
export class App { service = inject(Held); }`),
      'Held:state:held',
      'Lamp:prop:on',
    ),
    stencil: absent('elements share what the page hands them'),
    razor: followed(
      'services, by their types',
      {
        'Held.cs':
          'namespace Signs;\npublic class Held { public bool On { get; set; } = false; public void Hold() { On = true; } }',
        'Program.cs': 'builder.Services.AddScoped<Held>();',
        'Lamp.razor': '<b>@On</b>\n@code { [Parameter] public bool On { get; set; } }',
        'App.razor': '@inject Held Held\n<Lamp On="@Held.On" />',
      },
      'Held:state:On',
      'Lamp:prop:On',
    ),
    sheet: followed(
      '`shared`',
      sheet(`roots: [App]
shared: { held: { starts: false } }
components:
  App: { tree: [{ use: Lamp, with: { on: $shared.held } }] }
  Lamp: { takes: { on: boolean }, tree: [{ text: $on }] }
`),
      'plan.rope.yaml>Sheet:state:held',
      'Lamp:prop:on',
    ),
    html: absent('what scripts of a page keep is the page’s own'),
  },
};
