/** What an expression is made of: the nodes whose values it holds. */
import { ANY_MEMBER } from '../../model/code';
import type { ExprFact, InvokeFact, PlainCallFact, StoreAsk, SymbolFact } from '../../model/facts';
import {
  into,
  isSamePath,
  isWithin,
  type Loose,
  looseIn,
  looseInCall,
  membersTaken,
  symbolsOf,
} from './expressions';
import { apart, type Frame, type Frames } from './frames';
import { CalledFrom, type CallFrom } from './called-from';
import { argumentsOf, type Held, ofParameter, takenOf } from './handings';
import { type Given, isNamedBy, namedBy, takenUnder, textIn, withNames } from './named-members';
import type { Linked } from '../linked';
import { asList, isPlace, spreadFrom } from './lists';
import { isOutside, takersOf } from './handed-out';
import { Memo } from './memo';
import { askedIn, givesOf, Results, writesOf } from './results';
import { isMore } from './stuff';

/** Hooks that give what the store holds that they are given. */
const ASKS_GIVEN = /^use(\w*(Store|Snapshot|Atom|Value|Signal|Selector|Observable|Subject)\w*|Proxy|Stream)$/;

/** A node that a value comes from: the member that is taken of it, and the member of the whole that it becomes. */
export interface Source {
  node: number;
  take: string[];
  put: string[];
  /** As it is, under whatever name. */
  exact: boolean;
  /** Members that are left behind. */
  without?: string[];
  /** It does not become the value: it decides which of several it is. */
  decides?: boolean;
  /** The value is worked out of it: neither it, nor a part of it, nor one of several that it may be. */
  made?: boolean;
}

/** A store that is asked, and the part of it that is picked. */
interface AskedStore {
  frame: Frame;
  symbol: number;
  picked?: { frame: Frame; values: ExprFact[] };
}

/** What a parameter of a helper stands for at its call, however often it is handed on. */
function whereWritten(frame: Frame, expr: ExprFact): [Frame, ExprFact] {
  const symbol = expr.kind === 'identity' ? frame.code.facts.symbols[expr.symbol!]! : undefined;
  const arg =
    symbol?.kind === 'param' && symbol.within === -1 && symbol.index !== undefined && !symbol.path
      ? frame.args[symbol.index]
      : undefined;
  return arg && frame.caller ? whereWritten(frame.caller, arg) : [frame, expr];
}

/** A function that is called; of its parameters, `skip` were given before. */
export interface CalledFunction {
  frame: Frame;
  fn: number;
  skip?: number;
  /** It is one of the code that calls it. */
  own?: true;
}

/** Expressions in expressions are followed so far. */
export const MAX_DEPTH = 24;
export class Values {
  private readonly known = new Memo<Source>(made);
  private readonly ofCalls = new Memo<Source>(made);
  private readonly called = new Memo<CalledFunction>();
  /** What functions give back of what they are given. */
  readonly results: Results;
  /** Who calls the functions that components are declared in. */
  private readonly calledFrom: CalledFrom;

  constructor(
    private readonly project: Linked,
    private readonly frames: Frames,
    /** The functions that something called may be. */
    private readonly functionsOf: (frame: Frame, callee: ExprFact) => CalledFunction[],
  ) {
    this.calledFrom = new CalledFrom(project, frames);
    this.results = new Results(project, (frame, call) => this.functionsAt(frame, call));
  }

