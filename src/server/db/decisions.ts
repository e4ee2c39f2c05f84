/** Decisions on findings, by fingerprint. */
import type { Decision, Verdict } from '../../api/schemas';
import type { Database } from './connection';

interface Row {
  fingerprint: string;
  verdict: Verdict;
  reason: string;
  decided_at: Date | string;
}

export async function decisionsOf(db: Database, project: string): Promise<Map<string, Decision>> {
  const rows = await db.query<Row>(
    'select fingerprint, verdict, reason, decided_at from decision where project_id = $1',
    [project],
  );
  return new Map(
    rows.map(({ fingerprint, verdict, reason, decided_at }) => [
      fingerprint,
      { verdict, reason, at: new Date(decided_at).toISOString() },
    ]),
  );
}

/** Decides on several findings at once; an earlier decision gives way. */
export const decide = (
  db: Database,
  project: string,
  fingerprints: string[],
  verdict: Verdict,
  reason: string,
): Promise<unknown> =>
  db.query(
    `insert into decision (project_id, fingerprint, verdict, reason)
     select $1, fingerprint, $3, $4 from (select distinct unnest($2::text[]) as fingerprint) as given
     on conflict (project_id, fingerprint)
     do update set verdict = excluded.verdict, reason = excluded.reason, decided_at = now()`,
    [project, fingerprints, verdict, reason],
  );

export const undecide = (db: Database, project: string, fingerprints: string[]): Promise<unknown> =>
  db.query('delete from decision where project_id = $1 and fingerprint = any($2::text[])', [
    project,
    fingerprints,
  ]);
