/** The flow over call sites: what is handed down, what comes back up, and what content is given to show. */
import type { AttributeFact, ExprFact, RenderFact, SymbolFact } from '../model/facts';
import { publicName } from '../model/names';
import type { Component, How, Place, Port, Project, Site } from '../model/project';
import type { FlowBuilder } from './flow';
import type { Frame } from './frames';
import { carried, isKeptByWrapper, updateOf } from './sites';
import type { Callable, Source } from './values';

/** A spread of what is not written out is followed name by name into components that take so many. */
const MAX_SPREAD = 60;

/** A call site with the frames of both sides. */
interface Joint {
  site: Site;
  owner: Component;
  target: Component;
  frame: Frame;
}

export class SiteFlow {
  constructor(private readonly flow: FlowBuilder) {}

  private jointOf(site: Site): Joint {
    const { components } = this.flow.project;
    const owner = components[site.owner]!;
    return { site, owner, target: components[site.target]!, frame: this.flow.frames.of(owner) };
  }

  /** Parameters of content are nodes where the child gives them something. */
  open(site: Site): void {
    const joint = this.jointOf(site);
    for (const { port, fn } of contentOf(joint)) {
      if (!givenTo(joint.target, port).length) continue;
      joint.owner.facts.symbols.forEach((symbol, index) => {
        if (isParameter(symbol, fn)) this.openParameter(joint.frame, symbol, index);
      });
    }
  }

  private openParameter(frame: Frame, symbol: SymbolFact, index: number): void {
    if (frame.nodeOf[index]! >= 0) return;
    frame.nodeOf[index] = this.flow.addNode({
      component: frame.owner.id,
      channel: 'local',
      name: symbol.name,
      symbol: index,
      place: { file: frame.code.file, start: symbol.start, end: symbol.end },
    });
  }

  add(site: Site): void {
    const joint = this.jointOf(site);
    const written = new Set(site.fact.attributes.map((one) => one.name));
    site.fact.attributes.forEach((attribute, index) => {
      if (attribute.mode === 'spread') this.addSpread(joint, attribute, index, written);
      else if (attribute.mode === 'ref') this.addHandle(joint, attribute, index);
      else this.addAttribute(joint, attribute, index);
    });
    this.addContent(joint);
    for (const { port, fn, attribute } of contentOf(joint)) this.addParameters(joint, port, fn, attribute);
  }

  private addAttribute(joint: Joint, attribute: AttributeFact, index: number): void {
    const { site, target } = joint;
    const port = target.ports.get(attribute.name);
    if (!port || attribute.mode === 'key' || isKeptByWrapper(site, attribute.name)) return;
    this.addGiven(joint, port, attribute, index);
    if (attribute.mode === 'two-way') this.addUpdate(joint, attribute, index);
  }

  /** What is handed to a port: a value goes down; a function is what happens when the child calls it. */
  private addGiven(joint: Joint, port: Port, attribute: AttributeFact, index: number): void {
    const { values } = this.flow;
    const { value } = attribute;
    // Content is drawn, whatever it is; only what it is given flows through it.
    if (port.channel === 'slot') {
      this.addPassed(joint, port, value, index);
      return;
    }
    const callables = values
      .callables(joint.frame, value)
      .filter((one) => port.channel === 'event' || one.kind !== 'port' || this.isCalled(port));
    if (port.channel === 'event' || callables.length) this.addListener(joint, port, value, callables, index);
    if (port.channel === 'event' && !values.isPlain(joint.frame, value)) {
      const { site } = joint;
      this.flow.count('handler', callables.length > 0, placeOf(site, value), publicName(port.name));
    }
    // A function goes nowhere: what calls it leads back here.
    if (port.channel !== 'event' && !callables.length) this.addPassed(joint, port, value, index);
  }

  private called: Set<Port> | undefined;
  /** Whether what is handed to a port is called, here or further down. */
  private isCalled(port: Port): boolean {
    this.called ??= calledPorts(this.flow.project);
    return this.called.has(port);
  }

