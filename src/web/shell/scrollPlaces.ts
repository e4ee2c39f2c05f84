/**
 * Back leads to the place that one left: what has `data-scroll` comes back to where it was scrolled to at that entry of the
 * history. Views come in late, and lists grow as they are fetched, so that the place is asked for until it is there.
 */
import { useEffect, useRef } from 'react';
import { useLocation, useNavigationType } from 'react-router';

const KEPT = 'zinc-rope-scroll';
/** Milliseconds for which a place is asked for at most; and frames for which it has to stay. */
const PATIENCE = 4_000;
const STEADY = 12;

const places: Map<string, number> = read();

function read(): Map<string, number> {
  try {
    return new Map(JSON.parse(sessionStorage.getItem(KEPT) ?? '[]') as [string, number][]);
  } catch {
    return new Map();
  }
}

/** Entries of the history are numbered by the router. */
const numberOf = (): number => (window.history.state as { idx?: number } | null)?.idx ?? 0;

const entryOf = (pathname: string): string => `${numberOf()} ${pathname}`;

const scrollers = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>('[data-scroll]')];

const keyOf = (entry: string, one: HTMLElement): string => `${entry} ${one.dataset.scroll}`;

export function useScrollPlaces(): void {
  const { key, pathname } = useLocation();
  const how = useNavigationType();
  const before = useRef(pathname);
  const stopAsking = useRef(() => {});
  useEffect(() => {
    const note = ({ target }: Event) => {
      if (!(target instanceof HTMLElement) || target.dataset.scroll === undefined) return;
      places.set(keyOf(entryOf(window.location.pathname), target), target.scrollTop);
    };
    const keep = () => sessionStorage.setItem(KEPT, JSON.stringify([...places]));
    document.addEventListener('scroll', note, true);
    window.addEventListener('pagehide', keep);
    return () => {
      document.removeEventListener('scroll', note, true);
      window.removeEventListener('pagehide', keep);
      stopAsking.current();
    };
  }, []);
  // By the key of the location and not by what the browser says of its history: that is ahead of what is drawn.
  useEffect(() => {
    const isSameView = before.current === pathname;
    before.current = pathname;
    // The same entry may be replaced while its view settles: what is asked for goes on.
    if (how === 'REPLACE' && isSameView) return;
    stopAsking.current();
    const entry = entryOf(pathname);
    const wanted = new Map([...places].filter(([one]) => one.startsWith(`${entry} `)));
    if (how === 'POP') {
      if ([...wanted.values()].some((place) => place > 0)) stopAsking.current = askFor(entry, wanted);
      return;
    }
    for (const one of wanted.keys()) places.delete(one);
    // What one is led to is another thing in the same view: it is seen from its start.
    if (isSameView) for (const one of scrollers()) if (one.dataset.scroll === 'page') one.scrollTop = 0;
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, pathname]);
}

/** Scrolls to the places that are wanted until they stay, or until somebody scrolls by hand; gives what ends it. */
function askFor(entry: string, wanted: Map<string, number>): () => void {
  const until = performance.now() + PATIENCE;
  let steady = 0;
  let frame = requestAnimationFrame(function ask() {
    const found = scrollers().filter((one) => wanted.get(keyOf(entry, one)));
    let isThere = found.length > 0;
    for (const one of found) {
      const place = wanted.get(keyOf(entry, one))!;
      if (Math.abs(one.scrollTop - place) < 2) continue;
      one.scrollTop = place;
      isThere = false;
    }
    steady = isThere ? steady + 1 : 0;
    if (steady < STEADY && performance.now() < until) frame = requestAnimationFrame(ask);
    else stop();
  });
  // Whoever scrolls by hand wants to be elsewhere.
  const hands = ['wheel', 'touchstart', 'keydown', 'pointerdown'] as const;
  const stop = () => {
    cancelAnimationFrame(frame);
    for (const one of hands) window.removeEventListener(one, stop);
  };
  for (const one of hands) window.addEventListener(one, stop);
  return stop;
}
