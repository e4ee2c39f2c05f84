/**
 * Where a file says the same as before and only stands elsewhere in its text, all that was made of its facts holds: places
 * are told by the offsets that were linked, and moved on when somebody asks where they are.
 */

/** From offsets of one text to those of a later one. Both lists rise. */
export interface Moves {
  from: readonly number[];
  to: readonly number[];
}

/** Whether nothing stands elsewhere. */
export const isStill = ({ from, to }: Moves): boolean => from.every((one, index) => one === to[index]);

/** Where an offset is now: what lies between those that are known moves with the one before it. */
export function movedTo({ from, to }: Moves, offset: number): number {
  let low = 0;
  let high = from.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (from[middle]! <= offset) low = middle + 1;
    else high = middle;
  }
  return low === 0 ? offset : offset - from[low - 1]! + to[low - 1]!;
}
