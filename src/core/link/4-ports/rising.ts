/**
 * Where events of elements arrive: at the tag of who raises them, and, if they rise, at every tag around that, out of
 * components as far as they get, and at the tag of each component on the way. A fixed point over the render ancestry.
 */
import type { ExprFact, RenderFact } from '../../model/facts';
import type { Component, Port, Project, Site } from '../../model/project';

type Arrived = Map<string, Set<Port>>;

export class Rising {
  /** At the tags of a component's call sites. */
  private readonly at = new Map<number, Arrived>();
  /** At the nodes of a component's render. */
  private readonly inside = new Map<number, Map<number, Arrived>>();
  private heardPorts: Set<Port> | undefined;
  private readonly isUsed: boolean;

  constructor(private readonly project: Pick<Project, 'components' | 'sites' | 'heardNames'>) {
    this.isUsed = project.components.some((one) => [...one.ports.values()].some((port) => port.rises));
    if (this.isUsed) this.run();
  }

  private run(): void {
    const { components, sites } = this.project;
    for (const component of components)
      for (const port of component.ports.values())
        if (port.channel === 'event' && port.name.startsWith('@')) this.arrive(component.id, port);
    const todo = new Set<Component>(components);
    for (const owner of todo) {
      todo.delete(owner);
      let more = false;
      for (const id of owner.sites) {
        const site = sites[id]!;
        for (const ports of this.at.get(site.target)?.values() ?? [])
          for (const port of ports) if (this.pass(owner, site, port)) more = true;
      }
      if (more) for (const id of owner.calledAt) todo.add(components[sites[id]!.owner]!);
    }
  }

  /** An event goes up from a tag in a render; true if it gets to the tag of the owner for the first time. */
  private pass(owner: Component, site: Site, port: Port): boolean {
    const { render, closed } = owner.facts;
    const isOwn = site.target === port.component;
    if (!port.rises && !isOwn) return false;
    let node = site.node;
    if (!this.note(owner, node, port)) return false;
    if (!port.rises) return false;
    for (node = render[node]!.parent; node >= 0; node = render[node]!.parent) this.note(owner, node, port);
    return closed && !port.rises.composed ? false : this.arrive(owner.id, port);
  }

  private arrive(component: number, port: Port): boolean {
    let known = this.at.get(component);
    if (!known) this.at.set(component, (known = new Map()));
    return add(known, port);
  }

  private note(owner: Component, node: number, port: Port): boolean {
    let nodes = this.inside.get(owner.id);
    if (!nodes) this.inside.set(owner.id, (nodes = new Map()));
    let known = nodes.get(node);
    if (!known) nodes.set(node, (known = new Map()));
    return add(known, port);
  }

  /** The events of a name that arrive at a node of a render. */
  arriving(owner: Component, node: number, name: string): Port[] {
    return [...(this.inside.get(owner.id)?.get(node)?.get(name) ?? [])];
  }

  /** The events of a name that arrive at the tag of a component, its own among them. */
  arrivingAt(component: Component, name: string): Port[] {
    return [...(this.at.get(component.id)?.get(name) ?? [])];
  }

  /** Every event of a name that may be heard on the whole page. */
  onPage(name: string): Port[] {
    return this.project.components.flatMap((one) => {
      const port = one.ports.get(name);
      return port?.rises ? [port] : [];
    });
  }

  /** Whether something listens where an event arrives. */
  isHeard(port: Port): boolean {
    if (!this.isUsed) return false;
    this.heardPorts ??= this.collectHeard();
    return this.heardPorts.has(port) || this.project.heardNames.has(port.name.slice(1));
  }

  private collectHeard(): Set<Port> {
    const found = new Set<Port>();
    for (const component of this.project.components) {
      for (const { event, on } of component.facts.hears ?? []) {
        const name = `@${event}`;
        for (const port of on ? this.onPage(name) : this.arrivingAt(component, name)) found.add(port);
      }
      component.facts.render.forEach((node, index) => {
        for (const { name } of listenedFor(node))
          for (const port of this.arriving(component, index, name)) found.add(port);
      });
    }
    return found;
  }
}

/** Events that a tag listens for, with what is called; on a plain element they are known by the attribute alone. */
export function listenedFor({ kind, attributes }: RenderFact): { name: string; value: ExprFact }[] {
  return attributes.flatMap(({ mode, name, value }) => {
    if (mode === 'listen') return [{ name, value }];
    const event = kind === 'element' ? /^on([A-Z])(.*)$/.exec(name) : null;
    return event ? [{ name: `@${event[1]!.toLowerCase()}${event[2]!}`, value }] : [];
  });
}

function add(to: Arrived, port: Port): boolean {
  const known = to.get(port.name);
  if (known?.has(port)) return false;
  if (known) known.add(port);
  else to.set(port.name, new Set([port]));
  return true;
}
