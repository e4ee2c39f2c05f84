/** What is written: assignments, and methods that change what they are called on. */
import type * as t from '@babel/types';
import { ANY_MEMBER } from '../../model/code';
import type { ExprFact } from '../../model/facts';
import { fillsCollection } from './collections';
import { byName, memberKey } from './constants';
import { resultOf } from './results';
import { memberName } from './type-expr';
import {
  isHeld,
  isOfStore,
  meaningOf,
  type Ctx,
  isModuleLevel,
  merged,
  spanOf,
  symbolOf,
  type Unit,
  unwrap,
  use,
} from './unit';
import { eachChild } from './walk';

/** Methods that change the list that they are called on. */
const MUTATORS = new Set([
  'push',
  'pop',
  'shift',
  'unshift',
  'splice',
  'sort',
  'reverse',
  'fill',
  'copyWithin',
]);

const isMutator = ({ dialect }: Unit, name: string): boolean => (dialect.mutators ?? MUTATORS).has(name);

/** `list.push(x)`: a write to what is reachable through the symbol. */
export function noteMutation(
  u: Unit,
  node: t.Node,
  callee: ExprFact,
  at: t.Node,
  ctx: Ctx,
  args: ExprFact[] = [],
): void {
  if (node.type !== 'MemberExpression' && node.type !== 'OptionalMemberExpression') return;
  const [target, ...sources] = args;
  if (memberName(node) === 'Object.assign' && (target?.kind === 'identity' || target?.kind === 'member')) {
    if (!sources.length) noteMembers(u, target, undefined, at, ctx);
    for (const one of sources) noteMembers(u, target, one, at, ctx);
    return;
  }
  if (node.computed || node.property.type !== 'Identifier') return;
  const method = node.property.name;
  if (u.dialect.holderMethods?.test(method)) noteHeld(u, callee, args, at, ctx);
  if (!isMutator(u, method) && !fillsCollection(node.object, method, args.length)) return;
  const given = merged(...args);
  const value: ExprFact | undefined =
    given.uses || given.calls || given.asks
      ? {
          kind: 'computed',
          ...given,
          ...spanOf(at),
          ...(ADDS.test(method) && !args.some(holdsFunctions) ? addedBy(at, args) : {}),
        }
      : undefined;
  if (callee.symbol === undefined && callee.component && u.dialect.shares)
    noteShared(u, node.object, value, at, ctx);
  if (callee.symbol === undefined || callee.kind !== 'member') return;
  const path = callee.path!.slice(0, -1);
  // A list that the component keeps itself is one, whatever its name.
  const opensPage =
    u.facts.symbols[callee.symbol]!.kind !== 'state' &&
    node.property.name === 'push' &&
    NAVIGATES.test(lastName(node.object) ?? '');
  u.facts.writes.push({
    symbol: callee.symbol,
    ...(path.length ? { path } : {}),
    ...(value && !opensPage ? { value } : {}),
    ...(isOfHeld(node) ? { held: 'surely' as const } : {}),
    through: { method: node.property.name },
    where: ctx.where,
    fn: ctx.fn,
    ...spanOf(at),
  });
}

/** `wind.set(3)` of what was handed in: if that is a store, what it holds is written. */
function noteHeld(
  u: Unit,
  { kind, symbol, path = [] }: ExprFact,
  args: ExprFact[],
  at: t.Node,
  ctx: Ctx,
): void {
  const [given, ...others] = args;
  if (!given || others.length || kind !== 'member' || symbol === undefined) return;
  if (u.facts.symbols[symbol]!.kind !== 'prop') return;
  const to = path.slice(0, -1);
  u.facts.writes.push({
    symbol,
    ...(to.length ? { path: to } : {}),
    value: given.kind === 'function' ? resultOf(u, given) : given,
    held: 'maybe',
    where: ctx.where,
    fn: ctx.fn,
    ...spanOf(at),
  });
}

/** The members of an object are written into another one; those that are not known into whichever. */
export function noteMembers(
  u: Unit,
  target: ExprFact,
  given: ExprFact | undefined,
  at: t.Node,
  ctx: Ctx,
): void {
  const write = (name: string, value: ExprFact | undefined): void => {
    u.facts.writes.push({
      symbol: target.symbol!,
      path: [...(target.path ?? []), name],
      ...(value ? { value } : {}),
      through: {},
      where: ctx.where,
      fn: ctx.fn,
      ...spanOf(at),
    });
  };
  const { members = [], spreads = [], others = [], kind } = given ?? {};
  for (const { name, value } of members) write(name, value);
  for (const one of [...spreads, ...others]) write(ANY_MEMBER, one);
  if (kind !== 'object') write(ANY_MEMBER, given);
}

/** Methods that only add entries to a list. */
const ADDS = /^(push|unshift)$/;

/** Of what functions use, nobody sees what they give back of it. */
const holdsFunctions = ({ members = [] }: ExprFact): boolean =>
  members.some(({ value }) => value.kind === 'function');

/** What a call adds to a list: entries, and those of lists that are spread. */
function addedBy(at: t.Node, args: ExprFact[]): Partial<ExprFact> {
  const isSpread = (index: number): boolean =>
    'arguments' in at && at.arguments[index]?.type === 'SpreadElement';
  return {
    kind: 'array',
    open: true,
    elements: args.filter((_, index) => !isSpread(index)),
    spreads: args.filter((_, index) => isSpread(index)),
  };
}

