/** Names that a template gives to its tags: `#log`, `#log="berthLog"`. */
import type { TmplAstElement, TmplAstNode, TmplAstReference, TmplAstTemplate } from '@angular/compiler';
import type { Span } from '../../model/facts';
import { angularCompiler } from '../on-demand';
import type { Scope } from '../script/scope';
import { attribute } from '../script/attributes';
import type { At } from '../script/slots';
import { addSymbol, spanOf } from '../script/unit';
import { identifier, isTag, spanAt } from './spans';
import type { AngularUnit } from './unit';

type Named = TmplAstElement | TmplAstTemplate;

/** Declares what the tags of a view are known by; those inside of views of their own are known there. */
export function declareReferences(u: AngularUnit, nodes: TmplAstNode[], at: At): Scope {
  const found: { tag: Named; reference: TmplAstReference }[] = [];
  collect(nodes, found);
  if (!found.length) return at.scope;
  const ids = found.map(({ reference }) => identifier(reference.name, spanAt(reference.keySpan)));
  const scope = u.angular.scopes.within(at.scope, ids);
  for (const [index, { tag, reference }] of found.entries()) {
    const id = ids[index]!;
    // By a name that it exports, a template is a directive on it.
    const isHandle = !isTemplate(tag) || Boolean(reference.value);
    const symbol = addSymbol(
      u,
      {
        name: id.name,
        ...(isHandle ? { kind: 'ref', ofTag: true } : { kind: 'derived' }),
        ...spanOf(id),
      },
      id.binding,
    );
    u.references.set(reference, symbol);
  }
  return scope;
}

const isTemplate = (tag: Named): boolean => tag instanceof angularCompiler().TmplAstTemplate;

function collect(nodes: readonly TmplAstNode[], found: { tag: Named; reference: TmplAstReference }[]): void {
  const k = angularCompiler();
  for (const node of nodes) {
    if (!isTag(node) || node instanceof k.TmplAstContent) continue;
    for (const reference of node.references) found.push({ tag: node, reference });
    // A template is a view of its own.
    if (!(node instanceof k.TmplAstTemplate)) collect(node.children, found);
  }
}

/** Puts the handles of a tag on its node: those that its template reads, and those that the class looks for. */
export function attachReferences(u: AngularUnit, tag: Named, node: number): void {
  for (const reference of tag.references) {
    const at = spanAt(reference.sourceSpan);
    const own = u.references.get(reference);
    const symbols = [...(own === undefined ? [] : [own]), ...(u.wanted.get(reference.name) ?? [])];
    for (const symbol of symbols) {
      const { kind } = u.facts.symbols[symbol]!;
      if (reference.value)
        (u.facts.render[node]!.exported ??= []).push({
          as: reference.value,
          symbol,
          ...exportedAt(reference),
        });
      // What the class looks for is found, whatever that is.
      if (kind === 'ref' && (symbol !== own || !reference.value))
        u.facts.render[node]!.attributes.push(
          attribute('ref', at, 'ref', { kind: 'identity', symbol, ...at }, at),
        );
    }
  }
}

/** Where the name stands by which what is on a tag is handed out: at the end, maybe in quotes. */
function exportedAt({ value, valueSpan, sourceSpan }: TmplAstReference): Span {
  const { start, end } = spanAt(valueSpan ?? sourceSpan);
  return valueSpan && end - start === value.length
    ? { start, end }
    : { start: end - value.length - 1, end: end - 1 };
}

/** What nobody reads in the template was named for the class. */
export function dropUnread(u: AngularUnit): void {
  const read = new Set(u.facts.reads.map((one) => one.symbol));
  const idle = new Set([...u.references.values()].filter((symbol) => !read.has(symbol)));
  if (!idle.size) return;
  for (const node of u.facts.render)
    node.attributes = node.attributes.filter(
      ({ mode, value }) => mode !== 'ref' || value.symbol === undefined || !idle.has(value.symbol),
    );
}
