/**
 * Who provides which context where, who consumes it, and what is above whom on the page.
 */
import type { ConsumeFact, KeyFact, PlainCallFact, ProvideFact, Where } from '../../model/facts';
import { isCallbackName } from '../../model/names';
import type { Component, Place } from '../../model/project';
import { startsApp } from '../4-ports/usage';
import { groupBy } from '../../model/group-by';
import { belowNode } from './below';
import type { AbsentKey, Below, Consumer, ContextKey, Contexts, Provider } from './context-types';
import { Coverage } from './coverage';
import { mixinKey } from '../2-names/mixins';
import { contextKey } from './keys';
import type { Tree } from '../linked';

export function linkContexts(project: Tree): Contexts {
  const keys = new Map<string, ContextKey & { bit: bigint }>();
  const keyAt = (file: number, written: KeyFact) => {
    const target = contextKey(project, file, written);
    if (!target) return undefined;
    const { id } = target;
    let key = keys.get(id);
    if (!key) {
      key = {
        id,
        name: target.value.name,
        file: target.file,
        value: target.value,
        ...(target.component === undefined ? {} : { component: target.component }),
        bit: 1n << BigInt(keys.size),
      };
      keys.set(id, key);
    }
    return key;
  };
  const providers = project.components.flatMap((component) => [
    ...providersOf(project, component, keyAt),
    ...providedByHelpers(project, component, keyAt),
  ]);
  const consumers = project.components.flatMap((component) =>
    component.facts.role === 'component'
      ? [...consumersOf(project, component, keyAt), ...takenOver(project, component, keyAt)]
      : [],
  );
  providers.push(...themselves(project, keys.values()));
  const belows = new Map<Provider, Below>();
  const byKey = groupBy(providers, (one) => one.key);
  const cover = new Coverage(project, providers, (key) => keys.get(key.id)!.bit, keys.size);
  return {
    keys: [...keys.values()],
    providers,
    consumers,
    below: (provider) => {
      let found = belows.get(provider);
      if (!found) {
        const own = byKey.get(provider.key)!.filter((one) => one !== provider);
        const cuts = new Set(own.map((one) => `${one.component}:${one.node}`));
        found = belowNode(project, provider, (component, node) => cuts.has(`${component}:${node}`));
        belows.set(provider, found);
      }
      return found;
    },
    absent: project.components.flatMap((component) => absentKeys(project, component)),
    unserved: unservedBy(project, providers, consumers, keyAt),
    providedSomewhere: (component, key, from) => cover.isServed(component, keys.get(key.id)!.bit, from),
    barePath: (component, key, from) => cover.barePath(component, keys.get(key.id)!.bit, from),
    hasDefault,
    mountOf: (site) => cover.mountOf(project.components[site.owner]!, site.node),
    mayBeElsewhere: (component) => cover.unknown[component]!,
    isBelowProvider: (component, node, key) =>
      ((cover.some[component]! | cover.around(component, node) | cover.everywhere) &
        keys.get(key.id)!.bit) !==
      0n,
  };
}

export function hasDefault({ value }: Pick<ContextKey, 'value'>): boolean {
  const type = value.fallback?.type;
  return type !== undefined && !(type.t === 'lit' && (type.v === null || type.v === undefined));
}

type KeyAt = (file: number, key: KeyFact) => ContextKey | undefined;

/** A component that is asked for by what it is provides itself. */
function* themselves(project: Tree, keys: Iterable<ContextKey>): Iterable<Provider> {
  for (const key of keys) {
    const asked = key.component === undefined ? undefined : project.components[key.component]!;
    if (asked?.facts.role !== 'component') continue;
    const place = placeOfName(asked);
    yield {
      component: asked.id,
      node: 0,
      key,
      place,
      value: undefined,
      at: 'host',
      itself: true,
      implicit: true,
    };
  }
}

/** It reaches everything that the component renders, not only what is written inside a tag. */
const isWhole = ({ node, where }: ProvideFact): boolean => node === 0 && where === 'setup';

/** Helpers that call helpers are followed so far. */
const MAX_CALLS = 6;

