import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { isReadable, readFile } from '../readers';
import { movesBetween } from './moved-facts';
import { movedTo } from './moves';

const DEMO = join(import.meta.dirname, '../../../demo');

const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? filesIn(path) : isReadable(path) ? [path] : [];
  });

const facts = (path: string, text: string) => readFile(path, text, (part) => readFileSync(part, 'utf8'));

/** A number that a line above changes, and that is taken for no offset, would make all of these differ. */
const demos = readdirSync(DEMO).filter((name) => statSync(join(DEMO, name)).isDirectory());

test.each(demos)('no file of %s says anything else for a line above', (demo) => {
  for (const path of filesIn(join(DEMO, demo))) {
    const text = readFileSync(path, 'utf8');
    // What stands at the very beginning is told from what stands nowhere by its facts alone.
    const before = facts(path, `\n${text}`);
    const moves = movesBetween(before, facts(path, `\n\n${text}`));
    expect(moves, path).toBeDefined();
    expect(moves!.to.filter((to, index) => to - moves!.from[index]! > 1)).toEqual([]);
  }
});

describe('offsets', () => {
  const moves = { from: [4, 10, 20], to: [4, 15, 25] };
  test.each([
    ['before all', 2, 2],
    ['where nothing moved', 6, 6],
    ['one that is known', 10, 15],
    ['one between', 12, 17],
    ['after all', 30, 35],
  ])('%s', (_, from, to) => expect(movedTo(moves, from)).toBe(to));
});
