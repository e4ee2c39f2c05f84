/** Members of the class and events that it raises, as a dialect of plain code. */
import type { ExprFact } from '../../model/facts';
import { isChain, readChain, symbolAt } from '../script/own';
import { raisePort } from '../script/ports';
import { memberName } from '../script/type-expr';
import { type Call, type Ctx, type Dialect, spanOf, typeOf, unwrap, use, usesOf } from '../script/unit';
import { eventWith } from '../script/page-event';
import { isStencilUnit, type StencilUnit } from './unit';

export function stencilDialect(): Dialect {
  return {
    declare: () => false,
    call(u, node, ctx) {
      if (!isStencilUnit(u)) return undefined;
      const raised = this.raised!(u, node);
      return raised && raise(u, node, raised.symbol, ctx);
    },
    raised(u, node) {
      if (!isStencilUnit(u)) return undefined;
      const callee = unwrap(node.callee);
      if (!isChain(callee) || memberName(callee.property) !== 'emit') return undefined;
      const symbol = symbolAt(u, unwrap(callee.object));
      const port = symbol === undefined ? undefined : u.facts.symbols[symbol]!.port;
      return port?.startsWith('@') ? { symbol: symbol!, args: node.arguments } : undefined;
    },
    self: (u, node, ctx) => (isStencilUnit(u) ? readChain(u, node, ctx) : undefined),
    memberType(u, name, called) {
      if (called || !isStencilUnit(u)) return undefined;
      const symbol = u.members.get(name);
      if (symbol === undefined) return undefined;
      const { kind, port } = u.facts.symbols[symbol]!;
      const isEvent = kind === 'prop' && port!.startsWith('@');
      return /^(prop|state|derived|handler)$/.test(kind) && !isEvent ? { t: 'sym', s: symbol } : undefined;
    },
    carries: 'detail',
    assign: () => false,
  };
}

/** `this.gaugeRead.emit(3)`: what is handed over arrives inside the page's own kind of event. */
function raise(u: StencilUnit, node: Call, symbol: number, ctx: Ctx): ExprFact {
  const args = node.arguments.map((arg) => {
    const value = use(u, u.expr(arg, ctx), ctx, 'emit');
    value.type ??= typeOf(u, arg);
    return value;
  });
  const [first] = args;
  const event: ExprFact = {
    kind: 'computed',
    uses: args.flatMap(usesOf),
    ...(first?.type && first.type.t !== 'unknown' ? { type: eventWith(first.type) } : {}),
    ...spanOf(node),
  };
  raisePort(u, symbol, [event], spanOf(node), ctx.fn);
  return { kind: 'call', symbol, ...spanOf(node), uses: args.flatMap(usesOf) };
}
