import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { MOUNT } from '../rules/testing';
import { edges, traced } from './testing';
import type { Trace } from './trace';

const roles = (trace: Trace) => Object.fromEntries(trace.hops.map((hop) => [hop.ref, hop.role]));

const LINE = `import { useState } from 'react';
export function App() {
  const [unit, setUnit] = useState('m/s');
  const long = unit + ' wind';
  return <Panel unit={unit} title={long} onUnit={setUnit} />;
}
function Panel({ unit, title, onUnit }) { return <section><h2>{title}</h2><Row w={unit} onPick={onUnit} /></section>; }
function Row({ w, onPick }) { return <Gauge unit={w} onPress={() => onPick('knots')} />; }
function Gauge({ unit: shown, onPress }) { return <button onClick={onPress}>{shown}</button>; }`;

describe('a value', () => {
  test('down to who reads it, through renames, and up to where it starts', () => {
    const trace = traced(LINE, 'Row:prop:w');
    expect(edges(trace)).toEqual([
      'App:state:unit pass Panel:prop:unit',
      'Gauge:event:onPress emit Row:event:onPick',
      'Panel:event:onUnit write App:state:unit',
      'Panel:prop:unit rename Row:prop:w',
      'Row:event:onPick rename Panel:event:onUnit',
      'Row:prop:w rename Gauge:prop:unit',
    ]);
    expect(trace.origins).toEqual(['Gauge:event:onPress']);
    expect(trace.ends).toEqual(['Gauge:prop:unit']);
    expect(roles(trace)).toMatchObject({
      'Panel:prop:unit': 'pass',
      'Row:prop:w': 'pass',
      'Gauge:prop:unit': 'read',
      'App:state:unit': 'listen',
    });
  });

  test('a branch that leaves an upstream node elsewhere is not part of it', () => {
    const refs = traced(LINE, 'Row:prop:w').hops.map((hop) => hop.ref);
    expect(refs).not.toContain('App:local:long');
    expect(traced(LINE, 'App:state:unit').hops.map((hop) => hop.ref)).toContain('Panel:prop:title');
  });

  test('an alias bears its local name and is no node of its own', () => {
    const gauge = traced(LINE, 'Gauge:prop:unit').hops.find((hop) => hop.ref === 'Gauge:prop:unit')!;
    expect(gauge.name).toBe('shown');
  });

  test.each([
    ['const x = fare; ', 'x', []],
    ['const x = fare as number; ', 'x!', []],
    ['const x = fare.amount; ', 'x', ['Card:local:x']],
    ['const x = fare * 2; ', 'x', ['Card:local:x']],
  ])('%s', (declaration, expression, between) => {
    const trace = traced(
      `export function App() { const fare = read(); return <Card fare={fare} />; }
function Card({ fare }) { ${declaration}return <Leaf v={${expression}} />; }
function Leaf({ v }) { return <b>{v}</b>; }`,
      'Leaf:prop:v',
    );
    expect(trace.hops.map((hop) => hop.ref)).toEqual([
      'App:local:fare',
      'Card:prop:fare',
      ...between,
      'Leaf:prop:v',
    ]);
  });

  test('lists: the loop variable is local', () => {
    const trace = traced(
      `export function App({ cabins }) { return cabins.filter((c) => c.held).map((cabin) => <Row cabin={cabin} />); }
function Row({ cabin }) { return <b>{cabin.label}</b>; }`,
      'Row:prop:cabin',
    );
    expect(edges(trace)).toContain('App:local:cabin pass Row:prop:cabin');
    expect(edges(trace)).toContain('App:prop:cabins transform App:local:cabin');
    expect(trace.origins).toEqual(['App:prop:cabins']);
  });

  test('a spread carries props by name', () => {
    const trace = traced(
      `export function App() { return <Outer a="1" b="2" />; }
function Outer({ a, ...others }) { return <Inner {...others} a={a} />; }
function Inner({ a, b }) { return <b>{a}{b}</b>; }`,
      'Inner:prop:a',
    );
    expect(edges(trace)).toEqual(['Outer:prop:a pass Inner:prop:a']);
  });

  test('context: one edge from the provider to the consumer', () => {
    const trace = traced(
      `import { createContext, useContext, useState } from 'react';
const Fleet = createContext(null);
export function App() { const [cabins] = useState([]); return <Fleet.Provider value={cabins}><Reader /></Fleet.Provider>; }
function Reader() { const cabins = useContext(Fleet); return <b>{cabins.length}</b>; }`,
      'Reader:context:Fleet',
    );
    expect(edges(trace)).toEqual([
      'App:context:Fleet consume Reader:context:Fleet',
      'App:state:cabins provide App:context:Fleet',
    ]);
    expect(trace.ends).toEqual(['Reader:context:Fleet']);
  });
});

