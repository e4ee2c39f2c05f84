/** Projects that somebody looks at follow their folder: by real requests, on files that are really written. */
import { mkdirSync, mkdtempSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { afterAll, afterEach, beforeAll, beforeEach, expect, test, vi } from 'vitest';
import { type FindingRow, type Live, liveStepSchema, projectSchema } from '../api/schemas';
import { createApp } from './app';
import { openDatabase } from './db/connection';
import type { Database } from './db/database';
import { followProjects, type Following } from './live';
import { openProjects, type Projects } from './projects';

const GAUGE = 'export function Gauge({ speed }: { speed: number }) {\n  return <b>{speed}</b>;\n}\n';
const MAIN = `import { createRoot } from 'react-dom/client';
import { Gauge } from './Gauge';
createRoot(document.body).render(<Gauge speed={3} />);
`;

let folder: string;
let app: string;
let db: Database;
let projects: Projects;
let live: Following;
let server: Server;
let address: string;
/** What the open page was told of the project, the last first. */
let told: Live[];
let leave: AbortController;

beforeAll(async () => {
  folder = realpathSync(mkdtempSync(join(tmpdir(), 'live-')));
  db = await openDatabase(join(folder, 'data'));
  projects = await openProjects(db);
  live = followProjects(db, projects);
  server = createServer(createApp({ db, projects, live, logger: pino({ level: 'silent' }) }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
}, 60_000);
afterAll(async () => {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await live.close();
  await projects.close();
  await db.close();
  rmSync(folder, { recursive: true });
}, 60_000);

let count = 0;
let id: string;

beforeEach(async () => {
  app = join(folder, `app-${count++}`);
  mkdirSync(join(app, 'node_modules/line'), { recursive: true });
  write('Gauge.tsx', GAUGE);
  write('main.tsx', MAIN);
  id = await projects.open(app);
  await projects.settled(id);
  told = [];
  leave = new AbortController();
  void listen(leave.signal).catch(() => undefined);
  await soon(() => expect(told[0]?.watching).toBe(true));
});
afterEach(() => leave.abort());

async function listen(signal: AbortSignal): Promise<void> {
  const response = await fetch(`${address}/progress?project=${id}`, { signal });
  let rest = '';
  for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
    const parts = (rest + Buffer.from(chunk).toString()).split('\n\n');
    rest = parts.pop()!;
    for (const part of parts.filter((one) => one.startsWith('data: '))) {
      const step = liveStepSchema.safeParse(JSON.parse(part.slice(6)));
      if (step.success && step.data.id === id) told.unshift(step.data.live);
    }
  }
}

const write = (path: string, text: string): void => writeFileSync(join(app, path), text);
const soon = (check: () => void | Promise<void>) => vi.waitFor(check, { timeout: 15_000, interval: 20 });
const get = (path: string) => fetch(`${address}/projects/${id}${path}`);
const findings = async () =>
  ((await (await get('/findings')).json()) as FindingRow[]).map(({ rule, fresh }) => [rule, fresh ?? false]);
const audit = async () => projectSchema.parse(await (await get('')).json()).audit!;
const ahead = (expected: object | undefined) =>
  soon(() =>
    expect(told[0]?.ahead).toEqual(
      expected && (expect.objectContaining(expected) as unknown as Live['ahead']),
    ),
  );

test('what is saved is shown without being kept, until it is kept or taken back', async () => {
  const kept = await audit();
  expect(await findings()).toEqual([]);
  const text = MAIN.replace('speed={3}', 'speed={3} sped={4}');
  write('main.tsx', text);
  await ahead({ files: 1, paths: ['main.tsx'], fresh: 1, gone: 0, broken: [] });
  expect(await findings()).toEqual([['prop/unknown', true]]);
  expect(await (await get('/source?path=main.tsx')).text()).toBe(text);
  const [{ fingerprint }] = (await (await get('/findings')).json()) as [FindingRow];
  expect(await (await get(`/findings/${fingerprint}`)).json()).toMatchObject({
    fresh: true,
    trail: [expect.anything(), expect.anything()],
  });
  const shown = await audit();
  expect([shown.id, shown.counts.error]).toEqual([kept.id, 1]);
  // Back as it was, there is nothing ahead.
  write('main.tsx', MAIN);
  await ahead(undefined);
  expect(await findings()).toEqual([]);
  // Kept, it is an audit like others.
  write('main.tsx', text);
  await ahead({ fresh: 1 });
  await fetch(`${address}/projects/${id}/audits`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
  });
  await ahead(undefined);
  expect(await findings()).toEqual([['prop/unknown', false]]);
  expect((await audit()).id).toBeGreaterThan(kept.id);
});

test('files that come and go, and settings, are followed', async () => {
  write('Lamp.tsx', 'export function Lamp({ hue }: { hue: string }) {\n  return <i>{hue}</i>;\n}\n');
  write('main.tsx', `${MAIN}import { Lamp } from './Lamp';\nexport const lamp = <Lamp />;\n`);
  await ahead({ files: 2, fresh: 1 });
  expect(await findings()).toEqual([['prop/missing', true]]);
  write('zinc-rope.config.json', '{ "rules": { "prop/missing": "off" } }');
  await ahead({ files: 2, fresh: 0 });
  rmSync(join(app, 'zinc-rope.config.json'));
  await ahead({ files: 2, fresh: 1 });
  write('main.tsx', MAIN);
  rmSync(join(app, 'Lamp.tsx'));
  await ahead(undefined);
  // What no audit reads is not followed.
  write('node_modules/line/index.tsx', 'export function Rope() {\n  return <Gauge />;\n}\n');
  write('main.tsx', `${MAIN}\n`);
  await ahead({ files: 1, paths: ['main.tsx'] });
});

test('a file that breaks while it is written keeps what was known of it', async () => {
  const speedy = MAIN.replace('speed={3}', 'speed={3} sped={4}');
  write('main.tsx', speedy);
  await ahead({ fresh: 1 });
  write('main.tsx', `${speedy}export function Half({ `);
  await ahead({
    fresh: 1,
    broken: [expect.objectContaining({ file: 'main.tsx', line: 4 })] as unknown[],
  });
  expect(await findings()).toEqual([['prop/unknown', true]]);
  expect(await (await get('/source?path=main.tsx')).text()).toBe(speedy);
  write('main.tsx', MAIN);
  await ahead(undefined);
});

/** One, unless the machine is so busy that changes come in bursts. */
const FEW = 8;

test('many files at once are few steps', async () => {
  const steps = told.length;
  for (let i = 0; i < 400; i++) write(`Part${i}.tsx`, `export function Part${i}() {\n  return <b />;\n}\n`);
  await ahead({ files: 400 });
  expect(told.length - steps).toBeLessThanOrEqual(FEW);
  for (let i = 0; i < 400; i++) rmSync(join(app, `Part${i}.tsx`));
  await ahead(undefined);
  expect(told.length - steps).toBeLessThanOrEqual(2 * FEW);
});

test('while git writes it is waited for', async () => {
  // What it does once it begins to watch, reading all again, is over when a change was told.
  write('main.tsx', MAIN.replace('speed={3}', ''));
  await ahead({ fresh: 1 });
  mkdirSync(join(app, '.git'));
  write('.git/index.lock', '');
  const steps = told.length;
  write('main.tsx', MAIN);
  await new Promise((resolve) => setTimeout(resolve, 800));
  expect(told.length).toBe(steps);
  rmSync(join(app, '.git/index.lock'));
  await ahead(undefined);
});

test('a folder that is gone is said', async () => {
  rmSync(app, { recursive: true });
  await soon(() => expect(told[0]?.reason).toMatch(/ENOENT/));
});
