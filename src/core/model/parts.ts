/**
 * A component may be written in several files: a class and its template, markup and the code beside it. Its facts count
 * offsets through all of them, one text after the other, so that every span says which file it stands in.
 */
import { movedTo, type Moves } from './moves';

/** Another file that a unit was read from. */
export interface PartFact {
  path: string;
  /** The offset at which its text begins. */
  base: number;
  /** Of its text, where the facts are kept: they hold as long as all texts are the same. */
  hash?: string;
}

/** Gives the text of another file by its path from the root of the project; undefined if there is none. */
export type ReadPart = (path: string) => string | undefined;

/** The parts of one unit, while it is read. */
export class UnitParts {
  readonly list: PartFact[] = [];
  private next: number;
  private readonly texts = new Map<string, { base: number; text: string } | undefined>();

  constructor(
    text: string,
    private readonly readPart: ReadPart,
  ) {
    this.next = text.length + 1;
  }

  /** The text of another file, with the offset at which it begins; undefined if there is none. */
  take(path: string): { base: number; text: string } | undefined {
    if (this.texts.has(path)) return this.texts.get(path);
    const text = this.readPart(path);
    const part = text === undefined ? undefined : { base: this.next, text };
    this.texts.set(path, part);
    if (!part) return undefined;
    this.list.push({ path, base: part.base });
    this.next += part.text.length + 1;
    return part;
  }
}

/** The part that an offset stands in; undefined for the unit's own text. */
export function partAt<P extends { base: number }>(
  parts: readonly P[] | undefined,
  offset: number,
): P | undefined {
  return parts?.findLast((one) => one.base <= offset);
}

/** What places are looked up in: files with their parts, and how each moved since it was linked. */
interface Located {
  files: readonly { parts?: readonly { file: number; base: number }[]; moved?: Moves }[];
}

/**
 * The place in the file that really holds it, that of the unit, or one that the unit is written in as well; in the text as
 * it is now, where that moved since it was linked.
 */
export function located<P extends { file: number; start: number; end: number }>(
  { files }: Located,
  place: P,
): P {
  const { parts, moved } = files[place.file]!;
  const part = partAt(parts, place.start);
  if (!part && !moved) return place;
  const now = (offset: number): number => (moved ? movedTo(moved, offset) : offset);
  const base = part ? now(part.base) : 0;
  return {
    ...place,
    file: part?.file ?? place.file,
    start: now(place.start) - base,
    end: now(place.end) - base,
  };
}
