/** Where render nodes stand, and what functions and hooks of the project draw there. */
import { writtenIn } from '../../model/entries';
import type { DrawnFact, ExprFact, ShownFact, SymbolFact } from '../../model/facts';
import { isCallbackName } from '../../model/names';
import { type Binding, isFunction } from './scope';
import { type Ctx, type Unit, UNPLACED, unwrap } from './unit';

type Under = Pick<Ctx, 'when' | 'each'>;

const under = ({ when, each }: Ctx): Under => ({ ...(when ? { when } : {}), ...(each ? { each } : {}) });

/** A name alone is a package, which draws nothing of the project. */
const PACKAGE = /^[\w-][^/]*$/;

/** Whether a function of a module may give back something to be drawn. */
export function mayDraw({ kind, from, node }: Binding, isHook: boolean): boolean {
  if (kind === 'import') return from !== undefined && !PACKAGE.test(from);
  const made = node.type === 'VariableDeclarator' ? node.init : node;
  const bare = made && unwrap(made);
  if (!bare || !isFunction(bare)) return bare?.type === 'CallExpression' || bare?.type === 'ObjectExpression';
  return isHook || bare.hasMarkup === true;
}

/** Notes a call of a function that may draw; gives back what is placed where its result is. */
export function noteDrawing(u: Unit, call: number, args: ExprFact[], ctx: Ctx): DrawnFact {
  u.drawing.calls.set(call, { args, ...under(ctx) });
  return { call };
}

/** Notes that what the component was handed is called; gives back what is placed where the result is. */
export function noteShown(u: Unit, emit: number, ctx: Ctx): Pick<ExprFact, 'content'> {
  if (isCallbackName(u.facts.emits[emit]!.event) || /^(effect|condition)$/.test(ctx.where)) return {};
  u.drawing.shows.set(emit, under(ctx));
  return { content: [{ emit }] };
}

/** What is drawn where a symbol is placed, or a member of it. */
export function contentOf(u: Unit, { init }: SymbolFact, path: string[] = []): ExprFact['content'] {
  if (!init?.from || !u.drawing.calls.has(init.from.call)) return init?.content;
  return [...(init.content ?? []), { call: init.from.call, path: [...init.from.path, ...path] }];
}

/** What is drawn where a value is placed, through the names in it. */
export function shownBy(u: Unit, value: ExprFact): NonNullable<ExprFact['content']> {
  const named =
    value.kind === 'identity' || value.kind === 'member'
      ? contentOf(u, u.facts.symbols[value.symbol!]!, value.path)
      : undefined;
  const arms = value.kind === 'computed' ? (value.gives ?? []).flatMap((one) => shownBy(u, one)) : [];
  return [...new Set([...(value.content ?? []), ...(named ?? []), ...arms])];
}

/** Puts render nodes in their place, unless they already have one. */
export function place(u: Unit, content: ExprFact['content'], parent: number, slot?: string): void {
  for (const part of content ?? []) {
    const index = typeof part === 'number' ? part : 'emit' in part ? shownNode(u, part) : drawnNode(u, part);
    const node = u.facts.render[index]!;
    if (node.parent !== UNPLACED) continue;
    node.parent = parent;
    if (slot !== undefined) node.slot = slot;
  }
}

/** The outlet that a call of what was handed in is. */
function shownNode({ facts, drawing }: Unit, { emit }: ShownFact): number {
  const key = `emit ${emit}`;
  const known = drawing.nodes.get(key);
  if (known !== undefined) return known;
  const { symbol, start, end } = facts.emits[emit]!;
  const outlet = { outlet: facts.symbols[symbol]!.port!, outletSymbol: symbol };
  const at = { ...drawing.shows.get(emit), start, end };
  const index = facts.render.push({ kind: 'outlet', parent: UNPLACED, attributes: [], ...outlet, ...at });
  drawing.nodes.set(key, index - 1);
  return index - 1;
}

/** Places what a helper gives back and what another helper drew for it, for whoever takes the result apart. */
export function placeGiven(u: Unit, result: ExprFact | undefined): void {
  if (!result) return;
  if (result.kind === 'identity' || result.kind === 'member') place(u, shownBy(u, result), -1);
  for (const one of result.members ?? []) placeGiven(u, one.value);
  if (result.kind === 'array') for (const one of writtenIn(result)) placeGiven(u, one);
  for (const one of result.gives ?? []) placeGiven(u, one);
}

/** The node that stands for what a call gives back to be drawn; it is not placed yet. */
function drawnNode({ facts, drawing }: Unit, drawn: DrawnFact): number {
  const key = [drawn.call, ...(drawn.path ?? [])].join('.');
  const known = drawing.nodes.get(key);
  if (known !== undefined) return known;
  const call = facts.calls[drawn.call]!;
  const { args, ...at } = drawing.calls.get(drawn.call)!;
  call.args ??= args;
  const { start, end } = call;
  const index = facts.render.push({
    kind: 'group',
    parent: UNPLACED,
    attributes: [],
    drawn,
    ...at,
    start,
    end,
  });
  drawing.nodes.set(key, index - 1);
  return index - 1;
}
