/** What goes to a thread and what comes back. */
export interface ToThread<Question> {
  id: number;
  question: Question;
}

export type FromThread<Told> =
  { id: number; value: unknown } | { id: number; error: string; stack: string } | { told: Told };
