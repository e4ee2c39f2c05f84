/** What calling a function sets off: the nodes that it writes, and the callbacks that it calls on. */
import { ANY_MEMBER } from '../../model/code';
import { listOf } from '../../model/entries';
import type { ExprFact, Span, SharedWriteFact, SymbolFact, WriteFact } from '../../model/facts';
import { bareName } from '../../model/names';
import type { Component, Place } from '../../model/project';
import { keyOf } from '../2-names/constants';
import type { Frame, Frames } from './frames';
import type { Linked } from '../linked';
import { namingFunctions, reachedFunctions } from './functions';
import type { Callable, Callables } from './callables';
import { GivenCalls } from './given-calls';
import { GivenStores } from './given-stores';
import { type Handing, joined, outOf, wholly } from './handings';
import { calledBy } from './expressions';
import { type Given, namedBy, textIn, withNames } from './named-members';
import type { Results } from './results';
import { type Source, unboxed, type Values } from './values';

export interface Effect {
  node: number;
  how: 'write' | 'emit' | 'call';
  /** The member of the node that is written. */
  put: string[];
  params: Handing[];
  place: Place;
}

const MAX_DEPTH = 12;
const NONE: Effect[] = [];
/** A callback that is handed on whole gets what it is called with. */
const ALL: Handing[] = [0, 1, 2, 3].map(wholly);

/** What a call sets off, with the names of members that it gives. */
export const named = (effect: Effect, given: Given): Effect => ({
  ...effect,
  put: withNames(effect.put, given),
  params: effect.params.map((one) => ({ ...one, put: withNames(one.put, given) })),
});

/** Effects of a function that is not called with the first of its parameters. */
const skipped = (effects: Effect[], skip = 0): Effect[] =>
  skip
    ? effects.map((one) => {
        const effect = named(one, (by) => {
          if (by.of !== undefined) return by;
          return by.own < skip ? undefined : { ...by, own: by.own - skip };
        });
        return { ...effect, params: skippedParams(effect.params, skip) };
      })
    : effects;

const skippedParams = (params: Handing[], skip: number): Handing[] =>
  params.flatMap((one) => (one.own < skip ? [] : [{ ...one, own: one.own - skip }]));

/** What a function sets off, from what it is called with, where that reaches it in a member of an object. */
function outOfBox(effects: Effect[], { facts }: Component, fn: number): Effect[] {
  const { boxed } = facts.functions[fn]!;
  return boxed
    ? effects.map((one) => {
        const effect = named(one, (by) =>
          by.of === undefined ? outOf(boxed, { ...wholly(by.own), ...by }) : by,
        );
        return { ...effect, params: effect.params.flatMap((param) => outOf(boxed, param) ?? []) };
      })
    : effects;
}

/** Members of members are written to as far down as this. */
const MAX_WAY = 8;

export class Effects {
  private readonly known = new Map<Frame, Map<number, Effect[]>>();
  private readonly results: Results;
  private readonly givenCalls: GivenCalls;
  private readonly givenStores: GivenStores;
  /** Parameters of which it is being asked what they are given. */
  private readonly looking = new Set<SymbolFact>();

  constructor(
    private readonly project: Linked,
    private readonly frames: Frames,
    private readonly values: Values,
    private readonly callables: Callables,
  ) {
    this.results = values.results;
    this.givenCalls = new GivenCalls(callables, values.results);
    this.givenStores = new GivenStores(project, frames.shared);
  }

  /** The same, with what a function sets off that it is called with, and calls. */
  ofCall(frame: Frame, callable: Callable, args: ExprFact[], at: Place, depth = 0): Effect[] {
    if (callable.kind === 'emitter') return this.raisedBy(callable.component, frame, args, at);
    const isWorkedOut = callable.kind === 'setter' && callable.by !== undefined;
    const own = this.of(callable, at, depth, isWorkedOut ? this.keysTold(frame, args[0]) : undefined);
    if (callable.kind !== 'function' || depth > MAX_DEPTH) return own;
    const { skip = 0 } = callable;
    const calls = this.givenCalls.of(callable.frame, callable.fn);
    const given = calls.flatMap(({ param, path, args: handed, written }) => {
      const arg = args[param - skip];
      const raised = (one: Callable): Effect[] =>
        one.kind === 'emitter' ? this.raisedBy(one.component, written.frame, written.args, at) : [];
      return (arg ? this.callables.of(frame, arg, path) : []).flatMap((one) =>
        [...this.of(one, at, depth + 1), ...raised(one)].map((effect) => ({
          ...named(effect, () => undefined),
          params: skippedParams(joined(handed, effect.params), skip),
          place: at,
        })),
      );
    });
    return given.length ? [...own, ...given] : own;
  }

