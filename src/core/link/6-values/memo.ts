/** Results that are worked out once for each frame, symbol and path. */
import type { Frame } from './frames';

export class Memo<T> {
  private known = new Map<Frame, Map<number | string, T[]>>();

  forget(): void {
    this.known = new Map();
  }

  /** What is made of itself adds nothing on its way round. */
  once(frame: Frame, symbol: number | string, want: string[], work: () => T[]): T[] {
    let ofFrame = this.known.get(frame);
    if (!ofFrame) this.known.set(frame, (ofFrame = new Map()));
    const key = want.length ? `${symbol}.${want.join('.')}` : symbol;
    const found = ofFrame.get(key);
    if (found) return found;
    ofFrame.set(key, []);
    const made = work();
    ofFrame.set(key, made);
    return made;
  }
}
