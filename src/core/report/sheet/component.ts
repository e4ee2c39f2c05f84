/** A component in the words of a sheet: what it takes, keeps, works out, raises, provides, gets and offers. */
import type { Linked } from '../../link';
import type { Consumer } from '../../link/5-contexts/context-types';
import { raises } from '../../link/4-ports/emission';
import { isUsed, useOf } from '../../link/4-ports/use-of-ports';
import { ANY_MEMBER } from '../../model/code';
import { groupBy } from '../../model/group-by';
import type { Component, FlowEdge, FlowNode, Place, Port } from '../../model/project';
import type {
  SheetAction,
  SheetComponent,
  SheetProperty,
  SheetType,
  SheetValue,
} from '../../readers/sheet/schema';
import type { SheetActions } from './actions';
import { isGiven, propertyName, type SheetKind, type SheetNames } from './names';
import type { SheetTrees } from './tree';
import { sheetType, typeOfSymbol } from './types';
import { flat, literal, type SheetValues } from './values';

const NOTHING: ReadonlyMap<number, string> = new Map();

export class SheetComponents {
  private readonly nodes: Map<number, FlowNode[]>;
  /** Edges by which something is called, by the component that calls. */
  private readonly called: Map<number, FlowEdge[]>;
  /** Consumers by where they ask. */
  private readonly consumers: Map<string, Consumer>;

  constructor(
    private readonly project: Linked,
    private readonly names: SheetNames,
    private readonly values: SheetValues,
    private readonly actions: SheetActions,
    private readonly trees: SheetTrees,
  ) {
    const { flow, contexts } = project;
    this.nodes = groupBy(flow.nodes, (one) => one.component);
    this.called = groupBy(
      flow.edges.filter((one) => one.how === 'call'),
      (one) => flow.nodes[one.from]!.component,
    );
    this.consumers = new Map(contexts.consumers.map((one) => [askedAt(one.component, one.place), one]));
  }

  of(component: Component): SheetComponent {
    const nodes = this.nodes.get(component.id) ?? [];
    const kind = (wanted: SheetKind) =>
      nodes.filter(({ id }) => {
        const named = this.names.of(id);
        return named?.kind === wanted && named.owner === component.id;
      });
    const record = <T>(list: FlowNode[], value: (node: FlowNode) => T | undefined): Record<string, T> =>
      Object.fromEntries(
        list.flatMap((node): [string, T][] => {
          const found = value(node);
          return found === undefined ? [] : [[this.names.of(node.id)!.name, found]];
        }),
      );
    const starts = new Set<number>();
    const whole = {
      takes: record(kind('prop'), (node) => this.property(node.port!)),
      keeps: record(kind('state'), (node) => this.state(component, node, starts)),
      derives: record(kind('derived'), (node) => this.derived(component, node)),
      handles: kind('handle').map((node) => this.names.of(node.id)!.name),
      raises: record(kind('event'), (node) => this.payload(node.port!)),
      needs: this.needs(component),
      provides: this.values.provided(
        kind('provided').filter((one) => !this.names.isInGroup(one.id)),
        component.id,
        (node, value) => this.actions.withHeld(node, component.id, value),
      ),
      consumes: record(kind('consumed'), (node) => this.consumed(component, node)),
    };
    for (const { key, node } of this.names.passedBy(component.id))
      if (!this.values.isLocal(node)) whole.provides[key] = `$${this.names.of(node)!.name}`;
    for (const key of this.names.passedInto(component.id)) whole.consumes[key] = {};
    const offers: NonNullable<SheetComponent['offers']> = record(kind('offered'), (node) =>
      this.offered(component, node),
    );
    for (const [name, value] of this.readThroughHandles(component)) offers[name] ??= value;
    for (const { members } of component.facts.exposes ?? [])
      for (const { name } of members) offers[propertyName(name)] ??= this.exposed(component, name);
    const does = this.does(component, nodes, starts);
    const tree = this.trees.of(component);
    const reads = this.reads(component, nodes);
    if (reads.length) tree.push({ text: reads.length > 1 ? { mix: reads } : reads[0]! });
    const all: SheetComponent = { ...whole, does, offers, tree };
    for (const key of Object.keys(all) as (keyof SheetComponent)[])
      if (!Object.keys(all[key]!).length) delete all[key];
    return all;
  }

  private property(port: Port): SheetProperty {
    const type = sheetType(this.project.types, port.type);
    const { default: fallback } = port;
    const written = fallback?.kind === 'literal' && fallback.type?.t === 'lit' ? fallback.type.v : undefined;
    if (written !== undefined) return { type, default: written };
    return port.required ? { type, required: true } : { type, required: false };
  }

