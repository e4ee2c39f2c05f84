import { describe, expect, test } from 'vitest';
import { NEARNESS, type Near } from './itself';
import { goingOn, partFor, partsOf, within } from './parts';
import { type Sources, traced } from './testing';

/** The hops of a trace that are so near, in order of their text. */
const near = (sources: Sources | string, ref: string, how: Near): string[] =>
  traced(sources, ref)
    .hops.filter((hop) => hop.near === how)
    .map((hop) => hop.ref)
    .sort();

describe('the value itself, and what is one step from it', () => {
  test.each<[string, string, string, itself: string[], step: string[]]>([
    [
      'under other names, and as a member of what is handed on',
      `export function App({ line }) { return <Board cabin={line.first} />; }
function Board({ cabin }) { return <Tile shown={cabin} />; }
function Tile({ shown: it }) { return <b>{it}</b>; }`,
      'Board:prop:cabin',
      ['App:prop:line', 'Board:prop:cabin', 'Tile:prop:shown'],
      [],
    ],
    [
      'what is made of it, and of that, is another value',
      `export function App({ wind }) { return <Board wind={wind} />; }
function Board({ wind }) { const knots = wind * 2; const text = knots + ' kn'; return <Tile text={text} />; }
function Tile({ text }) { return <b>{text}</b>; }`,
      'Board:prop:wind',
      ['App:prop:wind', 'Board:prop:wind'],
      ['Board:local:knots'],
    ],
    [
      'one of several, another of which nobody sees',
      `export function App({ wind, gust, ask }) { return <Board worst={gust ? ask(gust) : wind} />; }
function Board({ worst }) { return <b>{worst}</b>; }`,
      'Board:prop:worst',
      ['App:prop:wind', 'Board:prop:worst'],
      ['App:prop:ask', 'App:prop:gust'],
    ],
    [
      'of an object that holds it, nothing else, though that hangs on it further away',
      `import { useState } from 'react';
export function App({ cabin }) {
  const [wind, setWind] = useState(0);
  const given = { cabin, wind };
  return <Board {...given} onPick={setWind} />;
}
function Board({ cabin, wind, onPick }) { const next = cabin + 1; return <b onClick={() => onPick(next)}>{wind}</b>; }`,
      'App:prop:cabin',
      ['App:local:given', 'App:prop:cabin', 'Board:prop:cabin'],
      ['Board:local:next'],
    ],
    [
      'what it is made of',
      `export function App({ wind, gust }) { const worst = Math.max(wind, gust); return <Board worst={worst} />; }
function Board({ worst }) { return <b>{worst}</b>; }`,
      'Board:prop:worst',
      ['App:local:worst', 'Board:prop:worst'],
      ['App:prop:gust', 'App:prop:wind'],
    ],
    [
      'one of several that it may be',
      `export function App({ wind, gust, storm }) { return <Board worst={storm ? gust : wind} />; }
function Board({ worst }) { return <b>{worst}</b>; }`,
      'Board:prop:worst',
      ['App:prop:gust', 'App:prop:wind', 'Board:prop:worst'],
      ['App:prop:storm'],
    ],
    [
      'what an event is raised with is kept, and what only follows from it is set',
      `import { useState } from 'react';
export function App() {
  const [cabin, setCabin] = useState(0);
  const [open, setOpen] = useState(false);
  return <><Board cabin={cabin} open={open} onPick={(id) => { setCabin(id); setOpen(true); }} /></>;
}
function Board({ cabin, open, onPick }) { return <b onClick={() => onPick(cabin)}>{cabin}{open}</b>; }`,
      'App:state:open',
      ['App:state:open', 'Board:prop:open'],
      ['Board:event:onPick'],
    ],
    [
      'what else sets the state that it ends in is not its own, though it depends on that state',
      `import { useState } from 'react';
export function App() {
  const [cabin, setCabin] = useState(0);
  return <><Board cabin={cabin} onPick={(id) => setCabin(id)} /><Reset cabin={cabin} onReset={() => setCabin(0)} /></>;
}
function Board({ cabin, onPick }) { const next = cabin + 1; return <b onClick={() => onPick(next)} />; }
function Reset({ cabin, onReset }) { const left = 8 - cabin; return <b onClick={() => onReset(left)} />; }`,
      'Board:event:onPick',
      ['App:state:cabin', 'Board:event:onPick', 'Board:local:next', 'Board:prop:cabin', 'Reset:prop:cabin'],
      ['Reset:local:left'],
    ],
    [
      'the event, and what it carries',
      `import { useState } from 'react';
export function App() {
  const [cabin, setCabin] = useState(0);
  const [open, setOpen] = useState(false);
  return <><Board onPick={(id) => { setCabin(id); setOpen(true); }} /><i>{cabin}{open}</i></>;
}
function Board({ onPick }) { const [own] = useState(3); return <Tile onPress={onPick} own={own} />; }
function Tile({ onPress, own }) { return <b onClick={() => onPress(own)} />; }`,
      'Board:event:onPick',
      ['App:state:cabin', 'Board:event:onPick', 'Board:state:own', 'Tile:event:onPress', 'Tile:prop:own'],
      ['App:state:open'],
    ],
    [
      'through a context, to who asks for it',
      `import { createContext, useContext } from 'react';
const Unit = createContext('m/s');
export function App({ unit }) { return <Unit.Provider value={unit}><Tile /></Unit.Provider>; }
function Tile() { const unit = useContext(Unit); const text = 'in ' + unit; return <Row text={text} />; }
function Row({ text }) { return <b>{text}</b>; }`,
      'App:prop:unit',
      ['App:context:Unit', 'App:prop:unit', 'Tile:context:Unit'],
      ['Tile:local:text'],
    ],
  ])('%s', (_, text, ref, itself, step) => {
    expect(near(text, ref, 'itself')).toEqual(itself);
    expect(near(text, ref, 'step')).toEqual(step);
  });

  test('a route says whether the value goes along it, what is made of it, or that something was called', () => {
    const text = `import { useState } from 'react';
export function App() { const [wind, setWind] = useState(0); const [open, setOpen] = useState(false); return <Board wind={wind} open={open} onPick={(to) => { setOpen(!open); setWind(to); }} />; }
function Board({ wind, open, onPick }) { const knots = wind * 2; return <b title={open} onClick={() => onPick(knots)}>{knots}</b>; }`;
    const { routes } = traced(text, 'Board:event:onPick');
    expect(Object.fromEntries(routes.map(({ from, to, carries }) => [`${from} ${to}`, carries]))).toEqual({
      'App:state:wind Board:prop:wind': 'itself',
      'Board:prop:wind Board:local:knots': 'made',
      'Board:local:knots Board:event:onPick': 'itself',
      'Board:event:onPick App:state:wind': 'itself',
      'Board:event:onPick App:state:open': 'call',
      'App:state:open Board:prop:open': 'itself',
    });
  });

  test('a binding both ways, in markup', () => {
    const app: Sources = {
      'App.svelte': `<script>
import Dial from './Dial.svelte';
let state = $state({ wind: 3, unit: 'kn' });
</script>
<Dial bind:value={state.wind} />`,
      'Dial.svelte': `<script>
let { value = $bindable() } = $props();
const twice = $derived(value * 2);
</script>
<button onclick={() => (value = 0)}>{twice}</button>`,
    };
    expect(near(app, 'Dial:prop:value', 'itself')).toEqual(['App:state:state', 'Dial:prop:value']);
    expect(near(app, 'Dial:prop:value', 'step')).toEqual(['Dial:local:twice']);
  });
});

