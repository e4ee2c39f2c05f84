/** Sheets: component trees that are written down without code. */
import type { ComponentFacts, FileFacts } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { readSilences } from '../script/comments';
import { addActions } from './actions';
import { readComponent } from './component';
import { type Entry, type Fault, type Part, readDocument } from './document';
import { Scope } from './scope';
import { addProvided, declareAll, derive, startState } from './state';
import { addNode } from './tree';
import { emptyComponent, OUTSIDE, Unit, usesOf } from './unit';

/** Files of code that export their component by no name. */
const BY_DEFAULT = /\.(vue|svelte)$/;

/** Reads a sheet. What is wrong in it is told by its place; all else holds. */
export function readSheet(path: string, text: string): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), language: 'sheet' };
  const { root, faults } = readDocument(text);
  const faultAt = (fault: Fault) => ({ ...positionOf(text, fault), message: fault.message });
  const [first, ...others] = faults.map(faultAt);
  const components = root.get('components');
  // Without its components nothing of it is known.
  if (first && !components?.entries.length) return { ...facts, problem: first };
  const flaws = first ? [first, ...others] : [];
  for (const { key, keySpan, value } of root.get('uses')?.entries ?? [])
    if (value.text !== undefined)
      facts.imports.push({
        local: key,
        name: BY_DEFAULT.test(value.text) ? 'default' : key,
        from: value.text,
        ...keySpan,
      });

  const scope = new Scope(root);
  const loose = readLoose(root, text.length, scope);
  for (const entry of components?.entries ?? []) {
    const { facts: read, flaws: more } = readComponent(entry, scope);
    flaws.push(...more.map(faultAt));
    const component = facts.components.push(read) - 1;
    facts.values.push({ name: entry.key, kind: 'component', component, ...entry.keySpan });
    facts.exports.push({ name: entry.key, local: entry.key, ...entry.keySpan });
  }
  for (const { key, keySpan } of root.get('shared')?.entries ?? [])
    facts.values.push({ name: key, kind: 'value', type: scope.shared.get(key) ?? UNKNOWN, ...keySpan });
  if (loose) {
    facts.components.push(loose.facts);
    flaws.push(...loose.flaws.map(faultAt));
    facts.mounts = loose.facts.render.some((node) => node.mounted);
  }
  if (flaws.length) facts.flaws = flaws.map((one) => ({ ...one, path }));
  facts.silences = readSilences(commentsIn(text), text);
  return facts;
}

/** The sheet's own state, and the trees that it starts. */
function readLoose(root: Part, length: number, scope: Scope): Unit | undefined {
  const { shared } = scope;
  const values = root.get('shared')?.entries ?? [];
  const roots = root.get('roots')?.items ?? [];
  const provides = root.get('provides')?.entries ?? [];
  if (!values.length && !roots.length && !provides.length) return undefined;
  const facts: ComponentFacts = {
    ...emptyComponent('Sheet', { start: 0, end: 0 }, { start: 0, end: length }),
    role: 'module',
  };
  const u = new Unit(facts, scope, addActions);
  const isDerived = ({ value }: Entry) => value.entry('from') !== undefined;
  const states = declareAll(
    u,
    'state',
    values.filter((one) => !isDerived(one)),
  );
  const derived = declareAll(u, 'derived', values.filter(isDerived));
  for (const { symbol } of [...states, ...derived]) shared.set(symbol.name, UNKNOWN);
  u.shareNames(shared.keys());
  for (const one of states) startState(u, one, false);
  for (const one of derived) derive(u, one);
  // A type that names of the sheet's own code stand for means nothing in its components.
  for (const { entry, symbol } of [...states, ...derived])
    if (entry.value.entry('type') || !usesOf(symbol.init ? [symbol.init] : []).length)
      shared.set(symbol.name, symbol.type ?? UNKNOWN);
  facts.render.push({ kind: 'group', parent: -1, attributes: [], start: 0, end: length });
  for (const one of provides) addProvided(u, one, 0);
  for (const one of roots)
    if (one.entry('use'))
      facts.render[addNode(u, one, { parent: 0, local: OUTSIDE.local })]!.mounted = one.span;
    else if (one.text !== undefined)
      facts.render.push({
        kind: 'site',
        parent: 0,
        tag: { name: one.text, ...one.span },
        mounted: one.span,
        attributes: [],
        ...one.span,
      });
  return u;
}

function positionOf(text: string, { at }: Fault): { line: number; column: number } {
  const before = text.slice(0, at).split('\n');
  return { line: before.length, column: before.at(-1)!.length + 1 };
}

/** Comments, each to the end of its line. A mark in a text is taken for one only if it looks like an order to be silent. */
function commentsIn(text: string): { value: string; start: number; end: number }[] {
  return [...text.matchAll(/(?:^|\s)#(.*zinc-rope-ignore.*)$/gm)].map((found) => {
    const start = found.index + found[0].indexOf('#');
    return { value: found[1]!, start, end: found.index + found[0].length };
  });
}
