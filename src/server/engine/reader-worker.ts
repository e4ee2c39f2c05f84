/** A worker thread that reads files to facts. Facts travel as JSON, which is faster than cloning objects. */
import { createHash } from 'node:crypto';
import { readFileSync, realpathSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import type { FileFacts } from '../../core/model/facts';
import type { PartFact } from '../../core/model/parts';
import { MAX_LENGTH, readFile } from '../../core/readers';
import { stampOf } from '../sources/stamp';

export interface ReadTask {
  root: string;
  paths: string[];
  /** Texts whose facts are known already, by path. */
  known?: Record<string, KnownText>;
  /** Texts that are still at hand, as they were read: those of files that look the same are not read again. */
  last?: ReadonlyMap<string, ReadText>;
  /** What is being written and stands in no file yet: it goes before the text of the file. */
  unsaved?: ReadonlyMap<string, string>;
}

/** The hash of a text, and those of the other files that its facts were made of. */
export interface KnownText {
  hash: string;
  parts?: PartFact[];
}

export interface ReadTexts {
  /** Facts of the files of the task, in order; null where they are known. */
  facts: (FileFacts | null)[];
  read: ReadText[];
}

export interface ReadResult {
  json: string;
  read: ReadText[];
}

/** The text that facts were made of, and its hash: what is kept is what was read. */
export interface ReadText {
  text: string;
  /** Empty where the file could not be read. */
  hash: string;
  /** How the file looked just before it was read. */
  stamp?: string;
}

export const hashOf = (text: string): string => createHash('sha256').update(text).digest('base64url');

/** The text of a file that another belongs with; undefined where it is no file of the folder that could be read. */
function partIn(root: string, path: string): string | undefined {
  try {
    const real = realpathSync(join(root, path));
    const isInside = !relative(realpathSync(root), real).startsWith('..');
    const found = isInside ? statSync(real) : undefined;
    return found?.isFile() && found.size <= MAX_LENGTH ? readFileSync(real, 'utf8') : undefined;
  } catch {
    return undefined;
  }
}

/** Facts of a file and of what it is written in besides, which note what these texts were. */
export function readUnit(
  path: string,
  text: string,
  partOf: (path: string) => string | undefined,
): FileFacts {
  const facts = readFile(path, text, partOf);
  for (const part of facts.parts ?? []) part.hash = hashOf(partOf(part.path) ?? '');
  return facts;
}

/** Whether facts that are kept were made of these very texts. */
export const isSameText = (
  known: KnownText | undefined,
  hash: string,
  partOf: (path: string) => string | undefined,
): boolean =>
  known?.hash === hash && (known.parts ?? []).every((one) => hashOf(partOf(one.path) ?? '') === one.hash);

/** Reads the files of a task. A file that has gone in the meantime gives facts with a problem. */
export function readTask(task: ReadTask): ReadTexts {
  const read: ReadText[] = [];
  const { unsaved } = task;
  const partOf = (path: string) => unsaved?.get(path) ?? partIn(task.root, path);
  const looksSame = (path: string, stamp: string | undefined): boolean =>
    stamp !== undefined && !unsaved?.has(path) && task.last?.get(path)?.stamp === stamp;
  const facts = task.paths.map((path) => {
    let text: string;
    const known = task.known?.[path];
    const stamp = stampOf(join(task.root, path));
    const same = (known?.parts ?? []).every((one) => looksSame(one.path, stampOf(join(task.root, one.path))));
    if (known && same && looksSame(path, stamp)) {
      read.push(task.last!.get(path)!);
      return null;
    }
    try {
      text = unsaved?.get(path) ?? readFileSync(join(task.root, path), 'utf8');
    } catch (error) {
      read.push({ text: '', hash: '' });
      const { code } = error as NodeJS.ErrnoException;
      const problem = { message: `the file cannot be read (${code ?? 'unknown'})`, line: 1, column: 1 };
      return { ...readFile(path, ''), problem };
    }
    const hash = hashOf(text);
    read.push({ text, hash, ...(stamp === undefined || unsaved?.has(path) ? {} : { stamp }) });
    return isSameText(known, hash, partOf) ? null : readUnit(path, text, partOf);
  });
  return { facts, read };
}

export default function read(task: ReadTask): ReadResult {
  const { facts, read: texts } = readTask(task);
  return { json: JSON.stringify(facts), read: texts };
}
