import { declarationOf } from '../../model/declaration';
import type { Linked } from '../../link';
import { typeAt } from '../../link/2-names/type-arguments';
import type { ExprFact } from '../../model/facts';
import type { Component, Lazy, Port, Site } from '../../model/project';
import { assignable } from '../../types/assign';
import type { Shape } from '../../types/shape';
import { attributeKey, placeOf, step, type Rule, type RuleContext } from '../rule';
import { useOf } from '../../link/4-ports/use-of-ports';

type Fn = Extract<Shape, { k: 'fn' }>;

export const payloadClash: Rule = {
  name: 'event/payload-clash',
  level: 'error',
  summary: 'The payload cannot be assigned to what is declared or to what the handler takes.',
  check(audit) {
    const { project } = audit;
    for (const component of project.components) {
      if (component.facts.role !== 'component') continue;
      for (const port of component.ports.values())
        if (port.channel === 'event') checkEmits(audit, component, port);
    }
    for (const site of project.written) checkHandlers(audit, site);
    for (const component of project.components) checkHeard(audit, component);
  },
};

/** What a class hears at its tag or on the page: the method takes what the event does not carry. */
function checkHeard(audit: RuleContext, component: Component): void {
  const { project } = audit;
  const { facts, file, id } = component;
  for (const { event, symbol, on } of facts.hears ?? []) {
    const { name, type, start, end } = facts.symbols[symbol]!;
    const [param] = functionOf(project, type && { type, file, component: id })?.params ?? [];
    if (!param) continue;
    const arriving = on
      ? project.rising.onPage(`@${event}`)
      : project.rising.arrivingAt(component, `@${event}`);
    for (const port of arriving) {
      const from = functionOf(project, port.type)?.params[0]?.type;
      if (!from || !clashes(project, from, param.type, false)) continue;
      const source = project.components[port.component]!;
      const place = placeOf(file, { start, end });
      audit.report({
        component: source,
        port,
        place,
        message: `"${name}" of ${component.name} takes "${param.name}" of another type than ${source.name} raises "${event}" with.`,
        trail: [
          step(source, declarationOf(port), port.name, 'is declared', 'emit'),
          step(component, place, name, 'takes it as another type', 'drop'),
        ],
      });
      break;
    }
  }
}

/** The function in a type, where there is exactly one. */
function functionOf(project: Linked, type: Lazy | undefined): Fn | undefined {
  const shape = type && project.types.resolve(type);
  const parts = shape?.k === 'union' ? shape.of : shape ? [shape] : [];
  const found = parts.filter((one) => one.k === 'fn');
  return found.length === 1 && !parts.some((one) => one.k === 'unknown' || one.k === 'handler')
    ? found[0]
    : undefined;
}

/** Whether what is handed over cannot be what is asked for; inside of the page's own kind of event, it is what that carries. */
function clashes(project: Linked, from: Lazy, to: Lazy, written: boolean): boolean {
  const [given, wanted] = [carried(project, from), carried(project, to)];
  const inside = given !== undefined && wanted !== undefined;
  const [one, other] = inside ? [given, wanted] : [from, to];
  return assignable(project.types, one, other, written, !written) === 'no';
}

/** What an event carries, where nothing else is known of it. */
function carried(project: Linked, type: Lazy): Lazy | undefined {
  const shape = project.types.resolve(type);
  return shape.k === 'object' && shape.open && shape.members.size === 1
    ? shape.members.get('detail')?.type
    : undefined;
}

function checkEmits(audit: RuleContext, component: Component, port: Port): void {
  const { project } = audit;
  const declared = functionOf(project, port.type);
  if (!declared) return;
  for (const emit of useOf(component, port).emits) {
    if (emit.how !== 'called') continue;
    emit.args.forEach((arg, i) => {
      const param = declared.params[i];
      if (!arg.type || !param || param.rest) return;
      const from = { type: arg.type, file: component.file, component: component.id };
      const written = arg.type.t === 'lit' || (arg.type.t === 'object' && arg.type.fresh === true);
      if (!clashes(project, from, param.type, written)) return;
      const place = placeOf(component.file, emit);
      audit.report({
        component,
        port,
        place,
        message: `${component.name} raises "${port.name}" with ${param.name || `argument ${i + 1}`} of another type than declared.`,
        trail: [
          step(component, declarationOf(port), port.name, 'is declared', 'start'),
          step(component, place, port.name, 'is raised with another payload', 'emit'),
        ],
      });
    });
  }
}

