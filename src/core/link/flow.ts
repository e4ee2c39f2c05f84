/** The flow graph: how values move between the ports and values of components. */
import type { ExprFact, Span } from '../model/facts';
import { groupBy } from '../model/group-by';
import { publicName } from '../model/names';
import type { Component, Flow, FlowEdge, FlowNode, Gap, Place } from '../model/project';
import { Callables } from './callables';
import { contextKey, hasDefault, type Provider } from './contexts';
import { type Effect, Effects } from './effects';
import { CallFlow } from './flow-calls';
import { SiteFlow } from './flow-sites';
import { type Frame, Frames, joinMembers, keepsItsOwn } from './frames';
import type { Linked } from './index';
import { Parts } from './parts';
import { callOf } from './passage';
import { given, RAISED } from './raised';
import { type Source, unboxed, Values } from './values';

/** What an edge says besides its ends. */
export type EdgeOf = Pick<FlowEdge, 'how' | 'call' | 'way' | 'take' | 'put' | 'without'> & {
  site?: number | undefined;
  attribute?: number | undefined;
};

/** A graph that nothing is in yet. */
export const emptyFlow = (): Flow => ({
  nodes: [],
  edges: [],
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

/** So many components or call sites are joined between two words on how far it is. */
const STEP = 400;

export function buildFlow(project: Linked, onProgress: (share: number) => void = () => {}): Flow {
  const flow = emptyFlow();
  project.flow = flow;
  const { components, sites } = project;
  const whole = 3 * components.length + 2 * sites.length;
  let done = 0;
  new FlowBuilder(project, flow).build(() => {
    if (++done % STEP === 0) onProgress(Math.min(done / whole, 1));
  });
  return flow;
}

/** A node with so many edges keeps an index of them. */
const MANY = 24;

const isSame = (a: string[] = [], b: string[] = []): boolean =>
  a.length === b.length && a.every((one, i) => one === b[i]);

export class FlowBuilder {
  private readonly seen = new Map<number, Set<string>>();
  private readonly consumed = new Map<string, { node: number; component: Component }[]>();
  readonly frames: Frames;
  readonly values: Values;
  readonly callables: Callables;
  readonly parts: Parts;
  readonly effects: Effects;
  private readonly calls: CallFlow;

  constructor(
    readonly project: Linked,
    private readonly flow: Flow,
  ) {
    this.frames = new Frames(project, (node) => this.addNode(node));
    this.values = new Values(project, this.frames);
    this.callables = new Callables(project, this.frames, this.values, (consumer, file, key) =>
      this.providersOf(consumer, file, key),
    );
    this.parts = new Parts(project, this.values, this.callables);
    this.effects = new Effects(this.frames, this.values, this.callables);
    this.calls = new CallFlow(this, flow);
  }

  /** `onStep` is called for each component and each call site, as often as they are looked at. */
  build(onStep: () => void): void {
    const { components } = this.project;
    const each = <T>(list: T[], work: (one: T) => void): void => {
      for (const one of list) {
        work(one);
        onStep();
      }
    };
    const eachFrame = (work: (frame: Frame) => void): void =>
      each(components, (one) => {
        if (keepsItsOwn(one)) for (const frame of this.frames.within(one)) work(frame);
      });
    // What modules keep is there before those who use it.
    const isModule = (one: Component) => one.facts.role === 'module' || one.facts.single === true;
    each(components.filter(isModule), (one) => this.addNodes(one));
    each(
      components.filter((one) => !isModule(one)),
      (one) => this.addNodes(one),
    );
    this.values.forget();
    this.callables.forget();
    const sites = new SiteFlow(this);
    each(this.project.sites, (site) => sites.open(site));
    eachFrame((frame) => this.addInner(frame));
    each(this.project.sites, (site) => sites.add(site));
    this.addContexts();
    eachFrame((frame) => this.calls.addOfContexts(frame));
    this.calls.addAsked();
  }

  addNode(node: Omit<FlowNode, 'id'>): number {
    const id = this.flow.nodes.push({ id: this.flow.nodes.length, ...node }) - 1;
    this.flow.out.push([]);
    this.flow.into.push([]);
    return id;
  }

  addEdge(from: number, to: number, at: Place, edge: EdgeOf): void {
    if (from < 0 || to < 0 || from === to) return;
    const { how, site = -1, call, attribute = -1, way, take, put, without } = edge;
    if (this.isKnown(from, to, edge, call ?? site)) return;
    const place = { file: at.file, start: at.start, end: at.end };
    // Edges are many: all have one shape, so that they are made and read fast.
    const filled = (list: string[] | undefined) => (list?.length ? list : undefined);
    const parts = { take: filled(take), put: filled(put), without: filled(without) };
    const index = this.flow.edges.push({ from, to, how, site, call, attribute, place, way, ...parts }) - 1;
    this.flow.out[from]!.push(index);
    this.flow.into[to]!.push(index);
  }

  /** Whether there is such an edge: looked for among those of the node while these are few. */
  private isKnown(from: number, to: number, { how, take, put }: EdgeOf, site: number): boolean {
    const edges = this.flow.out[from]!;
    const text = (one: Pick<FlowEdge, 'to' | 'how' | 'site' | 'call' | 'take' | 'put'>) =>
      `${one.to}>${callOf(one)}>${one.how}>${one.take?.join('.') ?? ''}>${one.put?.join('.') ?? ''}`;
    const same = (one: FlowEdge) =>
      one.to === to &&
      callOf(one) === site &&
      one.how === how &&
      isSame(one.take, take) &&
      isSame(one.put, put);
    if (edges.length < MANY) return edges.some((index) => same(this.flow.edges[index]!));
    let seen = this.seen.get(from);
    if (!seen) this.seen.set(from, (seen = new Set(edges.map((index) => text(this.flow.edges[index]!)))));
    const key = text({ to, site, how, take, put });
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
    for (const { node, take, put, without } of sources) {
      const into = edge.put?.length ? [...edge.put, ...put] : put;
      this.addEdge(node, to, at, { how, site, call, way, attribute, take, put: into, without });
    }
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
    for (const [own, to] of params)
      this.addEdge(from, node, at, { ...edge, how, take: [...take, given(own)], put: into(given(to)) });
  }

  private addNodes(component: Component): void {
    for (const port of component.ports.values()) {
      port.node = this.addNode({
        component: component.id,
        channel: port.channel,
        name: publicName(port.name),
        symbol: port.symbol,
        port,
        place: port.place,
      });
      if (port.symbol >= 0) component.nodeOf[port.symbol] = port.node;
    }
    const whole = keepsItsOwn(component);
    const frames = whole ? this.frames.within(component) : [this.frames.of(component)];
    for (const frame of frames) {
      this.frames.openNodes(frame, (one, symbol) => this.parts.aliasOf(one, symbol));
      if (!whole) continue;
      for (const consume of frame.code.facts.consumes) {
        const node = this.flow.nodes[frame.nodeOf[consume.symbol]!];
        if (!node) continue;
        const { file } = frame.code;
        // The name under which a key is declared; an import may give it another.
        node.name = contextKey(this.project, file, consume.key)?.value.name ?? consume.key;
        const id = this.contextId(file, consume.key);
        const list = this.consumed.get(id);
        if (list) list.push({ node: node.id, component });
        else this.consumed.set(id, [{ node: node.id, component }]);
      }
    }
    if (component.mixins.length) for (const frame of this.frames.within(component)) joinMembers(frame);
  }

  private contextId(file: number, key: string): string {
    return contextKey(this.project, file, key)?.id ?? `?${file}:${key}`;
  }

  /** Edges inside a component or a helper: what is derived from what, and what writes its state. */
  private addInner(frame: Frame): void {
    const { code, nodeOf, aliases } = frame;
    const { facts, file } = code;
    const at = ({ start, end }: Span): Place => ({ file, start, end });
    facts.symbols.forEach((symbol, index) => {
      const to = nodeOf[index]!;
      const { init } = symbol;
      if (to < 0 || !init || symbol.kind === 'prop' || symbol.kind === 'shared' || aliases.has(index)) return;
      const how = symbol.kind === 'state' ? 'write' : 'transform';
      this.addSources(this.values.sources(frame, init), to, at(init), { how });
    });
    if (code === frame.owner) this.countResults(frame);
    for (const write of facts.writes) {
      if (!write.value) continue;
      const sources = this.values.sources(frame, write.value);
      for (const { node, path } of this.effects.written(frame, write.symbol, write.path ?? []))
        this.addSources(sources, node, at(write), { how: 'write', put: path });
      const own = nodeOf[write.symbol]!;
      if (facts.symbols[write.symbol]!.kind === 'derived' && own >= 0 && !aliases.has(write.symbol))
        this.addSources(sources, own, at(write), { how: 'write', put: write.path ?? [] });
    }
    for (const write of facts.sharedWrites ?? []) {
      const to = this.frames.shared.nodeOf(file, write.name);
      const sources = write.value ? this.values.sources(frame, write.value) : [];
      this.addSources(sources, to, at(write), { how: 'write', put: unboxed(write.path) });
    }
    this.calls.add(frame);
    // A key from a package: its consumers may be anywhere.
    for (const provide of facts.provides) {
      if (code !== frame.owner || contextKey(this.project, file, provide.key)) continue;
      const place = { file, start: provide.keyStart, end: provide.keyEnd };
      const value = provide.value && { frame, value: provide.value };
      const node = this.addProvider(code, provide.key, place, value);
      for (const one of this.consumed.get(this.contextId(file, provide.key)) ?? []) this.join(node, one.node);
    }
  }

  /** Names for what helpers of the project give back. */
  private countResults(frame: Frame): void {
    const { facts, file } = frame.code;
    for (const { kind, init, name, start, end } of facts.symbols) {
      const inner = kind === 'derived' && init?.from ? frame.inner.get(init.from.call) : undefined;
      const { result } = inner?.code.facts ?? {};
      if (!inner || !init || !result) continue;
      const followed =
        this.values.sources(frame, init).length > 0 ||
        this.callables.of(frame, init).length > 0 ||
        this.parts.isPlain(inner, result, init.from!.path);
      this.count('result', followed, { file, start, end }, name);
    }
  }

  private addProvider(
    component: Component,
    name: string,
    place: Place,
    given: { frame: Frame; value: ExprFact } | undefined,
  ): number {
    const node = this.addNode({
      component: component.id,
      channel: 'context',
      name,
      symbol: -1,
      provides: true,
      place,
    });
    if (given) {
      const at = { file: given.frame.code.file, start: given.value.start, end: given.value.end };
      this.addSources(this.values.sources(given.frame, given.value), node, at, { how: 'provide' });
    }
    return node;
  }

  private join(provider: number, consumer: number): void {
    this.addEdge(provider, consumer, this.flow.nodes[consumer]!.place, { how: 'consume' });
  }

  private readonly above = new Map<string, Provider[]>();
  private keyed: Map<string, Provider[]> | undefined;

  private providersOf(consumer: Component, file: number, key: string): Provider[] {
    const id = contextKey(this.project, file, key)?.id;
    return id === undefined ? [] : this.providersAbove(consumer, id);
  }

  /** The providers that a consumer may be below; where nobody sees which, all of its key. */
  private providersAbove(consumer: Component, id: string): Provider[] {
    const cached = `${consumer.id}>${id}`;
    const known = this.above.get(cached);
    if (known) return known;
    const contexts = this.project.contexts();
    this.keyed ??= groupBy(contexts.providers, (one) => one.key.id);
    const all = this.keyed.get(id) ?? [];
    const above = all.filter((one) => contexts.below(one).components.has(consumer.id));
    const found = above.length ? above : all;
    this.above.set(cached, found);
    return found;
  }

  private addContexts(): void {
    for (const list of this.consumed.values()) {
      for (const { node, component } of list) {
        const members = usedMembers([...this.frames.within(component)], node);
        if (members) this.flow.nodes[node]!.members = members;
      }
    }
    const contexts = this.project.contexts();
    const nodes = new Map<Provider, number>();
    for (const provider of contexts.providers) {
      const owner = this.project.components[provider.component]!;
      const given = this.callables.valueOf(provider);
      nodes.set(provider, this.addProvider(owner, provider.key.name, provider.place, given));
    }
    for (const [id, list] of this.consumed) {
      if (id.startsWith('?')) continue;
      for (const { node, component } of list)
        for (const provider of this.providersAbove(component, id)) this.join(nodes.get(provider)!, node);
    }
    for (const component of this.project.components)
      if (keepsItsOwn(component)) this.countConsumed(component);
  }

  /** Reads of contexts: a key from a package is provided there, a default is a value all the same. */
  private countConsumed(component: Component): void {
    for (const { code, nodeOf } of this.frames.within(component)) {
      for (const { key, symbol, start, end } of code.facts.consumes) {
        const node = nodeOf[symbol]!;
        if (node < 0) continue;
        const known = contextKey(this.project, code.file, key);
        if (!known && isForeignKey(this.project, code.file, key)) continue;
        const followed = this.flow.into[node]!.length > 0 || (known !== undefined && hasDefault(known));
        this.count('context', followed, { file: code.file, start, end }, key.replace(/^"|"$/g, ''));
      }
    }
  }
}

/** Whether a key is made outside of the project. */
function isForeignKey(project: Linked, file: number, key: string): boolean {
  if (key.startsWith('"')) return false;
  const target = project.lookup(file, key);
  return target.kind === 'outside' && target.why === 'package';
}

/** The members of what a node holds that some code uses; undefined where it uses the whole. */
function usedMembers(frames: Frame[], node: number): string[] | undefined {
  const found = new Set<string>();
  for (const { code, owner, nodeOf, aliases } of frames) {
    const { facts } = code;
    const helper = code !== owner;
    for (const [index, known] of nodeOf.entries()) {
      if (known !== node) continue;
      const path = aliases.get(index)?.path ?? [];
      const [first] = path;
      if (first !== undefined) {
        found.add(first);
        continue;
      }
      for (const read of facts.reads) {
        if (read.symbol !== index) continue;
        const [member] = read.path ?? [];
        if (member !== undefined) found.add(member);
        // Asking whether it is there, and handing it back to the caller, uses nothing of it.
        else if (
          read.where !== 'condition' &&
          !(helper && read.where === 'text') &&
          read.where !== 'derivation'
        )
          return undefined;
      }
      const whole = facts.render.some((one) =>
        one.attributes.some(({ value }) => value.kind === 'identity' && value.symbol === index),
      );
      if (whole || facts.writes.some((one) => one.symbol === index && !one.path)) return undefined;
    }
  }
  return found.size ? [...found] : undefined;
}
