/** How what a call site hands over meets what the component asks for. */
import { isPageAttribute } from '../../core/model/page-names';
import type { Cell, Join, PortView } from '../../api/component-schemas';
import type { AuditResult } from '../../core/audit';
import { declarationOf } from '../../core/model/declaration';
import type { AttributeFact, Channel } from '../../core/model/facts';
import type { Finding } from '../../core/model/finding';
import { groupBy } from '../../core/model/group-by';
import { isAlwaysKnown, publicName } from '../../core/model/names';
import { oncePer } from '../../core/model/once-per';
import type { Component, Place, Port, Site } from '../../core/model/project';
import { componentRef, portRef } from '../../core/model/refs';
import { placesOf, type Places, type TextOf } from '../../core/report/places';
import { showType } from '../../core/types/show';
import type { Linked } from '../../core/link';
import { emissionsOf } from '../../core/link/4-ports/emission';
import { isUsed, useOf } from '../../core/link/4-ports/use-of-ports';

export interface Desk {
  result: AuditResult;
  textOf: TextOf;
  places: Places;
  /** Text of a place on one line, cut where it is long. */
  text(place: Place, most?: number): string;
}

export function desk(result: AuditResult, textOf: TextOf): Desk {
  const places = placesOf(result.project, textOf);
  return {
    result,
    textOf,
    places,
    text(place, most = 80) {
      const text = places.text(place).replace(/\s+/g, ' ').trim();
      return text.length > most ? `${text.slice(0, most - 1)}…` : text;
    },
  };
}

/** A port with what the component does with it. */
export function portView({ result, places, text }: Desk, component: Component, port: Port): PortView {
  const { project } = result;
  const use = useOf(component, port);
  const at = (span: { start: number; end: number }): Place => ({ file: component.file, ...pick(span) });
  const found: Place[] = [
    ...use.emits.map(at),
    ...use.reads.map(at),
    ...use.passes.map((pass) => at(component.facts.render[pass.node]!.attributes[pass.attribute]!)),
    ...component.facts.render
      .filter((node) => node.kind === 'outlet' && node.outlet === port.name)
      .map((node) => at(node)),
  ];
  const seen = new Map(found.map((place) => [place.start, places.spot(place)]));
  return {
    ref: portRef(project, component, port.channel, port.name),
    name: port.name,
    channel: port.channel,
    type: showType(port.type?.type),
    required: port.required,
    ...defaultOf(port, text),
    spot: places.spot(declarationOf(port)),
    does: deedsOf(project, component, port),
    places: [...seen.values()],
  };
}

/** A default as it is written, or as the language sets it; nothing where it is only known that there is one. */
function defaultOf({ default: value }: Port, text: Desk['text']): { default?: string } {
  if (!value) return {};
  if (value.end > value.start) return { default: text({ file: value.file, ...pick(value) }) };
  return value.kind === 'literal' ? { default: showType(value.type) } : {};
}

const pick = ({ start, end }: { start: number; end: number }) => ({ start, end });

/** What may be done where props are taken whole. */
const MAY: Record<Port['channel'], string> = {
  prop: 'may read it',
  event: 'may raise it',
  slot: 'may place it',
};

/** What a component does with a port, in a few words. */
export function deedsOf(project: Linked, component: Component, port: Port): string {
  const use = useOf(component, port);
  const isSlot = port.channel === 'slot';
  const deeds = [
    use.emits.length && !(isSlot && use.placed) ? (isSlot ? 'calls it' : 'raises it') : '',
    use.reads.length ? `reads it${use.reads.length > 1 ? ` ${use.reads.length} times` : ''}` : '',
    use.placed && (isSlot || !use.reads.length) ? 'places it' : '',
    use.passes.length ? 'passes it on' : '',
    use.spread ? 'spreads it on' : '',
    use.written ? 'writes to it' : '',
  ].filter(Boolean);
  if (deeds.length) return deeds.join(', ');
  const far = farDeed(project, port);
  if (far) return far;
  return component.facts.openProps ? MAY[port.channel] : 'does nothing with it';
}

/** So many values are named that a port goes into. */
const FEW = 2;

/** What becomes of a port in code that the component does not write itself: helpers that it calls, bases, mixins. */
function farDeed(project: Linked, port: Port): string {
  const { flow } = project;
  if (port.node < 0) return '';
  if (port.channel === 'event') return emissionsOf(project).isRaised(port) ? 'raises it' : '';
  const targets = flow.out[port.node]!.map((index) => flow.nodes[flow.edges[index]!.to]!).filter(
    ({ id }) => id !== port.node,
  );
  const own = new Set(targets.flatMap((one) => (one.component === port.component ? one.name : [])));
  if (!own.size) return targets.length ? 'passes it on' : '';
  const names = [...own].slice(0, FEW).join(', ');
  return `goes into ${names}${own.size > FEW ? ` and ${own.size - FEW} more` : ''}`;
}

