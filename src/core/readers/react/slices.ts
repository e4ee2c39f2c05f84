/**
 * Stores of a whole app that are made of parts, by the public interface of the packages that make them: each part keeps
 * a state, which functions by name bring up to date (`createSlice`, `createReducer`), and the store puts the parts
 * together (`configureStore`, `combineReducers`).
 */
import type * as t from '@babel/types';
import type { FileFacts, ImportFact, ValueFact } from '../../model/facts';
import { readFunction } from '../script/functions';
import { connects } from './connected';
import { addEntriesChange, changesEntries } from './entities';
import type { StoreCalls } from '../script/store-calls';
import { constantText } from '../script/constants';
import { isWrappedPart, partAt, partUnder, valueOf } from '../script/store-parts';
import { isFunction } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { addSymbol, type Ctx, SETUP, spanOf, type Unit, unwrap, use } from '../script/unit';
import { eachChild } from '../script/walk';

/** Marks what is imported to be asked for a part of the app's store. */
export function markAsking(imports: ImportFact[]): void {
  for (const one of imports)
    if (connects(one) || (one.from === 'react-redux' && one.name === 'useSelector')) one.asks = 'store';
}

/** Where what a change is called with stands in what it is told; and what something was called with that takes its time. */
const PAYLOAD = ['payload'];
const ARGUMENT = ['meta', 'arg'];

/** A function that brings a part of a store up to date, by the name that the file's values know it by. */
const changeName = (part: string, name: string): string => `${part}#${name}`;

/** Declares a part of a store, a table of parts, or a function that runs beside it; gives back whether it is one. */
export function declarePart(u: Unit, id: t.LVal, init: t.Expression, calls: StoreCalls, ctx: Ctx): boolean {
  if (!calls.any || u.facts.role !== 'module') return false;
  if (isOfPart(u, init)) return true;
  if (id.type !== 'Identifier') return false;
  const made = calls.name(init);
  const call = unwrap(init) as t.CallExpression;
  switch (made) {
    case 'createSlice':
      return declareSlice(u, id, call, ctx);
    case 'createReducer':
      readReducerMade(u, id, call, calls, ctx);
      return true;
    case 'createFeature':
      return declareFeature(u, id, call, calls, ctx);
    case 'combineReducers':
    case undefined: {
      const value = isWrappedPart(init, calls) ? partAt(u, init, calls) : undefined;
      if (!value) return false;
      addSymbol(u, { name: id.name, kind: 'derived', init: value, ...spanOf(id) }, id.binding);
      return true;
    }
    case 'createAsyncThunk': {
      const fn = call.arguments.map(unwrap).find((one) => isFunction(one));
      const read = fn ? readFunction(u, fn as t.Function, ctx, 'handler').fn : undefined;
      if (read !== undefined)
        addSymbol(u, { name: id.name, kind: 'handler', fn: read, ...spanOf(id) }, id.binding);
      return read !== undefined;
    }
  }
  return false;
}

/** `createReducer(START, on(raise, (state, { by }) => …))`, or with a builder or a table of cases. */
function readReducerMade(
  u: Unit,
  id: t.Identifier,
  call: t.CallExpression,
  calls: StoreCalls,
  ctx: Ctx,
): number {
  const [initial, ...cases] = call.arguments;
  const state = declareState(u, id, initial, call);
  cases.forEach((one, index) => {
    if (calls.name(one) !== 'on') {
      readCases(u, id.name, state, one, ctx);
      return;
    }
    const args = (unwrap(one) as t.CallExpression).arguments.map(unwrap);
    const fn = args.pop();
    if (!fn || !isFunction(fn)) return;
    const does = changeName(id.name, `on ${index}`);
    addChange(u, does, state, fn, one, ctx);
    for (const action of args) {
      const name = memberName(action);
      if (name !== undefined) (u.file.answers ??= []).push({ action: name, does });
    }
  });
  return state;
}

/** `createFeature({ name: 'line', reducer: createReducer(…) })`: a part that knows where it stands. */
function declareFeature(
  u: Unit,
  id: t.Identifier,
  call: t.CallExpression,
  calls: StoreCalls,
  ctx: Ctx,
): boolean {
  const options = call.arguments[0] && unwrap(call.arguments[0]);
  if (options?.type !== 'ObjectExpression') return false;
  const reducer = valueOf(options, 'reducer');
  const name = constantText(valueOf(options, 'name'));
  if (!reducer || name === undefined) return false;
  const at = spanOf(id);
  const part =
    calls.name(reducer) === 'createReducer'
      ? {
          kind: 'identity' as const,
          symbol: readReducerMade(u, id, unwrap(reducer) as t.CallExpression, calls, ctx),
          ...at,
        }
      : partAt(u, reducer, calls);
  if (part)
    addSymbol(u, { name: id.name, keptBy: id.name, kind: 'derived', init: partUnder(name, part, id), ...at });
  return part !== undefined;
}

/** `fleet.actions`: what is taken from a part is known by the part's own names. */
function isOfPart(u: Unit, init: t.Node): boolean {
  const bare = unwrap(init);
  if (bare.type !== 'MemberExpression' || bare.property.type !== 'Identifier') return false;
  const { binding } = bare.object as t.Identifier;
  const isPart = binding !== undefined && u.file.parts?.has(binding) === true;
  return isPart && /^(actions|reducer|selectors)$/.test(bare.property.name);
}

function declareState(u: Unit, id: t.Identifier, initial: t.Node | undefined, at: t.Node): number {
  const init = initial ? use(u, u.expr(initial, SETUP), SETUP) : undefined;
  const gives = init ? [init] : [];
  return addSymbol(
    u,
    { name: id.name, kind: 'state', ...spanOf(id), init: { kind: 'computed', gives, ...spanOf(at) } },
    id.binding,
  );
}

