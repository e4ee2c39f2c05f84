/** Results that may ask for one another, and for themselves. */
import type { Frame } from './frames';

/**
 * Each is worked out once for a frame and a key. What is made of itself adds nothing on its way round; what was worked out
 * while something else was on its way is kept only where nothing of that was missing.
 */
export class Settled<T> {
  private known = new Map<Frame, Map<string, T[]>>();
  private readonly open = new Map<Frame, Map<string, number>>();
  private depth = 0;
  /** How far out the outermost lies that was asked for on its way. */
  private outermost = Infinity;

  forget(): void {
    this.known = new Map();
  }

  once(frame: Frame, key: string, work: () => T[]): T[] {
    const known = entriesOf(this.known, frame);
    const found = known.get(key);
    if (found) return found;
    const open = entriesOf(this.open, frame);
    const asked = open.get(key);
    if (asked !== undefined) {
      this.outermost = Math.min(this.outermost, asked);
      return [];
    }
    const own = this.depth++;
    const before = this.outermost;
    this.outermost = Infinity;
    open.set(key, own);
    const made = work();
    open.delete(key);
    this.depth--;
    const isWhole = this.outermost >= own;
    if (isWhole) known.set(key, made);
    this.outermost = isWhole ? before : Math.min(before, this.outermost);
    return made;
  }
}

function entriesOf<V>(of: Map<Frame, Map<string, V>>, frame: Frame): Map<string, V> {
  let found = of.get(frame);
  if (!found) of.set(frame, (found = new Map()));
  return found;
}
