import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { MOUNT } from '../rules/testing';
import { renderTree } from './tree';
import { edges, traced } from './testing';

/** The tree of a project, with the rows of its roots at the left. */
function treeOf(sources: Record<string, string>): string[] {
  const { project } = auditSources({ ...MOUNT, ...sources }).result;
  const { rows } = renderTree(project);
  return rows.map((row) => `${'  '.repeat(row.depth)}${project.components[row.component]!.name}`);
}

const ROWS = `export function Row({ car }) { return <li>{car.name}</li>; }
export function Title({ text }) { return <h1>{text}</h1>; }
export function Box({ children }) { return <section>{children}</section>; }
export function List({ items, renderItem }) { return <ul>{items.map((one) => renderItem(one))}</ul>; }
`;
const RENDER = `import { Row } from './rows';
export function renderRow(car) { return <Row car={car} />; }
export const renderers = { row: renderRow };
export function plain(car) { return car.name; }
`;
const HOOK = `import { useState } from 'react';
import { Title, Row } from './rows';
export function useDialog(text) {
  const [open, setOpen] = useState(false);
  const body = <Title text={text} />;
  return { open, show: () => setOpen(true), dialog: open && body, footer: <Row car={text} /> };
}
export function usePair() { const head = <Title text="a" />; return [head, () => <Row car={1} />]; }
export function useOuter() { const { dialog } = useDialog('b'); return { again: dialog }; }
`;

describe('what functions of the project draw hangs below who uses them', () => {
  test.each<[string, string, string[]]>([
    ['called in the markup', `<Box>{renderRow(a)}</Box>`, ['  Box', '    Row']],
    ['called behind a condition', `<Box>{a && renderRow(a)}</Box>`, ['  Box', '    Row']],
    ['called for a list', `<Box>{a.map((one) => renderRow(one))}</Box>`, ['  Box', '    Row']],
    ['given to a list', `<Box>{a.map(renderRow)}</Box>`, ['  Box', '    Row']],
    ['a member of an object', `<Box>{renderers.row(a)}</Box>`, ['  Box', '    Row']],
    ['given to a component', `<List items={a} renderItem={renderRow} />`, ['  List', '    Row']],
    ['given in a function', `<List items={a} renderItem={(one) => renderRow(one)} />`, ['  List', '    Row']],
    ['given as the only content', `<Box>{renderRow}</Box>`, ['  Box', '    Row']],
    ['one that draws nothing', `<Box>{plain(a)}</Box>`, ['  Box']],
    ['a name that is used otherwise', `<Box key={renderRow} />`, ['  Box']],
  ])('%s', (_, markup, expected) => {
    const app = `import { renderRow, renderers, plain } from './render';
import { Box, List } from './rows';
export function App({ a }) { return ${markup}; }`;
    const tree = treeOf({ 'rows.tsx': ROWS, 'render.tsx': RENDER, 'App.tsx': app });
    expect(tree.slice(0, expected.length + 1)).toEqual(['App', ...expected]);
    expect(tree.filter((one) => one.trim() === 'Row').length).toBe(1);
  });

  test('kept in a variable, built in steps, memoised', () => {
    const app = `import { useMemo } from 'react';
import { renderRow } from './render';
import { Box } from './rows';
export function App({ a }) {
  const one = renderRow(a);
  const two = useMemo(() => renderRow(a), [a]);
  return <><Box>{one}</Box><Box>{two}</Box></>;
}`;
    expect(treeOf({ 'rows.tsx': ROWS, 'render.tsx': RENDER, 'App.tsx': app }).slice(0, 5)).toEqual([
      'App',
      '  Box',
      '    Row',
      '  Box',
      '    Row',
    ]);
  });

  test('functions that draw by functions, and one that draws itself again', () => {
    const render = `import { Row, Box } from './rows';
export const renderAll = (cars) => <Box>{cars.map((one) => renderRow(one))}</Box>;
function renderRow(car) { return <Row car={car}>{car.next && renderRow(car.next)}</Row>; }`;
    const app = `import { renderAll } from './render';
export function App({ cars }) { return <main>{renderAll(cars)}</main>; }`;
    expect(treeOf({ 'rows.tsx': ROWS, 'render.tsx': render, 'App.tsx': app }).slice(0, 3)).toEqual([
      'App',
      '  Box',
      '    Row',
    ]);
  });
});

