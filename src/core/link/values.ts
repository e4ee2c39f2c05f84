/** What an expression is made of: the nodes whose values it holds, and the functions that it may be. */
import type { ExprFact, SymbolFact } from '../model/facts';
import type { Component, Port } from '../model/project';
import type { Provider } from './contexts';
import type { Frame, Frames, Part } from './frames';
import type { Linked } from './index';

/** A node that a value comes from: the member that is taken of it, and the member of the whole that it becomes. */
export interface Source {
  node: number;
  take: string[];
  put: string[];
  /** As it is, under whatever name. */
  exact: boolean;
  /** Members that are left behind. */
  without?: string[];
}

/** Something that may be called. */
export type Callable =
  | { kind: 'setter'; node: number }
  | { kind: 'function'; frame: Frame; fn: number }
  /** A callback that the component was handed. */
  | { kind: 'port'; port: Port };

/** Results by frame, symbol and path. */
type Known<T> = Map<Frame, Map<string, T[]>>;

const MAX_DEPTH = 24;
/** A callback that so many owners hand in may be anything. */
const MAX_OWNERS = 12;

export class Values {
  constructor(
    private readonly project: Linked,
    private readonly frames: Frames,
    /** The providers whose value a consumed key may be. */
    private readonly providersOf: (consumer: Component, file: number, key: string) => Provider[],
  ) {}

  /** The nodes whose values are in an expression, or in the member of it that a path leads to. */
  sources(frame: Frame, expr: ExprFact, want: string[] = [], depth = 0): Source[] {
    if (depth > MAX_DEPTH) return [];
    const next = (part: ExprFact, path: string[]) => this.sources(frame, part, path, depth + 1);
    switch (expr.kind) {
      case 'identity':
        return this.symbolSources(frame, expr.symbol!, want, depth);
      case 'member':
        return this.memberSources(frame, expr, want, depth);
      case 'literal':
      case 'function':
      case 'content':
        return [];
      case 'object':
        return this.objectSources(expr, want, next);
      case 'array':
        if (expr.elements && want.length && /^\d+$/.test(want[0]!)) {
          const element = expr.elements[Number(want[0])];
          return element ? next(element, want.slice(1)) : [];
        }
        if (expr.elements)
          return unique(
            expr.elements.flatMap((one, index) =>
              next(one, []).map((source) => ({
                ...source,
                put: [String(index), ...source.put],
                exact: false,
              })),
            ),
          );
        return this.loose(frame, expr, depth);
    }
    if (expr.without) {
      const { without, ...whole } = expr;
      if (want.length && without.includes(want[0]!)) return [];
      const sources = this.sources(frame, whole, [], depth + 1);
      return sources.map((one) =>
        one.put.length ? one : want.length ? { ...one, take: into(one.take, want) } : { ...one, without },
      );
    }
    const given = this.givenBy(frame, expr, want, depth);
    if (given) return given;
    // A value of a module, as it is or what its box holds.
    const [only, ...others] = expr.uses ?? [];
    if (expr.component !== undefined && only !== undefined && !others.length) {
      const [, ...path] = expr.component.split('.');
      const plain = unboxed(path);
      return this.symbolSources(frame, only, into(plain, want), depth).map((one) => ({
        ...one,
        exact: one.exact && plain.length === 0,
      }));
    }
    if (expr.gives && isPrecise(expr.gives)) {
      const found = expr.gives.flatMap((one) => next(one, want));
      if (want.length || found.length) return inexact(unique(found), expr.gives.length > 1);
    }
    return this.loose(frame, expr, depth);
  }

  /** What a call of a helper or of a function of the component gives back. */
  private givenBy(frame: Frame, expr: ExprFact, want: string[], depth: number): Source[] | undefined {
    if (expr.from) {
      const inner = frame.inner.get(expr.from.call);
      if (!inner) return this.chosenOfStore(frame, expr.from, want, depth);
      const { result } = inner.code.facts;
      const path = into(expr.from.path, want);
      return result
        ? this.once(this.knownSources, inner, 'result', path, () =>
            this.sources(inner, result, path, depth + 1),
          )
        : [];
    }
    const fn =
      expr.kind === 'call' && expr.symbol !== undefined
        ? frame.code.facts.symbols[expr.symbol]!.fn
        : undefined;
    const gives = fn === undefined ? undefined : frame.code.facts.functions[fn]!.gives;
    if (!gives) return undefined;
    const inside = this.once(this.knownSources, frame, `fn${fn}`, want, () =>
      inexact(unique(gives.flatMap((one) => this.sources(frame, one, want, depth + 1))), true),
    );
    return unique([
      ...inside,
      ...this.loose(frame, { ...expr, symbol: undefined } as unknown as ExprFact, depth),
    ]);
  }

