/** A project's history of audits. */
import type { AuditSummary, Comparison, Finding } from '../../api/schemas';
import type { Database } from './database';
import { findingsOf } from './holding';
import { latestAudits } from './projects';

/** At most so many audits of a project are shown, the last first. */
const MOST = 200;

export const auditsOf = (db: Database, project: string): Promise<AuditSummary[]> =>
  latestAudits(db, project, MOST);

/** Whether an audit belongs to a project. */
export async function hasAudit(db: Database, project: string, audit: number): Promise<boolean> {
  const rows = await db.query('select 1 from audit where project_id = $1 and id = $2 and whole', [
    project,
    audit,
  ]);
  return rows.length > 0;
}

/** What one audit found that the other did not. Several findings of one fingerprint are paired one by one. */
export async function compareAudits(db: Database, from: number, to: number): Promise<Comparison> {
  const [before, after] = await Promise.all([findingsOf(db, from), findingsOf(db, to)]);
  return compared(before, after);
}

export function compared(before: Finding[], after: Finding[]): Comparison {
  const left = new Map<string, Finding[]>();
  for (const one of before) left.set(one.fingerprint, [...(left.get(one.fingerprint) ?? []), one]);
  const fresh: Finding[] = [];
  let remaining = 0;
  for (const one of after) {
    if (left.get(one.fingerprint)?.shift()) remaining++;
    else fresh.push(one);
  }
  return { new: fresh, gone: [...left.values()].flat(), remaining };
}
