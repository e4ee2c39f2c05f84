/** What the screens show, made from a linked project. */
import type { Hit, RiggingView, Spot, StrandView } from '../../api/schemas';
import type { AuditResult } from '../../core/audit';
import type { Place } from '../../core/model/project';
import { componentRef, nodeRef } from '../../core/model/refs';
import { placesOf, type Places, type TextOf } from '../../core/report/places';
import { conditionOf, desk } from './joins';
import { rigging } from '../../core/trace/rigging';
import { findNodes, similarRefs, traceNodes } from '../../core/trace/trace';

/** Lanes beyond this are left out; the shortest go first. */
const MAX_LANES = 200;

export function riggingView(result: AuditResult, textOf: TextOf, pins: string[]): RiggingView {
  const { project } = result;
  const table = desk(result, textOf);
  const { places } = table;
  const drawn = rigging(project, result.findings, pins);
  return {
    complete: drawn.complete,
    strands: drawn.lanes.length,
    lanes: drawn.lanes
      .slice(0, MAX_LANES)
      .map(({ level, ...lane }) => ({ ...lane, ...(level ? { level } : {}) })),
    rows: drawn.rows.map((row) => {
      const component = project.components[row.component]!;
      const site = row.site >= 0 ? project.sites[row.site]! : undefined;
      const own = places.spot({
        file: component.file,
        start: component.facts.nameStart,
        end: component.facts.nameEnd,
      });
      const when = site && conditionOf(table, site);
      const at = site && places.spot({ file: site.file, start: site.fact.start, end: site.fact.start });
      return {
        name: component.name,
        ref: componentRef(project, component),
        at: site ? component.calledAt.indexOf(site.id) : -1,
        depth: row.depth,
        parent: row.parent,
        span: row.span,
        ...(when ? { when } : {}),
        ...(row.each ? { each: textAt(places, row.each) } : {}),
        ...(row.again ? { again: row.again } : {}),
        file: own.file,
        line: own.line,
        ...(at ? { site: { file: at.file, line: at.line } } : {}),
      };
    }),
  };
}

/** The text of a place on one line, cut where it is long. */
function textAt(places: Places, place: Place): string {
  const text = places.text(place).replace(/\s+/g, ' ');
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}

/** The strand of a port reference, or the references that look like it. */
export function strandView(
  result: AuditResult,
  textOf: TextOf,
  ref: string,
): StrandView | { similar: string[] } {
  const { project } = result;
  const nodes = findNodes(project, ref);
  if (!nodes.length) return { similar: similarRefs(project, ref) };
  const trace = traceNodes(project, nodes);
  const places = placesOf(project, textOf);
  return {
    of: trace.of,
    origins: trace.origins,
    ends: trace.ends,
    cut: trace.cut,
    hops: trace.hops.map((hop) => ({
      ref: hop.ref,
      component: hop.component,
      name: hop.name,
      type: hop.type,
      role: hop.role,
      channel: hop.channel,
      place: places.spot(hop.place),
      reads: distinct(places, hop.reads),
    })),
    routes: trace.routes.map(({ from, to, how, place }) => ({ from, to, how, place: places.spot(place) })),
  };
}

function distinct(places: Places, list: Place[]): Spot[] {
  const seen = new Map(list.map((place) => [`${place.file}:${place.start}`, places.spot(place)]));
  return [...seen.values()];
}

/** Components, ports, findings and files whose names hold all words of a query; those that begin with it come first. */
export function search(result: AuditResult, query: string, most = 40): Hit[] {
  const words = query
    .toLowerCase()
    .split(/[\s:]+/)
    .filter(Boolean);
  if (!words.length) return [];
  const { project } = result;
  const found: { hit: Hit; rank: number }[] = [];
  const offer = (title: string, text: string, weight: number, hit: Omit<Hit, 'title'>) => {
    const low = text.toLowerCase();
    if (!words.every((word) => low.includes(word))) return;
    const name = title.toLowerCase();
    const [first] = words;
    const rank = name === first ? 0 : name.startsWith(first!) ? 1 : name.includes(first!) ? 2 : 3;
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
  for (const finding of result.findings) {
    offer(finding.message, `${finding.rule} ${finding.subject} ${finding.message}`, 3, {
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
