/** The address as it is now: keys may come faster than a view is drawn again. */
import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

export const currentSearch = (): URLSearchParams => new URLSearchParams(window.location.search);

/** Changes the query of the address in place; the change starts from what the address says by then. */
export function useAddress(): (change: (next: URLSearchParams) => void) => void {
  const [, setSearch] = useSearchParams();
  return useCallback(
    (change) => {
      const next = currentSearch();
      change(next);
      setSearch(next, { replace: true });
    },
    [setSearch],
  );
}
