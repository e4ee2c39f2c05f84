/** What a component keeps and derives: refs, reactive objects, computed values, handles. */
import type * as t from '@babel/types';
import type { ExprFact, Span } from '../../model/facts';
import { lit, type TypeExpr, UNKNOWN, widen } from '../../model/types';
import { resultByName } from '../script/by-name';
import { metadata, textOf } from '../script/decorators';
import { workedOut } from '../script/results';
import { readFunction } from '../script/functions';
import { declarePattern } from '../script/patterns';
import { type Binding, isFunction } from '../script/scope';
import { bindThis } from '../script/self';
import { keyName, readType, typeArguments } from '../script/type-expr';
import {
  addState,
  addSymbol,
  type Call,
  type Ctx,
  merged,
  propSymbol,
  spanOf,
  symbolOf,
  typeOf,
  unwrap,
  use,
} from '../script/unit';
import type { VueUnit } from './unit';

/** `ref(0)`; an empty one whose name the template attaches is a handle. */
export function declareRef(u: VueUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  if (pattern.type !== 'Identifier') return false;
  const [first] = call.arguments;
  const init = first ? use(u, u.expr(first, ctx), ctx) : undefined;
  const empty =
    !first || first.type === 'NullLiteral' || (first.type === 'Identifier' && first.name === 'undefined');
  if (empty && u.handles.has(pattern.name)) {
    const symbol = addSymbol(
      u,
      { name: pattern.name, kind: 'ref', empty: true, ...spanOf(pattern) },
      pattern.binding,
    );
    u.handles.set(pattern.name, symbol);
    return true;
  }
  const [written] = typeArguments(call);
  const type = written ? readType(written, u.file.named) : first ? widen(typeOf(u, first)) : UNKNOWN;
  // Without a first value it starts as undefined.
  const whole: TypeExpr = written && !first ? { t: 'union', of: [type, lit(undefined)] } : type;
  u.boxes.add(addState(u, pattern, init, whole));
  return true;
}

export function declareReactive(u: VueUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  const [first] = call.arguments;
  if (pattern.type !== 'Identifier' || !first) return false;
  const [written] = typeArguments(call);
  const type = written ? readType(written, u.file.named) : widen(typeOf(u, first));
  bindThis(first, pattern);
  // Its methods may use it.
  const symbol = addState(u, pattern, undefined, type);
  u.facts.symbols[symbol]!.init = use(u, u.expr(first, ctx), ctx);
  return true;
}

export function readComputed(u: VueUnit, call: Call, ctx: Ctx): ExprFact {
  const [first] = call.arguments;
  if (!first) return { kind: 'computed', ...spanOf(call) };
  const inner: Ctx = { ...ctx, where: 'derivation' };
  const bare = unwrap(first);
  const found = derivedBy(u, bare, call, ctx) ?? derivedByName(u, bare, call, inner);
  if (found) return found;
  return { kind: 'computed', ...spanOf(call), uses: use(u, u.expr(first, inner), inner).uses ?? [] };
}

const derived = (at: t.Node, value: ExprFact | undefined): ExprFact => ({
  kind: 'computed',
  ...spanOf(at),
  uses: value?.uses ?? [],
  ...(value?.gives ? { gives: value.gives } : {}),
  ...(value?.sets === undefined ? {} : { sets: value.sets }),
});

function derivedByName(u: VueUnit, node: t.Node, call: Call, ctx: Ctx): ExprFact | undefined {
  const given = resultByName(u, node, call, ctx);
  return given && { kind: 'computed', ...spanOf(call), ...merged(given), gives: [given] };
}

/** A value that a function works out, or a pair of a getter and a setter. */
export function derivedBy(u: VueUnit, node: t.Node, at: t.Node, ctx: Ctx): ExprFact | undefined {
  const inner: Ctx = { ...ctx, where: 'derivation' };
  if (isFunction(node)) return derived(at, workedOut(u, readFunction(u, node, inner, 'derivation')));
  return node.type === 'ObjectExpression' ? derived(at, readPair(u, node, inner)) : undefined;
}

/** `{ get() {…}, set(value) {…} }`: what is read belongs to the getter; the setter runs later. */
function readPair(u: VueUnit, object: t.ObjectExpression, ctx: Ctx): ExprFact | undefined {
  let getter: ExprFact | undefined;
  let sets: number | undefined;
  for (const property of object.properties) {
    if (property.type === 'SpreadElement') continue;
    const fn = property.type === 'ObjectMethod' ? property : unwrap(property.value);
    const isGetter = keyName(property) === 'get';
    if (!isFunction(fn)) use(u, u.expr(fn, ctx), ctx);
    else if (isGetter) getter = workedOut(u, readFunction(u, fn, ctx, 'derivation'));
    else sets = readFunction(u, fn, { ...ctx, where: 'handler' }, 'handler').fn;
  }
  return getter && { ...getter, ...(sets === undefined ? {} : { sets }) };
}

/** What is written to a value with a setter is what that is called with. */
export function settleSetters({ facts }: VueUnit): void {
  for (const { symbol, path, value } of facts.writes) {
    const sets = facts.symbols[symbol]!.init?.sets;
    if (sets !== undefined && value && !path?.length) (facts.functions[sets]!.given ??= []).push([value]);
  }
}

