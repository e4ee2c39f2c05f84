/** The database in a thread of its own, so that nobody who asks the server waits while it works. */
import { workerData } from 'node:worker_threads';
import { PGlite, type Transaction } from '@electric-sql/pglite';
import { answerQuestions } from '../threads/answering';
import type { DatabaseQuestion } from './pglite-protocol';

/** A transaction was given up; nothing of it is kept. */
class GivenUp extends Error {}

const { folder } = workerData as { folder: string | undefined };
const opening = PGlite.create(folder ?? 'memory://');
const open = new Map<number, { tx: Transaction; end(keep: boolean): void; ended: Promise<void> }>();

async function answer(request: DatabaseQuestion): Promise<unknown> {
  const db = await opening;
  switch (request.kind) {
    case 'open':
      return undefined;
    case 'query': {
      const { sql, values, tx } = request;
      const target = tx === undefined ? db : open.get(tx)!.tx;
      return (await target.query(sql, values)).rows;
    }
    case 'begin':
      return begin(db, request.tx);
    case 'end': {
      const one = open.get(request.tx)!;
      one.end(request.keep);
      await one.ended;
      return undefined;
    }
    case 'close':
      return db.close();
  }
}

/** Opens a transaction; it lasts until somebody ends it. */
function begin(db: PGlite, id: number): Promise<void> {
  return new Promise((begun, failed) => {
    const ended = db
      .transaction(
        (tx) =>
          new Promise<void>((keep, giveUp) => {
            open.set(id, { tx, end: (kept) => (kept ? keep() : giveUp(new GivenUp())), ended: later });
            begun();
          }),
      )
      .then(
        () => undefined,
        (error: unknown) => {
          if (error instanceof GivenUp) return;
          failed(error instanceof Error ? error : new Error(String(error)));
          throw error;
        },
      )
      .finally(() => open.delete(id));
    // What goes wrong at the end is said to whoever ends it.
    const later = ended;
    later.catch(() => undefined);
  });
}

answerQuestions(answer);
