/** Forms of Angular's own package: what is put into one under a name is read there. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { isChain, symbolAt } from '../script/own';
import { memberName } from '../script/type-expr';
import { type Ctx, noteRead, spanOf, unwrap } from '../script/unit';
import { FORM, madeOf } from './made';
import type { AngularUnit } from './unit';

/** What a form is asked for, and gives as a whole: what is in it, now or whenever that changes. */
const FORM_VALUE = /^(value|valueChanges|controls)$/;

/** `form.value`, `form.get('name')`: what is kept in a form, or the part of it that has a name. */
export function inForm(u: AngularUnit, node: t.Node): ExprFact | undefined {
  const isCall = node.type === 'CallExpression';
  const chain = isCall ? unwrap(node.callee) : node;
  if (!isChain(chain) || chain.computed) return undefined;
  const object = unwrap(chain.object);
  const inner = inForm(u, object);
  const symbol = inner ? inner.symbol : symbolAt(u, object);
  if (symbol === undefined || (!inner && !FORM.test(madeOf(u, symbol)))) return undefined;
  const name = memberName(chain.property) ?? '';
  const path = inner?.path ?? [];
  const at = spanOf(node);
  const whole = (to: string[]): ExprFact =>
    to.length ? { kind: 'member', symbol, path: to, ...at } : { kind: 'identity', symbol, ...at };
  if (!isCall)
    return FORM_VALUE.test(name) || inner ? whole(FORM_VALUE.test(name) ? path : [...path, name]) : undefined;
  if (name === 'getRawValue') return whole(path);
  const [key] = node.arguments;
  return name === 'get' && key?.type === 'StringLiteral'
    ? whole([...path, ...key.value.split('.')])
    : undefined;
}

/** The same where it is read, or, without a context, only asked what it means. */
export function readForm(u: AngularUnit, node: t.Node, ctx: Ctx | undefined): ExprFact | undefined {
  const found = inForm(u, node);
  if (found && ctx) noteRead(u, found.symbol!, spanOf(node), ctx, found.path);
  return found;
}
