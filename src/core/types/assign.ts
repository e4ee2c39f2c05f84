/** Whether a value of one type may stand where another is asked for. Only a certain no is a no. */
import type { Lazy } from '../model/project';
import { isNothing, type TypeSpace } from './resolve';
import type { ObjectShape, Shape } from './shape';

export type Answer = 'yes' | 'no' | 'unknown';

const MAX_DEPTH = 6;
/** A question that takes more steps than this has no answer; alternatives of alternatives grow fast. */
const MAX_STEPS = 5000;

/** Members that every value has of itself, and those that only text, lists and functions have. */
const INHERENT = /^(toString|valueOf|constructor|toLocaleString)$/;
const OF_LISTS = /^(length|name|concat|at)$/;

/** Whether a value that is no object of the project's own has a member of itself. */
const hasOfItself = (shape: Shape, name: string): boolean =>
  INHERENT.test(name) ||
  (OF_LISTS.test(name) &&
    !(shape.k === 'prim' && /^(number|boolean|bigint)$/.test(shape.n)) &&
    !(shape.k === 'lit' && typeof shape.v !== 'string'));

interface Question {
  space: TypeSpace;
  /** Every member of a source union must fit, not only some: the value is written here, nothing narrows it. */
  exact: boolean;
  /** A condition may have told more than the type: only kinds that have nothing in common are a no. */
  narrowed: boolean;
  /** Shared by all questions that this one leads to. */
  steps: { taken: number };
}

/** Decides assignability of `from` to `to`; see the members of a question for the two flags. */
export function assignable(space: TypeSpace, from: Lazy, to: Lazy, exact = false, narrowed = false): Answer {
  return decide({ space, exact, narrowed, steps: { taken: 0 } }, space.resolve(from), space.resolve(to), 0);
}

/** The answer for a list, all of which must hold. */
function every(answers: Answer[]): Answer {
  if (answers.includes('no')) return 'no';
  return answers.includes('unknown') ? 'unknown' : 'yes';
}

function decide(q: Question, from: Shape, to: Shape, depth: number): Answer {
  if (from.k === 'unknown' || to.k === 'unknown' || depth > MAX_DEPTH) return 'unknown';
  if (from === to) return 'yes';
  if (++q.steps.taken > MAX_STEPS) return 'unknown';
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
      if (from.k === 'fn' && to.k === 'fn') return toFunction(q, from, to, depth);
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
  const wanted = q.space.resolve(to.of);
  const each = from.each?.map((one) => decide(q, q.space.resolve(one), wanted, depth + 1)) ?? [];
  if (each.includes('no')) return 'no';
  return decide(q, q.space.resolve(from.of), wanted, depth + 1);
}

type Fn = Extract<Shape, { k: 'fn' }>;

/** Text, numbers, truth values, lists and functions: no object with members of the project's own. */
const isOwnKind = (shape: Shape): boolean =>
  shape.k === 'lit' ||
  shape.k === 'array' ||
  shape.k === 'fn' ||
  (shape.k === 'prim' && /^(string|number|boolean|bigint)$/.test(shape.n));

/** Whether a function may be called as another one is: it takes what that is given, and gives what that gives. */
function toFunction(q: Question, from: Fn, to: Fn, depth: number): Answer {
  const answers = [toParameters({ ...q, narrowed: false }, from, to, depth)];
  const gives = q.space.resolve(from.returns);
  const wanted = q.space.resolve(to.returns);
  const ignores = wanted.k === 'prim' && wanted.n === 'void';
  if (!ignores)
    answers.push(
      gives.k === 'prim' && gives.n === 'void' ? toResult(wanted) : decide(q, gives, wanted, depth + 1),
    );
  return every(answers);
}

/** Whether a function without a result may stand for one that has one. */
function toResult(wanted: Shape): Answer {
  const parts = wanted.k === 'union' ? wanted.of : [wanted];
  return parts.some((one) => one.k === 'unknown' || isNothing(one)) ? 'unknown' : 'no';
}

function toParameters(q: Question, from: Fn, to: Fn, depth: number): Answer {
  const isOpen = to.params.some((one) => one.rest) || from.params.some((one) => one.rest);
  const needed = from.params.filter((one) => !one.optional && !one.rest).length;
  if (!isOpen && needed > to.params.length) return 'no';
  const answers = from.params.map((param, i): Answer => {
    const given = to.params[i];
    if (!given) return 'yes';
    if (param.rest || given.rest) return 'unknown';
    const [asked, handed] = [q.space.resolve(param.type), q.space.resolve(given.type)];
    const answer = decide({ ...q, exact: true }, handed, asked, depth + 1);
    if (answer !== 'no' || !to.method) return answer;
    return decide({ ...q, exact: true }, asked, handed, depth + 1) === 'no' ? 'no' : 'unknown';
  });
  return isOpen ? every([...answers, 'unknown']) : every(answers);
}

function toObject(q: Question, from: Shape, to: ObjectShape, depth: number): Answer {
  const required = [...to.members].filter(([, one]) => !one.optional).map(([name]) => name);
  const asksMore = to.open && !to.lax;
  if (from.k !== 'object') {
    if (to.index && !to.members.size)
      return from.k === 'prim' && from.n === 'object' ? 'unknown' : isOwnKind(from) ? 'no' : 'unknown';
    // Nothing is required; of what is asked for, it has nothing of itself.
    if (!asksMore && !required.length && to.members.size)
      return isOwnKind(from) && ![...to.members.keys()].some((name) => hasOfItself(from, name))
        ? 'no'
        : 'unknown';
    // What every value has of itself could be all that is asked for.
    if (asksMore || !required.length || required.every((name) => hasOfItself(from, name))) return 'unknown';
    if (from.k === 'content' || from.k === 'handler') return 'unknown';
    if (from.k === 'prim' && from.n === 'object') return 'unknown';
    return from.k === 'prim' || from.k === 'lit'
      ? 'no'
      : from.k === 'array' || from.k === 'fn'
        ? 'no'
        : 'unknown';
  }
  if (q.narrowed) return 'unknown';
  // Nothing is required and nothing is shared.
  if (!required.length && from.members.size && to.members.size && !from.open && !to.open && !to.index) {
    if (![...from.members.keys()].some((name) => to.members.has(name))) return 'no';
  }
  const answers: Answer[] = [];
  if (to.index) {
    const wanted = q.space.resolve(to.index);
    for (const [name, given] of from.members)
      if (!to.members.has(name)) answers.push(decide(q, q.space.resolve(given.type), wanted, depth + 1));
  }
  for (const [name, wanted] of to.members) {
    const given = from.members.get(name);
    if (!given) {
      if (!wanted.optional) answers.push(from.open || from.index ? 'unknown' : 'no');
      continue;
    }
    if (given.optional && !wanted.optional) answers.push('unknown');
    answers.push(decide(q, q.space.resolve(given.type), q.space.resolve(wanted.type), depth + 1));
  }
  if (asksMore) answers.push(answers.includes('no') ? 'no' : 'unknown');
  return every(answers);
}
