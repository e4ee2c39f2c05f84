/**
 * Hooks and composables: what they keep belongs to whoever calls them, once for each call. Each call gets nodes
 * of its own for the state, the derived values and the contexts inside the helper.
 */
import type { ExprFact, SymbolFact } from '../model/facts';
import type { Component, FlowNode } from '../model/project';
import { reachedFunctions } from './functions';
import type { Linked } from './index';
import { Shared } from './shared';

/** Symbols that are nodes of their own. */
export const KEPT: Partial<Record<SymbolFact['kind'], FlowNode['channel']>> = {
  state: 'state',
  derived: 'local',
  loop: 'local',
  injected: 'context',
};

/** Helpers that call helpers are followed so far. */
const MAX_DEPTH = 5;

export interface Instance {
  helper: Component;
  /** What the caller hands over, in the caller's symbols. */
  args: ExprFact[];
  caller: Instance | undefined;
  nodeOf: Int32Array;
  consumed: { node: number; key: string }[];
  /** Helpers that the helper calls, by the index of the call. */
  inner: Map<number, Instance>;
}

/** A setter or a function of a helper, as its caller knows it. */
export interface Callable {
  instance: Instance;
  symbol: number;
}

/** A part of what a helper gives back: a value that it keeps, a function, or something made of its values. */
export interface Part {
  instance: Instance;
  node?: number;
  callable?: Callable;
  expr?: ExprFact;
}

export class Helpers {
  readonly callables = new Map<string, Callable>();
  private readonly instances = new Map<number, Map<number, Instance>>();

  constructor(
    private readonly project: Linked,
    private readonly shared: Shared,
    private readonly addNode: (node: Omit<FlowNode, 'id'>) => number,
  ) {}

  /** Makes the nodes of the helpers that a component calls. */
  open(component: Component): void {
    if (component.facts.role === 'helper') return;
    const found = this.openCalls(component, component, undefined, []);
    if (found.size) this.instances.set(component.id, found);
  }

  private openCalls(
    owner: Component,
    within: Component,
    caller: Instance | undefined,
    stack: number[],
  ): Map<number, Instance> {
    const found = new Map<number, Instance>();
    within.facts.calls.forEach((call, index) => {
      if (!call.args || stack.length >= MAX_DEPTH) return;
      const target = this.project.lookup(within.file, call.name);
      if (target.kind !== 'component' || stack.includes(target.component)) return;
      const helper = this.project.components[target.component]!;
      if (helper.facts.role !== 'helper') return;
      const instance: Instance = {
        helper,
        args: call.args,
        caller,
        nodeOf: new Int32Array(helper.facts.symbols.length).fill(-1),
        consumed: [],
        inner: new Map(),
      };
      instance.inner = this.openCalls(owner, helper, instance, [...stack, target.component]);
      this.openNodes(owner, instance);
      found.set(index, instance);
    });
    return found;
  }

  private openNodes(owner: Component, instance: Instance): void {
    const { helper, nodeOf } = instance;
    helper.facts.symbols.forEach((symbol, index) => {
      if (symbol.kind === 'shared') nodeOf[index] = this.shared.nodeOf(helper.file, symbol.port!);
      const channel = KEPT[symbol.kind];
      if (!channel || symbol.kind === 'loop') return;
      const part = this.partAt(instance.inner, symbol.init);
      if (part?.node !== undefined || part?.callable) {
        nodeOf[index] = part.node ?? -1;
        return;
      }
      nodeOf[index] = this.addNode({
        component: owner.id,
        channel,
        name: symbol.name,
        symbol: -1,
        place: { file: helper.file, start: symbol.start, end: symbol.end },
      });
    });
    for (const consume of helper.facts.consumes) {
      const node = nodeOf[consume.symbol]!;
      if (node < 0) continue;
      this.project.flow.nodes[node]!.name = consume.key;
      instance.consumed.push({ node, key: consume.key });
    }
  }

