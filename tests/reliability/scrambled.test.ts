/** Whatever is done to a source, reading and auditing it returns. */
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { auditSources } from '../../src/core/audit';
import { ENDURANCE, ROOT } from './server';

const DEMO = join(ROOT, 'demo');
/** Audits, of two scrambled files as a rule: 20,000 inputs in the long form. */
const AUDITS = ENDURANCE ? 10_000 : 300;
const PARTS = ['console', 'desk', 'board', 'log', 'signs'];

/** The sources below a folder, each with the ending of its name. */
function texts(dir: string): { text: string; ending: string }[] {
  return readdirSync(dir).flatMap((name) => {
    const path = join(dir, name);
    return statSync(path).isDirectory()
      ? texts(path)
      : [{ text: readFileSync(path, 'utf8'), ending: name.slice(name.lastIndexOf('.')) }];
  });
}

const SOURCES = PARTS.flatMap((part) => texts(join(DEMO, part, 'src')));
const PIECES = [
  '{',
  '}',
  '(',
  ')',
  '<',
  '>',
  '/',
  '...',
  '=>',
  ';',
  "'",
  '`',
  '${',
  '&&',
  'props',
  'useState()',
  '<A/>',
  'null',
  '{#if a}',
  'v-for="a in"',
  '</script>',
  '\u00e9',
  '\r\n',
];

const scrambled = fc
  .tuple(
    fc.constantFrom(...SOURCES),
    fc.array(fc.tuple(fc.nat(4000), fc.nat(30), fc.constantFrom(...PIECES, '')), { maxLength: 6 }),
  )
  .map(([{ text, ending }, cuts]) => ({
    ending,
    text: cuts.reduce((now, [at, length, piece]) => {
      const from = Math.min(at, now.length);
      return now.slice(0, from) + piece + now.slice(from + length);
    }, text),
  }));

test('an audit of scrambled sources always returns, and says what it did not understand', () => {
  fc.assert(
    fc.property(fc.array(scrambled, { minLength: 1, maxLength: 3 }), (list) => {
      const sources = Object.fromEntries(list.map(({ text, ending }, i) => [`${'abc'[i]}${ending}`, text]));
      const { result } = auditSources(sources);
      expect(result.project.files).toHaveLength(list.length);
      for (const finding of result.findings) {
        expect(finding.place.end).toBeGreaterThanOrEqual(finding.place.start);
        expect(finding.trail.length).toBeGreaterThan(0);
      }
      for (const problem of result.problems) expect(problem.message).not.toMatch(/could not be read/);
    }),
    { numRuns: AUDITS, seed: ENDURANCE ? Date.now() : 11 },
  );
}, 3_600_000);

test.each([
  ['deep nesting', `export const A = () => ${'<a>'.repeat(400)}${'</a>'.repeat(400)};`],
  ['deep expressions', `export const A = () => <a>{${'('.repeat(400)}1${')'.repeat(400)}}</a>;`],
  ['a long chain', `export const A = (p) => <a>{p${'.x'.repeat(400)}}</a>;`],
  [
    'many components',
    Array.from(
      { length: 3000 },
      (_, i) => `export function C${i}({ a }) { return <C${i + 1} a={a} />; }`,
    ).join('\n'),
  ],
])('%s', (_what, text) => {
  expect(auditSources({ 'a.jsx': text }).result.problems).toEqual([]);
});

test('files that import each other in a circle', () => {
  const { result } = auditSources({
    'a.tsx': `export * from './b'; import { B } from './b'; export function A() { return <B />; }`,
    'b.tsx': `export * from './a'; import { A, Nobody } from './a'; export function B() { return <><A /><Nobody /></>; }`,
  });
  expect(result.findings.map((finding) => finding.rule)).toEqual(['component/unresolved']);
});
