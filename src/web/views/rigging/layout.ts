/** From columns and row numbers to places on the page. */
import type { LaneView } from '../../../api/schemas';
import type { PlacedLane } from './place';

export const ROW = 28;
/** How far each step down the tree is set in. */
export const INDENT = 16;

/** What every line of the chart is told. */
export interface LineProps {
  /** Its place on the chart. */
  at: number;
  top: number;
  odd: boolean;
  focusable: boolean;
  names: number;
  width: number;
  onFocus(at: number): void;
}

export interface ShownLane extends PlacedLane {
  lane: LaneView;
  x: number;
  trunkX?: number;
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
