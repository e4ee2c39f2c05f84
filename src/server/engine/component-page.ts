/** One component: its interface, its call sites, what happens inside, who provides what it consumes. */
import type { ComponentView, Join, SiteView } from '../../api/component-schemas';
import type { AuditResult } from '../../core/audit';
import { handedIn } from '../../core/link/3-tags/handed-in';
import type { Component, FlowNode, Site } from '../../core/model/project';
import { groupBy } from '../../core/model/group-by';
import { componentRef, nodeRef } from '../../core/model/refs';
import { silencesAt } from '../../core/report/silences';
import { componentAt, type Unfound } from '../../core/trace/references';
import type { TextOf } from '../../core/report/places';
import { aboveOf, aloneOf } from './above';
import { conditionOf, desk, joinOf, portView, shown, strayAt, straysOf, type Desk } from './joins';

/** The page of the component that a reference names. */
export function componentView(result: AuditResult, textOf: TextOf, wanted: string): ComponentView | Unfound {
  const component = componentAt(result.project, wanted);
  if ('similar' in component) return component;
  const ref = componentRef(result.project, component);
  const at = desk(result, textOf);
  const { project } = result;
  const sites = component.calledAt.map((id) => project.sites[id]!);
  const strays = [...new Set(sites.flatMap((site) => straysOf(site, component).map((one) => one.name)))];
  return {
    ref,
    name: component.name,
    file: project.files[component.file]!.path,
    spot: at.places.spot({
      file: component.file,
      start: component.facts.nameStart,
      end: component.facts.nameEnd,
    }),
    language: project.files[component.file]!.facts.language,
    elsewhere: component.unknownSites,
    silences: silencesAt(project, component, sites),
    ports: [...component.ports.values()].map((port) => portView(at, component, port)),
    sites: siteViews(at, component, sites, strays),
    strays,
    inside: insideOf(at, component),
    consumes: consumesOf(at, component),
    holders: holdersOf(at, sites),
    above: aboveOf(result, component),
    alone: aloneOf(result, component),
    renders: rendersOf(result, component),
    handed: handedOf(at, component),
  };
}

function siteViews(at: Desk, component: Component, sites: Site[], strays: string[]): SiteView[] {
  const { project, findings } = at.result;
  const views = sites.map((site, index): SiteView => {
    const owner = project.components[site.owner]!;
    const cells: SiteView['cells'] = {};
    for (const port of component.ports.values()) {
      const join = joinOf(at, site, port);
      if (!isNothing(join.how)) cells[port.name] = { ...join, odd: false };
    }
    for (const attribute of straysOf(site, component)) {
      cells[attribute.name] = {
        text: shown(at, site, attribute),
        type: '',
        how: strayAt(at, site, component, attribute.name),
        odd: false,
      };
    }
    const { each } = site.fact;
    const when = conditionOf(at, site);
    return {
      at: index,
      owner: owner.name,
      ownerRef: componentRef(project, owner),
      ...(project.files[site.file]!.aside ? { aside: true } : {}),
      spot: at.places.spot({ file: site.file, ...(site.fact.tag ?? site.fact) }),
      ...(when ? { when } : {}),
      ...(each ? { each: at.text({ file: site.file, ...each }) } : {}),
      cells,
      findings: findings.filter((one) => one.site === site.id).map((one) => one.fingerprint),
    };
  });
  for (const name of [...component.ports.keys(), ...strays]) markOdd(views, name);
  return views;
}

/** Nothing is handed over, and nothing has to be. */
const isNothing = (how: Join): boolean => how === 'left out' || how === 'unheard' || how === 'default';

