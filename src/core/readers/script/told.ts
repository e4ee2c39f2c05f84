/**
 * Buses: what one place tells under a name, others hear under it. `bus.emit('held', id)` puts it under that name into what
 * the module keeps, `bus.on('held', (id) => …)` takes it from there.
 */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { functionIn } from './invokes';
import { memberName } from './type-expr';
import { type Call, type Ctx, isModuleLevel, noteGiven, spanOf, symbolOf, type Unit, unwrap } from './unit';

/** Names of methods by which a bus is told something, and by which one hears it. */
const TELLS = /^\$?(emit|trigger|publish|fire|dispatch|send)$/;
const HEARS = /^\$?(on|once|addListener|addEventListener|subscribe|listen)$/;

export const isTelling = (method: string): boolean => TELLS.test(method);
export const isHearing = (method: string): boolean => HEARS.test(method);

/** Notes what a call tells to, or hears of, what a module keeps. */
export function noteTold(u: Unit, node: Call, args: ExprFact[], ctx: Ctx): void {
  const callee = unwrap(node.callee);
  if (callee.type !== 'MemberExpression' && callee.type !== 'OptionalMemberExpression') return;
  const object = unwrap(callee.object);
  const method = callee.computed ? undefined : memberName(callee.property);
  if (method === undefined || object.type !== 'Identifier' || args.length < 2) return;
  const event = isTelling(method) || isHearing(method) ? nameOf(node.arguments[0]) : undefined;
  if (event === undefined || !object.binding || !isModuleLevel(object.binding)) return;
  const at = { where: ctx.where, fn: ctx.fn, ...spanOf(node) };
  if (isHearing(method)) {
    const fn = functionIn(u, args[1]!);
    if (fn !== undefined) noteGiven(u, fn, [u.expr(under(callee, object, event), ctx)]);
    return;
  }
  const symbol = symbolOf(u, object);
  if (symbol !== undefined)
    u.facts.writes.push({ symbol, path: [event], value: args[1]!, through: { method }, ...at });
  else
    (u.facts.sharedWrites ??= []).push({
      name: object.name,
      path: [event],
      value: args[1]!,
      told: true,
      ...at,
    });
}

/** What the object keeps under a name. */
const under = ({ start, end }: t.Node, object: t.Identifier, event: string): t.MemberExpression =>
  ({
    type: 'MemberExpression',
    object,
    property: { type: 'Identifier', name: event, start, end },
    computed: false,
    start,
    end,
  }) as t.MemberExpression;

/** A text, or the name of a constant of a module; what a variable holds is not known. */
export function nameOf(node: t.Node | undefined): string | undefined {
  const bare = node && unwrap(node);
  if (bare?.type === 'StringLiteral') return bare.value;
  let root: t.Node | undefined = bare;
  while (root?.type === 'MemberExpression') root = unwrap(root.object);
  const isConstant = root?.type === 'Identifier' && root.binding && isModuleLevel(root.binding);
  return bare && isConstant ? memberName(bare) : undefined;
}
