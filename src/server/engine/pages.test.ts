/** The component page and the call site, from small sources. */
import { describe, expect, test } from 'vitest';
import { auditSources } from '../../core/audit';
import type { Unfound } from '../../core/trace/references';
import { alikeView } from './alike';
import { catalogueView } from './catalogue';
import { componentView } from './component-page';
import { jointView } from './joint';

const audited = (files: Record<string, string>) => ({
  result: auditSources(files).result,
  textOf: (path: string) => files[path]!,
});

/** What is there: neither nothing nor a list of near names. */
function known<View extends object>(view: View | Unfound | undefined): View {
  if (!view || 'similar' in view) throw new Error('it was not found');
  return view as View;
}
const pageOf = (...asked: Parameters<typeof componentView>) => known(componentView(...asked));

const GAUGE = `
import { memo, useContext, createContext, useState } from 'react';
const Shift = createContext(undefined);
export function Gauge({ wind, unit = 'm/s', note, onHold, label }: {
  wind: number; unit?: string; note?: string; onHold?: () => void; label?: string
}) {
  const shift = useContext(Shift);
  const [peak, setPeak] = useState(0);
  const shown = wind * 2;
  return <b onClick={() => { setPeak(wind); onHold?.(); }}>{shown} {unit} {peak} {shift} {label}</b>;
}
`;
const app = (body: string) =>
  audited({
    'Gauge.tsx': GAUGE,
    'App.tsx': `import { createRoot } from 'react-dom/client';
import { Gauge } from './Gauge';
function App({ calm, rest }: { calm: boolean; rest: any }) { return <main>${body}</main>; }
createRoot(document.body).render(<App calm rest={{}} />);`,
  });

test.each([
  ['<Gauge wind={3} />', { wind: 'joined', unit: undefined, note: undefined, onHold: undefined }],
  ['<Gauge wind="x" />', { wind: 'clash' }],
  ['<Gauge />', { wind: 'missing' }],
  ['<Gauge wind={3} note="n" />', { note: 'ignored' }],
  ['<Gauge wind={3} colour="red" />', { colour: 'not taken' }],
  ['<Gauge {...rest} />', { wind: 'unknown' }],
  ['<Gauge {...{ wind: 3 }} />', { wind: 'spread' }],
])('usage table: %s', (body, expected) => {
  const { result, textOf } = app(body);
  const [site] = pageOf(result, textOf, 'Gauge').sites;
  for (const [name, how] of Object.entries(expected)) expect(site!.cells[name]?.how).toBe(how);
});

test('of several call sites, the one that does otherwise is odd', () => {
  const { result, textOf } = app(
    '<Gauge wind={1} label="a" /><Gauge wind={2} label="b" /><Gauge wind={3} />',
  );
  const view = pageOf(result, textOf, 'Gauge');
  expect(view.sites.map((site) => site.cells.wind!.odd)).toEqual([false, false, false]);
  const passed = app('<Gauge wind={1} unit="a" /><Gauge wind={2} unit="a" /><Gauge wind={3} unit={calm} />');
  expect(pageOf(passed.result, passed.textOf, 'Gauge').sites.map((site) => site.cells.unit!.odd)).toEqual([
    false,
    false,
    true,
  ]);
});

test('who draws a component as it is handed in is told, with who hands it in', () => {
  const { result, textOf } = audited({
    'App.tsx': `import { createRoot } from 'react-dom/client';
function Dial({ wind }: { wind: number }) { return <b>{wind}</b>; }
function Panel({ as: Tag, wind }: { as: any; wind: number }) { return <Tag wind={wind} />; }
function App() { return <Panel as={Dial} wind={3} />; }
createRoot(document.body).render(<App />);`,
  });
  const { sites, handed } = pageOf(result, textOf, 'Dial');
  expect(sites).toEqual([]);
  expect(handed).toMatchObject([
    {
      owner: 'Panel',
      ownerRef: 'Panel',
      spot: { file: 'App.tsx', line: 3 },
      by: [{ component: 'App', spot: { line: 4 } }],
    },
  ]);
  expect(pageOf(result, textOf, 'Panel').renders).toEqual([
    { ref: 'Dial', name: 'Dial', count: 1, handed: true },
  ]);
});

test('a component page tells what comes in, what is kept and derived, and who provides', () => {
  const { result, textOf } = app('{calm && <Gauge wind={3} onHold={() => {}} />}');
  const view = pageOf(result, textOf, 'Gauge');
  expect(view.ports.map((port) => [port.name, port.does])).toEqual([
    ['wind', 'reads it 2 times'],
    ['unit', 'reads it'],
    ['note', 'does nothing with it'],
    ['onHold', 'raises it'],
    ['label', 'reads it'],
  ]);
  expect(view.sites[0]).toMatchObject({ owner: 'App', when: 'calm' });
  expect(view.consumes).toMatchObject([{ key: 'Shift', state: 'on no path', providers: [] }]);
  const sideOf = Object.fromEntries(view.inside.nodes.map((node) => [node.name, node.side]));
  expect(sideOf).toMatchObject({ wind: 'in', peak: 'inside', shown: 'inside', onHold: 'out' });
  const name = (id: number) => view.inside.nodes.find((node) => node.id === id)!.name;
  expect(view.inside.links.map((link) => `${name(link.from)} > ${name(link.to)}`)).toEqual(
    expect.arrayContaining(['wind > shown', 'wind > peak']),
  );
});

