/** The functions that an expression may be. */
import type { ExprFact, KeyFact, MemberFact, StoreAsk } from '../../model/facts';
import { oncePer } from '../../model/once-per';
import type { Component, Port } from '../../model/project';
import type { Provider } from '../5-contexts/context-types';
import { boundTo, type Frame, type Frames } from './frames';
import { namingFunctions } from './functions';
import type { Linked } from '../linked';
import { isOutside } from './handed-out';
import { argumentsOf, ofParameter } from './handings';
import { Memo } from './memo';
import { calledBy, into, isSamePath } from './expressions';
import { writesOf } from './results';
import { MAX_DEPTH, type Values } from './values';

/** Something that may be called. */
export type Callable =
  /** `by` are the functions that work out what comes next. */
  | { kind: 'setter'; node: number; by?: Callable[] }
  | {
      kind: 'function';
      frame: Frame;
      fn: number;
      /** So many of its parameters come from elsewhere, before those that it is called with. */
      skip?: number;
      /** It is what another function gave back, which was called with this. */
      around?: { frame: Frame; fn: number; args: ExprFact[] };
      /** A package made what is called of it: whether that is to be called at all, its place has to say. */
      wrapped?: true;
    }
  /** A callback that the component was handed. */
  | { kind: 'port'; port: Port }
  /** What raises the event of the component whose name it is called with. */
  | { kind: 'emitter'; component: Component };

/** Symbols that others reach as members of an object of the class. */
const MEMBERS = /^(prop|state|derived|handler|injected)$/;

/** All that the code of a class declares, as an object. */
const membersOf = oncePer(({ facts }: Component): ExprFact => {
  const { nameStart: start, nameEnd: end } = facts;
  const members = facts.symbols.flatMap(({ kind, name, fn, inner }, symbol): MemberFact[] => {
    if (!MEMBERS.test(kind) || inner) return [];
    const value: ExprFact =
      fn === undefined ? { kind: 'identity', symbol, start, end } : { kind: 'function', fn, start, end };
    return [{ name, value, start, end }];
  });
  return { kind: 'object', members, start, end };
});

/** A callback that so many owners hand in may be anything. */
const MAX_OWNERS = 12;

/** Names that stand for functions, or for what somebody handed over as one. */
const FUNCTIONS = /^(handler|setter|param|prop)$/;

/** An object, or one that a function gives back that works out what comes next. */
const isWrittenOut = ({ kind, gives }: ExprFact): boolean =>
  kind === 'object' || (gives !== undefined && gives.every((one) => one.kind === 'object'));

export class Callables {
  private readonly known = new Memo<Callable>();

  constructor(
    private readonly project: Linked,
    private readonly frames: Frames,
    private readonly values: Values,
    /** The providers whose value a consumed key may be. */
    private readonly providersOf: (consumer: Component, file: number, key: KeyFact) => Provider[],
  ) {}

  /** What was worked out before all nodes were there is worked out anew. */
  forget(): void {
    this.known.forget();
  }

