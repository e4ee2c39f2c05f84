/** Components written as an object of options. */
import type * as t from '@babel/types';
import type { Span } from '../../../model/facts';
import { readFunction, readHook } from '../../script/functions';
import { isFunction } from '../../script/scope';
import { keyName, memberName } from '../../script/type-expr';
import { addSymbol, type Ctx, type Member, SETUP, spanOf, unwrap, use } from '../../script/unit';
import { place } from '../../script/placing';
import { eachChild } from '../../script/walk';
import { declareEmits } from '../emits';
import { listOf } from '../expose';
import { readNameAndAttributes } from '../macros';
import { camel, eventPort } from '../names';
import { constantOf, declareProps } from '../props';
import { declarePort, inheritedMember, makeOpen, noteNamespace, type VueUnit } from '../unit';
import { readInject, readProvide } from './contexts';
import { readData, readDerived, readMethods } from './members';
import { readSetup } from './setup';
import { readWatch } from './watch';

/** Hooks that run after the component is set up. */
const LIFECYCLE =
  /^(mounted|beforeMount|updated|beforeUpdate|unmounted|beforeUnmount|destroyed|beforeDestroy|activated|deactivated|errorCaptured)$/;

/** Options that the framework itself knows. */
const OWN = new Set(
  (
    'name props emits data computed methods watch inject provide components directives filters mixins extends model setup ' +
    'expose render template functional el store router i18n inheritAttrs created beforeCreate compilerOptions'
  ).split(' '),
);

/** Reads the options of one component: declarations first, then what the bodies do with them. */
export function readOptions(u: VueUnit, object: t.ObjectExpression): void {
  const options = new Map<string, Member>();
  for (const member of object.properties) {
    const name = member.type === 'SpreadElement' ? undefined : keyName(member);
    if (member.type !== 'SpreadElement' && name !== undefined) options.set(name, member);
    else u.openScope = true;
    // Options that are spread in are taken over like any others.
    const whole = member.type === 'SpreadElement' ? memberName(member.argument) : undefined;
    if (whole) (u.facts.mixins ??= []).push(whole);
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
  // Its render function is given everything in one object.
  if (options.has('functional')) makeOpen(u);
  readInject(u, value('inject'));
  readData(u, options.get('data'), later);
  readDerived(u, value('computed'), later);
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
    if (LIFECYCLE.test(name)) readHook(u, fn, name === 'beforeMount');
    else if (/^(created|beforeCreate)$/.test(name)) {
      const { fn: index } = readFunction(u, fn, SETUP, 'effect');
      if (index !== undefined) u.facts.functions[index]!.first = true;
    } else if (name === 'render') {
      u.openScope = true;
      u.openRefs = true;
      const [first] = fn.params;
      if (first?.type === 'Identifier') u.creator = first.binding;
      place(u, readFunction(u, fn, SETUP, 'derivation').content, 0);
    }
  }
  // Options of packages are read for what they use.
  for (const [name, member] of options) {
    if (OWN.has(name) || LIFECYCLE.test(name)) continue;
    const value = member.type === 'ObjectMethod' ? member : unwrap(member.value);
    const inner: Ctx = { ...SETUP, where: 'effect' };
    if (isFunction(value)) readFunction(u, value, inner, 'effect');
    else if (value.type === 'ObjectExpression') use(u, u.expr(value, inner), inner);
  }
  noteNamespace(
    u,
    [...u.members].filter(([name, symbol]) => u.facts.symbols[symbol]!.name === name).map(([, one]) => one),
  );
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
        declareField(u, property.name, spanOf(property));
    }
    eachChild(part, look);
  };
  look(node);
}

function declareField(u: VueUnit, name: string, at: Span): void {
  if (inheritedMember(u, name, at) !== undefined) return;
  u.members.set(name, addSymbol(u, { name, kind: 'derived', ...at }));
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
  const base = options.get('extends');
  const given = [
    ...(list?.type === 'ArrayExpression' ? list.elements : []),
    base?.type === 'ObjectProperty' ? base.value : undefined,
  ];
  const names = given.flatMap((one) => (one ? [memberName(one)] : []));
  (u.facts.mixins ??= []).push(...names.flatMap((one) => one ?? []));
  // Code that draws asks for slots through what it takes over.
  if (options.has('render')) u.facts.openSlots = true;
  u.openScope = true;
  u.openRefs = true;
  // What is taken over by name is known when files are linked.
  if (names.every((one) => one !== undefined)) return;
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