  /** What a call of a store gives: the part that its selector picks, or the whole. */
  private chosenOfStore(
    frame: Frame,
    from: NonNullable<ExprFact['from']>,
    want: string[],
    depth: number,
  ): Source[] | undefined {
    const store = this.storeAt(frame, from.call);
    if (!store) return undefined;
    const path = into(from.path, want);
    if (!store.picked) return this.symbolSources(store.frame, store.symbol, path, depth + 1);
    return unique(store.picked.flatMap((one) => this.sources(frame, one, path, depth + 1)));
  }

  /** The store that a call asks, and what its selector gives back, in which the parameter stands for the store. */
  private storeAt(
    frame: Frame,
    index: number,
  ): { frame: Frame; symbol: number; picked?: ExprFact[] } | undefined {
    const call = frame.code.facts.calls[index];
    const found = call && this.frames.shared.symbolOf(frame.code.file, call.name);
    if (!found || found.module.facts.symbols[found.symbol]!.kind !== 'state') return undefined;
    const store = { frame: this.frames.of(found.module), symbol: found.symbol };
    const node = store.frame.nodeOf[found.symbol]!;
    const selector = call.args?.find((one) => one.kind === 'function' || one.from !== undefined);
    const fn = selector?.fn;
    if (fn === undefined || node < 0) return store;
    const { functions, symbols } = frame.code.facts;
    symbols.forEach((symbol, at) => {
      if (symbol.kind === 'param' && symbol.within === fn && symbol.index === 0)
        frame.aliases.set(at, { node, path: symbol.path ?? [], whole: store });
    });
    return { ...store, picked: functions[fn]!.gives ?? [] };
  }

  /** All that an expression uses flows into it, nobody knows where. */
  private loose(frame: Frame, expr: ExprFact, depth: number): Source[] {
    const symbols = expr.symbol !== undefined ? [expr.symbol, ...(expr.uses ?? [])] : (expr.uses ?? []);
    return inexact(unique(symbols.flatMap((one) => this.symbolSources(frame, one, [], depth + 1))), true);
  }

  private objectSources(
    expr: ExprFact,
    want: string[],
    next: (part: ExprFact, path: string[]) => Source[],
  ): Source[] {
    const [name, ...rest] = want;
    const spreads = expr.spreads ?? [];
    if (name !== undefined) {
      const member = expr.members?.findLast((one) => one.name === name);
      if (member) return next(member.value, rest);
      return unique(spreads.flatMap((one) => next(one, want)));
    }
    return unique([
      ...(expr.members ?? []).flatMap((one) =>
        next(one.value, []).map((source) => ({ ...source, put: [one.name, ...source.put] })),
      ),
      ...spreads.flatMap((one) => next(one, [])),
    ]);
  }

  private memberSources(frame: Frame, expr: ExprFact, want: string[], depth: number): Source[] {
    const found = this.symbolSources(frame, expr.symbol!, into(expr.path ?? [], want), depth);
    // A part of what a context or a helper gives is that value; a part of a prop is made from it.
    return found.map((one) => ({ ...one, exact: one.exact && this.isWhole(one) }));
  }

  /** Whether a node keeps something that can be written. */
  isState = (node: number): boolean => this.project.flow.nodes[node]!.channel === 'state';

  private isWhole({ node, take }: Source): boolean {
    return take.length === 0 || this.project.flow.nodes[node]!.channel === 'context';
  }

  symbolSources(frame: Frame, index: number, want: string[], depth: number): Source[] {
    const symbol = frame.code.facts.symbols[index]!;
    const alias = frame.aliases.get(index);
    if (alias) return [{ node: alias.node, take: into(alias.path, want), put: [], exact: true }];
    const node = frame.nodeOf[index]!;
    if (node >= 0) return [{ node, take: want, put: [], exact: true }];
    if (symbol.kind === 'bag' || symbol.kind === 'rest') return this.bagSources(frame, symbol, want);
    if (symbol.kind === 'param' && symbol.within === -1 && symbol.index !== undefined) {
      const arg = frame.args[symbol.index];
      const path = into(symbol.path ?? [], want);
      return arg && frame.caller ? this.sources(frame.caller, arg, path, depth + 1) : [];
    }
    if (symbol.kind === 'shared') {
      // What a module made by a helper, and did not name otherwise.
      const found = this.frames.shared.symbolOf(frame.code.file, symbol.port!);
      return found && found.module !== frame.code
        ? this.symbolSources(this.frames.of(found.module), found.symbol, want, depth + 1)
        : [];
    }
    if (symbol.kind === 'derived' && symbol.init && symbol.init.kind !== 'function')
      return this.once(this.knownSources, frame, index, want, () =>
        this.sources(frame, symbol.init!, want, depth + 1),
      );
    return [];
  }

