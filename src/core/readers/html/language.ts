import type { LanguageDescriptor } from '../../model/language';
import { definesElements, readElements } from '../elements/file';
import { readPage } from './file';

const PAGE = /\.html?$/;

/** Pages, and scripts that make elements for them. */
export const HTML: LanguageDescriptor = {
  name: 'html',
  title: 'HTML',
  endings: [],
  files: PAGE,
  claims: definesElements,
  read: (path, text, readPart) =>
    PAGE.test(path) ? readPage(path, text, readPart) : readElements(path, text),
  parsers: ['parse5'],
  built: [],
  routers: [],
  pages: [],
  byFile: [],
  bringsNames: [],
};
