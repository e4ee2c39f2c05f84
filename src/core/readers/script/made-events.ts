/** Events that code makes for elements of the page. */
import type * as t from '@babel/types';
import { memberName } from './type-expr';

/** Adds the name of `new CustomEvent('gust')` to the list. */
export function noteMadeEvent(node: t.Node, names: Set<string>): void {
  if (node.type !== 'NewExpression') return;
  const [first] = node.arguments;
  if (first?.type === 'StringLiteral' && /(^|\.)(Custom)?Event$/.test(memberName(node.callee) ?? ''))
    names.add(first.value);
}
