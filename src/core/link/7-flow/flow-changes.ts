/**
 * The flow of changes: what a component changes of what it was handed is changed for whoever handed it, since both have the
 * same thing. Over any number of components, up to where it is kept.
 */
import { ANY_MEMBER } from '../../model/code';
import type { WriteFact } from '../../model/facts';
import type { Component, Place, Port, Site } from '../../model/project';
import { keepsItsOwn } from '../6-values/frames';
import type { FlowGraph } from './flow-graph';
import type { Joint } from './joint';

/** What is changed of what a port holds. */
interface Change {
  port: Port;
  path: string[];
  /** What a store holds is set: that is a change only of what is one. */
  held: boolean;
  /** Where the first such change is written. */
  place: Place;
}

/** Members of members are followed so far. */
const MAX_PATH = 4;

export class ChangeFlow {
  private readonly changes = new Map<string, Change>();

  constructor(
    private readonly graph: FlowGraph,
    private readonly jointsOf: (site: Site) => Joint[],
  ) {}

  /** To be called when all that is written inside of components is there. */
  add(): void {
    const { components, flow } = this.graph.project;
    for (const component of components)
      if (keepsItsOwn(component))
        for (const frame of this.graph.frames.within(component))
          for (const write of frame.code.facts.writes)
            if (isChange(write) && this.graph.effects.isWrite(frame, write))
              for (const one of this.graph.effects.written(frame, write.symbol, changed(write)))
                this.note(one, placeIn(frame.code, write), write.held !== undefined);
    for (const { how, to, put, place } of flow.edges)
      if (how === 'write' && put) this.note({ node: to, path: put }, place);
    // What is handed back to an input is a change of that in turn.
    for (const change of this.changes.values()) this.handBack(change);
  }

  private note({ node, path }: { node: number; path: string[] }, place: Place, held = false): void {
    const { port } = this.graph.flow.nodes[node]!;
    if (port?.channel !== 'prop' || path.length > MAX_PATH) return;
    const key = `${node} ${held} ${path.join('.')}`;
    if (!this.changes.has(key)) this.changes.set(key, { port, path, held, place });
  }

  private handBack(change: Change): void {
    const { components, sites } = this.graph.project;
    for (const id of components[change.port.component]!.calledAt)
      for (const joint of this.jointsOf(sites[id]!)) this.handBackAt(joint, change);
  }

  private handBackAt({ site, owner, frame, over }: Joint, { port, path, held, place }: Change): void {
    for (const [attribute, { name, mode, value }] of site.fact.attributes.entries()) {
      const { kind, symbol, path: inside = [] } = value;
      if (symbol === undefined || !(kind === 'identity' || kind === 'member')) continue;
      const way = [...inside, ...path];
      const reached =
        mode === 'spread'
          ? this.spreadAt(owner.ports.get(port.name), owner.facts.symbols[symbol]!, path)
          : name === port.name && mode === 'value'
            ? this.graph.effects.written(frame, symbol, way)
            : [];
      for (const one of reached) {
        if (held && !this.isHeld(one.node)) continue;
        this.graph.addEdge(port.node, one.node, place, {
          how: 'write',
          ...over,
          way: 'out',
          attribute,
          take: path,
          put: one.path,
          inPlace: true,
        });
        this.note(one, place, held);
      }
    }
  }

  /** All that the owner was handed is handed on: the input of the same name. */
  private spreadAt(
    own: Port | undefined,
    { kind, except = [] }: { kind: string; except?: string[] },
    path: string[],
  ): { node: number; path: string[] }[] {
    const isCarried = (kind === 'bag' || kind === 'rest') && own !== undefined && !except.includes(own.name);
    return isCarried ? [{ node: own.node, path }] : [];
  }

  /** Whether what a node keeps is set by whoever has it; what is handed on may be. */
  private isHeld(node: number): boolean {
    const { component, symbol, port } = this.graph.flow.nodes[node]!;
    if (port || symbol < 0) return port !== undefined;
    return this.graph.project.components[component]!.facts.symbols[symbol]!.boxed !== undefined;
  }
}

const placeIn = ({ file }: Component, { start, end }: WriteFact): Place => ({ file, start, end });

/** The way to what is changed; a method changes some entry. */
const changed = ({ path = [], through }: WriteFact): string[] =>
  through?.method === undefined ? path : [...path, ANY_MEMBER];

/** Something is changed that the name stands for; the name itself belongs to the component alone. */
const isChange = ({ path, through, held }: WriteFact): boolean =>
  held !== undefined || (path?.length ?? 0) > 0 || through?.method !== undefined;
