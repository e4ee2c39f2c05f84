import { memo } from 'react';
import { Link } from 'react-router';
import type { RiggingRow } from '../../../api/schemas';
import { INDENT, type LineProps, ROW } from './layout';

interface TreeRowProps extends LineProps {
  row: RiggingRow;
  chosen: boolean;
  /** Where the row leads to: its call site, or its component. */
  address: string;
  onFold(index: number): void;
  onChoose(row: RiggingRow): void;
}

/** One call site: its place in the tree, its name, the condition and the list that it stands in. */
export const TreeRow = memo(function TreeRow(props: TreeRowProps) {
  const { row, top, odd, chosen, focusable, names, width, address, at } = props;
  const tone = chosen ? 'bg-chosen' : odd ? 'bg-row-odd' : 'bg-row';
  const where = row.site ? `${row.site.file}:${row.site.line}` : `${row.file}:${row.line}`;
  return (
    <div
      id={`row-${at}`}
      role="treeitem"
      aria-label={row.name}
      aria-level={row.depth + 1}
      aria-setsize={row.count}
      aria-posinset={row.place}
      aria-selected={chosen}
      {...(row.span ? { 'aria-expanded': row.hidden === 0 } : {})}
      tabIndex={focusable ? 0 : -1}
      onFocus={() => props.onFocus(at)}
      className={`absolute left-0 ${tone}`}
      style={{ top, height: ROW, width }}
    >
      <div
        className={`sticky left-0 flex h-full items-center overflow-hidden whitespace-nowrap ${tone}`}
        style={{ width: names, paddingLeft: 8 + Math.min(row.depth, 9) * INDENT }}
        title={`${row.name}, rendered at ${where}`}
      >
        {row.depth > 0 && (
          <span
            aria-hidden="true"
            className="mr-1 mb-2.5 h-3 w-2 shrink-0 border-b border-l border-line-strong"
          />
        )}
        <button
          type="button"
          tabIndex={-1}
          aria-label={row.hidden ? 'Unfold' : 'Fold'}
          className={`w-4 shrink-0 text-soft ${row.span ? '' : 'invisible'}`}
          onClick={() => props.onFold(row.index)}
        >
          {row.hidden ? '+' : '−'}
        </button>
        <Link
          to={address}
          tabIndex={-1}
          onClick={(event) => {
            // With a key held it opens as any link does; without, the chart shows what runs through it.
            if (event.metaKey || event.ctrlKey || event.shiftKey) return;
            event.preventDefault();
            props.onChoose(row);
          }}
          className={`truncate hover:underline ${row.named ? 'bg-mark font-medium' : ''}`}
        >
          {row.name}
        </Link>
        <span className="ml-2.5 max-w-1/2 shrink-[2] truncate text-faint">
          {row.hidden > 0 && `${row.hidden} folded `}
          {row.each !== undefined && `each ${row.each} `}
          {row.when !== undefined && `if ${row.when} `}
          {row.again === 'repeated' && 'shown above '}
          {row.again === 'recursive' && 'itself again '}
        </span>
      </div>
    </div>
  );
});
