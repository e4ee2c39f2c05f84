/** What the server asks the database's thread, and what comes back. */
export type DatabaseRequest = { id: number } & (
  | { kind: 'open' }
  | { kind: 'query'; sql: string; values: unknown[] | undefined; tx?: number }
  | { kind: 'begin'; tx: number }
  | { kind: 'end'; tx: number; keep: boolean }
  | { kind: 'close' }
);

export interface DatabaseAnswer {
  id: number;
  value?: unknown;
  error?: string;
}
