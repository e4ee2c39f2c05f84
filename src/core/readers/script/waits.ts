/** Code that waits for something on its way, after which it runs at another time. */
import type * as t from '@babel/types';
import { isFunction } from './scope';
import type { Ctx, Unit } from './unit';
import { eachChild } from './walk';

/** Reads the body of a function; what stands after an `await` runs later. */
export function statementsInTime(u: Unit, { async: waits }: t.Function, body: t.Statement[], ctx: Ctx): void {
  const wait = waits && !ctx.late ? body.findIndex((one) => awaits(one)) : -1;
  u.statements(wait < 0 ? body : body.slice(0, wait + 1), ctx);
  if (wait >= 0) u.statements(body.slice(wait + 1), { ...ctx, late: true });
}

/** Whether code waits for something on its way. */
function awaits(node: t.Node): boolean {
  if (node.type === 'AwaitExpression') return true;
  let found = false;
  eachChild(node, (child) => {
    if (!isFunction(child) && awaits(child)) found = true;
  });
  return found;
}
