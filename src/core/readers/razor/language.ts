import type { LanguageDescriptor } from '../../model/language';
import { readCSharpFile } from './csharp-file';
import { readRazorFile } from './file';

export const RAZOR: LanguageDescriptor = {
  name: 'razor',
  title: 'Razor',
  endings: ['.razor', '.cs'],
  files: /\.(razor|cs)$/,
  read: (path, text, readPart) =>
    path.endsWith('.razor') ? readRazorFile(path, text, readPart) : readCSharpFile(path, text),
  parsers: [],
  built: ['bin', 'obj'],
  routers: [],
  pages: [],
  byFile: [],
  bringsNames: [],
};
