/** Templates to render nodes. */
import type * as t from '@babel/types';
import type { ExprFact } from '../../model/facts';
import { parseCode, parsePattern } from '../script/code';
import { declarePattern, noteLoop } from '../script/patterns';
import { type At, siteAround } from '../script/slots';
import { place } from '../script/placing';
import { type Ctx, inBranch, spanOf, typeOf, use, entryOf } from '../script/unit';
import {
  boundCode,
  codeOf,
  directive,
  type Element,
  expressionOf,
  isBlank,
  placeOf,
  type TemplateNode,
} from './ast';
import { readAttributes } from './attributes';
import { bindCode } from './code';
import { fillOf, fillWith, parameters, readFilled, readNested, readOutlet } from './slots';
import { addTag } from './tags';
import type { VueUnit } from './unit';

/** Reads the nodes of a template under a render node. */
export function readNodes(u: VueUnit, nodes: TemplateNode[], at: At): void {
  let tests: t.Node[] = [];
  for (const node of nodes) {
    if (isBlank(node)) continue;
    if (node.type === 5) {
      readText(u, node as never, at);
      tests = [];
      continue;
    }
    if (node.type !== 1) {
      tests = [];
      continue;
    }
    const element = node as Element;
    const chained = directive(element, 'else-if') ?? directive(element, 'else');
    if (!chained) tests = [];
    readConditional(u, element, at, tests);
  }
}

/** `{{ wind }}`; a filter of older versions is no operator. */
function readText(u: VueUnit, node: { content: { content: string; loc: never } }, at: At): void {
  const parsed = boundCode(u, node.content, at.scope);
  if (!parsed) return;
  const ctx: Ctx = { ...at.ctx, where: 'text' };
  use(u, u.expr(parsed, ctx), ctx, 'text');
}

/** `v-if`, `v-else-if`, `v-else`; `tests` are those of the chain before. */
function readConditional(u: VueUnit, element: Element, at: At, tests: t.Node[]): void {
  const own = directive(element, 'if') ?? directive(element, 'else-if');
  const isLoop = directive(element, 'for') !== undefined;
  let { ctx } = at;
  for (const test of tests) ctx = inBranch(u, ctx, test, false);
  // Beside a loop, the condition may use what the loop names, in older versions.
  const read = (inner: At): At => {
    const test = own && expressionOf(u, own, inner.scope);
    if (!test) return inner;
    const condition: Ctx = { ...inner.ctx, where: 'condition' };
    use(u, u.expr(test, condition), condition, 'condition');
    tests.push(test);
    return { ...inner, ctx: inBranch(u, inner.ctx, test, true) };
  };
  if (isLoop) readLoop(u, element, { ...at, ctx }, read);
  else readElement(u, element, read({ ...at, ctx }));
}

function readLoop(u: VueUnit, element: Element, at: At, condition: (at: At) => At): void {
  const loop = directive(element, 'for')!;
  const parts = loop.forParseResult;
  const source = parts && parseCode(codeOf(parts.source, u.file.text));
  if (!source) {
    u.openScope = true;
    readElement(u, element, condition(at));
    return;
  }
  bindCode(u, source, at.scope);
  const list = use(u, u.expr(source, at.ctx), at.ctx);
  const inner: Ctx = { ...at.ctx, each: spanOf(source) };
  const patterns = [parts.value, parts.key, parts.index].map((one) =>
    one ? parsePattern(codeOf(one, u.file.text)) : [],
  );
  const scope = u.scopes.within(at.scope, patterns.flat());
  patterns.forEach((nodes, i) => {
    for (const pattern of nodes) {
      if (i === 0) noteLoop(u, pattern, source);
      const { start, end } = list;
      const from: ExprFact = i === 0 ? entryOf(list) : { kind: 'computed', uses: [], start, end };
      const elem = { t: 'elem' as const, of: typeOf(u, source) };
      declarePattern(u, pattern, from, inner, {
        kind: i === 0 ? 'loop' : 'param',
        ...(i === 0 ? { type: elem } : {}),
      });
    }
  });
  readElement(u, element, condition({ ...at, scope, ctx: inner }));
}

function readElement(u: VueUnit, element: Element, at: At): void {
  if (directive(element, 'pre')) return;
  readNodes(u, element.children, readTag(u, element, at));
}

/** Reads the tag itself; gives back where what is nested in it stands. */
function readTag(u: VueUnit, element: Element, at: At): At {
  if (element.tag === 'slot') return readOutlet(u, element, at);
  const fill = fillOf(u, element);
  const inSite = siteAround(u, at.parent) !== undefined;
  const isTemplate = element.tag === 'template';
  if (isTemplate && fill && inSite) return readFilled(u, element, fill, at);
  // `<p slot="x" slot-scope="{ total }">` of older versions; and content whose taker is not known.
  const filled = fill && (fill.older || isTemplate) ? parameters(u, fill, placeOf(element), at) : undefined;
  if (filled) at = { ...at, scope: filled.scope };
  const index = addTag(u, element, at);
  readAttributes(u, element, index, at);
  place(u, [index], at.parent);
  if (fill && filled && inSite) fillWith(u, index, fill, at.parent, filled.fn);
  const inner: At = { ...at, parent: index };
  return u.facts.render[index]!.kind === 'site' ? readNested(u, element, index, inner) : inner;
}
