/** Audits a folder: walk, read in worker threads, link, rules. */
import ignore from 'ignore';
import { readFile as readText, stat } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import type { Piscina } from 'piscina';
import type { Config } from '../../api/config';
import { ConfigError } from '../../api/config-error';
import { openAudit, type Audit } from '../../core/audit';
import type { FileFacts } from '../../core/model/facts';
import { readManifest, type Manifest } from '../../core/readers/manifest';
import { RULES, type Settings } from '../../core/rules';
import type { Skipped } from '../../core/report/summary';
import { walk } from '../sources/walk';
import {
  type KnownText,
  readTask,
  type ReadResult,
  type ReadTask,
  type ReadText,
  type ReadTexts,
} from './reader-worker';
import { workerFile } from '../threads/worker-file';

export interface Progress {
  stage: 'finding' | 'reading' | 'linking' | 'done';
  found: number;
  read: number;
}

export interface FolderAudit {
  audit: Audit;
  config: Config | undefined;
  facts: Map<string, FileFacts>;
  /** What was read, with its hash, by path: of files that could not be read, nothing. */
  texts: Map<string, ReadText>;
  skipped: Skipped[];
  /** The package and path manifests that were read. */
  manifests: { path: string; text: string }[];
  textOf(path: string): string;
}

export interface FolderOptions {
  config?: Config;
  signal?: AbortSignal;
  onProgress?(progress: Progress): void;
  /** Facts of an audit before this one, so that unchanged files need no reading. */
  before?: { facts: Map<string, FileFacts>; hashes: Map<string, string> };
  /** An audit of the folder that is still at hand: it is brought up to date. What it knows goes before `before`. */
  last?: FolderAudit;
}

/** Fewer files than this are read faster than a thread starts. */
const WORTH_THREADS = 60;
const BATCH = 24;

/** Whether a path from the audited root is meant by globs, as ignore files write them. */
function matcherOf(globs: string[]): (path: string) => boolean {
  const matcher = ignore().add(globs);
  return (path) => matcher.ignores(path);
}

export const settingsOf = (config: Config | undefined): Settings => ({
  drillDepth: config?.drillDepth ?? 2,
  roots: config?.roots ?? [],
  ...(config?.beside ? { beside: matcherOf(config.beside) } : {}),
  rules: config?.rules ?? {},
});

