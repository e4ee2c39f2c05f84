/**
 * Where code runs: a component, or a hook, composable or function of the project at one call, whose state belongs to the
 * component that called it. Each frame has nodes of its own for what it keeps.
 */
import type { ExprFact, SymbolFact } from '../model/facts';
import type { Component, FlowNode } from '../model/project';
import type { Linked } from './index';
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
  /** Helpers that it calls, by the index of the call. */
  inner: Map<number, Frame>;
  /** Symbols that only name a part of another node. */
  aliases: Map<number, Part>;
}

/** A node, or a member of what it holds. */
export interface Part {
  node: number;
  path: string[];
  /** What the whole is, for the functions in it: a symbol in some code. */
  whole?: { frame: Frame; symbol: number };
}

/** Whether what code keeps belongs to no caller. */
export const keepsItsOwn = ({ facts }: Component): boolean =>
  facts.role !== 'helper' || facts.single === true;

export class Frames {
  readonly shared: Shared;
  private readonly byComponent = new Map<number, Frame>();

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

  /** Every frame of a component, those called by others first. */
  *within(component: Component): Iterable<Frame> {
    function* walk(frame: Frame): Iterable<Frame> {
      for (const inner of frame.inner.values()) if (inner.owner === frame.owner) yield* walk(inner);
      yield frame;
    }
    yield* walk(this.of(component));
  }

  private openCalls(frame: Frame, stack: number[], budget: { left: number }): void {
    frame.code.facts.calls.forEach((call, index) => {
      if (!call.args || stack.length >= MAX_DEPTH || budget.left <= 0) return;
      const target = this.project.lookup(frame.code.file, call.name);
      if (target.kind !== 'component' || stack.includes(target.component)) return;
      const helper = this.project.components[target.component]!;
      if (helper.facts.role !== 'helper') return;
      budget.left--;
      if (helper.facts.single) {
        frame.inner.set(index, this.of(helper));
        return;
      }
      const inner: Frame = {
        owner: frame.owner,
        code: helper,
        args: call.args,
        caller: frame,
        nodeOf: new Int32Array(helper.facts.symbols.length).fill(-1),
        inner: new Map(),
        aliases: new Map(),
      };
      frame.inner.set(index, inner);
      this.openCalls(inner, [...stack, target.component], budget);
    });
  }

  /** Makes the nodes of what a frame keeps. `aliasOf` tells a name for a part of another node from a value of its own. */
  openNodes(frame: Frame, aliasOf: (frame: Frame, symbol: SymbolFact) => Part | 'none' | undefined): void {
    const { code, owner, nodeOf, aliases } = frame;
    const own = code === owner;
    code.facts.symbols.forEach((symbol, index) => {
      if (symbol.kind === 'shared') nodeOf[index] = this.shared.nodeOf(code.file, symbol.port!);
      const channel = KEPT[symbol.kind];
      if (!channel) return;
      const alias = aliasOf(frame, symbol);
      if (alias === 'none') return;
      if (alias) {
        nodeOf[index] = alias.node;
        aliases.set(index, alias);
        return;
      }
      nodeOf[index] = this.addNode({
        component: owner.id,
        channel,
        name: symbol.name,
        symbol: own ? index : -1,
        place: { file: code.file, start: symbol.start, end: symbol.end },
      });
    });
  }
}
