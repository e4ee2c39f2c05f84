/** Call sites: which component a tag means, and what it is handed. */
import type { AttributeFact, ComponentFacts, ExprFact, RenderFact, TagFact } from '../../model/facts';
import { type TypeExpr, UNKNOWN } from '../../model/types';
import type { Component, Handed, Project, Site, Target } from '../../model/project';
import { isCallbackName } from '../../model/names';
import { oncePer } from '../../model/once-per';
import type { TypeSpace } from '../../types/resolve';
import { declaredAs, declares } from '../2-names/mixins';
import type { Names } from '../2-names/names';
import type { OnNodes } from '../2-names/placed';
import type { Registry } from '../2-names/registry';

/** `ids` gives the project's number of each file's components. */
export function linkSites(
  components: Component[],
  names: Names,
  ids: number[][],
  registry: Registry,
  placed: Map<Component, OnNodes>,
): Site[] {
  const sites: Site[] = [];
  for (const owner of components) {
    const on = placed.get(owner);
    owner.facts.render.forEach((fact, node) => {
      const here = on?.get(node);
      if ((fact.kind !== 'site' && !here) || !fact.tag) return;
      const seen = new Set<number>();
      const targets =
        here?.map(({ component: { id }, exposes }): Found => ({
          kind: 'component',
          component: id,
          together: true,
          ...(exposes ? { exposes } : {}),
        })) ?? targetsOf(owner, fact.tag, names, ids, registry);
      for (const found of targets) {
        const component = components[found.component]!;
        const isDrawn = component.facts.role === 'component' || component.facts.framesPage;
        if (!isDrawn || seen.has(component.id)) continue;
        seen.add(component.id);
        const id = sites.length;
        const { wrapper, spare, open, together } = found;
        sites.push({
          id,
          owner: owner.id,
          target: component.id,
          node,
          fact: found.exposes
            ? exposed(fact, found.exposes)
            : heard(bound(worded(owner, named(fact, component), component, names), component), component),
          file: owner.file,
          ...(wrapper ? { wrapper } : {}),
          ...(spare ? { spare } : {}),
          ...(open ? { open } : {}),
          ...(together ? { together } : {}),
          ...(found.exposes ? { exposes: Object.keys(found.exposes) } : {}),
        });
        owner.sites.push(id);
        component.calledAt.push(id);
        const here = owner.siteAt.get(node);
        if (here) here.push(id);
        else owner.siteAt.set(node, [id]);
      }
    });
    linkPasses(owner, components, sites);
  }
  return sites;
}

/** What the component hands on as it is. */
function linkPasses(owner: Component, components: Component[], sites: Site[]): void {
  /** Whether what stands on an element of the page takes what is put there. */
  const takes = (id: number, name: string): boolean => {
    const site = sites[id];
    if (!site) return false;
    return site.exposes ? site.exposes.includes(name) : declares(components[site.target]!, name);
  };
  owner.facts.render.forEach((fact, node) => {
    for (const site of owner.siteAt.get(node) ?? [-1])
      fact.attributes.forEach((one, attribute) => {
        if (one.value.kind !== 'identity') return;
        const symbol = owner.facts.symbols[one.value.symbol!]!;
        if (one.mode === 'spread') {
          if (symbol.kind !== 'bag' && symbol.kind !== 'rest') return;
          const element = fact.kind === 'element';
          owner.spreads.push({ except: symbol.except ?? [], node, attribute, site, element });
        } else if (
          (one.mode === 'value' || one.mode === 'two-way') &&
          (fact.kind === 'site' || takes(site, one.name))
        ) {
          owner.passes.push({ symbol: one.value.symbol!, node, attribute, site });
        }
      });
  });
}

/** What a two-way binding without a name means, which may come with what is taken over. */
const modelOf = ({ facts, mixins }: Component): ComponentFacts['model'] =>
  facts.model ??
  (facts.ports.some(({ name }) => name === 'modelValue')
    ? undefined
    : mixins.map(modelOf).find((one) => one !== undefined));

