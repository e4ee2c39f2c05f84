import { describe, expect, test } from 'vitest';
import { edges, type Sources, traced, traces } from './testing';

const BIND_AND_CALLBACK_PROPS_5: Sources = {
  'App.svelte': `<script>
import Field from './Field.svelte';
import Show from './Show.svelte';
let text = $state('');
let other = $state('');
function pick(v) { other = v; }
</script>
<Field bind:value={text} onpick={pick} /><Field bind:value={other} /><Show v={text} />`,
  'Field.svelte': `<script>
let { value = $bindable(''), onpick } = $props();
</script>
<input bind:value /><button onclick={() => onpick?.(value)}>x</button>`,
  'Show.svelte': `<script>let { v } = $props();</script><b>{v}</b>`,
};
describe('bind and callback props 5', () => {
  traces(BIND_AND_CALLBACK_PROPS_5, [
    [
      'App:state:text',
      [
        'App:state:text rename Field:prop:value',
        'App:state:text rename Show:prop:v',
        'Field:prop:value write App:state:text',
        'Field:prop:value emit Field:event:onpick',
        'Field:event:onpick write App:state:other',
        'App:state:other rename Field:prop:value',
        'Field:prop:value write App:state:other',
      ],
    ],
    [
      'Show:prop:v',
      [
        'App:state:text rename Field:prop:value',
        'App:state:text rename Show:prop:v',
        'Field:prop:value write App:state:text',
      ],
    ],
    [
      'Field:event:onpick',
      [
        'App:state:other rename Field:prop:value',
        'App:state:text rename Field:prop:value',
        'Field:event:onpick write App:state:other',
        'Field:prop:value emit Field:event:onpick',
        'Field:prop:value write App:state:other',
        'Field:prop:value write App:state:text',
      ],
    ],
  ]);
});

const SVELTE4_DISPATCH_FORWARDED_STORES: Sources = {
  'App.svelte': `<script>
import Mid from './Mid.svelte';
import Show from './Show.svelte';
import { wind } from './stores';
let n = 0;
</script>
<Mid on:pick={(e) => { n = e.detail; wind.set(3); }} /><Show v={n} /><Show v={$wind} />`,
  'Mid.svelte': `<script>import Btn from './Btn.svelte';</script><Btn on:pick />`,
  'Btn.svelte': `<script>import { createEventDispatcher } from 'svelte'; const dispatch = createEventDispatcher();</script><button on:click={() => dispatch('pick', 1)}>x</button>`,
  'Show.svelte': `<script>export let v;</script><b>{v}</b>`,
  'stores.js': `import { writable } from 'svelte/store';
export const wind = writable(1);`,
};
describe('svelte4 dispatch forwarded stores', () => {
  traces(SVELTE4_DISPATCH_FORWARDED_STORES, [
    [
      'Btn:event:pick',
      [
        'App:state:n rename Show:prop:v',
        'Btn:event:pick pass Mid:event:pick',
        'Mid:event:pick write App:state:n',
        'Mid:event:pick write stores.js>Stores:state:wind',
        'stores.js>Stores:state:wind rename Show:prop:v',
      ],
    ],
    [
      'Show:prop:v',
      [
        'App:state:n rename Show:prop:v',
        'Btn:event:pick pass Mid:event:pick',
        'Mid:event:pick write App:state:n',
        'Mid:event:pick write stores.js>Stores:state:wind',
        'stores.js>Stores:state:wind rename Show:prop:v',
      ],
    ],
  ]);
});

const SNIPPETS_WITH_PARAMS_AND_CONTEXT_CLASS: Sources = {
  'App.svelte': `<script>
import List from './List.svelte';
import Row from './Row.svelte';
let rows = $state([]);
</script>
<List items={rows}>{#snippet row(item, at)}<Row {item} {at} />{/snippet}</List>`,
  'List.svelte': `<script>let { items, row } = $props();</script>{#each items as it, n}{@render row(it, n)}{/each}`,
  'Row.svelte': `<script>let { item, at } = $props();</script><b>{item}{at}</b>`,
};
describe('snippets with params and context class', () => {
  traces(SNIPPETS_WITH_PARAMS_AND_CONTEXT_CLASS, [
    [
      'App:state:rows',
      [
        'App:local:item pass Row:prop:item',
        'App:state:rows rename List:prop:items',
        'List:local:it fill App:local:item',
        'List:prop:items transform List:local:it',
      ],
    ],
    [
      'Row:prop:item',
      [
        'App:local:item pass Row:prop:item',
        'App:state:rows rename List:prop:items',
        'List:local:it fill App:local:item',
        'List:prop:items transform List:local:it',
      ],
    ],
  ]);
});

