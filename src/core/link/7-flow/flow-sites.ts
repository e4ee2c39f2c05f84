/** The flow over call sites: what is handed down, what comes back up, and what content is given to show. */
import type { AttributeFact, ComponentFacts, ExprFact, RenderFact } from '../../model/facts';
import { pushTo } from '../../model/group-by';
import { publicName } from '../../model/names';
import type { Component, How, Place, Port, Site } from '../../model/project';
import type { Callable } from '../6-values/callables';
import { calledPorts, isWritten } from '../4-ports/called';
import type { EdgeOf, FlowGraph } from './flow-graph';
import { ContentFlow } from './flow-content';
import { HandleFlow } from './flow-handles';
import type { Frame } from '../6-values/frames';
import { type Joint, placeOf } from './joint';
import { carried, isKeptByWrapper, updateOf, updatesOf } from '../3-tags/sites';
import { given, RAISED } from './raised';
import type { Source } from '../6-values/values';

/** A spread of what is not written out is followed name by name into components that take so many. */
const MAX_SPREAD = 60;

export class SiteFlow {
  private readonly handles: HandleFlow;
  private readonly content: ContentFlow;

  constructor(private readonly graph: FlowGraph) {
    this.handles = new HandleFlow(graph);
    this.content = new ContentFlow(graph);
  }

  private readonly joints = new Map<Site, Joint[]>();
  private uses = 0;
  /** A call site in a function of the project is one for each use of that function. */
  jointsOf(site: Site): Joint[] {
    const known = this.joints.get(site);
    if (known) return known;
    const { components, sites } = this.graph.project;
    const owner = components[site.owner]!;
    const joints = this.graph.frames.running(owner).map((frame, index): Joint => {
      // In a wrapper, what is drawn is what stands at the call site of that.
      const own = site.behind === undefined ? {} : { call: site.behind };
      const over = frame.code === frame.owner ? own : { call: sites.length + this.uses++ };
      return {
        site,
        owner,
        target: components[site.target]!,
        frame,
        over: { site: site.id, ...over },
        first: index === 0,
      };
    });
    this.joints.set(site, joints);
    return joints;
  }

  open(site: Site): void {
    for (const joint of this.jointsOf(site)) this.content.open(joint);
  }

  add(site: Site): void {
    for (const joint of this.jointsOf(site)) this.addJoint(joint);
  }

  private addJoint(joint: Joint): void {
    const { site } = joint;
    const written = new Set(site.fact.attributes.map((one) => one.name));
    site.fact.attributes.forEach((attribute, index) => {
      if (attribute.mode === 'spread') this.addSpread(joint, attribute, index, written);
      else if (attribute.mode === 'ref') this.handles.add(joint, attribute, index);
      else this.addAttribute(joint, attribute, index);
    });
    this.addContent(joint);
    this.content.add(joint);
  }

  private addAttribute(joint: Joint, attribute: AttributeFact, index: number): void {
    const { site, target } = joint;
    const port = target.ports.get(attribute.name);
    if (!port && attribute.mode === 'listen') this.addRisen(joint, attribute);
    if (!port || attribute.mode === 'key' || isKeptByWrapper(site, attribute.name)) return;
    this.addGiven(joint, port, attribute, index);
    if (attribute.mode === 'two-way') this.addUpdate(joint, attribute, index);
  }

  /** An event that arrives from further down leaps over all that is in between. */
  private addRisen({ site, owner, frame }: Joint, { name, value }: AttributeFact): void {
    for (const port of this.graph.project.rising.arriving(owner, site.node, name)) {
      const at = placeOf(site, value);
      for (const callable of this.graph.callables.of(frame, value))
        if (callable.kind !== 'port')
          for (const effect of this.graph.effects.of(callable, at))
            this.graph.addEffect(port.node, effect, effect.place);
    }
  }

