/** Vue's functions, as a dialect of plain code: set-up, composables, and options with `this`. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { lit, UNKNOWN, widen, type TypeExpr } from '../../model/types';
import { readFunction } from '../script/functions';
import { declarePattern } from '../script/patterns';
import { isFunction } from '../script/scope';
import { keyName, memberName, readType, typeArguments } from '../script/type-expr';
import {
  addNode,
  addSymbol,
  noteRead,
  propSymbol,
  spanOf,
  symbolOf,
  typeOf,
  unwrap,
  use,
  type Ctx,
  type Dialect,
  type Unit,
} from '../script/unit';
import { consume, provide } from './contexts';
import { declareEmits, declareEmitsByType, declareProps } from './declare';
import { readExposed } from './expose';
import { readH } from './h';
import { eventPort, type VueNames } from './names';
import { attrsSymbol, declarePort, eventSymbol, isVueUnit, raise, type VueUnit } from './unit';

type Call = t.CallExpression | t.OptionalCallExpression;

const EFFECTS =
  /^(watch|watchEffect|watchPostEffect|watchSyncEffect|on(Before)?(Mount|Update|Unmount)|on(Mounted|Updated|Unmounted|Activated|Deactivated|ErrorCaptured|ServerPrefetch|ScopeDispose)|nextTick)$/;

export function vueDialect(names: VueNames, typeNamed: (name: string) => t.Node | undefined): Dialect {
  const dialect: Dialect = {
    declare(u, pattern, init, ctx) {
      if (!isVueUnit(u)) return false;
      if (init.type === 'ThisExpression') return declareMembers(u, pattern);
      const own = names.call(init);
      if (own === undefined) return false;
      const call = init as t.CallExpression;
      switch (own) {
        case 'defineProps':
        case 'withDefaults':
          readProps(u, call, names);
          return declareBag(u, pattern, ctx);
        case 'defineEmits':
          readEmits(u, call, typeNamed);
          if (pattern.type === 'Identifier') declareEmitter(u, pattern);
          return true;
        case 'defineModel':
          return declareModel(u, pattern, call);
        case 'ref':
        case 'shallowRef':
        case 'customRef':
          return declareRef(u, pattern, call, ctx);
        case 'reactive':
        case 'shallowReactive':
          return declareReactive(u, pattern, call, ctx);
        case 'computed':
          return declareComputed(u, pattern, call, ctx);
        case 'useTemplateRef':
          return declareHandle(u, pattern, call);
        case 'toRef':
        case 'toRefs':
          return declareToRef(u, pattern, call, ctx);
        case 'inject':
          return pattern.type === 'Identifier' && consume(u, call, ctx, pattern) !== undefined;
        case 'useAttrs':
          if (pattern.type !== 'Identifier' || !pattern.binding) return false;
          u.refs.set(pattern.binding, attrsSymbol(u, spanOf(pattern)));
          return true;
        case 'useSlots':
          u.facts.openSlots = true;
          return false;
      }
      return false;
    },
    call(u, node, ctx) {
      if (!isVueUnit(u)) return undefined;
      const raised = emitted(u, node, ctx);
      if (raised) return raised;
      const own = names.call(node);
      if (own === undefined) return undefined;
      if (EFFECTS.test(own)) return readEffect(u, node, ctx, own);
      switch (own) {
        case 'defineProps':
        case 'withDefaults':
          readProps(u, node as t.CallExpression, names);
          return { kind: 'computed', ...spanOf(node) };
        case 'defineEmits':
          readEmits(u, node as t.CallExpression, typeNamed);
          return { kind: 'computed', ...spanOf(node) };
        case 'defineModel':
          readModel(u, node as t.CallExpression);
          return { kind: 'computed', ...spanOf(node) };
        case 'defineExpose':
          if (node.arguments[0]) readExposed(u, node.arguments[0], ctx);
          return { kind: 'computed', ...spanOf(node) };
        case 'defineOptions':
          if (node.arguments[0]) readNameAndAttributes(u, node.arguments[0]);
          return { kind: 'computed', ...spanOf(node) };
        case 'provide':
          return provide(u, node, ctx);
        case 'inject':
          return consume(u, node, ctx);
        case 'computed':
          return readComputed(u, node, ctx);
        case 'createApp':
          return u.facts.role === 'component' ? readMounted(u, node, ctx) : undefined;
        case 'useTemplateRef': {
          const [name] = node.arguments;
          if (name?.type !== 'StringLiteral') return undefined;
          return { kind: 'identity', symbol: handleSymbol(u, name.value, name), ...spanOf(node) };
        }
        case 'h':
          return readH(u, node, ctx);
        case 'useAttrs':
          return { kind: 'identity', symbol: attrsSymbol(u, spanOf(node)), ...spanOf(node) };
        case 'useSlots':
          u.facts.openSlots = true;
          return { kind: 'computed', ...spanOf(node) };
      }
      return undefined;
    },
    raised(u, node) {
      if (!isVueUnit(u) || !raises(u, node.callee)) return undefined;
      const [name, ...args] = node.arguments;
      if (name?.type !== 'StringLiteral') return undefined;
      return { symbol: eventSymbol(u, name.value, { start: name.start!, end: name.end! }), args };
    },
    self: (u, node, ctx) => (isVueUnit(u) ? readSelf(u, node, ctx) : undefined),
    assign(u, node, ctx) {
      if (!isVueUnit(u) || node.left.type !== 'MemberExpression') return false;
      const base = readSelf(u, node.left);
      const event = base?.symbol === undefined ? undefined : u.models.get(base.symbol);
      if (event === undefined) return false;
      const value = use(u, u.expr(node.right, ctx), ctx, 'emit');
      const symbol = eventSymbol(u, event, spanOf(node.left));
      u.facts.emits.push({
        symbol,
        event: eventPort(event),
        args: [value],
        fn: ctx.fn,
        guarded: true,
        how: 'called',
        ...spanOf(node),
      });
      return true;
    },
  };
  return dialect;
}

/** `createApp(Sheet)` in a component: a tree of its own, made while the page runs. */
function readMounted(u: VueUnit, node: Call, ctx: Ctx): ExprFact {
  const [first, ...rest] = node.arguments;
  const name = first && memberName(first);
  for (const arg of rest) use(u, u.expr(arg, ctx), ctx, 'argument');
  if (first && name !== undefined) {
    const at = spanOf(rest[0] ?? node);
    const index = addNode(
      u,
      { kind: 'site', tag: { name, ...spanOf(first) }, mounted: spanOf(node), ...spanOf(node) },
      ctx,
    );
    u.facts.render[index]!.parent = -1;
    if (rest.length)
      u.facts.render[index]!.attributes.push({
        name: '...',
        nameStart: at.start,
        nameEnd: at.end,
        mode: 'spread',
        value: { kind: 'computed', ...at },
        ...at,
      });
  }
  return { kind: 'computed', ...spanOf(node) };
}

