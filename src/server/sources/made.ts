/** Scripts that were made of other files of the folder, as their maps say. */
import { open } from 'node:fs/promises';
import { join, posix } from 'node:path';
import { groupBy } from '../../core/model/group-by';
import type { Skipped } from '../../core/report/summary';

/** So many maps are open at a time; a system lets nobody open all of a large folder. */
const AT_ONCE = 64;
/** Sources are named near the start of a map; so many bytes are looked at. */
const HEAD = 8192;
const SOURCE = /"sources"\s*:\s*\[\s*"((?:[^"\\]|\\.)*)"/;

/**
 * @param mapped paths of scripts beside which a map lies, relative to the root
 * @param sources all paths that are audited
 * @returns the paths of those that were made of one of the sources, and what is said of them, once for each folder at the top
 */
export async function madeOf(
  root: string,
  mapped: string[],
  sources: ReadonlySet<string>,
): Promise<{ made: Set<string>; skipped: Skipped[] }> {
  const all: { path: string; source: string }[] = [];
  for (let from = 0; from < mapped.length; from += AT_ONCE) {
    const paths = mapped.slice(from, from + AT_ONCE);
    const named = await Promise.all(paths.map((path) => sourceOf(root, path)));
    paths.forEach((path, at) => {
      const source = named[at];
      if (source !== undefined && source !== path && sources.has(source)) all.push({ path, source });
    });
  }
  const tops = groupBy(all, ({ path }) => path.slice(0, Math.max(0, path.indexOf('/'))));
  return {
    made: new Set(all.map(({ path }) => path)),
    skipped: [...tops].map(([top, [first, ...others]]) => ({
      path: top && others.length ? top : first!.path,
      reason: others.length
        ? `${others.length + 1} files here are made of others, as ${posix.basename(first!.path)} of ${first!.source}`
        : `it is made of ${first!.source}`,
    })),
  };
}

/** The first source that a map names, relative to the root. */
async function sourceOf(root: string, path: string): Promise<string | undefined> {
  const file = await open(join(root, `${path}.map`)).catch(() => undefined);
  if (!file) return undefined;
  try {
    const { bytesRead, buffer } = await file.read(Buffer.alloc(HEAD), 0, HEAD, 0);
    const name = SOURCE.exec(buffer.toString('utf8', 0, bytesRead))?.[1];
    return name === undefined ? undefined : posix.join(posix.dirname(path), name);
  } catch {
    return undefined;
  } finally {
    await file.close();
  }
}
