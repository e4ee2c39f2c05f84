/** What a handle to a component reaches. */
import type * as t from '@babel/types';
import type { ExposesFact } from '../../model/facts';
import { writtenObject } from '../script/choices';
import { isFunction } from '../script/scope';
import { keyName } from '../script/type-expr';
import { type Ctx, spanOf, symbolOf, unwrap, use } from '../script/unit';
import type { VueUnit } from './unit';

/** Members that the framework gives to every component. */
const ALWAYS = [
  '$',
  '$el',
  '$data',
  '$props',
  '$attrs',
  '$refs',
  '$slots',
  '$root',
  '$parent',
  '$emit',
  '$forceUpdate',
  '$nextTick',
  '$watch',
  '$options',
  '$listeners',
  '$children',
  '$scopedSlots',
  '$set',
  '$delete',
  '$on',
  '$off',
  '$once',
  '$destroy',
  '$mount',
  '$vnode',
];

/** `defineExpose({ … })`. */
export function readExposed(u: VueUnit, node: t.Node, ctx: Ctx): void {
  const bare = unwrap(node);
  const value = use(u, u.expr(bare, ctx), ctx);
  const exposes = listOf(u);
  exposes.value = value;
  const object = writtenObject(bare);
  if (!object) {
    exposes.open = true;
    return;
  }
  for (const property of object.properties) {
    const name = property.type === 'SpreadElement' ? undefined : keyName(property);
    if (property.type === 'SpreadElement' || name === undefined) exposes.open = true;
    else
      exposes.members.push({
        name,
        ...spanOf(property.key),
        ...(givesHandle(u, property) ? { handle: true } : {}),
      });
  }
}

/** `() => box.value`: a function that gives a handle of the component away. */
function givesHandle(u: VueUnit, property: t.ObjectProperty | t.ObjectMethod): boolean {
  const fn = property.type === 'ObjectMethod' ? property : unwrap(property.value);
  if (!isFunction(fn)) return false;
  const [only] = fn.body.type === 'BlockStatement' ? fn.body.body : [];
  const given =
    fn.body.type === 'BlockStatement'
      ? only?.type === 'ReturnStatement'
        ? only.argument
        : undefined
      : fn.body;
  const bare = given && unwrap(given);
  const object = bare?.type === 'MemberExpression' ? unwrap(bare.object) : undefined;
  const symbol = object?.type === 'Identifier' ? symbolOf(u, object) : undefined;
  return symbol !== undefined && u.facts.symbols[symbol]!.kind === 'ref';
}

/** What the component lists for those who hold a handle to it. */
export function listOf(u: VueUnit): ExposesFact {
  const known = u.facts.exposes?.[0];
  if (known) return known;
  const made: ExposesFact = { port: 'ref', members: [], always: ALWAYS };
  u.facts.exposes = [made];
  return made;
}
