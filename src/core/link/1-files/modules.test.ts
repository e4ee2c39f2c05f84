import { expect, test } from 'vitest';
import { emptyFile } from '../../readers/file';
import { readManifest } from '../../readers/manifest';
import { linkModules } from './modules';

const FILES = [
  'src/App.tsx',
  'src/parts/index.ts',
  'src/parts/Dial.tsx',
  'src/parts/Dial.ts',
  'src/legacy.js',
  'packages/kit/src/index.ts',
  'packages/kit/src/Gauge.tsx',
  'packages/web/tsconfig.json',
  'packages/web/src/page.tsx',
  'packages/web/src/dials/wind.tsx',
  'packages/kit/source/lamp.tsx',
];
const MANIFESTS: Record<string, string> = {
  'tsconfig.base.json':
    '{ "compilerOptions": { "paths": { "@parts/*": ["./src/parts/*"], "@app": ["src/App"] } } }',
  'tsconfig.json':
    '{ "extends": "./tsconfig.base.json", /* ours */ "compilerOptions": { "baseUrl": ".", }, }',
  'packages/kit/package.json':
    '{ "name": "@rope/kit", "main": "./dist/index.js", "exports": { "./Gauge": "./dist/Gauge.js", "./parts/*": { "types": "./dist/*.d.ts", "default": "./source/*.tsx" } } }',
  'packages/web/package.json':
    '{ "name": "web", "imports": { "#dials/*": "./src/dials/*.tsx", "#kit": "@rope/kit" } }',
  'packages/web/tsconfig.json': '{ "references": [{ "path": "./settings" }] }',
  'packages/web/settings/tsconfig.json': '{ "compilerOptions": { "paths": { "~/*": ["../src/*"] } } }',
};

const modules = linkModules(
  FILES.map((path) => emptyFile(path)),
  Object.entries(MANIFESTS).map(([path, text]) => readManifest(path, text)!),
);

test.each([
  ['src/App.tsx', './parts', 'src/parts/index.ts'],
  ['src/App.tsx', './parts/Dial', 'src/parts/Dial.tsx'],
  ['src/App.tsx', './parts/Dial.js', 'src/parts/Dial.ts'],
  ['src/App.tsx', './legacy', 'src/legacy.js'],
  ['src/parts/index.ts', '../App', 'src/App.tsx'],
  ['src/parts/index.ts', '..', undefined],
  ['src/App.tsx', '@parts/Dial', 'src/parts/Dial.tsx'],
  ['src/App.tsx', '@app', 'src/App.tsx'],
  ['src/App.tsx', 'src/parts', 'src/parts/index.ts'],
  ['src/App.tsx', '@rope/kit', 'packages/kit/src/index.ts'],
  ['src/App.tsx', '@rope/kit/Gauge', 'packages/kit/src/Gauge.tsx'],
  ['src/App.tsx', '@rope/other', undefined],
  ['src/App.tsx', 'react', undefined],
  ['packages/web/src/page.tsx', '@rope/kit/parts/lamp', 'packages/kit/source/lamp.tsx'],
  ['packages/web/src/page.tsx', '#dials/wind', 'packages/web/src/dials/wind.tsx'],
  ['packages/web/src/page.tsx', '#kit', 'packages/kit/src/index.ts'],
  ['packages/web/src/page.tsx', '#other', undefined],
  ['packages/web/src/page.tsx', '~/dials/wind', 'packages/web/src/dials/wind.tsx'],
  ['src/App.tsx', './parts/Dial?raw', 'src/parts/Dial.tsx'],
])('%s imports %s', (from, specifier, expected) => {
  const found = modules.resolve(from, specifier);
  expect(found === undefined ? undefined : FILES[found]).toBe(expected);
});
