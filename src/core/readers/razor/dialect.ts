/** Members of the class and callbacks that are called, as a dialect of plain code. */
import type { ExprFact } from '../../model/facts';
import { isChain, readChain, symbolAt } from '../script/own';
import { noteShown } from '../script/placing';
import { memberName } from '../script/type-expr';
import { type Dialect, noteCall, spanOf, typeOf, unwrap, use, usesOf } from '../script/unit';
import { hear, raiseOwn } from './heard';
import { isRazorUnit } from './unit';

/** Methods of lists, sets and dictionaries that change them. */
const MUTATORS = new Set(
  (
    'Add AddRange AddFirst AddLast Insert InsertRange Remove RemoveAt RemoveAll RemoveRange RemoveFirst RemoveLast Clear ' +
    'Sort Reverse Enqueue Dequeue Push Pop TryAdd UnionWith ExceptWith'
  ).split(' '),
);

export const razorDialect: Dialect = {
  mutators: MUTATORS,
  declare: () => false,
  /** `OnHeld.InvokeAsync(x)`, `Held?.Invoke(x)` */
  call(u, node, ctx) {
    const callee = unwrap(node.callee);
    const raised = this.raised!(u, node);
    if (!isRazorUnit(u)) return undefined;
    if (!raised) return raiseOwn(u, node, ctx);
    const { symbol } = raised;
    const fact = u.facts.symbols[symbol]!;
    const args = node.arguments.map((arg): ExprFact => {
      const value = use(u, u.expr(arg, ctx), ctx, 'emit');
      value.type ??= typeOf(u, arg);
      return value;
    });
    const guarded = u.callbacks.has(symbol) || callee.type === 'OptionalMemberExpression';
    const { start, end } = spanOf(node);
    const emit = u.facts.emits.push({
      symbol,
      event: fact.port!,
      args,
      fn: ctx.fn,
      guarded,
      how: 'called',
      start,
      end,
    });
    if (ctx.fn >= 0) noteCall(u, ctx.fn, symbol);
    return {
      kind: 'call',
      symbol,
      uses: args.flatMap(usesOf),
      ...noteShown(u, emit - 1, ctx),
      start,
      end,
    };
  },
  raised(u, node) {
    const callee = unwrap(node.callee);
    if (!isRazorUnit(u) || !isChain(callee)) return undefined;
    if (!/^(InvokeAsync|Invoke)$/.test(memberName(callee.property) ?? '')) return undefined;
    const symbol = symbolAt(u, unwrap(callee.object));
    return symbol !== undefined && /^(prop|inherited)$/.test(u.facts.symbols[symbol]!.kind)
      ? { symbol, args: node.arguments }
      : undefined;
  },
  self: (u, node, ctx) => (isRazorUnit(u) ? readChain(u, node, ctx) : undefined),
  memberType(u, name, called) {
    const symbol = u.members.get(name);
    if (called || symbol === undefined) return undefined;
    return { t: 'sym', s: symbol };
  },
  assign: (u, node, ctx) => isRazorUnit(u) && hear(u, node, ctx),
};
