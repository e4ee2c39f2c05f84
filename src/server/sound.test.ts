/** What the server keeps and how it comes back, by real requests: races, threads and servers that end, odd text. */
import {
  appendFileSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { type Finding, projectStepSchema, riggingAskSchema } from '../api/schemas';
import { printedDecisions, takeDecisions } from '../cli/decisions';
import { createApp } from './app';
import { openDatabase } from './db/connection';
import type { Database } from './db/database';
import { decide, decisionsOf, undecide } from './db/decisions';
import { filesOf, findingsOf } from './db/holding';
import { addProject, removeProject } from './db/projects';
import type { StoredFile } from './db/saving';
import { openProjects, type Projects } from './projects';

let folder: string;
let app: string;
let db: Database;
let projects: Projects;
let server: Server;
let address: string;
let failures: unknown[];

async function serve() {
  failures = [];
  projects = await openProjects(db, (error) => failures.push(error));
  server = createServer(createApp({ db, projects, logger: pino({ level: 'silent' }) }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

async function unserve() {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await projects.close();
}

// One database for all: what a restart finds is what it was before.
beforeAll(async () => {
  db = await openDatabase();
}, 60_000);
afterAll(() => db.close());

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'sound-'));
  app = join(folder, 'app');
  mkdirSync(app);
  writeFileSync(join(app, 'main.tsx'), MAIN);
  writeFileSync(join(app, 'Gauge.tsx'), GAUGE);
  await serve();
}, 60_000);
afterEach(async () => {
  await unserve();
  for (const table of ['project', 'source', 'facts']) await db.query(`delete from ${table}`);
  rmSync(folder, { recursive: true });
}, 60_000);

const MAIN = `import { createRoot } from 'react-dom/client';
import { Gauge } from './Gauge';
createRoot(document.body).render(<Gauge speed={3} />);
`;
const GAUGE = `export function Gauge({ speed, unit }: { speed: number; unit: string }) { return <b>{speed}{unit}</b>; }
`;

