import { unknownNames, unknownReport } from '../prop/unknown';
import { attributeKey, type Rule } from '../rule';

export const unknownEvent: Rule = {
  name: 'event/unknown',
  level: 'error',
  summary: 'A call site listens for an event that the child neither declares nor raises.',
  check({ project, report, claimed }) {
    for (const one of unknownNames(project)) {
      if (one.channel !== 'event' || claimed(attributeKey(one.site, one.attribute.name))) continue;
      report(unknownReport(one));
    }
  },
};
