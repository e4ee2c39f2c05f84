/** What is upstream and downstream of a hop, what goes round in a loop, and what ends unseen. */
import type { HopView, StrandView } from '../../api/schemas';

export type Side = 'all' | 'up' | 'down';

/** The references of the hops on one side of a hop, itself included. */
export function sideOf(strand: StrandView, ref: string, side: Side): Set<string> {
  if (side === 'all') return new Set(strand.hops.map((hop) => hop.ref));
  const next = new Map<string, string[]>();
  for (const { from, to } of strand.routes) {
    const [at, far] = side === 'up' ? [to, from] : [from, to];
    next.set(at, [...(next.get(at) ?? []), far]);
  }
  const found = new Set([ref]);
  const pending = [ref];
  for (let at = pending.pop(); at !== undefined; at = pending.pop()) {
    for (const far of next.get(at) ?? []) {
      if (found.has(far)) continue;
      found.add(far);
      pending.push(far);
    }
  }
  return found;
}

type Route = StrandView['routes'][number];

export interface HopNote {
  /** Names that the value bore at the hops before, where they are others. */
  before: string[];
  /** What it is worked out of. */
  madeOf: string[];
  /** What is called, so that it comes to be. */
  setBy: string[];
  /** Whose value is changed here, and who changes it elsewhere, since both have the same thing. */
  changes: string[];
  changedBy: string[];
  /** Hops further up that it flows back to. */
  loops: string[];
  /** Nothing flows on from here, and nobody reads it. */
  dead: boolean;
  /** It goes on beyond what is shown. */
  more: boolean;
}

/** What is to be said of each hop beside what it is. */
export function notesOf(strand: StrandView): Map<string, HopNote> {
  const at = new Map(strand.hops.map((hop, index) => [hop.ref, index]));
  const byRef = new Map(strand.hops.map((hop) => [hop.ref, hop]));
  const notes = new Map<string, HopNote>();
  for (const hop of strand.hops) {
    const into = strand.routes.filter((route) => route.to === hop.ref);
    const out = strand.routes.filter((route) => route.from === hop.ref);
    const namesOf = (carried: Route['carries']): string[] => {
      const ways = into.filter(
        (route) => route.carries === carried && route.how !== 'break' && !route.inPlace,
      );
      return [...new Set(ways.flatMap((route) => byRef.get(route.from)?.name ?? []))];
    };
    const before = namesOf('itself');
    const inPlace = (ways: Route[], end: 'from' | 'to'): string[] => [
      ...new Set(ways.flatMap((route) => (route.inPlace && byRef.get(route[end])?.component) || [])),
    ];
    notes.set(hop.ref, {
      before: before.filter((name) => name !== hop.name),
      madeOf: namesOf('made').filter((name) => !before.includes(name)),
      setBy: namesOf('call').filter((name) => name !== hop.name && !before.includes(name)),
      changes: inPlace(out, 'to'),
      changedBy: inPlace(into, 'from'),
      loops: [
        ...new Set(
          out
            .filter(
              (route) =>
                !route.inPlace &&
                at.get(route.to)! < at.get(hop.ref)! &&
                // Both have the same thing: what goes there comes from there.
                !into.some((other) => other.inPlace && other.from === route.to),
            )
            .map((route) => route.to),
        ),
      ],
      dead: out.length === 0 && !hop.more && !shows(hop),
      more: hop.more,
    });
  }
  return notes;
}

/** Somebody sees it: it is read, taken in, or waited for. */
const shows = (hop: HopView): boolean =>
  hop.reads.length > 0 || hop.role === 'read' || hop.role === 'wait' || hop.role === 'pass';