/** The handler takes what is not given, or needs more than is given. */
function checkHandlers(audit: RuleContext, site: Site): void {
  const { project } = audit;
  const owner = project.components[site.owner]!;
  const target = project.components[site.target]!;
  if (target.facts.wrapped) return;
  for (const attribute of site.fact.attributes) {
    const port = target.ports.get(attribute.name);
    if (port?.channel !== 'event' || attribute.mode === 'spread' || !attribute.value.type) continue;
    const handler = functionOf(project, { type: attribute.value.type, file: site.file, component: owner.id });
    if (!handler || handler.params.some((param) => param.rest)) continue;
    const declared = functionOf(project, typeAt(project, site, port)?.type);
    const emits = useOf(target, port).emits.filter((emit) => emit.how === 'called');
    const required = handler.params.filter((param) => !param.optional).length;
    const needed = owner.facts.traits.exactCalls ? required : neededBy(owner, attribute.value, required);
    const open = declared?.params.some((param) => param.rest);
    const given = declared
      ? open
        ? Infinity
        : declared.params.length
      : emits.length
        ? Math.max(...emits.map((emit) => emit.args.length))
        : undefined;
    const raisedOnlyHere = declared !== undefined || isOnlyCalled(target, port);
    let what: string | undefined;
    if (given !== undefined && raisedOnlyHere && needed > given)
      what = `takes ${needed} arguments, and ${given} ${given === 1 ? 'is' : 'are'} given`;
    else {
      const clash = handler.params.findIndex((param, i) => {
        const from: Lazy | undefined = declared?.params[i]?.type;
        return from !== undefined && clashes(project, from, param.type, false);
      });
      if (clash >= 0)
        what = `takes ${handler.params[clash]!.name || `argument ${clash + 1}`} of another type`;
    }
    if (!what) continue;
    audit.claim(attributeKey(site, attribute.name));
    const place = placeOf(site.file, attribute.value);
    audit.report({
      component: target,
      port,
      site: site.id,
      place,
      message: `The handler of "${port.name}" in ${owner.name} ${what} by ${target.name}.`,
      trail: [
        step(target, declarationOf(port), port.name, 'is declared', 'emit'),
        step(owner, place, port.name, `meets a handler that ${what}`, 'drop'),
      ],
    });
  }
}

/** How many arguments a handler cannot do without: what it never reads, asks for or raises again it may go without. */
function neededBy({ facts }: Component, value: ExprFact, required: number): number {
  const fn = value.fn ?? (value.kind === 'identity' ? facts.symbols[value.symbol!]!.fn : undefined);
  if (fn === undefined) return required;
  for (let at = required; at > 0; at--) {
    const named = new Set(
      facts.symbols.flatMap(({ kind, within, index }, symbol) =>
        kind === 'param' && within === fn && index === at - 1 ? [symbol] : [],
      ),
    );
    const reads = facts.reads.filter((read) => named.has(read.symbol));
    const goesOn = reads.some((read) => read.where === 'condition' || read.soft === true);
    if (!goesOn && reads.some((read) => read.where !== 'emit')) return at;
  }
  return 0;
}

/** In untyped code the calls in sight are all there is only if the callback goes nowhere else. */
function isOnlyCalled(component: Component, port: Port): boolean {
  const use = useOf(component, port);
  return (
    !component.facts.openProps &&
    !use.spread &&
    use.passes.length === 0 &&
    use.emits.every((emit) => emit.how === 'called') &&
    use.reads.every((read) => read.where === 'condition')
  );
}
