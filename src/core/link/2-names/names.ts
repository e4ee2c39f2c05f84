/** What a name in a file means, followed through imports, re-exports and aliases. */
import type { ChoiceFact, FileFacts, ValueFact } from '../../model/facts';
import { isNamedLikeComponent } from '../../model/names';
import type { Loss, Target, Wrapper } from '../../model/project';
import type { Modules } from '../1-files/modules';
import { indexOf } from '../1-files/name-index';
import type { Spaces } from '../1-files/spaces';
import { linkTypeNames, type TypeTarget } from './type-names';

export interface Names {
  /** A dotted name, as used in a file. */
  lookup(file: number, name: string): Target;
  /** A type name: the declaring file and its declaration. */
  lookupType(file: number, name: string): TypeTarget;
  /** What a file exports under a public name. */
  exported(file: number, name: string): Target;
  /** The public names of a file, with those that it re-exports. */
  exportsOf(file: number): string[];
  /** The name that a component is declared by. */
  nameOf(component: number): string;
  /** The values on the way to what a name in a file means, the nearest first. */
  valuesOf(file: number, name: string): { file: number; value: ValueFact }[];
  /** All that a choice may turn out to be. */
  candidates(file: number, choice: ChoiceFact): Target[];
}

/** A static member by name; names that every object inherits are none. */
const memberOf = (value: ValueFact | undefined, name: string): string | undefined =>
  value?.members && Object.hasOwn(value.members, name) ? value.members[name] : undefined;

/** Each target once: what is chosen among names that are chosen themselves would come twice as often with every step. */
function distinct(targets: Target[]): Target[] {
  if (targets.length < 2) return targets;
  const found = new Map<string, Target>();
  for (const one of targets) {
    const key = keyOf(one);
    if (!found.has(key)) found.set(key, one);
  }
  return [...found.values()];
}

function keyOf(target: Target): string {
  switch (target.kind) {
    case 'component':
      return `component ${target.component} ${target.wrapper ? JSON.stringify(target.wrapper) : ''}`;
    case 'value':
      return `value ${target.file} ${target.value.name} ${target.value.start}`;
    case 'several':
      return `several ${target.of.map(keyOf).join(', ')}`;
    default:
      return JSON.stringify(target);
  }
}

const outside = (why: Loss, from?: string): Target => ({
  kind: 'outside',
  why,
  ...(from === undefined ? {} : { from }),
});

