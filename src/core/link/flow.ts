/** The flow graph: how values move between the ports and values of components. */
import type { AttributeFact, ExprFact, RenderFact, Span } from '../model/facts';
import { publicName } from '../model/names';
import type { Component, Flow, FlowNode, How, Place, Port, Site } from '../model/project';
import { contextKey } from './contexts';
import { reachedFunctions } from './functions';
import { type Callable, Helpers, KEPT } from './helpers';
import type { Linked } from './index';
import { Shared } from './shared';
import { carried, isKeptByWrapper, updateOf } from './sites';

export function buildFlow(project: Linked): Flow {
  const flow: Flow = { nodes: [], edges: [], out: [], into: [] };
  project.flow = flow;
  const builder = new FlowBuilder(project, flow);
  // What modules keep is there before those who use it.
  const isModule = ({ facts }: Component) => facts.role === 'module';
  for (const component of project.components) if (isModule(component)) builder.addNodes(component);
  for (const component of project.components) if (!isModule(component)) builder.addNodes(component);
  for (const component of project.components) builder.addInner(component);
  for (const site of project.sites) builder.addSite(site);
  builder.addContexts();
  return flow;
}

class FlowBuilder {
  private readonly seen = new Set<string>();
  /** Provided keys that the project does not declare. */
  private readonly foreign: { node: number; context: string }[] = [];
  private readonly consumed: { node: number; context: string }[] = [];

  private readonly shared: Shared;
  private readonly helpers: Helpers;

  constructor(
    private readonly project: Linked,
    private readonly flow: Flow,
  ) {
    this.shared = new Shared(project);
    this.helpers = new Helpers(project, this.shared, (node) => this.addNode(node));
  }

  private addNode(node: Omit<FlowNode, 'id'>): number {
    const id = this.flow.nodes.push({ id: this.flow.nodes.length, ...node }) - 1;
    this.flow.out.push([]);
    this.flow.into.push([]);
    return id;
  }

  private addEdge(
    from: number,
    to: number,
    how: How,
    at: Span,
    file: number,
    site = -1,
    attribute = -1,
  ): void {
    if (from < 0 || to < 0 || from === to) return;
    const key = `${from}>${to}>${site}>${how}`;
    if (this.seen.has(key)) return;
    this.seen.add(key);
    const place = { file, start: at.start, end: at.end };
    const index = this.flow.edges.push({ from, to, how, site, attribute, place }) - 1;
    this.flow.out[from]!.push(index);
    this.flow.into[to]!.push(index);
  }

  addNodes(component: Component): void {
    const { facts, file, id } = component;
    for (const port of component.ports.values()) {
      port.node = this.addNode({
        component: id,
        channel: port.channel,
        name: publicName(port.name),
        symbol: port.symbol,
        port,
        place: port.place,
      });
      if (port.symbol >= 0) component.nodeOf[port.symbol] = port.node;
    }
    this.helpers.open(component);
    facts.symbols.forEach((symbol, index) => {
      if (symbol.kind === 'shared') component.nodeOf[index] = this.shared.nodeOf(file, symbol.port!);
      const channel = KEPT[symbol.kind];
      if (!channel) return;
      // What a helper gives back as it is needs no node of its own.
      const part = this.helpers.partOf(component, symbol.init);
      if (part?.callable) this.helpers.callables.set(`${id}:${index}`, part.callable);
      if (part?.node !== undefined || part?.callable) {
        component.nodeOf[index] = part.node ?? -1;
        return;
      }
      component.nodeOf[index] = this.addNode({
        component: id,
        channel,
        name: symbol.name,
        symbol: index,
        place: { file, start: symbol.start, end: symbol.end },
      });
    });
    for (const consume of facts.consumes) {
      const node = this.flow.nodes[component.nodeOf[consume.symbol]!];
      if (!node) continue;
      node.name = this.keyName(component, consume.key);
      this.consumed.push({ node: node.id, context: this.contextId(component, consume.key) });
    }
  }

  /** The name under which a key is declared; an import may give it another. */
  private keyName(component: Component, key: string): string {
    return contextKey(this.project, component.file, key)?.value.name ?? key;
  }

  private contextId(component: Component, key: string): string {
    return contextKey(this.project, component.file, key)?.id ?? `?${component.file}:${key}`;
  }

