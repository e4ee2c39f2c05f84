/** State, derived values and methods among the options of a component. */
import type * as t from '@babel/types';
import { UNKNOWN, widen } from '../../../model/types';
import { readFunction } from '../../script/functions';
import { isFunction } from '../../script/scope';
import { keyName, memberName } from '../../script/type-expr';
import { addSymbol, isModuleLevel, type Member, SETUP, spanOf, typeOf, unwrap, use } from '../../script/unit';
import { declareMapped } from '../app-store/asks';
import { derivedBy, getterType } from '../state';
import type { VueUnit } from '../unit';
import { declareMembersOf } from './mapped';

/** `data() { return { … } }` */
export function readData(u: VueUnit, member: Member | undefined, later: (() => void)[]): void {
  if (!member) return;
  const fn = member.type === 'ObjectMethod' ? member : unwrap(member.value);
  takeInstance(u, fn);
  const object = isFunction(fn) ? returnedObject(fn) : fn;
  if (object?.type !== 'ObjectExpression') {
    u.openScope = true;
    if (isFunction(fn)) later.push(() => void readFunction(u, fn, SETUP, 'derivation'));
    return;
  }
  for (const property of object.properties) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (property.type === 'SpreadElement' || name === undefined) {
      u.openScope = true;
      if (property.type === 'SpreadElement')
        later.push(() => void use(u, u.expr(property.argument, SETUP), SETUP));
      continue;
    }
    if (u.facts.ports.some((port) => port.channel === 'prop' && port.name === name)) {
      (u.facts.clashes ??= []).push({ prop: name, ...spanOf(property.key) });
      continue;
    }
    const symbol = addSymbol(u, { name, kind: 'state', ...spanOf(property.key) });
    u.members.set(name, symbol);
    later.push(() => {
      const fact = u.facts.symbols[symbol]!;
      if (property.type === 'ObjectMethod') return;
      const init = use(u, u.expr(property.value, SETUP), SETUP);
      const type = widen(typeOf(u, property.value));
      fact.init = init;
      if (type.t !== 'unknown') fact.type = type;
    });
  }
  if (isFunction(fn) && fn.body.type === 'BlockStatement' && fn.body.body.length > 1) {
    const before = fn.body.body.filter((one) => one.type !== 'ReturnStatement');
    later.push(() => u.statements(before, SETUP));
  }
}

/** `data(vm)`, `wide: (vm) => vm.n > 3`: the instance is handed in, too. */
function takeInstance(u: VueUnit, fn: t.Node): void {
  const [first] = isFunction(fn) ? fn.params : [];
  if (first?.type === 'Identifier' && first.binding) u.selves.add(first.binding);
}

/** The object that a function gives back, where that is all that it gives. */
export function returnedObject(fn: t.Function): t.Node | undefined {
  if (fn.body.type !== 'BlockStatement') return unwrap(fn.body);
  const last = fn.body.body.at(-1);
  return last?.type === 'ReturnStatement' && last.argument ? unwrap(last.argument) : undefined;
}

/** Declares one member, or notes that it hides a prop. */
function member(u: VueUnit, name: string, at: t.Node, kind: 'derived' | 'handler'): number | undefined {
  if (u.facts.ports.some((port) => port.channel === 'prop' && port.name === name)) {
    (u.facts.clashes ??= []).push({ prop: name, ...spanOf(at) });
    return undefined;
  }
  const symbol = addSymbol(u, { name, kind, ...spanOf(at) });
  u.members.set(name, symbol);
  return symbol;
}

export function readDerived(u: VueUnit, node: t.Node | undefined, later: (() => void)[]): void {
  eachMember(u, node, later, (name, property) => {
    const symbol = member(u, name, property.key, 'derived');
    const body = property.type === 'ObjectMethod' ? property : property.value;
    takeInstance(u, unwrap(body));
    later.push(() => {
      const bare = unwrap(body);
      const read = derivedBy(u, bare, body, SETUP);
      const other = read ? undefined : use(u, u.expr(bare, SETUP), SETUP);
      if (symbol === undefined) return;
      const fact = u.facts.symbols[symbol]!;
      fact.init = read ?? { kind: 'computed', uses: other?.uses ?? [], ...spanOf(body) };
      fact.type = getterType(u, body);
    });
  });
}

export function readMethods(u: VueUnit, node: t.Node | undefined, later: (() => void)[]): void {
  eachMember(u, node, later, (name, property) => {
    const symbol = member(u, name, property.key, 'handler');
    const body = property.type === 'ObjectMethod' ? property : unwrap(property.value);
    later.push(() => {
      if (!isFunction(body)) {
        use(u, u.expr(body, SETUP), SETUP);
        // A function of the module is a method under another name; what a call gives is a value.
        const isNamed = body.type === 'Identifier' && body.binding && isModuleLevel(body.binding);
        if (symbol !== undefined && !isNamed) u.facts.symbols[symbol]!.kind = 'derived';
        return;
      }
      const read = readFunction(u, body, { ...SETUP, where: 'handler' }, 'handler');
      if (symbol === undefined) return;
      const fact = u.facts.symbols[symbol]!;
      fact.init = read;
      fact.fn = read.fn!;
      fact.type = typeOf(u, body);
    });
  });
}

function eachMember(
  u: VueUnit,
  node: t.Node | undefined,
  later: (() => void)[],
  take: (name: string, property: Member) => void,
): void {
  const object = node && unwrap(node);
  if (!object) return;
  if (object.type !== 'ObjectExpression') {
    if (!named(u, object, later)) u.openScope = true;
    return;
  }
  for (const property of object.properties) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (property.type === 'SpreadElement' || name === undefined) {
      // Members of a store, say.
      if (!named(u, property, later)) u.openScope = true;
      if (property.type === 'SpreadElement')
        later.push(() => void use(u, u.expr(property.argument, SETUP), SETUP));
    } else take(name, property);
  }
}

/** `...mapState(store, ['a', 'b'])` brings members of known names; what they hold is not known of every package. */
function named(u: VueUnit, property: t.Node, later: (() => void)[]): boolean {
  const call = property.type === 'SpreadElement' ? unwrap(property.argument) : property;
  if (call.type !== 'CallExpression') return false;
  if (declareMapped(u, call, later) || declareMembersOf(u, call)) return true;
  if (!/^map[A-Z]/.test(memberName(call.callee) ?? '')) return false;
  const list = call.arguments.at(-1);
  const bare = list && unwrap(list);
  if (bare?.type !== 'ArrayExpression') return false;
  for (const one of bare.elements) {
    if (one?.type !== 'StringLiteral') return false;
    const symbol = addSymbol(u, { name: one.value, kind: 'derived', type: UNKNOWN, ...spanOf(one) });
    u.members.set(one.value, symbol);
  }
  return true;
}
