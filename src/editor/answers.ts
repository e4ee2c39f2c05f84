/** What an editor asks about a place in the code: hover, definition, references, lenses, symbols. */
import {
  type CodeLens,
  type Hover,
  type Location,
  type Position,
  type SymbolInformation,
  SymbolKind,
} from 'vscode-languageserver-types';
import { publicName } from '../core/model/names';
import { located } from '../core/model/parts';
import { componentRef, nodeRef, portRef } from '../core/model/refs';
import { placesOf } from '../core/report/places';
import { breaksOf } from '../core/trace/breaks';
import { type Meaning, type Spelling, type Spelt, spellingsOf } from '../core/trace/spelled';
import { partFor, partsOf } from '../core/trace/parts';
import { traceNodes } from '../core/trace/trace';
import { showType } from '../core/types/show';
import type { FolderAudit } from '../server/engine/folder';
import { type Desk, fileAt, locationOf, offsetOf, rangeIn } from './places';

export interface Room {
  root: string;
  folder: FolderAudit;
  /** The address of the project in the workbench, if one is served. */
  workbench?: string | undefined;
}

export const deskOf = ({ root, folder }: Room) => ({
  root,
  project: folder.audit.result.project,
  textOf: folder.textOf,
});

/** What is spelled at a position; nothing in a file that is broken at the moment, whose places have moved. */
export function spelledAt(room: Room, path: string, position: Position): Spelling[] {
  const desk = deskOf(room);
  const file = fileAt(desk, path);
  if (file === undefined || room.folder.broken.has(path)) return [];
  return spellingsOf(desk.project).at(file, offsetOf(desk.textOf(path), position));
}

/** The side on the other end: what is given leads to where it is declared, what is read to where it is given, and so on. */
const ACROSS: Record<Spelt, readonly Spelt[]> = {
  given: ['declared'],
  declared: ['given', 'filled', 'tag', 'provided'],
  read: ['given', 'declared'],
  raised: ['given', 'declared'],
  tag: ['declared'],
  provided: ['consumed', 'declared'],
  consumed: ['provided', 'declared'],
  placed: ['filled', 'declared'],
  filled: ['placed', 'declared'],
};

export function definition(room: Room, path: string, position: Position): Location[] {
  const desk = deskOf(room);
  const spellings = spellingsOf(desk.project);
  const found = spelledAt(room, path, position).flatMap(({ means, how }) => {
    const all = spellings.of(means);
    const side = ACROSS[how].find((one) => all.some((other) => other.how === one));
    return side === undefined ? [] : all.filter((one) => one.how === side);
  });
  return locationsOf(desk, found);
}

export function references(room: Room, path: string, position: Position, declaration: boolean): Location[] {
  const desk = deskOf(room);
  const spellings = spellingsOf(desk.project);
  const found = spelledAt(room, path, position).flatMap(({ means }) =>
    spellings.of(means).filter(({ how }) => declaration || how !== 'declared'),
  );
  return locationsOf(desk, found);
}

function locationsOf(desk: Desk, list: Spelling[]): Location[] {
  const found = new Map<string, Location>();
  for (const { place } of list)
    found.set(`${place.file} ${place.start} ${place.end}`, locationOf(desk, place));
  return [...found.values()];
}

/** So many names of each end are told. */
const MOST_ENDS = 4;

export function hover(room: Room, path: string, position: Position): Hover | null {
  const [first, ...more] = spelledAt(room, path, position);
  if (!first) return null;
  const { place } = first;
  const desk = deskOf(room);
  const all = [first, ...more].filter(
    ({ means }) => means.kind !== 'component' || first.means.kind === 'component',
  );
  const lines = all.slice(0, 2).map((one) => told(room, one));
  const text = desk.textOf(path);
  return {
    contents: { kind: 'markdown', value: lines.join('\n\n---\n\n') },
    range: rangeIn(text, place.start, place.end),
  };
}

function told(room: Room, { means, place, how }: Spelling): string {
  const { project } = deskOf(room);
  switch (means.kind) {
    case 'component':
      return componentTold(room, means);
    case 'port': {
      const { component, port } = means;
      const type = showType(port.type?.type);
      const name = publicName(port.name);
      const head = `\`${name}${type ? `: ${type}` : ''}\` ${port.channel} of **${component.name}**${port.required ? ', required' : ''}`;
      const given = how === 'given' ? givenAs(room, { means, place, how }) : undefined;
      return [
        head,
        ...(given ? [`given: \`${given}\``] : []),
        ...strandTold(room, port.node, portRef(project, component, port.channel, port.name)),
      ].join('  \n');
    }
    case 'context': {
      const all = spellingsOf(project).of(means);
      const count = (one: Spelt) => all.filter((other) => other.how === one).length;
      return `\`${means.key.name}\` context, provided in ${placesCounted(count('provided'))}, asked for in ${placesCounted(count('consumed'))}`;
    }
    case 'value': {
      const { node } = means;
      const owner = project.components[node.component]!;
      return [
        `\`${node.name}\` state of **${owner.name}**`,
        ...strandTold(room, node.id, nodeRef(project, node)),
      ].join('  \n');
    }
  }
}

const placesCounted = (number: number): string => `${number} ${number === 1 ? 'place' : 'places'}`;

