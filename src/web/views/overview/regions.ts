/** Folders as areas: where the components of a project lie, and what was found among them. */
import type { FindingRow, Level } from '../../../api/schemas';
import type { Overview } from '../../../api/component-schemas';

export interface Region {
  path: string;
  components: number;
  counts: Record<Level, number>;
}

interface Folder extends Region {
  /** What lies in the folder itself. */
  own: number;
  children: Map<string, Folder>;
}

const made = (path: string): Folder => ({
  path,
  components: 0,
  own: 0,
  counts: { error: 0, warning: 0, note: 0 },
  children: new Map(),
});

/**
 * At most so many areas: the largest folders are taken apart first. An area that holds the rest of a folder bears the
 * folder's path. The gravest comes first.
 */
export function regionsOf(folders: Overview['folders'], findings: FindingRow[], most = 36): Region[] {
  const root = made('');
  const each = (path: string, act: (folder: Folder) => void): Folder => {
    let at = root;
    act(at);
    for (const name of path.split('/').filter(Boolean)) {
      let next = at.children.get(name);
      if (!next) at.children.set(name, (next = made(at.path ? `${at.path}/${name}` : name)));
      act(next);
      at = next;
    }
    return at;
  };
  for (const { path, components } of folders)
    each(path, (folder) => (folder.components += components)).own += components;
  const known = new Set(folders.map((one) => one.path));
  for (const { place, level } of findings) {
    const path = known.has(place.file) ? place.file : place.file.split('/').slice(0, -1).join('/');
    each(path, (folder) => folder.counts[level]++);
  }

  let areas = [root];
  for (;;) {
    const [largest] = areas
      .filter((one) => one.children.size > 0)
      .sort((a, b) => b.components - a.components);
    if (!largest) break;
    const parts = takenApart(largest, most - areas.length + 1);
    if (!parts.length) break;
    areas = areas.flatMap((one) => (one === largest ? parts : [one]));
  }
  return areas
    .filter((one) => one.components > 0 || gravityOf(one) > 0)
    .map(({ path, components, counts }) => ({ path, components, counts }))
    .sort((a, b) => gravityOf(b) - gravityOf(a) || b.components - a.components || (a.path < b.path ? -1 : 1));
}

/** At most so many parts of a folder: the gravest and largest folders in it, and what else lies in it. */
function takenApart(folder: Folder, most: number): Folder[] {
  const parts = [...folder.children.values()].sort(
    (a, b) => gravityOf(b) - gravityOf(a) || b.components - a.components,
  );
  const restOf = (taken: Folder[]): Folder => {
    const rest = { ...folder, own: 0, counts: { ...folder.counts }, children: new Map<string, Folder>() };
    for (const part of taken) {
      rest.components -= part.components;
      for (const level of ['error', 'warning', 'note'] as const) rest.counts[level] -= part.counts[level];
    }
    return rest;
  };
  const whole = restOf(parts);
  const fits = parts.length + (whole.components || gravityOf(whole) ? 1 : 0) <= most;
  if (fits) return whole.components || gravityOf(whole) ? [...parts, whole] : parts;
  const taken = parts.slice(0, Math.max(0, most - 1));
  // Too few places: the folder stays as it is.
  return taken.length ? [...taken, restOf(taken)] : [];
}

/** Errors before warnings before notes. */
export const gravityOf = ({ counts }: Pick<Region, 'counts'>): number =>
  counts.error * 1e6 + counts.warning * 1e3 + counts.note;

/** The last parts of a path, as many as are needed to tell it from the others, two at most. */
export const shortName = (path: string): string => path.split('/').slice(-2).join('/') || '.';

/** Letters are about so wide and lines so high, in pixels; an area has so much around its text. */
const LETTER = 7.4;
const LINE = 16;
const AROUND = 12;

/**
 * The text of an area: its name, broken into lines where a word of it ends if need be, and what was found there, as far
 * as they fit whole. Nothing is cut: a name that does not fit is left out, and told when one points at it.
 */
export function labelOf(
  path: string,
  found: string,
  width: number,
  height: number,
): { name: string[]; found?: string } {
  const letters = Math.floor((width - AROUND) / LETTER);
  const most = Math.floor((height - AROUND) / LINE);
  const short = shortName(path);
  const last = short.split('/').at(-1)!;
  // The words of a name are told by its marks, or by its capitals if need be; a file may go without its ending.
  const name = [short, bare(short), last, bare(last)]
    .flatMap((one) => [[one], one.split(/(?<=[-_/])/)])
    .concat([bare(last).split(/(?<=[-_])|(?<=[a-z\d])(?=[A-Z])/)])
    .map((words) => packed(words, letters))
    .find((lines) => lines && lines.length <= most);
  if (!name) return { name: [] };
  const count = [found, found.split(' ')[0]!].find((one) => one.length <= letters);
  return count !== undefined && name.length < most ? { name, found: count } : { name };
}

const bare = (path: string): string => path.replace(/(?<=\w)\.\w+$/, '');

/** Words in lines of so many letters; undefined if one of them is longer. */
function packed(words: string[], letters: number): string[] | undefined {
  const lines: string[] = [];
  for (const word of words) {
    if (word.length > letters) return undefined;
    const together = (lines.at(-1) ?? '') + word;
    if (lines.length && together.length <= letters) lines[lines.length - 1] = together;
    else lines.push(word);
  }
  return lines;
}
