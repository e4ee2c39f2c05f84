/** What an expression may stand for, where it chooses between values that are written out. */
import type * as t from '@babel/types';
import { isFunction } from './scope';
import { keyName, memberName } from './type-expr';
import { isModuleLevel, unwrap } from './unit';

/** Calls whose result is what they are given, or what the function that they are given gives back. */
const DERIVED = /^(computed|markRaw|useMemo|\$derived(\.by)?)$/;

/**
 * The expressions that it chooses between: the arms of conditions, the members of a constant table that is looked into,
 * through constants and what is derived from them. One that stands for itself is its own only choice.
 */
export function choicesOf(node: t.Node, depth = 0): t.Node[] {
  const bare = unwrap(node);
  if (depth > 6) return [bare];
  const deeper = (...parts: (t.Node | undefined)[]) =>
    parts.flatMap((one) => (one ? choicesOf(one, depth + 1) : []));
  switch (bare.type) {
    case 'ConditionalExpression':
      return deeper(bare.consequent, bare.alternate);
    case 'LogicalExpression':
      return bare.operator === '&&' ? deeper(bare.right) : deeper(bare.left, bare.right);
    case 'Identifier': {
      const init = constantOf(bare);
      return init && isChoice(init) ? deeper(init) : [bare];
    }
    case 'MemberExpression': {
      const object = unwrap(bare.object);
      if (!bare.computed && memberName(bare.property) === 'value') return deeper(object);
      const table = object.type === 'Identifier' ? constantOf(object) : object;
      const members = table && unwrap(table);
      return (bare.computed && members?.type === 'ObjectExpression' && valuesOf(members, deeper)) || [bare];
    }
    case 'CallExpression': {
      const [first] = bare.arguments;
      if (!first || !DERIVED.test(memberName(bare.callee) ?? '')) return [bare];
      const inner = unwrap(first);
      if (!isFunction(inner)) return deeper(inner);
      return inner.body.type === 'BlockStatement' ? [bare] : deeper(inner.body);
    }
  }
  return [bare];
}

/** What a constant was given. */
function constantOf({ binding }: t.Identifier): t.Node | undefined {
  if (binding?.kind !== 'const' || binding.reassigned || binding.node.type !== 'VariableDeclarator')
    return undefined;
  return binding.node.id.type === 'Identifier' ? (binding.node.init ?? undefined) : undefined;
}

/** Whether following a constant leads anywhere: a value made otherwise is known by the constant's name. */
const isChoice = (init: t.Node): boolean => {
  const [first, ...others] = choicesOf(init, 1);
  return others.length > 0 || /^(Identifier|StringLiteral)$/.test(first!.type);
};

function valuesOf(
  { properties }: t.ObjectExpression,
  deeper: (...parts: t.Node[]) => t.Node[],
): t.Node[] | undefined {
  const found: t.Node[] = [];
  for (const one of properties) {
    if (one.type !== 'ObjectProperty' || keyName(one) === undefined) return undefined;
    found.push(one.value);
  }
  return deeper(...found);
}

/** The name that a choice has, where it is one of the module or a member of one; what a component holds has none. */
export function moduleName(choice: t.Node): string | undefined {
  const first = choice.type === 'MemberExpression' ? unwrap(choice.object) : choice;
  const known = first.type === 'Identifier' && first.binding && isModuleLevel(first.binding);
  return known ? memberName(choice) : undefined;
}
