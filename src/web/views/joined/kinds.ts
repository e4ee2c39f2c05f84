/** What is counted, in the words of the workbench, and the list of what is not joined as rows. */
import type { Gap, GapKind, JoinedView } from '../../../api/schemas';
import { groupBy } from '../../parts/group-by';

export const KINDS: { kind: GapKind; title: string; says: string }[] = [
  { kind: 'tag', title: 'Tags', says: 'that name a component of the project' },
  { kind: 'import', title: 'Imports', says: "of the project's own files" },
  { kind: 'context', title: 'Context reads', says: 'that find who provides the value' },
  { kind: 'result', title: 'Helper results', says: 'whose values are followed' },
  { kind: 'handler', title: 'Handlers', says: 'whose effect is known' },
  { kind: 'binding', title: 'Two-way bindings', says: 'with a way back' },
];

/**
 * A heading with the reason; a thing that is not joined, at its first place, with how many there are; or another of its
 * places.
 */
export type Row =
  | { reason: string; count: number }
  | { gap: Gap; key: string; places: number }
  | { gap: Gap; key: string; again: true };

const NONE: ReadonlySet<string> = new Set();

/**
 * Rows grouped by reason, the most frequent first, and by what they name. `opened` has the keys of the things whose
 * places are all shown.
 */
export function rowsOf(
  view: JoinedView,
  kind: GapKind | undefined,
  text: string,
  opened: ReadonlySet<string> = NONE,
): Row[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const fitting = view.gaps.filter((gap) => {
    if (kind && gap.kind !== kind) return false;
    const all = `${gap.name} ${gap.from ?? ''} ${gap.file}`.toLowerCase();
    return words.every((word) => all.includes(word));
  });
  return [...groupBy(fitting, (gap) => gap.reason)]
    .sort((a, b) => b[1].length - a[1].length)
    .flatMap(([reason, gaps]) => [{ reason, count: gaps.length }, ...rowsOfReason(reason, gaps, opened)]);
}

/** What a gap names; a path that is written from where it stands, as a path of the project. */
function thingOf({ from, name, file }: Gap): string {
  if (!from?.startsWith('.')) return from ?? name;
  return new URL(from, `file:///${file}`).pathname;
}

function rowsOfReason(reason: string, gaps: Gap[], opened: ReadonlySet<string>): Row[] {
  const things = groupBy(gaps, (gap) => [reason, gap.kind, thingOf(gap)].join('\n'));
  return [...things].flatMap(([key, [first, ...others]]): Row[] => [
    { gap: first!, key, places: others.length + 1 },
    ...(opened.has(key) ? others.map((gap) => ({ gap, key, again: true as const })) : []),
  ]);
}

/** A share in per cent, never rounded up to the whole. */
export function shareText({ written, joined }: { written: number; joined: number }): string {
  if (!written) return '–';
  const share = (100 * joined) / written;
  return joined === written ? '100 %' : `${Math.min(99.9, Math.floor(share * 10) / 10).toFixed(1)} %`;
}
