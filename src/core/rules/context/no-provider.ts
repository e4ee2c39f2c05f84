import { nearest } from '../../model/names';
import { step, tagPlace, type Rule } from '../rule';

/** Claimed where a consumer is likely to mean the provided key of a name. */
export const unreadKey = (name: string): string => `unread:${name}`;

export const noProvider: Rule = {
  name: 'context/no-provider',
  level: 'error',
  summary: 'A consumer without a usable default is rendered where no provider of its key is above it.',
  check({ project, report, claim, claimed }) {
    const contexts = project.contexts;
    const provided = [...new Set(contexts.providers.map((one) => one.key.name))];
    const seen = new Set<string>();
    for (const { component, name, place, file } of contexts.absent) {
      const reader = project.components[component]!;
      const near = nearest(name, project.names.exportsOf(file));
      report({
        component: reader,
        port: { channel: 'context', name },
        place,
        message: `${reader.name} consumes ${name}, and ${project.files[file]!.path} exports no such context.${near ? ` Did you mean ${near}?` : ''}`,
        trail: [step(reader, place, name, 'is consumed, and is nowhere', 'wait')],
        ...(near ? { suggestion: near } : {}),
      });
    }
    for (const { component, key, place, provided: isProvided } of contexts.unserved) {
      const reader = project.components[component]!;
      const id = `${component}:${key.id}:${place.start}`;
      if (seen.has(id)) continue;
      seen.add(id);
      report({
        component: reader,
        port: { channel: 'context', name: key.name },
        place,
        message: `${reader.name}, which is there for everybody, asks for ${key.name}, and ${isProvided ? 'only components provide it, below it' : 'nothing provides it'}.`,
        trail: [step(reader, place, key.name, 'is consumed where nothing provides it', 'wait')],
      });
    }
    for (const { component, key, place, missing, from } of contexts.consumers) {
      if (missing === 'handled' || contexts.hasDefault(key)) continue;
      const path = contexts.barePath(component, key, from);
      const id = `${component}:${key.id}:${place.start}`;
      if (!path || seen.has(id) || claimed(`consumer:${id}`)) continue;
      const reader = project.components[component]!;
      // Where it is rendered nobody sees, if no call site is written and nothing mounts it.
      if (!reader.calledAt.length && !reader.root) continue;
      seen.add(id);
      const some = contexts.providedSomewhere(component, key, from) || contexts.mayBeElsewhere(component);
      const near = nearest(key.name, provided);
      if (near) claim(unreadKey(near));
      report({
        component: reader,
        port: { channel: 'context', name: key.name },
        place,
        level: some ? 'warning' : 'error',
        message: `${reader.name} consumes ${key.name}, and ${some ? 'on some paths ' : ''}no provider of it is ${from === 'own' ? 'on its own tag' : from ? 'further up than its own tag' : 'above'}.${near ? ` ${near} is provided; is it meant?` : ''}`,
        trail: [
          ...path.map((id) => {
            const site = project.sites[id]!;
            const target = project.components[site.target]!;
            return step(
              project.components[site.owner]!,
              tagPlace(site),
              key.name,
              `is not provided around ${target.name}`,
              'pass',
            );
          }),
          step(reader, place, key.name, 'is consumed', 'wait'),
        ],
        ...(near ? { suggestion: near } : {}),
      });
    }
  },
};
