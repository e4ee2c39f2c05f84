/**
 * The parts of an app's store, by the public interface of the package that makes it: objects of a state, getters,
 * mutations, actions and further parts; in one file, or each of these in a file of its own.
 */
import { nameFromPath } from '../../../model/names';
import type * as t from '@babel/types';
import type { StorePartFact, StoreTableFact } from '../../../model/facts';
import { readFunction } from '../../script/functions';
import { isFunction, type NamedNode } from '../../script/scope';
import { keyName, memberName } from '../../script/type-expr';
import { addSymbol, SETUP, spanOf, unwrap, use } from '../../script/unit';
import { eachChild } from '../../script/walk';
import type { VueFile } from '../file-facts';
import { returnedObject } from '../options/members';
import type { VueUnit } from '../unit';
import { constantText } from '../../script/constants';
import { constantKey } from '../../script/keys';
import { declareStore, fromStorePackage } from './asks';

type TableKind = keyof StorePartFact['tables'];

const TABLES: Record<string, TableKind> = { getters: 'getters', mutations: 'commit', actions: 'dispatch' };
const MEMBERS = /^(namespaced|state|getters|mutations|actions|modules|plugins|strict|devtools|name)$/;

interface Reading {
  vue: VueFile;
  u: VueUnit;
  parts: StorePartFact[];
  tables: StoreTableFact[];
}

/** Reads the parts of stores that a file declares, into the unit of its loose code. */
export function readParts(vue: VueFile, u: VueUnit): void {
  const reading: Reading = { vue, u, parts: [], tables: [] };
  const named = vue.scopes.named.filter((one) => one.scope.parent === undefined);
  const read = new Set<t.Node>();
  for (const node of madeStores(vue)) {
    const [options] = node.arguments;
    const object = options && unwrap(options);
    const name = named.find((one) => unwrap(one.node) === node);
    if (object?.type !== 'ObjectExpression') continue;
    read.add(object);
    const own = nameOf(name);
    readPart(reading, object, own ?? `#${node.start}`).root = true;
    // Whoever imports it has the store itself.
    if (own !== undefined)
      addSymbol(u, { name: own, kind: 'shared', port: own, store: { path: [] }, ...spanOf(node) });
  }
  for (const one of named) {
    const node = unwrap(one.node);
    if (node.type !== 'ObjectExpression' || read.has(node)) continue;
    const name = nameOf(one)!;
    if (isPart(node)) readPart(reading, node, name);
    else if (isTable(node, name)) readTable(reading, node, name);
  }
  readExported(reading, named);
  readRegistered(reading);
  const { parts, tables } = reading;
  if (parts.length || tables.length) vue.facts.store = { parts, tables };
}

const nameOf = (one: NamedNode | undefined): string | undefined =>
  one && (one.id?.name ?? (one.name || 'default'));

/** `createStore({…})`, `new Vuex.Store({…})`, wherever in the file. */
function madeStores({ facts, program }: VueFile): (t.CallExpression | t.NewExpression)[] {
  if (!facts.imports.some((one) => one.from === 'vuex')) return [];
  const found: (t.CallExpression | t.NewExpression)[] = [];
  const look = (node: t.Node): void => {
    if (node.type === 'CallExpression' || node.type === 'NewExpression') {
      const [space, member] = (memberName(node.callee) ?? '').split('.') as [string, string?];
      const own = fromStorePackage(facts.imports, space);
      if ((own === 'default' || own === '*' ? member : own)?.match(/^(createStore|Store)$/)) found.push(node);
    }
    eachChild(node, look);
  };
  look(program);
  return found;
}

function isPart({ properties }: t.ObjectExpression): boolean {
  const names = properties.map((one) => (one.type === 'SpreadElement' ? undefined : keyName(one)));
  if (names.some((name) => name === undefined || !MEMBERS.test(name))) return false;
  const own = names.filter((name) => name === 'state' || TABLES[name!] !== undefined || name === 'modules');
  return own.length > 1 || (names.includes('namespaced') && own.length > 0);
}

