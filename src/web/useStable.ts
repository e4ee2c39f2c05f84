/** A function that stays the same and always does what the last render said: rows that get it are not drawn again. */
import { useCallback, useLayoutEffect, useRef } from 'react';

export function useStable<A extends unknown[]>(act: (...args: A) => void): (...args: A) => void {
  const latest = useRef(act);
  useLayoutEffect(() => {
    latest.current = act;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
