import { expect, test } from 'vitest';
import { addressInEditor, isTemplate } from './editor';

test.each([
  ['edit://open?file={path}&line={line}', true],
  ['edit://{path}:{line}:{column}', true],
  ['edit://open', false],
  ['{path}', false],
  ['javascript:alert("{path}")', false],
  ['', false],
])('%s as a template: %s', (text, good) => expect(isTemplate(text)).toBe(good));

test('places are filled in', () => {
  const at = { root: '/work/quill moor/', file: 'src/Gate.tsx', line: 3, column: 9 };
  expect(addressInEditor('edit://{path}:{line}:{column}', at)).toBe(
    'edit:///work/quill%20moor/src/Gate.tsx:3:9',
  );
});
