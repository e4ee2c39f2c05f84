import type { Component } from '../model/project';

/** A function, those written inside it, and the handlers that it calls, however far; the nearest first. */
export function reachedFunctions(component: Component, start: number): Set<number> {
  const { functions, symbols } = component.facts;
  const found = new Set<number>();
  const todo = [start];
  for (const fn of todo) {
    if (fn < 0 || found.has(fn)) continue;
    found.add(fn);
    for (const symbol of functions[fn]!.calls) {
      const next = symbols[symbol]!.fn;
      if (next !== undefined) todo.push(next);
    }
    // What is written inside is read right after; what follows that may stand anywhere.
    const { start: from, end: to } = functions[fn]!;
    for (let inner = fn + 1; inner < functions.length; inner++) {
      const { start: at, end } = functions[inner]!;
      if (at < from || end > to) break;
      todo.push(inner);
    }
  }
  return found;
}