/** `name` and `inheritAttrs`, in `defineOptions` and in options. */
export function readNameAndAttributes(u: VueUnit, node: t.Node): void {
  const bare = unwrap(node);
  if (bare.type !== 'ObjectExpression') return;
  for (const property of bare.properties) {
    if (property.type !== 'ObjectProperty') continue;
    const name = keyName(property);
    const value = unwrap(property.value);
    if (name === 'name' && value.type === 'StringLiteral') {
      u.facts.nameStart = value.start! + 1;
      u.facts.nameEnd = value.end! - 1;
    }
    if (name === 'inheritAttrs' && !(value.type === 'BooleanLiteral' && value.value))
      u.keepsAttributes = true;
  }
}

function readProps(u: VueUnit, call: t.CallExpression, names: VueNames): void {
  const [first, defaults] = call.arguments;
  if (names.call(call) === 'withDefaults') {
    if (first && names.call(first) === 'defineProps') readProps(u, first as t.CallExpression, names);
    if (defaults) readDefaults(u, defaults);
    return;
  }
  const [written] = typeArguments(call);
  if (written) u.facts.propsType = readType(written, u.file.named);
  else if (first) declareProps(u, first);
}

/** The second argument of `withDefaults`. */
function readDefaults(u: VueUnit, node: t.Node): void {
  const bare = unwrap(node);
  if (bare.type !== 'ObjectExpression') {
    u.facts.openDefaults = true;
    return;
  }
  const ctx: Ctx = { where: 'derivation', fn: -1 };
  for (const property of bare.properties) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (property.type === 'SpreadElement' || name === undefined) {
      u.facts.openDefaults = true;
      continue;
    }
    const value = property.type === 'ObjectMethod' ? property : property.value;
    const read = use(u, u.expr(value, ctx), ctx);
    const made = isFunction(unwrap(value));
    declarePort(u, {
      name,
      channel: 'prop',
      declared: 'default',
      ...spanOf(property.key),
      default: { ...read, ...(made ? {} : { type: typeOf(u, value) }), ...spanOf(value) },
    });
  }
}

