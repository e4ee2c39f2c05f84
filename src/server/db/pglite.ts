/** The server's side of the database's thread. */
import { Worker } from 'node:worker_threads';
import { askThread } from '../threads/asking';
import { workerFile } from '../threads/worker-file';
import type { Database } from './database';
import type { DatabaseQuestion } from './pglite-protocol';

/** Opens a database in a folder, or in memory. Rejects with what the database says if it cannot be opened. */
export async function openPglite(folder: string | undefined): Promise<Database> {
  const worker = new Worker(workerFile('pglite-worker'), { workerData: { folder } });
  const { ask, end } = askThread<DatabaseQuestion>(worker);
  worker.on('error', end);
  worker.on('exit', () => end(new Error('the database has ended')));
  let transactions = 0;
  try {
    await ask({ kind: 'open' });
  } catch (error) {
    await worker.terminate();
    throw error;
  }
  return {
    shared: false,
    query: (sql, values) => ask({ kind: 'query', sql, values }),
    async transaction(work) {
      const tx = ++transactions;
      await ask({ kind: 'begin', tx });
      try {
        const result = await work({ query: (sql, values) => ask({ kind: 'query', sql, values, tx }) });
        await ask({ kind: 'end', tx, keep: true });
        return result;
      } catch (error) {
        await ask({ kind: 'end', tx, keep: false }).catch(() => undefined);
        throw error;
      }
    },
    async close() {
      await ask({ kind: 'close' });
      await worker.terminate();
    },
  };
}