  /** The event of a component that a call names, with what comes after the name. */
  private raisedBy({ ports }: Component, frame: Frame, args: ExprFact[], at: Place): Effect[] {
    const [name, ...others] = args;
    const text = name && textIn(this.project, frame, name, []);
    if (text === undefined) return NONE;
    const own = bareName(`@${text}`);
    const port = [...ports.values()].find((one) => one.channel === 'event' && bareName(one.name) === own);
    const params = others.map((_, to) => ({ ...wholly(to + 1), to }));
    return port && port.node >= 0 ? [{ node: port.node, how: 'emit', put: [], params, place: at }] : NONE;
  }

  /** `at` is where the call stands, for what has no place of its own; `keys` what it may be told, where that is known. */
  of(callable: Callable, at: Place, depth = 0, keys?: string[]): Effect[] {
    switch (callable.kind) {
      case 'setter': {
        const write = ({ put, params }: Pick<Effect, 'put' | 'params'>): Effect => ({
          node: callable.node,
          how: 'write',
          put,
          params,
          place: at,
        });
        const parts = (callable.by ?? []).map((one) => this.workedOutBy(one, keys));
        const known = parts.length > 0 && parts.every((one) => one !== undefined);
        return known ? parts.flat().map(write) : [write({ put: [], params: [wholly(0)] })];
      }
      // Which event it raises, a call says.
      case 'emitter':
        return NONE;
      case 'port':
        return [{ node: callable.port.node, how: 'emit', put: [], params: ALL, place: at }];
      case 'function': {
        const { frame, fn, skip, around } = callable;
        const all = skipped(outOfBox(this.ofFunction(frame, fn, depth), frame.code, fn), skip);
        if (!around) return all;
        const names = this.results.names(around.frame, around.args);
        return all.map((one) =>
          named(one, (by) => (by.of === around.fn ? names({ own: by.own, take: by.take }) : by)),
        );
      }
    }
  }

  /** What a function works out of what there is and of what a setter is given: the members of what comes next. */
  private workedOutBy(
    callable: Callable,
    keys: string[] | undefined,
  ): Pick<Effect, 'put' | 'params'>[] | undefined {
    if (callable.kind !== 'function') return undefined;
    const { frame, fn } = callable;
    const { gives } = frame.code.facts.functions[fn]!;
    if (!gives) return undefined;
    const found = new Map<string, Pick<Effect, 'put' | 'params'>>();
    let changes = false;
    let isTold = true;
    const add = (put: string[], value: ExprFact): void => {
      const held = this.results.handings(frame, fn, [value]);
      // The first parameter is what there is, the second what the setter is given.
      if (!put.length && held.length && held.every((one) => one.own === 0)) return;
      changes = true;
      if (!isTold) return;
      const params = held.flatMap((one) => (one.own === 1 ? [{ ...one, own: 0 }] : []));
      const known = found.get(put.join('.'));
      if (known) known.params.push(...params);
      else found.set(put.join('.'), { put, params });
    };
    for (const one of gives) {
      isTold = this.isToldOneOf(frame, one, keys);
      const { kind, members = [], spreads = [], others = [] } = one;
      for (const { name, value } of members) add([name], value);
      for (const rest of kind === 'object' ? spreads : [one]) add([], rest);
      for (const { under, ...value } of kind === 'object' ? others : []) {
        const by = under && this.results.giverOf(frame, fn, under);
        add(by?.own === 1 && by.of === undefined ? [namedBy({ own: 0, take: by.take }, '')] : [], value);
      }
    }
    // One that is not seen to change anything does so otherwise.
    return changes ? [...found.values()] : undefined;
  }