const get = (path: string) => fetch(`${address}/api${path}`);
const send = (method: string, path: string, body?: unknown) =>
  fetch(`${address}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });

async function opened(): Promise<string> {
  const { id } = (await (await send('POST', '/projects', { path: app })).json()) as { id: string };
  await projects.settled(id);
  return id;
}

async function again(id: string): Promise<void> {
  await send('POST', `/projects/${id}/audits`);
  await projects.settled(id);
}

const rulesOf = async (id: string): Promise<string[]> =>
  ((await (await get(`/projects/${id}/findings`)).json()) as Finding[]).map((one) => one.rule);

describe('what was read is what is kept', () => {
  test('a file that is saved while it is linked is read again the next time', async () => {
    const whole = MAIN.replace('speed={3}', 'speed={3} unit="m"');
    const stop = projects.follow((_, { stage }) => {
      if (stage === 'linking') writeFileSync(join(app, 'main.tsx'), whole);
    });
    const id = await opened();
    stop();
    expect(readFileSync(join(app, 'main.tsx'), 'utf8')).toBe(whole);
    expect(await rulesOf(id)).toEqual(['prop/missing']);
    expect(await (await get(`/projects/${id}/source?path=main.tsx`)).text()).toBe(MAIN);
    await again(id);
    expect(await rulesOf(id)).toEqual([]);
    await unserve();
    await serve();
    expect(await (await get(`/projects/${id}/source?path=main.tsx`)).text()).toBe(whole);
    expect((await get(`/projects/${id}/rigging`)).status).toBe(200);
  });

  test('facts of other readers are not used', async () => {
    const id = await opened();
    await db.query(`update facts set reader = 'another', body = '{"path":"main.tsx"}'`);
    await unserve();
    await serve();
    await again(id);
    expect(await rulesOf(id)).toEqual(['prop/missing']);
    expect(await db.query(`select path from facts where reader = 'another'`)).toEqual([]);
  });
});

describe('an audit again', () => {
  /** All that is kept of the last audit, but its number and its times. */
  async function keptOf(id: string): Promise<unknown> {
    const [row] = await db.query<{ id: number }>(
      'select max(id) as id from audit where project_id = $1 and whole',
      [id],
    );
    return {
      audit: await db.query(
        'select files, components, languages, errors, warnings, notes, problems, skipped, joined from audit where id = $1',
        [row!.id],
      ),
      files: await filesIn(row!.id),
      findings: await findingsOf(db, row!.id),
    };
  }

  async function filesIn(audit: number): Promise<StoredFile[]> {
    const found: StoredFile[] = [];
    for await (const part of filesOf(db, audit)) found.push(...part);
    return found;
  }

  const FINE = MAIN.replace('speed={3}', 'speed={3} unit="m"');
  const EDITS: [name: string, edit: () => void][] = [
    ['nothing', () => undefined],
    ['a prop that is handed in', () => writeFileSync(join(app, 'main.tsx'), FINE)],
    ['lines above a finding', () => writeFileSync(join(app, 'main.tsx'), `// Rope.\n\n${MAIN}`)],
    ['a file more', () => writeFileSync(join(app, 'Dial.tsx'), GAUGE.replace('Gauge', 'Dial'))],
    ['a file that is gone', () => rmSync(join(app, 'Gauge.tsx'))],
    ['a file under another name', () => renameSync(join(app, 'Gauge.tsx'), join(app, 'Speed.tsx'))],
    ['broken syntax', () => writeFileSync(join(app, 'Gauge.tsx'), `${GAUGE}<{`)],
    ['a package', () => writeFileSync(join(app, 'package.json'), '{ "name": "log" }')],
    [
      'settings',
      () => writeFileSync(join(app, 'zinc-rope.config.json'), '{ "rules": { "prop/missing": "off" } }'),
    ],
    ['settings that leave files out', () => writeFileSync(join(app, '.gitignore'), 'Gauge.tsx\n')],
  ];

  test.each(EDITS)('after %s keeps what a first audit would', async (_, edit) => {
    const id = await opened();
    const session = await projects.session(id);
    edit();
    await again(id);
    // Twice, so that what was brought up to date is brought up to date.
    await again(id);
    expect(await projects.session(id)).toBe(session);
    const kept = await keptOf(id);
    const rigging = await (await get(`/projects/${id}/rigging`)).json();
    await send('DELETE', `/projects/${id}`);
    expect(await opened()).toBe(id);
    expect(kept).toEqual(await keptOf(id));
    expect(rigging).toEqual(await (await get(`/projects/${id}/rigging`)).json());
  });

  test('after a restart takes up what was kept', async () => {
    const id = await opened();
    await unserve();
    await serve();
    expect((await get(`/projects/${id}/rigging`)).status).toBe(200);
    writeFileSync(join(app, 'main.tsx'), FINE);
    await again(id);
    expect(await rulesOf(id)).toEqual([]);
    expect(await (await get(`/projects/${id}/source?path=main.tsx`)).text()).toBe(FINE);
  });

  test('reads a file whose size and time are as before', async () => {
    const id = await opened();
    const { atime, mtime } = statSync(join(app, 'main.tsx'));
    writeFileSync(join(app, 'main.tsx'), MAIN.replace('speed', 'spied'));
    utimesSync(join(app, 'main.tsx'), atime, mtime);
    await again(id);
    expect((await rulesOf(id)).sort()).toEqual(['prop/missing', 'prop/unknown']);
  });
});

