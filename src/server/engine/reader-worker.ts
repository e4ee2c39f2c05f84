/** A worker thread that reads files to facts. Facts travel as JSON, which is faster than cloning objects. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { FileFacts } from '../../core/model/facts';
import { readFile } from '../../core/readers';

export interface ReadTask {
  root: string;
  paths: string[];
  /** Hashes of texts whose facts are known already, by path. */
  known?: Record<string, string>;
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
}

export const hashOf = (text: string): string => createHash('sha256').update(text).digest('base64url');

/** Reads the files of a task. A file that has gone in the meantime gives facts with a problem. */
export function readTask(task: ReadTask): ReadTexts {
  const read: ReadText[] = [];
  const facts = task.paths.map((path) => {
    let text: string;
    try {
      text = readFileSync(join(task.root, path), 'utf8');
    } catch (error) {
      read.push({ text: '', hash: '' });
      const { code } = error as NodeJS.ErrnoException;
      const problem = { message: `the file cannot be read (${code ?? 'unknown'})`, line: 1, column: 1 };
      return { ...readFile(path, ''), problem };
    }
    const hash = hashOf(text);
    read.push({ text, hash });
    return task.known?.[path] === hash ? null : readFile(path, text);
  });
  return { facts, read };
}

export default function read(task: ReadTask): ReadResult {
  const { facts, read: texts } = readTask(task);
  return { json: JSON.stringify(facts), read: texts };
}
