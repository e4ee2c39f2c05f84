import type { LanguageDescriptor } from '../../model/language';
import { attributesTaken } from './built-in';
import { readAngularFile } from './file';
import { usesAngular } from './names';

export const ANGULAR: LanguageDescriptor = {
  name: 'angular',
  title: 'Angular',
  endings: [],
  claims: usesAngular,
  read: readAngularFile,
  parsers: ['@angular/compiler'],
  package: '@angular/core',
  built: ['.angular'],
  routers: [],
  pages: [],
  takes: attributesTaken,
  byFile: [],
  bringsNames: [],
};
