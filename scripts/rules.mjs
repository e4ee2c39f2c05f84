// Writes the page of every rule to docs/rules, from what the rules say of themselves.
import { mkdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { printed, writeFormatted } from './bundled.mjs';
import { ensurePackages, root } from './ensure.mjs';

ensurePackages();
const pages = JSON.parse(
  await printed(`import { ruleMarkdown, rulesIndex, rulesWithPages } from './src/core/report/rule-page';
console.log(JSON.stringify([['README', rulesIndex()], ...rulesWithPages().map((rule) => [rule.name, ruleMarkdown(rule)])]));`),
);
const folder = join(root, 'docs/rules');
rmSync(folder, { recursive: true, force: true });
for (const [name, text] of pages) {
  const path = join(folder, `${name}.md`);
  mkdirSync(dirname(path), { recursive: true });
  await writeFormatted(path, text);
}