  /** What an event carries: nothing, or the type of the first that it is raised with. */
  private payload(port: Port): SheetType | null {
    const { types } = this.project;
    const shape = port.type && types.resolve(port.type);
    const [first] = shape?.k === 'fn' ? shape.params : [];
    if (first) return sheetType(types, first.type);
    return shape?.k === 'fn' && !this.into(port.node).some((edge) => edge.put?.[0]?.startsWith('(0'))
      ? null
      : 'any';
  }

  private state(
    component: Component,
    { id, symbol }: FlowNode,
    starts: Set<number>,
  ): { type?: SheetType; starts?: SheetValue } {
    const type = typeOfSymbol(this.project.types, component, symbol);
    const init = component.facts.symbols[symbol]?.init;
    const edges = this.project.flow.into[id]!.filter((index) => {
      const { place, how, site } = this.project.flow.edges[index]!;
      const within =
        init && place.file === component.file && init.start <= place.start && place.end <= init.end;
      // What is worked out and written, too, starts as what it is worked out of.
      return site < 0 && (how === 'transform' || (how === 'write' && within));
    });
    const value = this.values.of(
      edges.map((index) => this.project.flow.edges[index]!),
      component.id,
      NOTHING,
    );
    for (const index of edges) starts.add(index);
    const written = init?.type?.t === 'lit' && init.type.v !== undefined ? literal(init.type.v) : undefined;
    const first = value ?? written;
    return { ...type, ...(first === undefined ? {} : { starts: first }) };
  }

  private derived(
    component: Component,
    { id, symbol }: FlowNode,
  ): { from: SheetValue[]; type?: SheetType } | undefined {
    if (this.values.isLocal(id)) return undefined;
    const value = this.actions.withHeld(
      id,
      component.id,
      this.values.of(this.into(id), component.id, NOTHING),
    );
    const from = value === undefined ? [{ some: 'any' } satisfies SheetValue] : flat([value]);
    return { from, ...typeOfSymbol(this.project.types, component, symbol) };
  }

  /** What instances must do besides giving what it takes. */
  private needs({ ports }: Component): NonNullable<SheetComponent['needs']> {
    const of = (channel: Port['channel']) =>
      [...ports.values()].flatMap((port) =>
        port.required && port.channel === channel ? [this.names.of(port.node)!.name] : [],
      );
    const [heard, filled] = [of('event'), of('slot')];
    return { ...(heard.length ? { heard } : {}), ...(filled.length ? { filled } : {}) };
  }

  private consumed({ id: component }: Component, { place }: FlowNode): { missing?: 'ok' } {
    const { hasDefault } = this.project.contexts;
    const one = this.consumers.get(askedAt(component, place));
    return one?.missing === 'handled' || (one && hasDefault(one.key)) ? { missing: 'ok' } : {};
  }

  private offered(component: Component, { id }: FlowNode): SheetAction[] {
    const out = this.project.flow.out[id]!.map((index) => this.project.flow.edges[index]!);
    return this.actions.of(out, component.id);
  }

  /** Values that others read through handles to it. */
  private readThroughHandles(component: Component): [string, SheetValue][] {
    return component.calledAt.flatMap((site) => {
      const edges = this.trees.at(site).filter((one) => one.how === 'attach' && one.way === 'out');
      return [...groupBy(edges, (one) => one.put?.[1] ?? '')].flatMap(
        ([member, all]): [string, SheetValue][] => {
          const value = this.values.of(
            all.map((one) => ({ ...one, put: undefined })),
            component.id,
            NOTHING,
          );
          return member && value !== undefined ? [[member, value]] : [];
        },
      );
    });
  }

  /** What it makes public, whoever uses it: a value that it keeps, or something to call. */
  private exposed(component: Component, name: string): SheetValue | SheetAction[] {
    const value = component.facts.exposes
      ?.flatMap((one) => one.value?.members ?? [])
      .find((one) => one.name === name);
    const symbol = value ? value.value.symbol : component.facts.symbols.findIndex((one) => one.name === name);
    const named = this.names.of(component.nodeOf[symbol ?? -1] ?? -1);
    return named?.owner === component.id && READ.has(named.kind) ? `$${named.name}` : [];
  }

