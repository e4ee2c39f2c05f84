/** Tags of the framework's own that say where something is drawn, or what is there for all below. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, KeyFact, Span } from '../../model/facts';
import { attribute, spread } from '../script/attributes';
import { type At, handOver, noteNested } from '../script/slots';
import { meaningOf, addNode, type Ctx, typeOf, use } from '../script/unit';
import { memberName } from '../script/type-expr';
import { lit } from '../../model/types';
import { codeIn } from './attributes';
import { codeAt } from './code';
import type { AttributeText, ElementNode } from './markup';
import { LAID_PAGES, PAGES, shortName } from './names';
import { type Pairs, pairsOf } from './nodes';
import type { RazorUnit, ReadNodes } from './unit';

/** Reads a tag that is understood; false for all others. */
export function readBuiltIn(u: RazorUnit, node: ElementNode, at: At, readNodes: ReadNodes): boolean {
  switch (shortName(node.name)) {
    case 'CascadingValue':
      readProvider(u, node, at, readNodes);
      return true;
    case 'RouteView':
    case 'AuthorizeRouteView': {
      const inside = group(u, node, at);
      const layout = classIn(u, written(node, 'DefaultLayout'));
      const page = eachPage(u, PAGES, node, inside, at.ctx);
      // A page that has a layout of its own stands in no other.
      eachPage(u, LAID_PAGES, node, inside, at.ctx);
      if (layout) handOver(u, drawn(u, layout, inside, at.ctx), page, 'Body', layout, undefined);
      readNodes(u, node.children, { ...at, parent: inside });
      return true;
    }
    case 'LayoutView': {
      const layout = classIn(u, written(node, 'Layout'));
      const inside = group(u, node, at);
      const content = group(u, node, { ...at, parent: inside });
      if (layout) handOver(u, drawn(u, layout, inside, at.ctx), content, 'Body', layout, undefined);
      readNodes(u, node.children, { ...at, parent: content });
      return true;
    }
    case 'DynamicComponent':
      return readDynamic(u, node, at);
    case 'Router':
    case 'Found':
    case 'NotFound':
    case 'Navigating':
      readNodes(u, node.children, { ...at, parent: group(u, node, at) });
      return true;
    default:
      return false;
  }
}

/** All pages of a kind, any of which may be drawn; what the address gives them is nobody's to know. */
function eachPage(u: RazorUnit, kind: string, node: ElementNode, parent: number, ctx: Ctx): number {
  const tag = { name: kind, ...node.nameAt, each: kind };
  const page = addNode(u, { kind: 'site', tag, start: node.start, end: node.end }, ctx);
  u.facts.render[page]!.parent = parent;
  u.facts.render[page]!.attributes.push(spread(node.nameAt));
  return page;
}

/** `<DynamicComponent Type="@typeof(Gauge)" Parameters="@given" />`: code decides which names are given. */
function readDynamic(u: RazorUnit, node: ElementNode, at: At): boolean {
  const type = classIn(u, written(node, 'Type'));
  if (!type) return false;
  const index = drawn(u, type, at.parent, at.ctx);
  noteNested(u, at.parent);
  const ctx: Ctx = { ...at.ctx, where: 'attribute' };
  const given = written(node, 'Parameters')?.value;
  if (given) u.facts.render[index]!.attributes.push(...namesGiven(u, node, given, at, ctx));
  // A handle holds the tag of the framework, and not what that draws.
  const handle = written(node, '@ref')?.value;
  if (handle) valueAt(u, handle, at, ctx);
  return true;
}

/** What a dictionary holds by names, and anything where not all of it is known. */
function namesGiven(u: RazorUnit, node: ElementNode, span: Span, at: At, ctx: Ctx): AttributeFact[] {
  const code = codeAt(u, codeIn(u.file.text, span) ?? span, at.scope);
  if (!code) return [spread(node.nameAt)];
  const pairs = pairsOf(code) ?? heldPairs(u, code);
  use(u, u.expr(code, ctx), ctx, 'attribute');
  // What begins without anything is filled by somebody.
  if (!pairs?.list.length) return [spread(node.nameAt)];
  const named = pairs.list.map(({ name, value, start, end }) => {
    // It is read where it is put into what holds it.
    const read = meaningOf(u, value, ctx);
    read.type ??= typeOf(u, value);
    return attribute(name, { start, end }, 'value', read, { start, end: value.end! });
  });
  return pairs.isWhole ? named : [...named, spread(node.nameAt)];
}

