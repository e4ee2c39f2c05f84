/** How much of the code the audit joined to what it names, and everything that it did not, with the reason. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useMemo, useRef, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import type { GapKind, JoinedView as View } from '../../../api/schemas';
import { useAddress } from '../../address';
import { api, reasonOf } from '../../api';
import { Narrow } from '../../parts/Narrow';
import { Place } from '../../parts/Place';
import { Empty, Failed, Waiting } from '../../parts/states';
import { isPoor } from '../../parts/tally';
import { useStable } from '../../useStable';
import { KINDS, type Row as JoinedRow, rowsOf, shareText } from './kinds';

const ROW = 28;
const GRID = 'minmax(14rem,1.3fr) minmax(14rem,2fr) minmax(14rem,1.5fr)';

export function JoinedView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const change = useAddress();
  const { data, error, isLoading, refetch } = api.useJoinedQuery(id);
  const { data: project } = api.useProjectQuery(id);
  const kind = KINDS.find((one) => one.kind === search.get('kind'))?.kind;
  const text = search.get('text') ?? '';
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const toggle = useStable((key: string) => {
    const next = new Set(opened);
    if (!next.delete(key)) next.add(key);
    setOpened(next);
  });
  const rows = useMemo(() => (data ? rowsOf(data, kind, text, opened) : []), [data, kind, text, opened]);
  const left = rows.reduce((sum, row) => sum + ('count' in row ? row.count : 0), 0);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 16,
  });
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (isLoading || !data) return <Waiting what="what was joined" />;
  return (
    <div className="grid h-full grid-cols-[19rem_minmax(0,1fr)] grid-rows-[minmax(0,1fr)]">
      <Figures
        view={data}
        kind={kind}
        onChoose={(next) => change((params) => (next ? params.set('kind', next) : params.delete('kind')))}
      />
      <section className="flex min-w-0 flex-col" aria-label="Not joined">
        <div className="flex h-10 shrink-0 items-center gap-4 border-b border-line px-5">
          <Narrow label="Narrow by name or file" placeholder="Name or file" className="w-64" />
          <span className="ml-auto text-soft tabular-nums">{left.toLocaleString('en')} not joined</span>
        </div>
        {rows.length === 0 ? (
          <Empty>
            {data.gaps.length === 0
              ? 'Everything that the code names was found.'
              : 'Nothing of this kind is left unjoined, or none of it bears these words.'}
          </Empty>
        ) : (
          <div ref={scroller} className="min-h-0 grow overflow-auto" data-scroll="gaps">
            <div
              role="table"
              aria-label="Not joined, by reason"
              aria-rowcount={rows.length}
              className="min-w-[48rem]"
            >
              <div className="relative" style={{ height: virtual.getTotalSize() }}>
                {virtual.getVirtualItems().map((item) => {
                  const row = rows[item.index]!;
                  const place = { at: item.index, top: item.start };
                  return 'gap' in row ? (
                    <GapLine
                      key={item.key}
                      {...place}
                      row={row}
                      root={project?.root}
                      opened={opened.has(row.key)}
                      onToggle={toggle}
                    />
                  ) : (
                    <ReasonLine key={item.key} {...place} reason={row.reason} count={row.count} />
                  );
                })}
              </div>
            </div>
          </div>
        )}
      </section>
    </div>
  );
}

interface LineProps {
  at: number;
  top: number;
}

const ReasonLine = memo(function ReasonLine({
  at,
  top,
  reason,
  count,
}: LineProps & { reason: string; count: number }) {
  return (
    <div
      role="row"
      aria-rowindex={at + 1}
      className="absolute inset-x-0 flex items-end gap-2 border-b border-line bg-ground px-5 pb-1"
      style={{ top, height: ROW }}
    >
      <span role="rowheader" className="truncate font-medium" title={reason}>
        {reason}
      </span>
      <span role="cell" className="text-soft tabular-nums">
        {count.toLocaleString('en')}
      </span>
    </div>
  );
});

interface GapLineProps extends LineProps {
  row: Extract<JoinedRow, { gap: unknown }>;
  root: string | undefined;
  opened: boolean;
  onToggle(key: string): void;
}

const GapLine = memo(function GapLine({ at, top, row, root, opened, onToggle }: GapLineProps) {
  const { gap, key } = row;
  const again = 'again' in row;
  return (
    <div
      role="row"
      aria-rowindex={at + 1}
      className="absolute inset-x-0 grid items-center gap-3 px-5 hover:bg-hover"
      style={{ top, height: ROW, gridTemplateColumns: GRID }}
    >
      <span role="cell" className="flex min-w-0 items-baseline gap-2" title={gap.from ?? gap.name}>
        {!again && (
          <span
            className="code truncate font-medium"
            // Of a path, the end says most.
            dir={gap.kind === 'import' ? 'rtl' : undefined}
            style={{ textAlign: 'left' }}
          >
            <bdi>{gap.name || '(no name)'}</bdi>
          </span>
        )}
        {!again && row.places > 1 && (
          <button
            type="button"
            aria-expanded={opened}
            className="whitespace-nowrap text-soft underline hover:text-ink"
            onClick={() => onToggle(key)}
          >
            {row.places.toLocaleString('en')} places
          </button>
        )}
      </span>
      <span role="cell" className="code truncate text-soft" title={gap.code}>
        {gap.code}
      </span>
      <span role="cell" className="truncate text-right" dir="rtl" title={`${gap.file}:${gap.line}`}>
        <bdi>
          <Place root={root} file={gap.file} line={gap.line} column={gap.column} />
        </bdi>
      </span>
    </div>
  );
});

/** What there is of each kind and how much of it was joined; choosing one narrows the list. */
function Figures({
  view,
  kind,
  onChoose,
}: {
  view: View;
  kind: GapKind | undefined;
  onChoose(kind: GapKind | undefined): void;
}) {
  return (
    <aside className="overflow-y-auto border-r border-line py-2" aria-label="Joined, by kind">
      {KINDS.map((one) => {
        const tally = view.tallies[one.kind];
        const on = kind === one.kind;
        return (
          <button
            key={one.kind}
            type="button"
            aria-pressed={on}
            onClick={() => onChoose(on ? undefined : one.kind)}
            className={`block w-full border-l-2 px-5 py-1.5 text-left hover:bg-hover ${on ? 'border-ink bg-hover' : 'border-transparent'}`}
          >
            <span className="flex justify-between gap-3">
              <span className="font-medium">{one.title}</span>
              <span className={`tabular-nums ${isPoor(tally) ? 'text-warning' : ''}`}>
                {shareText(tally)}
              </span>
            </span>
            <span className="flex justify-between gap-3 text-soft">
              <span>{one.says}</span>
              <span className="whitespace-nowrap tabular-nums">
                {tally.joined.toLocaleString('en')} of {tally.written.toLocaleString('en')}
              </span>
            </span>
          </button>
        );
      })}
      <p className="px-5 pt-3 text-soft">
        Beside these, {view.foreign.toLocaleString('en')} tags name components of packages, and{' '}
        {view.handed.toLocaleString('en')} draw what a component was handed.
      </p>
    </aside>
  );
}
