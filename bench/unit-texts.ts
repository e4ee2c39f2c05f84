/** Texts of a project as its facts count them: a unit that is written in several files is one text. */
import type { Linked } from '../src/core/link';
import type { FileFacts } from '../src/core/model/facts';
import { located } from '../src/core/model/parts';
import { readFile } from '../src/core/readers';

/** Text from `start` to `end` of a file becomes `text`. */
export interface Edit {
  path: string;
  start: number;
  end: number;
  text: string;
}

export interface UnitTexts {
  /** The text of a unit, with those of its parts where its facts count them. */
  of(file: number): string;
  /** An edit of a unit as one of the file that holds it. */
  edit(file: number, start: number, end: number, text: string): Edit;
}

export function unitTexts(project: Linked, textOf: (path: string) => string): UnitTexts {
  const known = new Map<number, string>();
  return {
    of(file) {
      const { path, parts = [] } = project.files[file]!;
      let text = known.get(file);
      if (text !== undefined) return text;
      text = textOf(path);
      for (const part of parts) text = text.padEnd(part.base) + textOf(project.files[part.file]!.path);
      known.set(file, text);
      return text;
    },
    edit(file, start, end, text) {
      const place = located(project, { file, start, end });
      return { path: project.files[place.file]!.path, start: place.start, end: place.end, text };
    },
  };
}

/** What is read of the files that edits change, and of the units that these are parts of. */
export function readEdited(
  edits: readonly Edit[],
  facts: ReadonlyMap<string, FileFacts>,
  textOf: (path: string) => string,
): Map<string, FileFacts> {
  const texts = new Map<string, string>();
  for (const { path, start, end, text } of [...edits].sort((a, b) => b.start - a.start)) {
    const before = texts.get(path) ?? textOf(path);
    texts.set(path, before.slice(0, start) + text + before.slice(end));
  }
  const now = (path: string): string | undefined =>
    texts.get(path) ?? (facts.has(path) ? textOf(path) : undefined);
  const changed = new Map<string, FileFacts>();
  for (const [path, { parts = [] }] of facts)
    if (texts.has(path) || parts.some((one) => texts.has(one.path)))
      changed.set(path, readFile(path, now(path)!, now));
  return changed;
}
