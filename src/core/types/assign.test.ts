import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { assignable, type Answer } from './assign';

/** The answer for `value` (typed as written, or inferred) against a type. */
function answer(value: string, type: string, before = ''): Answer {
  const { project } = auditSources({
    'a.ts': `${before}
export type Wanted = ${type};
export const given = ${value};`,
  }).result;
  const at = (expr: Parameters<typeof assignable>[1]['type']) => ({ type: expr, file: 0 });
  return assignable(project.types, at({ t: 'value', name: 'given' }), at({ t: 'ref', name: 'Wanted' }), true);
}

describe('assignability', () => {
  test.each<[string, string, Answer]>([
    ['3', 'number', 'yes'],
    ['3', 'string', 'no'],
    ['3', '3 | 4', 'yes'],
    ['5', '3 | 4', 'no'],
    ['"a"', 'string | number', 'yes'],
    ['true', 'boolean', 'yes'],
    ['true', 'string | number', 'no'],
    ['"a" as string', '"a" | "b"', 'no'],
    ['(Math.random() > 1 ? "a" : "b")', '"a" | "b"', 'yes'],
    ['(Math.random() > 1 ? "a" : 3)', 'string', 'no'],
    ['[1, 2]', 'number[]', 'yes'],
    ['[1, 2]', 'readonly number[]', 'yes'],
    ['[1, "a"]', 'number[]', 'no'],
    ['[]', 'string[]', 'yes'],
    ['[1, 2]', 'string', 'no'],
    ['"a"', 'string[]', 'no'],
    ['{ id: "a" }', '{ id: string }', 'yes'],
    ['{ id: 3 }', '{ id: string }', 'no'],
    ['{}', '{ id: string }', 'no'],
    ['{}', '{ id?: string }', 'yes'],
    ['{ id: "a", n: 1 }', '{ id: string }', 'yes'],
    ['{ ...other }', '{ id: string }', 'unknown'],
    ['"a"', '{ length: number }', 'unknown'],
    ['"a"', '{ id: string }', 'no'],
    ['() => 1', '() => number', 'yes'],
    ['() => 1', 'string', 'no'],
    ['3', '() => void', 'no'],
    ['{ id: "a" }', 'Record<string, string>', 'unknown'],
    ['null', 'string', 'unknown'],
    ['undefined', 'string | undefined', 'yes'],
    ['3', 'any', 'unknown'],
    ['3', 'unknown', 'unknown'],
    ['3', 'Elsewhere', 'unknown'],
    ['3 as any', 'string', 'unknown'],
    ['String(3)', 'string', 'yes'],
    ['"a".length', 'number', 'yes'],
    ['(3).toFixed(1)', 'number', 'no'],
    ['[1, 2].length', 'string', 'no'],
    ['["a"].filter(Boolean)', 'number[]', 'no'],
    ['"a,b".split(",")', 'string', 'no'],
    ['3 as number', 'Exclude<number, 3>', 'unknown'],
  ])('%s to %s: %s', (value, type, expected) => {
    expect(
      answer(value, type, 'import { other } from "elsewhere"; import type { Elsewhere } from "elsewhere";'),
    ).toBe(expected);
  });

  test.each<[string, string, string, Answer]>([
    ['interface A { id: string } interface B extends A { n: number }', '{ id: "a", n: 1 }', 'B', 'yes'],
    ['interface A { id: string } interface B extends A { n: number }', '{ n: 1 }', 'B', 'no'],
    ['interface A { id: string }', '{}', 'Partial<A>', 'yes'],
    ['interface A { id?: string }', '{}', 'Required<A>', 'no'],
    ['interface A { id: string; n: number }', '{ id: "a" }', 'Pick<A, "id">', 'yes'],
    ['interface A { id: string; n: number }', '{ id: "a" }', 'Omit<A, "n">', 'yes'],
    ['type Box<T> = { value: T };', '{ value: 3 }', 'Box<string>', 'no'],
    ['type Box<T> = { value: T };', '{ value: "a" }', 'Box<string>', 'yes'],
    ['enum Mode { Low = "low", High = "high" }', '"low"', 'Mode', 'yes'],
    ['enum Mode { Low = "low", High = "high" }', '"mid"', 'Mode', 'no'],
    ['interface Tree { kids: Tree[] }', '{ kids: [] }', 'Tree', 'yes'],
    ['type Loop = Loop2; type Loop2 = Loop;', '3', 'Loop', 'unknown'],
    ['function f(): string { return "a"; }', 'f()', 'number', 'no'],
    ['const f = () => ({ id: 1 });', 'f()', '{ id: string }', 'no'],
    ['async function f() { return 1; }', 'f()', 'number', 'no'],
  ])('with %s: %s to %s is %s', (before, value, type, expected) => {
    expect(answer(value, type, before)).toBe(expected);
  });
});
