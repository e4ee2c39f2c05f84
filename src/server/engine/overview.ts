/** What a project is, for the first minute with it. */
import type { Overview } from '../../api/component-schemas';
import type { AuditResult } from '../../core/audit';
import { accountOf, REASONS, type Unjoined } from '../../core/link/joined';
import { groupBy } from '../../core/model/group-by';
import type { Component } from '../../core/model/project';
import { componentRef } from '../../core/model/refs';
import { SILENCES, silentComponents } from '../../core/report/silences';
import { carriedBy, rootsOf } from '../../core/trace/roots';

const MOST_ROOTS = 6;
const MOST_LOST = 8;
const MOST_EXAMPLES = 4;
/** With fewer components than this, each file is an area of its own. */
const SMALL = 150;

export function overview({ project }: AuditResult): Overview {
  const named = (component: Component) => ({ ref: componentRef(project, component), name: component.name });
  const roots = rootsOf(project, false);
  const folders = new Map<string, number>();
  const parts = project.components.filter((one) => one.facts.role === 'component');
  for (const component of parts) {
    const file = project.files[component.file]!.path;
    const path = parts.length < SMALL ? file : file.split('/').slice(0, -1).join('/');
    folders.set(path, (folders.get(path) ?? 0) + 1);
  }
  const { unjoined } = accountOf(project);
  return {
    roots: roots
      .map((component) => ({ component, components: carriedBy(project, component) }))
      // Something small that code mounts beside the app is not what the app starts at.
      .sort((a, b) => b.components - a.components)
      .slice(0, MOST_ROOTS)
      .map(({ component, components }) => ({ ...named(component), components })),
    rootCount: roots.length,
    folders: [...folders].map(([path, components]) => ({ path, components })),
    lost: counted(
      unjoined.filter((one) => one.from !== undefined),
      (one) => one.from!,
    )
      .slice(0, MOST_LOST)
      .map(([from, list]) => ({ from, count: list.length })),
    gaps: counted(
      unjoined.filter((one) => one.from === undefined),
      (one) => `${one.kind} ${one.why}`,
    ).map(([, list]) => ({ reason: REASONS[list[0]!.why], kind: list[0]!.kind, count: list.length })),
    silences: [...silentComponents(project)].map(([silence, list]) => ({
      ...SILENCES[silence],
      count: list.length,
      some: list.slice(0, MOST_EXAMPLES).map(named),
    })),
  };
}

/** Those that have something in common, the most frequent first. */
const counted = (list: Unjoined[], keyOf: (one: Unjoined) => string): [string, Unjoined[]][] =>
  [...groupBy(list, keyOf)].sort((a, b) => b[1].length - a[1].length);