  /** The functions that an expression, or the member of it that a path leads to, may be. */
  of(frame: Frame, expr: ExprFact, want: string[] = [], depth = 0): Callable[] {
    if (depth > MAX_DEPTH) return [];
    const next = (part: ExprFact, path: string[]) => this.of(frame, part, path, depth + 1);
    const { symbols, functions } = frame.code.facts;
    switch (expr.kind) {
      case 'identity':
        return this.symbolCallables(frame, expr.symbol!, want, depth);
      case 'member':
        return this.symbolCallables(frame, expr.symbol!, into(expr.path!, want), depth);
      case 'function':
        return expr.fn === undefined || want.length ? [] : [{ kind: 'function', frame, fn: expr.fn }];
      case 'object': {
        const [name, ...rest] = want;
        const member = name === undefined ? undefined : expr.members?.findLast((one) => one.name === name);
        if (member) return next(member.value, rest);
        return (expr.spreads ?? []).flatMap((one) => next(one, want));
      }
      case 'array': {
        const element = want.length ? expr.elements?.[Number(want[0])] : undefined;
        return element ? next(element, want.slice(1)) : [];
      }
    }
    if (expr.wraps) {
      const { bound = 0 } = expr;
      const wrapped = expr.wraps.flatMap((one) => next(one, want));
      return wrapped.map((one) =>
        one.kind === 'function' && bound ? { ...one, skip: (one.skip ?? 0) + bound } : one,
      );
    }
    if (expr.from) {
      const inner = frame.inner.get(expr.from.call);
      const result = inner?.code.facts.result;
      const path = into(expr.from.path, want);
      const stores = inner ? [] : this.values.storesAt(frame, expr.from.call);
      if (stores.length)
        return stores.flatMap(({ picked, ...store }) =>
          picked
            ? picked.values.flatMap((one) => this.of(picked.frame, one, path, depth + 1))
            : this.symbolCallables(store.frame, store.symbol, path, depth + 1),
        );
      // What is called like a helper may be a function like any other.
      if (inner)
        return result
          ? this.known.once(inner, 'result', path, () => this.of(inner, result, path, depth + 1))
          : [];
    }
    const fn = expr.kind === 'call' && expr.symbol !== undefined ? symbols[expr.symbol]!.fn : undefined;
    if (fn !== undefined) {
      const made = this.known.once(frame, `fn${fn}`, want, () =>
        (functions[fn]!.gives ?? []).flatMap((one) => next(one, want)),
      );
      return this.calledWith(made, { frame, fn }, frame, expr);
    }
    const isMember = expr.kind === 'computed' && expr.call !== undefined;
    const called = isMember
      ? frame.code.facts.invokes![expr.call!]!.callee
      : expr.kind === 'call'
        ? calledBy(expr)
        : undefined;
    if (called) {
      const path = into(expr.from?.path ?? (isMember ? (expr.path ?? []) : []), want);
      const found = this.of(frame, called, [], depth + 1).flatMap((one) => {
        if (one.kind !== 'function') return [];
        const { fn } = one;
        const inside = expr.call === undefined ? one.frame : boundTo(one.frame, fn, frame, expr.call);
        const made = this.known.once(inside, `fn${fn}`, path, () =>
          (inside.code.facts.functions[fn]!.gives ?? []).flatMap((given) =>
            this.of(inside, given, path, depth + 1),
          ),
        );
        return this.calledWith(made, { frame: inside, fn }, frame, expr);
      });
      // What a package's hook makes of a function is mostly what that gives: `useStore((state) => state.wind)`.
      return found.length || expr.from ? found : this.wrappedBy(frame, expr, want, depth);
    }
    if (expr.kind === 'call') {
      const wrapped = this.wrappedBy(frame, expr, want, depth);
      if (wrapped.length) return wrapped;
    }
    if (expr.gives) return expr.gives.flatMap((one) => next(one, want));
    if (expr.component !== undefined && expr.kind !== 'call')
      return this.moduleCallables(frame, expr.component, want, depth);
    return [];
  }

  /** Functions that a call of another made, which writes under the name that it is given: `change('speed')`. */
  private calledWith(
    made: Callable[],
    { frame, fn }: { frame: Frame; fn: number },
    caller: Frame,
    { call }: ExprFact,
  ): Callable[] {
    if (call === undefined || !namingFunctions(frame.code).has(fn)) return made;
    const around = { frame: caller, fn, args: caller.code.facts.invokes![call]!.args };
    return made.map((one) => (one.kind === 'function' && one.frame === frame ? { ...one, around } : one));
  }

  /**
   * `form.send((order) => …)`: what a package makes of a function calls that, with what it has itself; what it is called
   * with is none of that.
   */
  private wrappedBy(frame: Frame, { call }: ExprFact, want: string[], depth: number): Callable[] {
    if (call === undefined || want.length) return [];
    const { callee, args } = frame.code.facts.invokes![call]!;
    const given = args.filter(({ kind }) => kind === 'function' || kind === 'identity');
    if (!given.length || !isOutside(this.frames.shared, frame, callee)) return [];
    return given
      .flatMap((arg) => this.of(frame, arg, [], depth + 1))
      .flatMap((one): Callable[] =>
        one.kind === 'function'
          ? [{ ...one, skip: one.frame.code.facts.functions[one.fn]!.params.length, wrapped: true }]
          : [],
      );
  }

  /** A function of a module, or a member of an object of one. */
  private moduleCallables(frame: Frame, name: string, want: string[], depth: number): Callable[] {
    const [first, ...path] = name.split('.') as [string, ...string[]];
    const { shared } = this.frames;
    const { file } = frame.code;
    const answers = shared.answersTo(file, name).map((one) => ({ ...one, path: [] as string[] }));
    // The name may lead over modules before it comes to a value.
    for (let inside = path.length; inside >= 0; inside--) {
      const found = shared.symbolOf(file, [first, ...path.slice(0, inside)].join('.'));
      if (!found) continue;
      answers.push({ ...found, path: path.slice(inside) });
      break;
    }
    return answers.flatMap((one) =>
      this.symbolCallables(this.frames.of(one.module), one.symbol, into(one.path, want), depth + 1),
    );
  }

