/** Decisions on findings, by fingerprint. */
import type { Decision, Verdict } from '../../api/schemas';
import type { Database } from './database';

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

interface ProjectKey {
  id: string;
  root: string;
}

/** Decides on several findings at once, now or at a time before; an earlier decision gives way. */
export async function decide(
  db: Database,
  { id, root }: ProjectKey,
  fingerprints: string[],
  verdict: Verdict,
  reason: string,
  at = new Date().toISOString(),
): Promise<void> {
  await db.query(
    `insert into decision (project_id, fingerprint, verdict, reason, decided_at)
     select $1, fingerprint, $3, $4, $5::timestamptz from (select distinct unnest($2::text[]) as fingerprint) as given
     on conflict (project_id, fingerprint)
     do update set verdict = excluded.verdict, reason = excluded.reason, decided_at = excluded.decided_at`,
    [id, fingerprints, verdict, reason, at],
  );
  await db.journal?.note({ root, fingerprints, verdict, reason, at });
}

export async function undecide(
  db: Database,
  { id, root }: ProjectKey,
  fingerprints: string[],
): Promise<void> {
  await db.query('delete from decision where project_id = $1 and fingerprint = any($2::text[])', [
    id,
    fingerprints,
  ]);
  await db.journal?.note({ root, fingerprints, at: new Date().toISOString() });
}
