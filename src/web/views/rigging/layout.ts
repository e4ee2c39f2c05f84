/** From columns and row numbers to places on the page; which lanes a filter lets through. */
import type { Channel, LaneView, Level, RiggingRow, RiggingView } from '../../../api/schemas';
import type { PlacedLane, Placement } from './place';

export const ROW = 28;

export interface ShownRow extends RiggingRow {
  /** Index in the whole tree. */
  index: number;
  /** Rows below it that are folded away. */
  hidden: number;
}

export interface ShownLane extends PlacedLane {
  lane: LaneView;
  x: number;
  trunkX?: number;
}

/** The rows that are shown, by their place. Each is made once, so that it is drawn again only when it changes. */
export function shownRows(
  rows: RiggingRow[],
  { rows: shown, standsAt }: Placement,
): (at: number) => ShownRow {
  const made = new Map<number, ShownRow>();
  return (at) => {
    const known = made.get(at);
    if (known) return known;
    const index = shown[at]!;
    const row = rows[index]!;
    const hidden = row.span > 0 && standsAt[index + row.span] === at ? row.span : 0;
    const one = { ...row, index, hidden };
    made.set(at, one);
    return one;
  };
}

/** Which of how many rows with the same row above each is, counted from 1. */
export function siblings(rows: Pick<RiggingRow, 'depth'>[]): { place: number; count: number }[] {
  const found = rows.map(() => ({ place: 0, count: 0 }));
  /** Rows that stand under the same row, from the root down to the row before. */
  const open: number[][] = [];
  const close = (depth: number) => {
    for (const list of open.splice(depth)) for (const at of list) found[at]!.count = list.length;
  };
  rows.forEach(({ depth }, at) => {
    close(depth + 1);
    (open[depth] ??= []).push(at);
    found[at]!.place = open[depth].length;
  });
  close(0);
  return found;
}

export interface Filter {
  text: string;
  channels: ReadonlySet<Channel>;
  levels: ReadonlySet<Level>;
}

/** The lanes that a filter lets through: the text is looked for in names of ports and components. */
export function filterLanes(view: RiggingView, filter: Filter): LaneView[] {
  const text = filter.text.trim().toLowerCase();
  return view.lanes.filter((lane) => {
    if (lane.pinned) return true;
    if (filter.channels.size && !filter.channels.has(lane.channel)) return false;
    if (filter.levels.size && !(lane.level && filter.levels.has(lane.level))) return false;
    if (!text) return true;
    return (
      lane.title.toLowerCase().includes(text) ||
      lane.marks.some(
        (mark) =>
          mark.name.toLowerCase().includes(text) || view.rows[mark.row]!.name.toLowerCase().includes(text),
      )
    );
  });
}

/** Distance between columns: as wide as the space allows, so that names fit beside the marks where they can. */
export const laneGap = (width: number, columns: number): number =>
  Math.max(26, Math.min(92, Math.floor((width - 30 - NAMED) / Math.max(1, columns))));

/** Room right of the chosen lane, so that its names hide no other lane. */
const NAMED = 84;

/** Room for a number of columns. */
export const lanesWidth = (columns: number, gap: number): number => 44 + columns * gap + NAMED;

/** Lanes with their places across the page; the columns after the chosen lane's leave room for its names. */
export function spread(
  lanes: LaneView[],
  placed: PlacedLane[],
  gap: number,
  chosen: string | undefined,
): ShownLane[] {
  const widened = placed.find((lane) => lane.id === chosen)?.column;
  const xOf = (column: number) =>
    22 + column * gap + (widened !== undefined && column > widened ? Math.max(0, NAMED - gap) : 0);
  return placed.map((one, index) => ({
    ...one,
    lane: lanes[index]!,
    x: xOf(one.column),
    ...(one.trunk === undefined ? {} : { trunkX: xOf(one.trunk) }),
  }));
}

/** The lane that each column is named after: the chosen one, or the first of those that cross the rows in sight. */
export function headsOf(lanes: ShownLane[], [top, bottom]: [number, number], chosen?: string): ShownLane[] {
  const heads = new Map<number, ShownLane>();
  for (const lane of lanes) {
    if (lane.last < top || lane.first > bottom) continue;
    const now = heads.get(lane.column);
    if (!now || lane.id === chosen || (now.id !== chosen && lane.first < now.first))
      heads.set(lane.column, lane);
  }
  return [...heads.values()].sort((a, b) => a.x - b.x);
}

/** How far a name beside a mark may reach before it meets the next lane that crosses the row. */
export function roomBeside(lanes: ShownLane[], lane: ShownLane, row: number): number {
  let next = Infinity;
  for (const other of lanes)
    if (other.x > lane.x && other.x < next && other.first <= row && other.last >= row) next = other.x;
  return next - lane.x;
}

/** The names of the rows above a row on the page, from the root down. */
export function ancestorsOf(rows: RiggingRow[], index: number): string[] {
  const names: string[] = [];
  for (let at = rows[index]?.parent ?? -1; at >= 0; at = rows[at]!.parent) names.unshift(rows[at]!.name);
  return names;
}

/**
 * The first and the last of the rows that are drawn. A row that stays only because it has the keyboard, apart from the
 * others, is none of them.
 */
export function nearRange(drawn: number[], kept: number): [first: number, last: number] {
  const apart = (at: number, beside: number) =>
    drawn[at] === kept && drawn.length > 1 && Math.abs(drawn[beside]! - kept) > 1;
  const from = apart(0, 1) ? 1 : 0;
  const to = apart(drawn.length - 1, drawn.length - 2) ? drawn.length - 2 : drawn.length - 1;
  return [drawn[from] ?? 0, drawn[to] ?? 0];
}
