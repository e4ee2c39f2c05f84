import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { coverageMarkdown } from '../../report/coverage';
import { CHANNELS } from '.';

const followed = CHANNELS.flatMap(({ name, cells }) =>
  Object.entries(cells).flatMap(([language, cell]) => ('files' in cell ? [{ name, language, ...cell }] : [])),
);

test('there is something in each language and channel', () => {
  expect(followed.length).toBeGreaterThan(45);
});

test.each(followed)('$name, $language', ({ language, files, from, to }) => {
  const audit = auditSources(files);
  const { project, problems } = audit.result;
  expect(problems).toEqual([]);
  expect(project.files.map((one) => one.facts.language)).toContain(language);
  const trace = audit.trace(from);
  if ('similar' in trace) throw new Error(`nothing is called ${from}: ${trace.similar.join(', ')}`);
  expect(trace.hops.map((one) => one.ref)).toContain(to);
});

test('the page says what the cells do', () => {
  const page = readFileSync(new URL('../../../../docs/coverage.md', import.meta.url), 'utf8');
  const words = (text: string) => text.replace(/[\s|-]+/g, ' ').trim();
  expect(words(page)).toBe(words(coverageMarkdown()));
});
