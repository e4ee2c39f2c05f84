/** A trace, as far as one wants to read it. */
import { NEARNESS, type Near } from './itself';
import type { Hop, Route, Trace } from './trace';

export interface Part {
  /** How far it goes. */
  reach: Near;
  /** How many hops it has. */
  hops: number;
  origins: string[];
  ends: string[];
}

/** So many hops are read at once. */
export const READABLE = 40;

/** The hops and routes of a trace that are no further than that. */
export function within({ hops, routes }: Trace, far: Near): { hops: Hop[]; routes: Route[] } {
  if (far === 'far') return { hops, routes };
  const least = NEARNESS.indexOf(far);
  const kept = hops.filter(({ near }) => NEARNESS.indexOf(near) <= least);
  const refs = new Set(kept.map(({ ref }) => ref));
  const isKept = ({ from, to, near }: Route) => near && refs.has(from) && refs.has(to);
  return { hops: kept, routes: routes.filter(isKept) };
}

/** The hops of a part that go on beyond it. */
export function goingOn({ routes }: Trace, hops: Hop[]): Set<string> {
  const kept = new Set(hops.map(({ ref }) => ref));
  return new Set(routes.flatMap(({ from, to }) => (kept.has(from) && !kept.has(to) ? [from] : [])));
}

/** The parts that a trace can be read in, the narrowest first; one that holds no more than the one before is no part. */
export function partsOf(trace: Trace): Part[] {
  const parts: Part[] = [];
  for (const far of NEARNESS) {
    const { hops, routes } = within(trace, far);
    const isWhole = hops.length === trace.hops.length;
    if (isWhole) {
      parts.push({ reach: 'far', hops: hops.length, origins: trace.origins, ends: trace.ends });
      break;
    }
    if (hops.length === parts.at(-1)?.hops) continue;
    const [fed, feeding] = [new Set(routes.map(({ to }) => to)), new Set(routes.map(({ from }) => from))];
    const lacking = (set: Set<string>) => hops.map(({ ref }) => ref).filter((ref) => !set.has(ref));
    parts.push({ reach: far, hops: hops.length, origins: lacking(fed), ends: lacking(feeding) });
  }
  return parts;
}

/** The part to show: as far as is asked, or as can be read at once; never short of a hop that is asked for. */
export function partFor({ hops }: Trace, parts: Part[], asked: { reach?: Near; hop?: string } = {}): Part {
  const near = hops.find(({ ref }) => ref === asked.hop)?.near ?? 'itself';
  const enough = parts.filter(({ reach }) => NEARNESS.indexOf(reach) >= NEARNESS.indexOf(near));
  return asked.reach === undefined
    ? (enough.filter(({ hops: count }) => count <= READABLE).at(-1) ?? enough[0]!)
    : (enough.find(({ reach }) => NEARNESS.indexOf(reach) >= NEARNESS.indexOf(asked.reach!)) ??
        enough.at(-1)!);
}
