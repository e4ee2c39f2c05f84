/** JSX to render nodes. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, LoweredFact, TagFact } from '../../model/facts';
import { isOwnTag } from '../../model/own-elements';
import { lit } from '../../model/types';
import { calledBy, spread } from './attributes';
import { choicesOf, chosen } from './choices';
import { contentOf, place, shownBy } from './placing';
import { raisePort } from './ports';
import type { Binding } from './scope';
import { readType, typeArguments } from './type-expr';
import {
  addNode,
  type Ctx,
  isModuleLevel,
  noteRead,
  propSymbol,
  spanOf,
  symbolOf,
  typeOf,
  type Unit,
  unwrap,
  use,
  usesOf,
} from './unit';

/** What a framework's markup means where it differs. */
export interface MarkupDialect {
  attributeMode(name: string, element: boolean, tag: string): AttributeFact['mode'];
  /** The port that an attribute names, where it is not the attribute's own name. */
  attributeName?(name: string, tag: string): string;
  /** How that is written. */
  spelling?(name: string, tag: string): Pick<AttributeFact, 'spelled'> | undefined;
  /** Of a tag in lower case, the name under which a component is registered for the whole app. */
  registeredAs?(tag: string): string | undefined;
  /** An attribute that is read with the whole tag, and not by itself. */
  isTagged?(name: string): boolean;
  /** Takes note of a tag with all that is written on it and in it. */
  tagged?(u: Unit, index: number, node: t.JSXElement, ctx: Ctx): void;
  /** A tag that renders nothing of its own, such as a fragment. */
  isGroup(u: Unit, tag: string): boolean;
  /** A name that the framework has on every page, without any import. */
  global?: string;
  /** Takes over an expression in the place of content that stands for more than it draws; true if it did. */
  content?(u: Unit, node: t.Node, parent: number, ctx: Ctx): boolean;
  /** Takes note of what a tag provides; true if it is no component of the project. */
  provider(u: Unit, tag: TagFact, node: number, attributes: AttributeFact[], ctx: Ctx): boolean;
}

function tagName(node: t.JSXElement['openingElement']['name']): string {
  if (node.type === 'JSXIdentifier') return node.name;
  if (node.type === 'JSXNamespacedName') return `${node.namespace.name}:${node.name.name}`;
  return `${tagName(node.object)}.${node.property.name}`;
}

function rootOf(node: t.JSXElement['openingElement']['name']): t.JSXIdentifier | undefined {
  if (node.type === 'JSXIdentifier') return node;
  return node.type === 'JSXMemberExpression' ? rootOf(node.object) : undefined;
}

/** Reads an element or fragment; its node is not placed yet. */
export function readMarkup(
  u: Unit,
  node: t.JSXElement | t.JSXFragment,
  ctx: Ctx,
  dialect: MarkupDialect,
): ExprFact {
  const index =
    node.type === 'JSXFragment'
      ? addNode(u, { kind: 'group', ...spanOf(node) }, ctx)
      : readElement(u, node, ctx, dialect);
  readChildren(u, node.children, index, ctx, dialect);
  return { kind: 'content', content: [index], ...spanOf(node), type: { t: 'content' } };
}

function readElement(u: Unit, node: t.JSXElement, ctx: Ctx, dialect: MarkupDialect): number {
  const { name } = node.openingElement;
  const tag: TagFact = { name: tagName(name), ...spanOf(name) };
  const root = rootOf(name);
  const plain =
    name.type !== 'JSXMemberExpression' &&
    (/^[a-z]/.test(tag.name) || tag.name.includes(':') || tag.name.includes('-'));
  const registered = plain ? dialect.registeredAs?.(tag.name) : undefined;
  if (registered !== undefined) tag.global = registered;
  const kind =
    registered !== undefined ? 'site' : plain ? 'element' : dialect.isGroup(u, tag.name) ? 'group' : 'site';
  const index = addNode(u, { kind, tag, ...spanOf(node) }, ctx);
  const fact = u.facts.render[index]!;
  if (plain && root?.binding && root === name) {
    const held = loweredTag(u, root.binding, asExpression(name)!);
    if (held) fact.lowercase = held;
  }
  if (!plain && root) {
    const symbol = symbolOf(u, root);
    const inner = root.binding && name === root ? u.file.inner.get(root.binding) : undefined;
    if (inner !== undefined) tag.component = inner;
    else if (symbol !== undefined) {
      tag.symbol = symbol;
      const isBag = u.facts.symbols[symbol]!.kind === 'bag' && name.type === 'JSXMemberExpression';
      chooseTag(u, tag, asExpression(name));
      if (!isBag && name.type === 'JSXMemberExpression')
        tag.held = { kind: 'member', symbol, path: tag.name.split('.').slice(1), ...spanOf(name) };
      if (isBag) {
        tag.symbol = propSymbol(u, name.property.name, spanOf(name.property), 'read');
      }
      noteRead(u, tag.symbol, spanOf(name), ctx, tag.name.includes('.') && !isBag ? [tag.name] : undefined);
    } else if (!root.binding && root.name !== 'this' && root.name !== dialect.global) tag.unbound = true;
    else if (root.binding && !isModuleLevel(root.binding)) {
      // Declared further down, or in a function around this one.
      u.early.push({ binding: root.binding, at: spanOf(root), ctx, tag });
      const known = chosen(choicesOf(asExpression(name)!, u.loops));
      if (known.choices) Object.assign(tag, known);
    }
  }
  const types = kind === 'site' ? typeArguments(node.openingElement) : [];
  if (types.length) fact.typeArgs = types.map((one, at) => ({ for: at, type: readType(one, u.file.named) }));
  for (const attribute of node.openingElement.attributes) {
    const own = attribute.type === 'JSXAttribute' && attribute.name.type === 'JSXIdentifier';
    if (own && dialect.isTagged?.((attribute.name as t.JSXIdentifier).name)) continue;
    const read = readAttribute(u, attribute, index, kind === 'element', ctx, dialect, tag.name);
    if (kind !== 'element' || isOwnTag(tag.name) || isKept(read)) fact.attributes.push(read);
    fact.lowercase?.given.push(read.name);
  }
  dialect.tagged?.(u, index, node, ctx);
  if (kind === 'site' && dialect.provider(u, tag, index, fact.attributes, ctx)) fact.kind = 'group';
  if (fact.kind !== 'site') showGiven(u, node, index, ctx);
  return index;
}

