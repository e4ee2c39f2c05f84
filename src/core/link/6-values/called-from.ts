/**
 * Calls of the functions that components are declared in: `const makeCell = (unit) => { const Cell = () => <Gauge unit={unit} />; … }`.
 * What such a component uses of the function around it, it has from whoever called that.
 */
import type { ExprFact, SymbolFact } from '../../model/facts';
import type { Component } from '../../model/project';
import { type Frame, type Frames, keepsItsOwn } from './frames';
import type { Linked } from '../linked';

/** A call, with the code that it stands in. */
export interface CallFrom {
  frame: Frame;
  args: ExprFact[];
  /** The function of that code that makes it, or -1. */
  fn: number;
}

const NONE: CallFrom[] = [];

type ByFunction<T> = Map<Component, Map<number, T>>;

export class CalledFrom {
  private known: ByFunction<CallFrom[]> | undefined;

  constructor(
    private readonly project: Linked,
    private readonly frames: Frames,
  ) {}

  /** The calls of a helper (`fn` is -1 then), or of a function of a module, that a component is declared in. */
  of(code: Component, fn: number): CallFrom[] {
    this.known ??= this.collect();
    return this.known.get(code)?.get(fn) ?? NONE;
  }

  /** The calls of functions around components, of those that make these calls, and so on. */
  private collect(): ByFunction<CallFrom[]> {
    const found: ByFunction<CallFrom[]> = new Map();
    const around = this.project.components.flatMap(({ file, facts }) =>
      facts.symbols.flatMap(({ outer }) => (outer ? [this.frames.declaredIn(file, outer)] : [])),
    );
    if (!around.length) return found;
    const calls = this.allCalls();
    const look = (code: Component, fn: number): void => {
      let known = found.get(code);
      if (!known) found.set(code, (known = new Map<number, CallFrom[]>()));
      if (known.has(fn)) return;
      const made = calls.get(code)?.get(fn) ?? NONE;
      known.set(fn, made);
      for (const { frame, fn: inside } of made)
        if (!frame.caller && frame.code.facts.role !== 'component') lookAround(frame.code, inside);
    };
    /** A function may have what it hands on from those around it. */
    const lookAround = (code: Component, fn: number): void => {
      for (let at = fn; at >= 0; at = code.facts.functions[at]!.parent) look(code, at);
      if (code.facts.role === 'helper') look(code, -1);
    };
    for (const { code, symbol } of around) lookAround(code, innermost(code, code.facts.symbols[symbol]!));
    return found;
  }

  private allCalls(): ByFunction<CallFrom[]> {
    const found: ByFunction<CallFrom[]> = new Map();
    for (const component of this.project.components)
      if (keepsItsOwn(component))
        for (const frame of this.frames.within(component))
          for (const { callee, args, fn: inside } of frame.code.facts.invokes ?? []) {
            const called = this.functionAt(frame.code.file, callee);
            if (!called) continue;
            const { code, fn } = called;
            let ofCode = found.get(code);
            if (!ofCode) found.set(code, (ofCode = new Map<number, CallFrom[]>()));
            const list = ofCode.get(fn);
            const call = { frame, args, fn: inside };
            if (list) list.push(call);
            else ofCode.set(fn, [call]);
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

/** The function of some code that a symbol is declared in, or -1. */
function innermost({ facts }: Component, { start, end }: SymbolFact): number {
  let found = -1;
  // Those inside of others come after them.
  facts.functions.forEach((one, index) => {
    if (one.start <= start && end <= one.end) found = index;
  });
  return found;
}
