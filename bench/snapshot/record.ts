/** What an audit says of a folder, as lines of text that do not depend on how the engine numbers things. */
import { hashText } from '../../src/core/model/hash';
import { componentRef, nodeRef } from '../../src/core/model/refs';
import { placesOf } from '../../src/core/report/places';
import { plain } from '../../src/core/report/plain';
import { traceReport } from '../../src/core/report/trace';
import { auditFolder } from '../../src/server/engine/audit-folder';

/** So many strands of each folder are in its record, and so many hops of each. */
const STRANDS = 60;
const HOPS = 80;

export const PARTS = ['findings', 'tree', 'strands'] as const;
export type Part = (typeof PARTS)[number];
export type Record = { [P in Part]: string[] };

export async function recordOf(folder: string): Promise<Record> {
  const { audit, textOf } = await auditFolder(folder);
  const { project, findings } = audit.result;
  const places = placesOf(project, textOf);
  const at = (place: Parameters<typeof places.spot>[0]): string => {
    const { file, line, column } = places.spot(place);
    return `${file}:${line}:${column}`;
  };
  return {
    findings: findings
      .map((one) => plain(`${at(one.place)} ${one.level} ${one.rule} ${one.subject}: ${one.message}`))
      .sort(),
    tree: project.sites
      .map(({ owner, target, fact }) => {
        const [from, to] = [owner, target].map((id) => project.components[id]!);
        const { file } = from!;
        const place = at({ file, start: fact.start, end: fact.end });
        return `${componentRef(project, from!)} renders ${componentRef(project, to!)} at ${place}`;
      })
      .sort(),
    strands: sample(project.flow.nodes.filter((one) => one.port).map((node) => nodeRef(project, node)))
      .flatMap((ref) => {
        const trace = audit.trace(ref);
        if ('similar' in trace) return [`${ref} is not found`];
        const { edges, origins, ends } = traceReport(project, trace, places);
        const hops = edges
          .map((one) => `${ref} | ${one.from} ${one.how} ${one.to} at ${one.file}:${one.line}`)
          .sort();
        const all = hashText(hops.join('\n'));
        return [
          `${ref} | ${edges.length} hops ${all}, from ${origins.length}, to ${ends.length}`,
          ...hops.slice(0, HOPS),
        ];
      })
      .map(plain),
  };
}

/** References picked by their text, so that the same are picked whatever else is there. */
const sample = (refs: string[]): string[] =>
  [...new Set(refs)]
    .map((ref) => ({ ref, order: hashText(ref) }))
    .sort((a, b) => (a.order < b.order ? -1 : 1))
    .slice(0, STRANDS)
    .map((one) => one.ref);
