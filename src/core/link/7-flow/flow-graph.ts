/** The graph that says how values move, while it is made: its nodes and edges, and what expressions in it are. */
import { KEPT_BY } from '../../model/code';
import type { KeyFact } from '../../model/facts';
import { groupBy } from '../../model/group-by';
import type { Component, Flow, FlowEdge, FlowNode, Gap, Place, Port } from '../../model/project';
import { type Callable, Callables } from '../6-values/callables';
import type { Contexts, Provider } from '../5-contexts/context-types';
import { isEverywhere } from '../5-contexts/coverage';
import { contextKey } from '../5-contexts/keys';
import { type Effect, Effects } from '../6-values/effects';
import { isSamePath } from '../6-values/expressions';
import { Frames } from '../6-values/frames';
import type { Linked, Tree } from '../linked';
import { takenUnder, withoutNames } from '../6-values/named-members';
import { Parts } from '../6-values/parts';
import { callOf } from './passage';
import { given, RAISED } from './raised';
import { type Source, Values } from '../6-values/values';

/** What an edge says besides its ends. */
export type EdgeOf = Pick<
  FlowEdge,
  'how' | 'call' | 'way' | 'take' | 'put' | 'without' | 'made' | 'inPlace'
> & {
  site?: number | undefined;
  attribute?: number | undefined;
};

/** One member of what a node keeps is worked out of another one. */
const movesInside = ({ take, put }: EdgeOf): boolean =>
  take !== undefined && put !== undefined && take.length > 0 && put.length > 0 && !isSame(take, put);

/** A graph that nothing is in yet. */
const emptyFlow = (): Flow => ({
  nodes: [],
  edges: [],
  names: new Map(),
  handedBy: new Map(),
  tallies: {
    context: { written: 0, joined: 0 },
    result: { written: 0, joined: 0 },
    handler: { written: 0, joined: 0 },
    binding: { written: 0, joined: 0 },
  },
  gaps: [],
  out: [],
  into: [],
});

/** A node with so many edges keeps an index of them. */
const MANY = 24;

const isSame = (a: string[] = [], b: string[] = []): boolean => isSamePath(a, b);

/** By what edges from one node are told apart. */
type Told = Pick<FlowEdge, 'to' | 'how' | 'site' | 'call' | 'take' | 'put'>;

const isTwin = (one: Told, other: Told): boolean =>
  one.to === other.to &&
  callOf(one) === callOf(other) &&
  one.how === other.how &&
  isSame(one.take, other.take) &&
  isSame(one.put, other.put);

const textOf = (one: Told): string =>
  `${one.to}>${callOf(one)}>${one.how}>${one.take?.join('.') ?? ''}>${one.put?.join('.') ?? ''}`;

export class FlowGraph {
  readonly project: Linked;
  readonly flow: Flow = emptyFlow();
  private readonly seen = new Map<number, Set<string>>();
  readonly frames: Frames;
  readonly values: Values;
  readonly callables: Callables;
  readonly parts: Parts;
  readonly effects: Effects;
  /** Ports whose value helpers of their component call; complete once what runs inside of components is linked. */
  readonly calledInHelpers = new Set<Port>();

  constructor(tree: Tree, contexts: Contexts) {
    this.project = { ...tree, contexts, flow: this.flow };
    for (const { id, handedBy } of tree.sites) if (handedBy) this.flow.handedBy.set(id, handedBy);
    this.frames = new Frames(this.project, (node) => this.addNode(node));
    this.values = new Values(this.project, this.frames, (frame, callee) =>
      this.callables
        .of(frame, callee)
        .flatMap((one) => (one.kind === 'function' && !one.wrapped ? [one] : [])),
    );
    this.callables = new Callables(this.project, this.frames, this.values, (consumer, file, key) =>
      this.providersOf(consumer, file, key),
    );
    this.parts = new Parts(this.project, this.values, this.callables);
    this.effects = new Effects(this.project, this.frames, this.values, this.callables);
  }

  addNode(node: Omit<FlowNode, 'id'>): number {
    const id = this.flow.nodes.push({ id: this.flow.nodes.length, ...node }) - 1;
    this.flow.out.push([]);
    this.flow.into.push([]);
    return id;
  }

