/** Components that take over others: their ports, and the code that runs for them as well. */
import type { PortFact } from '../../model/facts';
import type { Component, ProjectFile } from '../../model/project';
import type { InSight } from './in-sight';
import type { Names } from './names';
import { baseArguments, withArguments } from './type-arguments';

/** What a component takes over, the one that wins first: tables before mixins, the last before those before it. */
export function mixinsOf(
  component: Component,
  components: Component[],
  { names, ids, sight, files }: { names: Names; ids: number[][]; sight: InSight; files: ProjectFile[] },
): Component[] {
  const { file, facts } = component;
  const { facts: of } = files[file]!;
  return [...(facts.mixins ?? []), ...(facts.tables ?? [])]
    .flatMap((local) => {
      if (of.ambient) {
        const found = sight.one(file, local);
        // Which of several is meant is not known: each may have the heir.
        if (!found) for (const one of sight.all(local)) one.openBase = one.used = true;
        return found && found !== component ? [found] : [];
      }
      const target = names.lookup(file, local);
      if (target.kind === 'component') return [components[target.component]!];
      const mixin = target.kind === 'value' ? target.value.mixin : undefined;
      if (mixin === undefined || target.kind !== 'value') return [];
      return [components[ids[target.file]![mixin]!]!];
    })
    .reverse();
}

/** Whether every table of inputs that a component takes over is known. */
export const knowsTables = ({ file, facts }: Component, names: Names): boolean =>
  (facts.tables ?? []).every((local) => {
    const target = names.lookup(file, local);
    return target.kind === 'value' && target.value.mixin !== undefined;
  });

/** Ports of what a component takes over are its own, where it does not declare others of their name. */
export function inheritPorts(components: Component[]): void {
  const done = new Set<Component>();
  const take = (component: Component, depth: number): void => {
    if (done.has(component) || depth > MAX_DEPTH) return;
    done.add(component);
    for (const mixin of component.mixins) {
      take(mixin, depth + 1);
      // What takes whatever it is given, takes it for its heirs.
      const { extends: from, heirOf, propsType } = component.facts;
      if ((from || heirOf) && mixin.open && !propsType) component.open = true;
      const args = baseArguments(component, mixin);
      for (const port of mixin.ports.values()) {
        const own = component.ports.get(port.name);
        // What is only read of what is handed in is declared by what is taken over.
        if (own && (own.declared || !port.declared || !component.facts.tables)) continue;
        const symbol =
          own?.symbol ??
          component.facts.symbols.findIndex((one) => one.kind === 'inherited' && one.port === port.name);
        component.ports.set(port.name, {
          ...port,
          ...(args && port.type ? { type: withArguments(port.type, args) } : {}),
          component: component.id,
          inherited: true,
          symbol,
        });
      }
    }
  };
  for (const component of components) if (component.mixins.length) take(component, 0);
  // Nobody hands anything to a table itself.
  for (const component of components) if (component.facts.isTable) component.ports = new Map();
}

/** What is taken over may take over others, so far. */
const MAX_DEPTH = 8;

/** What a component, or else what it takes over, says of a name that it takes, and which of them says so. */
export function declaredAs(
  component: Component,
  name: string,
  depth = 0,
): { port: PortFact; by: Component } | undefined {
  const port = component.facts.ports.find((one) => one.name === name);
  if (port) return { port, by: component };
  for (const mixin of depth < MAX_DEPTH ? component.mixins : []) {
    const found = declaredAs(mixin, name, depth + 1);
    if (found) return found;
  }
  return undefined;
}

/** Whether a component, or what it takes over, says that it takes a name. */
export const declares = (component: Component, name: string): boolean =>
  declaredAs(component, name) !== undefined;

/** Where the frame of something taken over is found, by its place in the list. */
export const mixinKey = (index: number): number => -1 - index;