describe('an event', () => {
  test('from who raises it, through a handler, to the state that it writes and what shows it', () => {
    const trace = traced(
      `import { useState } from 'react';
export function App() {
  const [held, setHeld] = useState([]);
  const hold = (id) => setHeld([...held, id]);
  return <><Button onHold={hold} /><Log held={held} /></>;
}
function Button({ onHold }) { return <button onClick={() => onHold(1)} />; }
function Log({ held }) { return <b>{held.length}</b>; }`,
      'Button:event:onHold',
    );
    expect(edges(trace)).toEqual([
      'App:state:held pass Log:prop:held',
      'Button:event:onHold write App:state:held',
    ]);
    expect(trace.origins).toEqual(['Button:event:onHold']);
    expect(trace.ends).toEqual(['Log:prop:held']);
  });

  test('dropped on the way', () => {
    const trace = traced(
      `export function App() { return <Queue onHold={() => alert(1)} />; }
function Queue({ onHold }) { return <Button />; }
function Button({ onHold }) { return <button onClick={onHold} />; }`,
      'Queue:event:onHold',
    );
    expect(roles(trace)).toEqual({ 'Button:event:onHold': 'emit', 'Queue:event:onHold': 'drop' });
  });

  test('what a component of elsewhere is given is passed on; what nobody takes is dropped', () => {
    const trace = traced(
      `import { Scale } from 'elsewhere';
export function Gauge({ wind }) {
  const shown = wind * 2;
  const idle = wind * 3;
  return <Scale value={shown} />;
}
export const App = () => <Gauge wind={3} />;`,
      'Gauge:prop:wind',
    );
    expect(roles(trace)).toMatchObject({ 'Gauge:local:shown': 'pass', 'Gauge:local:idle': 'drop' });
  });

  test('what others read of the object is not dropped', () => {
    const rowsOf = (code: string) =>
      roles(
        traced(
          {
            'row.ts': `import { Component, Input } from '@angular/core';
@Component({ selector: 'row', template: 'x' }) export class Row { @Input() label = ''; }`,
            'acts.ts': `import { Row } from './row';\nexport const name = (row: Row) => ${code};`,
            'app.ts': `import { Component } from '@angular/core';
import { Row } from './row';
@Component({ selector: 'app', imports: [Row], template: '<row [label]="said" />' })
export class App { said = 'a'; }`,
          },
          'Row:prop:label',
        ),
      );
    expect(rowsOf('row.label')).toMatchObject({ 'Row:prop:label': 'read' });
    expect(rowsOf('1')).toMatchObject({ 'Row:prop:label': 'drop' });
  });

  test('an event whose name is worked out may be raised', () => {
    const trace = traced(
      {
        'Gate.vue': `<script setup>const emit = defineEmits(['opened', 'closed']);
function tell(name) { emit(name); }</script><template><b @click="tell('opened')" /></template>`,
        'App.vue': `<script setup>import Gate from './Gate.vue';</script><template><Gate @opened="1" /></template>`,
      },
      'Gate:event:opened',
    );
    expect(roles(trace)).toEqual({ 'Gate:event:opened': 'emit' });
  });

  test('what opens a page is given to no list', () => {
    const { routes } = traced(
      `import { useState } from 'react';
export function Gauge({ path, history, list }) {
  const [router] = useState([]);
  const go = () => { history.push(path); list.push(path); router.push(path); };
  return <b onClick={go}>{router.length}</b>;
}
export const App = () => <Gauge path="/" />;`,
      'Gauge:prop:path',
    );
    expect(routes.map((one) => `${one.from} ${one.how} ${one.to}`)).toEqual([
      'Gauge:prop:path write Gauge:prop:list',
      'Gauge:prop:path write Gauge:state:router',
    ]);
  });
});

