import { publicName } from '../../model/names';
import { attributePlace, step, tagPlace, type Rule } from '../rule';

export const doubleContent: Rule = {
  name: 'slot/double-content',
  level: 'warning',
  summary: 'Content is given both as an attribute and nested: one of them is dropped.',
  check({ project, report }) {
    for (const site of project.written) {
      const target = project.components[site.target]!;
      const name = target.facts.traits.contentPort;
      const attribute = site.fact.attributes.find((one) => one.name === name && one.mode === 'value');
      if (!attribute || !site.fact.nested) continue;
      const owner = project.components[site.owner]!;
      const place = attributePlace(site, attribute);
      report({
        component: target,
        port: { channel: 'slot', name },
        site: site.id,
        nodes: [],
        place,
        message: `${owner.name} gives ${target.name} content twice, as "${publicName(name)}" and nested; one of the two is dropped.`,
        trail: [
          step(owner, place, name, 'is given as an attribute', 'drop'),
          step(owner, tagPlace(site), name, 'is nested, too', 'start'),
        ],
      });
    }
  },
};
