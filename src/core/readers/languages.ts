/** The languages that are read: the only list of them. The first that takes a file reads it. */
import type { LanguageDescriptor } from '../model/language';
import { ANGULAR } from './angular/language';
import { HTML } from './html/language';
import { STENCIL } from './stencil/language';
import { RAZOR } from './razor/language';
import { REACT } from './react/language';
import { SHEET } from './sheet/language';
import { SVELTE } from './svelte/language';
import { VUE } from './vue/language';

export const LANGUAGES: readonly LanguageDescriptor[] = [
  HTML,
  SHEET,
  RAZOR,
  ANGULAR,
  STENCIL,
  VUE,
  SVELTE,
  REACT,
];

/** What all languages say of one thing. */
export const ofAll = (key: 'endings' | 'parsers' | 'built' | 'routers' | 'pages' | 'byFile'): string[] =>
  LANGUAGES.flatMap((one) => one[key]);

/** The language whose file it is by its name; undefined for scripts, which may be any's. */
export const languageByName = (path: string): LanguageDescriptor | undefined =>
  LANGUAGES.find((one) => one.files?.test(path));

/** The language that reads a file. */
export const languageOf = (path: string, text: string): LanguageDescriptor | undefined =>
  languageByName(path) ?? LANGUAGES.find((one) => one.claims?.(path, text));
