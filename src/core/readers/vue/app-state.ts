/** State that a build keeps for the whole app under a name: `useState('season', () => 'winter')`, wherever it is asked for. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { keepOnPage, keptOnPage } from '../script/page-kept';
import { isFunction } from '../script/scope';
import { nameOf } from '../script/told';
import { addState, type Call, type Ctx, spanOf, typeOf, unwrap, use } from '../script/unit';
import { widen } from '../../model/types';
import { workedOut } from '../script/results';
import { readFunction } from '../script/functions';
import type { VueUnit } from './unit';

/** `const season = useState('season', …)`; without a name that is written out, it is the code's own. */
export function declareAppState(u: VueUnit, pattern: t.LVal, call: t.CallExpression, ctx: Ctx): boolean {
  if (pattern.type !== 'Identifier' || !pattern.binding) return false;
  const key = nameOf(call.arguments[0]);
  const begin = call.arguments.find((one) => isFunction(unwrap(one)));
  if (key === undefined) {
    const value = begin && beginning(u, begin, ctx);
    const made = begin && unwrap(begin);
    const body = made?.type === 'ArrowFunctionExpression' ? made.body : undefined;
    u.boxes.add(addState(u, pattern, value, widen(typeOf(u, body))));
    return true;
  }
  u.refs.set(pattern.binding, kept(u, key, begin, call, ctx));
  return true;
}

/** The same, where it is given back or handed on. */
export function readAppState(u: VueUnit, call: Call, ctx: Ctx): ExprFact | undefined {
  const key = nameOf(call.arguments[0]);
  if (key === undefined) return undefined;
  const begin = call.arguments.find((one) => isFunction(unwrap(one)));
  return { kind: 'identity', symbol: kept(u, key, begin, call, ctx), ...spanOf(call) };
}

function kept(u: VueUnit, key: string, begin: t.Node | undefined, call: Call, ctx: Ctx): number {
  keepOnPage(u, key, begin && beginning(u, begin, ctx), spanOf(call), ctx);
  const symbol = keptOnPage(u, key, call);
  u.boxes.add(symbol);
  return symbol;
}

/** What a function works out that is called once, to begin with. */
function beginning(u: VueUnit, node: t.Node, ctx: Ctx): ExprFact {
  const bare = unwrap(node);
  return isFunction(bare)
    ? workedOut(u, readFunction(u, bare, ctx, 'derivation'))
    : use(u, u.expr(node, ctx), ctx);
}
