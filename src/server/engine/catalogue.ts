/** Every component with its figures. */
import type { CatalogueRow } from '../../api/component-schemas';
import type { AuditResult } from '../../core/audit';
import { useOf } from '../../core/link/4-ports/use-of-ports';
import { componentRef } from '../../core/model/refs';
import type { TextOf } from '../../core/report/places';
import { renderTree } from '../../core/trace/tree';
import { desk } from './joins';

export function catalogueView(result: AuditResult, textOf: TextOf): CatalogueRow[] {
  const { project } = result;
  const { places } = desk(result, textOf);
  const depths = new Map<number, number>();
  for (const row of renderTree(project).rows) {
    depths.set(row.component, Math.min(depths.get(row.component) ?? Infinity, row.depth));
  }
  const counts = countsByComponent(result);
  return project.components
    .filter((one) => one.facts.role === 'component')
    .map((component) => {
      const ports = [...component.ports.values()];
      const uses = ports.map((port) => useOf(component, port));
      const ref = componentRef(project, component);
      const { file, line } = places.spot({
        file: component.file,
        start: component.facts.nameStart,
        end: component.facts.nameEnd,
      });
      return {
        ref,
        name: component.name,
        file,
        line,
        language: project.files[component.file]!.facts.language,
        ports: ports.length,
        required: ports.filter((port) => port.required).length,
        callSites: component.calledAt.length,
        reads: uses.reduce((sum, use) => sum + use.reads.length + use.emits.length, 0),
        passes: uses.reduce((sum, use) => sum + use.passes.length, 0),
        state: component.facts.symbols.filter((symbol) => symbol.kind === 'state').length,
        depth: depths.get(component.id) ?? -1,
        counts: counts.get(ref) ?? { error: 0, warning: 0, note: 0, silenced: 0 },
      };
    });
}

/** Findings by the component that they are about. */
function countsByComponent(result: AuditResult): Map<string, CatalogueRow['counts']> {
  const counts = new Map<string, CatalogueRow['counts']>();
  for (const finding of result.findings) {
    let own = counts.get(finding.component);
    if (!own) counts.set(finding.component, (own = { error: 0, warning: 0, note: 0, silenced: 0 }));
    own[finding.silenced === undefined ? finding.level : 'silenced']++;
  }
  return counts;
}
