/** What a tag of a template is given. */
import type * as t from '@babel/types';
import type { AttributeFact, CalledFact, ExprFact, RenderFact, Span } from '../../model/facts';
import { addFunction, type Ctx, isModuleLevel, spanOf, symbolOf, type Unit, unwrap } from './unit';
import { noteWrite } from './writes';

export const attribute = (
  name: string,
  { start, end }: Span,
  mode: AttributeFact['mode'],
  value: ExprFact,
  all: Span,
): AttributeFact => ({ name, nameStart: start, nameEnd: end, mode, value, start: all.start, end: all.end });

/** Several names at once: those of the value, or, without one, any. */
export const spread = ({ start, end }: Span, value?: ExprFact): AttributeFact =>
  attribute('...', { start, end }, 'spread', value ?? { kind: 'computed', start, end }, { start, end });

/** What it is given goes no further: an element, or a tag of the framework's own. */
export const isPlain = ({ kind }: RenderFact): boolean => kind !== 'site' && kind !== 'outlet';

/** A two-way binding writes to what it binds when the event comes. */
export function writeBack(u: Unit, node: t.Node, at: Span, ctx: Ctx): void {
  const fn = addFunction(u, { ...unwrap(node), ...at } as t.Node, ctx.fn, 'handler');
  noteWrite(u, node, { kind: 'computed', ...spanOf(node) }, { ...node, ...at } as t.Node, {
    ...ctx,
    where: 'handler',
    fn,
  });
}

/** Whether a value is something that was handed in, as it is. */
export const isProp = (u: Unit, { kind, symbol }: ExprFact): boolean =>
  kind === 'identity' && u.facts.symbols[symbol!]!.kind === 'prop';

/** What a value calls, where its result is what is handed over. */
export function calledBy(u: Unit, node: t.Node, value: ExprFact): CalledFact | undefined {
  const call = unwrap(node);
  if (call.type !== 'CallExpression') return undefined;
  const callee = unwrap(call.callee);
  const named = callee.type === 'Identifier' ? callee : undefined;
  const symbol = named ? symbolOf(u, named) : value.kind === 'call' ? value.symbol : undefined;
  if (symbol === undefined)
    return named?.binding && isModuleLevel(named.binding) ? { module: named.name } : undefined;
  const { fn } = u.facts.symbols[symbol]!;
  return { symbol, ...(fn === undefined ? {} : { fn }) };
}

/** A listener that is a member of something is looked up when the event comes. */
export const lookedUp = (node: t.Node, ctx: Ctx): Ctx =>
  /MemberExpression$/.test(unwrap(node).type) ? { ...ctx, where: 'handler' } : ctx;
