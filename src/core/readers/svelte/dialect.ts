/** Runes, dispatchers and contexts, as a dialect of plain code. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { keyId } from '../../model/keys';
import { type TypeExpr, UNKNOWN, widen } from '../../model/types';
import { type FieldKind, ownMember } from '../script/classes';
import { addConsume, addProvide, keyOf } from '../script/contexts';
import { resultByName } from '../script/by-name';
import { askedOnce } from '../script/invokes';
import { resultOf, workedOut } from '../script/results';
import { readFunction } from '../script/functions';
import { declareBag, declarePattern } from '../script/patterns';
import { raisePort } from '../script/ports';
import { isFunction, isOnlyCalled } from '../script/scope';
import { bindThis } from '../script/self';
import { annotationOf, keyName, memberName, readType, typeArguments } from '../script/type-expr';
import {
  addState,
  addSymbol,
  type Call,
  type Ctx,
  type Dialect,
  isModuleLevel,
  merged,
  noteRead,
  spanOf,
  symbolOf,
  typeOf,
  type Unit,
  unwrap,
  use,
  usesOf,
} from '../script/unit';
import { noteWrite } from '../script/writes';
import { addRoot } from './mount';
import { eventPort, FOLLOWED } from './names';
import { eventSymbol, isSvelteUnit, type SvelteUnit } from './unit';

/** The rune or function of Svelte's that a call calls. */
export function calledOwn(own: (local: string) => string | undefined, node: t.Node): string | undefined {
  if (node.type !== 'CallExpression' && node.type !== 'OptionalCallExpression') return undefined;
  const name = memberName(node.callee);
  if (name === undefined) return undefined;
  if (/^\$(state|derived|props|effect|bindable|inspect|host)\b/.test(name)) return name;
  return own(name);
}

const EFFECT = /^(\$effect|onMount|onDestroy|afterUpdate|beforeUpdate|tick|\$inspect)/;