/** A two-way binding without a name binds what the component says it means. */
function bound(fact: RenderFact, target: Component): RenderFact {
  const model = modelOf(target);
  if (!model || !fact.attributes.some((one) => one.mode === 'two-way' && one.name === 'modelValue'))
    return fact;
  const attributes = fact.attributes.map((one) =>
    one.mode === 'two-way' && one.name === 'modelValue'
      ? { ...one, name: model.prop, event: `@${model.event}` }
      : one,
  );
  return { ...fact, attributes };
}

/** What is written by the name of the attribute is handed in as the prop that it stands for. */
function named(fact: RenderFact, { facts: { ports } }: Component): RenderFact {
  const byAttribute = new Map(
    ports.flatMap((one) => (one.attribute === undefined ? [] : [[one.attribute, one.name]])),
  );
  const names = new Set(ports.map((one) => one.name));
  const isOther = ({ name }: AttributeFact) => byAttribute.has(name) && !names.has(name);
  if (!byAttribute.size || !fact.attributes.some(isOther)) return fact;
  return {
    ...fact,
    attributes: fact.attributes.map((one) =>
      isOther(one) ? { ...one, name: byAttribute.get(one.name)! } : one,
    ),
  };
}

/** A text is code where the child takes something else than a text. */
function worded(owner: Component, fact: RenderFact, target: Component, names: Names): RenderFact {
  if (!fact.attributes.some((one) => one.text)) return fact;
  const attributes = fact.attributes.map((one) => {
    if (!one.text) return one;
    const { port, by } = declaredAs(target, one.name) ?? { by: target };
    const type = port?.type;
    if (type ? isTextual(type) : !isFunctionOf(owner, one.value)) {
      const { called: _, ...rest } = one;
      return { ...rest, value: one.text };
    }
    // A name that nothing has is no value of what comes with the language; of other types it may be one.
    const isName =
      one.value.kind === 'literal' &&
      one.value.start === one.text.start &&
      !isBuiltIn(type!) &&
      !isChoice(type!, by.file, names);
    return isName ? { ...one, value: { ...one.value, kind: 'computed' as const, type: UNKNOWN } } : one;
  });
  return { ...fact, attributes };
}

/** A function that is written out, or a method. */
export const isFunctionOf = ({ facts }: Component, { kind, symbol }: ExprFact): boolean =>
  kind === 'function' || (kind === 'identity' && facts.symbols[symbol!]!.kind === 'handler');

/** One of several names is asked for. */
const isChoice = (type: TypeExpr, file: number, names: Names): boolean =>
  type.t === 'ref' && names.lookupType(file, type.name)?.decl.kind === 'enum';

const isTextual = (type: TypeExpr): boolean =>
  type.t === 'union' ? type.of.some(isTextual) : type.t === 'prim' && type.n === 'string';
const isBuiltIn = (type: TypeExpr): boolean =>
  type.t === 'union' ? type.of.some(isBuiltIn) : type.t === 'prim';

/** What came with a component is handed only what it is exposed under, by its own names. */
function exposed(fact: RenderFact, names: Record<string, string>): RenderFact {
  const attributes = fact.attributes.flatMap((one) => {
    const own = names[one.name];
    return own === undefined ? [] : [{ ...one, name: own }];
  });
  return { ...fact, attributes };
}

/** Where events have names of their own, a listener is handed in as the prop of that name, if there is one: `@hold`, `onHold`. */
function heard(fact: RenderFact, { facts: { ports, propsType, traits } }: Component): RenderFact {
  if (traits.callbackProps || !fact.attributes.some((one) => one.name.startsWith('@'))) return fact;
  const takes = (name: string): boolean =>
    ports.some((port) => port.name === name && port.channel === 'prop' && port.declared === 'list') ||
    (propsType?.t === 'object' && propsType.members.some((one) => one.name === name));
  const attributes = fact.attributes.map((one) => {
    const event = one.name.startsWith('@') ? one.name.slice(1) : '';
    const prop = `on${event.charAt(0).toUpperCase()}${event.slice(1)}`;
    if (!event || one.mode !== 'listen' || !takes(prop) || ports.some((port) => port.name === one.name))
      return one;
    return { ...one, name: prop, mode: 'value' as const };
  });
  return attributes.some((one, at) => one !== fact.attributes[at]) ? { ...fact, attributes } : fact;
}

