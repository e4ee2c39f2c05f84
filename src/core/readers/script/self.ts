/** Objects whose methods use the object that they stand in. */
import type * as t from '@babel/types';
import { isFunction } from './scope';
import { unwrap } from './unit';
import { eachChild } from './walk';

/**
 * Lets `this` in the methods of an object mean the variable that holds it: `const store = { held: '', put(v) { this.held = v } }`.
 * Gives back whether there is any.
 */
export function bindThis(node: t.Node | undefined, { name, binding }: t.Identifier): boolean {
  const object = node && unwrap(node);
  if (object?.type !== 'ObjectExpression' || !binding) return false;
  let found = false;
  const look = (part: t.Node): void => {
    if (part.type === 'ThisExpression') {
      found = true;
      Object.assign(part, { type: 'Identifier', name, binding });
    } else if (isOwnThis(part)) eachChild(part, look);
  };
  for (const one of object.properties) {
    if (one.type === 'ObjectMethod') look(one.body);
    else if (one.type === 'ObjectProperty' && one.value.type === 'FunctionExpression') look(one.value.body);
  }
  return found;
}

/** `this` in it is the same as around it. */
const isOwnThis = (node: t.Node): boolean =>
  node.type === 'ArrowFunctionExpression' || !(isFunction(node) || /^Class/.test(node.type));