export function svelteDialect(own: (local: string) => string | undefined): Dialect {
  return {
    follows: FOLLOWED,
    shares: true,
    holderMethods: PUTS,
    declare(u, pattern, init, ctx) {
      if (!isSvelteUnit(u)) return false;
      // A collection that tells when it changes is kept as a variable is.
      if (
        init.type === 'NewExpression' &&
        pattern.type === 'Identifier' &&
        own(memberName(init.callee) ?? '')
      ) {
        addState(u, pattern, use(u, u.expr(init, ctx), ctx), typeOf(u, init));
        return true;
      }
      const name = calledOwn(own, init);
      if (name === undefined) return false;
      const call = init as t.CallExpression;
      if (name === '$props') return declareProps(u, pattern, ctx);
      if (name === '$state' || name === '$state.raw') return declareState(u, pattern, call, ctx);
      if (name.startsWith('$derived')) {
        const value = readDerived(u, name, call, ctx);
        const [first] = call.arguments;
        const type = first
          ? name === '$derived.by'
            ? ({ t: 'ret', of: typeOf(u, first) } as const)
            : typeOf(u, first)
          : UNKNOWN;
        declarePattern(u, pattern, value, ctx, { kind: 'derived', type });
        return true;
      }
      if ((name === 'writable' || name === 'readable') && pattern.type === 'Identifier') {
        declareState(u, pattern, call, ctx);
        const store = symbolOf(u, pattern)!;
        u.facts.symbols[store]!.boxed = 'value';
        u.stores.add(store);
        return true;
      }
      if (name === 'writable' && pattern.type === 'ObjectPattern')
        return declareStoreParts(u, pattern, call, ctx);
      if (name === 'createBubbler' && pattern.type === 'Identifier') {
        u.bubblers.add(
          addSymbol(u, { name: pattern.name, kind: 'module', ...spanOf(pattern) }, pattern.binding),
        );
        return true;
      }
      if (name === 'createEventDispatcher' && pattern.type === 'Identifier') {
        declareDispatcher(u, pattern, call);
        return true;
      }
      if (name === 'getContext' && pattern.type === 'Identifier')
        return consume(u, call, ctx, pattern) !== undefined;
      return false;
    },
    call(u, node, ctx) {
      if (!isSvelteUnit(u)) return undefined;
      const raised = this.raised!(u, node);
      if (raised) return raise(u, node, raised, ctx);
      const handedUp = bubbled(u, node);
      if (handedUp) return handedUp;
      if (writesStore(u, node, ctx)) return { kind: 'computed', ...spanOf(node) };
      const method = methodOf(u, node, ctx);
      if (method) return method;
      const name = calledOwn(own, node);
      if (name === undefined) return undefined;
      // Whoever has the component itself may hand up any event of what it draws.
      if (name === 'get_current_component') u.facts.openEmits = true;
      if (EFFECT.test(name)) {
        for (const arg of node.arguments) use(u, u.expr(arg, { ...ctx, where: 'effect' }), ctx, 'effect');
        return { kind: 'computed', ...spanOf(node) };
      }
      if (name.startsWith('$derived')) return readDerived(u, name, node, ctx);
      const [first, ...others] = node.arguments;
      if (/^(get|untrack)$/.test(name) && first && !others.length) return askedOnce(u, first, node, ctx);
      if ((name === 'mount' || name === 'hydrate') && u.facts.role === 'component') {
        const [tag, options] = node.arguments;
        // A tree of its own, made while the page runs.
        const known = tag && addRoot(u, node, tag, -1, options, ctx);
        return known ? { kind: 'computed', ...spanOf(node) } : undefined;
      }
      if (name === 'setContext') return provide(u, node, ctx);
      if (name === 'getContext') return consume(u, node, ctx);
      if (name === 'hasContext') {
        // Asking whether there is one goes on without.
        const asked = consume(u, node, ctx);
        if (asked) {
          const own = u.facts.consumes.at(-1)!;
          own.missing = 'handled';
          u.asked.add(keyId(own.key));
        }
        return { kind: 'computed', ...spanOf(node) };
      }
      if (name === 'getAllContexts') u.facts.readsAllContexts = true;
      return undefined;
    },
    made(u, node, ctx) {
      const callee = unwrap(node.callee);
      const binding = callee.type === 'Identifier' ? callee.binding : undefined;
      // What bears another name than the file's own is a class of a module beside: `fleet.svelte.ts`.
      const isComponent =
        binding?.from?.endsWith('.svelte') && binding.node.type === 'ImportDefaultSpecifier';
      if (!isComponent || u.facts.role !== 'component') return undefined;
      const [options] = node.arguments;
      return addRoot(u, node, callee, -1, options, ctx) ? { kind: 'computed', ...spanOf(node) } : undefined;
    },
    raised(u, node) {
      if (!isSvelteUnit(u)) return undefined;
      const callee = unwrap(node.callee);
      const symbol = callee.type === 'Identifier' ? symbolOf(u, callee) : undefined;
      if (symbol === undefined || !u.dispatchers.has(symbol)) return undefined;
      const [name, ...args] = node.arguments;
      if (name?.type !== 'StringLiteral') {
        u.facts.openEmits = true;
        return undefined;
      }
      return { symbol: eventSymbol(u, name.value, { start: name.start!, end: name.end! }), args };
    },
    self: (u, node, ctx) => (isSvelteUnit(u) ? (readOwn(u, node) ?? readHandle(u, node, ctx)) : undefined),
    assign: () => false,
  };
}

/** `this.x` inside of a class. */
function readOwn(u: SvelteUnit, node: t.MemberExpression | t.OptionalMemberExpression): ExprFact | undefined {
  const name = u.members.size ? ownMember(node) : undefined;
  const symbol = name === undefined ? undefined : u.members.get(name);
  return symbol === undefined ? undefined : { kind: 'identity', symbol, ...spanOf(node) };
}

/** Fields that are runes: `open = $state(false)`, `count = $derived(this.cabins.length)`. */
export const runeField: FieldKind = (value) => {
  const name = calledOwn(() => undefined, value);
  if (name === undefined) return undefined;
  const call = value as t.CallExpression;
  if (name.startsWith('$derived'))
    return { kind: 'derived', read: (u, ctx) => readDerived(u, name, call, ctx) };
  if (!name.startsWith('$state')) return undefined;
  const [first] = call.arguments;
  return {
    kind: 'state',
    read: (u, ctx) => (first ? use(u, u.expr(first, ctx), ctx) : { kind: 'computed', ...spanOf(call) }),
  };
};

