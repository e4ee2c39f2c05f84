/** React's hooks and markup, as a dialect of plain code. */
import type * as t from '@babel/types';
import type { ExprFact, Span, SymbolFact } from '../../model/facts';
import { UNKNOWN, widen, type TypeExpr } from '../../model/types';
import { addConsume, typeOfKey } from '../script/contexts';
import { functionOf, heldByName, resultByName } from '../script/by-name';
import { workedOut } from '../script/results';
import { readFunction } from '../script/functions';
import { infer } from '../script/infer';
import { declarePattern } from '../script/patterns';
import { place, shownBy } from '../script/placing';
import { isFunction } from '../script/scope';
import { noteTarget } from '../script/targets';
import { keyName, memberName, readType, typeArguments } from '../script/type-expr';
import {
  addNode,
  addSymbol,
  inferContext,
  mergeContent,
  mergeUses,
  spanOf,
  symbolOf,
  typeOf,
  unwrap,
  use,
  usesOf,
  type Ctx,
  type Dialect,
  type Unit,
} from '../script/unit';
import { declareAddress, readAddress } from './address';
import { type Atoms, declareAtom, readAtomCall } from './atoms';
import { controlOf, declareForm, type Forms, readFormCall } from './hook-forms';
import { readClone, readCreate } from './elements';
import { MAKER } from './kept';
import { noteTold } from './reducers';
import { askLayout, type RouterNames } from './routes';
import type { ReactNames } from './names';
import { readExposed } from './refs';
import { declarePart } from './slices';
import type { StoreCalls } from '../script/store-calls';
import { readEntries } from './entities';
import { declareStore } from './stores';

const EFFECTS = new Set(['useEffect', 'useLayoutEffect', 'useInsertionEffect', 'useImperativeHandle']);

/** Hooks, what picks a part of what a store keeps, and what makes something that is kept. */
const FOLLOWED = new RegExp(`${/(^|\.)(use|select)[A-Z]|Selector$/.source}|${MAKER.source}`);

type Call = t.CallExpression | t.OptionalCallExpression;

const asCall = (node: t.Node): Call | undefined =>
  node.type === 'CallExpression' || node.type === 'OptionalCallExpression' ? node : undefined;

/** React's name of what is called, or undefined if it is something else. */
export function calledHook(names: ReactNames, node: t.Node): string | undefined {
  const call = asCall(node);
  const name = call && memberName(call.callee);
  return name === undefined ? undefined : names.own(name);
}

/** What a file calls of packages besides the framework. */
export interface Packages {
  /** The local names of functions that make stores. */
  makers: ReadonlySet<string>;
  stores: StoreCalls;
  atoms: Atoms | undefined;
  forms: Forms | undefined;
  router: RouterNames;
}

