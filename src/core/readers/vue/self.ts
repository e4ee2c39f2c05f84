/** What is reached by `this`, by `.value` of a box, and by handles. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import type { Binding } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { addSymbol, type Ctx, noteRead, propSymbol, SETUP, spanOf, symbolOf, unwrap } from '../script/unit';
import { storeMember } from './app-store/asks';
import { declareSlots, slotAsked } from './drawn';
import { declareEmitter } from './emits';
import { addressMember } from './address';
import { isSelf } from './names';
import { attrsSymbol, inheritedMember, type VueUnit } from './unit';

/** `const { wind, unit } = this` */
export function declareMembers(u: VueUnit, pattern: t.LVal): boolean {
  if (pattern.type !== 'ObjectPattern') return false;
  for (const property of pattern.properties) {
    const name = property.type === 'RestElement' ? undefined : keyName(property);
    if (property.type === 'RestElement' || name === undefined) {
      u.facts.openProps = true;
      continue;
    }
    const value = property.value.type === 'AssignmentPattern' ? property.value.left : property.value;
    if (declareOwn(u, name, value)) continue;
    const member = u.members.get(name) ?? inheritedMember(u, name, spanOf(property));
    if (member === undefined) continue;
    if (value.type === 'Identifier' && value.binding) u.refs.set(value.binding, member);
    else noteRead(u, member, spanOf(property), SETUP);
  }
  return true;
}

/** What the framework itself puts on an instance, taken out of it: `const { $slots, $emit } = this`. */
function declareOwn(u: VueUnit, name: string, value: t.Node): boolean {
  if (name === '$slots' || name === '$scopedSlots') declareSlots(u, value);
  else if (name === '$emit' && value.type === 'Identifier') declareEmitter(u, value);
  else if (name === '$props' || name === '$attrs') u.facts.openProps = true;
  else if (name === '$refs') u.openRefs = true;
  else return false;
  return true;
}

/** `.value` of a box, and the members of `this`. */
export function readSelf(
  u: VueUnit,
  node: t.MemberExpression | t.OptionalMemberExpression,
  ctx?: Ctx,
): ExprFact | undefined {
  if (node.computed && ctx && isSelf(node.object)) {
    // `this[name]` may be any of its members.
    u.facts.openProps = true;
    u.openRefs = true;
  }
  const asked = storeMember(u, node, ctx) ?? addressMember(u, node);
  if (asked) return asked;
  if (node.computed || node.property.type !== 'Identifier') return undefined;
  const { name } = node.property;
  const object = unwrap(node.object);
  if (ctx) noteClimb(u, node);
  const slot = slotAsked(u, node, ctx);
  if (slot) return slot;
  if (isAttrs(u, object)) return { kind: 'computed', ...spanOf(node) };
  if (object.type === 'Identifier' && name === 'value') {
    const symbol = symbolOf(u, object);
    if (symbol === undefined) return undefined;
    if (u.facts.symbols[symbol]!.kind === 'ref' && u.facts.symbols[symbol]!.empty) {
      return handleRead(u, symbol, node, ctx);
    }
    const isBoxed = isBox(u, symbol) && !isObject(u, symbol, object);
    return isBoxed ? { kind: 'identity', symbol, ...spanOf(node) } : undefined;
  }
  const unboxed = unboxedHandle(u, object);
  if (unboxed !== undefined) return heldMember(u, unboxed, node, ctx);
  const given = object.type === 'Identifier' && object.binding && u.selves.has(object.binding as Binding);
  if (given || isSelf(object)) return readMember(u, name, node, ctx);
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
  }
  return undefined;
}

/** `this.$parent.$parent`, `$parent.$refs`: over the head of the component around. */
function noteClimb(u: VueUnit, node: t.MemberExpression | t.OptionalMemberExpression): void {
  const last = memberName(node.property);
  if (!/^\$(parent|refs|children)$/.test(last ?? '')) return;
  const object = unwrap(node.object);
  const isMember = object.type === 'MemberExpression' || object.type === 'OptionalMemberExpression';
  const linked = isMember
    ? isSelf(object.object) && memberName(object.property) === '$parent'
    : object.type === 'Identifier' && object.name === '$parent' && !object.binding;
  if (linked) (u.facts.climbs ??= []).push({ names: ['$parent', last!], ...spanOf(node) });
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

/** In a template, the name of a handle stands for what it holds. */
function unboxedHandle(u: VueUnit, object: t.Node): number | undefined {
  const symbol = object.type === 'Identifier' ? symbolOf(u, object) : undefined;
  const fact = symbol === undefined ? undefined : u.facts.symbols[symbol]!;
  return fact?.kind === 'ref' && fact.empty ? symbol : undefined;
}

function heldMember(
  u: VueUnit,
  symbol: number,
  node: t.MemberExpression | t.OptionalMemberExpression,
  ctx: Ctx | undefined,
): ExprFact {
  const path = ['current', memberName(node.property)!];
  if (ctx) {
    noteRead(u, symbol, spanOf(node), ctx, path);
    const read = u.facts.reads.at(-1)!;
    read.ends = [node.object.end!, node.property.end!];
    if (node.type === 'OptionalMemberExpression') read.soft = true;
  }
  return { kind: 'member', symbol, path, ...spanOf(node) };
}

/** A parameter of which other members are read, or that is called after what it is: its `value` is one of them. */
function isObject(u: VueUnit, symbol: number, { binding }: t.Identifier): boolean {
  if (u.facts.symbols[symbol]!.kind !== 'param' || u.boxes.has(symbol) || !binding) return false;
  return (
    binding.name === 'props' ||
    binding.uses.some(({ id }) => OTHER_MEMBER.test(u.file.text.slice(id.end!, id.end! + MEMBER_LENGTH)))
  );
}

/** How a member of a name goes on that is not what a box holds. */
const OTHER_MEMBER = /^\s*(?:\?|!)?\.\s*(?!value\b)[A-Za-z_$]/;
const MEMBER_LENGTH = 40;

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
  ctx: Ctx | undefined,
): ExprFact | undefined {
  const member = u.members.get(name);
  if (member !== undefined) return { kind: 'identity', symbol: member, ...spanOf(node) };
  const taken = inheritedMember(u, name, spanOf(node.property));
  if (taken !== undefined) return { kind: 'identity', symbol: taken, ...spanOf(node) };
  if (name === '$attrs' || name === '$listeners')
    return { kind: 'identity', symbol: attrsSymbol(u, spanOf(node)), ...spanOf(node) };
  // Used whole; a slot of a known name is read above.
  if ((name === '$slots' || name === '$scopedSlots') && ctx) u.facts.openSlots = true;
  if (name === '$emit') u.facts.openEmits = true;
  if (name === '$refs') u.openRefs = true;
  if (name === '$props') u.facts.openProps = true;
  return undefined;
}
