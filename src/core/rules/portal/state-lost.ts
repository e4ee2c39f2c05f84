import type { Linked } from '../../link';
import { nodesAbove, topNode } from '../../model/nodes-above';
import type { ComponentFacts, FunctionFact, WriteFact } from '../../model/facts';
import { conditionBetween, REBUILT } from '../../model/arms';
import { oncePer } from '../../model/once-per';
import type { Component, Place, Site } from '../../model/project';
import { placeOf, step, tagPlace, type Rule, type RuleContext } from '../rule';
import { isSameThing } from './same-thing';

export const stateLost: Rule = {
  name: 'portal/state-lost',
  level: 'warning',
  summary:
    'A component that holds state is written in two exclusive places of one render: switching rebuilds it.',
  check(audit) {
    const { project } = audit;
    for (const owner of project.components) {
      if (owner.facts.role !== 'component') continue;
      const seen = new Set<number>();
      for (const [target, spots] of spotsOf(project, owner)) {
        const pair = rebuiltPair(owner, spots);
        if (pair && holdsState(project.components[target]!)) {
          seen.add(target);
          report(audit, owner, project.components[target]!, pair);
        }
      }
      for (const [slot, spots] of outletsOf(owner)) {
        const pair = rebuiltPair(owner, spots);
        const lost = pair && filledWith(project, owner, slot).find((one) => holdsState(one));
        if (lost && !seen.has(lost.id)) report(audit, owner, lost, pair);
      }
    }
  },
};

/** A place in a render where something is put. */
interface Spot {
  place: Place;
  arms: string[];
  /** The tags from the root of the render down to it. */
  way: string;
  /** It is repeated, has a key of its own, or is kept for when it comes again. */
  apart: boolean;
  site?: Site;
}

/**
 * What would be lost. Where any variable counts as state, one that is never written is a constant; what only the code
 * writes that runs anew in every copy is worked out again.
 */
const keptIn = oncePer(({ facts }: Component) => {
  const anew = runsAnew(facts);
  return facts.symbols.filter(({ kind, type }, index) => {
    // What only hands on what comes holds nothing.
    if (kind !== 'state' || (type?.t === 'carrier' && !type.keeps)) return false;
    const writes = facts.writes.filter((one) => one.symbol === index);
    const isLater = ({ fn }: WriteFact): boolean => fn !== -1 && !anew.has(fn);
    return writes.length ? writes.some(isLater) : !facts.traits.plainState;
  });
});

/** Functions that run in every copy by themselves: before anything is drawn, and whenever an input is handed in. */
function runsAnew({ functions, symbols }: ComponentFacts): Set<number> {
  const isCalled = ({ first, onInput }: FunctionFact): boolean => first === true || onInput !== undefined;
  const anew = new Set(functions.flatMap((one, index) => (isCalled(one) ? [index] : [])));
  if (!anew.size) return anew;
  const callers = new Map<number, number[]>();
  for (const [index, { calls }] of functions.entries())
    for (const symbol of calls) {
      const { fn } = symbols[symbol]!;
      if (fn !== undefined) callers.set(fn, [...(callers.get(fn) ?? []), index]);
    }
  // What only these call runs when they do.
  for (let before = -1; before < anew.size;) {
    before = anew.size;
    for (const [fn, by] of callers) if (by.every((one) => anew.has(one))) anew.add(fn);
  }
  return anew;
}

const holdsState = (child: Component): boolean => !child.facts.wrapped && keptIn(child).length > 0;

/** Two places that never show at once, and that the framework does not take for the same. */
function rebuiltPair(owner: Component, spots: Spot[]): [Spot, Spot] | undefined {
  for (const [at, second] of spots.entries()) {
    const first = spots.slice(0, at).find((one) => isRebuilt(owner, one, second));
    if (first) return [first, second];
  }
  return undefined;
}

function isRebuilt(owner: Component, a: Spot, b: Spot): boolean {
  if (a.apart || b.apart) return false;
  const condition = conditionBetween(a.arms, b.arms);
  if (condition === undefined || !(condition.startsWith(REBUILT) || a.way !== b.way)) return false;
  return !a.site || !b.site || isSameThing(owner, a.site, b.site);
}

