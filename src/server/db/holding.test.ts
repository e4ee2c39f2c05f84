import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import type { ReportedFinding } from '../../core/report/summary';
import { openDatabase } from './connection';
import type { Database } from './database';
import { filesOf, findingOf, findingRowsOf, findingsOf, sourceOf } from './holding';
import { openPglite } from './pglite';
import { addProject, latestAudits, removeProject } from './projects';
import { dropPartialAudits, type NewAudit, saveAudit } from './saving';

const at = (file: string, line: number, message: string): ReportedFinding => ({
  rule: 'prop/missing',
  level: 'error',
  message,
  subject: 'Gauge#unit',
  component: 'Gauge',
  place: { file, line, column: 1, code: '' } as ReportedFinding['place'],
  trail: [],
  fingerprint: message,
});

const list = <T>(all: T[]) => ({
  count: all.length,
  take: (from: number, most: number) => Promise.resolve(all.slice(from, from + most)),
});

function audit(
  files: [path: string, text: string][],
  findings: [number: number, finding: ReportedFinding][],
  gone?: NewAudit['gone'],
): NewAudit {
  return {
    report: {
      joined: { tallies: {}, foreign: 0, handed: 0 },
      gaps: [],
      files: files.length,
      components: 0,
      counts: { error: findings.length, warning: 0, note: 0, silenced: 0 },
      problems: [],
      skipped: [],
    } as unknown as NewAudit['report'],
    languages: {},
    milliseconds: 1,
    config: {},
    files: list(files.map(([path, text]) => ({ path, hash: `${path}:${text}`, text }))),
    findings: list(findings.map(([number, finding]) => ({ number, finding }))),
    ...(gone ? { gone } : {}),
  };
}

let db: Database;

const messages = async (id: number) => (await findingsOf(db, id)).map((one) => one.message);

async function paths(id: number): Promise<string[]> {
  const found: string[] = [];
  for await (const part of filesOf(db, id)) found.push(...part.map((one) => `${one.path} ${one.text}`));
  return found;
}

