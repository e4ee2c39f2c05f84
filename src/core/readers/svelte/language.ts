import type { FileFacts } from '../../model/facts';
import type { LanguageDescriptor } from '../../model/language';
import { readSvelteFile } from './file';
import { FETCH, FETCHES } from './names';
import { readSvelteScript, usesSvelte } from './script';

const FILES = /\.svelte$/;

export const SVELTE: LanguageDescriptor = {
  name: 'svelte',
  title: 'Svelte',
  endings: ['.svelte'],
  files: FILES,
  claims: usesSvelte,
  read: (path, text): FileFacts =>
    FILES.test(path) ? readSvelteFile(path, text) : readSvelteScript(path, text),
  parsers: ['svelte'],
  package: 'svelte',
  built: ['.svelte-kit'],
  routers: ['@sveltejs/kit'],
  pages: [],
  byFile: [],
  bringsNames: [],
  fetched: { files: FETCHES, name: FETCH, port: 'data' },
  nested: /(?:^|\/)\+(page|layout|error)(?:@([^/]*))?\.svelte$/,
};
