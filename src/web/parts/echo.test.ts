import { expect, test } from 'vitest';
import { Echo } from './echo';

/** `>text` is sent; the others come back from the address. */
test.each<[string, string[], boolean[]]>([
  ['what was sent', ['>a', 'a'], [true]],
  ['what was there', ['', '>a', 'a'], [true, true]],
  ['the first, when the second was sent already', ['>a', '>a ', 'a', 'a '], [true, true]],
  ['one that was passed over', ['>a', '>ab', 'ab', 'a'], [true, false]],
  ['somebody else’s', ['>a', 'b'], [false]],
  ['the way back', ['>a', 'a', ''], [true, false]],
  ['what was sent before somebody else came', ['>a', 'b', 'a'], [false, false]],
])('%s', (_, steps, expected) => {
  const echo = new Echo('');
  const own: boolean[] = [];
  for (const step of steps) {
    if (step.startsWith('>')) echo.send(step.slice(1));
    else own.push(echo.isOwn(step));
  }
  expect(own).toEqual(expected);
});
