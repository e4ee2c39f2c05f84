import { memo } from 'react';
import type { GapRow } from '../../../api/schemas';
import { count } from '../../parts/count';
import { INDENT, ROW, type LineProps } from './layout';

interface GapLineProps extends LineProps {
  /** Undefined for a row that is still on its way. */
  gap: GapRow | undefined;
  onOpen(from: number, to: number): void;
}

/** One quiet line for rows that no shown strand touches. */
export const GapLine = memo(function GapLine({ gap, onOpen, ...line }: GapLineProps) {
  const { at, top, odd, focusable, names, width } = line;
  const tone = odd ? 'bg-row-odd' : 'bg-row';
  return (
    <div
      id={`row-${at}`}
      role="treeitem"
      aria-selected={false}
      aria-level={(gap?.depth ?? 0) + 1}
      aria-label={gap ? `${count(gap.left, 'row')} that no shown strand touches` : 'Loading'}
      tabIndex={focusable ? 0 : -1}
      onFocus={() => line.onFocus(at)}
      className={`absolute left-0 ${tone}`}
      style={{ top, height: ROW, width }}
    >
      <div
        className={`sticky left-0 flex h-full items-center overflow-hidden whitespace-nowrap ${tone}`}
        style={{ width: names, paddingLeft: 28 + Math.min(gap?.depth ?? 0, 9) * INDENT }}
      >
        {gap && (
          <button
            type="button"
            tabIndex={-1}
            className="text-faint hover:underline"
            title="Show them"
            onClick={() => onOpen(gap.from, gap.to)}
          >
            … {count(gap.left, 'row')} between
          </button>
        )}
      </div>
    </div>
  );
});
