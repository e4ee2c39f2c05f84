/** Where lanes lie: which column each takes, which rows it runs through. Free of the page, so that a worker can do it. */
import type { LaneView } from '../../../api/schemas';

export interface Stretch {
  from: number;
  to: number;
  broken: boolean;
}

export interface PlacedLane {
  id: string;
  column: number;
  /** Column of the lane that starts at the same place: the start is drawn there, and this lane branches off. */
  trunk?: number;
  /** By shown row, in order: which marks of the lane lie there; several where a fold hides some. */
  at: [row: number, marks: number[]][];
  stretches: Stretch[];
  /** First and last shown row. */
  first: number;
  last: number;
}

export interface Placement {
  lanes: PlacedLane[];
  columns: number;
}

/**
 * Columns for lanes, in the order that they come in. A lane takes the leftmost column that is free over its rows, so
 * that lanes far apart in the tree share one; lanes with one origin stand side by side.
 */
export function place(lanes: LaneView[]): Placement {
  const runs = lanes.map(runOf);
  const taken: Stretch[][] = [];
  for (const group of byOrigin(lanes)) {
    const members = group.map((index) => runs[index]!);
    let column = 0;
    while (!members.every((run, i) => free(taken[column + i], run))) column++;
    members.forEach((run, i) => {
      (taken[column + i] ??= []).push({ from: run.first, to: run.last, broken: false });
      run.column = column + i;
      if (i > 0) run.trunk = column;
    });
  }
  return { lanes: runs, columns: taken.length };
}

/** A row stays empty between two lanes of one column, so that they are not read as one. */
const free = (column: Stretch[] | undefined, run: PlacedLane): boolean =>
  !column?.some((one) => run.first <= one.to + 1 && one.from <= run.last + 1);

/** Indices of lanes, those that start in the same place together. */
function byOrigin(lanes: LaneView[]): number[][] {
  const groups = new Map<string, number[]>();
  lanes.forEach((lane, index) => {
    const [mark] = lane.marks;
    const shares = mark?.role === 'start' && lane.marks.length > 1;
    const key = shares ? `${mark.row} ${mark.ref} ${lane.channel}` : `alone ${index}`;
    const group = groups.get(key);
    if (group) group.push(index);
    else groups.set(key, [index]);
  });
  return [...groups.values()];
}

function runOf(lane: LaneView): PlacedLane {
  const at = new Map<number, number[]>();
  lane.marks.forEach((mark, index) => {
    const here = at.get(mark.at);
    if (here) here.push(index);
    else at.set(mark.at, [index]);
  });
  const stretches = lane.segments.flatMap(({ from, to, broken }) =>
    from === to ? [] : [{ from: Math.min(from, to), to: Math.max(from, to), broken: broken === true }],
  );
  const sorted = [...at].sort(([a], [b]) => a - b);
  return {
    id: lane.id,
    column: 0,
    at: sorted,
    stretches: merged(stretches),
    first: sorted[0]?.[0] ?? 0,
    last: sorted.at(-1)?.[0] ?? 0,
  };
}

/** Stretches of one lane, each piece of it drawn once; whole ones win over broken ones. */
function merged(stretches: Stretch[]): Stretch[] {
  const whole = union(stretches.filter((one) => !one.broken));
  const broken = union(stretches.filter((one) => one.broken)).flatMap((one) => without(one, whole));
  return [...whole, ...broken];
}

function union(list: Stretch[]): Stretch[] {
  const out: Stretch[] = [];
  for (const one of [...list].sort((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last && one.from <= last.to) last.to = Math.max(last.to, one.to);
    else out.push({ ...one });
  }
  return out;
}

function without(one: Stretch, taken: Stretch[]): Stretch[] {
  let parts = [one];
  for (const cut of taken) {
    parts = parts.flatMap((part) => {
      if (cut.to <= part.from || cut.from >= part.to) return [part];
      const left = cut.from > part.from ? [{ ...part, to: cut.from }] : [];
      const right = cut.to < part.to ? [{ ...part, from: cut.to }] : [];
      return [...left, ...right];
    });
  }
  return parts;
}
