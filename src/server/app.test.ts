/** The server by real requests, on a database in memory. */
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request as httpRequest, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { catalogueRowSchema, componentViewSchema, jointSchema } from '../api/component-schemas';
import {
  auditSchema,
  comparisonSchema,
  findingRowSchema,
  findingSchema,
  joinedViewSchema,
  projectStepSchema,
  projectSchema,
  riggingSchema,
  strandSchema,
  type Progress,
} from '../api/schemas';
import { createApp } from './app';
import { openDatabase } from './db/connection';
import type { Database } from './db/database';
import { openProjects, type Projects } from './projects';

const DEMO = join(import.meta.dirname, '../../demo/console');
let folder: string;
let data: string;
let db: Database;
let projects: Projects;
let server: Server;
let address: string;

async function start() {
  db = await openDatabase(data);
  projects = await openProjects(db);
  server = createServer(createApp({ db, projects, logger: pino({ level: 'silent' }) }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

async function stop() {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await projects.close();
  await db.close();
}

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'server-'));
  data = join(folder, 'data');
  cpSync(DEMO, join(folder, 'console'), { recursive: true });
  await start();
}, 60_000);
afterAll(async () => {
  await stop();
  rmSync(folder, { recursive: true });
}, 60_000);

const get = (path: string) => fetch(`${address}/api${path}`);
const post = (path: string, body?: unknown) =>
  fetch(`${address}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });

async function opened(): Promise<string> {
  const response = await post('/projects', { path: join(folder, 'console') });
  expect(response.status).toBe(202);
  const { id } = (await response.json()) as { id: string };
  await projects.settled(id);
  return id;
}

describe('folders, as their path is typed', () => {
  const listed = async (path: string) => {
    const response = await fetch(`${address}/api/folders?path=${encodeURIComponent(path)}`);
    return (await response.json()) as string[];
  };
  beforeAll(() => {
    for (const name of ['yard/winches', 'yard/wheels', 'yard/.cache', 'yard/node_modules'])
      mkdirSync(join(folder, name), { recursive: true });
    writeFileSync(join(folder, 'yard/wire.txt'), '');
  });
  test.each([
    ['yard/', ['yard/wheels', 'yard/winches']],
    ['yard/wi', ['yard/wheels', 'yard/winches']],
    ['yard/.', ['yard/.cache', 'yard/wheels', 'yard/winches']],
    ['nowhere/', []],
    ['yard/wire.txt/', []],
  ])('in %s', async (typed, expected) => {
    expect(await listed(join(folder, '/') + typed)).toEqual(expected.map((one) => join(folder, one)));
  });
  test('a path that starts nowhere leads nowhere, one of the own folder to it', async () => {
    expect(await listed('yard/')).toEqual([]);
    expect((await listed('~/')).every((one) => one.startsWith('~/'))).toBe(true);
  });
});

describe('a project', () => {
  test('is audited and listed, with its findings, rigging, strands and sources', async () => {
    const id = await opened();
    const [listed] = (await (await get('/projects')).json()) as unknown[];
    const project = projectSchema.parse(listed);
    expect(project).toMatchObject({ name: 'console', audit: { languages: { react: 50 } } });
    const findings = findingRowSchema.array().parse(await (await get(`/projects/${id}/findings`)).json());
    expect(findings).toHaveLength(
      project.audit!.counts.error + project.audit!.counts.warning + project.audit!.counts.note,
    );
    const rigging = riggingSchema.parse(
      await (await get(`/projects/${id}/rigging?pin=App:state:cabins`)).json(),
    );
    expect(rigging.window.rows[0]).toMatchObject({ name: 'App', depth: 0 });
    expect(rigging.lanes[0]).toMatchObject({ title: 'cabins', pinned: true });
    const strand = strandSchema.parse(
      await (await get(`/projects/${id}/strand?ref=WindGauge:prop:unit`)).json(),
    );
    // The unit picks the factor of what the gauge hands on.
    expect(strand.ends).toEqual(['Meter:prop:value']);
    expect(await (await get(`/projects/${id}/source?path=src/App.tsx`)).text()).toContain(
      'export function App()',
    );
    const hits = (await (await get(`/projects/${id}/search?q=gauge wind`)).json()) as { ref: string }[];
    expect(hits[0]).toMatchObject({ kind: 'component', ref: 'WindGauge' });
  });

  test('answers its catalogue, the page of a component and a call site', async () => {
    const id = await opened();
    const rows = catalogueRowSchema.array().parse(await (await get(`/projects/${id}/catalogue`)).json());
    expect(rows).toHaveLength(50);
    expect(rows.find((row) => row.ref === 'WindGauge')).toMatchObject({
      callSites: 1,
      required: 3,
      reads: 5,
    });
    const page = componentViewSchema.parse(
      await (await get(`/projects/${id}/component?ref=WindGauge`)).json(),
    );
    expect(page.sites).toMatchObject([
      { owner: 'PylonRow', cells: { unit: { text: 'unit', how: 'joined' } } },
    ]);
    const joint = jointSchema.parse(await (await get(`/projects/${id}/joint?ref=WindGauge&at=0`)).json());
    expect(joint.rows.map((row) => row.name)).toEqual(page.ports.map((port) => port.name));
  });

  test('says how much was joined, with the audit and as a list', async () => {
    const id = await opened();
    const { joined } = projectSchema.parse(await (await get(`/projects/${id}`)).json()).audit!;
    expect(joined!.tallies.tag).toEqual({ written: 54, joined: 53 });
    const view = joinedViewSchema.parse(await (await get(`/projects/${id}/joined`)).json());
    expect(view.tallies).toEqual(joined!.tallies);
    expect(view.gaps.map((gap) => [gap.kind, gap.name])).toContainEqual(['tag', 'LogPager']);
  });

  test('keeps decisions, and gives them with the findings until they are taken back', async () => {
    const id = await opened();
    const findings = async () =>
      findingRowSchema.array().parse(await (await get(`/projects/${id}/findings`)).json());
    const [first] = await findings();
    const fingerprints = [first!.fingerprint];
    const decided = await fetch(`${address}/api/projects/${id}/decisions`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ fingerprints, verdict: 'accepted', reason: 'the winch stays' }),
    });
    expect(decided.status).toBe(204);
    await post(`/projects/${id}/audits`);
    await projects.settled(id);
    const shown = (await findings()).filter((one) => one.decision);
    const whole = await (await get(`/projects/${id}/findings/${first!.fingerprint}`)).json();
    expect(findingSchema.parse(whole)).toEqual({ ...shown[0], trail: expect.any(Array) as unknown });
    expect(shown).toMatchObject([
      { fingerprint: fingerprints[0], decision: { verdict: 'accepted', reason: 'the winch stays' } },
    ]);
    expect((await post(`/projects/${id}/decisions/undo`, { fingerprints })).status).toBe(204);
    expect((await findings()).filter((one) => one.decision)).toEqual([]);
  });

  test('compares two of its audits', async () => {
    const id = await opened();
    const extra = join(folder, 'console/src/Extra.tsx');
    writeFileSync(extra, 'export const Extra = () => <Nobody />;');
    await post(`/projects/${id}/audits`);
    await projects.settled(id);
    rmSync(extra);
    const audits = auditSchema.array().parse(await (await get(`/projects/${id}/audits`)).json());
    const [latest, before] = audits.map((audit) => audit.id).sort((a, b) => b - a);
    const compared = comparisonSchema.parse(
      await (await get(`/projects/${id}/compare?from=${before}&to=${latest}`)).json(),
    );
    expect(compared.new.map((one) => one.rule)).toEqual(['component/unused', 'component/unresolved']);
    expect(compared.gone).toEqual([]);
  });

  test('streams its progress to the end', async () => {
    const id = await opened();
    const response = await get('/progress');
    expect(response.headers.get('content-type')).toContain('text/event-stream');
    const stages = new Set<Progress['stage']>();
    await post(`/projects/${id}/audits`);
    let buffer = '';
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      buffer += Buffer.from(chunk).toString();
      const parts = buffer.split('\n\n');
      buffer = parts.pop()!;
      for (const part of parts.filter((one) => one.startsWith('data: '))) {
        const step = projectStepSchema.parse(JSON.parse(part.replace(/^data: /, '')));
        if (step.id === id) stages.add(step.stage);
      }
      if (stages.has('linking') && stages.has('done') && stages.has('keeping')) break;
    }
    expect([...stages]).toEqual(expect.arrayContaining(['reading', 'linking', 'keeping', 'done']));
  });

  test('can be cancelled, and the audit before stays', async () => {
    const id = await opened();
    const before = (await (await get(`/projects/${id}`)).json()) as { audit: { id: number } };
    // So much is to be read that the audit is not over when it is cancelled.
    const more = join(folder, 'console/src/more');
    mkdirSync(more);
    const source = readFileSync(join(folder, 'console/src/workshop/StockBoard.tsx'), 'utf8');
    for (let i = 0; i < 400; i++) writeFileSync(join(more, `Stock${i}.tsx`), source);
    await post(`/projects/${id}/audits`);
    const answer = (await (await post(`/projects/${id}/cancel`)).json()) as { cancelled: boolean };
    rmSync(more, { recursive: true });
    expect(answer.cancelled).toBe(true);
    expect(projects.progress(id).stage).toBe('cancelled');
    const after = (await (await get(`/projects/${id}`)).json()) as { audit: { id: number } };
    expect(after.audit.id).toBe(before.audit.id);
    expect((await get(`/projects/${id}/rigging`)).status).toBe(200);
  });

  test('a changed file changes the next audit, and the count before is told', async () => {
    const id = await opened();
    writeFileSync(join(folder, 'console/src/Extra.tsx'), 'export const A = <b>;');
    await post(`/projects/${id}/audits`);
    await projects.settled(id);
    const project = projectSchema.parse(await (await get(`/projects/${id}`)).json());
    expect(project.audit!.problems).toMatchObject([{ file: 'src/Extra.tsx', line: 1 }]);
    expect(project.before).toMatchObject({ error: project.audit!.counts.error });
    rmSync(join(folder, 'console/src/Extra.tsx'));
  });

  test('a restart loses nothing', async () => {
    const id = await opened();
    const before = await (await get(`/projects/${id}/rigging`)).json();
    const overview = await (await get(`/projects/${id}/overview`)).json();
    await stop();
    await start();
    // The first screen does not wait for the project to be linked again.
    expect(await (await get(`/projects/${id}/overview`)).json()).toEqual(overview);
    expect(projects.isAwake(id)).toBe(false);
    expect(await (await get(`/projects/${id}/rigging`)).json()).toEqual(before);
    expect(await (await get(`/projects/${id}/source?path=src/main.tsx`)).text()).toContain('createRoot');
    expect(projects.isAwake(id)).toBe(true);
    expect(await (await get(`/projects/${id}/overview`)).json()).toEqual(overview);
  }, 60_000);

  test('can be forgotten', async () => {
    const id = await opened();
    expect(
      (
        await fetch(`${address}/api/projects/${id}`, {
          method: 'DELETE',
          headers: { 'content-type': 'application/json' },
        })
      ).status,
    ).toBe(204);
    expect((await get(`/projects/${id}`)).status).toBe(404);
  });
});

describe('refusals are problem details', () => {
  test.each([
    ['/projects', { path: '/no/such/folder' }, 404, /there is no folder/],
    ['/projects', { path: join(import.meta.dirname, 'app.ts') }, 400, /is a file/],
    ['/projects', {}, 400, /path: /],
    ['/projects', { path: 3 }, 400, /path: .*string/],
    ['/projects/none/audits', undefined, 404, /no project none/],
  ])('POST %s %j', async (path, body, status, detail) => {
    const response = await post(path, body);
    expect(response.status).toBe(status);
    expect(response.headers.get('content-type')).toContain('application/problem+json');
    expect(await response.json()).toMatchObject({ status, detail: expect.stringMatching(detail) });
  });

  test.each([
    ['component?ref=Nobody', 404, /nothing is called Nobody/],
    ['component', 400, /ref: /],
    ['joint?ref=WindGauge&at=7', 404, /no call site WindGauge, number 7/],
    ['joint?ref=WindGauge&at=-1', 400, /at: /],
    ['compare?from=1', 400, /to: /],
    ['compare?from=999990&to=999991', 404, /no audit 999990/],
    ['source?path=../../etc/passwd', 404, /no file/],
    ['search', 400, /q: /],
  ])('GET %s', async (path, status, detail) => {
    const response = await get(`/projects/${await opened()}/${path}`);
    expect(response.status).toBe(status);
    expect(await response.json()).toMatchObject({ status, detail: expect.stringMatching(detail) });
  });

  test.each([
    [{ fingerprints: [], verdict: 'accepted', reason: 'x' }, /fingerprints: /],
    [{ fingerprints: ['a'], verdict: 'maybe', reason: 'x' }, /verdict: /],
    [{ fingerprints: ['a'], verdict: 'accepted', reason: ' ' }, /say why/],
  ])('PUT decisions %j', async (body, detail) => {
    const response = await fetch(`${address}/api/projects/${await opened()}/decisions`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    expect(response.status).toBe(400);
    expect(await response.json()).toMatchObject({ detail: expect.stringMatching(detail) });
  });

  test('an unknown port names the nearest', async () => {
    const id = await opened();
    const response = await get(`/projects/${id}/strand?ref=WindGauge:prop:units`);
    expect(response.status).toBe(404);
    expect(await response.json()).toMatchObject({ detail: expect.stringContaining('WindGauge:prop:unit') });
  });

  test('a body that is no JSON', async () => {
    const response = await fetch(`${address}/api/projects`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{',
    });
    expect(response.status).toBe(400);
  });
});

describe('only its own pages are answered', () => {
  const ask = (headers: Record<string, string>) =>
    new Promise<number>((resolve, reject) => {
      httpRequest(`${address}/api/projects`, { headers }, (response) => {
        response.resume();
        resolve(response.statusCode!);
      })
        .on('error', reject)
        .end();
    });
  test.each([
    [{}, 200],
    [{ host: 'evil.example' }, 403],
    [{ origin: 'http://evil.example' }, 403],
    [{ origin: 'null' }, 403],
    [{ origin: 'https://127.0.0.1' }, 403],
  ])('%j: %i', async (headers, status) => {
    expect(await ask(headers as Record<string, string>)).toBe(status);
  });
  test('its own origin', async () => {
    expect(await ask({ origin: address })).toBe(200);
  });
});
