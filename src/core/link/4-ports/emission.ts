/** Which events are raised, and by whom. */
import type { Linked } from '../linked';
import { oncePerLink } from '../../model/once-per';
import type { Component, Port, Site } from '../../model/project';
import { updateOf } from '../3-tags/sites';
import { isUsed, useOf } from './use-of-ports';

/** The component itself raises the event: calls the callback, or gives it to an element to call. */
export const raises = (component: Component, port: Port): boolean => useOf(component, port).emits.length > 0;

export class Emissions {
  private readonly known = new Map<number, boolean>();
  private readonly possible = new Map<number, boolean>();

  constructor(private readonly project: Linked) {}

  /** The event is certainly raised: here, or below with an unbroken way up to this port. */
  isRaised(port: Port): boolean {
    const cached = this.known.get(port.node);
    if (cached !== undefined) return cached;
    this.known.set(port.node, false);
    const { flow, components } = this.project;
    const answer =
      raises(components[port.component]!, port) ||
      flow.into[port.node]!.some((index) => {
        const edge = flow.edges[index]!;
        const from = flow.nodes[edge.from]!;
        // Who was handed it in a context calls it.
        if (edge.how === 'call' && from.channel === 'context') return true;
        return from.port?.channel === 'event' && this.isRaised(from.port);
      });
    this.known.set(port.node, answer);
    return answer;
  }

  /** Nobody sees that it is never raised: it is, or is handed to what is not known, here or below. */
  mayBeRaised(port: Port): boolean {
    const cached = this.possible.get(port.node);
    if (cached !== undefined) return cached;
    this.possible.set(port.node, false);
    const { flow, components } = this.project;
    const component = components[port.component]!;
    const { reads, passes, spread, placed } = useOf(component, port);
    const answer =
      this.isRaised(port) ||
      component.facts.openEmits === true ||
      spread ||
      placed ||
      // What is not the project's may raise whatever it is handed.
      passes.some(({ site }) => site < 0) ||
      reads.some((read) => read.where !== 'condition') ||
      flow.into[port.node]!.some((index) => {
        const from = flow.nodes[flow.edges[index]!.from]!;
        return from.port?.channel === 'event' && this.mayBeRaised(from.port);
      });
    this.possible.set(port.node, answer);
    return answer;
  }

  /** The component takes the callback and does nothing with it. */
  isDropped(port: Port): boolean {
    const component = this.project.components[port.component]!;
    const use = useOf(component, port);
    const { facts } = component;
    if (facts.openProps || facts.openEmits || facts.role !== 'component') return false;
    return !isUsed({ ...use, reads: use.reads.filter((read) => read.where !== 'condition') });
  }
}

/** The emissions of a project, worked out once. */
export const emissionsOf = oncePerLink((project: Linked) => new Emissions(project));

export interface Stray {
  port: Port;
  /** The call site at which the event finds no listener, or one that keeps it. */
  site: Site;
  kept?: true;
}

/** A callback `onHold` and an event `hold` of its own name are the same to people. */
const eventName = (name: string): string => {
  const [, first, rest] = /^on([A-Z])(.*)$/.exec(name) ?? [];
  return first === undefined ? name : `@${first.toLowerCase()}${rest!}`;
};

/** Who hears the event at a call site raises it again for those above. */
const isRaisedAgain = ({ flow }: Linked, port: Port, site: Site): boolean =>
  flow.out[port.node]!.some((index) => {
    const to = flow.nodes[flow.edges[index]!.to]!;
    return to.component === site.owner && to.port?.channel === 'event';
  });

/** A value is bound both ways by the event. */
const isBoundBy = ({ fact }: Site, target: Component, event: string): boolean =>
  fact.attributes.some((one) => one.mode === 'two-way' && updateOf(target, one) === event);

/**
 * Below a component, the nearest event of a name that is raised and not heard at its call site; undefined if
 * every one is heard. Where a call site of the component waits for it, it is lost, too, with who hears it on the way and
 * keeps it. Breadth first over the components that it renders.
 */
export function strayBelow(
  project: Linked,
  emissions: Emissions,
  start: Component,
  name: string,
  waits: boolean,
): Stray | undefined {
  const seen = new Set([start.id]);
  let ring = [start];
  while (ring.length) {
    const next: Component[] = [];
    for (const owner of ring) {
      for (const id of owner.sites) {
        const site = project.sites[id]!;
        const child = project.components[site.target]!;
        const port = child.ports.get(name) ?? child.ports.get(eventName(name));
        if (port?.channel === 'event' && emissions.isRaised(port)) {
          // What a value is bound by concerns that value, whatever else above is bound by an event of this name.
          if (isBoundBy(site, child, port.name)) continue;
          const handed = project.handed(site);
          const spread = handed.spread.has(port.name) || handed.unknown;
          const carried = spread && !(owner.facts.traits.listenersWritten && name.startsWith('@'));
          const heard =
            handed.attributes.has(port.name) || (port.rises && project.rising.isHeard(port)) || carried;
          if (!heard) return { port, site };
          const keeps = waits && handed.attributes.has(port.name);
          if (keeps && !isRaisedAgain(project, port, site)) return { port, site, kept: true };
          // Heard here: what is above is not this event's concern.
          continue;
        }
        if (!seen.has(child.id)) {
          seen.add(child.id);
          next.push(child);
        }
      }
    }
    ring = next;
  }
  return undefined;
}
