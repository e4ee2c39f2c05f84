/** The type of an expression as far as its text tells. What needs other files stays a reference. */
import type * as t from '@babel/types';
import { lit, prim, union, UNKNOWN, widen, type TypeExpr, type TypeMember } from '../../model/types';
import type { Binding } from './scope';
import {
  annotationOf,
  functionType,
  keyName,
  memberName,
  readType,
  typeArguments,
  type NamedType,
} from './type-expr';

export interface InferContext {
  named: NamedType;
  /** The file is of a language without types. */
  untyped?: boolean;
  /** The type of an identifier. */
  lookup: (id: t.Identifier) => TypeExpr;
  /** The type of a member of `this`. */
  member?: (name: string) => TypeExpr;
  /** The type of what calling a member of `this` gives, where that is not what its type says. */
  called?: (name: string) => TypeExpr | undefined;
  /** The type of what a call gives that the language itself understands. */
  own?: (call: t.CallExpression | t.OptionalCallExpression) => TypeExpr | undefined;
}

const COMPARISONS = new Set(['==', '===', '!=', '!==', '<', '>', '<=', '>=', 'in', 'instanceof']);
const CONVERSIONS: Record<string, TypeExpr> = {
  String: prim('string'),
  Number: prim('number'),
  Boolean: prim('boolean'),
  parseInt: prim('number'),
  parseFloat: prim('number'),
};

/** What an async function gives: an object that is neither a function nor its result. */
const PROMISE: TypeExpr = {
  t: 'object',
  members: [{ name: 'then', type: { t: 'fn', params: [], returns: UNKNOWN }, start: -1, end: -1 }],
};

/** Whether a function body returns a value on some path of its own. */
function returnsValue(node: t.Node): boolean {
  let found = false;
  const look = (part: t.Node | null | undefined) => {
    if (!part || found) return;
    if (part.type === 'ReturnStatement') {
      if (part.argument) found = true;
      return;
    }
    if (/^(Function|ArrowFunction|Class|ObjectMethod)/.test(part.type)) return;
    if (/(Expression|Literal|Declaration)$/.test(part.type)) return;
    for (const value of Object.values(part)) {
      if (Array.isArray(value)) value.forEach((item) => item && typeof item.type === 'string' && look(item));
      else if (value && typeof value === 'object' && typeof (value as t.Node).type === 'string')
        look(value as t.Node);
    }
  };
  look(node);
  return found;
}

/** The type of a function from its annotations and, without one for the result, from its body. */
export function inferFunction(node: t.Function, ctx: InferContext): TypeExpr {
  const type = functionType(node.params, node.returnType as t.Node | undefined, ctx.named);
  if (node.returnType) return type;
  if (node.generator) return type;
  if (node.async) return { ...type, returns: PROMISE };
  if (node.body.type !== 'BlockStatement') return { ...type, returns: widen(infer(node.body, ctx)) };
  // What ends in a throw gives nothing back, not even nothing.
  if (node.body.body.at(-1)?.type === 'ThrowStatement') return type;
  if (!returnsValue(node.body)) return { ...type, returns: prim('void') };
  const only = node.body.body.length === 1 ? node.body.body[0] : undefined;
  if (only?.type === 'ReturnStatement' && only.argument) {
    return { ...type, returns: widen(infer(only.argument, ctx)) };
  }
  return type;
}