  /** What is handed to a port: a value goes down; a function is what happens when the child calls it. */
  private addGiven(joint: Joint, port: Port, attribute: AttributeFact, index: number): void {
    const { value } = attribute;
    // Content is drawn, whatever it is; only what it is given flows through it.
    if (port.channel === 'slot') {
      this.addPassed(joint, port, value, index);
      return;
    }
    const callables = this.calledBy(joint, port, value, []);
    if (port.channel === 'event' || callables.length) this.addListener(joint, port, value, callables, index);
    if (joint.first && port.channel === 'event' && !this.graph.parts.isPlain(joint.frame, value)) {
      const { site } = joint;
      this.graph.count('handler', callables.length > 0, placeOf(site, value), publicName(port.name));
    }
    if (port.channel === 'event') return;
    // A function goes nowhere: what calls it leads back here. What it gives back it is worked out of.
    if (callables.length) this.addAnswers(joint, port, callables, placeOf(joint.site, value), index);
    // Which one a state holds is a value all the same.
    const isKept =
      value.symbol !== undefined && joint.frame.code.facts.symbols[value.symbol]!.kind === 'state';
    if (!callables.length || isKept) this.addPassed(joint, port, value, index);
  }

  /** What the child calls when it calls what a port was handed: a prop of the owner only if it calls that port at all. */
  private calledBy({ frame }: Joint, port: Port, value: ExprFact, path: string[]): Callable[] {
    return this.graph.callables
      .of(frame, value, path)
      .filter(
        (one) =>
          port.channel === 'event' ||
          (one.kind === 'port' ? this.isCalled(port) : one.kind !== 'function' || !one.wrapped),
      );
  }

  private readonly answering = new Set<Port>();
  /** Ports that are handed on where they may be called, with the way to the port that they are handed to. */
  private readonly handedOn = new Map<Port, { port: Port; at: Place; edge: EdgeOf }[]>();

  /** What functions that a port is handed give back, which do nothing else. */
  private addAnswers({ over }: Joint, port: Port, callables: Callable[], at: Place, attribute: number): void {
    const edge = { how: 'transform', ...over, way: 'in', attribute } as const;
    for (const one of callables) {
      if (one.kind !== 'port') continue;
      const how = one.port.name === port.name ? 'pass' : 'rename';
      pushTo(this.handedOn, one.port, { port, at, edge: { ...edge, how } });
    }
    const sources = this.graph.answersOf(callables, at);
    this.graph.addSources(sources, port.node, at, edge);
    if (sources.length) this.answering.add(port);
  }

  /** Functions that give something back, as far as they are handed on. */
  addAnswersHandedOn(): void {
    // What is handed on further is looked at in turn.
    for (const from of this.answering)
      for (const { port, at, edge } of this.handedOn.get(from) ?? []) {
        this.graph.addEdge(from.node, port.node, at, edge);
        this.answering.add(port);
      }
  }

  private called: Set<Port> | undefined;
  /** Whether what is handed to a port is called, here or further down. */
  private isCalled(port: Port): boolean {
    this.called ??= calledPorts(this.graph.project, this.graph.calledInHelpers);
    return this.called.has(port);
  }

  private addPassed({ site, frame, over }: Joint, port: Port, value: ExprFact, attribute: number): void {
    if (value.kind === 'function' || value.kind === 'content') return;
    const sources = this.graph.values.sources(frame, value);
    const [only, ...others] = sources.filter((one) => !one.decides);
    const exact = only?.exact === true && !others.length && !only.put.length;
    const at = placeOf(site, value);
    for (const one of sources) {
      const how: How =
        !exact || one.decides ? 'transform' : this.nameOf(one) === publicName(port.name) ? 'pass' : 'rename';
      this.graph.addSources([one], port.node, at, { how, ...over, way: 'in', attribute });
    }
  }

  /** The name under which a value is known at its source. */
  private nameOf({ node, take }: Source): string {
    return take.at(-1) ?? this.graph.flow.nodes[node]!.name;
  }

