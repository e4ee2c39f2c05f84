/** What a component takes: ports from its types, its declarations and its use of the props. */
import type { ExprFact } from '../../model/facts';
import { isCallbackName } from '../../model/names';
import type { Component, Lazy, Port, Project, Site } from '../../model/project';
import { askedOfHelpers } from '../2-names/asked-ports';
import { carries, handedIn } from '../3-tags/handed-in';
import { inheritPorts } from '../2-names/mixins';
import type { Names } from '../2-names/names';
import type { TypeSpace } from '../../types/resolve';
import type { Shape, ShapeMember } from '../../types/shape';

export function linkPorts(
  components: Component[],
  { written, sites }: Pick<Project, 'written' | 'sites'>,
  types: TypeSpace,
  names: Names,
): void {
  const owners = new Map<string, Set<number>>();
  const shapes = components.map((component) => {
    if (component.facts.role === 'module' || !component.facts.propsType) return undefined;
    const shape = types.resolve({
      type: component.facts.propsType,
      file: component.file,
      component: component.id,
    });
    for (const one of membersOf(shape)) {
      if (!one.owner) continue;
      let users = owners.get(one.owner);
      if (!users) owners.set(one.owner, (users = new Set()));
      users.add(component.id);
    }
    return shape;
  });
  for (const component of components) declarePorts(component, shapes[component.id], owners, types);
  inheritPorts(components);
  addCarriedPorts(components, written);
  addHandedPorts(components, written, sites);
  for (const [component, asked] of askedOfHelpers(components, written, names))
    if (!saysAll(component)) for (const name of asked) addCarried(component, name);
  const filled = contentHanded(written, components);
  for (const component of components) {
    // What is declared, by whatever type, does not fall through.
    if (component.facts.traits.attributesFallThrough) {
      const own = [...component.ports.values()]
        .filter((one) => one.declared || one.channel === 'slot')
        .map((one) => one.name);
      for (const spread of component.spreads) {
        const { symbol } = component.facts.render[spread.node]!.attributes[spread.attribute]!.value;
        if (component.facts.symbols[symbol!]!.kind === 'rest')
          spread.except = [...new Set([...spread.except, ...own])];
      }
    }
    for (const port of component.ports.values()) {
      port.channel = channelOf(component, port, types, filled);
    }
  }
}

const membersOf = (shape: Shape): ShapeMember[] =>
  shape.k === 'object' ? [...shape.members.values()] : shape.k === 'union' ? shape.of.flatMap(membersOf) : [];