  /** What was worked out before all nodes were there is worked out anew. */
  forget(): void {
    this.known.forget();
    this.ofCalls.forget();
    this.called.forget();
    this.results.forget();
  }

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
        return expr.elements ? listSources(expr, want, next) : this.loose(frame, expr, depth);
    }
    if (expr.picks) {
      const name = this.nameUnder(frame, expr.picks.under);
      if (name !== undefined) {
        const found = this.sources(frame, expr.picks.of, [name, ...into(expr.path ?? [], want)], depth + 1);
        // Which member it is, the name decides.
        const isAny = isNamedBy(name);
        return isAny ? unique([...inexact(found, true), ...made(next(expr.picks.under, []))]) : found;
      }
    }
    if (expr.without) {
      const { without, ...whole } = expr;
      if (want.length && without.includes(want[0]!)) return [];
      const sources = this.sources(frame, whole, [], depth + 1);
      return sources.map((one) =>
        one.put.length ? one : want.length ? { ...one, take: into(one.take, want) } : { ...one, without },
      );
    }
    if (expr.entry) return this.entrySources(frame, expr, want, depth);
    const listed = this.listedSources(frame, expr, want, depth);
    if (listed) return listed;
    const given = expr.from ? this.givenByHelper(frame, expr.from, want, depth) : undefined;
    if (given) return given;
    if (expr.call !== undefined) {
      const path = into(expr.path ?? [], want);
      return this.ofCall(frame, expr.call, path, depth);
    }
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
    if (expr.gives) {
      const found = expr.gives.flatMap((one) => next(one, want));
      if (want.length || found.length)
        return unique([
          ...inexact(unique(found), expr.gives.length > 1),
          ...this.deciding(frame, expr, depth),
        ]);
    }
    return this.loose(frame, expr, depth);
  }

  /** The name that a parameter gives to a member: a text, or whatever the function is called with. */
  private nameUnder(frame: Frame, under: ExprFact): string | undefined {
    const text = textIn(this.project, frame, under, []);
    const { kind, within = -1, index, path = [] } = frame.code.facts.symbols[under.symbol!]!;
    if (text !== undefined || kind !== 'param' || within < 0 || index === undefined) return text;
    return namedBy({ own: index, take: into(path, under.path ?? []), of: within }, '');
  }

  /** What a call gives for the names of members that a function takes. */
  private namesFor(frame: Frame, { args, fn }: InvokeFact, called: CalledFunction): Given {
    const names = this.results.names(frame, args, fn < 0 ? undefined : fn, called.skip);
    return (by) => {
      if (by.of !== called.fn) return undefined;
      const given = names({ own: by.own, take: by.take });
      // What the caller is given itself is told apart by whose parameter it is.
      return typeof given === 'object' ? { ...given, of: given.of ?? fn } : given;
    };
  }

  /** What a call of a helper gives back, or of what asks a store; undefined where it is neither. */
  private givenByHelper(
    frame: Frame,
    from: NonNullable<ExprFact['from']>,
    want: string[],
    depth: number,
  ): Source[] | undefined {
    const inner = frame.inner.get(from.call);
    if (!inner) return this.chosenOfStore(frame, from, want, depth);
    const { result } = inner.code.facts;
    const path = into(from.path, want);
    return result
      ? this.known.once(inner, 'result', path, (way) => this.sources(inner, result, way, depth + 1))
      : [];
  }

  /** What a call gives back, of what its functions keep and of what they are given; undefined where nobody knows them. */
  private givenByCall(frame: Frame, index: number, want: string[], depth: number): Source[] | undefined {
    const call = frame.code.facts.invokes![index]!;
    if (call.helper !== undefined) {
      const given = this.givenByHelper(frame, { call: call.helper, path: [] }, want, depth);
      if (given) return given;
    }
    const found = this.functionsAt(frame, index);
    return found.length
      ? this.ofCalls.once(frame, index, want, (way) => this.givenByFunctions(frame, call, found, way, depth))
      : undefined;
  }

  private givenByFunctions(
    frame: Frame,
    call: InvokeFact,
    found: CalledFunction[],
    want: string[],
    depth: number,
  ): Source[] {
    const kept = found.flatMap((one) =>
      underNames(this.givenBack(one, want, depth), this.namesFor(frame, call, one)),
    );
    if (!found.every(givesOf)) return unique([...kept, ...this.madeOf(frame, looseInCall(call), depth)]);
    const { callee } = call;
    const holder = ownFunction(frame, callee) === undefined ? symbolsOf(callee) : [];
    // Of what holds several functions, the one that is called.
    const path = callee.path ?? callee.component?.split('.').slice(1) ?? [];
    return unique([
      ...kept,
      ...found.flatMap((one) => this.ofArguments(frame, call, one, want, depth)),
      ...made(holder.flatMap((one) => this.symbolSources(frame, one, path, depth + 1))),
    ]);
  }

  /** What a function gives back of what one call gives it. */
  private ofArguments(
    frame: Frame,
    call: InvokeFact,
    { frame: own, fn, skip = 0 }: CalledFunction,
    want: string[],
    depth: number,
  ): Source[] {
    const names = this.results.names(frame, call.args, undefined, skip);
    return this.results.of(own, fn).flatMap((given) => {
      const held = { ...given, put: withNames(given.put, names) };
      const part = takenOf(held, want);
      if (!part) return [];
      const sources = argumentsOf(call, part, skip).flatMap(({ arg, take }) =>
        isGetter(frame, arg) ? this.kept(frame, arg) : this.sources(frame, arg, take, depth + 1),
      );
      return sources.map((one): Source => {
        if (!held.made) return { ...one, put: into(part.put, one.put), exact: false };
        return { ...one, exact: false, made: true, ...(held.decides ? { decides: true } : {}) };
      });
    });
  }

  /** The functions that a call of some code may call. */
  private functionsAt(frame: Frame, call: number): CalledFunction[] {
    return this.called.once(frame, call, [], () => {
      const { callee } = frame.code.facts.invokes![call]!;
      const fn = ownFunction(frame, callee);
      return fn === undefined ? this.functionsOf(frame, callee) : [{ frame, fn, own: true }];
    });
  }

  /** What is kept of what a setter is given: of a function, what it gives back. */
  kept(frame: Frame, given: ExprFact): Source[] {
    const { symbol, kind } = given;
    const fn =
      kind === 'function'
        ? given.fn
        : kind === 'identity'
          ? frame.code.facts.symbols[symbol!]!.fn
          : undefined;
    if (fn === undefined) return this.sources(frame, given);
    const gives = frame.code.facts.functions[fn]!.gives ?? [];
    return inexact(unique(gives.flatMap((one) => this.sources(frame, one))), true);
  }

  /** What a function gives back; of one that only says yes or no, or one of several words, what decides which. */
  private givenBack({ frame: whole, fn, own }: CalledFunction, want: string[], depth: number): Source[] {
    const { gives = [], params, given = [] } = whole.code.facts.functions[fn]!;
    // What one call gives it is no matter to the others: each is asked for itself. One that is called once is read as it is.
    const frame = own && (!params.length || given.length < 2) ? whole : apart(whole, fn);
    return this.known.once(frame, `fn${fn}`, want, (way) => {
      const all = inexact(unique(gives.flatMap((one) => this.sources(frame, one, way, depth + 1))), true);
      const found = own ? all : all.filter((one) => !this.isPassing(one));
      if (gives.length < 2 || !gives.every(({ kind }) => kind === 'literal')) return found;
      const symbols = new Set((askedIn(frame.code).get(fn) ?? []).map(({ symbol }) => symbol));
      return unique(
        [...symbols].flatMap((one) =>
          this.symbolSources(frame, one, [], depth + 1).map((source) => ({
            ...source,
            exact: false,
            decides: true,
          })),
        ),
      );
    });
  }

  /** What a function that is handed over gives back is worked out of, beside what it is called with. */
  answer({ frame, fn, skip }: CalledFunction): Source[] {
    return made(asTaken(this.givenBack({ frame, fn, ...(skip ? { skip } : {}) }, [], 0)));
  }

  /** The member of what a call gives back that is spread, where it is seen that there is one. */
  returned(frame: Frame, { call }: ExprFact, name: string): Source[] {
    const given = call === undefined ? undefined : this.givenByCall(frame, call, [name], 0);
    return (given ?? []).filter((one) => one.take.at(-1) !== name && !one.made);
  }

  /** What a function of a module keeps while it runs, each call has for itself. */
  private isPassing({ node }: Source): boolean {
    const { component, symbol } = this.project.flow.nodes[node]!;
    return symbol >= 0 && this.project.components[component]!.facts.symbols[symbol]!.inner === true;
  }

  /** What a call of a store gives: the part that its selector picks, or the whole. */
  private chosenOfStore(
    frame: Frame,
    from: NonNullable<ExprFact['from']>,
    want: string[],
    depth: number,
  ): Source[] | undefined {
    const stores = this.storesAt(frame, from.call);
    if (!stores.length) return undefined;
    const path = into(from.path, want);
    return unique(
      stores.flatMap((store) =>
        store.picked
          ? store.picked.values.flatMap((one) => this.sources(store.picked!.frame, one, path, depth + 1))
          : this.symbolSources(store.frame, store.symbol, path, depth + 1),
      ),
    );
  }

  /** The stores that a call asks, and what its selector gives back, in which the parameter stands for the store. */
  storesAt(frame: Frame, index: number): AskedStore[] {
    const call = frame.code.facts.calls[index];
    if (!call) return [];
    const { shared } = this.frames;
    const own = shared.symbolOf(frame.code.file, call.name);
    if (own) {
      if (own.module.facts.symbols[own.symbol]!.kind !== 'state') return [];
      const store = { frame: this.frames.of(own.module), symbol: own.symbol };
      const node = store.frame.nodeOf[own.symbol]!;
      const selector = call.args?.find((one) => one.kind === 'function' || one.from !== undefined);
      return [node < 0 ? store : this.picked(frame, selector, store, node)];
    }
    const handed = ASKS_GIVEN.test(call.name) ? this.givenStore(frame, call) : undefined;
    if (handed) return [handed];
    if (!shared.stores.length || !shared.asksStore(frame.code.file, call.name)) return [];
    const [given] = call.args ?? [];
    const [by, selector] = given ? whereWritten(frame, given) : [frame, given];
    return shared.stores.map(({ module, symbol }) =>
      this.picked(by, selector, { frame: this.frames.of(module), symbol }, -1),
    );
  }

  /** `useStore(fleet, (now) => now.held)`: what a hook of a package is given is a store of the project. */
  private givenStore(frame: Frame, { name, args = [] }: PlainCallFact): AskedStore | undefined {
    const { code } = frame;
    const { shared } = this.frames;
    const [first, selector] = args;
    if (first?.component === undefined || !shared.isForeign(code.file, name)) return undefined;
    const own = shared.symbolOf(code.file, first.component);
    if (!own || own.module.facts.symbols[own.symbol]!.kind !== 'state') return undefined;
    const store = { frame: this.frames.of(own.module), symbol: own.symbol };
    const node = store.frame.nodeOf[own.symbol]!;
    return node < 0 ? store : this.picked(frame, selector, store, node);
  }

  private picked(
    frame: Frame,
    selector: ExprFact | undefined,
    store: { frame: Frame; symbol: number },
    node: number,
  ): AskedStore {
    // A function that makes what picks, or what picks itself, by its name or written there.
    const [made] = selector?.kind === 'call' ? this.functionsOf(frame, selector) : [];
    const named =
      made || selector?.component === undefined ? undefined : this.frames.selector(frame, selector.component);
    const fn = made?.fn ?? selector?.fn;
    const inside = made?.frame ?? named ?? frame;
    if (!named && fn === undefined) return store;
    const { functions, symbols, result } = inside.code.facts;
    const within = named ? -1 : fn;
    symbols.forEach((symbol, at) => {
      if (symbol.kind === 'param' && symbol.within === within && symbol.index === 0)
        inside.aliases.set(at, { node, path: symbol.path ?? [], whole: store });
    });
    const values = named ? (result ? [result] : []) : (functions[fn!]!.gives ?? []);
    return { ...store, picked: { frame: inside, values } };
  }

  /** What decides which of several things an expression is. */
  private deciding(frame: Frame, expr: ExprFact, depth: number): Source[] {
    const { gives = [], beside, uses = [], calls = [], start, end } = expr;
    if (!(beside ?? uses).length && !calls.length) return [];
    const arms = gives.map(looseIn);
    const given = new Set([...gives.flatMap(symbolsOf), ...arms.flatMap((one) => one.symbols)]);
    const asked = new Set(arms.flatMap((one) => one.calls));
    const symbols = (beside ?? uses).filter((one) => !given.has(one));
    const others = calls.filter((one) => !asked.has(one));
    if (!symbols.length && !others.length) return [];
    const held: Loose = { symbols, calls: others, asks: [], start, end };
    return this.madeOf(frame, held, depth).map((one) => ({ ...one, decides: true }));
  }

  /** All that an expression uses flows into it, nobody knows where. */
  private loose(frame: Frame, expr: ExprFact, depth: number): Source[] {
    return this.madeOf(frame, looseIn(expr), depth);
  }

  /** What a call gives back; of one of which nobody knows what it calls, all that it is given. */
  private ofCall(frame: Frame, index: number, want: string[], depth: number): Source[] {
    return (
      this.givenByCall(frame, index, want, depth) ??
      this.givenByList(frame, index, want, depth) ??
      this.madeOf(frame, looseInCall(frame.code.facts.invokes![index]!), depth)
    );
  }

  /** An entry of a list, or a list of the same ones, that a call gives which takes no function. */
  private givenByList(frame: Frame, index: number, want: string[], depth: number): Source[] | undefined {
    const expr = asList(this.project, frame, frame.code.facts.invokes![index]!);
    return expr && this.sources(frame, expr, want, depth + 1);
  }

  private madeOf(frame: Frame, held: Loose, depth: number): Source[] {
    if (depth > MAX_DEPTH) return [];
    const asked = (one: number): Source[] =>
      this.functionsAt(frame, one).flatMap((called) => asTaken(this.givenBack(called, [], depth + 1)));
    const found: Source[] = [];
    for (const one of held.symbols)
      for (const path of membersTaken(frame.code, one, held))
        found.push(...this.symbolSources(frame, one, path, depth + 1));
    for (const one of held.calls) found.push(...this.ofCall(frame, one, [], depth + 1));
    for (const one of held.asks) found.push(...asked(one));
    return unique(made(found));
  }

  /** An entry of a list, or of what holds values by names, or a member of an entry; and what decides which one it is. */
  private entrySources(frame: Frame, expr: ExprFact, want: string[], depth: number): Source[] {
    const { of, at = ANY_MEMBER } = expr.entry!;
    const path = [at, ...into(expr.path ?? [], want)];
    const found = this.sources(frame, of, path, depth + 1);
    // What has no entries that anybody sees is one that it is worked out of.
    const entries = found.length ? inexact(found, true) : made(this.sources(frame, of, [], depth + 1));
    return unique([...entries, ...this.choosing(frame, expr, of, depth)]);
  }

  /** What else stands in what gives an entry of a list, or its entries, decides which these are. */
  private choosing(frame: Frame, expr: ExprFact, of: ExprFact, depth: number): Source[] {
    const [all, own] = [looseIn(expr), looseIn(of)];
    const without = (list: number[], less: number[]) => list.filter((one) => !less.includes(one));
    const symbols = without(all.symbols, symbolsOf(of));
    const held = { ...all, symbols, calls: without(all.calls, own.calls), asks: without(all.asks, own.asks) };
    return this.madeOf(frame, held, depth).map((one) => ({ ...one, decides: true }));
  }

  /** A list that is made of another one: of the same entries, or with one for each of them; undefined for any other. */
  private listedSources(frame: Frame, expr: ExprFact, want: string[], depth: number): Source[] | undefined {
    const [first, ...rest] = want;
    if (first !== undefined && !isPlace(first)) return undefined;
    const { lists, each } = expr;
    const gives = each === undefined ? [] : (frame.code.facts.functions[each]!.gives ?? []);
    if (!lists && !gives.length) return undefined;
    const entries = lists
      ? this.sources(frame, lists, [ANY_MEMBER, ...rest], depth + 1)
      : gives.flatMap((one) => this.sources(frame, one, rest, depth + 1));
    // Which of the entries of another list these are, what else stands there decides.
    if (first !== undefined)
      return unique([...inexact(entries, true), ...(lists ? this.choosing(frame, expr, lists, depth) : [])]);
    return unique([...amongOthers(entries), ...this.loose(frame, expr, depth)]);
  }

  private objectSources(
    expr: ExprFact,
    want: string[],
    next: (part: ExprFact, path: string[]) => Source[],
  ): Source[] {
    const [name, ...rest] = want;
    const spreads = expr.spreads ?? [];
    // Under which name it is kept the code works out: it may be any.
    const loose = (path: string[]): Source[] =>
      inexact(
        (expr.others ?? []).flatMap((one) => next(one, path)),
        true,
      );
    // A name that is not known yet may be any.
    if (name !== undefined && !isNamedBy(name)) {
      const member = expr.members?.findLast((one) => one.name === name);
      if (member) return next(member.value, rest);
      // What tells of its changes is asked for what it tells of: `$line.wind`.
      const tells = expr.members?.find((one) => one.name === 'subscribe');
      if (tells) return next(tells.value, want);
      // Any of what it holds.
      const any = name === ANY_MEMBER ? (expr.members ?? []).flatMap((one) => next(one.value, rest)) : [];
      return unique([...any, ...spreads.flatMap((one) => next(one, want)), ...loose(rest)]);
    }
    return unique([
      ...(expr.members ?? []).flatMap((one) =>
        next(one.value, []).map((source) => ({ ...source, put: [one.name, ...source.put] })),
      ),
      ...spreads.flatMap((one) => next(one, [])),
      ...amongOthers(loose([])),
    ]);
  }

  private memberSources(frame: Frame, expr: ExprFact, want: string[], depth: number): Source[] {
    const own = this.symbolSources(frame, expr.symbol!, into(expr.path ?? [], want), depth);
    const { called, ...callee } = expr;
    // What is called without anything may be a value that is read so, or a function that gives one back.
    const given = called
      ? this.functionsOf(frame, callee).flatMap((one) => asTaken(this.givenBack(one, want, depth)))
      : [];
    const found = given.length ? unique([...own, ...given]) : own;
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
    if (frame.apart && isWithin(symbol, frame.apart)) {
      const inside = this.passingSources(frame, frame.apart.fn, index, want, depth);
      if (inside) return inside;
    }
    const alias = frame.aliases.get(index);
    if (alias && alias.node >= 0)
      return [{ node: alias.node, take: into(alias.path, want), put: [], exact: true }];
    if (alias?.whole)
      return this.symbolSources(alias.whole.frame, alias.whole.symbol, into(alias.path, want), depth + 1);
    const node = frame.nodeOf[index]!;
    if (node >= 0) return [{ node, take: want, put: [], exact: true }];
    if (symbol.kind === 'bag' || symbol.kind === 'rest') return this.bagSources(frame, symbol, want);
    if (symbol.kind === 'param' && symbol.within === -1 && symbol.index !== undefined) {
      const arg = frame.args[symbol.index];
      const inside = symbol.path ?? [];
      if (!frame.caller)
        return this.known.once(frame, index, want, (way) =>
          this.givenBy(
            this.calledFrom.of(frame.code, -1),
            ofParameter(symbol.index!, into(inside, way), symbol.rest),
            depth,
          ),
        );
      if (!arg) return [];
      // A function that only gives a value stands for it.
      return isGetter(frame.caller, arg)
        ? this.kept(frame.caller, arg)
        : this.sources(frame.caller, arg, into(inside, want), depth + 1);
    }
    if (symbol.kind === 'param' && symbol.within !== undefined && symbol.index !== undefined) {
      const { within, index: at, rest, except } = symbol;
      if (except?.includes(want[0]!)) return [];
      return this.known.once(frame, index, want, (way) => {
        const calls = this.callsOf(frame, within);
        return calls.length
          ? this.givenBy(calls, ofParameter(at, into(symbol.path ?? [], way), rest), depth)
          : this.givenFromOutside(frame, within, depth);
      });
    }
    if (symbol.store) return this.storeSources(frame, symbol.store, want, depth);
    if (symbol.kind === 'shared' && symbol.port!.startsWith('#')) {
      const kept = this.frames.pageNode(symbol.port!);
      return kept < 0 ? [] : [{ node: kept, take: want, put: [], exact: true }];
    }
    if (symbol.outer) {
      const { frames, index: own } = this.frames.around(frame, symbol.outer);
      const found = frames.map((one) => this.symbolSources(one, own, want, depth + 1));
      return inexact(unique(found.flat()), found.length > 1);
    }
    if (symbol.kind === 'shared') {
      // What a module made by a helper, and did not name otherwise.
      const found = this.frames.shared.symbolOf(frame.code.file, symbol.port!);
      return found && found.module !== frame.code
        ? this.symbolSources(this.frames.of(found.module), found.symbol, want, depth + 1)
        : [];
    }
    if (symbol.kind === 'derived' && symbol.init && symbol.init.kind !== 'function')
      return this.known.once(frame, index, want, (way) => this.sources(frame, symbol.init!, way, depth + 1));
    return [];
  }

  /** What a function of some code is called with: by its name, by what it is handed to, and around what is declared in it. */
  callsOf(frame: Frame, fn: number): Pick<CallFrom, 'frame' | 'args'>[] {
    const { bound } = frame;
    if (bound?.fn === fn) return [{ frame: bound.caller, args: bound.args }];
    const own = (frame.code.facts.functions[fn]?.given ?? []).map((args) => ({ frame, args }));
    return [...own, ...this.calledFrom.of(frame.code, fn)];
  }

  /** What a parameter of a function holds that is called in several places. */
  private givenBy(calls: Pick<CallFrom, 'frame' | 'args'>[], of: Held, depth: number): Source[] {
    const found = calls.flatMap(({ frame, args }) =>
      argumentsOf({ args }, of).flatMap(({ arg, take }) => this.sources(frame, arg, take, depth + 1)),
    );
    return inexact(unique(found), calls.length > 1);
  }

  /** What a package makes of what it is given, where it is given a function to call. */
  private givenFromOutside(frame: Frame, fn: number, depth: number): Source[] {
    const { code } = frame;
    const takers = takersOf(code).get(fn) ?? [];
    return unique(
      takers.flatMap((call) => {
        const { callee, args } = code.facts.invokes![call]!;
        if (!isOutside(this.frames.shared, frame, callee) || this.functionsAt(frame, call).length) return [];
        // What it gives to be asked later, or told, is none of it.
        const given = args.filter(
          (one) => one.kind !== 'function' && one.kind !== 'object' && isMore(this.project, frame, one),
        );
        const within = args.flatMap(({ members = [] }) =>
          members.flatMap(({ value }) => (isMore(this.project, frame, value) ? [value] : [])),
        );
        const holder = callee.kind === 'member' || callee.kind === 'identity' ? [callee.symbol!] : [];
        return made([
          ...holder.flatMap((one) => this.symbolSources(frame, one, [], depth + 1)),
          ...[...given, ...within].flatMap((one) => this.sources(frame, one, [], depth + 1)),
        ]);
      }),
    );
  }

  /** What stands under a name of a function that each call has for itself; undefined where that is no such name. */
  private passingSources(
    frame: Frame,
    fn: number,
    index: number,
    want: string[],
    depth: number,
  ): Source[] | undefined {
    const { kind, init, within, index: at } = frame.code.facts.symbols[index]!;
    if (kind === 'param' && within === fn) return [];
    if (frame.apart!.keeps || (kind !== 'derived' && kind !== 'loop')) return undefined;
    return this.known.once(frame, index, want, (way) => {
      const found = init && !(kind === 'loop' && at) ? this.sources(frame, init, way, depth + 1) : [];
      // What is put into it, or into a member of what it holds.
      const written = (writesOf(frame.code).get(index) ?? []).flatMap(({ value, path = [] }) => {
        const rest = value && partPut(path, way);
        return rest
          ? this.sources(frame, value, rest.want, depth + 1).map((one) => ({
              ...one,
              put: into(rest.put, one.put),
            }))
          : [];
      });
      return inexact(unique([...found, ...written]), kind === 'loop' || written.length > 0);
    });
  }

  /** What the app's store keeps, or derives from that, where a way leads in it. */
  private storeSources(frame: Frame, ask: StoreAsk, want: string[], depth: number): Source[] {
    if (depth > MAX_DEPTH) return [];
    const { appStore } = this.frames.shared;
    const { file } = frame.code;
    const states = appStore
      .statesAt(file, ask, want)
      .flatMap((one) => this.symbolSources(this.frames.of(one.module), one.symbol, one.path, depth + 1));
    const derived = appStore.functionsAt(file, ask, want, ['getters']).flatMap((one) => {
      const inside = this.frames.of(one.module);
      return this.known.once(inside, `fn${one.fn}`, one.path, (way) =>
        (one.module.facts.functions[one.fn]!.gives ?? []).flatMap((given) =>
          this.sources(inside, given, way, depth + 1),
        ),
      );
    });
    return unique([...states, ...derived]);
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
}