test('a call site sets owner and child face to face', () => {
  const { result, textOf } = app('<Gauge wind={3} colour="red" onHold={() => {}} />');
  const joint = known(jointView(result, textOf, 'Gauge', 0));
  expect(joint.rows.map((row) => [row.name, row.direction, row.how, row.owner.text])).toEqual([
    ['wind', 'down', 'joined', '3'],
    ['unit', 'down', 'default', ''],
    ['note', 'down', 'left out', ''],
    ['label', 'down', 'left out', ''],
    ['onHold', 'up', 'joined', '() => {}'],
    ['colour', 'down', 'not taken', '"red"'],
    ['Shift', 'across', 'missing', ''],
  ]);
  expect(jointView(result, textOf, 'Gauge', 1)).toBeUndefined();
  expect(jointView(result, textOf, 'gauge', 0)).toEqual(joint);
  expect(jointView(result, textOf, 'Gaug', 0)).toMatchObject({ similar: ['Gauge', 'App'] });
});

const VUE = {
  'fitted.js': `/* What every field of the desk takes. */
export default { props: { label: { type: String, default: 'fare' }, isOpen: { type: Boolean } } };`,
  'Field.vue': `<script>
import fitted from './fitted';
export default { mixins: [fitted], props: ['note'], methods: { go() { this.$emit('pick', 1); } } };
</script>
<template><b @click="go">{{ label }} {{ isOpen }} {{ note }}</b></template>`,
  'App.vue': `<script setup>
import Field from './Field.vue';
const told = () => {};
</script>
<template><Field note="n" @held="told" /></template>`,
  'main.js': `import { createApp } from 'vue';
import App from './App.vue';
createApp(App).mount('#app');`,
};

test('defaults are told as they are written, wherever that is', () => {
  const { result, textOf } = audited(VUE);
  const { ports } = pageOf(result, textOf, 'Field');
  const defaults = Object.fromEntries(ports.map((port) => [port.name, port.default]));
  expect(defaults).toMatchObject({ label: "'fare'", isOpen: 'false', note: undefined });
});

test('a name that a finding says nobody takes is not left in doubt', () => {
  const { result, textOf } = audited(VUE);
  const joint = known(jointView(result, textOf, 'Field', 0));
  const held = joint.rows.find((row) => row.name === '@held');
  expect(held).toMatchObject({ how: 'not taken', direction: 'up', child: { does: 'does not take it' } });
  const told = result.findings.find((one) => one.rule === 'event/unknown')!;
  expect(held!.findings).toEqual([told.fingerprint]);
  expect(pageOf(result, textOf, 'Field').sites[0]!.cells['@held']!.how).toBe('not taken');
});

test('a handle has its name, and a consumer with a default of its own goes on without a provider', () => {
  const { result, textOf } = audited({
    ...VUE,
    'Field.vue': `<script setup>
import { inject } from 'vue';
const limit = inject('limit', 3);
const hold = inject('hold');
</script>
<template><b>{{ limit }} {{ hold }}</b></template>`,
    'App.vue': `<script>
import Field from './Field.vue';
export default { components: { Field }, mounted() { this.$refs.gate.focus(); } };
</script>
<template><Field ref="gate" /></template>`,
  });
  const { holders, consumes } = pageOf(result, textOf, 'Field');
  expect(holders).toMatchObject([{ component: 'App', handle: 'gate' }]);
  expect(consumes.map(({ key, state }) => [key, state])).toEqual([
    ['limit', 'by default'],
    ['hold', 'on no path'],
  ]);
  const { rows } = known(jointView(result, textOf, 'Field', 0));
  expect(rows.map(({ name, how }) => [name, how])).toEqual([
    ['limit', 'default'],
    ['hold', 'missing'],
    ['ref', 'joined'],
  ]);
});

test('the catalogue counts', () => {
  const { result, textOf } = app('<Gauge wind={3} /><Gauge wind={4} />');
  expect(catalogueView(result, textOf).find((row) => row.name === 'Gauge')).toMatchObject({
    ports: 5,
    required: 1,
    callSites: 2,
    state: 1,
    depth: 1,
  });
});

const LAMPS = {
  'Lamp.tsx': `import { createContext, useContext } from 'react';
export const Unit = createContext<string | undefined>(undefined);
export function Lamp({ wind }: { wind: number }) { const unit = useContext(Unit); return <i>{wind}{unit!.length}</i>; }
export function Bell() { return <b />; }`,
  'Row.tsx': `import { Lamp, Bell } from './Lamp';
export function Row() { return <p><Lamp wind={1} /><Bell /></p>; }
export function Post() { return <p><Lamp wind={2} /><Inner /></p>; }
function Inner() { return <Inner />; }`,
  'App.tsx': `import { createRoot } from 'react-dom/client';
import { Unit } from './Lamp';
import { Row, Post } from './Row';
function App() { return <main><Unit.Provider value="m/s"><Row /></Unit.Provider><Post /></main>; }
createRoot(document.body).render(<App />);`,
  'Lamp.test.tsx': `import { render } from 'tests';
import { Lamp } from './Lamp';
render(<Lamp wind={3} />);`,
};

