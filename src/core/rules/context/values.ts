import type { Linked } from '../../link';
import type { Provider } from '../../link/5-contexts/context-types';
import type { TypeExpr } from '../../model/types';
import { freshKind } from '../../link/7-flow/fresh';
import { assignable } from '../../types/assign';
import { showType } from '../../types/show';
import { mayBeNarrowed } from '../narrowed';
import { timeOf } from '../../link/5-contexts/contexts';
import type { Component, Place } from '../../model/project';
import { placeOf, step, type Report, type Rule } from '../rule';

export const contextTypeClash: Rule = {
  name: 'context/type-clash',
  level: 'error',
  summary: "The provided value cannot be assigned to the key's declared type.",
  check({ project, report }) {
    for (const one of project.contexts.providers) {
      const { component, key, value } = one;
      if (!value?.type) continue;
      const asked = key.value.type && project.types.resolve({ type: key.value.type, file: key.file });
      if (!key.value.type || asked?.k === 'unknown') {
        const clash = clashBelow(project, one, value.type);
        if (clash) report(clash);
        continue;
      }
      const owner = project.components[component]!;
      const from = { type: value.type, file: owner.file, component };
      if (
        assignable(
          project.types,
          from,
          { type: key.value.type, file: key.file },
          false,
          mayBeNarrowed(owner, value),
        ) !== 'no'
      )
        continue;
      const place = placeOf(owner.file, value);
      const asks = showType(key.value.type) || 'another type';
      report({
        component: owner,
        port: { channel: 'context', name: key.name },
        place,
        message: `${owner.name} provides ${key.name} with a value of another type; it is declared as ${asks}.`,
        trail: [
          step(owner, place, key.name, 'is provided', 'start'),
          step(
            owner,
            { file: key.file, start: key.value.start, end: key.value.end },
            key.name,
            `is declared as ${asks}`,
            'drop',
          ),
        ],
      });
    }
  },
};

/** Where the key says nothing of its type, those who ask for it may: who gets the value of a provider and cannot take it. */
function clashBelow(project: Linked, provider: Provider, type: TypeExpr): Report | undefined {
  const { component, key, value } = provider;
  const asking = project.contexts.consumers.filter((one) => one.key === key && one.type);
  if (!asking.length) return undefined;
  const owner = project.components[component]!;
  const { components } = project.contexts.below(provider);
  const from = { type, file: owner.file, component };
  const refuses = asking.find(
    (one) =>
      components.has(one.component) &&
      assignable(project.types, from, one.type!, false, mayBeNarrowed(owner, value!)) === 'no',
  );
  if (!refuses) return undefined;
  const place = placeOf(owner.file, value!);
  const reader = project.components[refuses.component]!;
  const asks = showType(refuses.type!.type) || 'another type';
  return {
    component: owner,
    port: { channel: 'context', name: key.name },
    place,
    message: `${owner.name} provides ${key.name} with a value of another type; ${reader.name} consumes it as ${asks}.`,
    trail: [
      step(owner, place, key.name, 'is provided', 'start'),
      step(reader, refuses.place, key.name, `is consumed as ${asks}`, 'drop'),
    ],
  };
}

export const unstableValue: Rule = {
  name: 'context/unstable-value',
  level: 'warning',
  summary: 'The provided value is fresh at every render.',
  check({ project, report }) {
    for (const { component, key, value } of project.contexts.providers) {
      const owner = project.components[component]!;
      const { traits, role } = owner.facts;
      if (!value || !traits.contextByIdentity || role !== 'component' || project.files[owner.file]!.aside)
        continue;
      const kind = freshKind(project, owner, value);
      if (!kind) continue;
      const place = placeOf(owner.file, value);
      report({
        component: owner,
        port: { channel: 'context', name: key.name },
        place,
        message: `${owner.name} provides ${key.name} with a fresh ${kind} at every render, so that every consumer is drawn again. Memoise it.`,
        trail: [step(owner, place, key.name, `is a fresh ${kind}`, 'start')],
      });
    }
  },
};

export const wrongTime: Rule = {
  name: 'context/wrong-time',
  level: 'error',
  summary: 'Context is provided or consumed where the framework forbids it.',
  check({ project, report }) {
    const say = (owner: Component, name: string, place: Place, does: string, when: string) =>
      report({
        component: owner,
        port: { channel: 'context', name },
        place,
        message: `${owner.name} ${does} ${name} ${when}; that can be done only while ${owner.facts.traits.contextByIdentity ? 'drawing' : 'setting up'}.`,
        trail: [
          step(owner, place, name, `is ${does === 'provides' ? 'provided' : 'consumed'} ${when}`, 'wait'),
        ],
      });
    for (const { component, key, place, where } of project.contexts.consumers) {
      const owner = project.components[component]!;
      if (owner.facts.traits.contextAtSetup && isLate(where))
        say(owner, key.name, place, 'consumes', WHEN[where]);
    }
    for (const owner of project.components) {
      if (!owner.facts.traits.contextAtSetup || owner.facts.role === 'module') continue;
      for (const { key, does, where, fn, awaited, ...span } of owner.facts.timed ?? []) {
        const time = timeOf(owner, fn, where);
        const place = placeOf(owner.file, span);
        if (awaited) say(owner, key, place, does, 'after an await');
        else if (isLate(time)) say(owner, key, place, does, WHEN[time]);
      }
    }
  },
};

const WHEN = { handler: 'in a handler', effect: 'in an effect' };
const isLate = (where: string): where is keyof typeof WHEN => where in WHEN;
