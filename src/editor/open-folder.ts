/** A folder that is open in an editor: its thread, what is typed in it, and what its files become. */
import { relative, sep } from 'node:path';
import { Worker } from 'node:worker_threads';
import { URI } from 'vscode-uri';
import { type Changes, watchFolder, type Watching } from '../server/sources/watch';
import { askThread } from '../server/threads/asking';
import { workerFile } from '../server/threads/worker-file';
import type { Answers, Diagnosed, Question } from './questions';

/** Milliseconds without a key until what is typed is audited. */
const TYPED = 250;

export interface OpenFolder {
  root: string;
  /** The path of a document in the folder; undefined of one that lies elsewhere. */
  pathOf(uri: string): string | undefined;
  /** A document is typed in; without a text, its file holds again. */
  typed(path: string, text: string | null): void;
  /** Answers once what was typed before is audited. */
  ask<K extends Question['kind']>(question: Extract<Question, { kind: K }>): Promise<Answers[K]>;
  open(workbench: string | undefined): Promise<Answers['open']>;
  close(): Promise<void>;
}

export interface FolderListener {
  onDiagnosed(list: Diagnosed): void;
  onFailure(reason: string): void;
}

export function openFolder(root: string, { onDiagnosed, onFailure }: FolderListener): OpenFolder {
  const worker = new Worker(workerFile('folder-worker'));
  const thread = askThread<Question>(worker);
  let crash: Error | undefined;
  let closed = false;
  worker.on('error', (error: Error) => (crash = error));
  worker.on('exit', (code) => {
    const reason = crash ?? new Error(`the thread of ${root} ended with code ${code}`);
    thread.end(reason);
    if (!closed) onFailure(reason.message);
  });
  const ask = <K extends Question['kind']>(question: Extract<Question, { kind: K }>) =>
    thread.ask<Answers[K]>(question);

  /** Paths that are others than what is audited; undefined where files came or went. */
  let stale: Set<string> | undefined = new Set();
  let timer: NodeJS.Timeout | undefined;
  let isOpen: Promise<unknown> = Promise.resolve();
  let watching: Watching | undefined;

  const isStale = (): boolean => stale === undefined || stale.size > 0;

  async function freshen(): Promise<void> {
    clearTimeout(timer);
    await isOpen;
    if (closed || !isStale()) return;
    const paths = stale && [...stale];
    stale = new Set();
    try {
      onDiagnosed(await ask({ kind: 'freshen', ...(paths ? { paths } : {}) }));
    } catch (error) {
      if (!closed) onFailure(error instanceof Error ? error.message : String(error));
    }
  }

  function change(changes: Changes, wait: number): void {
    stale = stale && changes ? new Set([...stale, ...changes]) : undefined;
    clearTimeout(timer);
    timer = setTimeout(() => void freshen(), wait);
  }

  return {
    root,
    pathOf(uri) {
      const { scheme, fsPath } = URI.parse(uri);
      const path = relative(root, fsPath).split(sep).join('/');
      return scheme !== 'file' || path === '' || path.startsWith('../') ? undefined : path;
    },
    typed(path, text) {
      void ask({ kind: 'write', texts: [[path, text]] }).catch(() => undefined);
      change(new Set([path]), TYPED);
    },
    async ask(question) {
      await freshen();
      return ask(question);
    },
    async open(workbench) {
      const opening = ask({ kind: 'open', root, ...(workbench === undefined ? {} : { workbench }) });
      isOpen = opening.catch(() => undefined);
      const opened = await opening;
      watching = watchFolder(
        root,
        {},
        (changes) => change(changes, 0),
        () => undefined,
      );
      // Without it, only what is typed and saved in the editor is followed.
      watching.ready.catch(() => undefined);
      return opened;
    },
    async close() {
      closed = true;
      clearTimeout(timer);
      await watching?.close();
      await worker.terminate();
    },
  };
}
