/** Members of a store that is set up by a function, brought into a component by the helpers of its package. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../../model/facts';
import { keyName, memberName } from '../../script/type-expr';
import { addSymbol, spanOf, unwrap } from '../../script/unit';
import type { VueUnit } from '../unit';

/** `...mapState(useFleet, ['held'])`, `...mapStores(useFleet)`: members of what a call of the store gives. */
export function declareMembersOf(u: VueUnit, call: t.CallExpression): boolean {
  const local = memberName(call.callee);
  const helper = u.imports.find((one) => one.local === local && one.from === 'pinia')?.name;
  if (helper === undefined || !/^map[A-Z]/.test(helper)) return false;
  const add = (name: string, store: t.Node, path: string[], at: t.Node): boolean => {
    const made = memberName(store);
    if (made === undefined) return false;
    const index =
      u.facts.calls.push({ name: made, args: [], where: 'derivation', fn: -1, ...spanOf(store) }) - 1;
    const init: ExprFact = { kind: 'call', from: { call: index, path }, ...spanOf(at) };
    u.members.set(name, addSymbol(u, { name, kind: 'derived', init, ...spanOf(at) }));
    return true;
  };
  if (helper === 'mapStores')
    return call.arguments.every((one) => add(`${storeId(memberName(one))}Store`, one, [], one));
  const [store, list] = call.arguments;
  const members = list && unwrap(list);
  if (!store || !members) return false;
  if (members.type === 'ArrayExpression')
    return members.elements.every(
      (one) => one?.type === 'StringLiteral' && add(one.value, store, [one.value], one),
    );
  if (members.type !== 'ObjectExpression') return false;
  return members.properties.every((one) => {
    const name = one.type === 'ObjectProperty' ? keyName(one) : undefined;
    return (
      one.type === 'ObjectProperty' &&
      name !== undefined &&
      one.value.type === 'StringLiteral' &&
      add(name, store, [one.value.value], one.key)
    );
  });
}

/** The id that a store goes by, after the name of the function that gives it: `useFleetStore` gives `fleet`. */
function storeId(name = ''): string {
  const own = name.replace(/^use/, '').replace(/Store$/, '');
  return own.charAt(0).toLowerCase() + own.slice(1);
}
