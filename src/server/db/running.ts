/** Which audits run, and on which server: a project is audited by one at a time, and what a killed one left is known. */
import { randomUUID } from 'node:crypto';
import type { Database } from './database';

/** A server that was not heard of for so many seconds is gone. */
const GONE_AFTER = 20;
/** So often a server says that it is there, in milliseconds. */
export const BEAT = 5_000;

export interface RunningAudits {
  /** Takes a project for an audit; false where another server audits it. */
  claim(project: string): Promise<boolean>;
  release(project: string): Promise<void>;
  /** Says that the audits of this server still run. */
  beat(): Promise<void>;
  /** Projects whose audit ended with the server that ran it. */
  interrupted(): Promise<string[]>;
}

/** `alone`: nobody else uses the database, so that what others left is of servers that are gone. */
export function runningAudits(db: Database, alone: boolean): RunningAudits {
  const server = randomUUID();
  const gone = `(running_audit.server <> $1 and ($2 or running_audit.seen_at < now() - interval '${GONE_AFTER} seconds'))`;
  return {
    async claim(project) {
      const rows = await db.query(
        `insert into running_audit (project_id, server) values ($3, $1)
         on conflict (project_id) do update set server = excluded.server, seen_at = now()
         where ${gone} or running_audit.server = $1
         returning project_id`,
        [server, alone, project],
      );
      return rows.length > 0;
    },
    release: async (project) =>
      void (await db.query('delete from running_audit where project_id = $1 and server = $2', [
        project,
        server,
      ])),
    beat: async () =>
      void (await db.query('update running_audit set seen_at = now() where server = $1', [server])),
    async interrupted() {
      const rows = await db.query<{ project_id: string }>(
        `select project_id from running_audit where ${gone}`,
        [server, alone],
      );
      return rows.map((row) => row.project_id);
    },
  };
}
