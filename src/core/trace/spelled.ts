/** Where things are spelled in the code: components, ports, keys of contexts, and what components keep. */
import type { Linked } from '../link';
import type { ContextKey } from '../link/5-contexts/context-types';
import { useOf } from '../link/4-ports/use-of-ports';
import { declarationOf } from '../model/declaration';
import type { PortFact, Span } from '../model/facts';
import { publicName } from '../model/names';
import { oncePer } from '../model/once-per';
import { located } from '../model/parts';
import type { Component, FlowNode, Place, Port } from '../model/project';

/** What is spelled. */
export type Meaning =
  | { kind: 'component'; component: Component }
  | { kind: 'port'; component: Component; port: Port }
  | { kind: 'context'; key: ContextKey }
  | { kind: 'value'; node: FlowNode };

/**
 * How it is spelled: where it is declared; as a tag; as what a call site gives or listens to; where it is read; where it is
 * raised; where it is provided, or asked for; where content is placed, or filled in.
 */
export type Spelt =
  'declared' | 'tag' | 'given' | 'read' | 'raised' | 'provided' | 'consumed' | 'placed' | 'filled';

export interface Spelling {
  /** In the file that really holds it. */
  place: Place;
  means: Meaning;
  how: Spelt;
}

export interface Spellings {
  /** What is spelled at an offset of a file: of those around it the shortest, several where they are equally short. */
  at(file: number, offset: number): Spelling[];
  /** Every place at which a thing is spelled, in the order of files and places. */
  of(means: Meaning): Spelling[];
}

/** Tells things apart. */
function keyOf(means: Meaning): string {
  switch (means.kind) {
    case 'component':
      return `component ${means.component.id}`;
    case 'port':
      return `port ${means.component.id} ${means.port.name}`;
    case 'context':
      return `context ${means.key.id}`;
    case 'value':
      return `value ${means.node.id}`;
  }
}

export const spellingsOf = oncePer((project: Linked): Spellings => {
  const found = [...allIn(project)];
  const byFile = new Map<number, Spelling[]>();
  const byMeaning = new Map<string, Spelling[]>();
  const seen = new Set<string>();
  for (const one of found) {
    const key = keyOf(one.means);
    const { file, start, end } = one.place;
    // What is declared by being there is written nowhere.
    if (start === end) continue;
    // The place at which a port is read for the first time may be its declaration.
    const once = `${key} ${file} ${start} ${end}`;
    if (seen.has(once)) continue;
    seen.add(once);
    put(byFile, file, one);
    put(byMeaning, key, one);
  }
  for (const list of byMeaning.values())
    list.sort((a, b) => a.place.file - b.place.file || a.place.start - b.place.start);
  const length = ({ place }: Spelling): number => place.end - place.start;
  return {
    at(file, offset) {
      const around = (byFile.get(file) ?? []).filter(
        ({ place }) => place.start <= offset && offset <= place.end,
      );
      const least = Math.min(...around.map(length));
      return around.filter((one) => length(one) === least);
    },
    of: (means) => byMeaning.get(keyOf(means)) ?? [],
  };
});

function put<K>(lists: Map<K, Spelling[]>, key: K, one: Spelling): void {
  const list = lists.get(key);
  if (list) list.push(one);
  else lists.set(key, [one]);
}

function* allIn(project: Linked): Iterable<Spelling> {
  const at = (file: number, { start, end }: Span): Place => located(project, { file, start, end });
  for (const component of project.components) {
    yield* ofComponent(project, component, at);
    for (const port of component.ports.values()) yield* ofPort(project, component, port, at);
  }
  for (const site of project.written) yield* ofSite(project, site, at);
  yield* ofContexts(project, at);
}

/** Content without a tag is no name: it is told by where it begins. */
const beginningOf = ({ start }: Span): Span => ({ start, end: start + 1 });

/** Ways of naming a port that are no use of it. */
const WRITTEN: ReadonlySet<PortFact['declared']> = new Set(['list', 'destructured', 'default']);

type At = (file: number, span: Span) => Place;

