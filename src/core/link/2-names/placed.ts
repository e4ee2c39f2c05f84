/**
 * What stands on the tags of markup that places by selectors. Which content fills which slot, and what handles are put on,
 * follows from that, and is written into the facts that the rest of linking reads.
 */
import type { AttributeFact, ComponentFacts, RenderFact, Span } from '../../model/facts';
import { isAlwaysKnown, nearest } from '../../model/names';
import { nodesAbove } from '../../model/nodes-above';
import { isPageAttribute } from '../../model/page-names';
import type { Component, MarkupScope, ProjectFile, Target } from '../../model/project';
import { declares } from './mixins';
import type { Names } from './names';
import { MarkupScopes, Matcher } from './scopes';
import { matches, tagged } from './selectors';

/** What stands on a node; of a directive that came with a component, the names that it is handed under. */
export interface Placed {
  component: Component;
  exposes?: Record<string, string>;
}

/** What stands on each node of a render. */
export type OnNodes = Map<number, Placed[]>;

/** Components that place by selectors, with what stands on the nodes of each. */
export function linkPlaced(
  components: Component[],
  files: ProjectFile[],
  names: Names,
): Map<Component, OnNodes> {
  const found = new Map<Component, OnNodes>();
  const owners = components.filter((one) => one.facts.traits.bySelectors);
  for (const one of owners)
    if (one.facts.hostDirectives?.some(({ name }) => names.lookup(one.file, name).kind !== 'component'))
      one.openHost = true;
  if (!owners.length) return found;
  const bundles = files.flatMap(({ index, facts }) =>
    (facts.bundles ?? []).map((fact) => ({ file: index, fact })),
  );
  const scopes = new MarkupScopes(components, names, bundles);
  const matchers = new Map<MarkupScope, Matcher>();
  const anything = new Matcher({ components: owners.filter((one) => !one.facts.attached) });
  for (const owner of owners) {
    if (owner.facts.role !== 'component' || owner.facts.attached) continue;
    const scope = scopes.of(owner);
    owner.markup = scope;
    let matcher = matchers.get(scope);
    if (!matcher) matchers.set(scope, (matcher = new Matcher(scope)));
    const on: OnNodes = new Map();
    const foreign = (owner.foreignTags = new Set());
    owner.facts.render.forEach((node, index) => {
      const here = node.tag ? matcher.on(tagged(node)) : [];
      if (node.tag && scope.open && !here.length && !anything.on(tagged(node)).length) foreign.add(index);
      if (here.length)
        on.set(
          index,
          here.flatMap((one) => withHosted(one, components, names)),
        );
    });
    found.set(owner, on);
  }
  // Slots are those that the components declare, whatever is placed in them.
  for (const [owner, on] of found) owner.facts = placed(owner, on, names, components);
  return found;
}

/** A component with what stands on its tag together with it. */
function withHosted(component: Component, components: Component[], names: Names): Placed[] {
  const hosted = (of: Component, level: number): Placed[] =>
    (level > MAX_HOSTED ? [] : (of.facts.hostDirectives ?? [])).flatMap(({ name, exposes }): Placed[] => {
      const target = names.lookup(of.file, name);
      if (target.kind !== 'component') return [];
      const one = components[target.component]!;
      return [{ component: one, exposes }, ...hosted(one, level + 1)];
    });
  return [{ component }, ...hosted(component, 0)];
}

/** What stands on a tag together with something brings others with it, so far. */
const MAX_HOSTED = 8;