describe('elements that a hook gives back hang below who places them', () => {
  test.each<[string, string, string, string[]]>([
    ['a member', `const { dialog } = useDialog('x');`, `<Box>{dialog}</Box>`, ['  Box', '    Title']],
    ['of the whole', `const it = useDialog('x');`, `<Box>{it.dialog}</Box>`, ['  Box', '    Title']],
    ['renamed', `const { footer: end } = useDialog('x');`, `<Box>{end}</Box>`, ['  Box', '    Row']],
    [
      'behind a condition',
      `const { dialog } = useDialog('x');`,
      `<Box>{a && dialog}</Box>`,
      ['  Box', '    Title'],
    ],
    ['an entry of a pair', `const [head] = usePair();`, `<Box>{head}</Box>`, ['  Box', '    Title']],
    ['a function', `const [, row] = usePair();`, `<Box>{row()}</Box>`, ['  Box', '    Row']],
    ['of a hook in a hook', `const { again } = useOuter();`, `<Box>{again}</Box>`, ['  Box', '    Title']],
    [
      'handed on as content',
      `const { dialog } = useDialog('x');`,
      `<List renderItem={dialog} items={a} />`,
      ['  List', '    Title'],
    ],
    ['a member that is no content', `const { open } = useDialog('x');`, `<Box>{open}</Box>`, ['  Box']],
  ])('%s', (_, declared, markup, expected) => {
    const app = `import { useDialog, usePair, useOuter } from './hooks';
import { Box, List } from './rows';
export function App({ a }) { ${declared} return ${markup}; }`;
    const tree = treeOf({ 'rows.tsx': ROWS, 'hooks.tsx': HOOK, 'App.tsx': app });
    expect(tree.slice(0, expected.length + 1)).toEqual(['App', ...expected]);
    expect(tree[expected.length + 1] ?? '').not.toMatch(/^ /);
  });
});

describe('strands run through what functions and hooks draw', () => {
  const DIALOG = `export function Dialog({ open, onClose, text }) {
  return open ? <button onClick={onClose}>{text}</button> : null;
}`;
  const USE = `import { useState } from 'react';
import { Dialog } from './Dialog';
export function useDialog(text) {
  const [open, setOpen] = useState(false);
  return { show: () => setOpen(true), dialog: <Dialog open={open} onClose={() => setOpen(false)} text={text} /> };
}`;

  test('state of the hook belongs to its caller, and comes back to it', () => {
    const app = `import { useDialog } from './useDialog';
export function App() { const { dialog, show } = useDialog('hello'); return <main onClick={show}>{dialog}</main>; }`;
    const trace = traced(
      { ...MOUNT, 'App.tsx': app, 'useDialog.tsx': USE, 'Dialog.tsx': DIALOG },
      'Dialog:prop:open',
    );
    expect(edges(trace)).toEqual([
      'App:state:open pass Dialog:prop:open',
      'Dialog:event:onClose write App:state:open',
    ]);
  });

  test('two callers are told apart', () => {
    const pages = `import { useState } from 'react';
import { useDialog } from './useDialog';
export function Home() { const [a] = useState(''); const { dialog } = useDialog(a); return <main>{dialog}</main>; }
export function Help() { const [b] = useState(''); const { dialog } = useDialog(b); return <main>{dialog}</main>; }`;
    const sources = { 'pages.tsx': pages, 'useDialog.tsx': USE, 'Dialog.tsx': DIALOG };
    expect(edges(traced(sources, 'Home:state:a'))).toEqual(['Home:state:a rename Dialog:prop:text']);
    expect(edges(traced(sources, 'Help:state:open'))).toEqual([
      'Dialog:event:onClose write Help:state:open',
      'Help:state:open pass Dialog:prop:open',
    ]);
  });

  test('what a function is called with, and what it is given by the list', () => {
    const app = `import { useState } from 'react';
import { renderRow } from './render';
import { List } from './rows';
export function App() {
  const [first] = useState(null); const [all] = useState([]);
  return <main>{renderRow(first)}<List items={all} renderItem={renderRow} /></main>;
}`;
    const sources = { ...MOUNT, 'App.tsx': app, 'rows.tsx': ROWS, 'render.tsx': RENDER };
    expect(edges(traced(sources, 'App:state:first'))).toContain('App:state:first rename Row:prop:car');
    const all = edges(traced(sources, 'App:state:all'));
    expect(all).toContain('App:state:all rename List:prop:items');
    expect(all.some((one) => one.endsWith('Row:prop:car'))).toBe(true);
    expect(all.some((one) => one.startsWith('App:state:first'))).toBe(false);
  });
});