const LET_SLOT_PROPS: Sources = {
  'App.svelte': `<script>
import List from './List.svelte';
import Row from './Row.svelte';
let rows = [];
</script>
<List items={rows} let:item><Row {item} /></List>`,
  'List.svelte': `<script>export let items;</script>{#each items as it}<slot item={it} />{/each}`,
  'Row.svelte': `<script>export let item;</script><b>{item}</b>`,
};
describe('let slot props', () => {
  traces(LET_SLOT_PROPS, [
    [
      'Row:prop:item',
      [
        'App:local:item pass Row:prop:item',
        'App:state:rows rename List:prop:items',
        'List:local:it fill App:local:item',
        'List:prop:items transform List:local:it',
      ],
    ],
  ]);
});

const CLASS_WITH_RUNES_IN_CONTEXT: Sources = {
  'fleet.svelte.ts': `import { getContext, setContext } from 'svelte';
export class Fleet { cabins = $state([]); held = $derived(this.cabins.length); add(c) { this.cabins.push(c); } }
const KEY = Symbol('fleet');
export function setFleet() { return setContext(KEY, new Fleet()); }
export function getFleet() { return getContext(KEY); }`,
  'App.svelte': `<script>
import { setFleet } from './fleet.svelte';
import Gate from './Gate.svelte';
import Lamp from './Lamp.svelte';
setFleet();
</script>
<Gate /><Lamp />`,
  'Gate.svelte': `<script>import { getFleet } from './fleet.svelte'; import Btn from './Btn.svelte'; const fleet = getFleet();</script><Btn onpress={() => fleet.add(1)} />`,
  'Btn.svelte': `<script>let { onpress } = $props();</script><button onclick={onpress}>x</button>`,
  'Lamp.svelte': `<script>import { getFleet } from './fleet.svelte'; import Show from './Show.svelte'; const fleet = getFleet();</script><Show v={fleet.held} />`,
  'Show.svelte': `<script>let { v } = $props();</script><b>{v}</b>`,
};
describe('class with runes in context', () => {
  traces(CLASS_WITH_RUNES_IN_CONTEXT, [
    [
      'Btn:event:onpress',
      [
        'App:context:KEY consume Lamp:context:KEY',
        'App:local:held provide App:context:KEY',
        'App:state:cabins provide App:context:KEY',
        'App:state:cabins transform App:local:held',
        'Btn:event:onpress write App:state:cabins',
        'Lamp:context:KEY rename Show:prop:v',
      ],
    ],
    [
      'Show:prop:v',
      [
        'App:context:KEY consume Gate:context:KEY',
        'App:context:KEY consume Lamp:context:KEY',
        'App:local:held provide App:context:KEY',
        'App:state:cabins transform App:local:held',
        'Btn:event:onpress write App:state:cabins',
        'Gate:context:KEY call App:state:cabins',
        'Lamp:context:KEY rename Show:prop:v',
      ],
    ],
  ]);
});

const CREATEX_FUNCTION_STORE: Sources = {
  'gate.svelte.ts': `export function createGate(first) { let open = $state(first); return { get open() { return open; }, toggle() { open = !open; } }; }
export const gate = createGate(false);`,
  'App.svelte': `<script>
import { createGate, gate } from './gate.svelte';
import Show from './Show.svelte';
import Btn from './Btn.svelte';
const own = createGate(true);
</script>
<Show v={own.open} /><Btn onpress={own.toggle} /><Show v={gate.open} /><Btn onpress={() => gate.toggle()} />`,
  'Show.svelte': `<script>let { v } = $props();</script><b>{v}</b>`,
  'Btn.svelte': `<script>let { onpress } = $props();</script><button onclick={onpress}>x</button>`,
};
describe('createX function store', () => {
  traces(CREATEX_FUNCTION_STORE, [
    [
      'Btn:event:onpress',
      [
        'App:state:open rename Show:prop:v',
        'Btn:event:onpress write App:state:open',
        'Btn:event:onpress write gate.svelte.ts>Gate:state:open',
        'gate.svelte.ts>Gate:state:open rename Show:prop:v',
      ],
    ],
    [
      'Show:prop:v',
      [
        'App:state:open rename Show:prop:v',
        'Btn:event:onpress write App:state:open',
        'Btn:event:onpress write gate.svelte.ts>Gate:state:open',
        'gate.svelte.ts>Gate:state:open rename Show:prop:v',
      ],
    ],
  ]);
});

