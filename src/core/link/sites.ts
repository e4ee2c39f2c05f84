/** Call sites: which component a tag means, and what it is handed. */
import type { RenderFact, TagFact } from '../model/facts';
import type { Component, Handed, Project, Site, Target } from '../model/project';
import type { Names } from './names';
import type { Registry } from './registry';

/** `ids` gives the project's number of each file's components. */
export function linkSites(
  components: Component[],
  names: Names,
  ids: number[][],
  registry: Registry,
): Site[] {
  const sites: Site[] = [];
  for (const owner of components) {
    const siteOf = new Map<number, number>();
    owner.facts.render.forEach((fact, node) => {
      if (fact.kind !== 'site' || !fact.tag || fact.tag.symbol !== undefined || fact.tag.unbound) return;
      const found = targetOf(owner.file, fact.tag, names, ids) ?? registry(owner.file, fact.tag);
      if (found === undefined) return;
      const component = components[found.component]!;
      if (component.facts.role !== 'component') return;
      const id = sites.length;
      const { wrapper } = found;
      sites.push({
        id,
        owner: owner.id,
        target: component.id,
        node,
        fact: bound(fact, component),
        file: owner.file,
        ...(wrapper ? { wrapper } : {}),
      });
      owner.sites.push(id);
      component.calledAt.push(id);
      siteOf.set(node, id);
    });
    linkPasses(owner, siteOf);
  }
  return sites;
}

/** What the component hands on as it is. */
function linkPasses(owner: Component, siteOf: Map<number, number>): void {
  owner.facts.render.forEach((fact, node) => {
    const site = siteOf.get(node) ?? -1;
    fact.attributes.forEach((one, attribute) => {
      if (one.value.kind !== 'identity') return;
      const symbol = owner.facts.symbols[one.value.symbol!]!;
      if (one.mode === 'spread') {
        if (symbol.kind !== 'bag' && symbol.kind !== 'rest') return;
        const element = fact.kind === 'element';
        owner.spreads.push({ except: symbol.except ?? [], node, attribute, site, element });
      } else if (fact.kind === 'site' && (one.mode === 'value' || one.mode === 'two-way')) {
        owner.passes.push({ symbol: one.value.symbol!, node, attribute, site });
      }
    });
  });
}

/** A two-way binding without a name binds what the component says it means. */
function bound(fact: RenderFact, { facts: { model } }: Component): RenderFact {
  if (!model || !fact.attributes.some((one) => one.mode === 'two-way' && one.name === 'modelValue'))
    return fact;
  const attributes = fact.attributes.map((one) =>
    one.mode === 'two-way' && one.name === 'modelValue' ? { ...one, name: model.prop } : one,
  );
  return { ...fact, attributes };
}

/** The port of the event that a two-way binding listens to. */
export const updateOf = (target: Component, name: string): string =>
  target.facts.model?.prop === name ? `@${target.facts.model.event}` : `@update:${name}`;

type Found = Extract<Target, { kind: 'component' }>;

function targetOf(file: number, tag: TagFact, names: Names, ids: number[][]): Found | undefined {
  if (tag.component !== undefined) return { kind: 'component', component: ids[file]![tag.component]! };
  const target = names.lookup(file, tag.name);
  return target.kind === 'component' ? target : undefined;
}

/** Whether a wrapper around the component keeps an attribute, or hands over another in its place. */
export const isKeptByWrapper = ({ wrapper }: Site, name: string): boolean =>
  wrapper !== undefined && (wrapper.takes.includes(name) || wrapper.supplies.includes(name));

const cache = new WeakMap<Site, Handed>();

/** What a call site hands over, written out and spread. */
export function handedBy(project: Project, site: Site): Handed {
  const known = cache.get(site);
  if (known) return known;
  const owner = project.components[site.owner]!;
  const target = project.components[site.target]!;
  const handed: Handed = { attributes: new Map(), spread: new Set(), unknown: false };
  cache.set(site, handed);
  for (const attribute of site.fact.attributes) {
    if (attribute.mode !== 'spread') {
      handed.attributes.set(attribute.name, attribute);
      if (attribute.mode === 'two-way') handed.spread.add(updateOf(target, attribute.name));
      continue;
    }
    const { value } = attribute;
    const symbol = value.kind === 'identity' ? owner.facts.symbols[value.symbol!]! : undefined;
    if (symbol?.kind === 'bag' || symbol?.kind === 'rest') {
      for (const name of carried(owner, symbol.except ?? [], target)) handed.spread.add(name);
      if (symbol.kind === 'rest' && owner.facts.traits.attributesFallThrough) {
        if (mayCarryMore(project, owner)) handed.unknown = true;
      } else if (owner.facts.propsType === undefined || owner.open || owner.unresolved) handed.unknown = true;
    } else if (value.kind === 'object' && !value.open) {
      for (const member of value.members ?? []) handed.spread.add(member.name);
    } else handed.unknown = true;
  }
  for (const name of site.wrapper?.supplies ?? []) {
    handed.attributes.delete(name);
    handed.spread.add(name);
  }
  for (const name of site.wrapper?.takes ?? []) handed.attributes.delete(name);
  return handed;
}

/** What falls through a component is what its call sites write, where all of that is known. */
const mayCarryMore = (project: Project, owner: Component): boolean =>
  owner.unknownSites || owner.calledAt.some((id) => handedBy(project, project.sites[id]!).unknown);

/** Names of the owner's props that a spread hands to a component. */
export function carried(owner: Component, except: string[], target: Component): string[] {
  return [...owner.ports.keys()].filter((name) => !except.includes(name) && target.ports.has(name));
}
