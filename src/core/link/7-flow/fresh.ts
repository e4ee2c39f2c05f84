/** Which values are made anew each time they are worked out. */
import type { ExprFact } from '../../model/facts';
import type { Component, Project } from '../../model/project';

/** Helpers that give back what others give are followed so far. */
const MAX_DEPTH = 8;

export type Fresh = 'object' | 'array' | 'function';

/** The kind of value that an expression of a component or helper makes anew each time, if it does; in one arm of a condition, too. */
export function freshKind(
  project: Project,
  code: Component,
  value: ExprFact,
  path: string[] = [],
  depth = 0,
): Fresh | undefined {
  if (value.stable || depth > MAX_DEPTH) return undefined;
  const next = (one: ExprFact, at: Component = code, way = path) =>
    freshKind(project, at, one, way, depth + 1);
  const [name, ...rest] = path;
  if (name !== undefined && value.kind === 'object') {
    const member = value.members?.findLast((one) => one.name === name);
    return member && next(member.value, code, rest);
  }
  if (name !== undefined && value.kind === 'array') {
    const element = value.elements?.[Number(name)];
    return element && next(element, code, rest);
  }
  if (value.from) {
    const call = code.facts.calls[value.from.call]!;
    const target = project.lookup(code.file, call.name);
    const helper = target.kind === 'component' ? project.components[target.component]! : undefined;
    const { result, role, single } = helper?.facts ?? {};
    if (!helper || !result || role !== 'helper' || single || call.made) return undefined;
    return next(result, helper, [...value.from.path, ...path]);
  }
  if (value.kind === 'identity') {
    const symbol = code.facts.symbols[value.symbol!]!;
    if (symbol.stable || !symbol.init || (symbol.kind !== 'derived' && symbol.kind !== 'handler'))
      return undefined;
    return next(symbol.init);
  }
  if (name === undefined && (value.kind === 'object' || value.kind === 'array' || value.kind === 'function'))
    return value.kind;
  if (name === undefined && value.fresh) return value.fresh;
  // A function of the component that is called gives what it gives, each time anew.
  const fn =
    value.kind === 'call' && value.symbol !== undefined ? code.facts.symbols[value.symbol]!.fn : undefined;
  const gives = fn === undefined ? value.gives : code.facts.functions[fn]!.gives;
  for (const one of gives ?? []) {
    const found = next(one);
    if (found) return found;
  }
  return undefined;
}
