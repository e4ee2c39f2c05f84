/** Tables of routes: where the router draws each, and what layouts place around the routes below them. */
import type { RenderFact } from '../../model/facts';
import type { Component } from '../../model/project';
import type { Tree } from '../linked';
import { nodesAbove } from '../../model/nodes-above';

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
  const inFile = (file: number, name: string): string | undefined => {
    const module = modules.get(file);
    const isThere = module?.facts.render.some((one) => one.route?.table === name);
    return isThere ? keyOf(module!, name) : undefined;
  };
  const tableOf = (file: number, name: string, hops = 0): string | undefined => {
    const target = project.lookup(file, name);
    const list = target.kind === 'component' ? project.components[target.component]! : undefined;
    if (list?.facts.list) return inFile(list.file, list.name);
    if (target.kind !== 'value' || hops > MAX_HOPS) return undefined;
    const { value } = target;
    const bundle = project.files[target.file]!.facts.bundles?.find((one) => one.name === value.name);
    if (bundle) return bundle.table === undefined ? undefined : tableOf(target.file, bundle.table, hops + 1);
    const own = inFile(target.file, value.name);
    if (own !== undefined) return own;
    return value.madeBy?.of === undefined ? undefined : tableOf(target.file, value.madeBy.of, hops + 1);
  };
  for (const owner of project.components)
    owner.facts.render.forEach(({ drawsTable }, node) => {
      const key = drawsTable === undefined ? undefined : tableOf(owner.file, drawsTable);
      if (key !== undefined) found.set(key, [...(found.get(key) ?? []), { owner, node }]);
    });
  return found;
}

/** The node of a route that a node of a table stands in, or is. */
export function routeAt(module: Component, node: number): RenderFact['route'] {
  for (const at of nodesAbove(module, node)) {
    const { route } = module.facts.render[at]!;
    if (route) return route;
  }
  return undefined;
}

/** What is mounted, where there is but one such thing in all that is linked. */
export function onlyMount({ components, files }: Pick<Tree, 'components' | 'files'>): Drawing | undefined {
  const found = components.flatMap((owner) =>
    owner.facts.role === 'module' && !files[owner.file]!.aside
      ? owner.facts.render.flatMap(({ mounted }, node) => (mounted ? [{ owner, node }] : []))
      : [],
  );
  return found.length === 1 ? found[0] : undefined;
}

export const keyOf = ({ id }: Component, table: string): string => `${id}:${table}`;
