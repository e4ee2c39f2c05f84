/** Functions that are handed over by their names where a value is worked out, and called there. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { isChain } from './own';
import { isFunction } from './scope';
import { type Call, type Ctx, type Unit, unwrap, use } from './unit';

/** `computed(load)`, `useMemo(rope.load, [])`: what a function gives back that is named there, as if it were called there. */
export function resultByName(u: Unit, fn: t.Node, call: Call, ctx: Ctx): ExprFact | undefined {
  const callee = unwrap(fn);
  if (callee.type !== 'Identifier' && !isChain(callee)) return undefined;
  return use(u, u.expr({ ...call, callee, arguments: [] } as Call, ctx), ctx, 'derivation');
}

/** The function that an expression is: written there, or declared in the file under the name. */
export function functionOf(node: t.Node): t.Function | undefined {
  const bare = unwrap(node);
  if (bare.type !== 'Identifier') return isFunction(bare) ? bare : undefined;
  const { kind, node: declared } = bare.binding ?? {};
  if (kind === 'function') return declared as t.Function;
  const init = kind === 'const' && declared?.type === 'VariableDeclarator' && declared.init;
  const held = init && unwrap(init);
  return held && isFunction(held) ? held : undefined;
}

/**
 * `useState(load)`, `useState(START)`: what a function gives back that is named there. Whether a name of another module is one
 * is known when files are linked; of what is none, its call is the value itself.
 */
export function heldByName(u: Unit, name: t.Node, call: Call, ctx: Ctx): ExprFact | undefined {
  const bare = unwrap(name);
  let root = bare;
  while (isChain(root)) root = unwrap(root.object);
  const kind = root.type === 'Identifier' ? root.binding?.kind : undefined;
  const isKnown = bare === root && functionOf(bare) !== undefined;
  if (!isKnown && kind !== 'import') return undefined;
  const result = resultByName(u, bare, call, ctx);
  if (!result) return undefined;
  // What the function may draw is kept as a value, and drawn by nobody here.
  const { content: _, ...given } = result;
  return given;
}