  private symbolCallables(frame: Frame, index: number, want: string[], depth: number): Callable[] {
    const symbol = frame.code.facts.symbols[index]!;
    const alias = frame.aliases.get(index);
    if (alias?.whole)
      return this.symbolCallables(alias.whole.frame, alias.whole.symbol, into(alias.path, want), depth + 1);
    if (symbol.raises)
      return isSamePath(symbol.raises, want) ? [{ kind: 'emitter', component: frame.owner }] : [];
    switch (symbol.kind) {
      case 'setter':
        return want.length ? [] : this.setterAt(frame, index, depth);
      case 'handler':
        return symbol.fn === undefined || want.length ? [] : [{ kind: 'function', frame, fn: symbol.fn }];
      case 'prop': {
        const port = frame.code.ports.get(symbol.port!);
        return port ? this.portCallables(frame, port, want, depth) : [];
      }
      case 'bag':
      case 'rest': {
        const [name, ...rest] = want;
        const port = name === undefined ? undefined : frame.code.ports.get(name);
        return port ? this.portCallables(frame, port, rest, depth) : [];
      }
      case 'param': {
        const { within, index: at, rest } = symbol;
        if (within === undefined || at === undefined) return [];
        const path = into(symbol.path ?? [], want);
        if (within === -1 && frame.caller) {
          const arg = frame.args[at];
          return arg ? this.of(frame.caller, arg, path, depth + 1) : [];
        }
        const calls = this.values.callsOf(frame, within);
        return this.known.once(frame, index, want, () =>
          calls.flatMap(({ frame: caller, args }) =>
            argumentsOf({ args }, ofParameter(at, path, rest)).flatMap(({ arg, take }) =>
              this.of(caller, arg, take, depth + 1),
            ),
          ),
        );
      }
      case 'injected':
        return this.known.once(frame, index, want, () => this.consumedCallables(frame, index, want, depth));
      case 'captured': {
        if (!symbol.outer) return [];
        const { frames, index: own } = this.frames.around(frame, symbol.outer);
        return frames.flatMap((one) => this.symbolCallables(one, own, want, depth + 1));
      }
      case 'shared':
        if (symbol.store) return this.storeCallables(frame, symbol.store, want, depth);
        return this.known.once(frame, index, want, () =>
          this.moduleCallables(frame, symbol.port!, want, depth),
        );
      case 'derived':
      case 'state':
        // Stores can be written from outside.
        if (
          (frame.code.facts.role === 'module' || symbol.boxed === 'value') &&
          symbol.kind === 'state' &&
          /^(setState|set|setValue|update|next)$/.test(want.join('.'))
        )
          return [{ kind: 'setter', node: frame.nodeOf[index]! }];
        return this.known.once(frame, index, want, () => [
          ...(symbol.init ? this.of(frame, symbol.init, want, depth + 1) : []),
          ...this.putOn(frame, index, want, depth),
        ]);
      case 'ref':
        if (want[0] !== 'current') return [];
        return [
          ...this.exposedCallables(frame, index, want.slice(1), depth),
          ...this.known.once(frame, index, want, () => this.boxedCallables(frame, index, want, depth)),
        ];
    }
    return [];
  }

  /** What the code puts into a value, or on it under a name: `ask = () => …`, `store.put = (v) => …`. */
  private putOn(frame: Frame, index: number, want: string[], depth: number): Callable[] {
    const { symbols } = frame.code.facts;
    const { inner } = symbols[index]!;
    const isFunction = ({ kind, symbol, gives }: ExprFact): boolean =>
      kind === 'function' ||
      (kind === 'identity' && FUNCTIONS.test(symbols[symbol!]!.kind)) ||
      (gives?.length ? gives.every(isFunction) : false);
    return (writesOf(frame.code).get(index) ?? []).flatMap(({ path = [], value, fn }) => {
      if (!value || !path.every((name, at) => want[at] === name)) return [];
      const inside = want.slice(path.length);
      // What is put somewhere now and then has what is written out there; one that is put once, whatever it has.
      const isOnce = (fn < 0 || inner === true) && path.length > 0;
      const found = this.of(frame, value, inside, depth + 1);
      if (isOnce || (inside.length ? isWrittenOut(value) : isFunction(value))) return found;
      // What a package makes of a function: `ask = debounce(send)`.
      return found.filter((one) => one.kind === 'function' && (one.wrapped === true || value.wraps));
    });
  }

  /** The setter that a symbol is. */
  setterAt(frame: Frame, index: number, depth = 0): Callable[] {
    const { of, by } = frame.code.facts.symbols[index]!;
    const node = frame.nodeOf[of!]!;
    if (node < 0) return [];
    return [{ kind: 'setter', node, ...(by ? { by: this.of(frame, by, [], depth + 1) } : {}) }];
  }

