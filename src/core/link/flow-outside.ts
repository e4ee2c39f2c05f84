/**
 * The flow into content that components of packages draw: `<Grid data={rows} row={(row) => <Leaf x={row.x} />} />`. What they
 * give it they have from what they are handed; from which part of that, nobody knows.
 */
import type { AttributeFact, ExprFact, RenderFact, SymbolFact } from '../model/facts';
import { groupBy } from '../model/group-by';
import { oncePer } from '../model/once-per';
import { isPageAttribute } from '../model/page-names';
import type { Component } from '../model/project';
import type { Shape } from '../types/shape';
import { symbolsOf } from './expressions';
import { isParameter, openParameter } from './flow-content';
import type { FlowGraph } from './flow-graph';
import { drawnKey, type Frame } from './frames';

/** A function that draws, with the code in which its parameters are, and the node whose tag it is handed to. */
interface Drawing {
  frame: Frame;
  fn: number;
  node: number;
  /** The attribute that it stands in, if that is one. */
  attribute?: AttributeFact;
}

/** What a value is good for that content is made of: its entries, its members, or, as its type is unknown, nobody knows what. */
type Stuff = 'list' | 'thing' | 'unknown' | 'plain' | 'none';

/** Names for attributes that hold what content is drawn for, one by one. */
const DATA =
  /^(data|items?|rows?|options?|list|values?|nodes|entries|records|collection|sources?|dataSource|each|of|modelValue)$|Of$/i;
/** Names for those that hold what content asks: where nothing is known of the value, its name has to say so. */
const ASKED =
  /^(control|form|store|state|model|initial\w*|default\w*|schema|quer(y|ies)|resource|promise|resolve|table|context|selection|selected|record|object|to|href|src|url)$/i;

/** Content that is written in what is handed over is looked for so deep. */
const MAX_STEPS = 5;

export class OutsideFlow {
  constructor(private readonly graph: FlowGraph) {}

  /** Parameters of such content are nodes where it is known what they may be made of. */
  open(frame: Frame): void {
    for (const { frame: inside, fn } of this.drawingsOf(frame))
      inside.code.facts.symbols.forEach((symbol, index) => {
        if (this.isTaken(inside, symbol, index, fn)) openParameter(this.graph, inside, index);
      });
  }

  add(frame: Frame): void {
    for (const drawing of this.drawingsOf(frame)) {
      const { frame: inside, fn } = drawing;
      const { facts, file } = inside.code;
      facts.symbols.forEach((symbol, index) => {
        if (!this.isTaken(inside, symbol, index, fn)) return;
        const at = { file, start: symbol.start, end: symbol.end };
        for (const { value } of this.stuffFor(frame, drawing, symbol.path?.[0]))
          this.graph.addSources(this.graph.values.sources(frame, value), inside.nodeOf[index]!, at, {
            how: 'transform',
            made: true,
          });
      });
    }
  }

  private readonly known = new Map<Frame, Drawing[]>();
  private drawingsOf(frame: Frame): Drawing[] {
    let found = this.known.get(frame);
    if (!found) this.known.set(frame, (found = this.collect(frame)));
    return found;
  }

  private collect(frame: Frame): Drawing[] {
    const { facts, drawn } = frame.code;
    return facts.render.flatMap((tag, node): Drawing[] => {
      if (!this.isOutside(frame, tag, node)) return [];
      const found: Drawing[] = [];
      const { only } = tag;
      if (only?.kind === 'function' && only.fn !== undefined) found.push({ frame, fn: only.fn, node });
      for (const attribute of tag.attributes)
        if (attribute.mode === 'value')
          for (const fn of functionsThatDraw(frame, attribute.value, 0))
            found.push({ frame, fn, node, attribute });
      for (const { slot } of drawn.get(node) ?? []) {
        const inner = slot === undefined ? undefined : frame.inner.get(drawnKey(node, slot));
        if (inner) found.push({ frame: inner, fn: -1, node });
      }
      return found.filter(({ frame: inside, fn }) =>
        inside.code.facts.symbols.some((symbol, index) => this.isTaken(inside, symbol, index, fn)),
      );
    });
  }

  /** Whether a symbol is a parameter that holds data: one that is spread on a tag holds what that needs to work. */
  private isTaken({ code }: Frame, symbol: SymbolFact, index: number, fn: number): boolean {
    return isParameter(symbol, fn) && !spreadIn(code).has(index);
  }

