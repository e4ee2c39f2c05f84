/**
 * The render tree as rows: what stands below what on the page. Content that an owner hands to a child stands
 * where the child places it.
 */
import type { Linked } from '../link';
import type { Component, Place, Site } from '../model/project';

export interface Row {
  index: number;
  depth: number;
  component: number;
  /** The call site, or -1 for a root. */
  site: number;
  /** Row above it on the page, and row of the component that wrote the call site; -1 for roots. */
  parent: number;
  owner: number;
  /** Conditions and lists that the call site stands in. */
  when?: Place;
  each?: Place;
  /** Its own content is shown at another row of the same component. */
  again?: 'repeated' | 'recursive';
  /** Rows below it that belong to it. */
  span: number;
}

/** At most so many rows are made; what is left out is said. */
export const MAX_ROWS = 20_000;
/** A component whose tree is larger than this is drawn in full only the first time. */
const REPEAT_LIMIT = 24;

export interface Tree {
  rows: Row[];
  complete: boolean;
}

/** What a component was given to place: the owner's render, and who gave the owner its own content. */
interface Content {
  owner: number;
  ownerRow: number;
  node: number;
  outer: Content | undefined;
}

export function renderTree(project: Linked): Tree {
  const rows: Row[] = [];
  const drawn = new Map<number, number>();
  const stack: number[] = [];
  let complete = true;
  const childrenOf = childNodes();

  function expand(
    component: Component,
    site: Site | undefined,
    parent: number,
    owner: number,
    content: Content | undefined,
  ) {
    if (rows.length >= MAX_ROWS) {
      complete = false;
      return;
    }
    const { fact } = site ?? {};
    const row: Row = {
      index: rows.length,
      depth: parent < 0 ? 0 : rows[parent]!.depth + 1,
      component: component.id,
      site: site?.id ?? -1,
      parent,
      owner,
      ...(site && fact?.when ? { when: { file: site.file, ...fact.when } } : {}),
      ...(site && fact?.each ? { each: { file: site.file, ...fact.each } } : {}),
      span: 0,
    };
    rows.push(row);
    if (stack.includes(component.id)) {
      row.again = 'recursive';
      return;
    }
    const size = drawn.get(component.id);
    if (size !== undefined && size > REPEAT_LIMIT) {
      row.again = 'repeated';
      return;
    }
    stack.push(component.id);
    for (const node of childrenOf(component, -1)) draw(component, node, row.index, row.index, content);
    // Content that no outlet was seen for may be placed by what is spread or computed.
    if (content && !placesContent(component)) drawContent(content, row.index);
    stack.pop();
    row.span = rows.length - row.index - 1;
    if (size === undefined) drawn.set(component.id, row.span);
  }

  /** `row` is the row above on the page, `ownerRow` the row of the component whose render is drawn. */
  function draw(
    component: Component,
    index: number,
    row: number,
    ownerRow: number,
    content: Content | undefined,
  ): void {
    const node = component.facts.render[index]!;
    if (node.kind === 'outlet') {
      if (content) drawContent(content, row, node.outlet);
      return;
    }
    const sites = (node.kind === 'site' && component.siteAt.get(index)) || [];
    if (!sites.length) {
      for (const child of childrenOf(component, index)) draw(component, child, row, ownerRow, content);
      return;
    }
    for (const id of sites) {
      const site = project.sites[id]!;
      const target = project.components[site.target]!;
      expand(target, site, row, ownerRow, { owner: component.id, ownerRow, node: index, outer: content });
    }
  }

  function drawContent(content: Content, row: number, slot?: string): void {
    const owner = project.components[content.owner]!;
    for (const child of childrenOf(owner, content.node)) {
      const fills = owner.facts.render[child]!.slot ?? owner.facts.traits.contentPort;
      if (slot === undefined || fills === slot) draw(owner, child, row, content.ownerRow, content.outer);
    }
  }

  for (const component of rootsOf(project)) expand(component, undefined, -1, -1, undefined);
  return { rows, complete };
}

const placesContent = (component: Component): boolean =>
  component.facts.render.some((node) => node.kind === 'outlet');

function childNodes() {
  const cache = new Map<number, Map<number, number[]>>();
  return (component: Component, parent: number): number[] => {
    let index = cache.get(component.id);
    if (!index) {
      index = new Map();
      cache.set(component.id, index);
      for (const [at, node] of component.facts.render.entries()) {
        const list = index.get(node.parent);
        if (list) list.push(at);
        else index.set(node.parent, [at]);
      }
    }
    return index.get(parent) ?? [];
  };
}

/** Where trees start: what is mounted, then what only unknown code renders, then the rest; tests come last. */
function rootsOf(project: Linked): Component[] {
  const mounted = new Set<number>();
  const helpers = new Set<number>();
  for (const component of project.components) {
    if (component.facts.role === 'component') continue;
    for (const id of component.sites) {
      const { target } = project.sites[id]!;
      const file = project.files[component.file]!;
      (component.facts.role === 'module' && file.facts.mounts && !file.aside ? mounted : helpers).add(target);
    }
  }
  const parts = project.components.filter((one) => one.facts.role === 'component');
  for (const one of parts) if (one.root) mounted.add(one.id);
  const rendered = (one: Component) =>
    one.calledAt.some((id) => {
      const { owner } = project.sites[id]!;
      return owner !== one.id && project.components[owner]!.facts.role === 'component';
    });
  const tops = parts.filter((one) => !mounted.has(one.id) && !rendered(one));
  const rank = (one: Component): number =>
    (project.files[one.file]!.aside ? 4 : 0) + (mounted.has(one.id) ? 0 : helpers.has(one.id) ? 1 : 2);
  return [...parts.filter((one) => mounted.has(one.id)), ...tops].sort(
    (a, b) => rank(a) - rank(b) || a.id - b.id,
  );
}