const HANDLE_AND_EXPORTED_FUNCTION: Sources = {
  'App.svelte': `<script>
import Field from './Field.svelte';
import Btn from './Btn.svelte';
let field;
</script>
<Field bind:this={field} /><Btn on:press={() => field.clear()} />`,
  'Field.svelte': `<script>let text = ''; export function clear() { text = ''; }</script><input bind:value={text} />`,
  'Btn.svelte': `<script>import { createEventDispatcher } from 'svelte'; const dispatch = createEventDispatcher();</script><button on:click={() => dispatch('press')}>x</button>`,
};
describe('handle and exported function', () => {
  traces(HANDLE_AND_EXPORTED_FUNCTION, [
    [
      'Btn:event:press',
      [
        'Btn:event:press call App:ref:field',
        'App:ref:field call Field:ref:clear',
        'Field:ref:clear write Field:state:text',
      ],
    ],
    [
      'App:ref:field',
      [
        'Btn:event:press call App:ref:field',
        'App:ref:field call Field:ref:clear',
        'Field:ref:clear write Field:state:text',
      ],
    ],
  ]);
});

const STORE_IN_CONTEXT_WITH_BOUND_MEMBER: Sources = {
  'App.svelte': `<script>
import { setContext } from 'svelte'; import { writable } from 'svelte/store';
import Mid from './Mid.svelte';
const unit = writable('m');
setContext('unit', unit);
</script>
<Mid />`,
  'Mid.svelte': `<script>import { getContext } from 'svelte'; import Show from './Show.svelte'; import Btn from './Btn.svelte'; const unit = getContext('unit');</script><Show v={$unit} /><Btn on:press={() => unit.set('k')} /><Btn on:press={() => ($unit = 'x')} />`,
  'Show.svelte': `<script>export let v;</script><b>{v}</b>`,
  'Btn.svelte': `<script>import { createEventDispatcher } from 'svelte'; const dispatch = createEventDispatcher();</script><button on:click={() => dispatch('press')}>x</button>`,
};
describe('store in context with bound member', () => {
  traces(STORE_IN_CONTEXT_WITH_BOUND_MEMBER, [
    [
      'Btn:event:press',
      [
        'App:context:unit consume Mid:context:unit',
        'App:state:unit provide App:context:unit',
        'Btn:event:press write App:state:unit',
        'Btn:event:press write App:state:unit',
        'Mid:context:unit rename Show:prop:v',
      ],
    ],
    [
      'Show:prop:v',
      [
        'App:context:unit consume Mid:context:unit',
        'App:state:unit provide App:context:unit',
        'Btn:event:press write App:state:unit',
        'Btn:event:press write App:state:unit',
        'Mid:context:unit rename Show:prop:v',
      ],
    ],
  ]);
});

const EFFECTS_ABOVE_WHAT_THEY_WRITE: Sources = {
  'Gauge.svelte': `<script>let { limit } = $props(); const update = () => { other(); }; const other = () => { shown = limit; }; $effect(() => { update(); }); let shown = $state('');</script><p>{shown}</p>`,
};
describe('effects above what they write', () => {
  traces(EFFECTS_ABOVE_WHAT_THEY_WRITE, [['Gauge:prop:limit', ['Gauge:prop:limit write Gauge:state:shown']]]);
});

const RAISED_WITH: Sources = {
  'App.svelte': `<script>import Panel from './Panel.svelte';
let speed = $state(0); let count = $state(0);
function take(to) { speed = to; count += 1; }</script>
<Panel onTake={take} /><p>{speed}{count}</p>`,
  'Panel.svelte': `<script>import Dial from './Dial.svelte'; let { onTake } = $props();</script>
<Dial onTurn={(n) => onTake(n)} />`,
  'Dial.svelte': `<script>let { onTurn } = $props(); let turn = $state(0);</script>
<button onclick={() => onTurn(turn)} onblur={() => (turn = 1)}>x</button>`,
};
describe('what an event is raised with', () => {
  traces(RAISED_WITH, [
    [
      'Dial:state:turn',
      [
        'Dial:state:turn emit Dial:event:onTurn',
        'Dial:event:onTurn emit Panel:event:onTake',
        'Panel:event:onTake write App:state:speed',
      ],
    ],
    [
      'App:state:count',
      ['Dial:event:onTurn emit Panel:event:onTake', 'Panel:event:onTake write App:state:count'],
    ],
  ]);
});

