/**
 * Renames a port everywhere it is spelled, where every place is certain. What is certain is tried out: the project is
 * audited with the new name, and has to be what it was but for that.
 */
import type { Position, Range, TextEdit, WorkspaceEdit } from 'vscode-languageserver-types';
import { publicName } from '../core/model/names';
import type { Component, Place, Port } from '../core/model/project';
import { type Meaning, type Spelling, spellingsOf } from '../core/trace/spelled';
import { traceNodes } from '../core/trace/trace';
import type { FolderAudit } from '../server/engine/folder';
import { freshenFiles } from '../server/engine/freshen';
import { deskOf, type Room, spelledAt } from './answers';
import { rangeIn, uriOf } from './places';
import type { Refused } from './questions';

type PortMeaning = Extract<Meaning, { kind: 'port' }>;

interface Edit {
  path: string;
  start: number;
  end: number;
  text: string;
}

/** The range of the name to be renamed, or why it cannot be. */
export function renameable(room: Room, path: string, position: Position): Range | Refused {
  const found = portAt(room, path, position);
  if ('refused' in found) return found;
  const { port, place } = found;
  const text = room.folder.textOf(path);
  const at = nameWithin(text.slice(place.start, place.end), publicName(port.name));
  if (!at) return { refused: 'the name is not written here as it is called' };
  return rangeIn(text, place.start + at.start, place.start + at.end);
}

function portAt(room: Room, path: string, position: Position): (PortMeaning & { place: Place }) | Refused {
  const spelled = spelledAt(room, path, position);
  const ports = spelled.flatMap(({ means, place }) => (means.kind === 'port' ? [{ ...means, place }] : []));
  const [first, ...more] = ports;
  if (!first || spelled.length > ports.length)
    return { refused: 'only a prop, an event or a slot of a component can be renamed across components' };
  if (more.some((one) => one.component !== first.component || one.port !== first.port))
    return { refused: 'several components take this name from one declaration' };
  const { component, port } = first;
  if (port.channel === 'slot') return { refused: 'slots are not renamed yet' };
  const why = uncertain(room, component, port);
  return why === undefined ? first : { refused: why };
}

/** Why not every place is known at which a port is spelled. */
function uncertain(room: Room, component: Component, port: Port): string | undefined {
  const { project } = deskOf(room);
  const { name, facts } = component;
  if (port.shared || port.inherited)
    return `several components take "${publicName(port.name)}" from one type`;
  if (facts.wrapped || component.unknownSites)
    return `${name} may be handed names that no code of the project shows`;
  if (facts.openProps) return `${name} uses what it is handed as a whole`;
  if (component.mixins.length || component.openBase) return `${name} takes it over from elsewhere`;
  if (component.spreads.some((one) => !one.except.includes(port.name))) return `${name} spreads it on`;
  for (const id of component.calledAt) {
    const site = project.sites[id]!;
    const handed = project.handed(site);
    if (handed.unknown || handed.spread.has(port.name))
      return `${project.components[site.owner]!.name} spreads something onto ${name}, which may hold it`;
  }
  return undefined;
}

/** Where a name, or its spelling with dashes, stands in a piece of code; the first time, as a whole word. */
function nameWithin(text: string, name: string): { start: number; end: number; dashed: boolean } | undefined {
  for (const [spelled, dashed] of [
    [name, false],
    [withDashes(name), true],
  ] as const) {
    for (let at = text.indexOf(spelled); at >= 0; at = text.indexOf(spelled, at + 1)) {
      const end = at + spelled.length;
      const isWhole = !/[\w$-]/.test(text[at - 1] ?? '') && !/[\w$-]/.test(text[end] ?? '');
      if (isWhole) return { start: at, end, dashed };
    }
  }
  return undefined;
}

const withDashes = (name: string): string =>
  name.replace(/\p{Lu}/gu, (letter, at: number) => `${at ? '-' : ''}${letter.toLowerCase()}`);

export function rename(
  room: Room,
  path: string,
  position: Position,
  typed: string,
  unsaved: ReadonlyMap<string, string>,
): WorkspaceEdit | Refused {
  // Where names are written with dashes, one may be typed so.
  const wanted = typed.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());
  if (!/^[\p{L}_$][\p{L}\p{N}_$]*$/u.test(wanted)) return { refused: `"${typed}" is no name` };
  const found = portAt(room, path, position);
  if ('refused' in found) return found;
  const { component } = found;
  const taken = [...component.ports.values()].some((one) => publicName(one.name) === wanted);
  if (taken) return { refused: `${component.name} has a port called "${wanted}" already` };
  const edits = editsOf(room, found, wanted);
  if ('refused' in edits) return edits;
  const why = changesMore(room, found, wanted, edits, unsaved);
  if (why !== undefined) return { refused: why };
  const changes: Record<string, TextEdit[]> = {};
  for (const { path: file, start, end, text } of edits)
    (changes[uriOf(room, file)] ??= []).push({
      range: rangeIn(room.folder.textOf(file), start, end),
      newText: text,
    });
  return { changes };
}