function declareBag(u: VueUnit, pattern: t.LVal, ctx: Ctx): boolean {
  const binding = pattern.type === 'Identifier' ? pattern.binding : undefined;
  const name = pattern.type === 'Identifier' ? pattern.name : 'props';
  const bag = addSymbol(u, { name, kind: 'bag', ...spanOf(pattern) }, binding);
  if (pattern.type === 'ObjectPattern') {
    declarePattern(u, pattern, { kind: 'identity', symbol: bag, ...spanOf(pattern) }, ctx, {
      kind: 'derived',
    });
  }
  return true;
}

function readEmits(
  u: VueUnit,
  call: t.CallExpression,
  typeNamed: (name: string) => t.Node | undefined,
): void {
  if (call.arguments[0]) declareEmits(u, call.arguments[0]);
  else if (typeArguments(call).length) declareEmitsByType(u, call, typeNamed);
}

/** A name that raises events; handed to somebody, it may raise any. */
export function declareEmitter(u: VueUnit, id: t.Identifier): void {
  const symbol = addSymbol(u, { name: id.name, kind: 'module', ...spanOf(id) }, id.binding);
  u.emitters.add(symbol);
  if (id.binding?.uses.some((one) => !isCallee(u, one.id))) u.facts.openEmits = true;
}