/** Among three call sites or more, what only one of them does otherwise is odd. */
function markOdd(views: SiteView[], name: string): void {
  if (views.length < 3) return;
  const kindOf = (view: SiteView): string => {
    const cell = view.cells[name];
    if (!cell || cell.how === 'missing') return 'absent';
    return /^(['"`\d-]|true$|false$)/.test(cell.text) ? `literal ${cell.text}` : 'value';
  };
  const groups = groupBy(views, kindOf);
  if (groups.size !== 2) return;
  for (const group of groups.values()) {
    const [only] = group;
    if (group.length !== 1 || !only) continue;
    const cell = only.cells[name];
    if (cell) cell.odd = true;
    else only.cells[name] = { text: '', type: '', how: 'left out', odd: true };
  }
}

/** What comes in, what is kept and derived, what goes out, and how one feeds the other. */
function insideOf(at: Desk, component: Component): ComponentView['inside'] {
  const { project } = at.result;
  const { flow } = project;
  const nodes: ComponentView['inside']['nodes'] = [];
  const links: ComponentView['inside']['links'] = [];
  const seen = new Set<number>();
  const add = (id: number, side: 'in' | 'inside' | 'out', to?: string) => {
    if (seen.has(id)) return;
    seen.add(id);
    const node = flow.nodes[id]!;
    nodes.push({
      id,
      side,
      channel: node.channel,
      name: node.name,
      ...(to === undefined ? {} : { to }),
      ref: nodeRef(project, node),
      spot: at.places.spot(node.place),
    });
  };
  const own = flow.nodes.filter((node) => node.component === component.id);
  for (const node of own) {
    const raised = node.channel === 'event';
    const given = node.provides === true;
    const side =
      raised || given ? 'out' : node.port || node.channel === 'context' ? 'in' : ('inside' as const);
    add(node.id, side);
  }
  for (const node of own) {
    for (const index of [...flow.out[node.id]!, ...flow.into[node.id]!]) {
      const edge = flow.edges[index]!;
      const other = edge.from === node.id ? edge.to : edge.from;
      const far = flow.nodes[other]!;
      if (far.component !== component.id) {
        // Only what crosses a call site in this component's own render.
        const site = edge.site >= 0 ? project.sites[edge.site]! : undefined;
        if (site?.owner !== component.id) continue;
        add(other, far.channel === 'event' ? 'in' : 'out', project.components[far.component]!.name);
      }
      if (!links.some((one) => one.from === edge.from && one.to === edge.to)) {
        links.push({ from: edge.from, to: edge.to, how: edge.how });
      }
    }
  }
  // What neither feeds nor is fed says nothing here, unless it is a port.
  const linked = new Set(links.flatMap((one) => [one.from, one.to]));
  const leads = new Set(links.map((one) => one.from));
  return {
    nodes: nodes
      .filter((node) => linked.has(node.id) || node.side !== 'inside')
      .map((node) =>
        node.channel === 'local' && !leads.has(node.id) && !isShown(component, flow.nodes[node.id]!)
          ? { ...node, idle: true }
          : node,
      ),
    links,
  };
}

/** Whether the component does anything with a value of its own but make others of it. */
const isShown = ({ facts }: Component, { symbol }: FlowNode): boolean =>
  facts.reads.some((read) => read.symbol === symbol && read.where !== 'derivation') ||
  facts.functions.some((fn) => fn.calls.includes(symbol));

function consumesOf(at: Desk, component: Component): ComponentView['consumes'] {
  const { project } = at.result;
  const contexts = project.contexts;
  return contexts.consumers
    .filter((one) => one.component === component.id)
    .map((one) => {
      const above = contexts.providers.filter(
        (provider) =>
          provider.key === one.key &&
          (provider.component === component.id || contexts.below(provider).components.has(component.id)),
      );
      const bare = contexts.barePath(component.id, one.key) !== undefined;
      const goesOn = one.missing === 'handled' || contexts.hasDefault(one.key);
      const without = goesOn ? ('by default' as const) : ('on no path' as const);
      const within = bare ? ('on some paths' as const) : ('on all paths' as const);
      return {
        key: one.key.name,
        ref: `${componentRef(project, component)}:context:${one.key.name}`,
        spot: at.places.spot(one.place),
        state: above.length ? within : without,
        providers: above.map((provider) => ({
          component: project.components[provider.component]!.name,
          spot: at.places.spot(provider.place),
        })),
      };
    });
}

/** Who keeps a handle to it. */
function holdersOf(at: Desk, sites: Site[]): ComponentView['holders'] {
  const { project } = at.result;
  return sites.flatMap((site) => {
    const owner = project.components[site.owner]!;
    return site.fact.attributes
      .filter((one) => one.mode === 'ref')
      .map((one) => ({
        component: owner.name,
        handle: shown(at, site, one),
        spot: at.places.spot({ file: site.file, start: one.start, end: one.end }),
      }));
  });
}

function rendersOf({ project }: AuditResult, component: Component): ComponentView['renders'] {
  const counts = new Map<number, { count: number; written: boolean }>();
  for (const id of [...component.sites, ...handedIn(component)]) {
    const { target } = project.sites[id]!;
    const known = counts.get(target);
    if (known) known.count++;
    else counts.set(target, { count: 1, written: id < project.written.length });
  }
  return [...counts].map(([id, { count, written }]) => {
    const child = project.components[id]!;
    const ref = componentRef(project, child);
    return { ref, name: child.name, count, ...(written ? {} : { handed: true }) };
  });
}

/** Who draws the component because it was handed in, and the call sites that hand it in. */
function handedOf(at: Desk, component: Component): ComponentView['handed'] {
  const { project } = at.result;
  const tagOf = ({ file, fact }: Site) => at.places.spot({ file, ...(fact.tag ?? fact) });
  return component.handedAt.map((id) => {
    const site = project.sites[id]!;
    const owner = project.components[site.owner]!;
    return {
      owner: owner.name,
      ownerRef: componentRef(project, owner),
      spot: tagOf(site),
      by: (site.handedBy ?? []).map((one) => {
        const giver = project.components[project.sites[one]!.owner]!;
        return {
          component: giver.name,
          ref: componentRef(project, giver),
          spot: tagOf(project.sites[one]!),
        };
      }),
    };
  });
}
