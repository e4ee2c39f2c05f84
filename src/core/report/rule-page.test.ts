import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { expect, test } from 'vitest';
import { ruleMarkdown, ruleNamed, rulesIndex, rulesWithPages } from './rule-page';

const DOCS = join(import.meta.dirname, '../../../docs/rules');

const shown = async (path: string, text: string) =>
  format(text, { ...(await resolveConfig(path)), filepath: path });

test('the published pages say what the rules say', async () => {
  for (const rule of rulesWithPages()) {
    const path = join(DOCS, `${rule.name}.md`);
    expect(readFileSync(path, 'utf8')).toBe(await shown(path, ruleMarkdown(rule)));
  }
  const index = join(DOCS, 'README.md');
  expect(readFileSync(index, 'utf8')).toBe(await shown(index, rulesIndex()));
  const published = readdirSync(DOCS, { recursive: true, encoding: 'utf8' }).filter((path) =>
    path.endsWith('.md'),
  );
  expect(published).toHaveLength(rulesWithPages().length + 1);
});

test('an example in a language is preferred, where there is one', () => {
  const rule = ruleNamed('PROP/missing')!;
  expect(ruleMarkdown(rule, 'vue')).toContain('`Deck.vue`');
  expect(ruleMarkdown(rule, 'vue')).not.toContain('`Deck.tsx`');
  expect(ruleMarkdown(rule, 'razor')).toContain('`Deck.tsx`');
  expect(ruleNamed('prop/nothing')).toBeUndefined();
});
