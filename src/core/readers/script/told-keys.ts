/** Keys under which functions are told something: `switch (action.type) { case 'raise': … }`. */
import type * as t from '@babel/types';
import { constantKey } from './keys';
import { keyName, memberName } from './type-expr';
import { unwrap } from './unit';

/** `action.type`, or a name for it. */
function isKind(node: t.Node): boolean {
  const bare = unwrap(node);
  if (bare.type === 'MemberExpression' || bare.type === 'OptionalMemberExpression')
    return !bare.computed && memberName(bare.property) === 'type';
  return bare.type === 'Identifier' && bare.name === 'type';
}

/** The keys that a value is compared with; undefined where it is no kind, or may be another. */
export function keysOf(kind: t.Node, tests: (t.Node | null | undefined)[]): string[] | undefined {
  if (!isKind(kind)) return undefined;
  const keys = tests.map(constantKey);
  return keys.every((one) => one !== undefined) ? keys : undefined;
}

/** The keys of which a condition asks whether it is one: `action.type === HOLD || action.type === DROP`. */
export function keysIn(test: t.Node): string[] | undefined {
  const bare = unwrap(test);
  if (bare.type === 'LogicalExpression' && bare.operator === '||') {
    const [left, right] = [keysIn(bare.left), keysIn(bare.right)];
    return left && right && [...left, ...right];
  }
  if (bare.type !== 'BinaryExpression' || !/^===?$/.test(bare.operator)) return undefined;
  return keysOf(bare.left, [bare.right]) ?? keysOf(bare.right, [bare.left]);
}

/** The key under which an object tells something. */
export function keyTold({ properties }: t.ObjectExpression): string | undefined {
  const type = properties.find(
    (one) => one.type === 'ObjectProperty' && !one.computed && keyName(one) === 'type',
  );
  return type?.type === 'ObjectProperty' ? constantKey(type.value) : undefined;
}
