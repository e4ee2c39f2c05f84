/**
 * Where code runs: a component, or a hook, composable or function of the project at one call, whose state belongs to the
 * component that called it. Each frame has nodes of its own for what it keeps.
 */
import type { ExprFact, Span, SymbolFact } from '../../model/facts';
import type { Component, FlowNode } from '../../model/project';
import { mixinKey } from '../2-names/mixins';
import type { Linked } from '../linked';
import { Shared } from './shared';

/** Symbols that are nodes of their own. */
const KEPT: Partial<Record<SymbolFact['kind'], FlowNode['channel']>> = {
  state: 'state',
  derived: 'local',
  loop: 'local',
  injected: 'context',
  ref: 'ref',
};

/** Helpers that call helpers are followed so far. */
const MAX_DEPTH = 6;
/** So many helpers at most are opened for one component. */
const MAX_FRAMES = 400;

export interface Frame {
  /** The component that it belongs to. */
  owner: Component;
  /** The component, helper or module whose code it is. */
  code: Component;
  /** What the caller hands over, in the caller's symbols. */
  args: ExprFact[];
  caller: Frame | undefined;
  /** Nodes by symbol, or -1. */
  nodeOf: Int32Array;
  /** Helpers that it calls, by the index of the call; what it takes over, by `mixinKey`; what it hands on, by the place. */
  inner: Map<number | string, Frame>;
  /** It runs as a part of the component that took it over. */
  taken?: boolean;
  /** Symbols that only name a part of another node. */
  aliases: Map<number, Part>;
  /** What each call of this function has for itself stands for nothing. */
  apart?: Span & { fn: number; keeps: boolean };
  /** The same code, apart from what each call of one of its functions has for itself. */
  functions?: Map<string, Frame>;
  /** One of its functions is called with this: what that makes belongs to the call. */
  bound?: { fn: number; caller: Frame; args: ExprFact[] };
  /** The code of other functions as it is called here, by the index of the call. */
  makes?: Map<number, Map<Frame, Frame>>;
}

/** What makes what is called to make something, and so on, is followed so far. */
const MAX_BOUND = 3;

/** A frame of a module as one of its functions is called from some code; the frame itself where nothing depends on that. */
export function boundTo(frame: Frame, fn: number, caller: Frame, call: number): Frame {
  const { facts } = frame.code;
  if (facts.role !== 'module' || !facts.functions[fn]!.params.length) return frame;
  let around = 0;
  for (let at = caller.bound; at; at = at.caller.bound) if (++around > MAX_BOUND) return frame;
  const calls = (caller.makes ??= new Map<number, Map<Frame, Frame>>());
  let frames = calls.get(call);
  if (!frames) calls.set(call, (frames = new Map()));
  let found = frames.get(frame);
  if (!found) {
    const { args } = caller.code.facts.invokes![call]!;
    const { functions: _, makes: __, ...own } = frame;
    frames.set(frame, (found = { ...own, bound: { fn, caller, args } }));
  }
  return found;
}

/** A frame in which what a function is given, and what it keeps while it runs, is no value of its own; or only the first. */
export function apart(frame: Frame, fn: number, keeps = false): Frame {
  const known = (frame.functions ??= new Map<string, Frame>());
  const key = `${fn} ${keeps}`;
  let found = known.get(key);
  if (!found) {
    const { start, end } = frame.code.facts.functions[fn]!;
    known.set(key, (found = { ...frame, apart: { fn, start, end, keeps } }));
  }
  return found;
}

/** A node, or a member of what it holds. */
export interface Part {
  node: number;
  path: string[];
  /** What the whole is, for the functions in it: a symbol in some code. */
  whole?: { frame: Frame; symbol: number };
}

/** Where the frame of a function is found that is handed on to be drawn in a slot of what stands at a node. */
export const drawnKey = (node: number, slot: string): string => `${node}:${slot}`;

/** Whether what code keeps belongs to no caller. */
export const keepsItsOwn = ({ facts }: Component): boolean =>
  facts.role !== 'helper' || facts.single === true;

type Outer = NonNullable<SymbolFact['outer']>;

export class Frames {
  readonly shared: Shared;
  private readonly byComponent = new Map<number, Frame>();
  private readonly byHelper = new Map<Component, Frame[]>();

  constructor(
    private readonly project: Linked,
    private readonly addNode: (node: Omit<FlowNode, 'id'>) => number,
  ) {
    this.shared = new Shared(project);
  }

  /** The frame of a component or of a module's loose code. */
  of(component: Component): Frame {
    let frame = this.byComponent.get(component.id);
    if (!frame) {
      frame = {
        owner: component,
        code: component,
        args: [],
        caller: undefined,
        nodeOf: component.nodeOf,
        inner: new Map(),
        aliases: new Map(),
      };
      this.byComponent.set(component.id, frame);
      if (keepsItsOwn(component)) this.openCalls(frame, [], { left: MAX_FRAMES });
    }
    return frame;
  }

