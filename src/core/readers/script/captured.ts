/** What a component or helper uses of the function that it is declared in: `const Row = () => <Lamp on={open} />`. */
import type { ExprFact, Span } from '../../model/facts';
import type { Binding } from './scope';
import { addSymbol, type FileContext, isModuleLevel, type Unit } from './unit';

/** Whether a name is declared in a function around the unit. */
export const isAround = ({ node, file, dialect }: Unit, binding: Binding): boolean =>
  dialect.captures === true &&
  file.units.has(node) &&
  !isModuleLevel(binding) &&
  (binding.id.start! < node.start! || binding.id.end! > node.end!);

/** The value of such a name. */
export function readCaptured(u: Unit, binding: Binding, at: Span): ExprFact {
  let symbol = u.captured.get(binding);
  if (symbol === undefined) {
    symbol = addSymbol(u, { name: binding.name, kind: 'captured', ...at });
    u.captured.set(binding, symbol);
    u.file.captured.push({ symbol: u.facts.symbols[symbol]!, binding });
  }
  return { kind: 'identity', symbol, ...at };
}

/**
 * Says whose names they are, once the code around is read: `units` are components of the file in their order, from `first`
 * on. Gives whether any of them declares one.
 */
export function settleCaptured({ captured }: FileContext, units: readonly Unit[], first = 0): boolean {
  let any = false;
  for (const { symbol, binding } of captured) {
    const at = units.findIndex(({ refs }) => refs.has(binding));
    if (symbol.outer || at < 0) continue;
    symbol.outer = { component: first + at, symbol: units[at]!.refs.get(binding)! };
    any = true;
  }
  return any;
}
