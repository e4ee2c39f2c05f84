/** A refusal that the client is told about, as problem details (RFC 9457). */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
  ) {
    super(detail);
  }
}

export function notFound(what: string, which: string): never {
  throw new HttpProblem(404, 'Not found', `there is no ${what} ${which}`);
}
