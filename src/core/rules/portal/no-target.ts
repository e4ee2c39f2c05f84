import { nearest } from '../../model/names';
import { placeOf, step, type Rule } from '../rule';

export const noTarget: Rule = {
  name: 'portal/no-target',
  level: 'error',
  summary: 'The target of a portal is a constant id, and nothing in the project makes it.',
  check({ project, report }) {
    const pages = project.files.filter((file) => file.facts.page && !file.aside);
    // Without its page, the place may well be there.
    if (!pages.length) return;
    const ids = new Set(project.files.flatMap((file) => file.facts.ids));
    for (const component of project.components) {
      const file = project.files[component.file]!;
      if (file.aside || !pages.some((page) => page.pkg === file.pkg)) continue;
      for (const portal of component.facts.portals ?? []) {
        if (ids.has(portal.id)) continue;
        const near = nearest(portal.id, ids);
        const place = placeOf(component.file, portal);
        report({
          component,
          port: { channel: 'portal', name: portal.id },
          place,
          message: `${component.name} moves content to "#${portal.id}", and nothing in the project makes it.${near ? ` There is "#${near}"; is it meant?` : ''}`,
          trail: [step(component, place, portal.id, 'is the target, and is nowhere', 'drop')],
          ...(near ? { suggestion: near } : {}),
        });
      }
    }
  },
};
