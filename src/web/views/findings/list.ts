/** Filtering, grouping and counting of findings. */
import type { FindingRow, Level } from '../../../api/schemas';
import { groupBy } from '../../parts/group-by';

export const GROUPINGS = ['rule', 'file', 'component'] as const;
export type Grouping = (typeof GROUPINGS)[number];

export interface FindingFilter {
  levels: ReadonlySet<string>;
  rule: string;
  /** A folder, or a file. */
  folder: string;
  component: string;
  text: string;
  silenced: boolean;
  /** Those in tests, stories and the like are shown, too. */
  beside: boolean;
  /** None but those that are not in the audit that was kept. */
  fresh: boolean;
  /** Those that are decided are shown, too. */
  decided: boolean;
}

/** Filters by a value, each of which has a list of its values with their counts. */
export type Facet = 'rule' | 'folder' | 'component';

const fits: Record<Facet, (finding: FindingRow, value: string) => boolean> = {
  rule: ({ rule }, value) => rule === value,
  folder: ({ place }, value) => place.file === value || place.file.startsWith(`${value}/`),
  component: ({ component }, value) => component === value,
};

/** Whether a finding passes a filter; `except` is left out of account. */
export function matches(finding: FindingRow, filter: FindingFilter, except?: Facet): boolean {
  const { levels, text, silenced, beside, fresh, decided } = filter;
  if (finding.decision !== undefined && !decided) return false;
  if (finding.silenced !== undefined && !silenced) return false;
  if (finding.beside && !beside) return false;
  if (fresh && !finding.fresh) return false;
  if (levels.size && !levels.has(finding.level)) return false;
  for (const facet of ['rule', 'folder', 'component'] as const)
    if (facet !== except && filter[facet] && !fits[facet](finding, filter[facet])) return false;
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const all = `${finding.message} ${finding.place.file} ${finding.subject} ${finding.rule}`.toLowerCase();
  return words.every((word) => all.includes(word));
}

const GRAVITY: Record<Level, number> = { error: 0, warning: 1, note: 2 };

export interface FacetValue {
  value: string;
  count: number;
  /** The gravest level among them. */
  level: Level;
}

/** How many findings there are for each value, the gravest first, then the most. */
export function countBy(findings: FindingRow[], keyOf: (finding: FindingRow) => string): FacetValue[] {
  const found = new Map<string, FacetValue>();
  for (const finding of findings) {
    const value = keyOf(finding);
    const known = found.get(value);
    if (!known) found.set(value, { value, count: 1, level: finding.level });
    else {
      known.count++;
      if (GRAVITY[finding.level] < GRAVITY[known.level]) known.level = finding.level;
    }
  }
  return [...found.values()].sort((a, b) => GRAVITY[a.level] - GRAVITY[b.level] || b.count - a.count);
}

/** What is said of one or several places. */
export interface Said {
  message: string;
  level: Level;
  /** In the order in which they were found. */
  findings: FindingRow[];
}

/** Findings by what they say, each sentence once: the gravest first, then what is said most often. */
export function saidOf(findings: FindingRow[]): Said[] {
  const byMessage = groupBy(findings, ({ message }) => message);
  return countBy(findings, ({ message }) => message).map(({ value, level }) => ({
    message: value,
    level,
    findings: byMessage.get(value)!,
  }));
}

/** At most so many folders are told apart. */
const MOST_FOLDERS = 14;

/** Names the folder of a file, as deep as keeps the folders few. */
export function foldersOf(findings: FindingRow[]): (finding: FindingRow) => string {
  const paths = findings.map(({ place }) => place.file.split('/').slice(0, -1));
  const deepest = Math.max(0, ...paths.map((path) => path.length));
  const distinct = (depth: number) => new Set(paths.map((path) => path.slice(0, depth).join('/'))).size;
  let depth = 1;
  while (depth < deepest && distinct(depth + 1) <= MOST_FOLDERS) depth++;
  return ({ place }) => place.file.split('/').slice(0, -1).slice(0, depth).join('/') || '.';
}

export type ListItem =
  | { kind: 'group'; title: string; count: number; level: Level; findings: FindingRow[]; isFolded: boolean }
  | { kind: 'finding'; finding: FindingRow };

const KEY: Record<Grouping, (finding: FindingRow) => string> = {
  file: (finding) => finding.place.file,
  rule: (finding) => finding.rule,
  component: (finding) => finding.component,
};

/**
 * Findings under headings, each heading before its findings: the group with the gravest first, then the one with the
 * most; in a group the gravest first, in the order of their places.
 */
export function grouped(
  findings: FindingRow[],
  by: Grouping,
  folded: ReadonlySet<string> = new Set(),
): ListItem[] {
  const groups = groupBy(findings, KEY[by]);
  return countBy(findings, KEY[by]).flatMap(({ value, count, level }): ListItem[] => {
    const list = groups.get(value)!.sort((a, b) => GRAVITY[a.level] - GRAVITY[b.level]);
    const isFolded = folded.has(value);
    return [
      { kind: 'group', title: value, count, level, findings: list, isFolded },
      ...(isFolded ? [] : list.map((finding): ListItem => ({ kind: 'finding', finding }))),
    ];
  });
}

/** Which of how many findings of its group each item is, counted from 1; of how many groups, for headings. */
export function ordinals(items: ListItem[]): { place: number; count: number }[] {
  const groups = items.filter((item) => item.kind === 'group').length;
  let group = 0;
  let place = 0;
  let count = 0;
  return items.map((item) => {
    if (item.kind === 'finding') return { place: ++place, count };
    place = 0;
    ({ count } = item);
    return { place: ++group, count: groups };
  });
}

/** Whether an item says what the one right above it says. */
export function isSaidAbove(items: ListItem[], at: number): boolean {
  const [above, item] = [items[at - 1], items[at]];
  return (
    above?.kind === 'finding' && item?.kind === 'finding' && above.finding.message === item.finding.message
  );
}

/** Findings that most likely go with this one when its cause is mended: the same rule about the same thing. */
export const siblingsOf = (finding: FindingRow, all: FindingRow[]): FindingRow[] =>
  all.filter((one) => one.rule === finding.rule && one.subject === finding.subject && !one.decision);
