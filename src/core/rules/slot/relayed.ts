import type { Linked } from '../../link';
import type { FlowEdge, Port } from '../../model/project';
import { isJudged, step, type Rule } from '../rule';

export const slotRelayed: Rule = {
  name: 'slot/relayed',
  level: 'warning',
  summary: 'A slot is forwarded through two or more components in a row.',
  check({ project, settings, report }) {
    for (const component of project.components) {
      if (component.facts.role !== 'component') continue;
      for (const port of component.ports.values()) {
        if (port.channel !== 'slot' || isForwardedInto(project, port)) continue;
        const run = forwards(project, port);
        if (run.length < settings.drillDepth) continue;
        const [first] = run;
        const owners = run.map((edge) => project.components[project.flow.nodes[edge.from]!.component]!);
        const last = project.components[project.flow.nodes[run.at(-1)!.to]!.component]!;
        report({
          component,
          port,
          place: first!.place,
          message: `The content "${port.name}" is only forwarded by ${owners.map((one) => one.name).join(', ')} to ${last.name}.`,
          trail: [
            ...run.map((edge, i) =>
              step(owners[i]!, edge.place, project.flow.nodes[edge.from]!.name, 'is forwarded', 'pass'),
            ),
            step(
              last,
              project.flow.nodes[run.at(-1)!.to]!.place,
              project.flow.nodes[run.at(-1)!.to]!.name,
              'is placed',
              'read',
            ),
          ],
        });
      }
    }
  },
};

/** By nesting an outlet, or as an attribute; a spread hands on whatever comes, which is another matter. */
const isForward = (project: Linked, edge: FlowEdge): boolean =>
  isJudged(project, edge) &&
  !isSpread(project, edge) &&
  !project.components[project.flow.nodes[edge.to]!.component]!.facts.provider &&
  edge.site >= 0 &&
  (edge.how === 'fill' || edge.how === 'pass' || edge.how === 'rename');

const isSpread = (project: Linked, edge: FlowEdge): boolean =>
  edge.attribute >= 0 && project.sites[edge.site]!.fact.attributes[edge.attribute]?.mode === 'spread';

/** The component places the slot only by handing it on to one other component. */
function onlyForward(project: Linked, port: Port): FlowEdge | undefined {
  const { facts } = project.components[port.component]!;
  const edges = project.flow.out[port.node]!.map((index) => project.flow.edges[index]!);
  const [first] = edges;
  // Handed to one component, at one call site or in several branches.
  if (!first || edges.some((edge) => edge.to !== first.to || !isForward(project, edge))) return undefined;
  const outlets = facts.render.filter((node) => node.kind === 'outlet' && node.outlet === port.name);
  const filled = edges.filter((edge) => edge.how === 'fill').length;
  return outlets.length === filled ? first : undefined;
}

function isForwardedInto(project: Linked, port: Port): boolean {
  return project.flow.into[port.node]!.some((index) => {
    const edge = project.flow.edges[index]!;
    const from = project.flow.nodes[edge.from]!.port;
    return isForward(project, edge) && from !== undefined && onlyForward(project, from) === edge;
  });
}

function forwards(project: Linked, start: Port): FlowEdge[] {
  const run: FlowEdge[] = [];
  const seen = new Set<number>();
  for (let port: Port | undefined = start; port && !seen.has(port.component);) {
    seen.add(port.component);
    const edge = onlyForward(project, port);
    if (!edge) break;
    run.push(edge);
    port = project.flow.nodes[edge.to]!.port;
  }
  return run;
}
