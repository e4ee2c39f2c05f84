/** Two servers on one database: they audit a project one at a time, and each knows what the other did. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { latestAudits } from '../../src/server/db/projects';
import { openDatabase } from '../../src/server/db/connection';
import type { Database } from '../../src/server/db/database';
import { openProjects, type Projects } from '../../src/server/projects';

let folder: string;
let databases: Database[];
let one: Projects;
let other: Projects;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'two-'));
  writeGauge('speed');
  databases = [await openDatabase(), await openDatabase()];
  [one, other] = (await Promise.all(databases.map((db) => openProjects(db)))) as [Projects, Projects];
});
afterEach(async () => {
  await one.close();
  await other.close();
  for (const db of databases) await db.close();
  rmSync(folder, { recursive: true });
});

function writeGauge(prop: string): void {
  writeFileSync(
    join(folder, 'Gauge.tsx'),
    `export function Gauge({ ${prop} }: { ${prop}: number }) { return <b>{${prop}}</b>; }`,
  );
}

async function audited(projects: Projects): Promise<string> {
  const id = await projects.open(folder);
  await projects.settled(id);
  return id;
}

/** Keeps all audits from being written down, so that one that was begun goes on until the answer is called. */
async function heldUp(): Promise<() => Promise<void>> {
  const db = await openDatabase();
  databases.push(db);
  let release!: () => void;
  const released = new Promise<void>((resolve) => (release = resolve));
  let done!: Promise<void>;
  await new Promise<void>((locked, failed) => {
    done = db.transaction(async (tx) => {
      await tx.query('lock table audit in exclusive mode');
      locked();
      await released;
    });
    done.catch(failed);
  });
  return () => {
    release();
    return done;
  };
}

test('the same project audited by both at once is audited by one, and the other is told', async () => {
  const id = await audited(one);
  const letGo = await heldUp();
  const started = await Promise.all([one.audit(id), other.audit(id)]);
  expect(started.sort()).toEqual([false, true]);
  const idle = [one, other].filter((projects) => projects.progress(id).stage === 'idle');
  expect(idle.map((projects) => projects.progress(id).message)).toEqual([
    'Another server audits this project at the moment.',
  ]);
  await letGo();
  await Promise.all([one.settled(id), other.settled(id)]);
  expect(await latestAudits(databases[0]!, id, 5)).toHaveLength(2);
  // What one has done, the other may do again.
  expect(await other.audit(id)).toBe(true);
  await other.settled(id);
});

test('opened by both at once, it is audited once', async () => {
  const letGo = await heldUp();
  const [id] = await Promise.all([one.open(folder), other.open(folder)]);
  await letGo();
  await Promise.all([one.settled(id), other.settled(id)]);
  expect(await latestAudits(databases[0]!, id, 5)).toHaveLength(1);
});

test('what one audits again, the other shows', async () => {
  const id = await audited(one);
  const propsOf = async (projects: Projects): Promise<unknown> =>
    JSON.stringify(await (await projects.session(id)).component('Gauge'));
  expect(await propsOf(other)).toContain('speed');
  writeGauge('wind');
  await one.audit(id);
  await one.settled(id);
  expect(await propsOf(other)).not.toContain('speed');
  expect(await propsOf(one)).toEqual(await propsOf(other));
});

test('an audit that ended with its server is said by those that are still there', async () => {
  const id = await audited(one);
  await databases[0]!.query(
    `insert into running_audit (project_id, server, seen_at) values ($1, 'gone', now() - interval '1 minute')`,
    [id],
  );
  const told = new Promise<string>((resolve) => {
    const end = other.follow((project, { stage }) => {
      if (project !== id) return;
      end();
      resolve(stage);
    });
  });
  expect(await told).toBe('interrupted');
  expect(await other.audit(id)).toBe(true);
  await other.settled(id);
});
