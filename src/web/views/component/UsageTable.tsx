/** Call sites as rows, ports as columns, what is handed over in each cell: odd ones out are seen at a glance. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useMemo, useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Cell, ComponentView } from '../../../api/component-schemas';
import { useAddress } from '../../address';
import { links } from '../../links';
import { CopyMenu } from '../../parts/CopyMenu';
import { usageMarkdown } from '../../parts/markdown';
import { isLoose, JOIN_WORDS } from '../../parts/joinWords';
import { useStable } from '../../useStable';
import { usageColumns, type UsageRow, usageRows } from './usage';

const ROW = 28;
const FIRST = 270;
const COLUMN = 138;

export function UsageTable({ project, view }: { project: string; view: ComponentView }) {
  const [search] = useSearchParams();
  const change = useAddress();
  const navigate = useNavigate();
  const by = search.get('by') ?? '';
  const oddOnly = search.has('odd');
  const { columns, always, never } = useMemo(() => usageColumns(view), [view]);
  const opened = useMemo(() => new Set(search.getAll('alike').map(Number)), [search]);
  const rows = useMemo(
    () => usageRows(view, { by, oddOnly, columns }, opened),
    [view, by, oddOnly, columns, opened],
  );
  const openAlike = useStable((at: number) =>
    change((next) => {
      const key = String(at);
      if (next.getAll('alike').includes(key)) next.delete('alike', key);
      else next.append('alike', key);
    }),
  );
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const width = FIRST + columns.length * COLUMN;
  const sort = (name: string) => change((next) => (by === name ? next.delete('by') : next.set('by', name)));
  /** The call site that waits for another one to stand beside. */
  const [first, setFirst] = useState<number>();
  const beside = useStable((at: number) => {
    if (first === undefined || first === at) setFirst(first === at ? undefined : at);
    else void navigate(links.sitesBeside(project, view.ref, first, at));
  });
  const open = useStable(
    (at: number, port?: string) => void navigate(links.joint(project, view.ref, at, port)),
  );
  if (view.sites.length === 0) {
    return (
      <p className="py-2 text-soft">
        {view.elsewhere
          ? 'No call site is written in the files that were read; it is handed on as a value, or offered to others.'
          : 'Nothing renders it.'}
      </p>
    );
  }
  return (
    <>
      <div className="flex flex-wrap gap-x-5 pb-1 text-soft">
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={oddOnly}
            onChange={() => change((next) => (oddOnly ? next.delete('odd') : next.set('odd', '1')))}
          />
          only odd ones out and loose ends
        </label>
        <CopyMenu markdown={(link) => usageMarkdown(view, columns, link)} />
        {always.length > 0 && (
          <span
            className="min-w-0 truncate"
            title={always.map((one) => `${one.name} = ${one.text}`).join(', ')}
          >
            all pass{' '}
            <span className="code">{always.map((one) => `${one.name} = ${one.text}`).join(', ')}</span>
          </span>
        )}
        {never.length > 0 && (
          <span className="min-w-0 truncate" title={never.join(', ')}>
            no call site passes <span className="code">{never.join(', ')}</span>
          </span>
        )}
      </div>
      <div
        ref={scroller}
        className="max-h-[22rem] w-fit max-w-full overflow-auto border border-line bg-row"
        tabIndex={0}
        aria-label="Usage, scrolls"
        data-scroll="usage"
      >
        <div role="table" aria-label="Usage" aria-rowcount={rows.length + 1} style={{ width }}>
          <div role="row" className="sticky top-0 z-20 flex border-b border-line-strong bg-ground">
            <div
              role="columnheader"
              className="sticky left-0 z-10 shrink-0 bg-ground px-3 py-1 text-soft"
              style={{ width: FIRST }}
            >
              Call site
            </div>
            {columns.map((name) => (
              <div
                key={name}
                role="columnheader"
                aria-sort={by === name ? 'ascending' : 'none'}
                className="shrink-0 px-2 py-1"
                style={{ width: COLUMN }}
              >
                <button
                  type="button"
                  className={`code max-w-full truncate ${by === name ? 'font-semibold underline' : ''}`}
                  onClick={() => sort(name)}
                >
                  {name}
                </button>
              </div>
            ))}
          </div>
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => (
              <Row
                key={rows[item.index]!.site.at}
                row={rows[item.index]!}
                at={item.index}
                top={item.start}
                width={width}
                columns={columns}
                isChoosing={first !== undefined}
                chosen={rows[item.index]!.site.at === first}
                onBeside={view.sites.length > 1 ? beside : undefined}
                onOpen={open}
                onAlike={openAlike}
              />
            ))}
          </div>
        </div>
      </div>
    </>
  );
}

