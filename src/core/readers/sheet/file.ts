/** Sheets: component trees that are written down without code. */
import type { ComponentFacts, FileFacts } from '../../model/facts';
import { type TypeExpr, UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { readSilences } from '../script/comments';
import { readComponent } from './component';
import { type Fault, type Part, readDocument } from './document';
import { addState } from './state';
import { emptyComponent, Unit } from './unit';

/** Files of code that export their component by no name. */
const BY_DEFAULT = /\.(vue|svelte)$/;

/** Reads a sheet. What is wrong in it is told by its place; all else holds. */
export function readSheet(path: string, text: string): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), language: 'sheet' };
  const { root, faults } = readDocument(text);
  const [first, ...others] = faults.map((fault) => ({ ...positionOf(text, fault), message: fault.message }));
  const components = root.get('components');
  // Without its components nothing of it is known.
  if (first && !components?.entries.length) return { ...facts, problem: first };
  if (first) facts.flaws = [first, ...others].map((one) => ({ ...one, path }));
  for (const { key, keySpan, value } of root.get('uses')?.entries ?? [])
    if (value.text !== undefined)
      facts.imports.push({
        local: key,
        name: BY_DEFAULT.test(value.text) ? 'default' : key,
        from: value.text,
        ...keySpan,
      });

  const shared = new Map<string, TypeExpr>();
  const loose = readLoose(root, text.length, shared);
  const known = new Set([
    ...(components?.entries ?? []).map((one) => one.key),
    ...facts.imports.map((one) => one.local),
  ]);
  for (const entry of components?.entries ?? []) {
    const component = facts.components.push(readComponent(entry, shared, known)) - 1;
    facts.values.push({ name: entry.key, kind: 'component', component, ...entry.keySpan });
    facts.exports.push({ name: entry.key, local: entry.key, ...entry.keySpan });
  }
  for (const { key, keySpan } of root.get('shared')?.entries ?? [])
    facts.values.push({ name: key, kind: 'value', type: shared.get(key) ?? UNKNOWN, ...keySpan });
  if (loose) {
    facts.components.push(loose);
    facts.mounts = loose.render.some((node) => node.mounted);
  }
  facts.silences = readSilences(commentsIn(text), text);
  return facts;
}

/** The sheet's own state, and the trees that it starts. */
function readLoose(root: Part, length: number, shared: Map<string, TypeExpr>): ComponentFacts | undefined {
  const states = root.get('shared')?.entries ?? [];
  const roots = root.get('roots')?.items ?? [];
  if (!states.length && !roots.length) return undefined;
  const facts: ComponentFacts = {
    ...emptyComponent('Sheet', { start: 0, end: 0 }, { start: 0, end: length }),
    role: 'module',
  };
  const u = new Unit(facts, new Map());
  for (const entry of states) shared.set(entry.key, addState(u, entry, false));
  facts.render.push({ kind: 'group', parent: -1, attributes: [], start: 0, end: length });
  for (const one of roots)
    if (one.text !== undefined)
      facts.render.push({
        kind: 'site',
        parent: 0,
        tag: { name: one.text, ...one.span },
        mounted: one.span,
        attributes: [],
        ...one.span,
      });
  return facts;
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