/** What mostly pushes a page, and no entry of a list. */
const NAVIGATES = /^\$?(history|router|navigation|navigator)$/i;

function lastName(node: t.Node): string | undefined {
  const bare = unwrap(node);
  if (bare.type === 'MemberExpression' || bare.type === 'OptionalMemberExpression') return memberKey(bare);
  return memberName(bare);
}

/** `store.mode = x`, where the object is one of a module. */
export function noteShared(u: Unit, target: t.Node, value: ExprFact | undefined, at: t.Node, ctx: Ctx): void {
  const path: string[] = [];
  let node = target;
  while (node.type === 'MemberExpression' || node.type === 'OptionalMemberExpression') {
    path.unshift(memberKey(node) ?? ANY_MEMBER);
    node = unwrap(node.object);
  }
  if (node.type !== 'Identifier' || !node.binding || !isModuleLevel(node.binding)) return;
  // What the loose code of a module declares is its own.
  if (u.facts.role === 'module' && node.binding.kind !== 'import') return;
  (u.facts.sharedWrites ??= []).push({
    // `$wind` is what the store `wind` holds.
    name: node.binding.name,
    path,
    ...(value ? { value } : {}),
    where: ctx.where,
    fn: ctx.fn,
    ...spanOf(at),
  });
}

/** `rows[0].held`, `this.rows[0].held`: a member of an entry, by the variable or member that holds the list. */
function memberOfEntry(u: Unit, target: t.Node, ctx: Ctx): { symbol: number; path: string[] } | undefined {
  const path: string[] = [];
  let node = target;
  while (node.type === 'MemberExpression' || node.type === 'OptionalMemberExpression') {
    if (unwrap(node.object).type === 'ThisExpression') {
      // Which member it is, is worked out while the code runs.
      if (memberKey(node) === undefined) return undefined;
      const { kind, symbol } = meaningOf(u, node, ctx);
      return kind === 'identity' && symbol !== undefined ? { symbol, path } : undefined;
    }
    path.unshift(memberKey(node) ?? ANY_MEMBER);
    node = unwrap(node.object);
  }
  const symbol = node.type === 'Identifier' ? symbolOf(u, node) : undefined;
  return symbol === undefined ? undefined : { symbol, path };
}

/** `$wind`, `$wind.gust`: what the store `wind` holds, or something in it. */
function isOfHeld(target: t.Node): boolean {
  let node = target;
  while (node.type === 'MemberExpression' || node.type === 'OptionalMemberExpression')
    node = unwrap(node.object);
  return node.type === 'Identifier' && isOfStore(node);
}

/** Notes a write to a symbol, or to something reachable through it. */
export function noteWrite(u: Unit, target: t.Node, value: ExprFact | undefined, at: t.Node, ctx: Ctx): void {
  const bare = unwrap(target);
  const held = isOfHeld(bare) ? ({ held: 'surely' } as const) : {};
  const common = { ...(value ? { value } : {}), ...held, where: ctx.where, fn: ctx.fn, ...spanOf(at) };
  if (bare.type === 'Identifier') {
    const symbol = symbolOf(u, bare);
    if (symbol !== undefined) {
      u.facts.writes.push({ symbol, ...common });
      const fact = u.facts.symbols[symbol]!;
      if (value?.content && fact.init) fact.init.content = [...(fact.init.content ?? []), ...value.content];
    } else if (u.dialect.shares) noteShared(u, bare, value, at, ctx);
    return;
  }
  if (bare.type === 'MemberExpression' || bare.type === 'OptionalMemberExpression') {
    // What a rest object holds is the component's own copy.
    const base = unwrap(bare.object);
    const owner = base.type === 'Identifier' ? symbolOf(u, base) : undefined;
    if (owner !== undefined && u.facts.symbols[owner]!.kind === 'rest') return;
    const plain = byName(bare);
    const object = meaningOf(u, plain.computed ? plain.object : plain, ctx);
    const under = bare.computed ? use(u, u.expr(bare.property, ctx), ctx) : undefined;
    const isNamed = plain.computed && under !== undefined && isHeld(under);
    const path = plain.computed ? [...(object.path ?? []), ANY_MEMBER] : object.path;
    const isOwn = object.kind === 'identity' || (object.kind === 'member' && !object.component);
    if (object.symbol !== undefined && isOwn) {
      u.facts.writes.push({
        symbol: object.symbol,
        ...(path ? { path } : {}),
        ...(isNamed ? { under } : {}),
        through: {},
        ...common,
      });
    } else {
      const entry = memberOfEntry(u, bare, ctx);
      if (entry) u.facts.writes.push({ ...entry, through: {}, ...common });
      else noteShared(u, bare, value, at, ctx);
    }
    return;
  }
  if (bare.type === 'ObjectPattern' || bare.type === 'ArrayPattern') {
    eachChild(bare, (child) => {
      if (child.type === 'ObjectProperty') noteWrite(u, child.value, value, at, ctx);
      else if (child.type === 'RestElement') noteWrite(u, child.argument, value, at, ctx);
      else noteWrite(u, child, value, at, ctx);
    });
    return;
  }
  if (bare.type === 'AssignmentPattern') noteWrite(u, bare.left, value, at, ctx);
}
