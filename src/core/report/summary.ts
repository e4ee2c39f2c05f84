/** The report that every format starts from: findings with readable places. */
import type { AuditResult } from '../audit';
import type { Finding, Level, Role } from '../model/finding';
import { type Account, accountOf, type Kind, REASONS, type Why } from '../link/joined';
import { oncePer } from '../model/once-per';
import { componentRef, nodeRef } from '../model/refs';
import { type Places, placesOf, type Spot, type TextOf } from './places';

export interface ReportedStep extends Spot {
  component: string;
  name: string;
  what: string;
  role: Role;
  /** The line of code. */
  code: string;
}

export interface ReportedFinding {
  rule: string;
  level: Level;
  message: string;
  subject: string;
  /** The port whose strand the finding is about, where there is one in the flow. */
  strand?: string;
  component: string;
  /** The call site that it is about: the component rendered there, and which of its call sites that is. */
  site?: { ref: string; at: number };
  place: Spot & { code: string };
  trail: ReportedStep[];
  suggestion?: string;
  edit?: Spot & { text: string };
  fingerprint: string;
  silenced?: string;
  beside?: true;
}

export interface Skipped {
  path: string;
  reason: string;
}

/** How much of what is written was joined to what it names. */
export interface Joined {
  tallies: Account['tallies'];
  /** Tags of components from packages; tags that render what they were handed. */
  foreign: number;
  handed: number;
}

/** Something that was not joined, and why. */
export interface ReportedGap extends Spot {
  kind: Kind;
  name: string;
  why: Why;
  reason: string;
  /** The import that leads nowhere. */
  from?: string;
  code: string;
}

export interface Report {
  joined: Joined;
  /** What is not joined, by place. */
  gaps: ReportedGap[];
  files: number;
  components: number;
  counts: Record<Level, number> & { silenced: number };
  findings: ReportedFinding[];
  /** Files that were not understood. */
  problems: { file: string; line: number; column: number; message: string }[];
  /** Files that were left out on purpose. */
  skipped: Skipped[];
}

/** Makes the report of an audit. Texts are asked for only where something is reported. */
export function reportOf(result: AuditResult, textOf: TextOf, skipped: Skipped[] = []): Report {
  const places = placesOf(result.project, textOf);
  const counts = { error: 0, warning: 0, note: 0, silenced: 0 };
  const findings = result.findings.map((finding): ReportedFinding => {
    counts[finding.silenced === undefined ? finding.level : 'silenced']++;
    return reportedAs(finding, result, places, textOf);
  });
  const account = accountOf(result.project);
  return {
    joined: joinedOf(account),
    gaps: gapsOf(account, places),
    files: result.project.files.length,
    components: result.project.components.filter((one) => one.facts.role === 'component').length,
    counts,
    findings,
    problems: result.problems.map(({ path, ...problem }) => ({ file: path, ...problem })),
    skipped,
  };
}

/** How a finding was reported last, with the texts that its places were looked up in. */
interface Earlier {
  texts: Map<string, string>;
  reported: ReportedFinding;
}

const earlierOf = oncePer((_finding: Finding): { last?: Earlier } => ({}));

/** A finding that stays is reported as before, unless a text in which it is shown is another one. */
function reportedAs(finding: Finding, result: AuditResult, places: Places, textOf: TextOf): ReportedFinding {
  const earlier = earlierOf(finding);
  if (earlier.last && isSameIn(earlier.last.texts, textOf)) return earlier.last.reported;
  const reported = reportedNow(finding, result, places);
  const files = [reported.place, ...reported.trail, ...(reported.edit ? [reported.edit] : [])];
  earlier.last = { reported, texts: new Map(files.map(({ file }) => [file, textOf(file)])) };
  return reported;
}

function isSameIn(texts: Map<string, string>, textOf: TextOf): boolean {
  for (const [file, text] of texts) if (textOf(file) !== text) return false;
  return true;
}

function reportedNow(finding: Finding, result: AuditResult, places: Places): ReportedFinding {
  const coded = (place: Finding['place']) => ({ ...places.spot(place), code: places.excerpt(place) });
  const { place, trail, edit, nodes, site, ...rest } = finding;
  const node = nodes[0] === undefined ? undefined : result.project.flow.nodes[nodes[0]];
  return {
    ...rest,
    ...(node ? { strand: nodeRef(result.project, node) } : {}),
    ...(site >= 0 ? { site: siteOf(result, site) } : {}),
    place: coded(place),
    trail: trail.map((step) => ({
      component: step.component,
      name: step.name,
      what: step.what,
      role: step.role,
      ...coded(step.place),
    })),
    ...(edit ? { edit: { ...places.spot(edit.place), text: edit.text } } : {}),
  };
}

export const joinedOf = ({ tallies, foreign, handed }: Account): Joined => ({ tallies, foreign, handed });

/** The list of what is not joined, in the order of the files. */
export function gapsOf(account: Account, places: Places): ReportedGap[] {
  return [...account.unjoined]
    .sort((a, b) => a.place.file - b.place.file || a.place.start - b.place.start)
    .map(({ place, kind, name, why, from }) => ({
      kind,
      name,
      why,
      reason: REASONS[why],
      ...(from === undefined ? {} : { from }),
      ...places.spot(place),
      code: places.excerpt(place),
    }));
}

function siteOf({ project }: AuditResult, site: number): { ref: string; at: number } {
  const target = project.components[project.sites[site]!.target]!;
  return { ref: componentRef(project, target), at: target.calledAt.indexOf(site) };
}

/** The steps that prove a finding at other places than its own. */
export const stepsElsewhere = ({ trail, place }: ReportedFinding): ReportedStep[] =>
  trail.filter((step) => step.file !== place.file || step.line !== place.line);

/** What a step says, in one line. */
export const stepText = ({ component, name, what }: ReportedStep): string => `${component}: ${name} ${what}`;

/** Whether a report holds anything at or above a level. */
export function reaches(report: Report, level: Level | 'never'): boolean {
  if (level === 'never') return false;
  const { error, warning, note } = report.counts;
  return error > 0 || (level !== 'error' && warning > 0) || (level === 'note' && note > 0);
}
