/** The app's store, put together of its parts: which states and which functions a way into it leads to. */
import type { StoreAsk, StorePartFact, StoreTableFact } from '../../model/facts';
import { pushTo } from '../../model/group-by';
import type { Component } from '../../model/project';
import { keyOf } from '../2-names/constants';
import type { Linked } from '../linked';

/** A state of the store that a way leads to, and what is left of the way. */
export interface StoreState {
  module: Component;
  symbol: number;
  path: string[];
}

/** A function of the store that a way leads to, and what is left of the way. */
export interface StoreFunction {
  module: Component;
  fn: number;
  path: string[];
  /** So many of its parameters come from the store, before those that it is called with. */
  skip: number;
}

/** A part at its place in a store. */
interface Placed {
  file: number;
  fact: StorePartFact;
  /** The way to its state. */
  path: string[];
  /** What names of its functions begin with. */
  space: string;
}

type TableKind = keyof StorePartFact['tables'];
type Functions = Map<string, { module: Component; fn: number }[]>;

/** Files of a folder for stores are parts by their path in it. */
const FOLDER = /(?:^|\/)stores?\/(.+)\.\w+$/;

/** Parts in parts are followed so far. */
const MAX_DEPTH = 8;

export class AppStore {
  private readonly placed: Placed[] = [];
  private readonly seen = new Set<StorePartFact>();
  private readonly byTable = new Map<string, Placed[]>();
  private readonly states = new Map<string, { module: Component; symbol: number }[]>();
  private readonly functions: Record<TableKind, Functions> = {
    getters: new Map(),
    commit: new Map(),
    dispatch: new Map(),
  };

  constructor(
    private readonly project: Linked,
    private readonly modules: ReadonlyMap<number, { component: Component }>,
  ) {
    const files = ofApp(
      project.files.filter((one) => one.facts.store),
      (one) => one.aside,
    );
    for (const { index, facts } of files)
      for (const part of facts.store!.parts) if (part.root) this.place(index, part, [], '', 0);
    for (const { index, facts, path } of files)
      for (const part of facts.store!.parts) if (!this.seen.has(part)) this.placeByFolder(index, part, path);
    for (const one of this.placed) this.index(one);
  }

  private place(file: number, fact: StorePartFact, path: string[], space: string, depth: number): void {
    if (depth > MAX_DEPTH) return;
    this.seen.add(fact);
    this.placed.push({ file, fact, path, space });
    const add = (as: string, found: { file: number; fact: StorePartFact } | undefined): void => {
      if (!found) return;
      const inside = found.fact.namespaced ? `${space}${as}/` : space;
      this.place(found.file, found.fact, [...path, ...as.split('/')], inside, depth + 1);
    };
    for (const one of fact.parts) {
      if ('name' in one) add(one.as, this.partAt(file, one.name));
      else for (const key of this.keysOf(file, one.from)) add(key, this.partAt(file, `${one.from}.${key}`));
    }
  }

  /** `store/fleet.js` is the part `fleet`, where no code of the project says so. */
  private placeByFolder(file: number, fact: StorePartFact, path: string): void {
    const own = FOLDER.exec(path)?.[1];
    if (own === undefined || !/^(default|)$/.test(fact.name)) return;
    const way = own.split('/').filter((one) => one !== 'index' && one !== 'modules');
    const space = fact.namespaced && way.length ? `${way.join('/')}/` : '';
    this.place(file, fact, way, space, 0);
  }

  /** The part that a name in a file stands for: one of the file's own, or one that is imported. */
  private partAt(file: number, name: string): { file: number; fact: StorePartFact } | undefined {
    return this.declaredAs(file, name, (at, own) => {
      const fact = this.project.files[at]!.facts.store?.parts.find((one) => one.name === own);
      return fact && { file: at, fact };
    });
  }

