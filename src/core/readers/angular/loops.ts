/** Names that blocks of a template declare: what a list runs over, what a condition asked for. */
import type { TmplAstVariable } from '@angular/compiler';
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { declarePattern, noteLoop } from '../script/patterns';
import type { Scope } from '../script/scope';
import type { At } from '../script/slots';
import { type Ctx, spanOf, typeOf, use, usesOf, entryOf } from '../script/unit';
import { identifier, spanAt } from './spans';
import type { AngularUnit } from './unit';

/** A name for what was asked, once it is there. */
export function declareAlias(u: AngularUnit, id: t.Identifier, value: ExprFact, node: t.Node, at: At): Scope {
  const scope = u.angular.scopes.within(at.scope, [id]);
  const from: ExprFact = { kind: 'computed', uses: usesOf(value), start: id.start!, end: id.end! };
  const alias = value.kind === 'identity' || value.kind === 'member' ? { ...value, ...spanOf(id) } : from;
  declarePattern(u, id, alias.kind === 'identity' ? { ...from, gives: [alias] } : alias, at.ctx, {
    kind: 'derived',
    type: typeOf(u, node),
  });
  return scope;
}

/** Declares what a loop runs over, and what it counts. */
export function openLoop(
  u: AngularUnit,
  list: t.Expression,
  item: Pick<TmplAstVariable, 'name' | 'keySpan'> | undefined,
  others: readonly Pick<TmplAstVariable, 'name' | 'keySpan' | 'value'>[],
  at: At,
): Pick<At, 'scope' | 'ctx'> {
  const source = use(u, u.expr(list, at.ctx), at.ctx);
  const ctx: Ctx = { ...at.ctx, each: spanOf(list) };
  const id = item && identifier(item.name, spanAt(item.keySpan));
  const counters = others.map((one) => identifier(one.name, spanAt(one.keySpan)));
  const scope = u.angular.scopes.within(at.scope, [...(id ? [id] : []), ...counters]);
  if (id) {
    noteLoop(u, id, list);
    declarePattern(u, id, entryOf(source), ctx, { kind: 'loop', type: { t: 'elem', of: typeOf(u, list) } });
  }
  for (const one of counters)
    declarePattern(u, one, { kind: 'computed', ...spanOf(one) }, ctx, { kind: 'param' });
  return { scope, ctx };
}
