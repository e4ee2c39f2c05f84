/**
 * Whether a project and what is read of its sheet are the same: their interfaces, their call sites, and where the strands
 * of their ports, states, keys and handles lead. What is only worked out inside of a component has no name of its own in a
 * sheet, and neither have slots, which values pass.
 */
import type { Linked } from '../../link';
import { reach } from '../../link/7-flow/reach';
import type { Component, FlowNode, Handed, Port, Site } from '../../model/project';
import type { SheetKind, SheetNames } from './names';
import { eventName, slotName } from './names';

export interface RoundTrip {
  /** How many there are in the project. */
  interfaces: number;
  sites: number;
  strands: number;
  /** What is not the same, as text. */
  differences: { of: 'interface' | 'site' | 'strand'; text: string }[];
}

const CHANNELS: Partial<Record<SheetKind, string>> = {
  prop: 'prop',
  event: 'event',
  state: 'state',
  consumed: 'context',
  handle: 'ref',
  offered: 'ref',
};

/** Holds a project, written under some names, against what was read of the sheet. */
export function roundTrip(project: Linked, names: SheetNames, back: Linked): RoundTrip {
  const written = new Written(project, names);
  const read = new Read(back);
  const differences: RoundTrip['differences'] = [];
  const interfaces = written.interfaces();
  const others = read.interfaces();
  for (const [name, one] of interfaces)
    if (others.get(name) !== one)
      differences.push({ of: 'interface', text: `${name}: ${one} | ${others.get(name) ?? 'not there'}` });

  const sites = written.sites();
  const otherSites = read.sites();
  for (const [name, texts] of sites)
    for (const text of texts)
      if (!otherSites.get(name)?.has(text)) differences.push({ of: 'site', text: `${name} lacks ${text}` });
  for (const [name, texts] of otherSites)
    for (const text of texts)
      if (!sites.get(name)?.has(text) && !written.alsoAt(name).has(text))
        differences.push({ of: 'site', text: `${name} has ${text} besides` });

  const ends = written.ends();
  const otherEnds = read.ends();
  for (const [name, reached] of ends) {
    const other = otherEnds.get(name) ?? new Set();
    const lost = [...reached].filter((one) => !other.has(one));
    const more = [...other].filter((one) => !reached.has(one));
    if (lost.length || more.length)
      differences.push({
        of: 'strand',
        text: `${name} lacks [${lost.join(', ')}], has [${more.join(', ')}] besides`,
      });
  }
  const count = [...sites.values()].reduce((sum, one) => sum + one.size, 0);
  return { interfaces: interfaces.size, sites: count, strands: ends.size, differences };
}

/** What both sides are asked. */
abstract class Side {
  constructor(protected readonly project: Linked) {}

  /** What a component is called, if it is one of the sheet's. */
  protected abstract nameOf(component: Component): string | undefined;
  /** What the strand of a node is called, if the node has a name in a sheet. */
  protected abstract endOf(node: FlowNode): string | undefined;
  protected abstract portName(component: Component, port: Port): string;

  interfaces(): Map<string, string> {
    const found = new Map<string, string>();
    for (const one of this.project.components) {
      const name = this.nameOf(one);
      const ports = [...one.ports.values()].map(
        (port) => `${port.channel}:${this.portName(one, port)}${port.required ? '!' : ''}`,
      );
      if (name !== undefined) found.set(name, ports.sort().join(' '));
    }
    return found;
  }

  /** A call site with the properties that it gives; where a spread may give others, nobody knows which. */
  protected siteText(site: Site): string | undefined {
    return this.givenText(site, this.project.handed(site));
  }

  protected givenText(site: Site, { attributes, spread, unknown }: Handed): string | undefined {
    const target = this.project.components[site.target]!;
    const name = this.nameOf(target);
    if (name === undefined || unknown) return undefined;
    const given = [...attributes.keys(), ...spread].flatMap((one) => {
      const port = target.ports.get(one);
      return port && port.channel !== 'slot' ? [this.portName(target, port)] : [];
    });
    return `${name}(${[...new Set(given)].sort().join(' ')})`;
  }

  sites(): Map<string, Set<string>> {
    const found = new Map<string, Set<string>>();
    for (const site of this.project.sites) {
      const owner = this.nameOf(this.project.components[site.owner]!);
      const text = this.siteText(site);
      if (owner === undefined || text === undefined) continue;
      found.set(owner, (found.get(owner) ?? new Set()).add(text));
    }
    return found;
  }

  /** Where the strand of each name leads, both ways. */
  ends(): Map<string, Set<string>> {
    const { flow } = this.project;
    const found = new Map<string, Set<string>>();
    for (const node of flow.nodes) {
      const name = this.endOf(node);
      if (name === undefined) continue;
      const all = found.get(name) ?? new Set<string>();
      for (const one of reach(flow, [node.id]).nodes) {
        const end = this.endOf(flow.nodes[one]!);
        if (end !== undefined) all.add(end);
      }
      found.set(name, all);
    }
    return found;
  }
}

class Written extends Side {
  constructor(
    project: Linked,
    private readonly names: SheetNames,
  ) {
    super(project);
  }

  protected nameOf({ id }: Component): string | undefined {
    return this.names.components.get(id);
  }

  protected endOf({ id }: FlowNode): string | undefined {
    const named = this.names.of(id);
    const channel = named && CHANNELS[named.kind];
    if (!channel) return undefined;
    const owner = named.owner === undefined ? 'Sheet' : this.names.components.get(named.owner)!;
    return `${owner}:${channel}:${named.name}`;
  }

  protected portName(_: Component, { node, name }: Port): string {
    return this.names.of(node)?.name ?? name;
  }

  /**
   * What a sheet says besides what is compared: call sites in functions of the project are written in every component that
   * draws with these, and for a spread of anything there stands what must be in it.
   */
  alsoAt(owner: string): Set<string> {
    return new Set(
      this.project.sites.flatMap((site) => {
        const by = this.nameOf(this.project.components[site.owner]!);
        if (by === undefined) return this.siteText(site) ?? [];
        const { ports } = this.project.components[site.target]!;
        const handed = this.project.handed(site);
        if (by !== owner || !handed.unknown) return [];
        const needed = [...ports.values()].filter((one) => one.required && one.channel === 'prop');
        const spread = new Set([...handed.spread, ...needed.map((one) => one.name)]);
        return this.givenText(site, { ...handed, spread, unknown: false }) ?? [];
      }),
    );
  }
}

class Read extends Side {
  protected nameOf({ facts, name }: Component): string | undefined {
    return facts.role === 'component' ? name : undefined;
  }

  protected endOf(node: FlowNode): string | undefined {
    const { channel, provides, port, name } = node;
    if (provides || !Object.values(CHANNELS).includes(channel)) return undefined;
    const component = this.project.components[node.component]!;
    return `${component.name}:${channel}:${port ? this.portName(component, port) : name}`;
  }

  protected portName(component: Component, { channel, name }: Port): string {
    return channel === 'event' ? eventName(name) : channel === 'slot' ? slotName(component, name) : name;
  }
}
