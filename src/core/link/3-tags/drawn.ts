/** What functions and hooks of the project draw, where it stands below who uses them. */
import type { AttributeFact, DrawnFact, ExprFact, RenderFact } from '../../model/facts';
import type { Component, Drawn } from '../../model/project';
import type { Names } from '../2-names/names';

/** Notes for each component what the functions that it calls, or hands on as content, draw at its nodes. */
export function linkDrawn(components: Component[], names: Names): void {
  const helperNamed = ({ file }: Component, name: string): Component | undefined => {
    const target = names.lookup(file, name);
    const found = target.kind === 'component' ? components[target.component]! : undefined;
    return found?.facts.role === 'helper' && draws(found) ? found : undefined;
  };
  const known = new Map<Component, boolean>();
  /** Whether anything of the project comes from a helper, itself or through others. */
  const draws = (helper: Component): boolean => {
    const { calls, render } = helper.facts;
    let found = known.get(helper);
    if (found !== undefined) return found;
    // One that comes round to itself draws what it draws otherwise.
    known.set(helper, false);
    found = render.some(
      ({ kind, drawn }) =>
        kind === 'site' || (drawn && helperNamed(helper, calls[drawn.call]!.name) !== undefined),
    );
    known.set(helper, found);
    return found;
  };
  for (const component of components) {
    component.facts.render.forEach((node, index) => {
      const found = [
        ...inheritedAt(component, node),
        ...calledAt(component, node, helperNamed),
        ...givenAt(component, node, helperNamed),
      ];
      if (found.length) component.drawn.set(index, found);
    });
  }
}

/** What the class that a component extends draws in its place. */
function inheritedAt({ facts, mixins: [base] }: Component, { inherited }: RenderFact): Drawn[] {
  if (!inherited || !base || facts.role !== 'component') return [];
  return [{ helper: base, nodes: topOf(base) }];
}

type Find = (from: Component, name: string) => Component | undefined;

/** What a call gives back to be drawn. */
function calledAt(component: Component, { drawn }: RenderFact, find: Find): Drawn[] {
  const name = drawn && component.facts.calls[drawn.call]!.name;
  const helper = name === undefined ? undefined : find(component, name);
  const nodes = helper && partOf(helper, drawn!);
  return helper && nodes?.length ? [{ helper, nodes }] : [];
}

/** Functions that are handed to what is drawn at a node, as one of its slots: `renderRow={renderRow}`. */
function givenAt(component: Component, node: RenderFact, find: Find): Drawn[] {
  if (node.kind !== 'site') return [];
  const given: [slot: string, value: ExprFact][] = node.attributes
    .filter((one) => one.mode === 'value')
    .map((one: AttributeFact) => [one.name, one.value]);
  if (node.only) given.push([component.facts.traits.contentPort, node.only]);
  return given.flatMap(([slot, { kind, component: name }]): Drawn[] => {
    const helper = name === undefined || kind === 'call' ? undefined : find(component, name);
    return helper ? [{ helper, nodes: topOf(helper), slot }] : [];
  });
}

/** The outermost nodes of what a helper draws. */
const topOf = ({ facts }: Component): number[] =>
  facts.render.flatMap(({ parent, mounted }, index) => (parent < 0 && !mounted ? [index] : []));

/** The outermost nodes of one part of what a helper gives back. */
function partOf(helper: Component, { path }: DrawnFact): number[] {
  if (!path?.length) return topOf(helper);
  const { result } = helper.facts;
  return result ? [...new Set(contentAt(helper, result, path))] : [];
}

function contentAt(helper: Component, expr: ExprFact, path: string[]): number[] {
  const [name, ...rest] = path;
  if (expr.gives && expr.kind !== 'object') return expr.gives.flatMap((one) => contentAt(helper, one, path));
  if (expr.kind === 'identity' || expr.kind === 'member') {
    const { init } = helper.facts.symbols[expr.symbol!]!;
    return init ? contentAt(helper, init, [...(expr.path ?? []), ...path]) : [];
  }
  if (expr.from) return drawnBy(helper, { call: expr.from.call, path: [...expr.from.path, ...path] });
  if (name === undefined) return nodesOf(helper, expr);
  const part =
    expr.kind === 'object'
      ? expr.members?.findLast((one) => one.name === name)?.value
      : expr.kind === 'array'
        ? expr.elements?.[Number(name)]
        : undefined;
  return part ? contentAt(helper, part, rest) : [];
}

/** The nodes that an expression draws, with those that stand for what other helpers draw. */
function nodesOf(helper: Component, { content = [] }: ExprFact): number[] {
  return content.flatMap((one) => {
    if (typeof one === 'number') return [one];
    return 'call' in one ? drawnBy(helper, one) : [];
  });
}

/** The nodes of a helper that stand for what another gives back. */
const drawnBy = ({ facts }: Component, { call, path = [] }: DrawnFact): number[] =>
  facts.render.flatMap(({ drawn }, index) =>
    drawn?.call === call && (drawn.path ?? []).join('.') === path.join('.') ? [index] : [],
  );

/** The nodes of helpers that are drawn below who uses them, by the helper. */
export function drawnNodes(components: Component[]): Map<Component, Set<number>> {
  const found = new Map<Component, Set<number>>();
  for (const { drawn } of components)
    for (const list of drawn.values())
      for (const { helper, nodes } of list) {
        const known = found.get(helper) ?? new Set();
        for (const node of nodes) known.add(node);
        found.set(helper, known);
      }
  return found;
}
