/**
 * Classes, read once for all languages: fields are what an object keeps, accessors what it derives, methods what it does.
 * A class that keeps state is also the helper that `new` calls, and gives back an object with all of its members.
 */
import type * as t from '@babel/types';
import type { ExprFact, MemberFact } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { workedOut } from './results';
import { declareParameter, readFunction } from './functions';
import { inferFunction, variableType } from './infer';
import { isFunction } from './scope';
import { keyName } from './type-expr';
import { addSymbol, type Ctx, inferContext, SETUP, spanOf, type Unit, unwrap, use } from './unit';
import { eachChild } from './walk';

/** How a framework's own calls declare a field: `$state(…)`, `$derived(…)`; undefined for other values. */
export type FieldKind = (
  value: t.Node,
) => { kind: 'state' | 'derived'; read(u: Unit, ctx: Ctx): ExprFact } | undefined;

type Method = t.ClassMethod | t.ClassPrivateMethod;
type Field = t.ClassProperty | t.ClassPrivateProperty | t.ClassAccessorProperty;
export type ClassMember = Method | Field;

/** What a language makes of the members of a class. */
export interface ClassDialect {
  /** How its own calls declare fields. */
  fieldKind: FieldKind;
  /** Members have the types that they are written with, or that their values tell. */
  typed?: boolean;
  /** Methods that the framework calls once, before anything is drawn, and those that it calls at every change. */
  hooks?: { first: RegExp; renews: RegExp };
  /** Takes over a member that it understands; what it gives back is run when all members are declared. */
  member?(u: Unit, name: string, node: ClassMember): (() => void) | undefined;
  /** Takes over a parameter of the constructor. */
  parameter?(u: Unit, node: t.Node, index: number): boolean;
}

const isMethod = (node: t.Node): node is Method =>
  node.type === 'ClassMethod' || node.type === 'ClassPrivateMethod';
const isField = (node: t.Node): node is Field =>
  node.type === 'ClassProperty' ||
  node.type === 'ClassPrivateProperty' ||
  node.type === 'ClassAccessorProperty';

/** Reads a class as what `new` gives: an object with all that it declares. */
export function readClassHelper(u: Unit, node: t.Class, dialect: ClassDialect): void {
  readClassMembers(u, node, dialect);
  const { start, end } = spanOf(node);
  const members = [...u.members].map(([name, symbol]): MemberFact => ({
    name,
    value: { kind: 'identity', symbol, start, end },
    start,
    end,
  }));
  u.facts.result = { kind: 'object', members, start, end };
}

/** Reads the members of a class into a unit of its own. */
export function readClassMembers(u: Unit, node: t.Class, dialect: ClassDialect): void {
  const methods: { name: string; node: Method }[] = [];
  const fields: { name: string; value: t.Node | null | undefined }[] = [];
  const later: (() => void)[] = [];
  for (const member of node.body.body) {
    const name = isMethod(member) || isField(member) ? memberKey(member) : undefined;
    if (isMethod(member) && member.kind === 'constructor')
      member.params.forEach((param, index) => {
        if (!dialect.parameter?.(u, param, index)) declareGiven(u, param, index);
      });
    else if (name !== undefined && (isMethod(member) || isField(member)) && !member.static) {
      const own = dialect.member?.(u, name, member);
      if (own) later.push(own);
      else if (isMethod(member)) methods.push({ name, node: member });
      else {
        fields.push({ name, value: member.value });
        declareField(u, name, member, member.value, dialect.fieldKind);
      }
    }
  }
  for (const { name, at } of assigned(node)) {
    if (!u.members.has(name)) u.members.set(name, addSymbol(u, { name, kind: 'state', ...spanOf(at) }));
  }
  for (const { name, node: method } of methods) {
    const kind = method.kind === 'get' ? 'derived' : 'handler';
    if (method.kind === 'set' && u.members.has(name)) continue;
    const known = u.members.get(name);
    const hidden = known === undefined ? undefined : u.facts.symbols[known]!;
    // A method that bears the name of an input hides it.
    if (hidden?.kind === 'prop' && method.kind === 'method')
      (u.facts.clashes ??= []).push({ prop: hidden.port!, ...spanOf(method.key) });
    u.members.set(name, addSymbol(u, { name, kind, ...spanOf(method.key) }));
  }
  // Members may use each other, wherever they are written.
  for (const { name, value } of fields)
    if (value) readField(u, u.members.get(name)!, value, dialect.fieldKind);
  for (const read of later) read();
  if (dialect.typed) addTypes(u, node);
  for (const { name, node: method } of methods) {
    const symbol = u.members.get(name)!;
    readMethod(u, symbol, method);
    const { fn } = u.facts.symbols[symbol]!;
    if (fn !== undefined && dialect.hooks?.first.test(name)) u.facts.functions[fn]!.first = true;
    if (!dialect.hooks?.renews.test(name)) continue;
    u.facts.renewsState = true;
    if (fn !== undefined) u.facts.functions[fn]!.onInput = true;
  }
  for (const member of node.body.body)
    if (member.type === 'ClassMethod' && member.kind === 'constructor') u.statements(member.body.body, SETUP);
}

/** What members are, where that is written or shown by what they start from. */
function addTypes(u: Unit, node: t.Class): void {
  for (const member of node.body.body) {
    const name = isMethod(member) || isField(member) ? memberKey(member) : undefined;
    const symbol = name === undefined ? undefined : u.members.get(name);
    const fact = symbol === undefined ? undefined : u.facts.symbols[symbol]!;
    if (!fact || fact.type || !/^(state|handler)$/.test(fact.kind)) continue;
    const type = isMethod(member)
      ? inferFunction(member, inferContext(u))
      : isField(member)
        ? variableType(
            member,
            member.value,
            'readonly' in member && member.readonly === true,
            inferContext(u),
          )
        : UNKNOWN;
    if (type.t !== 'unknown') fact.type = type;
  }
}

/** A parameter of the constructor; `private wind: number` makes a field of it. */
function declareGiven(u: Unit, param: t.Node, index: number): void {
  const inner = param.type === 'TSParameterProperty' ? param.parameter : param;
  declareParameter(u, inner, index);
  const id = inner.type === 'AssignmentPattern' ? inner.left : inner;
  if (param.type !== 'TSParameterProperty' || id.type !== 'Identifier' || !id.binding) return;
  const symbol = u.refs.get(id.binding);
  if (symbol !== undefined) u.members.set(id.name, symbol);
}

/** Reads a method or an accessor into the symbol that was declared for it. */
export function readMethod(u: Unit, symbol: number, method: Method): void {
  const fact = u.facts.symbols[symbol]!;
  if (method.kind === 'get') {
    fact.init = workedOut(u, readFunction(u, method, SETUP, 'derivation'));
    return;
  }
  const expr = readFunction(u, method, SETUP, 'handler');
  if (expr.fn === undefined || method.kind === 'set') return;
  fact.fn = expr.fn;
  fact.init = expr;
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
export function memberKey(member: ClassMember): string | undefined {
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
