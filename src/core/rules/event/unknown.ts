import type { Linked } from '../../link';
import { bareName, nearest } from '../../model/names';
import { isPageEvent } from '../../model/page-names';
import { unknownNames, unknownReport } from '../prop/unknown';
import { attributeKey, placeOf, type Rule, step } from '../rule';

export const unknownEvent: Rule = {
  name: 'event/unknown',
  level: 'error',
  summary: 'A call site listens for an event that the child neither declares nor raises.',
  check({ project, report, claimed }) {
    for (const one of unknownNames(project)) {
      if (one.channel !== 'event' || claimed(attributeKey(one.site, one.attribute.name))) continue;
      report(unknownReport(one));
    }
    const raised = raisedIn(project);
    if (!raised) return;
    for (const component of project.components) {
      const { pkg } = project.files[component.file]!;
      // What a package offers, its users may raise events in.
      if (component.facts.role !== 'component' || (pkg && !pkg.private)) continue;
      for (const { event, on, start, end } of component.facts.hears ?? []) {
        if (raised.has(event) || isPageEvent(`@${event}`) || project.madeEvents.has(bareName(event)))
          continue;
        const place = placeOf(component.file, { start, end });
        const near = nearest(event, [...raised]);
        // The window and the document hear from others, too.
        if (on && near === undefined) continue;
        report({
          component,
          port: { channel: 'event', name: event },
          nodes: [],
          place,
          message: `${component.name} listens for "${event}", and nothing in the project raises it.${near !== undefined ? ` Did you mean "${near}"?` : ''}`,
          trail: [step(component, place, event, 'is listened for', 'wait')],
          ...(near ? { suggestion: near } : {}),
        });
      }
    }
  },
};

/** Names of the events of all components; undefined where elements of others are placed, which may raise any. */
function raisedIn(project: Linked): Set<string> | undefined {
  const hasOthers = project.components.some(({ facts, siteAt }) =>
    facts.render.some(
      ({ kind, tag }, index) =>
        tag?.name.includes('-') === true &&
        (kind === 'site' || facts.traits.isElement) &&
        !siteAt.get(index)?.length,
    ),
  );
  if (hasOthers) return undefined;
  return new Set(
    project.components.flatMap(({ ports }) =>
      [...ports.values()].flatMap(({ channel, name }) =>
        channel === 'event' ? [name.replace(/^@/, '')] : [],
      ),
    ),
  );
}
