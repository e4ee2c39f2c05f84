import { namePlace, step, type Rule } from '../rule';

export const unused: Rule = {
  name: 'component/unused',
  level: 'note',
  summary: 'Nothing renders, routes, mounts or exports the component.',
  check({ project, report }) {
    for (const component of project.components) {
      if (component.facts.role !== 'component') continue;
      const self = component.calledAt.every((id) => project.sites[id]!.owner === component.id);
      if (component.used && !(self && component.calledAt.length > 0 && !component.unknownSites)) continue;
      // Without a root in sight, others may render what a file exports.
      if (!project.hasRoots && project.files[component.file]!.facts.exports.length > 0) continue;
      report({
        component,
        port: { channel: 'local', name: component.name },
        place: namePlace(component),
        message: `Nothing renders ${component.name}${self && component.calledAt.length ? ' but itself' : ''}.`,
        trail: [
          step(component, namePlace(component), component.name, 'is declared, and never rendered', 'drop'),
        ],
      });
    }
  },
};
