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
  return isKind(kind) ? known(tests) : undefined;
}

function known(tests: (t.Node | null | undefined)[]): string[] | undefined {
  const keys = tests.map(constantKey);
  return keys.every((one) => one !== undefined) ? keys : undefined;
}

/** What the kind of what is told is compared with, where a condition asks for that alone. */
export function comparedWith(test: t.Node, isKindHere: (node: t.Node) => boolean): t.Node[] {
  const bare = unwrap(test);
  if (bare.type === 'LogicalExpression' && bare.operator === '||') {
    const [left, right] = [comparedWith(bare.left, isKindHere), comparedWith(bare.right, isKindHere)];
    return left.length && right.length ? [...left, ...right] : [];
  }
  if (bare.type !== 'BinaryExpression' || !/^===?$/.test(bare.operator)) return [];
  if (isKindHere(bare.left)) return [bare.right];
  return isKindHere(bare.right) ? [bare.left] : [];
}

/** The keys of which a condition asks whether it is one: `action.type === HOLD || action.type === DROP`. */
export function keysIn(test: t.Node): string[] | undefined {
  const tests = comparedWith(test, isKind);
  return tests.length ? known(tests) : undefined;
}

/** The key under which an object tells something. */
export function keyTold({ properties }: t.ObjectExpression): string | undefined {
  const type = properties.find(
    (one) => one.type === 'ObjectProperty' && !one.computed && keyName(one) === 'type',
  );
  return type?.type === 'ObjectProperty' ? constantKey(type.value) : undefined;
}