  /** Every frame in which code runs: one for each use of a helper, otherwise its own. */
  running(code: Component): Frame[] {
    const used = this.byHelper.get(code);
    if (!used) return [this.of(code)];
    return code.facts.role === 'helper' ? used : [this.of(code), ...used];
  }

  /** What the call sites of a component hand in under a name, with the code that each of them stands in. */
  handedIn({ calledAt }: Component, name: string): { site: number; frame: Frame; value: ExprFact }[] {
    const { sites, components } = this.project;
    return calledAt.flatMap((site) => {
      const { fact, owner } = sites[site]!;
      const value = fact.attributes.find((one) => one.name === name)?.value;
      return value ? this.running(components[owner]!).map((frame) => ({ site, frame, value })) : [];
    });
  }

  private readonly firsts = new Map<number, number>();
  /** The first component of a file. */
  private firstIn(file: number): number {
    if (!this.firsts.size)
      for (const { id, file: of } of this.project.components)
        if (!this.firsts.has(of)) this.firsts.set(of, id);
    return this.firsts.get(file)!;
  }

  /** The code of a file that some of its code is declared in, and which of its symbols is meant. */
  declaredIn(file: number, { component, symbol }: Outer): { code: Component; symbol: number } {
    return { code: this.project.components[this.firstIn(file) + component]!, symbol };
  }

  /** Where that code runs. */
  around({ code }: Frame, outer: Outer): { frames: Frame[]; index: number } {
    const home = this.declaredIn(code.file, outer);
    return { frames: this.running(home.code), index: home.symbol };
  }

  /** The frame of a function that picks a part of a store for some code: `useSelector(selectHeld)`. */
  selector(caller: Frame, name: string): Frame | undefined {
    const key = `selector:${name}`;
    const known = caller.inner.get(key);
    if (known) return known;
    const target = this.project.lookup(caller.code.file, name);
    const helper = target.kind === 'component' ? this.project.components[target.component]! : undefined;
    if (helper?.facts.role !== 'helper') return undefined;
    this.openHelper(caller, key, helper, [], [], { left: MAX_FRAMES });
    return caller.inner.get(key);
  }

  /** Every frame of a component, those called by others first; what is opened meanwhile is among them. */
  *within(component: Component): Iterable<Frame> {
    function* walk(frame: Frame): Iterable<Frame> {
      for (const inner of frame.inner.values()) if (inner.owner === frame.owner) yield* walk(inner);
      yield frame;
    }
    yield* walk(this.of(component));
  }

  /** A frame, and those of what its code takes over, however far. */
  partsOf(frame: Frame): Frame[] {
    return [frame, ...takenBy(frame).flatMap((one) => this.partsOf(one))];
  }

  private openCalls(frame: Frame, stack: number[], budget: { left: number }): void {
    frame.code.mixins.forEach((mixin, index) => {
      if (stack.length >= MAX_DEPTH || budget.left <= 0 || stack.includes(mixin.id)) return;
      budget.left--;
      const inner = { ...innerFrame(frame, mixin, []), taken: true };
      frame.inner.set(mixinKey(index), inner);
      if (drawsBase(frame)) this.noteRunning(inner);
      this.openCalls(inner, [...stack, mixin.id], budget);
    });
    frame.code.facts.calls.forEach((call, index) => {
      if (!call.args || stack.length >= MAX_DEPTH || budget.left <= 0) return;
      const target = this.project.lookup(frame.code.file, call.name);
      if (target.kind !== 'component' || stack.includes(target.component)) return;
      const helper = this.project.components[target.component]!;
      if (helper.facts.role !== 'helper') return;
      budget.left--;
      if (helper.facts.single && !call.own) {
        frame.inner.set(index, this.of(helper));
        return;
      }
      this.openHelper(frame, index, helper, call.args, stack, budget);
    });
    // Functions that are handed on to be drawn get from others what they are called with.
    for (const [node, list] of frame.code.drawn)
      for (const { helper, slot } of list) {
        if (slot === undefined || stack.length >= MAX_DEPTH || budget.left <= 0) continue;
        if (stack.includes(helper.id)) continue;
        budget.left--;
        this.openHelper(frame, drawnKey(node, slot), helper, [], stack, budget);
      }
  }

  private openHelper(
    frame: Frame,
    key: number | string,
    helper: Component,
    args: ExprFact[],
    stack: number[],
    budget: { left: number },
  ): void {
    const inner = innerFrame(frame, helper, args);
    frame.inner.set(key, inner);
    this.noteRunning(inner);
    this.openCalls(inner, [...stack, helper.id], budget);
  }

