import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { sheetJsonSchema } from './schema';

const docs = (name: string): string =>
  readFileSync(new URL(`../../../../docs/${name}`, import.meta.url), 'utf8');

test('the published schema is the one that checks', () => {
  expect(JSON.parse(docs('sheet.schema.json'))).toEqual(sheetJsonSchema());
});

test('the example of the page is a sheet, with the one fault that it tells of', () => {
  const text = /```yaml\n([\s\S]*?)```/.exec(docs('sheet.md'))![1]!;
  const { problems, findings } = auditSources({ 'corner.rope.yaml': text }).result;
  expect(problems).toEqual([]);
  expect(findings.map((one) => `${one.rule} ${one.message}`)).toEqual([
    'prop/type-clash Corner passes "limit" as \'25\', but Gauge asks for number.',
  ]);
});