export function reactDialect(names: ReactNames, { makers, stores, atoms, forms, router }: Packages): Dialect {
  return {
    tells: true,
    written: noteTold,
    declare(u, pattern, init, ctx) {
      const hook = calledHook(names, init);
      if (hook === undefined)
        return (
          declareStore(u, pattern, init, makers, ctx) ||
          (atoms !== undefined && declareAtom(u, pattern, init, atoms, ctx)) ||
          (forms !== undefined && declareForm(u, pattern, init, forms, ctx)) ||
          declareAsked(u, pattern, init, router, ctx) ||
          declareAddress(u, pattern, init, router, ctx) ||
          declarePart(u, pattern, init, stores, ctx) ||
          declareSelf(u, pattern, init, ctx)
        );
      const call = init as t.CallExpression;
      switch (hook) {
        case 'useState':
        case 'useReducer':
        case 'useOptimistic':
          return declareState(u, pattern, call, ctx, hook === 'useReducer');
        case 'useCallback':
          return declareCallback(u, pattern, call, ctx);
        case 'useMemo':
          return declareMemo(u, pattern, call, ctx);
        case 'useRef':
        case 'createRef':
          if (pattern.type !== 'Identifier') return false;
          addSymbol(
            u,
            {
              name: pattern.name,
              kind: 'ref',
              ...boxOf(u, call, ctx),
              ...spanOf(pattern),
              ...(call.arguments[0]?.type === 'NullLiteral' ? { empty: true } : {}),
            },
            pattern.binding,
          );
          return true;
        case 'useContext':
        case 'use':
          return declareContext(u, pattern, call, ctx);
        case 'createContext':
          return declareDefault(u, pattern, call, ctx);
      }
      return false;
    },
    call(u, node, ctx) {
      // What is bound is called as before.
      const [bound, ...others] = stores.name(node) === 'bindActionCreators' ? node.arguments : [];
      if (bound) {
        for (const one of others) use(u, u.expr(one, ctx), ctx);
        return use(u, u.expr(bound, ctx), ctx);
      }
      const entries = stores.any ? readEntries(u, node, ctx) : undefined;
      if (entries) return entries;
      if (node.callee.type === 'Super') return { kind: 'computed', ...spanOf(node) };
      if (memberName(node.callee) === undefined && isSuperRender(node.callee))
        return { kind: 'computed', ...spanOf(node), content: [drawBase(u, node, ctx)] };
      if (memberName(node.callee) === undefined && isSetState(node.callee)) return writeState(u, node, ctx);
      const hook = calledHook(names, node);
      if (hook === 'createRoot' || hook === 'hydrateRoot') noteTarget(u, node.arguments[0]);
      else if (names.hasDom && (hook === 'render' || hook === 'hydrate')) noteTarget(u, node.arguments[1]);
      if (isMount(names, node)) return readMount(u, node, ctx);
      if (hook === undefined)
        return (
          readAddress(u, node, ctx) ??
          (atoms && readAtomCall(u, node, atoms, ctx)) ??
          (forms && readFormCall(u, node, forms, ctx)) ??
          askLayout(u, node, ctx, router)
        );
      if (EFFECTS.has(hook)) {
        const known = u.facts.exposes?.length ?? 0;
        if (hook === 'useImperativeHandle') readExposed(u, node);
        const parts = node.arguments.map((arg) =>
          use(u, u.expr(arg, { ...ctx, where: 'effect' }), ctx, 'effect'),
        );
        const exposes = u.facts.exposes?.[known];
        if (exposes && parts[1]) exposes.value = workedOut(u, parts[1]);
        return { kind: 'computed', ...spanOf(node) };
      }
      if (hook === 'useCallback' && node.arguments[0]) {
        if (node.arguments[1]) use(u, u.expr(node.arguments[1], ctx), ctx);
        return { ...u.expr(node.arguments[0], ctx), stable: true };
      }
      if (hook === 'useMemo') return readMemo(u, node, ctx);
      if (hook === 'cloneElement') return readClone(u, node, ctx);
      if (hook !== undefined && /^Children\.(map|forEach)$/.test(hook)) return readEach(u, node, ctx);
      if (hook === 'useContext' || hook === 'use') return consume(u, node, ctx);
      if (hook === 'useSyncExternalStore') return readSnapshot(u, node, ctx);
      if (hook === 'createElement' || hook === 'jsx' || hook === 'jsxs')
        return readCreate(u, node, ctx, names);
      if (hook === 'createPortal' && node.arguments[0]) {
        const content = u.expr(node.arguments[0], ctx);
        noteTarget(u, node.arguments[1]);
        for (const arg of node.arguments.slice(1)) use(u, u.expr(arg, ctx), ctx);
        const portal = addNode(u, { kind: 'group', portal: true, ...spanOf(node) }, ctx);
        place(u, shownBy(u, use(u, content, ctx, 'text')), portal);
        return { kind: 'content', content: [portal], ...spanOf(node), type: { t: 'content' } };
      }
      return undefined;
    },
    follows: FOLLOWED,
    shares: true,
    captures: true,
    self: (u, node, ctx) => readSelf(u, node) ?? (forms && controlOf(u, node, forms, ctx)),
    assign: () => false,
  };
}

/** `Children.map(children, (child) => …)` is `children.map((child) => …)`. */
function readEach(u: Unit, node: Call, ctx: Ctx): ExprFact | undefined {
  const [list, ...others] = node.arguments;
  if (!list || !others.length || list.type === 'SpreadElement') return undefined;
  const { property } = node.callee as t.MemberExpression;
  const callee = { ...node.callee, type: 'MemberExpression', object: list, property, computed: false };
  return u.expr({ ...node, callee: callee as t.MemberExpression, arguments: others }, ctx);
}

