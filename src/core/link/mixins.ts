/** Components that take over others: their ports, and the code that runs for them as well. */
import type { Component } from '../model/project';
import type { Names } from './names';

/** What a component takes over, the one that wins first: tables before mixins, the last before those before it. */
export function mixinsOf(
  { file, facts }: Component,
  components: Component[],
  names: Names,
  ids: number[][],
): Component[] {
  return [...(facts.mixins ?? []), ...(facts.tables ?? [])]
    .flatMap((local) => {
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
      if (component.facts.extends && mixin.open && !component.facts.propsType) component.open = true;
      for (const port of mixin.ports.values()) {
        const own = component.ports.get(port.name);
        // What is only read of what is handed in is declared by what is taken over.
        if (own && (own.declared || !port.declared || !component.facts.tables)) continue;
        const symbol =
          own?.symbol ??
          component.facts.symbols.findIndex((one) => one.kind === 'inherited' && one.port === port.name);
        component.ports.set(port.name, { ...port, component: component.id, inherited: true, symbol });
      }
    }
  };
  for (const component of components) if (component.mixins.length) take(component, 0);
  // Nobody hands anything to a table itself.
  for (const component of components) if (component.facts.isTable) component.ports = new Map();
}

/** What is taken over may take over others, so far. */
const MAX_DEPTH = 8;

/** Whether a component, or what it takes over, says that it takes a name. */
export const declares = ({ facts, mixins }: Component, name: string): boolean =>
  facts.ports.some((one) => one.name === name) || mixins.some((one) => declares(one, name));
