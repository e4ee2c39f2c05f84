/** A trace for people and for other programs. */
import type { Trace } from '../trace/trace';
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
  }[];
  edges: { from: string; to: string; how: string; file: string; line: number; column: number }[];
  origins: string[];
  ends: string[];
  /** Where it goes on, but was ended for its length. */
  cut: string[];
}

export function traceReport(trace: Trace, places: Places): TraceReport {
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
      };
    }),
    edges: trace.routes.map((route) => {
      const { file, line, column } = places.spot(route.place);
      return { from: route.from, to: route.to, how: route.how, file, line, column };
    }),
    origins: trace.origins,
    ends: trace.ends,
    cut: trace.cut,
  };
}

export function traceText(trace: Trace, places: Places): string {
  const lines = [trace.of, ''];
  for (const hop of trace.hops) {
    const { file, line } = places.spot(hop.place);
    const alias = hop.ref.endsWith(`:${hop.name}`) ? '' : ` as ${hop.name}`;
    lines.push(`${hop.role.padEnd(9)} ${hop.ref}${alias}${hop.type ? `: ${hop.type}` : ''}  ${file}:${line}`);
    for (const route of trace.routes) {
      if (route.from !== hop.ref) continue;
      const at = places.spot(route.place);
      lines.push(
        `          ${route.how === 'break' ? 'broken on the way' : route.how} to ${route.to}  ${at.file}:${at.line}  ${places.excerpt(route.place)}`,
      );
    }
  }
  lines.push(
    '',
    `origins: ${trace.origins.join(', ') || 'none'}`,
    `ends: ${trace.ends.join(', ') || 'none'}`,
    ...(trace.cut.length ? [`ended for its length, goes on at: ${trace.cut.join(', ')}`] : []),
  );
  return `${lines.map(plain).join('\n')}\n`;
}
