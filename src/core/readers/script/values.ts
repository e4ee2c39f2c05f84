/** Module-level values that other code may use: contexts, wrapped components, functions, constants. */
import type * as t from '@babel/types';
import type { ValueFact } from '../../model/facts';
import { isNamedLikeComponent } from '../../model/names';
import { type TypeExpr, UNKNOWN } from '../../model/types';
import { type InferContext, inferFunction, variableType } from './infer';
import { choicesOf, chosen, moduleName, returnsOf } from './choices';
import { lazyOf } from './lazy';
import { pathsIn } from './patterns';
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
  if (isFunction(node)) {
    const gives = givenBack(node);
    return { ...base, kind: 'function', type: inferFunction(node, ctx), ...(gives?.length ? { gives } : {}) };
  }
  if (node.type === 'Identifier' && node.binding) return { ...base, kind: 'alias', alias: node.name };
  if (node.type === 'CallExpression') {
    const hook = own(node);
    const [first] = node.arguments;
    const callee = memberName(node.callee);
    // What is unlike everything else may serve as a key.
    if (callee === 'Symbol' || callee === 'Symbol.for')
      return { ...base, kind: 'context', type: keyType(one, ctx.named) };
    if (hook === 'createContext') return contextOf(base, node, ctx);
    if ((hook === 'memo' || hook === 'forwardRef') && first) {
      const inner = memberName(first);
      if (inner) return { ...base, kind: 'alias', alias: inner };
    }
    // A component with its parts: `Object.assign(Base, { Item, Label })`.
    if (callee === 'Object.assign' && first) {
      const whole = memberName(unwrapped(own, first));
      const members = membersOf(node.arguments.slice(1));
      if (whole) return { ...base, kind: 'alias', alias: whole, members };
      if (unwrap(first).type === 'CallExpression')
        return { ...valueOf({ ...one, node: first }, own, ctx), members };
    }
    if (callee === 'Object.freeze' && first) return valueOf({ ...one, node: first }, own, ctx);
    const lazy = first && lazyOf(first);
    if (lazy && (hook === 'lazy' || isNamedLikeComponent(name)))
      return { ...base, kind: 'value', lazy, ...(hook === 'lazy' ? {} : { madeBy: {} }) };
    if (hook === 'lazy') return { ...base, kind: 'external' };
    const gives = isNamedLikeComponent(name) ? chosen(choicesOf(node)).choices : undefined;
    return {
      ...base,
      kind: 'external',
      type: typeOfVariable(one, ctx),
      madeBy: { ...makerOf(own, node), at: node.start! },
      ...(gives ? { oneOf: gives } : {}),
    };
  }
  if (node.type === 'TaggedTemplateExpression')
    return { ...base, kind: 'external', type: typeOfVariable(one, ctx), madeBy: makerOf(own, node) };
  if (node.type === 'ObjectExpression')
    return {
      ...base,
      kind: 'object',
      members: membersOf([node]),
      ...spreadsOf(node),
      type: typeOfVariable(one, ctx),
    };
  if (node.type === 'ArrayExpression' || node.type === 'NewExpression') {
    const members = entriesOf(node);
    return {
      ...base,
      kind: node.type === 'NewExpression' ? 'external' : 'value',
      type: typeOfVariable(one, ctx),
      ...(members ? { members } : {}),
    };
  }
  const external = /^(New|Conditional|Logical|Member|Await)/.test(node.type);
  const alias = node.type === 'MemberExpression' ? moduleName(node) : undefined;
  if (alias !== undefined) return { ...base, kind: 'alias', alias, type: typeOfVariable(one, ctx) };
  const choices = /^(Conditional|Logical|Member)/.test(node.type)
    ? chosen(choicesOf(node)).choices
    : undefined;
  return {
    ...base,
    kind: external ? 'external' : 'value',
    type: typeOfVariable(one, ctx),
    ...(choices ? { oneOf: choices } : {}),
  };
}