/** The port of the event that a two-way binding listens to. */
export const updateOf = (target: Component, { name, event }: Pick<AttributeFact, 'name' | 'event'>): string =>
  event ?? (target.facts.traits.updateEvent ?? '@update:*').replace('*', name);

/** The ports of the events by which a component may ask for another value of a prop: bound without its name, and with it. */
export function updatesOf(target: Component, name: string): string[] {
  const model = modelOf(target);
  return [...(model?.prop === name ? [`@${model.event}`] : []), updateOf(target, { name })];
}

type Found = Extract<Target, { kind: 'component' }> & {
  spare?: boolean;
  open?: boolean;
  together?: boolean;
  exposes?: Record<string, string>;
};

/** The components that a tag may render: one, or all that it is chosen among. */
function targetsOf(
  { file, facts }: Component,
  tag: TagFact,
  names: Names,
  ids: number[][],
  registry: Registry,
): Found[] {
  if (tag.each !== undefined) return registry.all(file, tag.each);
  if (tag.component !== undefined) return [{ kind: 'component', component: ids[file]![tag.component]! }];
  if (tag.choices) {
    const found: Found[] = [];
    let open = false;
    for (const choice of tag.choices) {
      const meant = names.candidates(file, choice);
      const known = meant.filter((one) => one.kind === 'component');
      const global =
        known.length || choice.global === undefined ? undefined : registry.one(file, facts, choice);
      if (global) known.push(global);
      if (!known.length || known.length < meant.length) open = true;
      found.push(...known.map((one) => (choice.spare ? { ...one, spare: true } : one)));
    }
    return open ? found.map((one) => ({ ...one, open })) : found;
  }
  if (tag.symbol !== undefined || tag.unbound || tag.outer) return [];
  const target = names.lookup(file, tag.name);
  if (target.kind === 'several') return target.of.filter((one) => one.kind === 'component');
  const found =
    target.kind === 'component' ? target : (registry.one(file, facts, tag) ?? registry.element(tag.name));
  return found ? [found] : [];
}

/** Whether something else than its component may be drawn, or may stand between the two. */
export const mayBeOther = ({ fact, wrapper, open }: Site): boolean =>
  open === true || wrapper?.open === true || fact.tag?.openChoice === true || fact.tag?.plain === true;

/** Components, and the call sites that name them. */
type Sites = Pick<Project, 'components' | 'sites'> & { types?: TypeSpace };

/** Whether a handle on the tag of a call site holds what the call site renders, and not what else stands on the tag. */
export function isHeld({ components }: Sites, site: Site, symbol: number): boolean {
  const { attached, exportAs = [] } = components[site.target]!.facts;
  const by = site.fact.exported?.find((one) => one.symbol === symbol);
  if (by) return exportAs.includes(by.as);
  const isOfTag = components[site.owner]!.facts.symbols[symbol]!.ofTag === true;
  return !isOfTag || !site.together || !attached;
}

/** The only component that a node of a render is, if there is but one and nothing else may be drawn. */
export function onlySite(project: Sites, component: Component, node: number): Site | undefined {
  const ids = (component.siteAt.get(node) ?? []).filter((id) => {
    const { together, target } = project.sites[id]!;
    return !together || !project.components[target]!.facts.attached;
  });
  const [first, ...more] = ids;
  const site = first === undefined || more.length ? undefined : project.sites[first]!;
  return site && !mayBeOther(site) ? site : undefined;
}

/** Whether what is rendered is chosen, so that what the component lacks may be meant for another. */
export const isChosen = (project: Sites, site: Site): boolean =>
  mayBeOther(site) || alternatives(project, site).length > 0;

const others = (project: Sites, site: Site): Site[] =>
  project.components[site.owner]!.siteAt.get(site.node)!
    .filter((id) => id !== site.id)
    .map((id) => project.sites[id]!);

/** The other components that the tag of a call site may render instead. */
export const alternatives = (project: Sites, site: Site): Site[] =>
  site.together ? [] : others(project, site);

/** The other components that stand on the tag of a call site, beside it. */
export const companions = (project: Sites, site: Site): Site[] =>
  site.together ? others(project, site) : [];

