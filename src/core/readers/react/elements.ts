/** React's elements: tags, fragments, providers, and elements made by a call. */
import { type Forms, readFormTag } from './hook-forms';
import type * as t from '@babel/types';
import type {
  AttributeFact,
  ExprFact,
  ProvideFact,
  RenderFact,
  SymbolFact,
  TagFact,
} from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { spread } from '../script/attributes';
import { typeOfKey } from '../script/contexts';
import { readFunction } from '../script/functions';
import { chooseTag, type MarkupDialect } from '../script/jsx';
import { keyName, memberName } from '../script/type-expr';
import { place, shownBy } from '../script/placing';
import { addNode, addSymbol, spanOf, typeOf, unwrap, use, usesOf, type Ctx, type Unit } from '../script/unit';
import type { ReactNames } from './names';

type Call = t.CallExpression | t.OptionalCallExpression;

/** `createElement(Tag, props, ...children)`, read as the markup it stands for. */
export function readCreate(u: Unit, call: Call, ctx: Ctx, names: ReactNames): ExprFact | undefined {
  const [tagNode, props, ...children] = call.arguments;
  if (!tagNode) return undefined;
  const bare = unwrap(tagNode);
  const name = bare.type === 'StringLiteral' ? bare.value : memberName(bare);
  if (name === undefined) return undefined;
  const tag = { name, ...spanOf(bare) };
  const kind = bare.type === 'StringLiteral' ? 'element' : isFragment(names, name) ? 'group' : 'site';
  const index = addNode(u, { kind, tag, ...spanOf(call) }, ctx);
  const fact = u.facts.render[index]!;
  if (kind === 'site') {
    const expr = use(u, u.expr(bare, ctx), ctx);
    if (expr.symbol !== undefined && expr.component === undefined) {
      fact.tag!.symbol = expr.symbol;
      chooseTag(u, fact.tag!, bare);
    }
    if (bare.type === 'Identifier' && !bare.binding) fact.tag!.unbound = true;
  }
  fact.attributes = propsOf(u, props, ctx, (key, value) => {
    if (kind === 'element') use(u, value, ctx, 'attribute');
    place(u, shownBy(u, value), index, key);
  });
  if (kind === 'site' && noteProvider(u, tag, index, fact.attributes, ctx)) fact.kind = 'group';
  for (const child of children) {
    fact.nested = true;
    const value = use(u, u.expr(child, ctx), ctx, 'text');
    place(u, shownBy(u, value), index);
    if (value.kind === 'function' && children.length === 1) fact.only = value;
  }
  return { kind: 'content', content: [index], ...spanOf(call), type: { t: 'content' } };
}

/** The props that a call is given, as the attributes that they stand for. */
function propsOf(
  u: Unit,
  props: t.Node | undefined,
  ctx: Ctx,
  onValue: (key: string, value: ExprFact) => void,
): AttributeFact[] {
  const object = props && unwrap(props);
  if (!props || object?.type === 'NullLiteral') return [];
  if (object?.type !== 'ObjectExpression') {
    const value = u.expr(props, ctx);
    const carried = value.kind === 'identity' && /^(bag|rest)$/.test(u.facts.symbols[value.symbol!]!.kind);
    return [spread(spanOf(props), carried ? value : use(u, value, ctx))];
  }
  const found: AttributeFact[] = [];
  for (const property of object.properties) {
    if (property.type === 'SpreadElement') {
      found.push(spread(spanOf(property), use(u, u.expr(property.argument, ctx), ctx)));
      continue;
    }
    const key = keyName(property);
    const value =
      property.type === 'ObjectMethod'
        ? readFunction(u, property, ctx, 'handler')
        : u.expr(property.value, ctx);
    if (key === undefined) {
      use(u, value, ctx);
      continue;
    }
    value.type ??= property.type === 'ObjectMethod' ? UNKNOWN : typeOf(u, property.value);
    onValue(key, value);
    found.push({
      name: key,
      nameStart: property.key.start!,
      nameEnd: property.key.end!,
      mode: modeOf(key),
      value,
      ...spanOf(property),
    });
  }
  return found;
}

