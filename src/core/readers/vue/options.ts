/** Components written as an object of options. */
import type * as t from '@babel/types';
import { UNKNOWN, widen } from '../../model/types';
import { readFunction } from '../script/functions';
import { declarePattern } from '../script/patterns';
import { isFunction } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { eachChild } from '../script/walk';
import { addFunction, addSymbol, spanOf, typeOf, unwrap, use, type Ctx } from '../script/unit';
import { addConsume, addProvide, keyOf } from './contexts';
import { constantOf, declareEmits, declareProps } from './declare';
import { getterType, readNameAndAttributes, readPair } from './dialect';
import { listOf } from './expose';
import { camel, eventPort } from './names';
import { declarePort, SETUP, type VueUnit } from './unit';

/** Hooks that run after the component is set up. */
const LIFECYCLE =
  /^(mounted|beforeMount|updated|beforeUpdate|unmounted|beforeUnmount|destroyed|beforeDestroy|activated|deactivated|errorCaptured)$/;

type Member = t.ObjectProperty | t.ObjectMethod;

/** Reads the options of one component: declarations first, then what the bodies do with them. */
export function readOptions(u: VueUnit, object: t.ObjectExpression): void {
  const options = new Map<string, Member>();
  for (const member of object.properties) {
    const name = member.type === 'SpreadElement' ? undefined : keyName(member);
    if (member.type === 'SpreadElement' || name === undefined) u.openScope = true;
    else options.set(name, member);
  }
  readNameAndAttributes(u, object);
  const value = (name: string): t.Node | undefined => {
    const member = options.get(name);
    return member?.type === 'ObjectProperty' ? member.value : member;
  };
  const props = value('props');
  if (props) declareProps(u, props);
  const emits = value('emits');
  if (emits) declareEmits(u, emits);
  readModelOption(u, value('model'));
  registered(u, value('components'));
  if (options.has('mixins') || options.has('extends')) inherit(u, options);
  for (const port of u.facts.ports) if (port.channel === 'prop') propMember(u, port.name, port);
  const later: (() => void)[] = [];
  if (escapes(object)) {
    u.facts.openProps = true;
    u.facts.openEmits = true;
    u.openRefs = true;
  }
  readInject(u, value('inject'));
  readData(u, options.get('data'), later);
  readComputed(u, value('computed'), later);
  readMethods(u, value('methods'), later);
  const setup = options.get('setup');
  if (setup) readSetup(u, setup);
  noteOwnFields(u, object);
  // Bodies may use every member, wherever it is declared.
  for (const read of later) read();
  readProvide(u, value('provide'));
  readWatch(u, value('watch'));
  for (const [name, member] of options) {
    const fn = member.type === 'ObjectMethod' ? member : unwrap(member.value);
    if (!isFunction(fn)) continue;
    if (LIFECYCLE.test(name)) readFunction(u, fn, { ...SETUP, where: 'effect' }, 'effect');
    else if (/^(created|beforeCreate)$/.test(name)) readFunction(u, fn, SETUP, 'effect');
    else if (name === 'render') {
      u.openScope = true;
      u.openRefs = true;
      readFunction(u, fn, SETUP, 'derivation');
    }
  }
  if (!options.has('expose')) {
    const exposes = listOf(u);
    for (const [name, symbol] of u.members) {
      const { start, end } = u.facts.symbols[symbol]!;
      exposes.members.push({ name, start, end });
    }
    if (u.openScope) exposes.open = true;
  } else listOf(u).open = true;
}

/** `this.field = …` makes a member that no option declares. */
function noteOwnFields(u: VueUnit, node: t.Node): void {
  const look = (part: t.Node): void => {
    if (part.type === 'AssignmentExpression' && part.left.type === 'MemberExpression') {
      const { object, property, computed } = part.left;
      if (
        object.type === 'ThisExpression' &&
        !computed &&
        property.type === 'Identifier' &&
        !u.members.has(property.name)
      )
        u.members.set(
          property.name,
          addSymbol(u, { name: property.name, kind: 'derived', ...spanOf(property) }),
        );
    }
    eachChild(part, look);
  };
  look(node);
}

