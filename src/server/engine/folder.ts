/** An audited folder: what was read of it, and what was made of that. */
import type { Config } from '../../api/config';
import type { Audit } from '../../core/audit';
import type { FileFacts } from '../../core/model/facts';
import type { Skipped } from '../../core/report/summary';
import type { ReadText } from './reader-worker';

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
  /** Files that are broken at the moment, of which what was known before is shown; why, by path. */
  broken: Map<string, Broken>;
  textOf(path: string): string;
}

export interface Broken {
  message: string;
  line: number;
  column: number;
}

/** Facts that were made earlier, with the hashes of the texts that they were made of, by path. */
export interface FactsBefore {
  facts: Map<string, FileFacts>;
  hashes: Map<string, string>;
}
