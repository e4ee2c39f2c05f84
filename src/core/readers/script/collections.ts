/** Maps and sets: what is put into them is reachable through them. */
import type * as t from '@babel/types';
import { annotationOf, memberName } from './type-expr';
import { unwrap } from './unit';

const COLLECTION = /(^|\.)(Svelte|Weak|Reactive|Readonly)?(Map|Set)$/;

/** Whether a call of a method puts something into a map or a set, as far as it is seen that it is one. */
export function fillsCollection(object: t.Node, method: string, given: number): boolean {
  if (method === 'set' ? given !== 2 : method !== 'add' || given !== 1) return false;
  return isCollection(object);
}

/** A variable that starts from one, or from a box with one in it; the box's only member is the collection. */
function isCollection(node: t.Node): boolean {
  const bare = unwrap(node);
  if (bare.type === 'MemberExpression' || bare.type === 'OptionalMemberExpression')
    return /^(current|value)$/.test(memberName(bare.property) ?? '') && isCollection(bare.object);
  if (bare.type === 'CallExpression' && !bare.arguments.length) return isCollection(bare.callee);
  const declared = bare.type === 'Identifier' ? bare.binding?.node : undefined;
  if (declared?.type !== 'VariableDeclarator') return false;
  const annotation = annotationOf(declared.id);
  if (annotation?.type === 'TSTypeReference' && COLLECTION.test(memberName(annotation.typeName) ?? ''))
    return true;
  return !!declared.init && makesOne(declared.init);
}

function makesOne(node: t.Node): boolean {
  const bare = unwrap(node);
  if (bare.type === 'NewExpression') return COLLECTION.test(memberName(bare.callee) ?? '');
  const [first] = bare.type === 'CallExpression' ? bare.arguments : [];
  return first !== undefined && first.type === 'NewExpression' && makesOne(first);
}