describe('threads and servers that end', () => {
  test('a thread that has ended is started again by the next question', async () => {
    const id = await opened();
    const before = await (await get(`/projects/${id}/rigging`)).json();
    const session = await projects.session(id);
    await session.end();
    await expect(session.rigging(riggingAskSchema.parse({}))).rejects.toThrow('the audit was ended');
    expect(await (await get(`/projects/${id}/rigging`)).json()).toEqual(before);
  });

  test('a cancel while the audit is kept leaves the audit before it, and every question is answered', async () => {
    const id = await opened();
    writeFileSync(join(app, 'main.tsx'), MAIN.replace('speed', 'pace'));
    const cancelled = new Promise<void>((resolve) => {
      const stop = projects.follow((_, { stage }) => {
        if (stage !== 'keeping') return;
        stop();
        void projects.cancel(id).then(() => resolve());
      });
    });
    await again(id);
    await cancelled;
    expect(projects.progress(id).stage).toBe('cancelled');
    expect(await rulesOf(id)).toEqual(['prop/missing']);
    expect((await get(`/projects/${id}/rigging`)).status).toBe(200);
    await again(id);
    expect((await rulesOf(id)).sort()).toEqual(['prop/missing', 'prop/missing', 'prop/unknown']);
  });

  test('a project whose folder cannot be read says so, with the stack for the log', async () => {
    const id = await opened();
    rmSync(app, { recursive: true });
    await again(id);
    expect(projects.progress(id)).toMatchObject({
      stage: 'failed',
      message: expect.stringMatching(/ENOENT/) as string,
    });
    expect((failures[0] as Error).stack).toMatch(/at /);
    expect(await rulesOf(id)).toEqual(['prop/missing']);
  });

  test('an audit that ended with its server is said to be interrupted', async () => {
    const id = await opened();
    await unserve();
    await db.query(
      `insert into running_audit (project_id, server, seen_at) values ($1, 'gone', now() - interval '1 minute')`,
      [id],
    );
    await serve();
    const response = await get('/progress');
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      const [data] =
        Buffer.from(chunk)
          .toString()
          .match(/(?<=data: ).*/) ?? [];
      if (data === undefined) continue;
      const step = projectStepSchema.parse(JSON.parse(data));
      expect(step).toMatchObject({
        id,
        stage: 'interrupted',
        message: expect.stringMatching(/audit again/) as string,
      });
      break;
    }
    expect(await rulesOf(id)).toEqual(['prop/missing']);
    await again(id);
    expect(projects.progress(id).stage).toBe('done');
    expect(await db.query('select * from running_audit')).toEqual([]);
  });
});

test('of many projects each answers, though few threads wait', async () => {
  const ids: string[] = [];
  for (let i = 0; i < 12; i++) {
    const root = join(folder, `line-${i}`);
    mkdirSync(root);
    writeFileSync(join(root, 'Gauge.tsx'), `export function Gauge${i}() { return <b />; }`);
    const { id } = (await (await send('POST', '/projects', { path: root })).json()) as { id: string };
    await projects.settled(id);
    ids.push(id);
  }
  const asked = await Promise.all(ids.map((id) => get(`/projects/${id}/catalogue`)));
  const names = await Promise.all(
    asked.map(async (one) => ((await one.json()) as { name: string }[])[0]!.name),
  );
  expect(names).toEqual(ids.map((_, i) => `Gauge${i}`));
}, 60_000);

test('a manifest that is nested too deeply keeps nobody from opening the project again', async () => {
  writeFileSync(join(app, 'package.json'), '['.repeat(10_000) + ']'.repeat(10_000));
  const id = await opened();
  await unserve();
  await serve();
  expect((await get(`/projects/${id}/rigging`)).status).toBe(200);
});

