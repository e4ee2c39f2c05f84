/** Queries on projects and their audits. */
import { createHash } from 'node:crypto';
import type { AuditSummary, ProjectSummary } from '../../api/schemas';
import type { Report, ReportedFinding } from '../../core/report/summary';
import type { Database } from './database';
import { jsonKept, keptJson, keptText, textKept } from './kept';
import { pages, type Portions, portions } from './portions';

interface AuditRow {
  id: string | number;
  finished_at: Date | string;
  milliseconds: number;
  files: number;
  components: number;
  languages: Record<string, number>;
  errors: number;
  warnings: number;
  notes: number;
  silenced: number;
  problems: Report['problems'];
  skipped: Report['skipped'];
  joined: Report['joined'] | null;
}

interface ProjectRow {
  id: string;
  name: string;
  root: string;
}

const AUDIT_COLUMNS =
  'id, finished_at, milliseconds, files, components, languages, errors, warnings, notes, silenced, problems, skipped, joined';

const toAudit = (row: AuditRow): AuditSummary => ({
  id: Number(row.id),
  finishedAt: new Date(row.finished_at).toISOString(),
  milliseconds: row.milliseconds,
  files: row.files,
  components: row.components,
  languages: row.languages,
  counts: { error: row.errors, warning: row.warnings, note: row.notes, silenced: row.silenced },
  problems: jsonKept(row.problems),
  skipped: jsonKept(row.skipped),
  ...(row.joined ? { joined: row.joined } : {}),
});

/** Adds a project, or finds the one that is there for the same folder. */
export async function addProject(db: Database, name: string, root: string): Promise<string> {
  const id = createHash('sha256').update(root).digest('hex').slice(0, 12);
  await db.query('insert into project (id, name, root) values ($1, $2, $3) on conflict do nothing', [
    id,
    name,
    root,
  ]);
  return id;
}

export async function findProject(db: Database, id: string): Promise<ProjectRow | undefined> {
  const [row] = await db.query<ProjectRow>('select id, name, root from project where id = $1', [id]);
  return row;
}

/** Forgets a project with all that is known of it: its audits, decisions, and texts and facts that nobody else needs. */
export async function removeProject(db: Database, id: string): Promise<void> {
  const one = await findProject(db, id);
  await db.transaction(async (tx) => {
    await tx.query('delete from project where id = $1', [id]);
    await tx.query('delete from source where hash not in (select hash from audit_file)');
    await tx.query(
      'delete from facts where not exists (select 1 from audit_file where audit_file.path = facts.path and audit_file.hash = facts.hash)',
    );
  });
  if (one) await db.journal?.forget(one.root);
}

/** Every project with its last two audits, the one audited last first. */
export async function listProjects(db: Database): Promise<ProjectSummary[]> {
  const projects = await db.query<ProjectRow>('select id, name, root from project order by created_at desc');
  const list = await Promise.all(
    projects.map(async (project): Promise<ProjectSummary> => {
      const [last, before] = await latestAudits(db, project.id);
      return { ...project, ...(last ? { audit: last } : {}), ...(before ? { before: before.counts } : {}) };
    }),
  );
  return list.sort((a, b) => (b.audit?.finishedAt ?? '').localeCompare(a.audit?.finishedAt ?? ''));
}

/** The last audits of a project, the latest first. */
export async function latestAudits(db: Database, project: string, most = 2): Promise<AuditSummary[]> {
  const rows = await db.query<AuditRow>(
    `select ${AUDIT_COLUMNS} from audit where project_id = $1 and whole order by id desc limit $2`,
    [project, most],
  );
  return rows.map(toAudit);
}

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

/** A finding, and the how manieth it is of its audit. */
export interface PlacedFinding {
  ordinal: number;
  finding: ReportedFinding;
}

/** A finding that the audit before has, to the last letter, as the how manieth it is there. */
export interface SameFinding {
  ordinal: number;
  was: number;
}

export interface NewAudit extends AuditFacts {
  files: Portions<StoredFile>;
  findings: Portions<PlacedFinding>;
  /** What else is as in an audit before: all its files but those that are gone, and these of its findings. */
  since?: { audit: number; gone: string[]; same: Portions<SameFinding> };
}

/** Files and findings are written so many at once; what is there already, so many. */
const FILES = 50;
const FINDINGS = 100;
const COPIED = 1_000;

