/** An instance that shows nothing, made for what it is told and what others hear of it. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { functionIn } from '../script/invokes';
import { isChain } from '../script/own';
import { keepOnPage, keptOnPage } from '../script/page-kept';
import { isHearing, isTelling, nameOf } from '../script/told';
import { memberName } from '../script/type-expr';
import { addSymbol, type Call, type Ctx, noteGiven, spanOf, type Unit, unwrap, use } from '../script/unit';
import { isSelf } from './names';
import type { VueUnit } from './unit';

/** `new Vue()` in the loose code of a module, without anything to show. */
export function isBus(u: Unit, node: t.Node): boolean {
  const made = unwrap(node);
  return (
    u.facts.role === 'module' &&
    made.type === 'NewExpression' &&
    made.callee.type === 'Identifier' &&
    made.callee.name === 'Vue' &&
    made.arguments.length === 0
  );
}

/** `export default new Vue()` */
export function declareBus(u: Unit, { body }: t.Program): void {
  for (const node of body)
    if (node.type === 'ExportDefaultDeclaration' && isBus(u, node.declaration))
      addSymbol(u, { name: 'default', kind: 'state', ...spanOf(node.declaration) });
}

/** Members of an instance that are none which a whole app shares to tell and to hear. */
const OWN =
  /^\$(refs|parent|el|slots|scopedSlots|children|attrs|listeners|options|data|props|router|route|store)$/;
const NAMED_SO = /bus|hub|emitter|events?$/i;

/**
 * `this.$root.$emit('held', id)`, `this.$bus.$on('held', (id) => …)`: what is told to something of the whole app is heard of
 * there by its name. Undefined for any other call.
 */
export function readAppBus(u: VueUnit, node: Call, ctx: Ctx): ExprFact | undefined {
  const callee = unwrap(node.callee);
  const method = isChain(callee) && !callee.computed ? memberName(callee.property) : undefined;
  if (method === undefined || !(isTelling(method) || isHearing(method))) return undefined;
  const bus = sharedByApp(unwrap((callee as t.MemberExpression).object));
  const event =
    bus !== undefined && (method.startsWith('$') || NAMED_SO.test(bus)) && nameOf(node.arguments[0]);
  if (!event) return undefined;
  const [, given] = node.arguments.map((one) => use(u, u.expr(one, ctx), ctx, 'argument'));
  const name = `${bus}.${event}`;
  if (isTelling(method)) keepOnPage(u, name, given, spanOf(node), ctx);
  else if (given) {
    const fn = functionIn(u, given);
    const heard: ExprFact = { kind: 'identity', symbol: keptOnPage(u, name, node), ...spanOf(node) };
    if (fn !== undefined) noteGiven(u, fn, [heard]);
  }
  return { kind: 'computed', ...spanOf(node) };
}

/** `this.$bus`, and `$bus` in a template. */
function sharedByApp(node: t.Node): string | undefined {
  const isMember = isChain(node) && !node.computed && isSelf(node.object);
  const isFree = node.type === 'Identifier' && !node.binding;
  const name = isMember ? memberName(node.property) : isFree ? node.name : undefined;
  return name !== undefined && /^\$[A-Za-z]/.test(name) && !OWN.test(name) ? name : undefined;
}