describe('odd text', () => {
  const ODD = 'a\\0b\\ud800c';

  test('in names and values of the code is kept and comes back', async () => {
    writeFileSync(
      join(app, 'main.tsx'),
      MAIN.replace(
        'speed={3}',
        `speed={3} unit={"m"} {...{ "${ODD}": 1 }} />\n);\nexport const other = (<Gauge speed="${'a\0b'}" unit="x"`,
      ),
    );
    writeFileSync(join(app, 'page.html'), '<p id="a">\0</p>');
    const id = await opened();
    expect(projects.progress(id)).toMatchObject({ stage: 'done' });
    expect(await (await get(`/projects/${id}/source?path=page.html`)).text()).toContain('\0');
    expect((await get(`/projects/${id}/findings`)).status).toBe(200);
    await unserve();
    await serve();
    expect((await get(`/projects/${id}/rigging`)).status).toBe(200);
    expect(await (await get(`/projects/${id}/source?path=page.html`)).text()).toContain('\0');
  });

  test.each<[string, string, string, unknown, RegExp]>([
    [
      'a reason with a NUL',
      'PUT',
      '/decisions',
      { fingerprints: ['a'], verdict: 'accepted', reason: 'a\0b' },
      /^reason: /,
    ],
    [
      'half of a character',
      'PUT',
      '/decisions',
      { fingerprints: ['\ud800'], verdict: 'accepted', reason: 'x' },
      /^fingerprints\.0: /,
    ],
    ['in what is taken back', 'POST', '/decisions/undo', { fingerprints: ['a', '\0'] }, /^fingerprints\.1: /],
    ['in an address', 'GET', '/strand?ref=%00', undefined, /^ref: /],
    ['in a list of an address', 'GET', '/rigging?pin=a&pin=%00', undefined, /^pin\.1: /],
    ['in a path', 'GET', '/source?path=a%00', undefined, /^path: /],
  ])('%s is refused by the field', async (_, method, path, body, detail) => {
    const id = await opened();
    const response = await send(method, `/projects/${id}${path}`, body);
    expect(response.status).toBe(400);
    expect(((await response.json()) as { detail: string }).detail).toMatch(detail);
  });

  test('an id that is no text is refused', async () => {
    expect((await get('/projects/%00')).status).toBe(400);
    expect((await get('/projects/%ff')).status).toBe(400);
  });
});

describe('forget means forget', () => {
  test('texts, facts, audits and decisions go, but for what others need', async () => {
    const id = await opened();
    const [finding] = (await (await get(`/projects/${id}/findings`)).json()) as Finding[];
    await send('PUT', `/projects/${id}/decisions`, {
      fingerprints: [finding!.fingerprint],
      verdict: 'accepted',
      reason: 'it is so',
    });
    const other = join(folder, 'other');
    mkdirSync(other);
    writeFileSync(join(other, 'Gauge.tsx'), GAUGE);
    const { id: second } = (await (await send('POST', '/projects', { path: other })).json()) as {
      id: string;
    };
    await projects.settled(second);
    await send('DELETE', `/projects/${id}`);
    const count = async (table: string) => (await db.query(`select * from ${table}`)).length;
    expect(await count('source')).toBe(1);
    expect(await count('facts')).toBe(1);
    await send('DELETE', `/projects/${second}`);
    for (const table of [
      'project',
      'audit',
      'audit_file',
      'finding',
      'decision',
      'source',
      'facts',
      'running_audit',
    ])
      expect([table, await count(table)]).toEqual([table, 0]);
  });
});

describe('closed doors', () => {
  test('every answer keeps the browser from running, framing, guessing and keeping it', async () => {
    for (const path of ['/projects', '/projects/none', '/no/such']) {
      const { headers } = await get(path);
      expect(headers.get('content-security-policy')).toMatch(/script-src 'self';.*frame-ancestors 'none'/);
      expect(headers.get('x-content-type-options')).toBe('nosniff');
      expect(headers.get('referrer-policy')).toBe('no-referrer');
      expect(headers.get('cache-control')).toBe('no-store');
    }
  });

  const json = { 'content-type': 'application/json' };
  test.each<[string, Record<string, string>, number]>([
    ['a page of another site', { ...json, 'sec-fetch-site': 'cross-site' }, 403],
    ['another port of this host', { ...json, 'sec-fetch-site': 'same-site' }, 403],
    ['no page at all', { ...json, 'sec-fetch-site': 'none' }, 202],
    ['a form', { 'content-type': 'application/x-www-form-urlencoded' }, 415],
    ['text', { 'content-type': 'text/plain' }, 415],
    ['a page of its own', { ...json, 'sec-fetch-site': 'same-origin' }, 202],
    ['no browser', json, 202],
  ])('%s', async (_, headers, status) => {
    const body = JSON.stringify({ path: app });
    const response = await fetch(`${address}/api/projects`, { method: 'POST', headers, body });
    expect(response.status).toBe(status);
    const project = projects.all()[0]?.[0];
    if (project !== undefined) await projects.settled(project);
  });
});

