/** Every component with its figures: search as you type, sort by any column. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useMemo, useRef, type KeyboardEvent } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { CatalogueRow } from '../../../api/component-schemas';
import { useAddress } from '../../address';
import { api, reasonOf } from '../../api';
import { links } from '../../links';
import { levelTone } from '../../parts/level';
import { Narrow } from '../../parts/Narrow';
import { Empty, Failed, Waiting } from '../../parts/states';
import { useStable } from '../../useStable';
import { COLUMNS, sortedRows, type ColumnKey } from './rows';

const ROW = 28;
const GRID = 'minmax(12rem,2fr) minmax(12rem,3fr) 5.5rem repeat(8, minmax(4.2rem,0.7fr))';

export function CatalogueView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const change = useAddress();
  const navigate = useNavigate();
  const { data, error, isLoading, refetch } = api.useCatalogueQuery(id);
  const text = search.get('text') ?? '';
  const by = (search.get('sort') ?? 'name') as ColumnKey;
  const down = search.has('down');
  const rows = useMemo(() => sortedRows(data ?? [], { text, by, down }), [data, text, by, down]);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 16,
  });
  const open = useStable((ref: string) => void navigate(links.component(id, ref)));
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (isLoading || !data) return <Waiting what="the catalogue" />;

  const sort = (key: ColumnKey) =>
    change((next) => {
      const same = by === key;
      next.set('sort', key);
      // Figures start with the largest, names with A.
      const isText = key === 'name' || key === 'file' || key === 'language';
      if (same ? !down : !isText) next.set('down', '1');
      else next.delete('down');
    });
  const onKeyDown = (event: KeyboardEvent) => {
    const at = rows.findIndex((row) => `catalogue-${row.ref}` === document.activeElement?.id);
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (!step) return;
    event.preventDefault();
    const next = Math.max(0, Math.min(rows.length - 1, at + step));
    virtual.scrollToIndex(next);
    requestAnimationFrame(() => document.getElementById(`catalogue-${rows[next]!.ref}`)?.focus());
  };

  return (
    <div className="flex h-full flex-col">
      <div className="flex shrink-0 items-center gap-4 border-b border-line px-5 py-1.5">
        <Narrow label="Narrow the catalogue" placeholder="Component or file" className="w-64" />
        <Link className="underline" to={links.beside(id)}>
          Components that are alike
        </Link>
        <span className="ml-auto text-soft tabular-nums">
          {rows.length === data.length
            ? `${data.length} components`
            : `${rows.length} of ${data.length} components`}
        </span>
      </div>
      <div
        ref={scroller}
        className="min-h-0 grow overflow-auto"
        onKeyDown={onKeyDown}
        data-scroll="components"
      >
        <div role="table" aria-label="Components" aria-rowcount={rows.length + 1} className="min-w-[64rem]">
          <div
            role="row"
            className="sticky top-0 z-10 grid border-b border-line-strong bg-ground px-5"
            style={{ gridTemplateColumns: GRID }}
          >
            {COLUMNS.map((column) => (
              <div
                key={column.key}
                role="columnheader"
                aria-sort={by === column.key ? (down ? 'descending' : 'ascending') : 'none'}
                className={column.figure ? 'text-right' : ''}
              >
                <button
                  type="button"
                  title={column.says}
                  onClick={() => sort(column.key)}
                  className={`py-1.5 ${by === column.key ? 'font-semibold' : 'text-soft hover:text-ink'}`}
                >
                  {column.title}
                  <span aria-hidden="true">{by === column.key ? (down ? ' ↓' : ' ↑') : ''}</span>
                </button>
              </div>
            ))}
          </div>
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => (
              <Row
                key={rows[item.index]!.ref}
                row={rows[item.index]!}
                at={item.index}
                top={item.start}
                project={id}
                onOpen={open}
              />
            ))}
          </div>
        </div>
        {rows.length === 0 && (
          <Empty>
            {data.length === 0
              ? 'No component was found in the files that were read.'
              : 'No component bears these words. They may come in any order.'}
          </Empty>
        )}
      </div>
    </div>
  );
}

interface RowProps {
  row: CatalogueRow;
  at: number;
  top: number;
  project: string;
  onOpen(ref: string): void;
}

const Row = memo(function Row({ row, at, top, project, onOpen }: RowProps) {
  return (
    <div
      id={`catalogue-${row.ref}`}
      role="row"
      tabIndex={at === 0 ? 0 : -1}
      aria-rowindex={at + 2}
      className={`absolute inset-x-0 grid cursor-pointer items-center px-5 hover:bg-hover ${at % 2 ? 'bg-row-odd' : 'bg-row'}`}
      style={{ top, height: ROW, gridTemplateColumns: GRID }}
      onClick={() => onOpen(row.ref)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') onOpen(row.ref);
      }}
    >
      {COLUMNS.map((column) => {
        const value = column.of(row);
        if (column.key === 'name')
          return (
            <div key="name" role="cell" className="truncate pr-3">
              <Link
                to={links.component(project, row.ref)}
                className="font-medium hover:underline"
                tabIndex={-1}
                title={row.ref}
              >
                {row.name}
              </Link>
            </div>
          );
        const tone = column.level && row.counts[column.level] ? levelTone(column.level) : '';
        return (
          <div
            key={column.key}
            role="cell"
            title={column.figure ? undefined : String(value)}
            className={`truncate ${column.figure ? 'text-right tabular-nums' : 'pr-3 text-soft'} ${value === 0 ? 'text-faint' : tone}`}
          >
            {column.key === 'depth' && value === -1 ? '–' : value}
          </div>
        );
      })}
    </div>
  );
});
