/**
 * The render tree as rows: what stands below what on the page. Content that an owner hands to a child stands
 * where the child places it.
 */
import type { Linked } from '../link';
import { type Deep, runDeep } from '../model/deep';
import { oncePer } from '../model/once-per';
import { placesOf } from '../link/3-tags/slots';
import type { Component, Drawn, Place, Site } from '../model/project';
import { rootsOf } from './roots';

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
/**
 * A component whose own tree is larger than this is drawn in full only the first time; what it is given, each time.
 * Where that makes too many rows, the next is tried.
 */
const REPEAT_LIMITS = [24, 6, 0];

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

/** A slot of a component that is handed on to what stands at a node. */
interface HandedOn {
  slot: string;
  node: number;
  into: string;
}

/**
 * The trees of a project, roots in order of what is mounted, what else starts a tree, and what tests and examples show,
 * where that is wanted.
 */
export function renderTree(project: Linked, withAside = true): Tree {
  let tree: Tree = { rows: [], complete: false };
  for (const limit of REPEAT_LIMITS) {
    tree = drawTree(project, limit, withAside);
    if (tree.complete) break;
  }
  return tree;
}

function drawTree(project: Linked, repeat: number, withAside: boolean): Tree {
  const rows: Row[] = [];
  const drawn = new Map<number, number>();
  /** What is being drawn, from the root down. */
  const open = new Set<number>();
  let complete = true;
  /** Rows of what components were given, so far. */
  let given = 0;
  let aside = false;
  const childrenOf = childNodes();
  const handedOn = oncePer((component: Component): HandedOn[] =>
    [...component.ports.values()]
      .filter((port) => port.channel === 'slot')
      .flatMap(({ name: slot }) =>
        placesOf(component, slot).places.flatMap(({ node, into }) =>
          into !== undefined && component.siteAt.has(node) ? [{ slot, node, into }] : [],
        ),
      ),
  );

  function* expand(
    component: Component,
    site: Site | undefined,
    parent: number,
    owner: number,
    content: Content | undefined,
  ): Deep<void> {
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
    const size = drawn.get(component.id);
    // Tests show what is drawn in full elsewhere.
    const limit = aside ? 0 : repeat;
    if (open.has(component.id)) row.again = 'recursive';
    else if (size !== undefined && size > limit) row.again = 'repeated';
    if (row.again) {
      if (content) for (const slot of filledBy(content)) yield drawContent(content, row.index, slot);
      row.span = rows.length - row.index - 1;
      return;
    }
    const before = given;
    open.add(component.id);
    for (const node of childrenOf(component, -1)) yield draw(component, node, row.index, row.index, content);
    if (content)
      for (const slot of unseenSlots(component, content)) yield drawContent(content, row.index, slot);
    open.delete(component.id);
    row.span = rows.length - row.index - 1;
    if (size === undefined) drawn.set(component.id, row.span - (given - before));
  }

  /** `row` is the row above on the page, `ownerRow` the row of the component whose render is drawn. */
  function* draw(
    component: Component,
    index: number,
    row: number,
    ownerRow: number,
    content: Content | undefined,
  ): Deep<void> {
    const node = component.facts.render[index]!;
    if (node.kind === 'outlet') {
      const filled = content && filledBy(content).includes(node.outlet!);
      if (filled) yield drawContent(content, row, node.outlet);
      // What stands in the outlet is shown where nothing fills it.
      else
        for (const child of childrenOf(component, index))
          yield draw(component, child, row, ownerRow, content);
      return;
    }
    const sites = (node.kind === 'site' && component.siteAt.get(index)) || [];
    const handed = node.kind === 'site' ? handedAt(component, index, ownerRow) : [];
    if (!sites.length && !handed.length) {
      for (const child of childrenOf(component, index)) yield draw(component, child, row, ownerRow, content);
      for (const one of component.drawn.get(index) ?? []) yield drawHelper(one, row, ownerRow);
      return;
    }
    for (const id of [...sites, ...handed]) {
      const site = project.sites[id]!;
      const target = project.components[site.target]!;
      // What puts a page into its layout is nothing that anybody sees.
      if (target.facts.framesPage) {
        for (const child of childrenOf(target, -1)) yield draw(target, child, row, ownerRow, undefined);
        continue;
      }
      yield expand(target, site, row, ownerRow, {
        owner: component.id,
        ownerRow,
        node: index,
        outer: content,
      });
    }
  }

  /** Call sites of what the owner of a row was handed there to draw at a node. */
  function handedAt(component: Component, node: number, ownerRow: number): number[] {
    const by = rows[ownerRow]!.site;
    return (component.handedSites.get(node) ?? []).filter(
      (id) => project.sites[id]!.handedBy?.includes(by) ?? true,
    );
  }

  /** What a function or hook draws, as a part of who uses it. */
  function* drawHelper({ helper, nodes }: Drawn, row: number, ownerRow: number): Deep<void> {
    if (open.has(helper.id)) return;
    open.add(helper.id);
    for (const node of nodes) yield draw(helper, node, row, ownerRow, undefined);
    open.delete(helper.id);
  }

  function* drawContent(content: Content, row: number, slot: string | undefined): Deep<void> {
    const first = rows.length;
    const known = given;
    const owner = project.components[content.owner]!;
    const { outer } = content;
    for (const child of childrenOf(owner, content.node))
      if (slotFilled(owner, child) === slot) yield draw(owner, child, row, content.ownerRow, outer);
    for (const one of owner.drawn.get(content.node) ?? [])
      if (one.slot === slot) yield drawHelper(one, row, content.ownerRow);
    // A slot of the owner that it hands on is filled further up.
    if (outer)
      for (const one of handedOn(owner))
        if (one.node === content.node && one.into === slot) yield drawContent(outer, row, one.slot);
    given = known + rows.length - first;
  }

  /** Slots that are filled, and that the component draws where no outlet is seen: what is spread or computed may. */
  function unseenSlots(component: Component, content: Content): string[] {
    const { facts, ports, open } = component;
    const outlets = facts.render.filter((node) => node.kind === 'outlet');
    const isSeen = (slot: string) =>
      outlets.some((node) => node.outlet === slot) || handedOn(component).some((one) => one.slot === slot);
    const mayDraw = (slot: string) => !outlets.length || open || ports.has(slot);
    return filledBy(content).filter((slot) => !isSeen(slot) && mayDraw(slot));
  }

  /** The slots that content is handed to. */
  function filledBy({ owner: id, node }: Content): string[] {
    const owner = project.components[id]!;
    const filled = new Set(childrenOf(owner, node).map((child) => slotFilled(owner, child)));
    for (const { slot } of owner.drawn.get(node) ?? []) if (slot !== undefined) filled.add(slot);
    for (const one of handedOn(owner)) if (one.node === node) filled.add(one.into);
    return [...filled];
  }

  for (const component of rootsOf(project, withAside)) {
    aside = project.files[component.file]!.aside;
    runDeep(expand(component, undefined, -1, -1, undefined));
  }
  return { rows, complete };
}

const slotFilled = ({ facts }: Component, node: number): string =>
  facts.render[node]!.slot ?? facts.traits.contentPort;

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
