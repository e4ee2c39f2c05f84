/** The tags of a template: elements, components, templates, outlets. */
import type { TmplAstContent, TmplAstElement, TmplAstNode, TmplAstTemplate } from '@angular/compiler';
import type * as t from '@babel/types';
import type { RenderFact, Span } from '../../model/facts';
import { isPageTag } from '../../model/page-names';
import { angularCompiler } from '../on-demand';
import { portSymbol } from '../script/ports';
import type { At } from '../script/slots';
import { addNode, type Ctx, inBranch, inCase, use } from '../script/unit';
import { codeOf } from './code';
import { noteClosingTag } from './dialogs';
import { addInput, addText, markAs, readGiven, stamp, standAs } from './given';
import { declareAlias, openLoop } from './loops';
import { slotOf, slotPort } from './names';
import { attachReferences } from './references';
import { parseSelectors } from './selectors';
import { identifier, spanAt, type Tag } from './spans';
import { becomeOutlet, becomeTag, takenOf } from './stamped';
import type { AngularUnit } from './unit';

/** Reads what is nested in a tag: in the view around it, or as a view of its own. */
export interface Nested {
  nodes(u: AngularUnit, nodes: TmplAstNode[], at: At): void;
  view(u: AngularUnit, nodes: TmplAstNode[], at: At): void;
}

export function readTag(u: AngularUnit, tag: Tag, at: At, nested: Nested): void {
  const k = angularCompiler();
  if (tag instanceof k.TmplAstContent) readOutlet(u, tag, at, nested);
  else if (tag instanceof k.TmplAstElement) readElement(u, tag, at, nested);
  else if (tag.tagName === 'ng-template') readTemplate(u, tag, at, nested);
  else readStructural(u, tag, at, nested);
}

/** The name of a tag, where it stands behind the bracket. */
function nameSpan(u: AngularUnit, name: string, { start }: Span): Span {
  const from = u.file.text.charAt(start) === '<' ? start + 1 : start;
  return { start: from, end: from + name.length };
}

function addTagNode(u: AngularUnit, tag: Tag, name: string, kind: RenderFact['kind'], at: At): number {
  const span = spanAt(tag.sourceSpan);
  const index = addNode(
    u,
    { kind, tag: { name, ...nameSpan(u, name, spanAt(tag.startSourceSpan)) }, ...span },
    at.ctx,
  );
  u.facts.render[index]!.parent = at.parent;
  return index;
}

/** Elements of drawings have names with a mark in front. */
const isPlain = (name: string): boolean => name.startsWith(':') || isPageTag(name);

function readElement(u: AngularUnit, element: TmplAstElement, at: At, nested: Nested): void {
  const { name } = element;
  const kind = name === 'ng-container' ? 'group' : isPlain(name) ? 'element' : 'site';
  const index = addTagNode(u, element, name.replace(/^:\w+:/, ''), kind, at);
  if (name === 'router-outlet') u.facts.render[index]!.placesRoutes = true;
  readGiven(u, element, index, at);
  noteClosingTag(u, u.facts.render[index]!, at.ctx);
  becomeOutlet(u, index, at);
  becomeTag(u, index);
  attachReferences(u, element, index);
  nested.nodes(u, element.children, { ...at, parent: index });
}

/** `<ng-content select="[a]">` */
function readOutlet(u: AngularUnit, content: TmplAstContent, at: At, nested: Nested): void {
  const port = slotPort(content.selector);
  const span = spanAt(content.sourceSpan);
  const fallback = content.children.some(
    (one) => !(one instanceof angularCompiler().TmplAstText) || one.value.trim(),
  );
  const symbol = portSymbol(u, port, 'slot', nameSpan(u, 'ng-content', span));
  const index = addNode(
    u,
    {
      kind: 'outlet',
      outlet: port,
      outletSymbol: symbol,
      ...(port === '#default' ? {} : { takes: parseSelectors(content.selector) }),
      ...(fallback ? { fallback } : {}),
      ...span,
    },
    at.ctx,
  );
  const node = u.facts.render[index]!;
  node.parent = at.parent;
  standAs(node, content);
  markAs(node, content);
  nested.nodes(u, content.children, at);
}

