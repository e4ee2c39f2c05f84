/** Whether a file says the same as before, only at other places. */
import type { AttributeFact, ExprFact, FileFacts, RenderFact } from './facts';
import type { Moves } from './moves';

/** Fields of facts that are offsets. `tests` hold that there is no other number that a blank line above would change. */
const OFFSETS: ReadonlySet<string> = new Set([
  'start',
  'end',
  'nameStart',
  'nameEnd',
  'keyStart',
  'keyEnd',
  'ends',
  'at',
  'base',
  'before',
  'line',
]);

/** Not linked: how the parts were told apart when they were kept, and what is said of the text as it is now. */
const BESIDE: ReadonlySet<string> = new Set(['hash', 'problem', 'flaws']);

/** An arm: the text of its condition, or the offset of that, and the side. */
const ARM = /^(!?)(@(\d+)|.*)(#[^#]*)$/s;

/** The names of attributes that say how something looks. */
const LOOKS: ReadonlySet<unknown> = new Set(['class', 'className']);

/** What of a file nobody asks for. */
export interface Unasked {
  /** The names that it reads of objects: it sees none of a class. */
  memberReads: boolean;
  /** What says how the tag at a node of a render looks: it is none of the project's. */
  looks(render: readonly RenderFact[], node: number): boolean;
}

/**
 * How the offsets of one file moved; undefined where its facts differ in anything else that somebody asks for, or where
 * offsets that were in order, or the same, are so no more: whoever compares offsets finds what was found before.
 */
export function movesBetween(before: FileFacts, after: FileFacts, unasked?: Unasked): Moves | undefined {
  if (Boolean(before.problem) !== Boolean(after.problem)) return undefined;
  return new Comparison(unasked).movesOf(before, after);
}

type Fields = Record<string, unknown>;

/** A comparison of the facts of one file, which notes what became of what. */
class Comparison {
  private readonly offsets = new Map<number, number>();
  /** Conditions are told apart by their texts: two of one text stay so, and no others become so. */
  private readonly conditions = new Map<string, string>();
  private readonly conditionsBefore = new Map<string, string>();

  /** The node of a render at which it is. */
  private render: readonly RenderFact[] = [];
  private node = 0;

  constructor(private readonly unasked: Unasked = { memberReads: false, looks: () => false }) {}

  movesOf(before: FileFacts, after: FileFacts): Moves | undefined {
    if (!this.isSame(before, after, '')) return undefined;
    const pairs = [...this.offsets].sort(([a], [b]) => a - b);
    for (let i = 1; i < pairs.length; i++) if (pairs[i]![1] <= pairs[i - 1]![1]) return undefined;
    return { from: pairs.map(([from]) => from), to: pairs.map(([, to]) => to) };
  }

  /** `key` is the field that holds them. */
  private isSame(a: unknown, b: unknown, key: string): boolean {
    if (typeof a === 'number' && typeof b === 'number')
      return OFFSETS.has(key) ? this.isMoved(a, b) : a === b;
    if (typeof a === 'string' && typeof b === 'string')
      return key === 'arms' ? this.isSameArm(a, b) : a === b;
    if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b;
    if (Array.isArray(a) || Array.isArray(b)) {
      if (key === 'memberReads' && this.unasked.memberReads) return Array.isArray(a) && Array.isArray(b);
      if (!Array.isArray(a) || !Array.isArray(b) || a.length !== b.length) return false;
      for (let i = 0; i < a.length; i++) {
        if (key === 'render') [this.render, this.node] = [a as RenderFact[], i];
        if (!this.isSame(a[i], b[i], key)) return false;
      }
      return true;
    }
    const [one, other] = [a as Fields, b as Fields];
    if (key === 'attributes' && !isMeasuredAlike(one.value, other.value)) return false;
    if (key === 'render' && this.unasked.looks(this.render, this.node))
      return this.haveSame(withoutLooks(one, other), withoutLooks(other, one));
    return this.haveSame(one, other);
  }

  private haveSame(one: Fields, other: Fields): boolean {
    for (const name in one) if (!BESIDE.has(name) && !this.isSame(one[name], other[name], name)) return false;
    for (const name in other)
      if (other[name] !== undefined && one[name] === undefined && !BESIDE.has(name)) return false;
    return true;
  }

  private isMoved(from: number, to: number): boolean {
    const known = this.offsets.get(from);
    if (known === undefined) this.offsets.set(from, to);
    return known === undefined || known === to;
  }

  private isSameArm(a: string, b: string): boolean {
    const [one, other] = [ARM.exec(a), ARM.exec(b)];
    if (!one || !other) return a === b;
    if (one[1] !== other[1] || one[4] !== other[4]) return false;
    if (one[3] !== undefined && other[3] !== undefined) return this.isMoved(Number(one[3]), Number(other[3]));
    if (one[3] !== undefined || other[3] !== undefined) return false;
    const [text, now] = [one[2]!, other[2]!];
    const [after, before] = [this.conditions.get(text), this.conditionsBefore.get(now)];
    if (after === undefined) this.conditions.set(text, now);
    if (before === undefined) this.conditionsBefore.set(now, text);
    return (after ?? now) === now && (before ?? text) === text;
  }
}

/** Kinds of values that tell by themselves whether they are alike. */
const UNMEASURED: ReadonlySet<unknown> = new Set(['identity', 'function', 'literal']);

/** What is given at two places is told apart by its length, too. */
const isMeasuredAlike = (one: unknown, other: unknown): boolean => {
  const [length, now] = [lengthOf(one), lengthOf(other)];
  return length === now || UNMEASURED.has((one as Partial<ExprFact> | undefined)?.kind);
};

const lengthOf = (one: unknown): number => {
  const { start = 0, end = 0 } = (one ?? {}) as Partial<ExprFact>;
  return end - start;
};

/** A tag without the types of the texts that say how it looks, where the other says some text there, too. */
function withoutLooks(one: Fields, other: Fields): Fields {
  const [attributes, others] = [one.attributes as AttributeFact[], other.attributes as AttributeFact[]];
  if (attributes.length !== others.length || !attributes.some(isOfLooks)) return one;
  return {
    ...one,
    attributes: attributes.map((attribute, index) =>
      isOfLooks(attribute) && isOfLooks(others[index]!)
        ? { ...attribute, value: { ...attribute.value, type: undefined } }
        : attribute,
    ),
  };
}

const isOfLooks = ({ name, value }: AttributeFact): boolean =>
  LOOKS.has(name) &&
  value.kind === 'literal' &&
  typeof (value.type as { v?: unknown } | undefined)?.v === 'string';
