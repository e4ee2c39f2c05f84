/** The report for people at a terminal: grouped by file, with the line of code and the trail. */
import { shareOf, WELL_JOINED } from '../link/joined';
import { type Level, LEVELS } from '../model/finding';
import { plain } from './plain';
import type { Report, ReportedFinding } from './summary';

export interface TextStyle {
  bold(text: string): string;
  dim(text: string): string;
  level(level: string, text: string): string;
}

export const PLAIN: TextStyle = { bold: (text) => text, dim: (text) => text, level: (_, text) => text };

const number = (n: number): string => n.toLocaleString('en');
const count = (n: number, word: string): string => `${number(n)} ${word}${n === 1 ? '' : 's'}`;

/** The whole report, or the summary at its end alone. */
export function textReport(
  report: Report,
  style: TextStyle = PLAIN,
  part: 'all' | 'summary' = 'all',
): string {
  const lines = part === 'all' ? detailsText(report, style) : [];
  lines.push(...rulesText(report, style));
  const { error, warning, note, silenced } = report.counts;
  const parts = [count(error, 'error'), count(warning, 'warning'), count(note, 'note')];
  if (silenced) parts.push(`${silenced} silenced`);
  if (report.problems.length) parts.push(`${count(report.problems.length, 'file')} not understood`);
  lines.push(
    `${parts.join(', ')} in ${count(report.components, 'component')} of ${count(report.files, 'file')}.`,
  );
  lines.push(joinedText(report));
  return `${lines.join('\n')}\n`;
}

/** What was not understood, each finding with its trail, what was left out. */
function detailsText(report: Report, style: TextStyle): string[] {
  const lines: string[] = [];
  const byFile = new Map<string, ReportedFinding[]>();
  for (const finding of report.findings) {
    if (finding.silenced !== undefined) continue;
    const list = byFile.get(finding.place.file);
    if (list) list.push(finding);
    else byFile.set(finding.place.file, [finding]);
  }
  for (const problem of report.problems) {
    lines.push(
      `${style.bold(plain(problem.file))}:${problem.line}:${problem.column}  not understood: ${plain(problem.message)}`,
      '',
    );
  }
  for (const [file, findings] of byFile) {
    lines.push(style.bold(plain(file)));
    for (const finding of findings) lines.push(...findingText(finding, style));
    lines.push('');
  }
  for (const one of report.skipped) lines.push(style.dim(plain(`left out ${one.path}: ${one.reason}`)));
  if (report.skipped.length) lines.push('');
  return lines;
}

/** How many findings each rule has, the gravest first; nothing where there is but one. */
function rulesText(report: Report, style: TextStyle): string[] {
  const counts = new Map<string, { rule: string; level: Level; of: number }>();
  for (const { rule, level, silenced } of report.findings) {
    if (silenced !== undefined) continue;
    const known = counts.get(`${level} ${rule}`);
    if (known) known.of++;
    else counts.set(`${level} ${rule}`, { rule, level, of: 1 });
  }
  if (counts.size < 2) return [];
  const sorted = [...counts.values()].sort(
    (a, b) => LEVELS.indexOf(a.level) - LEVELS.indexOf(b.level) || b.of - a.of || (a.rule < b.rule ? -1 : 1),
  );
  const width = Math.max(...sorted.map((one) => String(one.of).length));
  return [
    ...sorted.map(
      ({ rule, level, of }) =>
        `${String(of).padStart(width + 2)}  ${style.level(level, level.padEnd(7))}  ${rule}`,
    ),
    '',
  ];
}

/** How much was joined; where that is little, the most frequent reasons with the first place of each. */
function joinedText({ joined, gaps }: Report): string {
  const { tag } = joined.tallies;
  const rest = gaps.filter((one) => one.kind !== 'tag' || one.why !== 'chosen').length;
  const whole = `Joined ${number(tag.joined)} of ${count(tag.written, 'tag')}${rest ? `; ${count(rest, 'thing')} in all not joined (--format json lists them)` : ''}.`;
  if (shareOf(tag) >= WELL_JOINED) return whole;
  const reasons = new Map<string, typeof gaps>();
  for (const one of gaps) {
    if (one.kind !== 'tag' && one.kind !== 'import') continue;
    const known = reasons.get(one.reason);
    if (known) known.push(one);
    else reasons.set(one.reason, [one]);
  }
  const top = [...reasons].sort((a, b) => b[1].length - a[1].length).slice(0, 4);
  return [
    whole,
    ...top.map(([reason, list]) => {
      const [first] = list;
      return plain(`  ${number(list.length)}: ${reason}, as ${first!.name} in ${first!.file}:${first!.line}`);
    }),
  ].join('\n');
}

function findingText(finding: ReportedFinding, style: TextStyle): string[] {
  const { line, column } = finding.place;
  const lines = [
    `  ${line}:${column}  ${style.level(finding.level, finding.level)}  ${plain(finding.message)}  ${style.dim(finding.rule)}`,
    `      ${plain(finding.place.code)}`,
  ];
  for (const step of finding.trail) {
    lines.push(
      style.dim(plain(`      - ${step.component}: ${step.name} ${step.what}  ${step.file}:${step.line}`)),
    );
  }
  return lines;
}