  /** The props as one object. */
  private bagSources(frame: Frame, { except }: SymbolFact, want: string[]): Source[] {
    const { ports } = frame.code;
    const [name, ...rest] = want;
    if (name !== undefined) {
      const port = except?.includes(name) ? undefined : ports.get(name);
      return port && port.node >= 0 && port.channel !== 'event'
        ? [{ node: port.node, take: rest, put: [], exact: true }]
        : [];
    }
    return [...ports.values()].flatMap((port) =>
      port.node < 0 || port.channel === 'event' || except?.includes(port.name)
        ? []
        : [{ node: port.node, take: [], put: [port.name], exact: true }],
    );
  }

  private knownSources: Known<Source> = new Map();
  private knownCallables: Known<Callable> = new Map();

  /** What was worked out before all nodes were there is worked out anew. */
  forget(): void {
    this.knownSources = new Map();
    this.knownCallables = new Map();
  }

  /** Works out what a symbol is made of once; one that is made of itself adds nothing on its way round. */
  private once<T>(
    known: Known<T>,
    frame: Frame,
    symbol: number | string,
    want: string[],
    work: () => T[],
  ): T[] {
    let ofFrame = known.get(frame);
    if (!ofFrame) known.set(frame, (ofFrame = new Map()));
    const key = want.length ? `${symbol}.${want.join('.')}` : `${symbol}`;
    const found = ofFrame.get(key);
    if (found) return found;
    ofFrame.set(key, []);
    const made = work();
    ofFrame.set(key, made);
    return made;
  }

  /** The functions that an expression, or the member of it that a path leads to, may be. */
  callables(frame: Frame, expr: ExprFact, want: string[] = [], depth = 0): Callable[] {
    if (depth > MAX_DEPTH) return [];
    const next = (part: ExprFact, path: string[]) => this.callables(frame, part, path, depth + 1);
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
    if (expr.from) {
      const inner = frame.inner.get(expr.from.call);
      const result = inner?.code.facts.result;
      const path = into(expr.from.path, want);
      const store = inner ? undefined : this.storeAt(frame, expr.from.call);
      if (store?.picked) return store.picked.flatMap((one) => next(one, path));
      if (store) return this.symbolCallables(store.frame, store.symbol, path, depth + 1);
      return inner && result
        ? this.once(this.knownCallables, inner, 'result', path, () =>
            this.callables(inner, result, path, depth + 1),
          )
        : [];
    }
    const fn = expr.kind === 'call' && expr.symbol !== undefined ? symbols[expr.symbol]!.fn : undefined;
    if (fn !== undefined)
      return this.once(this.knownCallables, frame, `fn${fn}`, want, () =>
        (functions[fn]!.gives ?? []).flatMap((one) => next(one, want)),
      );
    if (expr.gives) return expr.gives.flatMap((one) => next(one, want));
    if (expr.component !== undefined && expr.kind !== 'call')
      return this.moduleCallables(frame, expr.component, want, depth);
    // What wraps a function calls it: `debounce(save)`.
    return [];
  }

  /** A function of a module, or a member of an object of one. */
  private moduleCallables(frame: Frame, name: string, want: string[], depth: number): Callable[] {
    const [first, ...path] = name.split('.') as [string, ...string[]];
    const found = this.frames.shared.symbolOf(frame.code.file, first);
    if (!found) return [];
    return this.symbolCallables(this.frames.of(found.module), found.symbol, into(path, want), depth + 1);
  }

