/**
 * The flow into content that is written as a function: what the child calls it with arrives at its parameters. It may be
 * handed in by itself, or as a member of what is handed in: `columns={[{ cell: (row) => <Leaf x={row.x} /> }]}`.
 */
import { writtenIn } from '../../model/entries';
import type { ExprFact, SymbolFact } from '../../model/facts';
import { oncePer } from '../../model/once-per';
import type { Component, Port } from '../../model/project';
import type { FlowGraph } from './flow-graph';
import { drawnKey, type Frame } from '../6-values/frames';
import type { Joint } from './joint';
import { MAX_DEPTH } from '../6-values/values';

/** A function that the child calls, with the code in which its parameters are, and what it is called with. */
interface Content {
  frame: Frame;
  fn: number;
  attribute: number;
  given: ExprFact[][];
}

/** A call of something that a component finds in what it is handed. */
interface Asked {
  port: string;
  path: string[];
  args: ExprFact[];
}

export class ContentFlow {
  constructor(private readonly graph: FlowGraph) {}

  /** Parameters of content are nodes where the child gives them something. */
  open(joint: Joint): void {
    for (const { frame, fn } of this.contentOf(joint))
      frame.code.facts.symbols.forEach((symbol, index) => {
        if (isParameter(symbol, fn)) openParameter(this.graph, frame, index);
      });
  }

  /** What the child gives to the content that it shows arrives at the content's parameters. */
  add(joint: Joint): void {
    const inside = this.graph.frames.of(joint.target);
    for (const { frame, fn, attribute, given } of this.contentOf(joint)) {
      const { facts, file } = frame.code;
      facts.symbols.forEach((symbol, index) => {
        if (!isParameter(symbol, fn)) return;
        const at = { file, start: symbol.start, end: symbol.end };
        for (const args of given) {
          const arg = args[symbol.index!];
          const sources = arg ? this.graph.values.sources(inside, arg, symbol.path ?? []) : [];
          this.graph.addSources(sources, frame.nodeOf[index]!, at, {
            how: 'fill',
            ...joint.over,
            way: 'out',
            attribute,
          });
        }
      });
    }
  }

  private readonly contentOf = oncePer((joint: Joint) => this.contentAt(joint));
  /** Functions that a call site gives as content: written there, or of a module. */
  private contentAt({ site, target, frame, owner }: Joint): Content[] {
    const found: Content[] = [];
    const add = (port: Port | undefined, inside: Frame, fn: number, attribute: number): void => {
      const given = port?.channel === 'slot' ? givenTo(target, port) : [];
      if (given.length) found.push({ frame: inside, fn, attribute, given });
    };
    site.fact.attributes.forEach(({ name, value }, index) => {
      const port = target.ports.get(name);
      if (port?.channel === 'slot')
        for (const one of this.functionsIn(frame, value, [], 0)) add(port, one.frame, one.fn, index);
      for (const { port, path, args } of askedOf(target))
        if (port === name && args.length)
          for (const one of this.functionsIn(frame, value, path, 0))
            found.push({ ...one, attribute: index, given: [args] });
    });
    const { contentPort } = target.facts.traits;
    const { only } = site.fact;
    if (only?.kind === 'function' && only.fn !== undefined)
      add(target.ports.get(contentPort), frame, only.fn, -1);
    for (const { slot } of owner.drawn.get(site.node) ?? []) {
      const inner = slot === undefined ? undefined : frame.inner.get(drawnKey(site.node, slot));
      const attribute = site.fact.attributes.findIndex((one) => one.name === slot);
      if (inner) add(target.ports.get(slot!), inner, -1, attribute);
    }
    return found;
  }