function declarePorts(
  component: Component,
  shape: Shape | undefined,
  owners: Map<string, Set<number>>,
  types: TypeSpace,
): void {
  const { facts, ports, file } = component;
  if (facts.role === 'module') return;
  const hasRest = facts.symbols.some((symbol) => symbol.kind === 'rest');
  component.open =
    facts.openProps ||
    component.openBase === true ||
    component.openHost === true ||
    hasRest ||
    facts.symbols.some((symbol) => symbol.kind === 'bag' && facts.role === 'helper');
  const typed = facts.propsType !== undefined;
  const ownType = types.ownerOf(facts.propsType, file);
  if (shape) addTyped(component, shape, owners, ownType);
  for (const fact of facts.ports) {
    const symbol = facts.symbols.findIndex((one) => one.kind === 'prop' && one.port === fact.name);
    const known = ports.get(fact.name);
    if (known) {
      if (symbol >= 0) known.symbol = symbol;
      if (fact.default) known.default = { ...fact.default, file };
      if (fact.required && !known.type) known.required = true;
      if (fact.defaultIn) known.defaultIn = fact.defaultIn;
      // Beside a list, a type of all inputs says something else: which of the two counts is not known.
      if (fact.type && fact.declared === 'list' && !facts.traits.callbackProps) delete known.type;
      continue;
    }
    // Only a name that the written type has was meant as a port.
    if (fact.declared === 'guess' && !component.unresolved && !component.facts.openProps) continue;
    // A read of a name that the written type lacks is no declaration.
    ports.set(fact.name, {
      component: component.id,
      name: fact.name,
      channel: fact.channel,
      place: { file, start: fact.start, end: fact.end },
      declared:
        fact.declared === 'list' ||
        (!typed && fact.declared !== 'default' && fact.declared !== 'read' && fact.declared !== 'guess'),
      shared: false,
      inherited: false,
      required: fact.required === true,
      requiredByType: fact.required === true,
      ...(fact.expected ? { expected: true } : {}),
      ...(fact.rises ? { rises: fact.rises } : {}),
      ...(fact.writable ? { writable: true } : {}),
      ...(fact.implied ? { implied: true } : {}),
      ...(fact.member === undefined ? {} : { member: fact.member }),
      typed: false,
      ...(fact.type ? { type: { type: fact.type, file, component: component.id } } : {}),
      ...(fact.default ? { default: { ...fact.default, file } } : {}),
      ...(fact.defaultIn ? { defaultIn: fact.defaultIn } : {}),
      symbol,
      node: -1,
    });
  }
  for (const port of ports.values()) {
    if (facts.openDefaults) port.default ??= { kind: 'computed', file, start: facts.start, end: facts.start };
    if (
      facts.traits.castsBooleans &&
      !port.required &&
      port.typed &&
      isBoolean(port.type && types.resolve(port.type))
    )
      port.default ??= {
        kind: 'literal',
        type: { t: 'lit', v: false },
        file,
        start: facts.start,
        end: facts.start,
      };
    if (port.default) port.required = false;
  }
  if (typed && component.unresolved) component.open = true;
  // Handed on whole: any name may have a use.
  if (
    facts.render.some((node) => node.attributes.some((one) => isPropsSpread(component, one.value, one.mode)))
  ) {
    component.open = true;
  }
}

/** A port that nobody declares: call sites write its name. */
function addPort({ id, facts, file, ports }: Component, name: string): void {
  if (ports.has(name)) return;
  ports.set(name, {
    component: id,
    name,
    channel: name.startsWith('@') ? 'event' : 'prop',
    place: { file, start: facts.nameStart, end: facts.nameEnd },
    declared: false,
    shared: false,
    inherited: false,
    required: false,
    requiredByType: false,
    typed: false,
    symbol: -1,
    node: -1,
  });
}

/**
 * A component without declaration that spreads its props takes what its call sites write, by name, and what
 * others spread into it.
 */
function addCarriedPorts(components: Component[], sites: Site[]): void {
  /** Whether a component further down, on which undeclared names land, takes a name. */
  const landsOn = (component: Component, name: string, seen: Set<number>): boolean => {
    if (seen.has(component.id)) return false;
    seen.add(component.id);
    return component.spreads.some(({ site }) => {
      const into = site >= 0 ? components[sites[site]!.target]! : undefined;
      return into !== undefined && (into.ports.has(name) || landsOn(into, name, seen));
    });
  };
  const add = (component: Component, name: string): void => {
    const spreads = component.spreads.filter((one) => !one.except.includes(name));
    if (!spreads.length || saysAll(component) || component.ports.has(name)) return;
    // What lands on an element is an attribute of the page.
    if (component.facts.traits.attributesFallThrough && !landsOn(component, name, new Set())) return;
    addPort(component, name);
    // Where a type is written, a name that it may have is followed, and not judged.
    if (component.facts.propsType && component.facts.propsType.t !== 'any')
      component.ports.get(name)!.carried = true;
    for (const { site } of spreads) if (site >= 0) add(components[sites[site]!.target]!, name);
    // What lands on one component alone must fit there.
    const [only, more] = spreads;
    const below =
      only && !more && only.site >= 0 ? components[sites[only.site]!.target]!.ports.get(name) : undefined;
    const added = component.ports.get(name);
    if (added && below?.type && component.facts.traits.attributesFallThrough) added.type = below.type;
  };
  for (const site of sites) {
    const target = components[site.target]!;
    // What is handed in is provided as a whole: each name is a member of what is provided.
    if (target.facts.openProps && target.facts.provides.length)
      for (const { mode, name } of site.fact.attributes) if (mode === 'value') addPort(target, name);
    if (!target.spreads.length) continue;
    const { attributesFallThrough, listenersWritten } = target.facts.traits;
    for (const { mode, name } of site.fact.attributes) {
      // Where listeners are written one by one, so is content: no spread carries it.
      if (listenersWritten && name.startsWith('#')) continue;
      if (mode === 'value' || (attributesFallThrough && mode === 'listen')) add(target, name);
    }
  }
}

