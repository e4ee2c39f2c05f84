/**
 * Names that the code of a file reads of other things than the class they stand in: of what was handed to it, of what it
 * found, of what tells what has changed. Whoever sees a class may read its members so.
 */
import type * as t from '@babel/types';
import { keyName } from './type-expr';
import { eachChild } from './walk';

export function memberReads(program: t.Program): string[] {
  const found = new Set<string>();
  const look = (node: t.Node, own: ReadonlySet<string>): void => {
    if (node.type === 'ClassDeclaration' || node.type === 'ClassExpression') {
      const names = new Set(node.body.body.flatMap((one) => ('key' in one ? (nameOf(one) ?? []) : [])));
      eachChild(node, (child) => look(child, names));
      return;
    }
    if (node.type === 'MemberExpression' || node.type === 'OptionalMemberExpression') {
      const name = node.computed
        ? node.property.type === 'StringLiteral'
          ? node.property.value
          : undefined
        : node.property.type === 'Identifier'
          ? node.property.name
          : undefined;
      if (name !== undefined && (node.object.type !== 'ThisExpression' || !own.has(name))) found.add(name);
    } else if (node.type === 'ObjectPattern') {
      for (const one of node.properties) {
        const name = one.type === 'ObjectProperty' ? keyName(one) : undefined;
        if (name !== undefined) found.add(name);
      }
    }
    eachChild(node, (child) => look(child, own));
  };
  look(program, new Set());
  return [...found];
}

const nameOf = (node: { key?: t.Node; computed?: boolean | null }): string | undefined =>
  node.key && node.key.type !== 'PrivateName' ? keyName(node as { key: t.Node }) : undefined;

/** Whether code of a class hands the object itself to somebody, or takes a member of it whose name is worked out. */
export function handsItselfOn(node: t.Class): boolean {
  let found = false;
  const look = (part: t.Node): void => {
    if (found) return;
    if (part.type === 'ThisExpression') {
      found = true;
      return;
    }
    if (part.type === 'MemberExpression' || part.type === 'OptionalMemberExpression') {
      const isOwn = part.object.type === 'ThisExpression';
      const isNamed = !part.computed || part.property.type === 'StringLiteral';
      if (isOwn && isNamed) return;
    }
    // An object inside of it is another one.
    if (/^Class|^Function(Declaration|Expression)$|^ObjectMethod$/.test(part.type)) return;
    eachChild(part, look);
  };
  for (const member of node.body.body) eachChild(member, look);
  return found;
}
