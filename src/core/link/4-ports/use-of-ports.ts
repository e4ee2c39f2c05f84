/** What a component does with what it takes; shared by several rules. */
import type { EmitFact, ReadFact } from '../../model/facts';
import type { Tree } from '../linked';
import type { Component, Pass, Port, Project, Site } from '../../model/project';
import { oncePer } from '../../model/once-per';

export interface PortUse {
  reads: ReadFact[];
  emits: EmitFact[];
  passes: Pass[];
  written: boolean;
  /** Placed as content, in an element or in what is nested in a component. */
  placed: boolean;
  /** Handed on by a spread, to a component or an element. */
  spread: boolean;
}

/** Everything a component does with one of its ports. */
export const useOf = (component: Component, port: Port): PortUse => usesIn(component).get(port.name)!;

const usesIn = oncePer((component: Component): Map<string, PortUse> => {
  const { facts } = component;
  const uses = new Map<string, PortUse>();
  for (const name of component.ports.keys()) {
    const spread = component.spreads.some((one) => !one.except.includes(name));
    uses.set(name, { reads: [], emits: [], passes: [], written: false, placed: false, spread });
  }
  const by = (symbol: number): PortUse | undefined => {
    const fact = facts.symbols[symbol];
    return fact?.kind === 'prop' || fact?.kind === 'inherited' ? uses.get(fact.port!) : undefined;
  };
  for (const read of facts.reads) by(read.symbol)?.reads.push(read);
  for (const emit of facts.emits) by(emit.symbol)?.emits.push(emit);
  for (const pass of component.passes) by(pass.symbol)?.passes.push(pass);
  for (const node of facts.render) {
    const use = node.outletSymbol === undefined ? undefined : by(node.outletSymbol);
    if (use) use.placed = true;
  }
  for (const write of facts.writes) {
    const use = by(write.symbol);
    if (use) use.written = true;
  }
  return uses;
});

/** Whether the component does anything at all with a port. */
export const isUsed = (use: PortUse): boolean =>
  use.reads.length > 0 ||
  use.emits.length > 0 ||
  use.passes.length > 0 ||
  use.spread ||
  use.placed ||
  use.written;

/** Whether a call site hands over a name; undefined where nobody knows. */
export function hands(project: Tree, site: Site, name: string): boolean | undefined {
  const handed = project.handed(site);
  if (handed.attributes.has(name) || handed.spread.has(name)) return true;
  // Where each listener is written, no spread carries one.
  const { listenersWritten } = project.components[site.owner]!.facts.traits;
  return handed.unknown && !(listenersWritten && name.startsWith('@')) ? undefined : false;
}

/** Whether elements given to a component may get further props from it. */
export function isCloned(project: Tree, site: Site): boolean {
  const owner = project.components[site.owner]!;
  let { slot } = site.fact;
  const { among, givenTo } = site.fact;
  // `interpolate(text, { Link: <Link /> })`
  if (givenTo !== undefined && project.lookup(owner.file, givenTo).kind === 'outside') return true;
  for (let at = site.fact.parent; at >= 0;) {
    const node = owner.facts.render[at]!;
    if (node.kind === 'site' && node.tag) {
      const target = project.lookup(owner.file, node.tag.name);
      // What a package is given to render itself with gets what it would have had: `render={<Link to="/" />}`.
      if (target.kind === 'outside') return slot === 'render' || (slot !== undefined && among === true);
      return target.kind === 'component' && project.components[target.component]!.facts.clones === true;
    }
    at = node.parent;
    slot ??= node.slot;
  }
  return owner.facts.clones === true;
}

/** The written call sites, where all that is handed over is known: none may be cloned or spread into. */
export function knownSites(project: Tree, component: Component): Site[] | undefined {
  if (component.unknownSites || component.facts.role !== 'component') return undefined;
  const sites = component.calledAt.map((id) => project.sites[id]!);
  if (!sites.length || sites.some((site) => isCloned(project, site))) return undefined;
  return sites;
}

/**
 * The port is there because a type asks for it that others share: a base type, a type of another file that
 * several components take, or the type of all that may be put in the component's place by code that nobody sees.
 */
export function isContract(component: Component, port: Port): boolean {
  if (port.inherited) return true;
  const elsewhere = port.declaredAt !== undefined && port.declaredAt.file !== component.file;
  return elsewhere && (port.shared || component.unknownSites);
}

/** Others may use what the port holds, through an object that the component's class makes. */
export function isReached(component: Component, { member, name }: Pick<Port, 'member' | 'name'>): boolean {
  const own = member ?? name.replace(/^@(?=.)/, '');
  return (
    isOpenObject(component) ||
    component.reached?.has(own) === true ||
    component.mixins.some((one) => usesOwn(one, own))
  );
}

/** Others may take what the port holds, or it is declared for others: that its own component does not is no fault. */
export const isForOthers = (
  { elementReads }: Pick<Project, 'elementReads'>,
  component: Component,
  port: Port,
): boolean => isContract(component, port) || elementReads.has(port.name) || isReached(component, port);

/** Code that is not seen may use any member of its object. */
const isOpenObject = ({ facts, mixins, openBase }: Component): boolean =>
  facts.handsItselfOn === true || openBase === true || mixins.some(isOpenObject);

/** A base that declares a member uses the one that its heirs declare in its place. */
const usesOwn = ({ facts, mixins }: Component, name: string): boolean =>
  facts.symbols.some(
    (one, index) =>
      one.name === name &&
      (facts.reads.some((read) => read.symbol === index) ||
        facts.emits.some((emit) => emit.symbol === index)),
  ) || mixins.some((one) => usesOwn(one, name));

/**
 * Whether a name that a component does not declare may be taken by what it hands undeclared names to; undefined
 * where nobody knows. A plain element takes what the page knows.
 */
export function takesBelow(
  project: Tree,
  component: Component,
  name: string,
  seen = new Set<number>(),
): boolean {
  if (seen.has(component.id)) return false;
  seen.add(component.id);
  const { facts } = component;
  if (facts.openProps || facts.wrapped || component.unresolved) return true;
  if (name.startsWith('@') && facts.openEmits) return true;
  return component.spreads.some(({ site, element }) => {
    if (element) return false;
    if (site < 0) return true;
    const child = project.components[project.sites[site]!.target]!;
    return child.ports.has(name) || takesBelow(project, child, name, seen);
  });
}

/** Whether names beyond the ports of a component are certainly not taken. */
export const isClosed = (component: Component): boolean =>
  !component.open && !component.unresolved && !component.facts.wrapped;