function declareSlice(u: Unit, id: t.Identifier, call: t.CallExpression, ctx: Ctx): boolean {
  const options = call.arguments[0] && unwrap(call.arguments[0]);
  if (options?.type !== 'ObjectExpression') return false;
  const state = declareState(u, id, valueOf(options, 'initialState'), call);
  if (id.binding) (u.file.parts ??= new Set()).add(id.binding);
  for (const { name, fn, at } of changesOf(options)) {
    const does = changeName(id.name, name);
    if (isFunction(fn)) addChange(u, does, state, fn, at, ctx, PAYLOAD);
    else addEntriesChange(u, does, state, fn, PAYLOAD, ctx);
  }
  const others = valueOf(options, 'extraReducers');
  if (others) readCases(u, id.name, state, others, ctx);
  return true;
}

/** The functions of a part by which its state is changed: each is a function, or prepares first what it is given. */
function changesOf(options: t.ObjectExpression): { name: string; fn: t.Node; at: t.Node }[] {
  const reducers = valueOf(options, 'reducers');
  if (reducers?.type !== 'ObjectExpression') return [];
  return reducers.properties.flatMap((one) => {
    const name = one.type === 'SpreadElement' ? undefined : keyName(one);
    if (one.type === 'SpreadElement' || name === undefined) return [];
    const value = one.type === 'ObjectMethod' ? one : unwrap(one.value);
    const fn = value.type === 'ObjectExpression' ? valueOf(value, 'reducer') : value;
    return fn && (isFunction(fn) || changesEntries(fn)) ? [{ name, fn, at: one.key }] : [];
  });
}

/** Reads a function of a state and what it is called with, as a function of the latter that writes the state. */
export function addChange(
  u: Unit,
  name: string,
  state: number,
  fn: t.Function,
  at: t.Node,
  ctx: Ctx,
  boxed?: string[],
): void {
  const [first] = fn.params;
  if (first?.type === 'Identifier' && first.binding) u.refs.set(first.binding, state);
  const { fn: index } = readFunction(u, fn, ctx, 'handler');
  if (index === undefined) return;
  for (const symbol of u.facts.symbols)
    if (symbol.kind === 'param' && symbol.within === index && symbol.index === 1) symbol.index = 0;
  if (boxed) u.facts.functions[index]!.boxed = boxed;
  // What it gives back is the state from then on.
  for (const given of u.facts.functions[index]!.gives ?? []) {
    const where = { where: 'handler' as const, fn: index, start: given.start, end: given.end };
    if (given.kind === 'identity' && given.symbol === state) continue;
    if (given.kind === 'object' && given.spreads?.some((one) => one.symbol === state))
      for (const one of given.members ?? [])
        u.facts.writes.push({ symbol: state, path: [one.name], value: one.value, ...where });
    else u.facts.writes.push({ symbol: state, value: given, ...where });
  }
  addSymbol(u, { name, kind: 'handler', fn: index, ...spanOf(at) });
}

/** What a part does when something else happens: `builder.addCase(load.fulfilled, (state, action) => …)`, or a table. */
function readCases(u: Unit, part: string, state: number, cases: t.Node, ctx: Ctx): void {
  const add = (action: t.Node | undefined, written: t.Node | undefined): void => {
    const name = action && memberName(unwrap(action));
    const fn = written && unwrap(written);
    if (!name || !fn || !(isFunction(fn) || changesEntries(fn))) return;
    const does = changeName(part, `on ${name}`);
    const [, step] = /\.(pending|fulfilled|rejected|settled)$/.exec(name) ?? [];
    const boxed = step === undefined ? PAYLOAD : ARGUMENT;
    if (isFunction(fn)) addChange(u, does, state, fn, action, ctx, boxed);
    else addEntriesChange(u, does, state, fn, boxed, ctx);
    (u.file.answers ??= []).push({
      action: name.replace(/\.(pending|fulfilled|rejected|settled|type)$/, ''),
      does,
    });
  };
  const look = (node: t.Node): void => {
    if (node.type === 'CallExpression' && node.callee.type === 'MemberExpression') {
      const { property } = node.callee;
      if (property.type === 'Identifier' && property.name === 'addCase')
        add(node.arguments[0], node.arguments[1]);
    }
    if (node.type === 'ObjectProperty' && node.computed) add(node.key, node.value);
    eachChild(node, look);
  };
  look(cases);
}

/** What a part is known by: its state, and the functions that change it. */
export function partValues(
  name: string,
  call: t.Node,
  calls: StoreCalls,
): Partial<ValueFact> & { more: ValueFact[] } {
  const options =
    calls.name(call) === 'createSlice' ? unwrap((unwrap(call) as t.CallExpression).arguments[0]!) : undefined;
  const more: ValueFact[] = [];
  const members: Record<string, string> = { reducer: name };
  if (options?.type === 'ObjectExpression')
    for (const change of changesOf(options)) {
      const known = changeName(name, change.name);
      members[`actions.${change.name}`] = known;
      more.push({ name: known, kind: 'function', ...spanOf(change.at) });
    }
  return { kind: 'object', members, more };
}

/** Adds what the parts of stores are known by to the values of a file. */
export function readParts(facts: FileFacts, made: { name: string; node: t.Node }[], calls: StoreCalls): void {
  for (const { name, node } of made) {
    if (calls.name(node) !== 'createSlice') continue;
    const value = facts.values.find((one) => one.name === name);
    const { more, ...known } = partValues(name, node, calls);
    if (!value) continue;
    Object.assign(value, known);
    delete value.madeBy;
    facts.values.push(...more);
  }
}
