import { expect, test } from 'vitest';
import { LANGUAGES as READ } from '../../core/readers/languages';
import { GRAMMARS, LANGUAGES, languageName } from './languages';

test('every language that is read is shown by its title, and its files by a grammar', () => {
  for (const { name, title, endings } of READ) {
    expect(languageName(name)).toBe(title);
    for (const ending of endings) expect(GRAMMARS[ending.slice(1)]?.name).toBe(name);
  }
  expect(Object.keys(LANGUAGES).sort()).toEqual(READ.map((one) => one.name).sort());
});
