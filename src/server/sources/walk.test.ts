import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { walk } from './walk';

let root: string;
const FILES: Record<string, string> = {
  'package.json': '{}',
  '.gitignore': 'made/\n*.gen.ts\n',
  'src/App.tsx': 'export {}',
  'src/types.d.ts': 'export {}',
  'src/a.gen.ts': 'export {}',
  'src/build/Deep.tsx': 'export {}',
  'src/style.css': '',
  'service/Line.cs': '',
  'src/keep/.gitignore': '!b.gen.ts\nlocal.ts\n',
  'src/keep/b.gen.ts': 'export {}',
  'src/keep/local.ts': 'export {}',
  'made/x.ts': 'export {}',
  'dist/x.js': '',
  'node_modules/kit/index.js': '',
  'src/vendor.min.js': '',
  'src/big.ts': `// ${'x'.repeat(1024 * 1024)}`,
};

beforeAll(() => {
  root = mkdtempSync(join(tmpdir(), 'walk-'));
  for (const [path, text] of Object.entries(FILES)) {
    mkdirSync(dirname(join(root, path)), { recursive: true });
    writeFileSync(join(root, path), text);
  }
  symlinkSync(root, join(root, 'src/loop'));
});
afterAll(() => rmSync(root, { recursive: true }));

test('takes sources, honours ignore files, leaves builds and packages out, and ends in loops', async () => {
  const found = await walk(root);
  expect(found.sources).toEqual(['src/App.tsx', 'src/build/Deep.tsx', 'src/keep/b.gen.ts']);
  expect(found.manifests).toEqual(['package.json']);
});

test('code beside components is read where there are components', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'walk-'));
  for (const name of ['App.razor', 'Line.cs', 'Host.cshtml']) writeFileSync(join(folder, name), '');
  expect((await walk(folder)).sources).toEqual(['App.razor', 'Host.cshtml', 'Line.cs']);
  rmSync(join(folder, 'App.razor'));
  expect((await walk(folder)).sources).toEqual([]);
  rmSync(folder, { recursive: true });
});

test('says what it leaves out', async () => {
  const { skipped } = await walk(root);
  expect(skipped).toEqual([
    { path: 'src/big.ts', reason: 'it is larger than 1 MiB (1.0 MiB)' },
    { path: 'src/vendor.min.js', reason: 'it is minified' },
  ]);
});

test('what was made of other files of the folder is left out, and told once', async () => {
  const here = mkdtempSync(join(tmpdir(), 'made-'));
  const put = (path: string, text: string) => {
    mkdirSync(join(here, dirname(path)), { recursive: true });
    writeFileSync(join(here, path), text);
  };
  const map = (source: string) => `{"version":3,"file":"x.mjs","sources":["${source}"],"mappings":""}`;
  for (const name of ['Gauge', 'Mast']) {
    put(`src/${name}.jsx`, 'export {};');
    put(`build-module/${name}.mjs`, 'export {};');
    put(`build-module/${name}.mjs.map`, map(`../src/${name}.jsx`));
  }
  put('build-module/other.mjs', 'export {};');
  put('build-module/other.mjs.map', map('../../elsewhere/other.ts'));
  put('line.js', 'export {};');
  put('line.js.map', map('line.ts'));
  put('line.ts', 'export {};');
  put('torn.js', 'export {};');
  put('torn.js.map', '{"version":3,"sources":["torn');
  const { sources, skipped } = await walk(here);
  expect(sources).toEqual(['build-module/other.mjs', 'line.ts', 'src/Gauge.jsx', 'src/Mast.jsx', 'torn.js']);
  expect(skipped).toEqual([
    { path: 'build-module', reason: '2 files here are made of others, as Gauge.mjs of src/Gauge.jsx' },
    { path: 'line.js', reason: 'it is made of line.ts' },
  ]);
  rmSync(here, { recursive: true });
});

test('where nothing else is found, folders that builds write are told of', async () => {
  const here = mkdtempSync(join(tmpdir(), 'built-'));
  mkdirSync(join(here, 'dist'));
  writeFileSync(join(here, 'package.json'), '{}');
  writeFileSync(join(here, 'dist/Gauge.svelte'), '');
  expect((await walk(here)).skipped).toEqual([
    { path: 'dist', reason: 'a build writes it; audit that folder by itself' },
  ]);
  writeFileSync(join(here, 'Mast.svelte'), '');
  expect(await walk(here)).toMatchObject({ sources: ['Mast.svelte'], skipped: [] });
  rmSync(here, { recursive: true });
});

test('include and exclude narrow it', async () => {
  expect((await walk(root, { include: ['src/App.tsx'] })).sources).toEqual(['src/App.tsx']);
  expect((await walk(root, { exclude: ['src/keep', 'build'] })).sources).toEqual(['src/App.tsx']);
});

test('a folder that is not there is an error', async () => {
  await expect(walk(join(root, 'nowhere'))).rejects.toThrow(/ENOENT/);
});

test('links are followed inside of the folder only, and each real file is read once', async () => {
  const outside = mkdtempSync(join(tmpdir(), 'outside-'));
  const here = mkdtempSync(join(tmpdir(), 'links-'));
  mkdirSync(join(here, 'b/deep'), { recursive: true });
  writeFileSync(join(here, 'b/deep/Gauge.tsx'), '');
  writeFileSync(join(outside, 'Secret.tsx'), '');
  symlinkSync(join(here, 'b'), join(here, 'a'));
  symlinkSync(join(here, 'b/deep/Gauge.tsx'), join(here, 'Again.tsx'));
  symlinkSync(outside, join(here, 'out'));
  symlinkSync(join(outside, 'Secret.tsx'), join(here, 'Out.tsx'));
  symlinkSync('nowhere', join(here, 'Gone.tsx'));
  symlinkSync('Self.tsx', join(here, 'Self.tsx'));
  const found = await walk(here);
  expect(found.sources).toEqual(['b/deep/Gauge.tsx']);
  expect(found.skipped).toEqual([
    { path: 'Gone.tsx', reason: 'it is a link to nothing' },
    { path: 'Out.tsx', reason: 'it is a link to outside of the folder' },
    { path: 'Self.tsx', reason: 'it is a link to itself' },
    { path: 'out', reason: 'it is a link to another folder, outside of this one' },
  ]);
  for (const one of [here, outside]) rmSync(one, { recursive: true });
});

test('what is no file is said, and holds nobody up', async () => {
  const here = mkdtempSync(join(tmpdir(), 'odd-'));
  for (const name of ['Pipe.tsx', '.gitignore', 'package.json']) execFileSync('mkfifo', [join(here, name)]);
  mkdirSync(join(here, 'Folder.tsx'));
  writeFileSync(join(here, 'Folder.tsx/Inner.tsx'), '');
  writeFileSync(Buffer.concat([Buffer.from(`${here}/Bad`), Buffer.from([0xff]), Buffer.from('.tsx')]), '');
  const found = await walk(here);
  expect(found.sources).toEqual(['Folder.tsx/Inner.tsx']);
  expect(found.manifests).toEqual([]);
  expect(found.skipped).toEqual([
    { path: 'Bad\ufffd.tsx', reason: 'its name is not UTF-8' },
    { path: 'Pipe.tsx', reason: 'it is no file' },
    { path: 'package.json', reason: 'it is no file' },
  ]);
  rmSync(here, { recursive: true });
});
