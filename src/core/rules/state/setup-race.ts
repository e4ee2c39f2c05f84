import { ANY_MEMBER } from '../../model/code';
import type { ComponentFacts, Span } from '../../model/facts';
import type { Linked } from '../../link';
import type { Component } from '../../model/project';
import { placeOf, step, type Rule } from '../rule';

interface SetupWrite {
  component: Component;
  /** The component or helper in whose code the write stands. */
  home: Component;
  write: Span & { name: string; path: string[] };
  field: string;
  /** The key of the context that holds the field. */
  key?: string;
}

export const setupRace: Rule = {
  name: 'state/setup-race',
  level: 'warning',
  summary: 'Owner and descendant both write the same shared field while setting up: the last writer wins.',
  check({ project, report }) {
    const byField = new Map<string, SetupWrite[]>();
    for (const component of project.components) {
      if (component.facts.role !== 'component' || project.files[component.file]!.aside) continue;
      for (const one of [
        ...writesOf(project, component, component, new Set()),
        ...writesInto(project, component),
      ]) {
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
    // A whole value is mostly given only where there is none yet; under names that code works out, each has its own.
    if (!write.path.length || write.told || write.path.includes(ANY_MEMBER)) return [];
    const target = project.lookup(file, write.name);
    if (!isWhileSetUp(facts, write.fn) || target.kind !== 'value') return [];
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

const isWhileSetUp = ({ functions }: ComponentFacts, fn: number): boolean =>
  fn === -1 || functions[fn]!.where === 'derivation' || functions[fn]!.first === true;

/** What a component writes into what it is given from further up. */
function writesInto(project: Linked, component: Component): SetupWrite[] {
  const { facts, file, id } = component;
  return facts.writes.flatMap(({ symbol, path = [], fn, start, end }): SetupWrite[] => {
    const { kind, name } = facts.symbols[symbol]!;
    if (kind !== 'injected' || !path.length || !isWhileSetUp(facts, fn)) return [];
    const asked = facts.consumes.find((one) => one.symbol === symbol);
    const key = project.contexts.consumers.find(
      (one) => one.component === id && one.place.start === asked?.start && one.place.file === file,
    )?.key.id;
    if (key === undefined) return [];
    const write = { name, path, start, end };
    return [{ component, home: component, write, field: `${key}.${path.join('.')}`, key }];
  });
}

/** Whether a component has one of its own of what a key stands for. */
const hasOwn = ({ contexts }: Linked, component: number, key: string | undefined): boolean =>
  key !== undefined && contexts.providers.some((one) => one.component === component && one.key.id === key);

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
    if (found && !hasOwn(project, target, found.key)) return found;
    pending.push(...project.components[target]!.sites);
  }
  return undefined;
}