/** Names that a component hands on to what it is handed itself: they are followed, and not judged. */
function addHandedPorts(components: Component[], written: Site[], sites: Site[]): void {
  const targets = (component: Component, name: string): Component[] =>
    handedIn(component).flatMap((id) => {
      const { fact, target } = sites[id]!;
      return fact.attributes.some((one) => carries(component, one, name)) ? [components[target]!] : [];
    });
  /** Whether a component takes a name; worked out once, whoever asks. */
  const takes = new Map<string, boolean>();
  const add = (component: Component, name: string): boolean => {
    const key = `${component.id}:${name}`;
    const known = takes.get(key);
    if (known !== undefined) return known;
    takes.set(key, component.ports.has(name));
    const into = [
      ...component.spreads.flatMap(({ site, except }) =>
        site < 0 || except.includes(name) ? [] : [components[sites[site]!.target]!],
      ),
      ...targets(component, name),
    ];
    const isTaken = into.map((one) => add(one, name)).includes(true);
    const isOpen = !saysAll(component) || component.facts.traits.attributesFallThrough;
    if (isTaken && isOpen) addCarried(component, name);
    const found = component.ports.has(name);
    takes.set(key, found);
    return found;
  };
  for (const site of written) {
    const target = components[site.target]!;
    if (!target.handedSites.size && !target.spreads.length) continue;
    for (const { mode, name } of site.fact.attributes) if (mode === 'value') add(target, name);
  }
}

function addCarried(component: Component, name: string): void {
  if (component.ports.has(name)) return;
  addPort(component, name);
  component.ports.get(name)!.carried = true;
}

/** A written type says every name that the component takes. */
const saysAll = ({ facts: { propsType }, unresolved }: Component): boolean =>
  propsType !== undefined && propsType.t !== 'any' && !unresolved;

const isBoolean = (shape: Shape | undefined): boolean =>
  (shape?.k === 'prim' && shape.n === 'boolean') || (shape?.k === 'union' && shape.of.some(isBoolean));

const isPropsSpread = (component: Component, value: ExprFact, mode: string): boolean =>
  mode === 'spread' &&
  value.kind === 'identity' &&
  /^(bag|rest)$/.test(component.facts.symbols[value.symbol!]!.kind);

/** `own` marks the members that are written in the component's own props type. */
function addTyped(component: Component, shape: Shape, owners: Map<string, Set<number>>, own: string): void {
  const alternatives = shape.k === 'union' ? shape.of : [shape];
  const objects = alternatives.filter((one) => one.k === 'object');
  if (objects.length < alternatives.length) component.unresolved = true;
  for (const one of objects) if (one.open || one.index) component.unresolved = true;
  if (objects.length > 1 && objects.length === alternatives.length) {
    component.variants = objects.map(
      ({ members }) =>
        new Map([...members].map(([name, one]) => [name, { required: !one.optional, type: one.type }])),
    );
  }
  for (const one of objects) {
    for (const [name, member] of one.members) {
      const shared = member.owner !== '' && owners.get(member.owner)!.size > 1;
      const known = component.ports.get(name);
      if (known) {
        // Alternatives: the port's type is what all of them say, or unknown.
        delete known.type;
        continue;
      }
      const required =
        !member.optional &&
        objects.length === alternatives.length &&
        objects.every((other) => other.members.get(name)?.optional === false);
      component.ports.set(name, {
        component: component.id,
        name,
        channel: 'prop',
        place:
          shared || member.start < 0
            ? { file: component.file, start: component.facts.nameStart, end: component.facts.nameEnd }
            : { file: member.file, start: member.start, end: member.end },
        declared: true,
        shared,
        ...(member.start < 0
          ? {}
          : { declaredAt: { file: member.file, start: member.start, end: member.end } }),
        inherited: shared && member.owner !== own,
        required,
        requiredByType: required,
        typed: true,
        type: member.type,
        symbol: -1,
        node: -1,
      });
    }
  }
}

