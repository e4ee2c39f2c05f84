/** Functions that a package makes of others, which each pick a part of a store: `createSelector([pickFleet], (fleet) => …)`. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { constantText } from '../script/constants';
import { readFunction } from '../script/functions';
import { declarePattern } from '../script/patterns';
import { isFunction, type NamedNode } from '../script/scope';
import { memberName } from '../script/type-expr';
import { addSymbol, SETUP, spanOf, type Unit, unwrap, use } from '../script/unit';
import type { StoreCalls } from '../script/store-calls';

export interface Picker {
  /** What picks the parts. */
  parts: t.Node[];
  /** What is made of them. */
  fn: t.Function;
  /** It picks the part of this name, and makes nothing of it. */
  feature?: string;
}

/** The parts and the function of a constant that is made so. */
export function pickerOf({ node, scope }: NamedNode, calls: StoreCalls): Picker | undefined {
  const made = calls.any && scope.parent === undefined ? calls.name(node) : undefined;
  if (made !== 'createSelector' && made !== 'createFeatureSelector') return undefined;
  const args = (unwrap(node) as t.CallExpression).arguments.map(unwrap);
  if (made === 'createFeatureSelector') {
    const feature = constantText(args[0]);
    const { start, end } = unwrap(node);
    const fn = { type: 'ArrowFunctionExpression', params: [], body: unwrap(node), start, end };
    return feature === undefined ? undefined : { parts: [], fn: fn as unknown as t.Function, feature };
  }
  const [first] = args;
  const list =
    first?.type === 'ArrayExpression' ? first.elements.flatMap((one) => (one ? [one] : [])) : undefined;
  const at = list ? 1 : args.findLastIndex((one) => isFunction(one));
  const fn = args[at];
  return fn && isFunction(fn) ? { parts: list ?? args.slice(0, at), fn } : undefined;
}

/** Reads it as a function of the store: each parameter is what its part picks. */
export function readPicker(u: Unit, { parts, fn, feature }: Picker): void {
  const at = spanOf(fn);
  const store = addSymbol(u, { name: 'state', kind: 'param', within: -1, index: 0, ...at });
  if (feature !== undefined) {
    u.facts.result = { kind: 'member', symbol: store, path: [feature], ...at };
    return;
  }
  // What else it is called with, its parts are called with, too.
  const most = Math.max(1, ...parts.map((one) => (isFunction(one) ? one.params.length : 0)));
  const given = Array.from({ length: most }, (_, index) =>
    index ? addSymbol(u, { name: `given${index}`, kind: 'param', within: -1, index, ...at }) : store,
  );
  fn.params.forEach((param, index) => {
    const part = parts[index];
    const value: ExprFact = part ? partOf(u, unwrap(part), given) : { kind: 'computed', ...spanOf(param) };
    declarePattern(u, param, value, SETUP, { kind: 'derived' });
  });
  if (fn.body.type === 'BlockStatement') u.statements(fn.body.body, SETUP);
  else u.facts.result = use(u, u.expr(fn.body, SETUP), SETUP);
}

function partOf(u: Unit, part: t.Node, given: number[]): ExprFact {
  const args = given.map((symbol): ExprFact => ({ kind: 'identity', symbol, ...spanOf(part) }));
  const name = memberName(part);
  if (name !== undefined) {
    const call = u.facts.calls.push({ name, args, where: 'derivation', fn: -1, ...spanOf(part) }) - 1;
    return { kind: 'call', from: { call, path: [] }, ...spanOf(part) };
  }
  if (!isFunction(part)) return { kind: 'computed', ...spanOf(part) };
  part.params.forEach((param, index) => {
    if (param.type === 'Identifier' && param.binding) u.refs.set(param.binding, given[index]!);
  });
  const read = readFunction(u, part, SETUP, 'derivation').fn;
  const gives = read === undefined ? [] : (u.facts.functions[read]!.gives ?? []);
  return { kind: 'computed', gives, ...spanOf(part) };
}
