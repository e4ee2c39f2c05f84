/** Names for entries of lists. */
import type { ComponentFacts, ExprFact } from './facts';
import { oncePer } from './once-per';

/** The list of whose entries a name is one at a time; undefined for any other name, and for one that is given other values. */
export function listOf(facts: ComponentFacts, symbol: number): ExprFact | undefined {
  const { kind, init } = facts.symbols[symbol]!;
  const isEntry = (kind === 'loop' || kind === 'derived') && init?.entryOf !== undefined;
  return isEntry && !givenAnew(facts).has(symbol) ? init.entryOf : undefined;
}

/** What is written in a list: its elements, and the lists that are spread into it. */
export const writtenIn = ({ elements = [], spreads = [] }: ExprFact): ExprFact[] => [...elements, ...spreads];

/** Symbols that are given another value, and not only changed. */
const givenAnew = oncePer(
  ({ writes }: ComponentFacts) =>
    new Set(writes.filter(({ path }) => !path?.length).map(({ symbol }) => symbol)),
);