/** `componentIds` gives the project's number of each file's components; `homes` the way back. */
export function linkNames(
  files: FileFacts[],
  modules: Modules,
  spaces: Spaces,
  componentIds: number[][],
  homes: { file: number; index: number }[],
): Names {
  const values = files.map((file) => new Map(file.values.map((value) => [value.name, value])));
  const index = indexOf(files);
  const { imports, exportsByName, stars } = index;
  const componentValues = files.map(
    (file) =>
      new Map(file.values.filter((one) => one.component !== undefined).map((one) => [one.component!, one])),
  );
  /** Members that are assigned to components, wherever that is written. */
  const statics = new Map<number, Map<string, Target>>();
  /** The same, of what a call made: other calls of that function make others. */
  const madeStatics = new Map<ValueFact, Map<string, Target>>();
  /** What names lead to, by file. */
  const caches = files.map(() => new Map<string, Target>());

  function lookup(file: number, name: string): Target {
    const cache = caches[file]!;
    const known = cache.get(name);
    if (known) return known;
    cache.set(name, outside('circle'));
    const found = find(file, name);
    cache.set(name, found);
    return found;
  }

  const find = (file: number, name: string): Target => wayOf(file, name).target;

  function wayOf(file: number, name: string): Way {
    const [first, ...rest] = name.split('.') as [string, ...string[]];
    let at = local(file, first);
    for (let taken = 0; taken < rest.length; taken++) {
      // The members of members may be known by both names at once.
      const whole = rest.slice(taken).join('.');
      const direct = written(at, whole);
      if (direct) return wayTo(direct);
      at = member(at, rest[taken]!);
    }
    return at;
  }

  /** What a name leads to, with the values on the way, whose members it has. */
  interface Way {
    target: Target;
    values: { file: number; value: ValueFact }[];
  }
  const wayTo = (target: Target): Way => ({
    target,
    values: target.kind === 'value' ? [{ file: target.file, value: target.value }] : [],
  });

  /** A member that is written with one of the values on the way. */
  function written({ target, values: passed }: Way, name: string): Target | undefined {
    for (const { file, value } of passed) {
      const assigned = madeStatics.get(value)?.get(name);
      if (assigned) return assigned;
      const link = memberOf(value, name);
      if (link) return lookup(file, link);
    }
    if (target.kind !== 'component') return undefined;
    const assigned = statics.get(target.component)?.get(name);
    if (assigned) return assigned;
    const { file, index } = homes[target.component]!;
    const link = memberOf(componentValues[file]!.get(index), name);
    return link ? lookup(file, link) : undefined;
  }

  function member(way: Way, name: string): Way {
    const { target } = way;
    if (target.kind === 'module') return exportedWay(target.file, name);
    const found = written(way, name);
    if (found) return wayTo(found);
    if (target.kind === 'outside') return way;
    // Provider and consumer of a context are the context.
    if (target.kind === 'value' && target.value.kind === 'context' && /^(Provider|Consumer)$/.test(name))
      return way;
    if (target.kind === 'value' && target.value.kind === 'external') {
      const maker = madeFrom(target.file, target.value);
      if (maker.kind === 'outside' && maker.why === 'package') return wayTo(maker);
    }
    return wayTo(outside('member'));
  }

  function local(file: number, name: string): Way {
    const value = values[file]!.get(name);
    if (value) return follow(file, value);
    const link = imports[file]!.get(name);
    if (link) {
      const target = modules.resolve(files[file]!.path, link.from);
      if (target === undefined || files[target]!.problem) {
        const found = lost(file, link.from, target);
        return wayTo(link.asks && found.kind === 'outside' ? { ...found, asks: link.asks } : found);
      }
      return link.name === '*' ? wayTo({ kind: 'module', file: target }) : exportedWay(target, link.name);
    }
    return wayTo({ kind: 'unbound' });
  }

  /** What an export leads to; an alias on the way may have members of its own. */
  function exportedWay(file: number, name: string): Way {
    let at = file;
    let wanted = name;
    const passed: Way['values'] = [];
    for (let hops = 0; hops < 20; hops++) {
      const fact = exportsByName[at]!.get(wanted);
      if (!fact) {
        const found = wanted === 'default' ? undefined : starsOf(at).files.get(wanted);
        if (found === undefined) break;
        at = found;
      } else if (fact.from === undefined) {
        const value = values[at]!.get(fact.local!);
        const link = value ? undefined : imports[at]!.get(fact.local!);
        if (value) {
          const way = follow(at, value);
          return { target: way.target, values: [...passed, ...way.values] };
        }
        const target = link && link.name !== '*' ? modules.resolve(files[at]!.path, link.from) : undefined;
        if (target === undefined) break;
        [at, wanted] = [target, link!.name];
      } else {
        const target = modules.resolve(files[at]!.path, fact.from);
        if (target === undefined || fact.source === '*') break;
        [at, wanted] = [target, fact.source!];
      }
    }
    return wayTo(exported(file, name));
  }

  /** What the stars of a file lead to: the file behind each name, and why there may be names that nobody sees. */
  interface Stars {
    files: Map<string, number>;
    loss: Target | undefined;
  }
  const starred: (Stars | undefined)[] = [];

  /** Worked out once for each file, so that a name is found in a barrel without asking all that stands behind it. */
  function starsOf(file: number): Stars {
    const known = starred[file];
    if (known) return known;
    const found: Stars = { files: new Map(), loss: undefined };
    // A circle of re-exports finds nothing on its way round.
    starred[file] = found;
    for (const { from } of stars[file]!) {
      const target = modules.resolve(files[file]!.path, from!);
      if (target === undefined || files[target]!.problem) {
        found.loss ??= lost(file, from!, target);
        continue;
      }
      // A module of another kind (`module.exports = …`) says nothing here.
      if (!files[target]!.exports.length) found.loss ??= outside('made');
      const behind = starsOf(target);
      found.loss ??= behind.loss;
      for (const names of [exportsByName[target]!.keys(), behind.files.keys()])
        for (const name of names)
          if (name !== 'default' && !found.files.has(name)) found.files.set(name, target);
    }
    return found;
  }

  /** What an import or a re-export leads to where it leads to no file that was understood. */
  const lost = (file: number, from: string, target: number | undefined): Target =>
    outside(
      target !== undefined ? 'broken' : modules.isForeign(files[file]!.path, from) ? 'package' : 'import',
      from,
    );

  function follow(file: number, value: ValueFact): Way {
    const own = { file, value };
    if (value.kind === 'component') {
      const target: Target = { kind: 'component', component: componentIds[file]![value.component!]! };
      return { target, values: [own] };
    }
    if (value.kind === 'alias' && value.alias && value.alias !== value.name) {
      const [first, ...rest] = value.alias.split('.') as [string, ...string[]];
      if (rest.length) {
        const target = lookup(file, value.alias);
        return { target: target.kind === 'unbound' ? outside('made') : target, values: [own] };
      }
      const way = guarded(file, first);
      const target = way.target.kind === 'unbound' ? outside('made') : way.target;
      return { target, values: [own, ...way.values] };
    }
    if (value.lazy) {
      const { from, name } = value.lazy;
      const target = modules.resolve(files[file]!.path, from);
      if (target === undefined) return wayTo(lost(file, from, target));
      const way = exportedWay(target, name);
      if (!value.madeBy || way.target.kind !== 'component') return way;
      return { ...way, target: { ...way.target, wrapper: openWrapper(way.target.wrapper) } };
    }
    if (value.oneOf && !isAroundGiven(file, value)) {
      const found = distinct(value.oneOf.flatMap((one) => candidates(file, one)));
      if (found.length === 1) return wayTo(found[0]!);
      if (found.length) return { target: { kind: 'several', of: found }, values: [own] };
    }
    if (value.madeBy) return { target: made(file, value, value.madeBy), values: [own] };
    return wayTo({ kind: 'value', file, value });
  }

  /** `withSpeed(Gauge)`: what a function makes of a component of the project is that one, and not what it is drawn by. */
  function isAroundGiven(file: number, { oneOf, madeBy: by }: ValueFact): boolean {
    const [only, more] = oneOf!;
    if (more || only?.of !== 'result' || by?.of === undefined || only.name !== by.name) return false;
    return isComponent(lookup(file, by.of));
  }

  const onTheWay = new Set<string>();
  /** A name that leads to itself leads nowhere. */
  function guarded(file: number, name: string): Way {
    const key = `${file}:${name}`;
    if (onTheWay.has(key)) return wayTo(outside('circle'));
    onTheWay.add(key);
    const way = local(file, name);
    onTheWay.delete(key);
    return way;
  }

  /** What a choice may be: every member of what it names, or all that it gives back. */
  function candidates(file: number, choice: ChoiceFact): Target[] {
    const key = `${file}:${JSON.stringify(choice)}`;
    if (choosing.has(key)) return [];
    choosing.add(key);
    const found = distinct(collect(file, choice));
    choosing.delete(key);
    return found;
  }
  const choosing = new Set<string>();

  function collect(file: number, { name, of, path = [], loads }: ChoiceFact): Target[] {
    if (loads !== undefined) {
      const target = modules.resolve(files[file]!.path, loads);
      return target === undefined ? [lost(file, loads, target)] : flat(exported(target, name));
    }
    const rest = path.length ? `.${path.join('.')}` : '';
    if (!of) return flat(lookup(file, name + rest));
    const target = lookup(file, name);
    if (of === 'result') {
      const home = target.kind === 'value' ? target : valueOfHelper(target);
      const given = (home?.value.gives ?? []).flatMap((one) =>
        candidates(home!.file, { ...one, ...(rest ? { path: [...(one.path ?? []), ...path] } : {}) }),
      );
      return given.length ? given : madeInside(file, name, path);
    }
    if (target.kind === 'module')
      return exportsOf(target.file).flatMap((one) => flat(exported(target.file, one)));
    if (target.kind !== 'value') return [];
    const { members = {} } = target.value;
    return Object.keys(members)
      .filter((key) =>
        path.length ? key.includes('.') && key.slice(key.indexOf('.') + 1) === path.join('.') : true,
      )
      .flatMap((key) => flat(lookup(target.file, members[key]!)));
  }

  const flat = (target: Target): Target[] => (target.kind === 'several' ? target.of : [target]);

  /** A helper of the project as the value that it is declared as. */
  function valueOfHelper(target: Target): { file: number; value: ValueFact } | undefined {
    if (target.kind !== 'component') return undefined;
    const { file, index } = homes[target.component]!;
    const value = componentValues[file]!.get(index);
    return value && { file, value };
  }

  /** What makes a value that is made elsewhere. */
  function madeFrom(file: number, { madeBy, name }: ValueFact): Target {
    const maker = madeBy?.name;
    if (maker === undefined || maker === name) return outside('made');
    return lookup(file, maker);
  }

  /**
   * `const Fast = withSpeed(Gauge)`: the gauge, through the wrapper. What a function from elsewhere makes of a component
   * is that component, to which it may hand anything.
   */
  function made(file: number, value: ValueFact, { name, of }: { name?: string; of?: string }): Target {
    const self: Target = { kind: 'value', file, value };
    const inner = of === undefined ? undefined : lookup(file, of);
    const isInner = (inner?.kind === 'component' || inner?.kind === 'several') && isComponent(inner);
    // What is put into it is not ours, or is no component: what it makes is what it draws itself.
    if (!isInner)
      return (name !== undefined && isNamedLikeComponent(value.name) && madeBy(file, name)) || self;
    const known = name === undefined ? undefined : wrapperNamed(file, name);
    if (!known && !isNamedLikeComponent(value.name)) return self;
    const around = (one: Target): Target => {
      if (one.kind !== 'component') return one;
      if (!known) return { ...one, wrapper: openWrapper(one.wrapper) };
      const supplies = [...known.supplies, ...(one.wrapper?.supplies ?? [])];
      const takes = [...known.takes, ...(one.wrapper?.takes ?? [])];
      const by = [...(known.by ?? []), ...(one.wrapper?.by ?? [])];
      const open = one.wrapper?.open ? { open: true } : {};
      return { ...one, wrapper: { name: name!, supplies, takes, ...(by.length ? { by } : {}), ...open } };
    };
    return inner.kind === 'several' ? { kind: 'several', of: inner.of.map(around) } : around(inner);
  }

  /** The component that is written in a function which makes one. */
  function madeBy(file: number, name: string): Target | undefined {
    const home = homeOf(file, name);
    const found = home && (files[home.file]!.makers ?? []).filter((one) => one.name === home.name);
    return found?.length === 1
      ? { kind: 'component', component: componentIds[home!.file]![found[0]!.component]! }
      : undefined;
  }

  /** What a function gives back at a place that is written inside of it. */
  function madeInside(file: number, name: string, path: string[]): Target[] {
    if (!path.length) {
      const found = madeBy(file, name);
      return found ? [found] : [];
    }
    const home = homeOf(file, name);
    const factory = home && files[home.file]!.factories?.find((one) => one.name === home.name);
    return (factory?.gives ?? []).flatMap((one): Target[] =>
      one.component !== undefined && one.path.join('.') === path.join('.')
        ? [{ kind: 'component', component: componentIds[home!.file]![one.component]! }]
        : [],
    );
  }

  const isComponent = (target: Target): boolean =>
    target.kind === 'several'
      ? target.of.some(isComponent)
      : target.kind === 'component' && roleOf(target.component) === 'component';

  const roleOf = (component: number) => {
    const { file, index } = homes[component]!;
    return files[file]!.components[index]!.role;
  };

  const openWrapper = (inner: Wrapper | undefined): Wrapper => ({
    name: '',
    supplies: inner?.supplies ?? [],
    takes: inner?.takes ?? [],
    ...(inner?.by ? { by: inner.by } : {}),
    open: true,
  });

  /** What a function of the project adds to the components that it is given, where that was understood. */
  function wrapperNamed(file: number, name: string): Wrapper | undefined {
    const home = homeOf(file, name);
    const [fact, other] = home
      ? (files[home.file]!.wrappers ?? []).filter((one) => one.name === home.name)
      : [];
    if (!fact || other) return undefined;
    const { draws, ...wrapper } = fact;
    if (!draws) return wrapper;
    return {
      ...wrapper,
      by: [{ component: componentIds[home!.file]![draws.component]!, node: draws.node }],
    };
  }

  /** The file in which a function is written, and its name there. */
  function homeOf(file: number, name: string): { file: number; name: string } | undefined {
    const found = lookup(file, name);
    if (found.kind === 'value') return { file: found.file, name: found.value.name };
    if (found.kind !== 'component') return undefined;
    return { file: homes[found.component]!.file, name: componentName(found.component) };
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
    if (files[file]!.exports.length === 0) return outside('made');
    const fact = exportsByName[file]!.get(name);
    if (fact) {
      if (fact.from === undefined) {
        const target = lookup(file, fact.local!);
        return target.kind === 'unbound' ? outside('made') : target;
      }
      const target = modules.resolve(files[file]!.path, fact.from);
      if (target === undefined || files[target]!.problem) return lost(file, fact.from, target);
      return fact.source === '*' ? { kind: 'module', file: target } : exported(target, fact.source!);
    }
    if (name !== 'default') {
      const { files: behind, loss } = starsOf(file);
      const target = behind.get(name);
      if (target !== undefined) return exported(target, name);
      if (loss) return loss;
    }
    return { kind: 'absent', file, name };
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

  linkStatics();
  return {
    lookup,
    lookupType: linkTypeNames(files, index, modules, spaces),
    exported,
    exportsOf: (file) => exportsOf(file),
    valuesOf: (file, name) => local(file, name).values,
    candidates,
    nameOf: componentName,
  };

  /** Members that are assigned to a component under any of its names; those of members come after those of the whole. */
  function linkStatics(): void {
    const written = files.flatMap((file, index) => (file.statics ?? []).map((one) => ({ index, ...one })));
    const depths = [...new Set(written.map((one) => one.owner.split('.').length))].sort((a, b) => a - b);
    for (const depth of depths) {
      for (const { index, owner, member: name, value } of written) {
        if (owner.split('.').length !== depth) continue;
        const { target, values: passed } = wayOf(index, owner);
        if (target.kind !== 'component') continue;
        const made = passed.findLast((one) => one.value.madeBy && one.value.madeBy.of === undefined);
        const members = made ? keyed(madeStatics, made.value) : keyed(statics, target.component);
        const found = lookup(index, value);
        if (!members.has(name) && found.kind !== 'unbound') members.set(name, found);
      }
      // What was looked up before did not know these members.
      for (const one of caches) one.clear();
      exportCache.clear();
    }
  }
}

function keyed<K, V>(all: Map<K, Map<string, V>>, key: K): Map<string, V> {
  const found = all.get(key) ?? new Map<string, V>();
  all.set(key, found);
  return found;
}
