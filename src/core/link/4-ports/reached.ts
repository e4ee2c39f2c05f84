/** What others read, call or raise of an object that a class makes, by the names of its members. */
import type { ComponentFacts, SymbolFact } from '../../model/facts';
import type { Component, ProjectFile } from '../../model/project';
import type { Names } from '../2-names/names';

/** Notes for each component the names that code which sees its class uses of other things than itself. */
export function linkReached(components: Component[], files: ProjectFile[], names: Names): void {
  // What a class declares others reach where the files of its language say what they read of objects.
  const isClass = (id: number): boolean => files[components[id]!.file]!.facts.memberReads !== undefined;
  for (const file of files) {
    const { index, facts } = file;
    // Where nothing is imported, whoever gives itself away says so.
    if (!facts.memberReads?.length || facts.ambient) continue;
    const seen = new Set<number>();
    const see = (local: string): void => {
      const target = names.lookup(index, local);
      if (target.kind === 'component' && isClass(target.component)) seen.add(target.component);
    };
    for (const { local } of facts.imports) if (local) see(local);
    for (const one of facts.values) if (one.kind === 'component') see(one.name);
    file.seesClasses = seen.size > 0;
    for (const id of seen) {
      const component = components[id]!;
      component.reached ??= new Set();
      for (const name of facts.memberReads) component.reached.add(name);
    }
  }
  // All that is named anywhere may be used of it, then.
  const named = new Set(files.flatMap(({ facts }) => (facts.ambient ? (facts.memberReads ?? []) : [])));
  for (const component of components) if (component.facts.givesItself) component.reached = new Set(named);
  // Who holds an heir uses what that has from its bases.
  for (const component of components)
    if (component.reached && component.facts.extends) reachUp(component.reached, component.mixins, 0);
  // Who sees a base may hold what extends it.
  const done = new Set<Component>();
  const inherit = (component: Component): void => {
    if (done.has(component)) return;
    done.add(component);
    for (const base of component.mixins) {
      inherit(base);
      if (!base.reached) continue;
      component.reached ??= new Set();
      for (const name of base.reached) component.reached.add(name);
    }
  };
  for (const component of components) if (component.mixins.length) inherit(component);
  for (const component of components) {
    const { facts, mixins } = component;
    if (facts.extends) handUp(facts, mixins, (one) => one.kind === 'prop');
    if (facts.heirOf) handUp(facts, mixins, (one) => one.kind === 'inherited');
  }
}

/** Notes what others use of a component that they are handed as it is: some of its members, or any. */
export function reachMembers(component: Component, members: readonly string[] | undefined): void {
  const all = [...component.ports.values()].map(({ member, name }) => member ?? name);
  component.reached ??= new Set();
  for (const name of members ?? all) component.reached.add(name);
}

/** Bases are followed so far. */
const MAX_DEPTH = 16;

function reachUp(names: ReadonlySet<string>, bases: Component[], depth: number): void {
  for (const base of depth < MAX_DEPTH ? bases : []) {
    base.reached ??= new Set();
    for (const name of names) base.reached.add(name);
    reachUp(names, base.mixins, depth + 1);
  }
}

/** What an heir uses of the props, its bases need not use. */
function handUp(
  { symbols }: Pick<ComponentFacts, 'symbols'>,
  bases: Component[],
  uses: (one: SymbolFact) => boolean,
): void {
  reachUp(new Set(symbols.flatMap((one) => (uses(one) ? (one.port ?? []) : []))), bases, 0);
}
