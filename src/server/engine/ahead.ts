/** What a folder holds now, beside the audit of it that was kept last. */
import type { Ahead, AuditSummary, FindingRow, Finding } from '../../api/schemas';
import { reportOf, type ReportedFinding } from '../../core/report/summary';
import { compared } from '../db/audits';
import type { FolderAudit } from './folder';
import { languagesOf } from './languages';

/** What there was when an audit was kept. */
export interface Base {
  hashes: ReadonlyMap<string, string>;
  findings: ReportedFinding[];
}

export interface AheadState {
  ahead: Ahead;
  /** What is shown of the audit in place of what was kept. */
  summary: Omit<AuditSummary, 'id' | 'finishedAt' | 'milliseconds'>;
  findings: Finding[];
}

/** Paths that are told; how many more there are is a number. */
const MOST_PATHS = 20;

/** Texts by path, as far as they could be read. */
export const hashesNow = ({ texts }: FolderAudit): Map<string, string> =>
  new Map([...texts].flatMap(([path, { hash }]) => (hash ? [[path, hash] as const] : [])));

/** Undefined where the folder holds what was kept. */
export function aheadOf(folder: FolderAudit, base: Base, at: Date): AheadState | undefined {
  const now = hashesNow(folder);
  const paths = [...now].flatMap(([path, hash]) => (base.hashes.get(path) === hash ? [] : [path]));
  paths.push(...[...base.hashes.keys()].filter((path) => !now.has(path)));
  if (!paths.length && !folder.broken.size) return undefined;
  const { result } = folder.audit;
  const { findings, gaps: _, ...report } = reportOf(result, folder.textOf, folder.skipped);
  const { new: fresh, gone } = compared(base.findings, findings);
  const isFresh = new Set(fresh);
  return {
    ahead: {
      at: at.toISOString(),
      files: paths.length,
      paths: paths.sort().slice(0, MOST_PATHS),
      fresh: fresh.length,
      gone: gone.length,
      broken: [...folder.broken].map(([file, one]) => ({ file, ...one })),
    },
    summary: { ...report, languages: languagesOf(result) },
    findings: findings.map((one) => (isFresh.has(one) ? { ...one, fresh: true } : one)),
  };
}

export const rowsOf = ({ findings }: AheadState): FindingRow[] => findings.map(({ trail: _, ...row }) => row);
