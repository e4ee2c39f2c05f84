/** Keys by which values are provided and consumed, written as texts or as names of values. */
import type * as t from '@babel/types';
import type { ConsumeFact, ExprFact, Span } from '../../model/facts';
import type { TypeExpr } from '../../model/types';
import { memberName } from './type-expr';
import { addSymbol, type Ctx, spanOf, type Unit, unwrap } from './unit';

/** The key as the file names it: a text in quotes, or the name of a value. */
export function keyOf(node: t.Node | undefined): string | undefined {
  const bare = node && unwrap(node);
  if (!bare) return undefined;
  return bare.type === 'StringLiteral' ? JSON.stringify(bare.value) : memberName(bare);
}

/** Whether a key is a text, which means the same in every file. */
export const isText = (key: string): boolean => key.startsWith('"');

const whenOf = (ctx: Ctx): Ctx['where'] | 'setup' => (ctx.fn === -1 ? 'setup' : ctx.where);

/** What is provided to everything that the component renders: to the node that stands for all of it. */
export function addProvide(u: Unit, key: string, at: t.Node, value: ExprFact | undefined, ctx: Ctx): void {
  u.file.keys.add(unwrap(at).start!);
  u.facts.provides.push({
    key,
    keyStart: at.start!,
    keyEnd: at.end!,
    ...(value ? { value } : {}),
    node: 0,
    where: whenOf(ctx),
    ...spanOf(at),
  });
}

/** What is consumed, under a name of its own or under that of its key. */
export function addConsume(
  u: Unit,
  key: string,
  at: Span,
  ctx: Ctx,
  id: t.Identifier | undefined,
  type: TypeExpr,
  missing: ConsumeFact['missing'] = 'bare',
): ExprFact {
  const { start, end } = at;
  const name = id?.name ?? (isText(key) ? (JSON.parse(key) as string) : key);
  const symbol = addSymbol(
    u,
    { name, kind: 'injected', ...(id ? spanOf(id) : { start, end }), type },
    id?.binding,
  );
  u.facts.consumes.push({ key, symbol, where: whenOf(ctx), fn: ctx.fn, missing, start, end });
  return { kind: 'identity', symbol, start, end };
}

/** The type that a key of the project was made for. */
export const typeOfKey = (key: string): TypeExpr => ({
  t: 'member',
  of: { t: 'value', name: key },
  name: '#context',
});
