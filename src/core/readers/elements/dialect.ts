/** What the class of an element does with itself, as a dialect of plain code: attributes, events, listeners. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { propOf } from '../../model/own-elements';
import { metadata, textOf } from '../script/decorators';
import { isChain, type OwnUnit, readChain, symbolAt } from '../script/own';
import { eventWith } from '../script/page-event';
import { raisePort } from '../script/ports';
import { memberName } from '../script/type-expr';
import {
  addSymbol,
  type Call,
  type Ctx,
  type Dialect,
  noteRead,
  spanOf,
  typeOf,
  type Unit,
  unwrap,
  use,
  usesOf,
} from '../script/unit';

export interface ElementUnit extends OwnUnit {
  /** Symbols of what its attributes stand for, by the attribute. */
  observed: Map<string, number>;
}

const isElementUnit = (u: Unit): u is ElementUnit => 'observed' in u;

export const elementDialect = (): Dialect => ({
  declare: () => false,
  call(u, node, ctx) {
    const callee = unwrap(node.callee);
    if (!isElementUnit(u) || !isChain(callee) || unwrap(callee.object).type !== 'ThisExpression')
      return undefined;
    const [first, second] = node.arguments;
    switch (memberName(callee.property)) {
      case 'getAttribute':
      case 'hasAttribute':
        return asked(u, first, node, ctx);
      case 'dispatchEvent':
        return first ? raised(u, unwrap(first), node, ctx) : undefined;
      case 'addEventListener':
        if (first && second) listened(u, first, unwrap(second));
        return undefined;
      default:
        return undefined;
    }
  },
  self: (u, node, ctx) => (isElementUnit(u) ? readChain(u, node, ctx) : undefined),
  carries: 'detail',
  assign: () => false,
});

/** The symbol of what an attribute stands for; it is declared by being spoken of. */
export function attributeSymbol(u: ElementUnit, attribute: string, at: t.Node): number {
  const name = propOf(attribute);
  const known = u.observed.get(name) ?? u.props.get(name);
  if (known !== undefined) return known;
  u.facts.ports.push({ name, channel: 'prop', declared: 'list', ...spanOf(at) });
  const symbol = addSymbol(u, { name, kind: 'prop', port: name, ...spanOf(at) });
  u.props.set(name, symbol);
  u.observed.set(name, symbol);
  return symbol;
}

function asked(u: ElementUnit, first: t.Node | undefined, node: Call, ctx: Ctx): ExprFact | undefined {
  const attribute = textOf(first);
  if (attribute === undefined || !first) {
    // Any may be asked for.
    u.facts.openProps = true;
    return undefined;
  }
  const symbol = attributeSymbol(u, attribute, first);
  noteRead(u, symbol, spanOf(node), ctx);
  // What it gets is the text of the attribute.
  return { kind: 'computed', uses: [symbol], ...spanOf(node) };
}

/** `this.dispatchEvent(new CustomEvent('gust', { detail, bubbles: true }))` */
function raised(u: ElementUnit, event: t.Node, node: Call, ctx: Ctx): ExprFact | undefined {
  const kind = event.type === 'NewExpression' ? memberName(event.callee) : undefined;
  const made = event.type === 'NewExpression' ? event : undefined;
  const name = textOf(made?.arguments[0]);
  if (!made || name === undefined || !/^(Custom)?Event$/.test(kind ?? '')) {
    u.facts.openEmits = true;
    return undefined;
  }
  const options = metadata(made.arguments[1]);
  const detail = options.get('detail');
  const value = detail && use(u, u.expr(detail, ctx), ctx, 'emit');
  if (value) value.type ??= typeOf(u, detail);
  const symbol = eventSymbol(u, name, made.arguments[0]!, {
    bubbles: options.isTrue('bubbles'),
    composed: options.isTrue('composed'),
  });
  const given: ExprFact = {
    kind: 'object',
    members: value ? [{ name: 'detail', value, ...spanOf(made) }] : [],
    open: true,
    uses: value ? usesOf(value) : [],
    ...(value?.type ? { type: eventWith(value.type) } : {}),
    ...spanOf(made),
  };
  raisePort(u, symbol, [given], spanOf(node), ctx.fn);
  return { kind: 'computed', ...spanOf(node) };
}

function eventSymbol(
  u: ElementUnit,
  event: string,
  at: t.Node,
  { bubbles, composed }: { bubbles: boolean; composed: boolean },
): number {
  const name = `@${event}`;
  const known = u.props.get(name);
  const port = u.facts.ports.find((one) => one.name === name);
  // It may be raised in several ways: whatever one of them reaches is reached.
  if (port && bubbles) port.rises = { composed: composed || port.rises?.composed === true };
  if (known !== undefined) return known;
  u.facts.ports.push({
    name,
    channel: 'event',
    declared: 'list',
    ...(bubbles ? { rises: { composed } } : {}),
    ...spanOf(at),
  });
  const symbol = addSymbol(u, { name: event, kind: 'prop', port: name, ...spanOf(at) });
  u.props.set(name, symbol);
  return symbol;
}

/** `this.addEventListener('gust', this.onGust)`; with `bind`, too. */
function listened(u: ElementUnit, first: t.Node, handler: t.Node): void {
  const event = textOf(first);
  const bound =
    handler.type === 'CallExpression' && isChain(unwrap(handler.callee)) ? unwrap(handler.callee) : undefined;
  const meant =
    bound && isChain(bound) && memberName(bound.property) === 'bind' ? unwrap(bound.object) : handler;
  const symbol = symbolAt(u, meant);
  if (event === undefined || symbol === undefined || u.facts.symbols[symbol]!.kind !== 'handler') return;
  (u.facts.hears ??= []).push({ event, symbol, ...spanOf(first) });
}
