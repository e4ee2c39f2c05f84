import type { LanguageDescriptor } from '../../model/language';
import { readPage } from './file';

/** Pages, for what they offer to mounts and portals. */
export const HTML: LanguageDescriptor = {
  name: 'html',
  title: 'HTML',
  endings: [],
  files: /\.html?$/,
  read: readPage,
  parsers: ['parse5'],
  built: [],
  routers: [],
  pages: [],
  byFile: [],
  bringsNames: [],
};
