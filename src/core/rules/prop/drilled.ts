import type { Linked } from '../../link';
import { type Deep, runDeep } from '../../model/deep';
import { oncePer } from '../../model/once-per';
import type { Component, FlowEdge, Port } from '../../model/project';
import { isJudged, step, type Rule } from '../rule';
import { isExported } from '../../link/4-ports/usage';
import { useOf } from '../../link/4-ports/use-of-ports';

export const drilled: Rule = {
  name: 'prop/drilled',
  level: 'warning',
  summary: 'A value passes unchanged through several components that only pass it on.',
  check({ project, settings, report }) {
    const runs = new Runs(project);
    const found: { port: Port; giver: Giver; run: Run }[] = [];
    for (const component of project.components) {
      // Tests and stories hand on what they show; a wrapper that lends a ref is one with what it wraps.
      if (project.files[component.file]!.aside || lendsRef(component)) continue;
      for (const port of component.ports.values()) {
        // Events with names of their own are raised again, not handed down.
        if (port.channel === 'slot' || port.name.startsWith('@') || !runs.isPassOnly(port)) continue;
        const giver = runs.origin(port);
        if (!giver) continue;
        const run = runs.longest(port);
        if (run.length >= settings.drillDepth) found.push({ port, giver, run });
      }
    }
    // A run that is the end of another is the same fault.
    const inner = new Set(found.flatMap(({ run }) => chainOf(run).slice(1)));
    for (const { port, giver, run } of found) {
      if (inner.has(port)) continue;
      const { reader } = run;
      const chain = chainOf(run);
      const component = project.components[port.component]!;
      const owner = project.components[giver.component]!;
      const names = chain.map((one) => project.components[one.component]!.name);
      const last = reader && project.components[reader.component]!;
      report({
        component,
        port,
        place: port.place,
        message: `"${port.name}" passes through ${inWords(names)}, which only pass it on, from ${giver.elsewhere ? `whoever renders ${owner.name}` : owner.name}${last ? ` to ${last.name}` : ''}.`,
        trail: [
          ...(giver.elsewhere ? [] : [step(owner, giver.place, giver.name, 'is handed down', 'start')]),
          ...chain.map((one) =>
            step(project.components[one.component]!, one.place, one.name, 'is only passed on', 'pass'),
          ),
          ...(reader && last ? [step(last, reader.place, reader.name, 'is used', 'read')] : []),
        ],
      });
    }
  },
};

/** More names than this are counted. */
const MAX_NAMES = 8;

function inWords(names: string[]): string {
  if (names.length < 2) return names.join('');
  const most = names.slice(0, -1);
  const first = most.length > MAX_NAMES ? [...most.slice(0, 4), `${most.length - 4} more`] : most;
  return `${first.join(', ')} and ${names.at(-1)}`;
}

/** The component is there to take a ref: all it draws is another one, with all its props and the ref. */
const lendsRef = oncePer((component: Component): boolean => {
  const { render, symbols } = component.facts;
  const [only, more] = render;
  const given = only?.kind === 'site' && !more ? only.attributes : [];
  const kindOf = ({ value }: (typeof given)[number]) =>
    value.kind === 'identity' ? symbols[value.symbol!] : undefined;
  return (
    given.some((one) => one.mode === 'spread' && /^(bag|rest)$/.test(kindOf(one)?.kind ?? '')) &&
    given.some((one) => kindOf(one)?.kind === 'param' && kindOf(one)!.index === 1)
  );
});

/** Where a run starts. */
interface Giver {
  component: number;
  place: Port['place'];
  name: string;
  /** It is handed in from outside of the project: the component is the first that only passes it on. */
  elsewhere?: boolean;
}

interface Run {
  length: number;
  /** The first of it, unless that one only lends its content a handle, and what comes after. */
  own: Port | undefined;
  rest: Run | undefined;
  /** Who uses it in the end, if that is seen. */
  reader: Port | undefined;
}

/** The ports of a run, the first first. */
function chainOf(run: Run): Port[] {
  const found: Port[] = [];
  for (let at: Run | undefined = run; at; at = at.rest) if (at.own) found.push(at.own);
  return found;
}

/** Runs of components that hand a value on unchanged, over the flow graph. */
class Runs {
  private readonly passOnly = new Map<number, boolean>();
  private readonly runs = new Map<number, Run>();

  constructor(private readonly project: Linked) {}