/** What a function gives back, where that is chosen among names of the module. */
const givenBack = (fn: t.Function): ValueFact['gives'] =>
  fn.async || fn.generator
    ? undefined
    : chosen(returnsOf(fn).flatMap((one) => choicesOf(one))).choices?.filter((one) =>
        isNamedLikeComponent(one.name.slice(one.name.lastIndexOf('.') + 1)),
      );

/** Members of objects that are written out, by the names that they stand for. */
function membersOf(nodes: t.Node[], prefix = '', depth = 0): Record<string, string> {
  const members: Record<string, string> = {};
  for (const given of nodes) {
    const node = unwrap(given);
    if (node.type !== 'ObjectExpression') continue;
    for (const property of node.properties) {
      if (property.type !== 'ObjectProperty') continue;
      const key = keyName(property);
      if (key === undefined) continue;
      const value = unwrap(property.value);
      const name = heldName(value);
      if (name) members[prefix + key] = name;
      else if (value.type === 'ObjectExpression' && depth < 3)
        Object.assign(members, membersOf([value], `${prefix}${key}.`, depth + 1));
    }
  }
  return members;
}

function spreadsOf({ properties }: t.ObjectExpression): Pick<ValueFact, 'spreads'> {
  const spreads = properties.flatMap((one) =>
    one.type === 'SpreadElement' ? [memberName(unwrap(one.argument)) ?? ''] : [],
  );
  return spreads.length ? { spreads } : {};
}

/** A name, or what is put together on it: `Object.assign(Item, { label })`. */
function heldName(node: t.Node): string | undefined {
  const bare = unwrap(node);
  if (bare.type !== 'CallExpression' || memberName(bare.callee) !== 'Object.assign') return memberName(bare);
  return bare.arguments[0] && heldName(bare.arguments[0]);
}

/**
 * Parts that a call gives to the component that it makes, in an object of settings:
 * `makePart('nav')({ Component: …, parts: { Item: NavItem } })`, or that are put on it: `Object.assign(memo(…), { Item })`.
 */
export function partsGiven(node: t.Node): Record<string, string> | undefined {
  const bare = unwrap(node);
  if (bare.type !== 'CallExpression') return undefined;
  if (memberName(bare.callee) === 'Object.assign') return membersOf(bare.arguments.slice(1));
  const found: Record<string, string> = {};
  for (const arg of bare.arguments) {
    const object = unwrap(arg);
    if (object.type !== 'ObjectExpression') continue;
    for (const one of object.properties) {
      const inner = one.type === 'ObjectProperty' ? unwrap(one.value) : undefined;
      if (inner?.type !== 'ObjectExpression') continue;
      const members = Object.entries(membersOf([inner]));
      if (
        members.length &&
        members.every(([key, name]) => isNamedLikeComponent(key) && isNamedLikeComponent(name))
      )
        Object.assign(found, Object.fromEntries(members));
    }
  }
  return Object.keys(found).length ? found : undefined;
}

/** The entries of a list of objects or of a Map, as members by number or key. */
function entriesOf(node: t.ArrayExpression | t.NewExpression): Record<string, string> | undefined {
  const list = node.type === 'ArrayExpression' ? node : node.arguments[0] && unwrap(node.arguments[0]);
  if (list?.type !== 'ArrayExpression' || list.elements.length > 200) return undefined;
  if (node.type === 'NewExpression' && memberName(node.callee) !== 'Map') return undefined;
  const members: Record<string, string> = {};
  list.elements.forEach((element, index) => {
    const one = element && unwrap(element);
    if (!one) return;
    const pair = node.type === 'NewExpression' && one.type === 'ArrayExpression' ? one.elements[1] : one;
    const name = pair && memberName(unwrap(pair));
    if (name) members[String(index)] = name;
    else if (pair) Object.assign(members, membersOf([pair], `${index}.`, 1));
  });
  return Object.keys(members).length ? members : undefined;
}

/**
 * The function that makes a value, and the component that it was given: `connect(…)(Card)`, `styled(Card)`, with
 * what is chained to it.
 */
