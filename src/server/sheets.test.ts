/** Sheets of a project, by real requests. */
import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { draftSchema, type SheetFile, sheetFileSchema } from '../api/sheet-schemas';
import { createApp } from './app';
import { openDatabase } from './db/connection';
import type { Database } from './db/database';
import { openProjects, type Projects } from './projects';

const GAUGE = `components:
  Gauge:
    takes: { wind: number }
    tree: [{ text: $wind }]
`;
const KIOSK = `roots: [Kiosk]
uses: { Gauge: ./parts/gauge.rope.yaml }
components:
  Kiosk:
    tree:
      - { use: Gauge, with: { wind: 3 } }
`;

let folder: string;
let root: string;
let db: Database;
let projects: Projects;
let server: Server;
let api: string;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'sheets-'));
  root = join(folder, 'kiosk');
  mkdirSync(join(root, 'parts'), { recursive: true });
  writeFileSync(join(root, 'kiosk.rope.yaml'), KIOSK);
  writeFileSync(join(root, 'parts/gauge.rope.yaml'), GAUGE);
  mkdirSync(join(folder, 'outside'));
  symlinkSync(join(folder, 'outside'), join(root, 'out'));
  db = await openDatabase(join(folder, 'data'));
  projects = await openProjects(db);
  server = createServer(createApp({ db, projects, logger: pino({ level: 'silent' }) }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const id = await projects.open(root);
  await projects.settled(id);
  api = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/projects/${id}`;
}, 60_000);
afterAll(async () => {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await projects.close();
  await db.close();
  rmSync(folder, { recursive: true });
}, 60_000);

const send = (method: string, path: string, body: object) =>
  fetch(`${api}${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
const opened = async (path: string): Promise<SheetFile> =>
  sheetFileSchema.parse(await (await fetch(`${api}/sheet?path=${path}`)).json());
const save = (path: string, text: string, over?: string) =>
  send('PUT', '/sheet', { path, text, ...(over === undefined ? {} : { over }) });

describe('sheets of a project', () => {
  test('are listed, opened as they are on disk, and saved over what was opened', async () => {
    expect(await (await fetch(`${api}/sheets`)).json()).toEqual(['kiosk.rope.yaml', 'parts/gauge.rope.yaml']);
    const file = await opened('kiosk.rope.yaml');
    expect(file.text).toBe(KIOSK);
    const text = KIOSK.replace('3', '4');
    const saved = await save('kiosk.rope.yaml', text, file.stamp);
    expect(saved.status).toBe(200);
    expect(readFileSync(join(root, 'kiosk.rope.yaml'), 'utf8')).toBe(text);
    // Whoever opened the text before that does not write over it.
    const late = await save('kiosk.rope.yaml', KIOSK, file.stamp);
    expect(late.status).toBe(409);
    expect(((await late.json()) as { detail: string }).detail).toContain('was changed on disk');
    expect(readFileSync(join(root, 'kiosk.rope.yaml'), 'utf8')).toBe(text);
    expect((await save('kiosk.rope.yaml', KIOSK, (await opened('kiosk.rope.yaml')).stamp)).status).toBe(200);
  });

  test('a new one makes its folder, and is no other file', async () => {
    expect((await save('plans/next/door.rope.yaml', GAUGE)).status).toBe(200);
    expect(readdirSync(join(root, 'plans/next'))).toEqual(['door.rope.yaml']);
    expect((await save('plans/next/door.rope.yaml', KIOSK)).status).toBe(409);
    rmSync(join(root, 'plans'), { recursive: true });
  });

  test.each([
    ['another kind of file', 'src/App.tsx', 400, /ends in .rope.yaml/],
    ['a way out of the folder', '../outside/a.rope.yaml', 400, /within the project/],
    ['a path of the machine', '/etc/a.rope.yaml', 400, /within the project/],
    ['packages', 'node_modules/a/a.rope.yaml', 400, /within the project/],
    ['a link that leads out', 'out/a.rope.yaml', 400, /leads out of the project/],
  ])('nothing is written to %s', async (_, path, status, reason) => {
    const refused = await save(path, GAUGE);
    expect(refused.status).toBe(status);
    expect(((await refused.json()) as { detail: string }).detail).toMatch(reason);
    expect(readdirSync(join(folder, 'outside'))).toEqual([]);
  });

  test('one that is not there, and one that is a folder', async () => {
    expect((await fetch(`${api}/sheet?path=no.rope.yaml`)).status).toBe(404);
    mkdirSync(join(root, 'folder.rope.yaml'));
    expect((await fetch(`${api}/sheet?path=folder.rope.yaml`)).status).toBe(400);
    rmSync(join(root, 'folder.rope.yaml'), { recursive: true });
  });
});

describe('a text that is no file yet', () => {
  const draft = async (path: string, text: string) => {
    const answer = await send('POST', '/sheet/draft', { path, text });
    expect(answer.status).toBe(200);
    return draftSchema.parse(await answer.json());
  };

  test('is audited with what it uses: findings at their lines, and a rigging', async () => {
    const { remarks, components, rigging } = await draft('kiosk.rope.yaml', KIOSK.replace('3', "'3'"));
    expect(remarks.map((one) => `${one.line} ${one.level} ${one.rule}`)).toEqual(['6 error prop/type-clash']);
    expect(components).toBe(1);
    expect(rigging.window.rows.map((one) => 'name' in one && one.name)).toEqual(['Kiosk', 'Gauge']);
    // Nothing of it is kept.
    expect((await draft('kiosk.rope.yaml', KIOSK)).remarks).toEqual([]);
  });

  test('of a part, the sheets that use it are seen', async () => {
    const { remarks } = await draft('parts/gauge.rope.yaml', GAUGE);
    expect(remarks).toEqual([]);
    const { remarks: more } = await draft(
      'parts/gauge.rope.yaml',
      GAUGE.replace('wind: number', 'wind: number, unit: { type: text, required: false }'),
    );
    expect(more.map((one) => one.rule)).toEqual(['prop/unread']);
  });

  test('faults of the text are told by their line, and the rest is drawn', async () => {
    const { remarks, rigging } = await draft('kiosk.rope.yaml', `${KIOSK}    colour: red\n`);
    expect(remarks).toMatchObject([{ line: 7, message: 'there is no key colour here' }]);
    expect(remarks[0]!.level).toBeUndefined();
    expect(rigging.rows).toBe(2);
    expect((await draft('new.rope.yaml', '')).components).toBe(0);
  });
});

test('the whole project as a sheet is one', async () => {
  const { text } = (await (await fetch(`${api}/sheet/written`)).json()) as { text: string };
  expect(text).toMatch(/^sheet: kiosk\nroots:\n {2}- Kiosk\n/);
  const answer = draftSchema.parse(
    await (await send('POST', '/sheet/draft', { path: 'all.rope.yaml', text })).json(),
  );
  expect(answer.components).toBe(2);
  expect(answer.remarks).toEqual([]);
});