  /** Whether a tag stands for something that is not the project's, for all that is known. */
  private isOutside({ code }: Frame, { kind, tag }: RenderFact, node: number): boolean {
    if (kind === 'outlet' || !tag || code.siteAt.has(node)) return false;
    if (tag.symbol !== undefined || tag.held || tag.openChoice || tag.choices) return false;
    // What stands on a tag by a selector is not known by the tag's name.
    if (kind !== 'site') return code.facts.traits.bySelectors === true;
    const target = this.graph.project.lookup(code.file, tag.name);
    return target.kind === 'unbound' || (target.kind === 'outside' && target.why === 'package');
  }

  /** What is handed to a tag, or to the nearest around it that is handed any, of which its content may be made. */
  private stuffFor(frame: Frame, { node, attribute }: Drawing, member: string | undefined): AttributeFact[] {
    const { render } = frame.code.facts;
    for (let at = node; at >= 0; at = render[at]!.parent) {
      if (frame.code.siteAt.has(at)) return [];
      const given = render[at]!.attributes.filter(
        (one) => one !== attribute && this.isGiven(one, render[at]!),
      );
      const named = member === undefined ? [] : given.filter((one) => one.name === member);
      if (named.length) return named;
      const kinds = groupBy(given, ({ value }) => this.stuffOf(frame, value));
      const [lists, things, unknown] = (['list', 'thing', 'unknown'] as const).map(
        (one) => kinds.get(one) ?? [],
      );
      if (lists!.length) return lists!;
      const told = [...things!, ...unknown!.filter(({ name }) => DATA.test(name) || ASKED.test(name))];
      const data = told.filter(({ name }) => DATA.test(name));
      if (told.length) return data.length ? data : told;
    }
    return [];
  }

  private isGiven({ mode, name, plain }: AttributeFact, { kind }: RenderFact): boolean {
    if (mode !== 'value' && mode !== 'two-way') return false;
    if (isPageAttribute(name) || /^(aria|data)-/.test(name))
      return kind === 'site' && (DATA.test(name) || ASKED.test(name));
    return kind === 'site' || !plain;
  }

  private stuffOf({ code }: Frame, { kind, type }: ExprFact): Stuff {
    if (kind === 'array') return 'list';
    if (kind === 'literal') return 'plain';
    if (kind === 'function' || kind === 'content') return 'none';
    if (kind === 'object') return 'thing';
    if (!type) return 'unknown';
    return stuffIn(this.graph.project.types.resolve({ type, file: code.file, component: code.id }));
  }
}

/** Symbols that are spread on tags, whole or as a member. */
const spreadIn = oncePer(
  ({ facts }: Component): Set<number> =>
    new Set(
      facts.render.flatMap(({ attributes }) =>
        attributes.flatMap(({ mode, value }) => (mode === 'spread' ? symbolsOf(value) : [])),
      ),
    ),
);

function stuffIn(shape: Shape): Stuff {
  switch (shape.k) {
    case 'array':
      return 'list';
    case 'prim':
    case 'lit':
      return 'plain';
    case 'fn':
    case 'handler':
    case 'content':
      return 'none';
    case 'union': {
      const parts = new Set(shape.of.map(stuffIn));
      return (['list', 'thing', 'unknown', 'none'] as const).find((one) => parts.has(one)) ?? 'plain';
    }
    case 'object':
      return 'thing';
    default:
      return 'unknown';
  }
}

/** The functions that draw in what is handed over: it itself, or written in objects and lists, also by a name. */
function functionsThatDraw(frame: Frame, expr: ExprFact, depth: number): number[] {
  if (depth > MAX_STEPS) return [];
  const next = (one: ExprFact) => functionsThatDraw(frame, one, depth + 1);
  switch (expr.kind) {
    case 'function':
      return expr.fn !== undefined && expr.content?.length ? [expr.fn] : [];
    case 'array':
      return (expr.elements ?? []).flatMap(next);
    case 'object':
      return (expr.members ?? []).flatMap((one) => next(one.value));
    case 'identity': {
      const { init, kind } = frame.code.facts.symbols[expr.symbol!]!;
      return init && /^(derived|handler)$/.test(kind) ? next(init) : [];
    }
  }
  return (expr.gives ?? []).flatMap(next);
}
