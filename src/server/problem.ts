import type { Unfound } from '../core/trace/references';

/** A refusal that the client is told about, as problem details (RFC 9457). */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    /** References that may be meant. */
    readonly choices?: string[],
  ) {
    super(detail);
  }
}

export function notFound(what: string, which: string): never {
  throw new HttpProblem(404, 'Not found', `there is no ${what} ${which}`);
}

/** Refuses a reference that names nothing, or several things. */
export function unfound(what: string, ref: string, { similar, several }: Unfound): never {
  if (several)
    throw new HttpProblem(300, 'Several are meant', `${ref} names several: ${similar.join(', ')}`, similar);
  const near = similar.length ? ` The nearest are: ${similar.join(', ')}` : '';
  throw new HttpProblem(404, `No such ${what}`, `nothing is called ${ref}.${near}`, similar);
}
