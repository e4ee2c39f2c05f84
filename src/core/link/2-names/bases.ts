/** Classes that extend others: what they are, and what they take, as far as their bases tell. */
import { declaredAs, knowsTables } from './mixins';
import type { RenderFact } from '../../model/facts';
import type { Component } from '../../model/project';
import type { Names } from './names';

/** Bases are followed so far. */
const MAX_DEPTH = 16;

/** All that a component takes over, however far, each before what it takes over itself. */
export const basesOf = ({ mixins }: Component, depth = 0): Component[] =>
  depth < MAX_DEPTH ? mixins.flatMap((one) => [one, ...basesOf(one, depth + 1)]) : [];

/** Of what is taken over, some is not seen: any name may be taken, raised or given a default. */
function openWhole(component: Component): void {
  component.openBase = true;
  if (component.facts.traits.isElement) return;
  // Where content is handed in as a prop, that is open as well.
  const openSlots = component.facts.openSlots === true || !component.facts.traits.contentPort.startsWith('#');
  const { facts } = component;
  component.facts = { ...facts, openProps: true, openEmits: true, openDefaults: true, openSlots };
}

/**
 * Says of each class whether it is a component, whether all of it is known, and what the type of its inputs is; of options
 * that a function makes a component of, whether it may add to them.
 */
export function settleBases(components: Component[], names: Names): void {
  const addsNothing = ({ file }: Component, name: string): boolean => {
    const target = names.lookup(file, name);
    return target.kind === 'value' && target.value.defines === true;
  };
  const done = new Set<Component>();
  const settle = (component: Component, depth: number): void => {
    if (done.has(component) || depth > MAX_DEPTH) return;
    done.add(component);
    const { facts, mixins } = component;
    for (const base of mixins) settle(base, depth + 1);
    if (facts.definedBy !== undefined && !addsNothing(component, facts.definedBy)) openWhole(component);
    if (mixins.some((one) => one.facts.raisesAny))
      component.facts = { ...component.facts, openEmits: true, raisesAny: true };
    const isWhole = knowsTables(component, names);
    if (!isWhole) component.facts = { ...component.facts, openProps: true };
    const known = mixins.length - (isWhole ? (facts.tables?.length ?? 0) : 0);
    const lacks = (facts.mixins?.length ?? 0) > known;
    if (!facts.extends) {
      if (lacks || mixins.some((one) => one.openBase)) openWhole(component);
      return;
    }
    const [base] = mixins;
    if (lacks || !base || base.openBase || base.facts.role !== 'component') component.openBase = true;
    if (!base || base.facts.role !== 'component') return;
    // Without a render of its own it draws what its base draws.
    if (facts.role === 'helper') component.facts = { ...facts, role: 'component' };
    const { propsParam, openProps } = base.facts;
    // What a base reads of the whole, it reads of what its heirs take.
    if (openProps && !component.facts.openProps) component.facts = { ...component.facts, openProps };
    // What is given to the base's own parameter is what it takes; otherwise it takes what the base does.
    if (facts.extends.given && propsParam === 0) return;
    if (propsParam !== undefined) component.openBase = true;
    const { propsType: _, ...rest } = component.facts;
    component.facts = rest;
  };
  for (const component of components) settle(component, 0);
}

/** What is shown of a base is an outlet, if the base takes content by that name. */
export function settleTakenContent(components: Component[]): void {
  for (const component of components) {
    const { facts } = component;
    if (!facts.render.some((one) => one.ifSlot)) continue;
    const isContent = (name: string): boolean =>
      component.openBase
        ? name === facts.traits.contentPort
        : declaredAs(component, name)?.port.channel === 'slot';
    const render = facts.render.map((node): RenderFact => {
      const { outlet, outletSymbol: _, fallback: __, ...rest } = node;
      return node.ifSlot && !isContent(outlet!) ? { ...rest, kind: 'group' } : node;
    });
    component.facts = { ...facts, render };
  }
}