  /** Edges inside a component: what is derived from what, and what writes its state. */
  addInner(component: Component): void {
    const { facts, file } = component;
    facts.symbols.forEach((symbol, index) => {
      const to = component.nodeOf[index]!;
      if (to < 0 || !symbol.init || symbol.kind === 'prop' || symbol.init.kind === 'function') return;
      const part = this.helpers.partOf(component, symbol.init);
      if (part && (part.node !== undefined || part.expr)) return;
      const how = symbol.kind === 'state' ? 'write' : 'transform';
      for (const from of this.sources(component, symbol.init)) this.addEdge(from, to, how, symbol.init, file);
    });
    this.addHelped(component);
    for (const write of facts.writes) {
      const to = component.nodeOf[write.symbol]!;
      const { kind } = facts.symbols[write.symbol]!;
      if (to < 0 || !write.value || kind === 'prop') continue;
      for (const from of this.sources(component, write.value)) this.addEdge(from, to, 'write', write, file);
    }
    for (const write of facts.sharedWrites ?? []) {
      const to = this.shared.nodeOf(file, write.name);
      for (const from of write.value ? this.sources(component, write.value) : [])
        this.addEdge(from, to, 'write', write, file);
    }
    for (const provide of facts.provides) {
      // A key from a package: its consumers may be anywhere.
      if (contextKey(this.project, file, provide.key)) continue;
      const place = { file, start: provide.keyStart, end: provide.keyEnd };
      const node = this.addProvider(component, provide.key, place, provide.value);
      this.foreign.push({ node, context: this.contextId(component, provide.key) });
    }
  }

  private addProvider(component: Component, name: string, place: Place, value: ExprFact | undefined): number {
    const node = this.addNode({
      component: component.id,
      channel: 'context',
      name,
      symbol: -1,
      provides: true,
      place,
    });
    for (const from of value ? this.sources(component, value) : [])
      this.addEdge(from, node, 'provide', value!, place.file);
    return node;
  }

  private joinAll(provider: number, context: string): void {
    for (const consumer of this.consumed) {
      if (consumer.context !== context) continue;
      const { place } = this.flow.nodes[consumer.node]!;
      this.addEdge(provider, consumer.node, 'consume', place, place.file);
    }
  }

  /** Edges inside the helpers that a component calls: their state is its own. */
  private addHelped(component: Component): void {
    for (const instance of this.helpers.instancesOf(component)) {
      const { facts, file } = instance.helper;
      const sources = (expr: ExprFact) =>
        this.helpers.sources(instance, expr, (one) => this.sources(component, one));
      facts.symbols.forEach((symbol, index) => {
        const to = instance.nodeOf[index]!;
        if (to < 0 || !symbol.init || symbol.init.kind === 'function') return;
        const how = symbol.kind === 'state' ? 'write' : 'transform';
        for (const from of sources(symbol.init)) this.addEdge(from, to, how, symbol.init, file);
      });
      for (const write of facts.writes) {
        const to = instance.nodeOf[write.symbol]!;
        if (to < 0 || !write.value) continue;
        for (const from of sources(write.value)) this.addEdge(from, to, 'write', write, file);
      }
      for (const { node, key } of instance.consumed) {
        this.consumed.push({ node, context: this.contextId(instance.helper, key) });
      }
    }
    // A part that the helper makes of its values is derived in the caller.
    component.facts.symbols.forEach((symbol, index) => {
      const to = component.nodeOf[index]!;
      const part = to < 0 ? undefined : this.helpers.partOf(component, symbol.init);
      if (!part?.expr) return;
      const inside = this.helpers.sources(part.instance, part.expr, (one) => this.sources(component, one));
      for (const from of inside) this.addEdge(from, to, 'transform', symbol.init!, component.file);
    });
  }

  /** Nodes whose values flow into an expression. */
  private sources(component: Component, expr: ExprFact): number[] {
    const part = this.helpers.memberPart(component, expr);
    if (part?.node !== undefined) return [part.node];
    const symbols = expr.symbol !== undefined ? [expr.symbol, ...(expr.uses ?? [])] : (expr.uses ?? []);
    return [...new Set(symbols.map((symbol) => component.nodeOf[symbol]!).filter((node) => node >= 0))];
  }

  addSite(site: Site): void {
    const owner = this.project.components[site.owner]!;
    const target = this.project.components[site.target]!;
    const written = new Set(site.fact.attributes.map((one) => one.name));
    site.fact.attributes.forEach((attribute, index) => {
      if (attribute.mode === 'spread') {
        this.addSpread(site, owner, target, attribute, index, written);
        return;
      }
      const port = target.ports.get(attribute.name);
      if (!port || attribute.mode === 'key' || isKeptByWrapper(site, attribute.name)) return;
      if (port.channel === 'event') this.addListener(site, owner, port, attribute, index);
      else this.addPassed(site, owner, port, attribute, index);
      if (attribute.mode === 'two-way') this.addUpdate(site, owner, target, attribute, index);
    });
    this.addContent(site, owner, target);
  }

