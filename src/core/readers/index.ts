/** Which reader a file is for. The only door to the readers. */
import type { FileFacts } from '../model/facts';
import type { ReadPart } from '../model/parts';
import { emptyFile } from './file';
import { languageByName, LANGUAGES, languageOf } from './languages';
import { TOO_DEEP } from './script/parse';

/** Files with more UTF-16 code units than this are generated, and are left out. */
export const MAX_LENGTH = 1024 * 1024;

const SCRIPT = /\.(?:[cm]?[jt]s|[jt]sx)$/;

/** Whether any reader takes the file. Declaration files describe code from elsewhere. */
export const isReadable = (path: string): boolean =>
  languageByName(path) !== undefined || (SCRIPT.test(path) && !/\.d\.[cm]?ts$/.test(path));

/** Whether a file is worth reading among others: code that only belongs to components is not where there are none. */
export function isNeededAmong(paths: readonly string[]): (path: string) => boolean {
  const idle = LANGUAGES.flatMap(({ beside }) =>
    beside && !paths.some((path) => beside.main.test(path)) ? [beside.files] : [],
  );
  return (path) => !idle.some((files) => files.test(path));
}

const noParts: ReadPart = () => undefined;

/** Reads one file, with those that belong to it, to facts. Never throws. */
export function readFile(path: string, text: string, readPart = noParts): FileFacts {
  const clean = text.charCodeAt(0) === 0xfeff ? ` ${text.slice(1)}` : text;
  if (clean.includes('\0')) {
    return { ...emptyFile(path), problem: { message: 'the file is binary', line: 1, column: 1 } };
  }
  try {
    return languageOf(path, clean)?.read(path, clean, readPart) ?? emptyFile(path);
  } catch (error) {
    const message =
      error instanceof RangeError
        ? TOO_DEEP
        : `the file could not be read: ${error instanceof Error ? error.message : String(error)}`;
    return { ...emptyFile(path), problem: { message, line: 1, column: 1 } };
  }
}
