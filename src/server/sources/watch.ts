/** Watches what an audit reads of a folder. */
import { existsSync } from 'node:fs';
import { basename, join, relative, sep } from 'node:path';
import { watch } from 'chokidar';
import { isReadable } from '../../core/readers';
import { isManifest } from '../../core/readers/manifest';
import { saysWhatCounts } from './settings-file';
import { NEVER, walk, type WalkOptions } from './walk';

/** Paths from the root of files whose texts are others now; undefined where files came or went, or what says which count. */
export type Changes = ReadonlySet<string> | undefined;

export interface Watching {
  /** It sees what happens from now on. Rejects, with a sentence, where the system does not let it. */
  ready: Promise<void>;
  close(): Promise<void>;
}

/** Milliseconds without a change until what changed is told. */
const QUIET = 40;
/** Where much changes at once, more is to come. */
const MANY = 25;
const QUIET_AFTER_MANY = 300;
/** Git writes its files while this is there; what was left behind by a crash is not waited for. */
const GIT_WRITES = '.git/index.lock';
const MOST_WAIT = 10_000;

/** `onLost` is told why, where it can watch no more. */
export function watchFolder(
  root: string,
  options: Pick<WalkOptions, 'include' | 'exclude'>,
  onChange: (changes: Changes) => void,
  onLost: (reason: string) => void,
): Watching {
  let texts = new Set<string>();
  let isMore = false;
  let first = 0;
  let timer: NodeJS.Timeout | undefined;
  const closing = new AbortController();

  const note = (path: string, isText: boolean): void => {
    if (isText) texts.add(path);
    else isMore = true;
    first ||= Date.now();
    clearTimeout(timer);
    timer = setTimeout(tell, texts.size > MANY || isMore ? QUIET_AFTER_MANY : QUIET);
  };
  const tell = (): void => {
    if (existsSync(join(root, GIT_WRITES)) && Date.now() - first < MOST_WAIT) {
      timer = setTimeout(tell, QUIET_AFTER_MANY);
      return;
    }
    const changes = isMore ? undefined : texts;
    texts = new Set();
    isMore = false;
    first = 0;
    onChange(changes);
  };

  const started = walk(root, { ...options, signal: closing.signal }).then(({ left }) => {
    closing.signal.throwIfAborted();
    const leftOut = new Set(left);
    const pathOf = (path: string) => relative(root, path).split(sep).join('/');
    const watcher = watch(root, {
      ignoreInitial: true,
      followSymlinks: false,
      ignored: (full, stats) => {
        const path = pathOf(full);
        if (path === '') return false;
        if (NEVER.has(basename(path)) || leftOut.has(path)) return true;
        return stats?.isFile() === true && !isOfInterest(path);
      },
    });
    watcher.on('all', (event, full) => {
      if (event === 'addDir') return;
      const path = pathOf(full);
      note(path, event === 'change' && !changesAll(path));
    });
    return { watcher, ready: becomesReady(watcher, onLost) };
  });
  return {
    ready: started.then((one) => one.ready),
    async close() {
      closing.abort();
      clearTimeout(timer);
      await started.then(({ watcher }) => watcher.close()).catch(() => undefined);
      clearTimeout(timer);
    },
  };
}

function becomesReady(watcher: ReturnType<typeof watch>, onLost: (reason: string) => void): Promise<void> {
  return new Promise((resolve, reject) => {
    let isReady = false;
    watcher.once('ready', () => {
      isReady = true;
      resolve();
    });
    watcher.on('error', (error) => {
      const reason = reasonOf(error as NodeJS.ErrnoException);
      void watcher.close();
      if (isReady) onLost(reason);
      else reject(new Error(reason));
    });
  });
}

function reasonOf({ code, message }: NodeJS.ErrnoException): string {
  if (code === 'ENOSPC') return 'the system watches no more folders for this user (ENOSPC)';
  if (code === 'EMFILE') return 'the system opens no more files for this program (EMFILE)';
  return message;
}

const changesAll = (path: string): boolean => isManifest(path) || saysWhatCounts(path);

const isOfInterest = (path: string): boolean => isReadable(path) || changesAll(path);
