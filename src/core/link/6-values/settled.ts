/** Results that may ask for one another, and for themselves. */
import type { Frame } from './frames';

/** So far one is asked for by another; what lies further counts as nothing. */
const MAX_DEPTH = 200;

interface Passing<T> {
  frame: Frame;
  key: string;
  made: T[];
  /** How far out that lies which was missing. */
  missing: number;
}

/** What is on its way, and what is known of it by now. */
interface Open<T> {
  at: number;
  made: T[];
}

/** What is made of itself is worked out so many times at most; each time more of it is there. */
const MAX_ROUNDS = 4;

/**
 * Each is worked out once for a frame and a key; what is made of itself once more, with what is known of it by then, until
 * nothing is added. What was worked out while something else was on its way, and lacks that, holds until that is there.
 */
export class Settled<T> {
  private known = new Map<Frame, Map<string, T[]>>();
  private passing: Passing<T>[] = [];
  private readonly open = new Map<Frame, Map<string, Open<T>>>();
  private depth = 0;
  /** How far out the outermost lies that was missing. */
  private outermost = Infinity;

  forget(): void {
    this.known = new Map();
  }

  once(frame: Frame, key: string, work: () => T[]): T[] {
    const known = entriesOf(this.known, frame);
    const found = known.get(key);
    if (found) return found;
    const open = entriesOf(this.open, frame);
    const lacking = this.passing.find((one) => one.key === key && one.frame === frame);
    const asked = open.get(key);
    const missing = lacking?.missing ?? asked?.at ?? (this.depth < MAX_DEPTH ? undefined : 0);
    if (missing !== undefined) {
      this.outermost = Math.min(this.outermost, missing);
      return lacking?.made ?? asked?.made ?? [];
    }
    const before = this.outermost;
    const own: Open<T> = { at: this.depth++, made: [] };
    open.set(key, own);
    const missed = this.inRounds(own, work);
    open.delete(key);
    this.depth--;
    if (missed === undefined) known.set(key, own.made);
    else this.passing.push({ frame, key, made: own.made, missing: missed });
    this.outermost = Math.min(before, missed ?? Infinity);
    return own.made;
  }

  /** Works one out, and gives how far out that lies which it lacks; undefined where it is whole. */
  private inRounds(own: Open<T>, work: () => T[]): number | undefined {
    for (let round = 1; ; round++) {
      this.outermost = Infinity;
      const made = work();
      const isMore = made.length > own.made.length;
      own.made = made;
      if (this.outermost < own.at) return this.outermost;
      // What lacked this alone can be worked out anew from now on.
      if (this.passing.length) this.passing = this.passing.filter((one) => one.missing < own.at);
      if (this.outermost !== own.at || !isMore || round === MAX_ROUNDS) return undefined;
    }
  }
}

function entriesOf<V>(of: Map<Frame, Map<string, V>>, frame: Frame): Map<string, V> {
  let found = of.get(frame);
  if (!found) of.set(frame, (found = new Map()));
  return found;
}
