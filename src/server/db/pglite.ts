/** The server's side of the database's thread. */
import { Worker } from 'node:worker_threads';
import { workerFile } from '../engine/worker-file';
import type { Database } from './connection';
import type { DatabaseAnswer, DatabaseRequest } from './pglite-protocol';

type Ask = DatabaseRequest extends infer R ? (R extends { id: number } ? Omit<R, 'id'> : never) : never;

/** Opens a database in a folder, or in memory. Rejects with what the database says if it cannot be opened. */
export async function openPglite(folder: string | undefined): Promise<Database> {
  const worker = new Worker(workerFile('pglite-worker'), { workerData: { folder } });
  const waiting = new Map<number, { resolve(value: unknown): void; reject(error: Error): void }>();
  let last = 0;
  let ended: Error | undefined;
  worker.on('message', ({ id, value, error }: DatabaseAnswer) => {
    const one = waiting.get(id);
    waiting.delete(id);
    if (error === undefined) one?.resolve(value);
    else one?.reject(new Error(error));
  });
  const end = (error: Error) => {
    ended ??= error;
    for (const one of waiting.values()) one.reject(ended);
    waiting.clear();
  };
  worker.on('error', end);
  worker.on('exit', () => end(new Error('the database has ended')));
  const ask = <T>(request: Ask): Promise<T> =>
    new Promise<T>((resolve, reject) => {
      if (ended) {
        reject(ended);
        return;
      }
      const id = ++last;
      waiting.set(id, { resolve: resolve as (value: unknown) => void, reject });
      worker.postMessage({ id, ...request });
    });
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
