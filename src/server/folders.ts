/** Paths of folders on this machine, as somebody types them. */
import { readdir } from 'node:fs/promises';
import { homedir } from 'node:os';
import { isAbsolute, join, sep } from 'node:path';

/** Of a folder with more of them, nobody reads the list. */
const MOST = 300;

/** `~` stands for the user's own folder. */
export const ownFolder = (path: string): string =>
  path === '~' || path.startsWith('~/') ? join(homedir(), path.slice(1)) : path;

/**
 * The folders in the one that a path names so far, up to its last separator, each as the path goes on with it; none where
 * nothing can be listed. Hidden ones are left out, unless one begins to type such a name.
 */
export async function foldersIn(typed: string): Promise<string[]> {
  const end = Math.max(typed.lastIndexOf('/'), typed.lastIndexOf(sep)) + 1;
  const [start, begun] = [typed.slice(0, end), typed.slice(end)];
  const folder = ownFolder(start);
  if (!isAbsolute(folder)) return [];
  const entries = await readdir(folder, { withFileTypes: true }).catch(() => []);
  return entries
    .filter(
      (one) =>
        (one.isDirectory() || one.isSymbolicLink()) &&
        (begun.startsWith('.') || !one.name.startsWith('.')) &&
        one.name !== 'node_modules',
    )
    .map(({ name }) => `${start}${name}`)
    .sort()
    .slice(0, MOST);
}
