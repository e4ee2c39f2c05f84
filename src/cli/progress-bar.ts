/** How far an audit is, on standard error where that is a terminal. */
import { SingleBar } from 'cli-progress';
import type { Progress } from '../api/schemas';

const WORDS: Partial<Record<Progress['stage'], string>> = {
  finding: 'looking for files',
  reading: 'reading',
  linking: 'linking',
};

/** A bar that shows the steps of an audit; one that shows nothing where nobody looks. */
export function progressBar(): { show(step: Progress): void; end(): void } {
  if (!process.stderr.isTTY) return { show: () => {}, end: () => {} };
  const bar = new SingleBar({
    stream: process.stderr,
    format: '{stage} {bar} {value} of {total} files',
    clearOnComplete: true,
    hideCursor: true,
    barsize: 30,
  });
  let started = false;
  return {
    show({ stage, found, read }) {
      const words = WORDS[stage];
      if (words === undefined) return;
      if (!started) bar.start(found, read, { stage: words });
      started = true;
      bar.setTotal(found);
      bar.update(read, { stage: words.padEnd(17) });
    },
    end() {
      if (started) bar.stop();
    },
  };
}
