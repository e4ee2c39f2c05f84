import { isChosen } from '../../link/3-tags/sites';
import { attributePlace, namePlace, step, type Rule } from '../rule';

export const notForwarded: Rule = {
  name: 'ref/not-forwarded',
  level: 'error',
  summary: 'A ref is put on a component that takes none.',
  check({ project, report }) {
    for (const site of project.written) {
      const attribute = site.fact.attributes.find((one) => one.mode === 'ref');
      const target = project.components[site.target]!;
      if (!attribute || isChosen(project, site)) continue;
      if (target.facts.traits.refExposes !== 'nothing' || target.facts.wrapped) continue;
      const { version } = project.files[site.file]!;
      const { refIsPropFrom } = target.facts.traits;
      // Where a ref became a prop like others, the version decides.
      if (refIsPropFrom !== undefined && !version?.only) continue;
      const isProp = refIsPropFrom !== undefined && version!.least >= refIsPropFrom;
      if (isProp && (target.ports.has('ref') || target.open || target.unresolved)) continue;
      const owner = project.components[site.owner]!;
      const place = attributePlace(site, attribute);
      report({
        component: target,
        port: { channel: 'ref', name: 'ref' },
        site: site.id,
        place,
        message: `${owner.name} puts a ref on ${target.name}, which takes none; it stays empty.`,
        trail: [
          step(owner, place, 'ref', 'is put on the tag', 'start'),
          step(target, namePlace(target), 'ref', 'is not taken', 'drop'),
        ],
      });
    }
  },
};