/** The cell of one call site and one port; undefined where nothing is handed over and nothing is asked. */
export function joinOf(desk: Desk, site: Site, port: Port): Omit<Cell, 'odd'> {
  const { result } = desk;
  const { project } = result;
  const child = project.components[site.target]!;
  const handed = project.handed(site);
  const attribute = handed.attributes.get(port.name);
  const nested = port.name === child.facts.traits.contentPort && site.fact.nested === true;
  const about = among(result, bySite(result.findings).get(site.id) ?? [], child, port.name);
  const says = (rule: string) => about.some((one) => one.rule === rule);
  if (attribute) {
    const clash = says('prop/type-clash') || says('event/payload-clash');
    const ignored = !isUsed(useOf(child, port)) && !child.facts.openProps && !child.facts.wrapped;
    return {
      text: shown(desk, site, attribute),
      type: showType(attribute.value.type),
      how: clash ? 'clash' : ignored ? 'ignored' : 'joined',
    };
  }
  if (nested) return { text: 'nested', type: 'content', how: says('slot/no-outlet') ? 'ignored' : 'joined' };
  if (handed.spread.has(port.name)) return { text: '…', type: '', how: 'spread' };
  if (handed.unknown) return { text: '?', type: '', how: 'unknown' };
  return { text: '', type: '', how: absent(port) };
}

const bySite = oncePer((findings: Finding[]) => groupBy(findings, ({ site }) => site));

/** What was found about a name of a child, at one call site or wherever it is rendered. */
export function findingsAbout({ result }: Desk, site: Site, child: Component, name: string): Finding[] {
  const found = bySite(result.findings);
  return among(
    result,
    [site.id, -1].flatMap((at) => found.get(at) ?? []),
    child,
    name,
  );
}

function among({ project }: AuditResult, findings: Finding[], child: Component, name: string): Finding[] {
  if (!findings.length) return findings;
  const own = componentRef(project, child);
  const subjects = new Set(channelsOf(child, name).map((one) => `${own}:${one}:${publicName(name)}`));
  return findings.filter(({ subject }) => subjects.has(subject));
}

/** What a name may be told of as: an event and a prop may share the public one. */
function channelsOf({ ports }: Component, name: string): Channel[] {
  if (name.startsWith('@')) return ['event'];
  if (name.startsWith('#')) return ['slot'];
  // A name that is not taken may be told of in another channel than it looks.
  return ports.has(`@${name}`) || ports.has(`#${name}`) ? ['prop'] : ['prop', 'event', 'slot'];
}

function absent(port: Port): Join {
  if (port.required) return 'missing';
  if (port.default) return 'default';
  return port.channel === 'event' ? 'unheard' : 'left out';
}

/** What an attribute hands over, as it is written. */
export function shown({ result, text }: Desk, site: Site, attribute: AttributeFact): string {
  const { value, mode } = attribute;
  const isBare = value.start === attribute.start && value.end === attribute.end;
  // `ref="lamp"` names what is kept there.
  if (isBare && mode === 'ref' && value.symbol !== undefined)
    return result.project.components[site.owner]!.facts.symbols[value.symbol]!.name;
  // A name alone stands for true.
  if (isBare) return 'true';
  return text({ file: site.file, start: value.start, end: value.end });
}

/** Names that a call site writes and the child does not take. */
export function straysOf(site: Site, child: Component): AttributeFact[] {
  const { contentPort, isElement } = child.facts.traits;
  // What stands on any element is the page's.
  const isPages = (name: string) => isElement === true && (isPageAttribute(name) || isAlwaysKnown(name));
  return site.fact.attributes.filter(
    (one) =>
      /^(value|listen|two-way)$/.test(one.mode) &&
      !child.ports.has(one.name) &&
      one.name !== contentPort &&
      !isPages(one.name),
  );
}

/** Whether such a name is certain to reach nobody, or may be taken in a way that is not seen. */
export const strayAt = (desk: Desk, site: Site, child: Component, name: string): 'not taken' | 'unknown' =>
  (!child.open && !child.unresolved && !child.facts.wrapped) ||
  findingsAbout(desk, site, child, name).length > 0
    ? 'not taken'
    : 'unknown';

/** The condition that a call site stands under, as it must be for it to show. */
export function conditionOf({ text }: Desk, site: Site): string | undefined {
  const { when, arms } = site.fact;
  if (!when) return undefined;
  const written = text({ file: site.file, ...when }, 60);
  // The arm says whether the bare condition holds; what is written may be its opposite.
  const isOpposite = written.startsWith('!');
  const arm = arms?.at(-1) ?? '';
  const key = arm.slice(0, -2);
  if (key !== (isOpposite ? written.slice(1) : written) && !key.startsWith('@')) return written;
  const holds = arm.endsWith('#1');
  if (holds !== isOpposite) return written;
  return isOpposite ? written.slice(1) : /^[\w.]+$/.test(written) ? `not ${written}` : `not (${written})`;
}
