import { declarationOf } from '../../model/declaration';
import type { Linked } from '../../link';
import type { ExprFact } from '../../model/facts';
import type { Component, Place, Port } from '../../model/project';
import { namePlace, placeOf, portKey, step, type Rule } from '../rule';

export const nameClash: Rule = {
  name: 'prop/name-clash',
  level: 'error',
  summary: 'A prop and another member share one namespace of the component under one name.',
  check({ project, report, claim }) {
    for (const component of project.components) {
      if (component.facts.role === 'module') continue;
      const told = new Set<string>();
      for (const { port, place, other, reachable } of clashesOf(project, component)) {
        if (told.has(port.name)) continue;
        told.add(port.name);
        claim(portKey(port));
        const what = reachable
          ? `${component.name} has another "${port.name}" beside the prop of that name, and hides it where the bare name is used.`
          : `${component.name} declares "${port.name}" a second time, so that the prop of that name never arrives.`;
        report({
          component,
          port,
          place,
          message: `${what} Rename one of them.`,
          ...(reachable ? { level: 'warning' } : {}),
          trail: [
            step(component, declarationOf(port), port.name, 'is taken as a prop', 'start'),
            ...(other ? [step(other, namePlace(other), port.name, 'comes from here, too', 'pass')] : []),
            step(component, place, port.name, 'hides it', 'drop'),
          ],
        });
      }
    }
  },
};

interface Clash {
  port: Port;
  /** The later of the two declarations. */
  place: Place;
  /** The mixin or base that one of them comes from. */
  other?: Component;
  /** The prop is used all the same, through the object that holds all of them. */
  reachable?: boolean;
}

function* clashesOf(project: Linked, component: Component): Iterable<Clash> {
  const { facts, file, ports } = component;
  for (const clash of facts.clashes ?? []) {
    const port = ports.get(clash.prop);
    if (port) yield { port, place: placeOf(file, clash) };
  }
  if (facts.role !== 'component') return;
  for (const symbol of facts.namespace ?? []) {
    const { name, init, start, end } = facts.symbols[symbol]!;
    const port = ports.get(name);
    if (!isProp(component, port) || isAlias(component, init, name)) continue;
    const reachable = isReachable(component, name);
    const other = port.inherited ? component.mixins.find((one) => one.ports.has(name)) : undefined;
    yield { port, place: placeOf(file, { start, end }), reachable, ...(other ? { other } : {}) };
  }
  if (facts.findsImports)
    for (const { local, typeOnly, start, end } of project.files[file]!.facts.imports) {
      const port = typeOnly ? undefined : ports.get(local);
      if (isProp(component, port))
        yield { port, place: placeOf(file, { start, end }), reachable: isReachable(component, local) };
    }
  for (const mixin of component.mixins)
    for (const symbol of mixin.facts.namespace ?? []) {
      const port = ports.get(mixin.facts.symbols[symbol]!.name);
      if (isProp(component, port) && !port.inherited) yield { port, place: port.place, other: mixin };
    }
}

const isOwn = ({ facts }: Component, symbol: number | undefined, name: string): boolean =>
  symbol !== undefined && facts.symbols[symbol]!.kind === 'prop' && facts.symbols[symbol]!.port === name;

/** It is declared as a prop, by a type or in a list; what is taken out of other attributes is none. */
const isProp = (component: Component, port: Port | undefined): port is Port =>
  port?.channel === 'prop' && port.declared && (port.typed || isListed(component, port.name));

const isListed = ({ facts, mixins }: Component, name: string): boolean =>
  facts.ports.some((one) => one.name === name && one.declared === 'list') ||
  mixins.some((one) => isListed(one, name));

/** Another name for the prop itself. */
const isAlias = (component: Component, init: ExprFact | undefined, name: string): boolean =>
  init?.kind === 'identity' && isOwn(component, init.symbol, name);

/** Code reads it as a member of the props, which members of the instance do not hide. */
const isReachable = (component: Component, name: string): boolean =>
  component.facts.openProps === true ||
  [...component.facts.reads, ...component.passes].some(({ symbol }) => isOwn(component, symbol, name));