describe('an audit again is kept by what is other', () => {
  let project: string;
  let first: number;
  beforeAll(async () => {
    db = await openDatabase();
  }, 60_000);
  afterAll(() => db.close());
  beforeEach(async () => {
    await db.query('delete from project');
    project = await addProject(db, 'app', '/app');
    first = await saveAudit(
      db,
      project,
      audit(
        [
          ['a.tsx', '1'],
          ['b.tsx', '1'],
        ],
        [
          [0, at('b.tsx', 9, 'b9')],
          [1, at('b.tsx', 2, 'b2')],
          [2, at('a.tsx', 5, 'a5')],
        ],
      ),
    );
  });

  test('each audit shows what it found, in the order of places', async () => {
    const second = await saveAudit(
      db,
      project,
      audit([['b.tsx', '2']], [[3, at('b.tsx', 1, 'b1')]], { files: ['b.tsx'], findings: [0] }),
    );
    expect(await messages(first)).toEqual(['a5', 'b2', 'b9']);
    expect(await messages(second)).toEqual(['a5', 'b1', 'b2']);
    expect(await paths(first)).toEqual(['a.tsx 1', 'b.tsx 1']);
    expect(await paths(second)).toEqual(['a.tsx 1', 'b.tsx 2']);
    expect(await sourceOf(db, first, 'b.tsx')).toBe('1');
    expect(await sourceOf(db, second, 'b.tsx')).toBe('2');
    expect(await findingOf(db, second, 'b9')).toBeUndefined();
    expect((await findingRowsOf(db, second)).map((one) => 'trail' in one)).toEqual([false, false, false]);
  });

  test('one that is written whole ends all before it', async () => {
    const second = await saveAudit(db, project, audit([['c.tsx', '1']], [[0, at('c.tsx', 1, 'c1')]]));
    expect(await messages(first)).toEqual(['a5', 'b2', 'b9']);
    expect(await messages(second)).toEqual(['c1']);
    expect(await paths(second)).toEqual(['c.tsx 1']);
  });

  test('one that is given up leaves the one before as it was', async () => {
    const stop = new AbortController();
    const given = saveAudit(
      db,
      project,
      audit([['b.tsx', '2']], [[3, at('b.tsx', 1, 'b1')]], { files: ['b.tsx'], findings: [0] }),
      { signal: stop.signal, onKept: () => stop.abort() },
    );
    await expect(given).rejects.toThrow();
    expect(await messages(first)).toEqual(['a5', 'b2', 'b9']);
    expect(await paths(first)).toEqual(['a.tsx 1', 'b.tsx 1']);
    expect((await latestAudits(db, project)).map((one) => one.id)).toEqual([first]);
  });

  test('one that was left half-written is forgotten with its rows, and the next goes on from the one before', async () => {
    await saveAudit(db, project, audit([], [[3, at('b.tsx', 1, 'b1')]], { files: [], findings: [] }));
    await db.query('update audit set whole = false where id > $1', [first]);
    await dropPartialAudits(db);
    const next = await saveAudit(
      db,
      project,
      audit([], [[3, at('a.tsx', 1, 'a1')]], { files: ['a.tsx'], findings: [2] }),
    );
    expect(await messages(next)).toEqual(['a1', 'b2', 'b9']);
    expect(await paths(next)).toEqual(['b.tsx 1']);
  });

  test('other projects keep theirs', async () => {
    const other = await addProject(db, 'other', '/other');
    const theirs = await saveAudit(db, other, audit([['a.tsx', '7']], [[0, at('a.tsx', 7, 'a7')]]));
    await saveAudit(db, project, audit([], []));
    expect(await messages(theirs)).toEqual(['a7']);
    await removeProject(db, project);
    expect(await paths(theirs)).toEqual(['a.tsx 7']);
    expect(await db.query('select number from finding')).toHaveLength(1);
  });
});

// A folder is PGlite's.
test.skipIf(process.env.DATABASE_URL)(
  'audits that were each kept whole are shown as they were',
  async () => {
    const folder = mkdtempSync(join(tmpdir(), 'holding-'));
    const migrations = new URL('./migrations/', import.meta.url);
    const old = await openPglite(join(folder, 'db'));
    await old.query('create table migration (name text primary key)');
    for (const name of readdirSync(migrations).sort().slice(0, 5)) {
      for (const statement of readFileSync(new URL(name, migrations), 'utf8').split(/;\s*$/m))
        if (statement.trim()) await old.query(statement);
      await old.query('insert into migration (name) values ($1)', [name]);
    }
    await old.query(`insert into project (id, name, root) values ('p', 'app', '/app')`);
    for (const id of [1, 2]) {
      await old.query(
        `insert into audit (project_id, milliseconds, files, components, languages, errors, warnings, notes, silenced, problems, skipped, config)
       values ('p', 1, 1, 1, '{}', 1, 0, 0, 0, '[]', '[]', '{}')`,
      );
      await old.query('insert into source (hash, body) values ($1, $1)', [`text ${id}`]);
      await old.query('insert into audit_file (audit_id, path, hash) values ($1, $2, $3)', [
        id,
        'a.tsx',
        `text ${id}`,
      ]);
      await old.query(
        `insert into finding (audit_id, ordinal, fingerprint, rule, level, body) values ($1, 0, 'f', 'r', 'error', $2)`,
        [id, JSON.stringify(at('a.tsx', id, `found by ${id}`))],
      );
    }
    await old.close();
    db = await openDatabase(folder);
    for (const id of [1, 2]) {
      expect(await messages(id)).toEqual([`found by ${id}`]);
      expect(await paths(id)).toEqual([`a.tsx text ${id}`]);
    }
    await db.close();
    rmSync(folder, { recursive: true });
  },
  60_000,
);
