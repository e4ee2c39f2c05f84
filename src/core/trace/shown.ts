/** Which rows of a rigging are shown: those that matter with what stands above them, and quiet lines for the rest. */
import type { Rigging } from './rigging';
import type { Row } from './tree';

/** Fewer rows than this are shown rather than folded into a line, which would save nothing. */
export const LEAST_GAP = 4;

/** What the reader opened and folded. */
export interface Folds {
  /** The whole tree is shown. */
  whole?: boolean;
  /** Rows whose content is folded away. */
  folded?: number[];
  /** Stretches of rows that are opened: first and last. */
  opened?: [from: number, to: number][];
}

/** A row, with how many rows below it are folded away; or a line for rows that are left out. */
export type Shown =
  { row: number; hidden: number } | { from: number; to: number; count: number; depth: number };

export interface ShownRows {
  list: Shown[];
  /** For every row of the tree, the place in the list of what stands for it; -1 where nothing does. */
  standsAt: Int32Array;
}

/** The rows that are shown of a rigging. Where nothing is asked for by a strand or a name, all are. */
export function shownRows({ rows, lanes, named }: Rigging, folds: Folds = {}): ShownRows {
  const keep = new Uint8Array(rows.length);
  const keepWithAbove = (index: number): void => {
    for (let at = index; at >= 0 && !keep[at]; at = rows[at]!.parent) keep[at] = 1;
  };
  for (const lane of lanes) for (const mark of lane.marks) keepWithAbove(mark.row);
  for (const row of named) keepWithAbove(row);
  if (folds.whole || !keep.includes(1)) keep.fill(1);
  for (const [from, to] of folds.opened ?? []) keep.fill(1, Math.max(0, from), to + 1);

  const folded = new Set(folds.folded);
  const list: Shown[] = [];
  const standsAt = new Int32Array(rows.length).fill(-1);
  for (let index = 0; index < rows.length;) {
    if (!keep[index]) {
      const gap = gapFrom(rows, keep, index);
      if (gap.count >= LEAST_GAP) {
        standsAt.fill(list.length, gap.from, gap.to + 1);
        list.push(gap);
        index = gap.to + 1;
        continue;
      }
      for (const end = gap.to; index <= end; index++) {
        standsAt[index] = list.length;
        list.push({ row: index, hidden: 0 });
      }
      continue;
    }
    const hidden = folded.has(index) ? rows[index]!.span : 0;
    standsAt.fill(list.length, index, index + hidden + 1);
    list.push({ row: index, hidden });
    index += 1 + hidden;
  }
  return { list, standsAt };
}

/** The stretch of rows from one on that nothing keeps; it stands as far in as the outermost of them. */
function gapFrom(rows: Row[], keep: Uint8Array, from: number) {
  let to = from;
  let depth = rows[from]!.depth;
  for (let at = from; at < rows.length && !keep[at]; at++) {
    to = at;
    depth = Math.min(depth, rows[at]!.depth);
  }
  return { from, to, count: to - from + 1, depth };
}
