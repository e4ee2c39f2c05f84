/**
 * Decisions are the one thing in a data folder that no audit brings back. Beside the database they are written down line by
 * line, so that they can be read where the database cannot be opened any more.
 */
import { existsSync } from 'node:fs';
import { open, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { verdictSchema } from '../../api/schemas';

const FILE = 'decisions.jsonl';

const entrySchema = z.object({
  /** The project's folder. */
  root: z.string(),
  fingerprints: z.array(z.string()),
  /** Absent where decisions are taken back. */
  verdict: verdictSchema.optional(),
  reason: z.string().optional(),
  at: z.string(),
});

export type Entry = z.infer<typeof entrySchema>;

/** Standing decisions, by the project's folder and by fingerprint. */
export type Standing = Map<string, Map<string, Entry>>;

export interface Journal {
  /** Written to the disk when it resolves. */
  note(entry: Entry): Promise<void>;
  /** Nothing of a project is left. */
  forget(root: string): Promise<void>;
}

export const hasJournal = (folder: string): boolean => existsSync(join(folder, FILE));

export function openJournal(folder: string): Journal {
  const file = join(folder, FILE);
  /** What the process before left may end in the middle of a line, which must not take the next one with it. */
  let before = '\n';
  // One after the other, each whole.
  let last: Promise<void> = Promise.resolve();
  const next = (work: () => Promise<void>): Promise<void> => {
    const done = last.then(work);
    last = done.catch(() => undefined);
    return done;
  };
  return {
    note: (entry) =>
      next(async () => {
        const handle = await open(file, 'a');
        try {
          await handle.appendFile(`${before}${JSON.stringify(entry)}\n`);
          await handle.datasync();
          before = '';
        } finally {
          await handle.close();
        }
      }),
    forget: (root) =>
      next(async () => {
        const entries = await readEntries(folder);
        await replace(
          folder,
          entries.filter((one) => one.root !== root),
        );
      }),
  };
}

/** Writes a journal anew, all or nothing. */
export async function replace(folder: string, entries: Entry[]): Promise<void> {
  const file = join(folder, FILE);
  await writeFile(`${file}.new`, entries.map((one) => `${JSON.stringify(one)}\n`).join(''));
  await rename(`${file}.new`, file);
}

/** All entries in order; a line that was cut off by a loss of power is left out. */
async function readEntries(folder: string): Promise<Entry[]> {
  const text = await readFile(join(folder, FILE), 'utf8').catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOENT') return '';
    throw error;
  });
  return text.split('\n').flatMap((line) => {
    try {
      return line ? [entrySchema.parse(JSON.parse(line))] : [];
    } catch {
      return [];
    }
  });
}

/** The decisions that stand in a data folder, whether or not its database can be opened. */
export async function standing(folder: string): Promise<Standing> {
  const found: Standing = new Map();
  for (const entry of await readEntries(folder)) {
    let ofRoot = found.get(entry.root);
    if (!ofRoot) found.set(entry.root, (ofRoot = new Map()));
    for (const one of entry.fingerprints) {
      if (entry.verdict) ofRoot.set(one, entry);
      else ofRoot.delete(one);
    }
  }
  for (const [root, ofRoot] of found) if (!ofRoot.size) found.delete(root);
  return found;
}
