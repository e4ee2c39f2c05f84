/** What is reached through a ref to a component, and where a portal's content goes. */
import type * as t from '@babel/types';
import type { ExposedFact, ExposesFact } from '../../model/facts';
import { returnsOf, writtenObject } from '../script/choices';
import { isFunction } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import { spanOf, symbolOf, unwrap, type Unit } from '../script/unit';
import { eachChild } from '../script/walk';
import type { ReactNames } from './names';

/** `useImperativeHandle(ref, () => ({ … }))`: the members are what a ref to the component reaches. */
export function readExposed(u: Unit, call: t.CallExpression | t.OptionalCallExpression): void {
  const [ref, make] = call.arguments;
  const port = ref && portOf(u, unwrap(ref));
  if (port === undefined) return;
  const objects = make ? exposedObjects(unwrap(make)) : [];
  const fact: ExposesFact = { port, members: [] };
  if (!objects?.length) fact.open = true;
  for (const property of (objects ?? []).flatMap((one) => one.properties)) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (name === undefined || property.type === 'SpreadElement') {
      fact.open = true;
      continue;
    }
    if (fact.members.some((one) => one.name === name)) continue;
    const value = property.type === 'ObjectMethod' ? property : unwrap(property.value);
    fact.members.push(exposed(name, property.key, value, (id) => isHandle(u, id)));
  }
  // Several handles on one port: which one is there depends on more than is known here.
  if (u.facts.exposes?.some((one) => one.port === port)) fact.open = true;
  (u.facts.exposes ??= []).push(fact);
}

/** The objects that a function gives back: written there, or in a constant; undefined where one is not seen whole. */
function exposedObjects(make: t.Node): t.ObjectExpression[] | undefined {
  const found = isFunction(make) ? returnsOf(make).map((one) => writtenObject(one)) : [];
  return found.every((one) => one !== undefined) ? found : undefined;
}

function exposed(name: string, key: t.Node, value: t.Node, isBox: (id: t.Node) => boolean): ExposedFact {
  const gives = isFunction(value) ? returned(value) : undefined;
  const handle = gives !== undefined && memberOfHandle(gives, isBox);
  return { name, ...spanOf(key), ...(handle ? { handle } : {}) };
}

/** The port that takes the ref: the second parameter, or a prop. */
function portOf(u: Unit, node: t.Node): string | undefined {
  if (node.type === 'MemberExpression') {
    const name = memberName(node);
    const [base, prop, more] = name?.split('.') ?? [];
    const root = node.object.type === 'Identifier' ? symbolOf(u, node.object) : undefined;
    const isBag = base !== undefined && root !== undefined && u.facts.symbols[root]!.kind === 'bag';
    return isBag && prop !== undefined && more === undefined ? prop : undefined;
  }
  const symbol = node.type === 'Identifier' ? symbolOf(u, node) : undefined;
  if (symbol === undefined) return undefined;
  const fact = u.facts.symbols[symbol]!;
  if (fact.kind === 'prop') return fact.port;
  return fact.kind === 'param' && fact.index === 1 ? 'ref' : undefined;
}

/** What a function gives back, where that is one expression. */
function returned(node: t.Node): t.Node | undefined {
  if (!isFunction(node)) return undefined;
  if (node.body.type !== 'BlockStatement') return unwrap(node.body);
  const found: t.Node[] = [];
  const look = (part: t.Node) => {
    if (part.type === 'ReturnStatement' && part.argument) found.push(unwrap(part.argument));
    else if (!isFunction(part)) eachChild(part, look);
  };
  node.body.body.forEach(look);
  return found.length === 1 ? found[0] : undefined;
}

/** `box` or `box.current` of a handle that the component keeps. */
function memberOfHandle(node: t.Node, isBox: (id: t.Node) => boolean): boolean {
  if (isBox(node)) return true;
  return (
    (node.type === 'MemberExpression' || node.type === 'OptionalMemberExpression') &&
    node.property.type === 'Identifier' &&
    node.property.name === 'current' &&
    isBox(unwrap(node.object))
  );
}

function isHandle(u: Unit, node: t.Node): boolean {
  const symbol = node.type === 'Identifier' ? symbolOf(u, node) : undefined;
  return symbol !== undefined && u.facts.symbols[symbol]!.kind === 'ref';
}

/** What React's own base class gives to every instance. */
const INSTANCE = ['props', 'state', 'context', 'refs', 'setState', 'forceUpdate', 'constructor'];

/** A ref to a class component reaches its instance: every member that is not private. */
export function readInstance(u: Unit, node: t.Class, open: boolean): void {
  const members: ExposedFact[] = [];
  for (const member of node.body.body) {
    if (member.type !== 'ClassMethod' && member.type !== 'ClassProperty') continue;
    if (member.static || member.accessibility === 'private' || member.accessibility === 'protected') continue;
    const name = keyName(member as { key: t.Node; computed?: boolean });
    if (name === undefined) {
      open = true;
      continue;
    }
    const value = member.type === 'ClassMethod' ? member : member.value ? unwrap(member.value) : member.key;
    const isBox = (id: t.Node) => {
      const own =
        id.type === 'MemberExpression' && id.object.type === 'ThisExpression' ? memberOf(id) : undefined;
      const symbol = own === undefined ? undefined : u.members.get(own);
      return symbol !== undefined && u.facts.symbols[symbol]!.kind === 'ref';
    };
    members.push(exposed(name, member.key, value, isBox));
  }
  // Members that are only assigned: `this.timer = …`.
  const look = (part: t.Node) => {
    const target = part.type === 'AssignmentExpression' ? part.left : undefined;
    if (target?.type === 'MemberExpression' && target.object.type === 'ThisExpression') {
      const name = memberOf(target);
      if (name === undefined) open = true;
      else members.push({ name, ...spanOf(target.property) });
    }
    if (part.type === 'CallExpression' && part.arguments.some((arg) => arg.type === 'ThisExpression'))
      open = true;
    eachChild(part, look);
  };
  look(node.body);
  (u.facts.exposes ??= []).push({ port: 'ref', members, always: INSTANCE, ...(open ? { open } : {}) });
}

const memberOf = (node: t.MemberExpression): string | undefined =>
  !node.computed && node.property.type === 'Identifier' ? node.property.name : undefined;

/** `createRef()` */
export function isCreateRef(names: ReactNames, node: t.Node | null | undefined): boolean {
  const bare = node && unwrap(node);
  return bare?.type === 'CallExpression' && names.own(memberName(bare.callee) ?? '') === 'createRef';
}
