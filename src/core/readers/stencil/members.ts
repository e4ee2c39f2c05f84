/** Members of a class that becomes an element. */
import type * as t from '@babel/types';
import { type TypeExpr, UNKNOWN, widen } from '../../model/types';
import { type ClassMember, readClassMembers, readMethod } from '../script/classes';
import { type Decorated, decoratorsOf, metadata, textOf } from '../script/decorators';
import { readHook } from '../script/functions';
import { inferFunction } from '../script/infer';
import { isFunction } from '../script/scope';
import { annotationOf, readType, typeArguments } from '../script/type-expr';
import { addSymbol, inferContext, noteRead, SETUP, spanOf, typeOf, unwrap, use } from '../script/unit';
import { eachChild } from '../script/walk';
import { handleMember } from './markup';
import { propOf } from '../../model/own-elements';
import { eventWith } from '../script/page-event';
import type { StencilUnit } from './unit';

/** Methods that run before anything is drawn. */
const EARLY = /^(componentWillRender|componentWillUpdate|componentShouldUpdate|formAssociatedCallback)$/;
/** Once, before that. */
const FIRST = /^(connectedCallback|componentWillLoad)$/;
const LATER =
  /^(componentDidLoad|componentDidRender|componentDidUpdate|disconnectedCallback|formDisabledCallback|formResetCallback|formStateRestoreCallback)$/;

type Read = (() => void) | undefined;

export function readElementClass(u: StencilUnit, node: t.Class): void {
  findHandles(u, node);
  const watched: { text: t.Node; name: string; by: string }[] = [];
  let render: t.ClassMethod | undefined;
  readClassMembers(u, node, {
    fieldKind: () => undefined,
    typed: true,
    member: (_unit, name, member) => {
      if (name === 'render' && member.type === 'ClassMethod') {
        render = member;
        return () => undefined;
      }
      for (const one of decoratorsOf(member, u.stencil.names)) {
        const own = readDecorated(u, name, member, one);
        if (own) return own;
        const text = one.name === 'Watch' ? textOf(one.args[0]) : undefined;
        if (text !== undefined) watched.push({ text: one.args[0]!, name: text, by: name });
      }
      return readPlain(u, name, member);
    },
  });
  // What is drawn is read last, so that what it calls is known.
  if (render) drawn(u, render);
  for (const { text, name, by } of watched) {
    // What watches runs at every change.
    const { fn } = u.facts.symbols[u.members.get(by) ?? -1] ?? {};
    if (fn !== undefined) u.facts.functions[fn]!.where = 'effect';
    const symbol = u.members.get(name);
    if (symbol === undefined) {
      const known = [...u.members.keys()];
      (u.facts.orphans ??= []).push({ name, port: name, channel: 'prop', known, ...spanOf(text) });
      continue;
    }
    noteRead(u, symbol, spanOf(text), { ...SETUP, where: 'effect' });
    // What it is given first is the new value.
    const given = u.facts.symbols.find(
      ({ kind, within, index }) => kind === 'param' && within === fn && index === 0,
    );
    if (given && fn !== undefined)
      Object.assign(given, { kind: 'derived', init: { kind: 'identity', symbol, ...spanOf(text) } });
  }
  expose(u);
}

function drawn(u: StencilUnit, render: t.ClassMethod): void {
  u.statements(render.body.body, SETUP);
}

/** Members that functions in `ref` put elements into. */
function findHandles(u: StencilUnit, node: t.Class): void {
  const look = (part: t.Node): void => {
    if (part.type === 'JSXAttribute' && part.name.name === 'ref') {
      const name = handleMember(part);
      if (name !== undefined) u.handles.add(name);
    }
    eachChild(part, look);
  };
  look(node.body);
}

const isField = (node: ClassMember): node is t.ClassProperty => node.type === 'ClassProperty';

const typeOfField = (u: StencilUnit, node: ClassMember): TypeExpr => {
  const annotation = annotationOf(node);
  if (annotation) return readType(annotation, u.file.named);
  return isField(node) && node.value ? widen(typeOf(u, node.value)) : UNKNOWN;
};

function readDecorated(
  u: StencilUnit,
  name: string,
  node: ClassMember,
  { name: kind, args }: Decorated,
): Read {
  switch (kind) {
    case 'Prop':
      return declareProp(u, name, node, metadata(args[0]));
    case 'State': {
      const symbol = addSymbol(u, { name, kind: 'state', ...spanOf(node.key) });
      u.members.set(name, symbol);
      return () => {
        const fact = u.facts.symbols[symbol]!;
        if (isField(node) && node.value) fact.init = use(u, u.expr(node.value, SETUP), SETUP);
        const type = typeOfField(u, node);
        if (type.t !== 'unknown') fact.type = type;
      };
    }
    case 'Event':
      return declareEvent(u, name, node, metadata(args[0]));
    case 'Method':
      u.methods.add(name);
      return undefined;
    case 'Element':
      u.members.set(name, addSymbol(u, { name, kind: 'derived', ...spanOf(node.key) }));
      return () => undefined;
    case 'Listen':
      return declareListener(u, name, node, args);
    default:
      return undefined;
  }
}