  /** A two-way binding writes back what the child asks for. */
  private addUpdate(
    site: Site,
    owner: Component,
    target: Component,
    attribute: AttributeFact,
    index: number,
  ): void {
    const port = target.ports.get(attribute.name);
    const written = port && target.facts.writes.some((write) => write.symbol === port.symbol);
    const event = target.ports.get(updateOf(target, attribute.name)) ?? (written ? port : undefined);
    if (!event) return;
    for (const to of this.sources(owner, attribute.value))
      this.addEdge(event.node, to, 'write', attribute.value, site.file, site.id, index);
  }

  private addPassed(site: Site, owner: Component, port: Port, attribute: AttributeFact, index: number): void {
    const { value } = attribute;
    if (value.kind === 'function' || value.kind === 'content') return;
    const identity =
      value.kind === 'identity' ||
      this.helpers.memberPart(owner, value)?.node !== undefined ||
      // A value of a module as it is, or what its box holds.
      (value.component !== undefined && /^\w+(\.value)?$/.test(value.component));
    for (const from of this.sources(owner, value)) {
      const how = !identity
        ? 'transform'
        : this.flow.nodes[from]!.name === publicName(port.name)
          ? 'pass'
          : 'rename';
      this.addEdge(from, port.node, how, value, site.file, site.id, index);
    }
  }

  private addSpread(
    site: Site,
    owner: Component,
    target: Component,
    attribute: AttributeFact,
    index: number,
    written: Set<string>,
  ): void {
    const { value } = attribute;
    if (value.kind === 'object') {
      for (const member of value.members ?? []) {
        const port = target.ports.get(member.name);
        if (!port || written.has(member.name)) continue;
        const fact: AttributeFact = { ...attribute, name: member.name, value: member.value };
        if (port.channel === 'event') this.addListener(site, owner, port, fact, index);
        else this.addPassed(site, owner, port, fact, index);
      }
      return;
    }
    if (value.kind !== 'identity') return;
    const symbol = owner.facts.symbols[value.symbol!]!;
    if (symbol.kind !== 'bag' && symbol.kind !== 'rest') return;
    for (const name of carried(owner, symbol.except ?? [], target)) {
      if (written.has(name)) continue;
      const from = owner.ports.get(name)!;
      const to = target.ports.get(name)!;
      if (to.channel === 'event') this.addEdge(to.node, from.node, 'pass', value, site.file, site.id, index);
      else this.addEdge(from.node, to.node, 'pass', value, site.file, site.id, index);
    }
  }

  /** What the owner does when the child raises an event. */
  private addListener(
    site: Site,
    owner: Component,
    port: Port,
    attribute: AttributeFact,
    index: number,
  ): void {
    const { value } = attribute;
    const at = { file: site.file, site: site.id, index };
    if (value.kind === 'identity') {
      const symbol = owner.facts.symbols[value.symbol!]!;
      const node = owner.nodeOf[value.symbol!]!;
      if (symbol.kind === 'prop') {
        const how = symbol.port === port.name ? 'pass' : 'rename';
        this.addEdge(port.node, node, how, value, at.file, at.site, at.index);
      } else if (symbol.kind === 'setter') {
        this.addEdge(port.node, owner.nodeOf[symbol.of!]!, 'write', value, at.file, at.site, at.index);
      } else if (symbol.kind === 'handler' && symbol.fn !== undefined) {
        this.addEffects(port, owner, symbol.fn, at, value.symbol!, value);
      } else {
        const callable = this.helpers.callables.get(`${owner.id}:${value.symbol!}`);
        if (callable) this.addHelperEffects(port, callable, at, value);
      }
      return;
    }
    if (value.kind === 'function' && value.fn !== undefined) {
      this.addEffects(port, owner, value.fn, at, -1, value);
      return;
    }
    const callable = this.helpers.memberPart(owner, value)?.callable;
    if (callable) {
      this.addHelperEffects(port, callable, at, value);
      return;
    }
    // A callback picked, wrapped or made by a call.
    for (const symbol of value.uses ?? []) {
      if (owner.facts.symbols[symbol]!.kind === 'prop') {
        this.addEdge(port.node, owner.nodeOf[symbol]!, 'transform', value, at.file, at.site, at.index);
      }
    }
  }

