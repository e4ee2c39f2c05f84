/** What tests of traces share: sources in, edges out. */
import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import type { Trace } from './trace';

export type Sources = Record<string, string>;

/** The trace of a reference; a single text is the file `App.tsx`. */
export function traced(sources: Sources | string, ref: string): Trace {
  const all: Sources = typeof sources === 'string' ? { 'App.tsx': sources } : sources;
  const trace = auditSources(all).trace(ref);
  if ('similar' in trace) throw new Error(`nothing is called ${ref}: ${trace.similar.join(', ')}`);
  return trace;
}

/** Edges as `from how to`, in order of their text. */
export const edges = (trace: Trace): string[] =>
  trace.routes.map((route) => `${route.from} ${route.how} ${route.to}`).sort();

/** Tests of one line each: a reference, and all edges that its trace has. */
export function traces(sources: Sources | string, table: [ref: string, expected: string[]][]): void {
  test.each(table)('%s', (ref, expected) => {
    expect(edges(traced(sources, ref))).toEqual([...expected].sort());
  });
}
