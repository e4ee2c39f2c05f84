/** What the screens show, made from a linked project. */
import type { Hit, Spot, StrandAsk, StrandView } from '../../api/schemas';
import type { AuditResult } from '../../core/audit';
import type { Component, Place, Project } from '../../core/model/project';
import { componentRef, nodeRef } from '../../core/model/refs';
import { type Places, placesOf, type TextOf } from '../../core/report/places';
import { SILENCES, silencesAlong } from '../../core/report/silences';
import { RULES } from '../../core/rules';
import { breaksOf } from '../../core/trace/breaks';
import { nodesAt, type Unfound } from '../../core/trace/references';
import { wordsOf } from '../../core/trace/rigging';
import { goingOn, partFor, partsOf, within } from '../../core/trace/parts';
import { type Hop, traceNodes } from '../../core/trace/trace';
import { writtenFor } from '../../core/trace/written';
import type { Linked } from '../../core/link';

/** The strand of a port reference, or the references that it may mean. */
export function strandView(
  result: AuditResult,
  textOf: TextOf,
  { ref, reach, hop }: StrandAsk,
): StrandView | Unfound {
  const { project } = result;
  const nodes = nodesAt(project, ref);
  if ('similar' in nodes) return nodes;
  const trace = traceNodes(project, nodes, breaksOf(result.findings));
  const places = placesOf(project, textOf);
  const parts = partsOf(trace);
  const part = partFor(trace, parts, { reach, hop });
  const { hops, routes } = within(trace, part.reach);
  const further = goingOn(trace, hops);
  return {
    of: trace.of,
    origins: part.origins,
    ends: part.ends,
    reach: part.reach,
    parts: parts.map((one) => ({ reach: one.reach, hops: one.hops })),
    cut: trace.cut,
    silences: silencesAlong(hops.flatMap((hop) => hop.nodes.map((node) => componentOf(project, node)))).map(
      ({ silence, components }) => ({
        why: SILENCES[silence].why,
        components: components.map((one) => ({ ref: componentRef(project, one), name: one.name })),
      }),
    ),
    hops: hops.map((hop) => ({
      ref: hop.ref,
      component: hop.component,
      name: hop.name,
      type: hop.type,
      role: hop.role,
      channel: hop.channel,
      place: places.spot(hop.place),
      reads: distinct(places, hop.reads),
      ...writtenAt(project, hop, places),
      more: further.has(hop.ref),
    })),
    routes: routes.map(({ place, from, to, how, carries, inPlace }) => ({
      from,
      to,
      how,
      carries,
      ...(inPlace ? { inPlace } : {}),
      place: places.spot(place),
    })),
  };
}

const componentOf = ({ flow, components }: Project, node: number): Component =>
  components[flow.nodes[node]!.component]!;

/** So many values that call sites write down are shown with a hop. */
const MOST_WRITTEN = 6;

function writtenAt(
  project: Linked,
  { nodes }: Hop,
  places: Places,
): Pick<StrandView['hops'][number], 'written' | 'moreWritten'> {
  const found = writtenFor(project, nodes);
  return {
    written: found.slice(0, MOST_WRITTEN).map(({ component, place, at }) => ({
      text: places.text(place),
      at,
      component: componentRef(project, component),
      place: places.spot(place),
    })),
    moreWritten: Math.max(0, found.length - MOST_WRITTEN),
  };
}

function distinct(places: Places, list: Place[]): Spot[] {
  const seen = new Map(list.map((place) => [`${place.file}:${place.start}`, places.spot(place)]));
  return [...seen.values()];
}

/** A sentence holds many words: it comes after whatever bears them as its name. */
const SENTENCE = 100;

/** Components, ports, files, rules and findings that hold all words of a query; what is called so comes first. */
export function search(result: AuditResult, query: string, most = 40): Hit[] {
  const words = wordsOf(query);
  if (!words.length) return [];
  const { project } = result;
  const found: { hit: Hit; rank: number }[] = [];
  const offer = (title: string, text: string, weight: number, hit: Omit<Hit, 'title'>) => {
    const low = text.toLowerCase();
    if (!words.every((word) => low.includes(word))) return;
    const name = title.toLowerCase();
    const ways = [
      words.length === 1 && name === words[0],
      words.every((word) => name.includes(word)) && words.some((word) => name.startsWith(word)),
      words.every((word) => name.includes(word)),
      words.includes(name),
      words.some((word) => name.startsWith(word)),
      words.some((word) => name.includes(word)),
      true,
    ];
    const rank = ways.indexOf(true);
    found.push({ hit: { title, ...hit }, rank: rank * 10 + weight });
  };
  for (const component of project.components) {
    if (component.facts.role === 'module') continue;
    const { path } = project.files[component.file]!;
    offer(component.name, component.name, 0, {
      kind: 'component',
      ref: componentRef(project, component),
      detail: path,
    });
  }
  for (const node of project.flow.nodes) {
    const component = project.components[node.component]!;
    if (component.facts.role === 'module' && node.channel !== 'state') continue;
    offer(node.name, `${component.name} ${node.channel} ${node.name}`, 1, {
      kind: 'port',
      ref: nodeRef(project, node),
      detail: `${node.channel} of ${component.name}`,
    });
  }
  for (const file of project.files) {
    offer(file.path.split('/').at(-1)!, file.path, 2, { kind: 'file', ref: file.path, detail: file.path });
  }
  for (const rule of RULES)
    offer(rule.name, `rule ${rule.name} ${rule.summary}`, 2, {
      kind: 'rule',
      ref: rule.name,
      detail: rule.summary,
    });
  for (const finding of result.findings) {
    offer(finding.message, `${finding.rule} ${finding.subject} ${finding.message}`, SENTENCE, {
      kind: 'finding',
      ref: finding.fingerprint,
      detail: finding.rule,
    });
  }
  const unique = new Map(
    found.sort((a, b) => a.rank - b.rank).map(({ hit }) => [`${hit.kind}:${hit.ref}`, hit]),
  );
  return [...unique.values()].slice(0, most);
}
