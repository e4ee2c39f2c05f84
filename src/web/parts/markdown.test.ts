import { expect, test } from 'vitest';
import type { ComponentView } from '../../api/component-schemas';
import type { Finding, StrandView } from '../../api/schemas';
import { findingMarkdown, strandMarkdown, usageMarkdown } from './markdown';

const spot = { file: 'src/Mast.tsx', line: 4, column: 1, endLine: 4, endColumn: 2 };

test('a finding has its sentence, its places and their code', () => {
  const finding = {
    rule: 'prop/missing',
    level: 'error',
    message: 'App renders Mast without "high".',
    subject: 'Mast:prop:high',
    place: spot,
    trail: [
      { ...spot, component: 'App', name: 'Mast', what: 'is rendered', role: 'start', code: '<Mast\n/>' },
    ],
  } as unknown as Finding;
  expect(findingMarkdown(finding, 'http://here/').split('\n')).toEqual([
    '**error** App renders Mast without "high".',
    '',
    '`prop/missing`, `src/Mast.tsx:4`, `Mast:prop:high`',
    '',
    '1. **App** `Mast` is rendered, `src/Mast.tsx:4`',
    '',
    '   ```tsx',
    '   <Mast',
    '   />',
    '   ```',
    '',
    'http://here/',
    '',
  ]);
});

test('a strand is a table, and what would end a cell does not', () => {
  const strand = {
    of: 'Mast:prop:unit',
    hops: [{ component: 'Mast', name: 'unit', type: "'kn' | 'm/s'", role: 'read', place: spot }],
  } as unknown as StrandView;
  expect(strandMarkdown(strand, 'L')).toContain(
    "| 1 | Mast | `unit` | `'kn' \\| 'm/s'` | reads it | `src/Mast.tsx:4` |",
  );
});

test('a usage table has a row for each call site', () => {
  const view = {
    name: 'Mast',
    sites: [
      { owner: 'App', spot, cells: { high: { text: '3' } } },
      { owner: 'Yard', spot, cells: {} },
    ],
  } as unknown as ComponentView;
  const lines = usageMarkdown(view, ['high', 'unit'], 'L').split('\n');
  expect(lines.slice(2, 6)).toEqual([
    '| call site | `high` | `unit` |',
    '|---|---|---|',
    '| App `src/Mast.tsx:4` | `3` |  |',
    '| Yard `src/Mast.tsx:4` |  |  |',
  ]);
});