test('all that stands above a component, with the ways on which nobody provides what it consumes', () => {
  const { result, textOf } = audited(LAMPS);
  const { nodes, links, more } = pageOf(result, textOf, 'Lamp').above;
  const name = (id: number) => nodes.find((one) => one.id === id)!.name;
  expect(nodes[0]!.name).toBe('Lamp');
  expect(nodes.filter((one) => !one.aside).map((one) => [one.name, one.provides])).toEqual([
    ['Lamp', []],
    ['Row', []],
    ['Post', []],
    ['App', ['Unit']],
    ['App', []],
  ]);
  expect(nodes.filter((one) => one.aside).map((one) => one.file)).toEqual(['Lamp.test.tsx']);
  expect(
    links.filter((one) => one.without.length).map(({ from, to }) => `${name(from)} ${name(to)}`),
  ).toEqual(['Post Lamp', 'App Post', 'App App']);
  expect(more).toBe(0);
});

test.each([
  ['App', ['Row', 'Post', 'Bell', 'Inner']],
  ['Row', ['Bell']],
  ['Post', ['Inner']],
  ['Lamp', []],
])('what nobody would need without %s', (ref, expected) => {
  const { result, textOf } = audited(LAMPS);
  expect(
    pageOf(result, textOf, ref)
      .alone.map((one) => one.name)
      .sort(),
  ).toEqual([...expected].sort());
});

test('who uses what a function draws stands above what it draws', () => {
  const { result, textOf } = audited({
    'App.tsx': `import { createRoot } from 'react-dom/client';
function Lamp() { return <i />; }
function drawLamps(count: number) { return <p>{count}<Lamp /></p>; }
function Row() { return <div>{drawLamps(2)}</div>; }
function App() { return <Row />; }
createRoot(document.body).render(<App />);`,
  });
  const { nodes, links } = pageOf(result, textOf, 'Lamp').above;
  const name = (id: number) => nodes.find((one) => one.id === id)!.name;
  expect(links.map(({ from, to }) => `${name(from)} ${name(to)}`)).toEqual(
    expect.arrayContaining(['drawLamps Lamp', 'Row drawLamps', 'App Row']),
  );
  expect(pageOf(result, textOf, 'Row').alone.map((one) => one.name)).toEqual(['Lamp']);
});

describe('components that are alike', () => {
  const part = (name: string, props: string) =>
    `export function ${name}(props: { ${props} }) { return <i title={String(props)} />; }\n`;
  const { result } = audited({
    'parts.tsx':
      part('Gauge', 'wind: number; unit: string; limit: number; label: string') +
      part('Meter', 'wind: number; unit: string; limit: string; label: string') +
      part('Dial', 'wind: number; label: string; rope: string') +
      part('Card', 'label: string') +
      part('Sign', 'label: string'),
    'parts.test.tsx': part('Fake', 'wind: number; unit: string; limit: number; label: string'),
  });
  const told = (ref?: string) =>
    known(alikeView(result, ref)).map(({ one, other, same }) => `${one.name} ${other.name} ${same}`);

  test('pairs that take nearly the same, without those that take little, and without tests', () => {
    expect(told()).toEqual(['Gauge Meter 4']);
  });

  test('of many that take the same, each is told once', () => {
    const same = ['A', 'B', 'C', 'D'].map((name) =>
      part(`${name}Gate`, 'lift: number; rope: string; hold: boolean'),
    );
    const { result: alike } = audited({ 'gates.tsx': same.join('') });
    expect(known(alikeView(alike)).map(({ one, other }) => `${one.name} ${other.name}`)).toEqual([
      'AGate BGate',
      'AGate CGate',
      'AGate DGate',
    ]);
  });

  test('what is taken over from one base is no likeness', () => {
    const post = (own: string) => `<script>
import base from './base';
export default { mixins: [base], props: ['${own}'] };
</script>
<template><b>{{ ${own} }} {{ lift }} {{ rope }} {{ hold }}</b></template>`;
    const { result: alike } = audited({
      'base.js':
        'export default { props: { lift: Number, rope: { type: String }, hold: { type: Object } } };',
      'LowPost.vue': post('mud'),
      'HighPost.vue': post('ice'),
    });
    expect(known(alikeView(alike))).toEqual([]);
  });

  test('those near to one, the nearest first', () => {
    expect(told('Gauge')).toEqual(['Gauge Meter 4', 'Gauge Dial 2']);
    const [meter, dial] = known(alikeView(result, 'Gauge'));
    expect(meter!.share).toBeGreaterThan(0.8);
    expect(meter!.share).toBeLessThan(1);
    expect(dial!.share).toBeLessThan(0.5);
  });

  test('near names for one that is not there', () => {
    expect(alikeView(result, 'Gaugee')).toMatchObject({
      similar: expect.arrayContaining(['Gauge']) as string[],
    });
  });
});
