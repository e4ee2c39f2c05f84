/** Names that are used above their declaration, in code that runs when all of it is there. */
import { noteSet } from './invokes';
import { noteCall, noteGiven, noteRead, type Unit } from './unit';

/** Notes the reads and the calls of names that were used above their declaration. */
export function settleEarly(u: Unit): void {
  for (const { binding, at, ctx, tag } of u.early) {
    const symbol = u.refs.get(binding);
    if (tag && symbol === undefined) tag.outer = true;
    if (symbol === undefined) continue;
    if (tag) tag.symbol = symbol;
    noteRead(u, symbol, at, ctx);
    if (ctx.fn >= 0 && u.facts.symbols[symbol]!.kind === 'handler') noteCall(u, ctx.fn, symbol);
  }
  for (const { symbol, args } of u.givenLater) noteGiven(u, u.facts.symbols[symbol]!.fn, args);
  for (const { binding, args, callee, at, ctx, invoke } of u.earlyCalls) {
    const symbol = u.refs.get(binding);
    if (symbol === undefined) continue;
    noteGiven(u, u.facts.symbols[symbol]!.fn, args);
    if (u.facts.symbols[symbol]!.kind === 'setter') noteSet(u, symbol, args, at, ctx);
    else u.facts.invokes![invoke]!.callee = { kind: 'identity', symbol, ...callee };
  }
}
