/** Props as they are declared at run time. */
import type * as t from '@babel/types';
import type { PortFact } from '../../model/facts';
import { lit, prim, type TypeExpr, union, UNKNOWN } from '../../model/types';
import { inferFunction } from '../script/infer';
import { isFunction } from '../script/scope';
import { keyName, memberName, readType } from '../script/type-expr';
import { inferContext, SETUP, spanOf, typeOf, type Unit, unwrap, use } from '../script/unit';
import { camel } from './names';
import { declarePort } from './unit';

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

/** An absent boolean is `false`: the framework casts it, and nobody writes that. */
const castDefault = (at: t.Node): NonNullable<PortFact['default']> => {
  const { end } = spanOf(at);
  return { kind: 'literal', type: lit(false), start: end, end };
};

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
    takeTable(u, bare);
    return;
  }
  for (const property of bare.properties) {
    if (property.type === 'SpreadElement') {
      declareProps(u, property.argument);
      continue;
    }
    const name = keyName(property);
    if (name === undefined) {
      u.facts.openProps = true;
      continue;
    }
    const port: PortFact = { name: camel(name), channel: 'prop', declared: 'list', ...spanOf(property.key) };
    if (property.type === 'ObjectProperty') describe(u, port, property.value);
    declarePort(u, port);
  }
}

/** `props: shared`, `...shared`: what such a table of another file holds is known when files are linked. */
function takeTable(u: Unit, node: t.Node): void {
  const name = memberName(node);
  if (name === undefined) u.facts.openProps = true;
  else (u.facts.tables ??= []).push(name);
}

/** Whether an object declares props: each member says how one is, and one at least says it beyond doubt. */
export function isPropsTable({ properties }: t.ObjectExpression): boolean {
  const values = properties.flatMap((one) =>
    one.type === 'ObjectProperty' && keyName(one) !== undefined ? [one.value] : [],
  );
  const spreads = properties.filter((one) => one.type === 'SpreadElement');
  return (
    values.length + spreads.length === properties.length &&
    values.every((one) => isDescription(one)) &&
    values.some((one) => isDescription(one, true))
  );
}

const MEMBERS = new Set(['type', 'required', 'default', 'validator', 'skipCheck']);

function isDescription(node: t.Node, surely = false): boolean {
  const bare = unwrap(node);
  if (isRuntimeType(bare)) return true;
  // What a name stands for may say it.
  if (/^(Identifier|MemberExpression|CallExpression|NullLiteral)$/.test(bare.type)) return !surely;
  if (bare.type !== 'ObjectExpression' || !bare.properties.length) return false;
  const keys = bare.properties.map((one) => (one.type === 'SpreadElement' ? 'type' : (keyName(one) ?? '')));
  const type = bare.properties.find((one) => one.type === 'ObjectProperty' && keyName(one) === 'type');
  const isTyped = type?.type === 'ObjectProperty' && isRuntimeType(unwrap(type.value));
  return keys.every((key) => MEMBERS.has(key)) && (isTyped || !surely);
}

const isRuntimeType = (node: t.Node): boolean =>
  node.type === 'ArrayExpression'
    ? node.elements.length > 0 && node.elements.every((one) => one !== null && isRuntimeType(unwrap(one)))
    : node.type === 'Identifier' && !node.binding && node.name in TYPES;

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

/** The literal that a constant of the file holds, or the expression itself. */
export function constantOf(node: t.Node): t.Node {
  const bare = unwrap(node);
  const binding = bare.type === 'Identifier' ? bare.binding : undefined;
  if (binding?.kind !== 'const' || binding.node.type !== 'VariableDeclarator' || !binding.node.init)
    return bare;
  const init = unwrap(binding.node.init);
  return /^(Array|Object)Expression$/.test(init.type) ? init : bare;
}
