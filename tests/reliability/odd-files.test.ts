/** Folders that hold what nobody expects: each thing is one problem that names the file, and the rest goes on. */
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { reportOf } from '../../src/core/report/summary';
import { textReport } from '../../src/core/report/text';
import { auditFolder, loadConfig } from '../../src/server/engine/audit-folder';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'odd-'));
  mkdirSync(join(folder, 'src'));
  write('src/main.tsx', MAIN);
  write('src/Gauge.tsx', GAUGE);
});
afterEach(() => rmSync(folder, { recursive: true }));

const write = (path: string, text: string | Buffer) => writeFileSync(join(folder, path), text);

const MAIN = `import { createRoot } from 'react-dom/client';
import { Gauge } from './Gauge';
createRoot(document.body).render(<Gauge />);
`;
const GAUGE = 'export function Gauge({ speed }: { speed: number }) { return <b>{speed}</b>; }\n';

async function report() {
  const found = await auditFolder(folder);
  return reportOf(found.audit.result, found.textOf, found.skipped);
}

describe('the rest of the audit goes on', () => {
  const deep = (open: string, close: string, count = 10_000) => open.repeat(count) + close.repeat(count);
  test.each<[string, string, string | Buffer, RegExp]>([
    [
      'a manifest of arrays in arrays',
      'package.json',
      deep('[', ']'),
      /package\.json: it is nested too deeply/,
    ],
    [
      'settings of types likewise',
      'tsconfig.json',
      deep('{"a":', '}').replace('}', '1}'),
      /tsconfig\.json: it is nested too deeply/,
    ],
    [
      'code in code',
      'src/Deep.tsx',
      `export const a = ${deep('[', ']', 20_000)};`,
      /src\/Deep\.tsx: the code is nested too deeply/,
    ],
    [
      'elements in elements',
      'src/Deep.vue',
      `<template>${deep('<div>', '</div>', 5_000)}</template>`,
      /src\/Deep\.vue: the code is nested too deeply/,
    ],
    [
      'elements in elements, Svelte',
      'src/Deep.svelte',
      deep('<div>', '</div>', 5_000),
      /src\/Deep\.svelte: the code is nested too deeply/,
    ],
    ['bytes', 'src/Bytes.tsx', Buffer.from([0, 1, 2, 255, 254]), /src\/Bytes\.tsx: the file is binary/],
    [
      'half of a word',
      'src/Half.tsx',
      'export const A = () => <b',
      /src\/Half\.tsx: Unterminated|src\/Half\.tsx: Unexpected/,
    ],
  ])('%s', async (_, path, text, problem) => {
    write(path, text);
    const { findings, problems, skipped } = await report();
    expect(findings.map((one) => one.rule)).toEqual(['prop/missing']);
    const said = [
      ...problems.map((one) => `${one.file}: ${one.message}`),
      ...skipped.map((one) => `${one.path}: ${one.reason}`),
    ];
    expect(said).toHaveLength(1);
    expect(said[0]).toMatch(problem);
  });
});

describe('a settings file', () => {
  const at = () => join(folder, 'zinc-rope.config.json');
  test('with a byte order mark is read', async () => {
    writeFileSync(at(), '\ufeff{ "drillDepth": 3 }');
    expect(await loadConfig(folder)).toMatchObject({ drillDepth: 3 });
  });

  test.each<[string, () => void, RegExp]>([
    ['that is no JSON', () => writeFileSync(at(), '{'), /zinc-rope\.config\.json: /],
    ['that is a folder', () => mkdirSync(at()), /the settings file is no file/],
    ['that is a pipe', () => execFileSync('mkfifo', [at()]), /the settings file is no file/],
    [
      'nested without end',
      () => writeFileSync(at(), `{"rules":${'['.repeat(100_000)}`),
      /zinc-rope\.config\.json: /,
    ],
  ])('%s is one error', async (_, make, message) => {
    make();
    await expect(loadConfig(folder)).rejects.toThrow(message);
  });
});

test('one long line with thousands of findings: the report stays small', async () => {
  write(
    'src/Line.tsx',
    `import { Gauge } from './Gauge'; export const Line = () => <>${'<Gauge x/>'.repeat(6_000)}</>;`,
  );
  const made = await report();
  expect(made.findings.length).toBeGreaterThan(12_000);
  const json = JSON.stringify(made);
  expect(json.length / made.findings.length).toBeLessThan(2_500);
  const one = made.findings.find((finding) => finding.place.column > 30_000)!;
  expect(one.place.code).toMatch(/^….*<Gauge x\/>.*…$/);
  expect(one.place.code.length).toBeLessThan(210);
});

test('names of audited code never act on a terminal', async () => {
  write(
    'src/Gauge.tsx',
    'export function Gauge(p: { "\\u001b[31mred\\r\\n\\u202e": number }) { return <b>{p["a"]}</b>; }\n',
  );
  write('src/\u001b[2Jclear.tsx', 'export const A = <b\u0007;');
  const text = textReport(await report());
  expect(text).not.toMatch(/[\0-\x09\x0b-\x1f\x7f-\x9f\u202e]/);
  expect(text).toContain('\\u001b[2Jclear.tsx');
});
