/** Overviews of audits, kept so that a project opens on its own before it is linked again. */
import { type Overview, overviewSchema } from '../../api/component-schemas';
import type { Database } from './database';
import { jsonKept, keptJson } from './kept';

/** The overview of an audit; undefined where none was kept, or one that an older server made otherwise. */
export async function keptOverview(db: Database, audit: number): Promise<Overview | undefined> {
  const [row] = await db.query<{ overview: string | null }>('select overview from audit where id = $1', [
    audit,
  ]);
  if (!row?.overview) return undefined;
  return overviewSchema.safeParse(jsonKept(JSON.parse(row.overview))).data;
}

/** Keeps the overview of an audit, where there is none. */
export async function keepOverview(db: Database, audit: number, view: Overview): Promise<void> {
  await db.query('update audit set overview = $2 where id = $1 and overview is null', [
    audit,
    keptJson(view),
  ]);
}
