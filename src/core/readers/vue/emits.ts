/** Events of a component: which it declares, and where it raises them. */
import type * as t from '@babel/types';
import type { ExprFact, PortFact } from '../../model/facts';
import { type TypeExpr, UNKNOWN } from '../../model/types';
import { inferFunction } from '../script/infer';
import { raisePort } from '../script/ports';
import { isFunction, isOnlyCalled } from '../script/scope';
import { annotationOf, keyName, readType, typeArguments } from '../script/type-expr';
import {
  addSymbol,
  type Call,
  type Ctx,
  inferContext,
  spanOf,
  symbolOf,
  typeOf,
  type Unit,
  unwrap,
  use,
} from '../script/unit';
import { eventPort, isSelf } from './names';
import { constantOf } from './props';
import { declarePort, eventSymbol, type VueUnit } from './unit';

/** A name that raises events; handed to somebody, it may raise any. */
export function declareEmitter(u: VueUnit, id: t.Identifier): void {
  const symbol = addSymbol(u, { name: id.name, kind: 'module', raises: [], ...spanOf(id) }, id.binding);
  u.emitters.add(symbol);
  if (id.binding && !isOnlyCalled(id.binding, u.file.text)) u.facts.openEmits = true;
}

/** `emit('x')`, `this.$emit('x')`, `context.emit('x')`, `$emit('x')`. */
export function emitted(u: VueUnit, node: Call, ctx: Ctx): ExprFact | undefined {
  if (!raises(u, node.callee)) return undefined;
  const [first, ...others] = node.arguments;
  const names = first ? literalNames(first) : undefined;
  const readArg = (arg: t.Node): ExprFact => {
    const value = use(u, u.expr(arg.type === 'SpreadElement' ? arg.argument : arg, ctx), ctx, 'emit');
    value.type ??= arg.type === 'SpreadElement' ? UNKNOWN : typeOf(u, arg);
    return value;
  };
  if (!names) {
    u.facts.openEmits = true;
    for (const arg of node.arguments) readArg(arg);
    return { kind: 'computed', ...spanOf(node) };
  }
  const spread = others.some((one) => one.type === 'SpreadElement');
  const given = others.map(readArg);
  const raised = names.map((name) => eventSymbol(u, name.value, spanOf(name)));
  for (const symbol of raised)
    raisePort(u, symbol, spread ? [] : given, spanOf(node), ctx.fn, spread ? 'handed' : 'called');
  return { kind: 'call', symbol: raised.at(-1)!, ...spanOf(node) };
}

/** A text, or the texts that a condition chooses between. */
function literalNames(node: t.Node): t.StringLiteral[] | undefined {
  const bare = unwrap(node);
  if (bare.type === 'StringLiteral') return [bare];
  if (bare.type !== 'ConditionalExpression') return undefined;
  const [left, right] = [literalNames(bare.consequent), literalNames(bare.alternate)];
  return left && right ? [...left, ...right] : undefined;
}

export function raises(u: VueUnit, callee: t.Node): boolean {
  const bare = unwrap(callee);
  if (bare.type === 'Identifier') {
    const symbol = symbolOf(u, bare);
    return symbol !== undefined ? u.emitters.has(symbol) : bare.name === '$emit' && !bare.binding;
  }
  if (bare.type !== 'MemberExpression' && bare.type !== 'OptionalMemberExpression') return false;
  if (bare.computed || bare.property.type !== 'Identifier') return false;
  if (bare.property.name === '$emit') return isSelf(bare.object);
  if (bare.property.name !== 'emit') return false;
  const object = unwrap(bare.object);
  const symbol = object.type === 'Identifier' ? symbolOf(u, object) : undefined;
  return symbol !== undefined && u.facts.symbols[symbol]!.name === '#context';
}

/** `emits: […]`, `emits: { … }`, `defineEmits(…)`. Validators say what the payload is. */
export function declareEmits(u: Unit, node: t.Node): void {
  const bare = constantOf(node);
  const add = (name: string, at: t.Node, type?: TypeExpr) =>
    declarePort(u, {
      name: eventPort(name),
      channel: 'event',
      declared: 'list',
      ...(type ? { type } : {}),
      ...spanOf(at),
    });
  if (bare.type === 'ArrayExpression') {
    for (const element of bare.elements) {
      if (element?.type === 'StringLiteral') add(element.value, element);
      else u.facts.openEmits = true;
    }
  } else if (bare.type === 'ObjectExpression') {
    for (const property of bare.properties) {
      const name = property.type === 'SpreadElement' ? undefined : keyName(property);
      if (property.type === 'SpreadElement' || name === undefined) u.facts.openEmits = true;
      else add(name, property.key, validatorType(u, property));
    }
  } else u.facts.openEmits = true;
}

