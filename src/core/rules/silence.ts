/** Findings that a comment in the source silences, with its reason. They are kept and counted. */
import type { Linked } from '../link';
import type { Finding } from '../model/finding';
import { groupBy } from '../model/group-by';
import type { Component, ProjectFile } from '../model/project';

/** What a comment covers: the next line of code, and the tag that starts there up to the end of its attributes. */
interface Covered {
  reason: string;
  start: number;
  end: number;
  /** The furthest end of this one and all before it. */
  furthest: number;
}

/** Marks the findings that a comment above their line, or above the tag that holds them, names. */
export function silence(project: Linked, findings: Finding[]): void {
  if (!project.files.some((file) => file.facts.silences.length)) return;
  const inFile = groupBy(project.components, (one) => one.file);
  const known = new Map<number, Map<string, Covered[]>>();
  for (const finding of findings) {
    const file = project.files[finding.place.file]!;
    if (!file.facts.silences.length) continue;
    let byRule = known.get(file.index);
    if (!byRule) known.set(file.index, (byRule = coveredIn(file, inFile.get(file.index) ?? [])));
    const one = covering(byRule.get(finding.rule) ?? [], finding.place.start);
    if (one) finding.silenced = one.reason;
  }
}

/** What the comments of a file cover, by rule and in the order of the file. */
function coveredIn({ facts }: ProjectFile, components: Component[]): Map<string, Covered[]> {
  const openings = new Map<number, number>();
  for (const { facts: own } of components)
    for (const { start, tag, attributes } of own.render) {
      if (tag === undefined) continue;
      const end = attributes.reduce((most, one) => Math.max(most, one.end), tag.end);
      openings.set(start, Math.max(end, openings.get(start) ?? 0));
    }
  const found = new Map<string, Covered[]>();
  for (const { rules, reason, before, line } of [...facts.silences].sort((a, b) => a.before - b.before))
    for (const rule of rules) {
      const list = found.get(rule) ?? [];
      found.set(rule, list);
      const end = Math.max(line, openings.get(before) ?? 0);
      list.push({ reason, start: before, end, furthest: Math.max(end, list.at(-1)?.furthest ?? 0) });
    }
  return found;
}

/** The last of some covered places, in order, that holds a position. */
function covering(list: Covered[], position: number): Covered | undefined {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (list[middle]!.start <= position) low = middle + 1;
    else high = middle;
  }
  for (let at = low - 1; at >= 0 && list[at]!.furthest >= position; at--)
    if (list[at]!.end >= position) return list[at];
  return undefined;
}
