import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { MOUNT } from '../rules/testing';
import { rigging } from './rigging';

function drawn(app: string, pins: string[] = []) {
  const { result } = auditSources({ ...MOUNT, 'App.tsx': app });
  const { project } = result;
  const { rows, lanes } = rigging(project, result.findings, { pins });
  const name = (row: number) => project.components[rows[row]!.component]!.name;
  return {
    tree: rows.map((row) => `${'  '.repeat(row.depth)}${name(row.index)}${row.again ? ` ${row.again}` : ''}`),
    lanes: lanes.map((lane) => ({
      title: lane.title,
      marks: lane.marks.map((mark) => `${name(mark.row)} ${mark.role} ${mark.name}`),
      broken: lane.segments.filter((one) => one.broken).map((one) => `${name(one.from)}-${name(one.to)}`),
    })),
  };
}

test('content stands where the child places it', () => {
  const { tree } = drawn(`export function App() { return <Layout head={<Title />}><Page /></Layout>; }
function Layout({ head, children }) { return <Frame><header>{head}</header><Main>{children}</Main></Frame>; }
function Frame({ children }) { return <div>{children}</div>; }
function Main({ children }) { return <main>{children}</main>; }
function Title() { return <h1 />; }
function Page() { return <p />; }`);
  expect(tree).toEqual(['App', '  Layout', '    Frame', '      Title', '      Main', '        Page']);
});

test('what is handed in stands below who draws it, once for who hands it in', () => {
  const { tree, lanes } = drawn(
    `export function App({ a, b }) { return <><Box as={Lamp} v={a} /><Box as={Gate} v={b} /></>; }
function Box({ as: Tag, v }) { return <Tag x={v} />; }
function Lamp({ x }) { return <b>{x}</b>; }
function Gate({ x }) { return <i>{x}</i>; }`,
    ['App:prop:a'],
  );
  expect(tree).toEqual(['App', '  Box', '    Lamp', '  Box', '    Gate']);
  expect(lanes.find((one) => one.title === 'a')!.marks).toEqual(['App start a', 'Box pass v', 'Lamp read x']);
});

test('recursion ends, and helpers that draw are seen through', () => {
  const { tree } =
    drawn(`export function App() { const row = () => <Row />; return <ul>{row()}<Tree deep /></ul>; }
function Row() { return <li />; }
function Tree({ deep }) { return deep ? <Tree deep={false} /> : null; }`);
  expect(tree).toEqual(['App', '  Row', '  Tree', '    Tree recursive']);
});

test('a drilled prop is one lane with a mark on each row it touches', () => {
  const { lanes } = drawn(`import { useState } from 'react';
export function App() { const [unit] = useState('m'); return <Panel unit={unit} />; }
function Panel({ unit }) { return <Row w={unit} />; }
function Row({ w }) { return <Gauge unit={w} />; }
function Gauge({ unit }) { return <b>{unit}</b>; }`);
  expect(lanes).toEqual([
    {
      title: 'unit',
      marks: ['App start unit', 'Panel pass unit', 'Row pass w', 'Gauge read unit'],
      broken: [],
    },
  ]);
});

test('what a component has from the one that it is declared in hangs from there', () => {
  const { lanes } = drawn(
    `import { useState } from 'react';
export function App() { const [unit] = useState('m'); return <Panel unit={unit} />; }
function Panel({ unit }) { const Row = () => <Gauge unit={unit} />; return <Frame><Row /></Frame>; }
function Frame({ children }) { return <div>{children}</div>; }
function Gauge({ unit }) { return <b>{unit}</b>; }`,
    ['App:state:unit'],
  );
  expect(lanes).toEqual([
    { title: 'unit', marks: ['App start unit', 'Panel read unit', 'Gauge read unit'], broken: [] },
  ]);
});

