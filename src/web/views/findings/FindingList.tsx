/** The findings under their headings, as far as they are in sight; one of them is chosen. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import type { FindingRow } from '../../../api/schemas';
import { currentSearch } from '../../address';
import { api } from '../../api';
import { LevelWord, levelTone } from '../../parts/level';
import { type Grouping, isSaidAbove, type ListItem, ordinals } from './list';

const HEADING = 30;
const ROW = 46;

interface FindingListProps {
  project: string;
  items: ListItem[];
  by: Grouping;
  chosen: FindingRow | undefined;
  onChoose(fingerprint: string): void;
  onFold(title: string): void;
  /** Asks for a decision on all findings of a group. */
  onDecide(group: FindingRow[]): void;
}

const idOf = (index: number): string => `finding-${index}`;

export function FindingList({ project, items, by, chosen, onChoose, onFold, onDecide }: FindingListProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => (items[index]!.kind === 'group' ? HEADING : ROW),
    overscan: 10,
  });
  const at = items.findIndex((item) => item.kind === 'finding' && item.finding === chosen);
  const places = useMemo(() => ordinals(items), [items]);
  const prefetch = api.usePrefetch('finding');
  /** The next finding in a direction, past the headings. */
  const beside = (from: number, by: number): FindingRow | undefined => {
    for (let next = from + by; next >= 0 && next < items.length; next += by) {
      const item = items[next]!;
      if (item.kind === 'finding') return item.finding;
    }
    return undefined;
  };
  useEffect(() => {
    if (at < 0) return;
    virtual.scrollToIndex(at, { align: 'auto' });
    // Whoever walks through the list does not wait at each.
    for (const by of [1, -1]) {
      const one = beside(at, by);
      if (one) prefetch({ id: project, fingerprint: one.fingerprint });
    }
    // Only a new choice scrolls.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at]);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'ArrowLeft' && at >= 0) {
      const heading = items.slice(0, at).findLast((item) => item.kind === 'group');
      if (heading) onFold(heading.title);
      return;
    }
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (!by) return;
    event.preventDefault();
    const print = currentSearch().get('finding');
    const now = items.findIndex((item) => item.kind === 'finding' && item.finding.fingerprint === print);
    const next = beside(now < 0 ? at : now, by);
    if (next) onChoose(next.fingerprint);
  };
  const rows = virtual.getVirtualItems();
  return (
    <div
      ref={scroller}
      className="min-h-0 grow overflow-y-auto"
      data-scroll="findings"
      onKeyDown={onKeyDown}
      tabIndex={0}
      role="tree"
      aria-label="List of findings"
      aria-activedescendant={rows.some((row) => row.index === at) ? idOf(at) : undefined}
    >
      <div className="relative" style={{ height: virtual.getTotalSize() }}>
        {rows.map(({ index, key, start, size }) => {
          const item = items[index]!;
          return item.kind === 'group' ? (
            <Heading
              key={key}
              {...places[index]!}
              group={item}
              top={start}
              height={size}
              onFold={onFold}
              onDecide={onDecide}
            />
          ) : (
            <Row
              key={key}
              id={idOf(index)}
              finding={item.finding}
              isChosen={index === at}
              rule={by !== 'rule'}
              isSaid={isSaidAbove(items, index)}
              {...places[index]!}
              top={start}
              height={size}
              onChoose={onChoose}
            />
          );
        })}
      </div>
    </div>
  );
}

interface HeadingProps {
  /** Which of how many groups it is. */
  place: number;
  count: number;
  group: Extract<ListItem, { kind: 'group' }>;
  top: number;
  height: number;
  onFold(title: string): void;
  onDecide(group: FindingRow[]): void;
}

const Heading = memo(function Heading({
  group,
  place,
  count: groups,
  top,
  height,
  onFold,
  onDecide,
}: HeadingProps) {
  const { title, count, level, findings, isFolded } = group;
  return (
    <div
      role="treeitem"
      aria-level={1}
      aria-expanded={!isFolded}
      aria-selected={false}
      aria-setsize={groups}
      aria-posinset={place}
      aria-label={`${title}, ${count}`}
      className="group absolute inset-x-0 flex items-end gap-2 px-5 pb-1 font-medium"
      style={{ top, height }}
    >
      <button
        type="button"
        tabIndex={-1}
        className="flex min-w-0 gap-2 hover:underline"
        onClick={() => onFold(title)}
      >
        <span className="w-3 shrink-0 text-soft">{isFolded ? '+' : '−'}</span>
        <span className="truncate">{title}</span>
        <span className={`tabular-nums ${levelTone(level)}`}>{count}</span>
      </button>
      {count > 1 && (
        <button
          type="button"
          className="ml-auto font-normal whitespace-nowrap text-soft underline opacity-0 group-hover:opacity-100 focus-visible:opacity-100"
          onClick={() => onDecide(findings)}
        >
          decide on all {count}
        </button>
      )}
    </div>
  );
});

interface RowProps {
  id: string;
  finding: FindingRow;
  isChosen: boolean;
  /** Its rule is told, where the heading does not. */
  rule: boolean;
  /** The row above says the same: what differs is the code. */
  isSaid: boolean;
  /** Which of how many findings of its group it is. */
  place: number;
  count: number;
  top: number;
  height: number;
  onChoose(fingerprint: string): void;
}

const Row = memo(function Row({
  id,
  finding,
  isChosen,
  rule,
  isSaid,
  place,
  count,
  top,
  height,
  onChoose,
}: RowProps) {
  return (
    <div
      id={id}
      role="treeitem"
      aria-level={2}
      aria-selected={isChosen}
      aria-setsize={count}
      aria-posinset={place}
      className={`absolute inset-x-0 cursor-pointer px-5 py-1 ${isChosen ? 'bg-chosen' : 'bg-row hover:bg-hover'}`}
      style={{ top, height }}
      onClick={() => onChoose(finding.fingerprint)}
    >
      {isSaid ? (
        <p className="code truncate" title={finding.message}>
          {finding.place.code}
        </p>
      ) : (
        <p className="truncate">{finding.message}</p>
      )}
      <p className="flex gap-3 truncate text-soft">
        <LevelWord level={finding.level} />
        {rule && <span>{finding.rule}</span>}
        {finding.fresh && <span className="text-ink">new</span>}
        {finding.decision && <span className="text-ink">{finding.decision.verdict}</span>}
        {/* The end of a path tells more than its beginning. */}
        <span className="truncate text-left text-faint" style={{ direction: 'rtl' }}>
          <bdi>
            {finding.place.file}:{finding.place.line}
          </bdi>
        </span>
      </p>
    </div>
  );
});