  /** What the owner does when the child raises an event, or calls what it was given. */
  private addListener(
    { site, frame, owner, over }: Joint,
    port: Port,
    value: ExprFact,
    callables: Callable[],
    attribute: number,
  ): void {
    const at = placeOf(site, value);
    const edge = { ...over, way: 'out', attribute } as const;
    for (const callable of callables) {
      if (callable.kind === 'port') {
        const exact = value.kind === 'identity' && callables.length === 1;
        const same = callable.port.name === port.name;
        this.graph.addEdge(port.node, callable.port.node, at, {
          ...edge,
          how: exact ? (same ? 'pass' : 'rename') : 'transform',
        });
        continue;
      }
      for (const effect of this.graph.effects.of(callable, at)) {
        const place = callable.kind === 'setter' ? at : effect.place;
        this.graph.addEffect(port.node, effect, place, edge);
      }
    }
    if (callables.length) return;
    // A callback picked, wrapped or made by a call.
    for (const symbol of value.uses ?? []) {
      if (owner.facts.symbols[symbol]!.kind === 'prop')
        this.graph.addEdge(port.node, frame.nodeOf[symbol]!, at, { ...edge, how: 'transform' });
    }
  }

  /** A two-way binding writes back what the child asks for. */
  private addUpdate(
    { site, frame, target, over, first }: Joint,
    attribute: AttributeFact,
    index: number,
  ): void {
    const { value, name } = attribute;
    const port = target.ports.get(name);
    const written = port && isWritten(target, port);
    const event = target.ports.get(updateOf(target, attribute)) ?? (written ? port : undefined);
    if (first)
      this.graph.count('binding', event !== undefined || target.open, placeOf(site, value), publicName(name));
    if (!event) return;
    this.addToSetter(frame, value, event.node, placeOf(site, value), {
      ...over,
      way: 'out',
      attribute: index,
    });
    for (const { node, take, put, decides } of this.boundTo(frame, attribute)) {
      if (decides) continue;
      // What is itself bound further up is written by asking for that.
      const own = this.graph.flow.nodes[node]!.port;
      const asks =
        own &&
        updatesOf(frame.code, own.name)
          .map((one) => frame.code.ports.get(one))
          .find((one) => one);
      // What the child asks for is what it raises the event with; where it writes its input, what that then holds.
      for (const member of event.channel === 'event' ? [RAISED, given(0)] : [undefined]) {
        const taken = member === undefined ? put : member === RAISED ? [RAISED] : [member, ...put];
        this.graph.addEdge(event.node, asks?.node ?? node, placeOf(site, value), {
          how: asks ? 'emit' : 'write',
          ...over,
          way: 'out',
          attribute: index,
          take: taken,
          put: asks ? [member ?? given(0)] : take,
        });
      }
    }
  }

  /** What a binding is bound to; of one under a name that is worked out, what holds all names, and not what gives the name. */
  private boundTo(frame: Frame, { value, start, end }: AttributeFact): Source[] {
    const { kind, symbol, sets, path = [] } = value;
    // What is handed back, the function that is called with it keeps as it likes.
    if (sets !== undefined && kind === 'computed') return [];
    const place = ({ node, path }: { node: number; path: string[] }): Source => ({
      node,
      take: path,
      put: [],
      exact: true,
    });
    if (kind === 'identity' || kind === 'member') {
      const isEntry = frame.code.facts.symbols[symbol!]!.kind === 'loop';
      const entries = isEntry ? this.graph.effects.writtenEntry(frame, symbol!, path).map(place) : [];
      return entries.length ? entries : this.keptIn(frame, value);
    }
    const back = frame.code.facts.writes.find((one) => one.start === start && one.end === end);
    if (!back) return this.keptIn(frame, value).filter((one) => !one.made);
    return this.graph.effects.written(frame, back.symbol, back.path ?? []).map(place);
  }

  /** What a binding is bound to: a member of what a context holds is kept where that lives. */
  private keptIn(frame: Frame, value: ExprFact): Source[] {
    const sources = this.graph.values.sources(frame, value);
    const { symbol, path = [] } = value;
    const isHeld = sources.some(({ node }) => this.graph.flow.nodes[node]!.channel === 'context');
    if (!isHeld || symbol === undefined) return sources;
    const kept = this.graph.effects.written(frame, symbol, path);
    return kept.length
      ? kept.map((one) => ({ node: one.node, take: one.path, put: [], exact: true }))
      : sources;
  }

  /** What is written to a value with a setter of its own is what that is called with. */
  private addToSetter(
    frame: Frame,
    { kind, symbol, sets: own }: ExprFact,
    from: number,
    at: Place,
    edge: Omit<EdgeOf, 'how'>,
  ): void {
    const sets = kind === 'identity' ? frame.code.facts.symbols[symbol!]!.init?.sets : own;
    if (sets === undefined) return;
    for (const effect of this.graph.effects.of({ kind: 'function', frame, fn: sets }, at))
      this.graph.addEffect(from, effect, effect.place, edge);
  }

