/**
 * The flow into content that packages draw: `<Grid data={rows} row={(row) => <Leaf x={row.x} />} />`, `useGrid({ data, columns })`.
 * What they give it they have from what they are handed; from which part of that, nobody knows.
 */
import type { RenderFact, SymbolFact } from '../../model/facts';
import { oncePer } from '../../model/once-per';
import { isPageAttribute } from '../../model/page-names';
import type { Component } from '../../model/project';
import { type DrawingFunction, functionsThatDraw } from '../6-values/drawing';
import { symbolsOf } from '../6-values/expressions';
import { isParameter, openParameter } from './flow-content';
import type { FlowGraph } from './flow-graph';
import { drawnKey, type Frame } from '../6-values/frames';
import { isOutside } from '../6-values/handed-out';
import { isData, mayBeData, type Named, stuffFor } from '../6-values/stuff';

/** A function that draws, and what else is handed to who calls it: the nearest first. */
interface Drawing extends DrawingFunction {
  given: Named[][];
}

export class OutsideFlow {
  constructor(private readonly graph: FlowGraph) {}

  /** Parameters of such content are nodes where it is known what they may be made of. */
  open(frame: Frame): void {
    for (const { frame: inside, fn } of this.drawingsOf(frame))
      inside.code.facts.symbols.forEach((symbol, index) => {
        if (isTaken(inside, symbol, index, fn)) openParameter(this.graph, inside, index);
      });
  }

  add(frame: Frame): void {
    const { project, values } = this.graph;
    for (const { frame: inside, fn, site, given } of this.drawingsOf(frame)) {
      const { facts, file } = inside.code;
      facts.symbols.forEach((symbol, index) => {
        if (!isTaken(inside, symbol, index, fn)) return;
        const at = { file, start: symbol.start, end: symbol.end };
        const stuff = given
          .map((one) => stuffFor(project, frame, one, symbol.path?.[0]))
          .find((one) => one.length);
        for (const { value } of stuff ?? [])
          this.graph.addSources(values.sources(frame, value), inside.nodeOf[index]!, at, {
            how: 'transform',
            made: true,
            ...(site === undefined ? {} : { site, way: 'out' }),
          });
      });
    }
  }

  private readonly known = new Map<Frame, Drawing[]>();
  private drawingsOf(frame: Frame): Drawing[] {
    let found = this.known.get(frame);
    if (!found) {
      found = [...this.atTags(frame), ...this.atCalls(frame)].filter(
        ({ frame: inside, fn, given }) =>
          given.some((one) => one.length) &&
          inside.code.facts.symbols.some((symbol, index) => isTaken(inside, symbol, index, fn)),
      );
      this.known.set(frame, found);
    }
    return found;
  }

  private atTags(frame: Frame): Drawing[] {
    const { facts, drawn } = frame.code;
    return facts.render.flatMap((tag, node): Drawing[] => {
      if (!this.isOutside(frame, tag, node)) return [];
      const found: Drawing[] = [];
      const { only } = tag;
      const around = this.handedTo(frame, node);
      const beside = (name: string) => around.map((one) => one.filter((other) => other.name !== name));
      if (only?.kind === 'function' && only.fn !== undefined)
        found.push({ frame, fn: only.fn, given: around });
      for (const { mode, name, value } of tag.attributes)
        if (mode === 'value')
          for (const one of functionsThatDraw(this.graph.frames, frame, value))
            found.push({ ...one, given: beside(name) });
      for (const { slot } of drawn.get(node) ?? []) {
        const inner = slot === undefined ? undefined : frame.inner.get(drawnKey(node, slot));
        if (inner) found.push({ frame: inner, fn: -1, given: beside(slot!) });
      }
      return found;
    });
  }

  /** What is handed to functions of packages together with what draws: `useGrid({ data: rows, columns })`. */
  private atCalls(frame: Frame): Drawing[] {
    return (frame.code.facts.invokes ?? []).flatMap(({ callee, args }): Drawing[] => {
      const members = args
        .flatMap((one) => one.members ?? [])
        .filter(({ value }) => value.kind !== 'literal');
      if (members.length < 2 || !members.some(({ name }) => isData(name))) return [];
      if (!isOutside(this.graph.frames.shared, frame, callee)) return [];
      return members.flatMap(({ name, value }) =>
        functionsThatDraw(this.graph.frames, frame, value).map((one) => ({
          ...one,
          given: [members.filter((other) => other.name !== name && other.value.kind !== 'function')],
        })),
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

  /** What is handed to a tag, and to those around it up to one of the project's. */
  private handedTo({ code }: Frame, node: number): Named[][] {
    const { render } = code.facts;
    const found: Named[][] = [];
    for (let at = node; at >= 0 && !code.siteAt.has(at); at = render[at]!.parent)
      found.push(handedAt(render[at]!));
    return found;
  }
}

function handedAt({ kind, attributes }: RenderFact): Named[] {
  return attributes.filter(({ mode, name, plain }) => {
    if (mode !== 'value' && mode !== 'two-way') return false;
    if (isPageAttribute(name) || /^(aria|data)-/.test(name)) return kind === 'site' && isData(name);
    return kind === 'site' || !plain;
  });
}

/**
 * Whether a symbol is a parameter that holds data, of which nobody knows more: one that is spread on a tag holds what that
 * needs to work.
 */
const isTaken = ({ code }: Frame, symbol: SymbolFact, index: number, fn: number): boolean =>
  isParameter(symbol, fn) &&
  !code.facts.functions[fn]?.given?.length &&
  mayBeData(symbol.path?.[0]) &&
  !spreadIn(code).has(index);

/** Symbols that are spread on tags, whole or as a member. */
const spreadIn = oncePer(
  ({ facts }: Component): Set<number> =>
    new Set(
      facts.render.flatMap(({ attributes }) =>
        attributes.flatMap(({ mode, value }) => (mode === 'spread' ? symbolsOf(value) : [])),
      ),
    ),
);
