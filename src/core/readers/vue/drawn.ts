/** Slots that code draws: `slots.footer?.({ total })`, `this.$slots.footer`. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { propsGiven } from '../script/mounted';
import { portSymbol } from '../script/ports';
import type { Use } from '../script/scope';
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

/** Declares a name for the slots of the component. */
export function declareSlots(u: VueUnit, pattern: t.Node): void {
  if (pattern.type !== 'Identifier' || !pattern.binding) {
    u.facts.openSlots = true;
    return;
  }
  const symbol = addSymbol(u, { name: pattern.name, kind: 'module', ...spanOf(pattern) }, pattern.binding);
  u.slotBags.set(symbol, pattern.binding);
}

/** A name for the slots that is used otherwise than for one of them may draw any. */
export function settleSlots(u: VueUnit): void {
  const { text } = u.file;
  const isNamed = ({ id }: Use) => /^\s*!?\s*\??\.\s*[A-Za-z_]/.test(text.slice(id.end!, id.end! + 40));
  for (const { uses } of u.slotBags.values()) if (!uses.every(isNamed)) u.facts.openSlots = true;
}

/** Whether a node stands for all slots of the component. */
function isSlots(u: VueUnit, node: t.Node): boolean {
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

/** What was handed over for a slot, in the place of content: a function that draws it. */
export function slotValue(u: VueUnit, node: t.Node): ExprFact | undefined {
  const slot = slotNamed(u, node);
  if (!slot) return undefined;
  const symbol = portSymbol(u, slot.port, 'slot', spanOf(slot.at));
  return { kind: 'identity', symbol, ...spanOf(node) };
}

/** A slot as a value elsewhere: asking whether it is filled draws nothing; who gets it may draw it. */
export function slotAsked(u: VueUnit, node: t.Node, ctx: Ctx | undefined): ExprFact | undefined {
  if (!slotNamed(u, node)) return undefined;
  if (ctx && !/^(condition|attribute|text)$/.test(ctx.where)) u.facts.openSlots = true;
  return { kind: 'computed', ...spanOf(node) };
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
