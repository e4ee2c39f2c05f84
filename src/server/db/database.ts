/** One small face for whatever database it is. */
import type { Journal } from './journal';

export type Row = Record<string, unknown>;

export interface Database {
  /** Other servers may use it at the same time. */
  shared: boolean;
  query<T = Row>(sql: string, values?: unknown[]): Promise<T[]>;
  /** Runs all or nothing. */
  transaction<T>(work: (tx: Pick<Database, 'query'>) => Promise<T>): Promise<T>;
  close(): Promise<void>;
  /** Where decisions are written down as well; absent where no folder is ours. */
  journal?: Journal;
}
