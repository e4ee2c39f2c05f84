/** Components that code makes: where they stand, and what code hands to them. */
import type * as t from '@babel/types';
import type { AttributeFact } from '../../model/facts';
import { attribute, spread } from '../script/attributes';
import { constant, metadata } from '../script/decorators';
import { addMounted } from '../script/mounted';
import { ownMember } from '../script/classes';
import { isChain } from '../script/own';
import { keyName, memberName } from '../script/type-expr';
import { type Call, type Ctx, isModuleLevel, meaningOf, spanOf, typeOf, unwrap } from '../script/unit';
import { type AngularNames, calledOwn } from './names';
import { eachChild } from '../script/walk';
import type { AngularUnit } from './unit';

/**
 * `createComponent(Row, …)` makes a root of its own, unless it is told what is above it; `container.createComponent(Row)`
 * draws below the component whose container that is.
 */
export function noteCreated(u: AngularUnit, names: AngularNames, node: Call, ctx: Ctx): void {
  const callee = unwrap(node.callee);
  const [type, options] = node.arguments;
  const isOwn = calledOwn(names, node) === 'createComponent';
  const isContained = isChain(callee) && memberName(callee.property) === 'createComponent';
  const name = type && memberName(unwrap(type));
  if (!(isOwn || isContained) || name === undefined || u.facts.role === 'module') return;
  // What a function is given, or works out, is any component.
  let bare = unwrap(type!);
  while (isChain(bare)) bare = unwrap(bare.object);
  if (bare.type === 'ThisExpression') return;
  if (bare.type === 'Identifier' && bare.binding && !isModuleLevel(bare.binding)) return;
  const object = options && unwrap(options);
  // More may be handed over later, or by others.
  const given = [...boundBy(u, names, object, ctx), spread(spanOf(node))];
  const isTold =
    object?.type === 'ObjectExpression' &&
    object.properties.some((one) => one.type === 'SpreadElement' || keyName(one) === 'elementInjector');
  if (isOwn && !isTold) addMounted(u, node, type!, -1, given);
  else if (u.facts.render.length)
    u.facts.render.push({
      kind: 'site',
      parent: 0,
      tag: { name, ...spanOf(type!) },
      loose: true,
      attributes: given,
      ...spanOf(node),
    });
}

/** `bindings: [inputBinding('wind', () => 3), outputBinding('held', (at) => …)]` */
function boundBy(
  u: AngularUnit,
  names: AngularNames,
  options: t.Node | undefined,
  ctx: Ctx,
): AttributeFact[] {
  const written = metadata(options).get('bindings');
  const list = written && constant(written);
  if (list?.type !== 'ArrayExpression') return [];
  return list.elements.flatMap((one): AttributeFact[] => {
    const own = one && calledOwn(names, one);
    const [name, value] = one?.type === 'CallExpression' ? one.arguments : [];
    if (name?.type !== 'StringLiteral' || !value) return [];
    if (own === 'outputBinding') return [handed(u, `@${name.value}`, name, value, ctx, 'listen')];
    // What is handed over is what the function, or the signal, gives.
    const bare = unwrap(value);
    const given =
      bare.type === 'ArrowFunctionExpression' && bare.body.type !== 'BlockStatement' ? bare.body : undefined;
    if (own === 'twoWayBinding') return [handed(u, name.value, name, value, ctx, 'two-way')];
    return own === 'inputBinding' && given ? [handed(u, name.value, name, given, ctx, 'value')] : [];
  });
}

/** `made.setInput('wind', 3)`, where it is seen what was made; that may be read later. */
export function noteInputSet(u: AngularUnit, node: Call, ctx: Ctx): void {
  const callee = unwrap(node.callee);
  const [name, value] = node.arguments;
  if (!isChain(callee) || memberName(callee.property) !== 'setInput') return;
  if (name?.type !== 'StringLiteral' || !value) return;
  const made = madeAs(u, unwrap(callee.object));
  if (made) u.handed.push({ to: spanOf(made), attribute: handed(u, name.value, name, value, ctx, 'value') });
}

/** What a constant, or a member that is assigned to at one place, holds. */
export function madeAs(u: AngularUnit, node: t.Node): t.Node | undefined {
  const { binding } = node as t.Identifier;
  if (node.type === 'Identifier')
    return binding?.node.type === 'VariableDeclarator' && !binding.reassigned && binding.node.init
      ? unwrap(binding.node.init)
      : undefined;
  const name = isChain(node) && ownMember(node);
  if (!name) return undefined;
  const given: t.Node[] = [];
  const look = (one: t.Node): void => {
    if (one.type === 'AssignmentExpression' && isChain(one.left) && ownMember(one.left) === name)
      given.push(one.right);
    eachChild(one, look);
  };
  look(u.node);
  return given.length === 1 ? unwrap(given[0]!) : undefined;
}

/** Puts what code hands over to what it makes on the tags that stand for that. */
export function settleHanded({ handed, facts }: AngularUnit): void {
  for (const { to, attribute } of handed)
    facts.render
      .find((one) => one.kind === 'site' && one.start === to.start && one.end === to.end)
      ?.attributes.push(attribute);
}

function handed(
  u: AngularUnit,
  name: string,
  at: t.StringLiteral,
  value: t.Node,
  ctx: Ctx,
  mode: AttributeFact['mode'],
): AttributeFact {
  // What listens is read where it stands.
  const fact = mode === 'listen' ? { kind: 'computed' as const, ...spanOf(value) } : meaningOf(u, value, ctx);
  fact.type ??= typeOf(u, value);
  const place = { start: at.start! + 1, end: at.end! - 1 };
  return attribute(name, place, mode, fact, { start: at.start!, end: value.end! });
}
