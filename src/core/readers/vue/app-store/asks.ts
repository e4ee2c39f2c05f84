/**
 * What code asks of the app's store, by the public interface of the package that makes it: `$store.state.fleet.held`,
 * `store.getters['fleet/count']`, `store.commit('fleet/hold', true)`, `mapState('fleet', ['held'])`.
 */
import type * as t from '@babel/types';
import { constantText, memberKey } from '../../script/constants';
import { constantKey } from '../../script/keys';
import type { ExprFact, ImportFact, Span, StoreAsk } from '../../../model/facts';
import { readFunction } from '../../script/functions';
import { isFunction } from '../../script/scope';
import { keyName, memberName } from '../../script/type-expr';
import { addSymbol, type Call, type Ctx, noteRead, SETUP, spanOf, symbolOf, unwrap } from '../../script/unit';
import { isSelf } from '../names';
import { getterType } from '../state';
import type { VueUnit } from '../unit';

/** What changes a store, by the name of the function that asks for it. */
export const CHANGES = /^(commit|dispatch)$/;

export const fromStorePackage = (imports: ImportFact[], local: string | undefined): string | undefined =>
  imports.find((one) => one.local === local && one.from === 'vuex')?.name;

/** The symbol of the store, or of what a way leads to in it. */
export function storeSymbol(u: VueUnit, ask: StoreAsk, at: Span): number {
  const key = JSON.stringify(ask);
  let symbol = u.asked.get(key);
  if (symbol === undefined) {
    const { start, end } = at;
    const name = ask.path.at(-1) ?? '$store';
    symbol = addSymbol(u, { name, kind: 'shared', port: name, store: ask, start, end });
    u.asked.set(key, symbol);
  }
  return symbol;
}

export const storeItself = (u: VueUnit, at: t.Node): ExprFact => ({
  kind: 'identity',
  symbol: storeSymbol(u, { path: [] }, spanOf(at)),
  ...spanOf(at),
});

/** `useStore()` */
export const asksStore = (u: VueUnit, node: t.Node): boolean =>
  node.type === 'CallExpression' && fromStorePackage(u.imports, memberName(node.callee)) === 'useStore';

/** `const store = useStore()`, `const { commit, state } = useStore()` */
export function declareStore(u: VueUnit, pattern: t.LVal, path: string[] = [], of?: string): void {
  const ask: StoreAsk = { path, ...(of === undefined ? {} : { of }) };
  if (pattern.type === 'Identifier' && pattern.binding) {
    u.refs.set(pattern.binding, storeSymbol(u, ask, spanOf(pattern)));
    return;
  }
  if (pattern.type !== 'ObjectPattern') return;
  for (const property of pattern.properties) {
    if (property.type === 'RestElement') {
      declareStore(u, property.argument as t.LVal, path, of);
      continue;
    }
    const name = keyName(property);
    const value = property.value.type === 'AssignmentPattern' ? property.value.left : property.value;
    if (name !== undefined) declareStore(u, value as t.LVal, [...path, name], of);
  }
}

/** `const { state } = this.$store`, or a name for the store or a part of it. */
export function namesStore(u: VueUnit, pattern: t.LVal, init: t.Node): boolean {
  const ask = askedBy(u, init);
  if (ask) declareStore(u, pattern, ask.path, ask.of);
  return ask !== undefined;
}

/** What a chain of members asks of the store; nothing is noted as read by that. */
function askedBy(u: VueUnit, node: t.Node): StoreAsk | undefined {
  const bare = unwrap(node);
  if (bare.type === 'MemberExpression' || bare.type === 'OptionalMemberExpression') {
    if (isOwnStore(bare)) return { path: [] };
    const name = memberKey(bare);
    const inner = name === undefined ? undefined : askedBy(u, bare.object);
    return inner && { ...inner, path: [...inner.path, name!] };
  }
  if (bare.type === 'Identifier') {
    const symbol = symbolOf(u, bare);
    return symbol === undefined ? undefined : u.facts.symbols[symbol]!.store;
  }
  return asksStore(u, bare) ? { path: [] } : undefined;
}

type MemberNode = t.MemberExpression | t.OptionalMemberExpression;

const isOwnStore = (node: MemberNode): boolean =>
  isSelf(node.object) && memberName(node.property) === '$store';

/** What is kept apart: each getter, and each member of a state. */
const KEPT_APART = /^(state|getters|rootState|rootGetters)$/;

/** `store.state.held`, `getters['fleet/count']`: a way into the store. */
export function storeMember(u: VueUnit, node: MemberNode, ctx: Ctx | undefined): ExprFact | undefined {
  const ask = askedBy(u, node);
  if (!ask) return undefined;
  const own = KEPT_APART.test(ask.path[0] ?? '') ? 2 : 1;
  const symbol = storeSymbol(u, { ...ask, path: ask.path.slice(0, own) }, spanOf(node));
  const path = ask.path.slice(own);
  if (!path.length) return { kind: 'identity', symbol, ...spanOf(node) };
  if (ctx) noteRead(u, symbol, spanOf(node), ctx, path);
  return { kind: 'member', symbol, path, ...spanOf(node) };
}

