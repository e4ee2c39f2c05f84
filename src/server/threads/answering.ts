/** The thread's side: questions come in, and each gets an answer. */
import { parentPort } from 'node:worker_threads';
import type { FromThread, ToThread } from './protocol';

export function answerQuestions<Question>(answer: (question: Question) => Promise<unknown>): void {
  parentPort!.on('message', ({ id, question }: ToThread<Question>) => {
    answer(question).then(
      (value) => reply({ id, value }),
      (error: unknown) => {
        const { message, stack = message } = error instanceof Error ? error : new Error(String(error));
        reply({ id, error: message, stack });
      },
    );
  });
}

/** Says something that nobody asked for. */
export const tell = <Told>(told: Told): void => reply({ told });

const reply = <Told>(message: FromThread<Told>): void => parentPort!.postMessage(message);