/** `cloneElement(children, props)`: what was given as content is drawn with these attributes, too. */
export function readClone(u: Unit, call: Call, ctx: Ctx): ExprFact | undefined {
  const [element, props] = call.arguments;
  u.facts.clones = true;
  if (!element) return undefined;
  const given = use(u, u.expr(element, ctx), ctx, 'argument');
  const attributes = propsOf(u, props, ctx, (_, value) => use(u, value, ctx, 'argument'));
  const symbols = new Set(usesOf(given).flatMap((one) => propsBehind(u, one)));
  for (const symbol of symbols)
    (u.facts.adds ??= []).push({ port: u.facts.symbols[symbol]!.port!, attributes });
  if (!symbols.size) return given;
  const content = [...symbols].map((outletSymbol) => {
    const outlet = u.facts.symbols[outletSymbol]!.port!;
    return addNode(u, { kind: 'outlet', outlet, outletSymbol, ...spanOf(call) }, ctx);
  });
  return { kind: 'content', content, ...spanOf(call), type: { t: 'content' } };
}

/** The props that a symbol is, or is one or a part of. */
function propsBehind(u: Unit, symbol: number, depth = 0): number[] {
  const { kind, init } = u.facts.symbols[symbol]!;
  if (kind === 'prop') return [symbol];
  if (depth > MAX_STEPS || !init || (kind !== 'loop' && kind !== 'derived')) return [];
  return usesOf(init).flatMap((one) => propsBehind(u, one, depth + 1));
}

/** So many names for one thing are followed. */
const MAX_STEPS = 4;

/** `<Wind.Consumer>{(wind) => …}</Wind.Consumer>`: the parameter is what is consumed. */
export function readConsumers(u: Unit): void {
  for (const node of [...u.facts.render]) {
    const name =
      node.kind === 'group' && node.tag ? /^([\w$]+)\.Consumer$/.exec(node.tag.name)?.[1] : undefined;
    if (name === undefined) continue;
    const key = { name };
    const param = node.only?.fn === undefined ? undefined : u.facts.functions[node.only.fn]!.params[0];
    const known = param !== undefined && param >= 0 ? u.facts.symbols[param] : undefined;
    const whole = known && !u.facts.functions[node.only!.fn!]!.takes;
    const near = providerAround(u, node, name);
    if (near) {
      // What is provided right around it is what it is given; whether others ask for it is not asked.
      near.implied = true;
      if (whole && near.value) Object.assign(known, { kind: 'derived', init: near.value });
      continue;
    }
    const type: SymbolFact['type'] = typeOfKey(key);
    let symbol = param!;
    if (whole) Object.assign(known, { kind: 'injected', type });
    else
      symbol = addSymbol(u, {
        name,
        kind: 'injected',
        type,
        start: node.tag!.start,
        end: node.tag!.end,
      });
    const { start, end } = node.tag!;
    u.facts.consumes.push({ key, symbol, where: 'setup', fn: -1, missing: 'bare', start, end });
    if (!whole) u.tolerant.add(symbol);
  }
}

/** What the component itself provides around a node, under a name. */
function providerAround({ facts }: Unit, node: RenderFact, name: string): ProvideFact | undefined {
  for (let at = node.parent; at >= 0; at = facts.render[at]!.parent) {
    const found = facts.provides.find((one) => one.node === at && 'name' in one.key && one.key.name === name);
    if (found) return found;
  }
  return undefined;
}

const modeOf = (name: string): AttributeFact['mode'] =>
  name === 'key' ? 'key' : name === 'ref' ? 'ref' : 'value';

const isFragment = (names: ReactNames, tag: string): boolean =>
  ['Fragment', 'StrictMode', 'Suspense', 'Profiler', 'Activity'].includes(names.own(tag) ?? '');

export function reactMarkup(names: ReactNames, forms?: Forms): MarkupDialect {
  return {
    ...(forms
      ? {
          tagged: (u: Unit, index: number, node: t.JSXElement, ctx: Ctx) =>
            readFormTag(u, index, node, forms, ctx),
        }
      : {}),
    attributeMode: (name) => modeOf(name),
    isGroup: (_u, tag) => isFragment(names, tag),
    global: 'React',
    provider: noteProvider,
  };
}

/** Notes what `<Wind.Provider value={…}>` provides; true of that, and of a consumer. */
function noteProvider(u: Unit, tag: TagFact, node: number, attributes: AttributeFact[], ctx: Ctx): boolean {
  const [key, part, more] = tag.name.split('.');
  if (part === 'Consumer' && !more) return true;
  if (part !== 'Provider' || more !== undefined || !key) return false;
  const value = attributes.find((one) => one.name === 'value')?.value;
  if (value?.kind === 'identity') use(u, value, ctx, 'provide');
  u.facts.provides.push({
    key: { name: key },
    keyStart: tag.start,
    keyEnd: tag.start + key.length,
    node,
    where: 'setup',
    ...(value ? { value } : {}),
    start: tag.start,
    end: tag.end,
  });
  return true;
}
