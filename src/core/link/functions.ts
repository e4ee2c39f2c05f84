import type { Component } from '../model/project';

/** A function, those written inside it, and the handlers that it calls, however far. */
export function reachedFunctions(component: Component, start: number): Set<number> {
  const { functions, symbols } = component.facts;
  const found = new Set<number>();
  const todo = [start];
  while (todo.length) {
    const fn = todo.pop()!;
    if (fn < 0 || found.has(fn)) continue;
    found.add(fn);
    for (const symbol of functions[fn]!.calls) {
      const next = symbols[symbol]!.fn;
      if (next !== undefined) todo.push(next);
    }
    for (let inner = fn + 1; inner < functions.length; inner++) {
      if (functions[inner]!.start >= functions[fn]!.end) break;
      if (functions[inner]!.end <= functions[fn]!.end) todo.push(inner);
    }
  }
  return found;
}
