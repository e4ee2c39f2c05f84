/** What tests of idioms share: a value at one place of a small app, and where it must arrive. */
import { expect, test } from 'vitest';
import { auditSources } from '../../audit';

export interface Idiom {
  what: string;
  sources: Record<string, string>;
  /** The port or value that is followed, and the ports that it must reach, or come from. */
  from: string;
  to: string[];
  /** Ports that it must not reach. */
  not?: string[];
}

/** Each is followed to its ends, and none of them is called an error. */
export function idioms(list: Idiom[]): void {
  test.each(list.map((one) => [one.what, one] as const))('%s', (_, { sources, from, to, not = [] }) => {
    const audit = auditSources(sources);
    const trace = audit.trace(from);
    if ('similar' in trace) throw new Error(`nothing is called ${from}: ${trace.similar.join(', ')}`);
    const refs = trace.hops.map(({ ref }) => ref.replace(/^.*>/, ''));
    expect(refs).toEqual(expect.arrayContaining(to));
    expect(not.filter((one) => refs.includes(one))).toEqual([]);
    expect(audit.result.findings.filter(({ level }) => level === 'error')).toEqual([]);
  });
}