  /** What happens in it of itself. */
  private does(component: Component, nodes: FlowNode[], starts: Set<number>): SheetAction[] {
    const { flow } = this.project;
    const indexes = new Set(
      nodes.flatMap(({ id }) => [...flow.out[id]!, ...flow.into[id]!]).filter((index) => !starts.has(index)),
    );
    const inner = [...indexes]
      .map((index) => flow.edges[index]!)
      .filter((edge) => edge.site < 0 && edge.how !== 'consume' && edge.how !== 'provide')
      .filter(({ from }) => {
        const named = this.names.of(from);
        // What is done with what content is given is told where that content is.
        if (named?.kind === 'offered' || this.values.isLocal(from)) return false;
        return named?.owner === undefined || named.owner === component.id;
      })
      .filter(({ to, how }) => {
        // That something got is called is told by what it is called with.
        const { owner } = this.names.of(to) ?? {};
        return how !== 'call' || owner === undefined || owner === component.id;
      });
    const actions = this.actions.of(inner, component.id);
    const raised = new Set(actions.flatMap((one) => ('raise' in one ? [one.raise] : [])));
    for (const port of component.ports.values()) {
      const name = this.names.of(port.node)!.name;
      const isHandedOn = this.into(port.node).some(({ from }) => this.names.of(from)?.kind === 'event');
      if (port.channel === 'event' && !raised.has(name) && !isHandedOn && raises(component, port))
        actions.push({ raise: name, ...(this.payload(port) === null ? {} : { with: { some: 'any' } }) });
    }
    const called = this.called.get(component.id) ?? [];
    for (const { to } of called) {
      const call = this.actions.callTo(to, component.id);
      if (call && !actions.some((one) => 'call' in one && one.call === call)) actions.push({ call });
    }
    const calls = new Set(actions.flatMap((one) => ('call' in one ? [one.call] : [])));
    for (const { id } of nodes) {
      const named = this.names.of(id);
      if (named?.kind !== 'prop') continue;
      const out = flow.out[id]!.map((index) => flow.edges[index]!).filter(({ way }) => way === 'out');
      const isCalled = out.some((edge) => !isGiven(edge) && !edge.inPlace);
      if (isCalled && !calls.has(named.name)) actions.push({ call: named.name });
      actions.push(...changesOf(named.name, out, actions));
    }
    return [...actions, ...this.actions.calls(called, component.id)];
  }

  /** What it uses itself, and not only hands on. */
  private reads(component: Component, nodes: FlowNode[]): SheetValue[] {
    const { facts, ports, nodeOf } = component;
    const read = new Set(facts.reads.map((one) => nodeOf[one.symbol] ?? -1));
    for (const port of ports.values()) {
      const use = useOf(component, port);
      if (port.channel === 'prop' && isUsed(use) && !use.passes.length && !use.placed) read.add(port.node);
    }
    const values = nodes.flatMap(({ id, members }): string[] => {
      const named = this.names.of(id);
      if (!named || !read.has(id) || !READ.has(named.kind) || this.values.isLocal(id)) return [];
      const name = `$${named.owner === undefined ? 'shared.' : ''}${named.name}`;
      return members?.length ? members.map((one) => `${name}.${one}`) : [name];
    });
    const shared = [...read].flatMap((id) => {
      const named = this.names.of(id);
      return named && named.owner === undefined && READ.has(named.kind) ? [`$shared.${named.name}`] : [];
    });
    // What it reads through its handles.
    const held = nodes.flatMap(({ id }): string[] => {
      const named = this.names.of(id);
      if (named?.kind !== 'handle') return [];
      return this.into(id).flatMap(({ how, put }) =>
        how === 'attach' && put?.[1] ? [`$${named.name}.${put[1]}`] : [],
      );
    });
    return [...new Set([...values, ...shared, ...held])];
  }

  private into(node: number): FlowEdge[] {
    return this.project.flow.into[node]!.map((index) => this.project.flow.edges[index]!).filter(
      (one) => !isGiven(one),
    );
  }
}

/** What is changed of what it was given, by whatever it does, where that is not said already. */
function changesOf(name: string, out: FlowEdge[], said: SheetAction[]): SheetAction[] {
  const known = new Set(said.flatMap((one) => ('set' in one ? [one.set] : [])));
  const ways = out.flatMap(({ inPlace, take }) =>
    inPlace ? [[name, ...(take ?? [ANY_MEMBER])].join('.')] : [],
  );
  return [...new Set(ways)].filter((way) => !known.has(way)).map((set) => ({ set, to: { some: 'any' } }));
}

const askedAt = (component: number, { file, start }: Place): string => `${component} ${file} ${start}`;

const READ = new Set<SheetKind>(['prop', 'state', 'derived', 'consumed']);
