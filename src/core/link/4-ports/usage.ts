/** Who may render a component besides its written call sites. */
import type { Component, Package, ProjectFile } from '../../model/project';
import type { Tree } from '../linked';
import { LANGUAGES, ofAll } from '../../readers/languages';
import { dirname } from '../../model/paths';
import { matching } from '../1-files/globs';
import type { Modules } from '../1-files/modules';
import { isRouted } from '../1-files/routes';
import type { Names } from '../2-names/names';

/** Packages that render components by where their files lie. */
const FILE_ROUTERS = ofAll('routers');

/** Packages whose pages are files that are not read here, and may render any component. */
const OTHER_PAGES = ofAll('pages');

/** Folders of pages, for all such routers. */
const ROUTED = /(^|\/)(app|pages|routes|layouts|src\/routes|src\/pages|src\/app)\//;
const isRoutedFile = (path: string): boolean =>
  ROUTED.test(`/${path}`) || LANGUAGES.some((one) => one.routed?.test(path));

/** Files that a test runner, a gallery or a page of documentation loads by their name or folder. */
const STORY =
  /(\.(stories|story|test|spec|cy|fixture|page|demo|example)\.[jt]sx?$)|(^|\/)(examples?|demos?|docs?|stories|__\w+__|tests?|fixtures?|playground)\//;

/** Whether a file only shows or tests what others hold. */
export const isAside = (path: string): boolean => STORY.test(path);

/** Whether an app is seen to start in a file. */
export const startsApp = ({ facts }: ProjectFile): boolean =>
  facts.mounts || (facts.ownPage === true && facts.components.length > 0);

/**
 * `roots` are names of components that start trees, where no code of the project shows it; `unseen` those that a build
 * registers, so that anybody may draw them.
 */
export function linkUsage(
  project: Tree,
  names: Names,
  modules: Modules,
  roots: Set<string>,
  unseen: number[],
): void {
  const { components, files } = project;
  project.hasRoots =
    files.some(startsApp) ||
    project.packages.some((pkg) => pkg.entries === undefined || pkg.entries.length > 0);
  for (const component of components) {
    if (component.calledAt.length) component.used = true;
    else if (component.facts.routed) mark(component);
    if (component.facts.role !== 'component' || !roots.has(component.name)) continue;
    component.used = true;
    component.root = true;
    project.hasRoots = true;
  }
  // What is known by name alone is not mentioned where it is extended.
  for (const { facts, mixins } of components) if (facts.heirOf) for (const base of mixins) base.used = true;
  for (const id of unseen) mark(components[id]!);
  markLibraries(project);
  markMentions(project, names);
  markUnresolved(project, names, modules);
  markLoaded(project, names, modules);
  for (const pkg of project.packages) markEntries(project, names, pkg);
  for (const component of components) {
    const file = files[component.file]!;
    const routed = FILE_ROUTERS.some((name) => file.pkg?.needs.has(name)) && isRoutedFile(file.path);
    if (OTHER_PAGES.some((name) => file.pkg?.needs.has(name)) && isExported(project, component))
      component.used = true;
    if ((routed || file.aside) && isExported(project, component)) {
      component.used = true;
      // A page whose layouts are known is drawn by them, and by nobody else.
      const drawn = component.calledAt.some((id) => isRouted(project.sites[id]!));
      if (!drawn) component.unknownSites = true;
    }
  }
}

/** The public names under which a component's file exports it. */
export function isExported(project: Tree, component: Component): boolean {
  const { facts } = project.files[component.file]!;
  return facts.exports.some((one) => {
    if (one.local === undefined) return false;
    const target = project.names.lookup(component.file, one.local);
    return target.kind === 'component' && target.component === component.id;
  });
}

/**
 * An import that neither a file nor a dependency answers goes by an alias that nobody here knows: whatever file
 * its path may mean is used, in ways that are not seen.
 */
function markUnresolved(project: Tree, names: Names, modules: Modules): void {
  const tails = new Map<string, Set<string>>();
  for (const file of project.files) {
    const written = [...file.facts.imports, ...(file.facts.loads ?? []).filter((one) => !one.glob)];
    for (const { from } of written) {
      const slash = from.indexOf('/');
      if (slash < 0 || from.startsWith('.') || from.startsWith('/') || from.includes(':')) continue;
      if (modules.resolve(file.path, from) !== undefined) continue;
      const own = from
        .split('/')
        .slice(0, from.startsWith('@') && slash > 1 ? 2 : 1)
        .join('/');
      if (file.pkg?.needs.has(own)) continue;
      const dir = file.pkg?.dir ?? '';
      const tail = from.slice(slash + 1).replace(/(\/index)?(\.\w+)?$/, '');
      tails.set(dir, (tails.get(dir) ?? new Set()).add(tail));
    }
  }
  if (!tails.size) return;
  for (const file of project.files) {
    const wanted = tails.get(file.pkg?.dir ?? '');
    if (!wanted) continue;
    const parts = file.path.replace(/(\/index)?\.\w+$/, '').split('/');
    if (parts.some((_, at) => wanted.has(parts.slice(at).join('/')))) markModule(project, names, file.index);
  }
}

