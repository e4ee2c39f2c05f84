/** Where a path is broken: what is raised below, and what waits for it above. The two are one strand. */
import type { Finding } from '../model/finding';
import { oncePer } from '../model/once-per';
import type { Place } from '../model/project';

export interface Break {
  /** The last node that the event reaches, and the first of those that wait. */
  below: number;
  above: number;
  /** Where it is dropped. */
  place: Place;
}

/** The broken paths among what was found, be it silenced or not. */
export const breaksOf = oncePer((findings: Finding[]): Break[] =>
  findings.flatMap(({ rule, nodes: [above, below], place, trail }) =>
    rule === 'event/broken-path' && above !== undefined && below !== undefined
      ? [{ below, above, place: trail.find((step) => step.role === 'drop')?.place ?? place }]
      : [],
  ),
);