/** What stands in a list, nobody knows where. */
const amongOthers = (list: Source[]): Source[] =>
  list.map((one) => ({ ...one, put: one.made ? one.put : [ANY_MEMBER, ...one.put], exact: false }));

/** What stands in a list, each at its place; where others are spread into it, nobody knows which that is. */
function listSources(
  { elements = [], open, spreads = [] }: ExprFact,
  want: string[],
  next: (part: ExprFact, path: string[]) => Source[],
): Source[] {
  const [first, ...rest] = want;
  if (first !== undefined && isPlace(first)) {
    const those = open || first === ANY_MEMBER ? elements : elements.slice(Number(first), Number(first) + 1);
    const found = [...those.flatMap((one) => next(one, rest)), ...spreads.flatMap((one) => next(one, want))];
    return inexact(unique(found), those.length > 1 || open === true);
  }
  const at = (index: number): string => (open ? ANY_MEMBER : String(index));
  return unique([
    ...elements.flatMap((one, index) =>
      next(one, []).map((source) => ({ ...source, put: [at(index), ...source.put], exact: false })),
    ),
    ...spreads.flatMap((one) =>
      next(one, []).map((source) => ({ ...source, put: spreadFrom(source.put), exact: false })),
    ),
  ]);
}

/** What a module keeps in a box is the box: `wind.value`. */
export const unboxed = (path: string[]): string[] => path.filter((one) => one !== 'value');