  private symbolCallables(frame: Frame, index: number, want: string[], depth: number): Callable[] {
    const symbol = frame.code.facts.symbols[index]!;
    const alias = frame.aliases.get(index);
    if (alias?.whole)
      return this.symbolCallables(alias.whole.frame, alias.whole.symbol, into(alias.path, want), depth + 1);
    switch (symbol.kind) {
      case 'setter': {
        const node = frame.nodeOf[symbol.of!]!;
        return node >= 0 && !want.length ? [{ kind: 'setter', node }] : [];
      }
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
        if (symbol.within !== -1 || symbol.index === undefined || !frame.caller) return [];
        const arg = frame.args[symbol.index];
        return arg ? this.callables(frame.caller, arg, into(symbol.path ?? [], want), depth + 1) : [];
      }
      case 'injected':
        return this.once(this.knownCallables, frame, index, want, () =>
          this.consumedCallables(frame, index, want, depth),
        );
      case 'shared':
        return this.once(this.knownCallables, frame, index, want, () =>
          this.moduleCallables(frame, symbol.port!, want, depth),
        );
      case 'derived':
      case 'state':
        // Stores can be written from outside.
        if (
          frame.code.facts.role === 'module' &&
          symbol.kind === 'state' &&
          /^(setState|set|update)$/.test(want.join('.'))
        )
          return [{ kind: 'setter', node: frame.nodeOf[index]! }];
        return symbol.init
          ? this.once(this.knownCallables, frame, index, want, () =>
              this.callables(frame, symbol.init!, want, depth + 1),
            )
          : [];
      case 'ref':
        return want[0] === 'current' ? this.exposedCallables(frame, index, want.slice(1), depth) : [];
    }
    return [];
  }

  /** A callback that is handed in whole is its port; one inside of what is handed in is looked for at the call sites. */
  private portCallables(frame: Frame, port: Port, want: string[], depth: number): Callable[] {
    if (!want.length) return port.node < 0 ? [] : [{ kind: 'port', port }];
    const { calledAt } = frame.code;
    if (calledAt.length > MAX_OWNERS) return [];
    return this.once(this.knownCallables, frame, `port ${port.name}`, want, () =>
      calledAt.flatMap((id) => {
        const site = this.project.sites[id]!;
        const value = site.fact.attributes.find((one) => one.name === port.name)?.value;
        const owner = this.frames.of(this.project.components[site.owner]!);
        return value ? this.callables(owner, value, want, depth + 1) : [];
      }),
    );
  }

  private consumedCallables(frame: Frame, symbol: number, want: string[], depth: number): Callable[] {
    const consume = frame.code.facts.consumes.find((one) => one.symbol === symbol);
    if (!consume) return [];
    return this.provided(frame, consume.key).flatMap((one) =>
      this.callables(one.frame, one.value, want, depth + 1),
    );
  }

  /** The values that a consumed key may have, with the code in which they stand. */
  provided(frame: Frame, key: string): { frame: Frame; value: ExprFact }[] {
    return this.providersOf(frame.owner, frame.code.file, key).flatMap((one) => this.valueOf(one) ?? []);
  }

  /** What a provider provides, in the component's own code or in that of a helper. */
  valueOf({ component, value, inside }: Provider): { frame: Frame; value: ExprFact } | undefined {
    const own = this.frames.of(this.project.components[component]!);
    if (!inside) return value && { frame: own, value };
    const frame = own.inner.get(inside.call);
    return frame && { frame, value: inside.value };
  }

  /** What a member that is reached through a handle may be. */
  exposedCallables(frame: Frame, handle: number, want: string[], depth = 0): Callable[] {
    const [name, ...rest] = want;
    if (name === undefined || frame.code !== frame.owner) return [];
    return this.attachedTo(frame.code, handle).flatMap((target) => {
      const inside = this.frames.of(target);
      const exposes = target.facts.exposes?.find((one) => one.port === 'ref') ?? target.facts.exposes?.[0];
      if (exposes?.value) {
        const found = this.callables(inside, exposes.value, [name, ...rest], depth + 1);
        if (found.length) return found;
      }
      if (exposes && !exposes.open && !exposes.members.some((one) => one.name === name)) return [];
      const symbol = target.facts.symbols.findIndex((one) => one.name === name && one.kind !== 'prop');
      return symbol < 0 ? [] : this.symbolCallables(inside, symbol, rest, depth + 1);
    });
  }

  /** The components that a handle is put on. */
  attachedTo(component: Component, handle: number): Component[] {
    return component.sites.flatMap((id) => {
      const { fact, target } = this.project.sites[id]!;
      const here = fact.attributes.some(({ mode, value }) => mode === 'ref' && value.symbol === handle);
      return here ? [this.project.components[target]!] : [];
    });
  }

  /**
   * Whether there is nothing to follow in an expression, or in the member of it that a path leads to: it is a literal, or
   * what code outside of the project made.
   */
  isPlain(frame: Frame, expr: ExprFact, want: string[] = [], depth = 0): boolean {
    if (depth > 6) return true;
    const next = (part: ExprFact, path: string[]) => this.isPlain(frame, part, path, depth + 1);
    if (/^(literal|content)$/.test(expr.kind)) return true;
    if (expr.kind === 'object') {
      const member = expr.members?.find((one) => one.name === want[0]);
      if (member) return next(member.value, want.slice(1));
      return expr.spreads ? expr.spreads.every((one) => next(one, want)) : want.length > 0;
    }
    if (expr.gives) return expr.gives.every((one) => next(one, want));
    if (expr.from) {
      const call = frame.code.facts.calls[expr.from.call];
      const inner = frame.inner.get(expr.from.call);
      if (inner) {
        const { result } = inner.code.facts;
        return !result || this.isPlain(inner, result, into(expr.from.path, want), depth + 1);
      }
      return !call || this.isElsewhere(frame, call.name);
    }
    if (expr.component !== undefined) return this.isElsewhere(frame, expr.component);
    const symbols = expr.symbol === undefined ? (expr.uses ?? []) : [expr.symbol];
    if (!symbols.length) return expr.kind === 'computed' || expr.kind === 'call';
    return symbols.every((index) => {
      const { kind, init } = frame.code.facts.symbols[index]!;
      return (
        kind === 'module' ||
        kind === 'param' ||
        kind === 'loop' ||
        (kind === 'derived' && (!init || next(init, [])))
      );
    });
  }

  private isElsewhere(frame: Frame, name: string): boolean {
    const target = this.project.lookup(frame.code.file, name);
    return target.kind === 'unbound' || (target.kind === 'outside' && target.why === 'package');
  }

  /** Whether a symbol only names a part of another node, or a function, and is no value of its own. */
  aliasOf(frame: Frame, symbol: SymbolFact): Part | 'none' | undefined {
    const { init } = symbol;
    if (symbol.kind !== 'derived' || !init) return undefined;
    const ofHelper = init.from && (frame.inner.has(init.from.call) || this.storeAt(frame, init.from.call));
    const ofMember = init.kind === 'member' && this.isOfContext(frame, init.symbol!);
    if (!ofHelper && !ofMember) return undefined;
    const [only, ...others] = this.sources(frame, init);
    if (only && !others.length && only.exact && !only.put.length) return { node: only.node, path: only.take };
    // What a helper gives as an object is taken apart wherever one of its members is used.
    if (only?.put.length || others.some((one) => one.put.length)) return 'none';
    if (only || others.length) return undefined;
    return this.callables(frame, init).length || !ofHelper ? 'none' : undefined;
  }

  /** A symbol for what a context holds, or for what a helper gave of one. */
  private isOfContext(frame: Frame, index: number): boolean {
    const node = frame.nodeOf[index]!;
    return node >= 0 && this.project.flow.nodes[node]!.channel === 'context';
  }
}

