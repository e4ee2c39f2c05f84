import type { LanguageDescriptor } from '../../model/language';
import { readCSharpFile, readPage } from './csharp-file';
import { readRazorFile } from './file';

export const RAZOR: LanguageDescriptor = {
  name: 'razor',
  title: 'Razor',
  endings: ['.razor', '.cs', '.cshtml'],
  files: /\.(razor|cs|cshtml)$/,
  beside: { files: /\.(cs|cshtml)$/, main: /\.razor$/ },
  read: (path, text, readPart) =>
    path.endsWith('.razor')
      ? readRazorFile(path, text, readPart)
      : path.endsWith('.cshtml')
        ? readPage(path, text)
        : readCSharpFile(path, text),
  parsers: [],
  built: [],
  routers: [],
  pages: [],
  byFile: [],
  bringsNames: [],
};
