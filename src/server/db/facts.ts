/** Facts by content, kept so that unchanged files need no reading. */
import type { Database } from './database';
import { keptText, textKept } from './kept';
import { holds } from './holding';
import { pages, type Portions, portions } from './portions';

export interface KnownFacts {
  path: string;
  hash: string;
  body: string;
}

/** So many are fetched at once. */
const FETCHED = 100;

/** Facts that this version of the readers made of the files of an audit, in portions. */
export async function* knownFacts(db: Database, audit: number, reader: string): AsyncGenerator<KnownFacts[]> {
  const found = pages((after) =>
    db.query<KnownFacts>(
      `select facts.path, facts.hash, facts.body from audit_file
       join facts on facts.path = audit_file.path and facts.hash = audit_file.hash and facts.reader = $2
       where ${holds('audit_file')} and audit_file.path > $3 order by audit_file.path limit ${FETCHED}`,
      [audit, reader, after],
    ),
  );
  for await (const rows of found) yield rows.map((row) => ({ ...row, path: textKept(row.path) }));
}

/** Facts are written so many at once, so that others get their turn. */
const PORTION = 25;

export async function keepFacts(
  db: Database,
  facts: Portions<KnownFacts>,
  reader: string,
  onKept: (share: number) => void = () => {},
): Promise<void> {
  if (!facts.count) return;
  let kept = 0;
  for await (const part of portions(facts, PORTION)) {
    onKept(kept / facts.count);
    kept += part.length;
    await db.query(
      `insert into facts (path, hash, reader, body)
       select path, hash, $1::text, body from unnest($2::text[], $3::text[], $4::text[]) as given (path, hash, body)
       on conflict (path, hash, reader) do update set body = excluded.body`,
      [
        reader,
        part.map((one) => keptText(one.path)),
        part.map((one) => one.hash),
        part.map((one) => one.body),
      ],
    );
  }
  await db.query('delete from facts where reader <> $1', [reader]);
}
