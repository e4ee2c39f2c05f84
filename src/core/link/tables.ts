/** Tables of routes: where the router draws each, and what layouts place around the routes below them. */
import type { Component } from '../model/project';
import type { Tree } from './linked';

/** Values that stand for others are followed so far. */
const MAX_HOPS = 8;

/** A place in a render at which a router draws a table. */
export interface Drawing {
  owner: Component;
  node: number;
}

/** The places at which tables are drawn, by the table: the component of its file's loose code, and its name there. */
export function tablesOf(project: Pick<Tree, 'components' | 'files' | 'lookup'>): Map<string, Drawing[]> {
  const modules = new Map<number, Component>();
  for (const component of project.components)
    if (component.facts.role === 'module' && component.facts.render.some((one) => one.route))
      modules.set(component.file, component);
  const found = new Map<string, Drawing[]>();
  if (!modules.size) return found;
  const tableOf = (file: number, name: string, hops = 0): string | undefined => {
    const target = project.lookup(file, name);
    if (target.kind !== 'value' || hops > MAX_HOPS) return undefined;
    const { value } = target;
    const module = modules.get(target.file);
    if (module?.facts.render.some((one) => one.route?.table === value.name)) return keyOf(module, value.name);
    return value.madeBy?.of === undefined ? undefined : tableOf(target.file, value.madeBy.of, hops + 1);
  };
  for (const owner of project.components)
    owner.facts.render.forEach(({ drawsTable }, node) => {
      const key = drawsTable === undefined ? undefined : tableOf(owner.file, drawsTable);
      if (key !== undefined) found.set(key, [...(found.get(key) ?? []), { owner, node }]);
    });
  return found;
}

export const keyOf = ({ id }: Component, table: string): string => `${id}:${table}`;
