import type { Span } from '../../model/facts';
import type { Linked } from '../../link';
import type { Component } from '../../model/project';
import { unreadKey } from '../context/no-provider';
import { placeOf, step, type Rule } from '../rule';

export const outsideProviders: Rule = {
  name: 'portal/outside-providers',
  level: 'warning',
  summary: 'Content is mounted in a second root without the providers it consumes.',
  check({ project, report, claim }) {
    const contexts = project.contexts;
    const seen = new Set<string>();
    for (const { component, key, place, missing, from } of contexts.consumers) {
      if (missing === 'handled' || from || contexts.hasDefault(key)) continue;
      const path = contexts.barePath(component, key);
      const first = path?.length ? project.sites[path[0]!]! : undefined;
      const owner = first && project.components[first.owner]!;
      const call = first && contexts.mountOf(first);
      if (!path || !call || !owner) continue;
      if (owner.facts.role === 'module' && !isLater(owner, call)) continue;
      // A function that mounts may be what starts the page.
      if (owner.facts.role === 'helper' && !startsElsewhere(project, owner)) continue;
      claim(`consumer:${component}:${key.id}:${place.start}`);
      // Who provides it is seen to be out of reach.
      claim(unreadKey(key.name));
      const id = `${owner.id}:${call.start}:${key.id}`;
      if (seen.has(id)) continue;
      seen.add(id);
      const reader = project.components[component]!;
      const at = placeOf(owner.file, call);
      report({
        component: reader,
        port: { channel: 'context', name: key.name },
        place: at,
        site: first.id,
        message: `${owner.name} mounts ${project.components[first.target]!.name} in a root of its own, and ${reader.name} in it consumes ${key.name}, which nothing provides there. Wrap what is mounted in the provider.`,
        trail: [
          step(owner, at, key.name, 'does not reach this root', 'drop'),
          ...path.slice(1).map((one) => {
            const site = project.sites[one]!;
            const target = project.components[site.target]!;
            const tag = placeOf(site.file, site.fact.tag ?? site.fact);
            return step(
              project.components[site.owner]!,
              tag,
              key.name,
              `is not provided around ${target.name}`,
              'pass',
            );
          }),
          step(reader, place, key.name, 'is consumed', 'wait'),
        ],
      });
    }
  },
};

const startsElsewhere = (project: Linked, owner: Component): boolean =>
  project.components.some(
    (one) =>
      one !== owner &&
      !project.files[one.file]!.aside &&
      one.facts.render.some((node) => node.mounted !== undefined),
  );

/** Loose code that mounts several trees: the first one is the page's own. */
const isLater = ({ facts }: Component, call: Span): boolean =>
  facts.render.some((node) => node.mounted !== undefined && node.mounted.start < call.start);
