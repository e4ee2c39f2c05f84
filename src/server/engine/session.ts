/** The server's side of a project's thread. */
import { Worker } from 'node:worker_threads';
import type { CatalogueRow, ComponentView, JointView } from '../../api/component-schemas';
import type { Hit, JoinedView, RiggingView, StrandView } from '../../api/schemas';
import type { Progress } from './audit-folder';
import type { Answer, OpenedAudit, OpenTask, Question, RestoreTask } from './session-protocol';
import { workerFile } from './worker-file';

/** The thread was ended before it answered. */
export class SessionEnded extends Error {}

/** The thread ended by itself before it answered: out of memory, say. */
export class SessionCrashed extends Error {}

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
  /** It has answered all that it was asked. */
  idle(): boolean;
  end(): Promise<void>;
}

interface Waiting {
  resolve(value: unknown): void;
  reject(error: Error): void;
}

export interface SessionListener {
  onProgress?(progress: Progress): void;
  /** It ended, by itself or because it was told to; `crash` is why, where nobody told it to. */
  onEnd?(crash: Error | undefined): void;
}

/** Starts a thread. What it has not answered when it ends is rejected, and so is what it is asked afterwards. */
export function startSession({ onProgress, onEnd }: SessionListener = {}): Session {
  const worker = new Worker(workerFile('session-worker'));
  const waiting = new Map<number, Waiting>();
  let last = 0;
  let told = false;
  let crash: Error | undefined;
  let ended: Error | undefined;
  worker.on('message', (message: Answer) => {
    if (message.kind === 'progress') {
      onProgress?.(message.progress);
      return;
    }
    const one = waiting.get(message.id);
    waiting.delete(message.id);
    if (message.kind === 'value') one?.resolve(message.value);
    else one?.reject(Object.assign(new Error(message.message), { stack: message.stack }));
  });
  worker.on('error', (error: Error) => (crash = error));
  worker.on('exit', (code) => {
    if (!told) crash ??= new Error(`it ended with code ${code}`);
    ended = told
      ? new SessionEnded('the audit was ended')
      : new SessionCrashed(`the project's thread ended: ${crash!.message}`, { cause: crash });
    for (const one of waiting.values()) one.reject(ended);
    waiting.clear();
    onEnd?.(told ? undefined : crash);
  });
  const ask = <T>(question: Question): Promise<T> =>
    new Promise<T>((resolve, reject) => {
      if (ended) {
        reject(ended);
        return;
      }
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
    idle: () => waiting.size === 0,
    end: async () => {
      told = true;
      await worker.terminate();
    },
  };
}
