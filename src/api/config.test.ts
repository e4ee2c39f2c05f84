import { expect, test } from 'vitest';
import { readFileSync } from 'node:fs';
import { configJsonSchema, parseConfig } from './config';

const check = (json: unknown) => parseConfig(json, 'zinc-rope.config.json', ['prop/drilled']);

test.each([
  [{ drillDepth: 'deep' }, /drillDepth: .*number/],
  [{ drillDepth: 0 }, /drillDepth: .*1/],
  [{ rules: { 'prop/drilled': 'fatal' } }, /rules\.prop\/drilled: /],
  [{ rules: { 'prop/drill': 'off' } }, /rules\.prop\/drill: there is no rule/],
  [{ exclude: 'dist' }, /exclude: .*array/],
  [{ depth: 3 }, /depth/],
  [[], /zinc-rope\.config\.json: /],
])('%j is refused with the key and what was expected', (json, message) => {
  expect(() => check(json)).toThrow(message);
});

test('a good one is taken', () => {
  expect(check({ drillDepth: 3, rules: { 'prop/drilled': 'note' } })).toEqual({
    drillDepth: 3,
    rules: { 'prop/drilled': 'note' },
  });
});

test('the published schema is the one that checks', () => {
  const published = new URL('../../docs/zinc-rope.config.schema.json', import.meta.url);
  expect(JSON.parse(readFileSync(published, 'utf8'))).toEqual(configJsonSchema());
});
