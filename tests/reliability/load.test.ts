/** Many questions at once, to a project at rest and to one that is audited meanwhile: each is answered. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { generate } from '../../bench/generate';
import type { CatalogueRow } from '../../src/api/component-schemas';
import { ENDURANCE, Served } from './server';

const COMPONENTS = ENDURANCE ? 2_500 : 250;
const AT_ONCE = 200;
let folder: string;
let server: Served;
let id: string;
let names: string[];

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'load-'));
  generate(join(folder, 'line'), COMPONENTS);
  server = new Served(join(folder, 'data'));
  await server.start();
  id = await server.open(join(folder, 'line'));
  await server.audited(id);
  const rows = (await (await server.call('GET', `/projects/${id}/catalogue`)).json()) as CatalogueRow[];
  names = rows.map((row) => row.name);
}, 300_000);
afterAll(async () => {
  await server.kill();
  rmSync(folder, { recursive: true });
});

/** Questions of every kind, about as many components as there are. */
function questions(count: number): string[] {
  const about = (i: number) => encodeURIComponent(names[(i * 7) % names.length]!);
  const kinds: ((i: number) => string)[] = [
    () => '/projects',
    () => `/projects/${id}`,
    () => `/projects/${id}/findings`,
    () => `/projects/${id}/audits`,
    () => `/projects/${id}/catalogue`,
    () => `/projects/${id}/joined`,
    (i) => `/projects/${id}/search?q=${about(i)}`,
    (i) => `/projects/${id}/component?ref=${about(i)}`,
    (i) => `/projects/${id}/strand?ref=${about(i)}:prop:limit`,
    (i) => `/projects/${id}/rigging${i % 3 ? '' : `?pin=${about(i)}`}`,
  ];
  return Array.from({ length: count }, (_, i) => kinds[i % kinds.length]!(i));
}

async function refusals(paths: string[]): Promise<string[]> {
  const answers = await Promise.all(
    paths.map(async (path) => {
      const response = await server.call('GET', path);
      const text = await response.text();
      return response.status === 200 && isJson(text) ? '' : `${path}: ${response.status}`;
    }),
  );
  return answers.filter(Boolean);
}

function isJson(text: string): boolean {
  try {
    JSON.parse(text);
    return true;
  } catch {
    return false;
  }
}

test(`${AT_ONCE} questions at once about ${COMPONENTS} components`, async () => {
  expect(await refusals(questions(AT_ONCE))).toEqual([]);
}, 600_000);

test(`${AT_ONCE} questions at once while the project is audited again`, async () => {
  expect((await server.call('POST', `/projects/${id}/audits`)).status).toBe(202);
  expect(await refusals(questions(AT_ONCE))).toEqual([]);
  // One audit at a time, and the server is still there afterwards.
  const twice = await server.call('POST', `/projects/${id}/audits`);
  expect([202, 409]).toContain(twice.status);
  expect((await server.call('GET', `/projects/${id}`)).status).toBe(200);
}, 600_000);

test('answers that nobody waits for any more', async () => {
  const calls = questions(AT_ONCE).map(async (path, i) => {
    const stop = new AbortController();
    setTimeout(() => stop.abort(), i % 40);
    await server.fetch(path, stop.signal).catch(() => undefined);
  });
  await Promise.all(calls);
  expect(await refusals(questions(10))).toEqual([]);
}, 600_000);
