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

/**
 * Each is worked out once for a frame and a key. What is made of itself adds nothing on its way round; what was worked out
 * while something else was on its way, and lacks that, holds until that is there.
 */
export class Settled<T> {
  private known = new Map<Frame, Map<string, T[]>>();
  private passing: Passing<T>[] = [];
  private readonly open = new Map<Frame, Map<string, number>>();
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
    const missing = lacking?.missing ?? open.get(key) ?? (this.depth < MAX_DEPTH ? undefined : 0);
    if (missing !== undefined) {
      this.outermost = Math.min(this.outermost, missing);
      return lacking?.made ?? [];
    }
    const own = this.depth++;
    const before = this.outermost;
    this.outermost = Infinity;
    open.set(key, own);
    const made = work();
    open.delete(key);
    this.depth--;
    const isWhole = this.outermost >= own;
    if (isWhole) {
      known.set(key, made);
      // What lacked this alone can be worked out whole from now on.
      if (this.passing.length) this.passing = this.passing.filter((one) => one.missing < own);
    } else this.passing.push({ frame, key, made, missing: this.outermost });
    this.outermost = isWhole ? before : Math.min(before, this.outermost);
    return made;
  }
}

function entriesOf<V>(of: Map<Frame, Map<string, V>>, frame: Frame): Map<string, V> {
  let found = of.get(frame);
  if (!found) of.set(frame, (found = new Map()));
  return found;
}