/** `useSyncExternalStore(subscribe, snapshot)` is `snapshot()`, whenever that changes. */
function readSnapshot(u: Unit, node: Call, ctx: Ctx): ExprFact | undefined {
  const [subscribe, snapshot, ...others] = node.arguments;
  if (!subscribe || !snapshot || snapshot.type === 'SpreadElement' || snapshot.type === 'ArgumentPlaceholder')
    return undefined;
  for (const one of [subscribe, ...others]) use(u, u.expr(one, { ...ctx, where: 'effect' }), ctx, 'effect');
  return u.expr({ ...node, callee: snapshot, arguments: [] }, ctx);
}

/** The type of a box that starts with something. */
function boxOf(u: Unit, call: t.CallExpression, ctx: Ctx): Pick<SymbolFact, 'type' | 'init'> {
  const [first] = call.arguments;
  if (!first || first.type === 'NullLiteral') return {};
  const at = spanOf(first);
  const value = use(u, u.expr(first, ctx), ctx);
  const init: ExprFact = { kind: 'object', members: [{ name: 'current', value, ...at }], ...at };
  const [written] = typeArguments(call);
  const type = written ? readType(written, u.file.named) : widen(typeOf(u, first));
  if (type.t === 'unknown') return { init };
  return { init, type: { t: 'object', members: [{ name: 'current', type, start: -1, end: -1 }] } };
}

/** `const { props, hold } = this`: each is the member. */
function declareThis(u: Unit, pattern: t.ObjectPattern, ctx: Ctx): boolean {
  for (const property of pattern.properties) {
    if (property.type === 'RestElement') return false;
    const name = keyName(property);
    const symbol = name === undefined ? undefined : u.members.get(name);
    const value = property.value as t.LVal;
    if (symbol === undefined) continue;
    if (value.type === 'Identifier' && value.binding) u.refs.set(value.binding, symbol);
    else if (u.facts.symbols[symbol]!.kind === 'bag')
      declarePattern(u, value, { kind: 'identity', symbol, ...spanOf(property) }, ctx, { kind: 'derived' });
  }
  return true;
}

/** `const { a } = this.props` and `const { b } = this.state`. */
function declareSelf(u: Unit, pattern: t.LVal, init: t.Expression, ctx: Ctx): boolean {
  if (pattern.type !== 'ObjectPattern') return false;
  if (init.type === 'ThisExpression') return u.members.size > 0 && declareThis(u, pattern, ctx);
  if (init.type !== 'MemberExpression') return false;
  if (init.object.type !== 'ThisExpression' || init.property.type !== 'Identifier') return false;
  if (init.property.name !== 'state') return false;
  for (const property of pattern.properties) {
    if (property.type === 'RestElement') continue;
    const name = keyName(property);
    let value: t.Node = property.value;
    if (value.type === 'AssignmentPattern') value = value.left;
    if (name !== undefined && value.type === 'Identifier' && value.binding) {
      u.refs.set(value.binding, stateSymbol(u, name, spanOf(property.key)));
    }
  }
  return true;
}

export function stateSymbol(u: Unit, name: string, at: Span): number {
  const known = u.members.get(`state.${name}`);
  if (known !== undefined) return known;
  const index = addSymbol(u, { name, kind: 'state', ...at });
  u.members.set(`state.${name}`, index);
  return index;
}

/** `super.render` */
const isSuperRender = (node: t.Node): boolean =>
  node.type === 'MemberExpression' &&
  node.object.type === 'Super' &&
  node.property.type === 'Identifier' &&
  node.property.name === 'render';

/** A node for what the base class draws. */
export const drawBase = (u: Unit, node: t.Node, ctx: Ctx): number =>
  addNode(u, { kind: 'group', inherited: true, ...spanOf(node) }, ctx);

/** What React's own base class has, which no class of the project declares. */
const BASE_MEMBERS = /^(state|refs|setState|forceUpdate)$/;

