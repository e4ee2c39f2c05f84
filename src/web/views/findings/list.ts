/** Filtering and grouping of findings. */
import type { FindingRow } from '../../../api/schemas';

export type Grouping = 'file' | 'rule' | 'component';

export interface FindingFilter {
  levels: ReadonlySet<string>;
  rule: string;
  text: string;
  silenced: boolean;
  /** Those in tests, stories and the like are shown, too. */
  beside: boolean;
  /** Those that are decided are shown, too. */
  decided: boolean;
}

export function matches(
  finding: FindingRow,
  { levels, rule, text, silenced, beside, decided }: FindingFilter,
): boolean {
  if (finding.decision !== undefined && !decided) return false;
  if (finding.silenced !== undefined && !silenced) return false;
  if (finding.beside && !beside) return false;
  if (levels.size && !levels.has(finding.level)) return false;
  if (rule && finding.rule !== rule) return false;
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const all = `${finding.message} ${finding.place.file} ${finding.subject} ${finding.rule}`.toLowerCase();
  return words.every((word) => all.includes(word));
}

export type ListItem =
  { kind: 'group'; title: string; count: number } | { kind: 'finding'; finding: FindingRow };

const KEY: Record<Grouping, (finding: FindingRow) => string> = {
  file: (finding) => finding.place.file,
  rule: (finding) => finding.rule,
  component: (finding) => finding.component,
};

/** Findings under headings, each heading before its findings. */
export function grouped(findings: FindingRow[], by: Grouping): ListItem[] {
  const groups = new Map<string, FindingRow[]>();
  for (const finding of findings) {
    const key = KEY[by](finding);
    const list = groups.get(key);
    if (list) list.push(finding);
    else groups.set(key, [finding]);
  }
  return [...groups].flatMap(([title, list]): ListItem[] => [
    { kind: 'group', title, count: list.length },
    ...list.map((finding): ListItem => ({ kind: 'finding', finding })),
  ]);
}

/** Which of how many findings each item is, counted from 1; 0 for headings. */
export function ordinals(items: ListItem[]): { places: number[]; count: number } {
  let count = 0;
  const places = items.map((item) => (item.kind === 'finding' ? ++count : 0));
  return { places, count };
}
