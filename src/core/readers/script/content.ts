/** Content that takes parameters, as the function that would draw it. */
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { takenApart } from './functions';
import { declarePattern, notePlaces } from './patterns';
import { addFunction, spanOf, type Ctx, type Unit } from './unit';

/** Declares the parameters of content; gives back its function, or undefined where it takes none. */
export function contentFunction(u: Unit, params: t.Node[], at: Span, ctx: Ctx): number | undefined {
  if (!params.length) return undefined;
  const fn = addFunction(
    u,
    { type: 'ArrowFunctionExpression', ...at } as t.ArrowFunctionExpression,
    ctx.fn,
    'derivation',
  );
  const fact = u.facts.functions[fn]!;
  for (const [index, param] of params.entries()) {
    const before = u.facts.symbols.length;
    declarePattern(u, param, { kind: 'computed', ...spanOf(param) }, ctx, { kind: 'param' });
    fact.params.push(u.facts.symbols.length > before ? before : -1);
    notePlaces(u, param, index, fn);
  }
  const takes = takenApart(params[0]);
  if (takes) fact.takes = takes;
  return fn;
}