/** `<div children={children} />`: what is handed over as children is drawn there, as what is nested. */
function showGiven(u: Unit, { openingElement }: t.JSXElement, index: number, ctx: Ctx): void {
  for (const one of openingElement.attributes) {
    if (one.type !== 'JSXAttribute' || one.name.name !== 'children') continue;
    const given = one.value?.type === 'JSXExpressionContainer' ? unwrap(one.value.expression) : undefined;
    const symbol = given?.type === 'Identifier' ? symbolOf(u, given) : undefined;
    if (symbol !== undefined && u.facts.symbols[symbol]!.kind === 'prop')
      placeOutlet(u, symbol, { kind: 'identity', symbol, ...spanOf(given!) }, index, ctx);
  }
}

/** Of what a plain element is given, only this says something about the flow beyond the reads noted. */
const isKept = (attribute: AttributeFact): boolean =>
  attribute.mode !== 'value' ||
  attribute.called !== undefined ||
  attribute.name === 'slot' ||
  /^on[A-Z]/.test(attribute.name);

/** A tag that is a value of the component: what it is chosen among, as far as that is written out. */
export function chooseTag(u: Unit, tag: TagFact, node: t.Node | undefined): void {
  const { kind } = u.facts.symbols[tag.symbol!]!;
  const known = node && kind !== 'bag' ? chosen(choicesOf(node, u.loops)) : {};
  // What is not one of several names is what the component was handed.
  if (known.choices || (known.plain && !known.openChoice)) Object.assign(tag, known);
}

/** What stands behind a tag in lower case that bears the name of something in scope. */
export function loweredTag(u: Unit, binding: Binding, id: t.Expression): LoweredFact | undefined {
  const symbol = u.refs.get(binding);
  if (symbol === undefined && !isModuleLevel(binding)) return undefined;
  const { choices } = chosen(choicesOf(id, u.loops));
  const known = choices ?? (symbol === undefined ? [{ name: binding.name }] : undefined);
  return { ...(symbol === undefined ? {} : { symbol }), ...(known ? { choices: known } : {}), given: [] };
}

/** The name of a tag as the expression that it is. */
function asExpression(name: t.Node): t.Expression | undefined {
  if (name.type === 'JSXIdentifier') return { ...name, type: 'Identifier' } as unknown as t.Identifier;
  const object = name.type === 'JSXMemberExpression' ? asExpression(name.object) : undefined;
  if (name.type !== 'JSXMemberExpression' || !object) return undefined;
  const property = { ...name.property, type: 'Identifier' } as unknown as t.Identifier;
  return {
    type: 'MemberExpression',
    object,
    property,
    computed: false,
    ...spanOf(name),
  } as t.MemberExpression;
}

function readAttribute(
  u: Unit,
  node: t.JSXAttribute | t.JSXSpreadAttribute,
  parent: number,
  element: boolean,
  ctx: Ctx,
  dialect: MarkupDialect,
  tag: string,
): AttributeFact {
  if (node.type === 'JSXSpreadAttribute') {
    const value = readSpread(u, node.argument, element, ctx);
    return spread(spanOf(node), value);
  }
  const name =
    node.name.type === 'JSXIdentifier'
      ? node.name.name
      : `${node.name.namespace.name}:${node.name.name.name}`;
  const common = {
    name: dialect.attributeName?.(name, tag) ?? name,
    nameStart: node.name.start!,
    nameEnd: node.name.end!,
    mode: dialect.attributeMode(name, element, tag),
    ...dialect.spelling?.(name, tag),
    ...spanOf(node),
  };
  if (!node.value) {
    return { ...common, value: { kind: 'literal', type: lit(true), ...spanOf(node) } };
  }
  if (node.value.type === 'StringLiteral') {
    return { ...common, value: { kind: 'literal', type: lit(node.value.value), ...spanOf(node.value) } };
  }
  const inner = node.value.type === 'JSXExpressionContainer' ? node.value.expression : node.value;
  const value = u.expr(inner, ctx);
  value.type ??= typeOf(u, inner);
  // Many names at once, which only the framework knows.
  if (common.mode === 'spread') return spread(spanOf(node), { ...use(u, value, ctx), kind: 'computed' });
  place(u, shownBy(u, value), parent, name);
  if (value.kind === 'identity' && value.symbol !== undefined) {
    const symbol = u.facts.symbols[value.symbol]!;
    if (element || common.mode !== 'value') {
      if (element && symbol.kind === 'prop' && /^on[A-Z]/.test(name))
        raisePort(u, value.symbol, [], spanOf(inner), -1, 'listener');
      else noteRead(u, value.symbol, value, { ...ctx, where: 'attribute' });
    }
  }
  const called = calledBy(u, inner, value);
  return { ...common, value, ...(called ? { called } : {}) };
}

