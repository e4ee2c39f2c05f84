/**
 * What promises and streams give in their time: several together, as they are handed in, and one after the other through
 * functions that change it or only say when it comes.
 */
import type * as t from '@babel/types';
import type { ExprFact, InvokeFact, Span } from '../../model/facts';
import { memberName } from './type-expr';
import { isHeld, merged, noteGiven, spanOf, type Unit, unwrap, usesOf } from './unit';

/** Functions of packages that give what several streams give, each at its place. */
const TOGETHER = /^(combineLatest|forkJoin|zip)$/;

/** Functions for streams that say when something comes, and are given nothing of what it is. */
const TIMING =
  /^(takeUntil(Destroyed)?|untilDestroyed|skipUntil|(debounce|throttle|audit|sample)Time|delayWhen|finalize|observeOn|subscribeOn)$/;

/** Functions for streams after which each value is what it was. */
const SAME =
  /^(filter|tap|distinctUntil(Key)?Changed|take|skip|(take|skip)(While|Last)|first|last|find|share|shareReplay|delay|timeout|retry)$/;

/** Functions for streams that make each value anew, by the function that they are given. */
const MAPS = /^(map|(switch|merge|concat|exhaust)Map)$/;

/** Functions for streams that put others beside each value. */
const BESIDE = /^(withLatestFrom|combineLatestWith|zipWith)$/;

/** Functions for streams whose own function is given what it gave before, too. */
const REDUCES = /^(reduce|(switch|merge)?[sS]can)$/;

/** What is called with other things than the value. */
const TOLD_OTHERWISE = /^(catchError|distinctUntil(Key)?Changed)$/;

/** Functions for streams that give something else, too: before the first value, where there is none, or where it fails. */
const OR = /^(startWith|defaultIfEmpty|catchError)$/;

/** Functions of packages that give what comes of the one stream or promise that they are handed. */
const CARRIES = /^(first|last)ValueFrom$/;

/** Functions that work each value of a stream out by the one that they are given: `map((wind) => wind * gust)`. */
const OPERATOR =
  /^(map|filter|scan|reduce|(switch|merge|concat|exhaust)(Map|Scan)|withLatestFrom|startWith|distinctUntilChanged|takeWhile|skipWhile|combineLatest(With)?)$/;

/** The name of a function that is imported from a package; undefined for any other. */
function importedName(callee: t.Node): string | undefined {
  const { name, binding } = callee.type === 'Identifier' ? callee : { name: '', binding: undefined };
  return binding?.from !== undefined && !/^[./]/.test(binding.from) ? name : undefined;
}

/** Whether a function that a call is given works out each value of a stream. */
export const isOperator = (callee: t.Node): boolean =>
  callee.type === 'Identifier' && OPERATOR.test(callee.name);

/** Whether a call only says when something comes. */
export const isTiming = (callee: t.Node): boolean => TIMING.test(importedName(callee) ?? '');

/** Whether a call gives together what several give that it is handed. */
export const isTogether = (callee: t.Node): boolean =>
  TOGETHER.test(importedName(callee) ?? '') || promisedBy(callee) !== undefined;

/** `Promise.all`, `Promise.allSettled` */
function promisedBy(callee: t.Node): 'all' | 'allSettled' | undefined {
  if (callee.type !== 'MemberExpression' || callee.computed) return undefined;
  const { object } = callee;
  const name = memberName(callee.property);
  const isPromise = object.type === 'Identifier' && object.name === 'Promise' && !object.binding;
  return isPromise && (name === 'all' || name === 'allSettled') ? name : undefined;
}

/** What comes of a call that gives it in its time, where that is known; `callee` and `args` are what was read of the call. */
export function comingOf(
  u: Unit,
  node: t.CallExpression | t.OptionalCallExpression,
  callee: ExprFact,
  args: ExprFact[],
): ExprFact | undefined {
  const called = unwrap(node.callee);
  if (isTogether(called)) {
    const found = together(args, spanOf(node));
    return found && promisedBy(called) === 'allSettled' ? settled(found) : found;
  }
  const [first] = args;
  if (first && CARRIES.test(importedName(called) ?? ''))
    return u.coming.get(unwrap(node.arguments[0]!)) ?? (isHeld(first) ? first : undefined);
  if (called.type !== 'MemberExpression' || called.computed) return undefined;
  if (memberName(called.property) !== 'pipe' || !isForStreams(node)) return undefined;
  const source = u.coming.get(unwrap(called.object)) ?? baseOf(callee);
  return source && piped(u, node, source, args);
}

