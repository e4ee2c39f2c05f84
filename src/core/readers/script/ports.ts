/** Events and slots that have names of their own beside the props: ports by `@name` and `#name`. */
import type { EmitFact, ExprFact, Span } from '../../model/facts';
import { addSymbol, noteCall, type Unit } from './unit';

/** The symbol of an event or a slot; it is noted as a port at the first use. */
export function portSymbol(u: Unit, port: string, channel: 'event' | 'slot', { start, end }: Span): number {
  const known = u.props.get(port);
  if (known !== undefined) return known;
  const symbol = addSymbol(u, { name: port.slice(1), kind: 'prop', port, start, end });
  u.props.set(port, symbol);
  if (!u.facts.ports.some((one) => one.name === port)) {
    u.facts.ports.push({ name: port, channel, declared: channel === 'slot' ? 'outlet' : 'read', start, end });
  }
  return symbol;
}

/** Raising a named event, or drawing a slot, is calling what was handed over for its port. */
export function raisePort(
  u: Unit,
  symbol: number,
  args: ExprFact[],
  { start, end }: Span,
  fn: number,
  how: EmitFact['how'] = 'called',
): void {
  const event = u.facts.symbols[symbol]!.port!;
  u.facts.emits.push({ symbol, event, args, fn, guarded: true, how, start, end });
  if (fn >= 0) noteCall(u, fn, symbol);
}