/**
 * Keeps an audit with its sources and findings, all or nothing. It is written in portions, between which others get their
 * turn and after each of which it may be given up; it counts once all of it is there. Gives its number.
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
      await keepFiles(db, id, part);
      next(part.length);
    }
    for await (const part of portions(audit.findings, FINDINGS)) {
      await keepFindings(db, id, part);
      next(part.length);
    }
    if (audit.since) await copySince(db, id, audit.since, () => signal?.throwIfAborted());
    signal?.throwIfAborted();
    await db.query('update audit set whole = true where id = $1', [id]);
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
const keepFiles = (db: Database, id: number, part: StoredFile[]): Promise<void> =>
  db.transaction(async (tx) => {
    await tx.query(
      `insert into source (hash, body) select * from unnest($1::text[], $2::text[]) on conflict do nothing`,
      [part.map((file) => file.hash), part.map((file) => keptText(file.text))],
    );
    await tx.query(
      `insert into audit_file (audit_id, path, hash) select $1::bigint, * from unnest($2::text[], $3::text[])`,
      [id, part.map((file) => keptText(file.path)), part.map((file) => file.hash)],
    );
  });

/** Takes over what is as in the audit before. */
async function copySince(
  db: Database,
  id: number,
  { audit, gone, same }: NonNullable<NewAudit['since']>,
  next: () => void,
): Promise<void> {
  const left = gone.map(keptText);
  const copied = pages((after) =>
    db.query<{ path: string }>(
      `insert into audit_file (audit_id, path, hash)
       select $1::bigint, path, hash from audit_file
       where audit_id = $2 and path > $3 and path <> all($4::text[]) order by path limit ${COPIED} returning path`,
      [id, audit, after, left],
    ),
  );
  for await (const _ of copied) next();
  for await (const part of portions(same, COPIED)) {
    await db.query(
      `insert into finding (audit_id, ordinal, fingerprint, rule, level, body)
       select $1::bigint, given.ordinal, fingerprint, rule, level, body
       from unnest($3::int[], $4::int[]) as given (ordinal, was)
       join finding on finding.audit_id = $2 and finding.ordinal = given.was`,
      [id, audit, part.map((one) => one.ordinal), part.map((one) => one.was)],
    );
    next();
  }
}

const keepFindings = (db: Database, id: number, part: PlacedFinding[]): Promise<unknown> =>
  db.query(
    `insert into finding (audit_id, ordinal, fingerprint, rule, level, body)
     select $1::bigint, * from unnest($2::int[], $3::text[], $4::text[], $5::text[], $6::jsonb[])`,
    [
      id,
      part.map((one) => one.ordinal),
      part.map(({ finding }) => finding.fingerprint),
      part.map(({ finding }) => finding.rule),
      part.map(({ finding }) => finding.level),
      part.map(({ finding }) => keptJson(finding)),
    ],
  );

/** Forgets audits that were left half-written. Where other servers use the database, theirs are not looked at. */
export const dropPartialAudits = (db: Database): Promise<unknown> =>
  db.query(
    `delete from audit where not whole and ($1 or not exists (
       select 1 from running_audit where running_audit.project_id = audit.project_id))`,
    [!db.shared],
  );

export async function findingsOf(db: Database, audit: number): Promise<ReportedFinding[]> {
  const rows = await db.query<{ body: ReportedFinding }>(
    'select body from finding where audit_id = $1 order by ordinal',
    [audit],
  );
  return rows.map((row) => jsonKept(row.body));
}

/** The findings of an audit in order, without the places that prove them. */
export async function findingRowsOf(db: Database, audit: number): Promise<Omit<ReportedFinding, 'trail'>[]> {
  const rows = await db.query<{ body: Omit<ReportedFinding, 'trail'> }>(
    `select body - 'trail' as body from finding where audit_id = $1 order by ordinal`,
    [audit],
  );
  return rows.map((row) => jsonKept(row.body));
}

/** One finding, whole; the first of several with the same fingerprint. */
export async function findingOf(
  db: Database,
  audit: number,
  fingerprint: string,
): Promise<ReportedFinding | undefined> {
  const [row] = await db.query<{ body: ReportedFinding }>(
    'select body from finding where audit_id = $1 and fingerprint = $2 order by ordinal limit 1',
    [audit, fingerprint],
  );
  return row && jsonKept(row.body);
}

export async function sourceOf(db: Database, audit: number, path: string): Promise<string | undefined> {
  const [row] = await db.query<{ body: string }>(
    'select body from audit_file join source using (hash) where audit_id = $1 and path = $2',
    [audit, path],
  );
  return row && textKept(row.body);
}

/** So many files are fetched at once. */
const FETCHED = 200;

/** The files of an audit with their texts, in portions, in the order of their paths. */
export async function* filesOf(db: Database, audit: number): AsyncGenerator<StoredFile[]> {
  const found = pages((after) =>
    db.query<StoredFile>(
      `select path, hash, body as text from audit_file join source using (hash)
       where audit_id = $1 and path > $2 order by path limit ${FETCHED}`,
      [audit, after],
    ),
  );
  for await (const rows of found)
    yield rows.map(({ path, hash, text }) => ({ path: textKept(path), hash, text: textKept(text) }));
}