test('a broken event shows who raises it, who drops it, and who waits', () => {
  const { lanes } = drawn(`import { useState } from 'react';
export function App() { const [held, setHeld] = useState(0); return <Board held={held} onHold={setHeld} />; }
function Board({ held, onHold }) { return <div>{held}<Queue onHold={onHold} /></div>; }
function Queue({ onHold }) { return <Button />; }
function Button({ onHold }) { return <button onClick={onHold} />; }`);
  expect(lanes).toEqual([
    {
      title: 'onHold',
      marks: ['App wait held', 'Board wait onHold', 'Queue drop onHold', 'Button emit onHold'],
      broken: ['App-Board', 'Board-Queue'],
    },
  ]);
});

test('any port can be pinned', () => {
  const { lanes } = drawn(
    `export function App() { const fare = 3; return <Card fare={fare} />; }
function Card({ fare }) { return <b>{fare}</b>; }`,
    ['Card:prop:fare'],
  );
  expect(lanes.map((lane) => lane.marks)).toEqual([['App start fare', 'Card read fare']]);
});

test('what a component is given is drawn each time, whatever its own tree is', () => {
  const deep = Array.from({ length: 30 }, (_, i) => `function P${i}() { return <i>{${i} && <b />}</i>; }`);
  const parts = Array.from({ length: 30 }, (_, i) => `<P${i} />`).join('');
  const { tree } = drawn(`export function App() { return <><Frame><One /></Frame><Frame><Two /></Frame></>; }
function Frame({ children }) { return <div>{children}${parts}</div>; }
${deep.join('\n')}
function One() { return <p />; }
function Two() { return <p />; }`);
  expect(tree.slice(0, 3)).toEqual(['App', '  Frame', '    One']);
  expect(tree.slice(-2)).toEqual(['  Frame repeated', '    Two']);
});

test('a slot that is handed on is filled further up', () => {
  const { tree } = drawn(`export function App() { return <Page head={<Title />}><Text /></Page>; }
function Page({ head, children }) { return <Frame top={head}><Main>{children}</Main></Frame>; }
function Frame({ top, children }) { return <div><header>{top}</header>{children}</div>; }
function Main({ children }) { return <main>{children}</main>; }
function Title() { return <h1 />; }
function Text() { return <p />; }`);
  expect(tree).toEqual(['App', '  Page', '    Frame', '      Title', '      Main', '        Text']);
});

test('what stands in an outlet is shown where nothing fills it', () => {
  const { project } = auditSources({
    'App.vue': `<script setup>import Card from './Card.vue'; import Text from './Text.vue';</script>
<template><Card /><Card><Text /></Card></template>`,
    'Card.vue': `<script setup>import Spare from './Spare.vue';</script><template><slot><Spare /></slot></template>`,
    'Spare.vue': '<template><i /></template>',
    'Text.vue': '<template><p /></template>',
  }).result;
  const { rows } = rigging(project, []);
  expect(rows.map((row) => project.components[row.component]!.name)).toEqual([
    'App',
    'Card',
    'Spare',
    'Card',
    'Text',
  ]);
});

const fields = (owners: number) => {
  const each = (text: (at: number) => string) => Array.from({ length: owners }, (_, at) => text(at)).join('');
  return `import { useState } from 'react';
type Told = { onPick?: (to: string) => void };
function Field({ onPick }: Told) { return <input onChange={(e) => onPick(e.target.value)} />; }
function Row({ onPick }: Told) { onPick('a'); return <Field onPick={onPick} />; }
function Board() { const [held, hold] = useState(''); return <Row onPick={hold} />; }
${each((at) => `function Desk${at}() { const [fare, put] = useState(''); return <><Field onPick={put} />{fare}</>; }\n`)}
export function App() { return <main>${each((at) => `<Desk${at} />`)}<Board /></main>; }`;
};

test.each([
  // What a field raises goes up to every form that has one: what is wrong at one of them has a lane of its own.
  [30, ['Field', 'Row']],
  [2, ['Field']],
])('beside %i call sites of a field, a finding about one of them is shown by itself', (owners, expected) => {
  const { lanes } = drawn(fields(owners));
  const starts = lanes.map(({ marks }) => marks.find((one) => one.includes(' emit '))!.split(' ')[0]);
  expect(starts.slice(0, 2).sort()).toEqual(expected);
});
