/** Texts that code writes down under a name. */
import type * as t from '@babel/types';

/** A text that is written there, or that a constant of the file is, or a member of one; undefined for anything else. */
export function constantText(node: t.Node | null | undefined): string | undefined {
  const bare = node && plain(node);
  if (bare?.type === 'StringLiteral') return bare.value;
  if (bare?.type === 'TemplateLiteral' && !bare.expressions.length)
    return bare.quasis[0]!.value.cooked ?? undefined;
  if (bare?.type === 'Identifier') return textOf(constant(bare));
  if (bare?.type !== 'MemberExpression' || bare.computed || bare.property.type !== 'Identifier')
    return undefined;
  const { name } = bare.property;
  const object = constant(plain(bare.object));
  if (object?.type !== 'ObjectExpression') return undefined;
  const isOpen = object.properties.some((one) => one.type === 'SpreadElement');
  const found = object.properties.find(
    (one) =>
      one.type === 'ObjectProperty' &&
      !one.computed &&
      one.key.type === 'Identifier' &&
      one.key.name === name,
  );
  return !isOpen && found?.type === 'ObjectProperty' ? textOf(plain(found.value)) : undefined;
}

const textOf = (node: t.Node | undefined): string | undefined =>
  node?.type === 'StringLiteral' ? node.value : undefined;

/** What a constant of the file is. */
function constant(node: t.Node): t.Node | undefined {
  const declared =
    node.type === 'Identifier' && node.binding?.kind === 'const' ? node.binding.node : undefined;
  const isWhole = declared?.type === 'VariableDeclarator' && declared.id.type === 'Identifier';
  return isWhole && declared.init ? plain(declared.init) : undefined;
}

/** Without what only a checker of types reads: `KEYS as const`. */
export function plain(node: t.Node): t.Node {
  let bare = node;
  while (/^(TS(As|Satisfies|NonNull)Expression|ParenthesizedExpression)$/.test(bare.type))
    bare = (bare as t.TSAsExpression).expression;
  return bare;
}

/** The name of a member, where that is written down. */
export const memberKey = ({
  computed,
  property,
}: t.MemberExpression | t.OptionalMemberExpression): string | undefined =>
  computed ? constantText(property) : property.type === 'Identifier' ? property.name : undefined;

/** `rows['held']` and `rows[HELD]` as `rows.held`; anything else as it is. */
export function byName<N extends t.MemberExpression | t.OptionalMemberExpression>(node: N): N {
  const name = node.computed ? memberKey(node) : undefined;
  if (name === undefined) return node;
  const { start, end, loc } = node.property;
  return { ...node, computed: false, property: { type: 'Identifier', name, start, end, loc } };
}