/** The facts of a component with the slots that its content fills, and the handles that are put on what it places. */
function placed(owner: Component, on: OnNodes, names: Names, components: Component[]): ComponentFacts {
  const { facts } = owner;
  const render = [...facts.render];
  const change = (node: number, to: Partial<RenderFact>): void => {
    render[node] = { ...render[node]!, ...to };
  };
  const children = new Map<number, number[]>();
  facts.render.forEach(({ parent }, index) => {
    const list = children.get(parent);
    if (list) list.push(index);
    else children.set(parent, [index]);
  });
  const known = knownNodes(owner);
  /** What a component looks for in its content, itself or as its bases do. */
  const askedBy = ({ facts: own, file, mixins }: Component): Target[] => [
    ...(own.asksContent ?? []).map((name) => names.lookup(file, name)),
    ...mixins.flatMap(askedBy),
  ];
  /** Whether what a component looks for in its content stands in a part of that. */
  const isAskedFor = (whole: Component, node: number): boolean => {
    const asked = askedBy(whole);
    const stands = (one: number): boolean =>
      (on.get(one) ?? []).some(({ component }) =>
        asked.some((target) => target.kind !== 'component' || target.component === component.id),
      ) || (children.get(one) ?? []).some(stands);
    return asked.length > 0 && stands(node);
  };
  for (const [node, here] of on) {
    const handles = [...handlesOn(owner, here, names), ...handlesBy(facts.render[node]!, here)];
    if (handles.length) change(node, { attributes: [...render[node]!.attributes, ...handles] });
    const whole = here.find((one) => !one.component.facts.attached)?.component;
    if (!whole) continue;
    const given: AttributeFact[] = [];
    const ports = new Set(whole.facts.ports.map((one) => one.name));
    // What is looked for by a name may stand anywhere in the content.
    for (const { index, above } of known) {
      const { knownAs, only } = facts.render[index]!;
      const name = above.has(node) ? knownAs!.find((one) => ports.has(one.slot)) : undefined;
      if (!name) continue;
      const { value, ...rest } = content(index, name.slot, name);
      given.push({ ...rest, value: only ? { ...only, start: name.start, end: name.end } : value });
      change(index, { slot: name.slot });
    }
    let nested = render[node]!.nested === true;
    for (const child of children.get(node) ?? []) {
      const outlet = outletFor(whole.facts, facts.render[child]!);
      const slot = outlet?.outlet;
      if (slot === undefined || slot === whole.facts.traits.contentPort) {
        const lost = lostSlot(whole.facts, facts.render[child]!, owner.markup!);
        if (lost) given.push(content(child, lost.slot, lost));
        // What asks for nothing takes it all the same; what is looked for is not for an outlet.
        nested ||=
          (slot !== undefined || !lost) &&
          !isTemplate(facts.render[child]!) &&
          (slot !== undefined || !isAskedFor(whole, child));
        continue;
      }
      change(child, { slot });
      given.push(content(child, slot, facts.render[child]!.tag ?? facts.render[child]!));
    }
    change(node, {
      kind: 'site',
      ...(nested ? { nested } : {}),
      ...(given.length ? { attributes: [...render[node]!.attributes, ...given] } : {}),
    });
  }
  const symbols = handlesKnown(owner, names, components);
  return { ...facts, render, symbols, reads: withoutHanded(facts, on) };
}

/** The nodes that may be looked for by a name, each with the nodes that it stands in. */
const knownNodes = (owner: Component): { index: number; above: Set<number> }[] =>
  owner.facts.render.flatMap(({ knownAs }, index) =>
    knownAs?.length ? [{ index, above: new Set([...nodesAbove(owner, index)].slice(1)) }] : [],
  );

/** Content that is given for a slot, at the place that names it. */
export const content = (node: number, name: string, { start, end }: Span): AttributeFact => ({
  name,
  nameStart: start,
  nameEnd: end,
  mode: 'value',
  value: { kind: 'content', content: [node], start, end },
  start,
  end,
});

