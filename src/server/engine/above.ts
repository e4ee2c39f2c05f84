/** What stands above a component, and what hangs on it alone. */
import type { AboveView, ComponentView } from '../../api/component-schemas';
import type { AuditResult } from '../../core/audit';
import type { Linked } from '../../core/link';
import { oncePer, oncePerLink } from '../../core/model/once-per';
import type { Component, Project } from '../../core/model/project';
import { componentRef } from '../../core/model/refs';

/** So many components above are shown, the nearest first. */
const MOST = 240;

/** Who uses what a function or hook draws. */
const usersOf = oncePerLink(({ components }: Project): Map<number, Set<number>> => {
  const users = new Map<number, Set<number>>();
  for (const { id, drawn } of components)
    for (const { helper } of [...drawn.values()].flat())
      users.set(helper.id, (users.get(helper.id) ?? new Set()).add(id));
  return users;
});

/** Who renders a component, or uses what a function draws, and how many times. */
const ownersIn = oncePerLink((project: Linked) =>
  oncePer(({ id, calledAt }: Component): Map<number, number> => {
    const owners = new Map([...(usersOf(project).get(id) ?? [])].map((one) => [one, 1]));
    for (const site of calledAt) {
      const { owner } = project.sites[site]!;
      owners.set(owner, (owners.get(owner) ?? 0) + 1);
    }
    return owners;
  }),
);
const ownersOf = (project: Linked, component: Component): Map<number, number> => ownersIn(project)(component);

/** Everything that renders a component, at whatever distance, with who provides what it consumes. */
export function aboveOf({ project }: AuditResult, component: Component): AboveView {
  const { contexts } = project;
  const found = new Map([[component.id, 0]]);
  let more = 0;
  for (const [id, steps] of found)
    for (const owner of ownersOf(project, project.components[id]!).keys()) {
      if (found.has(owner)) continue;
      if (found.size <= MOST) found.set(owner, steps + 1);
      else more++;
    }
  const keys = [
    ...new Set(contexts.consumers.filter((one) => one.component === component.id).map((one) => one.key)),
  ];
  const bare = new Map(
    keys.map((key) => [key, new Set(contexts.hasDefault(key) ? [] : contexts.barePath(component.id, key))]),
  );
  const links = [...found.keys()].flatMap((to) =>
    [...ownersOf(project, project.components[to]!)]
      .filter(([from]) => found.has(from))
      .map(([from, times]) => ({ from, to, times, without: withoutOf(from, to) })),
  );
  function withoutOf(from: number, to: number): string[] {
    if (!bare.size) return [];
    const between = project.components[to]!.calledAt.filter((one) => project.sites[one]!.owner === from);
    const missing = [...bare].filter(([, path]) => between.some((one) => path.has(one)));
    return [...new Set(missing.map(([key]) => key.name))];
  }
  return {
    nodes: [...found.keys()].map((id) => {
      const one = project.components[id]!;
      const provided = contexts.providers.filter((by) => by.component === id && keys.includes(by.key));
      return {
        id,
        ref: componentRef(project, one),
        name: one.name,
        file: project.files[one.file]!.path,
        ...(project.files[one.file]!.aside ? { aside: true as const } : {}),
        provides: [...new Set(provided.map(({ key }) => key.name))],
      };
    }),
    links,
    more,
  };
}

/** Components that are rendered by this one alone, or by others that are: without it, nobody would need them. */
export function aloneOf({ project }: AuditResult, component: Component): ComponentView['alone'] {
  const gone = new Set([component.id]);
  const isNeeded = (one: Component): boolean =>
    // Nobody renders a function: who uses it is written.
    (one.unknownSites && one.facts.role === 'component') ||
    one.handedAt.length > 0 ||
    [...ownersOf(project, one).keys()].some((owner) => owner !== one.id && !gone.has(owner));
  for (const id of gone) {
    const { sites, drawn } = project.components[id]!;
    const below = new Set([
      ...sites.map((site) => project.components[project.sites[site]!.target]!),
      ...[...drawn.values()].flat().map(({ helper }) => helper),
    ]);
    for (const one of below) if (!isNeeded(one)) gone.add(one.id);
  }
  gone.delete(component.id);
  return [...gone]
    .map((id) => project.components[id]!)
    .filter((one) => one.facts.role === 'component')
    .map((one) => ({ ref: componentRef(project, one), name: one.name }));
}
