import type { SharedWriteFact } from '../../model/facts';
import type { Linked } from '../../link';
import type { Component } from '../../model/project';
import { placeOf, step, type Rule } from '../rule';

interface SetupWrite {
  component: Component;
  /** The component or helper in whose code the write stands. */
  home: Component;
  write: SharedWriteFact;
  field: string;
}

export const setupRace: Rule = {
  name: 'state/setup-race',
  level: 'warning',
  summary: 'Owner and descendant both write the same shared field while setting up: the last writer wins.',
  check({ project, report }) {
    const byField = new Map<string, SetupWrite[]>();
    for (const component of project.components) {
      if (component.facts.role !== 'component' || project.files[component.file]!.aside) continue;
      for (const one of writesOf(project, component, component, new Set())) {
        const list = byField.get(one.field);
        if (list) list.push(one);
        else byField.set(one.field, [one]);
      }
    }
    for (const writes of byField.values()) {
      if (writes.length < 2) continue;
      const writers = new Map(writes.map((one) => [one.component.id, one]));
      for (const owner of writers.values()) {
        const other = firstBelow(project, owner.component, writers);
        if (!other) continue;
        const place = placeOf(owner.home.file, owner.write);
        const name = [owner.write.name, ...owner.write.path].join('.');
        report({
          component: owner.component,
          port: { channel: 'state', name },
          place,
          message: `${owner.component.name} and ${other.component.name}, which it renders, both write "${name}" while setting up; the last one wins. Let one of them own it.`,
          trail: [
            step(owner.component, place, name, 'is written while setting up', 'start'),
            step(
              other.component,
              placeOf(other.home.file, other.write),
              name,
              'is written again while setting up',
              'start',
            ),
          ],
        });
      }
    }
  },
};

/** What a component writes while it is set up, also through the helpers that it calls. */
function writesOf(project: Linked, component: Component, home: Component, seen: Set<number>): SetupWrite[] {
  if (seen.has(home.id)) return [];
  seen.add(home.id);
  const { facts, file } = home;
  const own = (facts.sharedWrites ?? []).flatMap((write) => {
    // A whole value is mostly given only where there is none yet.
    if (!write.path.length) return [];
    const isSetup = write.fn === -1 || facts.functions[write.fn]!.where === 'derivation';
    const target = project.lookup(file, write.name);
    if (!isSetup || target.kind !== 'value') return [];
    const field = `${target.file}:${target.value.name}.${write.path.join('.')}`;
    return [{ component, home, write, field }];
  });
  const more = facts.calls.flatMap((call) => {
    const target = call.fn === -1 && call.args ? project.lookup(file, call.name) : undefined;
    const helper = target?.kind === 'component' ? project.components[target.component]! : undefined;
    return helper?.facts.role === 'helper' ? writesOf(project, component, helper, seen) : [];
  });
  return [...own, ...more];
}

/** The nearest component below that is one of the writers. */
function firstBelow(
  project: Linked,
  owner: Component,
  writers: Map<number, SetupWrite>,
): SetupWrite | undefined {
  const seen = new Set([owner.id]);
  const pending = [...owner.sites];
  for (let id = pending.shift(); id !== undefined; id = pending.shift()) {
    const { target } = project.sites[id]!;
    if (seen.has(target)) continue;
    seen.add(target);
    const found = writers.get(target);
    if (found) return found;
    pending.push(...project.components[target]!.sites);
  }
  return undefined;
}
