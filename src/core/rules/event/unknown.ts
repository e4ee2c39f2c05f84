import { isEventAttribute, unknownAttributes, unknownReport } from '../prop/unknown';
import { attributeKey, type Rule } from '../rule';

export const unknownEvent: Rule = {
  name: 'event/unknown',
  level: 'error',
  summary: 'A call site listens for an event that the child neither declares nor raises.',
  check({ project, report, claimed }) {
    for (const site of project.sites) {
      const owner = project.components[site.owner]!;
      const target = project.components[site.target]!;
      for (const attribute of unknownAttributes(site, target)) {
        if (!isEventAttribute(target, attribute) || claimed(attributeKey(site, attribute.name))) continue;
        report(unknownReport(owner, target, site, attribute, 'event'));
      }
    }
  },
};
