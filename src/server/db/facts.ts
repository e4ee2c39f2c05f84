/** Facts by content, kept so that unchanged files need no reading. */
import { READER_VERSION } from '../../core/readers';
import type { Database } from './connection';

export interface KnownFacts {
  path: string;
  hash: string;
  body: string;
}

/** Facts that this version of the readers made of the files of an audit. */
export const knownFacts = (db: Database, audit: number): Promise<KnownFacts[]> =>
  db.query<KnownFacts>(
    `select facts.path, facts.hash, facts.body from audit_file
     join facts on facts.path = audit_file.path and facts.hash = audit_file.hash and facts.version = $2
     where audit_id = $1`,
    [audit, READER_VERSION],
  );

export async function keepFacts(db: Database, list: KnownFacts[]): Promise<void> {
  for (let i = 0; i < list.length; i += 200) {
    const part = list.slice(i, i + 200);
    await db.query(
      `insert into facts (path, hash, version, body)
       select path, hash, $1::int, body from unnest($2::text[], $3::text[], $4::text[]) as given (path, hash, body)
       on conflict do nothing`,
      [READER_VERSION, part.map((one) => one.path), part.map((one) => one.hash), part.map((one) => one.body)],
    );
  }
  await db.query('delete from facts where version <> $1', [READER_VERSION]);
}
