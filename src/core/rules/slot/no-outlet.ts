import type { Component } from '../../model/project';
import { isChosen } from '../../link/3-tags/sites';
import { step, tagPlace, type Rule } from '../rule';
import { isClosed, isUsed, useOf } from '../../link/4-ports/use-of-ports';

export const noOutlet: Rule = {
  name: 'slot/no-outlet',
  level: 'error',
  summary: 'Content is nested in a component that places no default content.',
  check({ project, report }) {
    for (const site of project.written) {
      if (!site.fact.nested || isChosen(project, site)) continue;
      const owner = project.components[site.owner]!;
      const target = project.components[site.target]!;
      const name = target.facts.traits.contentPort;
      if (
        target.facts.openSlots ||
        target.facts.wrapped ||
        target.facts.openProps ||
        target.facts.attached ||
        project.elementReads.has(name)
      )
        continue;
      const port = target.ports.get(name);
      if (port ? isUsed(useOf(target, port)) : !placesNothing(target)) continue;
      const place = tagPlace(site);
      report({
        component: target,
        port: { channel: 'slot', name },
        site: site.id,
        nodes: [],
        place,
        message: `${owner.name} nests content in ${target.name}, which places none; it is never shown.`,
        trail: [
          step(owner, place, name, `is nested in ${target.name}`, 'start'),
          step(
            target,
            port?.place ?? { file: target.file, start: target.facts.nameStart, end: target.facts.nameEnd },
            name,
            'is not placed',
            'drop',
          ),
        ],
      });
    }
  },
};

/** Where attributes fall through, what is nested does not. */
const placesNothing = (target: Component): boolean =>
  target.facts.traits.attributesFallThrough || isClosed(target);
