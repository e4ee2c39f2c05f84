/** Where rows and lanes lie, folds and filters taken into account. */
import type { Channel, LaneView, Level, RiggingRow, RiggingView } from '../../../api/schemas';

export const ROW = 28;

export interface ShownRow extends RiggingRow {
  /** Index in the whole tree. */
  index: number;
  /** Rows below it that are folded away. */
  hidden: number;
}

export interface ShownLane extends LaneView {
  x: number;
  /** Marks by shown row; several where a fold hides some. */
  at: Map<number, LaneView['marks']>;
  stretches: { from: number; to: number; broken: boolean }[];
  first: number;
  last: number;
}

/** Rows that are not folded away, and for every row the shown row that stands for it. */
export function shownRows(
  rows: RiggingRow[],
  folded: ReadonlySet<number>,
): { rows: ShownRow[]; standsAt: number[] } {
  const shown: ShownRow[] = [];
  const standsAt: number[] = new Array<number>(rows.length).fill(0);
  for (let index = 0; index < rows.length;) {
    const row = rows[index]!;
    const hidden = folded.has(index) ? row.span : 0;
    for (let i = index; i <= index + hidden; i++) standsAt[i] = shown.length;
    shown.push({ ...row, index, hidden });
    index += 1 + hidden;
  }
  return { rows: shown, standsAt };
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

/** Distance between lanes: as wide as the space allows, so that names fit beside the marks where they can. */
export const laneGap = (width: number, lanes: number): number =>
  Math.max(26, Math.min(92, Math.floor((width - 30 - NAMED) / Math.max(1, lanes))));

/** Room right of the chosen lane, so that its names hide no other lane. */
const NAMED = 84;

/** Room for a number of lanes. */
export const lanesWidth = (lanes: number, gap: number): number => 44 + lanes * gap + NAMED;

export function placeLanes(
  lanes: LaneView[],
  standsAt: number[],
  gap: number,
  chosen: string | undefined,
): ShownLane[] {
  const widened = lanes.findIndex((lane) => lane.id === chosen);
  return lanes.map((lane, index) => {
    const at = new Map<number, LaneView['marks']>();
    for (const mark of lane.marks) {
      const row = standsAt[mark.row]!;
      at.set(row, [...(at.get(row) ?? []), mark]);
    }
    const stretches = lane.segments
      .map((one) => ({ from: standsAt[one.from]!, to: standsAt[one.to]!, broken: one.broken === true }))
      .filter((one) => one.from !== one.to)
      .map((one) => ({ ...one, from: Math.min(one.from, one.to), to: Math.max(one.from, one.to) }));
    const rows = [...at.keys()];
    return {
      ...lane,
      x: 22 + index * gap + (widened >= 0 && index > widened ? Math.max(0, NAMED - gap) : 0),
      at,
      stretches: merged(stretches),
      first: Math.min(...rows),
      last: Math.max(...rows),
    };
  });
}

/** Stretches of one lane, each piece of it drawn once; whole ones win over broken ones. */
function merged(stretches: ShownLane['stretches']): ShownLane['stretches'] {
  const whole = union(stretches.filter((one) => !one.broken));
  const broken = union(stretches.filter((one) => one.broken)).flatMap((one) => without(one, whole));
  return [
    ...whole.map((one) => ({ ...one, broken: false })),
    ...broken.map((one) => ({ ...one, broken: true })),
  ];
}

interface Stretch {
  from: number;
  to: number;
}

function union(list: Stretch[]): Stretch[] {
  const sorted = [...list].sort((a, b) => a.from - b.from);
  const out: Stretch[] = [];
  for (const one of sorted) {
    const last = out.at(-1);
    if (last && one.from <= last.to) last.to = Math.max(last.to, one.to);
    else out.push({ from: one.from, to: one.to });
  }
  return out;
}

function without(one: Stretch, taken: Stretch[]): Stretch[] {
  let parts = [one];
  for (const cut of taken) {
    parts = parts.flatMap((part) => {
      if (cut.to <= part.from || cut.from >= part.to) return [part];
      const left = cut.from > part.from ? [{ from: part.from, to: cut.from }] : [];
      const right = cut.to < part.to ? [{ from: cut.to, to: part.to }] : [];
      return [...left, ...right];
    });
  }
  return parts;
}

/** The names of the rows above a row on the page, from the root down. */
export function ancestorsOf(rows: RiggingRow[], index: number): string[] {
  const names: string[] = [];
  for (let at = rows[index]?.parent ?? -1; at >= 0; at = rows[at]!.parent) names.unshift(rows[at]!.name);
  return names;
}
