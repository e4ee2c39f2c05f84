/** What a name in a file means, followed through imports, re-exports and aliases. */
import type { FileFacts, ValueFact } from '../model/facts';
import type { Target } from '../model/project';
import type { Modules } from './modules';

export interface Names {
  /** A dotted name, as used in a file. */
  lookup(file: number, name: string): Target;
  /** A type name: the declaring file and its declaration. */
  lookupType(file: number, name: string): { file: number; decl: FileFacts['types'][number] } | undefined;
  /** What a file exports under a public name. */
  exported(file: number, name: string): Target;
  /** The public names of a file, with those that it re-exports. */
  exportsOf(file: number): string[];
}

/** A static member by name; names that every object inherits are none. */
const memberOf = (value: ValueFact | undefined, name: string): string | undefined =>
  value?.members && Object.hasOwn(value.members, name) ? value.members[name] : undefined;

const OUTSIDE: Target = { kind: 'outside' };

/** `componentIds` gives the project's number of each file's components; `homes` the way back. */
export function linkNames(
  files: FileFacts[],
  modules: Modules,
  componentIds: number[][],
  homes: { file: number; index: number }[],
): Names {
  const values = files.map((file) => new Map(file.values.map((value) => [value.name, value])));
  const types = files.map((file) => new Map(file.types.map((type) => [type.name, type])));
  const imports = files.map((file) => new Map(file.imports.map((one) => [one.local, one])));
  const exportsByName = files.map(
    (file) => new Map(file.exports.filter((one) => one.name !== '*').map((one) => [one.name, one])),
  );
  const stars = files.map((file) => file.exports.filter((one) => one.name === '*'));
  const cache = new Map<string, Target>();

  function lookup(file: number, name: string): Target {
    const key = `${file}:${name}`;
    const known = cache.get(key);
    if (known) return known;
    cache.set(key, OUTSIDE);
    const found = find(file, name);
    cache.set(key, found);
    return found;
  }

  function find(file: number, name: string): Target {
    const [first, ...rest] = name.split('.') as [string, ...string[]];
    let target = local(file, first);
    for (const part of rest) target = member(target, part);
    return target;
  }

  function member(target: Target, name: string): Target {
    if (target.kind === 'module') return exported(target.file, name);
    if (target.kind === 'component') {
      const { file, index } = homes[target.component]!;
      const link = memberOf(
        files[file]!.values.find((one) => one.component === index),
        name,
      );
      return link ? lookup(file, link) : OUTSIDE;
    }
    if (target.kind === 'value') {
      const link = memberOf(target.value, name);
      if (link) return lookup(target.file, link);
    }
    return OUTSIDE;
  }

  function local(file: number, name: string): Target {
    const value = values[file]!.get(name);
    if (value) return follow(file, value);
    const link = imports[file]!.get(name);
    if (link) {
      const target = modules.resolve(files[file]!.path, link.from);
      if (target === undefined || files[target]!.problem) return OUTSIDE;
      return link.name === '*' ? { kind: 'module', file: target } : exported(target, link.name);
    }
    return { kind: 'unbound' };
  }

  function follow(file: number, value: ValueFact): Target {
    if (value.kind === 'component') {
      return { kind: 'component', component: componentIds[file]![value.component!]! };
    }
    if (value.kind === 'alias' && value.alias && value.alias !== value.name) {
      const target = lookup(file, value.alias);
      return target.kind === 'unbound' ? OUTSIDE : target;
    }
    if (value.madeBy) return made(file, value, value.madeBy);
    if (value.lazy) {
      const target = modules.resolve(files[file]!.path, value.lazy.from);
      return target === undefined ? OUTSIDE : exported(target, value.lazy.name);
    }
    return { kind: 'value', file, value };
  }

  /** `const Fast = withSpeed(Gauge)`: the gauge, through the wrapper. */
  function made(file: number, value: ValueFact, { name, of }: { name: string; of: string }): Target {
    const self: Target = { kind: 'value', file, value };
    const maker = lookup(file, name);
    const home =
      maker.kind === 'component' ? homes[maker.component] : maker.kind === 'value' ? maker : undefined;
    if (!home || (maker.kind !== 'component' && maker.kind !== 'value')) return self;
    const known = maker.kind === 'component' ? componentName(maker.component) : maker.value.name;
    const found = (files[home.file]!.wrappers ?? []).filter((one) => one.name === known);
    const inner = found.length === 1 ? lookup(file, of) : undefined;
    if (inner?.kind !== 'component') return self;
    const [wrapper] = found;
    const supplies = [...wrapper!.supplies, ...(inner.wrapper?.supplies ?? [])];
    const takes = [...wrapper!.takes, ...(inner.wrapper?.takes ?? [])];
    return { ...inner, wrapper: { name, supplies, takes } };
  }

  const componentName = (component: number): string => {
    const { file, index } = homes[component]!;
    return files[file]!.components[index]!.name;
  };

  const exportCache = new Map<string, Target>();
  /** What a file exports under a name. */
  function exported(file: number, name: string): Target {
    const key = `${file}:${name}`;
    const known = exportCache.get(key);
    if (known) return known;
    // A circle of re-exports finds nothing on its way round.
    exportCache.set(key, { kind: 'absent', file, name });
    const found = findExport(file, name);
    exportCache.set(key, found);
    return found;
  }

  function findExport(file: number, name: string): Target {
    // A module of another kind (`module.exports = …`) says nothing here.
    if (files[file]!.exports.length === 0) return OUTSIDE;
    const fact = exportsByName[file]!.get(name);
    if (fact) {
      if (fact.from === undefined) {
        const target = lookup(file, fact.local!);
        return target.kind === 'unbound' ? OUTSIDE : target;
      }
      const target = modules.resolve(files[file]!.path, fact.from);
      if (target === undefined || files[target]!.problem) return OUTSIDE;
      return fact.source === '*' ? { kind: 'module', file: target } : exported(target, fact.source!);
    }
    if (name !== 'default') {
      let outside = false;
      for (const star of stars[file]!) {
        const target = modules.resolve(files[file]!.path, star.from!);
        if (target === undefined || files[target]!.problem) {
          outside = true;
          continue;
        }
        const found = exported(target, name);
        if (found.kind !== 'absent') return found;
      }
      if (outside) return OUTSIDE;
    }
    return { kind: 'absent', file, name };
  }

  type TypeTarget = { file: number; decl: FileFacts['types'][number] } | undefined;
  const typeCache = new Map<string, TypeTarget>();
  function lookupType(file: number, name: string): TypeTarget {
    const key = `${file}:${name}`;
    if (typeCache.has(key)) return typeCache.get(key);
    typeCache.set(key, undefined);
    const found = findType(file, name);
    typeCache.set(key, found);
    return found;
  }

  function findType(file: number, name: string): TypeTarget {
    const decl = types[file]!.get(name);
    if (decl) return { file, decl };
    const [first, ...rest] = name.split('.') as [string, ...string[]];
    const link = imports[file]!.get(first);
    if (!link) return undefined;
    const target = modules.resolve(files[file]!.path, link.from);
    if (target === undefined) return undefined;
    if (link.name === '*') return rest.length === 1 ? exportedType(target, rest[0]!, new Set()) : undefined;
    return rest.length ? undefined : exportedType(target, link.name, new Set());
  }

  function exportedType(file: number, name: string, seen: Set<string>): TypeTarget {
    const key = `${file}:${name}`;
    if (seen.has(key)) return undefined;
    seen.add(key);
    const fact = exportsByName[file]!.get(name);
    if (fact) {
      if (fact.from === undefined) return lookupType(file, fact.local!);
      const target = modules.resolve(files[file]!.path, fact.from);
      return target === undefined ? undefined : exportedType(target, fact.source!, seen);
    }
    const own = types[file]!.get(name);
    if (own) return { file, decl: own };
    for (const star of stars[file]!) {
      const target = modules.resolve(files[file]!.path, star.from!);
      const found = target === undefined ? undefined : exportedType(target, name, seen);
      if (found) return found;
    }
    return undefined;
  }

  function exportsOf(file: number, seen = new Set<number>()): string[] {
    if (seen.has(file)) return [];
    seen.add(file);
    const own = [...exportsByName[file]!.keys()];
    const more = stars[file]!.flatMap((star) => {
      const target = modules.resolve(files[file]!.path, star.from!);
      return target === undefined ? [] : exportsOf(target, seen);
    });
    return [...new Set([...own, ...more])];
  }

  return { lookup, lookupType, exported, exportsOf: (file) => exportsOf(file) };
}
