import { expect, test } from 'vitest';
import { LANGUAGES as READ } from '../../core/readers/languages';
import { grammarOf, GRAMMARS, LANGUAGES, languageName } from './languages';

test('every language that is read is shown by its title, and its files by a grammar', () => {
  for (const { name, title, endings } of READ) {
    expect(languageName(name)).toBe(title);
    for (const ending of endings) expect(GRAMMARS[ending.slice(1)]).toBeDefined();
  }
  expect(Object.keys(LANGUAGES).sort()).toEqual(READ.map((one) => one.name).sort());
});

test.each([
  ['app.ts', 'export const a = 1;', 'typescript'],
  ['app.ts', '@Component({ template: "" }) class A {}', 'angular-ts'],
  ['app.component.html', '<p></p>', 'angular-html'],
  ['App.tsx', '', 'tsx'],
  ['App.vue', '', 'vue'],
  ['App.svelte', '', 'svelte'],
  ['App.razor', '', 'razor'],
  ['Line.cs', '', 'csharp'],
  ['notes.txt', '', undefined],
  ['constructor', '', undefined],
])('%s with %j is coloured as %s', (path, text, name) => {
  expect(grammarOf(path, text)?.name).toBe(name);
});