/** The symbol of a member that a base declares: which one that is, is known when files are linked. */
function inheritedMember(u: Unit, id: t.Identifier): number | undefined {
  if (!u.facts.mixins?.length || BASE_MEMBERS.test(id.name)) return undefined;
  const symbol = addSymbol(u, { name: id.name, kind: 'inherited', port: id.name, ...spanOf(id) });
  u.members.set(id.name, symbol);
  return symbol;
}

/** `this.props.x`, `this.state.x`, `this.method` of a class component. */
function readSelf(u: Unit, node: t.MemberExpression | t.OptionalMemberExpression): ExprFact | undefined {
  if (u.node.type !== 'ClassDeclaration' && u.node.type !== 'ClassExpression') return undefined;
  const { object, property } = node;
  if (node.computed || property.type !== 'Identifier') return undefined;
  if (object.type === 'ThisExpression') {
    const symbol = u.members.get(property.name) ?? inheritedMember(u, property);
    return symbol === undefined ? undefined : { kind: 'identity', symbol, ...spanOf(node) };
  }
  if (object.type !== 'MemberExpression' || object.object.type !== 'ThisExpression') return undefined;
  if (object.computed || object.property.type !== 'Identifier') return undefined;
  if (object.property.name === 'state') {
    return { kind: 'identity', symbol: stateSymbol(u, property.name, spanOf(property)), ...spanOf(node) };
  }
  return undefined;
}

/** `root.render(…)` and `hydrateRoot(element, …)`, where the file has a DOM root to render into. */
function isMount(names: ReactNames, node: Call): boolean {
  const own = calledHook(names, node);
  if (own === 'hydrateRoot' || own === 'hydrate' || (own === 'render' && names.hasDom)) return true;
  const { callee } = node;
  return (
    names.hasDom &&
    callee.type === 'MemberExpression' &&
    callee.property.type === 'Identifier' &&
    callee.property.name === 'render' &&
    callee.object.type !== 'ThisExpression' &&
    !isEntry(callee.object, node.arguments[0])
  );
}

/** One of a list, or what somebody was given, is no root, unless markup is rendered into it. */
const isEntry = (object: t.Node, given: t.Node | undefined): boolean =>
  object.type === 'Identifier' && object.binding?.kind === 'param' && !/^JSX/.test(given?.type ?? '');

function readMount(u: Unit, node: Call, ctx: Ctx): ExprFact {
  use(u, u.expr(node.callee, ctx), ctx);
  const parts = node.arguments.map((arg) => use(u, u.expr(arg, ctx), ctx, 'argument'));
  for (const part of parts)
    for (const one of part.content ?? [])
      if (typeof one === 'number') u.facts.render[one]!.mounted = spanOf(node);
  // What is mounted stands in a tree of its own: whoever makes the call does not draw it.
  return { kind: 'computed', ...spanOf(node) };
}

const isSetState = (node: t.Node): boolean =>
  node.type === 'MemberExpression' &&
  node.object.type === 'ThisExpression' &&
  node.property.type === 'Identifier' &&
  node.property.name === 'setState';

/** What a function gives back that works out the next state: the members of its objects are those of the state. */
export function writeMembers(u: Unit, given: ExprFact[], { where, fn }: Pick<Ctx, 'where' | 'fn'>): void {
  for (const one of given) {
    writeMembers(u, one.gives ?? [], { where, fn });
    for (const { name, value, start, end } of one.members ?? [])
      u.facts.writes.push({ symbol: stateSymbol(u, name, { start, end }), value, where, fn, start, end });
  }
}

/** `this.setState({ a: … })` writes the members of the state by name. */
function writeState(u: Unit, node: Call, ctx: Ctx): ExprFact {
  const [next, ...others] = node.arguments;
  const written = next && unwrap(next);
  let object: t.Node | undefined = written;
  if (written && isFunction(written)) object = unwrap(written.body);
  if (next) {
    const read = use(u, u.expr(next, ctx), ctx);
    const [given] = read.fn === undefined ? [read] : (u.facts.functions[read.fn]!.gives ?? []);
    const value = given ?? read;
    if (object?.type === 'ObjectExpression') {
      for (const property of object.properties) {
        const name = property.type === 'ObjectProperty' ? keyName(property) : undefined;
        if (name === undefined || property.type !== 'ObjectProperty') continue;
        const part = value.members?.find((one) => one.name === name)?.value;
        u.facts.writes.push({
          symbol: stateSymbol(u, name, spanOf(property.key)),
          ...(part ? { value: part } : {}),
          where: ctx.where,
          fn: ctx.fn,
          ...spanOf(property),
        });
      }
    } else if (read.fn !== undefined) writeMembers(u, u.facts.functions[read.fn]!.gives ?? [], ctx);
  }
  for (const other of others) use(u, u.expr(other, ctx), ctx);
  return { kind: 'computed', ...spanOf(node) };
}

