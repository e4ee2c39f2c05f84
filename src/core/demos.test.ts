/** The demo holds what its page says: every rule that a table names is found in the file that it names. */
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { expect, test } from 'vitest';
import { auditSources } from './audit';
import { isReadable } from './readers';
import { isManifest } from './readers/manifest';

const DEMO = join(import.meta.dirname, '../../demo');
const page = readFileSync(join(DEMO, 'README.md'), 'utf8');

function auditOf(demo: string) {
  const root = join(DEMO, demo);
  const paths = readdirSync(root, { recursive: true, encoding: 'utf8' })
    .map((path) => relative(root, join(root, path)))
    .filter((path) => isReadable(path) || isManifest(path));
  return auditSources(Object.fromEntries(paths.map((path) => [path, readFileSync(join(root, path), 'utf8')])))
    .result;
}

test.each(['console', 'desk', 'board', 'log', 'kiosk', 'signs', 'rota'])('%s', (demo) => {
  const section = page
    .split(/\n(?=`\w+\/` is )|(?=`console\/` is )/)
    .find((one) => one.startsWith(`\`${demo}/\``))!;
  const named = [...section.matchAll(/^\| (`[^|]*`) \|/gm)].flatMap((row) =>
    [...row[1]!.matchAll(/`([a-z]+\/[a-z-]+)`/g)].map((rule) => rule[1]!),
  );
  expect(named.length).toBeGreaterThan(10);
  const { findings, problems } = auditOf(demo);
  expect(problems).toEqual([]);
  const found = new Set(findings.map((one) => one.rule));
  expect(named.filter((rule) => !found.has(rule))).toEqual([]);
});