/** Where a component puts each of the others that stands in the arm of a condition, or in a constant that is placed in several. */
function spotsOf(project: Linked, owner: Component): Map<number, Spot[]> {
  const found = new Map<number, Spot[]>();
  const add = (target: number, spot: Spot) => found.set(target, [...(found.get(target) ?? []), spot]);
  const uses = usesOfContent(owner);
  for (const id of owner.sites) {
    const site = project.sites[id]!;
    const { each, attributes, arms = [] } = site.fact;
    const apart =
      each !== undefined || attributes.some((one) => one.mode === 'key') || isKept(owner, site.node);
    const placed = placesOf(owner, uses, site.node);
    if (placed.length)
      for (const one of placed)
        add(site.target, { ...one, apart: apart || one.apart, arms: [...one.arms, ...arms], site });
    else if (arms.length)
      add(site.target, { place: tagPlace(site), arms, way: wayOf(owner, site.node), apart, site });
  }
  return found;
}

/** The places of the innermost thing around a node that is placed in several, else of what is placed in one. */
function placesOf(owner: Component, uses: Map<number, Spot[]>, node: number): Spot[] {
  const found = [...nodesAbove(owner, node)].flatMap((at) => {
    const list = uses.get(at);
    return list ? [list] : [];
  });
  return found.find((list) => list.length > 1) ?? found[0] ?? [];
}

/** Reads of what draws something, by the outermost node that is drawn. */
function usesOfContent(owner: Component): Map<number, Spot[]> {
  const found = new Map<number, Spot[]>();
  const { facts, file } = owner;
  for (const { symbol, arms, where, start, end } of facts.reads) {
    if (!arms || where !== 'text') continue;
    const around = innermostAt(owner, start);
    for (const node of facts.symbols[symbol]!.init?.content ?? []) {
      if (typeof node !== 'number') continue;
      const spot = {
        place: { file, start, end },
        arms,
        way: wayOf(owner, around),
        apart: isKept(owner, around),
      };
      found.set(node, [...(found.get(node) ?? []), spot]);
    }
  }
  return found;
}

/** The innermost node of a render around an offset, or -1. */
function innermostAt({ facts }: Component, offset: number): number {
  let found = -1;
  facts.render.forEach((node, index) => {
    const inside = node.start <= offset && offset < node.end;
    if (inside && (found < 0 || node.start >= facts.render[found]!.start)) found = index;
  });
  return found;
}

/** Where a component places each of its slots in the arm of a condition. */
function outletsOf(owner: Component): Map<string, Spot[]> {
  const found = new Map<string, Spot[]>();
  owner.facts.render.forEach(({ kind, outlet, arms, each, start, end }, index) => {
    if (kind !== 'outlet' || outlet === undefined || !arms) return;
    const spot: Spot = {
      place: { file: owner.file, start, end },
      arms,
      way: wayOf(owner, index),
      apart: each !== undefined || isKept(owner, index),
    };
    found.set(outlet, [...(found.get(outlet) ?? []), spot]);
  });
  return found;
}

/** Components that call sites nest in a slot. */
function filledWith(project: Linked, target: Component, slot: string): Component[] {
  const { contentPort } = target.facts.traits;
  return target.calledAt.flatMap((id) => {
    const site = project.sites[id]!;
    const owner = project.components[site.owner]!;
    return owner.sites
      .map((one) => project.sites[one]!)
      .filter(({ node }) => {
        const top = topNode(owner, node, site.node);
        const { parent, slot: into = contentPort } = owner.facts.render[top]!;
        return parent === site.node && into === slot;
      })
      .map((one) => project.components[one.target]!);
  });
}

function isKept(owner: Component, node: number): boolean {
  for (const at of nodesAbove(owner, node)) if (owner.facts.render[at]!.keeps) return true;
  return false;
}

/** The tags from the root of the render down to a place, with what each is written in. */
function wayOf(owner: Component, node: number): string {
  const way: string[] = [];
  for (const at of nodesAbove(owner, node)) {
    const { kind, tag, slot, portal } = owner.facts.render[at]!;
    way.push(`${kind}:${portal ? 'elsewhere' : (tag?.name ?? '')}:${slot ?? ''}`);
  }
  return way.join('<');
}

function report(
  { report: say }: RuleContext,
  owner: Component,
  child: Component,
  [first, second]: [Spot, Spot],
): void {
  const kept = keptIn(child);
  const names = kept.map((one) => `"${one.name}"`).join(', ');
  say({
    component: child,
    port: { channel: 'state', name: kept[0]!.name },
    place: second.place,
    ...(second.site ? { site: second.site.id } : {}),
    message: `${owner.name} renders ${child.name} in one of two places, and switching between them rebuilds it: ${names} is lost. Keep one place, or keep the state in ${owner.name}.`,
    trail: [
      step(owner, first.place, child.name, 'is rendered here in one case', 'start'),
      step(owner, second.place, child.name, 'and here in the other', 'drop'),
      ...kept.map((one) => step(child, placeOf(child.file, one), one.name, 'is lost', 'drop')),
    ],
  });
}