/** The type of what a getter gives back. */
export function getterType(u: VueUnit, node: t.Node | undefined): TypeExpr {
  if (!node) return UNKNOWN;
  const bare = unwrap(node);
  if (isFunction(bare) || bare.type === 'Identifier') return { t: 'ret', of: typeOf(u, bare) };
  const getter =
    bare.type === 'ObjectExpression'
      ? bare.properties.find((one) => one.type !== 'SpreadElement' && keyName(one) === 'get')
      : undefined;
  if (getter?.type === 'ObjectProperty') return getterType(u, getter.value);
  return getter?.type === 'ObjectMethod' ? { t: 'ret', of: typeOf(u, getter) } : UNKNOWN;
}

export function declareComputed(u: VueUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  if (pattern.type !== 'Identifier') return false;
  const init = readComputed(u, call, ctx);
  const [written] = typeArguments(call);
  const type = written ? readType(written, u.file.named) : getterType(u, call.arguments[0]);
  const symbol = addSymbol(
    u,
    { name: pattern.name, kind: 'derived', ...spanOf(pattern), init, type, stable: true },
    pattern.binding,
  );
  u.boxes.add(symbol);
  return true;
}

export function declareHandle(u: VueUnit, pattern: t.LVal, call: t.CallExpression): boolean {
  const [name] = call.arguments;
  if (pattern.type !== 'Identifier' || name?.type !== 'StringLiteral') return false;
  const symbol = addSymbol(
    u,
    { name: pattern.name, kind: 'ref', empty: true, ...spanOf(pattern) },
    pattern.binding,
  );
  u.handles.set(name.value, symbol);
  return true;
}

/** The props that the first argument of a call is. */
function bagOf(u: VueUnit, { arguments: [first] }: Call): number | undefined {
  const object = first && unwrap(first);
  const symbol = object?.type === 'Identifier' ? symbolOf(u, object) : undefined;
  return symbol !== undefined && u.facts.symbols[symbol]!.kind === 'bag' ? symbol : undefined;
}

/** The same where it is handed on: `useInfo(toRef(props, 'no'))`. */
export function readToRef(u: VueUnit, call: Call): ExprFact | undefined {
  const [, second] = call.arguments;
  const bag = bagOf(u, call);
  if (bag === undefined || second?.type !== 'StringLiteral') return undefined;
  const symbol = propSymbol(u, second.value, spanOf(second), 'read');
  return { kind: 'identity', symbol, type: { t: 'sym', s: symbol }, ...spanOf(call) };
}

/** `toRef(props, 'x')`, `toRefs(props)`: each is the prop itself. */
export function declareToRef(u: VueUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  const [first, second] = call.arguments;
  const object = first && unwrap(first);
  const bag = bagOf(u, call);
  const isBag = bag !== undefined;
  if (isBag && second?.type === 'StringLiteral' && pattern.type === 'Identifier' && pattern.binding) {
    const symbol = propSymbol(u, second.value, spanOf(second), 'read');
    u.refs.set(pattern.binding, symbol);
    u.boxes.add(symbol);
    return true;
  }
  if (isBag && !second && pattern.type === 'ObjectPattern') {
    const before = new Set(u.refs.values());
    declarePattern(u, pattern, { kind: 'identity', symbol: bag, ...spanOf(pattern) }, ctx, {
      kind: 'derived',
    });
    for (const symbol of u.refs.values()) if (!before.has(symbol)) u.boxes.add(symbol);
    return true;
  }
  const getter = object && isFunction(object) && pattern.type === 'Identifier';
  if (getter) {
    const init = derived(call, readFunction(u, object, { ...ctx, where: 'derivation' }, 'derivation'));
    u.boxes.add(
      addSymbol(u, { name: pattern.name, kind: 'derived', ...spanOf(pattern), init }, pattern.binding),
    );
    return true;
  }
  return false;
}

/** Functions of packages that make a value of a prop and the event that asks for its change, by the names that they export. */
const MODELS = /^useVModels?$/;

/** Whether a call makes such values; a build may bring the functions into scope without an import. */
export function makesModels({ callee }: t.CallExpression): boolean {
  if (callee.type !== 'Identifier') return false;
  const { binding } = callee;
  if (!binding) return MODELS.test(callee.name);
  return (
    binding.kind === 'import' && /^@vueuse\//.test(binding.from ?? '') && MODELS.test(importedName(binding))
  );
}

const importedName = ({ node, name }: Binding): string =>
  node.type === 'ImportSpecifier' && node.imported.type === 'Identifier' ? node.imported.name : name;

/** `useVModel(props, 'x', emit)`, `const { x, y } = useVModels(props, emit)`: what is written to it is raised. */
export function declareVModel(u: VueUnit, pattern: t.LVal, call: t.CallExpression): boolean {
  if (bagOf(u, call) === undefined) return false;
  const [, key, , options] = call.arguments;
  if (pattern.type === 'Identifier') {
    if (key?.type !== 'StringLiteral') return false;
    const named = metadata(options).get('eventName');
    const event = textOf(named);
    // Under a name that is worked out, nobody knows what is raised.
    if (named && event === undefined) return false;
    addModel(u, pattern, key.value, spanOf(key), event);
    return true;
  }
  if (pattern.type !== 'ObjectPattern') return false;
  for (const one of pattern.properties) {
    const name = one.type === 'ObjectProperty' ? keyName(one) : undefined;
    if (one.type === 'ObjectProperty' && one.value.type === 'Identifier' && name !== undefined)
      addModel(u, one.value, name, spanOf(one.key));
  }
  return true;
}

/** A name for a prop that raises an event where it is written to. */
function addModel(u: VueUnit, id: t.Identifier, prop: string, at: Span, event = `update:${prop}`): void {
  const symbol = propSymbol(u, prop, at, 'read', id.name);
  if (id.binding) u.refs.set(id.binding, symbol);
  u.boxes.add(symbol);
  u.models.set(symbol, event);
}