/** `gate.open()`: a handle is what it holds, without a box around it. */
function readHandle(
  u: SvelteUnit,
  node: t.MemberExpression | t.OptionalMemberExpression,
  ctx: Ctx | undefined,
): ExprFact | undefined {
  const object = unwrap(node.object);
  if (node.computed || object.type !== 'Identifier' || node.property.type !== 'Identifier') return undefined;
  const symbol = symbolOf(u, object);
  if (symbol === undefined || u.facts.symbols[symbol]!.kind !== 'ref') return undefined;
  const path = ['current', node.property.name];
  if (ctx) {
    noteRead(u, symbol, spanOf(node), ctx, path);
    const read = u.facts.reads.at(-1)!;
    read.ends = [object.end!, node.property.end!];
    if (node.type === 'OptionalMemberExpression') read.soft = true;
  }
  return { kind: 'member', symbol, path, ...spanOf(node) };
}

function raise(u: SvelteUnit, node: Call, raised: { symbol: number; args: t.Node[] }, ctx: Ctx): ExprFact {
  const args = raised.args.map((arg) => {
    const value = use(u, u.expr(arg, ctx), ctx, 'emit');
    value.type ??= typeOf(u, arg);
    return value;
  });
  // What is handed over arrives inside the page's own kind of event.
  const [value] = args;
  const at = spanOf(node);
  const event: ExprFact = value
    ? {
        kind: 'object',
        members: [{ name: 'detail', value, start: value.start, end: value.end }],
        open: true,
        uses: usesOf(value),
        type: value.type ? eventWith(value.type) : UNKNOWN,
        ...at,
      }
    : { kind: 'computed', type: UNKNOWN, ...at };
  raisePort(u, raised.symbol, [event], at, ctx.fn);
  return {
    kind: 'call',
    symbol: raised.symbol,
    ...spanOf(node),
    uses: args.flatMap((one) => one.uses ?? []),
  };
}

/** `let { a, b = 1, ...rest }: Props = $props()` */
function declareProps(u: SvelteUnit, pattern: t.LVal, ctx: Ctx): boolean {
  const annotation = annotationOf(pattern);
  if (annotation) u.facts.propsType = readType(annotation, u.file.named);
  const bound = pattern.type === 'ObjectPattern' ? unbindable(pattern) : undefined;
  declareBag(u, pattern, ctx);
  // Such a default is the framework's way to let it be bound.
  if (bound) for (const port of u.facts.ports) if (bound.has(port.name)) port.defaultIn = 'class';
  return true;
}

/** `value = $bindable(3)`: the default is what stands inside; with nothing inside it may be left out. */
function unbindable(pattern: t.ObjectPattern): Set<string> {
  const found = new Set<string>();
  for (const property of pattern.properties) {
    if (property.type === 'RestElement' || property.value.type !== 'AssignmentPattern') continue;
    const { right } = property.value;
    if (right.type !== 'CallExpression' || memberName(right.callee) !== '$bindable') continue;
    found.add(keyName(property) ?? '');
    const [inside] = right.arguments;
    property.value.right =
      inside && inside.type !== 'SpreadElement'
        ? (inside as t.Expression)
        : ({ type: 'Identifier', name: 'undefined', start: right.start, end: right.end } as t.Identifier);
  }
  return found;
}

function declareState(u: SvelteUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  if (pattern.type !== 'Identifier') return false;
  const [first] = call.arguments;
  const written = annotationOf(pattern) ?? typeArguments(call)[0];
  const type = written ? readType(written, u.file.named) : first ? widen(typeOf(u, first)) : UNKNOWN;
  bindThis(first, pattern);
  // Its methods may use it.
  const symbol = addState(u, pattern, undefined, type);
  if (first) u.facts.symbols[symbol]!.init = use(u, u.expr(first, ctx), ctx);
  return true;
}

/** `const { subscribe, set, update } = writable(0)`: what a store keeps, by what reads it and what writes it. */
function declareStoreParts(
  u: SvelteUnit,
  pattern: t.ObjectPattern,
  call: t.CallExpression,
  ctx: Ctx,
): boolean {
  const parts = pattern.properties.flatMap((one) =>
    one.type === 'ObjectProperty' && one.value.type === 'Identifier'
      ? [{ name: keyName(one), id: one.value }]
      : [],
  );
  if (parts.length < pattern.properties.length) return false;
  const [first] = call.arguments;
  const init = first ? use(u, u.expr(first, ctx), ctx) : undefined;
  const state = addSymbol(u, {
    name: 'store',
    kind: 'state',
    ...spanOf(pattern),
    ...(init ? { init } : {}),
  });
  for (const { name, id } of parts) {
    if (name === 'subscribe' && id.binding) u.refs.set(id.binding, state);
    else addSymbol(u, { name: id.name, kind: 'setter', of: state, ...spanOf(id) }, id.binding);
  }
  return true;
}