describe('hooks of the project', () => {
  const HOOK = `import { createContext, useContext, useState } from 'react';
const Fleet = createContext(null);
function useFleet() { const fleet = useContext(Fleet); if (!fleet) throw new Error('none'); return fleet; }
function useHolds(first) {
  const [held, setHeld] = useState(first);
  const count = held.length;
  const hold = (id) => setHeld([...held, id]);
  return { held, hold, count };
}
function useOpen() { const [open, setOpen] = useState(false); return [open, setOpen]; }
function useBoth(first) { const holds = useHolds(first); return holds; }
`;
  test("their state is the caller's, their functions write it", () => {
    const trace = traced(
      `${HOOK}export function App({ start }) { const { held, hold } = useHolds(start); return <><Button onHold={hold} /><Log held={held} /></>; }
function Button({ onHold }) { return <button onClick={() => onHold(1)} />; }
function Log({ held }) { return <b>{held.length}</b>; }`,
      'Log:prop:held',
    );
    expect(edges(trace)).toEqual([
      'App:prop:start write App:state:held',
      'App:state:held pass Log:prop:held',
      'Button:event:onHold write App:state:held',
    ]);
  });

  test('renamed, in lists, through another hook, called in a wrapper', () => {
    const trace = traced(
      `${HOOK}export function App() {
  const [shown, show] = useOpen();
  const { held: kept, count } = useBoth([]);
  return <><Button onHold={() => show(true)} /><Log held={kept} n={count} open={shown} /></>;
}
function Button({ onHold }) { return <button onClick={() => onHold(1)} />; }
function Log({ held, n, open }) { return <b>{held.length}{n}{open}</b>; }`,
      'Log:prop:open',
    );
    expect(edges(trace)).toEqual(
      ['App:state:open rename Log:prop:open', 'Button:event:onHold write App:state:open'].map((one) =>
        one.replace(' rename ', ' pass '),
      ),
    );
  });

  test('a context that a hook consumes is consumed by the caller', () => {
    const trace = traced(
      `${HOOK}export function App() { const value = read(); return <Fleet.Provider value={value}><Reader /></Fleet.Provider>; }
function Reader() { const fleet = useFleet(); return <b>{fleet.size}</b>; }`,
      'Reader:context:Fleet',
    );
    expect(edges(trace)).toEqual([
      'App:context:Fleet consume Reader:context:Fleet',
      'App:local:value provide App:context:Fleet',
    ]);
  });

  test('each caller has its own', () => {
    const trace = traced(
      `${HOOK}export function App() { return <><One /><Two /></>; }
function One() { const { held } = useHolds([]); return <Log held={held} />; }
function Two() { const { held } = useHolds([]); return <b>{held}</b>; }
function Log({ held }) { return <b>{held.length}</b>; }`,
      'One:state:held',
    );
    expect(trace.hops.map((hop) => hop.ref)).toEqual(['One:state:held', 'One:local:count', 'Log:prop:held']);
  });
});

describe('references', () => {
  test('an unknown one names the nearest', () => {
    const answer = auditSources({ 'App.tsx': LINE }).trace('Gauge:prop:unitt');
    expect(answer).toMatchObject({ similar: expect.arrayContaining(['Gauge:prop:unit']) });
    expect((answer as { similar: string[] }).similar[0]).toBe('Gauge:prop:unit');
  });

  test('two components of one name are told apart by their files', () => {
    const trace = traced(
      {
        'a/Card.tsx': `export function Card({ fare }) { return <b>{fare}</b>; }`,
        'b/Card.tsx': `export function Card({ fare }) { return <i>{fare}</i>; }`,
        'App.tsx': `import { Card } from './a/Card';
export function App() { const fare = read(); return <Card fare={fare} />; }`,
      },
      'a/Card.tsx>Card:prop:fare',
    );
    expect(edges(trace)).toEqual(['App:local:fare pass a/Card.tsx>Card:prop:fare']);
  });
});