/** Reads and checks a settings file; without a path, the one at the root, if there is one. */
export async function loadConfig(root: string, path?: string): Promise<Config | undefined> {
  const file = path ?? join(root, 'zinc-rope.config.json');
  let text: string;
  try {
    if (!(await stat(file)).isFile()) throw new ConfigError(`${file}: the settings file is no file`);
    text = await readText(file, 'utf8');
  } catch (error) {
    if (error instanceof ConfigError) throw error;
    if (path === undefined && (error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
    throw new ConfigError(`${file}: the settings file cannot be read`);
  }
  let json: unknown;
  try {
    json = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch (error) {
    throw new ConfigError(
      `${file}: ${error instanceof RangeError ? 'it is nested too deeply' : (error as Error).message}`,
    );
  }
  const { parseConfig } = await import('../../api/config');
  return parseConfig(
    json,
    file,
    RULES.map((rule) => rule.name),
  );
}

export async function auditFolder(root: string, options: FolderOptions = {}): Promise<FolderAudit> {
  const { config, signal, last } = options;
  const before = last ? { facts: last.facts, hashes: hashesOf(last.texts) } : options.before;
  const progress = (stage: Progress['stage'], found: number, done: number) =>
    options.onProgress?.({ stage, found, read: done });
  progress('finding', 0, 0);
  const threads = new Threads();
  const walked = await walk(root, {
    ...(config?.include ? { include: config.include } : {}),
    ...(config?.exclude ? { exclude: config.exclude } : {}),
    ...(signal ? { signal } : {}),
    onFound: (count) => {
      // Threads are there when the walk ends.
      if (count >= WORTH_THREADS && !before) void threads.start();
      progress('finding', count, 0);
    },
  }).catch((error: unknown) => {
    threads.stop();
    throw error;
  });
  const found = walked.sources.length;
  const facts = new Map<string, FileFacts>();
  const texts = new Map<string, ReadText>();
  const take = (task: ReadTask, result: ReadResult | ReadTexts) => {
    const list = 'json' in result ? (JSON.parse(result.json) as (FileFacts | null)[]) : result.facts;
    task.paths.forEach((path, i) => {
      facts.set(path, list[i] ?? before!.facts.get(path)!);
      texts.set(path, result.read[i]!);
    });
    progress('reading', found, facts.size);
  };
  const known = before && { ...before, ...(last ? { texts: last.texts } : {}) };
  await readAll(root, walked.sources, known, signal, take, threads);
  // What the walk left out may be a part of what it found.
  const more = [...facts.values()].flatMap((one) => (one.parts ?? []).map(({ path }) => path));
  const paths = [...new Set(more)].filter((path) => !facts.has(path));
  if (paths.length) take({ root, paths }, readTask({ root, paths }));
  signal?.throwIfAborted();
  progress('linking', found, 0);
  const manifests = await readManifests(root, walked.manifests);
  const onProgress = (share: number) => progress('linking', found, Math.round(share * found));
  const said = understood(manifests, walked.skipped);
  const isSameSettings = last && JSON.stringify(last.config) === JSON.stringify(config);
  let audit: Audit;
  if (isSameSettings) {
    audit = last.audit;
    const changes = changesBetween(last.facts, facts);
    const isSame = JSON.stringify(last.manifests) === JSON.stringify(manifests);
    if (changes.size || !isSame) audit.update(changes, said, onProgress);
  } else {
    audit = openAudit({
      facts: [...facts.values()],
      manifests: said,
      settings: settingsOf(config),
      onProgress,
    });
  }
  progress('done', found, found);
  return {
    audit,
    config,
    facts,
    texts,
    skipped: walked.skipped,
    manifests,
    textOf: (path) => texts.get(path)?.text ?? '',
  };
}

const hashesOf = (texts: FolderAudit['texts']): Map<string, string> =>
  new Map([...texts].map(([path, { hash }]) => [path, hash]));

/** The facts that are others than before, by path; undefined of files that are gone. */
function changesBetween(
  before: Map<string, FileFacts>,
  after: Map<string, FileFacts>,
): Map<string, FileFacts | undefined> {
  const changes = new Map<string, FileFacts | undefined>();
  for (const [path, one] of after) if (before.get(path) !== one) changes.set(path, one);
  for (const path of before.keys()) if (!after.has(path)) changes.set(path, undefined);
  return changes;
}

/** Threads that read files; started once, when they are worth it. */
class Threads {
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
type Known = NonNullable<FolderOptions['before']> & { texts?: FolderAudit['texts'] };

function knownText({ facts, hashes }: Known, path: string): KnownText {
  const { parts } = facts.get(path) ?? {};
  return { hash: hashes.get(path) ?? '', ...(parts ? { parts } : {}) };
}

async function readAll(
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
    const { texts } = before ?? {};
    tasks.push({ root, paths, ...(known ? { known } : {}), ...(texts ? { last: texts } : {}) });
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

const readManifests = (root: string, paths: string[]): Promise<FolderAudit['manifests']> =>
  Promise.all(
    paths.map(async (path) => ({ path, text: await readText(join(root, path), 'utf8').catch(() => '') })),
  );

/** What manifests say; of one that cannot be read, why. */
export function understood(list: FolderAudit['manifests'], skipped: Skipped[] = []): Manifest[] {
  return list.flatMap(({ path, text }) => {
    try {
      return readManifest(path, text) ?? [];
    } catch (error) {
      const reason = error instanceof RangeError ? 'it is nested too deeply' : (error as Error).message;
      skipped.push({ path, reason });
      return [];
    }
  });
}
