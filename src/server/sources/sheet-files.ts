/** Sheets in a project's folder: read as they are now, and saved where nobody else changed them. */
import { lstat, mkdir, readFile, realpath, rename, rm, writeFile } from 'node:fs/promises';
import { dirname, join, sep } from 'node:path';
import { MAX_SHEET } from '../../api/sheet-limit';
import type { SheetFile } from '../../api/sheet-schemas';
import { hashText } from '../../core/model/hash';
import { HttpProblem, notFound } from '../problem';

const isMissing = (error: unknown): boolean => (error as NodeJS.ErrnoException).code === 'ENOENT';

/** The file of a path within a folder; refused where a link leads out of it. */
async function fileIn(root: string, path: string): Promise<string> {
  const file = join(root, path);
  const top = await realpath(root);
  let folder = dirname(file);
  // The folder of a new sheet may be new, too.
  for (;;) {
    const real = await realpath(folder).catch((error: unknown) => {
      if (isMissing(error)) return undefined;
      throw error;
    });
    if (real !== undefined) {
      if (real !== top && !real.startsWith(top + sep))
        throw new HttpProblem(400, 'Not in the project', `${path} leads out of the project's folder`);
      break;
    }
    folder = dirname(folder);
  }
  const found = await lstat(file).catch(() => undefined);
  if (found && !found.isFile()) throw new HttpProblem(400, 'Not a file', `${path} is no plain file`);
  if (found && found.size > MAX_SHEET)
    throw new HttpProblem(
      413,
      'Too large',
      `${path} has ${found.size} bytes; a sheet has at most ${MAX_SHEET}`,
    );
  return file;
}

/** A sheet as it is in the folder now. */
export async function readSheetFile(root: string, path: string): Promise<SheetFile> {
  const file = await fileIn(root, path);
  const text = await readFile(file, 'utf8').catch((error: unknown) => {
    if (isMissing(error)) return notFound('sheet', path);
    throw error;
  });
  return { path, text, stamp: hashText(text) };
}

/**
 * Writes a sheet. `over` is the stamp of the text that was changed: where the file holds another by now, or is there
 * though nothing was, it is left as it is and the request is refused.
 */
export async function saveSheetFile(
  root: string,
  path: string,
  text: string,
  over: string | undefined,
): Promise<SheetFile> {
  const file = await fileIn(root, path);
  const now = await readFile(file, 'utf8').catch((error: unknown) => {
    if (isMissing(error)) return undefined;
    throw error;
  });
  if (now !== undefined && hashText(now) !== over)
    throw new HttpProblem(
      409,
      'Changed meanwhile',
      over === undefined
        ? `${path} is there already; choose another name`
        : `${path} was changed on disk since it was opened; reload it, or save under another name`,
    );
  await mkdir(dirname(file), { recursive: true });
  // Nobody ever sees half of it.
  const half = `${file}.${process.pid}.part`;
  try {
    await writeFile(half, text);
    await rename(half, file);
  } catch (error) {
    await rm(half, { force: true });
    throw new HttpProblem(403, 'Not written', `${path} cannot be written: ${(error as Error).message}`);
  }
  return { path, text, stamp: hashText(text) };
}