describe('state of modules', () => {
  const setup = (script: string, template: string) =>
    `<script setup lang="ts">\n${script}\n</script>\n<template>${template}</template>`;
  const GAUGE = setup(`defineProps<{ wind: number }>();`, '<b>{{ wind }}</b>');

  test('in Vue: a store, and a composable that gives it out', () => {
    const sources = {
      'fleet.ts': `import { ref, computed } from 'vue';
export const wind = ref(3);
const gusts = ref(0);
export function useGusts() { const add = (n: number) => { gusts.value = n; }; return { gusts, add }; }`,
      'Gauge.vue': GAUGE,
      'Vane.vue': setup(
        `import { useGusts } from './fleet';\nconst { gusts, add } = useGusts();\nconst emit = defineEmits(['turn']);`,
        `<b @click="emit('turn')">{{ gusts }}</b>`,
      ),
      'App.vue': setup(
        `import Gauge from './Gauge.vue';\nimport Vane from './Vane.vue';\nimport { useGusts, wind } from './fleet';\nconst { gusts } = useGusts();\nfunction turn() { wind.value = 4; }`,
        '<Gauge :wind="wind" /><Gauge :wind="gusts" /><Vane @turn="turn" />',
      ),
    };
    expect(edges(traced(sources, 'Gauge:prop:wind'))).toEqual([
      'Vane:event:turn write fleet.ts>Fleet:state:wind',
      'fleet.ts>Fleet:state:gusts rename Gauge:prop:wind',
      'fleet.ts>Fleet:state:wind pass Gauge:prop:wind',
    ]);
    const kept = traced(sources, 'fleet.ts>Fleet:state:gusts').hops[0]!;
    expect(kept.role).toBe('start');
  });

  test('in Svelte: stores by their short names, and what is written to them', () => {
    const sources = {
      'stores.ts': `import { writable, derived } from 'svelte/store';
export const wind = writable(3);
export const knots = derived(wind, (n) => n * 2);`,
      'Gauge.svelte': '<script>export let wind; export let fast;</script><b>{wind}{fast}</b>',
      'App.svelte': `<script>
import Gauge from './Gauge.svelte';
import { wind, knots } from './stores';
let calm = 0;
const still = () => wind.set(calm);
</script>
<Gauge wind={$wind} fast={$knots} /><button on:click={still}>{$wind}</button>`,
    };
    expect(edges(traced(sources, 'Gauge:prop:wind'))).toEqual([
      'App:state:calm write stores.ts>Stores:state:wind',
      'stores.ts>Stores:state:wind pass Gauge:prop:wind',
    ]);
    expect(traced(sources, 'stores.ts>Stores:state:wind').hops[0]!.reads.length).toBeGreaterThan(0);
    expect(edges(traced(sources, 'Gauge:prop:fast'))).toEqual([
      'App:state:calm write stores.ts>Stores:state:wind',
      'stores.ts>Stores:local:knots rename Gauge:prop:fast',
      'stores.ts>Stores:state:wind transform stores.ts>Stores:local:knots',
    ]);
  });

  test('in Svelte: runes of a module, and of a function whose state is its caller’s', () => {
    const sources = {
      'gate.svelte.ts': `export const gate = $state({ open: false });
export function createGate() { let open = $state(false); return { get open() { return open; }, toggle() { open = !open; } }; }`,
      'Lamp.svelte': '<script>let { lit } = $props();</script><b>{lit}</b>',
      'App.svelte': `<script>
import Lamp from './Lamp.svelte';
import { gate, createGate } from './gate.svelte';
const own = createGate();
</script>
<Lamp lit={gate.open} /><Lamp lit={own.open} />`,
    };
    expect(edges(traced(sources, 'Lamp:prop:lit'))).toEqual([
      'App:state:open rename Lamp:prop:lit',
      'gate.svelte.ts>Gate:state:gate transform Lamp:prop:lit',
    ]);
  });
});

