/** Results that are worked out once for each frame, symbol and path. */
import type { Frame } from './frames';

/** So many ways into one value are told apart; functions that call themselves with a member of what they are given make more. */
const MAX_WAYS = 48;

export class Memo<T> {
  private known = new Map<Frame, Map<number | string, T[]>>();
  /** How many ways into a symbol were asked for. */
  private ways = new Map<Frame, Map<number | string, number>>();

  /** `ofWhole` says what a member is, where nobody tells more of it than of the whole; without it all ways are told apart. */
  constructor(private readonly ofWhole?: (list: T[]) => T[]) {}

  forget(): void {
    this.known = new Map();
    this.ways = new Map();
  }

  /** What is made of itself adds nothing on its way round. `work` is given the way that it is to be worked out for. */
  once(frame: Frame, symbol: number | string, want: string[], work: (want: string[]) => T[]): T[] {
    let ofFrame = this.known.get(frame);
    if (!ofFrame) this.known.set(frame, (ofFrame = new Map()));
    const key = want.length ? `${symbol}.${want.join('.')}` : symbol;
    const found = ofFrame.get(key);
    if (found) return found;
    if (want.length && this.ofWhole && this.isCrowded(frame, symbol))
      return this.ofWhole(this.once(frame, symbol, [], work));
    ofFrame.set(key, []);
    const made = work(want);
    ofFrame.set(key, made);
    return made;
  }

  /** Counts one more way into a symbol; whether there are too many. */
  private isCrowded(frame: Frame, symbol: number | string): boolean {
    let ofFrame = this.ways.get(frame);
    if (!ofFrame) this.ways.set(frame, (ofFrame = new Map()));
    const ways = (ofFrame.get(symbol) ?? 0) + 1;
    ofFrame.set(symbol, ways);
    return ways > MAX_WAYS;
  }
}
