/**
 * What is gathered while one component (or hook, or the loose code of a file) is read: its facts, and the
 * symbols that its bindings stand for.
 */
import type * as t from '@babel/types';
import type {
  AnswerFact,
  AttributeFact,
  ComponentFacts,
  ExprFact,
  FunctionFact,
  PortFact,
  ReadFact,
  RenderFact,
  Span,
  SymbolFact,
  TagFact,
  Traits,
  Where,
} from '../../model/facts';
import { type TypeExpr, UNKNOWN } from '../../model/types';

import { infer, type InferContext } from './infer';
import { REBUILT } from '../../model/arms';
import type { Binding } from './scope';
import type { NamedType } from './type-expr';

/** Where the reader stands. */
export interface Ctx {
  where: Where;
  /** Index of the function whose body is read, or -1 in the render itself. */
  fn: number;
  when?: Span;
  each?: Span;
  arms?: string[];
  /** Symbols by which the conditions around are decided. */
  decided?: number[];
  /** The function is told something under one of these keys here. */
  told?: string[];
  /** The set-up has waited for something before. */
  late?: true;
  /** What stands in lists is taken apart again. */
  apart?: true;
}

/** In the set-up or the render of a component itself. */
export const SETUP: Ctx = { where: 'derivation', fn: -1 };

export type Call = t.CallExpression | t.OptionalCallExpression;
/** A member of an object that is written out, but for a spread. */
export type Member = t.ObjectProperty | t.ObjectMethod;

export interface FileContext {
  path: string;
  text: string;
  named: NamedType;
  /** Its language has no types: what something starts with says nothing of what it may become. */
  untyped: boolean;
  /** Functions and classes that are read as units of their own, by name. */
  units: Map<t.Node, string>;
  /** Components declared inside other functions, by their index in the file. */
  inner: Map<Binding, number>;
  /** What units use of the functions that they are declared in. */
  captured: { symbol: SymbolFact; binding: Binding }[];
  /** Names of keys under which values are provided, by where they start: that alone is no use of a key. */
  keys: Set<number>;
  /** What parts of stores do when something of elsewhere is called. */
  answers?: AnswerFact[];
  /** Names that hold what stands in the address of the page, or change it. */
  address?: Set<Binding>;
  /** Parts of stores that the file makes. */
  parts?: Set<Binding>;
}

export const fileContext = (path: string, text: string, named: NamedType): FileContext => ({
  path,
  text,
  named,
  untyped: /\.[cm]?jsx?$/.test(path),
  units: new Map(),
  inner: new Map(),
  captured: [],
  keys: new Set(),
});

/** A call of what is declared further down. */
export interface EarlyCall {
  binding: Binding;
  args: ExprFact[];
  callee: Span;
  at: Span;
  ctx: Ctx;
  /** Where it is noted among the calls, of what is not known yet. */
  invoke: number;
}

/** Calls that may draw. */
export interface Drawing {
  /** Of functions of the project: where they stand, and what they are given. */
  calls: Map<number, Pick<Ctx, 'when' | 'each'> & { args: ExprFact[] }>;
  /** Of what the component was handed. */
  shows: Map<number, Pick<Ctx, 'when' | 'each'>>;
  /** Nodes that stand for what is drawn, by the call and the way to the part. */
  nodes: Map<string, number>;
}