function declareState(u: Unit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx, reducer: boolean): boolean {
  if (pattern.type !== 'ArrayPattern') return false;
  const [value, setter] = pattern.elements;
  const first = call.arguments[reducer ? 1 : 0];
  const by = reducer && call.arguments[0] ? use(u, u.expr(call.arguments[0], ctx), ctx) : undefined;
  const init = reducer ? startOfReducer(u, call, ctx) : first && startOf(u, first, call, ctx);
  const written = typeArguments(call)[0];
  let type: TypeExpr = UNKNOWN;
  if (!reducer) {
    if (written) type = readType(written, u.file.named);
    else if (first) {
      const initial = typeOf(u, first);
      const given = unwrap(first);
      // What a function gives back is what it starts with; whether a name is one may be known when files are linked.
      if (functionOf(given)) type = { t: 'ret', of: initial };
      else
        type = isNamed(given) ? { t: 'wide', of: { t: 'ret', of: initial, orSelf: true } } : widen(initial);
    }
  }
  let state = -1;
  if (value?.type === 'Identifier') {
    state = addSymbol(
      u,
      {
        name: value.name,
        kind: 'state',
        ...spanOf(value),
        ...(init ? { init } : {}),
        ...(type.t === 'unknown' ? {} : { type }),
      },
      value.binding,
    );
  } else if (value) {
    state = addSymbol(u, { name: 'state', kind: 'state', ...spanOf(value), ...(init ? { init } : {}) });
    declarePattern(u, value, { kind: 'identity', symbol: state, ...spanOf(value) }, ctx, { kind: 'derived' });
  }
  if (setter?.type === 'Identifier') {
    if (state < 0) {
      // Only written: the state has no name of its own.
      const name = setter.name.replace(/^set(?=[A-Z])/, '');
      state = addSymbol(u, {
        name: name[0]!.toLowerCase() + name.slice(1),
        kind: 'state',
        ...spanOf(setter),
      });
    }
    addSymbol(
      u,
      {
        name: setter.name,
        kind: 'setter',
        of: state,
        ...(u.file.untyped ? { untyped: true as const } : {}),
        ...(by ? { by } : {}),
        ...spanOf(setter),
        type: { t: 'fn', params: [{ name: 'value', type: UNKNOWN }], returns: { t: 'prim', n: 'void' } },
      },
      setter.binding,
    );
  }
  return true;
}

const isNamed = (node: t.Node): boolean => node.type === 'Identifier' || node.type === 'MemberExpression';

/** It starts with what a function gives back, and holds no function. */
function startOf(u: Unit, first: t.Node, call: Call, ctx: Ctx): ExprFact {
  const named = heldByName(u, first, call, ctx);
  if (named) return named;
  const starts = use(u, u.expr(first, ctx), ctx);
  return starts.kind === 'function' ? workedOut(u, starts) : starts;
}

/** `useReducer(reduce, start, begin)`: with what `begin(start)` gives back. */
function startOfReducer(u: Unit, call: Call, ctx: Ctx): ExprFact | undefined {
  const [, first, begin, ...others] = call.arguments;
  for (const arg of others) use(u, u.expr(arg, ctx), ctx);
  if (!first) return undefined;
  if (!begin || begin.type === 'NullLiteral') return use(u, u.expr(first, ctx), ctx);
  const callee = unwrap(begin) as t.Expression;
  return use(u, u.expr({ ...call, callee, arguments: [first] } as Call, ctx), ctx);
}

