/** Members of a component's class: what it takes, what it is given from further up, what it keeps. */
import type * as t from '@babel/types';
import type { KeyFact, PortFact, Span } from '../../model/facts';
import { type ClassMember, readMethod } from '../script/classes';
import { readHook } from '../script/functions';
import { inferFunction } from '../script/infer';
import { addSymbol, inferContext, SETUP, spanOf, typeOf, use } from '../script/unit';
import type { AttributeNode, MemberNode } from './nodes';
import { shortName } from './names';
import { isReference, typeOfText } from './types';
import type { RazorUnit } from './unit';

type Read = (() => void) | undefined;

const ON_CHANGE = /^(OnParametersSet(Async)?|SetParametersAsync)$/;
/** What the framework calls of its own accord. */
const CALLED = /^(On(Initialized|AfterRender)(Async)?|ShouldRender|Dispose(Async)?)$/;

const attributeOf = ({ attributes }: MemberNode, pattern: RegExp): AttributeNode | undefined =>
  attributes.find(({ name }) => pattern.test(name));

export const isParameter = (member: MemberNode): boolean => attributeOf(member, /^Parameter$/) !== undefined;

/** Reads a member that is more to the framework than to the class; undefined for others. */
export function readMember(u: RazorUnit, name: string, node: ClassMember): Read {
  const member = u.declared.get(node);
  if (!member) return undefined;
  if (member.words.has('abstract')) return () => undefined;
  if (member.kind === 'method') return readNamedMethod(u, name, node);
  if (isParameter(member)) return declareParameter(u, member);
  const given = attributeOf(member, /^CascadingParameter$/);
  if (given) return consume(u, member, keyOf(member, argument(given, 'Name')));
  if (attributeOf(member, /^Inject$/)) return consume(u, member, serviceKey(member.typeText), true);
  if (attributeOf(member, /^SupplyParameter/)) return keep(u, member);
  if (isNeverPut(u, member)) {
    const of = shortName(member.typeText.replace(/\?$/, ''));
    u.members.set(name, addSymbol(u, { name, kind: 'ref', empty: true, handleOf: of, ...member.nameAt }));
    return () => undefined;
  }
  if (u.handles.has(name)) {
    u.members.set(name, addSymbol(u, { name, kind: 'ref', empty: true, ...member.nameAt }));
    return () => undefined;
  }
  if (member.words.has('const') || member.words.has('static')) return keep(u, member);
  return undefined;
}

/** A member that a component may be put into, and that nothing is ever put into. */
function isNeverPut(u: RazorUnit, { name, attributes, value, words, typeText, kind }: MemberNode): boolean {
  if (kind !== 'field' || attributes.length || u.handles.has(name) || !/^[A-Z][\w.]*\??$/.test(typeText))
    return false;
  const isSeen = [...words].some((one) => /^(public|internal|protected|static|const|required)$/.test(one));
  if (isSeen || (value && !isNone(value))) return false;
  const put = new RegExp(`\\b${name}\\s*(?:\\?\\?)?=(?![=>])|\\b(?:out|ref)\\s+${name}\\b|[@"]${name}"`, 'g');
  return (u.file.text.match(put)?.length ?? 0) <= (value ? 1 : 0);
}

/** Members that everything has, and those of the framework's base. */
const ALWAYS = [
  'ToString',
  'Equals',
  'GetHashCode',
  'GetType',
  'SetParametersAsync',
  'Attach',
  'Dispose',
  'DisposeAsync',
];

/** What a handle on the component reaches: members that are not its own alone. */
export function exposeMembers(u: RazorUnit, isOpen: boolean): void {
  const members = [...u.declared.values()]
    .filter(({ words }) => words.has('public') || words.has('internal'))
    .map(({ name, nameAt }) => ({
      name,
      ...nameAt,
      ...(u.handles.has(name) ? { handle: true as const } : {}),
    }));
  u.facts.exposes = [{ port: 'ref', members, always: ALWAYS, ...(isOpen ? { open: true } : {}) }];
}

/** What never changes, or is put there by others. */
function keep(u: RazorUnit, { name, nameAt, type, value }: MemberNode): Read {
  const symbol = addSymbol(u, { name, kind: 'derived', ...nameAt });
  u.members.set(name, symbol);
  return () => {
    const fact = u.facts.symbols[symbol]!;
    if (value) fact.init = use(u, u.expr(value, SETUP), SETUP);
    if (type.t !== 'unknown') fact.type = type;
  };
}

function readNamedMethod(u: RazorUnit, name: string, node: ClassMember): Read {
  if (node.type !== 'ClassMethod') return undefined;
  // A method that bears the name of a parameter hides it.
  if (u.props.has(name)) {
    (u.facts.clashes ??= []).push({ prop: name, ...spanOf(node.key) });
    return () => undefined;
  }
  if (ON_CHANGE.test(name)) u.facts.renewsState = true;
  else if (!CALLED.test(name)) {
    const symbol = addSymbol(u, { name, kind: 'handler', ...spanOf(node.key) });
    u.members.set(name, symbol);
    u.facts.symbols[symbol]!.type = inferFunction(node, inferContext(u));
    return () => readMethod(u, symbol, node);
  }
  return () => readHook(u, node, /^OnInitialized/.test(name));
}