function readDerived(u: Unit, name: string, call: Call, ctx: Ctx): ExprFact {
  const [first] = call.arguments;
  if (!first) return { kind: 'computed', ...spanOf(call) };
  const inner: Ctx = { ...ctx, where: 'derivation' };
  const bare = unwrap(first);
  const value = isFunction(bare)
    ? workedOut(u, readFunction(u, bare, inner, 'derivation'))
    : ((name === '$derived.by' ? resultByName(u, bare, call, inner) : undefined) ??
      use(u, u.expr(bare, inner), inner));
  const gives = isFunction(bare) ? value.gives : [value];
  return { kind: 'computed', ...spanOf(call), ...merged(value), ...(gives ? { gives } : {}) };
}

/** `createEventDispatcher<{ hold: number }>()` declares; without a type it declares nothing. */
function declareDispatcher(u: SvelteUnit, id: t.Identifier, call: t.CallExpression): void {
  const symbol = addSymbol(u, { name: id.name, kind: 'module', ...spanOf(id) }, id.binding);
  u.dispatchers.add(symbol);
  if (id.binding && !isOnlyCalled(id.binding, u.file.text)) u.facts.openEmits = true;
  const [type] = typeArguments(call);
  if (type?.type !== 'TSTypeLiteral') return;
  for (const member of type.members) {
    if (member.type !== 'TSPropertySignature') continue;
    const name = keyName(member as { key: t.Node; computed?: boolean });
    if (name === undefined) continue;
    const detail = readType(annotationOf(member), u.file.named);
    const plain = detail.t === 'unknown' || (detail.t === 'prim' && detail.n === 'void');
    const params = [{ name: 'detail', type: plain ? UNKNOWN : eventWith(detail) }];
    u.facts.ports.push({
      name: eventPort(name),
      channel: 'event',
      declared: 'list',
      type: { t: 'fn', params, returns: UNKNOWN },
      ...spanOf(member.key),
    });
  }
}

/** What a listener gets: an event of the page with the payload in it. */
const eventWith = (detail: TypeExpr): TypeExpr => ({
  t: 'object',
  members: [{ name: 'detail', type: detail, start: -1, end: -1 }],
  open: true,
  ...(detail.t === 'lit' ? { fresh: true } : {}),
});

function provide(u: SvelteUnit, call: Call, ctx: Ctx): ExprFact {
  const [keyNode, valueNode] = call.arguments;
  const key = keyOf(keyNode);
  const value = valueNode ? use(u, u.expr(valueNode, ctx), ctx, 'provide') : undefined;
  if (value && valueNode) value.type ??= typeOf(u, valueNode);
  if (key !== undefined) addProvide(u, key, keyNode!, value, ctx, call);
  // It gives back what it was given.
  return value ? { ...value, ...spanOf(call) } : { kind: 'computed', ...spanOf(call) };
}

function consume(u: SvelteUnit, call: Call, ctx: Ctx, id?: t.Identifier): ExprFact | undefined {
  const key = keyOf(call.arguments[0]);
  if (key === undefined) return undefined;
  const [written] = typeArguments(call);
  return addConsume(u, key, spanOf(call), ctx, id, written ? readType(written, u.file.named) : UNKNOWN);
}

/** Methods of stores. */
const PUTS = /^(set|update)$/;