  private isToldOneOf({ code }: Frame, { onlyFor }: ExprFact, keys: string[] | undefined): boolean {
    return !keys || !onlyFor || onlyFor.some((one) => keys.includes(keyOf(this.project, code.file, one)));
  }

  /** The keys under which something tells, itself or what a function gives back; undefined where not all are known. */
  private keysTold(frame: Frame, given: ExprFact | undefined, depth = 0): string[] | undefined {
    if (!given || depth > MAX_DEPTH) return undefined;
    if (given.told !== undefined) return [keyOf(this.project, frame.code.file, given.told)];
    const { symbol } = given;
    const own = symbol === undefined ? undefined : frame.code.facts.symbols[symbol]!.fn;
    if (given.kind !== 'call') return undefined;
    const called = calledBy(given);
    const makers: Callable[] =
      own !== undefined
        ? [{ kind: 'function', frame, fn: own }]
        : called
          ? this.callables.of(frame, called)
          : [];
    const keys = makers.flatMap((one): (string[] | undefined)[] =>
      one.kind === 'function'
        ? (one.frame.code.facts.functions[one.fn]!.gives ?? []).map((made) =>
            this.keysTold(one.frame, made, depth + 1),
          )
        : [undefined],
    );
    return keys.length && keys.every((one) => one !== undefined) ? keys.flat() : undefined;
  }

  private ofFunction(frame: Frame, fn: number, depth: number): Effect[] {
    let known = this.known.get(frame);
    if (!known) this.known.set(frame, (known = new Map()));
    const found = known.get(fn);
    if (found) return found;
    if (depth > MAX_DEPTH) return NONE;
    // A function that calls itself adds nothing on its way round.
    known.set(fn, NONE);
    const effects = this.collect(frame, fn, depth);
    known.set(fn, effects);
    return effects;
  }

