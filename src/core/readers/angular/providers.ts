/** What is provided: classes, values, factories and aliases under keys, in lists that may hold lists. */
import type * as t from '@babel/types';
import type { ExprFact, ProvideFact } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { readFunction } from '../script/functions';
import { infer } from '../script/infer';
import { isFunction } from '../script/scope';
import { memberName } from '../script/type-expr';
import { inferContext, SETUP, spanOf, typeOf, unwrap, use, usesOf } from '../script/unit';
import { addProvide } from '../script/contexts';
import { ask, type Options, setOption, tokenName } from './asks';
import { listed, metadata } from '../script/decorators';
import type { AngularUnit } from './unit';

/** Where what is provided is there. */
export interface ProvidedAt {
  node: number;
  at?: ProvideFact['at'];
}

/** Reads a list of providers. */
export function readProviders(u: AngularUnit, node: t.Node | undefined, where: ProvidedAt): void {
  for (const item of listed(node).items) readProvider(u, item, where);
}

function readProvider(u: AngularUnit, node: t.Node, where: ProvidedAt): void {
  if (node.type === 'ConditionalExpression') {
    readProviders(u, node.consequent, where);
    readProviders(u, node.alternate, where);
    return;
  }
  if (node.type === 'LogicalExpression') {
    readProviders(u, node.right, where);
    return;
  }
  const name = tokenName(u, node);
  if (node.type === 'CallExpression' && name === undefined) {
    // Whatever the call provides, or provides with: read as any call is.
    u.inContext++;
    use(u, u.expr(node, SETUP), SETUP, 'argument');
    u.inContext--;
    followed(u, node);
    return;
  }
  if (node.type === 'ObjectExpression') {
    readEntry(u, node, where);
    return;
  }
  if (name === undefined) return;
  // A class by its name, or a list of providers: at link the one that is no such thing says nothing.
  const made = instanceOf(u, name, node);
  provide(u, name, node, made, where);
}

/** A function of the project that provides is one whatever its name is. */
function followed(u: AngularUnit, node: t.CallExpression): void {
  const call = u.facts.calls.findLast((one) => one.start === node.start && one.end === node.end);
  if (call && memberName(node.callee) === call.name) call.args ??= [];
}

/** `{ provide: X, useClass: Y }` and the like. */
function readEntry(u: AngularUnit, node: t.ObjectExpression, where: ProvidedAt): void {
  const entry = metadata(node);
  const keyNode = entry.get('provide');
  const key = tokenName(u, keyNode);
  u.inContext++;
  const value = providedBy(u, entry, keyNode);
  u.inContext--;
  if (key === undefined || !keyNode) return;
  const isMany = entry.isTrue('multi');
  if (isMany && value) value.type = value.type ? { t: 'array', of: value.type } : UNKNOWN;
  provide(u, key, keyNode, value, where);
  if (isMany) u.facts.provides.at(-1)!.many = true;
}

function providedBy(
  u: AngularUnit,
  entry: ReturnType<typeof metadata>,
  keyNode: t.Node | undefined,
): ExprFact | undefined {
  const [made, given, other, factory] = ['useClass', 'useValue', 'useExisting', 'useFactory'].map((one) =>
    entry.get(one),
  );
  if (given) {
    const value = use(u, u.expr(given, SETUP), SETUP, 'provide');
    value.type ??= typeOf(u, given);
    return value;
  }
  if (made) {
    const name = tokenName(u, made);
    return name === undefined ? undefined : instanceOf(u, name, made);
  }
  if (other) {
    const name = tokenName(u, other);
    if (name === undefined) return undefined;
    return ask(u, name, other, SETUP, { missing: 'throws' });
  }
  const asked = entry.get('deps');
  if (asked?.type === 'ArrayExpression') for (const one of asked.elements) if (one) askedFor(u, one);
  if (factory) return madeBy(u, factory);
  const name = keyNode && tokenName(u, keyNode);
  return name === undefined ? undefined : instanceOf(u, name, keyNode!);
}

/** `deps: [A, [new Optional(), B]]`: what is asked for in order to make what is provided. */
function askedFor(u: AngularUnit, node: t.Node): void {
  const options: Options = { missing: 'throws' };
  const parts = node.type === 'ArrayExpression' ? node.elements : [node];
  let token: t.Node | undefined;
  for (const part of parts) {
    if (part?.type !== 'NewExpression') {
      token = part ?? token;
      continue;
    }
    const mark = u.angular.names(memberName(part.callee) ?? '');
    if (mark === 'Inject') [token] = part.arguments;
    else setOption(options, mark ?? '');
  }
  const name = tokenName(u, token);
  if (name === undefined) return;
  u.angular.said.push(spanOf(token!));
  ask(u, name, token!, SETUP, options);
}

/** What a factory gives back; what it asks for, it asks for where it is provided. */
function madeBy(u: AngularUnit, node: t.Node): ExprFact {
  const bare = unwrap(node);
  if (!isFunction(bare)) {
    const value = use(u, u.expr(bare, SETUP), SETUP, 'provide');
    const name = memberName(bare);
    if (name === undefined) return value;
    const from = { call: u.facts.calls.length, path: [] };
    u.facts.calls.push({ name, args: [], where: 'provide', fn: -1, ...spanOf(bare) });
    return { kind: 'call', from, ...spanOf(bare) };
  }
  const fn = readFunction(u, bare, SETUP, 'derivation');
  const gives = fn.fn === undefined ? undefined : u.facts.functions[fn.fn]!.gives;
  const type = infer(bare, inferContext(u));
  return {
    kind: 'computed',
    uses: (gives ?? []).flatMap(usesOf),
    ...(gives ? { gives } : {}),
    ...(type.t === 'fn' ? { type: type.returns } : {}),
    ...spanOf(bare),
  };
}

/** An object of a class, made for whoever provides it. */
function instanceOf(u: AngularUnit, name: string, node: t.Node): ExprFact {
  u.angular.said.push(spanOf(node));
  const from = { call: u.facts.calls.length, path: [] };
  u.facts.calls.push({ name, args: [], made: true, own: true, where: 'provide', fn: -1, ...spanOf(node) });
  return { kind: 'call', from, ...spanOf(node) };
}

function provide(
  u: AngularUnit,
  name: string,
  at: t.Node,
  value: ExprFact | undefined,
  { node, at: reach }: ProvidedAt,
): void {
  addProvide(u, { name }, at, value, SETUP);
  Object.assign(u.facts.provides.at(-1)!, { node, ...(reach ? { at: reach } : {}) });
}
