/**
 * The flow into content that components of packages draw: `<Grid data={rows} row={(row) => <Leaf x={row.x} />} />`. What they
 * give it they have from what they are handed; from which part of that, nobody knows.
 */
import type { AttributeFact, ExprFact, RenderFact } from '../model/facts';
import { groupBy } from '../model/group-by';
import { isPageAttribute } from '../model/page-names';
import type { Shape } from '../types/shape';
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

/** What a value is good for that content is made of. */
type Stuff = 'list' | 'thing' | 'plain' | 'none';

/** Names for attributes that hold what content is drawn for, one by one. */
const DATA =
  /^(data|items?|rows?|options?|list|values?|nodes|entries|records|collection|sources?|dataSource|each|of)$|Of$/i;

/** Content that is written in what is handed over is looked for so deep. */
const MAX_STEPS = 5;

export class OutsideFlow {
  constructor(private readonly graph: FlowGraph) {}

  /** Parameters of such content are nodes where it is known what they may be made of. */
  open(frame: Frame): void {
    for (const { frame: inside, fn } of this.drawingsOf(frame))
      inside.code.facts.symbols.forEach((symbol, index) => {
        if (isParameter(symbol, fn)) openParameter(this.graph, inside, index);
      });
  }

  add(frame: Frame): void {
    for (const drawing of this.drawingsOf(frame)) {
      const { frame: inside, fn } = drawing;
      const { facts, file } = inside.code;
      facts.symbols.forEach((symbol, index) => {
        if (!isParameter(symbol, fn)) return;
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
        inside.code.facts.symbols.some((symbol) => isParameter(symbol, fn)),
      );
    });
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
      const { list = [], thing = [] } = Object.fromEntries(
        groupBy(given, ({ value }) => this.stuffOf(frame, value)),
      ) as Partial<Record<Stuff, AttributeFact[]>>;
      if (list.length) return list;
      const data = thing.filter((one) => DATA.test(one.name));
      if (data.length || thing.length) return data.length ? data : thing;
    }
    return [];
  }

  private isGiven({ mode, name, plain }: AttributeFact, { kind }: RenderFact): boolean {
    if (mode !== 'value' && mode !== 'two-way') return false;
    return kind === 'site' || (!plain && !isPageAttribute(name));
  }

  private stuffOf({ code }: Frame, { kind, type }: ExprFact): Stuff {
    if (kind === 'array') return 'list';
    if (kind === 'literal') return 'plain';
    if (kind === 'function' || kind === 'content') return 'none';
    if (!type) return 'thing';
    return stuffIn(this.graph.project.types.resolve({ type, file: code.file, component: code.id }));
  }
}

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
      return (['list', 'thing', 'none'] as const).find((one) => parts.has(one)) ?? 'plain';
    }
    default:
      return 'thing';
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
