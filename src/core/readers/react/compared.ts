/** Props that are read by the function that tells whether a memoised component is drawn again. */
import type * as t from '@babel/types';
import { isFunction, type Scopes } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { unwrap } from '../script/unit';
import { eachChild } from '../script/walk';
import { calledHook } from './dialect';
import type { ReactNames } from './names';

/** Names of the props in `memo(Card, (before, after) => before.tone === after.tone)`, of the whole file. */
export function comparedProps(scopes: Scopes, names: ReactNames): string[] {
  return scopes.named.flatMap(({ node }) => {
    const call = unwrap(node);
    const isMemo = call.type === 'CallExpression' && calledHook(names, call) === 'memo';
    const compare = isMemo && call.arguments[1] ? functionOf(unwrap(call.arguments[1])) : undefined;
    return compare ? readsOf(compare) : [];
  });
}

/** A function that is written out, or one under its name. */
function functionOf(node: t.Node): t.Function | undefined {
  if (isFunction(node)) return node;
  const declared = node.type === 'Identifier' ? node.binding?.node : undefined;
  const held = declared?.type === 'VariableDeclarator' && declared.init ? unwrap(declared.init) : declared;
  return held && isFunction(held) ? held : undefined;
}

/** Names of the members that a function reads of its parameters. */
function readsOf({ params, body }: t.Function): string[] {
  const found: string[] = [];
  const given = new Set(params.flatMap((one) => (one.type === 'Identifier' ? [one.binding] : [])));
  for (const param of params)
    if (param.type === 'ObjectPattern')
      for (const one of param.properties) {
        const name = one.type === 'ObjectProperty' ? keyName(one) : undefined;
        if (name !== undefined) found.push(name);
      }
  const look = (node: t.Node): void => {
    if ((node.type === 'MemberExpression' || node.type === 'OptionalMemberExpression') && !node.computed) {
      const { object } = node;
      const name = memberName(node.property);
      if (object.type === 'Identifier' && object.binding && given.has(object.binding) && name !== undefined)
        found.push(name);
    }
    eachChild(node, look);
  };
  look(body);
  return found;
}