  private collect(frame: Frame, fn: number, depth: number): Effect[] {
    const { code } = frame;
    const { facts, file } = code;
    const within = reachedFunctions(code, fn, namingFunctions(code));
    // What writes the same more than once is told by the write that is nearest to the call.
    const rank = new Map([...within].map((one, index) => [one, index]));
    const nearest = <F extends { fn: number }>(list: F[]): F[] =>
      list.filter((one) => rank.has(one.fn)).sort((a, b) => rank.get(a.fn)! - rank.get(b.fn)!);
    const found: Effect[] = [];
    const add = (node: number, at: Span, value: ExprFact | undefined, put: string[]) => {
      if (node < 0) return;
      found.push({
        node,
        how: 'write',
        put,
        params: value ? this.results.handings(frame, fn, [value]) : [],
        place: { file, start: at.start, end: at.end },
      });
    };
    // Each member of what is written out is kept under its own name.
    const addParts = (node: number, at: Span, value: ExprFact | undefined, put: string[], is?: Written) => {
      const parts = value?.kind === 'function' ? [] : this.partsGiven(frame, fn, value, is);
      if (!parts.length) add(node, at, value, put);
      for (const part of parts) add(node, at, part.value, [...put, ...part.put]);
    };
    for (const write of nearest(facts.writes)) {
      if (!this.isWrite(frame, write)) continue;
      if (write.setter !== undefined) {
        const at = { file, start: write.start, end: write.end };
        const given = write.value ? [write.value] : [];
        const names = this.results.names(frame, given, fn);
        for (const one of this.callables.setterAt(frame, write.setter))
          for (const effect of this.of(one, at, depth, this.keysTold(frame, write.value))) {
            found.push({
              ...effect,
              put: withNames(effect.put, names),
              params: this.results.handedThrough(frame, fn, given, effect.params),
              place: at,
            });
          }
        continue;
      }
      const sets = write.path?.length ? undefined : facts.symbols[write.symbol]!.init?.sets;
      if (sets !== undefined && !within.has(sets)) {
        const at = { file, start: write.start, end: write.end };
        const given = write.value ? [write.value] : [];
        for (const effect of this.ofFunction(frame, sets, depth + 1))
          found.push({
            ...effect,
            put: withNames(effect.put, this.results.names(frame, given, fn)),
            params: this.results.handedThrough(frame, fn, given, effect.params),
            place: at,
          });
      }
      const by = write.under && this.results.giverOf(frame, fn, write.under);
      for (const { node, path } of this.written(frame, write.symbol, write.path ?? [])) {
        const isNamed = by && path.at(-1) === ANY_MEMBER;
        const put = isNamed ? [...path.slice(0, -1), namedBy(by, ANY_MEMBER)] : path;
        addParts(node, write, write.value, put, write);
      }
    }
    for (const write of nearest(facts.sharedWrites ?? []))
      for (const target of this.writtenShared(frame, write))
        addParts(target.node, write, write.value, target.path);
    for (const emit of nearest(facts.emits)) {
      if (emit.symbol < 0) continue;
      const node = frame.nodeOf[emit.symbol]!;
      if (node < 0) continue;
      const place = { file, start: emit.start, end: emit.end };
      found.push({
        node,
        how: 'emit',
        put: [],
        params: this.results.handings(frame, fn, emit.args),
        place,
      });
    }
    for (const invoke of facts.invokes ?? []) {
      if (!within.has(invoke.fn)) continue;
      const place = { file, start: invoke.start, end: invoke.end };
      const handle = this.throughHandle(frame, invoke.callee);
      if (handle) {
        found.push({
          ...handle,
          how: 'call',
          params: this.results.handings(frame, fn, invoke.args),
          place,
        });
        continue;
      }
      for (const callable of this.callables.of(frame, invoke.callee)) {
        // What is reached by its name is a part of this already.
        if (callable.kind === 'function' && callable.frame === frame && within.has(callable.fn)) continue;
        // What works out the next state of what it is given takes its members as it likes.
        const isKept = callable.kind === 'setter' && !callable.by;
        const parts = isKept ? this.partsGiven(frame, fn, invoke.args[0]) : [];
        const names = this.results.names(frame, invoke.args, fn);
        const through = (args: ExprFact[], effect: Effect, put: string[] = []): number =>
          found.push({
            ...effect,
            put: [...withNames(effect.put, names), ...put],
            params: this.results.handedThrough(frame, fn, args, effect.params),
            place: this.isToldName(frame, callable) ? effect.place : place,
          });
        for (const effect of this.ofCall(frame, callable, invoke.args, place, depth + 1)) {
          if (!parts.length) through(invoke.args, effect);
          for (const { put, value } of parts) through([value], effect, put);
        }
      }
    }
    return found;
  }

  /** Whether it is a function of the code itself that is told what it writes: it does so where that stands, whoever calls it. */
  isToldName(frame: Frame, callable: Callable): boolean {
    return (
      callable.kind === 'function' && callable.frame === frame && namingFunctions(frame.code).has(callable.fn)
    );
  }

  /** What an object that is written out, or that a function gives back, is made of; nothing for anything else. */
  private partsGiven(
    frame: Frame,
    fn: number,
    given: ExprFact | undefined,
    written?: Written,
  ): { put: string[]; value: ExprFact }[] {
    if (!given) return [];
    // What an updater gives back stands for it.
    const [only, ...more] = given.kind === 'computed' ? (given.gives ?? []) : [];
    const own = only && !more.length ? only : given;
    const gives = own.fn === undefined ? [own] : (frame.code.facts.functions[own.fn]!.gives ?? []);
    const parts: { put: string[]; value: ExprFact }[] = [];
    for (const { kind, members = [], spreads = [], others = [] } of gives) {
      if (kind !== 'object') return [];
      for (const { name, value } of members) parts.push({ put: [name], value });
      for (const value of spreads)
        if (!isWhatThereWas(frame, value, written, own.fn)) parts.push({ put: [], value });
      for (const { under, ...value } of others) {
        const by = under && this.results.giverOf(frame, fn, under);
        // Where a name is worked out, what that is made of counts as well.
        if (!by) return [];
        parts.push({ put: [namedBy(by, ANY_MEMBER)], value });
      }
    }
    return parts;
  }