/** `() => wind.value`: it does nothing but give a value. */
function isGetter({ code }: Frame, { kind, fn }: ExprFact): boolean {
  const own = kind === 'function' && fn !== undefined ? code.facts.functions[fn]! : undefined;
  if (!own?.gives?.length || own.params.length || own.calls.length) return false;
  return own.gives.every((one) => /^(identity|member|computed)$/.test(one.kind));
}

/** The function of the code itself that is called by its name. */
const ownFunction = ({ code }: Frame, { kind, symbol }: ExprFact): number | undefined =>
  kind === 'identity' && symbol !== undefined ? code.facts.symbols[symbol]!.fn : undefined;

/** What of a value that is put under a path is asked for under another; undefined where that is none of it. */
function partPut(put: string[], want: string[]): { put: string[]; want: string[] } | undefined {
  const shared = Math.min(put.length, want.length);
  for (let at = 0; at < shared; at++) if (put[at] !== want[at]) return undefined;
  return { put: put.slice(want.length), want: want.slice(put.length) };
}

/** Sources with the names of members that a call gives. */
const underNames = (list: Source[], given: Given): Source[] =>
  list.map((one) => {
    const take = takenUnder(one.take, given);
    const isLess = take.length < one.take.length;
    return take === one.take ? one : { ...one, take, ...(isLess ? { exact: false, made: true } : {}) };
  });

