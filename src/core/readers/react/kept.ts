/** What the loose code of a module keeps between renders: variables that are set anew, and collections that are filled. */
import type * as t from '@babel/types';
import { UNKNOWN } from '../../model/types';
import { memberName } from '../script/type-expr';
import { addState, SETUP, typeOf, type Unit, unwrap, use } from '../script/unit';

/** Declares such as state of the module; gives back the declarations that are done with. */
export function declareKept(u: Unit, program: t.Program): ReadonlySet<t.Node> {
  const done = new Set<t.Node>();
  for (const node of program.body) {
    const declared = node.type === 'ExportNamedDeclaration' ? node.declaration : node;
    if (declared?.type !== 'VariableDeclaration') continue;
    const kept = declared.declarations.filter(isKept);
    if (kept.length !== declared.declarations.length) continue;
    for (const { id, init } of kept) {
      const value = init ? use(u, u.expr(init, SETUP), SETUP) : undefined;
      addState(u, id as t.Identifier, value, init ? typeOf(u, init) : UNKNOWN);
    }
    done.add(node);
  }
  return done;
}

function isKept({ id, init }: t.VariableDeclarator): boolean {
  if (id.type !== 'Identifier' || !id.binding) return false;
  return id.binding.kind === 'let' ? id.binding.reassigned : !!init && isCollection(unwrap(init));
}

/** A collection that nothing is in yet. */
function isCollection(node: t.Node): boolean {
  switch (node.type) {
    case 'ObjectExpression':
      return !node.properties.length;
    case 'ArrayExpression':
      return !node.elements.length;
    case 'NewExpression':
      return /^(Map|Set|WeakMap)$/.test(memberName(node.callee) ?? '') && !node.arguments.length;
  }
  return false;
}
