import type { Linked } from '../../link';
import { isWritten } from '../../link/4-ports/called';
import { isTypeParameter } from '../../link/2-names/type-arguments';
import {
  alternatives,
  companions,
  isFunctionOf,
  isKeptByWrapper,
  mayBeOther,
  updateOf,
  updatesOf,
} from '../../link/3-tags/sites';
import { isClosed, takesBelow } from '../../link/4-ports/use-of-ports';
import type { AttributeFact } from '../../model/facts';
import { bareName, isAlwaysKnown, isCallbackName, nearest, publicName } from '../../model/names';
import { spelledAs } from '../../model/own-elements';
import { oncePer } from '../../model/once-per';
import { isOfEveryElement, isPageAttribute, isPageEvent, isPageTag } from '../../model/page-names';
import type { Component, Site } from '../../model/project';
import { boundToNothing, mayHave } from './on-elements';
import { attributePlace, namePlace, step, type Report, type Rule } from '../rule';

export const unknown: Rule = {
  name: 'prop/unknown',
  level: 'error',
  summary: 'A call site writes a name that the child does not take.',
  check({ project, report }) {
    for (const one of unknownNames(project)) if (one.channel === 'prop') report(unknownReport(one));
    for (const component of project.components)
      for (const one of boundToNothing(project, component)) report(one);
  },
};

/** A name that a call site writes and the child does not take. */
export interface UnknownName {
  site: Site;
  owner: Component;
  target: Component;
  attribute: AttributeFact;
  /** What it was meant as: a callback's name means an event, markup means a slot. */
  channel: 'prop' | 'event' | 'slot';
}

/** Every such name in the project, in the order of the call sites. */
export const unknownNames = oncePer((project: Linked): UnknownName[] => [...lackingIn(project)]);

function* lackingIn(project: Linked): Iterable<UnknownName> {
  for (const site of project.written) {
    const others = alternatives(project, site);
    // What is meant for one of several components, the others are given, too; it is said at the first of them.
    if (mayBeOther(site) || others.some((one) => mayBeOther(one) || one.id < site.id)) continue;
    const owner = project.components[site.owner]!;
    const target = project.components[site.target]!;
    const lacking = (one: Site) => [
      ...unknownAttributes(project, one, project.components[one.target]!),
      ...neverUpdated(project, one, project.components[one.target]!),
    ];
    for (const attribute of lacking(site)) {
      if (!others.every((one) => lacking(one).some(({ name }) => name === attribute.name))) continue;
      const event =
        attribute.mode === 'listen' ||
        (attribute.mode === 'two-way' && boundName(target, attribute) !== undefined) ||
        (target.facts.traits.callbackProps && isCallbackName(attribute.name)) ||
        (target.facts.traits.functionsHear && isFunctionOf(owner, attribute.value));
      const slot = attribute.value.kind === 'content' || attribute.name.startsWith('#');
      const channel = event ? 'event' : slot ? 'slot' : 'prop';
      yield { site, owner, target, attribute, channel };
    }
  }
}

/** What a two-way binding binds, which waits for the event that tells of a change. */
const boundName = (target: Component, { name }: AttributeFact): string | undefined =>
  [...target.ports.keys()].find((one) => updatesOf(target, one).includes(name));

/** Two-way bindings of props of which the child never tells a change, as the listeners that they are. */
function neverUpdated(project: Linked, site: Site, target: Component): AttributeFact[] {
  const { facts, ports } = target;
  const isPair = facts.traits.attributesFallThrough || facts.traits.updateEvent !== undefined;
  if (!isPair || facts.openEmits || facts.openProps || facts.wrapped || target.openBase) return [];
  return site.fact.attributes.flatMap((one) => {
    const event = updateOf(target, one);
    const port = ports.get(one.name);
    if (one.mode !== 'two-way' || port?.channel !== 'prop' || ports.has(event)) return [];
    if (project.madeEvents.has(bareName(event.slice(1)))) return [];
    // What it changes in place is the same on both sides.
    if (isWritten(target, port)) return [];
    const isTaken = facts.traits.attributesFallThrough && takesBelow(project, target, event);
    return isTaken ? [] : [{ ...one, name: event }];
  });
}

