/** Files that say what of a folder is audited, and how. */
import { basename } from 'node:path';

export const CONFIG_FILE = 'zinc-rope.config.json';

/** Whether a file, by its path from the audited root, says which files count. */
export const saysWhatCounts = (path: string): boolean =>
  path === CONFIG_FILE || basename(path) === '.gitignore';
