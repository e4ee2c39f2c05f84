/**
 * Calls of the functions that components are declared in: `const makeCell = (unit) => { const Cell = () => <Gauge unit={unit} />; … }`.
 * What such a component uses of the function around it, it has from whoever called that.
 */
import type { ExprFact } from '../model/facts';
import type { Component } from '../model/project';
import { type Frame, type Frames, keepsItsOwn } from './frames';
import type { Linked } from './linked';

/** A call, with the code that it stands in. */
export interface CallFrom {
  frame: Frame;
  args: ExprFact[];
}

const NONE: CallFrom[] = [];

export class CalledFrom {
  private known: Map<Component, Map<number, CallFrom[]>> | undefined;

  constructor(
    private readonly project: Linked,
    private readonly frames: Frames,
  ) {}

  /** The calls of a helper (`fn` is -1 then), or of a function of a module, that a component is declared in. */
  of(code: Component, fn: number): CallFrom[] {
    this.known ??= this.collect();
    return this.known.get(code)?.get(fn) ?? NONE;
  }

  private collect(): Map<Component, Map<number, CallFrom[]>> {
    const { components } = this.project;
    const found = new Map<Component, Map<number, CallFrom[]>>();
    // Whoever calls may have it from its own callers.
    if (!components.some(({ facts }) => facts.symbols.some(({ outer }) => outer))) return found;
    for (const component of components)
      if (keepsItsOwn(component))
        for (const frame of this.frames.within(component))
          for (const { callee, args } of frame.code.facts.invokes ?? []) {
            const called = this.functionAt(frame.code.file, callee);
            if (!called) continue;
            const { code, fn } = called;
            let ofCode = found.get(code);
            if (!ofCode) found.set(code, (ofCode = new Map<number, CallFrom[]>()));
            const list = ofCode.get(fn);
            if (list) list.push({ frame, args });
            else ofCode.set(fn, [{ frame, args }]);
          }
    return found;
  }

  private functionAt(
    file: number,
    { component: name }: ExprFact,
  ): { code: Component; fn: number } | undefined {
    if (name === undefined) return undefined;
    const target = this.project.lookup(file, name);
    if (target.kind === 'component') return { code: this.project.components[target.component]!, fn: -1 };
    const own = target.kind === 'value' ? this.frames.shared.symbolOf(file, name) : undefined;
    const fn = own?.module.facts.symbols[own.symbol]!.fn;
    return own && fn !== undefined ? { code: own.module, fn } : undefined;
  }
}
