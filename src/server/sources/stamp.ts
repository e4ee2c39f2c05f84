/** How a file looks from outside: what has the same stamp as when it was read need not be read again. */
import { type BigIntStats, statSync } from 'node:fs';

/**
 * A file that was written so shortly before it is looked at may be written once more without looking any different,
 * where times are kept in steps: two seconds are the coarsest in use.
 */
const SETTLED_MS = 2_000;

/** The stamp of a file; undefined where there is no file that can be looked at, or it was written just now. */
export function stampOf(path: string): string | undefined {
  const found = look(path);
  if (!found?.isFile()) return undefined;
  const { ctimeMs, ctimeNs, mtimeNs, size, ino } = found;
  // Who sets the time of a file back cannot set back when that was done.
  if (Date.now() - Number(ctimeMs) < SETTLED_MS) return undefined;
  return `${ino} ${size} ${mtimeNs} ${ctimeNs}`;
}

/** What cannot be looked at, because it is not there, is shut, or is a link that leads to itself, has no looks. */
function look(path: string): BigIntStats | undefined {
  try {
    return statSync(path, { bigint: true, throwIfNoEntry: false });
  } catch {
    return undefined;
  }
}
