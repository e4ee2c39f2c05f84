/**
 * Components that a store feeds from outside, by the public interface of the package that does: `connect(pick, does)(Panel)`
 * hands over what `pick` makes of the store, and functions that change it.
 */
import type * as t from '@babel/types';
import type { ExprFact, ImportFact, MemberFact, Span } from '../../model/facts';
import { readFunction } from '../script/functions';
import { functionOf } from '../script/by-name';
import { constant } from '../script/decorators';
import { isFunction } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { returnsOf } from '../script/choices';
import { SETUP, spanOf, type Unit, unwrap, use } from '../script/unit';
import { eachChild } from '../script/walk';

/** Calls of `connect` by the names of the components that are given to what they make. */
export type Connected = ReadonlyMap<string, t.CallExpression>;

/** Whether an import is of the function that does so. */
export const connects = ({ from, name }: ImportFact): boolean => from === 'react-redux' && name === 'connect';

export function connectedIn(program: t.Program, imports: ImportFact[]): Connected {
  const local = imports.find(connects)?.local;
  const found = new Map<string, t.CallExpression>();
  if (local === undefined) return found;
  const kept = new Map<string, t.CallExpression>();
  const asConnect = (node: t.Node): t.CallExpression | undefined =>
    node.type === 'CallExpression' && memberName(node.callee) === local ? node : undefined;
  /** `given` is the component that what is made here is called with. */
  const look = (node: t.Node, given: string | undefined): void => {
    const own = asConnect(node);
    if (own) {
      if (given !== undefined) found.set(given, own);
      return;
    }
    if (node.type === 'VariableDeclarator' && node.id.type === 'Identifier' && node.init) {
      const made = asConnect(unwrap(node.init));
      if (made) kept.set(node.id.name, made);
    }
    if (node.type === 'CallExpression') {
      const name = componentGiven(node.arguments[0]);
      const maker = node.callee.type === 'Identifier' ? kept.get(node.callee.name) : undefined;
      if (maker && name !== undefined) found.set(name, maker);
      look(node.callee, name ?? given);
      for (const one of node.arguments) look(one, given);
      return;
    }
    eachChild(node, (child) => look(child, undefined));
  };
  look(program, undefined);
  return found;
}

/** The component that a call is given, inside of what else wraps it: `connect(pick)(withLine(translate()(Panel)))`. */
function componentGiven(node: t.Node | undefined): string | undefined {
  const bare = node && unwrap(node);
  if (bare?.type === 'CallExpression') return componentGiven(bare.arguments[0]);
  return bare?.type === 'Identifier' ? bare.name : undefined;
}

/** Notes what a component is handed by the call that connects it. */
export function readConnected(u: Unit, { arguments: [picks, does], ...call }: t.CallExpression): void {
  const at = { start: call.start!, end: call.end! };
  const feeds = (u.facts.feeds ??= []);
  const picker = picks && functionOf(picks);
  if (picker) {
    const read = readFunction(u, picker, SETUP, 'derivation');
    const name = memberName(call.callee)!;
    const index = u.facts.calls.push({ name, args: [read], where: 'derivation', fn: -1, ...at }) - 1;
    for (const { name: port, ...place } of namesIn(picker))
      feeds.push({ port, value: { kind: 'call', from: { call: index, path: [port] }, ...place } });
  }
  const changes = does && (functionOf(does) ?? constant(does));
  const read =
    changes && (isFunction(changes) ? readFunction(u, changes, SETUP, 'handler') : object(u, changes));
  for (const { name, value, start, end } of read ? membersOf(u, read) : [])
    feeds.push({ port: name, value: { ...value, start, end } });
}

const object = (u: Unit, node: t.Node): ExprFact | undefined =>
  node.type === 'ObjectExpression' ? use(u, u.expr(node, SETUP), SETUP) : undefined;

/** Names of the members that a function gives back, where it writes them down. */
const namesIn = (fn: t.Function): (Span & { name: string })[] =>
  returnsOf(fn).flatMap((one) => {
    const bare = unwrap(one);
    return (bare.type === 'ObjectExpression' ? bare.properties : []).flatMap((property) => {
      const name = property.type === 'SpreadElement' ? undefined : keyName(property);
      return name === undefined || property.type === 'SpreadElement'
        ? []
        : [{ name, ...spanOf(property.key) }];
    });
  });

/** The members of an object, or of what a function gives back. */
const membersOf = ({ facts }: Unit, { fn, gives, members }: ExprFact): MemberFact[] =>
  members ??
  (fn === undefined ? (gives ?? []) : (facts.functions[fn]!.gives ?? [])).flatMap((one) => one.members ?? []);