// PostgreSQL has no folder of ours.
describe.skipIf(process.env.DATABASE_URL)('a data folder', () => {
  const at = (name: string) => join(folder, name);

  test('that a process left behind opens again; one in use does not', async () => {
    mkdirSync(at('data'));
    // A number that runs, of a process that started at another time: what a loss of power leaves.
    writeFileSync(at('data/in-use'), `${process.ppid} an-earlier-start:1`);
    const first = await openDatabase(at('data'));
    await first.close();
    writeFileSync(at('data/in-use'), String(process.ppid));
    await expect(openDatabase(at('data'))).rejects.toThrow(
      /is in use by process \d+; choose another with --data/,
    );
  }, 60_000);

  test('that is damaged gives one clear sentence', async () => {
    await (await openDatabase(at('data'))).close();
    writeFileSync(at('data/db/global/pg_control'), 'damaged');
    await expect(openDatabase(at('data'))).rejects.toThrow(
      /cannot be opened: it is damaged .*--data, or set it aside/,
    );
  }, 60_000);

  test('that is damaged gives its decisions away, but for those of what was forgotten', async () => {
    const decided = (name: string) => {
      const fingerprints = [`${name} 1`, `${name} 2`];
      return { project: { id: '', root: `/${name}` }, fingerprints };
    };
    const old = await openDatabase(at('old'));
    for (const name of ['lower', 'upper', 'gone']) {
      const { project, fingerprints } = decided(name);
      project.id = await addProject(old, name, project.root);
      await decide(old, project, fingerprints, 'accepted', 'it is so');
      await undecide(old, project, [fingerprints[1]!]);
      if (name === 'gone') await removeProject(old, project.id);
    }
    await old.close();
    // A loss of power while a line was written.
    appendFileSync(at('old/decisions.jsonl'), '{"root":"/low');
    writeFileSync(at('old/db/global/pg_control'), 'damaged');
    await expect(openDatabase(at('old'))).rejects.toThrow(/decisions are there: zinc-rope decisions --data/);
    expect(Object.keys(JSON.parse(await printedDecisions(at('old'))) as object)).toEqual([
      '/lower',
      '/upper',
    ]);
    expect(await takeDecisions(at('new'), at('old'))).toBe(2);
    const fresh = await openDatabase(at('new'));
    const [{ id }] = (await fresh.query<{ id: string }>(`select id from project where root = '/lower'`)) as [
      { id: string },
    ];
    expect([...(await decisionsOf(fresh, id)).keys()]).toEqual(['lower 1']);
    expect((await decisionsOf(fresh, id)).get('lower 1')).toMatchObject({
      verdict: 'accepted',
      reason: 'it is so',
    });
    await fresh.close();
    expect(await printedDecisions(at('new'))).toBe(await printedDecisions(at('old')));
  }, 60_000);

  test('a decision after a line that was cut off is written down whole', async () => {
    const first = await openDatabase(at('data'));
    const id = await addProject(first, 'lower', '/lower');
    await decide(first, { id, root: '/lower' }, ['a'], 'accepted', 'it is so');
    await first.close();
    appendFileSync(at('data/decisions.jsonl'), '{"root":"/low');
    const again = await openDatabase(at('data'));
    await decide(again, { id, root: '/lower' }, ['b'], 'accepted', 'it is so');
    await decide(again, { id, root: '/lower' }, ['c'], 'accepted', 'it is so');
    await again.close();
    const { '/lower': kept } = JSON.parse(await printedDecisions(at('data'))) as Record<string, object>;
    expect(Object.keys(kept!)).toEqual(['a', 'b', 'c']);
  }, 60_000);

  test('of a version without a journal of decisions gets one when it is opened', async () => {
    const old = await openDatabase(at('data'));
    const id = await addProject(old, 'lower', '/lower');
    await decide(old, { id, root: '/lower' }, ['a'], 'false alarm', 'it is not so');
    await old.close();
    const before = await printedDecisions(at('data'));
    rmSync(at('data/decisions.jsonl'));
    await (await openDatabase(at('data'))).close();
    expect(await printedDecisions(at('data'))).toBe(before);
    expect(before).toContain('it is not so');
  }, 60_000);
});
