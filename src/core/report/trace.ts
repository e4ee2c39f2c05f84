/** A trace for people and for other programs. */
import type { Linked } from '../link';
import type { Near } from '../trace/itself';
import { partFor, partsOf, within } from '../trace/parts';
import type { Hop, Route, Trace } from '../trace/trace';
import { writtenFor } from '../trace/written';
import { plain } from './plain';
import type { Places } from './places';

export interface TraceReport {
  of: string;
  nodes: {
    port: string;
    component: string;
    file: string;
    line: number;
    column: number;
    name: string;
    type: string;
    role: string;
    /** The value itself, one step from it, or further. */
    near: Near;
    /** Where it is read, or handed to a component that is not the project's. */
    reads: { file: string; line: number; column: number }[];
    /** What call sites write down for it. */
    written: { file: string; line: number; column: number; text: string }[];
  }[];
  /** `inPlace`: what was handed in is changed there, for whoever handed it in. */
  edges: {
    from: string;
    to: string;
    how: string;
    inPlace?: true;
    file: string;
    line: number;
    column: number;
  }[];
  origins: string[];
  ends: string[];
  /** Where it goes on, but was ended for its length. */
  cut: string[];
}

export function traceReport(project: Linked, trace: Trace, places: Places): TraceReport {
  return {
    of: trace.of,
    nodes: trace.hops.map((hop) => {
      const { file, line, column } = places.spot(hop.place);
      return {
        port: hop.ref,
        component: hop.component,
        file,
        line,
        column,
        name: hop.name,
        type: hop.type,
        role: hop.role,
        near: hop.near,
        reads: hop.reads.map((place) => {
          const { file: home, line: row, column: at } = places.spot(place);
          return { file: home, line: row, column: at };
        }),
        written: writtenFor(project, hop.nodes).map(({ place }) => {
          const { file: home, line: row, column: at } = places.spot(place);
          return { file: home, line: row, column: at, text: places.text(place) };
        }),
      };
    }),
    edges: trace.routes.map((route) => {
      const { file, line, column } = places.spot(route.place);
      const { from, to, how, inPlace } = route;
      return { from, to, how, ...(inPlace ? { inPlace } : {}), file, line, column };
    }),
    origins: trace.origins,
    ends: trace.ends,
    cut: trace.cut,
  };
}

/** What the parts of a trace are called. */
const FAR: Record<Near, string> = {
  itself: 'the value itself',
  step: 'the value itself, and one step further',
  far: 'all of it',
};

/** A trace as far as it is read at once, or all of it. */
export function traceText(project: Linked, trace: Trace, places: Places, isWhole = false): string {
  const parts = partsOf(trace);
  const part = partFor(trace, parts, isWhole ? { reach: 'far' } : {});
  const { hops, routes } = within(trace, part.reach);
  const further = trace.hops.length - hops.length;
  const lines = [trace.of, ''];
  for (const hop of hops) {
    const { file, line } = places.spot(hop.place);
    const alias = hop.ref.endsWith(`:${hop.name}`) ? '' : ` as ${hop.name}`;
    lines.push(`${hop.role.padEnd(9)} ${hop.ref}${alias}${hop.type ? `: ${hop.type}` : ''}  ${file}:${line}`);
    for (const route of routes) {
      if (route.from !== hop.ref) continue;
      const at = places.spot(route.place);
      lines.push(
        `          ${howOf(route)} ${route.to}  ${at.file}:${at.line}  ${places.excerpt(route.place)}`,
      );
    }
    lines.push(...writtenAt(project, hop, places), ...readElsewhere(hop, places));
  }
  lines.push(
    '',
    `origins: ${part.origins.join(', ') || 'none'}`,
    `ends: ${part.ends.join(', ') || 'none'}`,
    ...(further ? [`This is ${FAR[part.reach]}; ${further} hops are further (--all).`] : []),
    ...(trace.cut.length && !further ? [`ended for its length, goes on at: ${trace.cut.join(', ')}`] : []),
  );
  return `${lines.map(plain).join('\n')}\n`;
}

function howOf({ how, inPlace }: Route): string {
  if (inPlace) return 'changed in place for';
  return how === 'break' ? 'broken on the way to' : `${how} to`;
}

/** So many readers of one value are named; of what a whole app keeps there may be hundreds. */
const MOST_READERS = 12;

/** So many values that call sites write down are named. */
const MOST_WRITTEN = 6;

/** What call sites hand over without having it from anywhere. */
function writtenAt(project: Linked, hop: Hop, places: Places): string[] {
  const found = writtenFor(project, hop.nodes).map(({ place }) => {
    const { file, line } = places.spot(place);
    return `          written at ${file}:${line}  ${places.text(place)}`;
  });
  const more = found.length - MOST_WRITTEN;
  return more > 1 ? [...found.slice(0, MOST_WRITTEN), `          and at ${more} more call sites`] : found;
}

/** Where components read what a module keeps for all of them. */
function readElsewhere(hop: Hop, places: Places): string[] {
  const found = new Map<string, string>();
  for (const place of hop.reads) {
    if (place.file === hop.place.file) continue;
    const { file, line } = places.spot(place);
    found.set(`${file}:${line}`, places.excerpt(place));
  }
  const all = [...found].map(([at, text]) => `          read at ${at}  ${text}`);
  const more = all.length - MOST_READERS;
  return more > 1 ? [...all.slice(0, MOST_READERS), `          and at ${more} more places`] : all;
}
