/** Events that code makes for elements of the page, and those that it listens for there. */
import type * as t from '@babel/types';
import { memberName } from './type-expr';

/** Adds the name of `new CustomEvent('gust')` to the list. */
export function noteMadeEvent(node: t.Node, names: Set<string>): void {
  if (node.type !== 'NewExpression') return;
  const [first] = node.arguments;
  if (first?.type === 'StringLiteral' && /(^|\.)(Custom)?Event$/.test(memberName(node.callee) ?? ''))
    names.add(first.value);
}

/** Adds the name of `element.addEventListener('gust', …)` to the list. */
export function noteHeard(node: t.Node, names: Set<string>): void {
  if (node.type !== 'CallExpression' && node.type !== 'OptionalCallExpression') return;
  const { callee } = node;
  const [first] = node.arguments;
  const isMember = callee.type === 'MemberExpression' || callee.type === 'OptionalMemberExpression';
  if (!isMember || callee.property.type !== 'Identifier' || callee.property.name !== 'addEventListener')
    return;
  if (first?.type === 'StringLiteral') names.add(first.value);
}