/** What a framework adds to the reading of plain code. */
export interface Dialect {
  /** Methods that change the list that they are called on, where they are not those of JavaScript. */
  mutators?: ReadonlySet<string>;
  /** Methods by which it is set what something holds that is handed over as such: a store, a signal. */
  holderMethods?: RegExp;
  /** Takes over a declaration that it understands (a hook, say). */
  declare(u: Unit, pattern: t.LVal, init: t.Expression, ctx: Ctx): boolean;
  /** Takes over a call that it understands. */
  call(u: Unit, node: t.CallExpression | t.OptionalCallExpression, ctx: Ctx): ExprFact | undefined;
  /** Takes over a member chain that starts at `this`. */
  self(
    u: Unit,
    node: t.MemberExpression | t.OptionalMemberExpression,
    /** Where it is read; absent where only its meaning is asked for. */
    ctx?: Ctx,
  ): ExprFact | undefined;
  /** The event that a call raises by its name, and what it hands over. */
  raised?(
    u: Unit,
    node: t.CallExpression | t.OptionalCallExpression,
  ): { symbol: number; args: t.Node[] } | undefined;
  /** What a call calls besides, by what it is given: `store.commit('hold')`. */
  called?(u: Unit, callee: ExprFact, node: t.CallExpression | t.OptionalCallExpression): ExprFact | undefined;
  /** Components may be declared in functions, and use what these have. */
  captures?: boolean;
  /** Values of modules may be state, so that it matters who uses and writes them. */
  shares?: boolean;
  /** Names of functions that are followed into: what they keep and ask for is their caller's. Hooks, if absent. */
  follows?: RegExp;
  /** Takes over the making of an object that it understands. */
  made?(u: Unit, node: t.NewExpression, ctx: Ctx): ExprFact | undefined;
  /** The type of a member of `this`, or of what calling it gives; undefined where that is not known. */
  memberType?(u: Unit, name: string, called: boolean): TypeExpr | undefined;
  /** The type of what a call gives that only the language understands. */
  callType?(u: Unit, call: Call): TypeExpr | undefined;
  /** Objects with a `type` may tell something to functions that ask for it. */
  tells?: boolean;
  /** Notes what it means that an object is made. */
  written?(u: Unit, node: t.ObjectExpression, object: ExprFact, ctx: Ctx): void;
  /** The member under which what is raised arrives in what listeners are given. */
  carries?: string;
  /** Takes over an assignment that it understands. */
  assign(u: Unit, node: t.AssignmentExpression, ctx: Ctx): boolean;
}

export interface Unit {
  file: FileContext;
  facts: ComponentFacts;
  /** The function, class or program. */
  node: t.Node;
  dialect: Dialect;
  refs: Map<Binding, number>;
  props: Map<string, number>;
  /** Values of modules that its code uses. */
  shared: Map<Binding, number>;
  /** Names that it uses of the function that it is declared in. */
  captured: Map<Binding, number>;
  /** Methods and other members reached by `this`. */
  members: Map<string, number>;
  /** Render nodes that a function gives back, by function. */
  contents: NonNullable<ExprFact['content']>[];
  /** Where functions of the project are called that may draw, and what they are given there. */
  drawing: Drawing;
  /** What the parameters of callbacks run over. */
  loops: Map<Binding, t.Node>;
  /** What methods are called with before they are read. */
  givenLater: { symbol: number; args: ExprFact[] }[];
  /** Uses of names that are declared further down. */
  early: { binding: Binding; at: Span; ctx: Ctx; tag?: TagFact }[];
  earlyCalls: EarlyCall[];
  /** What comes of calls that give it in their time. */
  coming: Map<t.Node, ExprFact>;
  /** Symbols whose absence is refused by a throw. */
  refusals: Set<number>;
  /** Symbols that are read so that their absence does no harm: `x?.y`, `x ?? y`. */
  tolerant: Set<number>;
  expr(node: t.Node, ctx: Ctx): ExprFact;
  statements(nodes: t.Node[], ctx: Ctx): void;
}

export function emptyFacts(name: string, span: Span, nameSpan: Span, traits: Traits): ComponentFacts {
  return {
    name,
    start: span.start,
    end: span.end,
    nameStart: nameSpan.start,
    nameEnd: nameSpan.end,
    role: 'component',
    traits,
    ports: [],
    openProps: false,
    wrapped: false,
    injected: false,
    symbols: [],
    functions: [],
    reads: [],
    writes: [],
    emits: [],
    provides: [],
    consumes: [],
    render: [],
    calls: [],
  };
}

