/** Props that functions of other files are told by their names: they may look them up on the instance. */
import type * as t from '@babel/types';
import { isFunction } from '../script/scope';
import { type Call, type Ctx, noteRead, propSymbol, spanOf, unwrap } from '../script/unit';
import { eachChild } from '../script/walk';
import type { VueUnit } from './unit';

/**
 * `useClasses(['lampClass', …])`, called while the component is set up. What is given an object under its name, such as
 * the props, looks there.
 */
export function readNamed(u: VueUnit, { callee, arguments: given }: Call, ctx: Ctx): void {
  const called = unwrap(callee);
  if (ctx.fn !== -1 || called.type !== 'Identifier' || !called.binding?.from) return;
  if (given.some((one) => unwrap(one).type === 'Identifier')) return;
  const look = (node: t.Node): void => {
    if (node.type === 'StringLiteral') noteNamed(u, node, ctx);
    // What is called in between is told by itself.
    else if (!isFunction(node) && node.type !== 'CallExpression') eachChild(node, look);
  };
  for (const one of given) look(one);
}

function noteNamed(u: VueUnit, node: t.StringLiteral, ctx: Ctx): void {
  const isProp = u.facts.ports.some((one) => one.channel === 'prop' && one.name === node.value);
  if (isProp) noteRead(u, propSymbol(u, node.value, spanOf(node), 'read'), spanOf(node), ctx);
}
