/** What scripts of a page do with its elements, as a dialect of plain code. */
import type * as t from '@babel/types';
import type { ExprFact, Span } from '../../model/facts';
import { isElementMember } from '../../model/element-members';
import { attribute } from '../script/attributes';
import { textOf } from '../script/decorators';
import { readFunction } from '../script/functions';
import { type Chain, isChain } from '../script/own';
import { type Binding, isFunction } from '../script/scope';
import { memberName } from '../script/type-expr';
import {
  addState,
  addSymbol,
  type Call,
  type Ctx,
  type Dialect,
  isModuleLevel,
  noteRead,
  spanOf,
  symbolOf,
  typeOf,
  type Unit,
  unwrap,
  use,
} from '../script/unit';
import { propOf } from '../../model/own-elements';
import type { Elements } from './elements';

/** Ways to get at elements which no selector tells: methods and members. */
const UNKNOWN_WAYS =
  /^(getElementsBy(ClassName|TagName|Name)|children|childNodes|closest|forms|elements|(first|last)(Element)?Child|(next|previous)(Element)?Sibling|parent(Element|Node))$/;

export function pageDialect(elements: Elements): Dialect {
  const held = new Map<Binding, number[]>();

  /** The nodes that an expression stands for; empty if it stands for none. */
  function nodesOf(node: t.Node): number[] {
    const bare = unwrap(node);
    if (bare.type === 'Identifier') return (bare.binding && held.get(bare.binding)) ?? [];
    return bare.type === 'CallExpression' ? (foundBy(bare) ?? []) : [];
  }

  /** What a call finds on the page; undefined if it looks for nothing. */
  function foundBy(call: Call): number[] | undefined {
    const callee = unwrap(call.callee);
    if (!isChain(callee)) return undefined;
    const how = memberName(callee.property);
    if (how !== 'querySelector' && how !== 'querySelectorAll' && how !== 'getElementById') return undefined;
    const [first] = call.arguments;
    const said = textOf(first);
    const selector = said === undefined || how !== 'getElementById' ? said : `#${said}`;
    // What is looked for in an element that is made by code is none of the page's.
    const found = selector === undefined ? undefined : elements.found(selector, how === 'querySelectorAll');
    if (!found) elements.open(spanOf(call));
    return found ?? [];
  }

  /** `lamps.forEach((lamp) => …)`: the parameter stands for each of them. */
  function noteEach(call: Call): void {
    const callee = unwrap(call.callee);
    if (!isChain(callee) || memberName(callee.property) !== 'forEach') return;
    const nodes = nodesOf(callee.object);
    const [first] = call.arguments;
    const each = first && unwrap(first);
    const param = each && isFunction(each) ? each.params[0] : undefined;
    if (nodes.length && param?.type === 'Identifier' && param.binding) held.set(param.binding, nodes);
  }

  function give(u: Unit, nodes: number[], name: string, at: t.Node, value: t.Node, ctx: Ctx): ExprFact {
    const given = use(u, u.expr(value, ctx), ctx, 'attribute');
    given.type ??= typeOf(u, value);
    const span = spanOf(at);
    elements.give(
      nodes,
      attribute(name, span, 'value', ctx.fn < 0 ? given : kept(u, name, given, span, ctx), span),
    );
    return { kind: 'computed', ...spanOf(value) };
  }

  return {
    shares: true,
    declare(u, pattern, init, ctx) {
      if (pattern.type !== 'Identifier' || !pattern.binding) return false;
      const nodes = nodesOf(init);
      if (nodes.length) {
        held.set(pattern.binding, nodes);
        const symbol = addSymbol(u, { name: pattern.name, kind: 'ref', ...spanOf(pattern) }, pattern.binding);
        const value: ExprFact = { kind: 'identity', symbol, ...spanOf(pattern) };
        elements.give(nodes, attribute('ref', spanOf(pattern), 'ref', value, spanOf(pattern)));
        return true;
      }
      // What the page keeps may change as long as it is open.
      if (!isModuleLevel(pattern.binding) || pattern.binding.kind === 'const' || isFunction(init))
        return false;
      addState(u, pattern, use(u, u.expr(init, ctx), ctx), typeOf(u, init));
      return true;
    },
    call(u, node, ctx) {
      noteEach(node);
      const callee = unwrap(node.callee);
      const nodes = isChain(callee) ? nodesOf(callee.object) : [];
      if (!nodes.length || !isChain(callee)) {
        foundBy(node);
        return undefined;
      }
      const how = memberName(callee.property);
      noteCalled(u, callee, ctx);
      const [first, second] = node.arguments;
      const said = textOf(first);
      if (said === undefined || !first || !second) return undefined;
      if (how === 'setAttribute') return give(u, nodes, propOf(said), first, second, ctx);
      if (how !== 'addEventListener') return undefined;
      const value = listener(u, second, ctx);
      elements.give(nodes, attribute(`@${said}`, spanOf(first), 'listen', value, spanOf(first)));
      return { kind: 'computed', ...spanOf(node) };
    },
    self(_u, node) {
      if (!node.computed && UNKNOWN_WAYS.test(memberName(node.property) ?? '')) elements.open(spanOf(node));
      return undefined;
    },
    assign(u, node, ctx) {
      const left = unwrap(node.left);
      if (node.operator !== '=' || !isChain(left)) return false;
      const nodes = nodesOf(left.object);
      const { property } = left;
      const name = left.computed ? textOf(property) : memberName(property);
      if (!nodes.length) return false;
      if (name === undefined) {
        elements.open(spanOf(node));
        return false;
      }
      // What every element has is the page's.
      if (isElementMember(name)) return false;
      const handle = left.object.type === 'Identifier' ? symbolOf(u, left.object) : undefined;
      // It is of use, and handed to nobody.
      if (handle !== undefined)
        noteRead(u, handle, spanOf(left.object), { ...ctx, where: 'condition' }, ['current']);
      give(u, nodes, name, left.property, node.right, ctx);
      return true;
    },
  };
}

/** What is handed over when a function runs is kept at the element from then on. */
function kept(u: Unit, name: string, value: ExprFact, at: Span, { fn, where }: Ctx): ExprFact {
  const symbol = addSymbol(u, { name, kind: 'state', ...(value.type ? { type: value.type } : {}), ...at });
  u.facts.writes.push({ symbol, value, where, fn, ...at });
  return { kind: 'identity', symbol, ...(value.type ? { type: value.type } : {}), ...at };
}

/** `wall.refresh()`: a member of what the handle reaches. */
function noteCalled(u: Unit, callee: Chain, ctx: Ctx): void {
  const object = unwrap(callee.object);
  const name = callee.computed ? undefined : memberName(callee.property);
  const symbol = object.type === 'Identifier' ? symbolOf(u, object) : undefined;
  if (symbol === undefined || name === undefined) return;
  noteRead(u, symbol, spanOf(callee), ctx, ['current', name]);
  u.facts.reads.at(-1)!.ends = [object.end!, callee.property.end!];
}

function listener(u: Unit, node: t.Node, ctx: Ctx): ExprFact {
  const bare = unwrap(node);
  const inside: Ctx = { ...ctx, where: 'handler' };
  if (isFunction(bare)) return readFunction(u, bare, inside, 'handler');
  return use(u, u.expr(bare, inside), inside);
}
