/** Expressions by themselves: what of the code around stands in them. */
import type { ExprFact, InvokeFact, ReadFact, Span } from '../../model/facts';
import { groupBy } from '../../model/group-by';
import { oncePer } from '../../model/once-per';
import type { Component } from '../../model/project';

/** Objects in objects are followed so far; deeper, what is asked for is the whole that holds it. */
const MAX_PATH = 5;
export const into = (path: string[], want: string[]): string[] => [...path, ...want].slice(0, MAX_PATH);

export const symbolsOf = ({ symbol, uses = [] }: ExprFact): number[] =>
  symbol === undefined ? uses : [symbol, ...uses];

/** What a call calls, where that is no function of the code's own: one of a module, or one that a value holds. */
export const calledBy = ({ component, callee, start, end }: ExprFact): ExprFact | undefined =>
  callee ?? (component === undefined ? undefined : { kind: 'computed', component, start, end });

/** What a value is worked out of, nobody knows how: values under names, and the results of calls. */
export interface Loose extends Span {
  symbols: number[];
  /** Indices of calls among those that the code makes. */
  calls: number[];
  /** The same of calls of which only what they give back of what is kept counts. */
  asks: number[];
}

/** What flows into an expression, however deep it stands in it. */
export const looseIn = (expr: ExprFact): Loose => ({
  symbols: expr.call === undefined ? (expr.beside ?? symbolsOf(expr)) : [],
  calls: callsIn(expr),
  asks: asksIn(expr),
  start: expr.start,
  end: expr.end,
});

/** What flows into the result of a call of which nobody knows what it calls. */
export const looseInCall = ({ beside = [], calls = [], asks = [], start, end }: InvokeFact): Loose => ({
  symbols: beside,
  calls,
  asks,
  start,
  end,
});

const callsIn = ({ call, calls = [], gives = [] }: ExprFact): number[] => {
  const own = call === undefined ? calls : [call];
  return gives.length ? [...new Set([...own, ...gives.flatMap(callsIn)])] : own;
};

const asksIn = ({ asks = [], gives = [] }: ExprFact): number[] =>
  gives.length ? [...asks, ...gives.flatMap(asksIn)] : asks;

/** Reads by what is read, in the order of the text. */
const readsOf = oncePer(({ facts }: Component) => {
  const reads = groupBy(facts.reads, ({ symbol }) => symbol);
  for (const list of reads.values()) list.sort((a, b) => a.start - b.start);
  return reads;
});

/** Where members are called, by where they begin: the last name of each is that of the method. */
const methodsOf = oncePer(({ facts }: Component) => {
  const ends = new Map<number, number>();
  for (const { callee } of facts.invokes ?? [])
    if (callee.kind === 'member') ends.set(callee.start, callee.end);
  return ends;
});

export const isWithin = (one: Span, around: Span): boolean =>
  around.start <= one.start && one.end <= around.end;

const WHOLE: string[][] = [[]];

/** The members of a value that a piece of code takes of it, apart from the arguments of known calls; one is the whole. */
export function membersTaken(code: Component, symbol: number, { calls, start, end }: Loose): string[][] {
  const reads = readsOf(code).get(symbol);
  if (!reads) return WHOLE;
  const known = calls.map((one) => code.facts.invokes![one]!);
  const found: string[][] = [];
  for (let at = firstFrom(reads, start); at < reads.length; at++) {
    const read = reads[at]!;
    if (read.start >= end) break;
    if (read.end > end || known.some((one) => isWithin(read, one))) continue;
    const path = methodsOf(code).get(read.start) === read.end ? read.path?.slice(0, -1) : read.path;
    if (!path?.length) return WHOLE;
    if (!found.some((one) => isSamePath(one, path))) found.push(path);
  }
  return found.length ? found : WHOLE;
}

/** Whether two ways lead to the same. */
export const isSamePath = (one: readonly string[], other: readonly string[]): boolean =>
  one.length === other.length && one.every((name, at) => name === other[at]);

/** The place of the first read at or behind an offset. */
function firstFrom(reads: ReadFact[], offset: number): number {
  let [low, high] = [0, reads.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (reads[middle]!.start < offset) low = middle + 1;
    else high = middle;
  }
  return low;
}