/** The same of a member that holds one; other code may put more into it. */
function heldPairs(u: RazorUnit, code: t.Expression): Pairs | undefined {
  const name =
    code.type === 'MemberExpression' && code.object.type === 'ThisExpression' && memberName(code.property);
  const member = name ? [...u.declared.values()].find((one) => one.name === name) : undefined;
  if (!name || !member) return undefined;
  const pairs = pairsOf(member.value ?? returnedBy(member.fn));
  if (!pairs) return undefined;
  const all = u.file.text.match(new RegExp(`\\b${name}\\b`, 'g'))?.length ?? 0;
  const handed = u.file.text.match(new RegExp(`\\bParameters=["']@?\\(?${name}\\b`, 'g'))?.length ?? 0;
  return { ...pairs, isWhole: pairs.isWhole && all === handed + 1 };
}

/** `IDictionary<string, object> Given => new() { … }` */
function returnedBy(fn: t.ClassMethod | undefined): t.Node | undefined {
  const [only, ...others] = fn?.body.body ?? [];
  return only?.type === 'ReturnStatement' && !others.length ? (only.argument ?? undefined) : undefined;
}

function group(u: RazorUnit, { start, end }: ElementNode, at: At): number {
  noteNested(u, at.parent);
  const index = addNode(u, { kind: 'group', start, end }, at.ctx);
  u.facts.render[index]!.parent = at.parent;
  return index;
}

const written = ({ attributes }: ElementNode, name: string): AttributeText | undefined =>
  attributes.find((one) => one.name === name);

/** `@typeof(MainLayout)` */
function classIn(u: RazorUnit, one: AttributeText | undefined): (Span & { name: string }) | undefined {
  if (!one?.value) return undefined;
  const text = u.file.text.slice(one.value.start, one.value.end);
  const [whole, name] = /typeof\(\s*([\w.]+)/.exec(text) ?? [];
  if (name === undefined) return undefined;
  const end = one.value.start + text.indexOf(whole!) + whole!.length;
  return { name: shortName(name), start: end - shortName(name).length, end };
}

function drawn(
  u: RazorUnit,
  { name, start, end }: Span & { name: string },
  parent: number,
  ctx: Ctx,
): number {
  const tag = { name, start, end, global: name };
  const index = addNode(u, { kind: 'site', tag, start, end }, ctx);
  u.facts.render[index]!.parent = parent;
  return index;
}

/** `<CascadingValue Name="House" Value="@house">` */
function readProvider(u: RazorUnit, node: ElementNode, at: At, readNodes: ReadNodes): void {
  const index = group(u, node, at);
  const value = written(node, 'Value');
  const name = written(node, 'Name');
  const nameText = name?.value && u.file.text.slice(name.value.start, name.value.end);
  if (value?.value) {
    const ctx: Ctx = { ...at.ctx, where: 'provide' };
    const given = valueAt(u, value.value, at, ctx);
    if (given) {
      const key = nameText !== undefined ? constantKey(nameText) : typedKey(u, given, node);
      const keyAt = name?.value ?? node.nameAt;
      if (key)
        u.facts.provides.push({
          key,
          keyStart: keyAt.start,
          keyEnd: keyAt.end,
          ...(isSelf(u, given) ? { self: true as const } : { value: given }),
          node: index,
          where: 'setup',
          start: node.start,
          end: node.nameAt.end,
        });
    }
  }
  readNodes(u, node.children, { ...at, parent: index });
}

/** A name that code works out is not known. */
const constantKey = (text: string): KeyFact | undefined => (text.startsWith('@') ? undefined : { text });

function valueAt(u: RazorUnit, span: Span, at: At, ctx: Ctx): ExprFact | undefined {
  const text = u.file.text.slice(span.start, span.end);
  const node = codeAt(u, codeIn(u.file.text, span) ?? span, at.scope);
  if (!node) return text ? { kind: 'literal', type: lit(text), ...span } : undefined;
  const value = use(u, u.expr(node, ctx), ctx, 'provide');
  value.type ??= typeOf(u, node);
  return value;
}

/** Whether a value is the component, as an object of its members. */
const isSelf = ({ file }: RazorUnit, { start, end }: Span): boolean =>
  /^(this|\(this\))$/.test(file.text.slice(start, end));

/** Whoever asks for the type of the value gets it, where that is told by how it is declared. */
function typedKey(
  u: RazorUnit,
  { kind, symbol, type, start, end }: ExprFact,
  node: ElementNode,
): KeyFact | undefined {
  const typed = written(node, 'TValue')?.value;
  if (typed) {
    const shown = u.file.text.slice(typed.start, typed.end);
    return { type: { t: 'ref', name: shortName(shown) }, shown };
  }
  // The component itself, for those in it.
  if (isSelf(u, { start, end })) return { type: { t: 'ref', name: u.facts.name }, shown: u.facts.name };
  const own = kind === 'identity' ? u.facts.symbols[symbol!]!.type : type;
  const bare = own?.t === 'union' ? own.of[0] : own;
  if (!bare) return undefined;
  if (bare.t === 'ref') return { type: bare, shown: bare.name };
  return bare.t === 'prim' ? { type: bare, shown: bare.n } : undefined;
}
