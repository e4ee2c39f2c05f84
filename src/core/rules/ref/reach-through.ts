import { placeOf, step, type Rule } from '../rule';
import { reachesOf } from './exposed';

export const reachThrough: Rule = {
  name: 'ref/reach-through',
  level: 'warning',
  summary:
    'A chain of handles or parent links, or an exposed function that gives a handle away, reaches over a component’s head.',
  check({ project, report }) {
    for (const component of project.components) {
      if (component.facts.role !== 'component') continue;
      const seen = new Set<string>();
      for (const climb of component.facts.climbs ?? []) {
        const place = placeOf(component.file, climb);
        const chain = climb.names.join('.');
        if (seen.has(chain)) continue;
        seen.add(chain);
        report({
          component,
          port: { channel: 'ref', name: chain },
          place,
          message: `${component.name} reaches over the component around it by "${chain}". Hand in what it needs, or provide it.`,
          trail: [step(component, place, chain, 'reaches over its owner', 'start')],
        });
      }
      for (const { symbol, targets, member, read, before } of reachesOf(project, component)) {
        const [target] = targets;
        const given = target!.exposes.members.find((one) => one.name === member);
        const rest = read.path!.slice(before);
        const chained =
          (rest[1] === 'current' && rest.length > 2) ||
          (/^(\$refs|shadowRoot)$/.test(rest[0]!) && rest.length > 1);
        if (!chained && !given?.handle) continue;
        if (seen.has(member)) continue;
        seen.add(member);
        const handle = component.facts.symbols[symbol]!;
        const place = placeOf(component.file, read);
        const name = target!.component.name;
        report({
          component,
          port: { channel: 'ref', name: handle.name },
          place,
          message: `${component.name} reaches through ${name} by "${member}" to what ${name} keeps. Let ${name} expose what should be done instead.`,
          trail: [
            step(component, place, handle.name, 'reaches through', 'start'),
            step(
              target!.component,
              given ? placeOf(target!.component.file, given) : place,
              member,
              'is a handle of its own',
              'pass',
            ),
          ],
        });
      }
    }
  },
};