/** `wind.set(3)`, `wind.update((n) => n + 1)` of a store: a write to what it holds. */
function writesStore(u: SvelteUnit, call: Call, ctx: Ctx): boolean {
  const callee = unwrap(call.callee);
  if (callee.type !== 'MemberExpression' || !PUTS.test(memberName(callee.property) ?? '')) return false;
  const store = unwrap(callee.object);
  // With two arguments, what a context gives is rather a map.
  const isOne = isKeptHere(u, store) || (call.arguments.length === 1 && isConsumed(u, store));
  if (!isOne) return false;
  const own = store.type === 'Identifier' ? (symbolOf(u, store) ?? u.expr(store, ctx).uses?.[0]) : undefined;
  for (const arg of call.arguments) {
    // What an update is given is what the store holds, so that it may be changed there.
    const fn = unwrap(arg);
    const [held] = own !== undefined && isFunction(fn) ? fn.params : [];
    if (held?.type === 'Identifier' && held.binding) u.refs.set(held.binding, own!);
    const value = use(u, u.expr(arg, ctx), ctx);
    const gives = value.fn === undefined ? [] : (u.facts.functions[value.fn]!.gives ?? []);
    if (held && gives.length && gives.every(({ kind, symbol }) => kind === 'identity' && symbol === own))
      continue;
    // Of what works out what comes next, what it gives back is kept.
    const given = value.kind === 'function' ? { ...resultOf(u, value), fn: value.fn! } : value;
    noteWrite(u, store, given, call, ctx);
  }
  return true;
}

/**
 * `put(store)`, where `const put = (store) => (v) => store.set(v)` is a function of the module that makes a method for a
 * store: the method, in which its parameter is that store.
 */
function methodOf(u: SvelteUnit, { callee, arguments: args }: Call, ctx: Ctx): ExprFact | undefined {
  const stores = args.map((one) => (one.type === 'Identifier' ? symbolOf(u, one) : undefined));
  if (!stores.some((one) => one !== undefined && u.stores.has(one))) return undefined;
  const binding = callee.type === 'Identifier' ? callee.binding : undefined;
  const made = binding && isModuleLevel(binding) ? madeBy(binding.node) : undefined;
  if (!made) return undefined;
  made.params.forEach((param, i) => {
    const given = stores[i];
    if (param.type === 'Identifier' && param.binding && given !== undefined) u.refs.set(param.binding, given);
  });
  return u.expr(made.gives, ctx);
}

/** A function that does nothing but give back another one. */
function madeBy(node: t.Node): { params: t.Function['params']; gives: t.Expression } | undefined {
  const fn = unwrap(node.type === 'VariableDeclarator' ? (node.init ?? node) : node);
  if (!isFunction(fn)) return undefined;
  const [only, ...others] = fn.body.type === 'BlockStatement' ? fn.body.body : [];
  const gives =
    fn.body.type !== 'BlockStatement'
      ? fn.body
      : only?.type === 'ReturnStatement' && !others.length
        ? only.argument
        : undefined;
  return gives && isFunction(unwrap(gives)) ? { params: fn.params, gives } : undefined;
}

/** A variable that holds a store, or one of the module. */
function isKeptHere(u: SvelteUnit, node: t.Node): boolean {
  if (node.type !== 'Identifier' || !node.binding) return false;
  const symbol = symbolOf(u, node);
  const isState = symbol !== undefined && u.facts.symbols[symbol]!.kind === 'state';
  return isState || isModuleLevel(node.binding);
}

/** What a context gives, or a member of that: `const { wind } = getContext('line')`, `line.wind`. */
function isConsumed(u: SvelteUnit, node: t.Node): boolean {
  let root: t.Node = node;
  while (root.type === 'MemberExpression') root = unwrap(root.object);
  const symbol = root.type === 'Identifier' ? symbolOf(u, root) : undefined;
  const fact = symbol === undefined ? undefined : u.facts.symbols[symbol]!;
  const of = fact?.kind === 'derived' && fact.init?.kind === 'member' ? fact.init.symbol! : symbol;
  return of !== undefined && u.facts.symbols[of]!.kind === 'injected';
}

/** `bubble('hold')`, where an older listener without a value was rewritten: the event of that name is handed up. */
function bubbled(u: SvelteUnit, call: Call): ExprFact | undefined {
  const callee = unwrap(call.callee);
  const symbol = callee.type === 'Identifier' ? symbolOf(u, callee) : undefined;
  if (symbol === undefined || !u.bubblers.has(symbol)) return undefined;
  const [name] = call.arguments;
  if (name?.type === 'StringLiteral') {
    return { kind: 'identity', symbol: eventSymbol(u, name.value, spanOf(name)), ...spanOf(call) };
  }
  u.facts.openEmits = true;
  return { kind: 'computed', ...spanOf(call) };
}