/** What a helper provides, its caller does, however many helpers are in between. */
function providedByHelpers(project: Tree, component: Component, keyAt: KeyAt): Provider[] {
  const { role, traits } = component.facts;
  if (role !== 'component' && !(role === 'module' && traits.looseProvides)) return [];
  const providedBy = (code: Component, path: number[], place: Place): Provider[] => [
    ...code.facts.provides
      .filter((one) => isWhole(one) && !one.at)
      .flatMap((one) => {
        const key = keyAt(code.file, one.key);
        const inside = one.value ? { inside: { calls: path, value: one.value } } : {};
        const at = one.at ? { at: one.at } : {};
        return key
          ? [
              {
                component: component.id,
                node: 0,
                key,
                place,
                writtenIn: code.file,
                value: undefined,
                ...inside,
                ...at,
              },
            ]
          : [];
      }),
    ...(path.length < MAX_CALLS ? within(code, path, place) : []),
  ];
  const within = (caller: Component, calls: number[], at?: Place): Provider[] => [
    ...caller.mixins.flatMap((mixin, index) =>
      providedBy(mixin, [...calls, mixinKey(index)], at ?? placeOfName(component)),
    ),
    ...caller.facts.calls.flatMap((call, index) => {
      if (call.fn !== -1) return [];
      const target = project.lookup(caller.file, call.name);
      const helper = target.kind === 'component' ? project.components[target.component]! : undefined;
      if (helper?.facts.role !== 'helper') return [];
      const place = at ?? { file: component.file, start: call.start, end: call.end };
      return providedBy(helper, [...calls, index], place);
    }),
  ];
  return within(component, []);
}

const placeOfName = ({ file, facts }: Component): Place => ({
  file,
  start: facts.nameStart,
  end: facts.nameEnd,
});

/** The context's own provider element, or the context itself as an element. */
function providersOf(project: Tree, component: Component, keyAt: KeyAt): Provider[] {
  const { facts, file, id } = component;
  const found: Provider[] = [];
  for (const one of facts.role === 'helper' && facts.provides.some(isWhole) ? [] : facts.provides) {
    // A helper that draws nothing provides for its callers alone, if at all.
    const key = facts.render[one.node] && keyAt(file, one.key);
    if (!key) continue;
    found.push({
      component: id,
      node: one.node,
      key,
      place: { file, start: one.keyStart, end: one.keyEnd },
      value: one.value,
      ...(one.at ? { at: one.at } : {}),
      ...(one.many ? { many: one.many } : {}),
      ...(one.self ? { itself: true } : {}),
      ...(one.implied ? { implicit: true } : {}),
    });
  }
  facts.render.forEach((node, index) => {
    if (node.kind !== 'site' || !node.tag || node.tag.symbol !== undefined || node.tag.unbound) return;
    const { name } = node.tag;
    const key = project.lookup(file, name).kind === 'value' ? keyAt(file, { name }) : undefined;
    if (!key) return;
    const value = node.attributes.find((one) => one.name === 'value')?.value;
    found.push({
      component: id,
      node: index,
      key,
      place: { file, start: node.tag.start, end: node.tag.end },
      value,
    });
  });
  return found;
}

function absentKeys(project: Tree, { facts, file, id }: Component): AbsentKey[] {
  return facts.consumes.flatMap((one) => {
    if (!('name' in one.key)) return [];
    const target = project.lookup(file, one.key.name);
    if (target.kind !== 'absent') return [];
    const place = { file, start: one.start, end: one.end };
    return [{ component: id, name: target.name, place, file: target.file }];
  });
}

/**
 * What is asked for by things that are there for everybody, and is not there for everybody: what a component provides, they
 * do not see. Only of what some component asks for.
 */
function unservedBy(
  project: Tree,
  providers: Provider[],
  consumers: Consumer[],
  keyAt: KeyAt,
): (Consumer & { provided: boolean })[] {
  const everywhere = new Set(
    providers.flatMap(({ component, key }) =>
      project.components[component]!.facts.role === 'module' ? [key.id] : [],
    ),
  );
  const asked = new Set(consumers.map((one) => one.key.id));
  // Where no app is seen to start, one elsewhere may provide it.
  if (!project.files.some(startsApp)) return [];
  return project.components.flatMap(({ facts, file }) =>
    facts.provides.flatMap(({ itself, key: written, value }) => {
      const key = itself && value?.from ? keyAt(file, written) : undefined;
      if (!key || !asked.has(key.id)) return [];
      const call = { ...facts.calls[value!.from!.call]!, own: true as const };
      return throughHelper(project, file, call, keyAt, new Set())
        .filter((one) => one.missing !== 'handled' && !hasDefault(one.key) && !everywhere.has(one.key.id))
        .map((one) => ({
          component: one.helper,
          key: one.key,
          place: one.asked,
          missing: one.missing,
          where: 'setup' as const,
          provided: providers.some(({ key: other }) => other === one.key),
        }));
    }),
  );
}