function declareCallback(u: Unit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  const [fn, deps] = call.arguments;
  if (!fn) return false;
  const value = u.expr(fn, ctx);
  if (deps) use(u, u.expr(deps, { ...ctx, where: 'derivation' }), ctx, 'derivation');
  const type = infer(unwrap(fn), inferContext(u));
  declareStable(u, pattern, value, ctx, type);
  return true;
}

function readMemo(u: Unit, call: Call, ctx: Ctx): ExprFact {
  const [fn, deps] = call.arguments;
  if (!fn) return { kind: 'computed', ...spanOf(call) };
  if (deps) use(u, u.expr(deps, ctx), ctx);
  const body = unwrap(fn);
  const named = isFunction(body) ? undefined : resultByName(u, body, call, ctx);
  const value =
    named ?? (isFunction(body) ? readFunction(u, body, ctx, 'derivation') : use(u, u.expr(fn, ctx), ctx));
  const gives = named ? [named] : workedOut(u, value).gives;
  return {
    kind: 'computed',
    stable: true,
    ...spanOf(call),
    uses: mergeUses(value),
    ...mergeContent(value),
    ...(gives ? { gives } : {}),
  };
}

function declareMemo(u: Unit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  const value = readMemo(u, call, ctx);
  const written = typeArguments(call)[0];
  const type: TypeExpr = written
    ? readType(written, u.file.named)
    : call.arguments[0]
      ? { t: 'ret', of: typeOf(u, call.arguments[0]) }
      : UNKNOWN;
  declareStable(u, pattern, value, ctx, type);
  return true;
}

/** Declares what is memoised: the same at every render as long as what it depends on is. */
function declareStable(u: Unit, pattern: t.LVal, value: ExprFact, ctx: Ctx, type: TypeExpr): void {
  const before = u.facts.symbols.length;
  declarePattern(u, pattern, value, ctx, { kind: 'derived', type });
  for (const symbol of u.facts.symbols.slice(before)) symbol.stable = true;
}

function consume(u: Unit, call: Call, ctx: Ctx, name?: t.Identifier): ExprFact | undefined {
  const [given] = call.arguments;
  const made = given && memberName(given);
  // What the component holds itself is waited for, and no context.
  if (!made || isHeld(u, given)) return undefined;
  const key = { name: made };
  return addConsume(u, key, spanOf(call), ctx, name, typeOfKey(key));
}

/** A name of the component's own, or a member of one. */
function isHeld(u: Unit, node: t.Node): boolean {
  let root = unwrap(node);
  while (root.type === 'MemberExpression') root = unwrap(root.object);
  return root.type === 'Identifier' && symbolOf(u, root) !== undefined;
}

/** `const { fleet } = useOutletContext()` */
function declareAsked(u: Unit, pattern: t.LVal, init: t.Expression, router: RouterNames, ctx: Ctx): boolean {
  const call = router.size ? asCall(init) : undefined;
  const id = pattern.type === 'Identifier' ? pattern : undefined;
  const value = call && askLayout(u, call, ctx, router, id);
  if (!value) return false;
  if (!id) declarePattern(u, pattern, value, ctx, { kind: 'derived', type: { t: 'sym', s: value.symbol! } });
  return true;
}

/** `createContext(store)`: who asks below no provider gets what it was made with. */
function declareDefault(u: Unit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  const [given] = call.arguments;
  if (u.facts.role !== 'module' || pattern.type !== 'Identifier' || !given) return false;
  const init = use(u, u.expr(given, ctx), ctx);
  const { name } = pattern;
  const isMade = usesOf(init).length > 0 || init.from !== undefined;
  if (isMade) addSymbol(u, { name, keptBy: name, kind: 'derived', init, ...spanOf(pattern) });
  const value: ExprFact = { kind: 'computed', uses: usesOf(init), ...spanOf(call) };
  addSymbol(u, { name, kind: 'derived', init: value, ...spanOf(pattern) }, pattern.binding);
  return true;
}

function declareContext(u: Unit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  const value = consume(u, call, ctx, pattern.type === 'Identifier' ? pattern : undefined);
  if (!value) return false;
  if (pattern.type === 'Identifier') return true;
  declarePattern(u, pattern, value, ctx, { kind: 'derived', type: { t: 'sym', s: value.symbol! } });
  return true;
}
