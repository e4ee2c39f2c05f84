/** The types of expressions, as far as their text alone says them. */
import { expect, test } from 'vitest';
import { readFile } from '..';
import { showType } from '../../types/show';

test.each<[string, string]>([
  [`1`, '1'],
  [`'a'`, "'a'"],
  [`true`, 'true'],
  [`null`, 'null'],
  [`[1, 2]`, 'number[]'],
  [`{ a: 1, b: 'x' }`, '{ a: number; b: string }'],
  [`() => 1`, '() => number'],
  [`async () => 1`, '() => { then: () => unknown }'],
  ['`a${b}`', 'string'],
  [`1 + 2`, 'number'],
  [`'a' + 1`, 'string'],
  [`!x`, 'boolean'],
  [`x > 1`, 'boolean'],
  [`-1`, '-1'],
  [`x ? 1 : 'a'`, "1 | 'a'"],
  [`x ?? 1`, '(unknown)'],
  [`x || 'a'`, '(unknown)'],
  [`[...list]`, 'unknown[]'],
  [`String(x)`, 'string'],
  [`Number(x)`, 'number'],
  [`Boolean(x)`, 'boolean'],
  [`new Date()`, '(unknown)'],
  [`/a/`, '(unknown)'],
  [`typeof x`, 'string'],
  [`void 0`, 'undefined'],
  [`'a'.length`, '(unknown)'],
  [`'a,b'.split(',')`, '(unknown)'],
  [`[1].map((n) => n > 1)`, '(unknown)'],
  [`Math.max(1, 2)`, 'number'],
  [`JSON.stringify(x)`, 'string'],
  [`Object.keys(x)`, '(unknown)'],
  [`x as string`, 'string'],
  [`<b />`, 'content'],
  [`(a: number, b = 'x') => a`, '(a: number, b?) => number'],
  [`{ ...x, a: 1 }`, '{ …; a: number }'],
  [`[1, 'a']`, '(number | string)[]'],
  [`await x`, '(unknown)'],
  [`class {}`, '(unknown)'],
  [`10n`, 'bigint'],
  [`x++`, 'number'],
  [`x in y`, 'boolean'],
])('%s', (text, expected) => {
  const { values } = readFile('a.tsx', `export const v = ${text};`);
  expect(showType(values.find((one) => one.name === 'v')!.type) || '(unknown)').toBe(expected);
});
