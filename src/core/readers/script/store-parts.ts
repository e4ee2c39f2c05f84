/** Parts that stores are put together of, as a file names them: by their names, in tables, wrapped, or handed on to. */
import type * as t from '@babel/types';
import { KEPT_BY } from '../../model/code';
import type { ComponentFacts, ExprFact, MemberFact } from '../../model/facts';
import { isFunction } from './scope';
import { returnsOf } from './choices';
import { keyName, memberName } from './type-expr';
import { addSymbol, isModuleLevel, spanOf, type Unit, unwrap } from './unit';
import { constantText } from './constants';
import { makesStore, type StoreCalls } from './store-calls';
import { eachChild } from './walk';

/** A table of parts, as an object of what each keeps. */
function partsOf(u: Unit, node: t.Node, calls: StoreCalls): ExprFact | undefined {
  const bare = unwrap(node);
  if (bare.type !== 'ObjectExpression') return partNamed(u, bare, calls);
  const members: MemberFact[] = [];
  const spreads: ExprFact[] = [];
  for (const one of bare.properties) {
    if (one.type === 'SpreadElement') {
      const more = partsOf(u, one.argument, calls);
      if (more) spreads.push(more);
      continue;
    }
    const key = one.type === 'ObjectProperty' ? keyName(one) : undefined;
    const value =
      key !== undefined && one.type === 'ObjectProperty' ? partAt(u, one.value, calls) : undefined;
    if (key !== undefined && value) members.push({ name: key, value, ...spanOf(one) });
  }
  return { kind: 'object', members, open: true, ...(spreads.length ? { spreads } : {}), ...spanOf(bare) };
}

/** One part: a name, a table of parts, or what wraps one (`persistReducer(config, fleet)`). */
export function partAt(u: Unit, node: t.Node, calls: StoreCalls): ExprFact | undefined {
  const bare = unwrap(node);
  switch (bare.type) {
    // `line || nothing`: what stands in where there is none keeps nothing.
    case 'LogicalExpression':
      return partAt(u, bare.left, calls);
    case 'CallExpression':
      break;
    default:
      return partsOf(u, bare, calls);
  }
  const [first] = bare.arguments;
  if (calls.name(bare) === 'combineReducers') return first && partsOf(u, first, calls);
  const maker = memberName(bare.callee);
  if (maker !== undefined && MAKES.test(maker)) return partNamed(u, unwrap(bare.callee), calls);
  for (const one of [...bare.arguments].reverse()) {
    const arg = unwrap(one);
    const found = arg.type === 'ObjectExpression' ? undefined : partAt(u, arg, calls);
    if (found) return found;
  }
  return undefined;
}

/** Functions that make parts, by their names: `createRootReducer()`. */
const MAKES = /^(create|make|build|get|configure|setup)\p{Lu}\w*Reducers?$/u;

/** A part by its name; what a function declares is what it stands for. */
function partNamed(u: Unit, node: t.Node, calls: StoreCalls, depth = 0): ExprFact | undefined {
  const name = memberName(node);
  if (name === undefined) return undefined;
  const binding = node.type === 'Identifier' ? node.binding : undefined;
  if (!binding || isModuleLevel(binding)) return named(u, name, node);
  const init = binding.node.type === 'VariableDeclarator' ? binding.node.init : undefined;
  const bare = init && unwrap(init);
  if (!bare || depth > MAX_DEPTH) return undefined;
  if (!isFunction(bare)) return bare.type === 'CallExpression' ? partAt(u, bare, calls) : undefined;
  const next = handedOn(bare);
  return next && partNamed(u, next, calls, depth + 1);
}

/** Names for names are followed so far. */
const MAX_DEPTH = 4;

const REDUCES = /reduce/i;

/** The function to which another hands on what it is told: `return parts(state, action)`. */
export function handedOn({ params, body }: t.Function): t.Node | undefined {
  const last = body.type === 'BlockStatement' ? body.body.at(-1) : undefined;
  const given =
    body.type !== 'BlockStatement' ? body : last?.type === 'ReturnStatement' ? last.argument : undefined;
  const call = given && unwrap(given);
  const [, action] = params;
  if (call?.type !== 'CallExpression' || call.arguments.length !== 2 || action?.type !== 'Identifier')
    return undefined;
  const told = unwrap(call.arguments[1]!);
  const isSame = told.type === 'Identifier' && told.binding !== undefined && told.binding === action.binding;
  const callee = unwrap(call.callee);
  const isReducer = action.name === 'action' || REDUCES.test(memberName(callee) ?? '');
  return isSame && isReducer ? callee : undefined;
}

