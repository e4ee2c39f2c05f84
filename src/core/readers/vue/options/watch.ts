/** Watchers among the options of a component. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../../model/facts';
import { readFunction } from '../../script/functions';
import { isFunction } from '../../script/scope';
import { keyName } from '../../script/type-expr';
import { addFunction, type Ctx, SETUP, spanOf, unwrap, use } from '../../script/unit';
import type { VueUnit } from '../unit';
import { noteWatcher } from '../watched';

/** Watched names are read; what watches them runs as an effect. */
export function readWatch(u: VueUnit, node: t.Node | undefined): void {
  const object = node && unwrap(node);
  if (object?.type !== 'ObjectExpression') return;
  const effect: Ctx = { ...SETUP, where: 'effect' };
  for (const property of object.properties) {
    if (property.type === 'SpreadElement') continue;
    const [first, ...rest] = (keyName(property) ?? '').split('.');
    const symbol = u.members.get(first ?? '');
    const at = spanOf(property.key);
    const source: ExprFact | undefined =
      symbol === undefined
        ? undefined
        : rest.length
          ? { kind: 'member', symbol, path: rest, ...at }
          : { kind: 'identity', symbol, ...at };
    if (symbol !== undefined) {
      u.facts.reads.push({
        symbol,
        ...(rest.length ? { path: rest } : {}),
        where: 'effect',
        fn: -1,
        ...at,
      });
    }
    readWatcher(u, property.type === 'ObjectMethod' ? property : unwrap(property.value), effect, source);
  }
}

/** A function, an object with one, the name of a method, or a list of them. */
function readWatcher(u: VueUnit, node: t.Node, ctx: Ctx, source: ExprFact | undefined): void {
  if (isFunction(node)) {
    noteWatcher(u, readFunction(u, node, ctx, 'effect'), source);
    return;
  }
  if (node.type === 'ArrayExpression') {
    for (const one of node.elements) if (one) readWatcher(u, unwrap(one), ctx, source);
    return;
  }
  if (node.type === 'ObjectExpression') {
    for (const one of node.properties) {
      if (one.type === 'SpreadElement' || keyName(one) !== 'handler') continue;
      readWatcher(u, one.type === 'ObjectMethod' ? one : unwrap(one.value), ctx, source);
    }
    return;
  }
  const method = node.type === 'StringLiteral' ? u.members.get(node.value) : undefined;
  if (method === undefined) {
    noteWatcher(u, use(u, u.expr(node, ctx), ctx, 'effect'), source);
    return;
  }
  const fn = addFunction(u, node, -1, 'effect');
  u.facts.functions[fn]!.calls.push(method);
  noteWatcher(u, { kind: 'identity', symbol: method, ...spanOf(node) }, source);
}
