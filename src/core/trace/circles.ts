/** Where a value goes round in a circle, nothing is its first or its last: what holds it stands for both. */
import type { Channel } from '../model/facts';
import type { Role } from '../model/finding';

interface Hop {
  ref: string;
  channel: Channel;
  role: Role;
}

interface Route {
  from: string;
  to: string;
  how: string;
}

/** Circles that nothing comes into from outside, and those that nothing leaves; each by the hops that stand for it. */
export function circleEnds(hops: Hop[], routes: Route[]): { origins: string[]; ends: string[] } {
  const found: { origins: string[]; ends: string[] } = { origins: [], ends: [] };
  const moved = routes.filter(({ how }) => how !== 'break');
  for (const circle of circlesOf(hops, moved)) {
    const members = hops.filter(({ ref }) => circle.has(ref));
    if (!moved.some(({ from, to }) => circle.has(to) && !circle.has(from)))
      found.origins.push(...holding(members));
    if (!moved.some(({ from, to }) => circle.has(from) && !circle.has(to)))
      found.ends.push(...reading(members));
  }
  return found;
}

/** What keeps a value before what it passes by. */
function holding(members: Hop[]): string[] {
  for (const channel of ['state', 'local', 'context'] as const) {
    const kept = members.filter((one) => one.channel === channel);
    if (kept.length) return kept.map(({ ref }) => ref);
  }
  return members.map(({ ref }) => ref);
}

function reading(members: Hop[]): string[] {
  const read = members.filter(({ role }) => role === 'read');
  return (read.length ? read : members).map(({ ref }) => ref);
}

/** Hops that all lead to each other, by Tarjan's algorithm; only circles of more than one. */
function circlesOf(hops: Hop[], routes: Route[]): Set<string>[] {
  const next = new Map<string, string[]>();
  for (const { from, to } of routes) next.set(from, [...(next.get(from) ?? []), to]);
  const index = new Map<string, number>();
  const low = new Map<string, number>();
  const open: string[] = [];
  const isOpen = new Set<string>();
  const found: Set<string>[] = [];
  const enter = (ref: string): void => {
    index.set(ref, index.size);
    low.set(ref, index.get(ref)!);
    open.push(ref);
    isOpen.add(ref);
    for (const to of next.get(ref) ?? []) {
      if (!index.has(to)) {
        enter(to);
        low.set(ref, Math.min(low.get(ref)!, low.get(to)!));
      } else if (isOpen.has(to)) low.set(ref, Math.min(low.get(ref)!, index.get(to)!));
    }
    if (low.get(ref) !== index.get(ref)) return;
    const circle = new Set<string>();
    let last: string;
    do {
      last = open.pop()!;
      isOpen.delete(last);
      circle.add(last);
    } while (last !== ref);
    if (circle.size > 1) found.push(circle);
  };
  for (const { ref } of hops) if (!index.has(ref)) enter(ref);
  return found;
}
