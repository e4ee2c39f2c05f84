/** Questions to a thread, and their answers: each is answered, refused with a reason, or rejected when the thread ends. */
import type { Worker } from 'node:worker_threads';
import type { FromThread } from './protocol';

interface Waiting {
  resolve(value: unknown): void;
  reject(error: Error): void;
}

export interface Asked<Question> {
  ask<T>(question: Question): Promise<T>;
  /** It has answered all that it was asked. */
  idle(): boolean;
  /** What waits for an answer is rejected, and so is what is asked from now on; the first reason counts. */
  end(reason: Error): void;
}

/** `onTold` gets what the thread says without being asked. */
export function askThread<Question, Told = never>(
  worker: Worker,
  onTold: (told: Told) => void = () => {},
): Asked<Question> {
  const waiting = new Map<number, Waiting>();
  let last = 0;
  let ended: Error | undefined;
  worker.on('message', (message: FromThread<Told>) => {
    if ('told' in message) {
      onTold(message.told);
      return;
    }
    const one = waiting.get(message.id);
    waiting.delete(message.id);
    if ('error' in message) one?.reject(Object.assign(new Error(message.error), { stack: message.stack }));
    else one?.resolve(message.value);
  });
  return {
    ask: <T>(question: Question) =>
      new Promise<T>((resolve, reject) => {
        if (ended) {
          reject(ended);
          return;
        }
        const id = ++last;
        waiting.set(id, { resolve: resolve as (value: unknown) => void, reject });
        worker.postMessage({ id, question });
      }),
    idle: () => waiting.size === 0,
    end(reason) {
      ended ??= reason;
      for (const one of waiting.values()) one.reject(ended);
      waiting.clear();
    },
  };
}
