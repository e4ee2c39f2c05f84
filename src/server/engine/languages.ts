import type { AuditResult } from '../../core/audit';

/** Components by language. */
export function languagesOf({ project }: AuditResult): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const component of project.components) {
    if (component.facts.role !== 'component') continue;
    const { language } = project.files[component.file]!.facts;
    counts[language] = (counts[language] ?? 0) + 1;
  }
  return counts;
}
