/** Rows and lanes. Only the rows in sight are drawn. */
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useNavigate, useParams } from 'react-router';
import { currentSearch } from '../../address';
import { useStable } from '../../useStable';
import { links } from '../../links';
import type { AuditSummary, LaneView, RiggingView } from '../../../api/schemas';
import { JoinedCount } from '../../parts/JoinedCount';
import { count } from '../../parts/count';
import { Waiting } from '../../parts/states';
import { Overview } from './Overview';
import {
  ancestorsOf,
  headsOf,
  laneGap,
  lanesWidth,
  nearRange,
  ROW,
  siblings,
  shownRows,
  spread,
  type ShownRow,
} from './layout';
import { usePlacement, type Placed } from './usePlacement';
import { LaneHeads } from './LaneHeads';
import { Lanes } from './Lanes';
import { TreeRow } from './TreeRow';

const addressOf = (project: string, row: ShownRow): string =>
  row.at < 0 ? links.component(project, row.ref) : links.joint(project, row.ref, row.at);

/** Width of the column of names. */
const NAMES = 300;

interface RiggingChartProps {
  view: RiggingView;
  audit: AuditSummary;
  lanes: LaneView[];
  chosen: LaneView | undefined;
  /** Row whose mark is chosen, in the whole tree. */
  row: number | undefined;
  find: string;
  folded: ReadonlySet<number>;
  onFold(folded: ReadonlySet<number>): void;
  onChoose(lane: LaneView, row?: number): void;
}

export function RiggingChart(props: RiggingChartProps) {
  const placed = usePlacement(props.view, props.lanes, props.folded);
  return placed ? <PlacedChart {...props} placed={placed} /> : <Waiting what="the lanes" />;
}

function PlacedChart({
  placed: { placement, lanes, view },
  audit,
  chosen,
  row,
  find,
  folded,
  onFold,
  onChoose,
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

  const { rows, standsAt, columns } = placement;
  const rowAt = useMemo(() => shownRows(view.rows, placement), [view, placement]);
  const family = useMemo(() => siblings(view.rows), [view]);
  const gap = laneGap(width, columns);
  const placed = useMemo(
    () => spread(lanes, placement.lanes, gap, chosen?.id),
    [lanes, placement, gap, chosen?.id],
  );
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
    // The row that has the keyboard stays, however far the chart is scrolled: without it, keys would go nowhere.
    rangeExtractor: (range) => {
      const near = defaultRangeExtractor(range);
      if (cursor >= rows.length || near.includes(cursor)) return near;
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
    Math.min(rows.length, top + Math.ceil((virtual.scrollRect?.height ?? 0) / ROW)),
  ];
  const above = top > 0 ? ancestorsOf(view.rows, rows[top] ?? 0) : [];
  const laneWidth = Math.max(width, lanesWidth(columns, gap));
  const heads = headsOf(placed, inSight, chosen?.id);
  const chosenRow = row === undefined ? undefined : standsAt[row];

  // A chosen strand that lies out of sight is brought into it.
  const firstMark = chosen?.marks[0]?.row;
  useEffect(() => {
    if (firstMark === undefined) return;
    const at = standsAt[firstMark]!;
    const box = scroller.current;
    if (box && (at * ROW < box.scrollTop || at * ROW > box.scrollTop + box.clientHeight - 160)) {
      virtual.scrollToIndex(Math.max(0, at - 2), { align: 'start' });
    }
    // Folding must not move the chart.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [chosen?.id, firstMark]);

  const fold = useStable((at: number) => {
    const next = new Set(folded);
    if (!next.delete(at)) next.add(at);
    onFold(next);
  });
  const moveTo = (at: number) => {
    const bounded = Math.max(0, Math.min(rows.length - 1, at));
    setCursor(bounded);
    virtual.scrollToIndex(bounded);
    document.getElementById(`row-${rows[bounded]!}`)?.focus();
  };
  const hop = (step: number) => {
    const now = currentSearch();
    const lane = lanes.find((one) => one.id === now.get('strand')) ?? chosen;
    if (!lane?.marks.length) return;
    const count = lane.marks.length;
    const at = lane.marks.findIndex((mark) => String(mark.row) === now.get('row'));
    const next = lane.marks[at < 0 ? (step > 0 ? 0 : count - 1) : (at + step + count) % count]!;
    onChoose(lane, next.row);
    virtual.scrollToIndex(standsAt[next.row]!);
  };
  const along = (step: number) => {
    const now = currentSearch().get('strand') ?? chosen?.id;
    const at = lanes.findIndex((lane) => lane.id === now);
    const next = lanes[Math.max(0, Math.min(lanes.length - 1, at + step))];
    if (next) onChoose(next);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const current = cursor < rows.length ? rowAt(cursor) : undefined;
    if (event.key === 'ArrowDown') moveTo(cursor + 1);
    else if (event.key === 'ArrowUp') moveTo(cursor - 1);
    else if (event.key === 'Home') moveTo(0);
    else if (event.key === 'End') moveTo(rows.length - 1);
    else if (event.key === 'ArrowRight') along(1);
    else if (event.key === 'ArrowLeft') along(-1);
    else if (event.key === ']') hop(1);
    else if (event.key === '[') hop(-1);
    else if (event.key === ' ' && current?.span) fold(current.index);
    else if (event.key === 'o' && current) void navigate(addressOf(id, current));
    else if (event.key === 'Enter' && chosen?.refs[0]) {
      void navigate(links.strand(id, chosen.refs[0]));
    } else return;
    event.preventDefault();
  };

  return (
    <div className="relative min-h-0 grow">
      {rows.length > 60 && (
        <Overview
          lanes={placed}
          chosen={chosen?.id}
          count={rows.length}
          range={inSight}
          height={Math.max(60, (scroller.current?.clientHeight ?? 400) - 80)}
          onGo={(at) =>
            virtual.scrollToIndex(Math.max(0, Math.min(rows.length - 1, at)), { align: 'center' })
          }
        />
      )}
      <div ref={scroller} className="h-full overflow-auto" onKeyDown={onKeyDown} data-chart>
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
                  {rows.length === view.rows.length
                    ? count(rows.length, 'row')
                    : `${rows.length} of ${view.rows.length} rows`}
                </p>
                <p>
                  tags joined: <JoinedCount project={id} audit={audit} />
                </p>
              </div>
            </div>
            <LaneHeads lanes={heads} width={laneWidth} chosen={chosen?.id} onChoose={onChoose} />
          </div>
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            <div role="tree" aria-label="Component tree" className="absolute inset-0">
              {items.map((item) => {
                const one = rowAt(item.index);
                return (
                  <TreeRow
                    key={item.key}
                    row={one}
                    top={item.start}
                    odd={item.index % 2 === 1}
                    chosen={item.index === chosenRow}
                    found={find !== '' && one.name.toLowerCase().includes(find.trim().toLowerCase())}
                    focusable={item.index === cursor}
                    names={NAMES}
                    width={NAMES + laneWidth}
                    address={addressOf(id, one)}
                    at={item.index}
                    place={family[one.index]!.place}
                    count={family[one.index]!.count}
                    onFold={fold}
                    onFocus={setCursor}
                  />
                );
              })}
            </div>
            <Lanes
              lanes={placed}
              nameAt={(at) => view.rows[rows[at]!]!.name}
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