  private keysOf(file: number, name: string): string[] {
    const target = this.project.lookup(file, name);
    return target.kind === 'value' ? Object.keys(target.value.members ?? {}) : [];
  }

  private tableAt(file: number, name: string): { file: number; table: StoreTableFact } | undefined {
    return this.declaredAs(file, name, (at, own) => {
      const table = this.project.files[at]!.facts.store?.tables.find((one) => one.name === own);
      return table && { file: at, table };
    });
  }

  private declaredAs<T>(
    file: number,
    name: string,
    find: (file: number, own: string) => T | undefined,
  ): T | undefined {
    const home = this.homeOf(file, name);
    return find(file, name) ?? (home && find(home.file, home.name));
  }

  /** Where a name of a file is declared, and as what; a whole module bears no name. */
  private homeOf(file: number, name: string): { file: number; name: string } | undefined {
    const target = this.project.lookup(file, name);
    if (target.kind === 'value') return { file: target.file, name: target.value.name };
    return target.kind === 'module' ? { file: target.file, name: '' } : undefined;
  }

  private index(placed: Placed): void {
    const { file, fact, path, space } = placed;
    const own = this.modules.get(file)?.component;
    if (own && fact.state !== undefined)
      pushTo(this.states, path.join('/'), { module: own, symbol: fact.state });
    for (const kind of ['getters', 'commit', 'dispatch'] as const) {
      for (const name of fact.tables[kind]) {
        const found = this.tableAt(file, name);
        const module = found && this.modules.get(found.file)?.component;
        if (!module) continue;
        pushTo(this.byTable, `${found.file}:${found.table.name}`, placed);
        for (const one of found.table.functions)
          pushTo(this.functions[kind], space + keyOf(this.project, found.file, one.name), {
            module,
            fn: one.fn,
          });
      }
    }
  }

  /** The parts by which a way is meant that code in a file asks for; the store as a whole, for code of no part. */
  private askers(file: number, { of }: StoreAsk): { path: string[]; space: string }[] {
    return of === undefined ? [{ path: [], space: '' }] : (this.byTable.get(`${file}:${of}`) ?? []);
  }

  /** The states that a way leads to. */
  statesAt(file: number, ask: StoreAsk, want: string[]): StoreState[] {
    const [head, ...rest] = [...ask.path, ...want];
    if (head === 'rootState') return this.statesBelow(rest);
    if (head !== 'state') return [];
    return this.askers(file, ask).flatMap((one) => this.statesBelow([...one.path, ...rest]));
  }

  /** Of parts in parts, the innermost that the way goes through keeps what it leads to. */
  private statesBelow(way: string[]): StoreState[] {
    for (let length = way.length; length >= 0; length--) {
      const found = this.states.get(way.slice(0, length).join('/'));
      if (found) return found.map((one) => ({ ...one, path: way.slice(length) }));
    }
    return [];
  }

  /** The functions that a way leads to: getters, or what is called to change the store. */
  functionsAt(file: number, ask: StoreAsk, want: string[], kinds: TableKind[]): StoreFunction[] {
    const [head, name, ...path] = [...ask.path, ...want];
    const kind = head === 'rootGetters' ? 'getters' : kinds.find((one) => one === head);
    if (!kind || !kinds.includes(kind) || name === undefined) return [];
    const spaces = head === 'rootGetters' ? [''] : this.askers(file, ask).map((one) => one.space);
    const key = keyOf(this.project, file, name);
    // Called with its own name first, or not: the store's own parameter stands where the name does.
    const skip = ask.bare ? 1 : 0;
    return spaces.flatMap((space) =>
      (this.functions[kind].get(space + key) ?? []).map((one) => ({ ...one, path, skip })),
    );
  }
}

/** What stands in tests or stories is the app's where nothing else is. */
export function ofApp<T>(list: T[], isAside: (one: T) => boolean): T[] {
  const own = list.filter((one) => !isAside(one));
  return own.length ? own : list;
}
