/** For tests: audits snippets and shows findings as short lines. */
import { auditSources } from '../audit';
import type { Finding } from '../model/finding';
import type { Settings } from '.';

/** Findings as `rule path:line:column text-at-place`, in order. */
export function findingLines(sources: Record<string, string>, settings?: Settings): string[] {
  const { result } = auditSources(sources, settings);
  return result.findings.map((finding) =>
    lineOf(sources, finding, result.project.files[finding.place.file]!.path),
  );
}

function lineOf(sources: Record<string, string>, finding: Finding, path: string): string {
  const text = sources[path]!;
  const before = text.slice(0, finding.place.start).split('\n');
  const at = text.slice(finding.place.start, finding.place.end).replace(/\s+/g, ' ');
  const level = finding.silenced === undefined ? finding.level : 'silenced';
  return `${level} ${finding.rule} ${path}:${before.length} ${at}`;
}