/** The same where nobody knows the names. */
const asTaken = (list: Source[]): Source[] => underNames(list, () => undefined);

const made = (list: Source[]): Source[] => list.map((one) => ({ ...one, exact: false, made: true }));

const inexact = (list: Source[], yes: boolean): Source[] =>
  yes ? list.map((one) => ({ ...one, exact: false })) : list;

/** So many are held against each other; of more, each gets a key. */
const FEW = 8;

function unique(list: Source[]): Source[] {
  if (list.length < 2) return list;
  const found: Source[] = [];
  const places = list.length > FEW ? new Map<string, number>() : undefined;
  for (const one of list) {
    const key = places && `${one.node}:${one.take.join('.')}:${one.put.join('.')}`;
    const at = key === undefined ? found.findIndex((other) => isAlike(other, one)) : (places!.get(key) ?? -1);
    const known = found[at];
    if (known) {
      if (!one.exact || known.made)
        found[at] = { ...known, exact: known.exact && one.exact, made: known.made && one.made };
      continue;
    }
    if (key !== undefined) places!.set(key, found.length);
    found.push(one);
  }
  return found;
}

const isAlike = (one: Source, other: Source): boolean =>
  one.node === other.node && isSamePath(one.take, other.take) && isSamePath(one.put, other.put);