/** Attributes of a call site that the child certainly does not take. */
function unknownAttributes(project: Linked, site: Site, target: Component): AttributeFact[] {
  if (site.together) return takenByNobody(project, site, target);
  if (target.facts.traits.attributesFallThrough) return fallenAttributes(project, site, target);
  const isOpen = !isClosed(target);
  // Listeners and slots that are written one by one are no props, however many of those it may take.
  if (isOpen && (!target.facts.traits.listenersWritten || target.facts.wrapped || target.openBase)) return [];
  return site.fact.attributes.filter(
    (one) =>
      /^(value|listen|two-way)$/.test(one.mode) &&
      (!isOpen || /^[@#]/.test(one.name)) &&
      !(target.facts.traits.isElement && isOfElement(project, site, target, one)) &&
      !one.local &&
      !(one.name.startsWith('@') && target.facts.openEmits) &&
      !(one.name.startsWith('#') && target.facts.openSlots) &&
      !one.name.startsWith('--') &&
      !isTypeParameter(target, one.name) &&
      !isKeptByWrapper(site, one.name) &&
      !target.ports.has(one.name) &&
      !isAlwaysKnown(one.name) &&
      one.name !== target.facts.traits.contentPort &&
      // Styles and scripts of a page may look for anything that is written on an element.
      (!one.plain || meant(site, target, one) !== undefined),
  );
}

/** An element has what all elements have, and hears what arrives at it. */
function isOfElement(project: Linked, site: Site, target: Component, { name }: AttributeFact): boolean {
  if (!name.startsWith('@'))
    return isOfEveryElement(name) || (target.facts.ofForms === true && isOfForms(name));
  const owner = project.components[site.owner]!;
  return (
    isPageEvent(name) ||
    project.madeEvents.has(bareName(name.slice(1))) ||
    project.rising.arriving(owner, site.node, name).length > 0
  );
}

/** What forms look for at an element that takes part in them. */
const isOfForms = (name: string): boolean => /^(name|form|disabled)$/.test(name);

/** In an element stands what is handed in, or what packages draw: any event may rise from there. */
function mayHoldOthers({ components }: Linked, { owner, node }: Site): boolean {
  const { facts, siteAt } = components[owner]!;
  const isInside = (at: number): boolean => at >= 0 && (at === node || isInside(facts.render[at]!.parent));
  return facts.render.some(
    ({ kind, parent }, index) =>
      (kind === 'outlet' || (kind === 'site' && !siteAt.has(index))) && isInside(parent),
  );
}

/**
 * The same where several may stand on a tag, which is an element of the page, too: a binding that none of them takes is
 * refused, an attribute is only text, unless it looks like something that the child takes.
 */
function takenByNobody(project: Linked, site: Site, target: Component): AttributeFact[] {
  const { markup } = project.components[site.owner]!;
  if (!isClosed(target)) return [];
  const beside = companions(project, site);
  // On an element of the page that has but directives, it is said of the first.
  const isAlone = beside.every((one) => project.components[one.target]!.facts.attached && site.id < one.id);
  if (target.facts.attached && !isAlone) return [];
  const takes = (one: Site, name: string): boolean => {
    const { ports } = project.components[one.target]!;
    return one.exposes ? one.exposes.includes(name) : ports.has(name);
  };
  const isWhole = beside.every((one) => one.exposes || isClosed(project.components[one.target]!));
  // What packages put on the tag may take any name; what looks like a declared one was meant as that.
  const mayBeTaken = markup?.open === true || !isWhole;
  return site.fact.attributes.filter((one) => {
    const { name, mode, plain } = one;
    if (!/^(value|listen|two-way)$/.test(mode) || isAlwaysKnown(name)) return false;
    if (target.ports.has(name) || beside.some((one) => takes(one, name))) return false;
    const bare = name.replace(/^[@#](?=.)/, '');
    if (name.startsWith('#')) return one.value.kind === 'content' && !target.facts.openSlots;
    if (markup?.taken.has(bare)) return false;
    // An element of the project has nothing that only some elements of the page have; as a text it does no harm there.
    const isOfPage = isOwnElement(target) && !plain ? isOfEveryElement(name) : isPageAttribute(name);
    if (mayBeTaken) return !isPageEvent(name) && !isOfPage && meant(site, target, one) !== undefined;
    if (name.startsWith('@') && target.facts.attached && mayHoldOthers(project, site))
      return !isPageEvent(name) && meant(site, target, one) !== undefined;
    if (name.startsWith('@')) return !isPageEvent(name) && !project.madeEvents.has(bareName(bare));
    if (isOfPage) return false;
    const mayBeOfTag = target.facts.attached && mayHave(site.fact, name);
    return (!plain && !mayBeOfTag) || meant(site, target, one) !== undefined;
  });
}

/** It stands on elements that bear its own name alone. */
const isOwnElement = ({ facts }: Component): boolean =>
  facts.selectors?.every(({ tag }) => tag !== undefined && !isPageTag(tag)) === true;

/** The same where undeclared names land on an element or a component further down. */
function fallenAttributes(project: Linked, site: Site, target: Component): AttributeFact[] {
  const { facts } = target;
  return site.fact.attributes.filter((one) => {
    if (!/^(value|listen|two-way)$/.test(one.mode) || target.ports.has(one.name)) return false;
    if (one.name.startsWith('#')) return !facts.openSlots && !facts.wrapped;
    if (isAlwaysKnown(one.name) || takesBelow(project, target, one.name)) return false;
    // Looks reached the root whatever happened to the rest, in older versions.
    if (facts.dropsOthers && isClosed(target)) return !/^(is|slot|class|style)$/.test(one.name);
    if (one.name.startsWith('@'))
      return !isPageEvent(one.name) && !project.madeEvents.has(bareName(one.name.slice(1)));
    // Nobody writes back what no component knows.
    if (one.mode === 'two-way') return !target.ports.has(updateOf(target, one)) && !facts.openEmits;
    // An element takes any name; what looks like a declared one was meant as that.
    return !isPageAttribute(one.name) && meant(site, target, one) !== undefined;
  });
}

/** Where a name belongs: props, events and slots may have names of their own. */
const kindOf = (name: string): string => (/^[@#]/.test(name) ? name.charAt(0) : '');

/** The near name that the child takes and the call site does not pass, if there is one. */
function meant(site: Site, target: Component, attribute: AttributeFact): string | undefined {
  const free = [...target.ports.keys()].filter(
    (name) =>
      kindOf(name) === kindOf(attribute.name) && !site.fact.attributes.some((other) => other.name === name),
  );
  return nearest(attribute.name, free);
}

/** An element takes it all the same, and may do something with it. */
const isMild = ({ open, facts: { traits } }: Component, { plain }: AttributeFact): boolean =>
  (plain && traits.bySelectors === true) || (open && traits.attributesFallThrough);

export function unknownReport({ owner, target, site, attribute, channel }: UnknownName): Report {
  const near = meant(site, target, attribute);
  const place = attributePlace(site, attribute);
  const does = channel === 'event' ? 'listens for' : 'passes';
  const lacks = channel === 'event' ? 'neither declares nor raises it' : 'does not take it';
  return {
    component: target,
    port: { channel, name: attribute.name },
    site: site.id,
    nodes: [],
    ...(channel === 'prop' && isMild(target, attribute) ? { level: 'warning' as const } : {}),
    place,
    message: `${owner.name} ${does} "${attribute.name}", but ${target.name} ${lacks}.${near ? ` Did you mean "${near}"?` : ''}`,
    trail: [
      step(owner, place, attribute.name, channel === 'event' ? 'is listened for' : 'is passed', 'start'),
      near
        ? step(target, target.ports.get(near)!.place, near, 'is what it takes', 'wait')
        : step(
            target,
            namePlace(target),
            attribute.name,
            channel === 'event' ? 'is never raised' : 'is not taken',
            'drop',
          ),
    ],
    ...(near
      ? { suggestion: near, edit: { place, text: spelledAs(publicName(near), attribute.spelled) } }
      : {}),
  };
}

/** Whether some call site passes a near miss of the port, which is reported there. */
export function isMisspelled(project: Linked, sites: Site[], target: Component, name: string): boolean {
  return sites.some((site) =>
    unknownAttributes(project, site, target).some((one) => meant(site, target, one) === name),
  );
}
