/** Keys that code gives by a text, or by a constant. */
import type * as t from '@babel/types';
import { NAMED_KEY } from '../../model/code';
import { constantText, plain } from './constants';
import { memberName } from './type-expr';

/** The text that a key is; of what another file may declare, the name. */
export function constantKey(node: t.Node | null | undefined): string | undefined {
  const text = constantText(node);
  if (text !== undefined || !node) return text;
  const bare = plain(node);
  let root = bare;
  while (root.type === 'MemberExpression') root = plain(root.object);
  const declared = root.type === 'Identifier' ? root.binding : undefined;
  const name = declared && declared.scope.parent === undefined ? memberName(bare) : undefined;
  return name === undefined ? undefined : NAMED_KEY + name;
}