interface RowProps {
  row: UsageRow;
  at: number;
  top: number;
  width: number;
  columns: string[];
  /** It waits for another one to stand beside. */
  chosen: boolean;
  /** One waits. */
  isChoosing: boolean;
  onBeside: ((at: number) => void) | undefined;
  onOpen(at: number, port?: string): void;
  /** Shows or hides the call sites that hand over the same. */
  onAlike(at: number): void;
}

const Row = memo(function Row(props: RowProps) {
  const { row, at, top, width, columns, chosen, isChoosing, onBeside, onOpen, onAlike } = props;
  const { site, alike, isOpen } = row;
  const ground = chosen ? 'bg-chosen' : at % 2 ? 'bg-row-odd' : 'bg-row';
  return (
    <div
      role="row"
      aria-rowindex={at + 2}
      className={`group absolute flex ${ground}`}
      style={{ top, height: ROW, width }}
    >
      <div
        role="rowheader"
        className={`sticky left-0 z-10 flex shrink-0 gap-2 px-3 leading-7 whitespace-nowrap ${ground}`}
        style={{ width: FIRST }}
      >
        <button
          type="button"
          className={`truncate hover:underline ${site.aside ? 'text-soft' : ''}`}
          title={`${site.spot.file}:${site.spot.line}${site.aside ? ', a test or an example' : ''}`}
          onClick={() => onOpen(site.at)}
        >
          {site.owner} <span className="text-faint">:{site.spot.line}</span>
          {site.when && <span className="text-faint"> if {site.when}</span>}
        </button>
        {alike > 0 && (
          <button
            type="button"
            className="ml-auto text-soft underline"
            title={isOpen ? 'Fold them' : 'They hand over the very same; show them'}
            onClick={() => onAlike(site.at)}
          >
            {isOpen ? '−' : '+'}
            {alike} alike
          </button>
        )}
        {onBeside && (
          <button
            type="button"
            aria-pressed={chosen}
            className={`shrink-0 text-soft underline focus:opacity-100 ${alike > 0 ? '' : 'ml-auto'} ${isChoosing ? '' : 'opacity-0 group-hover:opacity-100'}`}
            title={chosen ? 'Choose the other call site' : 'Put it beside another call site'}
            onClick={() => onBeside(site.at)}
          >
            {chosen ? 'and …' : 'beside'}
          </button>
        )}
      </div>
      {columns.map((name) => (
        <div key={name} role="cell" className="shrink-0 border-l border-line/60" style={{ width: COLUMN }}>
          <CellButton cell={site.cells[name]} name={name} onOpen={() => onOpen(site.at, name)} />
        </div>
      ))}
    </div>
  );
});

function CellButton({ cell, name, onOpen }: { cell: Cell | undefined; name: string; onOpen(): void }) {
  const how = cell?.how ?? 'left out';
  const loose = isLoose(how);
  const shown = cell?.text || (cell ? JOIN_WORDS[how] : '');
  return (
    <button
      type="button"
      onClick={onOpen}
      title={`${name}: ${cell?.text || 'nothing'}, ${JOIN_WORDS[how]}${cell?.odd ? ', unlike the other call sites' : ''}`}
      aria-label={`${name}: ${shown || 'left out'}${cell?.odd ? ', odd one out' : ''}`}
      className={`code block h-7 w-full truncate px-2 text-left hover:bg-hover ${cell?.odd ? 'bg-mark' : ''} ${
        loose ? 'text-error' : cell?.text ? '' : 'text-faint'
      }`}
    >
      {loose && '✕ '}
      {shown}
    </button>
  );
}
