/** What a tag of a template is given, and what is nested in it. */
import type * as t from '@babel/types';
import type { AttributeFact, ExprFact, RenderFact, Span } from '../../model/facts';
import type { Scope } from './scope';
import { addFunction, spanOf, unwrap, type Ctx, type Unit } from './unit';
import { noteWrite } from './writes';

/** Where the reader of a template stands. */
export interface At {
  scope: Scope;
  ctx: Ctx;
  /** The render node around. */
  parent: number;
}

export const attribute = (
  name: string,
  { start, end }: Span,
  mode: AttributeFact['mode'],
  value: ExprFact,
  all: Span,
): AttributeFact => ({ name, nameStart: start, nameEnd: end, mode, value, start: all.start, end: all.end });

/** Several names at once: those of the value, or, without one, any. */
export const spread = ({ start, end }: Span, value?: ExprFact): AttributeFact =>
  attribute('...', { start, end }, 'spread', value ?? { kind: 'computed', start, end }, { start, end });

/** What it is given goes no further: an element, or a tag of the framework's own. */
export const isPlain = ({ kind }: RenderFact): boolean => kind !== 'site' && kind !== 'outlet';

/** The component's tag that a node stands in, if it stands in one. */
export const siteAround = (u: Unit, parent: number): RenderFact | undefined => {
  const node = parent >= 0 ? u.facts.render[parent] : undefined;
  return node?.kind === 'site' ? node : undefined;
};

/** Content with a name: handed over as an attribute of the call site is. */
export function handOver(
  u: Unit,
  parent: number,
  node: number,
  name: string,
  at: Span,
  fn: number | undefined,
): void {
  const made = u.facts.render[node]!;
  made.parent = parent;
  made.slot = name;
  const { start, end } = at;
  const value: ExprFact =
    fn === undefined
      ? { kind: 'content', content: [node], start, end }
      : { kind: 'function', fn, content: [node], start, end };
  u.facts.render[parent]!.attributes.push(attribute(name, at, 'value', value, at));
}

/** A two-way binding writes to what it binds when the event comes. */
export function writeBack(u: Unit, node: t.Node, at: Span, ctx: Ctx): void {
  const fn = addFunction(u, { ...unwrap(node), ...at } as t.Node, ctx.fn, 'handler');
  noteWrite(u, node, { kind: 'computed', ...spanOf(node) }, { ...node, ...at } as t.Node, {
    ...ctx,
    where: 'handler',
    fn,
  });
}
