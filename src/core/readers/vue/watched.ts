/** What is watched is what the function is called with that watches it. */
import type { ExprFact } from '../../model/facts';
import { workedOut } from '../script/results';
import { noteGiven } from '../script/unit';
import type { VueUnit } from './unit';

/** `source` is a value, a function that gives one, or a list of such; what it was before comes second. */
export function noteWatcher(u: VueUnit, watcher: ExprFact | undefined, source: ExprFact | undefined): void {
  if (!watcher || !source) return;
  const fn = watcher.kind === 'identity' ? u.facts.symbols[watcher.symbol!]!.fn : watcher.fn;
  const value = valueOf(u, source);
  noteGiven(u, fn, [value, value]);
}

const valueOf = (u: VueUnit, source: ExprFact): ExprFact => {
  if (source.kind === 'function') return workedOut(u, source);
  if (source.kind !== 'array' || !source.elements) return source;
  return { ...source, elements: source.elements.map((one) => valueOf(u, one)) };
};
