/** Audits a folder: walk, read in worker threads, link, rules. */
import ignore from 'ignore';
import { readFile as readText, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Config } from '../../api/config';
import { ConfigError } from '../../api/config-error';
import { openAudit, type Audit } from '../../core/audit';
import { readManifest, type Manifest } from '../../core/readers/manifest';
import { RULES, type Settings } from '../../core/rules';
import type { Skipped } from '../../core/report/summary';
import { CONFIG_FILE } from '../sources/settings-file';
import { walk } from '../sources/walk';
import type { FactsBefore, FolderAudit, Progress } from './folder';
import { changesBetween } from './freshen';
import { hashesOf, readAll, type ReadSoFar, takeRead, Threads, WORTH_THREADS } from './read-files';
import { readTask, type ReadResult, type ReadTask, type ReadTexts } from './reader-worker';

export interface FolderOptions {
  config?: Config;
  signal?: AbortSignal;
  onProgress?(progress: Progress): void;
  /** An audit before this one, so that unchanged files need no reading. */
  before?: FactsBefore;
  /** An audit of the folder that is still at hand: it is brought up to date. What it knows goes before `before`. */
  last?: FolderAudit;
  /** With `last`: a file that cannot be understood any more keeps what was known of it. */
  keepBroken?: boolean;
  /** With `last`: texts that stand in no file yet, by path. */
  unsaved?: ReadonlyMap<string, string>;
}

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
  const file = path ?? join(root, CONFIG_FILE);
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
  const now: ReadSoFar = { facts: new Map(), texts: new Map(), broken: new Map() };
  const { facts, texts } = now;
  const take = (task: ReadTask, result: ReadResult | ReadTexts) => {
    takeRead(now, task, result, before?.facts, options.keepBroken ? last : undefined);
    progress('reading', found, facts.size);
  };
  const { unsaved } = options;
  const known = before && {
    ...before,
    ...(last ? { texts: last.texts } : {}),
    ...(unsaved ? { unsaved } : {}),
  };
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
    if (changes.size || !isSame) audit.update(changes, isSame ? undefined : said, onProgress);
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
    ...now,
    skipped: walked.skipped,
    manifests,
    textOf: (path) => texts.get(path)?.text ?? '',
  };
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
