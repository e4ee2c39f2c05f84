/** What the loose code of a module keeps between renders: variables that are set anew, and collections that are filled. */
import type * as t from '@babel/types';
import { UNKNOWN } from '../../model/types';
import type { Binding } from '../script/scope';
import { bindThis } from '../script/self';
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
      const symbol = addState(u, id as t.Identifier, undefined, init ? typeOf(u, init) : UNKNOWN);
      if (init) u.facts.symbols[symbol]!.init = use(u, u.expr(init, SETUP), SETUP);
    }
    done.add(node);
  }
  return done;
}

function isKept({ id, init }: t.VariableDeclarator): boolean {
  if (id.type !== 'Identifier' || !id.binding) return false;
  if (id.binding.kind === 'let') return id.binding.reassigned;
  const value = init && unwrap(init);
  return !!value && (isCollection(value) || bindThis(value, id) || namesItself(id.binding, value));
}

/** `const store = { held: '', put(v) { store.held = v; } }` */
const namesItself = ({ uses }: Binding, { type, start, end }: t.Node): boolean =>
  type === 'ObjectExpression' && uses.some(({ id }) => id.start! > start! && id.end! < end!);

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