  /** What a box of the component starts with, and what its code puts into it. */
  private boxedCallables(frame: Frame, box: number, want: string[], depth: number): Callable[] {
    const { symbols, writes } = frame.code.facts;
    const { init } = symbols[box]!;
    const written = writes.filter(({ symbol, path }) => symbol === box && path?.join('.') === want[0]);
    return [
      ...(init ? this.of(frame, init, want, depth + 1) : []),
      ...written.flatMap(({ value }) => (value ? this.of(frame, value, want.slice(1), depth + 1) : [])),
    ];
  }

  /** Functions of the app's store: what changes it, and what its getters give back. */
  private storeCallables(frame: Frame, ask: StoreAsk, want: string[], depth: number): Callable[] {
    if (depth > MAX_DEPTH) return [];
    const { appStore } = this.frames.shared;
    const { file } = frame.code;
    const changes = appStore
      .functionsAt(file, ask, want, ['commit', 'dispatch'])
      .map(({ module, fn, skip }): Callable => ({
        kind: 'function',
        frame: this.frames.of(module),
        fn,
        ...(skip ? { skip } : {}),
      }));
    const given = appStore.functionsAt(file, ask, want, ['getters']).flatMap((one) => {
      const inside = this.frames.of(one.module);
      return this.known.once(inside, `fn${one.fn}`, one.path, () =>
        (one.module.facts.functions[one.fn]!.gives ?? []).flatMap((value) =>
          this.of(inside, value, one.path, depth + 1),
        ),
      );
    });
    return [...changes, ...given];
  }

  /** A callback that is handed in whole is its port; one inside of what is handed in is looked for at the call sites. */
  private portCallables(frame: Frame, port: Port, want: string[], depth: number): Callable[] {
    if (!want.length) return port.node < 0 ? [] : [{ kind: 'port', port }];
    if (frame.code.calledAt.length > MAX_OWNERS) return [];
    return this.known.once(frame, `port ${port.name}`, want, () =>
      this.frames
        .handedIn(frame.code, port.name)
        .flatMap((one) => this.of(one.frame, one.value, want, depth + 1)),
    );
  }

  private consumedCallables(frame: Frame, symbol: number, want: string[], depth: number): Callable[] {
    const consume = frame.code.facts.consumes.find((one) => one.symbol === symbol);
    if (!consume) return [];
    return this.provided(frame, consume.key).flatMap((one) => this.of(one.frame, one.value, want, depth + 1));
  }

  /** The values that a consumed key may have, with the code in which they stand. */
  provided(frame: Frame, key: KeyFact): { frame: Frame; value: ExprFact }[] {
    return this.providersOf(frame.owner, frame.code.file, key).flatMap((one) => this.valuesOf(one));
  }

  /** What a provider provides, in the component's own code, in what it takes over, or in that of a helper. */
  valuesOf({ component, value, inside, itself }: Provider): { frame: Frame; value: ExprFact }[] {
    const own = this.frames.of(this.project.components[component]!);
    if (itself) return this.frames.partsOf(own).map((frame) => ({ frame, value: membersOf(frame.code) }));
    if (!inside) return value ? [{ frame: own, value }] : [];
    const frame = inside.calls.reduce<Frame | undefined>((caller, call) => caller?.inner.get(call), own);
    return frame ? [{ frame, value: inside.value }] : [];
  }

  /** What a member that is reached through a handle may be. */
  exposedCallables(frame: Frame, handle: number, want: string[], depth = 0): Callable[] {
    const [name, ...rest] = want;
    if (name === undefined || frame.code !== frame.owner) return [];
    return this.attachedTo(frame.code, handle).flatMap((target) => {
      const inside = this.frames.of(target);
      const exposes = target.facts.exposes?.find((one) => one.port === 'ref') ?? target.facts.exposes?.[0];
      if (exposes?.value) {
        const found = this.of(inside, exposes.value, [name, ...rest], depth + 1);
        if (found.length) return found;
      }
      if (exposes && !exposes.open && !exposes.members.some((one) => one.name === name)) return [];
      const symbol = target.facts.symbols.findIndex((one) => one.name === name && one.kind !== 'prop');
      return symbol < 0 ? [] : this.symbolCallables(inside, symbol, rest, depth + 1);
    });
  }

  /** The components that a handle is put on. */
  private attachedTo(component: Component, handle: number): Component[] {
    return component.sites.flatMap((id) => {
      const { fact, target } = this.project.sites[id]!;
      const here = fact.attributes.some(({ mode, value }) => mode === 'ref' && value.symbol === handle);
      return here ? [this.project.components[target]!] : [];
    });
  }
}
