/** Queries on projects and their audits. */
import { createHash } from 'node:crypto';
import type { AuditSummary, ProjectSummary } from '../../api/schemas';
import type { Report } from '../../core/report/summary';
import type { Database } from './database';
import { jsonKept } from './kept';

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
