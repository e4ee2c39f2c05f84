/** Keeps audits: the first one whole, one again by what is other than before. */
import type { Report, ReportedFinding } from '../../core/report/summary';
import type { Database } from './database';
import { keptJson, keptText } from './kept';
import { type Portions, portions } from './portions';

export interface StoredFile {
  path: string;
  hash: string;
  text: string;
}

/** What is kept of an audit in one row. */
export interface AuditFacts {
  report: Omit<Report, 'findings'>;
  languages: Record<string, number>;
  milliseconds: number;
  config: unknown;
}

/** A finding with its number among those that hold. */
export interface NumberedFinding {
  number: number;
  finding: ReportedFinding;
}

export interface NewAudit extends AuditFacts {
  files: Portions<StoredFile>;
  findings: Portions<NumberedFinding>;
  /**
   * What no longer holds of the audit before: paths and numbers; all else of it does. Absent where files and findings are
   * all that there are.
   */
  gone?: { files: string[]; findings: number[] };
}

/** Files and findings are written so many at once. */
const FILES = 50;
const FINDINGS = 100;

/**
 * Keeps an audit with its sources and findings, all or nothing. It is written in portions, between which others get their
 * turn and after each of which it may be given up; it counts once all of it is there, and until then the audit before it
 * holds as it did. Gives its number.
 */
export async function saveAudit(
  db: Database,
  project: string,
  audit: NewAudit,
  { signal, onKept }: { signal?: AbortSignal; onKept?(share: number): void } = {},
): Promise<number> {
  const id = await addAudit(db, project, audit);
  const whole = audit.files.count + audit.findings.count;
  let kept = 0;
  const next = (done: number) => {
    signal?.throwIfAborted();
    kept += done;
    onKept?.(whole ? kept / whole : 1);
  };
  try {
    for await (const part of portions(audit.files, FILES)) {
      await keepFiles(db, project, id, part);
      next(part.length);
    }
    for await (const part of portions(audit.findings, FINDINGS)) {
      await keepFindings(db, project, id, part);
      next(part.length);
    }
    signal?.throwIfAborted();
    await takeOver(db, project, id, audit.gone);
  } catch (error) {
    await db.query('delete from audit where id = $1', [id]).catch(() => undefined);
    throw error;
  }
  return id;
}

async function addAudit(db: Database, project: string, { report, ...audit }: AuditFacts): Promise<number> {
  const [row] = await db.query<{ id: number }>(
    `insert into audit (project_id, milliseconds, files, components, languages, errors, warnings, notes, silenced, problems, skipped, config, joined, whole)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, false) returning id`,
    [
      project,
      Math.round(audit.milliseconds),
      report.files,
      report.components,
      JSON.stringify(audit.languages),
      report.counts.error,
      report.counts.warning,
      report.counts.note,
      report.counts.silenced,
      keptJson(report.problems),
      keptJson(report.skipped),
      keptJson(audit.config ?? {}),
      JSON.stringify(report.joined),
    ],
  );
  return Number(row!.id);
}

/** A text and who needs it are kept together, so that nobody takes it for one that nobody needs. */
const keepFiles = (db: Database, project: string, id: number, part: StoredFile[]): Promise<void> =>
  db.transaction(async (tx) => {
    await tx.query(
      `insert into source (hash, body) select * from unnest($1::text[], $2::text[]) on conflict do nothing`,
      [part.map((file) => file.hash), part.map((file) => keptText(file.text))],
    );
    await tx.query(
      `insert into audit_file (project_id, since, path, hash)
       select $1, $2::bigint, * from unnest($3::text[], $4::text[])`,
      [project, id, part.map((file) => keptText(file.path)), part.map((file) => file.hash)],
    );
  });

const keepFindings = (db: Database, project: string, id: number, part: NumberedFinding[]): Promise<unknown> =>
  db.query(
    `insert into finding (project_id, since, number, fingerprint, rule, level, body)
     select $1, $2::bigint, * from unnest($3::int[], $4::text[], $5::text[], $6::text[], $7::jsonb[])`,
    [
      project,
      id,
      part.map((one) => one.number),
      part.map(({ finding }) => finding.fingerprint),
      part.map(({ finding }) => finding.rule),
      part.map(({ finding }) => finding.level),
      part.map(({ finding }) => keptJson(finding)),
    ],
  );

/** Ends what holds no longer, and makes the audit the one that holds. */
const takeOver = (db: Database, project: string, id: number, gone: NewAudit['gone']): Promise<void> =>
  db.transaction(async (tx) => {
    const end = (table: string, which: string, values: unknown[] = []) =>
      tx.query(
        `update ${table} set until = $2 where project_id = $1 and until is null and since < $2 ${which}`,
        [project, id, ...values],
      );
    if (!gone || gone.files.length)
      await end('audit_file', gone ? 'and path = any($3::text[])' : '', gone && [gone.files.map(keptText)]);
    if (!gone || gone.findings.length)
      await end('finding', gone ? 'and number = any($3::int[])' : '', gone && [gone.findings]);
    await tx.query('update audit set whole = true where id = $1', [id]);
  });

/** Forgets audits that were left half-written. Where other servers use the database, theirs are not looked at. */
export const dropPartialAudits = (db: Database): Promise<unknown> =>
  db.query(
    `delete from audit where not whole and ($1 or not exists (
       select 1 from running_audit where running_audit.project_id = audit.project_id))`,
    [!db.shared],
  );
