/** The rows of the chart near what is in sight; others are fetched when they come near. */
import { useEffect, useMemo, useReducer } from 'react';
import type { GapRow, RiggingRow, RowWindow } from '../../../api/schemas';
import { api } from '../../api';

/** Rows in one request. */
const PAGE = 120;

export type ChartRow = RiggingRow | GapRow;

export interface Rows {
  /** The row at a place of the chart; undefined until it was fetched. */
  at(place: number): ChartRow | undefined;
  /** The names of what stands above a place, from the root down. */
  above(place: number): string[];
}

/** Rows for one question; `first` came with its answer. `range` is what is drawn. */
export function useRows(
  { id, ask }: { id: string; ask: string },
  first: RowWindow,
  shown: number,
  [from, to]: [number, number],
): Rows {
  const [fetchRows] = api.useLazyRiggingRowsQuery();
  const [, drawAgain] = useReducer((turn: number) => turn + 1, 0);
  // What is on the way belongs to one answer, as what came with it does: the next answer asks for its own.
  const { windows, asked } = useMemo(() => ({ windows: pagesOf(first), asked: new Set<number>() }), [first]);
  const pages = [Math.floor(from / PAGE), Math.floor(Math.max(from, to) / PAGE)].filter(
    (page) => page * PAGE < shown,
  );
  const wanted = pages.filter((page) => !windows.has(page)).join(' ');
  useEffect(() => {
    for (const page of wanted ? wanted.split(' ').map(Number) : []) {
      if (asked.has(page)) continue;
      asked.add(page);
      void fetchRows({ id, ask, from: page * PAGE, most: PAGE }, true).then(({ data }) => {
        asked.delete(page);
        if (!data) return;
        windows.set(page, data);
        drawAgain();
      });
    }
  }, [wanted, ask, id, windows, asked, fetchRows]);
  const at = (place: number): ChartRow | undefined =>
    windows.get(Math.floor(place / PAGE))?.rows[place % PAGE];
  return { at, above: (place) => namesAbove(windows.get(Math.floor(place / PAGE)), place % PAGE) };
}

/** What came first, by pages. */
function pagesOf(first: RowWindow): Map<number, RowWindow> {
  const pages = new Map<number, RowWindow>([[0, first]]);
  for (let from = PAGE; from < first.rows.length; from += PAGE) {
    const rows = first.rows.slice(from, from + PAGE);
    pages.set(from / PAGE, { from, rows, above: namesAbove(first, from) });
  }
  return pages;
}

/** Walks back from a row to the one that stands one step further out, up to the first, whose ancestors are known. */
export function namesAbove(window: RowWindow | undefined, place: number): string[] {
  const row = window?.rows[place];
  if (!window || !row) return [];
  const names: string[] = [];
  let { depth } = row;
  for (let at = place - 1; at >= 0 && depth > 0; at--) {
    const one = window.rows[at]!;
    if (one.depth >= depth || !('name' in one)) continue;
    names.unshift(one.name);
    depth = one.depth;
  }
  return [...window.above.slice(0, depth), ...names];
}
