/** What modules keep: whoever imports it uses the same. */
import { KEPT_BY, NAMED_KEY, TOLD } from '../../model/code';
import type { ExprFact } from '../../model/facts';
import type { Component, Place } from '../../model/project';
import type { Linked } from '../linked';
import { AppStore, ofApp } from './app-store';
import { keyOf } from '../2-names/constants';

interface Module {
  component: Component;
  /** Symbols of what its loose code declares, by name. */
  symbols: Map<string, number>;
}

const DECLARED = /^(state|derived|handler|setter)$/;

/** Values of the loose code of modules; the nodes of these are made before those of components. */
export class Shared {
  private readonly modules = new Map<number, Module>();

  /** What the app's stores keep: in what code, under which symbol. */
  readonly stores: { module: Component; symbol: number }[];

  /** The store that is put together of parts in several files. */
  readonly appStore: AppStore;

  constructor(private readonly project: Linked) {
    const stores: { module: Component; symbol: number }[] = [];
    for (const component of project.components) {
      if (component.facts.role !== 'module') continue;
      const symbols = new Map<string, number>();
      component.facts.symbols.forEach(({ name, kind, store, inner, keptBy }, symbol) => {
        if (name === '#store') stores.push({ module: component, symbol });
        if (keptBy !== undefined) {
          symbols.set(keptBy + KEPT_BY, symbol);
          return;
        }
        const isStore = store !== undefined && !store.path.length;
        if ((isStore || DECLARED.test(kind)) && !inner && !symbols.has(name)) symbols.set(name, symbol);
      });
      this.modules.set(component.file, { component, symbols });
    }
    this.stores = ofApp(stores, ({ module }) => project.files[module.file]!.aside);
    this.appStore = new AppStore(project, this.modules);
  }

  private pageWriters: Map<string, { component: number; place: Place; value: boolean }> | undefined;
  /** Who first puts something under a name into what the page keeps, and where; whoever says what goes before all others. */
  pageWriter(name: string): { component: number; place: Place } | undefined {
    if (!this.pageWriters) {
      this.pageWriters = new Map();
      for (const { id, file, facts } of this.project.components)
        for (const write of facts.sharedWrites ?? [])
          if (write.name.startsWith('#')) {
            const { start, end } = write;
            const value = write.value !== undefined;
            const known = this.pageWriters.get(write.name);
            if (!known || (value && !known.value))
              this.pageWriters.set(write.name, { component: id, place: { file, start, end }, value });
          }
    }
    const found = this.pageWriters.get(name);
    return found && { component: found.component, place: found.place };
  }

  /** The value of a module that a name in a file means. */
  symbolOf(file: number, name: string): { module: Component; symbol: number } | undefined {
    const isPart = name.endsWith(KEPT_BY);
    const target = this.project.lookup(file, isPart ? name.slice(0, -KEPT_BY.length) : name);
    // The class of what tells something by being made.
    const made =
      isPart && target.kind === 'component' ? this.project.components[target.component]! : undefined;
    const home = target.kind === 'value' ? target.file : made?.file;
    if (home === undefined) return undefined;
    const module = this.modules.get(home);
    const own = target.kind === 'value' ? target.value.name : made!.name;
    const symbol = (isPart ? module?.symbols.get(own + KEPT_BY) : undefined) ?? module?.symbols.get(own);
    return symbol === undefined ? undefined : { module: module!.component, symbol };
  }

  private readonly kept = new Map<Component, Map<number, boolean>>();
  private readonly ofState = new Map<Component, Map<number, boolean>>();
  /** Whether a value of a module is kept, or worked out of what is: constants and what its functions name are not. */
  isKept(module: Component, index: number): boolean {
    // What others made for a module that keeps nothing is made, and not kept.
    return this.isWorkedOut(module, index, module.facts.handsOn ? this.ofState : this.kept);
  }