  private addEffects(
    port: Port,
    owner: Component,
    fn: number,
    at: { file: number; site: number; index: number },
    named: number,
    value: ExprFact,
  ): void {
    const { facts } = owner;
    const within = reachedFunctions(owner, fn);
    let found = false;
    for (const write of facts.writes) {
      if (
        !within.has(write.fn) ||
        owner.nodeOf[write.symbol]! < 0 ||
        facts.symbols[write.symbol]!.kind !== 'state'
      )
        continue;
      found = true;
      this.addEdge(port.node, owner.nodeOf[write.symbol]!, 'write', write, at.file, at.site, at.index);
    }
    for (const write of facts.sharedWrites ?? []) {
      const to = within.has(write.fn) ? this.shared.nodeOf(owner.file, write.name) : -1;
      if (to < 0) continue;
      found = true;
      this.addEdge(port.node, to, 'write', write, at.file, at.site, at.index);
    }
    for (const emit of facts.emits) {
      if (!within.has(emit.fn) || emit.symbol < 0) continue;
      found = true;
      this.addEdge(port.node, owner.nodeOf[emit.symbol]!, 'emit', emit, at.file, at.site, at.index);
    }
    for (const inner of within) {
      for (const called of facts.functions[inner]!.calls) {
        const callable = this.helpers.callables.get(`${owner.id}:${called}`);
        if (callable && this.addHelperEffects(port, callable, at, value)) found = true;
      }
    }
    if (found || named < 0) return;
    const symbol = facts.symbols[named]!;
    if (owner.nodeOf[named]! < 0) {
      owner.nodeOf[named] = this.addNode({
        component: owner.id,
        channel: 'local',
        name: symbol.name,
        symbol: named,
        place: { file: owner.file, start: symbol.start, end: symbol.end },
      });
    }
    this.addEdge(port.node, owner.nodeOf[named]!, 'listen', value, at.file, at.site, at.index);
  }

  /** What a function of a helper writes, in the state that it keeps for its caller. */
  private addHelperEffects(
    port: Port,
    callable: Callable,
    at: { file: number; site: number; index: number },
    value: ExprFact,
  ): boolean {
    const targets = this.helpers.writtenBy(callable);
    for (const node of targets) this.addEdge(port.node, node, 'write', value, at.file, at.site, at.index);
    return targets.length > 0;
  }

  /** Content that is nothing but a slot of the owner is that slot, handed on. */
  private addContent(site: Site, owner: Component, target: Component): void {
    const slot = target.ports.get(target.facts.traits.contentPort);
    if (!slot) return;
    for (const node of this.outletsIn(owner).get(site.node) ?? []) {
      const from = owner.ports.get(node.outlet!);
      if (from?.channel === 'slot') {
        this.addEdge(from.node, slot.node, 'fill', node, site.file, site.id);
      }
    }
  }

  private readonly outlets = new Map<number, Map<number, RenderFact[]>>();
  /** Outlets nested in call sites, by the call site's node. */
  private outletsIn(owner: Component): Map<number, RenderFact[]> {
    let found = this.outlets.get(owner.id);
    if (found) return found;
    this.outlets.set(owner.id, (found = new Map()));
    for (const node of owner.facts.render) {
      if (node.kind !== 'outlet' || node.slot !== undefined) continue;
      const list = found.get(node.parent);
      if (list) list.push(node);
      else found.set(node.parent, [node]);
    }
    return found;
  }

  addContexts(): void {
    for (const { node, context } of this.foreign) this.joinAll(node, context);
    const contexts = this.project.contexts();
    const joined = new Set<number>();
    const nodes = contexts.providers.map((provider) => {
      const owner = this.project.components[provider.component]!;
      const node = this.addProvider(owner, provider.key.name, provider.place, provider.value);
      const below = contexts.below(provider);
      for (const consumer of this.consumed) {
        const { place, component } = this.flow.nodes[consumer.node]!;
        if (consumer.context !== provider.key.id || !below.components.has(component)) continue;
        joined.add(consumer.node);
        this.addEdge(node, consumer.node, 'consume', place, place.file);
      }
      return { node, provider };
    });
    // Where nobody sees which provider is above, any of them may be.
    for (const consumer of this.consumed) {
      if (joined.has(consumer.node)) continue;
      for (const { node, provider } of nodes) {
        if (provider.key.id !== consumer.context) continue;
        const { place } = this.flow.nodes[consumer.node]!;
        this.addEdge(node, consumer.node, 'consume', place, place.file);
      }
    }
  }
}
