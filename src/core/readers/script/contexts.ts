/** Keys by which values are provided and consumed, written as texts or as names of values. */
import type * as t from '@babel/types';
import type { ConsumeFact, ExprFact, KeyFact, Span, TimedFact } from '../../model/facts';
import { keyName } from '../../model/keys';
import { type TypeExpr, UNKNOWN } from '../../model/types';
import { memberName } from './type-expr';
import { addSymbol, type Ctx, spanOf, type Unit, unwrap } from './unit';

/** The key that a node is: a text, or a value by its name in the file. */
export function keyOf(node: t.Node | undefined): KeyFact | undefined {
  const bare = node && unwrap(node);
  if (!bare) return undefined;
  if (bare.type === 'StringLiteral') return { text: bare.value };
  const name = memberName(bare);
  return name === undefined ? undefined : { name };
}

const whenOf = (ctx: Ctx): Ctx['where'] | 'setup' => (ctx.fn === -1 ? 'setup' : ctx.where);

/** What is provided to everything that the component renders: to the node that stands for all of it. */
export function addProvide(
  u: Unit,
  key: KeyFact,
  at: t.Node,
  value: ExprFact | undefined,
  ctx: Ctx,
  call?: t.Node,
): void {
  if (call && (ctx.fn >= 0 || ctx.late))
    noteTime(u, { key: keyName(key), does: 'provides', ...spanOf(call) }, ctx);
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

function noteTime(
  u: Unit,
  fact: Pick<TimedFact, 'key' | 'does' | 'start' | 'end'>,
  { where, fn, late }: Ctx,
): void {
  (u.facts.timed ??= []).push({ ...fact, where, fn, ...(late ? { awaited: true } : {}) });
}

/** What is consumed, under a name of its own or under that of its key. */
export function addConsume(
  u: Unit,
  key: KeyFact,
  at: Span,
  ctx: Ctx,
  id: t.Identifier | undefined,
  type: TypeExpr,
  missing: ConsumeFact['missing'] = 'bare',
): ExprFact {
  const { start, end } = at;
  const name = id?.name ?? keyName(key);
  const symbol = addSymbol(
    u,
    { name, kind: 'injected', ...(id ? spanOf(id) : { start, end }), type },
    id?.binding,
  );
  if (ctx.late) noteTime(u, { key: name, does: 'consumes', start, end }, ctx);
  u.facts.consumes.push({ key, symbol, where: whenOf(ctx), fn: ctx.fn, missing, start, end });
  return { kind: 'identity', symbol, start, end };
}

/** The type of what a key gives: what a key of the project was made for; what a text gives, nobody declares. */
export const typeOfKey = (key: KeyFact): TypeExpr =>
  'name' in key
    ? { t: 'member', of: { t: 'value', name: key.name }, name: '#context' }
    : 'type' in key
      ? key.type
      : UNKNOWN;
