/**
 * Nothing takes the square of a text: each case is run at a size and at four times that size, and may take at most five
 * times as long. Short times are not told apart, and no time is asked for as such: machines differ.
 */
import ignore from 'ignore';
import { expect, test } from 'vitest';
import { auditSources } from '../../src/core/audit';
import { readFile } from '../../src/core/readers';
import { rigging } from '../../src/core/trace/rigging';

/** Milliseconds below which a ratio says nothing. */
const SHORT = 150;

const lines = (count: number, line: (index: number) => string): string =>
  Array.from({ length: count }, (_, index) => line(index)).join('\n');

/** A component that renders the next, with a value for the last. */
const chain = (count: number): string => `import { createRoot } from 'react-dom/client';
${lines(count, (i) => `export function C${i}({ a }) { return ${i + 1 < count ? `<C${i + 1} a={a} />` : '<b>{a}</b>'}; }`)}
createRoot(document.body).render(<C0 a={1} />);`;

const chosen = (count: number): string => `export function B() { return <b />; }
export function C() { return <i />; }
const c0 = B;
${lines(count, (i) => `const c${i + 1} = window.x${i} ? c${i} : window.y ? C : c${i};`)}
export function D() { const T = c${count}; return <T />; }`;

const silenced = (count: number): string => `export const B = ({ y }: { y: string }) => <b>{y}</b>;
export function A() { return <>
${lines(count, () => '{/* zinc-rope-ignore prop/missing: it is so */}\n<B />')}
</>; }`;

const LAMP = `import { Component, Prop, h } from '@stencil/core';
@Component({ tag: 'sign-lamp' }) export class SignLamp { @Prop() label!: string; @Prop() level = 0; render() { return <b>{this.label}{this.level}<slot /></b>; } }`;

const CASES: [name: string, size: number, work: (size: number) => unknown][] = [
  [
    'patterns with many stars',
    8,
    (n) =>
      ignore()
        .add(`${'*a'.repeat(n)}b`)
        .ignores('a'.repeat(n * 4)),
  ],
  [
    'patterns with many folders',
    8,
    (n) =>
      ignore()
        .add(`${'**/a'.repeat(n)}/b`)
        .ignores(`${'a/'.repeat(n * 2)}c`),
  ],
  ['choices through constants', 25, (n) => auditSources({ 'A.tsx': chosen(n) })],
  [
    'blanks before what is imported',
    25_000,
    (n) => readFile('a.tsx', `import { x } from${' '.repeat(n)}'./x';`),
  ],
  ['blanks before nothing', 25_000, (n) => readFile('a.ts', `import { x } from${' '.repeat(n)}x;`)],
  ['types in types that never end', 250, (n) => readFile('a.svelte.ts', '$props<'.repeat(n))],
  ['comparisons that may be types', 100, (n) => readFile('a.ts', 'a<b<'.repeat(n))],
  ['a comment that never ends', 60_000, (n) => readFile('a.tsx', `/* ${'x '.repeat(n)}`)],
  ['comments that never end', 20_000, (n) => readFile('a.svelte', '<!--'.repeat(n))],
  ['comments that never end, Vue', 20_000, (n) => readFile('a.vue', `<template>${'<!--'.repeat(n)}`)],
  ['scripts that never end', 2_000, (n) => readFile('a.svelte', '<script '.repeat(n))],
  ['scripts that never end, Vue', 2_000, (n) => readFile('a.vue', '<script>'.repeat(n))],
  ['elements in elements of a page', 12_000, (n) => readFile('a.html', '<div>'.repeat(n))],
  [
    'elements of the project on a page, in each other and found one by one',
    1_000,
    (n) =>
      auditSources({
        'lamp.tsx': LAMP,
        'a.html': `${'<sign-lamp label="a">'.repeat(n)}<script>${lines(n, () => "document.querySelector('sign-lamp').level = 1;")}</script>`,
      }),
  ],
  ['comments that silence', 750, (n) => auditSources({ 'A.tsx': silenced(n) })],
  ['a chain of components', 400, (n) => auditSources({ 'A.tsx': chain(n) })],
];

/** Time of this process alone, so that others on the machine count little. */
function millisecondsOf(work: () => unknown): number {
  const start = process.cpuUsage();
  work();
  const { user, system } = process.cpuUsage(start);
  return (user + system) / 1_000;
}

/** How much longer four times the size takes; nothing where that is too short to tell. */
function growth(work: (size: number) => unknown, size: number): number {
  const small = Math.min(...[0, 1, 2].map(() => millisecondsOf(() => work(size))));
  const large = Math.min(...[0, 1].map(() => millisecondsOf(() => work(size * 4))));
  return large > SHORT ? large / small : 0;
}

test.each(CASES)(
  '%s',
  (_, size, work) => {
    // What is compiled on the way is not counted.
    work(size);
    // A square is a square each time; a machine that does something else is not.
    const ratios: number[] = [];
    while (ratios.length < 4 && !ratios.some((one) => one < 5)) ratios.push(growth(work, size));
    expect(Math.min(...ratios)).toBeLessThan(5);
  },
  60_000,
);

test('5,000 components in a chain: audit, trace and rigging end', () => {
  const audit = auditSources({ 'A.tsx': chain(5_000) });
  expect(audit.result.findings.map((one) => one.rule)).toEqual(['prop/drilled']);
  expect(audit.result.findings[0]!.message.length).toBeLessThan(300);
  const { rows } = rigging(audit.result.project, audit.result.findings);
  expect(rows.at(-1)!.depth).toBe(4_999);
  expect('similar' in audit.trace('C0:prop:a')).toBe(false);
}, 60_000);
