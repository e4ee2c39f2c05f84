/** What the server asks a project's thread, and what comes back. */
import type { Config } from '../../api/config';
import type { Report } from '../../core/report/summary';
import type { KnownFacts } from '../db/facts';
import type { NewAudit, StoredFile } from '../db/projects';
import type { Progress } from './audit-folder';

export interface OpenTask {
  root: string;
  known: KnownFacts[];
}

export interface RestoreTask {
  files: StoredFile[];
  known: KnownFacts[];
  config: Config | undefined;
}

export interface OpenedAudit extends NewAudit {
  report: Report;
  facts: KnownFacts[];
}

export type Question =
  | { kind: 'open'; task: OpenTask }
  | { kind: 'restore'; task: RestoreTask }
  | { kind: 'rigging'; pins: string[] }
  | { kind: 'strand'; ref: string }
  | { kind: 'search'; query: string }
  | { kind: 'catalogue' }
  | { kind: 'joined' }
  | { kind: 'component'; ref: string }
  | { kind: 'joint'; ref: string; at: number };

export type Answer =
  | { kind: 'value'; id: number; value: unknown }
  | { kind: 'error'; id: number; message: string; stack: string }
  | { kind: 'progress'; progress: Progress };