function argument({ args }: AttributeNode, name: string): t.Node | undefined {
  return args.find((one) => one.name === name)?.value;
}

/** `CaptureUnmatchedValues = true` */
const isTrue = (node: t.Node | undefined): boolean => node?.type === 'BooleanLiteral' && node.value;

function declareParameter(u: RazorUnit, member: MemberNode): Read {
  const { name, nameAt, typeText, value, type } = member;
  if (isTrue(argument(attributeOf(member, /^Parameter$/)!, 'CaptureUnmatchedValues'))) {
    const except = [...u.declared.values()].filter(isParameter).map((one) => one.name);
    u.members.set(name, addSymbol(u, { name, kind: 'rest', except, ...nameAt }));
    return () => undefined;
  }
  const bare = typeText.replace(/\?$/, '');
  const isContent = /^RenderFragment\b/.test(bare);
  const isCallback = /^EventCallback\b/.test(bare);
  const channel = isContent ? 'slot' : isCallback || /^Action\b/.test(bare) ? 'event' : 'prop';
  const required = attributeOf(member, /^EditorRequired$/) !== undefined || member.words.has('required');
  const none = value !== undefined && isNone(value);
  const port: PortFact = {
    name,
    channel,
    declared: 'list',
    ...(required ? { required } : {}),
    ...(type.t === 'unknown' ? {} : { type }),
    ...nameAt,
  };
  const isExpected = none
    ? isReference(typeText)
    : value === undefined && isReference(typeText) && u.tellsAbsence;
  if (!required && isExpected && !u.inAddress.has(name)) port.expected = true;
  // What the address gives, no tag has to.
  if (u.inAddress.has(name)) port.default = { kind: 'computed', ...nameAt };
  u.facts.ports.push(port);
  const symbol = addSymbol(u, { name, kind: 'prop', port: name, ...nameAt });
  u.props.set(name, symbol);
  u.members.set(name, symbol);
  if (isCallback) u.callbacks.add(symbol);
  return () => {
    if (!value || none) return;
    const given = use(u, u.expr(value, SETUP), SETUP);
    given.type ??= typeOf(u, value);
    // It only keeps the compiler quiet about a value that everybody must give.
    if (required && isEmpty(value)) return;
    port.default = given;
  };
}

/** `default!`, `null!` and `""` stand for no value. */
const isNone = (value: t.Expression): boolean =>
  value.type === 'NullLiteral' || (value.type === 'StringLiteral' && value.value === '');

/** `new()`, `[]`, `string.Empty` and `Array.Empty<T>()` are a value, but one that says nothing. */
const isEmpty = (value: t.Node): boolean =>
  (value.type === 'CallExpression' && value.arguments.length === 0 && isEmpty(value.callee)) ||
  (value.type === 'NewExpression' && value.arguments.length === 0) ||
  (value.type === 'Identifier' && value.extra?.made === true) ||
  (value.type === 'ArrayExpression' && value.elements.length === 0) ||
  (value.type === 'MemberExpression' &&
    value.property.type === 'Identifier' &&
    value.property.name === 'Empty');

const typeKey = (typeText: string): KeyFact => {
  const shown = typeText.replace(/\?$/, '');
  return { type: typeOfText(shown), shown };
};

/** What is asked of the app, and not of who stands above. */
export const serviceKey = (typeText: string): KeyFact => ({ ...typeKey(typeText), service: true }) as KeyFact;

const keyOf = ({ typeText }: MemberNode, name: t.Node | undefined): KeyFact =>
  name?.type === 'StringLiteral' ? { text: name.value } : typeKey(typeText);

function consume(u: RazorUnit, member: MemberNode, key: KeyFact, isService = false): Read {
  const { name, nameAt, type, typeText } = member;
  const symbol = addSymbol(u, { name, kind: 'injected', type, ...nameAt });
  u.members.set(name, symbol);
  // Services may be registered in ways that no text shows.
  // Of a type that others derive from, any of those will do.
  const isWide = /^I[A-Z]|Base\b/.test(typeText) && !('text' in key);
  const missing = isService || isWide || typeText.endsWith('?') ? 'handled' : 'bare';
  u.facts.consumes.push({ key, symbol, where: 'setup', fn: -1, missing, ...nameAt });
  return () => undefined;
}

/** `@inject Ledger Accounts` */
export function readInject(u: RazorUnit, { start, end }: Span): void {
  const [, typeText, name] = /^(.*\S)\s+(\w+)\s*$/s.exec(u.file.text.slice(start, end)) ?? [];
  if (name === undefined) return;
  const nameAt = { start: end - name.length, end };
  const member = { name, nameAt, typeText: typeText!.trim(), type: typeOfText(typeText!) };
  consume(u, member as MemberNode, serviceKey(member.typeText), true);
}