/** Whether a wrapper around the component keeps an attribute, or hands over another in its place. */
export const isKeptByWrapper = ({ wrapper }: Site, name: string): boolean =>
  wrapper !== undefined && (wrapper.takes.includes(name) || wrapper.supplies.includes(name));

const known = oncePer((_site: Site): { handed?: Handed } => ({}));

/** What a call site hands over, written out and spread. */
export function handedBy(project: Sites, site: Site): Handed {
  const of = known(site);
  if (of.handed) return of.handed;
  const owner = project.components[site.owner]!;
  const target = project.components[site.target]!;
  const handed: Handed = { attributes: new Map(), spread: new Set(), unknown: false };
  // Whoever asks again on the way round gets what is known so far.
  of.handed = handed;
  for (const attribute of site.fact.attributes) {
    if (attribute.mode !== 'spread') {
      handed.attributes.set(attribute.name, attribute);
      if (attribute.mode === 'two-way') handed.spread.add(updateOf(target, attribute));
      continue;
    }
    const { value } = attribute;
    const symbol = value.kind === 'identity' ? owner.facts.symbols[value.symbol!]! : undefined;
    if (symbol?.kind === 'bag' || symbol?.kind === 'rest') {
      for (const name of carried(owner, symbol.except ?? [], target)) handed.spread.add(name);
      if (symbol.kind === 'rest' && owner.facts.traits.attributesFallThrough) {
        if (mayCarryMore(project, owner)) handed.unknown = true;
      } else if (owner.facts.propsType === undefined || owner.open || owner.unresolved) handed.unknown = true;
    } else if (value.kind === 'object' && !value.open) {
      for (const member of value.members ?? []) handed.spread.add(portNamed(target, member.name));
    } else {
      const names = writtenNames(project, owner, value);
      for (const name of names ?? []) handed.spread.add(portNamed(target, name));
      if (!names) handed.unknown = true;
    }
  }
  for (const name of site.wrapper?.supplies ?? []) {
    handed.attributes.delete(name);
    handed.spread.add(name);
  }
  if (site.wrapper?.open) handed.unknown = true;
  for (const name of site.wrapper?.takes ?? []) handed.attributes.delete(name);
  return handed;
}

/** What a member of an object means that is spread: where events have names of their own, listeners are among the rest. */
function portNamed({ facts, ports }: Component, name: string): string {
  const event = facts.traits.callbackProps || !isCallbackName(name) ? undefined : eventOf(name);
  if (event !== undefined && !ports.has(name)) return event;
  // A listener is handed in as the prop of that name, if there is one.
  const [, first = '', rest] = /^@(.)(.*)$/.exec(name) ?? [];
  const prop = `on${first.toUpperCase()}${rest}`;
  if (first && !ports.has(name) && ports.has(prop)) return prop;
  return ports.has(name) ? name : name.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());
}

const eventOf = (name: string): string => `@${name.charAt(2).toLowerCase()}${name.slice(3)}`;

/** The members of what is spread, where all that it may be is written out somewhere; those of some, too. */
function writtenNames({ types }: Sites, owner: Component, { type, symbol }: ExprFact): string[] | undefined {
  if (!types || !type || owner.facts.writes.some((one) => one.symbol === symbol)) return undefined;
  const shape = types.resolve({ type, file: owner.file, component: owner.id });
  const parts = shape.k === 'union' ? shape.of : [shape];
  const known = parts.every((one) => one.k === 'object' && one.exact === true);
  return known ? parts.flatMap((one) => (one.k === 'object' ? [...one.members.keys()] : [])) : undefined;
}

/** What falls through a component is what its call sites write, where all of that is known. */
const mayCarryMore = (project: Sites, owner: Component): boolean =>
  owner.unknownSites || owner.calledAt.some((id) => handedBy(project, project.sites[id]!).unknown);

/** Names of the owner's props that a spread hands to a component. */
export function carried(owner: Component, except: string[], target: Component): string[] {
  const { listenersWritten } = owner.facts.traits;
  // Content is no attribute, nor are listeners where each is written.
  const isOther = (name: string) =>
    name.startsWith('#') || (listenersWritten === true && name.startsWith('@'));
  return [...owner.ports.keys()].filter(
    (name) => !except.includes(name) && target.ports.has(name) && !isOther(name),
  );
}