function validatorType(u: Unit, property: t.ObjectMethod | t.ObjectProperty): TypeExpr | undefined {
  const fn = property.type === 'ObjectMethod' ? property : unwrap(property.value);
  if (!isFunction(fn) || !fn.params.length || !fn.params.some((one) => annotationOf(one))) return undefined;
  const type = inferFunction(fn, inferContext(u));
  return type.t === 'fn' ? { ...type, returns: UNKNOWN } : undefined;
}

/** `defineEmits<…>()`: call signatures, or members with tuples. A named type from elsewhere leaves it open. */
export function declareEmitsByType(
  u: Unit,
  call: t.CallExpression,
  typeNamed: (name: string) => t.Node | undefined,
): void {
  const look = (node: t.Node | undefined): void => {
    if (node?.type === 'TSFunctionType') {
      signature(u, node);
      return;
    }
    const members =
      node?.type === 'TSTypeLiteral'
        ? node.members
        : node?.type === 'TSInterfaceDeclaration' && !node.extends?.length
          ? node.body.body
          : undefined;
    if (!members) {
      const name =
        node?.type === 'TSTypeReference' && node.typeName.type === 'Identifier'
          ? node.typeName.name
          : undefined;
      const found = name === undefined ? undefined : typeNamed(name);
      if (found) look(found.type === 'TSTypeAliasDeclaration' ? found.typeAnnotation : found);
      else u.facts.openEmits = true;
      return;
    }
    for (const member of members) {
      if (member.type === 'TSCallSignatureDeclaration') signature(u, member);
      else if (member.type === 'TSPropertySignature' || member.type === 'TSMethodSignature') {
        const name = keyName(member as { key: t.Node; computed?: boolean });
        if (name === undefined) u.facts.openEmits = true;
        else
          declarePort(u, {
            name: eventPort(name),
            channel: 'event',
            declared: 'list',
            ...payloadOf(u, member),
            ...spanOf(member.key),
          });
      }
    }
  };
  look(typeArguments(call)[0]);
}

/** `change: [id: number]` or `change: (id: number) => void`. */
function payloadOf(u: Unit, member: t.TSPropertySignature | t.TSMethodSignature): Pick<PortFact, 'type'> {
  if (member.type !== 'TSPropertySignature') return {};
  const type = annotationOf(member);
  if (type?.type === 'TSFunctionType') return { type: { ...asFunction(readType(type, u.file.named)) } };
  if (type?.type !== 'TSTupleType') return {};
  const params = type.elementTypes.map((one, i) => {
    const named = one.type === 'TSNamedTupleMember';
    const inner = named ? one.elementType : one;
    const optional = (named && one.optional === true) || inner.type === 'TSOptionalType';
    const rest = inner.type === 'TSRestType';
    return {
      name: named ? one.label.name : `payload${i}`,
      type: rest || inner.type === 'TSOptionalType' ? UNKNOWN : readType(inner, u.file.named),
      ...(optional ? { optional } : {}),
      ...(rest ? { rest } : {}),
    };
  });
  return { type: { t: 'fn', params, returns: UNKNOWN } };
}

const asFunction = (type: TypeExpr): TypeExpr => (type.t === 'fn' ? { ...type, returns: UNKNOWN } : UNKNOWN);

/** `(e: 'change' | 'input', id: number): void` */
function signature(u: Unit, node: t.TSCallSignatureDeclaration | t.TSFunctionType): void {
  const [first, ...others] = node.parameters ?? (node as unknown as { params: t.Node[] }).params;
  const names = first ? annotationOf(first) : undefined;
  const literals = names?.type === 'TSUnionType' ? names.types : names ? [names] : [];
  const params = others.map((one) => {
    const rest = one.type === 'RestElement';
    const optional = one.type === 'Identifier' && one.optional === true;
    return {
      name: one.type === 'Identifier' ? one.name : 'payload',
      type: rest ? UNKNOWN : readType(annotationOf(one), u.file.named),
      ...(optional ? { optional } : {}),
      ...(rest ? { rest } : {}),
    };
  });
  if (!literals.length) u.facts.openEmits = true;
  for (const one of literals) {
    if (one.type !== 'TSLiteralType' || one.literal.type !== 'StringLiteral') u.facts.openEmits = true;
    else
      declarePort(u, {
        name: eventPort(one.literal.value),
        channel: 'event',
        declared: 'list',
        type: { t: 'fn', params, returns: UNKNOWN },
        ...spanOf(one.literal),
      });
  }
}
