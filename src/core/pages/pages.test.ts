import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import { RULES } from '../rules';
import { pageOf } from './index';

const found = (sources: Record<string, string>): string[] =>
  auditSources(sources).result.findings.map((one) => one.rule);

test.each(RULES.map((rule) => rule.name))('the page of %s shows the fault and its repair', (rule) => {
  const page = pageOf(rule)!;
  expect(page.examples.length).toBeGreaterThan(0);
  for (const { before, after } of page.examples) {
    expect(found(before)).toContain(rule);
    expect(found({ ...before, ...after })).not.toContain(rule);
    expect(
      Object.keys(after).every((path) => before[path] !== undefined && before[path] !== after[path]),
    ).toBe(true);
  }
});

test('what is no rule has no page', () => {
  expect(pageOf('prop/nothing')).toBeUndefined();
  expect(pageOf('toString')).toBeUndefined();
});
