/** Components of which a part is written in a file that is not read as theirs. */
import type { Component, ProjectFile } from '../model/project';
import { nearestOf } from '../model/paths';

export function openParts(components: Component[], files: ProjectFile[]): void {
  const named = new Map<string, Component[]>();
  for (const one of components)
    if (one.facts.role === 'component' && files[one.file]!.facts.ambient)
      named.set(one.name, [...(named.get(one.name) ?? []), one]);
  for (const { path, facts } of files)
    for (const name of facts.opens ?? []) {
      const found = nearestOf(named.get(name) ?? [], (one) => files[one.file]!.path, path);
      if (found) found.openBase = true;
    }
}
