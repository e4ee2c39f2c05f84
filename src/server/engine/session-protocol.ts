/** What the server asks a project's thread, and what comes back. */
import type { Config } from '../../api/config';
import type { Report, ReportedFinding } from '../../core/report/summary';
import type { KnownFacts } from '../db/facts';
import type { AuditFacts, StoredFile } from '../db/projects';

/** What an audit has many of: it crosses between threads in portions, so that no message takes long. */
export interface Many {
  files: StoredFile;
  findings: ReportedFinding;
  facts: KnownFacts;
}

/** An audit without what it has many of; how many of each there are to be fetched. */
export interface OpenedAudit extends AuditFacts {
  report: Omit<Report, 'findings'>;
  counts: Record<keyof Many, number>;
}

export type Question =
  /** What was kept of the audit before: its files, with their texts, and its facts. */
  | { kind: 'known'; files: StoredFile[]; facts: KnownFacts[] }
  | { kind: 'open'; root: string }
  | { kind: 'restore'; config: Config | undefined }
  | { kind: 'part'; of: keyof Many; from: number; most: number }
  /** Nobody fetches what the audit has many of any more. */
  | { kind: 'kept' }
  | { kind: 'rigging'; pins: string[] }
  | { kind: 'strand'; ref: string }
  | { kind: 'search'; query: string }
  | { kind: 'catalogue' }
  | { kind: 'joined' }
  | { kind: 'component'; ref: string }
  | { kind: 'joint'; ref: string; at: number };