export const spanOf = (node: t.Node): Span => ({ start: node.start!, end: node.end! });

export function addSymbol(u: Unit, symbol: SymbolFact, binding?: Binding): number {
  const index = u.facts.symbols.push(symbol) - 1;
  if (binding) u.refs.set(binding, index);
  if (u.facts.role === 'module' && binding?.scope.parent) symbol.inner = true;
  return index;
}

/** Whether an expression is a value of the component's own, or a member of one. */
export const isHeld = ({ kind }: ExprFact): boolean => kind === 'identity' || kind === 'member';

/** `$wind`: what the store `wind` holds, by another name than its own. */
export const isOfStore = ({ name, binding }: t.Identifier): boolean =>
  binding !== undefined && name !== binding.name;

/** Says of a value that it is an entry of a list, if anybody sees what that is; `at` which one, where the code says so. */
export function entryIn(list: ExprFact, at?: string): Pick<ExprFact, 'entryOf' | 'entry'> {
  const entry = { of: list, ...(at === undefined ? {} : { at }) };
  if (isHeld(list)) return { entryOf: list, entry };
  const { lists, each, call, gives, elements, from } = list;
  const isSeen = [lists, each, call, gives, elements, from, list.entry].some((one) => one !== undefined);
  return isSeen ? { entry } : {};
}

/** An entry of a list, or each in turn. */
export const entryOf = (list: ExprFact): ExprFact => ({
  kind: 'computed',
  uses: usesOf(list),
  ...entryIn(list),
  start: list.start,
  end: list.end,
});

/** The symbol of a prop; its port is noted at the first use. */
export function propSymbol(
  u: Unit,
  name: string,
  at: Span,
  how: PortFact['declared'],
  local = name,
  fallback?: ExprFact,
): number {
  let index = u.props.get(name);
  if (index === undefined) {
    index = addSymbol(u, { name: local, kind: 'prop', port: name, ...at });
    u.props.set(name, index);
    if (!u.facts.ports.some((port) => port.name === name)) {
      u.facts.ports.push({ name, channel: 'prop', declared: how, ...at });
    }
  }
  if (fallback) {
    const port = u.facts.ports.find((one) => one.name === name)!;
    port.default ??= fallback;
  }
  return index;
}

/** The symbol that an identifier stands for in this unit, or undefined for names from elsewhere. */
export function symbolOf(u: Unit, id: t.Identifier | t.JSXIdentifier): number | undefined {
  return id.binding ? u.refs.get(id.binding) : undefined;
}

export const isModuleLevel = (binding: Binding): boolean => binding.scope.parent === undefined;

export function noteRead(u: Unit, symbol: number, at: Span, ctx: Ctx, path?: string[]): void {
  const { kind } = u.facts.symbols[symbol]!;
  if (kind === 'module') return;
  if (kind === 'bag' && !path) u.facts.openProps = true;
  if (kind === 'rest' && !path) u.facts.openProps = true;
  const read: ReadFact = { symbol, where: ctx.where, fn: ctx.fn, start: at.start, end: at.end };
  if (path?.length) read.path = path;
  if (ctx.arms && u.facts.symbols[symbol]!.init?.content?.length) read.arms = ctx.arms;
  u.facts.reads.push(read);
}

/** Notes that the value of an expression is used here, where the expression is a symbol and nothing more. */
export function use(u: Unit, expr: ExprFact, ctx: Ctx, where: Where = ctx.where): ExprFact {
  if (expr.kind === 'identity') noteRead(u, expr.symbol!, expr, { ...ctx, where });
  return expr;
}

/** What an expression means, where nobody reads it: it is written to, or read with something else. */
export function meaningOf(u: Unit, node: t.Node, ctx: Ctx): ExprFact {
  const before = u.facts.reads.length;
  const value = u.expr(node, ctx);
  u.facts.reads.length = before;
  return value;
}

