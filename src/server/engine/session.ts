/** The server's side of a project's thread. */
import { Worker } from 'node:worker_threads';
import type { Alike, CatalogueRow, ComponentView, JointView, Overview } from '../../api/component-schemas';
import type {
  Ahead,
  Finding,
  FindingRow,
  Hit,
  JoinedView,
  RiggingAsk,
  RiggingView,
  RowWindow,
  StrandAsk,
  StrandView,
} from '../../api/schemas';
import type { DraftView } from '../../api/sheet-schemas';
import type { AheadState } from './ahead';
import type { Progress } from './folder';
import type { Config } from '../../api/config';
import type { Unfound } from '../../core/trace/references';
import type { KnownFacts } from '../db/facts';
import type { StoredFile } from '../db/saving';
import { askThread } from '../threads/asking';
import type { Many, OpenedAudit, Question } from './session-protocol';
import { workerFile } from '../threads/worker-file';

/** The thread was ended before it answered. */
export class SessionEnded extends Error {}

/** The thread ended by itself before it answered: out of memory, say. */
export class SessionCrashed extends Error {}

export interface Session {
  /** Says what was kept of the audit before, in portions, before the folder is audited or what was kept is opened. */
  know(part: { files: StoredFile[]; facts: KnownFacts[] }): Promise<void>;
  /** Audits the folder, or brings the audit that it has up to date; `since` asks for what is new since it was kept. */
  open(root: string, since: boolean): Promise<OpenedAudit>;
  restore(config: Config | undefined): Promise<void>;
  /** Some of what the opened audit has many of. */
  part<K extends keyof Many>(of: K, from: number, most: number): Promise<Many[K][]>;
  /** Says that all of the audit is kept: what was only there to be fetched is let go. */
  kept(): Promise<void>;
  /** Brings what is shown up to what the folder holds; gives what is other than in what was kept. */
  freshen(root: string, paths?: string[]): Promise<Ahead | undefined>;
  /** Of a folder that is ahead of what was kept; undefined of one that is not. */
  ahead(): Promise<AheadState['summary'] | undefined>;
  aheadFindings(): Promise<FindingRow[] | undefined>;
  aheadFinding(fingerprint: string): Promise<Finding | undefined>;
  aheadSource(path: string): Promise<string | undefined>;
  rigging(ask: RiggingAsk): Promise<RiggingView>;
  /** Rows of the chart that the same question shows, from one place on. */
  rows(ask: RiggingAsk, from: number, most: number): Promise<RowWindow>;
  strand(ask: StrandAsk): Promise<StrandView | Unfound>;
  search(query: string): Promise<Hit[]>;
  catalogue(): Promise<CatalogueRow[]>;
  joined(): Promise<JoinedView>;
  overview(): Promise<Overview>;
  component(ref: string): Promise<ComponentView | Unfound>;
  /** Components that are alike: to one, or to each other. */
  alike(ref?: string): Promise<Alike | Unfound>;
  /** A call site of a component; undefined if it has no so many. */
  joint(ref: string, at: number): Promise<JointView | Unfound | undefined>;
  /** Paths of the sheets in the project. */
  sheets(): Promise<string[]>;
  /** The whole project written down as a sheet. */
  written(title: string): Promise<string>;
  /** What a text would say as a sheet of the project. */
  draft(path: string, text: string): Promise<DraftView>;
  /** It has answered all that it was asked. */
  idle(): boolean;
  end(): Promise<void>;
}

export interface SessionListener {
  onProgress?(progress: Progress): void;
  /** It ended, by itself or because it was told to; `crash` is why, where nobody told it to. */
  onEnd?(crash: Error | undefined): void;
}

/** Starts a thread. What it has not answered when it ends is rejected, and so is what it is asked afterwards. */
export function startSession({ onProgress, onEnd }: SessionListener = {}): Session {
  const worker = new Worker(workerFile('session-worker'));
  let told = false;
  let crash: Error | undefined;
  const { ask, idle, end } = askThread<Question, Progress>(worker, onProgress);
  worker.on('error', (error: Error) => (crash = error));
  worker.on('exit', (code) => {
    if (!told) crash ??= new Error(`it ended with code ${code}`);
    end(
      told
        ? new SessionEnded('the audit was ended')
        : new SessionCrashed(`the project's thread ended: ${crash!.message}`, { cause: crash }),
    );
    onEnd?.(told ? undefined : crash);
  });
  return {
    know: (part) => ask({ kind: 'known', ...part }),
    open: (root, since) => ask({ kind: 'open', root, since }),
    restore: (config) => ask({ kind: 'restore', config }),
    part: (of, from, most) => ask({ kind: 'part', of, from, most }),
    kept: () => ask({ kind: 'kept' }),
    freshen: (root, paths) => ask({ kind: 'freshen', root, paths }),
    ahead: () => ask({ kind: 'ahead' }),
    aheadFindings: () => ask({ kind: 'ahead-findings' }),
    aheadFinding: (fingerprint) => ask({ kind: 'ahead-finding', fingerprint }),
    aheadSource: (path) => ask({ kind: 'ahead-source', path }),
    rigging: (wish) => ask({ kind: 'rigging', ask: wish }),
    rows: (wish, from, most) => ask({ kind: 'rows', ask: wish, from, most }),
    strand: (wish) => ask({ kind: 'strand', ask: wish }),
    search: (query) => ask({ kind: 'search', query }),
    catalogue: () => ask({ kind: 'catalogue' }),
    joined: () => ask({ kind: 'joined' }),
    overview: () => ask({ kind: 'overview' }),
    component: (ref) => ask({ kind: 'component', ref }),
    alike: (ref) => ask({ kind: 'alike', ...(ref === undefined ? {} : { ref }) }),
    joint: (ref, at) => ask({ kind: 'joint', ref, at }),
    sheets: () => ask({ kind: 'sheets' }),
    written: (title) => ask({ kind: 'written', title }),
    draft: (path, text) => ask({ kind: 'draft', path, text }),
    idle,
    end: async () => {
      told = true;
      await worker.terminate();
    },
  };
}
