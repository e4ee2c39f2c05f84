import type { Linked } from '../../link';
import { ANY_MEMBER } from '../../model/code';
import { listOf } from '../../model/entries';
import type { ComponentFacts, ExprFact, Traits, WriteFact } from '../../model/facts';
import type { Port } from '../../model/project';
import { attributePlace, placeOf, step, type Rule } from '../rule';
import { isTold } from './told';
import { hands } from '../../link/4-ports/use-of-ports';

/** Methods that other things than lists have, too. */
const AMBIGUOUS = new Set(['push', 'pop', 'shift', 'fill', 'unshift', 'reverse', 'sort']);

export const overwritten: Rule = {
  name: 'prop/overwritten',
  level: 'error',
  summary: 'A component changes its own input, and some call site that passes it is not told.',
  check({ project, report }) {
    for (const component of project.components) {
      const { facts } = component;
      if (facts.role !== 'component') continue;
      for (const one of facts.writes) {
        const write = ofList(facts, one);
        const symbol = facts.symbols[write.symbol]!;
        if (symbol.kind !== 'prop' || !(write.through || facts.traits.inputsAreNames)) continue;
        // Whoever handed over a store hears of what is set in it.
        if (write.held) continue;
        const port = component.ports.get(symbol.port!);
        if (!port || write.path?.[0] === 'current' || !isCertain(project, port, write)) continue;
        // What is put on a tag of its own belongs to the component.
        if (
          facts.render.some((node) =>
            node.attributes.some((one) => one.mode === 'ref' && one.value.symbol === write.symbol),
          )
        )
          continue;
        if (isStart(facts, write) || isItself(facts, write)) continue;
        const runsFor = inputOf(facts, write);
        const untold = component.calledAt
          .map((id) => project.sites[id]!)
          .filter(
            (one) =>
              hands(project, one, port.name) === true &&
              (runsFor === undefined || hands(project, one, runsFor) === true) &&
              !isTold(project, one, port, write),
          );
        // Whoever uses it for real is named, and not a test.
        const site = untold.find((one) => !project.files[one.file]!.aside) ?? untold[0];
        if (!site) continue;
        const owner = project.components[site.owner]!;
        const attribute = site.fact.attributes.find((one) => one.name === port.name);
        const place = placeOf(component.file, write);
        report({
          component,
          port,
          place,
          level: port.writable || isAllowed(facts.traits, write) ? 'warning' : 'error',
          message: `${component.name} changes "${port.name}", which belongs to ${owner.name}; ${owner.name} is not told. Raise an event instead.`,
          trail: [
            ...(attribute
              ? [step(owner, attributePlace(site, attribute), port.name, 'is passed', 'start')]
              : []),
            step(component, place, port.name, 'is changed here', 'drop'),
          ],
        });
      }
    }
  },
};

/** What is written into an entry of a list is written into what is reachable through that. */
function ofList(facts: ComponentFacts, write: WriteFact): WriteFact {
  const list = write.path && listOf(facts, write.symbol);
  return list
    ? {
        ...(list.ofStore ? { held: 'surely' as const } : {}),
        ...write,
        symbol: list.symbol!,
        path: [...(list.path ?? []), ANY_MEMBER, ...write.path!],
      }
    : write;
}

/** While an object is made, nothing was handed to it yet: what it writes is what it starts from. */
const isStart = ({ traits }: ComponentFacts, { fn, path }: WriteFact): boolean =>
  fn === -1 &&
  path === undefined &&
  traits.plainState === true &&
  traits.inputsWritable &&
  !traits.inputsAreNames;

/** It is given what came anyway: `this.wind = changes.wind.currentValue`. */
function isItself({ symbols }: ComponentFacts, { symbol, path, value }: WriteFact): boolean {
  if (path?.length || value?.symbol === undefined) return false;
  const within = (whole: ExprFact | undefined, way: string[]): ExprFact | undefined =>
    way.length && whole
      ? within(whole.members?.find((one) => one.name === way[0])?.value, way.slice(1))
      : whole;
  const is = value.kind === 'member' ? within(symbols[value.symbol]!.init, value.path ?? []) : value;
  return is?.kind === 'identity' && is.symbol === symbol;
}

/** The input that is handed in when a write happens, where it does for one alone. */
function inputOf({ functions }: ComponentFacts, { fn }: WriteFact): string | undefined {
  for (let at = fn; at >= 0; at = functions[at]!.parent) {
    const { onInput } = functions[at]!;
    if (onInput !== undefined) return onInput === true ? undefined : onInput;
  }
  return undefined;
}

/** The framework lets it pass: the input itself may be written, or what is reachable through it is shared. */
const isAllowed = (traits: Traits, write: WriteFact): boolean =>
  traits.inputsWritable ||
  (traits.inputsShared === true && ((write.path?.length ?? 0) > 0 || write.through?.method !== undefined));

/** An assignment always changes; a method only where the prop is known to be a list, or the name leaves no doubt. */
function isCertain(project: Linked, port: Port, write: WriteFact): boolean {
  const method = write.through?.method;
  if (method === undefined) return true;
  if (write.path) return false;
  const shape = port.type && project.types.resolve(port.type);
  if (shape?.k === 'array' || isGivenLists(project, port)) return true;
  return (shape === undefined || shape.k === 'unknown') && !AMBIGUOUS.has(method) && port.type === undefined;
}

/** Without a type, it is what all call sites pass. */
function isGivenLists(project: Linked, port: Port): boolean {
  const { calledAt } = project.components[port.component]!;
  const given = calledAt
    .map((id) => project.sites[id]!)
    .flatMap((site) => {
      const value = site.fact.attributes.find((one) => one.name === port.name)?.value;
      return value ? [{ value, site }] : [];
    });
  return (
    port.type === undefined &&
    given.length > 0 &&
    given.every(({ value, site }) => {
      const shape =
        value.type && project.types.resolve({ type: value.type, file: site.file, component: site.owner });
      return value.kind === 'array' || shape?.k === 'array';
    })
  );
}