/** The slot that content was meant for, where no outlet asks for it: it says so itself, or has a near miss of a mark. */
function lostSlot(
  { render }: ComponentFacts,
  { standsAs, attributes }: RenderFact,
  { taken, open }: MarkupScope,
): (Span & { slot: string }) | undefined {
  if (standsAs) return standsAs;
  if (open) return undefined;
  const marks = render.flatMap(({ takes = [] }) =>
    takes.flatMap((one) => one.attributes.map(({ name }) => name)),
  );
  for (const { name, plain, nameStart, nameEnd, value } of attributes) {
    const isBare = plain && value.type?.t === 'lit' && value.type.v === '';
    if (!isBare || taken.has(name) || isPageAttribute(name) || isAlwaysKnown(name)) continue;
    if (nearest(name, marks) !== undefined) return { slot: `#[${name}]`, start: nameStart, end: nameEnd };
  }
  return undefined;
}

/** What is only stamped by whoever asks for it is no content. */
const isTemplate = ({ kind, tag }: RenderFact): boolean => kind === 'group' && tag !== undefined;

/** The outlet that takes a piece of content: the first that asks for such, else the one that asks for nothing. */
function outletFor({ render }: ComponentFacts, content: RenderFact): RenderFact | undefined {
  const outlets = render.filter((one) => one.kind === 'outlet');
  const of = content.standsAs ?? content.marks ?? tagged(content);
  return (
    outlets.find((one) => one.takes?.some((selector) => matches(of, selector))) ??
    outlets.find((one) => !one.takes)
  );
}

/** What is handed to something that stands on an element is passed on, and not read there. */
function withoutHanded({ reads, render }: ComponentFacts, on: OnNodes): ComponentFacts['reads'] {
  const handed = new Set<string>();
  for (const [node, here] of on) {
    if (render[node]!.kind === 'site') continue;
    for (const { name, value } of render[node]!.attributes)
      if (value.kind === 'identity' && here.some((one) => takes(one, name)))
        handed.add(`${value.symbol}:${value.start}:${value.end}`);
  }
  return handed.size ? reads.filter((one) => !handed.has(`${one.symbol}:${one.start}:${one.end}`)) : reads;
}

const takes = ({ component, exposes }: Placed, name: string): boolean =>
  exposes ? Object.hasOwn(exposes, name) : declares(component, name);

/** Handles on what is not of the project may be on anything; those on what stands beside a component are not on that. */
function handlesKnown(
  { file, facts, markup }: Component,
  names: Names,
  components: Component[],
): ComponentFacts['symbols'] {
  const unknown = (facts.queries ?? []).filter(({ component }) => {
    const target = names.lookup(file, component);
    return markup!.open || target.kind !== 'component' || components[target.component]!.facts.attached;
  });
  if (!unknown.length) return facts.symbols;
  const symbols = [...facts.symbols];
  for (const { symbol } of unknown) {
    const { empty: _, ...rest } = symbols[symbol]!;
    symbols[symbol] = rest;
  }
  return symbols;
}

/** Handles on what stands on a tag, by a name under which that hands itself out. */
function handlesBy({ exported = [], attributes }: RenderFact, here: Placed[]): AttributeFact[] {
  return exported.flatMap(({ as, symbol, start, end }): AttributeFact[] => {
    if (attributes.some((one) => one.mode === 'ref' && one.value.symbol === symbol)) return [];
    if (!here.some(({ component }) => component.facts.exportAs?.includes(as))) return [];
    const value = { kind: 'identity' as const, symbol, start, end };
    return [{ name: 'ref', nameStart: start, nameEnd: end, mode: 'ref', value, start, end }];
  });
}

function handlesOn({ file, facts }: Component, here: Placed[], names: Names): AttributeFact[] {
  return (facts.queries ?? []).flatMap(({ symbol, component, nested }): AttributeFact[] => {
    if (nested) return [];
    const target = names.lookup(file, component);
    const found =
      target.kind === 'component' && here.find((one) => one.component.id === target.component)?.component;
    // The tag is that of the component on it, which is another.
    if (!found || (found.facts.attached && here.some((one) => !one.component.facts.attached))) return [];
    const { start, end } = facts.symbols[symbol]!;
    const value = { kind: 'identity' as const, symbol, start, end };
    return [{ name: 'ref', nameStart: start, nameEnd: end, mode: 'ref', value, start, end }];
  });
}
