/** Decisions of a data folder: printed, or taken over from another folder, whether or not the database there opens. */
import { basename } from 'node:path';
import { openDatabase } from '../server/db/connection';
import { decide } from '../server/db/decisions';
import { hasJournal, standing } from '../server/db/journal';
import { addProject } from '../server/db/projects';

/** Standing decisions as JSON: by project folder, by fingerprint. */
export async function printedDecisions(data: string): Promise<string> {
  const found: Record<string, Record<string, unknown>> = {};
  for (const [root, ofRoot] of await standing(data)) {
    found[root] = {};
    for (const [fingerprint, { verdict, reason, at }] of ofRoot)
      found[root][fingerprint] = { verdict, reason, at };
  }
  return `${JSON.stringify(found, null, 2)}\n`;
}

/** Decides in one data folder what stands in another; gives how many decisions those are. */
export async function takeDecisions(data: string, from: string): Promise<number> {
  const other = await standing(from);
  const db = await openDatabase(data);
  let taken = 0;
  try {
    for (const [root, ofRoot] of other) {
      const id = await addProject(db, basename(root) || root, root);
      for (const [fingerprint, { verdict, reason = '', at }] of ofRoot) {
        await decide(db, { id, root }, [fingerprint], verdict!, reason, at);
        taken++;
      }
    }
  } finally {
    await db.close();
  }
  return taken;
}

export { hasJournal };
