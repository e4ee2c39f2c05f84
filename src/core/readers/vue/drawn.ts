/** Slots that code draws: `slots.footer?.({ total })`, `this.$slots.footer`. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { propsGiven } from '../script/mounted';
import { portSymbol } from '../script/ports';
import { nameOutlet } from '../script/slots';
import {
  addNode,
  addSymbol,
  type Call,
  type Ctx,
  spanOf,
  symbolOf,
  typeOf,
  unwrap,
  use,
} from '../script/unit';
import { camel, isSelf, slotPort } from './names';
import type { VueUnit } from './unit';

/** Declares a name for the slots of the component; used whole, it may draw any. */
export function declareSlots(u: VueUnit, pattern: t.Node): void {
  if (pattern.type !== 'Identifier' || !pattern.binding) {
    u.facts.openSlots = true;
    return;
  }
  u.slotBags.add(addSymbol(u, { name: pattern.name, kind: 'module', ...spanOf(pattern) }, pattern.binding));
  const { text } = u.file;
  const named = pattern.binding.uses.every(({ id }) =>
    /^\s*(\?\.|\.|!\.)\s*[A-Za-z_]/.test(text.slice(id.end!, id.end! + 40)),
  );
  if (!named) u.facts.openSlots = true;
}

/** Whether a node stands for all slots of the component. */
export function isSlots(u: VueUnit, node: t.Node): boolean {
  const bare = unwrap(node);
  if (bare.type === 'Identifier') {
    const symbol = symbolOf(u, bare);
    return symbol === undefined ? bare.name === '$slots' && !bare.binding : u.slotBags.has(symbol);
  }
  if (bare.type !== 'MemberExpression' && bare.type !== 'OptionalMemberExpression') return false;
  if (bare.computed || bare.property.type !== 'Identifier') return false;
  const { name } = bare.property;
  if (name === '$slots' || name === '$scopedSlots') return isSelf(bare.object);
  const object = unwrap(bare.object);
  const symbol = object.type === 'Identifier' ? symbolOf(u, object) : undefined;
  return name === 'slots' && symbol !== undefined && u.facts.symbols[symbol]!.name === '#context';
}

/** The slot that a node names, with the place of its name. */
function slotNamed(u: VueUnit, node: t.Node): { port: string; at: t.Node } | undefined {
  const bare = unwrap(node);
  if (bare.type !== 'MemberExpression' && bare.type !== 'OptionalMemberExpression') return undefined;
  if (!isSlots(u, bare.object)) return undefined;
  const { property, computed } = bare;
  const name = computed
    ? property.type === 'StringLiteral' && property.value
    : property.type === 'Identifier' && property.name;
  if (name) return { port: slotPort(name), at: property };
  u.facts.openSlots = true;
  return undefined;
}

/** What is handed over for a slot, as a value: a function that draws it. Asking whether it is filled draws nothing. */
export function slotValue(u: VueUnit, node: t.Node, ctx: Ctx | undefined): ExprFact | undefined {
  const slot = slotNamed(u, node);
  if (!slot) return undefined;
  if (!ctx || ctx.where === 'condition') return { kind: 'computed', ...spanOf(node) };
  const symbol = portSymbol(u, slot.port, 'slot', spanOf(slot.at));
  return { kind: 'identity', symbol, ...spanOf(node) };
}

/** A call that draws a slot, with what it gives to the content. */
export function slotCalled(u: VueUnit, call: Call, ctx: Ctx): ExprFact | undefined {
  const slot = slotNamed(u, call.callee);
  if (!slot) return undefined;
  const index = addNode(u, { kind: 'outlet', ...spanOf(call) }, ctx);
  const read = (node: t.Node) => {
    const value = u.expr(node, ctx);
    return { ...value, type: value.type ?? typeOf(u, node) };
  };
  const [given, ...others] = call.arguments;
  u.facts.render[index]!.attributes = propsGiven(given, read, camel);
  for (const one of others) use(u, read(one), ctx);
  nameOutlet(u, index, slot.port, spanOf(slot.at), ctx);
  return { kind: 'content', content: [index], ...spanOf(call), type: { t: 'content' } };
}