describe('in other languages', () => {
  const PARTS = {
    'Row.vue': `<script setup>defineProps({ car: Object })</script><template><li>{{ car.name }}</li></template>`,
    'Box.vue': `<template><section><slot /></section></template>`,
    'render.js': `import { h } from 'vue';
import Row from './Row.vue';
export const renderRow = (car) => h(Row, { car });
export function useRow(car) { const row = () => h(Row, { car }); return { row, size: 1 }; }`,
  };
  test.each<[string, string, string[]]>([
    ['a render function', `() => h(Box, null, () => renderRow(1))`, ['  Box', '    Row']],
    ['in a list', `() => h(Box, null, () => [1, 2].map((one) => renderRow(one)))`, ['  Box', '    Row']],
    ['given to a list', `() => h(Box, null, () => [1, 2].map(renderRow))`, ['  Box', '    Row']],
    ['what a composable gives back', `() => h(Box, null, () => row())`, ['  Box', '    Row']],
    ['a member that is no content', `() => h(Box, null, () => size)`, ['  Box']],
  ])('Vue: %s', (_, render, expected) => {
    const app = `import { defineComponent, h } from 'vue';
import Box from './Box.vue';
import { renderRow, useRow } from './render';
export default defineComponent({ name: 'App', setup() { const { row, size } = useRow(1); return ${render}; } });`;
    const main = `import { createApp } from 'vue';
import App from './App.js';
createApp(App).mount('#app');`;
    const { project } = auditSources({ ...PARTS, 'App.js': app, 'main.js': main }).result;
    const { rows } = renderTree(project);
    const names = rows.map((row) => `${'  '.repeat(row.depth)}${project.components[row.component]!.name}`);
    expect(names.slice(0, expected.length + 1)).toEqual(['App', ...expected]);
  });

  test('Svelte: a snippet stands where it is drawn', () => {
    const app = `<script>import Box from './Box.svelte'; import Row from './Row.svelte'; let { car } = $props();</script>
{#snippet row(one)}<Row car={one} />{/snippet}
<Box>{@render row(car)}</Box>`;
    const { project } = auditSources({
      'App.svelte': app,
      'Box.svelte': `<script>let { children } = $props();</script><section>{@render children()}</section>`,
      'Row.svelte': `<script>let { car } = $props();</script><li>{car}</li>`,
    }).result;
    const { rows } = renderTree(project);
    const names = rows.map((row) => `${'  '.repeat(row.depth)}${project.components[row.component]!.name}`);
    expect(names).toEqual(['App', '  Box', '    Row']);
  });

  test('Svelte: a snippet that is drawn at two places stands at neither', () => {
    const app = `<script>import Box from './Box.svelte'; let { children, flat } = $props();</script>
{#snippet row()}{@render children()}{/snippet}
{#if flat}<div>{@render row()}</div>{:else}<Box>{@render row()}</Box>{/if}`;
    const box = `<script>let { children } = $props();</script><section>{@render children()}</section>`;
    const { findings } = auditSources({ 'App.svelte': app, 'Box.svelte': box }).result;
    expect(findings.map((one) => one.rule)).not.toContain('slot/relayed');
  });
});
