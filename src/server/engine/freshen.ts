/** Brings an audit up to date with what is being written. */
import type { FileFacts } from '../../core/model/facts';
import type { FolderAudit } from './folder';
import { hashesOf, knownText, type ReadSoFar, takeRead } from './read-files';
import { type ReadTask, readTask } from './reader-worker';

/** The facts that are others than before, by path; undefined of files that are gone. */
export function changesBetween(
  before: Map<string, FileFacts>,
  after: Map<string, FileFacts>,
): Map<string, FileFacts | undefined> {
  const changes = new Map<string, FileFacts | undefined>();
  for (const [path, one] of after) if (before.get(path) !== one) changes.set(path, one);
  for (const path of before.keys()) if (!after.has(path)) changes.set(path, undefined);
  return changes;
}

/**
 * Brings an audit up to what some files hold now, without a walk. Undefined where that does not say all: a path that the
 * audit does not know, or that many hang on.
 */
export function freshenFiles(
  root: string,
  last: FolderAudit,
  changed: readonly string[],
  unsaved?: ReadonlyMap<string, string>,
): FolderAudit | undefined {
  const paths = unitsOf(last, changed);
  if (!paths) return undefined;
  const before = { facts: last.facts, hashes: hashesOf(last.texts) };
  const known = Object.fromEntries(paths.map((path) => [path, knownText(before, path)]));
  const task: ReadTask = { root, paths, known, last: last.texts, ...(unsaved ? { unsaved } : {}) };
  const now: ReadSoFar = {
    facts: new Map(last.facts),
    texts: new Map(last.texts),
    broken: new Map(last.broken),
  };
  takeRead(now, task, readTask(task), last.facts, last);
  const changes = changesBetween(last.facts, now.facts);
  if (changes.size) last.audit.update(changes);
  return { ...last, ...now, textOf: (path) => now.texts.get(path)?.text ?? '' };
}

/** The files that are read again when some have changed: these, and those that are written in them besides. */
function unitsOf({ facts }: FolderAudit, changed: readonly string[]): string[] | undefined {
  const units = new Set(changed.filter((path) => facts.has(path)));
  const parts = new Set(changed);
  const isPart = new Set<string>();
  for (const [path, one] of facts)
    for (const part of one.parts ?? [])
      if (parts.has(part.path)) {
        units.add(path);
        isPart.add(part.path);
      }
  return changed.every((path) => facts.has(path) || isPart.has(path)) ? [...units] : undefined;
}