/** Whether the instance is handed to somebody: `register(this)`. */
function escapes(node: t.Node): boolean {
  let found = false;
  const look = (part: t.Node): void => {
    if (found) return;
    eachChild(part, (child) => {
      if (child.type !== 'ThisExpression') look(child);
      else if (!/^(Optional)?MemberExpression$/.test(part.type) && part.type !== 'VariableDeclarator')
        found = true;
    });
  };
  look(node);
  return found;
}

function propMember(u: VueUnit, name: string, at: { start: number; end: number }): void {
  const symbol = addSymbol(u, { name, kind: 'prop', port: name, start: at.start, end: at.end });
  u.props.set(name, symbol);
  u.members.set(name, symbol);
}

/** What comes from mixins and bases may be anything. */
function inherit(u: VueUnit, options: Map<string, Member>): void {
  const mixins = options.get('mixins');
  const list = mixins?.type === 'ObjectProperty' ? unwrap(mixins.value) : undefined;
  if (list?.type === 'ArrayExpression' && list.elements.length === 0 && !options.has('extends')) return;
  u.openScope = true;
  u.openRefs = true;
  u.facts.openProps = true;
  u.facts.openEmits = true;
  u.facts.openDefaults = true;
}

function readModelOption(u: VueUnit, node: t.Node | undefined): void {
  const object = node && unwrap(node);
  if (object?.type !== 'ObjectExpression') return;
  const text = (name: string, usual: string): string => {
    const member = object.properties.find((one) => one.type === 'ObjectProperty' && keyName(one) === name);
    return member?.type === 'ObjectProperty' && member.value.type === 'StringLiteral'
      ? member.value.value
      : usual;
  };
  u.facts.model = { prop: camel(text('prop', 'value')), event: text('event', 'input') };
  declarePort(u, {
    name: eventPort(u.facts.model.event),
    channel: 'event',
    declared: 'read',
    ...spanOf(object),
  });
}

function registered(u: VueUnit, node: t.Node | undefined): void {
  const object = node && constantOf(node);
  if (!object) return;
  if (object.type !== 'ObjectExpression') {
    u.openScope = true;
    return;
  }
  for (const member of object.properties) {
    const name = member.type === 'SpreadElement' ? undefined : keyName(member);
    if (member.type !== 'ObjectProperty' || name === undefined) continue;
    const local = memberName(member.value);
    u.registered.set(name, local ?? '');
  }
}

/** `inject: ['a']` and `inject: { a: 'key' | { from, default } }`. */
function readInject(u: VueUnit, node: t.Node | undefined): void {
  const bare = node && unwrap(node);
  if (!bare) return;
  const add = (name: string, key: string, at: t.Node, handled: boolean) => {
    const { symbol } = addConsume(u, key, at, SETUP, undefined, handled);
    const fact = u.facts.symbols[symbol!]!;
    fact.name = name;
    u.members.set(name, symbol!);
  };
  if (bare.type === 'ArrayExpression') {
    for (const one of bare.elements)
      if (one?.type === 'StringLiteral') add(one.value, JSON.stringify(one.value), one, false);
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
    const key = from?.type === 'ObjectProperty' ? keyOf(from.value) : JSON.stringify(name);
    if (key !== undefined) add(name, key, member.key, part('default') !== undefined);
    else u.openScope = true;
  }
}