  /** The functions under a path in what is handed in, whichever entry of lists they stand in. */
  private functionsIn(
    frame: Frame,
    expr: ExprFact,
    path: string[],
    depth: number,
  ): { frame: Frame; fn: number }[] {
    if (depth > MAX_DEPTH) return [];
    const next = (one: ExprFact, rest = path) => this.functionsIn(frame, one, rest, depth + 1);
    switch (expr.kind) {
      case 'function':
        return expr.fn !== undefined && !path.length ? [{ frame, fn: expr.fn }] : [];
      case 'array':
        return writtenIn(expr).flatMap((one) => next(one));
      case 'object': {
        const [name, ...rest] = path;
        const member = expr.members?.findLast((one) => one.name === name);
        return member ? next(member.value, rest) : (expr.spreads ?? []).flatMap((one) => next(one));
      }
      case 'identity':
      case 'member': {
        const { init, fn } = frame.code.facts.symbols[expr.symbol!]!;
        const whole = [...(expr.path ?? []), ...path];
        if (fn !== undefined && !whole.length) return [{ frame, fn }];
        return init ? next(init, whole) : [];
      }
    }
    if (expr.gives) return expr.gives.flatMap((one) => next(one));
    if (expr.component === undefined || expr.kind === 'call') return [];
    const found = this.graph.frames.shared.symbolOf(frame.code.file, expr.component);
    if (!found) return [];
    const { start, end } = expr;
    const there: ExprFact = { kind: 'identity', symbol: found.symbol, start, end };
    return this.functionsIn(this.graph.frames.of(found.module), there, path, depth + 1);
  }
}

/** Makes a parameter of content a node. */
export function openParameter(graph: FlowGraph, frame: Frame, index: number): void {
  if (frame.nodeOf[index]! >= 0) return;
  const { name, start, end } = frame.code.facts.symbols[index]!;
  frame.nodeOf[index] = graph.addNode({
    component: frame.owner.id,
    channel: 'local',
    name,
    symbol: frame.code === frame.owner ? index : -1,
    place: { file: frame.code.file, start, end },
  });
}

export const isParameter = ({ kind, within, index }: SymbolFact, fn: number): boolean =>
  (kind === 'param' || kind === 'loop') && within === fn && index !== undefined;

/** What a component gives to a slot, at each place where it draws it. */
const givenTo = ({ facts }: Component, port: Port): ExprFact[][] =>
  facts.emits.filter((one) => one.symbol === port.symbol && one.args.length).map((one) => one.args);

/** Calls of members of what a component is handed: of its entries, where that is a list. */
const askedOf = oncePer(({ facts }: Component): Asked[] =>
  (facts.invokes ?? []).flatMap(({ callee, args }) =>
    args.length ? propsOf(facts, callee).map((one) => ({ ...one, args })) : [],
  ),
);

function propsOf(
  facts: Component['facts'],
  { kind, symbol, path = [] }: ExprFact,
  depth = 0,
): Omit<Asked, 'args'>[] {
  if ((kind !== 'identity' && kind !== 'member') || symbol === undefined || depth > MAX_STEPS) return [];
  const { kind: what, port, init } = facts.symbols[symbol]!;
  const further = (one: ExprFact) =>
    propsOf(facts, one, depth + 1).map((found) => ({ ...found, path: [...found.path, ...path] }));
  if (what === 'prop') return path.length ? [{ port: port!, path }] : [];
  if (what === 'loop' && init)
    return (init.uses ?? []).flatMap((one) => propsBehind(facts, one, path, depth + 1));
  return what === 'derived' && init ? further(init) : [];
}

/** The props that a list is, or is worked out of. */
function propsBehind(
  facts: Component['facts'],
  symbol: number,
  path: string[],
  depth: number,
): Omit<Asked, 'args'>[] {
  const { kind, port, init } = facts.symbols[symbol]!;
  if (depth > MAX_STEPS) return [];
  if (kind === 'prop') return [{ port: port!, path }];
  if ((kind !== 'derived' && kind !== 'loop') || !init) return [];
  const uses = init.symbol === undefined ? (init.uses ?? []) : [init.symbol];
  return uses.flatMap((one) => propsBehind(facts, one, path, depth + 1));
}

/** So many names for one thing are followed. */
const MAX_STEPS = 5;