describe('a broken path is one strand', () => {
  const audit = auditSources({
    ...MOUNT,
    'App.tsx': `import { useState } from 'react';
export function App() { const [held, setHeld] = useState(0); return <Board held={held} onHold={setHeld} />; }
function Board({ held, onHold }) { return <div>{held}<Queue onHold={onHold} /></div>; }
function Queue({ onHold }) { return <Button />; }
function Button({ onHold }) { return <button onClick={() => onHold?.(3)} />; }`,
  });
  const strand = (ref: string) => {
    const trace = audit.trace(ref);
    if ('similar' in trace) throw new Error(trace.similar.join());
    return trace;
  };

  test.each(['Button:event:onHold', 'Queue:event:onHold', 'Board:event:onHold'])('opened at %s', (ref) => {
    const { hops, routes, of, ends } = strand(ref);
    expect(of).toBe(ref);
    expect(hops.map((hop) => `${hop.ref} ${hop.role}`).slice(0, 4)).toEqual([
      'Button:event:onHold emit',
      'Queue:event:onHold drop',
      'Board:event:onHold wait',
      'App:state:held wait',
    ]);
    expect(routes.filter((route) => route.how === 'break')).toMatchObject([
      { from: 'Button:event:onHold', to: 'Queue:event:onHold' },
    ]);
    expect(ends).toContain('Button:event:onHold');
  });

  test('a value that comes from beyond a break, or goes there, does not cross it', () => {
    const { hops } = strand('Board:prop:held');
    expect(hops.map((hop) => hop.ref)).not.toContain('Button:event:onHold');
  });

  test('a value that nothing waits for beyond a break has none', () => {
    const whole = auditSources({
      ...MOUNT,
      'App.tsx': `export function App() { return <Gauge wind={3} />; }
function Gauge({ wind }) { return <b>{wind}</b>; }`,
    }).trace('Gauge:prop:wind');
    expect('routes' in whole && whole.routes.every((route) => route.how !== 'break')).toBe(true);
  });
});

test.each([
  ['a component of a package', `import { Tabs } from 'kit';`],
  ['one that a package gives back', `import { kit, unlock } from 'kit'; const { Tabs } = unlock(kit);`],
])('nobody waits in vain for what is handed to %s', (_, tabs) => {
  const trace = traced(
    `import { useState } from 'react'; ${tabs}
export function App() { const [day, setDay] = useState(''); return <><Side onSelect={setDay} />{day}</>; }
function Side({ onSelect }) { return <Tabs onSelect={onSelect} />; }`,
    'App:state:day',
  );
  expect(trace.hops.map(({ ref, role }) => `${ref} ${role}`)).toEqual([
    'Side:event:onSelect pass',
    'App:state:day listen',
  ]);
});

test('a trace that is ended inside of a component has no route from where it did not come', () => {
  const steps = Array.from({ length: 700 }, (_, at) => `const a${at + 1} = a${at} + 1;`).join(' ');
  const trace = traced(
    `import { useEffect, useState } from 'react';
export function App({ wind }) { const [done, setDone] = useState(0); return <Board wind={wind} onDone={setDone}>{done}</Board>; }
function Board({ wind, onDone, children }) {
  const a0 = wind * 2; ${steps}
  useEffect(() => onDone(a700), [a700]);
  return <b>{children}</b>;
}`,
    'App:prop:wind',
  );
  const refs = new Set(trace.hops.map(({ ref }) => ref));
  expect(trace.cut).not.toEqual([]);
  expect(refs).toContain('App:state:done');
  expect(trace.routes.filter(({ from, to }) => !refs.has(from) || !refs.has(to))).toEqual([]);
});

test('what components of packages are handed, and what they may raise', () => {
  const trace = traced(
    `import { useState } from 'react';
import { Dial } from 'dials';
export function App() { const [wind, setWind] = useState(3); return <Panel wind={wind} onPick={setWind} />; }
function Panel({ wind, onPick }: { wind: number; onPick: (wind: number) => void }) { const more = { onTurn: onPick }; return <Dial value={wind} {...more} />; }`,
    'App:state:wind',
  );
  expect(roles(trace)).toMatchObject({
    'App:state:wind': 'listen',
    'Panel:event:onPick': 'pass',
    'Panel:prop:wind': 'pass',
  });
  const panel = trace.hops.find((hop) => hop.ref === 'Panel:prop:wind')!;
  expect(panel.reads).toHaveLength(1);
});