export function infer(node: t.Node | null | undefined, ctx: InferContext): TypeExpr {
  if (!node) return UNKNOWN;
  switch (node.type) {
    case 'StringLiteral':
    case 'NumericLiteral':
    case 'BooleanLiteral':
      return lit(node.value);
    case 'NullLiteral':
      return lit(null);
    case 'BigIntLiteral':
      return prim('bigint');
    case 'TemplateLiteral':
      return node.expressions.length ? prim('string') : lit(node.quasis[0]?.value.cooked ?? '');
    case 'Identifier':
      if (node.binding?.kind === 'param' && !node.binding.reassigned) {
        const written = parameterType(node.binding, ctx);
        return written.t === 'unknown' ? ctx.lookup(node) : written;
      }
      if (!node.binding) {
        if (node.name === 'undefined') return lit(undefined);
        return node.name === 'NaN' || node.name === 'Infinity' ? prim('number') : UNKNOWN;
      }
      return ctx.lookup(node);
    case 'ParenthesizedExpression':
    case 'TSSatisfiesExpression':
    case 'TSNonNullExpression':
      return infer(node.expression, ctx);
    case 'TSAsExpression':
    case 'TSTypeAssertion': {
      const type = node.typeAnnotation;
      if (
        type.type === 'TSTypeReference' &&
        type.typeName.type === 'Identifier' &&
        type.typeName.name === 'const'
      ) {
        return infer(node.expression, ctx);
      }
      return readType(type, ctx.named);
    }
    case 'MemberExpression':
    case 'OptionalMemberExpression': {
      if (node.object.type === 'ThisExpression' && !node.computed && node.property.type === 'Identifier')
        return ctx.member?.(node.property.name) ?? UNKNOWN;
      const of = infer(node.object, ctx);
      if (of.t === 'unknown') return of;
      if (node.computed) {
        return node.property.type === 'NumericLiteral' || node.property.type === 'Identifier'
          ? { t: 'elem', of }
          : UNKNOWN;
      }
      return node.property.type === 'Identifier' ? { t: 'member', of, name: node.property.name } : UNKNOWN;
    }
    case 'CallExpression':
    case 'OptionalCallExpression': {
      const { callee } = node;
      const known = ctx.own?.(node);
      if (known) return known;
      if (callee.type === 'Identifier' && !callee.binding) return CONVERSIONS[callee.name] ?? UNKNOWN;
      if (
        callee.type === 'MemberExpression' &&
        callee.object.type === 'Identifier' &&
        !callee.object.binding
      ) {
        const whole =
          callee.property.type === 'Identifier' ? `${callee.object.name}.${callee.property.name}` : '';
        if (/^Math\.\w+$/.test(whole) || whole === 'Date.now') return prim('number');
        if (whole.startsWith('console.')) return prim('void');
        if (whole === 'JSON.stringify') return prim('string');
        if (whole === 'Array.isArray') return prim('boolean');
        return UNKNOWN;
      }
      const own =
        callee.type === 'MemberExpression' &&
        callee.object.type === 'ThisExpression' &&
        !callee.computed &&
        callee.property.type === 'Identifier'
          ? ctx.called?.(callee.property.name)
          : undefined;
      if (own) return own;
      const of = infer(callee, ctx);
      return of.t === 'unknown' ? of : { t: 'ret', of };
    }
    case 'NewExpression': {
      const args = typeArguments(node);
      const name = memberName(node.callee);
      if (!args.length || name === undefined) return UNKNOWN;
      return ctx.named(name, () => args.map((one) => readType(one, ctx.named))) ?? UNKNOWN;
    }
    case 'ArrayExpression':
      return node.elements.length === 0 || node.elements.some((one) => !one || one.type === 'SpreadElement')
        ? { t: 'array', of: node.elements.length === 0 ? prim('never') : UNKNOWN }
        : written(node.elements.map((one) => infer(one, ctx)));
    case 'ObjectExpression':
      return inferObject(node, ctx);
    case 'ArrowFunctionExpression':
    case 'FunctionExpression':
    case 'FunctionDeclaration':
    case 'ObjectMethod':
    case 'ClassMethod':
      return inferFunction(node, ctx);
    case 'BinaryExpression': {
      if (COMPARISONS.has(node.operator)) return prim('boolean');
      if (node.operator !== '+') return prim('number');
      const sides = [infer(node.left, ctx), infer(node.right, ctx)].map(widen);
      if (sides.some((one) => one.t === 'prim' && one.n === 'string')) return prim('string');
      return sides.every((one) => one.t === 'prim' && one.n === 'number') ? prim('number') : UNKNOWN;
    }
    case 'UnaryExpression':
      if (node.operator === '!' || node.operator === 'delete') return prim('boolean');
      if (node.operator === 'typeof') return prim('string');
      if (node.operator === 'void') return lit(undefined);
      if (node.operator === '-' && node.argument.type === 'NumericLiteral') return lit(-node.argument.value);
      return prim('number');
    case 'UpdateExpression':
      return prim('number');
    case 'ConditionalExpression':
      return union([infer(node.consequent, ctx), infer(node.alternate, ctx)]);
    case 'LogicalExpression': {
      const right = infer(node.right, ctx);
      if (node.operator !== '&&') return union([infer(node.left, ctx), right]);
      // A condition that fails hands over `false`, which is meant as nothing.
      const left = infer(node.left, ctx);
      return left.t === 'prim' && left.n === 'boolean' ? union([lit(undefined), right]) : UNKNOWN;
    }
    case 'AssignmentExpression':
      return node.operator === '=' ? infer(node.right, ctx) : UNKNOWN;
    case 'JSXElement':
    case 'JSXFragment':
      return { t: 'content' };
    default:
      return UNKNOWN;
  }
}

/** What a parameter is, where that is written at its name. */
function parameterType({ id }: Binding, { named }: InferContext): TypeExpr {
  const written = annotationOf(id);
  if (!written) return UNKNOWN;
  const type = readType(written, named);
  return (id as t.Identifier).optional ? union([type, lit(undefined)]) : type;
}

/** Longer lists are not kept one by one. */
const MAX_EACH = 24;

const written = (each: TypeExpr[]): TypeExpr => ({
  t: 'array',
  of: union(each),
  ...(each.length <= MAX_EACH ? { each } : {}),
});

function inferObject(node: t.ObjectExpression, ctx: InferContext): TypeExpr {
  const parts: TypeExpr[] = [];
  let members: TypeMember[] = [];
  let open = false;
  const close = () => {
    if (members.length || open)
      parts.push({ t: 'object', members, fresh: true, ...(open ? { open: true } : { exact: true }) });
    [members, open] = [[], false];
  };
  for (const property of node.properties) {
    if (property.type === 'SpreadElement') {
      close();
      parts.push(infer(property.argument, ctx));
      continue;
    }
    const name = keyName(property);
    if (name === undefined) {
      open = true;
      continue;
    }
    members.push({
      name,
      type:
        property.type === 'ObjectMethod'
          ? inferFunction(property, ctx)
          : infer(property.value as t.Node, ctx),
      start: property.key.start!,
      end: property.key.end!,
    });
  }
  if (parts.length) {
    close();
    return { t: 'merge', of: parts };
  }
  return { t: 'object', members, fresh: true, ...(open ? { open: true } : { exact: true }) };
}

/** The type of a declared variable: its annotation, else what its initial value tells. */
export function variableType(
  id: t.Node,
  init: t.Node | null | undefined,
  constant: boolean,
  ctx: InferContext,
) {
  const annotation = annotationOf(id);
  if (annotation) return readType(annotation, ctx.named);
  const type = infer(init, ctx);
  const narrow = type.t === 'lit' || (type.t === 'union' && type.of.every((one) => one.t === 'lit'));
  return constant && narrow ? type : widen(type);
}
