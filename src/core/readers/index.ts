/** Which reader a file is for. The only door to the readers. */
import type { FileFacts } from '../model/facts';
import { emptyFile } from './file';
import { readPage } from './html/file';
import { readReactFile } from './react/file';
import { TOO_DEEP } from './script/parse';
import { readSvelteFile } from './svelte/file';
import { readSvelteScript, usesSvelte } from './svelte/script';
import { readVueFile } from './vue/file';
import { readVueScript, usesVue } from './vue/script';

/** Files with more UTF-16 code units than this are generated, and are left out. */
export const MAX_LENGTH = 1024 * 1024;

const PAGE = /\.html?$/;
const VUE = /\.vue$/;
const SVELTE = /\.svelte$/;
const SCRIPT = /\.(?:[cm]?[jt]s|[jt]sx)$/;

/** Whether any reader takes the file. Declaration files describe code from elsewhere. */
export const isReadable = (path: string): boolean =>
  PAGE.test(path) ||
  VUE.test(path) ||
  SVELTE.test(path) ||
  (SCRIPT.test(path) && !/\.d\.[cm]?ts$/.test(path));

/** Reads one file to facts. Never throws. */
export function readFile(path: string, text: string): FileFacts {
  const clean = text.charCodeAt(0) === 0xfeff ? ` ${text.slice(1)}` : text;
  if (clean.includes('\0')) {
    return { ...emptyFile(path), problem: { message: 'the file is binary', line: 1, column: 1 } };
  }
  try {
    if (PAGE.test(path)) return readPage(path, clean);
    if (VUE.test(path)) return readVueFile(path, clean);
    if (SVELTE.test(path)) return readSvelteFile(path, clean);
    if (usesVue(path, clean)) return readVueScript(path, clean);
    if (usesSvelte(path, clean)) return readSvelteScript(path, clean);
    return readReactFile(path, clean);
  } catch (error) {
    const message =
      error instanceof RangeError
        ? TOO_DEEP
        : `the file could not be read: ${error instanceof Error ? error.message : String(error)}`;
    return { ...emptyFile(path), problem: { message, line: 1, column: 1 } };
  }
}