  /**
   * The handle that a call goes through, with the member of it that is called. What this sets off is the child's, and
   * only of the child that the handle is put on: whoever walks on from here enters it by that call site.
   */
  throughHandle(frame: Frame, { symbol, path = [] }: ExprFact): Pick<Effect, 'node' | 'put'> | undefined {
    if (symbol === undefined || frame.code.facts.symbols[symbol]!.kind !== 'ref') return undefined;
    const [current, name] = path;
    const node = frame.nodeOf[symbol]!;
    if (node < 0 || current !== 'current' || name === undefined) return undefined;
    const known = this.callables.exposedCallables(frame, symbol, path.slice(1)).length > 0;
    return known ? { node, put: [current, name] } : undefined;
  }

  /** Whether it is one at all: a method that a store has writes what that holds only if it is one. */
  isWrite({ code }: Frame, { symbol, held }: WriteFact): boolean {
    if (held !== 'maybe') return true;
    const { port: name } = code.facts.symbols[symbol]!;
    const port = name === undefined ? undefined : code.ports.get(name);
    return port !== undefined && this.givenStores.isGiven(port);
  }

  /** The nodes that a write to a symbol reaches: state, or what a context or a store holds under that name. */
  written(frame: Frame, index: number, path: string[]): { node: number; path: string[] }[] {
    const { kind, store, init, within = -1 } = frame.code.facts.symbols[index]!;
    const node = frame.nodeOf[index]!;
    // A value of a module that a function made is what that function keeps.
    if (store || (kind === 'shared' && node < 0))
      return this.kept(this.values.symbolSources(frame, index, path, 0));
    if (kind === 'state' || kind === 'shared' || kind === 'ref') return node < 0 ? [] : [{ node, path }];
    if (kind === 'prop') return node < 0 ? [] : [{ node, path }];
    if (kind === 'injected') return this.writtenInContext(frame, index, path);
    const inList = path.length ? this.writtenEntry(frame, index, path) : [];
    if (inList.length) return inList;
    if (path.length && kind === 'param' && within >= 0) {
      const given = this.writtenGiven(frame, index, path);
      if (given.length) return given;
    }
    const behind = init?.symbol === undefined ? undefined : frame.code.facts.symbols[init.symbol];
    if (behind?.kind === 'injected' && (init!.kind === 'member' || init!.kind === 'identity'))
      return this.written(frame, init!.symbol!, [...(init!.path ?? []), ...path]);
    const alias = frame.aliases.get(index);
    const isNamed = alias !== undefined && alias.node >= 0;
    if (!isNamed && kind !== 'derived' && kind !== 'param') return [];
    const sources = isNamed
      ? [{ node: alias.node, take: [...alias.path, ...path], put: [], exact: true }]
      : this.values.symbolSources(frame, index, path, 0);
    const kept = this.kept(sources);
    return kept.length
      ? kept
      : sources.flatMap((one) => {
          const asking = one.exact && one.take.length ? this.askingAt(frame, one.node) : undefined;
          return asking ? this.writtenInContext(asking.frame, asking.symbol, one.take) : [];
        });
  }

  /** What is written into an entry of a list is written into the list, whichever entry it is. */
  writtenEntry(frame: Frame, index: number, path: string[]): { node: number; path: string[] }[] {
    const list = listOf(frame.code.facts, index);
    return list ? this.writtenIn(frame, list, [ANY_MEMBER, ...path]) : [];
  }

  /** What is written into what a function is given is written into what it is called with, wherever its code calls it. */
  private writtenGiven(frame: Frame, index: number, path: string[]): { node: number; path: string[] }[] {
    const { facts } = frame.code;
    const { within, index: at = -1, path: inside = [] } = facts.symbols[index]!;
    const way = [...inside, ...path];
    const parameter = facts.symbols[index]!;
    // A function that calls itself with what it is given says nothing new on its way round.
    if (this.looking.has(parameter)) return [];
    this.looking.add(parameter);
    const found = (facts.functions[within!]!.given ?? []).flatMap((args) => {
      const given = args[at];
      if (given?.entryOf) return this.writtenIn(frame, given.entryOf, [ANY_MEMBER, ...way]);
      const isHeld = given?.kind === 'identity' || given?.kind === 'member';
      return isHeld ? this.writtenIn(frame, given, way) : [];
    });
    this.looking.delete(parameter);
    return found;
  }

