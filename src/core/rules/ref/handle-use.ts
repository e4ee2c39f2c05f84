import type { Linked } from '../../link';
import type { ReadFact } from '../../model/facts';
import { nearest } from '../../model/names';
import type { Component } from '../../model/project';
import { placeOf, step, type Report, type Rule } from '../rule';
import { handlesOf } from './handles';

export const unattached: Rule = {
  name: 'ref/unattached',
  level: 'warning',
  summary: 'A handle is declared for an element or component and never attached.',
  check({ project, report }) {
    const names = new Set(
      project.components.flatMap(({ facts, name }) => (facts.role === 'component' ? [name] : [])),
    );
    const isNamed = (name: string) => names.has(name);
    const bases = new Set(project.components.flatMap((one) => one.mixins));
    for (const component of project.components) {
      if (component.facts.role !== 'component') continue;
      for (const one of unexported(project, component)) report(one);
      for (const { symbol, attached, given, reads } of handlesOf(component)) {
        const fact = component.facts.symbols[symbol]!;
        const [read] = reads;
        // Only what is used as a handle was meant as one.
        if (attached || given || !fact.empty || !read || !reads.some((one) => one.path!.length > 1)) continue;
        // Whoever extends it may draw what it looks for.
        if (bases.has(component)) continue;
        if (fact.handleOf !== undefined && !isNamed(fact.handleOf)) continue;
        const place = placeOf(component.file, fact);
        report({
          component,
          port: { channel: 'ref', name: fact.name },
          place,
          message: `${component.name} reads the handle "${fact.name}", which is never attached to anything.`,
          trail: [
            step(component, place, fact.name, 'is declared and never attached', 'drop'),
            step(component, placeOf(component.file, read), fact.name, 'is read', 'wait'),
          ],
        });
      }
    }
  },
};

/** Handles on what hands itself out by a name that nothing on the tag has. */
function unexported(project: Linked, component: Component): Report[] {
  const { facts, file, markup, siteAt } = component;
  if (!markup || markup.open) return [];
  return facts.render.flatMap(({ exported = [] }, node) =>
    exported.flatMap(({ as, symbol, start, end }, index): Report[] => {
      // The same name, for several handles.
      if (exported.findIndex((one) => one.start === start) < index) return [];
      const here = (siteAt.get(node) ?? []).map((id) => project.components[project.sites[id]!.target]!);
      const names = here.flatMap((one) => one.facts.exportAs ?? []);
      if (names.includes(as) || markup.taken.has(`#${as}`) || here.some((one) => one.openBase)) return [];
      const { name } = facts.symbols[symbol]!;
      const place = placeOf(file, { start, end });
      const near = nearest(as, names);
      return [
        {
          component,
          port: { channel: 'ref', name },
          place,
          message: `${component.name} puts the handle "${name}" on "${as}", and nothing on the tag goes by that name.${near ? ` Did you mean "${near}"?` : ''}`,
          trail: [step(component, place, name, 'is never attached', 'drop')],
          ...(near ? { suggestion: near, edit: { place, text: near } } : {}),
        },
      ];
    }),
  );
}

export const refUnread: Rule = {
  name: 'ref/unread',
  level: 'note',
  summary: 'A handle is attached and never read.',
  check({ project, report }) {
    // Names that are reached for in what others hold.
    const through = new Set(
      project.components.flatMap(({ facts }) =>
        facts.reads.flatMap(({ symbol, path = [] }) =>
          facts.symbols[symbol]!.kind === 'ref' ? path.slice(1) : [],
        ),
      ),
    );
    for (const component of project.components) {
      // Tests reach for the handles of what they mount.
      if (component.facts.role !== 'component' || project.files[component.file]!.aside) continue;
      for (const { symbol, attached, given, used } of handlesOf(component)) {
        if (!attached || given || used) continue;
        const fact = component.facts.symbols[symbol]!;
        if (through.has(fact.name) || component.reached?.has(fact.name)) continue;
        const place = placeOf(component.file, fact);
        report({
          component,
          port: { channel: 'ref', name: fact.name },
          place,
          message: `${component.name} attaches the handle "${fact.name}" and never reads it.`,
          trail: [step(component, place, fact.name, 'is attached and never read', 'drop')],
        });
      }
    }
  },
};

/** A listener is looked up when the event comes. */
const atSetup = ({ where }: ReadFact): boolean => where !== 'effect' && where !== 'handler';

const isFirst = ({ facts }: Component, { fn }: ReadFact): boolean => facts.functions[fn]!.first === true;

export const earlyRead: Rule = {
  name: 'ref/early-read',
  level: 'error',
  summary: 'An attached handle is read unguarded while rendering.',
  check({ project, report }) {
    for (const component of project.components) {
      if (component.facts.role !== 'component') continue;
      for (const { symbol, attached, reads } of handlesOf(component)) {
        const fact = component.facts.symbols[symbol]!;
        const asked = component.facts.reads.some(
          (read) => read.symbol === symbol && read.where === 'condition',
        );
        if (!attached || !fact.empty || asked) continue;
        const early = reads.find(
          (read) =>
            (read.fn === -1 ? atSetup(read) : isFirst(component, read) && !fact.soon) &&
            !read.soft &&
            read.path!.length > 1 &&
            read.path![0] === 'current',
        );
        if (!early) continue;
        const place = placeOf(component.file, early);
        report({
          component,
          port: { channel: 'ref', name: fact.name },
          place,
          message: `${component.name} reads "${fact.name}" while rendering, before it is attached. Read it in an effect or a handler.`,
          trail: [
            step(component, placeOf(component.file, fact), fact.name, 'starts empty', 'start'),
            step(component, place, fact.name, 'is read while rendering', 'wait'),
          ],
        });
      }
    }
  },
};