export const usesOf = (expr: ExprFact): number[] =>
  expr.symbol !== undefined ? [expr.symbol, ...(expr.uses ?? [])] : (expr.uses ?? []);

/** Symbols of several expressions, each once. */
export function mergeUses(...list: (ExprFact | undefined)[]): number[] {
  const found: number[] = [];
  for (const expr of list) {
    if (!expr) continue;
    if (expr.symbol !== undefined && !found.includes(expr.symbol)) found.push(expr.symbol);
    if (expr.uses) for (const use of expr.uses) if (!found.includes(use)) found.push(use);
  }
  return found;
}

/** What some expressions use, and which of that are the results of calls. */
export function merged(
  ...parts: (ExprFact | undefined)[]
): Pick<ExprFact, 'uses' | 'calls' | 'asks' | 'beside'> {
  const uses = mergeUses(...parts);
  const asks = new Set<number>();
  for (const part of parts) for (const one of part?.asks ?? []) asks.add(one);
  const calls = new Set<number>();
  for (const part of parts)
    for (const one of part?.call === undefined ? (part?.calls ?? []) : [part.call]) calls.add(one);
  const asked = asks.size ? { asks: [...asks] } : NOTHING;
  if (!calls.size && !parts.some((part) => part?.beside)) return uses.length ? { uses, ...asked } : asked;
  const beside = new Set<number>();
  for (const part of parts)
    if (part && part.call === undefined) for (const one of part.beside ?? usesOf(part)) beside.add(one);
  const called = calls.size ? { calls: [...calls] } : NOTHING;
  return { ...(uses.length ? { uses } : {}), ...asked, ...called, beside: [...beside] };
}

/** Notes what a function of the component is called with; a method may be called before it is read. */
export function noteGiven(u: Unit, fn: number | undefined, args: ExprFact[]): void {
  const called = fn === undefined ? undefined : u.facts.functions[fn];
  if (called && args.length) (called.given ??= []).push(args);
}

const NOTHING = {};

export const mergeContent = (...list: (ExprFact | undefined)[]): Pick<ExprFact, 'content'> => {
  let all: ExprFact['content'];
  for (const expr of list) if (expr?.content?.length) all = all ? [...all, ...expr.content] : expr.content;
  return all ? { content: all } : NOTHING;
};

/** The parent of a render node that nobody has placed yet. */
export const UNPLACED = -2;

export function addNode(
  u: Unit,
  node: Omit<RenderFact, 'parent' | 'attributes'> & Partial<RenderFact>,
  ctx: Ctx,
) {
  const full: RenderFact = {
    parent: UNPLACED,
    attributes: [],
    ...(ctx.when ? { when: ctx.when } : {}),
    ...(ctx.each ? { each: ctx.each } : {}),
    ...(ctx.arms && (node.kind === 'site' || node.kind === 'outlet') ? { arms: ctx.arms } : {}),
    ...node,
  };
  return u.facts.render.push(full) - 1;
}

/** Longer conditions are told apart by their place. */
const MAX_TEST = 120;

/** What stands in one branch of a template, which is made anew whenever it comes again. */
export const inBranch = (u: Unit, ctx: Ctx, test: t.Node, holds: boolean): Ctx =>
  inArm(u, ctx, test, holds, REBUILT);

/** What stands in one case of several, of which one is drawn: `of` is where they begin, `one` tells the case. */
export const inCase = (ctx: Ctx, of: number, one: string | number, when: Span): Ctx => ({
  ...ctx,
  when: { start: when.start, end: when.end },
  arms: [...(ctx.arms ?? []), `${REBUILT}@switch${of}#${one}`],
});