  private addPassed({ site, frame }: Joint, port: Port, value: ExprFact, attribute: number): void {
    if (value.kind === 'function' || value.kind === 'content') return;
    const sources = this.flow.values.sources(frame, value);
    const exact = sources.length === 1 && sources[0]!.exact && !sources[0]!.put.length;
    const at = placeOf(site, value);
    for (const one of sources) {
      const how: How = !exact ? 'transform' : this.nameOf(one) === publicName(port.name) ? 'pass' : 'rename';
      this.flow.addSources([one], port.node, at, { how, site: site.id, way: 'in', attribute });
    }
  }

  /** The name under which a value is known at its source. */
  private nameOf({ node, take }: Source): string {
    return take.at(-1) ?? this.flow.project.flow.nodes[node]!.name;
  }

  /** What the owner does when the child raises an event, or calls what it was given. */
  private addListener(
    { site, frame, owner }: Joint,
    port: Port,
    value: ExprFact,
    callables: Callable[],
    attribute: number,
  ): void {
    const at = placeOf(site, value);
    const edge = { site: site.id, way: 'out', attribute } as const;
    for (const callable of callables) {
      if (callable.kind === 'port') {
        const exact = value.kind === 'identity' && callables.length === 1;
        const same = callable.port.name === port.name;
        this.flow.addEdge(port.node, callable.port.node, at, {
          ...edge,
          how: exact ? (same ? 'pass' : 'rename') : 'transform',
        });
        continue;
      }
      for (const effect of this.flow.effects.of(callable, at)) {
        const place = callable.kind === 'setter' ? at : effect.place;
        this.flow.addEdge(port.node, effect.node, place, { ...edge, how: effect.how, put: effect.put });
      }
    }
    if (callables.length) return;
    // A callback picked, wrapped or made by a call.
    for (const symbol of value.uses ?? []) {
      if (owner.facts.symbols[symbol]!.kind === 'prop')
        this.flow.addEdge(port.node, frame.nodeOf[symbol]!, at, { ...edge, how: 'transform' });
    }
  }

  /** A two-way binding writes back what the child asks for. */
  private addUpdate({ site, frame, target }: Joint, attribute: AttributeFact, index: number): void {
    const { value, name } = attribute;
    const port = target.ports.get(name);
    const written = port && isWritten(target, port);
    const event = target.ports.get(updateOf(target, name)) ?? (written ? port : undefined);
    this.flow.count('binding', event !== undefined || target.open, placeOf(site, value), publicName(name));
    if (!event) return;
    for (const { node, take, put } of this.flow.values.sources(frame, value)) {
      // What is itself bound further up is written by asking for that.
      const own = this.flow.project.flow.nodes[node]!.port;
      const asks = own && frame.code.ports.get(updateOf(frame.code, own.name));
      this.flow.addEdge(event.node, asks?.node ?? node, placeOf(site, value), {
        how: asks ? 'emit' : 'write',
        site: site.id,
        way: 'out',
        attribute: index,
        take: put,
        put: take,
      });
    }
  }

  private addSpread(joint: Joint, attribute: AttributeFact, index: number, written: Set<string>): void {
    const { site, owner, target, frame } = joint;
    const { value } = attribute;
    const named = value.kind === 'object' ? value : undefined;
    for (const member of named?.members ?? []) {
      const port = target.ports.get(member.name);
      if (port && !written.has(member.name))
        this.addGiven(joint, port, { ...attribute, name: member.name, value: member.value }, index);
    }
    const rests = named ? (named.spreads ?? []) : [value];
    for (const rest of rests) {
      if (rest.kind !== 'identity') {
        this.addMembers(joint, rest, index, written);
        continue;
      }
      const symbol = owner.facts.symbols[rest.symbol!]!;
      if (symbol.kind !== 'bag' && symbol.kind !== 'rest') {
        this.addMembers(joint, rest, index, written);
        continue;
      }
      const at = placeOf(site, value);
      for (const name of carried(owner, symbol.except ?? [], target)) {
        if (written.has(name)) continue;
        const from = frame.code.ports.get(name)!;
        const to = target.ports.get(name)!;
        const edge = { how: 'pass', site: site.id, attribute: index } as const;
        if (to.channel === 'event') this.flow.addEdge(to.node, from.node, at, { ...edge, way: 'out' });
        else this.flow.addEdge(from.node, to.node, at, { ...edge, way: 'in' });
      }
    }
  }

