/** Facts of all files to one project. Linear in the facts; nothing here enumerates paths. */
import type { FileFacts } from '../model/facts';
import { bareName } from '../model/names';
import type { Component, ProjectFile, Site } from '../model/project';
import type { Manifest } from '../readers/manifest';
import { type TypeSpace, typeSpace } from '../types/resolve';
import { withBrought } from './1-files/brought';
import { linkContexts } from './5-contexts/contexts';
import { linkDrawn } from './3-tags/drawn';
import { settleElements, withPages } from './2-names/elements';
import { linkFlow } from './7-flow/flow';
import { givenType } from './4-ports/given-types';
import { linkHandedIn } from './3-tags/handed-in';
import type { Linked, Tree } from './linked';
import { settleBases, settleTakenContent } from './2-names/bases';
import { isBesideApp } from './1-files/beside';
import { inSight } from './2-names/in-sight';
import { mixinsOf } from './2-names/mixins';
import { openParts } from './2-names/opened-parts';
import { withLoads } from './1-files/loads';
import { linkModules } from './1-files/modules';
import { withoutIdle } from './1-files/passing';
import { settleNamedContent } from './2-names/named-content';
import { linkNames } from './2-names/names';
import { linkPlaced } from './2-names/placed';
import { linkPorts, portTypeOf } from './4-ports/ports';
import { linkReached } from './4-ports/reached';
import { Rising } from './4-ports/rising';
import { linkSpaces } from './1-files/spaces';
import { linkRegistry } from './2-names/registry';
import { withFactories } from './2-names/factories';
import { withRoutes } from './1-files/routes';
import { handedBy, linkSites } from './3-tags/sites';
import { isAside, linkUsage } from './4-ports/usage';
import { bringsNames, versionOf } from './1-files/needs';

/** Links facts; the order of `files` decides the order of everything else, so callers sort by path. */
export function link(
  given: FileFacts[],
  manifests: Manifest[],
  { roots = [], beside = isBesideApp }: { roots?: string[]; beside?: (path: string) => boolean } = {},
  onProgress: (share: number) => void = () => {},
): Linked {
  const routed = withPages(withRoutes(withLoads(given)));
  const modules = linkModules(routed, manifests);
  const spaces = linkSpaces(routed, manifests);
  const brought = withBrought(routed, modules);
  const facts = withFactories(withoutIdle(brought, modules), modules, spaces);
  const files = facts.map((one, index): ProjectFile => {
    const pkg = modules.packageOf(one.path);
    const parts = (one.parts ?? []).flatMap(({ path, base }) => {
      const file = modules.fileAt(path);
      return file === undefined ? [] : [{ file, base }];
    });
    return {
      index,
      path: one.path,
      facts: one,
      pkg,
      ...(parts.length ? { parts } : {}),
      version: versionOf(one.language, pkg),
      bringsNames: bringsNames(one.language, pkg),
      aside: isAside(one.path) || beside(one.path),
      beside: beside(one.path),
    };
  });
  const components: Component[] = [];
  const homes: { file: number; index: number }[] = [];
  const ids = facts.map((file, index) =>
    file.components.map((component, at) => {
      homes.push({ file: index, index: at });
      const id = components.length;
      components.push({
        id,
        file: index,
        name: component.name,
        facts: component,
        ports: new Map(),
        open: false,
        unresolved: false,
        calledAt: [],
        sites: [],
        siteAt: new Map(),
        handedAt: [],
        handedSites: new Map(),
        drawn: new Map(),
        unknownSites: component.injected || component.wrapped,
        used: component.injected,
        passes: [],
        spreads: [],
        mixins: [],
        nodeOf: new Int32Array(component.symbols.length).fill(-1),
      });
      return id;
    }),
  );
  const names = linkNames(facts, modules, spaces, ids, homes);
  const sight = inSight(components, files, spaces);
  for (const component of components)
    component.mixins = mixinsOf(component, components, { names, ids, sight, files });
  settleBases(components, names);
  settleTakenContent(components);
  const registry = linkRegistry(facts, names, modules, spaces);
  settleNamedContent(components, names, registry);
  settleElements(components, registry);
  openParts(files, sight);
  linkReached(components, files, names);
  onProgress(0.05);
  const placed = linkPlaced(components, files, names);
  const sites: Site[] = [];
  const types: TypeSpace = typeSpace({
    names,
    components,
    portType: (component, name) => portTypeOf(component, name),
    filter: ({ markup }, name) => markup?.filters.get(name),
    given: (component, symbol) => givenType({ components, sites, resolve: types.resolve }, component, symbol),
  });
  const written = linkSites(components, names, ids, registry, placed);
  sites.push(...written);
  linkHandedIn({ components, sites, names });
  onProgress(0.2);
  linkDrawn(components, names);
  linkPorts(components, { written, sites }, types, names);
  const tree: Tree = {
    files,
    components,
    sites,
    written,
    packages: modules.packages,
    names,
    modules,
    types,
    lookup: names.lookup,
    elementReads: new Set(facts.flatMap((file) => file.elementReads)),
    heardNames: new Set(facts.flatMap((file) => file.heardNames ?? [])),
    rising: undefined as never,
    madeEvents: madeEventsOf(facts),
    hasRoots: false,
    handed: (site) => handedBy(tree, site),
  };
  tree.rising = new Rising(tree);
  onProgress(0.35);
  linkUsage(tree, names, modules, new Set(roots), registry.unseen());
  const contexts = linkContexts(tree);
  onProgress(0.4);
  return linkFlow(tree, contexts, (share) => onProgress(0.4 + share * 0.6));
}

export type { Linked, Tree } from './linked';

/** Names of events that code makes for elements, or raises in components that it finds. */
function madeEventsOf(facts: FileFacts[]): Set<string> {
  const carriers = new Set(facts.flatMap((file) => file.eventCarriers ?? []));
  const texts = (carriers.size ? facts : []).flatMap((file) => file.carriedTexts ?? []);
  return new Set(
    [
      ...facts.flatMap((file) => file.madeEvents ?? []),
      ...texts.flatMap((one) => (carriers.has(one.method) ? one.texts : [])),
    ].map(bareName),
  );
}
