import { declarationOf } from '../../model/declaration';
import type { Linked } from '../../link';
import type { Step } from '../../model/finding';
import type { Component, FlowNode, Port } from '../../model/project';
import { unknownNames } from '../prop/unknown';
import { attributeKey, attributePlace, portKey, step, tagPlace, type Rule, type RuleContext } from '../rule';
import { isContract, useOf } from '../../link/4-ports/use-of-ports';
import { emissionsOf, strayBelow, type Stray } from '../../link/4-ports/emission';

export const brokenPath: Rule = {
  name: 'event/broken-path',
  level: 'error',
  summary: 'An event is raised below, and a component on its way up drops it.',
  check(audit) {
    const { project } = audit;
    const emissions = emissionsOf(project);
    for (const component of project.components) {
      for (const port of component.ports.values()) {
        if (port.channel !== 'event' || !port.declared || isContract(component, port)) continue;
        if (!emissions.isDropped(port)) continue;
        const waits = component.calledAt.some((id) =>
          project.handed(project.sites[id]!).attributes.has(port.name),
        );
        const stray = strayBelow(project, emissions, component, port.name, waits);
        if (stray) reportDropped(audit, component, port, stray);
      }
    }
    for (const { site, owner, target, attribute, channel } of unknownNames(project)) {
      if (channel !== 'event') continue;
      const stray = strayBelow(project, emissions, target, attribute.name, true);
      if (!stray) continue;
      audit.claim(attributeKey(site, attribute.name));
      claimChain(audit, stray);
      const place = attributePlace(site, attribute);
      const emitter = project.components[stray.port.component]!;
      audit.report({
        nodes: [stray.port.node],
        site: site.id,
        component: target,
        port: { channel: 'event', name: attribute.name },
        place,
        message: `${owner.name} listens for "${attribute.name}" on ${target.name}, and ${emitter.name} below it raises it, but ${target.name} does not hand it up.`,
        trail: [
          step(owner, place, attribute.name, 'is listened for', 'wait'),
          ...raisedTrail(project, stray),
          step(target, tagPlace(stray.site), attribute.name, 'is dropped', 'drop'),
        ],
      });
    }
  },
};

function reportDropped(audit: RuleContext, component: Component, port: Port, stray: Stray): void {
  const { project } = audit;
  audit.claim(portKey(port));
  claimChain(audit, stray);
  const emitter = project.components[stray.port.component]!;
  const listener = component.calledAt
    .map((id) => project.sites[id]!)
    .find((site) => project.handed(site).attributes.has(port.name));
  const attribute = listener?.fact.attributes.find((one) => one.name === port.name);
  const owner = listener && project.components[listener.owner]!;
  audit.report({
    nodes: [port.node, stray.port.node],
    component,
    port,
    place: port.place,
    message: `${component.name} takes "${port.name}" and drops it, though ${emitter.name} below it raises an event of that name${owner ? ` and ${owner.name} waits for it` : ''}. Hand it on.`,
    trail: [
      ...(owner && attribute
        ? [step(owner, attributePlace(listener, attribute), port.name, 'is listened for', 'wait')]
        : []),
      ...raisedTrail(project, stray),
      step(component, declarationOf(port), port.name, 'is taken and dropped', 'drop'),
    ],
  });
}

/** From where the event is raised to the call site at which nobody listens. */
function raisedTrail(project: Linked, stray: Stray): Step[] {
  const steps: Step[] = [];
  let port: Port | undefined = stray.port;
  const seen = new Set<number>();
  while (port && !seen.has(port.node)) {
    seen.add(port.node);
    const component: Component = project.components[port.component]!;
    const emit = useOf(component, port).emits[0];
    if (emit) {
      steps.unshift(
        step(
          component,
          { file: component.file, start: emit.start, end: emit.end },
          port.name,
          'is raised',
          'emit',
        ),
      );
      break;
    }
    steps.unshift(step(component, declarationOf(port), port.name, 'is handed up', 'pass'));
    port = raisersOf(project, port.node)[0]?.port;
  }
  const owner = project.components[stray.site.owner]!;
  const what = stray.kept ? 'is listened for and kept' : 'is not listened for';
  return [...steps, step(owner, tagPlace(stray.site), stray.port.name, what, 'drop')];
}

/** The events on the chain have found their finding. */
function claimChain(audit: RuleContext, stray: Stray): void {
  const todo = [stray.port.node];
  const seen = new Set<number>();
  while (todo.length) {
    const node = todo.pop()!;
    if (seen.has(node)) continue;
    seen.add(node);
    audit.claim(`port:${node}`);
    for (const from of raisersOf(audit.project, node)) todo.push(from.id);
  }
}

/** The events and functions whose call raises an event; what it is raised with is none of them. */
function raisersOf({ flow }: Linked, node: number): FlowNode[] {
  return flow.into[node]!.map((index) => flow.nodes[flow.edges[index]!.from]!).filter(
    (from) => from.port?.channel === 'event',
  );
}
