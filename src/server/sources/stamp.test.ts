/** What has the same stamp is not read again; whatever is done to a file gives it another one. */
import {
  mkdirSync,
  mkdtempSync,
  renameSync,
  rmSync,
  statSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { readTask } from '../engine/reader-worker';
import { stampOf } from './stamp';

const TEXT = 'export const reach = 4;\n';
const NAMES = ['kept', 'written', 'timed', 'replaced', 'linked', 'gone'];
let root: string;
const at = (name: string) => join(root, `${name}.ts`);

beforeAll(async () => {
  root = mkdtempSync(join(tmpdir(), 'stamps-'));
  for (const name of [...NAMES, 'another']) writeFileSync(at(name), TEXT);
  await wait(2_100);
});
afterAll(() => rmSync(root, { recursive: true }));

test.each<[name: string, make: (path: string) => void]>([
  ['a file that was written just now', (path) => writeFileSync(path, TEXT)],
  ['a folder', (path) => mkdirSync(path)],
  ['what is not there', () => undefined],
  ['a link that leads to itself', (path) => symlinkSync(path, path)],
])('%s has none', (name, make) => {
  make(at(name));
  expect(stampOf(at(name))).toBeUndefined();
});

test.each<[name: string, edit: () => void]>([
  ['written', () => writeFileSync(at('written'), TEXT)],
  [
    'timed',
    () => {
      const { atime, mtime } = statSync(at('timed'));
      writeFileSync(at('timed'), TEXT.replace('4', '5'));
      utimesSync(at('timed'), atime, mtime);
    },
  ],
  ['replaced', () => renameSync(at('another'), at('replaced'))],
  [
    'linked',
    () => {
      rmSync(at('linked'));
      symlinkSync(at('kept'), at('linked'));
    },
  ],
  ['gone', () => rmSync(at('gone'))],
])('a file that is %s has another', (name, edit) => {
  const before = stampOf(at(name));
  expect(before).toBeDefined();
  edit();
  expect(stampOf(at(name))).not.toBe(before);
});

test('a file is read again only where it looks different', () => {
  const [path, other] = ['kept.ts', 'other.ts'];
  writeFileSync(join(root, other), TEXT);
  const first = readTask({ root, paths: [path, other] });
  const texts = first.read.map((one, i) => [first.facts[i]!.path, one] as const);
  // What is at hand is told from what is on the disk by its text.
  const last = new Map(texts.map(([name, one]) => [name, { ...one, text: 'at hand' }]));
  const known = Object.fromEntries(texts.map(([name, { hash }]) => [name, { hash }]));
  const again = readTask({ root, paths: [path, other], known, last });
  expect(again.facts).toEqual([null, null]);
  expect(again.read.map((one) => one.text)).toEqual(['at hand', TEXT]);
});
