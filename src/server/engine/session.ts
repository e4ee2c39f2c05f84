/** The server's side of a project's thread. */
import { Worker } from 'node:worker_threads';
import type { CatalogueRow, ComponentView, JointView } from '../../api/component-schemas';
import type { Hit, JoinedView, RiggingView, StrandView } from '../../api/schemas';
import type { Progress } from './audit-folder';
import type { Answer, OpenedAudit, OpenTask, Question, RestoreTask } from './session-protocol';
import { workerFile } from './worker-file';

/** The thread was ended before it answered. */
export class SessionEnded extends Error {}

export interface Session {
  open(task: OpenTask): Promise<OpenedAudit>;
  restore(task: RestoreTask): Promise<void>;
  rigging(pins: string[]): Promise<RiggingView>;
  strand(ref: string): Promise<StrandView | { similar: string[] }>;
  search(query: string): Promise<Hit[]>;
  catalogue(): Promise<CatalogueRow[]>;
  joined(): Promise<JoinedView>;
  component(ref: string): Promise<ComponentView | undefined>;
  joint(ref: string, at: number): Promise<JointView | undefined>;
  end(): Promise<void>;
}

interface Waiting {
  resolve(value: unknown): void;
  reject(error: Error): void;
}

/** Starts a thread. What it is asked and does not answer is rejected when it ends. */
export function startSession(onProgress: (progress: Progress) => void = () => {}): Session {
  const worker = new Worker(workerFile('session-worker'));
  const waiting = new Map<number, Waiting>();
  let last = 0;
  worker.on('message', (message: Answer) => {
    if (message.kind === 'progress') {
      onProgress(message.progress);
      return;
    }
    const one = waiting.get(message.id);
    waiting.delete(message.id);
    if (message.kind === 'value') one?.resolve(message.value);
    else one?.reject(new Error(message.message));
  });
  const fail = (error: Error) => {
    for (const one of waiting.values()) one.reject(error);
    waiting.clear();
  };
  worker.on('error', fail);
  worker.on('exit', () => fail(new SessionEnded('the audit was ended')));
  const ask = <T>(question: Question): Promise<T> =>
    new Promise<T>((resolve, reject) => {
      const id = ++last;
      waiting.set(id, { resolve: resolve as (value: unknown) => void, reject });
      worker.postMessage({ id, question });
    });
  return {
    open: (task) => ask({ kind: 'open', task }),
    restore: (task) => ask({ kind: 'restore', task }),
    rigging: (pins) => ask({ kind: 'rigging', pins }),
    strand: (ref) => ask({ kind: 'strand', ref }),
    search: (query) => ask({ kind: 'search', query }),
    catalogue: () => ask({ kind: 'catalogue' }),
    joined: () => ask({ kind: 'joined' }),
    component: (ref) => ask({ kind: 'component', ref }),
    joint: (ref, at) => ask({ kind: 'joint', ref, at }),
    end: async () => void (await worker.terminate()),
  };
}