/** The type of what a call site gives. */
function givenAs(room: Room, { means, place }: Spelling): string | undefined {
  const { project } = deskOf(room);
  if (means.kind !== 'port') return undefined;
  for (const id of means.component.calledAt) {
    const site = project.sites[id]!;
    const attribute = project.handed(site).attributes.get(means.port.name);
    if (!attribute) continue;
    const own = located(project, { file: site.file, start: attribute.nameStart, end: attribute.nameEnd });
    if (own.file === place.file && own.start === place.start)
      return showType(attribute.value.type) || undefined;
  }
  return undefined;
}

function componentTold(room: Room, { component }: Extract<Meaning, { kind: 'component' }>): string {
  const { project, textOf } = deskOf(room);
  const places = placesOf(project, textOf);
  const ports = [...component.ports.values()].map(({ name, channel, type, required }) => {
    const shown = showType(type?.type);
    return `- \`${publicName(name)}${shown ? `: ${shown}` : ''}\` ${channel}${required ? ', required' : ''}`;
  });
  const { file, line } = places.spot({
    file: component.file,
    start: component.facts.nameStart,
    end: component.facts.nameEnd,
  });
  const ref = componentRef(project, component);
  return [
    `**${component.name}**, ${file}:${line}, ${sitesCounted(component.calledAt.length)}${link(room, 'component', ref)}`,
    ports.join('\n'),
  ]
    .filter(Boolean)
    .join('\n\n');
}

const sitesCounted = (number: number): string => `${number} call ${number === 1 ? 'site' : 'sites'}`;

/** The strand in short: where it comes from, where it goes, and its address. */
function strandTold(room: Room, id: number, ref: string): string[] {
  const { result } = room.folder.audit;
  const node = result.project.flow.nodes[id];
  if (!node) return [];
  const trace = traceNodes(result.project, [node], breaksOf(result.findings));
  const few = (list: string[]): string => {
    const others = list.filter((one) => one !== trace.of);
    const some = others.slice(0, MOST_ENDS).map((one) => `\`${one}\``);
    return some.join(', ') + (others.length > MOST_ENDS ? ` and ${others.length - MOST_ENDS} more` : '');
  };
  const part = partFor(trace, partsOf(trace));
  const [from, to] = [few(part.origins), few(part.ends)];
  return [
    ...(from ? [`from ${from}`] : []),
    ...(to ? [`to ${to}`] : []),
    `${trace.hops.length} ${trace.hops.length === 1 ? 'hop' : 'hops'}${link(room, 'strand', ref)}`,
  ];
}

const link = ({ workbench }: Room, page: 'strand' | 'component', ref: string): string =>
  workbench === undefined ? '' : `, [in the workbench](${addressOf(workbench, page, ref)})`;

export const addressOf = (workbench: string, page: 'strand' | 'component', ref: string): string =>
  `${workbench}/${page}?ref=${encodeURIComponent(ref)}`;

/** Above each component of a file: how often it is rendered, and what was found about it. */
export function lenses(room: Room, path: string): CodeLens[] {
  const desk = deskOf(room);
  const file = fileAt(desk, path);
  if (file === undefined || room.folder.broken.has(path)) return [];
  const { findings } = room.folder.audit.result;
  return desk.project.components.flatMap((component): CodeLens[] => {
    const { role, nameStart, nameEnd } = component.facts;
    if (component.file !== file || role !== 'component') return [];
    const ref = componentRef(desk.project, component);
    const found = findings.filter(
      (one) => one.silenced === undefined && (one.subject === ref || one.subject.startsWith(`${ref}:`)),
    ).length;
    const location = locationOf(desk, { file, start: nameStart, end: nameEnd });
    const title = [
      sitesCounted(component.calledAt.length),
      ...(found ? [`${found} ${found === 1 ? 'finding' : 'findings'}`] : []),
    ].join(', ');
    const { workbench } = room;
    return [
      {
        range: location.range,
        command: workbench
          ? { title, command: OPEN, arguments: [addressOf(workbench, 'component', ref)] }
          : { title, command: '' },
      },
    ];
  });
}

/** Opens an address of the workbench. */
export const OPEN = 'zinc-rope.open';

const MOST_SYMBOLS = 200;

/** Components and ports that hold a query in their names. */
export function symbols(room: Room, query: string): SymbolInformation[] {
  const desk = deskOf(room);
  const wanted = query.toLowerCase();
  const found: SymbolInformation[] = [];
  for (const component of desk.project.components) {
    if (component.facts.role !== 'component') continue;
    const { nameStart, nameEnd } = component.facts;
    if (component.name.toLowerCase().includes(wanted))
      found.push({
        name: component.name,
        kind: SymbolKind.Class,
        location: locationOf(desk, { file: component.file, start: nameStart, end: nameEnd }),
      });
    for (const port of component.ports.values()) {
      const name = publicName(port.name);
      if (!wanted || !name.toLowerCase().includes(wanted)) continue;
      const { place } = port;
      found.push({
        name,
        kind: port.channel === 'event' ? SymbolKind.Event : SymbolKind.Property,
        containerName: component.name,
        location: locationOf(desk, place),
      });
    }
    if (found.length >= MOST_SYMBOLS) break;
  }
  return found.slice(0, MOST_SYMBOLS);
}
