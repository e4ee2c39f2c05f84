/** What holds for an audit: rows of its project from an audit at or before it, up to one behind it. */
import type { ReportedFinding } from '../../core/report/summary';
import type { Database } from './database';
import { jsonKept, textKept } from './kept';
import { pages } from './portions';
import type { StoredFile } from './saving';

/** The condition that a row of a table holds for the audit whose number is the first value of the query. */
export const holds = (table: 'audit_file' | 'finding'): string =>
  `${table}.project_id = (select project_id from audit where id = $1)
   and ${table}.since <= $1 and (${table}.until is null or ${table}.until > $1)`;

/** The findings of an audit, in the order of their places. */
export const findingsOf = (db: Database, audit: number): Promise<ReportedFinding[]> =>
  inOrder(db.query(`select body from finding where ${holds('finding')} order by since, number`, [audit]));

/** The findings of an audit in the order of their places, without the places that prove them. */
export const findingRowsOf = (db: Database, audit: number): Promise<Omit<ReportedFinding, 'trail'>[]> =>
  inOrder(
    db.query(`select body - 'trail' as body from finding where ${holds('finding')} order by since, number`, [
      audit,
    ]),
  );

/** One finding, whole; the first of several with the same fingerprint. */
export async function findingOf(
  db: Database,
  audit: number,
  fingerprint: string,
): Promise<ReportedFinding | undefined> {
  const [first] = await inOrder<ReportedFinding>(
    db.query(
      `select body from finding where ${holds('finding')} and fingerprint = $2 order by since, number`,
      [audit, fingerprint],
    ),
  );
  return first;
}

async function inOrder<F extends Pick<ReportedFinding, 'place' | 'rule'>>(
  rows: Promise<{ body: F }[]>,
): Promise<F[]> {
  const found = (await rows).map(({ body }) => jsonKept(body));
  return found.sort(
    ({ place: a, rule }, { place: b, rule: other }) =>
      (a.file < b.file ? -1 : Number(a.file > b.file)) ||
      a.line - b.line ||
      a.column - b.column ||
      rule.localeCompare(other),
  );
}

/** The text that a file had when an audit read it. */
export async function sourceOf(db: Database, audit: number, path: string): Promise<string | undefined> {
  const [row] = await db.query<{ body: string }>(
    `select body from audit_file join source using (hash) where ${holds('audit_file')} and path = $2`,
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
       where ${holds('audit_file')} and path > $2 order by path limit ${FETCHED}`,
      [audit, after],
    ),
  );
  for await (const rows of found)
    yield rows.map(({ path, hash, text }) => ({ path: textKept(path), hash, text: textKept(text) }));
}
