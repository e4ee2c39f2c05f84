import type { LanguageDescriptor } from '../../model/language';
import { readSheet } from './file';

/** Sheets, in YAML or JSON. */
export const SHEET: LanguageDescriptor = {
  name: 'sheet',
  title: 'Sheet',
  endings: [],
  files: /\.rope\.(?:ya?ml|json)$/,
  read: readSheet,
  parsers: ['yaml', 'zod'],
  built: [],
  routers: [],
  pages: [],
  byFile: [],
  bringsNames: [],
};