/** What stands in one arm of a condition; a condition and its opposite are known as such by their text. */
export function inArm(u: Unit, ctx: Ctx, test: t.Node, holds: boolean, mark = ''): Ctx {
  let bare = unwrap(test);
  let arm = holds;
  while (bare.type === 'UnaryExpression' && bare.operator === '!') {
    bare = unwrap(bare.argument);
    arm = !arm;
  }
  const { start, end } = spanOf(bare);
  const text = end - start > MAX_TEST ? '' : u.file.text.slice(start, end).replace(/\s{2,}|[\n\t]/g, ' ');
  const key = text.length > 60 || !text ? `@${start}` : text;
  return { ...ctx, when: spanOf(test), arms: [...(ctx.arms ?? []), `${mark}${key}#${arm ? 1 : 0}`] };
}

/** Whether the members that are used of a symbol are worth their places: handles, what they hold, parameters. */
export function keepsEnds(u: Unit, symbol: number): boolean {
  const { kind, init } = u.facts.symbols[symbol]!;
  if (kind === 'ref' || kind === 'param') return true;
  return (
    init?.kind === 'member' &&
    init.path!.length === 1 &&
    init.path![0] === 'current' &&
    u.facts.symbols[init.symbol!]!.kind === 'ref'
  );
}

export function addFunction(u: Unit, node: t.Node, parent: number, where: FunctionFact['where']): number {
  u.contents.push([]);
  return (
    u.facts.functions.push({ start: node.start!, end: node.end!, parent, where, params: [], calls: [] }) - 1
  );
}

/** The type of an expression inside the unit. */
export function typeOf(u: Unit, node: t.Node | null | undefined): TypeExpr {
  return infer(node, inferContext(u));
}

export function inferContext(u: Unit) {
  return {
    named: u.file.named,
    lookup: (id: t.Identifier): TypeExpr => {
      const { binding } = id;
      if (!binding) return UNKNOWN;
      const symbol = u.refs.get(binding);
      if (symbol !== undefined) return { t: 'sym', s: symbol };
      return isModuleLevel(binding) ? { t: 'value', name: binding.name } : UNKNOWN;
    },
    own: (call: Call): TypeExpr | undefined => u.dialect.callType?.(u, call),
    called: (name: string): TypeExpr | undefined => u.dialect.memberType?.(u, name, true),
    member: (name: string): TypeExpr => {
      const own = u.dialect.memberType?.(u, name, false);
      if (own) return own;
      const symbol = u.members.get(name);
      // What a method gives back is known where it is read, and so are inputs; other members may be anything by then.
      return symbol !== undefined && /^(handler|inherited|bag)$/.test(u.facts.symbols[symbol]!.kind)
        ? { t: 'sym', s: symbol }
        : UNKNOWN;
    },
  };
}

/** Takes away type assertions, parentheses and the like, which leave a value what it is. */
export function unwrap(node: t.Node): t.Node {
  let at = node;
  while (
    at.type === 'TSAsExpression' ||
    at.type === 'TSNonNullExpression' ||
    at.type === 'TSSatisfiesExpression' ||
    at.type === 'TSTypeAssertion' ||
    at.type === 'ParenthesizedExpression' ||
    at.type === 'TypeCastExpression'
  ) {
    at = at.expression;
  }
  return at;
}

/** Whether the code checks what a context gives, and whether it goes on without it. */
export function settleMissing(u: Unit): void {
  for (const consume of u.facts.consumes) {
    if (u.refusals.has(consume.symbol)) consume.missing = 'throws';
    else if (
      u.tolerant.has(consume.symbol) ||
      u.facts.reads.some((read) => read.symbol === consume.symbol && asks(u, read))
    ) {
      consume.missing = 'handled';
    }
  }
}

/** A condition asks whether it is there; one on a member of it, or on what a store holds, asks nothing about the whole. */
const asks = ({ file }: Unit, { where, path, start }: ReadFact): boolean =>
  where === 'condition' && !path?.length && !/^\$\w/.test(file.text.slice(start, start + 2));

/** Notes that a function calls what a symbol stands for. */
export function noteCall(u: Unit, fn: number, symbol: number): void {
  const { calls } = u.facts.functions[fn]!;
  if (!calls.includes(symbol)) calls.push(symbol);
}