/** `<ng-template #row let-item>`: drawn by whoever stamps it. */
function readTemplate(u: AngularUnit, template: TmplAstTemplate, at: At, nested: Nested): void {
  const index = addTagNode(u, template, 'ng-template', 'group', at);
  const node = u.facts.render[index]!;
  readGiven(u, template, index, at);
  node.loose = true;
  attachReferences(u, template, index);
  const { scope, fn } = takenOf(u, template, at);
  for (const reference of template.references) {
    const symbol = u.references.get(reference);
    const span = spanAt(reference.sourceSpan);
    const content = { content: [index], ...span };
    if (symbol !== undefined)
      u.facts.symbols[symbol]!.init =
        fn === undefined ? { kind: 'content', ...content } : { kind: 'function', fn, ...content };
    (node.knownAs ??= []).push({ slot: slotOf(reference.name), ...span });
  }
  if (fn !== undefined)
    node.only = { kind: 'function', fn, content: [index], ...spanAt(template.sourceSpan) };
  becomeOutlet(u, index, at);
  becomeTag(u, index);
  nested.view(u, template.children, { ...at, scope, parent: index });
}

/** `*ngIf`, `*ngFor`, and structural directives of the project. */
function readStructural(u: AngularUnit, template: TmplAstTemplate, at: At, nested: Nested): void {
  const k = angularCompiler();
  const bound = (name: string): t.Expression | undefined => {
    const found = template.templateAttrs.find((one) => one.name === name);
    return found instanceof k.TmplAstBoundAttribute ? codeOf(u, found.value, at.scope) : undefined;
  };
  const has = (name: string) => template.templateAttrs.some((one) => one.name === name);
  if (has('ngIf')) {
    readConditional(u, template, bound('ngIf'), ['ngIfElse', 'ngIfThen'].map(bound), at, nested);
    return;
  }
  const list = has('ngFor') ? bound('ngForOf') : undefined;
  if (list) {
    const item = template.variables.find((one) => one.value === '$implicit');
    const others = template.variables.filter((one) => one !== item);
    const inner = openLoop(u, list, item, others, at);
    const track = bound('ngForTrackBy');
    if (track) use(u, u.expr(track, at.ctx), at.ctx, 'argument');
    nested.view(u, template.children, { ...at, ...inner });
    return;
  }
  // Of other directives, nobody here knows when they stamp what they stand on.
  const index = addTagNode(u, template, 'ng-template', 'group', at);
  const node = u.facts.render[index]!;
  for (const one of template.templateAttrs) {
    if (one instanceof k.TmplAstBoundAttribute) addInput(u, node, one, at);
    else addText(node, one);
  }
  becomeOutlet(u, index, at);
  becomeTag(u, index);
  const names = template.templateAttrs.map((one) => one.name);
  const test = /^(ngSwitchCase|ngSwitchDefault)$/.test(names[0] ?? '') ? node : undefined;
  const [first] = node.attributes;
  const { start, end } = first ?? node;
  const when = { start, end };
  const ctx: Ctx = test ? inCase(at.ctx, at.parent, start, when) : { ...at.ctx, when };
  const { scope, fn } = takenOf(u, template, { ...at, ctx });
  if (fn !== undefined)
    node.only = { kind: 'function', fn, content: [index], ...spanAt(template.sourceSpan) };
  nested.view(u, template.children, { ...at, scope, ctx, parent: index });
}

function readConditional(
  u: AngularUnit,
  template: TmplAstTemplate,
  test: t.Expression | undefined,
  others: (t.Expression | undefined)[],
  at: At,
  nested: Nested,
): void {
  const condition: Ctx = { ...at.ctx, where: 'condition' };
  const value = test && use(u, u.expr(test, condition), condition, 'condition');
  // The template that is drawn otherwise.
  const otherwise = test ? inBranch(u, at.ctx, test, false) : at.ctx;
  for (const one of others) if (one) stamp(u, u.expr(one, otherwise), otherwise);
  let { scope } = at;
  const [alias] = template.variables;
  if (alias && value) scope = declareAlias(u, identifier(alias.name, spanAt(alias.keySpan)), value, test, at);
  nested.view(u, template.children, { ...at, scope, ctx: test ? inBranch(u, at.ctx, test, true) : at.ctx });
}
