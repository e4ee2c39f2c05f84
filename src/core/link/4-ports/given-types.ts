/** The types of what content is given: of a slot's parameters, and of those of functions that draw. */
import type { ExprFact } from '../../model/facts';
import type { Component, Lazy, Port, Site } from '../../model/project';
import { type TypeExpr, union, UNKNOWN } from '../../model/types';
import type { Shape } from '../../types/shape';
import { useOf } from './use-of-ports';

/** What is linked by the time that anybody asks. */
interface Known {
  components: Component[];
  sites: readonly Site[];
  resolve(type: Lazy): Shape;
}

/** The type of a parameter of content, where all that it may be given is known; undefined for any other symbol. */
export function givenType(known: Known, component: Component, symbol: number): Lazy | undefined {
  const { within = -1, index = 0, path = [] } = component.facts.symbols[symbol]!;
  const filled = within < 0 ? undefined : filledBy(known, component, within);
  if (!filled) return undefined;
  const { target, port } = filled;
  const declared = port.type && paramOf(known, port.type, index);
  if (declared) return { ...declared, type: memberAt(declared.type, path) };
  // What a declaration says that is not here, may be anything.
  const isSaid = port.type ? known.resolve(port.type).k !== 'content' : target.unresolved;
  if (isSaid || target.openBase) return undefined;
  const use = useOf(target, port);
  if (use.passes.length || use.spread || use.written || !use.emits.length) return undefined;
  const given = use.emits.map(({ how, args }) =>
    how === 'called' && args[index] ? typeAt(args[index], path) : undefined,
  );
  if (given.some((one) => one === undefined)) return undefined;
  return { type: union(given as TypeExpr[]), file: target.file, component: target.id };
}

/** The slot that a function of a component fills, where it fills but one. */
function filledBy(
  { components, sites }: Known,
  { facts, siteAt }: Component,
  fn: number,
): { target: Component; port: Port } | undefined {
  const isIt = ({ kind, symbol, fn: own }: ExprFact): boolean =>
    kind === 'identity' ? facts.symbols[symbol!]!.init?.fn === fn : kind === 'function' && own === fn;
  const found = facts.render.flatMap(({ attributes, only, kind }, node) => [
    ...attributes.flatMap(({ name, mode, value }) =>
      mode === 'value' && isIt(value) ? [{ node, name }] : [],
    ),
    ...(kind === 'site' && only && isIt(only) ? [{ node, name: facts.traits.contentPort }] : []),
  ]);
  const [first, ...others] = found;
  const [id, ...more] = (first && siteAt.get(first.node)) ?? [];
  if (!first || others.length || id === undefined || more.length) return undefined;
  const target = components[sites[id]!.target]!;
  const port = target.ports.get(first.name);
  return port && { target, port };
}

/** A parameter of the function that a type is; not of one of several. */
function paramOf({ resolve }: Known, type: Lazy, index: number): Lazy | undefined {
  const shape = resolve(type);
  const parts = (shape.k === 'union' ? shape.of : [shape]).filter((one) => one.k === 'fn');
  const [fn, ...others] = parts;
  const param = fn?.k === 'fn' && !others.length ? fn.params[index] : undefined;
  return param?.rest ? undefined : param?.type;
}

const memberAt = (type: TypeExpr, path: readonly string[]): TypeExpr =>
  path.reduce((of, name) => ({ t: 'member', of, name }), type);

/** The type of a part of a value that is handed over; undefined where it is not known. */
function typeAt(value: ExprFact, path: readonly string[]): TypeExpr | undefined {
  const [name, ...rest] = path;
  if (value.kind === 'object' && !value.type && name === undefined) {
    const members = (value.members ?? []).map((one) => ({
      name: one.name,
      type: typeAt(one.value, []) ?? UNKNOWN,
      start: one.start,
      end: one.end,
    }));
    return { t: 'object', members, open: true, lax: true };
  }
  if (value.kind === 'object' && name !== undefined) {
    const member = value.members?.findLast((one) => one.name === name);
    // What is spread behind it may come in its place.
    return member && !value.open && !value.spreads?.length ? typeAt(member.value, rest) : undefined;
  }
  const own: TypeExpr | undefined =
    value.type ?? (value.kind === 'identity' ? { t: 'sym', s: value.symbol! } : undefined);
  return own && memberAt(own, path);
}