  private readonly pageNodes = new Map<string, number>();
  /** What the page keeps under a name, or -1 where no code puts anything there; it counts as state of who does first. */
  pageNode(name: string): number {
    let node = this.pageNodes.get(name);
    if (node === undefined) {
      const writer = this.shared.pageWriter(name);
      node = writer ? this.addNode({ ...writer, channel: 'state', name: name.slice(1), symbol: -1 }) : -1;
      this.pageNodes.set(name, node);
    }
    return node;
  }

  private noteRunning(frame: Frame): void {
    const running = this.byHelper.get(frame.code);
    if (running) running.push(frame);
    else this.byHelper.set(frame.code, [frame]);
  }

  /** Makes the nodes of what a frame keeps. `aliasOf` tells a name for a part of another node from a value of its own. */
  openNodes(frame: Frame, aliasOf: (frame: Frame, symbol: SymbolFact) => Part | 'none' | undefined): void {
    const { code, owner, nodeOf, aliases } = frame;
    const own = code === owner;
    // What a module neither keeps nor draws with is of no matter to others.
    const matter = code.facts.role !== 'module' || draws(code);
    code.facts.symbols.forEach((symbol, index) => {
      if (frame.taken && symbol.kind === 'prop') nodeOf[index] = owner.ports.get(symbol.port!)?.node ?? -1;
      if (symbol.kind === 'shared' && !symbol.store)
        nodeOf[index] = this.shared.nodeOf(code.file, symbol.port!);
      const channel = KEPT[symbol.kind];
      if (!channel || (!matter && !this.shared.isKept(code, index))) return;
      const alias = aliasOf(frame, symbol);
      if (alias === 'none') return;
      if (alias) {
        nodeOf[index] = alias.node;
        aliases.set(index, alias);
        // A name for a part says nothing of the other parts.
        if (!alias.path.length) this.noteName(alias.node, code, index);
        return;
      }
      nodeOf[index] = this.addNode({
        component: owner.id,
        channel,
        name: symbol.name,
        symbol: own ? index : -1,
        place: { file: code.file, start: symbol.start, end: symbol.end },
      });
      if (!own) this.noteName(nodeOf[index]!, code, index);
    });
  }

  /** What a module uses of others, whose nodes may be made after its own. */
  joinShared(module: Component): void {
    for (const { code, nodeOf } of this.within(module))
      code.facts.symbols.forEach(({ kind, store, port }, index) => {
        if (kind === 'shared' && !store && nodeOf[index]! < 0)
          nodeOf[index] = this.shared.nodeOf(code.file, port!);
      });
  }

  /** Notes that a symbol of some code stands for a node of other code. */
  noteName(node: number, code: Component, symbol: number): void {
    const { names } = this.project.flow;
    const known = names.get(node);
    if (known) known.push({ code: code.id, symbol });
    else names.set(node, [{ code: code.id, symbol }]);
  }
}

const innerFrame = (caller: Frame, code: Component, args: ExprFact[]): Frame => ({
  owner: caller.owner,
  code,
  args,
  caller,
  nodeOf: new Int32Array(code.facts.symbols.length).fill(-1),
  inner: new Map(),
  aliases: new Map(),
});

const draws = ({ facts }: Component): boolean => facts.render.some((one) => one.kind === 'site');

/** What the class draws that its code extends is drawn for whoever the code belongs to. */
const drawsBase = ({ code }: Frame): boolean => code.facts.render.some((one) => one.inherited);

/** Frames of what a frame takes over, the one that wins first. */
const takenBy = ({ code, inner }: Frame): Frame[] =>
  code.mixins.flatMap((_, index) => inner.get(mixinKey(index)) ?? []);

/** Names for members that are declared elsewhere: in what the code takes over, or in what took it over. */
export function joinMembers(frame: Frame): void {
  frame.code.facts.symbols.forEach((symbol, index) => {
    if (symbol.kind !== 'inherited' || frame.nodeOf[index]! >= 0) return;
    const found = memberBelow(frame, symbol.port!) ?? memberAbove(frame, symbol.port!);
    if (!found) return;
    const node = found.frame.nodeOf[found.symbol]!;
    frame.nodeOf[index] = node;
    frame.aliases.set(index, { node, path: [], whole: found });
  });
}

type Member = NonNullable<Part['whole']>;

function memberBelow(frame: Frame, name: string): Member | undefined {
  for (const inner of takenBy(frame)) {
    const found = memberIn(inner, name) ?? memberBelow(inner, name);
    if (found) return found;
  }
  return undefined;
}

function memberAbove(frame: Frame, name: string): Member | undefined {
  const { caller } = frame;
  if (!frame.taken || !caller) return undefined;
  return memberIn(caller, name) ?? memberBelow(caller, name) ?? memberAbove(caller, name);
}

const MEMBERS = /^(prop|state|derived|handler|injected)$/;

function memberIn(frame: Frame, name: string): Member | undefined {
  const symbol = frame.code.facts.symbols.findIndex((one) => MEMBERS.test(one.kind) && one.name === name);
  return symbol < 0 ? undefined : { frame, symbol };
}
