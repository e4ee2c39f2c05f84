/** One database behind one small face: PGlite in a folder or in memory, or PostgreSQL by DATABASE_URL. */
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Verdict } from '../../api/schemas';
import { hasJournal, openJournal, replace as replaceJournal } from './journal';
import { DataFolderError, lockFolder } from './lock';
import type { Database } from './database';
import { openPglite } from './pglite';

const ruined = (folder: string | undefined, error: unknown): DataFolderError =>
  new DataFolderError(
    `the data folder ${folder ?? ''} cannot be opened: it is damaged (${error instanceof Error ? error.message : String(error)}); ` +
      `choose another with --data, or set it aside (mv ${folder ?? ''} ${folder ?? ''}.damaged) and start afresh` +
      (folder !== undefined && hasJournal(folder)
        ? `; its decisions are there: zinc-rope decisions --data ${folder} --from ${folder}.damaged takes them over`
        : ''),
  );

/** Opens the database and brings its tables up to date. Without a folder it lives in memory. */
export async function openDatabase(folder?: string): Promise<Database> {
  const url = process.env.DATABASE_URL;
  const database = url ? await postgres(url) : await pglite(folder);
  await migrate(database);
  if (folder !== undefined && database.journal && !hasJournal(folder)) await writeDown(database, folder);
  return database;
}

/** Decisions of a folder that was written before there was a journal. */
async function writeDown(database: Database, folder: string): Promise<void> {
  const rows = await database.query<{
    root: string;
    fingerprint: string;
    verdict: Verdict;
    reason: string;
    decided_at: Date;
  }>(
    'select root, fingerprint, verdict, reason, decided_at from decision join project on project.id = project_id',
  );
  await replaceJournal(
    folder,
    rows.map(({ root, fingerprint, verdict, reason, decided_at }) => ({
      root,
      fingerprints: [fingerprint],
      verdict,
      reason,
      at: new Date(decided_at).toISOString(),
    })),
  );
}

async function pglite(folder: string | undefined): Promise<Database> {
  const release = folder === undefined ? () => {} : lockFolder(folder);
  const db = await openPglite(folder === undefined ? undefined : join(folder, 'db')).catch(
    (error: unknown) => {
      release();
      throw ruined(folder, error);
    },
  );
  return {
    ...db,
    close: () => db.close().finally(release),
    ...(folder === undefined ? {} : { journal: openJournal(folder) }),
  };
}

async function postgres(url: string): Promise<Database> {
  const { default: pg } = await import('pg');
  const pool = new pg.Pool({ connectionString: url });
  return {
    shared: true,
    query: async <T>(sql: string, values?: unknown[]) => (await pool.query(sql, values)).rows as T[],
    async transaction(work) {
      const client = await pool.connect();
      try {
        await client.query('begin');
        const result = await work({
          query: async <T>(sql: string, values?: unknown[]) => (await client.query(sql, values)).rows as T[],
        });
        await client.query('commit');
        return result;
      } catch (error) {
        await client.query('rollback');
        throw error;
      } finally {
        client.release();
      }
    },
    close: () => pool.end(),
  };
}

/** Numbered .sql files, beside this file in the sources and beside the bundle in a build. */
function migrationsFolder(): string {
  return join(dirname(fileURLToPath(import.meta.url)), 'migrations');
}

async function migrate(database: Database): Promise<void> {
  await database.query('create table if not exists migration (name text primary key)');
  const done = new Set(
    (await database.query<{ name: string }>('select name from migration')).map((row) => row.name),
  );
  const folder = migrationsFolder();
  for (const name of readdirSync(folder).sort()) {
    if (!name.endsWith('.sql') || done.has(name)) continue;
    const statements = readFileSync(join(folder, name), 'utf8')
      .split(/;\s*$/m)
      .map((one) => one.trim());
    await database.transaction(async (tx) => {
      for (const statement of statements) if (statement) await tx.query(statement);
      await tx.query('insert into migration (name) values ($1)', [name]);
    });
  }
}
