/** The report for people at a terminal: grouped by file, with the line of code and the trail. */
import type { Report, ReportedFinding } from './summary';

export interface TextStyle {
  bold(text: string): string;
  dim(text: string): string;
  level(level: string, text: string): string;
}

export const PLAIN: TextStyle = { bold: (text) => text, dim: (text) => text, level: (_, text) => text };

const count = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`;

export function textReport(report: Report, style: TextStyle = PLAIN): string {
  const lines: string[] = [];
  const byFile = new Map<string, ReportedFinding[]>();
  for (const finding of report.findings) {
    if (finding.silenced !== undefined) continue;
    const list = byFile.get(finding.place.file) ?? [];
    byFile.set(finding.place.file, [...list, finding]);
  }
  for (const problem of report.problems) {
    lines.push(
      `${style.bold(problem.file)}:${problem.line}:${problem.column}  not understood: ${problem.message}`,
      '',
    );
  }
  for (const [file, findings] of byFile) {
    lines.push(style.bold(file));
    for (const finding of findings) lines.push(...findingText(finding, style));
    lines.push('');
  }
  for (const one of report.skipped) lines.push(style.dim(`left out ${one.path}: ${one.reason}`));
  if (report.skipped.length) lines.push('');
  const { error, warning, note, silenced } = report.counts;
  const parts = [count(error, 'error'), count(warning, 'warning'), count(note, 'note')];
  if (silenced) parts.push(`${silenced} silenced`);
  if (report.problems.length) parts.push(`${count(report.problems.length, 'file')} not understood`);
  lines.push(
    `${parts.join(', ')} in ${count(report.components, 'component')} of ${count(report.files, 'file')}.`,
  );
  return `${lines.join('\n')}\n`;
}

function findingText(finding: ReportedFinding, style: TextStyle): string[] {
  const { line, column } = finding.place;
  const lines = [
    `  ${line}:${column}  ${style.level(finding.level, finding.level)}  ${finding.message}  ${style.dim(finding.rule)}`,
    `      ${finding.place.code}`,
  ];
  for (const step of finding.trail) {
    lines.push(style.dim(`      - ${step.component}: ${step.name} ${step.what}  ${step.file}:${step.line}`));
  }
  return lines;
}
