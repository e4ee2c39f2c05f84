import { declarationOf } from '../../model/declaration';
import { reachedFunctions } from '../../link/6-values/functions';
import type { WriteFact } from '../../model/facts';
import type { Component } from '../../model/project';
import { placeOf, step, type Rule } from '../rule';

/** Names of what is meant to stay as it was. */
const FIRST = /^_?(initial|default|prev|last|original|old)/i;

export const staleCopy: Rule = {
  name: 'prop/stale-copy',
  level: 'note',
  summary: 'Local state starts from a prop and nothing brings it up to date.',
  check({ project, report }) {
    for (const component of project.components) {
      const { facts } = component;
      if (facts.role !== 'component' || facts.renewsState || project.files[component.file]!.aside) continue;
      const sites = component.calledAt.map((id) => project.sites[id]!);
      if (sites.some((site) => site.fact.attributes.some((one) => one.mode === 'key'))) continue;
      let effects: Set<number> | undefined;
      const isFirst = ({ fn }: WriteFact) => fn >= 0 && facts.functions[fn]!.first === true;
      facts.symbols.forEach((symbol, index) => {
        if (symbol.kind !== 'state') return;
        // What it starts from may be put there before the component is first drawn.
        const put = facts.writes.find((one) => one.symbol === index && !one.path && isFirst(one));
        const init = put ? put.value : symbol.init;
        if (!init || (init.kind !== 'identity' && init.kind !== 'member')) return;
        const source = facts.symbols[init.symbol!]!;
        if (source.kind !== 'prop' || [source.port!, source.name, symbol.name].some((one) => FIRST.test(one)))
          return;
        const port = component.ports.get(source.port!);
        // Anything that writes it outside a handler may bring it up to date.
        const renewed = facts.writes.some(
          (write) =>
            write.symbol === index &&
            !isFirst(write) &&
            (write.where !== 'handler' ||
              (effects ??= reachedByEffects(component)).has(write.fn) ||
              isHandedOn(component, write.fn)),
        );
        if (!port || renewed || isLookedAt(component, index, { symbol: init.symbol!, port: source.port! }))
          return;
        const place = placeOf(component.file, symbol);
        report({
          component,
          port: { channel: 'state', name: symbol.name },
          nodes: [component.nodeOf[index]!],
          place,
          message: `The state "${symbol.name}" of ${component.name} starts from "${port.name}" and stays as it is when ${port.name} changes. Read the prop, or give the call site a key.`,
          trail: [
            step(component, declarationOf(port), port.name, 'is taken', 'start'),
            step(component, place, symbol.name, 'is a copy of its first value', 'drop'),
          ],
        });
      });
    }
  },
};

/** What runs when the prop changes looks at the copy: it may bring it up to date by ways of its own. */
function isLookedAt(
  component: Component,
  copy: number,
  { symbol, port }: { symbol: number; port: string },
): boolean {
  const { functions, reads } = component.facts;
  return functions.some(({ where, onInput, given = [] }, index) => {
    const isWatcher =
      onInput === port || (where === 'effect' && given.some(([first]) => first?.symbol === symbol));
    if (!isWatcher) return false;
    const within = reachedFunctions(component, index);
    return reads.some((read) => read.symbol === copy && within.has(read.fn));
  });
}

/** Functions that run as effects, and those that they call. */
function reachedByEffects(component: Component): Set<number> {
  const found = new Set<number>();
  component.facts.functions.forEach((fn, index) => {
    if (fn.where === 'effect') for (const one of reachedFunctions(component, index)) found.add(one);
  });
  return found;
}

/** A function that is written where it is handed to somebody: when that runs, nobody here knows. */
function isHandedOn({ facts }: Component, fn: number): boolean {
  let outermost = fn;
  for (let at = fn; at >= 0; at = facts.functions[at]!.parent) outermost = at;
  if (outermost < 0 || facts.functions[outermost]!.where !== 'handler') return false;
  const named = facts.symbols.some((symbol) => symbol.fn === outermost);
  const listens = facts.render.some((node) => node.attributes.some((one) => one.value.fn === outermost));
  const { start, end } = facts.functions[outermost]!;
  const inMarkup = facts.render.some((node, index) => index > 0 && node.start <= start && end <= node.end);
  return !named && !listens && !inMarkup;
}