/** `data() { return { … } }` */
function readData(u: VueUnit, member: Member | undefined, later: (() => void)[]): void {
  if (!member) return;
  const fn = member.type === 'ObjectMethod' ? member : unwrap(member.value);
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

/** The object that a function gives back, where that is all that it gives. */
function returnedObject(fn: t.Function): t.Node | undefined {
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

function readComputed(u: VueUnit, node: t.Node | undefined, later: (() => void)[]): void {
  eachMember(u, node, later, (name, property) => {
    const symbol = member(u, name, property.key, 'derived');
    const body = property.type === 'ObjectMethod' ? property : property.value;
    later.push(() => {
      const bare = unwrap(body);
      const read = isFunction(bare)
        ? readFunction(u, bare, SETUP, 'derivation')
        : bare.type === 'ObjectExpression'
          ? readPair(u, bare, SETUP)
          : use(u, u.expr(bare, SETUP), SETUP);
      if (symbol === undefined) return;
      const fact = u.facts.symbols[symbol]!;
      fact.init = { kind: 'computed', uses: read?.uses ?? [], ...spanOf(body) };
      fact.type = getterType(u, body);
    });
  });
}

function readMethods(u: VueUnit, node: t.Node | undefined, later: (() => void)[]): void {
  eachMember(u, node, later, (name, property) => {
    const symbol = member(u, name, property.key, 'handler');
    const body = property.type === 'ObjectMethod' ? property : unwrap(property.value);
    later.push(() => {
      if (!isFunction(body)) {
        use(u, u.expr(body, SETUP), SETUP);
        if (symbol !== undefined) u.facts.symbols[symbol]!.kind = 'derived';
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
    u.openScope = true;
    return;
  }
  for (const property of object.properties) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (property.type === 'SpreadElement' || name === undefined) {
      // Members of a store, say.
      if (!named(u, property)) u.openScope = true;
      if (property.type === 'SpreadElement')
        later.push(() => void use(u, u.expr(property.argument, SETUP), SETUP));
    } else take(name, property);
  }
}

/** `...mapState(store, ['a', 'b'])` brings members of known names; what they hold is not known. */
function named(u: VueUnit, property: t.Node): boolean {
  const call = property.type === 'SpreadElement' ? unwrap(property.argument) : undefined;
  if (call?.type !== 'CallExpression' || !/^map[A-Z]/.test(memberName(call.callee) ?? '')) return false;
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

/** `setup(props, { emit }) { …; return { … } }` */
function readSetup(u: VueUnit, option: Member): void {
  const fn = option.type === 'ObjectMethod' ? option : unwrap(option.value);
  if (!isFunction(fn)) {
    u.openScope = true;
    return;
  }
  const [props, context] = fn.params;
  if (props) {
    const bare = props.type === 'AssignmentPattern' ? props.left : props;
    const binding = bare.type === 'Identifier' ? bare.binding : undefined;
    const bag = addSymbol(u, { name: 'props', kind: 'bag', ...spanOf(bare) }, binding);
    if (bare.type === 'ObjectPattern')
      declarePattern(u, bare, { kind: 'identity', symbol: bag, ...spanOf(bare) }, SETUP, { kind: 'derived' });
  }
  if (context) readContext(u, context);
  if (fn.body.type !== 'BlockStatement') {
    const value = use(u, u.expr(fn.body, SETUP), SETUP);
    give(u, fn.body, value.members);
    return;
  }
  const statements = fn.body.body;
  const last = statements.at(-1);
  const result = last?.type === 'ReturnStatement' ? last.argument : undefined;
  u.statements(result ? statements.slice(0, -1) : statements, SETUP);
  if (!result) return;
  const value = u.expr(result, SETUP);
  give(u, result, value.members);
}

/** The second parameter: `{ emit, attrs, slots, expose }`. */
function readContext(u: VueUnit, node: t.Node): void {
  if (node.type === 'Identifier') {
    addSymbol(u, { name: '#context', kind: 'module', ...spanOf(node) }, node.binding);
    return;
  }
  if (node.type !== 'ObjectPattern') return;
  for (const property of node.properties) {
    if (property.type === 'RestElement') {
      u.facts.openEmits = true;
      continue;
    }
    const name = keyName(property);
    const value = property.value;
    if (value.type !== 'Identifier') continue;
    const symbol = addSymbol(u, { name: value.name, kind: 'module', ...spanOf(value) }, value.binding);
    if (name === 'emit') {
      u.emitters.add(symbol);
      const handed = value.binding?.uses.some(
        (one) => !/^\s*\(/.test(u.file.text.slice(one.id.end!, one.id.end! + 20)),
      );
      if (handed) u.facts.openEmits = true;
    } else if (name === 'slots') u.facts.openSlots = true;
    else if (name === 'expose') listOf(u).open = true;
    else if (name === 'attrs') u.facts.openProps = true;
  }
}

/** What the set-up gives back is in the template's scope. */
function give(
  u: VueUnit,
  node: t.Node,
  members: { name: string; value: { symbol?: number; kind: string } }[] | undefined,
): void {
  const bare = unwrap(node);
  if (bare.type !== 'ObjectExpression') {
    u.openScope = true;
    return;
  }
  if (bare.properties.some((one) => one.type === 'SpreadElement' || keyName(one) === undefined))
    u.openScope = true;
  for (const one of members ?? []) {
    const property = bare.properties.find(
      (other) => other.type !== 'SpreadElement' && keyName(other) === one.name,
    )!;
    const known = one.value.kind === 'identity' ? one.value.symbol : undefined;
    u.members.set(
      one.name,
      known ?? addSymbol(u, { name: one.name, kind: 'derived', ...spanOf((property as Member).key) }),
    );
  }
}

function readProvide(u: VueUnit, node: t.Node | undefined): void {
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
    const key = property.computed ? memberName(property.key) : JSON.stringify(keyName(property));
    const body = property.type === 'ObjectMethod' ? property : property.value;
    const value =
      property.type === 'ObjectMethod'
        ? readFunction(u, property, SETUP, 'handler')
        : use(u, u.expr(body, SETUP), SETUP, 'provide');
    if (property.type === 'ObjectProperty') value.type ??= typeOf(u, property.value);
    if (key !== undefined) addProvide(u, key, property.key, value, 'setup');
  }
}

/** Watched names are read; what watches them runs as an effect. */
function readWatch(u: VueUnit, node: t.Node | undefined): void {
  const object = node && unwrap(node);
  if (object?.type !== 'ObjectExpression') return;
  const effect: Ctx = { ...SETUP, where: 'effect' };
  for (const property of object.properties) {
    if (property.type === 'SpreadElement') continue;
    const [first, ...rest] = (keyName(property) ?? '').split('.');
    const symbol = u.members.get(first ?? '');
    if (symbol !== undefined) {
      u.facts.reads.push({
        symbol,
        ...(rest.length ? { path: rest } : {}),
        where: 'effect',
        fn: -1,
        ...spanOf(property.key),
      });
    }
    readWatcher(u, property.type === 'ObjectMethod' ? property : unwrap(property.value), effect);
  }
}

/** A function, an object with one, the name of a method, or a list of them. */
function readWatcher(u: VueUnit, node: t.Node, ctx: Ctx): void {
  if (isFunction(node)) {
    readFunction(u, node, ctx, 'effect');
    return;
  }
  if (node.type === 'ArrayExpression') {
    for (const one of node.elements) if (one) readWatcher(u, unwrap(one), ctx);
    return;
  }
  if (node.type === 'ObjectExpression') {
    for (const one of node.properties) {
      if (one.type === 'SpreadElement' || keyName(one) !== 'handler') continue;
      readWatcher(u, one.type === 'ObjectMethod' ? one : unwrap(one.value), ctx);
    }
    return;
  }
  const method = node.type === 'StringLiteral' ? u.members.get(node.value) : undefined;
  if (method === undefined) {
    use(u, u.expr(node, ctx), ctx, 'effect');
    return;
  }
  const fn = addFunction(u, node, -1, 'effect');
  u.facts.functions[fn]!.calls.push(method);
}
