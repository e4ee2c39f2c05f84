/** The findings under their headings, as far as they are in sight; one of them is chosen. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import type { FindingRow } from '../../../api/schemas';
import { currentSearch } from '../../address';
import { api } from '../../api';
import { LevelWord } from '../../parts/level';
import { ordinals, type ListItem } from './list';

const HEADING = 30;
const ROW = 46;

interface FindingListProps {
  project: string;
  items: ListItem[];
  chosen: FindingRow | undefined;
  onChoose(fingerprint: string): void;
}

const idOf = (index: number): string => `finding-${index}`;

export function FindingList({ project, items, chosen, onChoose }: FindingListProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => (items[index]!.kind === 'group' ? HEADING : ROW),
    overscan: 10,
  });
  const at = items.findIndex((item) => item.kind === 'finding' && item.finding === chosen);
  const { places, count } = useMemo(() => ordinals(items), [items]);
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
      onKeyDown={onKeyDown}
      tabIndex={0}
      role="listbox"
      aria-label="List of findings"
      aria-activedescendant={rows.some((row) => row.index === at) ? idOf(at) : undefined}
    >
      <div className="relative" style={{ height: virtual.getTotalSize() }}>
        {rows.map(({ index, key, start, size }) => {
          const item = items[index]!;
          return item.kind === 'group' ? (
            <Heading key={key} title={item.title} count={item.count} top={start} height={size} />
          ) : (
            <Row
              key={key}
              id={idOf(index)}
              finding={item.finding}
              isChosen={index === at}
              place={places[index]!}
              count={count}
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
  title: string;
  count: number;
  top: number;
  height: number;
}

const Heading = memo(function Heading({ title, count, top, height }: HeadingProps) {
  return (
    <div
      role="presentation"
      className="absolute inset-x-0 flex items-end gap-2 px-5 pb-1 font-medium"
      style={{ top, height }}
    >
      <span className="truncate">{title}</span>
      <span className="text-faint tabular-nums">{count}</span>
    </div>
  );
});

interface RowProps {
  id: string;
  finding: FindingRow;
  isChosen: boolean;
  /** Which of how many findings it is. */
  place: number;
  count: number;
  top: number;
  height: number;
  onChoose(fingerprint: string): void;
}

const Row = memo(function Row({ id, finding, isChosen, place, count, top, height, onChoose }: RowProps) {
  return (
    <div
      id={id}
      role="option"
      aria-selected={isChosen}
      aria-setsize={count}
      aria-posinset={place}
      className={`absolute inset-x-0 cursor-pointer px-5 py-1 ${isChosen ? 'bg-chosen' : 'bg-row hover:bg-hover'}`}
      style={{ top, height }}
      onClick={() => onChoose(finding.fingerprint)}
    >
      <p className="truncate">{finding.message}</p>
      <p className="flex gap-3 truncate text-soft">
        <LevelWord level={finding.level} />
        <span>{finding.rule}</span>
        {finding.decision && <span className="text-ink">{finding.decision.verdict}</span>}
        <span className="truncate text-faint">
          {finding.place.file}:{finding.place.line}
        </span>
      </p>
    </div>
  );
});
