/** The flow graph: how values move between the ports and values of components. */
import { declarationOf } from '../../model/declaration';
import type { FeedFact, ExprFact, KeyFact, Span } from '../../model/facts';
import { keyId, keyName } from '../../model/keys';
import { publicName } from '../../model/names';
import type { Component, Flow, Place, Port } from '../../model/project';
import type { Contexts, Provider } from '../5-contexts/context-types';
import { hasDefault } from '../5-contexts/contexts';
import { CallFlow } from './flow-calls';
import { ChangeFlow } from './flow-changes';
import { named } from '../6-values/effects';
import { FlowGraph } from './flow-graph';
import { OutsideFlow } from './flow-outside';
import { SiteFlow } from './flow-sites';
import { contextKey } from '../5-contexts/keys';
import { apart, type Frame, joinMembers, keepsItsOwn } from '../6-values/frames';
import { namingAround } from '../6-values/functions';
import { reachMembers } from '../4-ports/reached';
import type { Linked, Tree } from '../linked';
import { listenedFor } from '../4-ports/rising';

/** So many components or call sites are joined between two words on how far it is. */
const STEP = 400;

/** Says how values move; gives the whole project. */
export function linkFlow(
  tree: Tree,
  contexts: Contexts,
  onProgress: (share: number) => void = () => {},
): Linked {
  const graph = new FlowGraph(tree, contexts);
  const whole = 3 * tree.components.length + 2 * tree.sites.length;
  let done = 0;
  new FlowBuilder(graph).build(() => {
    if (++done % STEP === 0) onProgress(Math.min(done / whole, 1));
  });
  return graph.project;
}

class FlowBuilder {
  private readonly answered = new Set<string>();
  private readonly consumed = new Map<string, { node: number; component: Component }[]>();
  private readonly calls: CallFlow;
  private readonly project: Linked;
  private readonly flow: Flow;