  /** The same with what was found by then; among `ofState` functions and what a call made count for nothing. */
  private isWorkedOut(
    module: Component,
    index: number,
    among: Map<Component, Map<number, boolean>>,
  ): boolean {
    const { symbols } = module.facts;
    const { kind, init, inner, keptBy } = symbols[index]!;
    if (kind === 'state') return keptBy === undefined || this.partsOfStores.has(init!);
    if (inner || kind === 'loop') return false;
    if (kind === 'shared') {
      const own = this.symbolOf(module.file, symbols[index]!.port!);
      if (!own || (own.module === module && own.symbol === index)) return false;
      const isValue = /^(state|derived)$/.test(own.module.facts.symbols[own.symbol]!.kind);
      return isValue && this.isWorkedOut(own.module, own.symbol, this.ofState);
    }
    if (kind !== 'derived') return among === this.kept;
    let known = among.get(module);
    if (!known) among.set(module, (known = new Map()));
    let found = known.get(index);
    if (found !== undefined) return found;
    known.set(index, false);
    const isLive = ({ from, symbol, uses = [], gives = [], members = [] }: ExprFact): boolean =>
      (from !== undefined && among === this.kept) ||
      [...uses, ...(symbol === undefined ? [] : [symbol])].some((one) =>
        this.isWorkedOut(module, one, among),
      ) ||
      gives.some(isLive) ||
      members.some(({ value }) => isLive(value));
    found = init !== undefined && isLive(init);
    known.set(index, found);
    return found;
  }

  private parts: Set<ExprFact> | undefined;
  /** What the parts start with of which some store is put together; others keep nothing, whatever they could. */
  private get partsOfStores(): ReadonlySet<ExprFact> {
    if (this.parts) return this.parts;
    const found = (this.parts = new Set());
    const look = (module: Component, expr: ExprFact): void => {
      if (found.has(expr)) return;
      found.add(expr);
      const { file, facts } = module;
      const { symbol, members = [], spreads = [], gives = [] } = expr;
      const port = symbol === undefined ? undefined : facts.symbols[symbol]!.port;
      const own = port?.endsWith(KEPT_BY) ? this.symbolOf(file, port) : undefined;
      const init = own?.module.facts.symbols[own.symbol]!.init;
      if (init) look(own!.module, init);
      for (const { value } of members) look(module, value);
      for (const one of [...spreads, ...gives]) look(module, one);
    };
    for (const { module, symbol } of this.stores) {
      const { init } = module.facts.symbols[symbol]!;
      if (init) look(module, init);
    }
    return found;
  }

  private answers: Map<string, { module: Component; symbol: number }[]> | undefined;
  /** What parts of stores do when what a name in a file stands for is called. */
  answersTo(file: number, name: string): { module: Component; symbol: number }[] {
    this.answers ??= this.indexAnswers();
    if (!this.answers.size) return [];
    return this.answers.get(this.keyOf(file, name)) ?? [];
  }

  private keyOf(file: number, name: string): string {
    const isTold = name.startsWith(TOLD);
    const key = isTold ? name.slice(TOLD.length) : NAMED_KEY + name;
    return (isTold ? TOLD : '') + keyOf(this.project, file, key);
  }

  private indexAnswers(): Map<string, { module: Component; symbol: number }[]> {
    const found = new Map<string, { module: Component; symbol: number }[]>();
    for (const { index, facts } of this.project.files)
      for (const { action, key: told, does } of facts.answers ?? []) {
        const key = this.keyOf(index, action ?? TOLD + told);
        const module = this.modules.get(index);
        const symbol = module?.symbols.get(does);
        const own = symbol === undefined ? this.symbolOf(index, does) : { module: module!.component, symbol };
        if (own) found.set(key, [...(found.get(key) ?? []), own]);
      }
    return found;
  }

  /** Whether a name in a file is of a package. */
  isForeign(file: number, name: string): boolean {
    const target = this.project.lookup(file, name);
    return target.kind === 'outside' && target.why === 'package';
  }

  /** Whether a name in a file stands for a function that picks a part of what the app's store keeps. */
  asksStore(file: number, name: string): boolean {
    const target = this.project.lookup(file, name);
    if (target.kind === 'outside') return target.asks === 'store';
    const maker = target.kind === 'value' ? target.value.madeBy?.name : undefined;
    if (target.kind !== 'value' || maker === undefined) return false;
    const made = this.project.lookup(target.file, maker);
    return made.kind === 'outside' && made.asks === 'store';
  }

  /** The node of a module's value by its name in a file, or -1 where that is no state of the project. */
  nodeOf(file: number, name: string): number {
    const found = this.symbolOf(file, name);
    if (!found) return -1;
    const { kind } = found.module.facts.symbols[found.symbol]!;
    const isValue = kind === 'state' || kind === 'derived';
    return isValue && this.isKept(found.module, found.symbol) ? found.module.nodeOf[found.symbol]! : -1;
  }
}