/** What is loaded while the code runs is rendered by whoever loads it: a router, say. */
function markLoaded(project: Tree, names: Names, modules: Modules): void {
  const all = project.files.map((one) => one.facts);
  for (const file of project.files) {
    // What a value of the file stands for is rendered under its name.
    const known = new Set(file.facts.values.map((one) => one.lazy?.from));
    for (const { from, glob } of file.facts.loads ?? []) {
      if (glob) {
        for (const other of matching(all, modules, file.path, from)) markModule(project, names, other);
      } else if (!known.has(from)) {
        const target = modules.resolve(file.path, from);
        if (target !== undefined) markModule(project, names, target);
      }
    }
  }
}

/** A component used as a value may be rendered by whoever gets it. */
function markMentions(project: Tree, names: Names): void {
  for (const file of project.files) {
    for (const name of file.facts.mentions) {
      const target = names.lookup(file.index, name);
      if (target.kind === 'component') mark(project.components[target.component]!);
      else if (target.kind === 'value')
        markMembers(project, names, target.file, target.value.members, new Set());
      else if (target.kind === 'module') markModule(project, names, target.file);
    }
    // Values that hold components are reached through their members.
    for (const value of file.facts.values) {
      if (value.kind === 'object') markMembers(project, names, file.index, value.members, new Set());
    }
  }
  for (const component of project.components) {
    for (const fn of allExpressions(component)) {
      const target = fn.includes('.') ? names.lookup(component.file, fn) : undefined;
      if (target?.kind === 'component') mark(project.components[target.component]!);
    }
  }
}

/**
 * Where types and components are known by their names alone, a folder in which nothing puts any on a page is a library:
 * others may draw what it holds.
 */
function markLibraries({ files, components }: Tree): void {
  const homes = files.flatMap(({ path, facts }) => {
    if (!facts.ambient || !facts.mounts || facts.components.some((one) => one.role === 'component'))
      return [];
    // A page that is no component lies in a folder of pages.
    return [/html$/.test(path) ? dirname(dirname(path)) : dirname(path)];
  });
  for (const component of components) {
    const { path, facts } = files[component.file]!;
    if (!facts.ambient || component.facts.role !== 'component') continue;
    if (!homes.some((home) => home === '' || path.startsWith(`${home}/`))) mark(component);
  }
}

function mark(component: Component): void {
  component.used = true;
  component.unknownSites = true;
}

function markMembers(
  project: Tree,
  names: Names,
  file: number,
  members: Record<string, string> | undefined,
  seen: Set<string>,
): void {
  for (const link of Object.values(members ?? {})) {
    const key = `${file}:${link}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const target = names.lookup(file, link);
    if (target.kind === 'component') mark(project.components[target.component]!);
    else if (target.kind === 'value') markMembers(project, names, target.file, target.value.members, seen);
  }
}

function markModule(project: Tree, names: Names, file: number): void {
  for (const name of names.exportsOf(file)) {
    const target = exportTarget(project, names, file, name);
    if (target?.kind === 'component') mark(project.components[target.component]!);
  }
}

function exportTarget(project: Tree, names: Names, file: number, name: string) {
  const fact = project.files[file]!.facts.exports.find((one) => one.name === name);
  return fact?.local === undefined ? names.exported(file, name) : names.lookup(file, fact.local);
}

/** Dotted component names that are handed on as values: `as={Menu.Item}`. */
function* allExpressions(component: Component): Iterable<string> {
  for (const node of component.facts.render) {
    for (const attribute of node.attributes) if (attribute.value.component) yield attribute.value.component;
  }
}

/** What a package offers from its entry is used by others, with props that nobody here knows. */
function markEntries(project: Tree, names: Names, pkg: Package): void {
  if (pkg.entries === undefined) {
    // Its entry is not among the files: any exported component may be offered.
    for (const component of project.components) {
      if (project.files[component.file]!.pkg !== pkg || !isExported(project, component)) continue;
      component.used = true;
      if (!pkg.private) component.unknownSites = true;
    }
    return;
  }
  for (const entry of pkg.entries) {
    for (const name of names.exportsOf(entry)) {
      const target = exportTarget(project, names, entry, name);
      const found =
        target?.kind === 'component'
          ? [target.component]
          : target?.kind === 'module'
            ? moduleComponents(project, names, target.file)
            : [];
      for (const id of found) {
        const component = project.components[id]!;
        component.used = true;
        if (!pkg.private) component.unknownSites = true;
      }
      if (target?.kind === 'value' && !pkg.private)
        markMembers(project, names, target.file, target.value.members, new Set());
    }
  }
}

function moduleComponents(project: Tree, names: Names, file: number): number[] {
  return names.exportsOf(file).flatMap((name) => {
    const target = exportTarget(project, names, file, name);
    return target?.kind === 'component' ? [target.component] : [];
  });
}
