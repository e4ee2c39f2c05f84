/** What a component is given by the call that mounts it. */
import type * as t from '@babel/types';
import type { AttributeFact, RenderFact } from '../../model/facts';
import { spread } from '../script/attributes';
import { addProvide, keyOf } from '../script/contexts';
import { addMounted, argumentReader, propsGiven } from '../script/mounted';
import { noteTarget } from '../script/targets';
import { keyName, memberName } from '../script/type-expr';
import { type Ctx, spanOf, typeOf, type Unit, unwrap, use } from '../script/unit';
import { eventPort } from './names';

/** `{ target, props: { wind }, events: { gust } }`; other options are read for what they use. */
function mountOptions(u: Unit, options: t.Node | undefined, ctx: Ctx): AttributeFact[] {
  const bare = options && unwrap(options);
  if (!bare) return [];
  const read = argumentReader(u, ctx);
  if (bare.type !== 'ObjectExpression') return [spread(spanOf(bare), { ...read(bare), kind: 'computed' })];
  return bare.properties.flatMap((one) => {
    if (one.type === 'SpreadElement')
      return [spread(spanOf(one), { ...read(one.argument), kind: 'computed' })];
    const value = one.type === 'ObjectMethod' ? one : one.value;
    const name = keyName(one);
    if (name === 'props') return propsGiven(value, read);
    if (name === 'events') return propsGiven(value, read, eventPort);
    if (name === 'context' && pairsOf(value)) return [];
    if (name === 'target') noteTarget(u, value);
    use(u, u.expr(value, ctx), ctx, 'argument');
    return [];
  });
}

/** Adds the tree that a call makes of a component, below what the call provides to it; gives back whether it is known which. */
export function addRoot(
  u: Unit,
  call: t.Node,
  tag: t.Node,
  parent: number,
  options: t.Node | undefined,
  ctx: Ctx,
): boolean {
  const given = contextOption(options);
  if (given === undefined) return addMounted(u, call, tag, parent, mountOptions(u, options, ctx));
  const pairs = pairsOf(given);
  const span = spanOf(call);
  const around: RenderFact = { kind: 'group', parent, mounted: span, attributes: [], ...span };
  // Of a map that is made elsewhere, nobody knows what is in it.
  if (!pairs) around.loose = true;
  const node = u.facts.render.push(around) - 1;
  for (const [keyNode, valueNode] of pairs ?? []) {
    const key = keyOf(keyNode);
    const value = use(u, u.expr(valueNode, ctx), ctx, 'provide');
    value.type ??= typeOf(u, valueNode);
    if (key === undefined) {
      around.loose = true;
      continue;
    }
    addProvide(u, key, keyNode, value, ctx);
    u.facts.provides.at(-1)!.node = node;
  }
  return addMounted(u, call, tag, node, mountOptions(u, options, ctx));
}

/** The value of the option by which a root is given its contexts. */
function contextOption(options: t.Node | undefined): t.Node | undefined {
  const bare = options && unwrap(options);
  if (bare?.type !== 'ObjectExpression') return undefined;
  const found = bare.properties.find((one) => one.type === 'ObjectProperty' && keyName(one) === 'context');
  return found?.type === 'ObjectProperty' ? unwrap(found.value) : undefined;
}

/** `new Map([[KEY, value]])`, where each pair is written out. */
function pairsOf(node: t.Node): [key: t.Node, value: t.Node][] | undefined {
  const bare = unwrap(node);
  if (bare.type !== 'NewExpression' || memberName(bare.callee) !== 'Map') return undefined;
  const [list] = bare.arguments;
  if (!list) return [];
  if (list.type !== 'ArrayExpression') return undefined;
  const pairs = list.elements.map((one): [t.Node, t.Node] | undefined => {
    const [key, value] = one?.type === 'ArrayExpression' ? one.elements : [];
    return key && value ? [key, value] : undefined;
  });
  return pairs.every((one) => one !== undefined) ? pairs : undefined;
}