  /** The members of an object that is spread, as far as they are known to be there. */
  private addMembers(
    { site, target, frame }: Joint,
    value: ExprFact,
    index: number,
    written: Set<string>,
  ): void {
    const at = placeOf(site, value);
    for (const port of target.ports.values()) {
      if (written.has(port.name)) continue;
      const callables = this.flow.values.callables(frame, value, [port.name]);
      for (const callable of callables)
        for (const effect of this.flow.effects.of(callable, at))
          this.flow.addEdge(port.node, effect.node, at, {
            how: effect.how,
            site: site.id,
            way: 'out',
            attribute: index,
          });
      if (port.channel === 'event') continue;
      // Of a value that is not written out, nobody knows whether it has the member.
      const wide = target.ports.size > MAX_SPREAD;
      const sources = this.flow.values
        .sources(frame, value, [port.name])
        .filter((one) => one.exact && (!wide || !one.take.length));
      this.flow.addSources(sources, port.node, at, {
        how: 'pass',
        site: site.id,
        way: 'in',
        attribute: index,
      });
    }
  }

  /** A handle reaches what the child makes public. */
  private addHandle(
    { site, owner, target, frame }: Joint,
    { value }: AttributeFact,
    attribute: number,
  ): void {
    const { symbol } = value;
    const node = symbol === undefined ? -1 : frame.nodeOf[symbol]!;
    if (node < 0 || owner.facts.symbols[symbol!]!.kind !== 'ref') return;
    const at = placeOf(site, value);
    const seen = new Set<string>();
    for (const read of owner.facts.reads) {
      const member = read.symbol === symbol && read.path?.[0] === 'current' ? read.path[1] : undefined;
      if (member === undefined || seen.has(member)) continue;
      seen.add(member);
      const effects = this.flow.values
        .exposedCallables(frame, symbol!, [member])
        .flatMap((one) => this.flow.effects.of(one, at));
      if (!effects.length) continue;
      const exposed = this.exposedNode(target, member);
      this.flow.addEdge(node, exposed, at, { how: 'call', site: site.id, way: 'in', attribute });
      for (const effect of effects)
        this.flow.addEdge(exposed, effect.node, effect.place, { how: effect.how, put: effect.put });
    }
    for (const exposes of target.facts.exposes ?? []) {
      const inside = this.flow.frames.of(target);
      for (const name of seen) {
        const own = target.facts.symbols.findIndex(
          (one) => one.name === name && /^(state|derived)$/.test(one.kind),
        );
        const sources = exposes.value
          ? this.flow.values.sources(inside, exposes.value, [name])
          : own >= 0
            ? this.flow.values.symbolSources(inside, own, [], 0)
            : [];
        this.flow.addSources(sources, node, at, {
          how: 'attach',
          site: site.id,
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
      node = this.flow.addNode({ component: target.id, channel: 'ref', name, symbol: -1, place });
      this.exposed.set(key, node);
    }
    return node;
  }

  /** Content that is nothing but a slot of the owner is that slot, handed on. */
  private addContent(joint: Joint): void {
    const { site, owner, target } = joint;
    const slot = target.ports.get(target.facts.traits.contentPort);
    for (const node of this.outletsIn(owner).get(site.node) ?? []) {
      const from = owner.ports.get(node.outlet!);
      const into = node.slot === undefined ? slot : target.ports.get(node.slot);
      if (from?.channel !== 'slot' || !into) continue;
      this.flow.addEdge(from.node, into.node, placeOf(site, node), { how: 'fill', site: site.id, way: 'in' });
    }
  }

  /** What the child gives to the content that it shows arrives at the content's parameters. */
  private addParameters(
    { site, owner, target, frame }: Joint,
    port: Port,
    fn: number,
    attribute: number,
  ): void {
    const inside = this.flow.frames.of(target);
    const given = givenTo(target, port);
    if (!given.length) return;
    owner.facts.symbols.forEach((symbol, index) => {
      if (!isParameter(symbol, fn)) return;
      for (const args of given) {
        const arg = args[symbol.index!];
        const sources = arg ? this.flow.values.sources(inside, arg, symbol.path ?? []) : [];
        this.flow.addSources(sources, frame.nodeOf[index]!, placeOf(site, symbol), {
          how: 'fill',
          site: site.id,
          way: 'out',
          attribute,
        });
      }
    });
  }

  private readonly outlets = new Map<number, Map<number, RenderFact[]>>();
  /** Outlets nested in call sites, at any depth of plain elements, by the call site's node. */
  private outletsIn(owner: Component): Map<number, RenderFact[]> {
    let found = this.outlets.get(owner.id);
    if (found) return found;
    this.outlets.set(owner.id, (found = new Map()));
    const { render } = owner.facts;
    for (const node of render) {
      if (node.kind !== 'outlet') continue;
      let { parent, slot } = node;
      while (parent >= 0 && render[parent]!.kind !== 'site' && slot === undefined) {
        slot = render[parent]!.slot;
        parent = render[parent]!.parent;
      }
      const here = { ...node, ...(slot === undefined ? {} : { slot }) };
      const list = found.get(parent);
      if (list) list.push(here);
      else found.set(parent, [here]);
    }
    return found;
  }
}

const placeOf = ({ file }: Site, { start, end }: { start: number; end: number }): Place => ({
  file,
  start,
  end,
});

const isParameter = ({ kind, within, index }: SymbolFact, fn: number): boolean =>
  (kind === 'param' || kind === 'loop') && within === fn && index !== undefined;

/** Functions that a call site gives as content, by the slot that they fill. */
function contentOf({ site, target }: Joint): { port: Port; fn: number; attribute: number }[] {
  const found: { port: Port; fn: number; attribute: number }[] = [];
  site.fact.attributes.forEach(({ name, value }, attribute) => {
    const port = value.kind === 'function' ? target.ports.get(name) : undefined;
    if (port?.channel === 'slot' && value.fn !== undefined) found.push({ port, fn: value.fn, attribute });
  });
  const { only } = site.fact;
  const slot = target.ports.get(target.facts.traits.contentPort);
  if (slot && only?.kind === 'function' && only.fn !== undefined)
    found.push({ port: slot, fn: only.fn, attribute: -1 });
  return found;
}

/** Ports whose value is called as a function, by their own component or by one that it is handed to. */
function calledPorts({ components, sites }: Project): Set<Port> {
  const found = new Set<Port>();
  const feeds = new Map<Port, Port[]>();
  for (const component of components) {
    const bySymbol = new Map([...component.ports.values()].map((port) => [port.symbol, port]));
    for (const { symbol } of component.facts.emits) {
      const port = bySymbol.get(symbol);
      if (port) found.add(port);
    }
    for (const { symbol, site, node, attribute } of component.passes) {
      const port = bySymbol.get(symbol);
      if (!port || site < 0) continue;
      const { name } = component.facts.render[node]!.attributes[attribute]!;
      const into = components[sites[site]!.target]!.ports.get(name);
      if (!into) continue;
      if (into.channel === 'event') found.add(port);
      else feeds.set(into, [...(feeds.get(into) ?? []), port]);
    }
  }
  const todo = [...found];
  for (let port = todo.pop(); port; port = todo.pop()) {
    for (const from of feeds.get(port) ?? []) {
      if (found.has(from)) continue;
      found.add(from);
      todo.push(from);
    }
  }
  return found;
}

/** What a component gives to a slot, at each place where it draws it. */
const givenTo = ({ facts }: Component, port: Port): ExprFact[][] =>
  facts.emits.filter((one) => one.symbol === port.symbol && one.args.length).map((one) => one.args);

/** Whether a component writes to one of its own inputs, or hands it on to be written. */
const isWritten = ({ facts }: Component, port: Port): boolean =>
  facts.writes.some((write) => write.symbol === port.symbol) ||
  facts.render.some((node) =>
    node.attributes.some((one) => one.mode === 'two-way' && one.value.symbol === port.symbol),
  );
