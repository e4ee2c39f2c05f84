/** Components of which a part is written in a file that is not read as theirs. */
import type { ProjectFile } from '../../model/project';
import type { InSight } from './in-sight';

export function openParts(files: ProjectFile[], sight: InSight): void {
  for (const { index, facts } of files)
    for (const name of facts.opens ?? []) {
      const found = sight.one(index, name);
      if (found) found.openBase = true;
    }
}
