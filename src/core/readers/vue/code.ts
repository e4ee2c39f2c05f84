/** Expressions and statements inside a template: parsed where they stand, their names bound to what is in scope. */
import type * as t from '@babel/types';
import { type Code, parseCode, parseStatements } from '../script/code';
import type { Scope } from '../script/scope';
import { propSymbol, spanOf } from '../script/unit';
import { eachChild } from '../script/walk';
import { storeSymbol } from './app-store/asks';
import { attrsSymbol, inheritedMember, nameFor, type VueUnit } from './unit';

/** What a template may always name. */
const GLOBALS = new Set(
  (
    'Infinity,undefined,NaN,isFinite,isNaN,parseFloat,parseInt,decodeURI,decodeURIComponent,encodeURI,encodeURIComponent,' +
    'Math,Number,Date,Array,Object,Boolean,String,RegExp,Map,Set,JSON,Intl,BigInt,console,Error,Symbol,require,' +
    'globalThis,window,document,arguments'
  ).split(','),
);

/** A listener's code: what is called, or a function around the statements that run. */
export function parseListener({ text, offset }: Code): t.Node | undefined {
  const expression = /;\s*$/.test(text) ? undefined : parseCode({ text, offset });
  if (
    expression &&
    /^(Identifier|MemberExpression|OptionalMemberExpression|ArrowFunctionExpression|FunctionExpression)$/.test(
      expression.type,
    )
  )
    return expression;
  const span = { start: offset, end: offset + text.length };
  // What comes with the event may be left unused.
  const event = {
    type: 'Identifier',
    name: '$event',
    optional: true,
    start: offset,
    end: offset,
  } as t.Identifier;
  const statements = expression
    ? [{ type: 'ExpressionStatement', expression, ...spanOf(expression) } as t.ExpressionStatement]
    : parseStatements({ text, offset });
  if (!statements) return undefined;
  const body = { type: 'BlockStatement', body: statements, directives: [], ...span } as t.BlockStatement;
  return {
    type: 'ArrowFunctionExpression',
    params: /\$event\b/.test(text) ? [event] : [],
    body,
    async: false,
    expression: false,
    ...span,
  } as t.ArrowFunctionExpression;
}

/** Binds the names of template code: to the script, to loops and slots around it, to members and props. */
export function bindCode(u: VueUnit, node: t.Node, scope: Scope): void {
  const left = u.scopes.bind(node, scope);
  noteKnown(u, node);
  for (const { id } of left) {
    if (id.type !== 'Identifier') continue;
    const known = u.names.get(id.name);
    if (known) {
      u.usedNames.add(id.name);
      id.binding = known;
      known.uses.push({ id, scope, role: 'value' });
    } else bindName(u, id, scope);
  }
}

/** Notes the names of the script that the code uses. */
function noteKnown(u: VueUnit, node: t.Node): void {
  if (node.type === 'Identifier') {
    const symbol = node.binding && u.refs.get(node.binding);
    const inner = symbol !== undefined && /^(loop|param)$/.test(u.facts.symbols[symbol]!.kind);
    if (node.binding && !inner) u.usedNames.add(node.name);
  } else eachChild(node, (child) => noteKnown(u, child));
}

function bindName(u: VueUnit, id: t.Identifier, scope: Scope): void {
  const { name } = id;
  const member = u.members.get(name);
  if (member !== undefined || u.facts.ports.some((port) => port.name === name)) u.usedNames.add(name);
  if (member !== undefined) {
    id.binding = nameFor(u, name, member, scope);
    return;
  }
  if (u.facts.ports.some((port) => port.name === name && port.channel === 'prop')) {
    id.binding = nameFor(u, name, propSymbol(u, name, spanOf(id), 'read'), scope);
    return;
  }
  if (name === '$attrs' || name === '$listeners') {
    id.binding = nameFor(u, name, attrsSymbol(u, spanOf(id)), scope);
    return;
  }
  if (name === '$store') {
    id.binding = nameFor(u, name, storeSymbol(u, { path: [] }, spanOf(id)), scope);
    return;
  }
  // Asking whether one slot is filled places none.
  const asks = /^\s*\??\.\s*\w/.test(u.file.text.slice(id.end!, id.end! + 8));
  if ((name === '$slots' || name === '$scopedSlots') && !asks) u.facts.openSlots = true;
  if (name === '$props') u.facts.openProps = true;
  if (name.startsWith('$') || name.startsWith('_') || GLOBALS.has(name)) return;
  if (u.facts.propsType) {
    // Whether the type has it is known when files are linked.
    const symbol = propSymbol(u, name, spanOf(id), 'guess');
    id.binding = nameFor(u, name, symbol, scope);
    u.facts.ports.find((port) => port.name === name)!.declared = 'guess';
  }
  const taken = inheritedMember(u, name, spanOf(id));
  if (taken !== undefined) id.binding = nameFor(u, name, taken, scope);
  if (u.openScope || taken !== undefined) return;
  (u.facts.unknownNames ??= []).push({ name, ...spanOf(id), known: inSight(u, scope) });
}

/** Names that the code could have meant. */
function inSight(u: VueUnit, scope: Scope): string[] {
  const found = new Set([
    ...u.members.keys(),
    ...u.facts.ports.filter((one) => one.channel === 'prop').map((one) => one.name),
  ]);
  for (let at: Scope | undefined = scope; at; at = at.parent)
    for (const name of at.names.keys()) found.add(name);
  return [...found];
}
