/** What the server asks the database's thread. */
export type DatabaseQuestion =
  | { kind: 'open' }
  | { kind: 'query'; sql: string; values: unknown[] | undefined; tx?: number }
  | { kind: 'begin'; tx: number }
  | { kind: 'end'; tx: number; keep: boolean }
  | { kind: 'close' };
