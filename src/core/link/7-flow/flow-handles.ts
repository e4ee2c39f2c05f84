/** The flow through handles: what the owner calls of the child, and what it reads of it. */
import type { AttributeFact } from '../../model/facts';
import type { Component } from '../../model/project';
import type { FlowGraph } from './flow-graph';
import { type Joint, placeOf } from './joint';
import { isHeld } from '../3-tags/sites';

export class HandleFlow {
  constructor(private readonly graph: FlowGraph) {}

  /** A handle reaches what the child makes public. */
  add({ site, owner, target, frame, over }: Joint, { value }: AttributeFact, attribute: number): void {
    const { symbol } = value;
    const node = symbol === undefined ? -1 : frame.nodeOf[symbol]!;
    if (node < 0 || owner.facts.symbols[symbol!]!.kind !== 'ref') return;
    if (!isHeld(this.graph.project, site, symbol!)) return;
    const at = placeOf(site, value);
    const seen = new Set<string>();
    for (const read of owner.facts.reads) {
      const member = read.symbol === symbol && read.path?.[0] === 'current' ? read.path[1] : undefined;
      if (member === undefined || seen.has(member)) continue;
      seen.add(member);
      const effects = this.graph.callables
        .exposedCallables(frame, symbol!, [member])
        .flatMap((one) => this.graph.effects.of(one, at));
      if (!effects.length) continue;
      const exposed = this.exposedNode(target, member);
      this.graph.addEdge(node, exposed, at, {
        how: 'call',
        ...over,
        way: 'in',
        attribute,
        take: ['current', member],
      });
      for (const effect of effects) this.graph.addEffect(exposed, effect, effect.place);
    }
    for (const exposes of target.facts.exposes ?? []) {
      const inside = this.graph.frames.of(target);
      for (const name of seen) {
        const own = target.facts.symbols.findIndex(
          (one) => one.name === name && /^(state|derived)$/.test(one.kind),
        );
        const sources = exposes.value
          ? this.graph.values.sources(inside, exposes.value, [name])
          : own >= 0
            ? this.graph.values.symbolSources(inside, own, [], 0)
            : [];
        this.graph.addSources(sources, node, at, {
          how: 'attach',
          ...over,
          way: 'out',
          attribute,
          put: ['current', name],
        });
      }
    }
  }

  private readonly exposed = new Map<string, number>();
  /** The node of a member that a component makes public to handles. */
  private exposedNode(target: Component, name: string): number {
    const key = `${target.id}:${name}`;
    let node = this.exposed.get(key);
    if (node === undefined) {
      const { facts, file } = target;
      const fact = facts.exposes?.flatMap((one) => one.members).find((one) => one.name === name) ??
        facts.symbols.find((one) => one.name === name) ?? { start: facts.nameStart, end: facts.nameEnd };
      const place = { file, start: fact.start, end: fact.end };
      node = this.graph.addNode({ component: target.id, channel: 'ref', name, symbol: -1, place });
      this.exposed.set(key, node);
    }
    return node;
  }
}
