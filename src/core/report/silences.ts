/** Where the audit stays silent although a fault may be there, and why: what it cannot know, it does not report. */
import type { Linked } from '../link';
import type { Component, Site } from '../model/project';

export type Silence = 'base' | 'type' | 'whole' | 'wrapped' | 'outside' | 'spread';

interface Words {
  /** What is not known, to be read after “with”. */
  why: string;
  /** What is therefore not reported. */
  so: string;
}

export const SILENCES: Record<Silence, Words> = {
  base: {
    why: 'a base that is not of the project',
    so: 'names that it may have from there are not reported as unknown',
  },
  type: {
    why: 'a props type that leads out of the project',
    so: 'props that are unknown or left out are not reported',
  },
  whole: {
    why: 'props taken whole, or by names that the code works out',
    so: 'props that nobody reads are not reported',
  },
  wrapped: {
    why: 'a wrapper that is not followed',
    so: 'what is handed to it is not held against what it asks for',
  },
  outside: {
    why: 'call sites that may lie outside of the project',
    so: 'that nobody passes a prop, hears an event or uses it is not reported',
  },
  spread: {
    why: 'call sites that spread unknown names',
    so: 'props that are left out there are not reported',
  },
};

/** What is not known of a component. */
export function silencesOf({ facts, openBase, unresolved, unknownSites }: Component): Silence[] {
  const found: Silence[] = [];
  if (openBase) found.push('base');
  if (unresolved && facts.propsType) found.push('type');
  if (facts.openProps && !openBase) found.push('whole');
  if (facts.wrapped) found.push('wrapped');
  if (unknownSites) found.push('outside');
  return found;
}

/** What is not known of those that a value passes: where it may come from or go on to unseen, by the components. */
export function silencesAlong(
  components: Iterable<Component>,
): { silence: Silence; components: Component[] }[] {
  const found = new Map<Silence, Component[]>();
  for (const component of new Set(components)) {
    if (component.facts.role !== 'component') continue;
    // A type that leads outside hides names, and no way that a value takes.
    for (const silence of silencesOf(component))
      if (silence !== 'type') found.set(silence, [...(found.get(silence) ?? []), component]);
  }
  return [...found].map(([silence, list]) => ({ silence, components: list }));
}

/** Whether what a call site hands over is not known. */
const isOpenSite = (project: Linked, site: Site): boolean => project.handed(site).unknown;

/** In words, what is not known of a component at some of its call sites. */
export const silencesAt = (project: Linked, component: Component, sites: Site[]): Words[] =>
  [
    ...silencesOf(component),
    ...(sites.some((site) => isOpenSite(project, site)) ? (['spread'] as const) : []),
  ].map((one) => SILENCES[one]);

/** Components by what is not known of them, without those of tests and examples. */
export function silentComponents(project: Linked): Map<Silence, Component[]> {
  const found = new Map<Silence, Component[]>();
  const add = (silence: Silence, component: Component): void => {
    const known = found.get(silence);
    if (!known) found.set(silence, [component]);
    else known.push(component);
  };
  for (const component of project.components) {
    if (component.facts.role !== 'component' || project.files[component.file]!.aside) continue;
    for (const silence of silencesOf(component)) add(silence, component);
    const isSpread = (id: number): boolean => {
      const site = project.sites[id]!;
      return !project.files[site.file]!.aside && isOpenSite(project, site);
    };
    if (component.calledAt.some(isSpread)) add('spread', component);
  }
  return found;
}
