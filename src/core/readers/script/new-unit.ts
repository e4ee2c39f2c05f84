/** A unit to be filled: what every framework starts from. */
import type * as t from '@babel/types';
import type { ComponentFacts } from '../../model/facts';
import { readExpr } from './expr';
import { type MarkupDialect, readMarkup } from './jsx';
import { readStatements } from './statements';
import { type Dialect, type FileContext, spanOf, type Unit, unwrap } from './unit';

/** `markup` is for languages in which code holds elements. */
export function newUnit(
  facts: ComponentFacts,
  node: t.Node,
  dialect: Dialect,
  file: FileContext,
  markup?: MarkupDialect,
): Unit {
  const u: Unit = {
    file,
    facts,
    node,
    dialect,
    refs: new Map(),
    props: new Map(),
    shared: new Map(),
    captured: new Map(),
    members: new Map(),
    contents: [],
    drawing: { calls: new Map(), shows: new Map(), nodes: new Map() },
    loops: new Map(),
    early: [],
    earlyCalls: [],
    coming: new Map(),
    givenLater: [],
    refusals: new Set(),
    tolerant: new Set(),
    expr: (part, ctx) => {
      const bare = unwrap(part);
      if (bare.type !== 'JSXElement' && bare.type !== 'JSXFragment') return readExpr(u, bare, ctx);
      // In a language that has no such markup nobody knows what it is.
      return markup ? readMarkup(u, bare, ctx, markup) : { kind: 'computed', ...spanOf(bare) };
    },
    statements: (nodes, ctx) => readStatements(u, nodes, ctx),
  };
  return u;
}
