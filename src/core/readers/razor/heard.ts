/** Events of classes: raised by being invoked, `Picked?.Invoke(v)`, and heard by what is added to them, `Log.Picked += Note`. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { isChain, symbolAt } from '../script/own';
import { memberName } from '../script/type-expr';
import { type Call, type Ctx, noteGiven, spanOf, unwrap, use, usesOf } from '../script/unit';
import type { RazorUnit } from './unit';

const DELEGATE = /^(Action|Func|EventHandler)\b/;

/** What an event of the own class is raised with is kept in it, for those that hear it; undefined for other calls. */
export function raiseOwn(u: RazorUnit, node: Call, ctx: Ctx): ExprFact | undefined {
  const callee = unwrap(node.callee);
  if (!isChain(callee) || memberName(callee.property) !== 'Invoke') return undefined;
  const symbol = symbolAt(u, unwrap(callee.object));
  const fact = symbol === undefined ? undefined : u.facts.symbols[symbol]!;
  const isEvent = [...u.declared.values()].some(
    ({ name, typeText }) => name === fact?.name && DELEGATE.test(typeText),
  );
  if (fact?.kind !== 'state' || !isEvent) return undefined;
  const elements = node.arguments.map((arg) => use(u, u.expr(arg, ctx), ctx, 'argument'));
  const at = spanOf(node);
  if (elements.length)
    u.facts.writes.push({
      symbol: symbol!,
      value: { kind: 'array', elements, uses: elements.flatMap(usesOf), ...at },
      where: ctx.where,
      fn: ctx.fn,
      ...at,
    });
  return { kind: 'computed', ...at };
}

/** `Log.Picked += Note`: what is added is called with what the event is raised with. */
export function hear(u: RazorUnit, node: t.AssignmentExpression, ctx: Ctx): boolean {
  if (node.operator !== '+=') return false;
  const right = unwrap(node.right);
  const handler = symbolAt(u, right);
  const isHandler = handler !== undefined && u.facts.symbols[handler]!.kind === 'handler';
  if (!isHandler && right.type !== 'ArrowFunctionExpression') return false;
  const event = u.expr(node.left, ctx);
  const value = u.expr(right, ctx);
  if (event.symbol === undefined || (event.kind !== 'member' && event.kind !== 'identity')) return true;
  const given = [0, 1].map((at): ExprFact => ({
    ...event,
    kind: 'member',
    path: [...(event.path ?? []), String(at)],
  }));
  // A method may be read further down.
  u.heard.push({ handler, fn: value.fn, given });
  return true;
}

export function settleHeard(u: RazorUnit): void {
  for (const { handler, fn, given } of u.heard)
    noteGiven(u, fn ?? (handler === undefined ? undefined : u.facts.symbols[handler]!.fn), given);
}
