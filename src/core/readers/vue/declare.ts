/** Props and events as they are declared at run time, and by types. */
import type * as t from '@babel/types';
import type { PortFact } from '../../model/facts';
import { lit, prim, union, UNKNOWN, type TypeExpr } from '../../model/types';
import { inferFunction } from '../script/infer';
import { isFunction } from '../script/scope';
import { annotationOf, keyName, readType, typeArguments } from '../script/type-expr';
import { inferContext, spanOf, typeOf, unwrap, use, type Unit } from '../script/unit';
import { camel, eventPort } from './names';
import { declarePort, SETUP } from './unit';

const TYPES: Record<string, TypeExpr> = {
  String: prim('string'),
  Number: prim('number'),
  Boolean: prim('boolean'),
  Symbol: prim('symbol'),
  BigInt: prim('bigint'),
  Array: { t: 'array', of: UNKNOWN },
  Object: { t: 'object', members: [], open: true },
  Function: { t: 'fn', params: [{ name: 'args', type: UNKNOWN, rest: true }], returns: UNKNOWN },
};

/** `String`, `[String, Number]`, `Object as PropType<Cabin>`; undefined for `null`, which stands for anything. */
function runtimeType(u: Unit, node: t.Node): TypeExpr {
  if (node.type === 'TSAsExpression' || node.type === 'TSSatisfiesExpression') {
    const written = readType(node.typeAnnotation, u.file.named);
    // `Object as () => Cabin`, an older way to say the same.
    return node.typeAnnotation.type === 'TSFunctionType' ? { t: 'ret', of: written } : written;
  }
  const bare = unwrap(node);
  if (bare.type === 'Identifier') return bare.binding ? UNKNOWN : (TYPES[bare.name] ?? UNKNOWN);
  if (bare.type !== 'ArrayExpression' || !bare.elements.length) return UNKNOWN;
  return union(bare.elements.map((one) => (one ? runtimeType(u, one) : UNKNOWN)));
}

/** Whether a value of the type is cast from an attribute that is left out. */
const isCast = (type: TypeExpr): boolean =>
  (type.t === 'prim' && type.n === 'boolean') || (type.t === 'union' && type.of.some(isCast));

/** An absent boolean is `false`: the framework casts it. */
const castDefault = (at: t.Node): NonNullable<PortFact['default']> => ({
  kind: 'literal',
  type: lit(false),
  ...spanOf(at),
});

/** `props: { … }` and `defineProps({ … })`. Anything else than a literal leaves the interface open. */
export function declareProps(u: Unit, node: t.Node): void {
  const bare = constantOf(node);
  if (bare.type === 'ArrayExpression') {
    for (const element of bare.elements) {
      if (element?.type !== 'StringLiteral') u.facts.openProps = true;
      else
        declarePort(u, {
          name: camel(element.value),
          channel: 'prop',
          declared: 'list',
          ...spanOf(element),
        });
    }
    return;
  }
  if (bare.type !== 'ObjectExpression') {
    u.facts.openProps = true;
    return;
  }
  for (const property of bare.properties) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (property.type === 'SpreadElement' || name === undefined) {
      u.facts.openProps = true;
      continue;
    }
    const port: PortFact = { name: camel(name), channel: 'prop', declared: 'list', ...spanOf(property.key) };
    if (property.type === 'ObjectProperty') describe(u, port, property.value);
    declarePort(u, port);
  }
}

/** `String` or `{ type, required, default }`. */
function describe(u: Unit, port: PortFact, value: t.Node): void {
  const bare = unwrap(value);
  if (bare.type !== 'ObjectExpression') {
    port.type = runtimeType(u, value);
    if (bare.type === 'Identifier' && bare.binding) port.default = { kind: 'computed', ...spanOf(bare) };
    else if (isCast(port.type)) port.default = castDefault(value);
    return;
  }
  let known = true;
  let fallback: t.Node | undefined;
  for (const property of bare.properties) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (property.type === 'SpreadElement' || name === undefined) known = false;
    else if (name === 'default') fallback = property.type === 'ObjectMethod' ? property : property.value;
    else if (property.type !== 'ObjectProperty') continue;
    else if (name === 'type') port.type = runtimeType(u, property.value);
    else if (name === 'required') {
      const written = unwrap(property.value);
      if (written.type === 'BooleanLiteral') port.required = written.value;
    }
  }
  // What a spread brings may be a default, and may require it.
  if (!known) port.default = { kind: 'computed', ...spanOf(bare) };
  else if (fallback) port.default = defaultOf(u, port, fallback);
  else if (port.type && isCast(port.type) && !port.required) port.default = castDefault(value);
}

/** A function gives the default, unless a function is what the prop takes. */
function defaultOf(u: Unit, port: PortFact, node: t.Node): NonNullable<PortFact['default']> {
  const bare = unwrap(node);
  const span = node.type === 'ObjectMethod' ? spanOf(node.key) : spanOf(node);
  const isUndefined = bare.type === 'Identifier' && bare.name === 'undefined' && !bare.binding;
  const value = u.expr(node, SETUP);
  use(u, value, SETUP);
  // A name may stand for a function that makes the default.
  if (bare.type === 'Identifier' && !isUndefined) return { ...value, type: UNKNOWN, ...span };
  if (!isFunction(bare)) return { ...value, type: isUndefined ? lit(undefined) : typeOf(u, bare), ...span };
  const takesFunction = port.type === undefined || mayBeFunction(port.type);
  const type: TypeExpr = takesFunction ? UNKNOWN : returned(inferFunction(bare, inferContext(u)));
  return { kind: 'computed', type, ...span };
}

const returned = (type: TypeExpr): TypeExpr => (type.t === 'fn' ? type.returns : UNKNOWN);

/** What a name stands for is not known here. */
const mayBeFunction = (type: TypeExpr): boolean =>
  type.t === 'union' ? type.of.some(mayBeFunction) : !/^(prim|lit|array|tuple|object)$/.test(type.t);

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

/** The literal that a constant of the file holds, or the expression itself. */
export function constantOf(node: t.Node): t.Node {
  const bare = unwrap(node);
  const binding = bare.type === 'Identifier' ? bare.binding : undefined;
  if (binding?.kind !== 'const' || binding.node.type !== 'VariableDeclarator' || !binding.node.init)
    return bare;
  const init = unwrap(binding.node.init);
  return /^(Array|Object)Expression$/.test(init.type) ? init : bare;
}