/** `{...x}`: props and rest objects are carried by name, object literals by member. */
function readSpread(u: Unit, node: t.Node, element: boolean, ctx: Ctx): ExprFact {
  const bare = unwrap(node);
  if (bare.type === 'Identifier') {
    const symbol = symbolOf(u, bare);
    const kind = symbol === undefined ? undefined : u.facts.symbols[symbol]!.kind;
    if (kind === 'bag' || kind === 'rest') {
      // On a plain element every name reaches the page.
      return { kind: 'identity', symbol: symbol!, ...spanOf(bare), ...(element ? { open: true } : {}) };
    }
  }
  const value = use(u, u.expr(node, ctx), ctx);
  value.type ??= typeOf(u, bare);
  return value;
}

function readChildren(
  u: Unit,
  children: t.JSXElement['children'],
  parent: number,
  ctx: Ctx,
  dialect: MarkupDialect,
): void {
  const fact = u.facts.render[parent]!;
  let count = 0;
  for (const child of children) {
    if (child.type === 'JSXText') {
      if (/\S/.test(child.value)) {
        fact.nested = true;
        count++;
      }
      continue;
    }
    if (child.type === 'JSXElement' || child.type === 'JSXFragment') {
      fact.nested = true;
      count++;
      place(u, u.expr(child, ctx).content, parent);
      continue;
    }
    if (child.type === 'JSXExpressionContainer' && child.expression.type === 'JSXEmptyExpression') continue;
    if (dialect.content?.(u, unwrap(child.expression), parent, ctx)) continue;
    fact.nested = true;
    count++;
    const value = readChild(u, child.expression, parent, ctx);
    fact.only = value;
  }
  if (count !== 1) delete fact.only;
}

/** An expression in the place of content. */
function readChild(u: Unit, node: t.Node, parent: number, ctx: Ctx): ExprFact {
  const value = u.expr(node, ctx);
  const site = u.facts.render[parent]!.kind === 'site';
  if (value.kind === 'identity') {
    const symbol = u.facts.symbols[value.symbol!]!;
    place(u, contentOf(u, symbol), parent);
    if (symbol.kind === 'prop') placeOutlet(u, value.symbol!, value, parent, ctx);
    if (!site || symbol.kind !== 'prop') noteRead(u, value.symbol!, value, { ...ctx, where: 'text' });
  } else if (value.kind === 'call' && value.symbol !== undefined) {
    const symbol = u.facts.symbols[value.symbol]!;
    if (symbol.kind === 'prop') placeOutlet(u, value.symbol, value, parent, ctx);
  } else {
    for (const symbol of usesOf(value)) {
      const fact = u.facts.symbols[symbol]!;
      place(u, contentOf(u, fact, symbol === value.symbol ? value.path : undefined), parent);
      if (fact.kind === 'prop' && (value.kind === 'computed' || value.kind === 'call')) {
        placeOutlet(u, symbol, value, parent, ctx, hasFallback(node));
      }
    }
  }
  // What is called here, and not further inside, has its outlet.
  const uses = usesOf(value);
  const shown = (part: number | object) =>
    typeof part === 'object' && 'emit' in part && uses.includes(u.facts.emits[part.emit as number]!.symbol);
  place(
    u,
    value.content?.filter((part) => !shown(part)),
    parent,
  );
  return value;
}

/** `{head ?? <Title />}` shows something else where nothing is given. */
function hasFallback(node: t.Node): boolean {
  const bare = unwrap(node);
  return (
    (bare.type === 'LogicalExpression' && bare.operator !== '&&') || bare.type === 'ConditionalExpression'
  );
}

/** A prop in the place of content: an outlet, if the prop turns out to be a slot. */
export function placeOutlet(
  u: Unit,
  symbol: number,
  at: ExprFact,
  parent: number,
  ctx: Ctx,
  fallback = false,
): void {
  const index = addNode(
    u,
    {
      kind: 'outlet',
      outlet: u.facts.symbols[symbol]!.port!,
      outletSymbol: symbol,
      ...(fallback ? { fallback } : {}),
      start: at.start,
      end: at.end,
    },
    ctx,
  );
  u.facts.render[index]!.parent = parent;
}