/** Objects in objects are followed so far; deeper, what is asked for is the whole that holds it. */
const MAX_PATH = 5;
const into = (path: string[], want: string[]): string[] => [...path, ...want].slice(0, MAX_PATH);

/** What a module keeps in a box is the box: `wind.value`. */
export const unboxed = (path: string[]): string[] => path.filter((one) => one !== 'value');

/** Whether all that an expression may be is written out, so that nothing else flows into it. */
const isPrecise = (gives: ExprFact[]): boolean =>
  gives.every(
    (one) =>
      /^(identity|member|object|array|function|literal|content)$/.test(one.kind) ||
      one.from !== undefined ||
      // A name of a module that keeps nothing.
      (one.kind === 'computed' && !one.uses?.length) ||
      (one.gives !== undefined && isPrecise(one.gives)),
  );

const inexact = (list: Source[], yes: boolean): Source[] =>
  yes ? list.map((one) => ({ ...one, exact: false })) : list;

function unique(list: Source[]): Source[] {
  if (list.length < 2) return list;
  const found = new Map<string, Source>();
  for (const one of list) {
    const key = `${one.node}:${one.take.join('.')}:${one.put.join('.')}`;
    const known = found.get(key);
    if (!known) found.set(key, one);
    else if (!one.exact) found.set(key, { ...known, exact: false });
  }
  return [...found.values()];
}