  /** Every helper instance of a component, those called by helpers first. */
  *instancesOf(component: Component): Iterable<Instance> {
    function* walk(list: Map<number, Instance>): Iterable<Instance> {
      for (const instance of list.values()) {
        yield* walk(instance.inner);
        yield instance;
      }
    }
    yield* walk(this.instances.get(component.id) ?? new Map<number, Instance>());
  }

  /** What an initial value of a component is, where a helper gave it. */
  partOf(component: Component, init: ExprFact | undefined): Part | undefined {
    return this.partAt(this.instances.get(component.id), init);
  }

  /** What a member of a helper's result is: `hold.toggle`, where `hold` is what a hook gave back. */
  memberPart(component: Component, expr: ExprFact): Part | undefined {
    const init = expr.kind === 'member' ? component.facts.symbols[expr.symbol!]!.init : undefined;
    if (!init?.from) return undefined;
    return this.partOf(component, {
      ...init,
      from: { call: init.from.call, path: [...init.from.path, ...expr.path!] },
    });
  }

  private partAt(instances: Map<number, Instance> | undefined, init: ExprFact | undefined): Part | undefined {
    const instance = init?.from && instances?.get(init.from.call);
    let expr: ExprFact | undefined = instance?.helper.facts.result;
    if (!instance || !expr) return undefined;
    const { path } = init!.from!;
    let taken = 0;
    for (; taken < path.length && expr && !expr.from; taken++) {
      const step = path[taken]!;
      expr = expr.elements?.[Number(step)] ?? expr.members?.find((one) => one.name === step)?.value;
    }
    if (!expr) return { instance };
    // A helper that hands on what another gave it.
    if (expr.from) {
      const { call, path: before } = expr.from;
      return this.partAt(instance.inner, {
        ...expr,
        from: { call, path: [...before, ...path.slice(taken)] },
      });
    }
    // State of the helper's module, handed out.
    const [only, ...others] = expr.uses ?? [];
    if (expr.component !== undefined && only !== undefined && !others.length && instance.nodeOf[only]! >= 0)
      return { instance, node: instance.nodeOf[only]! };
    if (expr.kind !== 'identity') return { instance, expr };
    const node = instance.nodeOf[expr.symbol!]!;
    if (node >= 0) return { instance, node };
    const symbol = instance.helper.facts.symbols[expr.symbol!]!;
    if (symbol.kind === 'setter' || symbol.kind === 'handler') {
      return { instance, callable: { instance, symbol: expr.symbol! } };
    }
    return { instance, expr };
  }

  /** Nodes whose values flow into an expression of a helper; parameters lead to what the caller hands over. */
  sources(instance: Instance, expr: ExprFact, ofOwner: (expr: ExprFact) => number[]): number[] {
    const symbols = expr.symbol !== undefined ? [expr.symbol, ...(expr.uses ?? [])] : (expr.uses ?? []);
    const found = symbols.flatMap((index) => {
      const node = instance.nodeOf[index]!;
      if (node >= 0) return [node];
      const symbol = instance.helper.facts.symbols[index]!;
      const arg =
        symbol.kind === 'param' && symbol.index !== undefined ? instance.args[symbol.index] : undefined;
      if (!arg) return [];
      return instance.caller ? this.sources(instance.caller, arg, ofOwner) : ofOwner(arg);
    });
    return [...new Set(found)];
  }

  /** The state that a setter or function of a helper writes. */
  writtenBy({ instance, symbol }: Callable): number[] {
    const { facts } = instance.helper;
    const fact = facts.symbols[symbol]!;
    if (fact.kind === 'setter') return [instance.nodeOf[fact.of!]!].filter((node) => node >= 0);
    if (fact.fn === undefined) return [];
    const within = reachedFunctions(instance.helper, fact.fn);
    const found = facts.writes
      .filter((write) => within.has(write.fn) && facts.symbols[write.symbol]!.kind === 'state')
      .map((write) => instance.nodeOf[write.symbol]!);
    for (const write of facts.sharedWrites ?? [])
      if (within.has(write.fn)) found.push(this.shared.nodeOf(instance.helper.file, write.name));
    return [...new Set(found)].filter((node) => node >= 0);
  }
}
