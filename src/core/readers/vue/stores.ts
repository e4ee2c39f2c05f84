/** Stores that a package makes, known by what they offer: `defineStore('fleet', …)`, by a function or by options. */
import type * as t from '@babel/types';
import type { ComponentFacts, ImportFact, MemberFact } from '../../model/facts';
import { readHelper } from '../script/functions';
import { type Binding, isFunction, type NamedNode } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { emptyFacts, type Member, spanOf, unwrap } from '../script/unit';
import { closeUnit } from './close';
import { openUnit, type VueFile } from './file-facts';
import { VUE_TRAITS } from './names';
import { readData, readDerived, readMethods } from './options/members';

/** The function or the options that a store is set up by. */
export function storeOf(imports: ImportFact[], node: t.Node): t.Function | t.ObjectExpression | undefined {
  const call = unwrap(node);
  if (call.type !== 'CallExpression') return undefined;
  const name = memberName(call.callee);
  if (!imports.some((one) => one.local === name && one.from === 'pinia' && one.name === 'defineStore'))
    return undefined;
  const last = call.arguments.findLast(
    (arg) => isFunction(unwrap(arg)) || unwrap(arg).type === 'ObjectExpression',
  );
  return last && (unwrap(last) as t.Function | t.ObjectExpression);
}

/** Reads a store: it is set up once, and everybody who calls it gets the same. */
export function readStore(
  vue: VueFile,
  one: NamedNode,
  made: t.Function | t.ObjectExpression,
): ComponentFacts {
  const component = emptyFacts(one.id?.name ?? 'store', spanOf(made), spanOf(one.id ?? made), VUE_TRAITS);
  component.role = 'helper';
  component.single = true;
  const u = openUnit(vue, component, made);
  if (isFunction(made)) readHelper(u, made);
  else {
    const option = (name: string): Member | undefined =>
      made.properties.find((part): part is Member => part.type !== 'SpreadElement' && keyName(part) === name);
    const valueOf = (name: string): t.Node | undefined => {
      const member = option(name);
      return member?.type === 'ObjectProperty' ? member.value : member;
    };
    const later: (() => void)[] = [];
    readData(u, option('state'), later);
    const getters = valueOf('getters');
    for (const binding of statesOf(getters)) u.selves.add(binding);
    readDerived(u, getters, later);
    readMethods(u, valueOf('actions'), later);
    for (const read of later) read();
    const { start, end } = spanOf(made);
    const members = [...u.members].map(([name, symbol]): MemberFact => ({
      name,
      value: { kind: 'identity', symbol, start, end },
      start,
      end,
    }));
    component.result = { kind: 'object', members, start, end };
  }
  closeUnit(vue, u);
  return component;
}

/** A getter is given the state: `held: (state) => state.cabins.length`. */
function statesOf(getters: t.Node | undefined): Binding[] {
  const object = getters && unwrap(getters);
  if (object?.type !== 'ObjectExpression') return [];
  return object.properties.flatMap((part) => {
    const fn = part.type === 'ObjectProperty' ? unwrap(part.value) : part;
    const first = isFunction(fn) ? fn.params[0] : undefined;
    return first?.type === 'Identifier' && first.binding ? [first.binding as Binding] : [];
  });
}
