import { unknownNames, unknownReport } from '../prop/unknown';
import type { Rule } from '../rule';

export const slotUnknown: Rule = {
  name: 'slot/unknown',
  level: 'error',
  summary: 'Content is given for a slot name that the child lacks.',
  check({ project, report }) {
    for (const one of unknownNames(project)) if (one.channel === 'slot') report(unknownReport(one));
  },
};