  constructor(private readonly graph: FlowGraph) {
    this.project = graph.project;
    this.flow = graph.flow;
    this.calls = new CallFlow(graph);
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
        if (keepsItsOwn(one)) for (const frame of this.graph.frames.within(one)) work(frame);
      });
    // What modules keep is there before those who use it.
    const isModule = (one: Component) => one.facts.role === 'module' || one.facts.single === true;
    const modules = components.filter(isModule);
    each(modules, (one) => this.addNodes(one));
    for (const one of modules) this.graph.frames.joinShared(one);
    each(
      components.filter((one) => !isModule(one)),
      (one) => this.addNodes(one),
    );
    this.graph.values.forget();
    this.graph.callables.forget();
    const sites = new SiteFlow(this.graph);
    each(this.project.sites, (site) => sites.open(site));
    const outside = new OutsideFlow(this.graph);
    for (const component of components)
      if (keepsItsOwn(component))
        for (const frame of this.graph.frames.within(component)) outside.open(frame);
    eachFrame((frame) => {
      this.addInner(frame);
      outside.add(frame);
    });
    each(this.project.sites, (site) => sites.add(site));
    sites.addAnswersHandedOn();
    for (const component of components) this.addHeard(component);
    this.addContexts();
    eachFrame((frame) => this.calls.addOfContexts(frame));
    this.calls.addAsked();
    new ChangeFlow(this.graph, (site) => sites.jointsOf(site)).add();
  }

  private addNodes(component: Component): void {
    for (const port of component.ports.values()) {
      port.node = this.graph.addNode({
        component: component.id,
        channel: port.channel,
        name: publicName(port.name),
        symbol: port.symbol,
        port,
        place: declarationOf(port),
      });
      if (port.symbol >= 0) component.nodeOf[port.symbol] = port.node;
    }
    const whole = keepsItsOwn(component);
    const frames = whole ? this.graph.frames.within(component) : [this.graph.frames.of(component)];
    for (const frame of frames) {
      this.graph.frames.openNodes(frame, (one, symbol) => this.graph.parts.aliasOf(one, symbol));
      if (!whole) continue;
      for (const consume of frame.code.facts.consumes) {
        const node = this.flow.nodes[frame.nodeOf[consume.symbol]!];
        if (!node) continue;
        const { file } = frame.code;
        // The name under which a key is declared; an import may give it another.
        node.name = contextKey(this.project, file, consume.key)?.value.name ?? keyName(consume.key);
        const id = this.contextId(file, consume.key);
        const list = this.consumed.get(id);
        if (list) list.push({ node: node.id, component });
        else this.consumed.set(id, [{ node: node.id, component }]);
      }
    }
    if (component.mixins.length) for (const frame of this.graph.frames.within(component)) joinMembers(frame);
  }

  private contextId(file: number, key: KeyFact): string {
    return contextKey(this.project, file, key)?.id ?? `?${file}:${keyId(key)}`;
  }

  /** Edges inside a component or a helper: what is derived from what, and what writes its state. */
  private addInner(frame: Frame): void {
    const { code, nodeOf, aliases } = frame;
    const { facts, file } = code;
    const at = ({ start, end }: Span): Place => ({ file, start, end });
    facts.symbols.forEach((symbol, index) => {
      const to = nodeOf[index]!;
      const { init } = symbol;
      if (to < 0 && symbol.kind === 'shared' && !symbol.store) this.nameMade(frame, index);
      if (to < 0 || !init || symbol.kind === 'prop' || symbol.kind === 'shared' || aliases.has(index)) return;
      const how = symbol.kind === 'state' ? 'write' : 'transform';
      this.graph.addSources(this.graph.values.sources(frame, init), to, at(init), { how });
    });
    if (code === frame.owner) this.countResults(frame);
    for (const write of facts.writes) {
      if (!write.value || !this.graph.effects.isWrite(frame, write)) continue;
      // What a function is given that is told the name, too, each call of it has for itself.
      const naming = namingAround(code, write.fn, write.symbol);
      const inside = naming === undefined ? frame : apart(frame, naming, true);
      const sources = this.graph.values.sources(inside, write.value);
      if (write.setter !== undefined) {
        const names = this.graph.values.results.names(frame, [write.value]);
        for (const one of this.graph.callables.setterAt(frame, write.setter))
          for (const effect of this.graph.effects.ofCall(frame, one, [write.value], at(write))) {
            const { node, put, params } = named(effect, names);
            for (const { take, put: within, made } of params) {
              const given = take.length ? this.graph.values.sources(frame, write.value, take) : sources;
              this.graph.addSources(given, node, at(write), { how: 'write', put: [...put, ...within], made });
            }
          }
        continue;
      }
      for (const { node, path } of this.graph.effects.written(frame, write.symbol, write.path ?? []))
        this.graph.addSources(sources, node, at(write), { how: 'write', put: path });
      const own = nodeOf[write.symbol]!;
      if (facts.symbols[write.symbol]!.kind === 'derived' && own >= 0 && !aliases.has(write.symbol))
        this.graph.addSources(sources, own, at(write), { how: 'write', put: write.path ?? [] });
    }
    for (const write of facts.sharedWrites ?? []) {
      const sources = write.value ? this.graph.values.sources(frame, write.value) : [];
      for (const { node, path } of this.graph.effects.writtenShared(frame, write))
        this.graph.addSources(sources, node, at(write), { how: 'write', put: path });
    }
    if (code === frame.owner) for (const feed of facts.feeds ?? []) this.addFed(frame, feed);
    this.calls.add(frame);
    // A key from a package: its consumers may be anywhere.
    for (const provide of facts.provides) {
      if (code !== frame.owner || contextKey(this.project, file, provide.key)) continue;
      const place = { file, start: provide.keyStart, end: provide.keyEnd };
      const value = provide.value ? [{ frame, value: provide.value }] : [];
      const node = this.addProvider(code, keyName(provide.key), place, value);
      for (const one of this.consumed.get(this.contextId(file, provide.key)) ?? []) this.join(node, one.node);
    }
  }

  /** What arrives at a port without a call site: a value, or a function that the component calls. */
  private addFed(frame: Frame, { port: name, value }: FeedFact): void {
    const { file, ports } = frame.code;
    const port = ports.get(name) ?? ports.get(`@${name}`);
    if (!port) return;
    const at = { file, start: value.start, end: value.end };
    const callables = this.graph.callables.of(frame, value);
    for (const one of callables)
      for (const effect of this.graph.effects.of(one, at))
        this.graph.addEffect(port.node, effect, effect.place, { way: 'out' });
    if (!callables.length)
      this.graph.addSources(this.graph.values.sources(frame, value), port.node, at, { how: 'transform' });
  }

  /** A value of a module that a function made for it: whoever reads that, or what it tells of, reads what is kept there. */
  private nameMade(frame: Frame, symbol: number): void {
    const [only, ...others] = this.graph.values.symbolSources(frame, symbol, [], 0);
    if (!only || others.length || only.take.length) return;
    const [tells, ...inside] = only.put;
    if (inside.length || (tells !== undefined && tells !== 'subscribe')) return;
    this.graph.frames.noteName(only.node, frame.code, symbol);
  }

  /** Names for what helpers of the project give back. */
  private countResults(frame: Frame): void {
    const { facts, file } = frame.code;
    for (const { kind, init, name, start, end } of facts.symbols) {
      const inner = kind === 'derived' && init?.from ? frame.inner.get(init.from.call) : undefined;
      const { result } = inner?.code.facts ?? {};
      if (!inner || !init || !result) continue;
      const followed =
        this.graph.values.sources(frame, init).length > 0 ||
        this.graph.callables.of(frame, init).length > 0 ||
        this.graph.parts.isPlain(inner, result, init.from!.path);
      this.graph.count('result', followed, { file, start, end }, name);
    }
  }

  /** What a class hears at its tag, or on the page, and what the plain elements of its markup hear. */
  private addHeard(component: Component): void {
    const { facts, file } = component;
    const { rising } = this.project;
    const frame = this.graph.frames.of(component);
    const join = (ports: Port[], value: ExprFact): void => {
      const at = { file, start: value.start, end: value.end };
      for (const port of ports)
        for (const callable of this.graph.callables.of(frame, value))
          if (callable.kind !== 'port')
            for (const effect of this.graph.effects.of(callable, at))
              this.graph.addEffect(port.node, effect, effect.place);
    };
    for (const { event, symbol, on, start, end } of facts.hears ?? []) {
      const name = `@${event}`;
      const value: ExprFact = { kind: 'identity', symbol, start, end };
      join(on ? rising.onPage(name) : rising.arrivingAt(component, name), value);
    }
    if (!facts.traits.isElement) return;
    facts.render.forEach((node, index) => {
      if (node.kind !== 'element') return;
      for (const { name, value } of listenedFor(node)) join(rising.arriving(component, index, name), value);
    });
  }

  private addProvider(
    component: Component,
    name: string,
    place: Place,
    given: { frame: Frame; value: ExprFact }[],
    provided?: Place,
  ): number {
    const node = this.graph.addNode({
      component: component.id,
      channel: 'context',
      name,
      symbol: -1,
      provides: true,
      place,
    });
    for (const { frame, value } of given) {
      const at = provided ?? { file: frame.code.file, start: value.start, end: value.end };
      this.graph.addSources(this.graph.values.sources(frame, value), node, at, { how: 'provide' });
    }
    return node;
  }

  private join(provider: number, consumer: number): void {
    this.graph.addEdge(provider, consumer, this.flow.nodes[consumer]!.place, { how: 'consume' });
  }

  private addContexts(): void {
    for (const list of this.consumed.values()) {
      for (const { node, component } of list) {
        const members = usedMembers([...this.graph.frames.within(component)], node);
        if (members) this.flow.nodes[node]!.members = members;
      }
    }
    const contexts = this.project.contexts;
    const nodes = new Map<Provider, number>();
    const add = (provider: Provider): number => {
      const owner = this.project.components[provider.component]!;
      const given = this.graph.callables.valuesOf(provider);
      const at = provider.itself && provider.place;
      const node = this.addProvider(owner, provider.key.name, provider.place, given, at);
      nodes.set(provider, node);
      return node;
    };
    contexts.providers.forEach(add);
    for (const [id, list] of this.consumed) {
      if (id.startsWith('?')) continue;
      for (const { node, component } of list)
        for (const provider of this.graph.providersAbove(component, id)) {
          const from = nodes.get(provider) ?? add(provider);
          this.join(from, node);
          this.addAnswers(provider, from, this.flow.nodes[node]!.members);
          if (provider.itself)
            reachMembers(this.project.components[provider.component]!, this.flow.nodes[node]!.members);
        }
    }
    for (const component of this.project.components)
      if (keepsItsOwn(component)) this.countConsumed(component);
  }

  /** What functions of a context that consumers ask give back is worked out of what the provider has. */
  private addAnswers(provider: Provider, node: number, members: string[] = ['']): void {
    for (const member of members) {
      const key = `${node} ${member}`;
      if (this.answered.has(key)) continue;
      this.answered.add(key);
      const path = member ? [member] : [];
      for (const { frame, value } of this.graph.callables.valuesOf(provider)) {
        const callables = this.graph.callables.of(frame, value, path);
        const sources = this.graph.answersOf(callables, provider.place);
        const edge = { put: path, made: true };
        // What is provided by its name has the function itself.
        const own = value.kind === 'identity' ? frame.nodeOf[value.symbol!]! : -1;
        if (own < 0) this.graph.addSources(sources, node, provider.place, { ...edge, how: 'provide' });
        else this.graph.addSources(sources, own, provider.place, { ...edge, how: 'transform' });
      }
    }
  }

  /** Reads of contexts: a key from a package is provided there, a default is a value all the same. */
  private countConsumed(component: Component): void {
    for (const { code, nodeOf } of this.graph.frames.within(component)) {
      for (const { key, symbol, start, end } of code.facts.consumes) {
        const node = nodeOf[symbol]!;
        if (node < 0) continue;
        const known = contextKey(this.project, code.file, key);
        if (!known && isForeignKey(this.project, code.file, key)) continue;
        const followed = this.flow.into[node]!.length > 0 || (known !== undefined && hasDefault(known));
        this.graph.count('context', followed, { file: code.file, start, end }, keyName(key));
      }
    }
  }
}

/** Whether a key is made outside of the project. */
function isForeignKey(project: Linked, file: number, key: KeyFact): boolean {
  if (!('name' in key)) return false;
  const target = project.lookup(file, key.name);
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
