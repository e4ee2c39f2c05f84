/** Reads files to facts: here, or in worker threads where there are many. */
import { availableParallelism } from 'node:os';
import type { Piscina } from 'piscina';
import type { FileFacts } from '../../core/model/facts';
import type { FactsBefore, FolderAudit } from './folder';
import { type KnownText, readTask, type ReadResult, type ReadTask, type ReadTexts } from './reader-worker';
import { workerFile } from '../threads/worker-file';

/** Fewer files than this are read faster than a thread starts. */
export const WORTH_THREADS = 60;
const BATCH = 24;

export type ReadSoFar = Pick<FolderAudit, 'facts' | 'texts' | 'broken'>;

/** Takes over what a task has read; facts that are known already come from `known`. */
export function takeRead(
  now: ReadSoFar,
  task: ReadTask,
  result: ReadResult | ReadTexts,
  known: ReadonlyMap<string, FileFacts> | undefined,
  last: FolderAudit | undefined,
): void {
  const list = 'json' in result ? (JSON.parse(result.json) as (FileFacts | null)[]) : result.facts;
  task.paths.forEach((path, i) => {
    const one = list[i] ?? known!.get(path)!;
    const was = last?.facts.get(path);
    const isBroken = one.problem && was && !was.problem;
    now.facts.set(path, isBroken ? was : one);
    now.texts.set(path, isBroken ? last!.texts.get(path)! : result.read[i]!);
    if (isBroken) now.broken.set(path, one.problem!);
    else now.broken.delete(path);
  });
}

export const hashesOf = (texts: FolderAudit['texts']): Map<string, string> =>
  new Map([...texts].map(([path, { hash }]) => [path, hash]));

/** Threads that read files; started once, when they are worth it. */
export class Threads {
  readonly count = Math.max(1, availableParallelism() - 1);
  private pool: Promise<Piscina<ReadTask, ReadResult>> | undefined;

  start(): Promise<Piscina<ReadTask, ReadResult>> {
    this.pool ??= import('piscina').then(
      ({ Piscina: Pool }) =>
        new Pool<ReadTask, ReadResult>({
          filename: workerFile('reader-worker').href,
          minThreads: this.count,
          maxThreads: this.count,
          concurrentTasksPerWorker: 2,
        }),
    );
    return this.pool;
  }

  stop(): void {
    void this.pool?.then((pool) => pool.destroy());
  }
}

/** What is known of the files of an audit before, and their texts, where these are still at hand. */
export type Known = FactsBefore & {
  texts?: FolderAudit['texts'];
  unsaved?: ReadonlyMap<string, string>;
};

export function knownText({ facts, hashes }: Known, path: string): KnownText {
  const { parts } = facts.get(path) ?? {};
  return { hash: hashes.get(path) ?? '', ...(parts ? { parts } : {}) };
}

export async function readAll(
  root: string,
  sources: string[],
  before: Known | undefined,
  signal: AbortSignal | undefined,
  take: (task: ReadTask, result: ReadResult | ReadTexts) => void,
  threads: Threads,
): Promise<void> {
  const tasks: ReadTask[] = [];
  for (let i = 0; i < sources.length; i += BATCH) {
    const paths = sources.slice(i, i + BATCH);
    const known = before && Object.fromEntries(paths.map((path) => [path, knownText(before, path)]));
    const { texts, unsaved } = before ?? {};
    tasks.push({
      root,
      paths,
      ...(known ? { known } : {}),
      ...(texts ? { last: texts } : {}),
      ...(unsaved ? { unsaved } : {}),
    });
  }
  if (sources.length < WORTH_THREADS || before) return readHere(tasks.reverse(), signal, take);
  // This thread reads too: what it reads needs no crossing.
  const pool = await threads.start();
  const queue = tasks.reverse();
  const elsewhere = Array.from({ length: threads.count * 2 }, async () => {
    for (let task = queue.pop(); task; task = queue.pop()) {
      take(task, await pool.run(task, signal ? { signal } : {}));
    }
  });
  try {
    await readHere(queue, signal, take);
    await Promise.all(elsewhere);
  } finally {
    threads.stop();
  }
}

/** Reads tasks in this thread, with a pause after each for progress, results and cancelling. */
async function readHere(
  queue: ReadTask[],
  signal: AbortSignal | undefined,
  take: (task: ReadTask, result: ReadTexts) => void,
): Promise<void> {
  for (let task = queue.pop(); task; task = queue.pop()) {
    signal?.throwIfAborted();
    take(task, readTask(task));
    await new Promise((resolve) => setImmediate(resolve));
  }
}