  private addSpread(joint: Joint, attribute: AttributeFact, index: number, written: Set<string>): void {
    const { site, owner, target, frame, over } = joint;
    const { value } = attribute;
    const named = value.kind === 'object' ? value : objectGiven(frame.code.facts, value);
    for (const member of named?.members ?? []) {
      const port = target.ports.get(member.name);
      if (port && !written.has(member.name))
        this.addGiven(joint, port, { ...attribute, name: member.name, value: member.value }, index);
    }
    const rests = named ? (named.spreads ?? []) : [value];
    for (const rest of rests) {
      const either = objectsOf(rest);
      if (either) {
        for (const one of either) this.addSpread(joint, { ...attribute, value: one }, index, written);
        continue;
      }
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
        const edge = { how: 'pass', ...over, attribute: index } as const;
        if (to.channel === 'event') this.graph.addEdge(to.node, from.node, at, { ...edge, way: 'out' });
        else this.graph.addEdge(from.node, to.node, at, { ...edge, way: 'in' });
      }
    }
  }

  /** The members of an object that is spread, as far as they are known to be there. */
  private addMembers(joint: Joint, value: ExprFact, index: number, written: Set<string>): void {
    const { site, target, frame, over } = joint;
    const at = placeOf(site, value);
    for (const port of target.ports.values()) {
      if (written.has(port.name)) continue;
      const callables = this.calledBy(joint, port, value, [port.name]);
      for (const callable of callables)
        for (const effect of this.graph.effects.of(callable, at))
          this.graph.addEffect(port.node, effect, at, { ...over, way: 'out', attribute: index });
      if (port.channel === 'event') continue;
      this.addAnswers(joint, port, callables, at, index);
      // Of a value that is not written out, nobody knows whether it has the member.
      const wide = target.ports.size > MAX_SPREAD;
      const sources = this.graph.values
        .sources(frame, value, [port.name])
        .filter((one) => one.exact && (!wide || !one.take.length));
      const given = this.graph.values.returned(frame, value, port.name);
      this.graph.addSources([...sources, ...given], port.node, at, {
        how: 'pass',
        ...over,
        way: 'in',
        attribute: index,
      });
    }
  }

  /** Content that is nothing but a slot of the owner is that slot, handed on. */
  private addContent(joint: Joint): void {
    const { site, owner, target, over } = joint;
    const slot = target.ports.get(target.facts.traits.contentPort);
    for (const node of this.outletsIn(owner).get(site.node) ?? []) {
      const from = owner.ports.get(node.outlet!);
      const into = node.slot === undefined ? slot : target.ports.get(node.slot);
      if (from?.channel !== 'slot' || !into) continue;
      this.graph.addEdge(from.node, into.node, placeOf(site, node), { how: 'fill', ...over, way: 'in' });
    }
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
      pushTo(found, parent, here);
    }
    return found;
  }
}

/** The object that a parameter is, where its function is given one that is written out, and is given it once. */
function objectGiven(
  { symbols, functions }: ComponentFacts,
  { kind, symbol }: ExprFact,
): ExprFact | undefined {
  const { kind: what, within = -1, index = -1, path = [] } = kind === 'identity' ? symbols[symbol!]! : {};
  const [only, ...others] = what === 'param' && within >= 0 ? (functions[within]!.given ?? []) : [];
  if (!only || others.length) return undefined;
  const found = path.reduce<ExprFact | undefined>(
    (whole, name) => whole?.members?.find((one) => one.name === name)?.value,
    only[index],
  );
  return found?.kind === 'object' ? found : undefined;
}

/** `wide ? { wind } : {}`: the objects of which it is one; undefined for anything else. */
const objectsOf = ({ kind, gives }: ExprFact): ExprFact[] | undefined =>
  kind === 'computed' && gives?.length && gives.every((one) => /^(object|literal)$/.test(one.kind))
    ? gives.filter((one) => one.kind === 'object')
    : undefined;