/** What a component takes over asks for it; whether anything is there is said where that is written. */
function takenOver(project: Tree, { id, mixins }: Component, keyAt: KeyAt, depth = 0): Consumer[] {
  return (depth < MAX_CALLS ? mixins : []).flatMap((mixin) =>
    [...consumersOf(project, mixin, keyAt), ...takenOver(project, mixin, keyAt, depth + 1)].map(
      (one): Consumer => ({ ...one, component: id, missing: 'handled' }),
    ),
  );
}

/** What a component consumes itself, and through helpers of the project, however deep. */
function consumersOf(project: Tree, component: Component, keyAt: KeyAt): Consumer[] {
  const { facts, file, id } = component;
  const found: Consumer[] = [];
  for (const one of facts.consumes) {
    const key = keyAt(file, one.key);
    if (!key) continue;
    const place = { file, start: one.start, end: one.end };
    const where = one.late
      ? 'handler'
      : one.where === 'setup'
        ? one.where
        : timeOf(component, one.fn, one.where);
    const { type } = facts.symbols[one.symbol] ?? {};
    found.push({
      component: id,
      key,
      place,
      missing: one.missing,
      where,
      ...(one.from ? { from: one.from } : {}),
      ...(type ? { type: { type, file, component: id } } : {}),
    });
  }
  facts.calls.forEach((call, index) => {
    const place = { file, start: call.start, end: call.end };
    const where = timeOf(component, call.fn, call.where);
    for (const { key, missing, passed, asked } of throughHelper(project, file, call, keyAt, new Set())) {
      const bare = passed && readsBare(component, index);
      // An object that is made for the component asks by itself.
      const at = call.own ? asked : place;
      found.push({ component: id, key, place: at, missing: bare ? 'bare' : missing, where });
    }
  });
  return found;
}

/** Whether the caller of a helper takes what it gave back apart, and nowhere asks whether it is there. */
function readsBare({ facts }: Component, call: number): boolean {
  const symbol = facts.symbols.findIndex(({ init }) => init?.from?.call === call && !init.from.path.length);
  const reads = facts.reads.filter((read) => read.symbol === symbol);
  return (
    reads.some((read) => read.path?.length && !read.soft && read.fn === -1) &&
    !reads.some((read) => read.soft || read.where === 'condition')
  );
}

/** When code in a function runs: a function that nobody is seen to use as a handler may be anything. */
export function timeOf({ facts }: Component, fn: number, where: Where): Where | 'setup' {
  // What runs before anything is drawn is a part of the set-up.
  if (facts.functions[fn]?.first) return 'setup';
  if (fn === -1 || where === 'effect') return fn === -1 ? 'setup' : where;
  for (let at = fn; at >= 0; at = facts.functions[at]!.parent) {
    const heard = facts.render.some((node) =>
      node.attributes.some(({ name, mode, value }) => {
        const isHandler = isCallbackName(name) || (node.kind === 'element' && /^on[a-z]/.test(name));
        if (mode !== 'listen' && !isHandler) return false;
        return value.fn === at || (value.kind === 'identity' && facts.symbols[value.symbol!]!.fn === at);
      }),
    );
    if (heard) return 'handler';
  }
  return 'derivation';
}

/** `passed`: the helper hands on what it was given as it is, so that whether it is there is for its caller to ask. */
interface Through {
  key: ContextKey;
  missing: ConsumeFact['missing'];
  passed: boolean;
  /** Where the helper asks, and which it is. */
  asked: Place;
  helper: number;
}

function throughHelper(
  project: Tree,
  file: number,
  { name, args, made, own: isOwn }: PlainCallFact,
  keyAt: KeyAt,
  seen: Set<number>,
): Through[] {
  // What is made by hand is given what it takes.
  if (!args || (made && !isOwn && args.length)) return [];
  const target = project.lookup(file, name);
  if (target.kind !== 'component' || seen.has(target.component)) return [];
  seen.add(target.component);
  const helper = project.components[target.component]!;
  if (helper.facts.role !== 'helper') return [];
  const own = helper.facts.consumes.flatMap((one) => {
    const key = keyAt(helper.file, one.key);
    if (!key) return [];
    const unread =
      one.missing === 'bare' && !helper.facts.reads.some((read) => read.symbol === one.symbol && read.path);
    const { result } = helper.facts;
    const passed = unread && result?.kind === 'identity' && result.symbol === one.symbol;
    const handled = unread || one.from !== undefined;
    const asked = { file: helper.file, start: one.start, end: one.end };
    const missing = handled ? ('handled' as const) : one.missing;
    return [{ key, missing, passed, asked, helper: helper.id }];
  });
  const deeper = helper.facts.calls.flatMap((call) => throughHelper(project, helper.file, call, keyAt, seen));
  return [...own, ...deeper.map((one) => ({ ...one, passed: false }))];
}
