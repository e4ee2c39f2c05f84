/** Components that are known by their names where nothing is imported. */
import { groupBy } from '../../model/group-by';
import type { Component, ProjectFile } from '../../model/project';
import type { Spaces } from '../1-files/spaces';

export interface InSight {
  /** The one that a name means in a file; undefined where two are as near. */
  one(file: number, name: string): Component | undefined;
  /** All that bear a name. */
  all(name: string): Component[];
}

export function inSight(components: Component[], files: ProjectFile[], spaces: Spaces): InSight {
  const isKnown = ({ facts, file }: Component): boolean =>
    files[file]!.facts.ambient === true && (facts.role === 'component' || facts.heirOf !== undefined);
  const named = groupBy(components.filter(isKnown), ({ name }) => name);
  const all = (name: string): Component[] => named.get(name) ?? [];
  return { all, one: (file, name) => spaces.pick(all(name), (one) => one.file, file) };
}
