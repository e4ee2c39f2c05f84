/** `provide` and `inject` among the options of a component. */
import type * as t from '@babel/types';
import type { KeyFact } from '../../../model/facts';
import { addConsume, addProvide, keyOf, typeOfKey } from '../../script/contexts';
import { readFunction } from '../../script/functions';
import { isSelf } from '../names';
import { isFunction } from '../../script/scope';
import { keyName } from '../../script/type-expr';
import { type Member, SETUP, spanOf, typeOf, unwrap, use } from '../../script/unit';
import type { VueUnit } from '../unit';
import { returnedObject } from './members';

/** `inject: ['a']` and `inject: { a: 'key' | { from, default } }`. */
export function readInject(u: VueUnit, node: t.Node | undefined): void {
  const bare = node && unwrap(node);
  if (!bare) return;
  const add = (name: string, key: KeyFact, at: t.Node, handled: boolean) => {
    const missing = handled ? 'handled' : 'bare';
    const { symbol } = addConsume(u, key, spanOf(at), SETUP, undefined, typeOfKey(key), missing);
    const fact = u.facts.symbols[symbol!]!;
    fact.name = name;
    u.members.set(name, symbol!);
  };
  if (bare.type === 'ArrayExpression') {
    for (const one of bare.elements)
      if (one?.type === 'StringLiteral') add(one.value, { text: one.value }, one, false);
      else u.openScope = true;
    return;
  }
  if (bare.type !== 'ObjectExpression') {
    u.openScope = true;
    return;
  }
  for (const member of bare.properties) {
    const name = member.type === 'SpreadElement' ? undefined : keyName(member);
    if (member.type !== 'ObjectProperty' || name === undefined) {
      u.openScope = true;
      continue;
    }
    const value = unwrap(member.value);
    if (value.type !== 'ObjectExpression') {
      const key = keyOf(value);
      if (key === undefined) u.openScope = true;
      else add(name, key, member.key, false);
      continue;
    }
    const part = (wanted: string) =>
      value.properties.find((one): one is Member => one.type !== 'SpreadElement' && keyName(one) === wanted);
    const from = part('from');
    const key = from?.type === 'ObjectProperty' ? keyOf(from.value) : { text: name };
    if (key !== undefined) add(name, key, member.key, part('default') !== undefined);
    else u.openScope = true;
  }
}

export function readProvide(u: VueUnit, node: t.Node | undefined): void {
  const bare = node && unwrap(node);
  const object = bare && isFunction(bare) ? returnedObject(bare) : bare;
  if (object?.type !== 'ObjectExpression') {
    if (bare) use(u, u.expr(bare, SETUP), SETUP);
    return;
  }
  if (bare && isFunction(bare) && bare.body.type === 'BlockStatement') {
    u.statements(bare.body.body.slice(0, -1), SETUP);
  }
  for (const property of object.properties) {
    if (property.type === 'SpreadElement') continue;
    const text = property.computed ? undefined : keyName(property);
    const key = property.computed ? keyOf(property.key) : text === undefined ? undefined : { text };
    const body = property.type === 'ObjectMethod' ? property : property.value;
    const value =
      property.type === 'ObjectMethod'
        ? readFunction(u, property, SETUP, 'handler')
        : use(u, u.expr(body, SETUP), SETUP, 'provide');
    if (property.type === 'ObjectProperty') value.type ??= typeOf(u, property.value);
    if (key === undefined) continue;
    addProvide(u, key, property.key, value, SETUP);
    if (isSelf(body)) u.facts.provides.at(-1)!.self = true;
  }
}