  addEdge(from: number, to: number, at: Place, edge: EdgeOf): void {
    if (from < 0 || to < 0 || (from === to && !movesInside(edge))) return;
    const { how, site = -1, call, attribute = -1, way, without, inPlace } = edge;
    const put = edge.put && withoutNames(edge.put);
    const take = edge.take && takenUnder(edge.take, () => undefined);
    const made = edge.made || (take !== undefined && take.length < edge.take!.length);
    if (this.isKnown(from, { to, how, take, put, site, call })) return;
    const place = { file: at.file, start: at.start, end: at.end };
    // Edges are many: all have one shape, so that they are made and read fast.
    const filled = (list: string[] | undefined) => (list?.length ? list : undefined);
    const parts = { take: filled(take), put: filled(put), without: filled(without) };
    const index =
      this.flow.edges.push({ from, to, how, site, call, attribute, place, way, ...parts, made, inPlace }) - 1;
    this.flow.out[from]!.push(index);
    this.flow.into[to]!.push(index);
  }

  /** Whether there is such an edge: looked for among those of the node while these are few. */
  private isKnown(from: number, edge: Told): boolean {
    const edges = this.flow.out[from]!;
    if (edges.length < MANY) return edges.some((index) => isTwin(this.flow.edges[index]!, edge));
    let seen = this.seen.get(from);
    if (!seen) this.seen.set(from, (seen = new Set(edges.map((index) => textOf(this.flow.edges[index]!)))));
    const key = textOf(edge);
    if (seen.has(key)) return true;
    seen.add(key);
    return false;
  }

  /** Counts something that is to be followed; what was not is kept with its place. */
  count(kind: Gap['kind'], followed: boolean, place: Place, name: string): void {
    const tally = this.flow.tallies[kind];
    tally.written++;
    if (followed) tally.joined++;
    else this.flow.gaps.push({ kind, place, name });
  }

  /** Edges from all that an expression is made of. */
  addSources(sources: Source[], to: number, at: Place, edge: EdgeOf): void {
    const { how, site, call, way, attribute } = edge;
    for (const { node, take, put, without, made: isMade = false } of sources) {
      // What something is worked out of is no member of it.
      const within = edge.made ? [] : put;
      const into = edge.put?.length ? [...edge.put, ...within] : within;
      const made = edge.made || isMade;
      this.addEdge(node, to, at, { how, site, call, way, attribute, take, put: into, without, made });
    }
  }

  /** What functions give back that do nothing else is worked out of this. */
  answersOf(callables: Callable[], at: Place): Source[] {
    return callables.flatMap((one) =>
      one.kind === 'function' && !this.effects.of(one, at).some(({ how }) => how !== 'emit')
        ? this.values.answer(one)
        : [],
    );
  }

  /** What a call sets off, from the node that stands for being called. */
  addEffect(
    from: number,
    { node, how, put, params }: Effect,
    at: Place,
    edge: Omit<EdgeOf, 'how'> = {},
  ): void {
    const into = (member: string) => (how === 'write' ? put : [...put, member]);
    const take = edge.take ?? [];
    this.addEdge(from, node, at, { ...edge, how, take: [...take, RAISED], put: into(RAISED) });
    for (const { own, take: of, to, put: within, made } of params)
      this.addEdge(from, node, at, {
        ...edge,
        how,
        take: [...take, given(own), ...of],
        put: [...(how === 'write' ? put : into(given(to))), ...within],
        made,
      });
  }

  private readonly above = new Map<string, Provider[]>();
  private keyed: Map<string, Provider[]> | undefined;

  private providersOf(consumer: Component, file: number, key: KeyFact): Provider[] {
    const id = contextKey(this.project, file, key)?.id;
    return id === undefined ? [] : this.providersAbove(consumer, id);
  }

  /** What a context holds that nobody provides: what its module made it with. */
  private defaultOf(id: string): Provider[] {
    const key = this.project.contexts.keys.find((one) => one.id === id);
    const made = key && this.frames.shared.symbolOf(key.file, key.name + KEPT_BY);
    if (!made) return [];
    const { module, symbol } = made;
    const { start, end } = module.facts.symbols[symbol]!;
    return [
      {
        component: module.id,
        node: 0,
        key,
        place: { file: module.file, start, end },
        value: { kind: 'identity', symbol, start, end },
        implicit: true,
      },
    ];
  }

  /** The providers that a consumer may be below; where nobody sees which, all of its key. */
  providersAbove(consumer: Component, id: string): Provider[] {
    const cached = `${consumer.id}>${id}`;
    const known = this.above.get(cached);
    if (known) return known;
    const contexts = this.project.contexts;
    this.keyed ??= groupBy(contexts.providers, (one) => one.key.id);
    const all = this.keyed.get(id) ?? [];
    const above = all.filter((one) => contexts.below(one).components.has(consumer.id));
    // Below none, it gets what is there for the whole app.
    const others = above.length ? above : all.filter((one) => isEverywhere(this.project, one));
    // Who is seen below none may be below any all the same, or have what there is without one.
    const found = others.length ? others : [...all, ...this.defaultOf(id)];
    this.above.set(cached, found);
    return found;
  }
}