  private writtenIn(frame: Frame, { symbol, path = [] }: ExprFact, way: string[]) {
    const whole = [...path, ...way];
    // What is handed round and round gets deeper each time.
    return symbol === undefined || whole.length > MAX_WAY ? [] : this.written(frame, symbol, whole);
  }

  /** The nodes that a write to what a symbol has of a context reaches, or to a member of that. */
  private writtenInContext(frame: Frame, index: number, path: string[]): { node: number; path: string[] }[] {
    const consume = frame.code.facts.consumes.find((one) => one.symbol === index);
    const provided = consume ? this.callables.provided(frame, consume.key) : [];
    return provided.flatMap((one) => {
      const written = this.values.sources(one.frame, objectBehind(one.frame, one.value), path);
      const sources = written.length ? written : this.values.sources(one.frame, one.value, path);
      const kept = this.kept(sources);
      // A member of an object that is provided is kept in it, whoever made it.
      const held = sources.filter(({ exact, take, put }) => exact && take.length > 0 && !put.length);
      return kept.length ? kept : held.map(({ node: to, take }) => ({ node: to, path: take }));
    });
  }

  /** The code of a component that asks for the context whose value a node has, and the symbol that it has it by. */
  private askingAt({ owner }: Frame, node: number): { frame: Frame; symbol: number } | undefined {
    for (const frame of this.frames.within(owner)) {
      const found = frame.code.facts.consumes.find((one) => frame.nodeOf[one.symbol] === node);
      if (found) return { frame, symbol: found.symbol };
    }
    return undefined;
  }

  /** The same for what a module keeps, by its name in the file. */
  writtenShared(frame: Frame, { name, path }: SharedWriteFact): { node: number; path: string[] }[] {
    const { file, facts } = frame.code;
    if (name.startsWith('#')) return [{ node: this.frames.pageNode(name), path }];
    const node = this.frames.shared.nodeOf(file, name);
    if (node >= 0) return [{ node, path: unboxed(path) }];
    const symbol = facts.symbols.findIndex((one) => one.kind === 'shared' && one.port === name);
    if (symbol < 0) return [];
    const found = this.written(frame, symbol, path);
    return found.length || path.length ? found : this.written(frame, symbol, ['subscribe']);
  }

  /** Of some nodes, those that keep something. */
  private kept(sources: Source[]): { node: number; path: string[] }[] {
    return sources
      .filter((one) => one.exact && this.values.isState(one.node))
      .map((one) => ({ node: one.node, path: one.take }));
  }
}

/** What is written to, and the way to it. */
type Written = Pick<WriteFact, 'symbol' | 'path'>;

/** Whether what is spread into what is written is what was there before: it stays as it is. */
function isWhatThereWas(
  { code }: Frame,
  { kind, symbol, path = [] }: ExprFact,
  written: Written | undefined,
  updater: number | undefined,
): boolean {
  if (kind !== 'identity' && kind !== 'member') return false;
  const { symbols, functions } = code.facts;
  const isWritten = (one: number | undefined, way: string[]): boolean =>
    written !== undefined && one === written.symbol && way.join('.') === (written.path ?? []).join('.');
  if (isWritten(symbol, path)) return true;
  const { kind: what, within = -1, index, path: inside = [] } = symbols[symbol!]!;
  if (what !== 'param' || within < 0 || index !== 0 || path.length || inside.length) return false;
  const given = functions[within]!.given ?? [];
  return (
    within === updater ||
    (given.length > 0 && given.every(([one]) => one && isWritten(one.symbol, one.path ?? [])))
  );
}

/** The object that is written out under a name, where a name is all that is given. */
function objectBehind({ code }: Frame, value: ExprFact): ExprFact {
  const { kind, init } = value.kind === 'identity' ? code.facts.symbols[value.symbol!]! : {};
  return kind === 'derived' && init?.kind === 'object' ? init : value;
}