/** Whether an object holds functions that a store calls, by its name or by what they are given. */
function isTable({ properties }: t.ObjectExpression, name: string): boolean {
  const functions = properties.flatMap((one) => functionAt(one) ?? []);
  if (!functions.length) return false;
  return TABLES[name] !== undefined || functions.some((fn) => givenTo(fn.params[0]));
}

const CONTEXT = /^(commit|dispatch|rootState|rootGetters)$/;

/** Whether a parameter is a state, or the context of an action. */
function givenTo(param: t.Node | undefined): boolean {
  if (param?.type === 'Identifier') return param.name === 'state';
  return (
    param?.type === 'ObjectPattern' &&
    param.properties.some((one) => one.type === 'ObjectProperty' && CONTEXT.test(keyName(one) ?? ''))
  );
}

function functionAt(property: t.ObjectExpression['properties'][number]): t.Function | undefined {
  if (property.type === 'SpreadElement') return undefined;
  const value = property.type === 'ObjectMethod' ? property : unwrap(property.value);
  if (isFunction(value)) return value;
  // An action may be an object, to be known by its own name everywhere.
  const handler =
    value.type === 'ObjectExpression'
      ? value.properties.find((one) => one.type !== 'SpreadElement' && keyName(one) === 'handler')
      : undefined;
  return handler && functionAt(handler);
}

const newPart = (name: string): StorePartFact => ({
  name,
  tables: { getters: [], commit: [], dispatch: [] },
  parts: [],
});

function readPart(reading: Reading, object: t.ObjectExpression, name: string): StorePartFact {
  const part = newPart(name);
  reading.parts.push(part);
  for (const property of object.properties) {
    const key = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (property.type === 'SpreadElement' || key === undefined) continue;
    const value = property.type === 'ObjectMethod' ? property : unwrap(property.value);
    if (key === 'namespaced' && value.type === 'BooleanLiteral' && value.value) part.namespaced = true;
    else if (key === 'state') readState(reading, part, value);
    else if (key === 'modules') readInner(reading, part, value);
    else if (TABLES[key]) part.tables[TABLES[key]].push(...tablesOf(reading, value, `${name}.${key}`, key));
  }
  return part;
}

/** A state: an object, or a function that gives one. */
function readState({ u, vue }: Reading, part: StorePartFact, node: t.Node): void {
  const value = declared(node) ?? node;
  const given = isFunction(value) ? returnedObject(value) : value;
  const init = given && use(u, u.expr(given, SETUP), SETUP);
  const name = /^(default|)$|^#/.test(part.name) ? nameFromPath(vue.file.path) : part.name;
  part.state = addSymbol(u, { name, kind: 'state', ...spanOf(node), ...(init ? { init } : {}) });
}

/** What a name of the file's own stands for. */
function declared(node: t.Node): t.Node | undefined {
  const found = node.type === 'Identifier' ? node.binding?.node : undefined;
  if (found?.type === 'FunctionDeclaration') return found;
  return found?.type === 'VariableDeclarator' && found.init ? unwrap(found.init) : undefined;
}

function readInner(reading: Reading, part: StorePartFact, node: t.Node): void {
  const name = memberName(node);
  if (name !== undefined) part.parts.push({ from: name });
  if (node.type !== 'ObjectExpression') return;
  for (const one of node.properties) {
    if (one.type === 'SpreadElement') {
      const from = memberName(one.argument);
      if (from !== undefined) part.parts.push({ from });
      continue;
    }
    const as = keyName(one);
    const value = one.type === 'ObjectProperty' ? unwrap(one.value) : undefined;
    const given = value && memberName(value);
    if (as === undefined || !value) continue;
    if (given !== undefined) part.parts.push({ as, name: given });
    else if (value.type === 'ObjectExpression') {
      const inner = `${part.name}.${as}`;
      readPart(reading, value, inner);
      part.parts.push({ as, name: inner });
    }
  }
}