  /** The component does nothing with the port but hand it to components, as it is. */
  isPassOnly(port: Port): boolean {
    const known = this.passOnly.get(port.node);
    if (known !== undefined) return known;
    const component = this.project.components[port.component]!;
    const use = useOf(component, port);
    const answer =
      component.facts.role === 'component' &&
      !port.carried &&
      !component.facts.openProps &&
      !use.written &&
      use.reads.length === 0 &&
      use.emits.length === 0 &&
      // What an unknown component or an element does with it may well be why this one has it.
      use.passes.every((pass) => pass.site >= 0) &&
      !component.spreads.some((one) => one.site < 0 && !one.except.includes(port.name)) &&
      this.next(port).length > 0;
    this.passOnly.set(port.node, answer);
    return answer;
  }

  private unchanged(edge: FlowEdge): boolean {
    return edge.site >= 0 && isJudged(this.project, edge) && (edge.how === 'pass' || edge.how === 'rename');
  }

  /** Ports of the children that get this one's value. */
  private next(port: Port): Port[] {
    const { flow } = this.project;
    // Callbacks are handed down against the way in which what they are called with flows.
    const edges = [
      ...flow.out[port.node]!.map((index) => ({ edge: flow.edges[index]!, other: flow.edges[index]!.to })),
      ...flow.into[port.node]!.map((index) => ({ edge: flow.edges[index]!, other: flow.edges[index]!.from })),
    ];
    const isDown = ({ site }: FlowEdge, other: number) =>
      this.project.sites[site]!.owner === port.component && flow.nodes[other]!.component !== port.component;
    return edges
      .filter(({ edge, other }) => this.unchanged(edge) && isDown(edge, other))
      .map(({ other }) => flow.nodes[other]!.port)
      .filter((one): one is Port => one !== undefined && !one.carried);
  }

  /** The owner in which the value starts, where the port is the first that only passes it on. */
  origin(port: Port): Giver | undefined {
    const component = this.project.components[port.component]!;
    // Somebody elsewhere renders it, who is the owner that nobody sees.
    if (!component.calledAt.length && isExported(this.project, component))
      return { component: component.id, place: port.place, name: port.name, elsewhere: true };
    for (const id of component.calledAt) {
      const site = this.project.sites[id]!;
      const owner = this.project.components[site.owner]!;
      // What tests and examples hand in says nothing of the app.
      if (site.owner === port.component || this.project.files[owner.file]!.aside) continue;
      const attribute = site.fact.attributes.find((one) => one.name === port.name && one.mode !== 'spread');
      let from: Port | undefined;
      if (attribute) {
        const symbol =
          attribute.value.kind === 'identity' ? owner.facts.symbols[attribute.value.symbol!]! : undefined;
        from = symbol?.kind === 'prop' ? owner.ports.get(symbol.port!) : undefined;
      } else {
        if (!this.project.handed(site).spread.has(port.name)) continue;
        from = owner.ports.get(port.name);
      }
      if (from && this.isPassOnly(from)) {
        const above = lendsRef(owner) ? this.origin(from) : undefined;
        if (above) return above;
        continue;
      }
      const at = attribute ?? site.fact;
      const place = attribute
        ? { file: site.file, start: attribute.nameStart, end: attribute.nameEnd }
        : { file: site.file, start: at.start, end: at.end };
      return { component: owner.id, place, name: from?.name ?? port.name };
    }
    return undefined;
  }

  /** The longest run that starts at a port; circles end it. */
  longest(port: Port): Run {
    return runDeep(this.longestFrom(port));
  }

  private *longestFrom(port: Port): Deep<Run> {
    const known = this.runs.get(port.node);
    if (known) return known;
    const stop: Run = { length: 0, own: undefined, rest: undefined, reader: port };
    if (!this.isPassOnly(port)) return stop;
    // Met again on its own way down, the port ends the run.
    this.runs.set(port.node, { ...stop, reader: undefined });
    const own = lendsRef(this.project.components[port.component]!) ? undefined : port;
    const one = own ? 1 : 0;
    let best: Run = { length: one, own, rest: undefined, reader: undefined };
    for (const next of this.next(port)) {
      const run = (yield this.longestFrom(next)) as Run;
      const length = run.length + one;
      if (length > best.length || (length === best.length && !best.reader)) {
        best = { length, own, rest: run, reader: run.reader };
      }
    }
    this.runs.set(port.node, best);
    return best;
  }
}