function makerOf(own: OwnCall, node: t.Node, depth = 0): NonNullable<ValueFact['madeBy']> {
  const bare = unwrap(node);
  if (depth > 8) return {};
  if (bare.type === 'TaggedTemplateExpression') return makerOf(own, bare.tag, depth + 1);
  if (bare.type === 'CallExpression') {
    const name = memberName(bare.callee);
    for (const arg of bare.arguments) {
      const inner = unwrapped(own, arg);
      const of =
        memberName(inner) ??
        (inner.type === 'CallExpression' ? makerOf(own, inner, depth + 1).of : undefined);
      if (of && isNamedLikeComponent(of.slice(of.lastIndexOf('.') + 1)))
        return { ...(name ? { name } : innermost(bare)), of };
    }
    const [first] = bare.arguments;
    const of = name && first ? memberName(unwrapped(own, first)) : undefined;
    if (name) return { name, ...(of ? { of } : {}) };
    return makerOf(own, bare.callee, depth + 1);
  }
  if (bare.type === 'MemberExpression') {
    const name = memberName(bare);
    return name ? { name } : makerOf(own, bare.object, depth + 1);
  }
  const name = memberName(bare);
  return name ? { name } : {};
}

/** The name that a chain of calls starts from. */
function innermost(node: t.Node): { name?: string } {
  const bare = unwrap(node);
  const name = memberName(bare);
  if (name) return { name };
  if (bare.type === 'CallExpression') return innermost(bare.callee);
  return bare.type === 'MemberExpression' ? innermost(bare.object) : {};
}

/**
 * Names of a module that take a value apart: `const { Slot, Fill } = createPair()` and `const [Wind] = makeContext()`.
 * What is taken from a name of the module is a member of it.
 */
export function takenApart(program: t.Program): ValueFact[] {
  return program.body.flatMap((node) => {
    const declaration = node.type === 'ExportNamedDeclaration' ? node.declaration : node;
    if (declaration?.type !== 'VariableDeclaration') return [];
    return declaration.declarations.flatMap(({ id, init }) => {
      if (!init || (id.type !== 'ObjectPattern' && id.type !== 'ArrayPattern')) return [];
      const bare = unwrap(init);
      const of = bare.type === 'CallExpression' ? memberName(bare.callee) : memberName(bare);
      return pathsIn(id).map(({ name, path }): ValueFact => {
        const base = { name: name.name, ...spanOf(name) };
        if (bare.type !== 'CallExpression' && of !== undefined)
          return { ...base, kind: 'alias', alias: [of, ...path].join('.') };
        return {
          ...base,
          kind: 'external',
          madeBy: of === undefined ? {} : { name: of, path, at: bare.start! },
        };
      });
    });
  });
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
  const starts = () => variableType({ type: 'Identifier' } as t.Identifier, fallback, false, ctx);
  const type = readTypeOr(written, ctx.named) ?? (ctx.untyped ? withoutFunctions(starts()) : starts());
  return {
    ...base,
    kind: 'context',
    type,
    ...(fallback
      ? { fallback: { kind: 'computed', ...spanOf(fallback), type: fallbackType(unwrap(fallback)) } }
      : {}),
  };
}

/** Without types, a function that only stands in for another says nothing of that. */
function withoutFunctions(type: TypeExpr): TypeExpr {
  if (type.t === 'fn') return UNKNOWN;
  if (type.t !== 'object') return type;
  return { ...type, members: type.members.map((one) => ({ ...one, type: withoutFunctions(one.type) })) };
}

const readTypeOr = (node: t.Node | undefined, named: NamedType) => (node ? readType(node, named) : undefined);

/** Only whether there is something: a cast of null is something by its author's word. */
function fallbackType(node: t.Node): ValueFact['type'] {
  if (node.type === 'NullLiteral') return { t: 'lit', v: null };
  if (node.type === 'Identifier' && node.name === 'undefined') return { t: 'lit', v: undefined };
  return UNKNOWN;
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
