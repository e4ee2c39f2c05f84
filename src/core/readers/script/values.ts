/** Module-level values that other code may use: contexts, wrapped components, functions, constants. */
import type * as t from '@babel/types';
import type { ValueFact } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { type InferContext, inferFunction, variableType } from './infer';
import { isFunction, type NamedNode } from './scope';
import { annotationOf, keyName, memberName, type NamedType, readType, typeArguments } from './type-expr';
import { spanOf, unwrap } from './unit';

/** What the framework means by a call: its own name for it, or undefined. */
export type OwnCall = (call: t.CallExpression) => string | undefined;

/** What a module-level declaration makes known, components left out. */
export function valueOf(one: NamedNode, own: OwnCall, ctx: InferContext): ValueFact {
  const span = spanOf(one.id ?? one.node);
  const name = one.id?.name ?? 'default';
  const node = unwrap(one.node);
  const base = { name, ...span };
  if (isFunction(node)) return { ...base, kind: 'function', type: inferFunction(node, ctx) };
  if (node.type === 'Identifier' && node.binding) return { ...base, kind: 'alias', alias: node.name };
  if (node.type === 'CallExpression') {
    const hook = own(node);
    const [first] = node.arguments;
    // What is unlike everything else may serve as a key.
    if (memberName(node.callee) === 'Symbol')
      return { ...base, kind: 'context', type: keyType(one, ctx.named) };
    if (hook === 'createContext') return contextOf(base, node, ctx);
    if ((hook === 'memo' || hook === 'forwardRef') && first) {
      const inner = memberName(first);
      if (inner) return { ...base, kind: 'alias', alias: inner };
    }
    if (hook === 'lazy' && first) {
      const lazy = lazyOf(first);
      return lazy ? { ...base, kind: 'value', lazy } : { ...base, kind: 'external' };
    }
    const [maker, made] = [memberName(node.callee), first && memberName(unwrapped(own, first))];
    return {
      ...base,
      kind: 'external',
      type: typeOfVariable(one, ctx),
      ...(maker && made ? { madeBy: { name: maker, of: made } } : {}),
    };
  }
  if (node.type === 'ObjectExpression') {
    const members: Record<string, string> = {};
    for (const property of node.properties) {
      if (property.type !== 'ObjectProperty') continue;
      const key = keyName(property);
      const value = memberName(property.value);
      if (key !== undefined && value) members[key] = value;
    }
    return { ...base, kind: 'object', members, type: typeOfVariable(one, ctx) };
  }
  const external = /^(TaggedTemplate|New|Conditional|Logical|Member|Await)/.test(node.type);
  return { ...base, kind: external ? 'external' : 'value', type: typeOfVariable(one, ctx) };
}

/** `Card` of `memo(Card)`. */
function unwrapped(own: OwnCall, node: t.Node): t.Node {
  const bare = unwrap(node);
  const hook = bare.type === 'CallExpression' ? own(bare) : undefined;
  const [first] = bare.type === 'CallExpression' ? bare.arguments : [];
  return (hook === 'memo' || hook === 'forwardRef') && first ? unwrapped(own, first) : bare;
}

/** `const key: InjectionKey<Wind> = Symbol()`: the type that it is a key for. */
function keyType(one: NamedNode, named: NamedType) {
  const annotation =
    annotationOf(one.id) ?? (one.node.type === 'TSAsExpression' ? one.node.typeAnnotation : undefined);
  const [type] = annotation?.type === 'TSTypeReference' ? typeArguments(annotation) : [];
  return type ? readType(type, named) : UNKNOWN;
}

function typeOfVariable(one: NamedNode, ctx: InferContext) {
  if (one.declaration.type !== 'VariableDeclarator') return UNKNOWN;
  const constant = one.id?.binding?.kind === 'const';
  return variableType(one.declaration.id, one.declaration.init, constant, ctx);
}

function contextOf(
  base: { name: string; start: number; end: number },
  node: t.CallExpression,
  ctx: InferContext,
): ValueFact {
  const written = typeArguments(node)[0];
  const [fallback] = node.arguments;
  const type =
    readTypeOr(written, ctx.named) ??
    variableType({ type: 'Identifier' } as t.Identifier, fallback, false, ctx);
  return {
    ...base,
    kind: 'context',
    type,
    ...(fallback
      ? { fallback: { kind: 'computed', ...spanOf(fallback), type: fallbackType(unwrap(fallback)) } }
      : {}),
  };
}

const readTypeOr = (node: t.Node | undefined, named: NamedType) => (node ? readType(node, named) : undefined);

/** Only whether there is something: a cast of null is something by its author's word. */
function fallbackType(node: t.Node): ValueFact['type'] {
  if (node.type === 'NullLiteral') return { t: 'lit', v: null };
  if (node.type === 'Identifier' && node.name === 'undefined') return { t: 'lit', v: undefined };
  return UNKNOWN;
}

/** `() => import('./x')`, with the named export that is picked from it, if one is. */
export function lazyOf(node: t.Node): ValueFact['lazy'] {
  if (!isFunction(node)) return undefined;
  let body: t.Node = node.body;
  if (body.type === 'BlockStatement') {
    const last = body.body.at(-1);
    if (last?.type !== 'ReturnStatement' || !last.argument) return undefined;
    body = last.argument;
  }
  let name = 'default';
  if (body.type === 'CallExpression' && body.callee.type === 'MemberExpression') {
    const picked = pickedName(body.arguments[0]);
    if (!picked) return undefined;
    name = picked;
    body = body.callee.object;
  }
  if (body.type === 'AwaitExpression') body = body.argument;
  const source =
    body.type === 'ImportExpression'
      ? body.source
      : body.type === 'CallExpression' && body.callee.type === 'Import'
        ? body.arguments[0]
        : undefined;
  return source?.type === 'StringLiteral' ? { from: source.value, name } : undefined;
}

/** `m => ({ default: m.Card })` */
function pickedName(node: t.Node | undefined): string | undefined {
  if (!node || !isFunction(node)) return undefined;
  const body = unwrap(node.body);
  const property = body.type === 'ObjectExpression' ? body.properties[0] : undefined;
  if (property?.type !== 'ObjectProperty' || keyName(property) !== 'default') return undefined;
  const value = property.value;
  return value.type === 'MemberExpression' && value.property.type === 'Identifier'
    ? value.property.name
    : undefined;
}

/** `Menu.Item = MenuItem` and `Card.defaultProps = {…}` at module level. */
export function staticMembers(program: t.Program): { owner: string; member: string; value: t.Node }[] {
  return program.body.flatMap((node) => {
    if (node.type !== 'ExpressionStatement' || node.expression.type !== 'AssignmentExpression') return [];
    const { left, right } = node.expression;
    if (left.type !== 'MemberExpression' || left.computed || left.property.type !== 'Identifier') return [];
    const owner = memberName(left.object);
    return owner ? [{ owner, member: left.property.name, value: right }] : [];
  });
}