/** What comes of a call, as its result; `made` is that by all that it is given. */
export function asResult(coming: ExprFact, { uses, type, start, end }: ExprFact): ExprFact {
  if (coming.kind === 'computed') return { ...coming, start, end };
  // Beside what it gives there is nothing that it is worked out of.
  return {
    kind: 'computed',
    ...(uses ? { uses } : {}),
    beside: [],
    gives: [coming],
    ...(type ? { type } : {}),
    start,
    end,
  };
}

function together(args: ExprFact[], at: Span): ExprFact | undefined {
  const [only, ...others] = args;
  if (!others.length) return only && /^(array|object)$/.test(only.kind) ? only : undefined;
  return args.some(({ kind }) => kind === 'function') ? undefined : listOf(args, at);
}

const listOf = (elements: ExprFact[], { start, end }: Span): ExprFact => ({
  kind: 'array',
  ...merged(...elements),
  elements,
  start,
  end,
});

/** Each is told with whether it came. */
const settled = (list: ExprFact): ExprFact => ({
  ...list,
  elements: list.elements?.map(({ start, end, ...value }) => ({
    kind: 'object',
    members: [{ name: 'value', value: { ...value, start, end }, start, end }],
    start,
    end,
  })),
});

/** What comes of a stream that is led through functions, each of which is given what came of the one before. */
export function piped(
  u: Unit,
  node: t.CallExpression | t.OptionalCallExpression,
  source: ExprFact,
  args: ExprFact[],
): ExprFact {
  return args.reduce(
    (now, arg, index) => through(u, operatorName(node.arguments[index]!) ?? '', now, arg),
    source,
  );
}

/** The name of the function of a package that a call in a `pipe` calls. */
function operatorName(node: t.Node): string | undefined {
  const operator = unwrap(node);
  return operator.type === 'CallExpression' ? importedName(unwrap(operator.callee)) : undefined;
}

/** Whether all that a call is given are functions for streams, some of which are known. */
const isForStreams = ({ arguments: args }: t.CallExpression | t.OptionalCallExpression): boolean => {
  const names = args.map(operatorName);
  return (
    names.every((one) => one !== undefined) &&
    names.some((one) => [TIMING, SAME, MAPS, OR, BESIDE].some((known) => known.test(one!)))
  );
};

/** What comes of a value through one function. */
function through(u: Unit, name: string, now: ExprFact, operator: ExprFact): ExprFact {
  if (TIMING.test(name)) return now;
  const { start, end } = operator;
  const invoke = operator.call === undefined ? undefined : u.facts.invokes![operator.call]!;
  const args = invoke?.args ?? [];
  const fn = args[0]?.kind === 'function' ? args[0].fn : undefined;
  const loose: ExprFact = { kind: 'computed', ...merged(now, operator), start, end };
  if (fn !== undefined && !TOLD_OTHERWISE.test(name))
    noteGiven(u, fn, REDUCES.test(name) ? [loose, now] : [now]);
  if (SAME.test(name)) return now;
  if (OR.test(name)) {
    const others = fn === undefined ? args : (u.facts.functions[fn]!.gives ?? []);
    return { ...loose, gives: [now, ...others] };
  }
  const gives = MAPS.test(name) && fn !== undefined ? u.facts.functions[fn]!.gives : undefined;
  if (gives) return mapped(invoke!, gives, loose);
  const isList = BESIDE.test(name) && args.length > 0 && args.every(({ kind }) => kind !== 'function');
  return isList ? listOf([now, ...args], { start, end }) : loose;
}

/** What a function makes of a value: worked out of what it uses, of what it is given, too, and of nothing else of `loose`. */
function mapped(
  { beside = [], calls = [], asks = [] }: InvokeFact,
  gives: ExprFact[],
  loose: ExprFact,
): ExprFact {
  const { start, end } = loose;
  const asked: ExprFact = { kind: 'computed', uses: beside, beside, calls, asks, start, end };
  const { beside: flows, uses = [], ...called } = merged(asked, ...gives);
  return { kind: 'computed', ...called, beside: flows ?? uses, uses: usesOf(loose), gives, start, end };
}

/** What is led on: `this.line$` of `this.line$.pipe`. */
function baseOf({ path = [], ...callee }: ExprFact): ExprFact | undefined {
  const own = path.slice(0, -1);
  if (path.at(-1) !== 'pipe') return undefined;
  if (callee.kind === 'member' && !own.length) return { ...callee, kind: 'identity' };
  return { ...callee, path: own };
}
