/** Whether a value of one type may stand where another is asked for. Only a certain no is a no. */
import type { Lazy } from '../model/project';
import { isNothing, type TypeSpace } from './resolve';
import type { ObjectShape, Shape } from './shape';

export type Answer = 'yes' | 'no' | 'unknown';

const MAX_DEPTH = 6;
/** A question that takes more steps than this has no answer; alternatives of alternatives grow fast. */
const MAX_STEPS = 5000;

/** Members that strings, numbers, functions and arrays have of themselves. */
const INHERENT = new Set([
  'length',
  'toString',
  'valueOf',
  'name',
  'constructor',
  'toLocaleString',
  'concat',
  'at',
]);

interface Question {
  space: TypeSpace;
  /** Every member of a source union must fit, not only some: the value is written here, nothing narrows it. */
  exact: boolean;
  /** A condition may have told more than the type: only kinds that have nothing in common are a no. */
  narrowed: boolean;
  steps: number;
}

/** Decides assignability of `from` to `to`; see the members of a question for the two flags. */
export function assignable(space: TypeSpace, from: Lazy, to: Lazy, exact = false, narrowed = false): Answer {
  return decide({ space, exact, narrowed, steps: 0 }, space.resolve(from), space.resolve(to), 0);
}

/** The answer for a list, all of which must hold. */
function every(answers: Answer[]): Answer {
  if (answers.includes('no')) return 'no';
  return answers.includes('unknown') ? 'unknown' : 'yes';
}

function decide(q: Question, from: Shape, to: Shape, depth: number): Answer {
  if (from.k === 'unknown' || to.k === 'unknown' || depth > MAX_DEPTH) return 'unknown';
  if (from === to) return 'yes';
  if (++q.steps > MAX_STEPS) return 'unknown';
  if (from.k === 'prim' && from.n === 'never') return 'yes';
  // No value at all: whatever is asked for, it is.
  if (from.k === 'union' && from.of.length === 0) return 'yes';
  if (from.k === 'union') {
    const parts = from.of.map((one) => decide(q, one, to, depth));
    if (q.exact) return every(parts);
    if (parts.every((one) => one === 'no')) return 'no';
    return parts.every((one) => one === 'yes') ? 'yes' : 'unknown';
  }
  if (to.k === 'union') {
    if (from.k === 'prim' && from.n === 'boolean') {
      const values = to.of.flatMap((one) => (one.k === 'lit' && typeof one.v === 'boolean' ? [one.v] : []));
      if (new Set(values).size === 2) return 'yes';
      if (values.length) return 'unknown';
    }
    const parts = to.of.map((one) => decide(q, from, one, depth));
    if (parts.includes('yes')) return 'yes';
    return parts.includes('unknown') ? 'unknown' : 'no';
  }
  // Whether null may stand anywhere depends on the checker's settings.
  if (isNothing(from)) return isNothing(to) ? 'yes' : 'unknown';
  if (isNothing(to)) return to.k === 'prim' && to.n === 'void' ? 'unknown' : 'no';
  switch (to.k) {
    case 'prim':
      // Content is often text; a check may have told.
      if (q.narrowed && from.k === 'content') return 'unknown';
      return toPrimitive(from, to.n);
    case 'lit':
      if (from.k === 'lit') return from.v === to.v ? 'yes' : 'no';
      if (from.k === 'prim') return from.n === typeof to.v && (from.loose || q.narrowed) ? 'unknown' : 'no';
      return 'no';
    case 'content':
      return from.k === 'fn' || from.k === 'handler' ? 'unknown' : from.k === 'object' ? 'unknown' : 'yes';
    case 'fn':
    case 'handler':
      if (from.k === 'fn' || from.k === 'handler') return 'unknown';
      return from.k === 'object' && from.open ? 'unknown' : 'no';
    case 'array':
      return toArray(q, from, to, depth);
    case 'object':
      return toObject(q, from, to, depth);
  }
}

function toPrimitive(from: Shape, name: string): Answer {
  if (name === 'never') return 'unknown';
  if (name === 'object') {
    if (from.k === 'prim') return from.n === 'object' ? 'yes' : 'no';
    return from.k === 'lit' ? 'no' : 'yes';
  }
  if (from.k === 'lit') return typeof from.v === name ? 'yes' : 'no';
  if (from.k === 'prim') return from.n === name ? 'yes' : 'no';
  // An object type may be an opaque alias of a primitive only through an unresolved name, which is open.
  return from.k === 'object' && from.open ? 'unknown' : 'no';
}

function toArray(q: Question, from: Shape, to: Extract<Shape, { k: 'array' }>, depth: number): Answer {
  if (from.k === 'object') return from.open || from.index ? 'unknown' : 'no';
  if (from.k !== 'array') return 'no';
  if (to.parts || from.parts) {
    if (to.parts && from.parts) {
      if (to.parts.length !== from.parts.length) return 'no';
      return every(
        to.parts.map((part, i) =>
          decide(q, q.space.resolve(from.parts![i]!), q.space.resolve(part), depth + 1),
        ),
      );
    }
    if (to.parts) return 'unknown';
  }
  return decide(q, q.space.resolve(from.of), q.space.resolve(to.of), depth + 1);
}

function toObject(q: Question, from: Shape, to: ObjectShape, depth: number): Answer {
  const required = [...to.members].filter(([, one]) => !one.optional).map(([name]) => name);
  if (from.k !== 'object') {
    // What every value has of itself could be all that is asked for.
    if (to.open || !required.length || required.every((name) => INHERENT.has(name))) return 'unknown';
    if (from.k === 'content' || from.k === 'handler') return 'unknown';
    if (from.k === 'prim' && from.n === 'object') return 'unknown';
    return from.k === 'prim' || from.k === 'lit'
      ? 'no'
      : from.k === 'array' || from.k === 'fn'
        ? 'no'
        : 'unknown';
  }
  if (q.narrowed) return 'unknown';
  // Nothing is required and nothing is shared: a checker refuses it, though it would do no harm.
  if (!required.length && from.members.size && to.members.size) {
    if (![...from.members.keys()].some((name) => to.members.has(name))) return 'unknown';
  }
  const answers: Answer[] = [];
  for (const [name, wanted] of to.members) {
    const given = from.members.get(name);
    if (!given) {
      if (!wanted.optional) answers.push(from.open || from.index ? 'unknown' : 'no');
      continue;
    }
    if (given.optional && !wanted.optional) answers.push('unknown');
    answers.push(decide(q, q.space.resolve(given.type), q.space.resolve(wanted.type), depth + 1));
  }
  if (to.open) answers.push(answers.includes('no') ? 'no' : 'unknown');
  return every(answers);
}
