import { expect, test } from 'vitest';
import type { Frame } from './frames';
import { Settled } from './settled';

const FRAME = {} as Frame;

/** Answers what of some letters is reached from one, where each leads to others. */
function asked(ways: Record<string, string>): { of(name: string): string; worked: () => number } {
  const settled = new Settled<string>();
  let count = 0;
  const of = (name: string): string[] =>
    settled.once(FRAME, name, () => {
      count++;
      return [...new Set([name, ...[...(ways[name] ?? '')].flatMap(of)])];
    });
  return { of: (name) => of(name).sort().join(''), worked: () => count };
}

test.each([
  ['nothing leads on', { a: '' }, 'a'],
  ['one after the other', { a: 'b', b: 'c' }, 'abc'],
  ['itself', { a: 'ab' }, 'ab'],
  ['a circle', { a: 'b', b: 'ca', c: 'd' }, 'abcd'],
  ['a circle in a circle', { a: 'b', b: 'c', c: 'bd', d: 'ae' }, 'abcde'],
])('%s', (_, ways, all) => {
  expect(asked(ways).of('a')).toBe(all);
});

test('what was on its way while another was asked for is whole afterwards', () => {
  const { of } = asked({ a: 'bp', b: 'aq' });
  expect(of('a')).toBe('abpq');
  expect(of('b')).toBe('abpq');
});

test('what is made of itself under another name is there in the end', () => {
  const settled = new Settled<string>();
  const all = (): string[] =>
    settled.once(FRAME, 'all', () => [...new Set(['a', ...text().map((one) => `text of ${one}`)])]);
  const text = (): string[] => settled.once(FRAME, 'text', () => all().filter((one) => one.length < 20));
  expect(all()).toEqual(expect.arrayContaining(['a', 'text of a', 'text of text of a']));
});

test('what everything leads to is worked out about once for each that is asked', () => {
  const names = [...'abcdefghijklmnop'];
  const { of, worked } = asked(Object.fromEntries(names.map((name) => [name, names.join('')])));
  for (const name of names) expect(of(name)).toBe(names.join(''));
  expect(worked()).toBeLessThanOrEqual(2 * names.length ** 2);
});

test('what is asked for too far away adds nothing, and nothing breaks', () => {
  const settled = new Settled<number>();
  const of = (n: number): number[] => settled.once(FRAME, `${n}`, () => [n, ...(n ? of(n - 1) : [])]);
  expect(of(100_000)).toContain(100_000);
  expect(of(150)).toContain(0);
});