describe('a trace as far as one wants to read it', () => {
  const made = (count: number) => `export function App({ wind }) { return <Board wind={wind} />; }
function Board({ wind }) {
  const a0 = wind * 2;
${Array.from({ length: count }, (_, at) => `  const a${at + 1} = a${at} + 1;`).join('\n')}
  return <b>{a${count}}</b>;
}`;
  const parts = (count: number) => partsOf(traced(made(count), 'Board:prop:wind'));

  test('the parts, the narrowest first, with where each begins and ends', () => {
    expect(parts(60)).toEqual([
      { reach: 'itself', hops: 2, origins: ['App:prop:wind'], ends: ['Board:prop:wind'] },
      { reach: 'step', hops: 3, origins: ['App:prop:wind'], ends: ['Board:local:a0'] },
      { reach: 'far', hops: 63, origins: ['App:prop:wind'], ends: ['Board:local:a60'] },
    ]);
  });

  test('where all of it is near, there is but one part', () => {
    expect(
      partsOf(traced(`export function App({ wind }) { return <b>{wind}</b>; }`, 'App:prop:wind')),
    ).toEqual([{ reach: 'far', hops: 1, origins: ['App:prop:wind'], ends: ['App:prop:wind'] }]);
  });

  test.each<[string, number, { reach?: Near; hop?: string }, Near]>([
    ['short ones are shown whole', 3, {}, 'far'],
    ['of long ones, what can be read at once', 60, {}, 'step'],
    ['as far as is asked', 60, { reach: 'itself' }, 'itself'],
    ['never short of a hop that is asked for', 60, { reach: 'itself', hop: 'Board:local:a9' }, 'far'],
    ['a hop that is near is there anyhow', 60, { hop: 'App:prop:wind' }, 'step'],
  ])('%s', (_, count, asked, expected) => {
    const trace = traced(made(count), 'Board:prop:wind');
    const { reach, hops } = partFor(trace, partsOf(trace), asked);
    expect(reach).toBe(expected);
    expect(within(trace, reach).hops).toHaveLength(hops);
  });

  test('what is left out of a part goes on from its hops', () => {
    const trace = traced(made(60), 'Board:prop:wind');
    const further = partsOf(trace).map((part) => [...goingOn(trace, within(trace, part.reach).hops)]);
    expect(further).toEqual([['Board:prop:wind'], ['Board:local:a0'], []]);
  });

  test('each part holds the one before', () => {
    const trace = traced(made(60), 'Board:prop:wind');
    const refs = NEARNESS.map((one) => within(trace, one).hops.map(({ ref }) => ref));
    expect(refs[1]).toEqual(expect.arrayContaining(refs[0]!));
    expect(refs[2]).toEqual(expect.arrayContaining(refs[1]!));
  });
});
