/** Findings that a comment in the source silences, with its reason. They are kept and counted. */
import type { Linked } from '../link';
import type { Finding } from '../model/finding';
import { groupBy } from '../model/group-by';
import type { Component } from '../model/project';

/** Marks the findings that a comment above their line, or above the tag that holds them, names. */
export function silence(project: Linked, findings: Finding[]): void {
  const inFile = groupBy(project.components, (one) => one.file);
  for (const finding of findings) {
    const file = project.files[finding.place.file]!;
    for (const mark of file.facts.silences) {
      if (!mark.rules.includes(finding.rule) || mark.end > finding.place.start) continue;
      if (covers(inFile.get(file.index) ?? [], finding, mark.before, mark.line)) {
        finding.silenced = mark.reason;
        break;
      }
    }
  }
}

/** The next line of code, or the tag that starts there, holds the place. */
function covers(components: Component[], finding: Finding, before: number, lineEnd: number): boolean {
  const { start } = finding.place;
  if (start >= before && start <= lineEnd) return true;
  return components.some(({ facts }) =>
    facts.render.some((node) => {
      if (node.start !== before || node.tag === undefined) return false;
      const opening = Math.max(node.tag.end, ...node.attributes.map((one) => one.end));
      return start >= node.start && start <= opening;
    }),
  );
}
