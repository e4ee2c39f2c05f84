/** Members of a class that the page makes elements of. */
import type * as t from '@babel/types';
import { propOf } from '../../model/own-elements';
import { type ClassMember, memberKey, readClassMembers, readMethod } from '../script/classes';
import { textOf } from '../script/decorators';
import { readHook } from '../script/functions';
import { annotationOf, readType } from '../script/type-expr';
import { addSymbol, noteRead, SETUP, spanOf, unwrap } from '../script/unit';
import { attributeSymbol, type ElementUnit } from './dialect';

/** What the page calls, and when. */
const CALLED =
  /^(connectedCallback|disconnectedCallback|adoptedCallback|connectedMoveCallback|form\w+Callback)$/;
const CHANGED = 'attributeChangedCallback';

export function readElement(u: ElementUnit, node: t.Class): void {
  observe(u, node);
  const accessors = new Map<string, t.ClassMethod[]>();
  for (const member of node.body.body)
    if (member.type === 'ClassMethod' && !member.static && (member.kind === 'get' || member.kind === 'set')) {
      const name = memberKey(member);
      if (name !== undefined) accessors.set(name, [...(accessors.get(name) ?? []), member]);
    }
  readClassMembers(u, node, {
    fieldKind: () => undefined,
    typed: true,
    member: (_unit, name, member) => {
      const both = accessors.get(name);
      if (both?.some((one) => one.kind === 'set')) return declareProperty(u, name, member, both);
      if (member.type !== 'ClassMethod') return undefined;
      if (CALLED.test(name)) return () => readHook(u, member, name === 'connectedCallback');
      return name === CHANGED ? () => readChanged(u, member) : undefined;
    },
    // Nothing is handed to it when it is made.
    parameter: () => true,
  });
  readConstructor(u, node);
  expose(u, node);
}

/** `static observedAttributes = ['wind-speed']`, also as an accessor that gives it back. */
function observe(u: ElementUnit, node: t.Class): void {
  for (const member of node.body.body) {
    if (!('static' in member) || !member.static || memberKey(member as ClassMember) !== 'observedAttributes')
      continue;
    const value =
      member.type === 'ClassProperty'
        ? member.value
        : member.type === 'ClassMethod'
          ? member.body.body.flatMap((one) => (one.type === 'ReturnStatement' ? [one.argument] : []))[0]
          : undefined;
    const list = value && unwrap(value);
    if (list?.type !== 'ArrayExpression') {
      // Which they are, other code decides.
      u.facts.openProps = true;
      continue;
    }
    for (const one of list.elements) {
      // What is observed by what it extends is declared there.
      if (one?.type === 'SpreadElement' && isOfSuper(one.argument)) continue;
      const attribute = one ? textOf(one) : undefined;
      if (attribute === undefined) u.facts.openProps = true;
      else attributeSymbol(u, attribute, one!);
    }
  }
}

/** `super.observedAttributes` */
const isOfSuper = (node: t.Node): boolean => {
  const bare = unwrap(node);
  return bare.type === 'MemberExpression' && bare.object.type === 'Super';
};

/** `set wind(value)`: whoever holds the element hands it over by its name; an attribute of the name is the same to those. */
function declareProperty(
  u: ElementUnit,
  name: string,
  member: ClassMember,
  both: t.ClassMethod[],
): (() => void) | undefined {
  if (member.type !== 'ClassMethod') return undefined;
  if (member !== both[0])
    return () => readMethod(u, addSymbol(u, { name, kind: 'handler', ...spanOf(member.key) }), member);
  const known = u.props.get(propOf(name));
  const setter = both.find((one) => one.kind === 'set');
  const param = setter?.params[0];
  const annotation = param && annotationOf(param as t.Identifier);
  const type = annotation ? { type: readType(annotation, u.file.named) } : {};
  const symbol = known ?? addSymbol(u, { name, kind: 'prop', port: name, ...type, ...spanOf(member.key) });
  if (known === undefined) {
    u.facts.ports.push({ name, channel: 'prop', declared: 'list', ...type, ...spanOf(member.key) });
    u.props.set(name, symbol);
  }
  u.members.set(name, symbol);
  return () => {
    for (const one of both) {
      if (one !== member && one.kind !== 'set' && one.kind !== 'get') continue;
      const before = u.facts.functions.length;
      readMethod(u, addSymbol(u, { name, kind: 'handler', ...spanOf(one.key) }), one);
      if (one.kind === 'set') takes(u, before, 0, symbol, one);
    }
  };
}

/** A parameter of a function that the page calls is what was handed over. */
function takes(u: ElementUnit, fn: number, index: number, symbol: number, at: t.Node): void {
  const param = u.facts.symbols.find(
    (one) => one.kind === 'param' && one.within === fn && one.index === index,
  );
  noteRead(u, symbol, spanOf(at), { ...SETUP, where: 'effect' });
  if (param) Object.assign(param, { kind: 'derived', init: { kind: 'identity', symbol, ...spanOf(at) } });
}

/** `attributeChangedCallback(name, old, value)` is called for each that is observed. */
function readChanged(u: ElementUnit, method: t.ClassMethod): void {
  const before = u.facts.functions.length;
  readHook(u, method, false);
  const at = spanOf(method.key);
  const uses = [...u.observed.values()];
  for (const symbol of uses) noteRead(u, symbol, at, { ...SETUP, where: 'effect' });
  const value = u.facts.symbols.find(
    (one) => one.kind === 'param' && one.within === before && one.index === 2,
  );
  if (value) Object.assign(value, { kind: 'derived', init: { kind: 'computed', uses, ...at } });
}

function readConstructor(u: ElementUnit, node: t.Class): void {
  for (const member of node.body.body)
    if (member.type === 'ClassMethod' && member.kind === 'constructor') readHook(u, member, true);
}

/** What a handle on the element reaches: all that the class does not keep to itself. */
function expose(u: ElementUnit, node: t.Class): void {
  const members = node.body.body.flatMap((member) => {
    const isOwn = member.type === 'ClassMethod' || member.type === 'ClassProperty';
    const name = isOwn && !member.static ? memberKey(member) : undefined;
    if (name === undefined || name === 'constructor' || !isOwn) return [];
    return member.accessibility === 'private' || member.accessibility === 'protected'
      ? []
      : [{ name, ...spanOf(member.key) }];
  });
  // Any code may put something onto an element of the page, or onto what it extends.
  u.facts.exposes = [{ port: 'ref', members, elements: true, open: true }];
}
