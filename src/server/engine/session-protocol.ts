/** What the server asks a project's thread, and what comes back. */
import type { Config } from '../../api/config';
import type { RiggingAsk, StrandAsk } from '../../api/schemas';
import type { Report } from '../../core/report/summary';
import type { KnownFacts } from '../db/facts';
import type { AuditFacts, NewAudit, NumberedFinding, StoredFile } from '../db/saving';

/** What an audit has many of: it crosses between threads in portions, so that no message takes long. */
export interface Many {
  files: StoredFile;
  findings: NumberedFinding;
  facts: KnownFacts;
}

/** An audit without what it has many of; how many of each there are to be fetched. */
export interface OpenedAudit extends AuditFacts {
  report: Omit<Report, 'findings'>;
  counts: Record<keyof Many, number>;
  /**
   * Where the thread had kept an audit before and was asked for what is new since: files and findings are those that the
   * audit before does not have, and these of it hold no longer: are no more, or are other than they were.
   */
  gone?: NonNullable<NewAudit['gone']>;
}

export type Question =
  /** What was kept of the audit before: its files, with their texts, and its facts. */
  | { kind: 'known'; files: StoredFile[]; facts: KnownFacts[] }
  /** Audits the folder; `since` asks for what is new since the audit that the thread kept last. */
  | { kind: 'open'; root: string; since: boolean }
  | { kind: 'restore'; config: Config | undefined }
  | { kind: 'part'; of: keyof Many; from: number; most: number }
  /** All of the audit that was opened is kept: nobody fetches what it has many of any more. */
  | { kind: 'kept' }
  /** Brings what is shown up to what the folder holds; with `paths`, nothing but these files has changed. */
  | { kind: 'freshen'; root: string; paths: string[] | undefined }
  /** What is shown in place of what was kept, where the folder is ahead of that. */
  | { kind: 'ahead' }
  | { kind: 'ahead-findings' }
  | { kind: 'ahead-finding'; fingerprint: string }
  | { kind: 'ahead-source'; path: string }
  | { kind: 'rigging'; ask: RiggingAsk }
  | { kind: 'rows'; ask: RiggingAsk; from: number; most: number }
  | { kind: 'strand'; ask: StrandAsk }
  | { kind: 'search'; query: string }
  | { kind: 'catalogue' }
  | { kind: 'joined' }
  | { kind: 'overview' }
  | { kind: 'sheets' }
  | { kind: 'written'; title: string }
  /** What a text would say as a sheet of the project. */
  | { kind: 'draft'; path: string; text: string }
  | { kind: 'component'; ref: string }
  /** Components that are alike: to one, or to each other. */
  | { kind: 'alike'; ref?: string }
  | { kind: 'joint'; ref: string; at: number };