function declareProp(
  u: StencilUnit,
  name: string,
  node: ClassMember,
  options: ReturnType<typeof metadata>,
): Read {
  const value = isField(node) ? node.value : undefined;
  const type = typeOfField(u, node);
  const required = isField(node) && node.definite === true;
  const attribute = textOf(options.get('attribute'));
  u.facts.ports.push({
    name,
    channel: 'prop',
    declared: 'list',
    ...(required ? { required } : {}),
    ...(options.isTrue('mutable') ? { writable: true } : {}),
    ...(attribute === undefined ? {} : { attribute: propOf(attribute) }),
    ...(type.t === 'unknown' ? {} : { type }),
    ...spanOf(node.key),
  });
  const symbol = addSymbol(u, { name, kind: 'prop', port: name, ...spanOf(node.key) });
  u.props.set(name, symbol);
  u.members.set(name, symbol);
  // What is shown as an attribute is read by the page.
  if (options.isTrue('reflect')) noteRead(u, symbol, spanOf(node.key), { ...SETUP, where: 'attribute' });
  return () => {
    if (!value) return;
    const given = use(u, u.expr(value, SETUP), SETUP);
    given.type ??= typeOf(u, value);
    u.facts.ports.find((one) => one.name === name)!.default = given;
  };
}

function declareEvent(
  u: StencilUnit,
  name: string,
  node: ClassMember,
  options: ReturnType<typeof metadata>,
): Read {
  const [written] = annotationOf(node) ? typeArguments(annotationOf(node)!) : [];
  const detail = written ? readType(written, u.file.named) : UNKNOWN;
  const port = `@${textOf(options.get('eventName')) ?? name}`;
  const is = (key: string): boolean => {
    const value = options.get(key);
    return !(value?.type === 'BooleanLiteral' && !value.value);
  };
  u.facts.ports.push({
    name: port,
    channel: 'event',
    declared: 'list',
    ...(port === `@${name}` ? {} : { member: name }),
    ...(is('bubbles') ? { rises: { composed: is('composed') } } : {}),
    ...(written
      ? { type: { t: 'fn', params: [{ name: 'event', type: eventWith(detail) }], returns: UNKNOWN } }
      : {}),
    ...spanOf(node.key),
  });
  const symbol = addSymbol(u, { name, kind: 'prop', port, ...spanOf(node.key) });
  u.props.set(port, symbol);
  u.members.set(name, symbol);
  return () => undefined;
}

/** `@Listen('gaugeRead', { target: 'window' })` */
function declareListener(u: StencilUnit, name: string, node: ClassMember, args: t.Node[]): Read {
  const event = textOf(args[0]);
  if (event === undefined || node.type !== 'ClassMethod') return undefined;
  const on = textOf(metadata(args[1]).get('target'));
  const symbol = addSymbol(u, { name, kind: 'handler', ...spanOf(node.key) });
  u.members.set(name, symbol);
  (u.facts.hears ??= []).push({
    event,
    symbol,
    ...(on === 'window' || on === 'document' || on === 'body' ? { on } : {}),
    ...spanOf(args[0]!),
  });
  return () => {
    readMethod(u, symbol, node);
    u.facts.symbols[symbol]!.type = inferFunction(node, inferContext(u));
  };
}

/** A field of the class alone, and what the page calls. */
function readPlain(u: StencilUnit, name: string, node: ClassMember): Read {
  if (u.handles.has(name) && isField(node)) {
    u.members.set(name, addSymbol(u, { name, kind: 'ref', empty: true, ...spanOf(node.key) }));
    return () => undefined;
  }
  if (node.type === 'ClassMethod' && (FIRST.test(name) || EARLY.test(name) || LATER.test(name)))
    return () => {
      if (EARLY.test(name)) u.statements(node.body.body, SETUP);
      else readHook(u, node, FIRST.test(name));
    };
  if (!isField(node) || (node.value && isFunction(unwrap(node.value)))) return undefined;
  const symbol = addSymbol(u, { name, kind: 'derived', ...spanOf(node.key) });
  u.members.set(name, symbol);
  return () => {
    const fact = u.facts.symbols[symbol]!;
    if (node.value) fact.init = use(u, u.expr(node.value, SETUP), SETUP);
    const type = typeOfField(u, node);
    if (type.t !== 'unknown') fact.type = type;
  };
}

/** What a handle on the element reaches: its props and its methods, beside what every element has. */
function expose(u: StencilUnit): void {
  const members = [...u.members].flatMap(([name, symbol]) => {
    const { kind, port, start, end } = u.facts.symbols[symbol]!;
    const isProp = kind === 'prop' && !port!.startsWith('@');
    return isProp || u.methods.has(name) ? [{ name, start, end }] : [];
  });
  u.facts.exposes = [{ port: 'ref', members, elements: true }];
}
