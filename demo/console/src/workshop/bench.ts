/** What lies on the work bench: one for the whole shop. */
export const bench = { mode: 'idle', lamp: false };

export interface Job {
  id: string;
  title: string;
  minutes: number;
  done: boolean;
}
