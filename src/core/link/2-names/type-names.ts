/** What a type name in a file means, followed through imports and re-exports. */
import type { FileFacts } from '../../model/facts';
import type { Modules } from '../1-files/modules';
import type { Spaces } from '../1-files/spaces';
import type { NameIndex } from '../1-files/name-index';

/** The declaring file and its declaration. */
export type TypeTarget = { file: number; decl: FileFacts['types'][number] } | undefined;

export function linkTypeNames(
  files: FileFacts[],
  { imports, exportsByName, stars }: NameIndex,
  modules: Modules,
  spaces: Spaces,
): (file: number, name: string) => TypeTarget {
  const types = files.map((file) => new Map(file.types.map((type) => [type.name, type])));
  const ambient = new Map<string, number[]>();
  files.forEach((file, index) => {
    if (file.ambient)
      for (const { name } of file.types) ambient.set(name, [...(ambient.get(name) ?? []), index]);
  });
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
    if (files[file]!.ambient) {
      const home = spaces.pick(ambient.get(name) ?? [], (one) => one, file);
      return home === undefined ? undefined : { file: home, decl: types[home]!.get(name)! };
    }
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

  return lookupType;
}
