import { isEventAttribute, unknownAttributes, unknownReport } from '../prop/unknown';
import { attributeKey, type Rule } from '../rule';

export const slotUnknown: Rule = {
  name: 'slot/unknown',
  level: 'error',
  summary: 'Content is given for a slot name that the child lacks.',
  check({ project, report, claim }) {
    for (const site of project.sites) {
      const target = project.components[site.target]!;
      for (const attribute of unknownAttributes(site, target)) {
        if (attribute.value.kind !== 'content' || isEventAttribute(target, attribute)) continue;
        claim(attributeKey(site, attribute.name));
        report(unknownReport(project.components[site.owner]!, target, site, attribute, 'slot'));
      }
    }
  },
};
