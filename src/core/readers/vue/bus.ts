/** An instance that shows nothing, made for what it is told and what others hear of it. */
import type * as t from '@babel/types';
import { addSymbol, spanOf, type Unit, unwrap } from '../script/unit';

/** `new Vue()` in the loose code of a module, without anything to show. */
export function isBus(u: Unit, node: t.Node): boolean {
  const made = unwrap(node);
  return (
    u.facts.role === 'module' &&
    made.type === 'NewExpression' &&
    made.callee.type === 'Identifier' &&
    made.callee.name === 'Vue' &&
    made.arguments.length === 0
  );
}

/** `export default new Vue()` */
export function declareBus(u: Unit, { body }: t.Program): void {
  for (const node of body)
    if (node.type === 'ExportDefaultDeclaration' && isBus(u, node.declaration))
      addSymbol(u, { name: 'default', kind: 'state', ...spanOf(node.declaration) });
}