const PROVIDED_ABOVE_WHAT_IS_DERIVED: Sources = {
  'App.svelte': `<script>
import { setContext } from 'svelte'; import Gauge from './Gauge.svelte';
export let shown = null;
export let reverse = false;
function hand({ part }) { shown = part; }
setContext('gauges', { hand });
$: sign = reverse ? -1 : 1;
</script>
<Gauge />{shown}{sign}`,
  'Gauge.svelte': `<script>
import { getContext } from 'svelte';
export let part = null;
const gauges = getContext('gauges');
$: if (gauges && part) gauges.hand({ part });
</script>
<i bind:this={part}></i>`,
};
describe('a function handed out above what the component derives', () => {
  traces(PROVIDED_ABOVE_WHAT_IS_DERIVED, [['Gauge:prop:part', ['Gauge:prop:part write App:prop:shown']]]);
});

describe('keys that are constants of a module', () => {
  const keyed = (key: string): Sources => ({
    'keys.js': `export const GAUGES = ${key};`,
    'App.svelte': `<script>import { setContext } from 'svelte'; import { GAUGES } from './keys'; import Gauge from './Gauge.svelte'; let limit = $state(1); setContext(GAUGES, () => limit);</script><Gauge />`,
    'Gauge.svelte': `<script>import { getContext } from 'svelte'; import { GAUGES } from './keys'; const limit = getContext(GAUGES);</script>{limit()}`,
  });
  test.each(["'gauges'", '{}', 'Symbol()', "Symbol.for('gauges')"])('%s', (key) => {
    expect(edges(traced(keyed(key), 'Gauge:context:GAUGES'))).toContain(
      'App:context:GAUGES consume Gauge:context:GAUGES',
    );
  });
});

describe('a handler that is handed out reaches what it calls, and nothing that is written above it', () => {
  traces(
    {
      'Box.svelte': `<script>
import { setContext } from 'svelte'; import Close from './Close.svelte';
let { onkeep, ondrop } = $props();
function keep() { onkeep?.(); open = false; }
let open = $state(false);
function drop() { ondrop?.(); }
setContext('close', { drop });
</script><button onclick={keep}>{open}</button><Close />`,
      'Close.svelte': `<script>import { getContext } from 'svelte'; const { drop } = getContext('close');</script><button onclick={() => drop()}>x</button>`,
    },
    [
      [
        'Close:context:close',
        ['Box:context:close consume Close:context:close', 'Close:context:close call Box:event:ondrop'],
      ],
    ],
  );
});

describe('what is handed over as a function that is asked for a value', () => {
  traces(
    {
      'Box.svelte': `<script>
import { late, once } from 'kit';
let { wind, unit, sign } = $props();
const shown = late(() => wind);
const kept = once({ of: late(() => Boolean(unit)) });
const other = late(() => { console.log(sign); });
</script><b>{shown}{kept}{other}</b>`,
    },
    [
      ['Box:prop:wind', ['Box:prop:wind transform Box:local:shown']],
      ['Box:prop:unit', ['Box:prop:unit transform Box:local:kept']],
      ['Box:prop:sign', []],
    ],
  );
});

test('an event that an element raises and nobody hears here', () => {
  const { hops, origins } = traced(
    {
      'Cell.svelte': '<div on:click><slot /></div>',
      'Row.svelte': `<script>import Cell from './Cell.svelte';</script><Cell on:click>x</Cell>`,
      'App.svelte': `<script>import Row from './Row.svelte'; let held = 0;</script><Row on:click={() => (held = 1)} />{held}`,
    },
    'App:state:held',
  );
  expect(origins).toEqual(['Cell:event:click']);
  expect(hops.map((one) => `${one.ref} ${one.role}`).sort()).toEqual([
    'App:state:held listen',
    'Cell:event:click emit',
    'Row:event:click pass',
  ]);
});
