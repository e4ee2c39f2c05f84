/**
 * Assignability held against TypeScript: what is a no here must be an error there, and what is a yes must be
 * none. An unknown may be either.
 */
import ts from 'typescript';
import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { assignable, type Answer } from './assign';

const BEFORE = `
interface Cabin { id: string; load: number; label?: string }
interface Held extends Cabin { since: string }
type Unit = 'm/s' | 'knots';
enum Mode { Low = 'low', High = 'high' }
type Box<T> = { value: T };
const unit: Unit = 'knots';
const cabin: Cabin = { id: 'a', load: 1 };
const held: Held = { id: 'a', load: 1, since: 'b' };
const maybe: string | undefined = Math.random() > 1 ? 'a' : undefined;
`;

const VALUES = [
  '3',
  '-1',
  "'m/s'",
  "'other'",
  'true',
  '`a${1}`',
  '[1, 2]',
  "['a']",
  "{ id: 'a', load: 1 }",
  "{ id: 'a' }",
  "{ id: 3, load: 'x' }",
  '{ value: 3 }',
  "{ value: 'a' }",
  'unit',
  'cabin',
  'held',
  'cabin.load',
  'cabin.id.length',
  '[cabin]',
  'String(3)',
  '(3).toFixed(1)',
  '() => 3',
  '1 + 2',
  "'a' + 1",
  '3 > 2',
  'Date.now()',
  "[1, 'a']",
  "[{ id: 'a', load: 1 }, { id: 'b' }]",
  '[[1], [2]]',
  "{ ids: ['a', 'b'], at: { x: 1, y: 2 } }",
  "{ ids: ['a', 3], at: { x: '1' } }",
  "{ ...cabin, load: 'full' }",
  '(n: number) => n + 1',
  '(s: string) => s.length',
  '(n: number, s: string) => `${n}${s}`',
  '(n: number | string) => String(n)',
  '(one: Cabin) => one.id',
  '(one: Held) => one.since',
  '() => {}',
  "() => 'a'",
  '(n?: number) => n !== undefined',
  'async (n: number) => n',
  '(n: number) => { console.log(n); }',
  'cabin.label',
  'maybe',
  "{ hold: (n: number) => n, id: 'a' }",
];
const TYPES = [
  'number',
  'string',
  'boolean',
  'Unit',
  '3 | 4',
  'string | number',
  'number[]',
  'readonly string[]',
  'Cabin',
  'Held',
  'Cabin[]',
  'Partial<Cabin>',
  "Pick<Cabin, 'id'>",
  "Omit<Cabin, 'load'>",
  'Box<string>',
  'Box<number>',
  '() => number',
  'Cabin | string',
  'Mode',
  'object',
  'number[][]',
  '(string | number)[]',
  '[number, string]',
  '{ ids: string[]; at: { x: number; y: number } }',
  '{ at: { x: number } }',
  'Record<string, number>',
  '(n: number) => number',
  '(n: number) => void',
  '(s: string) => number',
  '(n: number, s: string) => string',
  '(n: number) => string',
  '(one: Cabin) => string',
  '(one: Held) => string',
  '() => void',
  '() => string',
  '() => boolean',
  '{ hold(n: number): number }',
  '{ hold: (s: string) => number }',
];
const PAIRS = VALUES.flatMap((value) => TYPES.map((type): [string, string] => [value, type]));

/** Whether TypeScript, strict, accepts each pair, in order. */
function byTypeScript(): boolean[] {
  const head = `${BEFORE}${VALUES.map((value, i) => `const v${i} = ${value};`).join('\n')}\n`;
  const first = head.split('\n').length - 1;
  const text =
    head +
    PAIRS.map(([value, type], i) => `export const p${i}: ${type} = v${VALUES.indexOf(value)};`).join('\n');
  const options: ts.CompilerOptions = {
    strict: true,
    noEmit: true,
    target: ts.ScriptTarget.ES2022,
    types: [],
  };
  const host = ts.createCompilerHost(options);
  const read = host.getSourceFile.bind(host);
  host.getSourceFile = (name, ...rest) =>
    name === 'pairs.ts' ? ts.createSourceFile(name, text, ts.ScriptTarget.ES2022) : read(name, ...rest);
  const program = ts.createProgram(['pairs.ts'], options, host);
  const wrong = new Set(
    program
      .getSemanticDiagnostics(program.getSourceFile('pairs.ts'))
      .map((one) => one.file!.getLineAndCharacterOfPosition(one.start!).line - first),
  );
  return PAIRS.map((_, i) => !wrong.has(i));
}

function byOurs(): Answer[] {
  const values = VALUES.map((value, i) => `export const v${i} = ${value};`).join('\n');
  const types = TYPES.map((type, i) => `export type T${i} = ${type};`).join('\n');
  const { project } = auditSources({ 'a.ts': `${BEFORE}\n${values}\n${types}` }).result;
  return PAIRS.map(([value, type]) =>
    assignable(
      project.types,
      { type: { t: 'value', name: `v${VALUES.indexOf(value)}` }, file: 0 },
      { type: { t: 'ref', name: `T${TYPES.indexOf(type)}` }, file: 0 },
      true,
    ),
  );
}

test(`${PAIRS.length} pairs of values and types`, () => {
  const accepted = byTypeScript();
  const answers = byOurs();
  const wrong = PAIRS.flatMap(([value, type], i) =>
    (answers[i] === 'no' && accepted[i]) || (answers[i] === 'yes' && !accepted[i])
      ? [`${value} to ${type}: ${answers[i]}, but TypeScript ${accepted[i] ? 'accepts' : 'refuses'} it`]
      : [],
  );
  expect(wrong).toEqual([]);
  // Most of what TypeScript refuses is refused here, too.
  const refused = PAIRS.filter((_, i) => !accepted[i]).length;
  expect(answers.filter((answer) => answer === 'no').length).toBeGreaterThan(refused * 0.95);
});
