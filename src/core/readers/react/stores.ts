/** Stores that packages make, known by what they offer: `const useFleet = create((set) => ({ … }))`. */
import type * as t from '@babel/types';
import type { ImportFact } from '../../model/facts';
import { readFunction } from '../script/functions';
import { isFunction } from '../script/scope';
import { memberName } from '../script/type-expr';
import { addSymbol, type Ctx, spanOf, type Unit, unwrap } from '../script/unit';

/** Functions by package that make a store from a function of its setter and getter. */
const MAKERS: Record<string, string[]> = {
  zustand: ['create', 'createStore'],
  'zustand/vanilla': ['createStore'],
  'zustand/traditional': ['createWithEqualityFn'],
};

/** The local names of such functions. */
export const storeMakers = (imports: ImportFact[]): Set<string> =>
  new Set(imports.filter((one) => MAKERS[one.from]?.includes(one.name)).map((one) => one.local));

/** Packages whose stores are read by what they are, here or elsewhere. */
const OTHERS = new Set([
  ...Object.keys(MAKERS),
  'jotai',
  'recoil',
  'redux',
  'react-redux',
  '@reduxjs/toolkit',
  'vuex',
  'react',
]);
/** What is called like this makes something that keeps a value, or hands on what it is told. */
const KEEPS =
  /^(?!use|get|set|is|map|select|with)\w*(Store|Atom|Signal|Subject|Observable|State|Cell|Proxy|Emitter|Bus)$|^(store|atom|signal|observable|cell|proxy|mitt)$/;

/** The local names of functions and classes of packages that make what a module keeps. */
export const keeperMakers = (imports: ImportFact[]): Set<string> =>
  new Set(
    imports
      .filter(({ from, name, local }) => {
        const isForeign = !from.startsWith('.') && !OTHERS.has(from);
        return isForeign && KEEPS.test(name === 'default' ? local : name);
      })
      .map((one) => one.local),
  );

/** Declares a store as state of its module, whose setter merges what it is given; gives back whether it is one. */
export function declareStore(
  u: Unit,
  id: t.LVal,
  init: t.Expression,
  makers: ReadonlySet<string>,
  ctx: Ctx,
): boolean {
  const fn =
    makers.size && u.facts.role === 'module' && id.type === 'Identifier' ? setUpOf(init, makers) : undefined;
  if (!fn || id.type !== 'Identifier') return false;
  const state = addSymbol(u, { name: id.name, kind: 'state', ...spanOf(id) }, id.binding);
  const [first, get] = fn.params;
  // `(...all) => ({ ...makeLine(...all) })`: who is given all is given the setter first.
  const set = first?.type === 'RestElement' ? first.argument : first;
  if (set?.type === 'Identifier')
    addSymbol(u, { name: set.name, kind: 'setter', of: state, merges: true, ...spanOf(set) }, set.binding);
  if (get?.type === 'Identifier' && get.binding) u.refs.set(get.binding, state);
  const written = set && set !== first ? { ...fn, params: [set as t.Identifier] } : fn;
  const read = readFunction(u, written, ctx, 'handler');
  const gives = read.fn === undefined ? undefined : u.facts.functions[read.fn]!.gives;
  if (gives) u.facts.symbols[state]!.init = { kind: 'computed', gives, ...spanOf(init) };
  return true;
}

/** The function that sets the store up: `create(fn)`, `create<T>()(fn)`, inside of what wraps it. */
function setUpOf(node: t.Node, makers: ReadonlySet<string>): t.Function | undefined {
  const call = unwrap(node);
  if (call.type !== 'CallExpression') return undefined;
  const callee = unwrap(call.callee);
  const maker = memberName(callee.type === 'CallExpression' ? callee.callee : callee);
  return maker !== undefined && makers.has(maker) ? firstFunction(call.arguments[0], 0) : undefined;
}

function firstFunction(node: t.Node | undefined, depth: number): t.Function | undefined {
  const bare = node && unwrap(node);
  if (!bare || depth > 6) return undefined;
  if (isFunction(bare)) return bare;
  return bare.type === 'CallExpression' ? firstFunction(bare.arguments[0], depth + 1) : undefined;
}
