/** What decorators say. */
import type * as t from '@babel/types';
import { keyName, memberName } from './type-expr';
import { unwrap } from './unit';

export interface Decorated {
  /** The framework's own name: `Component`, `Input`. */
  name: string;
  args: t.Node[];
  node: t.Decorator;
}

/** The framework's decorators on a class, a member or a parameter. */
export function decoratorsOf(node: t.Node, names: (local: string) => string | undefined): Decorated[] {
  const { decorators } = node as { decorators?: t.Decorator[] | null };
  return (decorators ?? []).flatMap((one) => {
    const call = one.expression.type === 'CallExpression' ? one.expression : undefined;
    const local = memberName(call?.callee ?? one.expression);
    const name = local === undefined ? undefined : names(local);
    return name === undefined ? [] : [{ name, args: call?.arguments ?? [], node: one }];
  });
}

export interface Metadata {
  /** The value of a member, if it is there. */
  get(name: string): t.Node | undefined;
  /** A member's value where it is a text. */
  text(name: string): t.StringLiteral | t.TemplateLiteral | undefined;
  isTrue(name: string): boolean;
  /** Some of it is not written out. */
  open: boolean;
}

/** An object that is written out, or that a constant of the file holds. */
export function metadata(node: t.Node | undefined): Metadata {
  const bare = node && constant(node);
  const object = bare?.type === 'ObjectExpression' ? bare : undefined;
  const get = (name: string): t.Node | undefined => {
    const found = object?.properties.find((one) => one.type === 'ObjectProperty' && keyName(one) === name);
    return found?.type === 'ObjectProperty' ? found.value : undefined;
  };
  const isText = (one: t.Node | undefined) =>
    one?.type === 'StringLiteral' || (one?.type === 'TemplateLiteral' && !one.expressions.length);
  return {
    get,
    text: (name) => {
      const found = get(name);
      const value = found && constant(found);
      return isText(value) ? (value as t.StringLiteral) : undefined;
    },
    isTrue: (name) => {
      const value = get(name);
      return value?.type === 'BooleanLiteral' && value.value;
    },
    open:
      (bare !== undefined && !object) ||
      object?.properties.some((one) => one.type === 'SpreadElement') === true,
  };
}

/** What a constant of the file holds, or the expression itself. */
export function constant(node: t.Node): t.Node {
  const bare = unwrap(node);
  const binding = bare.type === 'Identifier' ? bare.binding : undefined;
  if (binding?.kind !== 'const' || binding.node.type !== 'VariableDeclarator' || binding.reassigned)
    return bare;
  return binding.node.init ? unwrap(binding.node.init) : bare;
}

export const textOf = (node: t.Node | undefined): string | undefined => {
  const bare = node && constant(node);
  if (bare?.type === 'StringLiteral') return bare.value;
  return bare?.type === 'TemplateLiteral' && !bare.expressions.length
    ? (bare.quasis[0]?.value.cooked ?? undefined)
    : undefined;
};

/** Elements of a list that is written out, lists in it taken apart; undefined where some of it is not. */
export function listed(node: t.Node | undefined, depth = 0): { items: t.Node[]; open: boolean } {
  const items: t.Node[] = [];
  let open = false;
  const bare = node && unwrap(node);
  if (!bare) return { items, open };
  const list = bare.type === 'ArrayExpression' ? bare : undefined;
  if (!list) return { items: [bare], open };
  for (const one of list.elements) {
    if (!one) continue;
    const inner = unwrap(one.type === 'SpreadElement' ? one.argument : one);
    if (inner.type === 'ArrayExpression' && depth < 8) {
      const found = listed(inner, depth + 1);
      items.push(...found.items);
      open ||= found.open;
    } else items.push(inner);
  }
  return { items, open };
}
