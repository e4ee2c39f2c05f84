/**
 * Names that a component never writes, because it hands all that it is given to a helper: `useGauge(props)`,
 * `useGauge({ unit, ...props })`. What the helper takes of it are ports of the component.
 */
import type { ComponentFacts, ExprFact } from '../../model/facts';
import type { Component, Site } from '../../model/project';
import type { Names } from './names';

/** The names that call sites write and helpers take, by component; of components that hand on all that they are given. */
export function askedOfHelpers(
  components: Component[],
  written: Site[],
  names: Names,
): Map<Component, Set<string>> {
  const found = new Map<Component, Set<string>>();
  const asked = new Map<Component, ReadonlySet<string>>();
  for (const { fact, target } of written) {
    const component = components[target]!;
    let taken = asked.get(component);
    if (!taken) asked.set(component, (taken = takenByHelpers(component, components, names)));
    if (!taken.size) continue;
    for (const { mode, name } of fact.attributes)
      if (mode === 'value' && taken.has(name))
        found.set(component, (found.get(component) ?? new Set()).add(name));
  }
  return found;
}

function takenByHelpers({ facts, file }: Component, components: Component[], names: Names): Set<string> {
  const found = new Set<string>();
  if (facts.role !== 'component') return found;
  for (const { name, args } of facts.calls)
    for (const [index, arg] of (args ?? []).entries()) {
      if (!isAllOf(facts, arg)) continue;
      const target = names.lookup(file, name);
      const helper = target.kind === 'component' ? components[target.component]! : undefined;
      if (helper?.facts.role === 'helper') for (const one of takenBy(helper.facts, index)) found.add(one);
    }
  return found;
}

/** Whether an argument is all that the component is given, or an object that takes it over. */
const isAllOf = ({ symbols }: ComponentFacts, { kind, symbol, spreads = [] }: ExprFact): boolean =>
  kind === 'identity'
    ? symbols[symbol!]?.kind === 'bag'
    : spreads.some((one) => one.kind === 'identity' && symbols[one.symbol!]?.kind === 'bag');

/** The members that a helper takes of a parameter. */
function* takenBy({ symbols, reads }: ComponentFacts, index: number): Iterable<string> {
  const isWhole = (symbol: number | undefined): boolean => {
    const one = symbol === undefined ? undefined : symbols[symbol];
    return one?.kind === 'param' && one.within === -1 && one.index === index && !one.path?.length;
  };
  for (const { kind, within, index: at, path, init } of symbols) {
    if (kind === 'param' && within === -1 && at === index && path?.[0] !== undefined) yield path[0];
    if (init && isWhole(init.symbol) && init.path?.[0] !== undefined) yield init.path[0];
  }
  for (const { symbol, path } of reads) if (isWhole(symbol) && path?.[0] !== undefined) yield path[0];
}