/** A variable that the component keeps. */
export function addState(u: Unit, id: t.Identifier, init: ExprFact | undefined, type: TypeExpr): number {
  return addSymbol(
    u,
    {
      name: id.name,
      kind: 'state',
      ...spanOf(id),
      ...(init ? { init } : {}),
      ...(type.t === 'unknown' ? {} : { type }),
    },
    id.binding,
  );
}

/** The first render node of a component with a template stands for all that it renders. */
export function addWhole(u: Unit): void {
  const { start, end } = u.facts;
  u.facts.render[addNode(u, { kind: 'group', start, end }, SETUP)]!.parent = -1;
}

/** All inputs, or all but those that are named, are handed over as one value: whoever gets it may read any of them. */
export function settleWhole(u: Unit): void {
  const { symbols, render, traits } = u.facts;
  // Where attributes fall through, what is left over holds nothing that is declared.
  const whole = traits.attributesFallThrough ? /^bag$/ : /^(bag|rest)$/;
  const isWhole = ({ mode, value }: AttributeFact): boolean =>
    mode !== 'spread' && value.kind === 'identity' && whole.test(symbols[value.symbol!]!.kind);
  if (render.some(({ attributes }) => attributes.some(isWhole))) u.facts.openProps = true;
}

/** What is left where nobody placed it is drawn somewhere in the whole. */
export function placeRest(u: Unit): void {
  settleWhole(u);
  const whole = u.facts.role === 'helper' ? -1 : 0;
  u.facts.render.forEach((node, index) => {
    if (index === whole || (node.parent !== UNPLACED && node.parent !== -1)) return;
    // A tree of its own stands below nothing that the component provides.
    if (node.mounted && u.facts.role === 'component') return;
    if (node.parent === UNPLACED && !node.mounted) node.loose = true;
    node.parent = whole;
  });
}

/** Types of expressions at module level. */
export const moduleTypes = (file: FileContext): InferContext => ({
  named: file.named,
  untyped: file.untyped,
  lookup: (id) => (id.binding && isModuleLevel(id.binding) ? { t: 'value', name: id.binding.name } : UNKNOWN),
});

/** Whether the loose code of a module keeps state, which whoever imports it shares. */
export const keepsState = ({ symbols, sharedWrites = [] }: ComponentFacts): boolean =>
  symbols.some(({ kind, port }) => kind === 'state' || (kind === 'shared' && port!.startsWith('#'))) ||
  sharedWrites.some(({ name }) => name.startsWith('#'));

/**
 * Whether functions of loose code that keeps nothing may read or change what other modules keep, or call what they are
 * given, or give a part of that back, which is noted.
 */
export function handsOn(facts: ComponentFacts): boolean {
  const { symbols, functions, sharedWrites, invokes = [] } = facts;
  if (!functions.length) return false;
  const isParam = ({ symbol }: ExprFact): boolean =>
    symbol !== undefined && symbols[symbol]!.kind === 'param';
  /** It is what a function was given, a part of that, or holds such a part. */
  const isPart = (one: ExprFact): boolean => {
    if (one.kind === 'identity' || one.kind === 'member') return isParam(one);
    const { entry, lists, each, gives = [], members = [], elements = [], spreads = [] } = one;
    const parts = [entry?.of, lists, ...gives, ...members.map(({ value }) => value), ...elements, ...spreads];
    const made = each === undefined ? [] : (functions[each]!.gives ?? []);
    return [...parts, ...made].some((part) => part !== undefined && isPart(part));
  };
  const isGiven =
    invokes.some(({ callee }) => isParam(callee)) || functions.some(({ gives = [] }) => gives.some(isPart));
  if (isGiven) facts.handsOn = 'given';
  else if (facts.tells || sharedWrites !== undefined || symbols.some(({ kind }) => kind === 'shared'))
    facts.handsOn = 'kept';
  else return false;
  return true;
}
