/** Functions whose state belongs to whoever calls them, or to all who do. */
import type * as t from '@babel/types';
import { isFunction } from '../script/scope';
import { memberName } from '../script/type-expr';
import { unwrap } from '../script/unit';
import { eachChild } from '../script/walk';
import { FOLLOWED, type VueNames } from './names';

const NAMED = /^(use|inject|provide)[A-Z]/;
/** What makes something that is kept, and may be written. */
export const KEPT = /^(shallow)?(Ref|ref|Reactive|reactive)$/;
const DERIVED = /^(customRef|computed)$/;
/** Functions of packages that set another up once for all who call what they give back. */
const SHARES = /^(create)?(Shared|Global|Singleton)\w*$|^(once|memoize\w*)$/i;

/** A composable by its name, or a function that makes what the framework keeps. */
export function isComposable(names: VueNames, name: string, fn: t.Function): boolean {
  if (NAMED.test(name)) return true;
  if (!FOLLOWED.test(name)) return false;
  let keeps = false;
  const look = (node: t.Node): void => {
    const called = (node.type === 'CallExpression' && names.call(node)) || '';
    if (KEPT.test(called) || DERIVED.test(called)) keeps = true;
    if (!keeps) eachChild(node, look);
  };
  look(fn.body);
  return keeps;
}

/** `createSharedComposable(() => …)`: the function that is set up once. */
export function sharedComposable(name: string, node: t.Node): t.Function | undefined {
  const call = unwrap(node);
  if (call.type !== 'CallExpression' || !NAMED.test(name) || !SHARES.test(memberName(call.callee) ?? ''))
    return undefined;
  const [first] = call.arguments;
  const fn = first && unwrap(first);
  return fn && isFunction(fn) ? fn : undefined;
}