function* ofComponent(project: Linked, component: Component, at: At): Iterable<Spelling> {
  const { facts, file } = component;
  if (facts.role !== 'component') return;
  const means = { kind: 'component' as const, component };
  // A component without a name of its own has no place of it.
  if (facts.nameEnd > facts.nameStart)
    yield { place: at(file, { start: facts.nameStart, end: facts.nameEnd }), means, how: 'declared' };
  const kept = new Map<number, Meaning>();
  facts.symbols.forEach((_, symbol) => {
    const id = component.nodeOf[symbol]!;
    const node = id < 0 ? undefined : project.flow.nodes[id]!;
    if (node?.channel === 'state' && node.component === component.id)
      kept.set(symbol, { kind: 'value', node });
  });
  for (const [symbol, state] of kept) {
    const { place } = project.flow.nodes[component.nodeOf[symbol]!]!;
    yield { place: at(place.file, place), means: state, how: 'declared' };
  }
  const read = (symbol: number, span: Span): Spelling[] => {
    const state = kept.get(symbol);
    return state ? [{ place: at(file, span), means: state, how: 'read' }] : [];
  };
  for (const one of facts.reads) yield* read(one.symbol, one);
  for (const { symbol, node, attribute } of component.passes)
    yield* read(symbol, facts.render[node]!.attributes[attribute]!.value);
}

function* ofPort(project: Linked, component: Component, port: Port, at: At): Iterable<Spelling> {
  const { facts, file } = component;
  const means = { kind: 'port' as const, component, port };
  const declared = declarationOf(port);
  yield { place: at(declared.file, declared), means, how: 'declared' };
  if (port.declared) yield { place: at(port.place.file, port.place), means, how: 'declared' };
  // Beside its type, a port is named where the inputs are taken apart.
  for (const one of facts.ports)
    if (one.name === port.name && WRITTEN.has(one.declared))
      yield { place: at(file, one), means, how: 'declared' };
  const use = useOf(component, port);
  for (const emit of use.emits) yield { place: at(file, emit), means, how: 'raised' };
  for (const read of use.reads) yield { place: at(file, read), means, how: 'read' };
  for (const { node, attribute } of use.passes) {
    const { value } = facts.render[node]!.attributes[attribute]!;
    yield { place: at(file, value), means, how: 'read' };
  }
  if (port.channel !== 'slot') return;
  for (const node of facts.render)
    if (node.kind === 'outlet' && publicName(node.outlet ?? '') === publicName(port.name))
      yield { place: at(file, node), means, how: 'placed' };
  for (const id of component.calledAt) {
    const site = project.sites[id]!;
    const { render } = project.components[site.owner]!.facts;
    for (const node of render)
      if (node.parent === site.node && publicName(node.slot ?? '') === publicName(port.name))
        yield { place: at(site.file, node.tag ?? beginningOf(node)), means, how: 'filled' };
  }
}

function* ofSite(project: Linked, site: Linked['sites'][number], at: At): Iterable<Spelling> {
  const component = project.components[site.target]!;
  const { tag } = site.fact;
  if (tag) yield { place: at(site.file, tag), means: { kind: 'component', component }, how: 'tag' };
  for (const [name, attribute] of project.handed(site).attributes) {
    const port = component.ports.get(name);
    if (!port) continue;
    const span = { start: attribute.nameStart, end: attribute.nameEnd };
    yield { place: at(site.file, span), means: { kind: 'port', component, port }, how: 'given' };
  }
}

function* ofContexts({ contexts }: Linked, at: At): Iterable<Spelling> {
  for (const key of contexts.keys) {
    const means = { kind: 'context' as const, key };
    yield { place: at(key.file, key.value), means, how: 'declared' };
  }
  for (const { key, place, implicit } of contexts.providers)
    if (!implicit) yield { place: at(place.file, place), means: { kind: 'context', key }, how: 'provided' };
  for (const { key, place } of contexts.consumers)
    yield { place: at(place.file, place), means: { kind: 'context', key }, how: 'consumed' };
}
