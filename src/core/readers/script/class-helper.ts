/**
 * A class that keeps state, as the helper that `new` calls: its fields are what it keeps, and what it gives back is an
 * object with all of its members.
 */
import type * as t from '@babel/types';
import type { ExprFact, MemberFact } from '../../model/facts';
import { workedOut } from './expr';
import { declareParameter, readFunction } from './functions';
import { isFunction } from './scope';
import { keyName } from './type-expr';
import { addSymbol, type Ctx, SETUP, spanOf, type Unit, unwrap, use } from './unit';
import { eachChild } from './walk';

/** How a framework's own calls declare a field: `$state(…)`, `$derived(…)`; undefined for other values. */
export type FieldKind = (
  value: t.Node,
) => { kind: 'state' | 'derived'; read(u: Unit, ctx: Ctx): ExprFact } | undefined;

type Method = t.ClassMethod | t.ClassPrivateMethod;

/** Reads the members of a class into a unit of its own. */
export function readClassHelper(u: Unit, node: t.Class, fieldKind: FieldKind): void {
  const methods: { name: string; node: Method }[] = [];
  const fields: { name: string; value: t.Node | null | undefined }[] = [];
  for (const member of node.body.body) {
    if (member.type === 'ClassMethod' || member.type === 'ClassPrivateMethod') {
      const name = memberKey(member);
      if (member.kind === 'constructor')
        member.params.forEach((param, index) => declareParameter(u, param, index));
      else if (name !== undefined && !member.static) methods.push({ name, node: member });
    } else if (member.type === 'ClassProperty' || member.type === 'ClassPrivateProperty') {
      const name = memberKey(member);
      if (name === undefined || member.static) continue;
      fields.push({ name, value: member.value });
      declareField(u, name, member, member.value, fieldKind);
    }
  }
  for (const { name, at } of assigned(node)) {
    if (!u.members.has(name)) u.members.set(name, addSymbol(u, { name, kind: 'state', ...spanOf(at) }));
  }
  for (const { name, node: method } of methods) {
    const kind = method.kind === 'get' ? 'derived' : 'handler';
    if (method.kind === 'set' && u.members.has(name)) continue;
    u.members.set(name, addSymbol(u, { name, kind, ...spanOf(method.key) }));
  }
  // Members may use each other, wherever they are written.
  for (const { name, value } of fields) if (value) readField(u, u.members.get(name)!, value, fieldKind);
  for (const { name, node: method } of methods) {
    const fact = u.facts.symbols[u.members.get(name)!]!;
    if (method.kind === 'get') fact.init = workedOut(u, readFunction(u, method, SETUP, 'derivation'));
    else {
      const expr = readFunction(u, method, SETUP, 'handler');
      if (expr.fn === undefined || method.kind === 'set') continue;
      fact.fn = expr.fn;
      fact.init = expr;
    }
  }
  for (const member of node.body.body)
    if (member.type === 'ClassMethod' && member.kind === 'constructor') u.statements(member.body.body, SETUP);
  const { start, end } = spanOf(node);
  const members = [...u.members].map(([name, symbol]): MemberFact => ({
    name,
    value: { kind: 'identity', symbol, start, end },
    start,
    end,
  }));
  u.facts.result = { kind: 'object', members, start, end };
}

function declareField(
  u: Unit,
  name: string,
  at: t.Node,
  value: t.Node | null | undefined,
  fieldKind: FieldKind,
): void {
  const bare = value && unwrap(value);
  const kind = bare && isFunction(bare) ? 'handler' : ((bare && fieldKind(bare)?.kind) ?? 'state');
  const key = 'key' in at ? (at.key as t.Node) : at;
  u.members.set(name, addSymbol(u, { name, kind, ...spanOf(key) }));
}

function readField(u: Unit, symbol: number, value: t.Node, fieldKind: FieldKind): void {
  const fact = u.facts.symbols[symbol]!;
  const bare = unwrap(value);
  const own = fieldKind(bare);
  const expr = own ? own.read(u, SETUP) : use(u, u.expr(bare, SETUP), SETUP);
  if (fact.kind === 'handler') {
    if (expr.fn !== undefined) fact.fn = expr.fn;
  }
  fact.init = expr;
}

/** The name of a member; what is private bears its mark. */
function memberKey(member: Method | t.ClassProperty | t.ClassPrivateProperty): string | undefined {
  if (member.key.type === 'PrivateName') return `#${member.key.id.name}`;
  return keyName(member as { key: t.Node; computed?: boolean });
}

/** Fields that are only assigned: `this.open = open`. */
function assigned(node: t.Class): { name: string; at: t.Node }[] {
  const found: { name: string; at: t.Node }[] = [];
  const look = (part: t.Node): void => {
    if (part.type === 'AssignmentExpression' && part.left.type === 'MemberExpression') {
      const name = ownMember(part.left);
      if (name !== undefined) found.push({ name, at: part.left.property });
    }
    eachChild(part, look);
  };
  look(node.body);
  return found;
}

/** `x` of `this.x`, `#x` of `this.#x`. */
export function ownMember(node: t.MemberExpression | t.OptionalMemberExpression): string | undefined {
  if (node.object.type !== 'ThisExpression' || node.computed) return undefined;
  const { property } = node;
  if (property.type === 'PrivateName') return `#${property.id.name}`;
  return property.type === 'Identifier' ? property.name : undefined;
}
