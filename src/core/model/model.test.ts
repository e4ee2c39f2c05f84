import { expect, test } from 'vitest';
import { lineIndex } from './lines';
import { distance, isNear, nearest } from './names';

test.each([
  ['fare', 'fair', 2],
  ['title', 'titel', 1],
  ['onHold', 'onHodl', 1],
  ['abc', 'xyz', 3],
])('%s and %s are %i edits apart', (a, b, edits) => {
  expect(distance(a, b, 5)).toBe(edits);
});

test.each([
  ['windUnit', 'wind-unit', true],
  ['subtitle', 'subtitel', true],
  ['id', 'to', false],
  ['colour', 'speed', false],
  ['same', 'same', false],
])('near: %s, %s', (a, b, near) => {
  expect(isNear(a, b)).toBe(near);
});

test('the nearest name wins', () => {
  expect(nearest('onHodl', ['onHeld', 'onHold', 'onOpen'])).toBe('onHold');
  expect(nearest('zzz', ['onHold'])).toBeUndefined();
});

test('lines and columns start at 1; carriage returns are no part of a line', () => {
  const index = lineIndex('ab\r\ncd\n');
  expect(index.at(0)).toEqual({ line: 1, column: 1 });
  expect(index.at(5)).toEqual({ line: 2, column: 2 });
  expect(index.line(1)).toBe('ab');
  expect(index.line(2)).toBe('cd');
  expect(index.count).toBe(3);
});
