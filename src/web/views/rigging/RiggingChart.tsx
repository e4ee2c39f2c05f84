/** Rows and lanes. Only the rows in sight are drawn. */
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useNavigate, useParams } from 'react-router';
import { currentSearch } from '../../address';
import { useStable } from '../../useStable';
import { links } from '../../links';
import type { AuditSummary, LaneView, RiggingRow, RiggingView } from '../../../api/schemas';
import { JoinedCount } from '../../parts/JoinedCount';
import { count, inFigures } from '../../parts/count';
import { Waiting } from '../../parts/states';
import { strandsIn } from './FilterBar';
import { GapLine } from './GapLine';
import { LaneHeads } from './LaneHeads';
import { Lanes } from './Lanes';
import { headsOf, laneGap, lanesWidth, nearRange, ROW, spread } from './layout';
import { Overview } from './Overview';
import { TreeRow } from './TreeRow';
import { type Placed, usePlacement } from './usePlacement';
import { useRows } from './useRows';

const whereOf = (project: string, row: RiggingRow): string =>
  row.at < 0 ? links.component(project, row.ref) : links.joint(project, row.ref, row.at);

/** Width of the column of names. */
const NAMES = 300;

interface RiggingChartProps {
  ask: string;
  view: RiggingView;
  /** The audit that is shown, where it is one. */
  audit?: AuditSummary;
  /** Where a row leads to: its call site, or its component, if nothing else is said. */
  addressOf?(row: RiggingRow): string;
  /** The strand that is chosen, by its lane. */
  strand: string | undefined;
  /** Row whose mark is chosen, in the whole tree. */
  row: number | undefined;
  /** Absent where nothing can be folded. */
  onFold?(index: number): void;
  onOpen?(from: number, to: number): void;
  onChoose(lane: LaneView, row?: number): void;
  /** Everything that runs through the component of a row. */
  onRow(row: RiggingRow): void;
}

export function RiggingChart(props: RiggingChartProps) {
  const placed = usePlacement(props.view);
  return placed ? <PlacedChart {...props} placed={placed} /> : <Waiting what="the lanes" />;
}