/** What `store.commit('fleet/hold', value)` calls: the function that the name stands for. */
export function changeCalled(u: VueUnit, callee: ExprFact, node: Call): ExprFact | undefined {
  const name = constantKey(node.arguments[0]);
  if (name === undefined) return undefined;
  const at = spanOf(node);
  const known = callee.symbol === undefined ? undefined : u.facts.symbols[callee.symbol]!.store;
  if (known) {
    const path = [...known.path, ...(callee.path ?? [])];
    if (path.length !== 1 || !CHANGES.test(path[0]!)) return undefined;
    const ask = isOfRoot(node) ? { path } : { ...known, path };
    return { kind: 'member', symbol: storeSymbol(u, ask, at), path: [name], ...at };
  }
  // A store that is imported, or that a function gave back.
  const [imported] = callee.uses ?? [];
  const symbol = callee.symbol ?? (callee.component === undefined ? undefined : imported);
  const way = callee.component === undefined ? (callee.path ?? []) : callee.component.split('.').slice(1);
  if (symbol === undefined || !CHANGES.test(way.at(-1) ?? '')) return undefined;
  return { kind: 'member', symbol, path: [...way, name], ...at };
}

/** `commit('wind/set', value, { root: true })` */
function isOfRoot({ arguments: args }: Call): boolean {
  const options = args[2] && unwrap(args[2]);
  return (
    options?.type === 'ObjectExpression' &&
    options.properties.some(
      (one) => one.type === 'ObjectProperty' && keyName(one) === 'root' && isTrue(one.value),
    )
  );
}

const isTrue = (node: t.Node): boolean => node.type === 'BooleanLiteral' && node.value;

/** The way to what a helper of the package makes members of. */
const MAPPED: Record<string, StoreAsk> = {
  mapState: { path: ['state'] },
  mapGetters: { path: ['getters'] },
  mapMutations: { path: ['commit'], bare: true },
  mapActions: { path: ['dispatch'], bare: true },
};

/** `...mapState('fleet', ['held'])`: gives back whether the members that it brings are all known. */
export function declareMapped(u: VueUnit, call: t.CallExpression, later: (() => void)[]): boolean {
  const known = helperOf(u, call);
  const list = call.arguments.at(-1);
  const bare = list && unwrap(list);
  if (!known || !bare) return false;
  const [first] = call.arguments;
  const space = known.space ?? (call.arguments.length > 1 ? constantText(first) : '');
  const add = (name: string, way: string | undefined, at: t.Node): void => {
    const { path, ...ask } = MAPPED[known.name]!;
    const symbol = addSymbol(u, { name, kind: 'derived', ...spanOf(at) });
    u.members.set(name, symbol);
    if (way === undefined || space === undefined) return;
    const inside = path[0] === 'state' ? [...segments(space), way] : [space ? `${space}/${way}` : way];
    const store = storeSymbol(u, { ...ask, path }, spanOf(at));
    u.facts.symbols[symbol]!.init = { kind: 'member', symbol: store, path: inside, ...spanOf(at) };
  };
  if (bare.type === 'ArrayExpression') {
    for (const one of bare.elements) {
      const name = constantText(one ?? undefined);
      if (name === undefined) return false;
      add(name, name, one!);
    }
    return true;
  }
  if (bare.type !== 'ObjectExpression') return false;
  for (const one of bare.properties) {
    const name = one.type === 'SpreadElement' ? undefined : keyName(one);
    if (one.type === 'SpreadElement' || name === undefined) return false;
    const value = one.type === 'ObjectMethod' ? one : unwrap(one.value);
    add(name, isFunction(value) ? undefined : constantKey(value), one.key);
    const symbol = u.members.get(name)!;
    if (isFunction(value) && known.name === 'mapState')
      later.push(() => readPicked(u, value, symbol, segments(space ?? '')));
  }
  return true;
}

const segments = (space: string): string[] => space.split('/').filter(Boolean);

/** `held: (state) => state.fleet.held` */
function readPicked(u: VueUnit, fn: t.Function, symbol: number, space: string[]): void {
  const [state, getters] = fn.params;
  if (state) declareStore(u, state as t.LVal, ['state', ...space]);
  if (getters && !space.length) declareStore(u, getters as t.LVal, ['getters']);
  const read = readFunction(u, fn, SETUP, 'derivation');
  const gives = read.fn === undefined ? undefined : u.facts.functions[read.fn]!.gives;
  const fact = u.facts.symbols[symbol]!;
  fact.init = { kind: 'computed', uses: read.uses ?? [], ...(gives ? { gives } : {}), ...spanOf(fn) };
  fact.type = getterType(u, fn);
}

/** The helper of the package that a call calls; one that was made for a part of the store knows which. */
function helperOf(u: VueUnit, call: t.CallExpression): { name: string; space?: string } | undefined {
  const { callee } = call;
  const name = fromStorePackage(u.imports, memberName(callee));
  if (name !== undefined) return name in MAPPED ? { name } : undefined;
  const maker = callee.type === 'Identifier' ? callee.binding : undefined;
  if (maker?.node.type !== 'VariableDeclarator') return undefined;
  const { id, init } = maker.node;
  const made = init && unwrap(init);
  if (made?.type !== 'CallExpression' || id.type !== 'ObjectPattern') return undefined;
  if (fromStorePackage(u.imports, memberName(made.callee)) !== 'createNamespacedHelpers') return undefined;
  const taken = id.properties.find(
    (one) => one.type === 'ObjectProperty' && memberName(one.value) === maker.name,
  );
  const own = taken?.type === 'ObjectProperty' ? keyName(taken) : undefined;
  const space = constantText(made.arguments[0]);
  return own !== undefined && own in MAPPED && space !== undefined ? { name: own, space } : undefined;
}
