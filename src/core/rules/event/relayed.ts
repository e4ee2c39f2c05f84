import { declarationOf } from '../../model/declaration';
import { RAISED } from '../../link/7-flow/raised';
import type { Linked } from '../../link';
import type { ComponentFacts } from '../../model/facts';
import { isPageEvent } from '../../model/page-names';
import type { FlowEdge, Place, Port } from '../../model/project';
import { isJudged, placeOf, type Rule, step } from '../rule';

export const relayed: Rule = {
  name: 'event/relayed',
  level: 'warning',
  summary: 'An event is raised again, unchanged, by two or more components in a row.',
  check({ project, settings, report }) {
    for (const component of project.components) {
      for (const port of component.ports.values()) {
        if (port.channel !== 'event' || port.carried) continue;
        const first = relaysOf(project, port);
        for (const start of first) {
          const run = runFrom(project, start);
          if (run.length < settings.drillDepth) continue;
          const relays = run.map((edge) => project.components[project.flow.nodes[edge.to]!.component]!);
          if (isRelayed(project, port)) continue;
          const own = project.flow.nodes[start.to]!.port!;
          report({
            component: relays[0]!,
            port: own,
            place: listenerPlace(project, start),
            message: `"${port.name}" of ${component.name} is only raised again by ${relays.map((one) => one.name).join(', ')}.`,
            trail: [
              step(component, declarationOf(port), port.name, 'is raised', 'emit'),
              ...run.map((edge, i) =>
                step(
                  relays[i]!,
                  edge.place,
                  project.flow.nodes[edge.to]!.name,
                  'is only raised again',
                  'pass',
                ),
              ),
            ],
          });
        }
      }
    }
  },
};

/** Where the listener is written: on the tag, wherever its function stands. */
function listenerPlace(project: Linked, { site, attribute, place }: FlowEdge): Place {
  const one = project.sites[site]?.fact.attributes[attribute];
  return one ? placeOf(project.sites[site]!.file, one.value) : place;
}

/** Listeners that do nothing but raise an event of the owner with the same payload, or hand the event up as it is. */
function relaysOf(project: Linked, port: Port): FlowEdge[] {
  return project.flow.out[port.node]!.map((index) => project.flow.edges[index]!).filter((edge) => {
    if (!isJudged(project, edge)) return false;
    // What the page itself raises has to be handed up to be heard at all.
    const handedUp = (edge.how === 'pass' || edge.how === 'rename') && port.name.startsWith('@');
    if (handedUp) return edge.site >= 0 && !isPageEvent(port.name);
    if (edge.how !== 'emit' || edge.site < 0 || edge.take?.[0] !== RAISED) return false;
    const site = project.sites[edge.site]!;
    const owner = project.components[site.owner]!;
    const value = site.fact.attributes.find((one) => one.name === port.name)?.value;
    const fn = value?.fn ?? (value?.symbol === undefined ? undefined : owner.facts.symbols[value.symbol]!.fn);
    const sole = fn === undefined ? undefined : soleCall(owner.facts, fn);
    return sole !== undefined && owner.nodeOf[sole] === edge.to;
  });
}

/** What a function calls and nothing else, with its own arguments, also by way of other functions of the component. */
function soleCall(facts: ComponentFacts, fn: number, depth = 0): number | undefined {
  const { functions, symbols } = facts;
  const { sole } = functions[fn]!;
  if (!sole || sole.bound || depth > functions.length) return undefined;
  const { fn: next } = symbols[sole.symbol]!;
  return next === undefined ? sole.symbol : soleCall(facts, next, depth + 1);
}

const isRelayed = (project: Linked, port: Port): boolean =>
  project.flow.into[port.node]!.some((index) => {
    const from = project.flow.nodes[project.flow.edges[index]!.from]!.port;
    return from !== undefined && relaysOf(project, from).some((edge) => edge.to === port.node);
  });

function runFrom(project: Linked, start: FlowEdge): FlowEdge[] {
  const run = [start];
  const seen = new Set([start.to]);
  for (;;) {
    const port = project.flow.nodes[run.at(-1)!.to]!.port;
    const next = port && relaysOf(project, port).find((edge) => !seen.has(edge.to));
    if (!next) return run;
    seen.add(next.to);
    run.push(next);
  }
}
