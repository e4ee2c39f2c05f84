import type { LanguageDescriptor } from '../../model/language';
import { readStencilFile } from './file';
import { usesStencil } from './names';

export const STENCIL: LanguageDescriptor = {
  name: 'stencil',
  title: 'Stencil',
  endings: [],
  claims: usesStencil,
  read: readStencilFile,
  parsers: [],
  package: '@stencil/core',
  built: ['www', '.stencil'],
  routers: [],
  pages: [],
  byFile: [],
  bringsNames: [],
};
