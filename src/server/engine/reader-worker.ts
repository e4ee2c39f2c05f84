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
  hashes: string[];
}

export interface ReadResult {
  json: string;
  hashes: string[];
}

/** Reads the files of a task. A file that has gone in the meantime gives facts with a problem. */
export function readTask(task: ReadTask): ReadTexts {
  const hashes: string[] = [];
  const facts = task.paths.map((path) => {
    let text: string;
    try {
      text = readFileSync(join(task.root, path), 'utf8');
    } catch (error) {
      hashes.push('');
      const { code } = error as NodeJS.ErrnoException;
      const problem = { message: `the file cannot be read (${code ?? 'unknown'})`, line: 1, column: 1 };
      return { ...readFile(path, ''), problem };
    }
    const hash = createHash('sha256').update(text).digest('base64url');
    hashes.push(hash);
    return task.known?.[path] === hash ? null : readFile(path, text);
  });
  return { facts, hashes };
}

export default function read(task: ReadTask): ReadResult {
  const { facts, hashes } = readTask(task);
  return { json: JSON.stringify(facts), hashes };
}