/** The type of the symbol that holds a prop. */
export function portTypeOf(component: Component, name: string): Lazy | undefined {
  return component.ports.get(name)?.type;
}

/** Ports that some call site fills with markup, as `component:name`. */
function contentHanded(sites: Site[], components: Component[]): Set<string> {
  const filled = new Set<string>();
  for (const site of sites) {
    for (const { slot } of components[site.owner]!.drawn.get(site.node) ?? [])
      if (slot !== undefined) filled.add(`${site.target}:${slot}`);
    for (const attribute of site.fact.attributes) {
      const { value } = attribute;
      const drawn =
        value.kind === 'content' ||
        (value.kind === 'function' && value.content?.some((one) => typeof one === 'number') === true);
      if (drawn) filled.add(`${site.target}:${attribute.name}`);
    }
  }
  return filled;
}

function channelOf(component: Component, port: Port, types: TypeSpace, filled: Set<string>): Port['channel'] {
  const { traits } = component.facts;
  // Where events and slots have names of their own, their names say so.
  if (port.channel !== 'prop') return port.channel;
  if (port.name === traits.contentPort) return 'slot';
  const shape = port.type ? types.resolve(port.type) : undefined;
  if (shape && isContent(shape, types)) return 'slot';
  const known = shape !== undefined && shape.k !== 'unknown';
  if (traits.callbackProps && known && (shape.k === 'handler' || hasHandler(shape))) return 'event';
  if (traits.callbackProps && isCallbackName(port.name)) {
    if (known ? isFunction(shape) : !isOnlyShown(component, port)) return 'event';
  }
  if (traits.lowerCallbacks && /^on[a-z]{2}/.test(port.name)) {
    if (known ? isFunction(shape) : component.facts.emits.some((one) => one.symbol === port.symbol))
      return 'event';
  }
  // A function of which nobody says what it gives back may draw.
  const mayDraw = !known || (shape.k === 'fn' && /^(unknown|any)$/.test(types.resolve(shape.returns).k));
  return mayDraw && filled.has(`${component.id}:${port.name}`) ? 'slot' : 'prop';
}

/** What is read as a value, and never called or handed to anybody, is no callback whatever its name is. */
function isOnlyShown({ facts }: Component, { symbol }: Port): boolean {
  const reads = facts.reads.filter((read) => read.symbol === symbol);
  return (
    reads.length > 0 &&
    reads.every((read) => /^(condition|text|attribute|derivation)$/.test(read.where) && read.fn === -1) &&
    !facts.emits.some((emit) => emit.symbol === symbol) &&
    !facts.functions.some((fn) => fn.calls.includes(symbol)) &&
    !facts.render.some((node) =>
      node.attributes.some(({ value }) => value.symbol === symbol || value.uses?.includes(symbol)),
    )
  );
}

const hasHandler = (shape: Shape): boolean =>
  shape.k === 'union' && shape.of.some((one) => one.k === 'handler');

/** A function, or a union with one in it; an unknown part may be one. */
const isFunction = (shape: Shape): boolean =>
  shape.k === 'fn' ||
  shape.k === 'handler' ||
  (shape.k === 'union' && shape.of.some((one) => isFunction(one) || one.k === 'unknown'));

function isContent(shape: Shape, types: TypeSpace): boolean {
  if (shape.k === 'content') return true;
  if (shape.k === 'fn') return isContent(types.resolve(shape.returns), types);
  // What may be an object of any kind is a value, which may be drawn as well.
  const isAny = (one: Shape): boolean => one.k === 'object' && one.open && !one.members.size;
  return shape.k === 'union' && !shape.of.some(isAny) && shape.of.some((one) => isContent(one, types));
}