/** The part that a function makes, where it gives back one: `() => combineReducers({ line })`. */
export function partMade(u: Unit, fn: t.Function, calls: StoreCalls): ExprFact | undefined {
  const [only, ...others] = returnsOf(fn);
  return only && !others.length && isWrappedPart(only, calls) ? partAt(u, only, calls) : undefined;
}

/** What wraps a part, by its name. */
const WRAPS = /reducer|undoable/i;

/** `export default combineReducers({ line })`, `const kept = persistReducer(config, line)`. */
export const isWrappedPart = (node: t.Node, calls: StoreCalls): boolean => {
  const bare = unwrap(node);
  if (bare.type !== 'CallExpression') return false;
  const made = calls.name(bare);
  return made === undefined
    ? calls.any && WRAPS.test(memberName(bare.callee) ?? '')
    : made === 'combineReducers';
};

/** `const reducers = { line, wind }`, by its name: a table of parts that others put together. */
export const isTableOfParts = (name: string, node: t.Node): boolean => {
  const bare = unwrap(node);
  return (
    /reducers?$/i.test(name) &&
    bare.type === 'ObjectExpression' &&
    bare.properties.length > 0 &&
    bare.properties.every(
      (one) => one.type === 'ObjectProperty' && memberName(unwrap(one.value)) !== undefined,
    )
  );
};

function named(u: Unit, name: string, at: t.Node): ExprFact {
  const symbol = addSymbol(u, { name, kind: 'shared', port: name + KEPT_BY, ...spanOf(at) });
  return { kind: 'identity', symbol, ...spanOf(at) };
}

/** The symbol that stands for all that a store keeps. */
export const STORE = '#store';

/** The value of a member of an object that is written out. */
export function valueOf(object: t.ObjectExpression, name: string): t.Node | undefined {
  const found = object.properties.find((one) => one.type !== 'SpreadElement' && keyName(one) === name);
  if (!found || found.type === 'SpreadElement') return undefined;
  return found.type === 'ObjectMethod' ? found : unwrap(found.value);
}

/** Notes the stores that a file makes, wherever in it. */
export function readStores(u: Unit, program: t.Program, calls: StoreCalls): void {
  if (!calls.makesStores) return;
  const look = (node: t.Node): void => {
    const made = calls.name(node);
    if (makesStore(made)) {
      const init = storeMade(u, made!, (unwrap(node) as t.CallExpression).arguments, calls);
      if (init) addSymbol(u, { name: STORE, kind: 'derived', init, ...spanOf(node) });
    }
    eachChild(node, look);
  };
  look(program);
}

/** What a call that makes a store, or adds a part to one, puts into it. */
function storeMade(
  u: Unit,
  made: string,
  [first, second]: t.Node[],
  calls: StoreCalls,
): ExprFact | undefined {
  const given = first && unwrap(first);
  if (!given) return undefined;
  if (made === 'configureStore' && given.type === 'ObjectExpression') {
    const reducer = valueOf(given, 'reducer');
    return reducer && partAt(u, reducer, calls);
  }
  if (!ADDS.test(made)) return partAt(u, given, calls);
  // A part with its name, or a feature that knows it.
  const written = given.type === 'ObjectExpression' ? given : undefined;
  const name = constantText(written ? valueOf(written, 'name') : given);
  const reducer = written ? valueOf(written, 'reducer') : second;
  const part = reducer && partAt(u, reducer, calls);
  if (name !== undefined && part) return partUnder(name, part, unwrap(first));
  return second ? undefined : partAt(u, given, calls);
}

const ADDS = /^(provideState|StoreModule\.forFeature)$/;

/** A table of one part. */
export const partUnder = (name: string, value: ExprFact, at: t.Node): ExprFact => ({
  kind: 'object',
  members: [{ name, value, ...spanOf(at) }],
  open: true,
  ...spanOf(at),
});

/** Whether the loose code of a module puts a store together, or a table of parts. */
export const keepsParts = ({ symbols }: ComponentFacts): boolean =>
  symbols.some(
    (one) =>
      one.name === STORE ||
      one.keptBy !== undefined ||
      (one.kind === 'derived' && one.init?.kind === 'object' && one.init.open),
  );
