/**
 * What was read of a project, kept between runs of the command, so that only files that changed are read again. One file
 * a project, by its folder and the readers as they are built: other readers read all of it anew.
 */
import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';
import type { FileFacts } from '../core/model/facts';
import type { FactsBefore, FolderAudit } from '../server/engine/folder';
import { readerVersion } from '../server/engine/reader-version';

export interface FactCache {
  /** What the runs before have read; undefined where there is nothing that holds. */
  before: FactsBefore | undefined;
  /** Keeps what was read. Nothing is thrown: who cannot keep it reads it again the next time. */
  keep(found: FolderAudit): void;
}

/** Where caches are kept, unless somebody says where (XDG Base Directory Specification 0.8). */
export const usualCacheFolder = (): string =>
  join(process.env.XDG_CACHE_HOME || join(homedir(), '.cache'), 'zinc-rope');

/** Days after which the cache of a project that nobody audits is removed. */
const DAYS = 30;
const DAY = 24 * 60 * 60 * 1000;

export function openCache(folder: string, root: string): FactCache {
  const reader = readerVersion();
  const file = join(folder, `${digest(root)}.facts`);
  const before = read(file, reader);
  return {
    before,
    keep({ facts, texts }) {
      const isSame =
        before !== undefined &&
        before.facts.size === facts.size &&
        [...facts].every(([path, one]) => before.facts.get(path) === one);
      if (isSame) return;
      try {
        mkdirSync(folder, { recursive: true });
        const body = [...facts]
          .flatMap(([path, one]) => {
            const hash = texts.get(path)?.hash;
            return hash ? [JSON.stringify([path, hash, one])] : [];
          })
          .join('\n');
        // Written beside and put in place at once: a run that is cut off, or another one, leaves a whole file.
        const own = `${file}.${process.pid}`;
        writeFileSync(own, `${reader} ${digest(body)}\n${body}`);
        renameSync(own, file);
        removeOld(folder);
      } catch {
        // A folder that cannot be written is no reason to stop.
      }
    },
  };
}

const digest = (text: string): string => createHash('sha256').update(text).digest('base64url').slice(0, 22);

/** What a file holds, if these readers made it and it is whole. */
function read(file: string, reader: string): FactsBefore | undefined {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    return undefined;
  }
  const end = text.indexOf('\n');
  const body = text.slice(end + 1);
  if (end < 0 || text.slice(0, end) !== `${reader} ${digest(body)}`) return undefined;
  const entries = body
    ? body.split('\n').map((line) => JSON.parse(line) as [path: string, hash: string, facts: FileFacts])
    : [];
  return {
    facts: new Map(entries.map(([path, , facts]) => [path, facts])),
    hashes: new Map(entries.map(([path, hash]) => [path, hash])),
  };
}

function removeOld(folder: string): void {
  for (const name of readdirSync(folder)) {
    if (!name.includes('.facts')) continue;
    const path = join(folder, name);
    if (Date.now() - statSync(path).mtimeMs > DAYS * DAY) rmSync(path, { force: true });
  }
}
