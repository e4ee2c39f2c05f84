/** Markup that an element writes into itself as a text: the slots that it places, and elements of the project. */
import type * as t from '@babel/types';
import type { AttributeFact, RenderFact, Span } from '../../model/facts';
import { elementName, isOwnTag, propOf } from '../../model/own-elements';
import { lit } from '../../model/types';
import { type PageTag, readTags } from '../html/tags';
import { attribute } from '../script/attributes';
import { addSymbol, mergeUses, SETUP, use } from '../script/unit';
import { eachChild } from '../script/walk';
import type { ElementUnit } from './dialect';

const slotPort = (name: string): string => `#${name}`;

type Text = t.StringLiteral | t.TemplateLiteral;

/** Reads the markup in the texts of a class; where it closes itself off and none is seen, it may place any slot. */
export function readTemplates(u: ElementUnit, node: t.Class, text: string): void {
  const isClosed = /\battachShadow\s*\(/.test(text.slice(node.start!, node.end!));
  if (isClosed) u.facts.closed = true;
  let isKnown = false;
  for (const one of textsIn(node)) {
    const inside = { start: one.start! + 1, end: one.end! - 1 };
    if (!/<[a-z]/i.test(text.slice(inside.start, inside.end))) continue;
    isKnown = true;
    read(u, one, inside, text);
  }
  if (isClosed && !isKnown) u.facts.openSlots = true;
  // What is nested in the tag of an element that is not closed off is seen as it is.
  if (!isClosed) outlet(u, 'default', { start: node.start!, end: node.start! });
}

function textsIn(node: t.Class): Text[] {
  const found: Text[] = [];
  const look = (one: t.Node): void => {
    if (one.type === 'StringLiteral' || one.type === 'TemplateLiteral') found.push(one);
    eachChild(one, look);
  };
  look(node.body);
  return found;
}

/** Values are put in place of nothing that could be taken for markup. */
function read(u: ElementUnit, one: Text, inside: Span, text: string): void {
  let markup = text.slice(inside.start, inside.end);
  const values = one.type === 'TemplateLiteral' ? one.expressions : [];
  for (const value of values) {
    const from = value.start! - inside.start - 2;
    const to = value.end! - inside.start + 1;
    markup = `${markup.slice(0, from)}${'_'.repeat(to - from)}${markup.slice(to)}`;
  }
  const moved = <T extends Span>(span: T): T => ({
    ...span,
    start: span.start + inside.start,
    end: span.end + inside.start,
  });
  const { tags } = readTags(markup);
  const nodes = new Map<number, number>();
  const parents = new Set(tags.map((tag) => tag.parent));
  tags.forEach((tag, index) => {
    const { start, end } = moved(tag);
    if (tag.name === 'slot') {
      const name = tag.attributes.find((other) => other.name === 'name')?.value;
      outlet(u, name ?? 'default', { start, end });
    } else if (isOwnTag(tag.name)) {
      const at = { start: start + 1, end: start + 1 + tag.name.length };
      const node: RenderFact = {
        kind: 'site',
        parent: nodes.get(tag.parent) ?? 0,
        tag: { name: tag.name, global: elementName(tag.name)!, ...at },
        attributes: tag.attributes.flatMap((given) => attributeOf(u, given, values, inside.start)),
        ...(tag.textual || parents.has(index) ? { nested: true } : {}),
        start,
        end,
      };
      nodes.set(index, u.facts.render.push(node) - 1);
    }
  });
}

/** `wind="${this.wind}"`: what stands there alone is handed over, made a text. */
function attributeOf(
  u: ElementUnit,
  { name, nameEnd, value, at, start, end }: PageTag['attributes'][number],
  values: t.Node[],
  offset: number,
): AttributeFact[] {
  if (name === 'slot' || name.startsWith('on')) return [];
  const span = { start: at.start + offset, end: at.end + offset };
  const inside = values.filter((one) => span.start <= one.start! && one.end! <= span.end);
  const read = inside.map((one) => use(u, u.expr(one as t.Expression, SETUP), SETUP, 'attribute'));
  const written = inside.length
    ? { kind: 'computed' as const, uses: mergeUses(...read), ...span }
    : { kind: 'literal' as const, type: lit(value), ...span };
  const key = { start: start + offset, end: nameEnd + offset };
  const whole = { start: start + offset, end: end + offset };
  return [{ ...attribute(propOf(name), key, 'value', written, whole), plain: true, spelled: 'dashed' }];
}

function outlet(u: ElementUnit, name: string, at: Span): void {
  const port = slotPort(name);
  let symbol = u.props.get(port);
  if (symbol === undefined) {
    u.facts.ports.push({ name: port, channel: 'slot', declared: 'outlet', ...at });
    symbol = addSymbol(u, { name: port, kind: 'prop', port, ...at });
    u.props.set(port, symbol);
  }
  u.facts.render.push({
    kind: 'outlet',
    parent: 0,
    outlet: port,
    outletSymbol: symbol,
    attributes: [],
    ...at,
  });
}
