/** What is nested in the tag of a component, and the places where a component draws what it is given. */
import type { AttributeFact, ExprFact, RenderFact, Span } from '../../model/facts';
import { attribute } from './attributes';
import { portSymbol, raisePort } from './ports';
import type { Scope } from './scope';
import { type Ctx, type Unit, use } from './unit';

/** Where the reader of a template stands. */
export interface At {
  scope: Scope;
  ctx: Ctx;
  /** The render node around. */
  parent: number;
}

/** The component's tag that a node stands in, if it stands in one. */
export function siteAround(u: Unit, parent: number): RenderFact | undefined {
  const node = parent >= 0 ? u.facts.render[parent] : undefined;
  return node?.kind === 'site' ? node : undefined;
}

/** Notes that something is nested for the unnamed content of the component around. */
export function noteNested(u: Unit, parent: number): void {
  const site = siteAround(u, parent);
  if (site) site.nested = true;
}

/** Content for a slot, with the function that takes what the slot gives. */
export function fillSlot(
  u: Unit,
  parent: number,
  node: number,
  port: string,
  at: Span,
  fn: number | undefined,
): void {
  if (port !== '#default') {
    handOver(u, parent, node, port, at, fn);
    return;
  }
  const site = u.facts.render[parent]!;
  site.nested = true;
  if (fn !== undefined) site.only = { kind: 'function', fn, start: at.start, end: at.end };
  u.facts.render[node]!.parent = parent;
}

/** Content with a name is handed over as an attribute of the call site is; `slot` is the name of its place. */
export function handOver(
  u: Unit,
  parent: number,
  node: number,
  name: string,
  { start, end }: Span,
  fn: number | undefined,
): void {
  const made = u.facts.render[node]!;
  made.parent = parent;
  made.slot = name;
  const value: ExprFact =
    fn === undefined
      ? { kind: 'content', content: [node], start, end }
      : { kind: 'function', fn, content: [node], start, end };
  const at = { start, end };
  u.facts.render[parent]!.attributes.push(attribute(name, at, 'value', value, at));
}

/** An outlet of a known name. What stands on its tag is not kept there: it is handed to the content. */
export function nameOutlet(u: Unit, node: number, port: string, at: Span, ctx: Ctx): void {
  const outlet = u.facts.render[node]!;
  const given = outlet.attributes.filter((one) => one.name !== 'name' && one.name !== 'slot');
  outlet.attributes = [];
  outlet.outlet = port;
  outlet.outletSymbol = portSymbol(u, port, 'slot', at);
  raisePort(u, outlet.outletSymbol, [handed(u, given, at, ctx)], at, ctx.fn);
}

/** What an outlet is given, as the one argument that its content takes. */
function handed(u: Unit, given: AttributeFact[], { start, end }: Span, ctx: Ctx): ExprFact {
  for (const one of given) use(u, one.value, ctx, 'argument');
  const members = given
    .filter((one) => one.mode === 'value')
    .map((one) => ({ name: one.name, value: one.value, start: one.nameStart, end: one.nameEnd }));
  const spreads = given.filter((one) => one.mode === 'spread').map((one) => one.value);
  return { kind: 'object', members, ...(spreads.length ? { open: true, spreads } : {}), start, end };
}
