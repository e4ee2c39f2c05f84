import type { LanguageDescriptor } from '../../model/language';
import { readReactFile } from './file';

/** Every script that no other language claims. */
export const REACT: LanguageDescriptor = {
  name: 'react',
  title: 'React',
  endings: [],
  claims: () => true,
  read: readReactFile,
  parsers: [],
  package: 'react',
  built: ['.next'],
  routers: [
    'next',
    'gatsby',
    '@remix-run/react',
    '@react-router/dev',
    'expo-router',
    'waku',
    '@docusaurus/core',
  ],
  pages: ['astro'],
  byFile: [],
  bringsNames: [],
};
