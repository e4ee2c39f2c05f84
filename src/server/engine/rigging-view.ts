/** The rigging as its screen shows it: lanes whole, rows a window at a time. */
import type { GapRow, LaneView, RiggingAsk, RiggingRow, RiggingView, RowWindow } from '../../api/schemas';
import type { AuditResult } from '../../core/audit';
import { oncePer, oncePerLink } from '../../core/model/once-per';
import { componentRef } from '../../core/model/refs';
import type { TextOf } from '../../core/report/places';
import type { Lane } from '../../core/trace/lanes';
import { componentAt } from '../../core/trace/references';
import { type Ask, rigging, type Rigging } from '../../core/trace/rigging';
import { type Folds, type ShownRows, shownRows } from '../../core/trace/shown';
import type { Row } from '../../core/trace/tree';
import { conditionOf, desk, type Desk } from './joins';

/** Of a longer lane, the marks further down are left out. */
const MAX_MARKS = 300;
/** Rows that come with the first answer. */
const FIRST_ROWS = 120;
/** So many answers are kept: whoever scrolls asks for the rows of one again and again. */
const MAX_KEPT = 6;

interface Chart {
  drawn: Rigging;
  shown: ShownRows;
  places: { place: number; count: number }[];
}

const siblingsOf = oncePer((rows: Row[]) => siblings(rows));

const chartsOf = oncePerLink((_project: AuditResult['project']) => ({
  riggings: new Map<string, Rigging>(),
  charts: new Map<string, Chart>(),
}));

/** What is kept under a key, or made; the oldest goes when there are many. */
function kept<Value>(known: Map<string, Value>, key: string, make: () => Value): Value {
  const found = known.get(key) ?? make();
  known.delete(key);
  known.set(key, found);
  if (known.size > MAX_KEPT) known.delete(known.keys().next().value!);
  return found;
}

function chartOf(result: AuditResult, wish: RiggingAsk): Chart {
  const { riggings, charts } = chartsOf(result.project);
  const ask = askOf(result, wish);
  const folds: Folds = { whole: wish.whole, folded: wish.fold, opened: wish.open };
  return kept(charts, JSON.stringify([ask, folds]), () => {
    const drawn = kept(riggings, JSON.stringify(ask), () => rigging(result.project, result.findings, ask));
    return { drawn, shown: shownRows(drawn, folds), places: siblingsOf(drawn.rows) };
  });
}

function askOf(
  { project }: AuditResult,
  { pin, component: wanted, find, channel, level, rule, folder, beside }: RiggingAsk,
): Ask {
  const named = wanted ? componentAt(project, wanted) : undefined;
  // What names nothing, or several, is looked for by its very words.
  const component = named && ('similar' in named ? wanted : componentRef(project, named));
  return {
    pins: pin,
    channels: channel,
    levels: level,
    aside: beside,
    ...(component ? { component } : {}),
    ...(find ? { find } : {}),
    ...(rule ? { rule } : {}),
    ...(folder ? { folder } : {}),
  };
}

/** The lanes that are asked for, and the first rows of the chart. */
export function riggingView(result: AuditResult, textOf: TextOf, wish: RiggingAsk): RiggingView {
  const { project } = result;
  const { drawn, shown } = chartOf(result, wish);
  const nameAt = (row: number) => project.components[drawn.rows[row]!.component]!.name;
  return {
    shown: shown.list.length,
    rows: drawn.rows.length,
    hasAside: drawn.hasAside,
    lanes: drawn.lanes.map((lane) => laneView(lane, shown.standsAt, nameAt)),
    strands: drawn.strands,
    found: drawn.found,
    complete: drawn.complete,
    window: rowsView(result, textOf, wish, 0, FIRST_ROWS),
  };
}

function laneView(
  { level, marks: all, segments, ...lane }: Lane,
  standsAt: Int32Array,
  nameAt: (row: number) => string,
): LaneView {
  const marks = all.slice(0, MAX_MARKS);
  const last = marks.at(-1)?.row ?? 0;
  return {
    ...lane,
    ...(level ? { level } : {}),
    hops: lane.hops.slice(0, MAX_MARKS),
    ...(all.length > marks.length ? { more: all.length - marks.length } : {}),
    marks: marks.map((mark) => ({ ...mark, at: standsAt[mark.row]!, component: nameAt(mark.row) })),
    segments: segments
      .filter((one) => Math.max(one.from, one.to) <= last)
      .map((one) => ({ ...one, from: standsAt[one.from]!, to: standsAt[one.to]! })),
  };
}

/** So many rows of the chart, from one place on. */
export function rowsView(
  result: AuditResult,
  textOf: TextOf,
  wish: RiggingAsk,
  from: number,
  most: number,
): RowWindow {
  const { project } = result;
  const { drawn, shown, places } = chartOf(result, wish);
  const table = desk(result, textOf);
  const list = shown.list.slice(from, from + most);
  const rows = list.map((one): RiggingRow | GapRow => {
    if ('row' in one)
      return {
        ...rowView(result, table, drawn.rows[one.row]!),
        ...places[one.row]!,
        hidden: one.hidden,
        ...(drawn.named.has(one.row) ? { named: true } : {}),
      };
    return { from: one.from, to: one.to, depth: one.depth, left: one.count };
  });
  const above: string[] = [];
  const [first] = list;
  const top = first && drawn.rows['row' in first ? first.row : first.from];
  for (let at = top?.parent ?? -1; at >= 0; at = drawn.rows[at]!.parent)
    above.unshift(project.components[drawn.rows[at]!.component]!.name);
  return { from, rows, above };
}

function rowView(
  { project }: AuditResult,
  table: Desk,
  row: Row,
): Omit<RiggingRow, 'hidden' | 'place' | 'count'> {
  const { places } = table;
  const component = project.components[row.component]!;
  const site = row.site >= 0 ? project.sites[row.site]! : undefined;
  const own = places.spot({
    file: component.file,
    start: component.facts.nameStart,
    end: component.facts.nameEnd,
  });
  const when = site && conditionOf(table, site);
  const at = site && places.spot({ file: site.file, start: site.fact.start, end: site.fact.start });
  return {
    index: row.index,
    name: component.name,
    ref: componentRef(project, component),
    at: site ? component.calledAt.indexOf(site.id) : -1,
    depth: row.depth,
    span: row.span,
    ...(when ? { when } : {}),
    ...(row.each ? { each: table.text(row.each, 60) } : {}),
    ...(row.again ? { again: row.again } : {}),
    file: own.file,
    line: own.line,
    ...(at ? { site: { file: at.file, line: at.line } } : {}),
  };
}

/** Which of how many rows with the same row above each is, counted from 1. */
export function siblings(rows: Pick<Row, 'depth'>[]): { place: number; count: number }[] {
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