function editsOf(room: Room, { component, port }: PortMeaning, wanted: string): Edit[] | Refused {
  const { project, textOf } = deskOf(room);
  const name = publicName(port.name);
  const all = spellingsOf(project).of({ kind: 'port', component, port });
  // Taken apart under its own name, it goes on to be called so inside.
  const isAliased = all.some((one) => isShorthand(room, one, name));
  const edits = new Map<string, Edit>();
  for (const one of all) {
    const { place, how } = one;
    const file = project.files[place.file]!.path;
    const text = textOf(file).slice(place.start, place.end);
    const at = nameWithin(text, name);
    // Inside it is known by another name.
    if (!at && (how === 'read' || how === 'raised')) continue;
    if (!at) return { refused: `the name is not seen in \`${text.slice(0, 40)}\` of ${file}` };
    const isBare = at.start === 0 && (how === 'read' || how === 'raised');
    if (isAliased && isBare) continue;
    const start = place.start + at.start;
    const spelled = at.dashed ? withDashes(wanted) : wanted;
    const replaced = isShorthand(room, one, name)
      ? `${wanted}: ${name}`
      : isBoth(room, one)
        ? `${spelled}={${name}}`
        : spelled;
    const [from, to] = isBoth(room, one)
      ? [start - 1, start + name.length + 1]
      : [start, place.start + at.end];
    edits.set(`${file} ${from}`, { path: file, start: from, end: to, text: replaced });
  }
  return [...edits.values()];
}

/** `{ fare }` where props are taken apart: the name inside and outside at once. */
function isShorthand(room: Room, { place, how, means }: Spelling, name: string): boolean {
  if (how !== 'declared' || means.kind !== 'port' || means.port.declared !== true) return false;
  const { project, textOf } = deskOf(room);
  const { facts } = means.component;
  const own = facts.ports.find((one) => one.name === means.port.name && one.declared === 'destructured');
  if (!own || own.start !== place.start || means.component.file !== place.file) return false;
  const text = textOf(project.files[place.file]!.path);
  return text.slice(place.start, place.end) === name && !/^\s*:/.test(text.slice(place.end));
}

/** `{fare}` on a tag: the name and what is given at once. */
function isBoth(room: Room, { place, how }: Spelling): boolean {
  if (how !== 'given') return false;
  const { project, textOf } = deskOf(room);
  const text = textOf(project.files[place.file]!.path);
  return text[place.start - 1] === '{' && text[place.end] === '}';
}

/** Audits the project with the edits, and as it was again. Gives what else would be another thing than before. */
function changesMore(
  { root, folder }: Room,
  { component, port }: PortMeaning,
  wanted: string,
  edits: Edit[],
  unsaved: ReadonlyMap<string, string>,
): string | undefined {
  const texts = new Map(unsaved);
  for (const path of new Set(edits.map((one) => one.path))) {
    const own = edits.filter((one) => one.path === path).sort((a, b) => b.start - a.start);
    let text = folder.textOf(path);
    for (const { start, end, text: put } of own) text = text.slice(0, start) + put + text.slice(end);
    texts.set(path, text);
  }
  const paths = [...new Set(edits.map((one) => one.path))];
  const file = folder.audit.result.project.files[component.file]!.path;
  const mark = port.name.startsWith('@') ? '@' : '';
  const before = stateOf(folder, file, component.name, port.name);
  const tried = freshenFiles(root, folder, paths, texts);
  try {
    if (!tried || tried.broken.size > folder.broken.size)
      return 'with the new name some code is not understood';
    const after = stateOf(tried, file, component.name, mark + wanted);
    if (!after || !before) return `${component.name} does not take the new name everywhere`;
    const rules = [...new Set([...before.rules.keys(), ...after.rules.keys()])];
    const others = rules.filter((rule) => before.rules.get(rule) !== after.rules.get(rule));
    if (others.length) return `with the new name, findings would change: ${others.join(', ')}`;
    if (after.strand !== before.strand) return 'with the new name its strand would be another one';
    if (stateOf(tried, file, component.name, port.name)) return 'some place goes on to use the old name';
    return undefined;
  } finally {
    if (tried) freshenFiles(root, tried, paths, unsaved);
  }
}

/** What must stay as it is: how many findings each rule has, and the shape of the port's strand. */
interface State {
  rules: Map<string, number>;
  strand: string;
}

function stateOf(folder: FolderAudit, file: string, component: string, port: string): State | undefined {
  const { project, findings } = folder.audit.result;
  const owner = project.components.find(
    (one) => one.name === component && project.files[one.file]!.path === file,
  );
  const node = owner?.ports.get(port)?.node;
  if (node === undefined || node < 0) return undefined;
  const rules = new Map<string, number>();
  for (const { rule } of findings) rules.set(rule, (rules.get(rule) ?? 0) + 1);
  const { hops, routes, of } = traceNodes(project, [project.flow.nodes[node]!]);
  const refs = hops.map(({ ref }) => (ref === of ? '' : ref)).sort();
  return { rules, strand: JSON.stringify([refs, routes.length]) };
}
