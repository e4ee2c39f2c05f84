/** Whether a call site hears of what the child writes into its input. */
import type { Linked } from '../../link';
import { updatesOf } from '../../link/3-tags/sites';
import type { ExprFact, WriteFact } from '../../model/facts';
import type { Component, Handed, Port, Site } from '../../model/project';

/** Names of events that tell of a change. */
const TELLS = /(change|input|select|update)/i;

/** The call site listens for the change of the value, binds it, or handed over what is made to be written by whoever has it. */
export function isTold(project: Linked, site: Site, port: Port, write: WriteFact): boolean {
  const handed = project.handed(site);
  if (handed.attributes.get(port.name)?.mode === 'two-way') return true;
  if (keepsMember(project, port, write, site.id)) return true;
  const component = project.components[port.component]!;
  // An element has events of its own names for that.
  if (component.facts.traits.isElement && tellsByOther(component, handed)) return true;
  if (tellsWithIt(project, port, handed) || tellsWhatIsWritten(component, write, handed)) return true;
  const capital = port.name[0]!.toUpperCase() + port.name.slice(1);
  return ['onChange', `on${capital}Change`, `onChange${capital}`, ...updatesOf(component, port.name)].some(
    (event) => component.ports.has(event) && (handed.attributes.has(event) || handed.spread.has(event)),
  );
}

/** What is written is a state of its own there, and was handed over to be written by whoever has it. */
const keepsMember = ({ flow }: Linked, { node }: Port, { path }: WriteFact, site: number): boolean =>
  path !== undefined &&
  flow.out[node]!.some((index) => {
    const { inPlace, site: over, take, put } = flow.edges[index]!;
    return inPlace === true && over === site && !put && take?.join('.') === path.join('.');
  });

/** The call site listens for an event that tells of a change or an input, under whatever name. */
const tellsByOther = (component: Component, handed: Handed): boolean =>
  [...component.ports.values()].some(
    ({ channel, name }) =>
      channel === 'event' && /(change|input|select)/i.test(name) && handed.attributes.has(name),
  );

/** It listens for an event that tells of a change, and that is raised with the input, or with something that has it. */
const tellsWithIt = ({ flow }: Linked, port: Port, handed: Handed): boolean =>
  flow.out[port.node]!.some((index) => {
    const { how, made, take, to } = flow.edges[index]!;
    const event = how === 'emit' && !made && !take ? flow.nodes[to]!.port : undefined;
    return event?.channel === 'event' && TELLS.test(event.name) && handed.attributes.has(event.name);
  });

/** It listens for an event that tells of a change, and that the same function raises with what it writes. */
const tellsWhatIsWritten = ({ facts }: Component, { fn, value }: WriteFact, handed: Handed): boolean =>
  value !== undefined &&
  facts.emits.some(
    (emit) =>
      emit.fn === fn &&
      TELLS.test(emit.event) &&
      handed.attributes.has(emit.event) &&
      emit.args.some((arg) => has(arg, value)),
  );

/** Whether something is a value, or an object that has it. */
const has = (given: ExprFact, value: ExprFact): boolean =>
  isSame(given, value) || (given.members ?? []).some((one) => has(one.value, value));

/** Two times the same value, or the same member of one. */
const isSame = (one: ExprFact, other: ExprFact): boolean =>
  (one.kind === 'identity' || one.kind === 'member') &&
  one.kind === other.kind &&
  one.symbol === other.symbol &&
  one.path?.join('.') === other.path?.join('.');