function PlacedChart({
  ask,
  placed: { placement, view },
  audit,
  addressOf,
  strand,
  row,
  onFold,
  onOpen,
  onChoose,
  onRow,
}: RiggingChartProps & { placed: Placed }) {
  const scroller = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(500);
  const [cursor, setCursor] = useState(0);
  const { id = '' } = useParams();
  const navigate = useNavigate();
  useEffect(() => {
    const element = scroller.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setWidth(element.clientWidth - NAMES));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  const { columns } = placement;
  const { lanes, shown } = view;
  const chosen = lanes.find((lane) => lane.id === strand);
  const gap = laneGap(width, columns);
  const placed = useMemo(
    () => spread(lanes, placement.lanes, gap, chosen?.id),
    [lanes, placement, gap, chosen?.id],
  );
  const virtual = useVirtualizer({
    count: shown,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
    // The row that has the keyboard stays, however far the chart is scrolled: without it, keys would go nowhere.
    rangeExtractor: (range) => {
      const near = defaultRangeExtractor(range);
      if (cursor >= shown || near.includes(cursor)) return near;
      return [...near, cursor].sort((a, b) => a - b);
    },
  });
  const items = virtual.getVirtualItems();
  const [first, last] = nearRange(
    items.map((item) => item.index),
    cursor,
  );
  // Of the rows that were made ready, those that the reader sees.
  const top = Math.floor((virtual.scrollOffset ?? 0) / ROW);
  const inSight: [number, number] = [
    top,
    Math.min(shown, top + Math.ceil((virtual.scrollRect?.height ?? 0) / ROW)),
  ];
  const rows = useRows({ id, ask }, view.window, shown, [first, last]);
  const above = top > 0 ? rows.above(top) : [];
  const laneWidth = Math.max(width, lanesWidth(columns, gap));
  const heads = headsOf(placed, inSight, chosen?.id);
  const chosenRow = row === undefined ? undefined : chosen?.marks.find((mark) => mark.row === row)?.at;

  // A chosen strand that lies out of sight is brought into it.
  const at = chosen?.marks[0]?.at;
  useEffect(() => {
    if (at === undefined) return;
    const box = scroller.current;
    if (box && (at * ROW < box.scrollTop || at * ROW > box.scrollTop + box.clientHeight - 160)) {
      virtual.scrollToIndex(Math.max(0, at - 2), { align: 'start' });
    }
    // Folding must not move the chart.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen?.id, at]);

  const fold = useStable((index: number) => onFold?.(index));
  const open = useStable((from: number, to: number) => onOpen?.(from, to));
  const leadsTo = (one: RiggingRow) => addressOf?.(one) ?? whereOf(id, one);
  const choose = useStable(onRow);
  const moveTo = (place: number) => {
    const bounded = Math.max(0, Math.min(shown - 1, place));
    setCursor(bounded);
    virtual.scrollToIndex(bounded);
    document.getElementById(`row-${bounded}`)?.focus();
  };
  const hop = (step: number) => {
    const now = currentSearch();
    const lane = lanes.find((one) => one.id === now.get('strand')) ?? chosen;
    if (!lane?.marks.length) return;
    const count = lane.marks.length;
    const at = lane.marks.findIndex((mark) => String(mark.row) === now.get('row'));
    const next = lane.marks[at < 0 ? (step > 0 ? 0 : count - 1) : (at + step + count) % count]!;
    onChoose(lane, next.row);
    virtual.scrollToIndex(next.at);
  };
  const along = (step: number) => {
    const now = currentSearch().get('strand') ?? chosen?.id;
    const at = lanes.findIndex((lane) => lane.id === now);
    const next = lanes[Math.max(0, Math.min(lanes.length - 1, at + step))];
    if (next) onChoose(next);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const current = rows.at(cursor);
    if (event.key === 'ArrowDown') moveTo(cursor + 1);
    else if (event.key === 'ArrowUp') moveTo(cursor - 1);
    else if (event.key === 'Home') moveTo(0);
    else if (event.key === 'End') moveTo(shown - 1);
    else if (event.key === 'ArrowRight') along(1);
    else if (event.key === 'ArrowLeft') along(-1);
    else if (event.key === ']') hop(1);
    else if (event.key === '[') hop(-1);
    else if (event.key === ' ' && current && 'left' in current) open(current.from, current.to);
    else if (event.key === ' ' && current && 'span' in current && current.span) fold(current.index);
    else if (event.key === 't' && current && 'ref' in current) choose(current);
    else if (event.key === 'o' && current && 'ref' in current) void navigate(leadsTo(current));
    else if (event.key === 'Enter' && audit && chosen?.refs[0]) {
      void navigate(links.strand(id, chosen.refs[0]));
    } else return;
    event.preventDefault();
  };

  return (
    <div className="relative min-h-0 grow">
      {shown > 60 && (
        <Overview
          lanes={placed}
          chosen={chosen?.id}
          count={shown}
          range={inSight}
          height={Math.max(60, (scroller.current?.clientHeight ?? 400) - 80)}
          onGo={(place) =>
            virtual.scrollToIndex(Math.max(0, Math.min(shown - 1, place)), { align: 'center' })
          }
        />
      )}
      <div
        ref={scroller}
        className="h-full overflow-auto"
        onKeyDown={onKeyDown}
        data-chart
        data-scroll="rows"
      >
        <div style={{ width: NAMES + laneWidth }}>
          <div className="sticky top-0 z-20 flex bg-ground">
            <div
              className="sticky left-0 z-10 flex items-end bg-ground px-5 pb-1.5 text-soft"
              style={{ width: NAMES }}
            >
              <div className="min-w-0">
                {above.length > 0 && (
                  <p className="truncate" style={{ direction: 'rtl' }} title={above.join(' › ')}>
                    <bdi>{above.join(' › ')}</bdi>
                  </p>
                )}
                <p>
                  {strandsIn(view)} over{' '}
                  {shown === view.rows
                    ? count(shown, 'row')
                    : `${inFigures(shown)} of ${count(view.rows, 'row')}`}
                </p>
                {audit && (
                  <p>
                    tags joined: <JoinedCount project={id} audit={audit} />
                  </p>
                )}
              </div>
            </div>
            <LaneHeads lanes={heads} width={laneWidth} chosen={chosen?.id} onChoose={onChoose} />
          </div>
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            <div role="tree" aria-label="Component tree" className="absolute inset-0">
              {items.map((item) => {
                const one = rows.at(item.index);
                const line = {
                  at: item.index,
                  top: item.start,
                  odd: item.index % 2 === 1,
                  focusable: item.index === cursor,
                  names: NAMES,
                  width: NAMES + laneWidth,
                  onFocus: setCursor,
                };
                if (!one || !('ref' in one))
                  return <GapLine key={item.key} {...line} gap={one} onOpen={open} />;
                return (
                  <TreeRow
                    key={item.key}
                    {...line}
                    row={one}
                    chosen={item.index === chosenRow}
                    address={leadsTo(one)}
                    onFold={fold}
                    onChoose={choose}
                  />
                );
              })}
            </div>
            <Lanes
              lanes={placed}
              heads={new Set(heads.map((lane) => lane.id))}
              range={[first, last]}
              left={NAMES}
              width={laneWidth}
              gap={gap}
              chosen={chosen?.id}
              chosenRow={chosenRow}
              onChoose={onChoose}
            />
          </div>
        </div>
      </div>
    </div>
  );
}