/** The tables that an expression puts together: written in place, spread in, or by name. */
function tablesOf(reading: Reading, node: t.Node, name: string, key: string): string[] {
  const own = memberName(node);
  if (own !== undefined) return [own];
  if (node.type !== 'ObjectExpression') return [];
  const spread = node.properties.flatMap((one) =>
    one.type === 'SpreadElement' ? (memberName(one.argument) ?? []) : [],
  );
  readTable(reading, node, name, TABLES[key]);
  return [...spread, name];
}

function readTable(reading: Reading, object: t.ObjectExpression, name: string, kind = TABLES[name]): void {
  const functions = object.properties.flatMap((one) => {
    if (one.type === 'SpreadElement') return [];
    const fn = functionAt(one);
    const key = keyName(one) ?? constantKey(one.key);
    return fn && key !== undefined ? [{ name: key, fn }] : [];
  });
  addTable(reading, name, functions, kind);
}

function addTable(
  { u, vue, tables }: Reading,
  name: string,
  functions: { name: string; fn: t.Function }[],
  kind: TableKind | undefined,
): void {
  const table: StoreTableFact = { name, functions: [] };
  tables.push(table);
  for (const { name: key, fn } of functions) {
    declareGiven(u, fn, name, kind);
    const read = readFunction(u, fn, SETUP, kind === 'getters' ? 'derivation' : 'handler').fn;
    if (read === undefined) continue;
    table.functions.push({ name: key, fn: read });
    // Not once more with the rest of the loose code.
    vue.file.units.set(fn, key);
  }
}

/** What the parameters of a function stand for that a store calls. */
function declareGiven(u: VueUnit, fn: t.Function, of: string, kind: TableKind | undefined): void {
  const [first, second, third, fourth] = fn.params as t.LVal[];
  if (!first) return;
  const isAction = kind === 'dispatch' || (kind === undefined && !isNamedState(first));
  if (isAction) {
    declareStore(u, first, [], of);
    return;
  }
  declareStore(u, first, ['state'], of);
  if (kind !== 'getters') return;
  if (second) declareStore(u, second, ['getters'], of);
  if (third) declareStore(u, third, ['rootState'], of);
  if (fourth) declareStore(u, fourth, ['rootGetters'], of);
}

const isNamedState = (param: t.Node): boolean => param.type === 'Identifier' && param.name === 'state';

/** A file whose exports together are a part, or a table: `export const mutations = {…}`, `export function load({ commit })`. */
function readExported(reading: Reading, named: NamedNode[]): void {
  const { facts, file } = reading.vue;
  const names = new Map(
    facts.exports.flatMap((one) => (one.local === undefined ? [] : [[one.local, one.name]])),
  );
  const exported = named.filter((one) => one.id && names.get(one.id.name) === one.id.name);
  const at = (name: string) => exported.find((one) => one.id!.name === name);
  const found = Object.keys(TABLES).filter((key) => at(key));
  if (found.length > 0 && at('state')) {
    const part: StorePartFact = { ...newPart(''), namespaced: true };
    for (const key of found) part.tables[TABLES[key]!].push(key);
    readState(reading, part, unwrap(at('state')!.node));
    reading.parts.push(part);
    return;
  }
  const kind = TABLES[nameFromPath(file.path).toLowerCase()];
  if (!kind) return;
  const functions = exported.flatMap((one) => {
    const fn = unwrap(one.node);
    return isFunction(fn) && fn.params.length ? [{ name: one.id!.name, fn }] : [];
  });
  if (functions.length) addTable(reading, '', functions, kind);
}

/** `store.registerModule('fleet', fleet)` */
function readRegistered({ vue, parts }: Reading): void {
  const look = (node: t.Node): void => {
    if (node.type === 'CallExpression' && memberName(node.callee)?.endsWith('.registerModule')) {
      const [way, given] = node.arguments;
      const as = constantText(way);
      const name = given && memberName(given);
      if (as !== undefined && name !== undefined)
        parts.push({ ...newPart(`#${node.start}`), root: true, parts: [{ as, name }] });
    }
    eachChild(node, look);
  };
  if (vue.file.text.includes('registerModule')) look(vue.program);
}