/** Whether the name is called where it is used, as the text shows. */
const isCallee = (u: Unit, id: { end?: number | null }): boolean =>
  /^\s*(\?\.)?\s*\(/.test(u.file.text.slice(id.end!, id.end! + 40));

/** `emit('x')`, `this.$emit('x')`, `context.emit('x')`, `$emit('x')`. */
function emitted(u: VueUnit, node: Call, ctx: Ctx): ExprFact | undefined {
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
  let result: ExprFact | undefined;
  for (const name of names) {
    result = raise(u, name, spread ? [] : others, node, ctx, (arg) => given[others.indexOf(arg as never)]!);
    if (spread) u.facts.emits.at(-1)!.how = 'handed';
  }
  return result;
}

/** A text, or the texts that a condition chooses between. */
function literalNames(node: t.Node): t.StringLiteral[] | undefined {
  const bare = unwrap(node);
  if (bare.type === 'StringLiteral') return [bare];
  if (bare.type !== 'ConditionalExpression') return undefined;
  const [left, right] = [literalNames(bare.consequent), literalNames(bare.alternate)];
  return left && right ? [...left, ...right] : undefined;
}

function raises(u: VueUnit, callee: t.Node): boolean {
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

/** `this`, or a name that the code gave it. */
function isSelf(node: t.Node): boolean {
  const bare = unwrap(node);
  if (bare.type === 'ThisExpression') return true;
  const init =
    bare.type === 'Identifier' && bare.binding?.node.type === 'VariableDeclarator'
      ? bare.binding.node.init
      : undefined;
  return init?.type === 'ThisExpression';
}

/** `const { wind, unit } = this` */
function declareMembers(u: VueUnit, pattern: t.LVal): boolean {
  if (pattern.type !== 'ObjectPattern') return false;
  for (const property of pattern.properties) {
    const name = property.type === 'RestElement' ? undefined : keyName(property);
    if (property.type === 'RestElement' || name === undefined) {
      u.facts.openProps = true;
      continue;
    }
    const value = property.value.type === 'AssignmentPattern' ? property.value.left : property.value;
    const member = u.members.get(name);
    if (member === undefined) continue;
    if (value.type === 'Identifier' && value.binding) u.refs.set(value.binding, member);
    else noteRead(u, member, spanOf(property), { where: 'derivation', fn: -1 });
  }
  return true;
}

function declareRef(u: VueUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
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
  keep(u, pattern, init, whole, true);
  return true;
}

function keep(
  u: VueUnit,
  id: t.Identifier,
  init: ExprFact | undefined,
  type: TypeExpr,
  box: boolean,
): number {
  const symbol = addSymbol(
    u,
    {
      name: id.name,
      kind: 'state',
      ...spanOf(id),
      ...(init ? { init } : {}),
      ...(type.t === 'unknown' ? {} : { type }),
    },
    id.binding,
  );
  if (box) u.boxes.add(symbol);
  return symbol;
}

function declareReactive(u: VueUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  const [first] = call.arguments;
  if (pattern.type !== 'Identifier' || !first) return false;
  const init = use(u, u.expr(first, ctx), ctx);
  const [written] = typeArguments(call);
  const type = written ? readType(written, u.file.named) : widen(typeOf(u, first));
  keep(u, pattern, init, type, false);
  return true;
}

function readComputed(u: VueUnit, call: Call, ctx: Ctx): ExprFact {
  const [first] = call.arguments;
  if (!first) return { kind: 'computed', ...spanOf(call) };
  const bare = unwrap(first);
  const inner: Ctx = { ...ctx, where: 'derivation' };
  if (isFunction(bare)) return derived(call, readFunction(u, bare, inner, 'derivation'));
  if (bare.type === 'ObjectExpression') return derived(call, readPair(u, bare, inner));
  return { kind: 'computed', ...spanOf(call), uses: use(u, u.expr(first, inner), inner).uses ?? [] };
}

const derived = (at: t.Node, value: ExprFact | undefined): ExprFact => ({
  kind: 'computed',
  ...spanOf(at),
  uses: value?.uses ?? [],
});

/** `{ get() {…}, set(value) {…} }`: what is read belongs to the getter; the setter runs later. */
export function readPair(u: VueUnit, object: t.ObjectExpression, ctx: Ctx): ExprFact | undefined {
  let getter: ExprFact | undefined;
  for (const property of object.properties) {
    if (property.type === 'SpreadElement') continue;
    const fn = property.type === 'ObjectMethod' ? property : unwrap(property.value);
    const isGetter = keyName(property) === 'get';
    if (!isFunction(fn)) use(u, u.expr(fn, ctx), ctx);
    else if (isGetter) getter = readFunction(u, fn, ctx, 'derivation');
    else readFunction(u, fn, { ...ctx, where: 'handler' }, 'handler');
  }
  return getter;
}

/** The type of what a getter gives back. */
export function getterType(u: VueUnit, node: t.Node | undefined): TypeExpr {
  if (!node) return UNKNOWN;
  const bare = unwrap(node);
  if (isFunction(bare)) return { t: 'ret', of: typeOf(u, bare) };
  const getter =
    bare.type === 'ObjectExpression'
      ? bare.properties.find((one) => one.type !== 'SpreadElement' && keyName(one) === 'get')
      : undefined;
  if (getter?.type === 'ObjectProperty') return getterType(u, getter.value);
  return getter?.type === 'ObjectMethod' ? { t: 'ret', of: typeOf(u, getter) } : UNKNOWN;
}

function declareComputed(u: VueUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
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

function declareHandle(u: VueUnit, pattern: t.LVal, call: t.CallExpression): boolean {
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

/** `toRef(props, 'x')`, `toRefs(props)`: each is the prop itself. */
function declareToRef(u: VueUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  const [first, second] = call.arguments;
  const object = first && unwrap(first);
  const bag = object?.type === 'Identifier' ? symbolOf(u, object) : undefined;
  const isBag = bag !== undefined && u.facts.symbols[bag]!.kind === 'bag';
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

/** `defineModel('x', { … })`: a prop, and the event that asks for its change. */
function readModel(u: VueUnit, call: t.CallExpression): string {
  const [first, second] = call.arguments;
  const named = first?.type === 'StringLiteral';
  const name = named ? first.value : 'modelValue';
  const options = unwrap((named ? second : first) ?? call);
  const at = named ? spanOf(first) : spanOf(call.callee);
  const object: t.Node = {
    type: 'ObjectExpression',
    properties: [
      {
        type: 'ObjectProperty',
        key: { type: 'Identifier', name, ...at } as t.Identifier,
        value:
          options.type === 'ObjectExpression' ? options : ({ type: 'NullLiteral', ...at } as t.NullLiteral),
        computed: false,
        shorthand: false,
        ...at,
      } as t.ObjectProperty,
    ],
    ...at,
  } as t.ObjectExpression;
  declareProps(u, object);
  const [written] = typeArguments(call);
  const port = u.facts.ports.find((one) => one.name === name)!;
  if (written) port.type = readType(written, u.file.named);
  declarePort(u, {
    name: eventPort(`update:${name}`),
    channel: 'event',
    declared: 'list',
    ...at,
  });
  eventSymbol(u, `update:${name}`, at);
  return name;
}

function declareModel(u: VueUnit, pattern: t.LVal, call: t.CallExpression): boolean {
  const name = readModel(u, call);
  const id = pattern.type === 'ArrayPattern' ? pattern.elements[0] : pattern;
  if (id?.type !== 'Identifier') return pattern.type === 'ArrayPattern';
  const symbol = propSymbol(u, name, spanOf(id), 'list', id.name);
  if (id.binding) u.refs.set(id.binding, symbol);
  u.boxes.add(symbol);
  u.models.set(symbol, `update:${name}`);
  return true;
}

function readEffect(u: VueUnit, node: Call, ctx: Ctx, own: string): ExprFact {
  for (const [index, arg] of node.arguments.entries()) {
    const source = own === 'watch' && index === 0;
    const where = source ? 'effect' : own === 'nextTick' ? 'handler' : 'effect';
    use(u, u.expr(arg, { ...ctx, where }), ctx, 'effect');
  }
  return { kind: 'computed', ...spanOf(node) };
}

/** `.value` of a box, and the members of `this`. */
function readSelf(
  u: VueUnit,
  node: t.MemberExpression | t.OptionalMemberExpression,
  ctx?: Ctx,
): ExprFact | undefined {
  if (node.computed || node.property.type !== 'Identifier') return undefined;
  const { name } = node.property;
  const object = unwrap(node.object);
  if (isAttrs(u, object)) return { kind: 'computed', ...spanOf(node) };
  if (object.type === 'Identifier' && name === 'value') {
    const symbol = symbolOf(u, object);
    if (symbol === undefined) return undefined;
    if (u.facts.symbols[symbol]!.kind === 'ref' && u.facts.symbols[symbol]!.empty) {
      return handleRead(u, symbol, node, ctx);
    }
    return isBox(u, symbol) ? { kind: 'identity', symbol, ...spanOf(node) } : undefined;
  }
  if (isSelf(object)) return readMember(u, name, node);
  if (object.type === 'MemberExpression' && !object.computed && object.property.type === 'Identifier') {
    if (!isSelf(object.object)) return undefined;
    if (object.property.name === '$props') {
      return {
        kind: 'identity',
        symbol: propSymbol(u, name, spanOf(node.property), 'read'),
        ...spanOf(node),
      };
    }
    if (object.property.name === '$refs') {
      const symbol = handleSymbol(u, name, node.property);
      return handleRead(u, symbol, node, ctx);
    }
    if (object.property.name === '$slots' || object.property.name === '$scopedSlots')
      u.facts.openSlots = true;
  }
  return undefined;
}

/** `$attrs`, `this.$attrs`, or a name for them. */
function isAttrs(u: VueUnit, node: t.Node): boolean {
  if (node.type === 'Identifier') return u.attrs !== undefined && symbolOf(u, node) === u.attrs;
  return (
    node.type === 'MemberExpression' &&
    isSelf(node.object) &&
    node.property.type === 'Identifier' &&
    node.property.name === '$attrs'
  );
}

/** What is reached by a handle that the template attaches by name. */
export function handleSymbol(u: VueUnit, name: string, at: t.Node): number {
  const known = u.handles.get(name);
  if (known !== undefined && known >= 0) return known;
  const symbol = addSymbol(u, { name, kind: 'ref', empty: true, ...spanOf(at) });
  u.handles.set(name, symbol);
  return symbol;
}

function handleRead(
  u: VueUnit,
  symbol: number,
  node: t.MemberExpression | t.OptionalMemberExpression,
  ctx: Ctx | undefined,
): ExprFact {
  // The caller goes on with the members that follow; the read starts here.
  if (ctx) {
    noteRead(u, symbol, spanOf(node), ctx, ['current']);
    u.facts.reads.at(-1)!.ends = [node.property.end!];
  }
  return { kind: 'member', symbol, path: ['current'], ...spanOf(node) };
}

/** A box: made by the framework's own functions, or a part of what a composable gave back. */
function isBox(u: VueUnit, symbol: number): boolean {
  const fact = u.facts.symbols[symbol]!;
  return (
    u.boxes.has(symbol) ||
    fact.init?.from !== undefined ||
    fact.kind === 'injected' ||
    (fact.kind === 'param' && u.facts.role === 'helper')
  );
}

function readMember(
  u: VueUnit,
  name: string,
  node: t.MemberExpression | t.OptionalMemberExpression,
): ExprFact | undefined {
  const member = u.members.get(name);
  if (member !== undefined) return { kind: 'identity', symbol: member, ...spanOf(node) };
  if (name === '$attrs' || name === '$listeners')
    return { kind: 'identity', symbol: attrsSymbol(u, spanOf(node)), ...spanOf(node) };
  if (name === '$slots' || name === '$scopedSlots') u.facts.openSlots = true;
  if (name === '$emit') u.facts.openEmits = true;
  if (name === '$refs') u.openRefs = true;
  if (name === '$props') u.facts.openProps = true;
  return undefined;
}
